package fairkettle.path;

/**
 * Rinsing drained vessels, well mixed, one after the other.
 *
 * <p>Each vessel holds its heel {@code h} with a share {@code c} of a component. A rinse of {@code v} mL enters with
 * share {@code x}; in every vessel it reaches, {@code c ← (c·h + x·v)/(h + v)} and {@code x ← c}. The heel stays and
 * {@code v} moves on. One vessel rinsed n times has the closed form {@code c = (h/(h+v))^n}.
 */
public final class Dilution {

    private Dilution() {}

    /**
     * One rinse, in place.
     *
     * @param heels mL left in each vessel, in flow order
     * @param shares of the component in each heel, 0 to 1; changed
     * @param reach indexes of the vessels the rinse flows through, ascending
     * @param incoming the component's share in the rinse: 0 for a clean liquid
     */
    public static void rinse(double[] heels, double[] shares, int[] reach, double volume, double incoming) {
        double x = incoming;
        for (int i : reach) {
            double h = heels[i];
            shares[i] = h + volume == 0 ? 0 : (shares[i] * h + x * volume) / (h + volume);
            x = shares[i];
        }
    }

    /** The component's mL over the capacity of the charged path: {@code R = Σ c·h / Σ V}. */
    public static double residue(double[] heels, double[] shares, double capacity) {
        double left = 0;
        for (int i = 0; i < heels.length; i++) {
            left += heels[i] * shares[i];
        }
        return left / capacity;
    }

    /** The volume for one vessel, one share and a number of rinses: {@code v = h·((1/c)^(1/n) − 1)}. */
    public static double volumeForOneVessel(double heel, double share, int rinses) {
        return heel * (Math.pow(1 / share, 1.0 / rinses) - 1);
    }

    /**
     * The volume of each of a number of equal rinses that brings the residue to a target, by bisection: the residue
     * falls as the volume grows.
     *
     * @return mL per rinse, to 1e-9 relative; infinite if no volume reaches the target
     */
    public static double volumeForResidue(double[] heels, double capacity, int[] reach, int rinses, double target) {
        double high = 1;
        while (residueAfter(heels, capacity, reach, rinses, high) > target) {
            high *= 2;
            if (high > 1e9) {
                return Double.POSITIVE_INFINITY;
            }
        }
        double low = 0;
        for (int i = 0; i < 200 && high - low > 1e-12 * high; i++) {
            double middle = (low + high) / 2;
            if (residueAfter(heels, capacity, reach, rinses, middle) > target) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return high;
    }

    /** The residue after equal rinses of heels full of old ink. */
    public static double residueAfter(double[] heels, double capacity, int[] reach, int rinses, double volume) {
        double[] shares = new double[heels.length];
        java.util.Arrays.fill(shares, 1);
        for (int i = 0; i < rinses; i++) {
            rinse(heels, shares, reach, volume, 0);
        }
        return residue(heels, shares, capacity);
    }
}
