package fairkettle.job;

import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A film that is fed through: who holds it, how far it has come, and whether anybody may leave. Lengths are
 * centimetres.
 *
 * @param printed of the run
 * @param looked how far it had come when its clamps were last seen clear of the shaker’s edge
 * @param clamped whether its edge is clamped flat on the bed
 * @param roller whether the roller holds it taut; @param sensor whether the sensor has caught it
 * @param paused why; null while it runs
 */
public record FilmFeed(
        int printed,
        int looked,
        boolean clamped,
        boolean roller,
        boolean sensor,
        @Nullable String paused) {

    /** Film by which clamps travel before somebody has to look. */
    public static final int EVERY = 20;

    public static final FilmFeed BEFORE = new FilmFeed(0, 0, false, false, false, null);

    public FilmFeed {
        if (printed < 0 || looked < 0) {
            throw new IllegalArgumentException("A film does not run backwards.");
        }
    }

    /** Why it must not print now; empty if it may. */
    public Optional<String> hold() {
        if (paused != null) {
            return Optional.of("Paused: %s.".formatted(paused));
        }
        if (!clamped && !roller) {
            return Optional.of("Lay the film flat and clamp its edge; the roller does not hold it yet.");
        }
        return clampsNearEdge()
                ? Optional.of("Look at the clamps: they have travelled %d cm and must not reach the shaker’s edge."
                        .formatted(printed - looked))
                : Optional.empty();
    }

    /** Clamps travel with the film until the roller pulls and they come off. */
    private boolean clampsNearEdge() {
        return clamped && printed - looked >= EVERY;
    }

    /** Whether it may be left alone. */
    public boolean mayLeave() {
        return paused == null && roller && sensor && !clamped;
    }

    /** Why, in a sentence. */
    public String says() {
        if (mayLeave()) {
            return "The roller holds it taut and the sensor sees it: it may be left alone.";
        }
        return hold().orElse(
                        roller
                                ? clamped
                                        ? "Stay: take the clamps off, the roller pulls now."
                                        : "Stay until the sensor has caught the film."
                                : "Stay: the clamps move with the film. Look again at %d cm."
                                        .formatted(looked + EVERY));
    }

    public FilmFeed printed(int now) {
        return new FilmFeed(Math.max(printed, now), looked, clamped, roller, sensor, paused);
    }

    public FilmFeed clear() {
        return new FilmFeed(printed, printed, clamped, roller, sensor, paused);
    }

    public FilmFeed held(boolean clamped, boolean roller, boolean sensor) {
        return new FilmFeed(printed, clamped && !this.clamped ? printed : looked, clamped, roller, sensor, paused);
    }

    public FilmFeed paused(String why) {
        return new FilmFeed(printed, looked, clamped, roller, false, why);
    }

    /**
     * Goes on after a pause: fed by hand, taped until the sensor catches it, and clamped again where no roller holds
     * it.
     *
     * @throws IllegalArgumentException if something is missing
     */
    public FilmFeed resumed(boolean fed, boolean taped, boolean caught) {
        if (!fed || !taped || !caught) {
            throw new IllegalArgumentException(
                    "Feed the film by hand, tape it, and wait until the sensor catches it; then it may go on.");
        }
        return new FilmFeed(printed, printed, clamped, roller, true, null);
    }
}
