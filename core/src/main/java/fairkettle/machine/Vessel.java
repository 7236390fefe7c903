package fairkettle.machine;

import fairkettle.ink.Millilitres;

/**
 * One vessel of an ink path.
 *
 * @param capacity when full
 * @param heel what stays behind when it has been emptied as well as the method allows
 */
public record Vessel(VesselKind kind, Millilitres capacity, Millilitres heel) {

    public Vessel {
        if (capacity.isZero()) {
            throw new IllegalArgumentException("The %s holds nothing; give its capacity in mL.".formatted(kind.label()));
        }
        if (heel.compareTo(capacity) > 0) {
            throw new IllegalArgumentException("The heel of the %s (%s mL) is more than it holds (%s mL)."
                    .formatted(kind.label(), heel, capacity));
        }
    }

    public static Vessel of(VesselKind kind, String capacity, String heel) {
        return new Vessel(kind, Millilitres.parse(capacity), Millilitres.parse(heel));
    }
}
