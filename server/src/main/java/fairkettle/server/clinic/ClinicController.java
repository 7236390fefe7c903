package fairkettle.server.clinic;

import fairkettle.check.WhitePasses;
import fairkettle.check.Work;
import fairkettle.clinic.Advice;
import fairkettle.clinic.Advice.Next;
import fairkettle.clinic.Advice.Question;
import fairkettle.clinic.AdviceWords;
import fairkettle.clinic.AnotherRound;
import fairkettle.clinic.CaseFile;
import fairkettle.clinic.Complaint;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.Finding;
import fairkettle.clinic.Learning;
import fairkettle.clinic.Progress;
import fairkettle.clinic.Remedy;
import fairkettle.clinic.SimpleThing;
import fairkettle.clinic.Table;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.server.cards.Cards;
import fairkettle.server.clinic.CaseBook.Kept;
import fairkettle.server.papers.Sheet;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.shop.Shop;
import fairkettle.server.spares.Ages;
import fairkettle.server.web.Ahead;
import fairkettle.server.web.Problem;
import io.swagger.v3.oas.annotations.Parameter;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestAttribute;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ClinicController {

    private static final int ENDED = 20;
    private static final int OTHERS = 4;

    private final ClinicService service;
    private final CaseBook book;
    private final Cards cards;
    private final Ages ages;
    private final Shop shop;
    private final Clock clock;

    ClinicController(ClinicService service, CaseBook book, Cards cards, Ages ages, Shop shop, Clock clock) {
        this.shop = shop;
        this.service = service;
        this.book = book;
        this.cards = cards;
        this.ages = ages;
        this.clock = clock;
    }

    record ComplaintJson(Complaint complaint, String label, String say) {}

    record TreatmentJson(Treatment treatment, String label, String why, boolean perChannel) {}

    /** What a case may be opened with, and everything that may be tried. */
    record ClinicWordsJson(List<ComplaintJson> complaints, List<TreatmentJson> treatments) {}

    /** @param next what it asks for now */
    record CaseLineJson(
            long id,
            long machine,
            String name,
            List<String> complaints,
            Instant openedAt,
            @Nullable Instant endedAt,
            @Nullable Ending ending,
            String next) {}

    /** @param learned newest figures of this shop, most often tried first */
    record ClinicJson(List<CaseLineJson> open, List<CaseLineJson> ended, List<LearnedJson> learned) {}

    record LearnedJson(String treatment, String kind, String family, int worked, int times, double prior, double now) {}

    /** The oldest part that may cause it. @param atLeast it was there already when counting began */
    record OldestJson(String part, @Nullable String channel, long days, boolean atLeast) {}

    /**
     * @param place where it sits on the ink path; @param oldest of its parts; null where none can cause it, or is known
     */
    record FindingJson(
            Finding.Cause cause,
            String label,
            Finding.Place place,
            String signature,
            List<String> channels,
            double share,
            String band,
            @Nullable OldestJson oldest) {}

    /** @param kind LOOK, WAIT, PAGE, SIMPLE, ASK, TRY, TREAT, CLOSE or STOP */
    record CaseAdviceJson(
            String kind,
            String title,
            String say,
            List<String> channels,
            @Nullable Treatment treatment,
            Advice.@Nullable Question question,
            @Nullable Remedy remedy,
            double minutes,
            long lastsMinutes,
            double mL,
            double padML,
            double fluidML,
            double parts,
            double cost,
            @Nullable Double fit,
            @Nullable String expect,
            @Nullable String otherwise,
            @Nullable String here) {}

    record OtherJson(
            String title,
            String whyNot,
            double over,
            @Nullable Treatment treatment,
            List<String> channels) {}

    record TriedJson(
            Instant at,
            String by,
            String what,
            List<String> channels,
            @Nullable String result) {}

    /** @param padShare of its pad, before and with what this case put there */
    record SpentJson(double mL, double padML, double hands, double hours, double money) {}

    record CaseChannelJson(
            String channel, int strokes, int tolerated, int gaps, boolean failing, double level, double capacity) {}

    /**
     * @param rules acts that should not be done now, and why
     * @param beside other machines that fell ill with it
     * @param card open for it
     * @param padRoom mL until its pad is full
     * @param notThere what cannot be looked at: the machine has no such part
     */
    record CaseJson(
            long id,
            long machine,
            String name,
            String family,
            List<String> complaints,
            String words,
            String work,
            Instant openedAt,
            String openedBy,
            @Nullable Instant endedAt,
            @Nullable Ending ending,
            String endingWords,
            List<CaseChannelJson> channels,
            List<FindingJson> findings,
            List<String> because,
            @Nullable CaseAdviceJson advice,
            List<OtherJson> others,
            List<TriedJson> tried,
            SpentJson spent,
            List<RuleJson> rules,
            List<String> beside,
            @Nullable Long card,
            @Nullable String drift,
            List<String> cannotKnow,
            double padRoom,
            List<SimpleJson> simple,
            @Nullable Instant provisionalUntil,
            @Nullable String printOn,
            @Nullable RoundsJson rounds,
            List<Question> notThere,
            @Nullable UUID before) {}

    /** @param known why nobody need look; null if somebody must */
    record SimpleJson(String label, String look, @Nullable String known) {}

    /** Full rounds that are behind, and what another costs against other ways. */
    record RoundsJson(int behind, double again, double renew, double head, double labour, double lost, String words) {}

    /** @param never true if no reason opens it */
    record RuleJson(Treatment treatment, String why, boolean never) {}

    record OpenCaseJson(
            @NotEmpty(message = "Which machine?") @Size(max = 20, message = "At most 20 machines.")
            List<Long> machines,

            @NotEmpty(message = "Say what is wrong, in any words that fit.")
            Set<Complaint> complaints,

            @NotNull(message = "For which work must it be good?")
            Work work,

            @NotNull @Size(max = 500, message = "At most 500 letters.")
            String words) {}

    /** @param clears where its colour is off: at the top edge alone; null where nobody said */
    record PageSeenJson(
            String channel,
            double fade,
            boolean band,
            boolean off,
            @Nullable Boolean clears) {}

    /**
     * One thing that was seen or done; what it needs depends on its kind.
     *
     * @param kind SIMPLE, WASTE_ROSE, BUBBLES, THREAD, CRUST, FELT, SHIFTED, PAGE, TRIED, DONE or PARTED
     */
    record EvidenceJson(
            @NotNull String kind,
            @Nullable List<String> channels,
            @Nullable Boolean yes,
            @Nullable List<PageSeenJson> page,
            Evidence.@Nullable Feel feel,
            @Nullable Remedy remedy,
            @Nullable Treatment treatment) {}

    /** @param anyway why it is done although a rule speaks against it */
    record TreatJson(
            @NotNull(message = "What is to be tried?") Treatment treatment,
            @NotNull List<String> channels,

            @Nullable @Size(max = 500, message = "At most 500 letters.")
            String anyway) {}

    record CardOpenedJson(long card) {}

    record EndJson(
            @NotNull(message = "How does it end?") Ending ending,

            @NotNull @Size(max = 500, message = "At most 500 letters.")
            String words) {}

    record FigureJson(String key, List<Double> figures, String reason) {}

    @GetMapping("/api/clinic/words")
    ClinicWordsJson words() {
        return new ClinicWordsJson(
                Arrays.stream(Complaint.values())
                        .map(c -> new ComplaintJson(c, c.label(), c.say()))
                        .toList(),
                Arrays.stream(Treatment.values())
                        .map(t -> new TreatmentJson(t, t.label(), t.why(), t.perChannel()))
                        .toList());
    }

    /** The table the clinic starts from: every figure with its reason. */
    @GetMapping("/api/clinic/table")
    List<FigureJson> clinicTable() {
        return Table.USUAL.reasons().entrySet().stream()
                .map(e -> new FigureJson(e.getKey(), Table.USUAL.figures(e.getKey()), e.getValue()))
                .toList();
    }

    @GetMapping("/api/clinic")
    ClinicJson clinic() {
        return new ClinicJson(
                book.open().stream().map(this::line).toList(),
                book.ended(ENDED).stream().map(this::line).toList(),
                learned());
    }

    private List<LearnedJson> learned() {
        return Learning.of(Table.USUAL, book.outcomes()).stream()
                .map(l -> new LearnedJson(
                        l.treatment().label(),
                        l.kind().label(),
                        l.family().label(),
                        l.worked(),
                        l.times(),
                        l.prior(),
                        l.now()))
                .toList();
    }

    private CaseLineJson line(Kept kept) {
        var next = kept.open()
                ? AdviceWords.of(service.advice(kept), kept.file().situation()).title()
                : kept.endingWords();
        return new CaseLineJson(
                kept.id(),
                kept.machine(),
                kept.machineName(),
                labels(kept),
                kept.openedAt(),
                kept.endedAt(),
                kept.ending(),
                next);
    }

    private static List<String> labels(Kept kept) {
        return kept.file().situation().complaints().stream()
                .sorted()
                .map(Complaint::label)
                .toList();
    }

    @DeleteMapping("/api/clinic/learned")
    ClinicJson forgetLearned() {
        book.forget();
        return clinic();
    }

    @PostMapping("/api/cases")
    @ResponseStatus(HttpStatus.CREATED)
    CaseJson openCase(@Valid @RequestBody OpenCaseJson wanted) {
        return json(book.get(service.open(wanted.machines(), wanted.complaints(), wanted.work(), wanted.words())
                .getFirst()));
    }

    @GetMapping("/api/cases/{id}")
    CaseJson clinicCase(@PathVariable long id) {
        return json(book.get(id));
    }

    /** A picture of how it is before anything is tried. */
    @PostMapping(path = "/api/cases/{id}/before", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    CaseJson pictureBefore(
            @PathVariable long id,
            @RequestBody byte[] picture,
            @Parameter(hidden = true) @RequestAttribute(Ahead.DONE) Optional<Pictures.Sent> sent) {
        service.before(id, sent.orElseThrow());
        return json(book.get(id));
    }

    @PostMapping("/api/cases/{id}/evidence")
    CaseJson say(@PathVariable long id, @Valid @RequestBody EvidenceJson said) {
        service.say(id, evidence(said));
        return json(book.get(id));
    }

    @PostMapping("/api/cases/{id}/card")
    @ResponseStatus(HttpStatus.CREATED)
    CardOpenedJson treat(@PathVariable long id, @Valid @RequestBody TreatJson wanted) {
        return new CardOpenedJson(service.treat(
                id, wanted.treatment(), codes(wanted.channels()), Objects.requireNonNullElse(wanted.anyway(), "")));
    }

    @PostMapping("/api/cases/{id}/end")
    CaseJson endCase(@PathVariable long id, @Valid @RequestBody EndJson end) {
        service.end(id, end.ending(), end.words());
        return json(book.get(id));
    }

    /** Some of its whites print: the machine is set to them, and the case is good enough until there is a head. */
    @PostMapping("/api/cases/{id}/print-on")
    CaseJson printOn(@PathVariable long id) {
        service.printOn(id);
        return json(book.get(id));
    }

    /** The whole case on paper. */
    @GetMapping("/api/cases/{id}/paper.pdf")
    ResponseEntity<byte[]> casePaper(@PathVariable long id, @RequestParam(defaultValue = "a4") String paper) {
        var kept = book.get(id);
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename("case-%d.pdf".formatted(id))
                                .build()
                                .toString())
                .body(CasePaper.of(
                        Sheet.paper(paper), kept, json(kept), shop.settings().zoneId()));
    }

    // ---- in --------------------------------------------------------------------------------------------------------

    private static Set<ChannelCode> codes(@Nullable List<String> channels) {
        return Stream.ofNullable(channels)
                .flatMap(List::stream)
                .map(ChannelCode::of)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static Evidence evidence(EvidenceJson said) {
        var codes = codes(said.channels());
        boolean yes = Boolean.TRUE.equals(said.yes());
        return switch (said.kind()) {
            case "SIMPLE" -> new Evidence.Simple(codes);
            case "WASTE_ROSE" -> new Evidence.WasteRose(yes);
            case "BUBBLES" -> new Evidence.Bubbles(one(codes), yes);
            case "THREAD" -> new Evidence.Thread(one(codes), yes);
            case "CRUST" -> new Evidence.Crust(one(codes), yes);
            case "FELT" -> new Evidence.Felt(one(codes), need(said.feel(), "feel", "How did it feel?"));
            case "SHIFTED" -> new Evidence.Shifted(yes);
            case "PARTED" -> new Evidence.Parted();
            case "TRIED" -> new Evidence.Tried(need(said.remedy(), "remedy", "What was tried?"), yes);
            case "DONE" -> new Evidence.Done(need(said.treatment(), "treatment", "What was done?"), codes);
            case "PAGE" -> {
                var seen = new LinkedHashMap<ChannelCode, Evidence.Seen>();
                need(said.page(), "page", "Say what you see in each channel.")
                        .forEach(p -> seen.put(
                                ChannelCode.of(p.channel()),
                                new Evidence.Seen(Math.clamp(p.fade(), 0, 1), p.band(), p.off(), p.clears())));
                if (seen.isEmpty()) {
                    throw Problem.atField("page", "Say what you see in each channel.");
                }
                yield new Evidence.Page(seen);
            }
            default -> throw Problem.atField("kind", "Nobody can see or do a thing called %s.".formatted(said.kind()));
        };
    }

    private static ChannelCode one(Set<ChannelCode> codes) {
        if (codes.size() != 1) {
            throw Problem.atField("channels", "Which channel? One.");
        }
        return codes.iterator().next();
    }

    private static <T> T need(@Nullable T value, String field, String question) {
        if (value == null) {
            throw Problem.atField(field, question);
        }
        return value;
    }

    // ---- out -------------------------------------------------------------------------------------------------------

    private CaseJson json(Kept kept) {
        var situation = kept.file().situation();
        var state = service.judgement(kept).state();
        var so = state.progress();
        var failing = so.failing();
        var advice = kept.open() ? service.advice(kept) : null;
        var card = cards.open().get(kept.machine());
        var beside = book.open().stream()
                .filter(k -> k.together().equals(kept.together()) && k.id() != kept.id())
                .map(Kept::machineName)
                .toList();
        var parts = kept.open() ? ages.of(kept.machine()) : List.<Ages.Age>of();
        return new CaseJson(
                kept.id(),
                kept.machine(),
                kept.machineName(),
                situation.family().label(),
                labels(kept),
                kept.words(),
                Work.valueOf(kept.work()).label(),
                kept.openedAt(),
                kept.openedBy(),
                kept.endedAt(),
                kept.ending(),
                kept.endingWords(),
                situation.channels().stream()
                        .map(p -> new CaseChannelJson(
                                p.code().code(),
                                p.strokes(),
                                p.tolerated(),
                                so.gaps(p.code()),
                                failing.contains(p.code()),
                                so.level(p.code()),
                                p.capacity()))
                        .toList(),
                Finding.of(state.belief(), failing).stream()
                        .map(f -> new FindingJson(
                                f.cause(),
                                f.cause().label(),
                                f.cause().place(),
                                f.cause().signature(),
                                names(f.channels()),
                                f.share(),
                                f.band(),
                                oldest(f, parts)))
                        .toList(),
                AdviceWords.because(kept.file()),
                advice == null ? null : adviceOf(advice, kept),
                advice == null ? List.of() : others(advice, kept),
                kept.file().tried().stream()
                        .map(t -> new TriedJson(t.at(), t.by(), t.what(), names(t.channels()), t.result()))
                        .toList(),
                new SpentJson(
                        so.mL(),
                        so.pad(),
                        so.hands(),
                        Duration.between(kept.openedAt(), kept.endedAt() == null ? clock.instant() : kept.endedAt())
                                        .toMinutes()
                                / 60.0,
                        so.money()),
                rules(kept, so, failing),
                beside,
                card == null ? null : card.id(),
                service.drift(kept).orElse(null),
                cannotKnow(kept.file()),
                so.padRoom(),
                simple(kept),
                kept.open() ? service.provisionalUntil(kept).orElse(null) : null,
                service.printOn(kept, so).map(WhitePasses::words).orElse(null),
                advice != null && (so.rounds() > 0 || advice.next() instanceof Next.Stop)
                        ? rounds(AnotherRound.of(so, failing, service.newHead(kept.machine())))
                        : null,
                Arrays.stream(Question.values()).filter(q -> !situation.has(q)).toList(),
                kept.before());
    }

    private List<SimpleJson> simple(Kept kept) {
        var known = kept.open() ? service.known(kept.machine()) : Map.<SimpleThing, String>of();
        return Arrays.stream(SimpleThing.values())
                .map(t -> new SimpleJson(t.label(), t.look(), known.get(t)))
                .toList();
    }

    private static RoundsJson rounds(AnotherRound round) {
        return new RoundsJson(
                round.rounds(),
                round.again(),
                round.renew(),
                round.head(),
                round.labour(),
                round.lost(),
                round.words());
    }

    private static List<String> names(Set<ChannelCode> channels) {
        return channels.stream().sorted().map(ChannelCode::code).toList();
    }

    private CaseAdviceJson adviceOf(Advice advice, Kept kept) {
        var words = AdviceWords.of(advice, kept.file().situation());
        var next = advice.next();
        var treat = next instanceof Next.Treat t ? t : null;
        var ask = next instanceof Next.Ask a ? a : null;
        var channels = treat != null && treat.treatment().perChannel()
                ? names(treat.channels())
                : ask != null && ask.channel() != null ? List.of(ask.channel().code()) : List.<String>of();
        return new CaseAdviceJson(
                kind(next),
                words.title(),
                words.say(),
                channels,
                treat == null ? null : treat.treatment(),
                ask == null ? null : ask.question(),
                next instanceof Next.Try(var remedy) ? remedy : null,
                words.minutes(),
                words.lasts().toMinutes(),
                words.mL(),
                words.padML(),
                words.fluidML(),
                words.parts(),
                advice.cost(),
                advice.outlook() == null ? null : advice.outlook().fit(),
                words.expect(),
                words.otherwise(),
                here(treat, kept));
    }

    /** "Here, it has worked 7 times of 9." */
    private @Nullable String here(Next.@Nullable Treat treat, Kept kept) {
        if (treat == null) {
            return null;
        }
        var mine = Learning.of(Table.USUAL, book.outcomes()).stream()
                .filter(l -> l.treatment() == treat.treatment()
                        && l.family() == kept.file().situation().family())
                .toList();
        int times = mine.stream().mapToInt(Learning.Learned::times).sum();
        return times == 0
                ? null
                : "Here it has helped %d times of %d."
                        .formatted(
                                mine.stream().mapToInt(Learning.Learned::worked).sum(), times);
    }

    private static String kind(Next next) {
        return switch (next) {
            case Next.Look _ -> "LOOK";
            case Next.Wait _ -> "WAIT";
            case Next.Page _ -> "PAGE";
            case Next.Simple _ -> "SIMPLE";
            case Next.Ask _ -> "ASK";
            case Next.Try _ -> "TRY";
            case Next.Treat _ -> "TREAT";
            case Next.Close _ -> "CLOSE";
            case Next.Stop _ -> "STOP";
        };
    }

    /** @param parts of the machine, oldest first */
    private static @Nullable OldestJson oldest(Finding finding, List<Ages.Age> parts) {
        var channels = names(finding.channels());
        return parts.stream()
                .filter(age -> finding.cause().comesWithAge(age.part()))
                .filter(age -> age.channel() == null || channels.contains(age.channel()))
                .findFirst()
                .map(age -> new OldestJson(age.part(), age.channel(), age.days(), age.atLeast()))
                .orElse(null);
    }

    private static List<OtherJson> others(Advice advice, Kept kept) {
        return advice.others().stream()
                .limit(OTHERS)
                .map(o -> new OtherJson(
                        AdviceWords.name(o.next()),
                        AdviceWords.whyNot(o, kept.file().situation()),
                        o.over(),
                        o.next() instanceof Next.Treat(var t, var _) ? t : null,
                        o.next() instanceof Next.Treat(var _, var c) ? names(c) : List.of()))
                .toList();
    }

    private List<RuleJson> rules(Kept kept, Progress so, Set<ChannelCode> failing) {
        if (!kept.open()) {
            return List.of();
        }
        var on = failing.isEmpty()
                ? Set.of(kept.file().situation().channels().getFirst().code())
                : failing;
        return Arrays.stream(Treatment.values())
                .flatMap(t -> service.against(kept, so, t, on).stream()
                        .map(why -> new RuleJson(t, why, ClinicService.never(so, t))))
                .toList();
    }

    private static List<String> cannotKnow(CaseFile file) {
        return file.evidence().stream().noneMatch(e -> e.evidence() instanceof Evidence.Page)
                ? List.of(
                        "Whether ink follows on a full page: none was laid down yet.",
                        "Whether a head is dead by its electronics: only time tells.")
                : List.of("Whether a head is dead by its electronics: only time tells.");
    }
}
