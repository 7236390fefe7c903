package fairkettle.practice;

import fairkettle.clinic.Situation.Prices;

/**
 * How well a machine was treated in practice, 0 to 100: by the right ending first, then by what it took against a
 * careful hand.
 */
public final class Score {

    private static final double HINT = 5; // points
    private static final double SMALL = 5; // money: below it nobody was careless
    private static final int FALSE_CURE = 10;
    private static final int GIVEN_UP_TOO_SOON = 20;
    private static final int LEAST_RIGHT = 25;

    private Score() {}

    /**
     * @param calledCured what the learner said; @param cured and {@code hopeless} what it really was; @param parted
     *     whether the plate was forced apart
     */
    public record Ended(boolean calledCured, boolean cured, boolean hopeless, boolean parted) {}

    /** mL of ink, minutes of hands, hours of the machine. */
    public record Spent(double mL, double hands, double hours) {

        private double money(Prices prices) {
            return mL * prices.ink() + hands * prices.minute() + hours * prices.hour();
        }
    }

    public static int of(Ended ended, Spent mine, Spent careful, int hints, Prices prices) {
        if (ended.parted) {
            return 0;
        }
        if (!(ended.calledCured ? ended.cured : ended.hopeless)) {
            return ended.calledCured ? FALSE_CURE : GIVEN_UP_TOO_SOON;
        }
        double share = Math.min(1, (careful.money(prices) + SMALL) / (mine.money(prices) + SMALL));
        return Math.clamp(Math.round(100 * share - HINT * hints), LEAST_RIGHT, 100);
    }
}
