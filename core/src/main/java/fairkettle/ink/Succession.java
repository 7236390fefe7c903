package fairkettle.ink;

import fairkettle.ink.Holding.Inked;
import fairkettle.ink.Holding.NeverInked;
import fairkettle.ink.Holding.Parked;
import fairkettle.ink.Holding.Unknown;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What may follow what in one ink path. The table of the trade, per channel; a "never" has no key that opens it. */
public sealed interface Succession {

    /** The path is empty and clean: fill it. */
    record FirstFill(List<String> acknowledgements) implements Succession {}

    /** The same ink again: add to what is there. */
    record TopUp() implements Succession {}

    /** What is in the path comes out first. */
    record Drain(Set<Also> also, List<String> acknowledgements) implements Succession {}

    /** May not be, and why. */
    record Refused(String reason) implements Succession {}

    /** What a drain and flush alone does not do. */
    enum Also {
        NEW_DAMPERS("new dampers"),
        REBUILD("a rebuild for film"),
        NEW_HEAD("a new head"),
        ONE_WAY("there is no way back to food");

        private final String label;

        Also(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    String FOOD_NEVER = "A path that once held non-food ink is not food-safe, whatever the flush; tanks, tubes, cap and"
            + " pump held it too. Use a machine that was never inked, or one that held nothing but edible ink.";

    String NEW_FOR_FOOD = "A new machine may hold test fluid, and its tubes and grease are not certified for food. From"
            + " now on it is for food only.";

    /** @param make whose ink comes; the same family of another make is drained out, not topped up */
    static Succession of(Holding from, Family to, String make) {
        return switch (from) {
            case NeverInked _ -> new FirstFill(to.food() ? List.of(NEW_FOR_FOOD) : List.of());
            case Unknown _ -> to.food() ? new Refused(FOOD_NEVER) : drain(to, EnumSet.noneOf(Also.class));
            case Parked(var family, var oldMake, var foodOnly) ->
                switch (of(new Inked(family, oldMake, foodOnly), to, make)) {
                    case TopUp() -> new Drain(EnumSet.noneOf(Also.class), List.of()); // the fluid comes out
                    case FirstFill fill -> fill;
                    case Drain drain -> drain;
                    case Refused refused -> refused;
                };
            case Inked(var family, var oldMake, var foodOnly) -> {
                if (to.food() && !foodOnly) {
                    yield new Refused(FOOD_NEVER);
                }
                if (family == to && (family.makers() || oldMake.equals(make))) {
                    yield new TopUp();
                }
                if (family == Family.FILM && to != Family.FILM) {
                    yield drain(to, EnumSet.of(Also.NEW_HEAD));
                }
                if (family == Family.FILM) {
                    yield drain(to, EnumSet.noneOf(Also.class), false);
                }
                yield drain(to, family.food() && !to.food() ? EnumSet.of(Also.ONE_WAY) : EnumSet.noneOf(Also.class));
            }
        };
    }

    private static Drain drain(Family to, Set<Also> also) {
        return drain(to, also, to == Family.FILM);
    }

    private static Drain drain(Family to, Set<Also> also, boolean rebuild) {
        var all = EnumSet.noneOf(Also.class);
        all.addAll(also);
        var acknowledge = new ArrayList<String>();
        if (rebuild) {
            all.add(Also.NEW_DAMPERS);
            all.add(Also.REBUILD);
        }
        if (all.contains(Also.NEW_HEAD)) {
            acknowledge.add("White and binder stay in a head that printed film: this is discouraged, and only allowed"
                    + " with a new head.");
        }
        if (all.contains(Also.ONE_WAY)) {
            acknowledge.add("One way: once this machine has held other ink it can never print food again.");
        }
        return new Drain(all, acknowledge);
    }
}
