package fairkettle.check;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a full area over the length of the feed showed.
 *
 * @param fade share of its density lost from the top to the bottom; negative if it grows stronger
 * @param streaks where it is lighter or bare, from the top
 * @param tint its colour: optical density behind red, green and blue light, to unit length
 * @param foreign how far the tint is from this channel's clean ink, 0 to 1
 * @param confidence 0 to 1
 */
public record Solid(double fade, List<Streak> streaks, List<Double> tint, double foreign, double confidence) {

    private static final double SLIGHT = 0.06;
    private static final double FOREIGN = 0.10;
    private static final double BARE = 0.7;

    public Solid {
        streaks = List.copyOf(streaks);
        tint = List.copyOf(tint);
    }

    /** @param at mm from its top; @param width mm; @param depth share of the density that is missing, 0 to 1 */
    public record Streak(double at, double width, double depth) {}

    /** Whether later ones may be held against its colour. */
    public boolean clean() {
        return says() == null;
    }

    /** What that points at, in a sentence; null if it is even. */
    public @Nullable String says() {
        long bare = streaks.stream()
                .filter(s -> s.width() >= 1.5 && s.depth() >= BARE)
                .count();
        if (foreign >= FOREIGN) {
            return "Another colour is in it: wipe the plate edge, print two or three sheets, look again.";
        }
        if (bare > 0) {
            return "Blank bands with clean edges: air in the line. Another purge sheet, then a rest.";
        }
        if (fade > SLIGHT) {
            return "Strong at the top, weak at the bottom: it is starved. Level, vent, valve first; cleaning does not"
                    + " help.";
        }
        if (fade < -SLIGHT) {
            return "Weak at first, then good: air is clearing. One more sheet.";
        }
        return streaks.isEmpty() ? null : "Fine lines across: single nozzles. The nozzle check says which.";
    }
}
