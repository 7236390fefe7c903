package fairkettle.sheet;

import java.util.List;

/** @param width mm; @param height mm */
public record Page(double width, double height, List<Shape> shapes) {

    public Page {
        shapes = List.copyOf(shapes);
    }

    /** Papers that are printed on. */
    public enum Paper {
        A4(210, 297), LETTER(215.9, 279.4);

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
