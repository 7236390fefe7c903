package fairkettle.job;

import fairkettle.job.Separation.Tone;
import java.util.List;

/**
 * What one channel of a machine lays down, learned from what its tank really lost.
 *
 * <p>A job takes {@code q (a·mean + b·middle)} mL: {@code q} is what the profile reckons with for its area fully
 * covered, {@code a} how much larger or smaller the drops really are, {@code b} how much the dots grow in half tones.
 * The two are found by Bayesian linear regression (Bishop, Pattern Recognition and Machine Learning, 3.3) from a usual
 * machine on: with no job known the usual figures stand, and each job moves them as far as its reading can be trusted.
 */
public final class InkUse {

    private static final double USUAL_DROPS = 1;
    private static final double DROPS_SPREAD = .3;
    private static final double USUAL_GAIN = .12;
    private static final double GAIN_SPREAD = .15;
    private static final double READING = .3; // mL by which a tank is misread, before and after
    private static final double REPEAT = .04; // share by which the same job differs from itself

    private final double drops;
    private final double gain;
    private final double[] spread; // covariance: drops, both, gain
    private final int jobs;

    private InkUse(double drops, double gain, double[] spread, int jobs) {
        this.jobs = jobs;
        this.drops = drops;
        this.gain = gain;
        this.spread = spread;
    }

    /**
     * A job whose tank was read before and after.
     *
     * @param full mL that the profile reckons with for its area fully covered
     * @param lost mL
     */
    public record Measured(double full, Tone tone, double lost) {}

    public static InkUse of(List<Measured> jobs) {
        var use = new InkUse(
                USUAL_DROPS, USUAL_GAIN, new double[] {DROPS_SPREAD * DROPS_SPREAD, 0, GAIN_SPREAD * GAIN_SPREAD}, 0);
        for (var job : jobs) {
            use = use.after(job);
        }
        return use;
    }

    /** One step of the recursion: the reading pulls as hard as it can be trusted. */
    private InkUse after(Measured job) {
        double x = job.full() * job.tone().mean();
        double y = job.full() * job.tone().middle();
        if (x <= 0) {
            return this;
        }
        double expected = mL(job.full(), job.tone());
        double noise = READING * READING + REPEAT * REPEAT * expected * expected;
        double px = spread[0] * x + spread[1] * y;
        double py = spread[1] * x + spread[2] * y;
        double all = x * px + y * py + noise;
        double surprise = job.lost() - expected;
        return new InkUse(
                drops + px / all * surprise,
                gain + py / all * surprise,
                new double[] {spread[0] - px * px / all, spread[1] - px * py / all, spread[2] - py * py / all},
                jobs + 1);
    }

    /** mL that a job takes. @param full mL for its area fully covered */
    public double mL(double full, Tone tone) {
        return Math.max(0, full * (drops * tone.mean() + gain * tone.middle()));
    }

    /** Standard deviation of that, mL. */
    public double mayDiffer(double full, Tone tone) {
        double x = full * tone.mean();
        double y = full * tone.middle();
        double model = spread[0] * x * x + 2 * spread[1] * x * y + spread[2] * y * y;
        double repeats = REPEAT * mL(full, tone);
        return Math.sqrt(Math.max(0, model) + repeats * repeats);
    }

    /** Whether any tank taught it; otherwise it is what a usual machine takes. */
    public boolean learned() {
        return jobs > 0;
    }

    /** Its drops against what the profile says, 1 for equal. */
    public double drops() {
        return drops;
    }

    /** Share of a half tone that its dots grow by. */
    public double gain() {
        return gain;
    }
}
