package fairkettle.routine;

import java.util.List;

/** Machines that get worse: one is a machine’s matter, several together are the room’s. */
public final class Decline {

    /** More gaps than at first by this much is worse, not chance. */
    private static final int WORSE = 2;

    private static final int LOOKS = 3;

    private Decline() {}

    /** @param gaps nozzles missing whenever somebody looked, oldest first */
    public record Course(String machine, List<Integer> gaps) {

        boolean declines() {
            int half = gaps.size() / 2;
            return gaps.size() >= LOOKS
                    && average(gaps.subList(half, gaps.size())) >= average(gaps.subList(0, half)) + WORSE;
        }

        private static double average(List<Integer> some) {
            return some.stream().mapToInt(i -> i).average().orElse(0);
        }
    }

    /** Names of those that decline together; empty if fewer than two do. */
    public static List<String> together(List<Course> week) {
        var worse = week.stream().filter(Course::declines).map(Course::machine).toList();
        return worse.size() < 2 ? List.of() : worse;
    }

    /** What to do about it, before a machine is taken apart. */
    public static String words(List<String> machines) {
        return "%s get worse in the same week: suspect the room before the machines. Read the humidity, look for sun, draught and heaters, then flush their caps."
                .formatted(String.join(", ", machines));
    }
}
