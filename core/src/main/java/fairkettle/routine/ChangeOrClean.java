package fairkettle.routine;

/**
 * Whether a part is exchanged or cleaned once more: by what a day with it costs. Cleaning gives back a share of its
 * life, and less each time the older it is; changing gives all of it.
 *
 * @param clean and {@code change} in minor units for each day gained
 */
public record ChangeOrClean(double clean, double change, boolean exchange, String words) {

    // Both figures are assumed until a shop’s own parts say better.
    /** Of a new part’s life, what cleaning gives a part of no age. */
    private static final double GIVEN_BACK = 0.5;
    /** A filter holds what it caught: beyond twice its life, cleaning gives nothing. */
    private static final double SPENT = 2;

    /**
     * @param worn share of its life that is over, 1 when it is due
     * @param life days of a new one
     * @param price of a new one; {@code labour} per minute; both in minor units
     * @param change minutes; {@code cleaning} minutes
     */
    public static ChangeOrClean of(double worn, double life, double price, double labour, int change, int cleaning) {
        double gained = life * GIVEN_BACK * Math.max(0, 1 - worn / SPENT);
        double perDayCleaned = gained < 1 ? Double.POSITIVE_INFINITY : cleaning * labour / gained;
        double perDayChanged = (price + change * labour) / life;
        boolean exchange = perDayChanged <= perDayCleaned;
        return new ChangeOrClean(
                perDayCleaned,
                perDayChanged,
                exchange,
                exchange
                        ? worn >= SPENT
                                ? "Change it: it has caught all it can, and cleaning gives nothing back."
                                : "Change it: cleaning would hold for %d days only.".formatted(Math.round(gained))
                        : "Clean it once more: that holds for about %d days, and a new one costs more for each day it lasts."
                                .formatted(Math.round(gained)));
    }
}
