package fairkettle.standin.sick;

/**
 * How this one machine behaves; drawn anew for each.
 *
 * @param reserve false for a bench built otherwise: no ink is held back near the head, white settles in layers, and
 *     crusts do not soften by halves
 * @param drying depth per day in reference air
 * @param dissolves how readily its dried ink lets go, 1 is usual
 * @param pull strength of its pump, 1 is usual
 * @param falseMiss share of strokes a reader overlooks; {@code falsePresent} of missing ones it takes for there
 */
public record Physics(
        boolean reserve,
        double drying,
        double dissolves,
        double pull,
        double settling,
        double falseMiss,
        double falsePresent) {}
