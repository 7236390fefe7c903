package fairkettle.server.routines;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.Vessel;
import fairkettle.machine.VesselKind;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.routine.DryingCurve;
import fairkettle.routine.DueTimes;
import fairkettle.routine.DueTimes.Depth;
import fairkettle.routine.DueTimes.Standing;
import fairkettle.routine.Mark;
import fairkettle.routine.Upkeep.Key;
import fairkettle.routine.WhiteGauge;
import fairkettle.server.benches.Contents;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.climate.Room;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.routines.UpkeepBook.Rates;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where routines stand: the book, the air, the ink account and the shop's hours put together. */
@Service
public class Standings {

    /** How far back the air is looked at; before that it counts as usual. */
    private static final Duration AIR = Duration.ofDays(60);
    /** Days over which “of late” is counted. */
    private static final int RECENT = 28;

    private final UpkeepBook book;
    private final Machines machines;
    private final Contents contents;
    private final Ledger ledger;
    private final Room room;
    private final Shop shop;
    private final Clock clock;

    Standings(UpkeepBook book, Machines machines, Contents contents, Ledger ledger, Room room, Shop shop, Clock clock) {
        this.book = book;
        this.machines = machines;
        this.contents = contents;
        this.ledger = ledger;
        this.room = room;
        this.shop = shop;
        this.clock = clock;
    }

    /** @param all the most pressing first; @param whites settled white by channel */
    public record OfMachine(
            Machine machine, List<Standing> all, List<WhiteGauge> whites, double padShare, double padPerDay) {}

    @Transactional
    public List<OfMachine> all() {
        return of(machines.all());
    }

    @Transactional
    public OfMachine of(long machine) {
        return of(List.of(machines.get(machine))).getFirst();
    }

    private List<OfMachine> of(List<Machine> wanted) {
        var settings = shop.settings();
        var now = clock.instant();
        var marks = book.marks(wanted);
        var tuned = book.settings();
        var rates = book.rates(LocalDate.ofInstant(now, settings.zoneId()), RECENT);
        var best = contents.bestBefore();
        var contents = ledger.ofPadsAndWhites();
        var oldest = marks.values().stream()
                .flatMap(m -> m.values().stream())
                .map(Mark::since)
                .min(Comparator.naturalOrder())
                .orElse(now);
        var readings = room.since(oldest.isBefore(now.minus(AIR)) ? now.minus(AIR) : oldest.minus(Duration.ofDays(2)));
        var times = new DueTimes(new DryingCurve(readings), settings.sinking(), settings.hours(), now);
        return wanted.stream()
                .map(machine -> {
                    var mine = marks.getOrDefault(machine.id(), Map.of());
                    var depths = depths(machine, contents);
                    var rate = rates.getOrDefault(machine.id(), Rates.NONE);
                    double capacity = machine.profile().padCapacity().mL();
                    double pad = contents.getOrDefault(new Place.Pad(machine.id()), Mixture.EMPTY)
                                    .volume()
                                    .mL()
                            / capacity;
                    var date = best.get(machine.id());
                    var facts = new DueTimes.Facts(
                            depths,
                            pad,
                            rate.pad() / capacity,
                            date == null
                                    ? null
                                    : date.plusDays(1)
                                            .atStartOfDay(settings.zoneId())
                                            .toInstant(),
                            rate.sheets(),
                            rate.ink(),
                            rate.cleanings());
                    return new OfMachine(
                            machine,
                            times.of(
                                    book.upkeep(machine, tuned.getOrDefault(machine.id(), Map.of())), mine, now, facts),
                            whites(machine, mine, depths, now),
                            pad,
                            rate.pad() / capacity);
                })
                .toList();
    }

    private Map<Depth, Double> depths(Machine machine, Map<Place, Mixture> contents) {
        var depths = new HashMap<Depth, Double>();
        machine.profile().channels().stream()
                .filter(c -> c.code().white())
                .forEach(c -> c.path().forEach(v -> {
                    double share =
                            contents.getOrDefault(new Place.InPath(machine.id(), c.code(), v.kind()), Mixture.EMPTY)
                                            .volume()
                                            .mL()
                                    / v.capacity().mL();
                    depths.put(new Depth(c.code().code(), v.kind()), share <= 0 ? 0 : v.depthAt(Math.min(1, share)));
                }));
        return depths;
    }

    private List<WhiteGauge> whites(Machine machine, Map<Key, Mark> marks, Map<Depth, Double> depths, Instant now) {
        if (UpkeepBook.family(machine).isEmpty()) {
            return List.of();
        }
        return machine.profile().channels().stream()
                .filter(c -> c.code().white())
                .map(c -> WhiteGauge.of(
                        c.code().code(),
                        shop.settings().sinking(),
                        c.path().stream()
                                .map(Vessel::kind)
                                .filter(k -> k != VesselKind.HEAD)
                                .map(k -> new WhiteGauge.DepthOf(
                                        k,
                                        depths.getOrDefault(new Depth(c.code().code(), k), 0.0)))
                                .toList(),
                        since(marks, "shake", c.code(), now),
                        since(marks, "move-white", c.code(), now),
                        now))
                .toList();
    }

    private static Instant since(Map<Key, Mark> marks, String routine, ChannelCode channel, Instant otherwise) {
        var mark = marks.get(new Key(routine, channel));
        return mark == null ? otherwise : mark.since();
    }
}
