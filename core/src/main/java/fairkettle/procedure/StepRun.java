package fairkettle.procedure;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * A step and how far it is.
 *
 * @param entries what was tapped, by cell: "C/1" is row C, second column of a grid; "item/0" the first tick
 * @param openedAt when it became the next thing to do
 * @param waitStarted when its wait began
 * @param reason why it was skipped, or accepted although it was not whole
 */
public record StepRun(
        Step step,
        Status status,
        Map<String, String> entries,
        @Nullable Instant openedAt,
        @Nullable Instant waitStarted,
        @Nullable Instant finishedAt,
        @Nullable String by,
        @Nullable String reason) {

    public enum Status {
        OPEN,
        DONE,
        SKIPPED
    }

    public StepRun {
        entries = java.util.Collections.unmodifiableMap(new TreeMap<>(entries));
    }

    static StepRun open(Step step) {
        return new StepRun(step, Status.OPEN, Map.of(), null, null, null, null, null);
    }

    public boolean isOpen() {
        return status == Status.OPEN;
    }

    public Optional<String> entry(String cell) {
        return Optional.ofNullable(entries.get(cell));
    }

    /** When its wait is over at the earliest; empty if it has none or it has not begun. */
    public Optional<Instant> waitOver() {
        return step.pause() == null || waitStarted == null
                ? Optional.empty()
                : Optional.of(waitStarted.plus(step.pause().min()));
    }

    /** From becoming the next thing to do until done. Includes coffee. */
    public Optional<Duration> took() {
        return openedAt == null || finishedAt == null
                ? Optional.empty()
                : Optional.of(Duration.between(openedAt, finishedAt));
    }

    StepRun entered(String cell, String value) {
        var more = new HashMap<>(entries);
        if (value.isEmpty()) {
            more.remove(cell);
        } else {
            more.put(cell, value);
        }
        return new StepRun(step, status, more, openedAt, waitStarted, finishedAt, by, reason);
    }

    StepRun toldAs(Step other) {
        return new StepRun(step.toldAs(other), status, entries, openedAt, waitStarted, finishedAt, by, reason);
    }

    StepRun replacedBy(Step other) {
        return new StepRun(other.inPart(step.part()), status, entries, openedAt, waitStarted, finishedAt, by, reason);
    }

    StepRun opened(Instant now) {
        return openedAt != null ? this : new StepRun(step, status, entries, now, waitStarted, finishedAt, by, reason);
    }

    StepRun waiting(Instant now) {
        return new StepRun(step, status, entries, openedAt, now, finishedAt, by, reason);
    }

    StepRun notWaiting() {
        return new StepRun(step, status, entries, openedAt, null, finishedAt, by, reason);
    }

    StepRun closed(Status how, Instant now, String who, @Nullable String why) {
        return new StepRun(step, how, entries, openedAt, waitStarted, now, who, why);
    }

    StepRun reopened() {
        return new StepRun(step, Status.OPEN, entries, openedAt, waitStarted, null, null, null);
    }

    /** Nothing was entered at it, and its wait was not begun. */
    boolean untouched() {
        return entries.isEmpty() && waitStarted == null;
    }

    StepRun unopened() {
        return new StepRun(step, status, entries, null, waitStarted, finishedAt, by, reason);
    }

    /** How far a step is that is not over. */
    public record Progress(
            Map<String, String> entries,
            @Nullable Instant openedAt,
            @Nullable Instant waitStarted) {
        public Progress {
            entries = Map.copyOf(entries);
        }
    }

    public Progress progress() {
        return new Progress(entries, openedAt, waitStarted);
    }

    StepRun as(Progress other) {
        return new StepRun(
                step, status, other.entries(), other.openedAt(), other.waitStarted(), finishedAt, by, reason);
    }
}
