package fairkettle.server.jobs;

import fairkettle.books.Article;
import fairkettle.ink.Family;
import fairkettle.job.Media;
import fairkettle.job.Piece;
import fairkettle.job.PressLine;
import fairkettle.job.Sign;
import fairkettle.job.Substrate;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.shelf.Articles;
import fairkettle.server.shop.Presets;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Ahead;
import fairkettle.server.web.CsvFile;
import fairkettle.server.web.PaperFile;
import fairkettle.server.web.Problem;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class JobController {

    private final JobService service;
    private final Jobs jobs;
    private final JobViews views;
    private final JobMachines chooser;
    private final JobSheets sheets;
    private final Artworks artworks;
    private final Presets presets;
    private final Articles articles;
    private final Shop shop;

    JobController(
            JobService service,
            Jobs jobs,
            JobViews views,
            JobMachines chooser,
            JobSheets sheets,
            Artworks artworks,
            Presets presets,
            Articles articles,
            Shop shop) {
        this.service = service;
        this.jobs = jobs;
        this.views = views;
        this.chooser = chooser;
        this.sheets = sheets;
        this.artworks = artworks;
        this.presets = presets;
        this.articles = articles;
        this.shop = shop;
    }

    // ---- words -------------------------------------------------------------------------------------------------

    record SubstrateJson(Substrate id, String label) {}

    record InkWordJson(Family id, String label) {}

    record TurningJson(Piece.Turning id, String label) {}

    /** @param width tenths of a mm; @param length likewise, 0 for a roll */
    record MediaJson(String name, int width, int length) {}

    /** @param asks whether the machine may be at fault, so that the clinic is asked */
    record SignJson(Sign id, String label, boolean asks) {}

    record BlankJson(long id, String label, int count) {}

    /** What a job can be made of. */
    record JobWordsJson(
            List<SubstrateJson> substrates,
            List<InkWordJson> families,
            List<TurningJson> turnings,
            List<MediaJson> media,
            List<SignJson> signs,
            List<Sign.Branch> smears,
            List<Presets.Preset> presets,
            List<BlankJson> blanks) {}

    @GetMapping("/api/jobs/words")
    JobWordsJson jobWords() {
        return new JobWordsJson(
                Arrays.stream(Substrate.values())
                        .map(s -> new SubstrateJson(s, s.label()))
                        .toList(),
                Arrays.stream(Family.values())
                        .map(f -> new InkWordJson(f, f.label()))
                        .toList(),
                Arrays.stream(Piece.Turning.values())
                        .map(t -> new TurningJson(t, t.words()))
                        .toList(),
                Media.ALL.stream()
                        .map(m -> new MediaJson(m.name(), m.width(), m.length()))
                        .toList(),
                Arrays.stream(Sign.values())
                        .map(s -> new SignJson(s, s.label(), s.complaint() != null))
                        .toList(),
                Sign.SMEARS,
                presets.all(),
                articles.all().values().stream()
                        .filter(a -> a.article() instanceof Article.Own)
                        .map(a -> new BlankJson(((Article.Own) a.article()).id(), a.label(), a.count()))
                        .toList());
    }

    // ---- artworks ----------------------------------------------------------------------------------------------

    @GetMapping("/api/artworks")
    List<Artworks.Art> keptArtworks() {
        return artworks.all();
    }

    @PostMapping(path = "/api/artworks", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    Artworks.Art keepArtwork(
            @RequestParam(defaultValue = "") String name,
            @RequestBody byte[] file,
            @Parameter(hidden = true) @RequestAttribute(Ahead.DONE) Artworks.Sent sent) {
        return artworks.get(artworks.keep(sent, name));
    }

    @GetMapping(path = "/api/artworks/{artwork}/small", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> smallArtwork(@PathVariable long artwork) {
        return ResponseEntity.ok()
                .contentType(MediaType.IMAGE_PNG)
                .cacheControl(CacheControl.maxAge(Duration.ofDays(7)).cachePrivate())
                .body(artworks.small(artwork));
    }

    // ---- orders ------------------------------------------------------------------------------------------------

    /** Nothing is kept. */
    @PostMapping("/api/jobs/draft")
    JobViews.DraftJson draftJob(@Valid @RequestBody JobViews.JobOrderJson wanted) {
        var order = wanted.order();
        var gate = order.gate();
        if (!gate.may()) {
            return new JobViews.DraftJson(gate, "", null, List.of());
        }
        try {
            return new JobViews.DraftJson(
                    gate,
                    "",
                    views.laidOut(order),
                    chooser.rank(order, 0).stream().map(JobViews.RankedJson::of).toList());
        } catch (Problem e) {
            return new JobViews.DraftJson(gate, String.valueOf(e.getMessage()), null, List.of());
        }
    }

    // ---- lists -------------------------------------------------------------------------------------------------

    @GetMapping("/api/jobs")
    JobViews.JobsJson jobs(
            @RequestParam(defaultValue = "") String words,
            @RequestParam(required = false) @Nullable Long machine,
            @RequestParam(required = false) @Nullable Family ink,
            @RequestParam(required = false) @Nullable Sign sign,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate until) {
        var wanted = new Jobs.Wanted(words, machine, ink, sign, from, until);
        return new JobViews.JobsJson(
                jobs.open().stream().map(views::line).toList(),
                jobs.over(wanted).stream().map(views::line).toList());
    }

    // ---- one job -----------------------------------------------------------------------------------------------

    @GetMapping("/api/jobs/{job}")
    JobViews.JobJson job(@PathVariable long job) {
        return views.json(jobs.get(job));
    }

    // ---- acts --------------------------------------------------------------------------------------------------

    @PostMapping("/api/jobs")
    @ResponseStatus(HttpStatus.CREATED)
    JobViews.JobJson takeJob(@Valid @RequestBody JobViews.JobOrderJson order) {
        return job(service.take(order.order()));
    }

    @PutMapping("/api/jobs/{job}")
    JobViews.JobJson changeJob(@PathVariable long job, @Valid @RequestBody JobViews.JobOrderJson order) {
        service.change(job, order.order());
        return job(job);
    }

    record ChooseJson(long machine, boolean anyway) {}

    @PostMapping("/api/jobs/{job}/machine")
    JobViews.JobJson chooseMachine(@PathVariable long job, @Valid @RequestBody ChooseJson choice) {
        service.choose(job, choice.machine(), choice.anyway());
        return job(job);
    }

    record OffJson(
            @NotBlank(message = "Why?") @Size(max = 200, message = "At most 200 letters.")
            String why) {}

    @PostMapping("/api/jobs/{job}/off")
    JobViews.JobJson callOffJob(@PathVariable long job, @Valid @RequestBody OffJson off) {
        service.off(job, off.why().strip());
        return job(job);
    }

    /** @param machine by its name, as whoever taps believes it */
    record JobSheetWishJson(
            @NotBlank(message = "On which machine?") String machine,
            int first,
            int count,
            boolean test,
            boolean mirrored,

            @NotNull @Size(max = 200, message = "At most 200 letters.")
            String reason,

            boolean send) {}

    @PostMapping("/api/jobs/{job}/sheets")
    @ResponseStatus(HttpStatus.CREATED)
    JobViews.JobJson makeJobSheet(@PathVariable long job, @Valid @RequestBody JobSheetWishJson wish) {
        service.sheet(
                job,
                new JobService.Wish(
                        wish.machine(),
                        wish.first(),
                        wish.count(),
                        wish.test(),
                        wish.mirrored(),
                        wish.reason(),
                        wish.send()));
        return job(job);
    }

    @GetMapping(path = "/api/jobs/{job}/sheets/{sheet}.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> jobSheetPdf(@PathVariable long job, @PathVariable long sheet) {
        var made = sheets.get(sheet);
        return PaperFile.download(
                "%s job %d sheet %d.pdf".formatted(views.name(made.machine()), job, sheet),
                MediaType.APPLICATION_PDF_VALUE,
                sheets.pdf(sheet));
    }

    /** Somebody looked: it came out. */
    @PostMapping("/api/jobs/{job}/sheets/{sheet}/out")
    JobViews.JobJson jobSheetOut(@PathVariable long job, @PathVariable long sheet) {
        service.out(sheet);
        return job(job);
    }

    record PressStepJson(
            @NotNull(message = "Which step?") PressLine step,
            @Nullable Boolean ready) {}

    @PostMapping("/api/jobs/{job}/heat")
    JobViews.JobJson heatJob(@PathVariable long job, @Valid @RequestBody PressStepJson step) {
        service.heat(job, step.step());
        return job(job);
    }

    @PostMapping("/api/jobs/{job}/step")
    JobViews.JobJson pressStepDone(@PathVariable long job, @Valid @RequestBody PressStepJson step) {
        service.pressed(job, step.step(), Boolean.TRUE.equals(step.ready()));
        return job(job);
    }

    record FilmActJson(
            @NotNull(message = "What was done?") JobService.Film what,

            @Nullable
            @Min(value = 0, message = "Not below nothing.")
            @Max(value = 100_000, message = "At most a kilometre.")
            Integer cm,

            @NotNull @Size(max = 200, message = "At most 200 letters.")
            String words,

            boolean fed,
            boolean taped,
            boolean caught) {}

    @PostMapping("/api/jobs/{job}/film")
    JobViews.JobJson jobFilm(@PathVariable long job, @Valid @RequestBody FilmActJson act) {
        service.film(
                job, act.what(), act.cm(), act.words(), new JobService.Resumed(act.fed(), act.taped(), act.caught()));
        return job(job);
    }

    record LookedJson(int sheets, boolean blanks) {}

    @PostMapping("/api/jobs/{job}/looked")
    JobViews.JobJson jobLooked(@PathVariable long job, @Valid @RequestBody LookedJson looked) {
        service.looked(job, looked.sheets(), looked.blanks());
        return job(job);
    }

    @PostMapping(path = "/api/jobs/{job}/picture", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    JobViews.JobJson jobPicture(
            @PathVariable long job,
            @RequestParam boolean pressed,
            @RequestBody byte[] picture,
            @Parameter(hidden = true) @RequestAttribute(Ahead.DONE) Optional<Pictures.Sent> sent) {
        service.picture(job, pressed, sent.orElseThrow());
        return job(job);
    }

    record FoundFaultJson(
            @NotNull(message = "What is wrong with it?") Sign sign,

            @NotNull @Size(max = 400, message = "At most 400 letters.")
            String words) {}

    @PostMapping("/api/jobs/{job}/fault")
    JobViews.JobJson jobFault(@PathVariable long job, @Valid @RequestBody FoundFaultJson fault) {
        service.fault(job, fault.sign(), fault.words().strip());
        return job(job);
    }

    record CloseJobJson(
            @Min(value = 0, message = "Not below nothing.") @Max(value = 100_000, message = "That is too many.")
            int good,

            @Min(value = 0, message = "Not below nothing.") @Max(value = 100_000, message = "That is too many.")
            int spoiled,

            @Nullable Sign sign,

            @NotNull @Size(max = 400, message = "At most 400 letters.")
            String words,

            @NotNull @Size(max = 400, message = "At most 400 letters.")
            String said,

            @Min(value = 0, message = "Not below nothing.") @Max(value = 10_000, message = "At most a week.")
            int minutes) {}

    @PostMapping("/api/jobs/{job}/close")
    JobViews.JobJson closeJob(@PathVariable long job, @Valid @RequestBody CloseJobJson end) {
        service.close(
                job,
                new JobService.Ending(
                        end.good(),
                        end.spoiled(),
                        end.sign(),
                        end.words().strip(),
                        end.said().strip(),
                        end.minutes()));
        return job(job);
    }

    // ---- statement ---------------------------------------------------------------------------------------------

    @GetMapping("/api/jobs/statement.csv")
    ResponseEntity<Resource> jobsCsv(
            @RequestParam(defaultValue = "") String words,
            @RequestParam(required = false) @Nullable Long machine,
            @RequestParam(required = false) @Nullable Family ink,
            @RequestParam(required = false) @Nullable Sign sign,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate until) {
        var all = jobs.closed(new Jobs.Wanted(words, machine, ink, sign, from, until));
        return CsvFile.download(
                "jobs.csv",
                JobStatement.COLUMNS,
                csv -> all.forEach(job -> csv.line(JobStatement.cells(
                                job,
                                String.valueOf(views.name(job.machine())),
                                shop.settings().money())
                        .toArray())));
    }

    @GetMapping(path = "/api/jobs/statement.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> jobsPdf(
            @RequestParam(defaultValue = "") String words,
            @RequestParam(required = false) @Nullable Long machine,
            @RequestParam(required = false) @Nullable Family ink,
            @RequestParam(required = false) @Nullable Sign sign,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate until,
            @RequestParam(defaultValue = "A4") String paper) {
        var all = jobs.closed(new Jobs.Wanted(words, machine, ink, sign, from, until));
        var names = all.stream()
                .map(job -> String.valueOf(views.name(job.machine())))
                .toList();
        return PaperFile.download(
                "jobs.pdf",
                MediaType.APPLICATION_PDF_VALUE,
                JobStatement.paper(
                        shop.settings().name(),
                        paper,
                        shop.settings().money(),
                        IntStream.range(0, all.size())
                                .mapToObj(i -> new JobStatement.Line(all.get(i), names.get(i)))
                                .toList()));
    }
}
