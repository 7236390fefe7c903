package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import java.util.Set;

/**
 * What one more time through everything would cost, against draining and filling anew, and against a new head: asked
 * once a full round is behind.
 *
 * @param rounds that are behind
 * @param again what the next one costs, by what the last ones cost; {@code renew} draining and filling the sick
 *     channels; {@code head} a new one, or the machine given up
 */
public record AnotherRound(int rounds, double again, double renew, double head) {

    /** @param failing channels that would be renewed */
    public static AnotherRound of(Progress so, Set<ChannelCode> failing) {
        var situation = so.situation();
        double spent =
                so.money() + so.took().toMinutes() / 60.0 * situation.prices().hour();
        return new AnotherRound(
                so.rounds(),
                spent / Math.max(1, so.rounds()),
                situation.cost(Treatment.RENEW, Math.max(1, failing.size())),
                situation.prices().head());
    }

    /** What stands to reason by these figures. */
    public String words() {
        var times = rounds == 1 ? "One full round" : rounds + " full rounds";
        return again > head
                ? times + " behind, and another costs more than a new head: stop, or change it."
                : again > renew
                        ? times + " behind, and another costs more than draining and filling anew."
                        : times + " behind; another is the cheaper try, but each brings less than the one before.";
    }
}
