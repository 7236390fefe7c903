package fairkettle.machine;

import java.util.List;

/** A waste pad or box that is full at the moment of need: what goes on without it, and what does not. */
public final class PadFull {

    /** From this share on it counts as full: the next cleaning may be refused. */
    public static final double FULL = 0.95;

    /** From this share on a new one is bought, so that it is in the house in time. */
    public static final double BUY = 0.8;

    /** Acts that put nothing into it. */
    public static final List<String> STILL_GOES = List.of(
            "Purge sheets: ink goes to paper",
            "A soak under the head, 5 to 10 minutes",
            "Rest, for air to rise",
            "Drawing at the waste line into a bottle",
            "Printing, while the check is whole");

    /** Acts that it would refuse, or that would run over. */
    public static final List<String> NOT = List.of("Cleanings", "Power cleanings", "An initial charge");

    private PadFull() {}
}
