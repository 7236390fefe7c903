package fairkettle.round;

import java.util.List;

/**
 * Tasks of one machine that follow each other. Bounded waits join tasks into <em>segments</em>, which are done whole or
 * not at all; only the last segments may be left for another day.
 *
 * @param machine number of the machine
 * @param release earliest minute of the first task
 * @param firstBy latest minute of the first task where a soak has begun or somebody wants it then, or
 *     {@link Task#OPEN}; passing it costs {@link Cost#OVERRUN} a minute
 * @param begun earlier tasks are done and hold the machine from {@code release} until the first task here
 * @param dues one for each segment
 */
public record Chain(
        String name, int machine, int release, int firstBy, boolean begun, List<Task> tasks, List<Due> dues) {

    public Chain {
        tasks = List.copyOf(tasks);
        dues = List.copyOf(dues);
        if (tasks.isEmpty()) {
            throw new IllegalArgumentException("The chain (%s) has no task.".formatted(name));
        }
        long segments =
                1 + tasks.stream().limit(tasks.size() - 1L).filter(Task::open).count();
        if (segments != dues.size()) {
            throw new IllegalArgumentException(
                    "The chain (%s) has %d segments and %d due times.".formatted(name, segments, dues.size()));
        }
    }

    /** Whether a segment ends with this task. */
    boolean endsSegment(int task) {
        return task == tasks.size() - 1 || tasks.get(task).open();
    }
}
