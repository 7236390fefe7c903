package fairkettle.server.jobs;

import fairkettle.check.WhitePasses;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.job.FilmLength;
import fairkettle.job.InkUse;
import fairkettle.job.Lasts;
import fairkettle.job.Layout;
import fairkettle.job.Media;
import fairkettle.job.Piece;
import fairkettle.job.PressLine;
import fairkettle.job.Quote;
import fairkettle.job.Separation;
import fairkettle.job.Separation.Tone;
import fairkettle.machine.Supply;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.server.benches.Checks;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.log.Burden;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What a job takes on a machine: sheets, ink, minutes and money. */
@Component
class JobReckoning {

    private static final int KNOWN = 60; // layouts that are kept
    private static final double A4 = 210 * 297; // mm²
    private static final Tone USUAL = new Tone(.12, .3); // of pieces whose artwork is not there yet
    private static final double SPOILED = .03; // usual share
    private static final int UPKEEP_DAYS = 90;
    private static final int FEWEST = 30; // sheets that upkeep is shared by, or one job would bear a quiet quarter
    private static final double HANDS_A_SHEET = .5; // min: put in, look, lay aside
    private static final double HANDS_A_JOB = 4; // min: settings, first sheet
    private static final double A_CURE = 2; // min of hands for a sheet, or a film: cut off, powder, into the oven
    private static final double A_PRESS = .8; // min of hands, beside the seconds under the plate

    private final Artworks artworks;
    private final InkLearned learned;
    private final Jobs jobs;
    private final Checks checks;
    private final Ledger ledger;
    private final Burden burden;
    private final Supplies supplies;
    private final Shop shop;

    JobReckoning(
            Artworks artworks,
            InkLearned learned,
            Jobs jobs,
            Checks checks,
            Ledger ledger,
            Burden burden,
            Supplies supplies,
            Shop shop) {
        this.artworks = artworks;
        this.learned = learned;
        this.jobs = jobs;
        this.checks = checks;
        this.ledger = ledger;
        this.burden = burden;
        this.supplies = supplies;
        this.shop = shop;
    }

    /** What a layout follows from, wholly. */
    private record Asked(Media on, List<Piece> pieces, int gap) {}

    /** The same is asked for by every page of a job, and searched for some tenths of a second. */
    private final Map<Asked, Layout> known = Collections.synchronizedMap(new LinkedHashMap<>(16, .75f, true) {
        private static final long serialVersionUID = 1;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Asked, Layout> eldest) {
            return size() > KNOWN;
        }
    });

    /** @throws Problem for a piece that fits nowhere */
    Layout layout(Job.Order order) {
        var asked = new Asked(order.on(), order.rectangles(), order.gap());
        var before = known.get(asked);
        if (before != null) {
            return before;
        }
        try {
            var layout = asked.on().lay(asked.pieces(), asked.gap());
            known.put(asked, layout);
            return layout;
        } catch (IllegalArgumentException e) {
            throw Problem.atField("pieces", String.valueOf(e.getMessage()));
        }
    }

    /** @param sheets of paper, or A4 sheets that the film comes to */
    record Sheets(Layout layout, int sheets, @Nullable FilmLength film) {}

    Sheets sheets(Job.Order order) {
        var layout = layout(order);
        return new Sheets(layout, layout.sheets(), order.on().roll() ? FilmLength.of(layout) : null);
    }

    /** What goes off the shelf: film from a roll is counted by the sheets that it comes to. */
    static int paper(Media media, Sheets sheets) {
        var film = sheets.film();
        return film == null
                ? sheets.sheets()
                : (int) Math.ceil(Math.min(film.cut(), film.through()) / 10.0 * media.width() / 10.0 / A4);
    }

    // ---- ink ---------------------------------------------------------------------------------------------------

    /**
     * @param takes by channel, for all of it
     * @param passes times as long as usual, since fewer whites print
     * @param known whether tanks taught it
     */
    record Ink(List<Takes> takes, double passes, @Nullable String passesWords, boolean known) {
        double mL() {
            return takes.stream().mapToDouble(t -> t.lasts().takes()).sum();
        }
    }

    record Takes(Job.Laid laid, Lasts lasts) {}

    Ink ink(Job.Order order, Machine machine) {
        var use = learned.of(machine.id());
        var account = ledger.ofMachineNow(machine.id());
        var profile = machine.profile();
        var asked = asked(order, profile.codes());
        double area = area(order);
        double full = profile.draws().sheet().mL() * area / A4;
        var whites = whites(machine);
        double passes = whites.map(WhitePasses::times).orElse(1.0);
        var takes = new ArrayList<Takes>();
        for (var channel : profile.channels()) {
            var code = channel.code();
            if (!(machine.holding(code) instanceof Holding.Inked) || code.white() && order.ink() != Family.FILM) {
                continue;
            }
            boolean silent =
                    code.white() && whites.isPresent() && !whites.get().alive().contains(code);
            var tone = silent ? Tone.NONE : asked.getOrDefault(code, Tone.NONE);
            double times = code.white() ? passes : 1; // those that print lay down the share of the others
            var how = use.getOrDefault(code, InkUse.of(List.of()));
            double mL = how.mL(full * times, tone);
            double holds = account.getOrDefault(
                            new Place.InPath(machine.id(), code, channel.first().kind()), Mixture.EMPTY)
                    .volume()
                    .mL();
            takes.add(new Takes(
                    new Job.Laid(code, full * times, tone, mL),
                    new Lasts(
                            code,
                            mL,
                            how.mayDiffer(full * times, tone),
                            holds,
                            Math.min(
                                    shop.settings().reserve().mL(),
                                    channel.first().capacity().mL() / 4))));
        }
        return new Ink(
                takes,
                passes,
                whites.map(WhitePasses::words).orElse(null),
                use.values().stream().anyMatch(InkUse::learned));
    }

    private static double area(Job.Order order) {
        return order.pieces().stream()
                .mapToDouble(p -> p.width() / 10.0 * p.height() / 10.0 * p.count())
                .sum();
    }

    private Map<ChannelCode, Tone> asked(Job.Order order, List<ChannelCode> slots) {
        double all = area(order);
        var sums = new LinkedHashMap<ChannelCode, double[]>();
        for (var piece : order.pieces()) {
            double share = piece.width() / 10.0 * piece.height() / 10.0 * piece.count() / all;
            var art = piece.artwork();
            var tones = art == null ? Map.<String, Tone>of() : artworks.get(art).tones();
            Separation.onto(slots, tones).forEach((slot, tone) -> {
                var t = art == null ? USUAL : tone;
                var sum = sums.computeIfAbsent(slot, _ -> new double[2]);
                sum[0] += share * t.mean();
                sum[1] += share * t.middle();
            });
        }
        var asked = new LinkedHashMap<ChannelCode, Tone>();
        sums.forEach((slot, sum) -> asked.put(slot, new Tone(Math.min(1, sum[0]), Math.min(1, sum[1]))));
        return asked;
    }

    private Optional<WhitePasses> whites(Machine machine) {
        return WhitePasses.of(checks.latest(machine.id(), 1).entrySet().stream()
                .filter(e -> machine.holdings().containsKey(ChannelCode.of(e.getKey())))
                .map(e -> e.getValue().getFirst())
                .map(c -> new WhitePasses.Counted(
                        ChannelCode.of(c.channel()), c.missing().size(), c.nozzles()))
                .toList());
    }

    // ---- time and money ----------------------------------------------------------------------------------------

    /** Minutes that the machine prints. */
    int minutes(Job.Order order, Machine machine, double passes) {
        double pages = area(order) / A4;
        double each = machine.profile().minutes().sheet() * (order.photo() ? 2 : 1);
        return (int) Math.max(1, Math.ceil(Math.max(pages, layout(order).sheets()) * each * passes));
    }

    /** Minutes of hands once it is printed: by the oven, sheet by sheet, and at the press, piece by piece. */
    double pressing(Job.Order order) {
        var steps = order.steps();
        double cured = steps.contains(PressLine.CURE) ? layout(order).sheets() * (A_CURE + minutes(order.cure())) : 0;
        double pressed = steps.contains(PressLine.PRESS) ? order.count() * (A_PRESS + minutes(order.press())) : 0;
        return cured + pressed;
    }

    private static double minutes(PressLine.@Nullable Heat heat) {
        return heat == null ? 0 : heat.seconds() / 60.0;
    }

    Quote quote(Job.Order order, Machine machine, Sheets sheets, Ink ink) {
        var settings = shop.settings();
        var terms = settings.terms(machine.schools(), supplies.prices());
        double minor = Math.pow(10, settings.money().getDefaultFractionDigits());
        int paper = paper(order.on(), sheets);
        int colours = machine.profile().codes().size();
        var supply = Supply.sheet(order.ink());
        var kept = burden.ofMachines(UPKEEP_DAYS).stream()
                .filter(b -> b.machine().id() == machine.id())
                .findFirst();
        double perSheet = kept.map(b -> (b.minutes() * terms.labourPerHour().minor() / 60.0
                                + terms.ofInk(order.ink(), colours, b.mL()) * minor
                                + b.parts())
                        / Math.max(FEWEST, b.sheets()))
                .orElse(0.0);
        double waste = kept.map(b -> b.mL() / Math.max(FEWEST, b.sheets()) * settings.wastePerLitre() / 1000.0)
                .orElse(0.0);
        return Quote.of(
                new Quote.Parts(
                        order.count(),
                        terms.ofInk(order.ink(), colours, ink.mL()) * minor,
                        "%.1f mL".formatted(ink.mL()),
                        paper * (double) terms.price(supply).minor(),
                        "%d × %s".formatted(paper, supply.label()),
                        (double) order.count() * order.blank(),
                        perSheet * paper,
                        waste * paper,
                        HANDS_A_JOB + HANDS_A_SHEET * sheets.sheets(),
                        pressing(order),
                        terms.labourPerHour().minor() / 60.0,
                        spoils(order.what())),
                settings.money());
    }

    private double spoils(String what) {
        var like = jobs.like(what);
        long good = 0;
        long spoiled = 0;
        for (var job : like) {
            var came = job.came();
            if (came != null) {
                good += came.good();
                spoiled += came.spoiled();
            }
        }
        return Quote.spoils(good, spoiled, SPOILED);
    }
}
