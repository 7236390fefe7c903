package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.machine.VesselKind;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a step moves in the ink account when it is done; volumes typed at the step count, not those planned. */
public sealed interface Move {

    /** Whether carrying the step out is booked in the ink account. */
    default boolean books() {
        return !(this instanceof Nothing || this instanceof Spoil);
    }

    /** Whether ink runs out of small vessels that came off: they are held at an angle, outlet down. */
    default boolean outOfTheHand() {
        return this instanceof Draw(var reach) && reach.equals(List.of(VesselKind.DAMPER, VesselKind.HEAD));
    }

    /** The step moves nothing. */
    record Nothing() implements Move {}

    /**
     * Each volume tapped is drawn with a syringe behind the reach, into the waste bottle; air means it is at its heel.
     */
    record Draw(List<VesselKind> reach) implements Move {
        public Draw {
            reach = List.copyOf(reach);
        }
    }

    /** The same into the bottle it came from: clean, one lot, never mixed. */
    record DrawBack(List<VesselKind> reach) implements Move {
        public DrawBack {
            reach = List.copyOf(reach);
        }
    }

    /** Each volume tapped goes through the reach into the waste bottle. */
    record Rinse(List<VesselKind> reach, Liquid liquid) implements Move {
        public Rinse {
            reach = List.copyOf(reach);
        }
    }

    /** Each volume tapped is poured from the channel's lot into its tank. */
    record Pour() implements Move {}

    /** Each volume tapped is poured into the channel's new cartridge, which lies on the tray. */
    record PourOnTray(Liquid liquid) implements Move {}

    /**
     * Each volume tapped is drawn out at the outlet of a cartridge on the tray.
     *
     * @param back true if it goes back into its bottle
     */
    record DrawOnTray(boolean back) implements Move {}

    /** Ink goes from the tanks through the tubes into the cartridges on the tray, until they are full. */
    record PrimeOnTray(List<ChannelCode> channels) implements Move {
        public PrimeOnTray {
            channels = List.copyOf(channels);
        }
    }

    /** Ink goes out of the first vessel of the reach until the others are full. */
    record Prime(List<ChannelCode> channels, List<VesselKind> reach) implements Move {
        public Prime {
            channels = List.copyOf(channels);
            reach = List.copyOf(reach);
        }
    }

    /**
     * What the bottles in use for these channels hold is bad from now on, and so is the rest of each. @param channels
     * null for all
     */
    record Spoil(String why, @Nullable List<ChannelCode> channels) implements Move {}

    /** Each volume tapped is cleaning fluid that stays: the paths of these channels rest on it. */
    record PourFluid() implements Move {}

    /** Cartridges that the maker filled go in. */
    record Supplied(List<ChannelCode> channels) implements Move {
        public Supplied {
            channels = List.copyOf(channels);
        }
    }

    /** Parts come off with what is in them, cartridges on the tray go in, and slots may change what they carry. */
    record Refit(List<Slot> slots) implements Move {
        public Refit {
            slots = List.copyOf(slots);
        }
    }

    /** @param renewed vessels that come off, or are new */
    record Slot(ChannelCode before, ChannelCode after, List<VesselKind> renewed) {
        public Slot {
            renewed = List.copyOf(renewed);
        }
    }

    /** The paths behind the tanks fill up, and the loss goes to the pad. */
    record Charge(List<ChannelCode> channels, Millilitres loss) implements Move {}

    /** A cleaning: so much of each channel goes to the pad. */
    record Clean(List<ChannelCode> channels, Millilitres each) implements Move {}

    /** Printing: so much of each channel goes to paper; with a grid of ticks, once for each tick. */
    record Print(List<ChannelCode> channels, Millilitres each) implements Move {}

    /** Each volume tapped is a level read off the tank window. */
    record Reading() implements Move {}

    /** What a rinse is made with. */
    enum Liquid {
        FLUID,
        NEW_INK
    }
}
