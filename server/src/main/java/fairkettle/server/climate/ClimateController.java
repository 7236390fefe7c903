package fairkettle.server.climate;

import fairkettle.routine.Air;
import fairkettle.routine.Decline;
import fairkettle.routine.Drying;
import fairkettle.routine.RoomAdvice;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Machines;
import fairkettle.server.shop.Shop;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ClimateController {

    private static final Duration SHOWN = Duration.ofDays(14);
    private static final Duration A_WEEK = Duration.ofDays(7);
    private static final int POINTS = 240;

    private final Room room;
    private final ProbePoller poller;
    private final Machines machines;
    private final Checks checks;
    private final Shop shop;
    private final Clock clock;

    ClimateController(Room room, ProbePoller poller, Machines machines, Checks checks, Shop shop, Clock clock) {
        this.room = room;
        this.poller = poller;
        this.machines = machines;
        this.checks = checks;
        this.shop = shop;
        this.clock = clock;
    }

    /** @param drying times as fast as in usual air */
    record AirJson(Instant at, double celsius, double humidity, double drying) {

        static AirJson of(Air air) {
            return new AirJson(air.at(), air.celsius(), air.humidity(), air.drying());
        }
    }

    /** @param since when it last printed, was checked or cleaned; @param drying on average since then */
    record MachineAirJson(long id, String name, @Nullable Instant since, double drying) {}

    /**
     * @param day average of the last 24 h; @param probe its address, null if there is none; @param trouble why it was
     *     not read
     */
    record ClimateJson(
            @Nullable AirJson now,
            double day,
            List<String> advice,
            List<AirJson> readings,
            List<LookDayJson> days,
            List<MachineAirJson> machines,
            @Nullable String probe,
            @Nullable String trouble) {}

    /**
     * @param gaps teeth missing on all machines together, each as it was seen last that day; @param looked how many
     *     machines somebody looked at
     */
    record LookDayJson(LocalDate day, int gaps, int looked) {}

    record NewAirJson(
            @NotNull(message = "How warm, in °C?") Double celsius,
            @NotNull(message = "How humid, in %?") Double humidity,
            @Nullable Instant at) {}

    record ProbeJson(
            @NotNull @Size(max = 200, message = "At most 200 letters.")
            String uri) {}

    @GetMapping("/api/climate")
    ClimateJson climate() {
        var now = clock.instant();
        var last = room.lastEvents();
        var oldest = last.values().stream()
                .min(Comparator.naturalOrder())
                .filter(o -> o.isBefore(now.minus(SHOWN)))
                .orElse(now.minus(SHOWN));
        var readings = room.since(oldest.minus(SHOWN));
        var shown =
                readings.stream().filter(a -> a.at().isAfter(now.minus(SHOWN))).toList();
        int every = Math.max(1, shown.size() / POINTS);
        var thinned = IntStream.range(0, shown.size())
                .filter(i -> i % every == 0 || i == shown.size() - 1)
                .mapToObj(i -> AirJson.of(shown.get(i)))
                .toList();
        var probe = room.probe();
        return new ClimateJson(
                readings.isEmpty() ? null : AirJson.of(readings.getLast()),
                Drying.average(readings, now.minus(Duration.ofDays(1)), now),
                advice(readings, now),
                thinned,
                days(now),
                machines.all().stream()
                        .map(m -> new MachineAirJson(
                                m.id(),
                                m.name(),
                                last.get(m.id()),
                                last.containsKey(m.id()) ? Drying.average(readings, last.get(m.id()), now) : 1))
                        .toList(),
                probe.map(Room.Probe::uri).orElse(null),
                probe.map(Room.Probe::trouble).orElse(null));
    }

    private List<String> advice(List<Air> readings, Instant now) {
        var names = machines.all().stream().collect(Collectors.toMap(Machines.Machine::id, Machines.Machine::name));
        var week = checks.looks(now.minus(A_WEEK)).stream()
                .collect(Collectors.groupingBy(
                        Checks.Glance::machine,
                        TreeMap::new,
                        Collectors.mapping(Checks.Glance::gaps, Collectors.toList())));
        var together = Decline.together(week.entrySet().stream()
                .map(e -> new Decline.Course(names.getOrDefault(e.getKey(), ""), e.getValue()))
                .toList());
        return Stream.concat(
                        together.isEmpty() ? Stream.empty() : Stream.of(Decline.words(together)),
                        RoomAdvice.of(readings, now).stream())
                .toList();
    }

    /** Gaps and looks of each day that is shown. */
    private List<LookDayJson> days(Instant now) {
        var zone = shop.settings().zoneId();
        var byDay = checks.looks(now.minus(SHOWN)).stream()
                .collect(Collectors.groupingBy(
                        g -> LocalDate.ofInstant(g.at(), zone),
                        Collectors.toMap(Checks.Glance::machine, Checks.Glance::gaps, (_, later) -> later)));
        var first = LocalDate.ofInstant(now.minus(SHOWN), zone).plusDays(1);
        return first.datesUntil(LocalDate.ofInstant(now, zone).plusDays(1))
                .map(day -> {
                    var looks = byDay.getOrDefault(day, Map.of());
                    return new LookDayJson(
                            day, looks.values().stream().mapToInt(i -> i).sum(), looks.size());
                })
                .toList();
    }

    @PostMapping("/api/climate/readings")
    ClimateJson readRoom(@Valid @RequestBody NewAirJson air) {
        room.enter(new Air(air.at() == null ? clock.instant() : air.at(), air.celsius(), air.humidity()));
        return climate();
    }

    @PutMapping("/api/climate/probe")
    ClimateJson setProbe(@Valid @RequestBody ProbeJson probe) {
        room.probe(probe.uri());
        poller.poll();
        return climate();
    }
}
