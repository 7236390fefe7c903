package fairkettle.path;

/**
 * Full, well-mixed vessels in series with clean liquid flowing in: {@code dc_i/du = (c_{i−1} − c_i)/V_i}, {@code c_0 =
 * 0}. One vessel: {@code c = exp(−u/V)}.
 *
 * <p>The system is linear, so {@code c(u) = exp(A·u)·c(0)}. It is evaluated by <em>uniformisation</em>: with {@code q =
 * 1/min V} the matrix {@code P = I + A/q} has no negative entry, and {@code c(u) = Σ_k Poisson(q·u; k) · P^k · c(0)}.
 * Every term is positive, so nothing cancels and even tiny shares keep their relative accuracy, which a step-by-step
 * integration would lose; it also takes equal volumes in its stride, where the closed form divides by zero. Long flows
 * are cut into pieces so that {@code exp(−q·u)} stays a number.
 */
public final class FlowThrough {

    private static final double LONGEST_PIECE = 500; // q·u; exp(−745) is where doubles end

    private static final double NEGLIGIBLE = 1e-22; // of a Poisson weight past its mean; what follows is smaller still
    private static final double ENOUGH = 1e-12; // the same, for finding where a share passes a target of 1e-4 or more

    private FlowThrough() {}

    /**
     * @param volumes mL of each vessel, in flow order
     * @param shares of old ink at the start, 0 to 1
     * @param drawn mL that flowed through
     * @return the shares afterwards; relative error below 1e-9
     */
    public static double[] after(double[] volumes, double[] shares, double drawn) {
        return after(volumes, shares, drawn, NEGLIGIBLE);
    }

    private static double[] after(double[] volumes, double[] shares, double drawn, double negligible) {
        double q = 0;
        for (double volume : volumes) {
            q = Math.max(q, 1 / volume);
        }
        double[] c = shares.clone();
        double left = q * drawn;
        while (left > 0) {
            double piece = Math.min(left, LONGEST_PIECE);
            c = piece(volumes, c, q, piece, negligible);
            left -= piece;
        }
        return c;
    }

    private static double[] piece(double[] volumes, double[] start, double q, double mean, double negligible) {
        int m = start.length;
        double[] power = start.clone();
        double[] sum = new double[m];
        double[] moves = new double[m]; // the share of a vessel that moves on within 1/q
        for (int i = 0; i < m; i++) {
            moves[i] = 1 / (q * volumes[i]);
        }
        double weight = Math.exp(-mean);
        for (int k = 0; k <= mean || weight > negligible; k++) {
            for (int i = m - 1; i > 0; i--) {
                sum[i] += weight * power[i];
                power[i] += moves[i] * (power[i - 1] - power[i]);
            }
            sum[0] += weight * power[0];
            power[0] -= moves[0] * power[0];
            weight *= mean / (k + 1);
        }
        return sum;
    }

    /**
     * How much must flow until the outlet is below a share, and stays there: dirtier vessels upstream can raise it
     * again for a while.
     *
     * @return mL; 0 if it already is
     */
    public static double untilOutletBelow(double[] volumes, double[] shares, double target) {
        double smallest = Double.MAX_VALUE;
        double all = 0;
        for (double volume : volumes) {
            smallest = Math.min(smallest, volume);
            all += volume;
        }
        double step = smallest;
        double lastAbove = -1;
        double firstBelow = 0;
        double[] atLastAbove = shares;
        double[] c = shares.clone();
        double u = 0;
        // why: no vessel is ever dirtier than the dirtiest at the start, so once all are below the target it is over.
        while (dirtiest(c) > target && u < 200 * all) {
            boolean above = c[c.length - 1] > target;
            if (above) {
                lastAbove = u;
                atLastAbove = c;
            }
            c = after(volumes, c, step, ENOUGH);
            u += step;
            if (above) {
                firstBelow = u; // until it is found above once more
            }
            step = Math.max(step, u / 6); // finer than a sheet where it matters, coarse far out
        }
        return lastAbove < 0 ? 0 : lastAbove + crossing(volumes, atLastAbove, target, firstBelow - lastAbove);
    }

    /**
     * Where the outlet's share passes the target, by false position on its logarithm: the share falls almost like an
     * exponential, so a straight line through two logarithms lands close. The Illinois weighting keeps both ends
     * moving.
     *
     * @param within mL by which it is certainly below
     */
    private static double crossing(double[] volumes, double[] shares, double target, double within) {
        double low = 0;
        double high = within;
        double atLow = Math.log(shares[shares.length - 1] / target);
        double atHigh = Math.log(outlet(volumes, shares, high) / target);
        for (int kept = 0, i = 0; i < 60 && high - low > 1e-5 * within; i++) { // a hundredth of a drop
            double middle = Math.clamp(
                    (low * atHigh - high * atLow) / (atHigh - atLow), low + 1e-6 * within, high - 1e-6 * within);
            double there = Math.log(outlet(volumes, shares, middle) / target);
            if (there > 0) {
                low = middle;
                atLow = there;
                atHigh = kept > 0 ? atHigh / 2 : atHigh;
                kept = 1;
            } else {
                high = middle;
                atHigh = there;
                atLow = kept < 0 ? atLow / 2 : atLow;
                kept = -1;
            }
        }
        return high;
    }

    private static double outlet(double[] volumes, double[] shares, double drawn) {
        double[] c = after(volumes, shares, drawn, ENOUGH);
        return c[c.length - 1];
    }

    private static double dirtiest(double[] shares) {
        double most = 0;
        for (double share : shares) {
            most = Math.max(most, share);
        }
        return most;
    }
}
