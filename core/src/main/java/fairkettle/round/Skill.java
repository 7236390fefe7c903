package fairkettle.round;

import fairkettle.safety.Caution;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;

/** Work that not everybody in a shop does. */
public enum Skill {
    /** Hands inside a machine. */
    INSIDE,
    /** Work that can end a head. */
    HEADS,
    /** Machines that print food. */
    FOOD,
    /** Cures. */
    CASES;

    /** What something asks for, by its cautions. */
    public static Set<Skill> of(Collection<Caution> cautions, boolean food) {
        var needs = EnumSet.noneOf(Skill.class);
        if (cautions.contains(Caution.ELECTRICITY)) {
            needs.add(INSIDE);
        }
        if (cautions.contains(Caution.HEAD_RISK)) {
            needs.add(HEADS);
        }
        if (food) {
            needs.add(FOOD);
        }
        return needs;
    }
}
