package fairkettle.changeover;

import fairkettle.procedure.Facet;
import fairkettle.procedure.MachineState;
import fairkettle.procedure.Step;
import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;

/**
 * Work laid over the days on which somebody is there. What is begun with the head off its dock is ended on the same
 * day, so that every day ends with a machine that may stand; where a day is too short for that, it is said.
 */
public final class Days {

    /** A piece of work that is not interrupted over night. */
    private record Block(Step first, Step last, Duration work, Duration rest, boolean open) {}

    /**
     * One day's part of the work.
     *
     * @param first title of the step that it begins with; {@code last} of the one that it ends with
     * @param until when hands are no longer needed on that day
     * @param mayStand false if the head would stand off its dock over night
     */
    public record Day(Instant from, Instant until, String first, String last, boolean mayStand) {}

    private Days() {}

    /**
     * @param state the machine’s, before the first of the steps
     * @param now when it is begun
     */
    public static List<Day> of(MachineState state, List<Step> steps, OpeningHours hours, Instant now) {
        var days = new ArrayList<Day>();
        var at = hours.firstOpen(now);
        for (var block : blocks(state, steps)) {
            var closes = closing(hours, at);
            boolean fits = !at.plus(block.work()).isAfter(closes);
            boolean fitsADay = !block.open() || block.work().compareTo(longest(hours, closes)) <= 0;
            if (!fits && fitsADay && at.isBefore(closes)) {
                at = hours.firstOpen(closes.plusSeconds(1));
            }
            var from = at;
            var done = hours.afterWork(at, block.work());
            boolean overNight = block.open() && done.isAfter(closing(hours, from));
            add(
                    days,
                    hours,
                    new Day(from, done, block.first().title(), block.last().title(), !overNight));
            at = block.rest().isZero() ? done : hours.firstOpen(done.plus(block.rest()));
        }
        return days;
    }

    private static void add(List<Day> days, OpeningHours hours, Day next) {
        var last = days.isEmpty() ? null : days.getLast();
        if (last != null
                && day(hours, last.until())
                        .toLocalDate()
                        .equals(day(hours, next.from()).toLocalDate())) {
            days.set(
                    days.size() - 1,
                    new Day(last.from(), next.until(), last.first(), next.last(), last.mayStand() && next.mayStand()));
        } else {
            days.add(next);
        }
    }

    /** From leaving the dock to being home again is one; every other step stands alone. */
    private static List<Block> blocks(MachineState start, List<Step> steps) {
        var blocks = new ArrayList<Block>();
        var state = start;
        for (int i = 0; i < steps.size(); i++) {
            int to = i;
            state = state.with(steps.get(i).effects());
            while (free(state) && to + 1 < steps.size()) {
                to++;
                state = state.with(steps.get(to).effects());
            }
            blocks.add(block(steps.subList(i, to + 1)));
            i = to;
        }
        return blocks;
    }

    private static boolean free(MachineState state) {
        return "free".equals(state.value(Facet.CARRIAGE, null));
    }

    /** Waits within it are sat out; one at its end runs by itself. */
    private static Block block(List<Step> steps) {
        var work = Duration.ofMinutes(steps.stream().mapToInt(Step::minutes).sum());
        for (var step : steps.subList(0, steps.size() - 1)) {
            if (step.pause() != null) {
                work = work.plus(step.pause().min());
            }
        }
        var end = steps.getLast().pause();
        return new Block(
                steps.getFirst(), steps.getLast(), work, end == null ? Duration.ZERO : end.min(), steps.size() > 1);
    }

    /** How much of an open moment’s day is left after it: its closing. */
    private static Instant closing(OpeningHours hours, Instant at) {
        var local = day(hours, at);
        var span = hours.on(local.toLocalDate());
        return span == null ? at : local.with(span.close()).toInstant();
    }

    private static Duration longest(OpeningHours hours, Instant after) {
        var next = hours.firstOpen(after.plusSeconds(1));
        return Duration.between(next, closing(hours, next));
    }

    private static ZonedDateTime day(OpeningHours hours, Instant at) {
        return at.atZone(hours.zone());
    }
}
