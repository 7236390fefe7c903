package fairkettle.server.jobs;

import static fairkettle.db.Tables.CLINIC_CASE;

import fairkettle.books.Article;
import fairkettle.books.EntryKind;
import fairkettle.clinic.Complaint;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.job.Candidate.Check;
import fairkettle.job.Candidate.Ranked;
import fairkettle.job.FilmFeed;
import fairkettle.job.Layout;
import fairkettle.job.PressLine;
import fairkettle.job.Sign;
import fairkettle.machine.Supply;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Pause;
import fairkettle.server.benches.Contents;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.changeover.Changeovers;
import fairkettle.server.clinic.ClinicService;
import fairkettle.server.hob.Hob;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.printing.Printers;
import fairkettle.server.shelf.Articles;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is done with a job. Each act is one entry of the log, with the job as it is from then on. */
@Service
public class JobService {

    private static final int FIRST_SHEETS = 3; // looked at after a cured clog
    private static final Duration CURED_LATELY = Duration.ofDays(14);

    private final DSLContext db;
    private final Jobs jobs;
    private final JobSheets sheets;
    private final JobMachines chooser;
    private final JobReckoning reckoning;
    private final Artworks artworks;
    private final Machines machines;
    private final Contents contents;
    private final Shelf shelf;
    private final Articles articles;
    private final Supplies supplies;
    private final ClinicService clinic;
    private final Pictures pictures;
    private final Printers printers;
    private final Hob hob;
    private final Ledger ledger;
    private final Journal journal;
    private final Shop shop;
    private final Clock clock;

    JobService(
            DSLContext db,
            Jobs jobs,
            JobSheets sheets,
            JobMachines chooser,
            JobReckoning reckoning,
            Artworks artworks,
            Machines machines,
            Contents contents,
            Shelf shelf,
            Articles articles,
            Supplies supplies,
            ClinicService clinic,
            Pictures pictures,
            Printers printers,
            Hob hob,
            Ledger ledger,
            Journal journal,
            Shop shop,
            Clock clock) {
        this.db = db;
        this.jobs = jobs;
        this.sheets = sheets;
        this.chooser = chooser;
        this.reckoning = reckoning;
        this.artworks = artworks;
        this.machines = machines;
        this.contents = contents;
        this.shelf = shelf;
        this.articles = articles;
        this.supplies = supplies;
        this.clinic = clinic;
        this.pictures = pictures;
        this.printers = printers;
        this.hob = hob;
        this.ledger = ledger;
        this.journal = journal;
        this.shop = shop;
        this.clock = clock;
    }

    // ---- the order ---------------------------------------------------------------------------------------------

    /** @return its number; a job that its substrate refuses is kept as refused, with the reason */
    @Transactional
    public long take(Job.Order order) {
        valid(order);
        var gate = order.gate();
        long id = jobs.next();
        var job = Job.taken(id, gate.may() ? Job.State.TAKEN : Job.State.REFUSED, order, clock.instant());
        write(
                job,
                gate.may()
                        ? "job no. %d taken: %s, for %s".formatted(id, order.what(), order.customer())
                        : "job no. %d refused: %s, for %s. %s"
                                .formatted(id, order.what(), order.customer(), gate.says()));
        return id;
    }

    private void valid(Job.Order order) {
        order.pieces().stream().map(Job.Pieces::artwork).forEach(art -> {
            if (art != null) {
                artworks.get(art);
            }
        });
        if (order.blankArticle() != 0) {
            articles.own(new Article.Own(order.blankArticle()));
        }
        if (order.gate().may()) {
            reckoning.layout(order);
        }
    }

    @Transactional
    void change(long id, Job.Order order) {
        var job = open(id);
        if (job.prints().stream().anyMatch(p -> !p.test())) {
            throw Problem.refused("Sheets of it came out already: what was ordered stays as it is.", List.of());
        }
        if (!order.gate().may()) {
            throw Problem.atField("substrate", order.gate().says());
        }
        valid(order);
        var changed = job.ordered(order);
        boolean stays = rank(changed).stream().anyMatch(r -> r.can() && Objects.equals(r.machine(), job.machine()));
        write(
                stays ? changed.on(job.machine(), minutes(changed)) : changed.on(null, 0),
                "job no. %d changed: %s%s"
                        .formatted(
                                id,
                                order.what(),
                                stays || job.machine() == null ? "" : "; its machine cannot print that any more"));
    }

    private int minutes(Job job) {
        var machine = job.machine();
        if (machine == null) {
            return 0;
        }
        var on = machines.get(machine);
        return reckoning.minutes(job.order(), on, reckoning.ink(job.order(), on).passes());
    }

    private Job open(long id) {
        var job = jobs.held(id);
        if (!job.open()) {
            throw Problem.refused("Job no. %d is %s.".formatted(id, job.state().words()), List.of());
        }
        return job;
    }

    private void write(Job job, String words) {
        write(job, EntryKind.JOB, words, "job/" + job.id(), 0, List.of(), List.of());
    }

    private void write(
            Job job,
            EntryKind kind,
            String words,
            String about,
            double howMuch,
            List<Posting> postings,
            List<Consequence> besides) {
        var all = new ArrayList<>(besides);
        all.add(new Consequence.JobIs(job.id(), jobs.written(job)));
        var machine = job.machine();
        var entry = NewEntry.of(
                        kind, machine == null ? words : machines.get(machine).name() + ": " + words)
                .about(about, howMuch);
        journal.write(machine == null ? entry : entry.machine(machine), postings, all);
        jobs.changed(job);
    }

    // ---- the machine -------------------------------------------------------------------------------------------

    List<Ranked> rank(Job job) {
        return chooser.rank(job.order(), job.id());
    }

    /**
     * The machine is promised for it. @param anyway although it will not be ready in time
     *
     * @throws Problem if it cannot print it, or not in time and nobody said that this is known
     */
    @Transactional
    public void choose(long id, long machine, boolean anyway) {
        var job = open(id);
        if (job.state() == Job.State.PRINTED) {
            throw Problem.refused("It is printed already.", List.of());
        }
        var ranked = rank(job).stream()
                .filter(r -> r.machine() == machine)
                .findFirst()
                .orElseThrow(() -> Problem.notFound("There is no machine of this number (%d).".formatted(machine)));
        if (!ranked.can()) {
            throw Problem.refused(
                    "%s cannot print it. %s %s"
                            .formatted(ranked.name(), String.join(" ", ranked.why()), String.join(" ", ranked.helps())),
                    List.of());
        }
        if (job.order().ink() == Family.FILM && !shop.settings().airedRoom()) {
            throw Problem.refused(Changeovers.NOT_AIRED, List.of());
        }
        if (!ranked.inTime() && !anyway) {
            throw Problem.refused(
                    "%s will not have it ready in time. %s".formatted(ranked.name(), String.join(" ", ranked.helps())),
                    List.of());
        }
        var on = machines.get(machine);
        int minutes = reckoning.minutes(
                job.order(), on, reckoning.ink(job.order(), on).passes());
        write(job.on(machine, minutes), "promised for job no. %d, %d min".formatted(id, minutes));
    }

    @Transactional
    void off(long id, String why) {
        var job = open(id);
        write(job.in(Job.State.OFF), "job no. %d called off: %s".formatted(id, why));
    }

    // ---- its sheets --------------------------------------------------------------------------------------------

    /**
     * What is asked before a sheet is made.
     *
     * @param machine by its name, as whoever taps believes it
     * @param first of the job’s sheets; @param count how many
     * @param test on plain paper
     * @param mirrored whether somebody saw that the driver does not mirror it once more
     * @param reason why without a good check of today; empty for none
     * @param send to the machine, over the network
     */
    public record Wish(
            String machine, int first, int count, boolean test, boolean mirrored, String reason, boolean send) {}

    /** @return the sheet’s number */
    @Transactional
    public long sheet(long id, Wish wish) {
        var job = open(id);
        var machine = machineOf(job);
        if (!machine.name().equals(wish.machine())) {
            throw Problem.refused(
                    "This job is for %s, not for %s. Look which machine you stand at."
                            .formatted(machine.name(), wish.machine()),
                    List.of());
        }
        int all = reckoning.layout(job.order()).sheets();
        if (wish.first() < 0 || wish.count() < 1 || wish.first() + wish.count() > all) {
            throw Problem.atField("count", "It has %d sheets: choose among them.".formatted(all));
        }
        if (wish.send()
                && !wish.test()
                && JobSheets.spot(job.order(), machine).isPresent()
                && !printers.separates(machine.id())) {
            throw Problem.refused(
                    ("Film goes through the program that separates white: take the PDF, and open it there. If %s does"
                                    + " that by itself, say so where its address stands.")
                            .formatted(machine.name()),
                    List.of());
        }
        if (!wish.test()) {
            gate(job, machine, wish);
            once(job, wish);
        }
        long sheet = sheets.make(
                id,
                machine.id(),
                job.order().media(),
                wish.first(),
                wish.test() ? 1 : wish.count(),
                wish.test(),
                wish.test() ? "" : wish.reason().strip());
        if (wish.send()) {
            printers.queue(sheet, machine.id());
        }
        jobs.changed(job);
        return sheet;
    }

    /** Nothing is printed for a customer before a good check of the day, and nothing pressed before it is mirrored. */
    private void gate(Job job, Machine machine, Wish wish) {
        if (job.order().mirrored() && !wish.mirrored()) {
            throw Problem.atField(
                    "mirrored",
                    "The sheet is drawn the wrong way round already. See that the driver does not mirror it again.");
        }
        var check = chooser.check(machine, job.order());
        if (check != Check.GOOD_TODAY && wish.reason().isBlank()) {
            throw Problem.atField(
                    "reason", "%s: %s. Look at it first, or write why not.".formatted(machine.name(), check.words()));
        }
    }

    /** Two tablets do not print the same sheets twice; whoever needs one again says why. */
    private void once(Job job, Wish wish) {
        boolean there = sheets.of(job.id()).stream()
                .filter(s ->
                        !s.test() && s.first() < wish.first() + wish.count() && wish.first() < s.first() + s.sheets())
                .anyMatch(s -> s.out()
                        || printers.way(s.id()).filter(w -> !w.state().over()).isPresent());
        if (there && wish.reason().isBlank()) {
            throw Problem.atField(
                    "reason", "They came out already, or are on their way. Write why they are printed again.");
        }
    }

    private Machine machineOf(Job job) {
        var machine = job.machine();
        if (machine == null) {
            throw Problem.refused("Choose the machine first.", List.of());
        }
        return machines.get(machine);
    }

    /** A sheet came out: its ink is on paper, and the paper is off the shelf. Said twice, it counts once. */
    @Transactional
    public void out(long sheet) {
        var made = sheets.get(sheet);
        var job = jobs.held(made.job());
        made = sheets.get(sheet); // why again: whoever was quicker has let go by now
        if (made.out()) {
            return;
        }
        boolean test = made.test();
        var machine = machines.get(made.machine());
        var order = job.order();
        double whole = whole(order, made);
        var laid = reckoning.ink(order, machine).takes().stream()
                .map(JobReckoning.Takes::laid)
                .filter(l -> l.mL() > 0 && !(test && l.channel().white()))
                .map(l -> new Job.Laid(l.channel(), l.full() * whole, l.tone(), l.mL() * whole))
                .toList();
        var account = ledger.openAccount(machine.id());
        laid.forEach(l -> {
            if (machine.holding(l.channel()) instanceof Holding.Inked) {
                account.flow(machine.profile().channel(l.channel()), Millilitres.rounded(l.mL()), Place.Outside.PAPER);
            }
        });
        int paper = made.test()
                ? 1
                : Math.max(1, (int)
                        Math.ceil(JobReckoning.paper(order.on(), reckoning.sheets(order)) * sharePaper(order, made)));
        int counted = order.on().roll() ? paper : made.sheets(); // of a roll, the sheets that it comes to
        var used = made.test() ? Supply.PAPER : Supply.sheet(order.ink());
        var print = new Job.Print(
                sheet,
                machine.id(),
                clock.instant(),
                made.sheets(),
                made.test() ? 0 : whole,
                made.test(),
                made.reason(),
                laid);
        var now = job.with(print);
        boolean all = !made.test() && now.printed() > Job.WHOLE;
        var done = all && job.state() == Job.State.TAKEN ? now.in(Job.State.PRINTED) : now;
        write(
                done,
                EntryKind.PRINT,
                made.test()
                        ? "a test of job no. %d on plain paper".formatted(job.id())
                        : "printed %d %s of job no. %d (%s)%s%s"
                                .formatted(
                                        made.sheets(),
                                        made.sheets() == 1 ? "sheet" : "sheets",
                                        job.id(),
                                        order.what(),
                                        order.mirrored() ? ", mirrored" : "",
                                        made.reason().isEmpty() ? "" : ", without a good check: " + made.reason()),
                "print",
                made.test() ? 0 : counted,
                account.postings(),
                List.of(
                        new Consequence.JobSheetOut(job.id(), sheet),
                        new Consequence.Printed(counted),
                        new Consequence.Used(Map.of(used, paper))));
    }

    /** Share of the job’s area on a sheet. */
    private double whole(Job.Order order, JobSheets.Made made) {
        var layout = reckoning.layout(order);
        double all = area(layout.placed());
        return all == 0
                ? 0
                : area(JobSheets.part(layout, made.first(), made.sheets()).placed()) / all;
    }

    private static double area(List<Layout.Placed> placed) {
        return placed.stream().mapToDouble(p -> (double) p.width() * p.height()).sum();
    }

    private double sharePaper(Job.Order order, JobSheets.Made made) {
        return (double) made.sheets() / Math.max(1, reckoning.layout(order).sheets());
    }

    // ---- at the press ------------------------------------------------------------------------------------------

    /** A step at the press is done. @param ready whether what it asks for is ticked */
    @Transactional
    public void pressed(long id, PressLine step, boolean ready) {
        var job = open(id);
        var line = job.order().steps();
        if (!line.contains(step)) {
            throw Problem.refused("This job has no such step.", List.of());
        }
        if (job.line().contains(step)) {
            return; // a second tap
        }
        if (job.printed() <= 0) {
            throw Problem.refused("Nothing of it is printed yet.", List.of());
        }
        PressLine.hindrance(step, line, job.line()).ifPresent(why -> {
            throw Problem.refused(why, List.of());
        });
        if (!ready && !step.asks().isEmpty()) {
            throw Problem.refused("First: %s.".formatted(String.join("; ", step.asks())), List.of());
        }
        if (step == PressLine.PRESS && job.order().press() == null
                || step == PressLine.CURE && job.order().cure() == null) {
            throw Problem.refused("Read °C and seconds off the pack first, and write them into the order.", List.of());
        }
        write(job.done(step), "job no. %d: %s".formatted(id, lower(step.title())));
    }

    /** The clock of a step begins to run. */
    @Transactional
    void heat(long id, PressLine step) {
        var job = open(id);
        PressLine.hindrance(step, job.order().steps(), job.line()).ifPresent(why -> {
            throw Problem.refused(why, List.of());
        });
        var heat = step == PressLine.CURE ? job.order().cure() : job.order().press();
        if (heat == null || !step.timed()) {
            throw Problem.refused("Read °C and seconds off the pack first, and write them into the order.", List.of());
        }
        var label = "job no. %d: %s, %d °C".formatted(id, lower(step.title()), heat.celsius());
        var now = clock.instant();
        if (hob.waits().stream()
                .anyMatch(w -> w.label().equals(label) && w.readyAt().isAfter(now))) {
            return; // a second tap
        }
        var machine = job.machine();
        write(
                job,
                EntryKind.JOB,
                label + ", %d s".formatted(heat.seconds()),
                "job/" + id,
                0,
                List.of(),
                machine == null
                        ? List.of()
                        : List.of(new Consequence.WaitBegun(
                                new Pause(label, Duration.ofSeconds(heat.seconds()), null, false))));
    }

    private static String lower(String words) {
        return Character.toLowerCase(words.charAt(0)) + words.substring(1);
    }

    /** What somebody saw of the film, or did with it. */
    enum Film {
        BEGIN,
        CLAMPED,
        HELD,
        CAUGHT,
        CLEAR,
        PAUSE,
        RESUME
    }

    /** What was done before a paused film goes on. */
    record Resumed(boolean fed, boolean taped, boolean caught) {
        static final Resumed NOT = new Resumed(false, false, false);
    }

    /** @param cm that the film has come; null where nobody looked */
    @Transactional
    void film(long id, Film what, @Nullable Integer cm, String words, Resumed resumed) {
        var job = open(id);
        if (!job.order().on().roll()) {
            throw Problem.refused("This job is printed on sheets: nothing is fed through.", List.of());
        }
        var was = job.feed() == null ? FilmFeed.BEFORE : job.feed();
        if (cm != null) {
            was = was.printed(cm);
        }
        var now = switch (what) {
            case BEGIN -> was;
            case CLAMPED -> was.held(!was.clamped(), was.roller(), was.sensor());
            case HELD -> was.held(was.clamped(), true, was.sensor());
            case CAUGHT -> was.held(was.clamped(), was.roller(), true);
            case CLEAR -> was.clear();
            case PAUSE -> was.paused(words.isBlank() ? "paused by hand" : words.strip());
            case RESUME -> was.resumed(resumed.fed(), resumed.taped(), resumed.caught());
        };
        write(job.fed(now), "job no. %d, film at %d cm: %s".formatted(id, now.printed(), now.says()));
    }

    /** Of the first sheets after a cured clog so many were looked at; and whether a blemished blank was tried. */
    @Transactional
    public void looked(long id, int looked, boolean blanks) {
        var job = open(id);
        boolean tried = blanks && !job.blanksTested();
        write(
                job.seen(Math.clamp(looked, 0, FIRST_SHEETS), blanks),
                EntryKind.JOB,
                tried
                        ? "job no. %d: a blemished blank was tried first".formatted(id)
                        : "job no. %d: sheet %d looked at".formatted(id, looked),
                "job/" + id,
                0,
                List.of(),
                tried ? blemished(job.order(), -1) : List.of());
    }

    /**
     * Blanks that are no good for customers are kept beside the good ones, if the shelf has an article of that name:
     * what was spoiled goes there, what is tried out comes from there.
     */
    private List<Consequence> blemished(Job.Order order, int more) {
        if (order.blankArticle() == 0 || more == 0) {
            return List.of();
        }
        var name = articles.own(new Article.Own(order.blankArticle())).label() + ", blemished";
        return articles.all().values().stream()
                .filter(a -> a.article() instanceof Article.Own && a.label().equalsIgnoreCase(name))
                .findFirst()
                .<List<Consequence>>map(a -> List.of(
                        new Consequence.OwnCounted(a.article().key(), a.label(), Math.max(0, a.count() + more))))
                .orElse(List.of());
    }

    /** First sheets that have to be looked at, since a clog of its machine was cured lately; 0 for none. */
    int firstSheets(Job job) {
        var machine = job.machine();
        if (machine == null) {
            return 0;
        }
        var first = job.prints().stream()
                .filter(p -> !p.test())
                .map(Job.Print::at)
                .min(Instant::compareTo)
                .orElse(clock.instant());
        var cured = db.select(CLINIC_CASE.ENDED_AT)
                .from(CLINIC_CASE)
                .where(CLINIC_CASE.MACHINE_ID.eq(machine))
                .and(CLINIC_CASE.ENDING.in("CURED", "GOOD_ENOUGH"))
                .and(CLINIC_CASE.ENDED_AT.le(first.atOffset(ZoneOffset.UTC)))
                .and(CLINIC_CASE.ENDED_AT.gt(first.minus(CURED_LATELY).atOffset(ZoneOffset.UTC)))
                .orderBy(CLINIC_CASE.ENDED_AT.desc())
                .limit(1)
                .fetchOptional(r -> r.value1().toInstant());
        boolean printedSince = cured.isPresent()
                && jobs.of(machine).stream()
                        .filter(other -> other.id() != job.id())
                        .flatMap(other -> other.prints().stream())
                        .anyMatch(p -> !p.test() && p.at().isAfter(cured.get()) && p.at().isBefore(first));
        return cured.isEmpty() || printedSince
                ? 0
                : Math.min(FIRST_SHEETS, reckoning.layout(job.order()).sheets());
    }

    // ---- what came of it ---------------------------------------------------------------------------------------

    @Transactional
    public void picture(long id, boolean afterPress, Pictures.Sent sent) {
        var job = jobs.held(id);
        var kept = pictures.keep(sent);
        write(
                afterPress ? job.pictured(job.raw(), kept) : job.pictured(kept, job.pressed()),
                "job no. %d: a picture of it %s".formatted(id, afterPress ? "pressed" : "before the press"));
    }

    /** Something is wrong with a print: printing stops, and the clinic is asked with what was seen. */
    @Transactional
    void fault(long id, Sign sign, String words) {
        var job = open(id);
        var machine = machineOf(job);
        sheets.of(id)
                .forEach(s -> printers.way(s.id())
                        .filter(w -> !w.state().over())
                        .ifPresent(w -> printers.askToCancel(w.id())));
        long found = 0;
        var complaint = sign.complaint();
        if (complaint != null) {
            found = openCase(job, machine, complaint, sign, words);
        }
        write(
                job.faulty(new Job.Fault(clock.instant(), sign, words, found)),
                "job no. %d: %s%s".formatted(id, sign.label(), words.isBlank() ? "" : ", " + words));
    }

    private long openCase(Job job, Machine machine, Complaint complaint, Sign sign, String words) {
        var ill = clinic.ill().get(machine.id());
        if (ill != null) {
            return ill.caseId();
        }
        var work = job.order().substrate().work(job.order().ink(), job.order().photo());
        long found = clinic.open(
                        List.of(machine.id()),
                        Set.of(complaint),
                        work,
                        "job no. %d: %s%s".formatted(job.id(), sign.label(), words.isBlank() ? "" : ", " + words))
                .getFirst();
        var seen = job.raw() == null ? job.pressed() : job.raw();
        if (seen != null) {
            journal.write(
                    NewEntry.of(
                                    EntryKind.CLINIC,
                                    "%s: the sheet of job no. %d, as it was found".formatted(machine.name(), job.id()))
                            .machine(machine.id()),
                    List.of(),
                    List.of(new Consequence.SeenBefore(found, seen)));
        }
        return found;
    }

    /**
     * What is said of a job at its end.
     *
     * @param sign of what was spoiled; null where nothing was
     */
    public record Ending(int good, int spoiled, @Nullable Sign sign, String words, String said, int minutes) {}

    @Transactional
    public void close(long id, Ending ending) {
        var job = open(id);
        var order = job.order();
        if (job.printed() <= 0) {
            throw Problem.refused("Nothing of it is printed. Call it off instead.", List.of());
        }
        if (ending.good() + ending.spoiled() < 1) {
            throw Problem.atField("good", "How many came out well?");
        }
        if (ending.spoiled() > 0 && ending.sign() == null) {
            throw Problem.atField("sign", "What was it that spoiled them?");
        }
        if (ending.good() > 0) {
            PressLine.open(order.steps(), job.line()).ifPresent(why -> {
                throw Problem.refused(why, List.of());
            });
            if (job.looked() < firstSheets(job)) {
                throw Problem.refused(
                        "A clog of this machine was cured lately: look at its first %d sheets, and say so."
                                .formatted(firstSheets(job)),
                        List.of());
            }
        }
        var besides = new ArrayList<Consequence>();
        if (order.blankArticle() != 0) {
            var article = new Article.Own(order.blankArticle());
            var blanks = articles.own(article);
            besides.add(new Consequence.OwnCounted(
                    article.key(), blanks.label(), Math.max(0, blanks.count() - ending.good() - ending.spoiled())));
        }
        besides.addAll(blemished(order, ending.spoiled()));
        var came = new Job.Came(
                clock.instant(),
                ending.good(),
                ending.spoiled(),
                ending.spoiled() > 0 ? ending.sign() : null,
                ending.words(),
                ending.said(),
                ending.minutes(),
                lots(job),
                cost(job, ending));
        write(
                job.closed(came),
                EntryKind.JOB,
                "job no. %d done: %d good%s"
                        .formatted(
                                id,
                                ending.good(),
                                ending.spoiled() == 0
                                        ? ""
                                        : ", %d spoiled (%s)"
                                                .formatted(
                                                        ending.spoiled(),
                                                        Optional.ofNullable(ending.sign())
                                                                .map(Sign::label)
                                                                .orElse(""))),
                "job/" + id,
                ending.good(),
                List.of(),
                besides);
    }

    /** What it really cost, in minor units: ink that was booked, paper, blanks and hands. */
    private long cost(Job job, Ending ending) {
        var machine = machineOf(job);
        var settings = shop.settings();
        var terms = settings.terms(machine.schools(), supplies.prices());
        double minor = Math.pow(10, settings.money().getDefaultFractionDigits());
        double mL = job.prints().stream()
                .flatMap(p -> p.laid().stream())
                .mapToDouble(Job.Laid::mL)
                .sum();
        double paper = job.prints().stream()
                .mapToDouble(p -> p.test()
                        ? terms.price(Supply.PAPER).minor()
                        : p.whole()
                                * JobReckoning.paper(job.order().on(), reckoning.sheets(job.order()))
                                * terms.price(Supply.sheet(job.order().ink())).minor())
                .sum();
        return Math.round(
                terms.ofInk(job.order().ink(), machine.profile().codes().size(), mL) * minor
                        + paper
                        + (double) (ending.good() + ending.spoiled())
                                * job.order().blank()
                        + ending.minutes() * settings.labourPerHour() / 60.0);
    }

    private List<String> lots(Job job) {
        var machine = machineOf(job);
        var names = new TreeSet<String>();
        var wanted = new TreeSet<Long>();
        contents.lots(machine.id()).values().forEach(wanted::addAll);
        shelf.lots().stream()
                .filter(l -> wanted.contains(l.id()))
                .forEach(l -> names.add(l.channel() == null ? l.code() : l.channel() + " " + l.code()));
        return List.copyOf(names);
    }
}
