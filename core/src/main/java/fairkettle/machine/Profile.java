package fairkettle.machine;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A reusable description of a class of machine. Every figure is a default that a shop corrects by measuring.
 *
 * @param built what the maker meant it for
 * @param padCapacity waste it can take before it refuses to clean
 * @param draws mL per channel and act
 * @param minutes machine time per act
 * @param handling how hands get at it
 * @param chips what its cartridges’ chips can be answered with; empty if it has none
 * @param pattern of its own nozzle check; the usual one for its nozzles if none is given
 */
public record Profile(
        String id,
        String name,
        Architecture architecture,
        List<Channel> channels,
        Family built,
        Millilitres padCapacity,
        Draws draws,
        Minutes minutes,
        Handling handling,
        List<Chips> chips,
        Capabilities capable,
        @Nullable NozzlePattern pattern) {

    private static final Vessel OUTBOARD_TANK = Vessel.of(VesselKind.TANK, "110", "2");
    private static final Vessel RIBBON = Vessel.of(VesselKind.TUBE, "4.5", "0.5");
    private static final Vessel WHITE_TUBE = Vessel.of(VesselKind.TUBE, "6", "0.8");
    private static final Vessel DAMPER = Vessel.of(VesselKind.DAMPER, "3.0", "1.1");

    public Profile {
        channels = List.copyOf(channels);
        chips = List.copyOf(chips);
        if (channels.isEmpty()) {
            throw new IllegalArgumentException("Profile %s has no channel.".formatted(id));
        }
        if (channels.stream().map(Channel::code).distinct().count() != channels.size()) {
            throw new IllegalArgumentException("Profile %s names a channel twice.".formatted(id));
        }
        pattern = pattern == null
                ? NozzlePattern.usual(
                        channels.stream().mapToInt(Channel::nozzles).max().orElseThrow(), channels.size())
                : pattern;
    }

    /** Whether each refill is reset by hand, because nothing that resets itself is sold for it. */
    public boolean resetByHand() {
        return chips.contains(Chips.BUTTON) && !chips.contains(Chips.AUTO_RESET);
    }

    /** As its own nozzle check draws it. */
    @Override
    public NozzlePattern pattern() {
        return Objects.requireNonNull(pattern);
    }

    /**
     * What one act draws from each channel.
     *
     * @param initialCharge lost while the path is charged
     * @param sheet a fully covered A4 sheet
     */
    public record Draws(
            Millilitres nozzleCheck,
            Millilitres healthSheet,
            Millilitres sheet,
            Millilitres cleaning,
            Millilitres powerCleaning,
            Millilitres initialCharge) {

        public static final Draws USUAL = new Draws(ml("0.02"), ml("0.1"), ml("0.7"), ml("0.9"), ml("7"), ml("6"));

        private static Millilitres ml(String text) {
            return Millilitres.parse(text);
        }
    }

    /** Machine minutes per act. */
    public record Minutes(
            int nozzleCheck, int sheet, int cleaning, int powerCleaning, int initialCharge, int alignment) {
        public static final Minutes USUAL = new Minutes(1, 2, 3, 6, 9, 5);
    }

    public Channel channel(ChannelCode code) {
        return channels.stream()
                .filter(c -> c.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("A %s has no channel %s.".formatted(name, code)));
    }

    public List<ChannelCode> codes() {
        return channels.stream().map(Channel::code).toList();
    }

    /** The machine with what was fitted to it: other vessels on its paths, other inks in its slots. */
    public Profile fitted(Fit fit) {
        if (fit.feed() == Feed.AS_BUILT && fit.carries().isEmpty()) {
            return this;
        }
        var slots = channels.stream()
                .map(c -> {
                    var code = fit.carries().getOrDefault(c.code(), c.code());
                    return new Channel(code, path(c, code, fit.feed(), architecture), c.nozzles());
                })
                .toList();
        var now = switch (fit.feed()) {
            case AS_BUILT, REFILLABLE -> architecture;
            case BULK -> Architecture.BULK;
            case FILM -> Architecture.FILM;
        };
        return new Profile(
                id,
                fit.feed() == Feed.AS_BUILT ? name : name + ", " + fit.feed().label(),
                now,
                slots,
                built,
                padCapacity,
                draws,
                minutes,
                handling,
                chips,
                capable,
                pattern);
    }

    private static List<Vessel> path(Channel slot, ChannelCode code, Feed feed, Architecture built) {
        return switch (feed) {
            case AS_BUILT, REFILLABLE -> slot.path();
            case BULK ->
                List.of(OUTBOARD_TANK, RIBBON, slot.vessel(VesselKind.CARTRIDGE), slot.vessel(VesselKind.HEAD));
            case FILM -> {
                if (built == Architecture.BAY) { // bags go, their lines stay and are joined to tanks
                    yield List.of(
                            OUTBOARD_TANK,
                            slot.vessel(VesselKind.TUBE),
                            slot.vessel(VesselKind.DAMPER),
                            slot.vessel(VesselKind.HEAD));
                }
                boolean tank = slot.first().kind() == VesselKind.TANK;
                yield List.of(
                        tank ? slot.first() : OUTBOARD_TANK,
                        code.white() ? WHITE_TUBE : tank ? slot.vessel(VesselKind.TUBE) : RIBBON,
                        tank ? slot.vessel(VesselKind.DAMPER) : DAMPER,
                        slot.vessel(VesselKind.HEAD));
            }
        };
    }

    /** Its own nozzle check as it really draws it. @param nozzles strokes of each channel */
    public Profile drawing(NozzlePattern seen, int nozzles) {
        if (seen.order().size() != channels.size()) {
            throw new IllegalArgumentException("The order names %d blocks; the machine has %d channels."
                    .formatted(seen.order().size(), channels.size()));
        }
        var counted = channels.stream()
                .map(c -> new Channel(c.code(), c.path(), nozzles))
                .toList();
        return new Profile(
                id, name, architecture, counted, built, padCapacity, draws, minutes, handling, chips, capable, seen);
    }

    /** The same machine, gotten at in another way. */
    public Profile handled(Handling other) {
        return new Profile(
                id, name, architecture, channels, built, padCapacity, draws, minutes, other, chips, capable, pattern);
    }

    public boolean headsByUser() {
        return handling.headsByUser();
    }

    /** What a shop calls its own copy, corrected by measuring. */
    public Profile copiedAs(
            String otherId,
            String otherName,
            List<Channel> corrected,
            Draws otherDraws,
            Minutes otherMinutes,
            Millilitres pad) {
        return new Profile(
                otherId,
                otherName,
                architecture,
                corrected,
                built,
                pad,
                otherDraws,
                otherMinutes,
                handling,
                chips,
                capable,
                pattern);
    }
}
