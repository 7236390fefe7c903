package fairkettle.ink;

import java.util.stream.IntStream;

/**
 * Shares out a whole amount in proportion to weights, so that the shares add up to it exactly (the method of largest
 * remainder, Hamilton's): each gets its quota rounded down, and the units left go to the largest remainders.
 */
public final class LargestRemainder {

    private LargestRemainder() {}

    /**
     * @param total what is shared out; not negative
     * @param weights not negative, at least one positive unless total is 0
     * @return as many shares as weights, adding up to total; never more than the weight when total ≤ Σ weights
     */
    public static long[] share(long total, long[] weights) {
        long sum = 0;
        for (long weight : weights) {
            sum = Math.addExact(sum, weight);
        }
        long[] shares = new long[weights.length];
        if (total == 0) {
            return shares;
        }
        if (sum == 0) {
            throw new IllegalArgumentException("There is nothing to take (%s) from.".formatted(total));
        }
        long[] remainders = new long[weights.length];
        long given = 0;
        for (int i = 0; i < weights.length; i++) {
            long product = Math.multiplyExact(total, weights[i]);
            shares[i] = product / sum;
            remainders[i] = product % sum;
            given += shares[i];
        }
        int[] order = IntStream.range(0, weights.length)
                .boxed()
                .sorted((a, b) -> Long.compare(remainders[b], remainders[a]))
                .mapToInt(Integer::intValue)
                .toArray();
        for (int i = 0; given < total; i++, given++) {
            shares[order[i]]++;
        }
        return shares;
    }
}
