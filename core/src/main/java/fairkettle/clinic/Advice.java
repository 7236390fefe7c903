package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * The next thing to do.
 *
 * @param cost expected until fit, in the shop's currency, everything counted
 * @param outlook what the next check should look like; null where nothing is treated
 * @param others what else was weighed, cheapest first
 */
public record Advice(Next next, double cost, @Nullable Outlook outlook, List<Other> others) {

    public Advice {
        others = List.copyOf(others);
    }

    static Advice of(Next next) {
        return new Advice(next, 0, null, List.of());
    }

    /** What to do next. */
    public sealed interface Next {

        /** Print and enter a check. */
        record Look() implements Next {}

        /** The rest that belongs to the last act is not over: a check before it says little. */
        record Wait(Instant until) implements Next {}

        /** Lay down a full page of every channel. */
        record Page() implements Next {}

        /** Look at the simple things, before anything that costs ink. */
        record Simple() implements Next {}

        /** Something that costs no ink, where the ink path is not at fault. */
        record Try(Remedy remedy) implements Next {}

        /** Something only eyes can tell, on one channel or on the machine. */
        record Ask(Question question, @Nullable ChannelCode channel) implements Next {}

        record Treat(Treatment treatment, Set<ChannelCode> channels) implements Next {
            public Treat {
                channels = Set.copyOf(channels);
            }
        }

        /** Fit for the work in hand. @param wholly false if gaps are left that the work forgives */
        record Close(boolean wholly) implements Next {}

        record Stop(Reason reason) implements Next {}
    }

    /** Why it is better to stop. */
    public enum Reason {
        DEAD("The gaps are dead: nothing brings them back. Print in a mode that forgives them, or change the head."),
        NOT_WORTH("What is left to try costs more than it is likely to bring. Live with it, or change the head."),
        NOT_INK("Everything that costs no ink was tried. Ask the maker or a licensed repairer: cleanings would not"
                + " help."),
        PARTED("Liquid at the plate’s side: the plate has parted. Stop; this head is lost.");

        private final String say;

        Reason(String say) {
            this.say = say;
        }

        public String say() {
            return say;
        }
    }

    /** What only eyes can tell. */
    public enum Question {
        WASTE_ROSE("Did the waste rise with the cleaning?", "If the pump moved nothing, more cleanings move nothing."),
        BUBBLES("Bubbles or gaps of air in the tube?", "Air wanders; it is drawn, not cleaned."),
        THREAD("Threads, slime or lumps on the needle?", "Then the ink itself has gone bad."),
        CRUST("Crust on the inlet?", "A crusted inlet starves a healthy head.");

        private final String ask;
        private final String why;

        Question(String ask, String why) {
            this.ask = ask;
            this.why = why;
        }

        public String ask() {
            return ask;
        }

        public String why() {
            return why;
        }
    }

    /** Chances of what the next check shows. They add up to one. */
    public record Outlook(double fit, double muchBetter, double better, double same, double worse) {}

    /** @param over what it is expected to cost more than the advice */
    public record Other(Next next, double over, @Nullable Outlook outlook) {}
}
