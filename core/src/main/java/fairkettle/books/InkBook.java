package fairkettle.books;

import fairkettle.ink.Money;
import fairkettle.ink.Substance;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Currency;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.LongStream;

/**
 * Where ink went over a time: what came into bottles and machines, and what left them for what. Volumes are whole
 * microlitres and add up exactly; money is rounded once, and shared out so that it adds up as well.
 */
public final class InkBook {

    /**
     * One sum of the account.
     *
     * @param group what it is told under: an ink, a machine, a month, a person
     * @param microlitres that left; below nothing for what came in
     */
    public record Flow(String group, Cause cause, Substance substance, long microlitres) {}

    /** What a bottle cost. @param minor minor units for {@code microlitres} of it */
    public record Price(long minor, long microlitres) {
        public Price {
            if (minor < 0 || microlitres <= 0) {
                throw new IllegalArgumentException(
                        "A price of (%s) for (%s) µL tells nothing.".formatted(minor, microlitres));
            }
        }
    }

    /**
     * A group's line.
     *
     * @param microlitres by cause, what left; what came in is in it below nothing
     * @param cost of what left; what came in costs nothing here, it is in the house
     */
    public record Line(String group, Map<Cause, Long> microlitres, Money cost) {

        /** All that left, less nothing. */
        public long gone() {
            return microlitres.entrySet().stream()
                    .filter(e -> !e.getKey().comesIn())
                    .mapToLong(Map.Entry::getValue)
                    .sum();
        }

        /** All that came in. */
        public long came() {
            return -microlitres.entrySet().stream()
                    .filter(e -> e.getKey().comesIn())
                    .mapToLong(Map.Entry::getValue)
                    .sum();
        }
    }

    private InkBook() {}

    /**
     * Sums flows by their groups, in the order in which groups first come.
     *
     * @param price of what a substance cost
     * @return lines whose costs add up to the whole, rounded once
     */
    public static List<Line> lines(List<Flow> flows, Function<Substance, Price> price, Currency currency) {
        var sums = new LinkedHashMap<String, Map<Cause, Long>>();
        var bought = new HashMap<String, Map<Price, Long>>();
        for (var flow : flows) {
            sums.computeIfAbsent(flow.group(), _ -> new EnumMap<>(Cause.class))
                    .merge(flow.cause(), flow.microlitres(), Long::sum);
            if (!flow.cause().comesIn()) {
                bought.computeIfAbsent(flow.group(), _ -> new HashMap<>())
                        .merge(price.apply(flow.substance()), flow.microlitres(), Long::sum);
            }
        }
        var shared = shared(sums.keySet().stream()
                .map(g -> cost(bought.getOrDefault(g, Map.of())))
                .toList());
        var lines = new ArrayList<Line>();
        sums.forEach((group, byCause) ->
                lines.add(new Line(group, Map.copyOf(byCause), new Money(shared.get(lines.size()), currency))));
        return lines;
    }

    private static Fraction cost(Map<Price, Long> microlitres) {
        return microlitres.entrySet().stream()
                .map(e ->
                        Fraction.of(e.getValue(), e.getKey().minor(), e.getKey().microlitres()))
                .reduce(Fraction.ZERO, Fraction::plus);
    }

    /** Whole minor units that add up to the whole, rounded once: the largest remainders are rounded up. */
    private static List<Long> shared(List<Fraction> costs) {
        long whole = costs.stream().reduce(Fraction.ZERO, Fraction::plus).rounded();
        var floors = costs.stream().mapToLong(Fraction::floor).toArray();
        long missing = whole - LongStream.of(floors).sum();
        var order = new ArrayList<Integer>();
        for (int i = 0; i < floors.length; i++) {
            order.add(i);
        }
        order.sort((a, b) -> costs.get(b).remainder().compareTo(costs.get(a).remainder()));
        for (int i = 0; i < missing; i++) {
            floors[order.get(i)]++;
        }
        return LongStream.of(floors).boxed().toList();
    }

    /** Money before it is rounded. @param over is above 0 */
    private record Fraction(BigInteger above, BigInteger over) {
        private static final Fraction ZERO = new Fraction(BigInteger.ZERO, BigInteger.ONE);

        private static Fraction of(long microlitres, long minor, long volume) {
            return new Fraction(
                            BigInteger.valueOf(microlitres).multiply(BigInteger.valueOf(minor)),
                            BigInteger.valueOf(volume))
                    .reduced();
        }

        private Fraction plus(Fraction other) {
            return new Fraction(above.multiply(other.over).add(other.above.multiply(over)), over.multiply(other.over))
                    .reduced();
        }

        private Fraction reduced() {
            var common = above.gcd(over);
            return common.signum() == 0 ? ZERO : new Fraction(above.divide(common), over.divide(common));
        }

        private long floor() {
            var parts = above.divideAndRemainder(over);
            return (parts[1].signum() < 0 ? parts[0].subtract(BigInteger.ONE) : parts[0]).longValueExact();
        }

        private Fraction remainder() {
            return plus(new Fraction(BigInteger.valueOf(-floor()), BigInteger.ONE));
        }

        /** Halves up. */
        private long rounded() {
            return plus(new Fraction(BigInteger.ONE, BigInteger.TWO)).floor();
        }

        private int compareTo(Fraction other) {
            return above.multiply(other.over).compareTo(other.above.multiply(over));
        }
    }
}
