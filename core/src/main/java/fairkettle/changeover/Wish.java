package fairkettle.changeover;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Chips;
import fairkettle.machine.Profile;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What somebody wants of a machine.
 *
 * @param family to come; for a machine that is parked or renewed, the one it holds
 * @param purity old-ink share of the charged path that is aimed for
 * @param route null for the usual one
 * @param chips how the chips are answered; null for the usual way
 * @param carries slots that are to carry another channel: grey to white
 * @param onFluid slots that are emptied and left on fluid
 */
public record Wish(
        Purpose purpose,
        Family family,
        String make,
        double purity,
        @Nullable Route route,
        @Nullable Chips chips,
        Map<ChannelCode, ChannelCode> carries,
        Set<ChannelCode> onFluid) {

    public Wish {
        carries = Map.copyOf(carries);
        onFluid = Set.copyOf(onFluid);
        if (!(purity >= 0.0001 && purity <= 0.05)) {
            throw new IllegalArgumentException(
                    "The old ink left (%s %%) must be between 0.01 %% and 5 %%.".formatted(purity * 100));
        }
    }

    public static Wish change(Family family, String make, double purity) {
        return new Wish(Purpose.CHANGE, family, make, purity, null, null, Map.of(), Set.of());
    }

    /**
     * A wish with what was left open filled in from the machine. What is renewed or parked is what it holds.
     *
     * @param family null for the one it holds; {@code make} likewise, and {@code purity} null for the usual one
     */
    public static Wish of(
            Purpose purpose,
            @Nullable Family family,
            @Nullable String make,
            @Nullable Double purity,
            Profile built,
            List<Holding> holdings) {
        var held = holdings.stream().flatMap(h -> h.ink().stream()).findFirst();
        var whose = holdings.stream().flatMap(h -> h.whose().stream()).findFirst();
        boolean change = purpose == Purpose.CHANGE;
        var comes = change && family != null ? family : held.orElse(family == null ? built.built() : family);
        var from = change && make != null ? make : whose.orElse(make == null ? "own" : make);
        double usual = purpose == Purpose.RENEW
                ? Purity.SAME_FAMILY
                : holdings.stream()
                        .mapToDouble(h -> Purity.usual(h, comes))
                        .min()
                        .orElse(Purity.BETWEEN_FAMILIES);
        return change(comes, from, purity == null ? usual : purity).purpose(purpose);
    }

    public Wish purpose(Purpose other) {
        return new Wish(other, family, make, purity, route, chips, carries, onFluid);
    }

    public Wish aimingFor(double other) {
        return new Wish(purpose, family, make, other, route, chips, carries, onFluid);
    }

    public Wish by(@Nullable Route other) {
        return new Wish(purpose, family, make, purity, other, chips, carries, onFluid);
    }

    public Wish chips(@Nullable Chips other) {
        return new Wish(purpose, family, make, purity, route, other, carries, onFluid);
    }

    public Wish slots(Map<ChannelCode, ChannelCode> other, Set<ChannelCode> rest) {
        return new Wish(purpose, family, make, purity, route, chips, other, rest);
    }
}
