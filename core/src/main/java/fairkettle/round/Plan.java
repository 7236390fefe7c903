package fairkettle.round;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;

/**
 * When each task begins and who does it, by the task's number (chains in order, tasks in order).
 *
 * @param start minute, or {@link #NOT_TODAY}; in a plan that came before also {@link #NEW}
 * @param person number of the person
 */
public record Plan(int[] start, int[] person) {

    public static final int NOT_TODAY = -1;
    /** Of a plan that came before: it did not know the task. */
    public static final int NEW = -2;

    public boolean planned(int task) {
        return start[task] >= 0;
    }

    /** Planned tasks in the order in which they begin. */
    public int[] order() {
        return IntStream.range(0, start.length)
                .filter(this::planned)
                .boxed()
                .sorted(Comparator.comparingInt((Integer i) -> start[i]).thenComparingInt(i -> i))
                .mapToInt(i -> i)
                .toArray();
    }

    /**
     * Fewest entries that change person, come, go, or must be lifted out of their person's order to turn one plan into
     * the other.
     */
    public int movesFrom(Plan before) {
        int kept = 0;
        int people = 1
                + Math.max(
                        Arrays.stream(person).max().orElse(0),
                        Arrays.stream(before.person).max().orElse(0));
        var was = before.order();
        for (int w = 0; w < people; w++) {
            int who = w;
            kept += longestRise(Arrays.stream(was)
                    .filter(i -> before.person[i] == who && planned(i) && person[i] == who)
                    .map(i -> start[i])
                    .toArray());
        }
        int absent = 0;
        for (int i = 0; i < start.length; i++) {
            if (before.start[i] == NEW || !planned(i) && !before.planned(i)) {
                absent++;
            }
        }
        return start.length - absent - kept;
    }

    /** Length of the longest ascending subsequence, by patience sorting. */
    private static int longestRise(int[] values) {
        var tops = new int[values.length];
        int piles = 0;
        for (int value : values) {
            int at = Arrays.binarySearch(tops, 0, piles, value);
            at = at < 0 ? -at - 1 : at;
            tops[at] = value;
            piles = Math.max(piles, at + 1);
        }
        return piles;
    }
}
