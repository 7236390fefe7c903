package fairkettle.job;

import java.util.List;

/**
 * Pieces laid out on sheets, or on one length of film. Lengths are tenths of a millimetre from the top left corner of
 * what can be printed on.
 *
 * @param width of what can be printed on
 * @param length of a sheet; of a film, what is used of it
 */
public record Layout(int width, int length, List<Placed> placed) {

    public Layout {
        placed = List.copyOf(placed);
    }

    /** @param piece its place in the list that was laid out; @param sheet counted from 0 */
    public record Placed(int piece, int sheet, int x, int y, int width, int height, boolean turned) {

        boolean overlaps(Placed other) {
            return sheet == other.sheet
                    && x < other.x + other.width
                    && other.x < x + width
                    && y < other.y + other.height
                    && other.y < y + height;
        }
    }

    public int sheets() {
        return placed.stream().mapToInt(p -> p.sheet() + 1).max().orElse(0);
    }

    public List<Placed> on(int sheet) {
        return placed.stream().filter(p -> p.sheet() == sheet).toList();
    }

    /** Share of all its sheets that no piece covers, 0 to 1. */
    public double free() {
        double covered = placed.stream()
                .mapToDouble(p -> (double) p.width() * p.height())
                .sum();
        double all = (double) width * length * Math.max(1, sheets());
        return all == 0 ? 0 : 1 - covered / all;
    }

    /** Down to where the last sheet is covered: what is left of it below can be used for something else. */
    public int lastLength() {
        int last = sheets() - 1;
        return placed.stream()
                .filter(p -> p.sheet() == last)
                .mapToInt(p -> p.y() + p.height())
                .max()
                .orElse(0);
    }
}
