package fairkettle.server.changeover;

import fairkettle.changeover.Experience;
import fairkettle.changeover.Purpose;
import fairkettle.changeover.Route;
import fairkettle.ink.Family;
import fairkettle.machine.Chips;
import org.jspecify.annotations.Nullable;

/**
 * What may be asked of a machine, as it stands in an address; what is left out is as the machine has it.
 *
 * @param carries slots and what they are to carry: "LC:W1,LM:W2"
 * @param hands how often they have done it; left out, the log says it
 * @param onFluid slots left on fluid: "LC,LM"
 */
public record WishQuery(
        @Nullable Purpose purpose,
        @Nullable Family family,
        @Nullable String make,
        @Nullable Double purity,
        @Nullable Route route,
        @Nullable Chips chips,
        @Nullable String carries,
        @Nullable String onFluid,
        @Nullable Experience hands) {

    public Changeovers.Wish on(long machine) {
        return new Changeovers.Wish(
                machine,
                purpose == null ? Purpose.CHANGE : purpose,
                family,
                make == null || make.isBlank() ? null : make.strip(),
                purity,
                route,
                chips,
                Slots.carries(carries),
                Slots.codes(onFluid),
                hands);
    }
}
