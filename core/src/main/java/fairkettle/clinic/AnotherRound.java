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

    private static final double FITTING = 60; // minutes: out, in, aligned
    private static final double UNTIL_IT_COMES = 48; // hours that the machine stands

    /** @param failing channels that would be renewed */
    public static AnotherRound of(Progress so, Set<ChannelCode> failing) {
        var situation = so.situation();
        double spent =
                so.money() + so.took().toMinutes() / 60.0 * situation.prices().hour();
        return new AnotherRound(
                so.rounds(),
                spent / Math.max(1, so.rounds()),
                situation.price(Treatment.RENEW, Math.max(1, failing.size())),
                situation.prices().head(),
                FITTING * situation.prices().minute(),
                UNTIL_IT_COMES * situation.prices().hour());
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
