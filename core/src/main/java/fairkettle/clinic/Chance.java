package fairkettle.clinic;

/** Two discrete distributions, and the logarithm of the gamma function they need. */
final class Chance {

    private static final double[] LOG_GAMMA = new double[512]; // at whole numbers: most calls

    static {
        for (int i = 2; i < LOG_GAMMA.length; i++) {
            LOG_GAMMA[i] = LOG_GAMMA[i - 1] + Math.log(i - 1);
        }
    }

    private Chance() {}

    /** Stirling's series after eight steps of the recurrence; error below 1e-9 for x &gt; 0. */
    static double logGamma(double x) {
        if (x == Math.rint(x) && x > 0 && x < LOG_GAMMA.length) {
            return LOG_GAMMA[(int) x];
        }
        double product = 1;
        while (x < 8) {
            product *= x;
            x += 1;
        }
        double inverse = 1 / (x * x);
        return (x - .5) * Math.log(x)
                - x
                + .9189385332046727
                + (1.0 / 12 - inverse * (1.0 / 360 - inverse / 1260)) / x
                - Math.log(product);
    }

    /** Beta-binomial: {@code k} of {@code n} when the share is beta with this mean and strength {@code a + b}. */
    static double betaBinomial(int k, int n, double mean, double strength) {
        double a = Math.clamp(mean, .004, .996) * strength;
        double b = strength - a;
        return Math.exp(logGamma(n + 1)
                - logGamma(k + 1)
                - logGamma(n - k + 1)
                + logGamma(k + a)
                + logGamma(n - k + b)
                - logGamma(n + strength)
                + logGamma(strength)
                - logGamma(a)
                - logGamma(b));
    }

    /** Negative binomial with this mean and size; its variance is {@code mean + mean² / size}. */
    static double negativeBinomial(int k, double mean, double size) {
        double p = size / (size + Math.max(1e-6, mean));
        return Math.exp(
                logGamma(k + size) - logGamma(k + 1) - logGamma(size) + size * Math.log(p) + k * Math.log1p(-p));
    }
}
