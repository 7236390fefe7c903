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

    private FeedWays() {}

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

    public static List<Way> of(Profile profile, Wanted wanted, Terms terms, Elsewhere elsewhere) {
        var ways = new ArrayList<Way>();
        int n = profile.codes().size();
        double own = minor(Terms.perMl(terms.ink()), terms);
        double makers = minor(terms.oldInkPerMl(), terms);
        boolean cartridges = !profile.chips().isEmpty();
        double holds = vessel(profile);
        var price = new Prices(terms);
        var common = new ArrayList<Outlay>();
        if (wanted.machine() > 0) {
            common.add(new Outlay("the machine", wanted.machine()));
        }
        var dear = cartridges ? price.of(Supply.MAKERS_CARTRIDGE) / holds : makers;
        if (wanted.family().makers()) {
            ways.add(way(
                    cartridges ? "the maker’s cartridges" : "the maker’s bottles",
                    wanted.stocked() ? with(common, "paper to begin with", STOCK * price.of(Supply.PAPER)) : common,
                    wanted.mL() * dear + price.of(Supply.PAPER),
                    profile,
                    wanted,
                    terms,
                    cartridges ? EXCHANGE : TOP_UP,
                    holds,
                    0));
        }
        var start = new ArrayList<>(common);
        if (wanted.press() > 0) {
            start.add(new Outlay("a press", wanted.press()));
        }
        long sheet = price.of(Supply.sheet(wanted.family()));
        if (wanted.stocked()) {
            start.add(new Outlay("a set of ink", n * cheapestBottle(terms)));
            start.add(new Outlay("paper to begin with", STOCK * sheet));
        }
        var tools = n * (price.of(Supply.SYRINGE) + price.of(Supply.ADAPTER));
        double perSheet = wanted.mL() * own + sheet;
        if (profile.chips().contains(Chips.AUTO_RESET) || profile.chips().contains(Chips.BUTTON)) {
            ways.add(way(
                    "refillable cartridges",
                    with(with(start, "refillable cartridges", n * price.of(Supply.REFILLABLE)), "syringes", tools),
                    perSheet,
                    profile,
                    wanted,
                    terms,
                    REFILL,
                    holds,
                    1));
        }
        if (profile.chips().contains(Chips.IGNORED)) {
            ways.add(way(
                    "a key, and its own cartridges refilled",
                    with(with(start, "the key for its firmware", price.of(Supply.FIRMWARE_KEY)), "syringes", tools),
                    perSheet,
                    profile,
                    wanted,
                    terms,
                    REFILL,
                    holds,
                    1));
            double tank = vessel(profile.fitted(new Fit(Feed.BULK, Chips.IGNORED, Map.of())));
            if (tank > holds) {
                ways.add(way(
                        "a bulk feed",
                        with(
                                with(start, "the key for its firmware", price.of(Supply.FIRMWARE_KEY)),
                                "the kit",
                                price.of(Supply.BULK_KIT)),
                        perSheet,
                        profile,
                        wanted,
                        terms,
                        TOP_UP,
                        tank,
                        2));
            }
        }
        if (!cartridges) {
            ways.add(way(
                    "its own tanks, changed over",
                    with(start, "syringes", tools),
                    perSheet,
                    profile,
                    wanted,
                    terms,
                    TOP_UP,
                    holds,
                    1));
        }
        var bought = new ArrayList<>(start);
        bought.removeAll(common);
        ways.add(way(
                "a machine built for it",
                with(bought, "the machine", elsewhere.dedicatedMachine()),
                perSheet,
                profile,
                wanted,
                terms,
                TOP_UP,
                holds,
                7));
        ways.add(new Way(
                "prints that are ordered",
                wanted.press() > 0 ? List.of(new Outlay("a press", wanted.press())) : List.of(),
                elsewhere.orderedSheet() * 1000,
                0,
                0,
                elsewhere.days(),
                "nothing to keep alive"));
        ways.add(new Way(
                "sheets that come inked",
                wanted.press() > 0 ? List.of(new Outlay("a press", wanted.press())) : List.of(),
                elsewhere.inkedSheet() * 1000,
                0,
                0,
                elsewhere.days(),
                "nothing to keep alive"));
        return List.copyOf(ways);
    }

    /** What the others are held against unasked: the maker’s ink, or what has to be ordered where it cannot print. */
    public static Way usual(List<Way> ways, Family family) {
        return family.makers() ? ways.getFirst() : ways.get(ways.size() - 2);
    }

    private static Way way(
            String label,
            List<Outlay> once,
            double perSheet,
            Profile profile,
            Wanted wanted,
            Terms terms,
            double minutesEach,
            double holds,
            int days) {
        int n = profile.codes().size();
        double times = wanted.sheets() * wanted.mL() / (holds * FULL);
        var holdings = profile.codes().stream()
                .map(_ -> (Holding) new Holding.Inked(wanted.family(), "own", false))
                .toList();
        var idle = Idle.perDay(profile, holdings, terms);
        double minutes = times * minutesEach;
        return new Way(
                label,
                once,
                Math.round(perSheet * 1000),
                idle.perDay().minor() * 1000 * MONTH,
                minutes,
                days,
                "%.0f mL in each of %d, filled %.1f times a month, %.0f min".formatted(holds, n, times / n, minutes));
    }

    private static List<Outlay> with(List<Outlay> once, String what, long minor) {
        var all = new ArrayList<>(once);
        if (minor > 0) {
            all.add(new Outlay(what, minor));
        }
        return all;
    }

    /** mL of what somebody fills, of the smallest channel. */
    private static double vessel(Profile profile) {
        return profile.channels().stream()
                .mapToDouble(c -> c.path().getFirst().capacity().mL())
                .min()
                .orElseThrow();
    }

    private static long cheapestBottle(Terms terms) {
        return terms.ink().stream().mapToLong(s -> s.price().minor()).min().orElse(0);
    }

    private static double minor(double major, Terms terms) {
        return major * Math.pow(10, terms.currency().getDefaultFractionDigits());
    }

    /** Minor units of one. */
    private record Prices(Terms terms) {
        long of(Supply supply) {
            return terms.price(supply).minor();
        }
    }
}
