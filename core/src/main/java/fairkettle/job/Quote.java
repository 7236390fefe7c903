package fairkettle.job;

import fairkettle.ink.Money;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;

/** What a job costs, line by line, exact to the minor unit: the lines add up to the total. */
public record Quote(List<Line> lines, Money total, Money each) {

    private static final double USUAL_WEIGHS = 20; // pieces that the usual share counts as

    public Quote {
        lines = List.copyOf(lines);
    }

    public record Line(String label, String of, Money money) {}

    /**
     * What goes into it, in minor units.
     *
     * @param pieces that the customer gets
     * @param ink of all sheets; {@code sheets} of paper or film; {@code blanks} that are pressed on
     * @param upkeep the machine’s share for its sheets; {@code waste} likewise
     * @param printing minutes of hands; {@code pressing} likewise; @param perMinute what one is worth
     * @param spoils share of the pieces that is spoiled and made again, 0 to 1
     */
    public record Parts(
            int pieces,
            double ink,
            String inkWords,
            double sheets,
            String sheetWords,
            double blanks,
            double upkeep,
            double waste,
            double printing,
            double pressing,
            double perMinute,
            double spoils) {}

    public static Quote of(Parts p, Currency currency) {
        var lines = new ArrayList<Line>();
        add(lines, "ink", p.inkWords(), p.ink(), currency);
        add(lines, "paper or film", p.sheetWords(), p.sheets(), currency);
        add(lines, "blanks", p.pieces() + " pieces", p.blanks(), currency);
        add(lines, "its share of upkeep", "", p.upkeep(), currency);
        add(lines, "its share of waste", "", p.waste(), currency);
        add(lines, "hands at the machine", minutes(p.printing()), p.printing() * p.perMinute(), currency);
        add(lines, "hands at the press", minutes(p.pressing()), p.pressing() * p.perMinute(), currency);
        double all = p.ink()
                + p.sheets()
                + p.blanks()
                + p.upkeep()
                + p.waste()
                + (p.printing() + p.pressing()) * p.perMinute();
        add(
                lines,
                "what will be spoiled",
                "%.1f %%".formatted(100 * p.spoils()),
                all * p.spoils() / (1 - Math.min(.9, p.spoils())),
                currency);
        var total = Money.sum(lines.stream().map(Line::money).toList(), currency);
        return new Quote(
                lines, total, new Money(Math.round((double) total.minor() / Math.max(1, p.pieces())), currency));
    }

    private static void add(List<Line> lines, String label, String of, double minor, Currency currency) {
        var money = new Money(Math.round(minor), currency);
        if (money.minor() != 0) {
            lines.add(new Line(label, of, money));
        }
    }

    private static String minutes(double minutes) {
        return Math.round(minutes) + " min";
    }

    /**
     * Share of pieces that are spoiled, from jobs of the same product: with none known the usual, shrunk toward it.
     *
     * @param usual share, 0 to 1
     */
    public static double spoils(long good, long spoiled, double usual) {
        return (spoiled + usual * USUAL_WEIGHS) / (good + spoiled + USUAL_WEIGHS);
    }
}
