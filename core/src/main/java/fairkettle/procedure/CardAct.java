package fairkettle.procedure;

import org.jspecify.annotations.Nullable;

/** What hands can do with a card. Every one names its step, so that two tablets never mean different things. */
public sealed interface CardAct {

    String step();

    /** A cell tapped; an empty value takes it back. */
    record Enter(String step, String cell, String value) implements CardAct {}

    /** @param accept why it is good enough although it is not whole, or null */
    record Finish(String step, @Nullable String accept) implements CardAct {}

    record Skip(String step, String reason) implements CardAct {}

    record Fail(String step, String branch) implements CardAct {}

    /** @param minutesAgo how long ago it began, where nobody was at the tablet then */
    record BeginWait(String step, int minutesAgo) implements CardAct {
        public BeginWait(String step) {
            this(step, 0);
        }
    }

    /** The wait was begun by mistake. */
    record StopWait(String step) implements CardAct {}

    /** It was not so: the step is open again, and what it moved is booked back. */
    record Strike(String step) implements CardAct {}

    /**
     * It did not fail after all: the steps that a branch brought in go, as long as none of them is done.
     *
     * @param was how far the step had been before
     */
    record TakeBack(String step, String branch, StepRun.Progress was) implements CardAct {}
}
