package fairkettle.routine;

import fairkettle.ink.ChannelCode;
import java.time.Instant;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What happened at a machine, as the log and the ink account have it.
 *
 * @param entry of the log
 * @param laid mL that each channel laid down on paper
 * @param moved mL that went through each channel’s line, to wherever
 * @param sheets that it printed
 * @param cleanings that its pump did
 * @param done a routine that was done, by its id; {@code channel} which channel it was done to, null for all
 */
public record Happening(
        Instant at,
        @Nullable Long entry,
        Map<ChannelCode, Double> laid,
        Map<ChannelCode, Double> moved,
        double sheets,
        int cleanings,
        boolean check,
        boolean reading,
        boolean padChanged,
        @Nullable String done,
        @Nullable ChannelCode channel) {

    public Happening {
        laid = Map.copyOf(laid);
        moved = Map.copyOf(moved);
    }

    /** Somebody did a routine. */
    public static Happening done(Instant at, @Nullable Long entry, String routine, @Nullable ChannelCode channel) {
        return new Happening(at, entry, Map.of(), Map.of(), 0, 0, false, false, false, routine, channel);
    }

    public static Happening check(Instant at, @Nullable Long entry) {
        return new Happening(at, entry, Map.of(), Map.of(), 0, 0, true, false, false, null, null);
    }
}
