package fairkettle.procedure;

import fairkettle.safety.Caution;
import java.time.Duration;

/** How slowly a syringe is drawn: what is pulled faster comes with air, past the seals. */
public final class Pace {

    private static final double SECONDS_PER_ML = 3; // half a minute for 10 mL

    private Pace() {}

    /** The least time that the step’s planned volumes take, one after the other; nothing where none is drawn slowly. */
    public static Duration least(Step step) {
        if (!step.cautions().contains(Caution.SLOW) || !(step.ask() instanceof Ask.Grid(var _, var columns))) {
            return Duration.ZERO;
        }
        double mL = columns.stream()
                .filter(c -> c.kind() == Ask.ColumnKind.VOLUME)
                .flatMap(c -> c.expected().stream())
                .mapToDouble(v -> v.mL())
                .sum();
        return Duration.ofSeconds(Math.round(mL * SECONDS_PER_ML));
    }
}
