package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** One thing that was seen, felt, found or done. */
public sealed interface Evidence {

    /** A nozzle check: strokes missing by channel, counted from 0. */
    record Look(Map<ChannelCode, List<Integer>> missing) implements Evidence {
        public Look {
            missing = Map.copyOf(missing);
        }
    }

    /** A page laid down in full, or a purge sheet of a few channels: it moves ink, and it can be read. */
    record Page(Map<ChannelCode, Seen> seen) implements Evidence {
        public Page {
            seen = Map.copyOf(seen);
        }
    }

    /**
     * One channel of it.
     *
     * @param fade share of its weight lost from the top to the foot
     * @param band a blank band with clean edges
     * @param off its colour is not its own
     * @param clears where it is off: at the top edge, and clean at the foot; null where nobody said
     */
    record Seen(
            double fade,
            boolean band,
            boolean off,
            @Nullable Boolean clears) {}

    /**
     * Somebody did this. @param channels those treated; all of them for an act on the whole machine; @param rested
     * whether the rest that belongs to it was kept; null where nobody said
     */
    record Done(
            Treatment treatment,
            Set<ChannelCode> channels,
            @Nullable Boolean rested) implements Evidence {
        public Done {
            channels = Set.copyOf(channels);
        }

        public Done(Treatment treatment, Set<ChannelCode> channels) {
            this(treatment, channels, null);
        }
    }

    /**
     * Level, vent, valve, seating, family and pad were looked at. @param found channels where something was amiss, and
     * is put right now
     */
    record Simple(Set<ChannelCode> found) implements Evidence {
        public Simple {
            found = Set.copyOf(found);
        }
    }

    /** Topped up: so much is in its vessel now. */
    record Filled(ChannelCode channel, double mL) implements Evidence {}

    /** After a cleaning: whether the waste rose. */
    record WasteRose(boolean rose) implements Evidence {}

    /** Bubbles seen in the tube. */
    record Bubbles(ChannelCode channel, boolean seen) implements Evidence {}

    /** Threads or lumps on needle or in the ink. */
    record Thread(ChannelCode channel, boolean seen) implements Evidence {}

    /** Crust seen on the inlet. */
    record Crust(ChannelCode channel, boolean seen) implements Evidence {}

    /** How a draw felt. */
    record Felt(ChannelCode channel, Feel feel) implements Evidence {}

    /** Tried against what the ink path is not guilty of. */
    record Tried(Remedy remedy, boolean helped) implements Evidence {}

    /** Lines stand beside their place. */
    record Shifted(boolean shifted) implements Evidence {}

    /** Liquid came out at the sides of the plate: it has parted, and the head is lost. */
    record Parted() implements Evidence {}

    /** How a pull feels, and what comes. */
    enum Feel {
        NOTHING_EASY("no resistance, no ink", "air in the path, or the head is off its dock"),
        NOTHING_HARD("resistance, nothing moves", "blocked: stop"),
        INK_HARD("resistance, ink comes", "sealed and flowing"),
        INK_EASING("it comes easier and easier", "it recovers");

        private final String label;
        private final String means;

        Feel(String label, String means) {
            this.label = label;
            this.means = means;
        }

        public String label() {
            return label;
        }

        public String means() {
            return means;
        }
    }
}
