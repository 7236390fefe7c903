package fairkettle.machine;

import java.util.List;
import java.util.stream.IntStream;

/**
 * The lattice of a machine's own nozzle check: one block per channel, side by side; in each block every nozzle draws
 * one short stroke, in stairs that go down to the right. Nozzle {@code i} draws stroke {@code i % steps} of stair
 * {@code i / steps}. Lengths are mm from the top left corner of the first block.
 *
 * @param steps strokes in one stair
 * @param pitch how much lower each nozzle is than the one before
 * @param stroke length of a stroke
 * @param gap of bare paper between blocks
 * @param order slots, counted from 0, from left to right
 */
public record NozzlePattern(int steps, double pitch, double stroke, double gap, List<Integer> order) {

    /** How thick a stroke is: one jet's line on plain paper. */
    public static final double THICK = 0.12;

    private static final double INCH = 25.4;

    public NozzlePattern {
        order = List.copyOf(order);
        if (steps < 2 || pitch <= 0 || stroke <= 0 || gap < 0 || steps * pitch < 0.8) {
            throw new IllegalArgumentException(
                    "No check can be read with %d steps of %s mm, strokes of %s mm and gaps of %s mm: stairs must be at least 0.8 mm apart."
                            .formatted(steps, pitch, stroke, gap));
        }
        if (!order.stream()
                .sorted()
                .toList()
                .equals(IntStream.range(0, order.size()).boxed().toList())) {
            throw new IllegalArgumentException(
                    "The order of the blocks (%s) must name every slot once, from 0.".formatted(order));
        }
    }

    /** What small heads draw: rows of 1/90 inch, fine ones of 1/180 inch. */
    static NozzlePattern usual(int nozzles, int slots) {
        boolean fine = nozzles > 120;
        return new NozzlePattern(
                fine ? 9 : 6,
                INCH / (fine ? 180 : 90),
                2,
                3,
                IntStream.range(0, slots).boxed().toList());
    }

    public double left(int block, int nozzle) {
        return block * (blockWidth() + gap) + nozzle % steps * stroke;
    }

    /** Of the middle of its stroke. */
    public double down(int nozzle) {
        return nozzle * pitch;
    }

    /** From one stair to the next. */
    public double stair() {
        return steps * pitch;
    }

    public double blockWidth() {
        return steps * stroke;
    }

    public double width() {
        return order.size() * (blockWidth() + gap) - gap;
    }

    public double height(int nozzles) {
        return (nozzles - 1) * pitch;
    }
}
