package fairkettle.check;

import fairkettle.ink.ChannelCode;
import java.util.List;
import java.util.Optional;

/**
 * Printing on with those of several whites that still print, until the head is well or new.
 *
 * @param alive channels that still print, {@code of} so many
 * @param times as long a job takes: each white lays down its share, and fewer of them pass more often
 */
public record WhitePasses(List<ChannelCode> alive, int of, double times) {

    /** Strokes missing of a channel. */
    public record Counted(ChannelCode channel, int missing, int strokes) {}

    public WhitePasses {
        alive = List.copyOf(alive);
    }

    /**
     * Empty where all whites print, or none does, or there is only one. A white prints while fewer than half of its
     * strokes are missing.
     */
    public static Optional<WhitePasses> of(List<Counted> channels) {
        var whites = channels.stream().filter(c -> c.channel().white()).toList();
        var alive = whites.stream()
                .filter(c -> c.missing() * 2 < c.strokes())
                .map(Counted::channel)
                .toList();
        return alive.isEmpty() || alive.size() == whites.size()
                ? Optional.empty()
                : Optional.of(new WhitePasses(alive, whites.size(), (double) whites.size() / alive.size()));
    }

    /** "2 of 4 whites print: set it to W1 and W3, it takes 2 times as long." */
    public String words() {
        var codes = alive.stream().map(ChannelCode::code).toList();
        return "%d of %d whites print: set white to %s in the image’s program, and reckon with %s times as long."
                .formatted(
                        alive.size(),
                        of,
                        String.join(" and ", codes),
                        times == Math.rint(times) ? "%.0f".formatted(times) : "%.1f".formatted(times));
    }
}
