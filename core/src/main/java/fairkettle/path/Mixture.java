package fairkettle.path;

import fairkettle.ink.LargestRemainder;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Predicate;

/**
 * What a vessel holds: whole microlitres of each substance, well mixed. Never holds a zero, so equal mixtures are
 * equal.
 */
public record Mixture(Map<Substance, Long> parts) {

    public static final Mixture EMPTY = new Mixture(Map.of());

    public Mixture {
        var kept = new TreeMap<Substance, Long>();
        parts.forEach((substance, amount) -> {
            if (amount < 0) {
                throw new IllegalArgumentException(
                        "Impossible state: (%s µL) of %s.".formatted(amount, substance.key()));
            }
            if (amount > 0) {
                kept.put(substance, amount);
            }
        });
        parts = java.util.Collections.unmodifiableMap(kept);
    }

    public static Mixture of(Substance substance, Millilitres volume) {
        return new Mixture(Map.of(substance, volume.microlitres()));
    }

    public Millilitres volume() {
        long sum = 0;
        for (long amount : parts.values()) {
            sum += amount;
        }
        return new Millilitres(sum);
    }

    /** The share, 0 to 1, of what matches; 0 of nothing. */
    public double share(Predicate<Substance> matching) {
        long all = volume().microlitres();
        return all == 0 ? 0 : (double) amount(matching).microlitres() / all;
    }

    public Millilitres amount(Predicate<Substance> matching) {
        return new Millilitres(parts.entrySet().stream()
                .filter(e -> matching.test(e.getKey()))
                .mapToLong(Map.Entry::getValue)
                .sum());
    }

    /**
     * A part of the mixture in its own proportions, rounded by largest remainder so that it adds up exactly.
     *
     * @throws IllegalArgumentException if there is not so much
     */
    public Mixture taken(Millilitres volume) {
        if (volume.compareTo(volume()) > 0) {
            throw new IllegalArgumentException("%s mL cannot be taken from %s mL.".formatted(volume, volume()));
        }
        if (volume.isZero()) {
            return EMPTY;
        }
        if (volume.equals(volume())) {
            return this;
        }
        var substances = parts.keySet().toArray(Substance[]::new);
        long[] shares = LargestRemainder.share(
                volume.microlitres(),
                parts.values().stream().mapToLong(Long::longValue).toArray());
        var taken = new java.util.HashMap<Substance, Long>();
        for (int i = 0; i < substances.length; i++) {
            taken.put(substances[i], shares[i]);
        }
        return new Mixture(taken);
    }

    public Mixture plus(Mixture other) {
        return combined(other, 1);
    }

    public Mixture minus(Mixture other) {
        return combined(other, -1);
    }

    private Mixture combined(Mixture other, int sign) {
        if (other.parts.isEmpty()) {
            return this;
        }
        if (parts.isEmpty() && sign > 0) {
            return other;
        }
        var sum = new java.util.HashMap<>(parts);
        other.parts.forEach((substance, amount) -> sum.merge(substance, sign * amount, Long::sum));
        return new Mixture(sum);
    }
}
