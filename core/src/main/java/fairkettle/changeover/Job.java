package fairkettle.changeover;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Fit;
import fairkettle.machine.Profile;
import fairkettle.machine.VesselKind;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * A machine as it is, and what is wished of it.
 *
 * @param built the profile as the maker built it
 * @param fit what was changed about it since
 * @param channels by the codes that the slots carry now
 * @param padUsed in the machine's own pad
 */
public record Job(
        Profile built,
        Fit fit,
        Map<ChannelCode, Now> channels,
        Wish wish,
        Millilitres padUsed,
        boolean warrantyAcknowledged,
        Stock stock) {

    /** What a channel is known to hold. */
    public record Now(Holding holding, Map<VesselKind, Millilitres> levels) {

        public Now {
            levels = Map.copyOf(levels);
        }

        public Millilitres level(VesselKind kind) {
            return levels.getOrDefault(kind, Millilitres.ZERO);
        }
    }

    public Job {
        channels = Map.copyOf(channels);
        for (var code : built.fitted(fit).codes()) {
            if (!channels.containsKey(code)) {
                throw new IllegalArgumentException("Nobody said what channel %s holds.".formatted(code));
            }
        }
    }

    /** The machine with what is fitted to it now. */
    public Profile profile() {
        return built.fitted(fit);
    }

    public Family family() {
        return wish.family();
    }

    public Holding holding(ChannelCode code) {
        return now(code).holding();
    }

    public Now now(ChannelCode code) {
        return java.util.Objects.requireNonNull(channels.get(code));
    }

    public Job wishing(Wish other) {
        return new Job(built, fit, channels, other, padUsed, warrantyAcknowledged, stock);
    }

    /** What its channels are known to hold or have held, each once. */
    public Set<Family> families() {
        var families = new TreeSet<Family>();
        channels.values().forEach(now -> now.holding().ink().ifPresent(families::add));
        return families;
    }

    public boolean neverInked() {
        return channels.values().stream().allMatch(now -> now.holding() instanceof Holding.NeverInked);
    }

    public boolean parked() {
        return channels.values().stream().anyMatch(now -> now.holding() instanceof Holding.Parked)
                && channels.values().stream()
                        .noneMatch(now ->
                                now.holding() instanceof Holding.Inked || now.holding() instanceof Holding.Unknown);
    }
}
