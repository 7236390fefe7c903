package fairkettle.routine;

import fairkettle.routine.DueTimes.Standing;
import java.time.Instant;
import java.util.List;

/** What it takes until a machine can print for somebody: the one that needs least gets the job. */
public final class Revival {

    private static final int CHECK = 6;
    /** A cleaning, its rest and another look. */
    private static final int CLEANING = 15;

    private static final int MOST_CLEANINGS = 3;

    private Revival() {}

    /**
     * Minutes of hands and machine: what is due, a look, and cleanings for gaps. @param gaps nozzles missing at the
     * last look
     */
    public static int minutes(List<Standing> standings, int gaps, Instant now) {
        int due = standings.stream()
                .filter(s -> s.dueBy(now) && s.progress() >= 1 && forPrinting(s))
                .map(s -> s.routine().id())
                .distinct()
                .mapToInt(id -> standings.stream()
                        .filter(s -> s.routine().id().equals(id))
                        .findFirst()
                        .map(s -> s.routine().hands() + s.routine().machine())
                        .orElse(0))
                .sum();
        return due + CHECK + (gaps == 0 ? 0 : CLEANING * Math.min(MOST_CLEANINGS, 1 + gaps / 10));
    }

    /** What a print waits for; a rail can be oiled another day. */
    private static boolean forPrinting(Standing standing) {
        return standing.routine().weight() >= 6;
    }
}
