package fairkettle.server.climate;

import fairkettle.routine.Air;
import fairkettle.routine.Drying;
import fairkettle.routine.RoomAdvice;
import fairkettle.server.benches.Machines;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ClimateController {

    private static final Duration SHOWN = Duration.ofDays(14);
    private static final int POINTS = 240;

    private final Room room;
    private final ProbePoller poller;
    private final Machines machines;
    private final Clock clock;

    ClimateController(Room room, ProbePoller poller, Machines machines, Clock clock) {
        this.room = room;
        this.poller = poller;
        this.machines = machines;
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

    /** @param day average of the last 24 h; @param probe its address, null if there is none; @param trouble why it was not read */
    record ClimateJson(@Nullable AirJson now, double day, List<String> advice, List<AirJson> readings, List<MachineAirJson> machines, @Nullable String probe, @Nullable String trouble) {}

    record NewAirJson(@NotNull(message = "How warm, in °C?") Double celsius, @NotNull(message = "How humid, in %?") Double humidity, @Nullable Instant at) {}

    record CsvJson(@NotNull @Size(max = 2_000_000, message = "At most 2 MB.") String csv) {}

    record ProbeJson(@NotNull @Size(max = 200, message = "At most 200 letters.") String uri) {}

    @GetMapping("/api/climate")
    ClimateJson climate() {
        var now = clock.instant();
        var last = room.lastEvents();
        var oldest = last.values().stream().min(Comparator.naturalOrder()).filter(o -> o.isBefore(now.minus(SHOWN))).orElse(now.minus(SHOWN));
        var readings = room.since(oldest.minus(SHOWN));
        var shown = readings.stream().filter(a -> a.at().isAfter(now.minus(SHOWN))).toList();
        int every = Math.max(1, shown.size() / POINTS);
        var thinned = IntStream.range(0, shown.size()).filter(i -> i % every == 0 || i == shown.size() - 1).mapToObj(i -> AirJson.of(shown.get(i))).toList();
        var probe = room.probe();
        return new ClimateJson(readings.isEmpty() ? null : AirJson.of(readings.getLast()), Drying.average(readings, now.minus(Duration.ofDays(1)), now), RoomAdvice.of(readings, now), thinned,
                machines.all().stream().map(m -> new MachineAirJson(m.id(), m.name(), last.get(m.id()), last.containsKey(m.id()) ? Drying.average(readings, last.get(m.id()), now) : 1)).toList(),
                probe.map(Room.Probe::uri).orElse(null), probe.map(Room.Probe::trouble).orElse(null));
    }

    @PostMapping("/api/climate/readings")
    ClimateJson readRoom(@Valid @RequestBody NewAirJson air) {
        room.enter(new Air(air.at() == null ? clock.instant() : air.at(), air.celsius(), air.humidity()));
        return climate();
    }

    @PostMapping("/api/climate/csv")
    ClimateJson bringInReadings(@Valid @RequestBody CsvJson file) {
        room.bringIn(file.csv());
        return climate();
    }

    @PutMapping("/api/climate/probe")
    ClimateJson setProbe(@Valid @RequestBody ProbeJson probe) {
        room.probe(probe.uri());
        poller.poll();
        return climate();
    }
}
