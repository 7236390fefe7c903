package fairkettle.changeover;

import fairkettle.ink.Money;
import fairkettle.safety.School;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A question that matters to a plan, how it was answered, and what the other answers would have done. */
public record Followed(School school, School.Position position, List<Otherwise> others) {

    public Followed {
        others = List.copyOf(others);
    }

    /**
     * Differences against the plan: more is positive.
     *
     * @param impossible why there would be no plan, or null
     * @param liquid mL of ink and fluid
     * @param minutes hands-on, machine and waits together
     */
    public record Otherwise(
            School.Position position,
            @Nullable String impossible,
            int steps,
            double liquid,
            long minutes,
            @Nullable Money cost) {

        static Otherwise impossible(School.Position position, String reason) {
            return new Otherwise(position, reason, 0, 0, 0, null);
        }

        static Otherwise of(School.Position position, Plan plan, Plan instead) {
            return new Otherwise(
                    position,
                    null,
                    instead.procedure().steps().size()
                            - plan.procedure().steps().size(),
                    liquid(instead) - liquid(plan),
                    minutes(instead) - minutes(plan),
                    instead.total().minus(plan.total()));
        }

        private static double liquid(Plan plan) {
            return plan.fluid().mL()
                    + plan.channels().stream()
                            .mapToDouble(c -> c.inkUsed().mL())
                            .sum();
        }

        private static long minutes(Plan plan) {
            return plan.times()
                    .handsOn()
                    .plus(plan.times().machine())
                    .plus(plan.times().waiting())
                    .toMinutes();
        }
    }
}
