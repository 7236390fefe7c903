package fairkettle.changeover;

import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import java.util.List;

/** How much old ink may be left in a charged path, as a share. Defaults that a shop may change. */
public final class Purity {

    public static final double SAME_FAMILY = 0.02;
    public static final double BETWEEN_FAMILIES = 0.005;
    public static final double BEFORE_WHITE = 0.002;

    /** The marks of the slider, from quick to strict; the last is for a path in which ink has spoiled. */
    public static final List<Double> SCALE =
            List.of(0.02, 0.015, 0.01, 0.007, 0.005, 0.004, 0.003, 0.0025, 0.002, 0.001, 0.0005);

    private Purity() {}

    public static double usual(Holding from, Family to) {
        return switch (from) {
            case Holding.Inked(var family, var _, var _) when family == to -> SAME_FAMILY;
            case Holding.Parked(var family, var _, var _) when family == to -> SAME_FAMILY;
            case Holding.Inked _, Holding.Parked _, Holding.NeverInked _, Holding.Unknown _ -> BETWEEN_FAMILIES;
        };
    }
}
