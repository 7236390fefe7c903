package fairkettle.server.routines;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.WhiteLook;
import fairkettle.routine.ChangeOrClean;
import fairkettle.routine.DueTimes.Standing;
import fairkettle.routine.PadForecast;
import fairkettle.routine.Revival;
import fairkettle.routine.Routine;
import fairkettle.routine.Routines;
import fairkettle.routine.WhiteDraw;
import fairkettle.routine.WhiteGauge;
import fairkettle.safety.Caution;
import fairkettle.server.benches.Checks;
import fairkettle.server.cards.Cards;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.routines.Standings.OfMachine;
import fairkettle.server.routines.UpkeepBook.Setting;
import fairkettle.server.web.Ahead;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class RoutineController {

    private final Standings standings;
    private final RoutineService service;
    private final LineLooks looks;
    private final UpkeepBook book;
    private final Checks checks;
    private final Cards cards;
    private final Clock clock;

    RoutineController(
            Standings standings,
            RoutineService service,
            LineLooks looks,
            UpkeepBook book,
            Checks checks,
            Cards cards,
            Clock clock) {
        this.standings = standings;
        this.service = service;
        this.looks = looks;
        this.book = book;
        this.checks = checks;
        this.cards = cards;
        this.clock = clock;
    }

    /**
     * @param progress 1 when due
     * @param drivenBy what brings it on first
     * @param ask when somebody should do it: the due time, or the last open time before it
     * @param whereFrom how that was reckoned
     * @param lastly what reset it last, in the log’s words
     * @param factor of its intervals at this machine
     */
    record RoutineJson(
            String routine,
            @Nullable String channel,
            String title,
            String say,
            String skipping,
            double progress,
            String drivenBy,
            @Nullable Instant due,
            @Nullable Instant ask,
            @Nullable Instant latest,
            List<String> whereFrom,
            @Nullable String lastly,
            Instant since,
            double factor,
            List<String> cautions,
            @Nullable NewOrCleanJson part) {}

    /** @param off why it is left out at this machine */
    record LeftOutJson(String routine, String title, String off) {}

    record MachineRoutinesJson(
            long machine,
            List<RoutineJson> routines,
            List<LeftOutJson> leftOut,
            List<WhiteGauge> whites,
            PadForecast pad,
            List<LineLooks.LineLook> looks,
            List<RoutineService.WhiteReturned> returned) {}

    /**
     * @param now how many are due already; @param soonest the first that comes; @param family what it prints, null if
     *     nothing yet; @param revival minutes until it could print for somebody; null while its card is open
     */
    record DueJson(
            long machine,
            String name,
            int now,
            @Nullable RoutineJson soonest,
            List<WhiteGauge> whites,
            @Nullable String family,
            @Nullable Integer revival) {}

    record DoneJson(@Nullable String channel) {}

    record TuneJson(
            @DecimalMin(value = "0.1", message = "At least a tenth.")
            @DecimalMax(value = "10", message = "At most ten times.")
            double factor,

            @NotNull @Size(max = 200, message = "At most 200 letters.")
            String off) {}

    record PrintedJson(
            @Min(value = 1, message = "At least one sheet.") @Max(value = 5000, message = "At most 5000 sheets.")
            int sheets,

            @Nullable List<String> channels,

            @Nullable
            @DecimalMin(value = "0.001", message = "Above nothing.")
            @DecimalMax(value = "3", message = "At most 3 full covers.")
            Double cover) {}

    /**
     * A part that can be changed or cleaned. @param clean and {@code change} cost of thirty days gained, minor units;
     * clean is null where it gains nothing
     */
    record NewOrCleanJson(@Nullable Long clean, long change, boolean exchange, String words) {}

    record WhiteJson(
            @NotBlank(message = "Which channel?") String channel,
            @NotNull(message = "How many mL?") Millilitres volume,
            @NotNull(message = "Where did it go?") WhiteDraw.To to,
            boolean shaken) {}

    @GetMapping("/api/due")
    List<DueJson> due() {
        var now = clock.instant();
        var settings = book.settings();
        var gaps = checks.gapsNow();
        var open = cards.open().keySet();
        return standings.all().stream()
                .map(m -> {
                    var tuned = settings.getOrDefault(m.machine().id(), Map.of());
                    return new DueJson(
                            m.machine().id(),
                            m.machine().name(),
                            (int) m.all().stream().filter(s -> s.dueBy(now)).count(),
                            m.all().stream()
                                    .filter(s -> s.ask() != null)
                                    .findFirst()
                                    .map(s -> json(s, tuned, Map.of()))
                                    .orElse(null),
                            m.whites(),
                            UpkeepBook.family(m.machine()).map(Family::label).orElse(null),
                            open.contains(m.machine().id())
                                    ? null
                                    : Integer.valueOf(Revival.minutes(
                                            m.all(),
                                            gaps.getOrDefault(m.machine().id(), 0),
                                            now)));
                })
                .toList();
    }

    @GetMapping("/api/machines/{machine}/routines")
    MachineRoutinesJson routines(@PathVariable long machine) {
        var found = standings.of(machine);
        var settings = book.settings().getOrDefault(machine, Map.of());
        var words = book.words(found.all().stream()
                .map(s -> s.mark().entry())
                .filter(Objects::nonNull)
                .distinct()
                .toList());
        int inked = (int) found.machine().holdings().values().stream()
                .filter(h -> !(h instanceof Holding.NeverInked))
                .count();
        return new MachineRoutinesJson(
                machine,
                found.all().stream().map(s -> json(s, settings, words)).toList(),
                leftOut(found, settings),
                found.whites(),
                PadForecast.of(
                        found.machine().profile(),
                        inked,
                        found.padShare(),
                        found.padPerDay(),
                        List.of(),
                        clock.instant()),
                looks.latest(machine),
                found.whites().stream()
                        .map(w -> service.returned(machine, w.channel()))
                        .toList());
    }

    private static List<LeftOutJson> leftOut(OfMachine found, Map<String, Setting> settings) {
        var all = UpkeepBook.family(found.machine())
                .map(f -> Routines.of(found.machine().profile(), f))
                .orElse(List.of());
        return all.stream()
                .flatMap(r -> Optional.ofNullable(settings.get(r.id()))
                        .filter(setting -> !setting.off().isEmpty())
                        .map(setting -> new LeftOutJson(r.id(), r.title(), setting.off()))
                        .stream())
                .toList();
    }

    private RoutineJson json(Standing s, Map<String, Setting> settings, Map<Long, String> words) {
        Routine r = s.routine();
        var channel = s.key().channel();
        var entry = s.mark().entry();
        return new RoutineJson(
                r.id(),
                channel == null ? null : channel.code(),
                r.title(),
                r.say(),
                r.skipping(),
                s.progress(),
                s.driver().unit(),
                s.due(),
                s.ask(),
                s.latest(),
                s.whereFrom(),
                entry == null ? null : words.get(entry),
                s.mark().since(),
                settings.containsKey(r.id()) ? settings.get(r.id()).factor() : 1,
                r.cautions().stream().map(Caution::say).toList(),
                service.part(s).map(RoutineController::json).orElse(null));
    }

    private static NewOrCleanJson json(ChangeOrClean c) {
        return new NewOrCleanJson(
                Double.isInfinite(c.clean()) ? null : Long.valueOf(Math.round(c.clean() * 30)),
                Math.round(c.change() * 30),
                c.exchange(),
                c.words());
    }

    @PostMapping("/api/machines/{machine}/routines/{routine}/done")
    MachineRoutinesJson routineDone(
            @PathVariable long machine, @PathVariable String routine, @Valid @RequestBody DoneJson done) {
        service.done(machine, routine, done.channel() == null ? null : ChannelCode.of(done.channel()));
        return routines(machine);
    }

    @PutMapping("/api/machines/{machine}/routines/{routine}")
    MachineRoutinesJson tuneRoutine(
            @PathVariable long machine, @PathVariable String routine, @Valid @RequestBody TuneJson tuned) {
        service.tune(machine, routine, tuned.factor(), tuned.off().strip());
        return routines(machine);
    }

    @PostMapping("/api/machines/{machine}/printed")
    MachineRoutinesJson printedJob(@PathVariable long machine, @Valid @RequestBody PrintedJson printed) {
        service.printed(
                machine,
                printed.sheets(),
                Stream.ofNullable(printed.channels())
                        .flatMap(List::stream)
                        .map(ChannelCode::of)
                        .toList(),
                printed.cover());
        return routines(machine);
    }

    /** Bottle, line or damper of a white, looked at; with a picture, if the body is one. */
    @PostMapping(path = "/api/machines/{machine}/line-looks", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    MachineRoutinesJson lookAtLine(
            @PathVariable long machine,
            @RequestParam String channel,
            @RequestParam WhiteLook.Place place,
            @RequestParam WhiteLook.Seen seen,
            @RequestBody(required = false) byte @Nullable [] picture,
            @Parameter(hidden = true) @RequestAttribute(Ahead.DONE) Optional<Pictures.Sent> sent) {
        looks.keep(machine, ChannelCode.of(channel), place, seen, sent.orElse(null));
        return routines(machine);
    }

    @PostMapping("/api/machines/{machine}/white")
    MachineRoutinesJson drawWhite(@PathVariable long machine, @Valid @RequestBody WhiteJson white) {
        service.drawWhite(machine, ChannelCode.of(white.channel()), white.volume(), white.to(), white.shaken());
        return routines(machine);
    }
}
