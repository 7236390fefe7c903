package fairkettle.ink;

import java.math.BigDecimal;
import java.util.Objects;
import java.util.regex.Pattern;

/**
 * A volume of liquid, exact to the microlitre and never negative.
 *
 * @param microlitres whole microlitres; 1 mL is 1000
 */
public record Millilitres(long microlitres) implements Comparable<Millilitres> {

    public static final Millilitres ZERO = new Millilitres(0);

    private static final int MOST_SHOWN = 20; // characters of a mistake
    private static final Pattern WRITTEN = Pattern.compile("(-?)0*(\\d{1,7})(?:\\.(\\d{1,3})0*)?");

    public Millilitres {
        if (microlitres < 0) {
            throw new IllegalArgumentException(
                    "The volume (%s mL) must not be negative.".formatted(microlitres / 1000.0));
        }
    }

    /**
     * Plain digits with a point. No exponent: what is short to write and long to work out never comes in.
     *
     * @throws IllegalArgumentException if finer than a microlitre, negative, 10 000 L or more, or not a number
     */
    public static Millilitres parse(String text) {
        var written = WRITTEN.matcher(text.strip());
        if (!written.matches()) {
            throw new IllegalArgumentException(
                    "The volume (%s) is not a number of mL below 10000000 with at most three decimals. Type it like 12.5."
                            .formatted(text.length() <= MOST_SHOWN ? text : text.substring(0, MOST_SHOWN) + "…"));
        }
        var decimals = Objects.requireNonNullElse(written.group(3), "");
        long microlitres = Long.parseLong(written.group(2)) * 1000 + Long.parseLong((decimals + "000").substring(0, 3));
        return new Millilitres(written.group(1).isEmpty() ? microlitres : -microlitres);
    }

    /** The nearest microlitre to a predicted volume in mL. */
    public static Millilitres rounded(double millilitres) {
        return new Millilitres(Math.round(millilitres * 1000));
    }

    /** The next mark of a scale at or above a predicted volume in mL; a hair of 1e-9 mL is not a whole mark more. */
    public static Millilitres roundedUpTo(Millilitres graduation, double millilitres) {
        double marks = Math.ceil(millilitres * 1000 / graduation.microlitres - 1e-9);
        return new Millilitres(Math.max(0, (long) marks) * graduation.microlitres);
    }

    public double mL() {
        return microlitres / 1000.0;
    }

    public boolean isZero() {
        return microlitres == 0;
    }

    public Millilitres plus(Millilitres other) {
        return new Millilitres(Math.addExact(microlitres, other.microlitres));
    }

    /** @throws IllegalArgumentException if the other is more than this */
    public Millilitres minus(Millilitres other) {
        return new Millilitres(microlitres - other.microlitres);
    }

    /** What is left over the other, or nothing. */
    public Millilitres over(Millilitres other) {
        return new Millilitres(Math.max(0, microlitres - other.microlitres));
    }

    public Millilitres times(int count) {
        return new Millilitres(Math.multiplyExact(microlitres, (long) count));
    }

    public Millilitres min(Millilitres other) {
        return microlitres <= other.microlitres ? this : other;
    }

    public Millilitres max(Millilitres other) {
        return microlitres >= other.microlitres ? this : other;
    }

    @Override
    public int compareTo(Millilitres other) {
        return Long.compare(microlitres, other.microlitres);
    }

    /** "57", "5.5" or "0.002": the inverse of {@link #parse}. */
    @Override
    public String toString() {
        return BigDecimal.valueOf(microlitres, 3).stripTrailingZeros().toPlainString();
    }
}
