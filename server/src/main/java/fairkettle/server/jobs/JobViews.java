package fairkettle.server.jobs;

import fairkettle.ink.Family;
import fairkettle.ink.Money;
import fairkettle.job.Candidate.Check;
import fairkettle.job.Candidate.Ranked;
import fairkettle.job.FilmFeed;
import fairkettle.job.Layout;
import fairkettle.job.Media;
import fairkettle.job.Piece;
import fairkettle.job.PressLine;
import fairkettle.job.Quote;
import fairkettle.job.Sign;
import fairkettle.job.Substrate;
import fairkettle.machine.Feed;
import fairkettle.machine.Tray;
import fairkettle.safety.Caution;
import fairkettle.server.benches.Machines;
import fairkettle.server.printing.Printers;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** A job as its pages show it: everything that follows from it is worked out here, from the machines as they are. */
@Component
class JobViews {

    private final JobService service;
    private final Jobs jobs;
    private final JobReckoning reckoning;
    private final JobMachines chooser;
    private final JobSheets sheets;
    private final Machines machines;
    private final Printers printers;
    private final Shop shop;

    JobViews(
            JobService service,
            Jobs jobs,
            JobReckoning reckoning,
            JobMachines chooser,
            JobSheets sheets,
            Machines machines,
            Printers printers,
            Shop shop) {
        this.service = service;
        this.jobs = jobs;
        this.reckoning = reckoning;
        this.chooser = chooser;
        this.sheets = sheets;
        this.machines = machines;
        this.printers = printers;
        this.shop = shop;
    }

    record PiecesJson(
            @NotNull @Size(max = 60, message = "At most 60 letters.")
            String label,

            @Min(value = 10, message = "At least a millimetre.") @Max(value = 100_000, message = "At most ten metres.")
            int width,

            @Min(value = 10, message = "At least a millimetre.") @Max(value = 100_000, message = "At most ten metres.")
            int height,

            @Min(value = 1, message = "At least one.") @Max(value = 2000, message = "At most 2000.")
            int count,

            @NotNull(message = "How may it lie?") Piece.Turning turning,
            @Nullable Long artwork) {}

    record HeatJson(
            @Min(value = 20, message = "20 to 300 °C.") @Max(value = 300, message = "20 to 300 °C.")
            int celsius,

            @Min(value = 1, message = "At least a second.") @Max(value = 3600, message = "At most an hour.")
            int seconds) {
        PressLine.Heat heat() {
            return new PressLine.Heat(celsius, seconds);
        }
    }

    record JobOrderJson(
            @NotBlank(message = "For whom is it?") @Size(max = 80, message = "At most 80 letters.")
            String customer,

            @NotBlank(message = "What is it?") @Size(max = 80, message = "At most 80 letters.")
            String what,

            @NotNull(message = "Which ink?") Family ink,
            @NotNull(message = "What is it printed for?") Substrate substrate,
            boolean dark,
            boolean photo,

            @NotEmpty(message = "What is cut out, and how large?") @Size(max = 20, message = "At most 20 kinds.") @Valid
            List<PiecesJson> pieces,

            @NotBlank(message = "On what is it printed?") String media,

            @Min(value = 0, message = "Not below nothing.") @Max(value = 500, message = "At most 5 cm.")
            int gap,

            @NotNull(message = "When is it wanted?") Instant due,

            @NotNull @Size(max = 1000, message = "At most 1000 letters.")
            String notes,

            @NotNull @Size(max = 80, message = "At most 80 letters.")
            String preset,

            @Nullable @Valid HeatJson press,
            @Nullable @Valid HeatJson cure,

            @Min(value = 0, message = "Not below nothing.") @Max(value = 10_000_000, message = "That is too much.")
            long blank,

            long blankArticle) {

        Job.Order order() {
            if (Media.named(media).isEmpty()) {
                throw Problem.atField("media", "There is no paper or film of that name.");
            }
            return new Job.Order(
                    customer.strip(),
                    what.strip(),
                    ink,
                    substrate,
                    dark,
                    photo,
                    pieces.stream()
                            .map(p -> new Job.Pieces(
                                    p.label().strip(), p.width(), p.height(), p.count(), p.turning(), p.artwork()))
                            .toList(),
                    media,
                    gap,
                    due,
                    notes.strip(),
                    preset,
                    press == null ? null : press.heat(),
                    cure == null ? null : cure.heat(),
                    blank,
                    blankArticle);
        }

        static JobOrderJson of(Job.Order o) {
            return new JobOrderJson(
                    o.customer(),
                    o.what(),
                    o.ink(),
                    o.substrate(),
                    o.dark(),
                    o.photo(),
                    o.pieces().stream()
                            .map(p -> new PiecesJson(
                                    p.label(), p.width(), p.height(), p.count(), p.turning(), p.artwork()))
                            .toList(),
                    o.media(),
                    o.gap(),
                    o.due(),
                    o.notes(),
                    o.preset(),
                    o.press() == null
                            ? null
                            : new HeatJson(o.press().celsius(), o.press().seconds()),
                    o.cure() == null
                            ? null
                            : new HeatJson(o.cure().celsius(), o.cure().seconds()),
                    o.blank(),
                    o.blankArticle());
        }
    }

    /**
     * How pieces lie. Lengths are tenths of a mm.
     *
     * @param length of a sheet; of a roll, what is used of it
     * @param edge that stays bare on every side
     * @param free share that nothing covers, 0 to 1; @param left of the last sheet, below its pieces
     * @param film words on feeding it through or cutting it; null for sheets
     */
    record LaidOutJson(
            int width,
            int length,
            int edge,
            int sheets,
            double free,
            int left,
            List<Layout.Placed> placed,
            @Nullable FilmJson film) {}

    record FilmJson(int printed, int through, int cut, int sheets, String words) {}

    /** What a job that is not taken yet comes to. @param trouble why it cannot be laid out; empty if it can */
    record DraftJson(
            Substrate.Gate gate, String trouble, @Nullable LaidOutJson laidOut, List<RankedJson> machines) {}

    record RankedJson(
            long machine,
            String name,
            boolean can,
            @Nullable Instant ready,
            boolean inTime,
            List<String> why,
            List<String> helps) {
        static RankedJson of(Ranked r) {
            return new RankedJson(r.machine(), r.name(), r.can(), r.ready(), r.inTime(), r.why(), r.helps());
        }
    }

    LaidOutJson laidOut(Job.Order order) {
        var all = reckoning.sheets(order);
        var layout = all.layout();
        var film = all.film();
        return new LaidOutJson(
                layout.width(),
                layout.length(),
                order.on().edge(),
                layout.sheets(),
                layout.free(),
                layout.length() - layout.lastLength(),
                layout.placed(),
                film == null
                        ? null
                        : new FilmJson(film.printed(), film.through(), film.cut(), film.sheets(), film.words()));
    }

    record JobLineJson(
            long id,
            Job.State state,
            String says,
            String customer,
            String what,
            Family ink,
            @Nullable String machine,
            Instant due,
            int count,
            @Nullable String sign,
            @Nullable Instant closedAt,
            @Nullable Long art) {}

    record JobsJson(List<JobLineJson> open, List<JobLineJson> over) {}

    JobLineJson line(Job job) {
        var order = job.order();
        var came = job.came();
        return new JobLineJson(
                job.id(),
                job.state(),
                job.state().words(),
                order.customer(),
                order.what(),
                order.ink(),
                name(job.machine()),
                order.due(),
                order.count(),
                came == null || came.sign() == null ? null : came.sign().label(),
                came == null ? null : came.at(),
                order.pieces().stream()
                        .flatMap(p -> Optional.ofNullable(p.artwork()).stream())
                        .findFirst()
                        .orElse(null));
    }

    @Nullable
    String name(@Nullable Long machine) {
        return machine == null ? null : machines.get(machine).name();
    }

    /** @param takes mL, {@code give} or take; @param after mL left; @param topUp mL to pour in before, 0 if it lasts */
    record ChannelTakesJson(
            String channel,
            double takes,
            double give,
            double holds,
            double after,
            double reserve,
            boolean lasts,
            double topUp) {}

    record QuoteLineJson(String label, String of, Money money) {}

    record QuoteJson(List<QuoteLineJson> lines, Money total, Money each) {}

    /**
     * @param passes times as long as usual, since fewer whites print; @param passesWords what to set for that
     * @param learned whether tanks taught these figures
     */
    record TakesJson(
            List<ChannelTakesJson> channels,
            double passes,
            @Nullable String passesWords,
            boolean learned,
            int minutes,
            QuoteJson quote) {}

    record PressedStepJson(
            PressLine id,
            String title,
            String say,
            List<String> cautions,
            List<String> asks,
            @Nullable HeatJson heat,
            boolean done,
            @Nullable String hindrance) {}

    /** @param state of its way to the printer; null where it was not sent; @param says likewise, in words */
    record JobSheetJson(
            long id,
            int first,
            int sheets,
            boolean test,
            boolean out,
            String reason,
            Printers.@Nullable State state,
            String says,
            @Nullable Long printing) {}

    record FilmNowJson(
            int printed,
            boolean clamped,
            boolean roller,
            boolean sensor,
            @Nullable String paused,
            boolean mayLeave,
            boolean hold,
            String says) {}

    /**
     * @param printer whether one can be sent to; @param sends whether it prints these sheets as they are sent;
     * @param waysIn how what is printed on goes in; @param spot the name of the white’s spot colour in its sheets; null
     *     where none is on them; @param reminders before it prints
     */
    record OnMachineJson(
            long id,
            String name,
            Check check,
            String checkSays,
            boolean printer,
            boolean sends,
            boolean roll,
            List<WayInJson> waysIn,
            @Nullable String spot,
            List<String> reminders) {}

    /** @param side which side of it is printed on */
    record WayInJson(Tray id, String label, String side) {}

    record JobFaultJson(Instant at, Sign sign, String label, String words, long caseId) {}

    record JobCameJson(
            Instant at,
            int good,
            int spoiled,
            @Nullable Sign sign,
            @Nullable String signSays,
            String words,
            String said,
            int minutes,
            List<String> lots,
            Money cost) {}

    /** A job of the same product that has pictures, to hold beside. */
    record LikeJson(
            long id,
            Instant at,
            String customer,
            String machine,
            List<String> lots,
            @Nullable UUID raw,
            @Nullable UUID pressed) {}

    /** @param firstSheets that have to be looked at, since a clog was cured lately */
    record JobJson(
            long id,
            Job.State state,
            String says,
            JobOrderJson order,
            boolean mirrored,
            boolean pressedWork,
            Substrate.Gate gate,
            @Nullable LaidOutJson laidOut,
            List<RankedJson> machines,
            @Nullable OnMachineJson on,
            int minutes,
            @Nullable TakesJson takes,
            List<JobSheetJson> sheets,
            double printed,
            List<PressedStepJson> steps,
            @Nullable FilmNowJson film,
            int firstSheets,
            int looked,
            boolean blanksTested,
            List<JobFaultJson> faults,
            @Nullable UUID raw,
            @Nullable UUID pressed,
            List<LikeJson> like,
            @Nullable JobCameJson came) {}

    JobJson json(Job job) {
        var order = job.order();
        var gate = order.gate();
        var on = job.machine();
        var came = job.came();
        return new JobJson(
                job.id(),
                job.state(),
                job.state().words(),
                JobOrderJson.of(order),
                order.mirrored(),
                order.substrate().pressed(order.ink()),
                gate,
                gate.may() ? laidOut(order) : null,
                job.state() == Job.State.TAKEN
                        ? service.rank(job).stream().map(RankedJson::of).toList()
                        : List.of(),
                on == null ? null : on(job, on),
                job.minutes(),
                on == null || !job.open() ? null : takes(order, on),
                sheets(job),
                job.printed(),
                steps(job),
                film(job),
                job.open() && on != null ? service.firstSheets(job) : 0,
                job.looked(),
                job.blanksTested(),
                job.faults().stream()
                        .map(f -> new JobFaultJson(f.at(), f.sign(), f.sign().label(), f.words(), f.caseId()))
                        .toList(),
                job.raw(),
                job.pressed(),
                jobs.like(order.what()).stream()
                        .filter(other -> other.id() != job.id() && (other.raw() != null || other.pressed() != null))
                        .limit(4)
                        .map(this::like)
                        .toList(),
                came == null
                        ? null
                        : new JobCameJson(
                                came.at(),
                                came.good(),
                                came.spoiled(),
                                came.sign(),
                                came.sign() == null ? null : came.sign().label(),
                                came.words(),
                                came.said(),
                                came.minutes(),
                                came.lots(),
                                new Money(came.cost(), shop.settings().money())));
    }

    private LikeJson like(Job job) {
        var came = Objects.requireNonNull(job.came());
        return new LikeJson(
                job.id(),
                came.at(),
                job.order().customer(),
                String.valueOf(name(job.machine())),
                came.lots(),
                job.raw(),
                job.pressed());
    }

    private OnMachineJson on(Job job, long id) {
        var machine = machines.get(id);
        var check = chooser.check(machine, job.order());
        boolean roll = job.order().on().roll();
        var spot = JobSheets.spot(job.order(), machine);
        return new OnMachineJson(
                id,
                machine.name(),
                check,
                check.words(),
                printers.of(id).isPresent(),
                printers.of(id).isPresent() && (spot.isEmpty() || printers.separates(id)),
                roll,
                machine.profile().handling().trays().stream()
                        .filter(t -> !roll || t.film())
                        .map(t -> new WayInJson(t, t.label(), t.side()))
                        .toList(),
                spot.orElse(null),
                reminders(machine));
    }

    /** What is easily forgotten before this machine prints. */
    private List<String> reminders(Machines.Machine machine) {
        var all = new ArrayList<String>();
        if (machine.fit().feed() == Feed.BULK) {
            all.add("Its tubes run over the edge: where the lid cannot close on them, prop it, and keep dust off while"
                    + " it prints.");
        }
        if (printers.of(machine.id()).isEmpty()) {
            all.add("Nobody can ask it from here whether it is connected: let the computer say so first. A page that"
                    + " stays away tells nothing of the head.");
        }
        return all;
    }

    private TakesJson takes(Job.Order order, long id) {
        var machine = machines.get(id);
        var ink = reckoning.ink(order, machine);
        var quote = reckoning.quote(order, machine, reckoning.sheets(order), ink);
        return new TakesJson(
                ink.takes().stream()
                        .map(JobReckoning.Takes::lasts)
                        .map(l -> new ChannelTakesJson(
                                l.channel().code(),
                                l.takes(),
                                l.give(),
                                l.holds(),
                                l.after(),
                                l.reserve(),
                                l.yes(),
                                l.topUp()))
                        .toList(),
                ink.passes(),
                ink.passesWords(),
                ink.known(),
                reckoning.minutes(order, machine, ink.passes()),
                json(quote));
    }

    private static QuoteJson json(Quote quote) {
        return new QuoteJson(
                quote.lines().stream()
                        .map(l -> new QuoteLineJson(l.label(), l.of(), l.money()))
                        .toList(),
                quote.total(),
                quote.each());
    }

    private List<JobSheetJson> sheets(Job job) {
        return sheets.of(job.id()).stream()
                .map(s -> {
                    var way = printers.way(s.id());
                    return new JobSheetJson(
                            s.id(),
                            s.first(),
                            s.sheets(),
                            s.test(),
                            s.out(),
                            s.reason(),
                            way.map(Printers.Job::state).orElse(null),
                            way.map(Printers.Job::words).orElse(""),
                            way.map(Printers.Job::id).orElse(null));
                })
                .toList();
    }

    private static List<PressedStepJson> steps(Job job) {
        var line = job.order().steps();
        return line.stream()
                .map(step -> {
                    var heat = step == PressLine.CURE
                            ? job.order().cure()
                            : job.order().press();
                    return new PressedStepJson(
                            step,
                            step.title(),
                            step.say(job.order().ink()),
                            step.cautions(job.order().ink()).stream()
                                    .map(Caution::say)
                                    .toList(),
                            step.asks(),
                            heat == null || !step.timed() ? null : new HeatJson(heat.celsius(), heat.seconds()),
                            job.line().contains(step),
                            PressLine.hindrance(step, line, job.line()).orElse(null));
                })
                .toList();
    }

    private static @Nullable FilmNowJson film(Job job) {
        if (!job.order().on().roll()) {
            return null;
        }
        var feed = job.feed() == null ? FilmFeed.BEFORE : job.feed();
        return new FilmNowJson(
                feed.printed(),
                feed.clamped(),
                feed.roller(),
                feed.sensor(),
                feed.paused(),
                feed.mayLeave(),
                feed.hold().isPresent(),
                feed.says());
    }
}
