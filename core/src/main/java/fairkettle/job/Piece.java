package fairkettle.job;

/**
 * A rectangle that is cut out of the sheet. Lengths are tenths of a millimetre, as fine as a sheet is cut.
 *
 * @param width as the artwork is drawn; {@code height} likewise
 */
public record Piece(int width, int height, int count, Turning turning) {

    /** How it may lie. */
    public enum Turning {
        FREE("may be turned"),
        UPRIGHT("stays as it is drawn"),
        /** the grain of a ribbon runs along its long side, and the ribbon lies along the feed */
        ALONG("its long side along the feed");

        private final String words;

        Turning(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Piece {
        if (width < 1 || height < 1 || count < 1) {
            throw new IllegalArgumentException(
                    "A piece has a size, and there is at least one: not %d × %d tenths of a mm, %d of it."
                            .formatted(width, height, count));
        }
    }

    /** Whether it may lie as it is drawn. The feed runs along the height of a sheet. */
    boolean upright() {
        return turning != Turning.ALONG || height >= width;
    }

    /** Whether it may lie a quarter turned. */
    boolean turned() {
        return width != height
                && switch (turning) {
                    case FREE -> true;
                    case UPRIGHT -> false;
                    case ALONG -> width > height;
                };
    }

    long area() {
        return (long) width * height;
    }
}
