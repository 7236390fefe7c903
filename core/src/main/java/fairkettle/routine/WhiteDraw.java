package fairkettle.routine;

import fairkettle.ink.ChannelCode;
import java.util.Optional;

/** White drawn at the waste line: what may go back into its tank, and what never. */
public final class WhiteDraw {

    private WhiteDraw() {}

    public enum To {
        BACK,
        WASTE
    }

    /**
     * Why it must not be; empty if it may.
     *
     * @param shaken whether it was shaken in the syringe before it goes back
     * @param returned how often white went back into this tank since it was filled anew; {@code most} the shop's limit
     */
    public static Optional<String> refusal(ChannelCode channel, To to, boolean shaken, int returned, int most) {
        if (to == To.WASTE) {
            return Optional.empty();
        }
        if (!channel.white()) {
            return Optional.of("Never back: colour at the waste line is mixed. It goes into the waste bottle.");
        }
        if (!shaken) {
            return Optional.of(
                    "Shake it first, with the white’s own syringe: what lay on the floor of the line goes back as"
                            + " lumps otherwise.");
        }
        return returned >= most
                ? Optional.of(
                        "White went back into this tank %d times already. Into the waste bottle with it, and fresh white into the tank."
                                .formatted(returned))
                : Optional.empty();
    }
}
