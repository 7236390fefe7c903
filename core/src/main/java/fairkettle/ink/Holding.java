package fairkettle.ink;

import java.util.Optional;

/** What a channel is known to have held. */
public sealed interface Holding {

    /** Fresh from the box: no ink of the shop's has ever been in it. */
    record NeverInked() implements Holding {}

    /**
     * @param make whose ink, as the shop names it; two makes of one family are not the same ink
     * @param foodOnly true if nothing but food-grade ink was ever in the path
     */
    record Inked(Family family, String make, boolean foodOnly) implements Holding {
        public Inked {
            if (foodOnly && !family.food()) {
                throw new IllegalArgumentException(
                        "A channel that holds %s ink cannot be food-only.".formatted(family.label()));
            }
        }
    }

    /**
     * Put to rest on cleaning fluid.
     *
     * @param family what it held before, and still holds a trace of; {@code make} and {@code foodOnly} likewise
     */
    record Parked(Family family, String make, boolean foodOnly) implements Holding {}

    /** Second-hand, with a history nobody can vouch for. */
    record Unknown() implements Holding {}

    /** The family that it holds, or held before it was put to rest; empty if it held none, or nobody knows. */
    default Optional<Family> ink() {
        return switch (this) {
            case Inked(var family, var _, var _) -> Optional.of(family);
            case Parked(var family, var _, var _) -> Optional.of(family);
            case NeverInked _, Unknown _ -> Optional.empty();
        };
    }

    /** Whose ink that was; empty likewise. */
    default Optional<String> whose() {
        return switch (this) {
            case Inked(var _, var make, var _) -> Optional.of(make);
            case Parked(var _, var make, var _) -> Optional.of(make);
            case NeverInked _, Unknown _ -> Optional.empty();
        };
    }

    static Holding neverInked() {
        return new NeverInked();
    }

    /** In the words of the bench: "maker's dye", "never inked". */
    default String label() {
        return switch (this) {
            case NeverInked _ -> "never inked";
            case Inked(var family, var _, var _) -> family.label();
            case Parked(var family, var _, var _) -> "parked on fluid, " + family.label() + " before";
            case Unknown _ -> "unknown ink";
        };
    }
}
