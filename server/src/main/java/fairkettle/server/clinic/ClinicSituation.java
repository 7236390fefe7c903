package fairkettle.server.clinic;

import fairkettle.check.Work;
import fairkettle.clinic.AnotherRound;
import fairkettle.clinic.Complaint;
import fairkettle.clinic.SimpleThing;
import fairkettle.clinic.Situation;
import fairkettle.clinic.Situation.Part;
import fairkettle.clinic.Situation.Prices;
import fairkettle.clinic.Treatment;
import fairkettle.ink.Family;
import fairkettle.machine.Architecture;
import fairkettle.machine.Profile;
import fairkettle.machine.Supply;
import fairkettle.machine.VesselKind;
import fairkettle.machine.WasteLines;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.routine.DryingCurve;
import fairkettle.routine.DueTimes.Standing;
import fairkettle.safety.School;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Contents;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.climate.Room;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.routines.Standings;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What the shop knows of a machine when a case is opened: nothing of it is asked. */
@Service
class ClinicSituation {

    private static final double HOURS_A_MONTH = 730;
    private static final double YOUNG_PART = 6; // months, where nobody knows when it was fitted
    private static final double SNAPPED_IN = 15; // minutes of a hand
    private static final double OFTEN = 1.5; // cleanings a day of late

    private final Contents inkOf;
    private final Checks checks;
    private final Standings standings;
    private final Ledger ledger;
    private final Room room;
    private final Shelf shelf;
    private final Supplies supplies;
    private final Shop shop;
    private final Clock clock;

    ClinicSituation(
            Contents inkOf,
            Checks checks,
            Standings standings,
            Ledger ledger,
            Room room,
            Shelf shelf,
            Supplies supplies,
            Shop shop,
            Clock clock) {
        this.inkOf = inkOf;
        this.checks = checks;
        this.standings = standings;
        this.ledger = ledger;
        this.room = room;
        this.shelf = shelf;
        this.supplies = supplies;
        this.shop = shop;
        this.clock = clock;
    }

    /**
     * What needs no look. @param even when a full page last kept its weight; @param looked when somebody last looked at
     * all of it
     */
    Map<SimpleThing, String> known(Machine machine, @Nullable Instant even, @Nullable Instant looked) {
        var now = clock.instant();
        var contents = ledger.ofMachineNow(machine.id());
        var profile = machine.profile();
        double lowest = profile.channels().stream()
                .filter(c -> machine.holdings().containsKey(c.code()))
                .mapToDouble(c -> contents.getOrDefault(
                                        new Place.InPath(
                                                machine.id(),
                                                c.code(),
                                                c.first().kind()),
                                        Mixture.EMPTY)
                                .volume()
                                .mL()
                        / c.first().capacity().mL())
                .min()
                .orElse(0);
        double pad = contents.getOrDefault(new Place.Pad(machine.id()), Mixture.EMPTY)
                .volume()
                .mL();
        double cleaning = profile.draws().cleaning().mL() * machine.holdings().size();
        boolean lots =
                inkOf.lots(machine.id()).keySet().containsAll(machine.holdings().keySet());
        var read = standings.of(machine.id()).all().stream()
                .filter(s -> s.key().routine().equals("levels") && s.mark().entry() != null)
                .map(s -> s.mark().since())
                .findFirst()
                .orElse(null);
        var printed = checks.latest(machine.id(), 1).values().stream()
                .flatMap(List::stream)
                .map(c -> c.at())
                .max(Comparator.naturalOrder())
                .orElse(null);
        return SimpleThing.known(
                new SimpleThing.Books(
                        read,
                        lowest,
                        lots,
                        (int) ((profile.padCapacity().mL() - pad) / cleaning),
                        printed,
                        even,
                        looked),
                now);
    }

    /** @param simple whether the books prove all the simple things */
    Situation of(Machine machine, Set<Complaint> complaints, Work work, boolean simple) {
        var now = clock.instant();
        var standing = standings.of(machine.id());
        var settings = shop.settings();
        var family = UpkeepBook.family(machine).orElse(machine.profile().built());
        var contents = ledger.ofMachineNow(machine.id());
        var tolerance = settings.tolerated().getOrDefault(work, work.usual());
        var channels = machine.profile().channels().stream()
                .filter(c -> machine.holdings().containsKey(c.code()))
                .map(c -> {
                    int forgiven = work.uses(c.code())
                            ? (int) Math.max(tolerance.share() * c.nozzles(), tolerance.neighbours() == 0 ? 0 : 1)
                            : (int) Math.max(2, .06 * c.nozzles());
                    double level = contents.getOrDefault(
                                    new Place.InPath(
                                            machine.id(), c.code(), c.first().kind()),
                                    Mixture.EMPTY)
                            .volume()
                            .mL();
                    return new Part(
                            c.code(),
                            c.nozzles(),
                            forgiven,
                            months(standing, c.code().white() ? "white-damper" : "damper", now),
                            level,
                            c.first().capacity().mL());
                })
                .toList();
        var last = standing.all().stream()
                .filter(s -> s.key().routine().equals("purge"))
                .map(s -> s.mark().since())
                .min(Comparator.naturalOrder())
                .orElse(now.minus(Duration.ofDays(1)));
        double pad = contents.getOrDefault(new Place.Pad(machine.id()), Mixture.EMPTY)
                .volume()
                .mL();
        var profile = machine.profile();
        var draws = profile.draws();
        var signedOff = machine.signedOff();
        boolean changed = signedOff != null && signedOff.isAfter(now.minus(Duration.ofDays(3)));
        return new Situation(
                family,
                channels,
                profile.architecture() == Architecture.CARTRIDGE || profile.architecture() == Architecture.BULK,
                profile.architecture() == Architecture.FILM,
                profile.channels().stream().flatMap(c -> c.path().stream()).anyMatch(v -> v.kind() == VesselKind.TUBE),
                profile.handling().wasteLines() != WasteLines.NONE,
                profile.capable().headOut(),
                Math.max(.02, Duration.between(last, now).toMinutes() / 1440.0),
                last.isBefore(now) ? new DryingCurve(room.since(last.minus(Duration.ofDays(2)))).average(last, now) : 1,
                months(standing, "cap-rim", now) + YOUNG_PART,
                standing.padPerDay() * profile.padCapacity().mL()
                        > OFTEN * draws.cleaning().mL() * channels.size(),
                changed,
                simple,
                Math.max(0, profile.padCapacity().mL() - pad),
                profile.architecture().cleaningsInARow(),
                complaints,
                never(machine),
                prices(family, profile),
                new Situation.Ink(
                        draws.nozzleCheck().mL(),
                        draws.sheet().mL(),
                        draws.cleaning().mL(),
                        draws.powerCleaning().mL()));
    }

    private static double months(Standings.OfMachine machine, String routine, Instant now) {
        return machine.all().stream()
                .filter(s -> s.key().routine().equals(routine))
                .map(Standing::mark)
                .map(m -> Duration.between(m.since(), now).toMinutes() / 60.0 / HOURS_A_MONTH)
                .max(Comparator.naturalOrder())
                .orElse(YOUNG_PART);
    }

    /** What this shop's school, or this machine's, leaves out. */
    private Set<Treatment> never(Machine machine) {
        var schools = new EnumMap<School, String>(School.class);
        schools.putAll(shop.settings().schools());
        schools.putAll(machine.schools());
        return Treatment.leftOut(schools);
    }

    /**
     * How a new head would get into a machine: its user snaps it in, or screws it in; from the shelf, or once it came.
     */
    AnotherRound.NewHead newHead(Machine machine) {
        boolean byUser = machine.profile().headsByUser();
        boolean there = supplies.counts().getOrDefault(byUser ? Supply.HEAD_CARTRIDGE : Supply.HEAD, 0) > 0;
        var usual = AnotherRound.NewHead.USUAL;
        return new AnotherRound.NewHead(byUser ? 0 : usual.minutes(), there ? 0 : usual.hours());
    }

    private Prices prices(Family family, Profile profile) {
        var settings = shop.settings();
        double minor = Math.pow(10, settings.money().getDefaultFractionDigits());
        double ink = shelf.lots().stream()
                .filter(l -> !l.fluid() && l.family() == family && !l.volume().isZero())
                .mapToDouble(l -> l.price() / minor / l.volume().mL())
                .average()
                .orElse(Prices.USUAL.ink());
        double fluid = shelf.lots().stream()
                .filter(l -> l.fluid() && !l.volume().isZero())
                .mapToDouble(l -> l.price() / minor / l.volume().mL())
                .average()
                .orElse(Prices.USUAL.fluid());
        var parts = supplies.prices();
        double minute = settings.labourPerHour() / minor / 60;
        var usual = Prices.USUAL;
        double scale = minute > 0
                ? minute / usual.minute()
                : 1; // why: what a false cure costs is mostly hands and ink, at this shop's rates
        // why: where the user snaps the head in, a hopeless one is exchanged, and the ladder ends sooner; what else a
        // head costs is what the shop says, or so many times what its hands cost
        double head = profile.headsByUser()
                ? parts.getOrDefault(Supply.HEAD_CARTRIDGE, Supply.HEAD_CARTRIDGE.usualPrice()) / minor
                        + SNAPPED_IN * minute
                : parts.containsKey(Supply.HEAD) ? parts.get(Supply.HEAD) / minor : usual.head() * scale;
        return new Prices(
                ink,
                settings.padPrice() / minor / profile.padCapacity().mL(),
                fluid,
                minute,
                usual.hour() * scale,
                parts.containsKey(Supply.DAMPER) ? parts.get(Supply.DAMPER) / minor : usual.damper(),
                usual.cap(),
                usual.falseDone() * scale,
                usual.relapse() * scale,
                head);
    }
}
