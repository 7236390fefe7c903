package fairkettle.server.checks;

import fairkettle.check.Change;
import fairkettle.check.Course;
import fairkettle.check.EyeHelp;
import fairkettle.check.Look;
import fairkettle.check.Verdict;
import fairkettle.check.Work;
import fairkettle.ink.ChannelCode;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Machines;
import fairkettle.server.pictures.Eye;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Ahead;
import fairkettle.sheet.SheetKind;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CheckController {

    private static final int LOOK_BACK = 12; // checks per channel
    private static final int WEEKS = 4;
    private static final int PAGES = 24; // at once

    private final Readings readings;
    private final Checks checks;
    private final Machines machines;
    private final Diary diary;
    private final Shop shop;
    private final Eye eye;
    private final Clock clock;

    CheckController(Readings readings, Checks checks, Machines machines, Diary diary, Shop shop, Eye eye, Clock clock) {
        this.eye = eye;
        this.readings = readings;
        this.checks = checks;
        this.machines = machines;
        this.diary = diary;
        this.shop = shop;
        this.clock = clock;
    }

    /** @param fade share of density lost down the page; @param says what it points at, null if it is even */
    record SolidJson(
            double fade,
            int streaks,
            double foreign,
            double confidence,
            @Nullable String says) {}

    /**
     * @param missing as it counts: corrected where a person did
     * @param spots where each stroke is in the straightened picture, shares of width and height, x and y in turn
     * @param unseen what the picture does not show; the channel counts as a check when somebody has looked
     * @param limit share of full ink under which a stroke counts as missing
     */
    record ChannelSeenJson(
            String channel,
            int strokes,
            List<Integer> missing,
            List<Integer> faint,
            List<Integer> partial,
            List<Integer> bent,
            List<Integer> unsure,
            List<Integer> unseen,
            double limit,
            @Nullable SolidJson solid,
            @Nullable String unreadable,
            boolean corrected,
            List<Double> spots) {}

    /** @param alsoRead other sheets in the same picture, said right after it was sent */
    record ReadingJson(
            long id,
            Instant at,
            @Nullable LocalDateTime taken,
            UUID picture,
            @Nullable UUID straight,
            @Nullable Double shape,
            @Nullable Long machine,
            @Nullable String machineName,
            @Nullable SheetKind kind,
            @Nullable String kindLabel,
            @Nullable String whyNot,
            List<ChannelSeenJson> looks,
            List<String> doubts,
            @Nullable Double pixelsPerMm,
            boolean reference,
            List<AlsoReadJson> alsoRead) {

        ReadingJson with(List<AlsoReadJson> others) {
            return new ReadingJson(
                    id,
                    at,
                    taken,
                    picture,
                    straight,
                    shape,
                    machine,
                    machineName,
                    kind,
                    kindLabel,
                    whyNot,
                    looks,
                    doubts,
                    pixelsPerMm,
                    reference,
                    others);
        }

        static ReadingJson of(Readings.Reading r, @Nullable String machine) {
            return new ReadingJson(
                    r.id(),
                    r.at(),
                    r.taken(),
                    r.picture(),
                    r.straight(),
                    r.shape(),
                    r.machine(),
                    machine,
                    r.kind(),
                    r.kind() == null ? null : r.kind().label(),
                    r.whyNot(),
                    r.looks().stream().map(l -> look(l, r)).toList(),
                    r.doubts(),
                    r.pixelsPerMm(),
                    r.reference(),
                    List.of());
        }

        private static ChannelSeenJson look(Look l, Readings.Reading r) {
            var code = l.channel().code();
            var solid = l.solid() == null
                    ? null
                    : new SolidJson(
                            l.solid().fade(),
                            l.solid().streaks().size(),
                            l.solid().foreign(),
                            l.solid().confidence(),
                            l.solid().says());
            var corrected = r.corrected().get(code);
            return new ChannelSeenJson(
                    code,
                    l.strokes(),
                    corrected == null ? l.missing() : corrected,
                    l.faint(),
                    l.partial(),
                    l.bent(),
                    l.unsure(),
                    corrected == null ? l.unseen() : List.of(),
                    l.limit(),
                    solid,
                    l.unreadable(),
                    corrected != null,
                    r.spots().getOrDefault(code, List.of()));
        }
    }

    record AlsoReadJson(
            long id, @Nullable String machineName, @Nullable String whyNot) {}

    record CornersJson(
            @NotNull(message = "Which machine?") Long machine,

            @NotNull @Size(min = 8, max = 8, message = "Four corners, x and y each.")
            List<Double> corners,

            boolean dark) {

        /** In pixels of the picture, x and y in turn. */
        double[] places() {
            return corners.stream().mapToDouble(Double::doubleValue).toArray();
        }
    }

    record CorrectionJson(
            @NotNull String channel,
            @NotNull @Size(max = 2000) List<Integer> missing) {}

    /** @param since what was done to the machine between the check before and this one, in order */
    record PastCheckJson(Instant at, List<Integer> missing, List<String> since) {}

    /**
     * One channel against the check before and against its best.
     *
     * @param change one of same, healed, moved, new, worse; null for the first check
     * @param standing strokes missing in the last {@code standingChecks} checks, since {@code standingSince}
     */
    record ComparedJson(
            String channel,
            int strokes,
            Instant at,
            List<Integer> missing,
            @Nullable String change,
            @Nullable String changeWords,
            @Nullable Instant before,
            int best,
            List<Integer> standing,
            int standingChecks,
            Instant standingSince,
            List<PastCheckJson> past) {

        /** Newest check first; between two of them stands what was done. */
        ComparedJson withActs(List<Diary.Done> acts) {
            var told = new ArrayList<PastCheckJson>();
            for (int i = 0; i < past.size(); i++) {
                var now = past.get(i);
                var before = i + 1 < past.size() ? past.get(i + 1).at() : now.at();
                told.add(new PastCheckJson(
                        now.at(),
                        now.missing(),
                        acts.stream()
                                .filter(a -> a.at().isAfter(before) && a.at().isBefore(now.at()))
                                .map(Diary.Done::words)
                                .toList()));
            }
            return new ComparedJson(
                    channel,
                    strokes,
                    at,
                    missing,
                    change,
                    changeWords,
                    this.before,
                    best,
                    standing,
                    standingChecks,
                    standingSince,
                    told);
        }
    }

    record VerdictJson(String headline, String says, List<String> goodFor, List<String> notFor, List<String> spoiled) {}

    /**
     * @param verdict null while there was no check
     * @param looked days of the last four weeks on which somebody looked, oldest first
     * @param purgePages printed since the last check: after three of them it is time to look again
     */
    record MachineChecksJson(
            long machine,
            String name,
            List<ComparedJson> channels,
            @Nullable VerdictJson verdict,
            List<ReadingJson> readings,
            List<DayJson> looked,
            int purgePages,
            boolean lookAgain) {}

    /** @param since what was done to the machine between the page before and this one, in order */
    record PageJson(ReadingJson reading, List<String> since) {}

    /** @param older the page to ask before for the next ones; absent on the last */
    record PagesJson(List<PageJson> pages, @Nullable Long older) {}

    record DayJson(LocalDate day, boolean open, boolean looked) {}

    @PostMapping(path = "/api/readings", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ReadingJson readPicture(
            @RequestParam(required = false) @Nullable Long machine,
            @RequestParam(defaultValue = "true") boolean keep,
            @RequestBody byte[] picture,
            @Parameter(hidden = true) @RequestAttribute(Ahead.DONE) Readings.Seen seen) {
        var all = readings.read(seen, machine, keep).stream().map(this::json).toList();
        return all.getFirst()
                .with(all.stream()
                        .skip(1)
                        .map(r -> new AlsoReadJson(r.id(), r.machineName(), r.whyNot()))
                        .toList());
    }

    /** @param before how many pictures are read before it; absent if it does not wait, or not any more */
    record WaitingJson(@Nullable Integer before) {}

    /** Where a picture that is on its way stands in the line. */
    @GetMapping("/api/readings/waiting")
    WaitingJson waitingReading(@RequestParam @Size(max = 80, message = "At most 80 letters.") String key) {
        var before = eye.before(key);
        return new WaitingJson(before.isPresent() ? (Integer) before.getAsInt() : null);
    }

    @GetMapping("/api/readings/{reading}")
    ReadingJson reading(@PathVariable long reading) {
        return json(readings.get(reading));
    }

    @GetMapping("/api/readings")
    List<ReadingJson> latestReadings(@RequestParam(required = false) @Nullable Long machine) {
        return readings.latest(machine, LOOK_BACK).stream().map(this::json).toList();
    }

    @PostMapping("/api/readings/{reading}/corners")
    ReadingJson tapCorners(
            @PathVariable long reading,
            @Valid @RequestBody CornersJson tapped,
            @Parameter(hidden = true) @RequestAttribute(Ahead.DONE) Readings.Seen seen) {
        return json(readings.tapped(seen, tapped.machine()));
    }

    @PostMapping("/api/readings/{reading}/corrections")
    ReadingJson correctReading(@PathVariable long reading, @Valid @RequestBody CorrectionJson correction) {
        return json(readings.correct(reading, correction.channel(), correction.missing()));
    }

    @PostMapping("/api/readings/{reading}/reference")
    ReadingJson makeReference(@PathVariable long reading) {
        return json(readings.reference(reading));
    }

    record EyeHelpJson(String question, String answer) {}

    @GetMapping("/api/checks/help")
    List<EyeHelpJson> checksHelp() {
        return Arrays.stream(EyeHelp.values())
                .map(h -> new EyeHelpJson(h.question(), h.answer()))
                .toList();
    }

    /** Every page that was read of a machine, the newest first, with what was done between them. */
    @GetMapping("/api/machines/{machine}/pages")
    PagesJson pages(@PathVariable long machine, @RequestParam(required = false) @Nullable Long before) {
        var found = readings.pages(machine, before, PAGES + 1);
        var shown = found.subList(0, Math.min(PAGES, found.size()));
        var acts = found.isEmpty()
                ? List.<Diary.Done>of()
                : diary.between(machine, found.getLast().at(), found.getFirst().at());
        var pages = new ArrayList<PageJson>();
        for (int i = 0; i < shown.size(); i++) {
            var now = shown.get(i);
            var earlier = i + 1 < found.size() ? found.get(i + 1).at() : now.at();
            pages.add(new PageJson(
                    json(now),
                    acts.stream()
                            .filter(a -> a.at().isAfter(earlier) && a.at().isBefore(now.at()))
                            .map(Diary.Done::words)
                            .toList()));
        }
        return new PagesJson(pages, found.size() > PAGES ? shown.getLast().id() : null);
    }

    @GetMapping("/api/machines/{machine}/checks")
    MachineChecksJson machineChecks(@PathVariable long machine) {
        var found = machines.get(machine);
        var judged = new ArrayList<Verdict.Judged>();
        var compared = new ArrayList<ComparedJson>();
        checks.latest(machine, LOOK_BACK).forEach((code, list) -> {
            var counting = list.stream().filter(Checks.Check::judged).toList();
            if (!counting.isEmpty()) {
                var now = counting.getFirst();
                var before = counting.size() > 1 ? counting.get(1) : null;
                var change = before == null ? null : Change.between(before.missing(), now.missing());
                var course = Course.of(counting.stream()
                        .map(c -> new Course.Seen(c.at(), c.missing()))
                        .toList());
                judged.add(new Verdict.Judged(ChannelCode.of(code), now.nozzles(), now.missing(), change, course));
                compared.add(new ComparedJson(
                        code,
                        now.nozzles(),
                        now.at(),
                        now.missing(),
                        change == null ? null : change.kind().label(),
                        change == null ? null : change.words(),
                        before == null ? null : before.at(),
                        counting.stream()
                                .mapToInt(c -> c.missing().size())
                                .min()
                                .orElse(0),
                        course.stands() ? course.standing() : List.of(),
                        course.checks(),
                        course.since(),
                        counting.stream()
                                .map(c -> new PastCheckJson(c.at(), c.missing(), List.of()))
                                .toList()));
            }
        });
        var acts = diary.since(
                machine,
                compared.stream()
                        .flatMap(c -> c.past().stream())
                        .map(PastCheckJson::at)
                        .min(Comparator.naturalOrder())
                        .orElse(clock.instant()));
        compared.replaceAll(c -> c.withActs(acts));
        compared.sort(Comparator.comparing(c -> ChannelCode.of(c.channel())));
        judged.sort(Comparator.comparing(Verdict.Judged::channel));
        var verdict = judged.isEmpty()
                ? null
                : verdict(Verdict.of(judged, shop.settings().tolerated()));
        int pages = diary.purgePagesSince(
                machine,
                compared.stream()
                        .map(ComparedJson::at)
                        .max(Comparator.naturalOrder())
                        .orElse(Instant.EPOCH));
        return new MachineChecksJson(
                machine,
                found.name(),
                compared,
                verdict,
                readings.latest(machine, LOOK_BACK).stream()
                        .map(r -> ReadingJson.of(r, found.name()))
                        .toList(),
                looked(machine),
                pages,
                pages >= Course.PAGES_BETWEEN_CHECKS);
    }

    /** The last four weeks, by the shop's own days. */
    private List<DayJson> looked(long machine) {
        var zone = shop.settings().zoneId();
        var today = LocalDate.ofInstant(clock.instant(), zone);
        var days = checks.days(
                machine, today.minusDays(WEEKS * 7 - 1L).atStartOfDay(zone).toInstant(), zone);
        return today.minusDays(WEEKS * 7 - 1L)
                .datesUntil(today.plusDays(1))
                .map(day -> new DayJson(day, shop.settings().hours().opensOn(day), days.contains(day)))
                .toList();
    }

    private static VerdictJson verdict(Verdict v) {
        return new VerdictJson(
                v.headline(),
                v.says(),
                v.goodFor().stream().sorted().map(Work::label).toList(),
                v.notFor().stream().sorted().map(Work::label).toList(),
                v.spoiled());
    }

    private ReadingJson json(Readings.Reading reading) {
        return ReadingJson.of(
                reading,
                reading.machine() == null
                        ? null
                        : machines.get(reading.machine()).name());
    }
}
