package fairkettle.books;

/**
 * How long a stock lasts, learned from what was used.
 *
 * <p>Idea: what a shop uses comes in weeks, so a week is what is counted. The weeks that lie behind tell a mean and a
 * spread, the late ones more than the early ones; what is used over a time to come is then spread by the weeks' own
 * spread, by not knowing the mean, and by the mean's own drift. It is taken for a gamma distribution, which is never
 * below nothing and leans to the right as use does.
 *
 * <p>Law: no more is used in less time; the range holds what comes in eight cases of ten; more stock never runs out
 * earlier. Its quantiles are Wilson and Hilferty’s (Proceedings of the National Academy of Sciences 17, 1931): the cube
 * root of a gamma is nearly normal.
 *
 * @param mean used a week; @param variance of a week’s use; @param weeks how many weeks’ worth the mean is learned from
 * @param peak the most that was ever used in a week
 */
public record Forecast(double mean, double variance, double weeks, double peak) {

    private static final double HALF_LIFE = 6; // weeks: a season’s change is followed, a fair’s week forgotten
    private static final int MOST_WEEKS = 40;
    /** Of the mean, a week: how far the mean itself wanders. */
    private static final double DRIFT = 0.1;
    /** Spread over mean where too little is known to tell it: orders come or do not. */
    private static final double USUAL_SPREAD = 0.8;
    /** So many weeks’ worth of that stands beside what was seen. */
    private static final double USUAL_WEEKS = 3;

    private static final int FURTHEST = 3 * 366; // days: nothing is foretold beyond

    /** Standard normal quantiles. */
    private static final double TENTH = -1.2815515655446004;

    private static final double NINETY = 1.2815515655446004;
    /** And a week as heavy as any so far on top: whoever orders by then runs out less than once in a hundred years. */
    private static final double SAFE = 3.29;

    /** Use over a time. @param low one time in ten it is less; @param high one time in ten it is more */
    public record Range(double low, double expected, double high) {}

    /** @param earliest days from now, one time in ten earlier; null for beyond three years */
    public record Lasts(int earliest, int expected, int latest) {}

    public Forecast {
        if (!(mean >= 0) || !(variance >= 0) || !(weeks > 0)) {
            throw new IllegalArgumentException(
                    "A week’s use of (%s ± %s) from (%s) weeks tells nothing.".formatted(mean, variance, weeks));
        }
    }

    /**
     * @param days what was used on each day up to yesterday, the oldest first; a beginning that does not fill a week is
     *     left out
     */
    public static Forecast learned(double[] days) {
        int n = Math.min(MOST_WEEKS, days.length / 7);
        if (n == 0) {
            double sum = 0;
            for (double day : days) {
                sum += day;
            }
            double guess = days.length == 0 ? 0 : sum * 7 / days.length;
            return new Forecast(guess, square(USUAL_SPREAD * guess), 0.5, guess);
        }
        var weeks = new double[n];
        for (int i = 0; i < n; i++) {
            for (int d = 0; d < 7; d++) {
                weeks[i] += days[days.length - 7 * (i + 1) + d]; // the newest first
            }
        }
        double weight = 0;
        double squares = 0;
        double mean = 0;
        for (int i = 0; i < n; i++) {
            double w = Math.pow(0.5, i / HALF_LIFE);
            weight += w;
            squares += w * w;
            mean += w * weeks[i];
        }
        mean /= weight;
        double effective = weight * weight / squares;
        double spread = 0;
        for (int i = 0; i < n; i++) {
            spread += Math.pow(0.5, i / HALF_LIFE) * square(weeks[i] - mean);
        }
        double seen = effective > 1.01 ? spread / weight * effective / (effective - 1) : 0;
        double known = Math.max(0, effective - 1);
        double variance = (known * seen + USUAL_WEEKS * square(USUAL_SPREAD * mean)) / (known + USUAL_WEEKS);
        double peak = mean;
        for (double week : weeks) {
            peak = Math.max(peak, week);
        }
        return new Forecast(mean, variance, effective, peak);
    }

    /** What is used in so many days. */
    public Range use(int days) {
        return new Range(quantile(days, TENTH), mean * days / 7, quantile(days, NINETY));
    }

    /** How long a stock lasts; days are counted to the first on which it is gone. */
    public Lasts lasts(double stock) {
        return new Lasts(reaches(stock, NINETY), reaches(stock, Double.NaN), reaches(stock, TENTH));
    }

    /**
     * In how many days to order at the latest, so that it comes before the stock is gone: 0 or less for now.
     *
     * @param leadDays from the order to the shelf
     */
    public int orderIn(double stock, int leadDays) {
        return reaches(stock - (peak - mean), SAFE) - 1 - leadDays;
    }

    /**
     * Up to what to buy: as ordered, it is on the shelf before the stock is gone, and nothing needs to be ordered again
     * for so many days.
     */
    public double enough(int leadDays, int coverDays) {
        return quantile(leadDays + 1, SAFE) + peak - mean + mean * coverDays / 7;
    }

    /** The first day by whose end the use’s quantile exceeds the stock. @param z NaN for the mean */
    private int reaches(double stock, double z) {
        if (mean == 0) {
            return FURTHEST;
        }
        int low = 0;
        int high = FURTHEST;
        while (high - low > 1) { // more days, more use
            int days = (low + high) >>> 1;
            double use = Double.isNaN(z) ? mean * days / 7 : quantile(days, z);
            if (use > stock) {
                high = days;
            } else {
                low = days;
            }
        }
        return stock < 0 ? 0 : high;
    }

    private double quantile(int days, double z) {
        double time = days / 7.0;
        double expected = mean * time;
        if (expected == 0) {
            return 0;
        }
        double all = variance * time + square(time) * variance / weeks + square(DRIFT * mean) * time * time * time / 3;
        double shape = square(expected) / all;
        double cube = 1 - 1 / (9 * shape) + z / (3 * Math.sqrt(shape));
        return cube <= 0 ? 0 : expected * cube * cube * cube;
    }

    private static double square(double x) {
        return x * x;
    }
}
