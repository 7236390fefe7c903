package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import java.util.Set;

/**
 * What one more time through everything would cost, against draining and filling anew, and against a new head: asked
 * once a full round is behind.
 *
 * @param rounds that are behind
 * @param again what the next one costs, by what the last ones cost; {@code renew} draining and filling the sick
 *     channels; {@code head} a new one, {@code labour} the hands that fit it, {@code lost} the days until it is there
 */
public record AnotherRound(int rounds, double again, double renew, double head, double labour, double lost) {

    /**
     * How a new head gets in.
     *
     * @param minutes of hands that its price does not hold already: out, in, aligned
     * @param hours that the machine stands until it is there
     */
    public record NewHead(double minutes, double hours) {
        /** Screwed in, and ordered first. */
        public static final NewHead USUAL = new NewHead(60, 48);
    }

    /** @param failing channels that would be renewed */
    public static AnotherRound of(Progress so, Set<ChannelCode> failing, NewHead newHead) {
        var situation = so.situation();
        double spent =
                so.money() + so.took().toMinutes() / 60.0 * situation.prices().hour();
        return new AnotherRound(
                so.rounds(),
                spent / Math.max(1, so.rounds()),
                situation.price(Treatment.RENEW, Math.max(1, failing.size())),
                situation.prices().head(),
                newHead.minutes() * situation.prices().minute(),
                newHead.hours() * situation.prices().hour());
    }

    /** What giving up costs, all in all. */
    public double givingUp() {
        return head + labour + lost;
    }

    /** What stands to reason by these figures. */
    public String words() {
        var times = rounds == 0 ? "Not one full round" : rounds == 1 ? "One full round" : rounds + " full rounds";
        return again > givingUp()
                ? times + " behind, and another costs more than a new head: stop, or change it."
                : again > renew
                        ? times + " behind, and another costs more than draining and filling anew."
                        : times + " behind; another is the cheaper try, but each brings less than the one before.";
    }
}
