package fairkettle.machine;

import fairkettle.ink.Millilitres;

/** Small sums at the bench: what a tube holds, how long an adapter must be, what is left in a bottle that hides it. */
public final class Plumbing {

    private Plumbing() {}

    /** V = π r² L. @param bore inner diameter, mm; @param length cm */
    public static Millilitres tubeVolume(double bore, double length) {
        positive(bore, "The bore");
        positive(length, "The length");
        return Millilitres.rounded(Math.PI * bore * bore / 4 * length * 10 / 1000);
    }

    /**
     * Exchanges of a well-mixed volume until a share is left: each exchange of its own volume in small portions leaves
     * 1/e of what was there (the washout of a stirred tank), so n = ln(1/share).
     *
     * @param residue share wanted, above 0 and below 1
     */
    public static double exchanges(double residue) {
        if (!(residue > 0 && residue < 1)) {
            throw new IllegalArgumentException("The share left must lie between 0 and 100 %.");
        }
        return Math.log(1 / residue);
    }

    /** Half of the way from barb to base, so that the tube sits a little above the barb and closes. mm */
    public static double adapterLength(double barbToBase) {
        positive(barbToBase, "The distance");
        return barbToBase / 2;
    }

    /**
     * What a bottle holds that cannot be looked into. @param gross g, with ink; @param empty g; @param density g per mL
     */
    public static Millilitres byWeight(double gross, double empty, double density) {
        positive(density, "The density");
        positive(empty, "The empty weight");
        if (gross < empty) {
            throw new IllegalArgumentException(
                    "It weighs less than the empty bottle. Was it weighed with its cap both times?");
        }
        return Millilitres.rounded((gross - empty) / density);
    }

    private static void positive(double value, String what) {
        if (!(value > 0)) {
            throw new IllegalArgumentException(what + " must be more than nothing.");
        }
    }
}
