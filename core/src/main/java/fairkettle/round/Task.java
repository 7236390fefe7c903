package fairkettle.round;

import java.util.List;

/**
 * One visit to a machine: hands, then the machine by itself, then a wait.
 *
 * @param hands minutes with somebody at it, at least 1
 * @param machine minutes of the machine alone, following at once
 * @param waitMin least minutes before the next task of its chain
 * @param waitMax most minutes, or {@link #OPEN} where the rest of the chain may be left for another day
 * @param holds whether nobody else may use the machine while it waits
 * @param things numbers of the single things in hand
 * @param through whether they are also taken while the machine works
 * @param people bit set of those who may do it
 */
public record Task(
        String name,
        int hands,
        int machine,
        int waitMin,
        int waitMax,
        boolean holds,
        List<Integer> things,
        boolean through,
        int people,
        Gloves gloves) {

    public static final int OPEN = -1;

    public Task {
        things = List.copyOf(things);
        if (hands < 1 || machine < 0 || waitMin < 0) {
            throw new IllegalArgumentException(
                    "“%s” takes %d, %d and %d min; hands are at least 1 and nothing is below 0."
                            .formatted(name, hands, machine, waitMin));
        }
        if (waitMax != OPEN && waitMax < waitMin) {
            throw new IllegalArgumentException(
                    "“%s” waits at least %d and at most %d min.".formatted(name, waitMin, waitMax));
        }
    }

    public int length() {
        return hands + machine;
    }

    public boolean open() {
        return waitMax == OPEN;
    }
}
