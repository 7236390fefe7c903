package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a step wants to be told before it is done. */
public sealed interface Ask {

    /** Nothing but that it is done. */
    record Done() implements Ask {}

    /** Every item ticked. @param inOrder whether only the next may be ticked */
    record Ticks(List<String> items, boolean inOrder) implements Ask {
        public Ticks {
            items = List.copyOf(items);
        }

        public Ticks(List<String> items) {
            this(items, false);
        }
    }

    /**
     * One answer for each of several things: of each channel, of each bank.
     *
     * @param right the one answer that each may get, in their order; empty where every answer is good
     * @param otherwise what to do, or why not, where another one was given
     */
    record Each(String question, List<String> items, List<String> answers, List<String> right, String otherwise)
            implements Ask {
        public Each {
            items = List.copyOf(items);
            answers = List.copyOf(answers);
            right = List.copyOf(right);
            if (!right.isEmpty() && right.size() != items.size()) {
                throw new IllegalArgumentException("Each of (%s) needs its right answer.".formatted(items));
            }
        }

        public Each(String question, List<String> items, List<String> answers) {
            this(question, items, answers, List.of(), "");
        }

        /** What is written on a thing is read, among all that could be read there, and must be its own name. */
        public static Each matching(String question, List<String> items, List<String> names) {
            return new Each(question, items, names, items, PUT_BACK);
        }
    }

    String PUT_BACK = "Put it back as it was.";

    /** How many of each part. @param against the step whose numbers these must be, or null */
    record Tally(String what, List<String> parts, @Nullable String against) implements Ask {
        public Tally {
            parts = List.copyOf(parts);
        }
    }

    /** Channels down, columns across; every cell is tapped. */
    record Grid(List<ChannelCode> channels, List<Column> columns) implements Ask {
        public Grid {
            channels = List.copyOf(channels);
            columns = List.copyOf(columns);
        }
    }

    /**
     * @param kind what a cell takes
     * @param expected mL per channel in the order of the grid's rows; empty for ticks. A channel with none has no cell.
     */
    record Column(String label, ColumnKind kind, List<Millilitres> expected) {
        public Column {
            expected = List.copyOf(expected);
        }
    }

    enum ColumnKind {
        /** mL, tapped on the syringe's marks */
        VOLUME,
        /** only air came */
        AIR,
        TICK,
        /** the code read on the bottle in hand; it must be one that fits the slot */
        CODE,
        /** which syringe of the shop’s: its number, or a tick for one that met no ink yet */
        TOOL
    }

    /** A count that must agree. */
    record Count(String what, int expected) implements Ask {}

    /** A lot from the shelf for every channel, its code read aloud; it must fit what the slot is to hold. */
    record Lots(List<ChannelCode> channels, Family family) implements Ask {
        public Lots {
            channels = List.copyOf(channels);
        }
    }

    /** A nozzle check, entered by tapping the teeth that are missing. */
    record Comb(List<ChannelCode> channels, List<Integer> nozzles) implements Ask {
        public Comb {
            channels = List.copyOf(channels);
            nozzles = List.copyOf(nozzles);
        }
    }

    /** Words that are agreed to, once and with a date. */
    record Acknowledge(String words) implements Ask {}

    /** Something written down: a version, a place. */
    record Words(String what) implements Ask {}

    /** One answer out of several, as the hands found it. */
    record Choice(String question, List<String> answers) implements Ask {
        public Choice {
            answers = List.copyOf(answers);
        }
    }

    /** Channels that are done one after the other, in this order: only the next may be ticked. */
    record InOrder(List<ChannelCode> channels, String done) implements Ask {
        public InOrder {
            channels = List.copyOf(channels);
        }
    }

    /** Of each pattern on a page, the number of the square that is best. */
    record Picks(List<String> patterns, int squares, String hint) implements Ask {
        public Picks {
            patterns = List.copyOf(patterns);
        }
    }

    /** The machine's activation code lies in the vault. It is never written on the card. */
    record KeyStored() implements Ask {}

    /** At least one photo on this step. */
    record Photo() implements Ask {}
}
