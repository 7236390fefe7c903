package fairkettle.changeover;

import fairkettle.books.Payback.Outlay;
import fairkettle.books.Payback.Way;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Chips;
import fairkettle.machine.Feed;
import fairkettle.machine.Fit;
import fairkettle.machine.Profile;
import fairkettle.machine.Supply;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Every way in which one machine can be fed, and what does without it: what each asks for at once and by the sheet. */
public final class FeedWays {

    private static final double EXCHANGE = 2; // minutes for one of the maker's cartridges
    private static final double REFILL = 4; // for one cartridge, out, filled, back
    private static final double TOP_UP = 2; // for one tank that stands beside the machine
    private static final double FULL = .8; // of a vessel is printed before somebody sees to it
    private static final int MONTH = 30; // days
    private static final int STOCK = 100; // sheets to begin with
    /** Sheets a month, where nobody printed or said anything yet. */
    public static final int SHEETS = 100;

    private final Profile profile;
    private final Wanted wanted;
    private final Terms terms;
    private final List<Way> ways = new ArrayList<>();

    private FeedWays(Profile profile, Wanted wanted, Terms terms) {
        this.profile = profile;
        this.wanted = wanted;
        this.terms = terms;
    }

    /**
     * @param sheets a month; {@code mL} of ink for one, all channels together
     * @param machine price of the machine, 0 where it is there already; {@code press} likewise, both in minor units
     * @param stocked whether a first set of ink and a pack of paper count as first outlay
     */
    public record Wanted(Family family, int sheets, double mL, long machine, long press, boolean stocked) {
        public Wanted {
            if (sheets < 1 || mL <= 0 || machine < 0 || press < 0) {
                throw new IllegalArgumentException("Sheets and ink are above nothing, prices not below it.");
            }
        }
    }

    /** What is held against making them oneself. Minor units for a sheet; days until it is there. */
    public record Elsewhere(long dedicatedMachine, long orderedSheet, long inkedSheet, int days) {}

    /** mL of ink for an ordinary sheet, all channels together. */
    public static double ordinarySheet(Profile profile) {
        return Planner.COVERAGE * profile.draws().sheet().mL() * profile.codes().size();
    }

    /** What the others are held against unasked: the maker’s ink, or what has to be ordered where it cannot print. */
    public static Way usual(List<Way> ways, Family family) {
        return family.makers() ? ways.getFirst() : ways.get(ways.size() - 2);
    }

    public static List<Way> of(Profile profile, Wanted wanted, Terms terms, Elsewhere elsewhere) {
        var all = new FeedWays(profile, wanted, terms);
        if (wanted.family().makers()) {
            all.makers();
        }
        all.own();
        double tanks = Math.max(vessel(profile), all.bulkTank());
        all.withMachine("a machine built for it", tanks, TOP_UP, 7, all.pressed(elsewhere.dedicatedMachine(), 0, ""));
        all.without("prints that are ordered", elsewhere.orderedSheet(), elsewhere.days());
        all.without("sheets that come inked", elsewhere.inkedSheet(), elsewhere.days());
        return List.copyOf(all.ways);
    }

    /** Its own ink, as its maker sells it. */
    private void makers() {
        boolean cartridges = !profile.chips().isEmpty();
        double holds = vessel(profile);
        double perMl = cartridges ? terms.price(Supply.MAKERS_CARTRIDGE).major() / holds : terms.oldInkPerMl();
        var once = new ArrayList<Outlay>();
        add(once, "the machine", wanted.machine());
        if (wanted.stocked()) {
            add(once, "paper to begin with", STOCK * price(Supply.PAPER));
        }
        way(
                cartridges ? "the maker’s cartridges" : "the maker’s bottles",
                once,
                wanted.mL() * perMl + terms.price(Supply.PAPER).major(),
                holds,
                cartridges ? EXCHANGE : TOP_UP,
                0);
    }

    /** Ink of the shop’s own, in every way that this machine takes it. */
    private void own() {
        int n = profile.codes().size();
        double holds = vessel(profile);
        long syringes = n * (price(Supply.SYRINGE) + price(Supply.ADAPTER));
        long key = price(Supply.FIRMWARE_KEY);
        if (profile.chips().contains(Chips.AUTO_RESET) || profile.chips().contains(Chips.BUTTON)) {
            var parts = pressed(wanted.machine(), n * price(Supply.REFILLABLE), "refillable cartridges");
            add(parts, "syringes", syringes);
            withMachine("refillable cartridges", holds, REFILL, 1, parts);
        }
        if (profile.chips().contains(Chips.IGNORED)) {
            var keyed = pressed(wanted.machine(), key, "the key for its firmware");
            add(keyed, "syringes", syringes);
            withMachine("a key, and its own cartridges refilled", holds, REFILL, 1, keyed);
            if (bulkTank() > holds) {
                var bulk = pressed(wanted.machine(), key, "the key for its firmware");
                add(bulk, "the kit", price(Supply.BULK_KIT));
                withMachine("a bulk feed", bulkTank(), TOP_UP, 2, bulk);
            }
        }
        if (profile.chips().isEmpty()) {
            withMachine(
                    "its own tanks, changed over", holds, TOP_UP, 1, pressed(wanted.machine(), syringes, "syringes"));
        }
    }

    /** What every way of printing it oneself asks for first, and what is wanted beside it. */
    private List<Outlay> pressed(long machine, long minor, String what) {
        var once = new ArrayList<Outlay>();
        add(once, "the machine", machine);
        add(once, "a press", wanted.press());
        if (wanted.stocked()) {
            long bottle = terms.inks().of(wanted.family()).stream()
                    .mapToLong(s -> s.price().minor())
                    .min()
                    .orElse(0);
            add(once, "a set of ink", profile.codes().size() * bottle);
            add(once, "paper to begin with", STOCK * price(Supply.sheet(wanted.family())));
        }
        add(once, what, minor);
        return once;
    }

    private void withMachine(String label, double holds, double minutesEach, int days, List<Outlay> once) {
        way(label, once, terms.sheet(wanted.family(), profile.codes().size(), wanted.mL()), holds, minutesEach, days);
    }

    private void without(String label, long perSheet, int days) {
        var once = new ArrayList<Outlay>();
        add(once, "a press", wanted.press());
        ways.add(new Way(label, once, perSheet * 1000, 0, 0, days, "nothing to keep alive"));
    }

    /** @param perSheet major units; {@code holds} mL of one channel, {@code minutesEach} for filling it once */
    private void way(String label, List<Outlay> once, double perSheet, double holds, double minutesEach, int days) {
        int n = profile.codes().size();
        double times = wanted.sheets() * wanted.mL() / (holds * FULL);
        var holdings = profile.codes().stream()
                .map(_ -> (Holding) new Holding.Inked(wanted.family(), "own", false))
                .toList();
        var idle = Idle.perDay(profile, holdings, terms).perDay();
        double minor = Math.pow(10, terms.currency().getDefaultFractionDigits());
        ways.add(new Way(
                label,
                once,
                Math.round(perSheet * minor * 1000),
                idle.minor() * 1000 * MONTH,
                times * minutesEach,
                days,
                "%.0f mL in each of %d, filled %.1f times a month, %.0f min"
                        .formatted(holds, n, times / n, times * minutesEach)));
    }

    private long price(Supply supply) {
        return terms.price(supply).minor();
    }

    private static void add(List<Outlay> once, String what, long minor) {
        if (minor > 0) {
            once.add(new Outlay(what, minor));
        }
    }

    /** mL of a tank beside the machine; what its own vessels hold where none can be joined. */
    private double bulkTank() {
        return profile.chips().contains(Chips.IGNORED)
                ? vessel(profile.fitted(new Fit(Feed.BULK, Chips.IGNORED, Map.of())))
                : vessel(profile);
    }

    /** mL of what somebody fills, of the smallest channel. */
    private static double vessel(Profile profile) {
        return profile.channels().stream()
                .mapToDouble(c -> c.path().getFirst().capacity().mL())
                .min()
                .orElseThrow();
    }
}
