package fairkettle.machine;

import fairkettle.ink.Millilitres;
import org.jspecify.annotations.Nullable;

/**
 * One vessel of an ink path.
 *
 * @param capacity when full
 * @param heel what stays behind when it has been emptied as well as the method allows
 * @param depth mm that ink stands high in it when it is full; for a tube its bore; null for the usual of its kind
 */
public record Vessel(
        VesselKind kind,
        Millilitres capacity,
        Millilitres heel,
        @Nullable Double depth) {

    public Vessel {
        if (capacity.isZero()) {
            throw new IllegalArgumentException(
                    "The %s holds nothing; give its capacity in mL.".formatted(kind.label()));
        }
        if (heel.compareTo(capacity) > 0) {
            throw new IllegalArgumentException("The heel of the %s (%s mL) is more than it holds (%s mL)."
                    .formatted(kind.label(), heel, capacity));
        }
        if (depth != null && !(depth > 0 && depth <= 1000)) {
            throw new IllegalArgumentException("The %s cannot be %s mm deep.".formatted(kind.label(), depth));
        }
    }

    public Vessel(VesselKind kind, Millilitres capacity, Millilitres heel) {
        this(kind, capacity, heel, null);
    }

    /**
     * How high ink stands in it, mm. A line that lies is as deep as its bore, however full. @param share filled, 0 to 1
     */
    public double depthAt(double share) {
        double full = depth == null ? kind.usualDepth() : depth;
        return kind == VesselKind.TUBE ? full : full * share;
    }

    public static Vessel of(VesselKind kind, String capacity, String heel) {
        return new Vessel(kind, Millilitres.parse(capacity), Millilitres.parse(heel));
    }
}
