package fairkettle.machine;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** How high outboard tanks may hang. Higher drips, lower starves; every step up is tried for drips before the next. */
public final class TankHeight {

    /** The largest step up at a time. */
    public static final int STEP_MM = 10;
    /** How long the head is watched after each step. */
    public static final Duration DRIP_TEST = Duration.ofMinutes(30);

    private TankHeight() {}

    /** @param dripped null while the test still runs */
    public record Tried(int millimetres, @Nullable Boolean dripped) {}

    /** What is seen at the head or on the page. */
    public enum Sign {
        DRIPS,
        FADES,
        NEITHER
    }

    /**
     * The greatest height that did not drip, below every height that did; level with the cartridges where none was
     * tried.
     */
    public static int lastSafe(List<Tried> tried) {
        int drips = tried.stream()
                .filter(t -> Boolean.TRUE.equals(t.dripped()))
                .mapToInt(Tried::millimetres)
                .min()
                .orElse(Integer.MAX_VALUE);
        return tried.stream()
                .filter(t -> Boolean.FALSE.equals(t.dripped()) && t.millimetres() < drips)
                .mapToInt(Tried::millimetres)
                .max()
                .orElse(0);
    }

    /** Why a height must not be tried now; empty if it may. */
    public static Optional<String> hindrance(List<Tried> newestFirst, int wanted, boolean mayRaise) {
        if (!newestFirst.isEmpty() && newestFirst.getFirst().dripped() == null) {
            return Optional.of("The drip test of %d mm is not answered yet."
                    .formatted(newestFirst.getFirst().millimetres()));
        }
        int safe = lastSafe(newestFirst);
        if (wanted > 0 && !mayRaise) {
            return Optional.of(
                    "Plain cartridges hang level. Only sealed dampers and a pumped cap bear more; answer “Outboard"
                            + " tanks higher for pressure?” so for this machine first.");
        }
        return wanted > safe + STEP_MM
                ? Optional.of("At most %d mm at a time: %d mm next.".formatted(STEP_MM, safe + STEP_MM))
                : Optional.empty();
    }

    /** Which way to go, by what is seen. */
    public static String advice(Sign sign, int now) {
        return switch (sign) {
            case DRIPS -> "Lower it, to %d mm or less, and dry the head.".formatted(now - STEP_MM);
            case FADES ->
                "Vents and valve first. Then up by at most %d mm, with a drip test of %d minutes."
                        .formatted(STEP_MM, DRIP_TEST.toMinutes());
            case NEITHER -> "Leave it. What works is not raised.";
        };
    }
}
