package fairkettle.job;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What is printed on, by size. Lengths are tenths of a millimetre.
 *
 * @param width across the feed; @param length along it; {@link #ROLL} for film that is fed through
 */
public record Media(String name, int width, int length) {

    /** Of film from a roll: as long as it takes. */
    public static final int ROLL = 0;

    private static final int EDGE = 50; // what printers leave bare on every side
    private static final int INCH = 254;
    private static final int CM = 100;

    public static final List<Media> ALL = List.of(
            new Media("A4", 2100, 2970),
            new Media("letter, 8.5 × 11 in", 2159, 2794),
            new Media("8 × 12 in", 8 * INCH, 12 * INCH),
            new Media("A3", 2970, 4200),
            new Media("11 × 17 in", 11 * INCH, 17 * INCH),
            new Media("A3+, 13 × 19 in", 13 * INCH, 19 * INCH),
            new Media("film roll, 30 cm", 3000, ROLL),
            new Media("film roll, 33 cm", 3300, ROLL));

    public Media {
        if (width <= 2 * EDGE || length != ROLL && length <= 2 * EDGE) {
            throw new IllegalArgumentException("Nothing can be printed on %s of that size.".formatted(name));
        }
    }

    public static Optional<Media> named(String name) {
        return ALL.stream().filter(m -> m.name().equals(name)).findFirst();
    }

    public boolean roll() {
        return length == ROLL;
    }

    /**
     * Whether a machine takes it.
     *
     * @param largest the largest sheet, as its profile names it
     * @param film whether it is plumbed for film: film goes through it from a roll, whatever its sheets
     */
    public boolean fits(String largest, boolean film) {
        int widest = widest(largest);
        return largest.startsWith("roll") || largest.startsWith("garment")
                ? width <= widest
                : roll() ? film && width <= widest : width <= widest && length <= longest(largest);
    }

    private static int widest(String largest) {
        return switch (largest) {
            case "A4" -> 2159; // every A4 machine takes letter too
            case "A3" -> 2970;
            case "A3+" -> 13 * INCH;
            default ->
                CM
                        * Arrays.stream(largest.replaceAll("[^0-9 ]", "")
                                        .strip()
                                        .split(" +"))
                                .filter(w -> !w.isEmpty())
                                .mapToInt(Integer::parseInt)
                                .findFirst()
                                .orElse(33);
        };
    }

    private static int longest(String largest) {
        return switch (largest) {
            case "A4" -> 2970;
            case "A3" -> 4200;
            default -> 19 * INCH;
        };
    }

    /** Where ink can go, off the edges. */
    public int edge() {
        return EDGE;
    }

    public int printableWidth() {
        return width - 2 * EDGE;
    }

    /** Of a sheet; of a roll there is no end to it. */
    public int printableLength() {
        return roll() ? Integer.MAX_VALUE / 2 : length - 2 * EDGE;
    }

    /** @throws IllegalArgumentException for a piece that fits nowhere on it */
    public Layout lay(List<Piece> pieces, int gap) {
        return roll()
                ? Nesting.onFilm(pieces, printableWidth(), gap)
                : Nesting.onSheets(pieces, printableWidth(), printableLength(), gap);
    }
}
