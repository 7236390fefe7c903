package fairkettle.ink;

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
        for (; given < total; given++) { // at most one unit each: fewer are left than there are shares
            int largest = 0;
            for (int i = 1; i < remainders.length; i++) {
                largest = remainders[i] > remainders[largest] ? i : largest;
            }
            shares[largest]++;
            remainders[largest] = -1;
        }
        return shares;
    }
}
