package fairkettle.job;

import fairkettle.ink.ChannelCode;

/**
 * Whether a tank lasts a job.
 *
 * @param takes mL, {@code give} or take
 * @param holds mL in it now
 * @param reserve mL that is kept
 */
public record Lasts(ChannelCode channel, double takes, double give, double holds, double reserve) {

    public double after() {
        return holds - takes;
    }

    public boolean yes() {
        return holds - takes - give >= reserve;
    }

    /** To pour in before it begins, so that the reserve stays; 0 if it lasts. */
    public double topUp() {
        return Math.max(0, reserve + takes + give - holds);
    }
}
