package fairkettle.changeover;

import fairkettle.ink.Millilitres;

/** @param graduation the mark its volumes are rounded up to */
public record Syringe(Millilitres size, Millilitres graduation) {

    public Syringe {
        if (graduation.isZero() || size.compareTo(graduation) < 0) {
            throw new IllegalArgumentException(
                    "A syringe of %s mL with marks of %s mL cannot be read.".formatted(size, graduation));
        }
    }

    public static Syringe of(String size, String graduation) {
        return new Syringe(Millilitres.parse(size), Millilitres.parse(graduation));
    }

    /** How many marks it has. */
    int marks() {
        return (int) (size.microlitres() / graduation.microlitres());
    }
}
