package fairkettle.sheet;

import fairkettle.ink.ChannelCode;
import java.util.List;

/**
 * One side of paper.
 *
 * @param width mm
 * @param height mm
 * @param parts what can be read on it
 * @param marks the ink of its codes, dots and words
 */
public record Page(double width, double height, List<Shape> shapes, List<Part> parts, Shape.Ink marks) {

    public Page {
        shapes = List.copyOf(shapes);
        parts = List.copyOf(parts);
    }

    /** Something that is measured in a picture of the page. Lengths are mm from its top left corner. */
    public sealed interface Part {

        /** A full area along the feed, bare paper to its left and right. */
        record Bar(ChannelCode channel, double x, double y, double width, double height) implements Part {}

        /** Fine strokes: {@code columns} side by side, each lower than the one before by {@code step}. */
        record Stair(
                ChannelCode channel,
                double x,
                double y,
                int columns,
                double apart,
                double step,
                double pitch,
                int rows,
                double length)
                implements Part {}

        /**
         * Where the strip with the machine’s own pattern lies. @param dark true if what is read there is lighter than
         * its ground
         */
        record Strip(double x, double y, double width, double height, boolean dark) implements Part {}
    }

    /** Papers that are printed on. */
    public enum Paper {
        A4(210, 297),
        LETTER(215.9, 279.4);

        private final double width;
        private final double height;

        Paper(double width, double height) {
            this.width = width;
            this.height = height;
        }

        public double width() {
            return width;
        }

        public double height() {
            return height;
        }
    }
}
