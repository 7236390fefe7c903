package fairkettle.machine;

import java.time.Duration;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * How an act is started at a machine: through a menu where there is a screen, with keys held where there is none, or in
 * the driver.
 *
 * @param ways of this machine, where they are other than its kind's
 */
public record Panel(PanelKind kind, Map<Act, How> ways) {

    private static final Duration BUTTON = Duration.ofSeconds(5);
    private static final Duration UPDATE = Duration.ofSeconds(10);
    private static final String DRIVER = "In the driver on its computer: preferences, maintenance, %s.";

    public Panel {
        ways = Map.copyOf(ways);
    }

    public enum Act {
        CHECK("nozzle check"),
        CLEANING("cleaning"),
        POWER_CLEANING("power cleaning"),
        CHARGE("initial charge"),
        UPDATE_MODE("update mode"),
        CHIP_RESET("chip reset");

        private final String menu;

        Act(String menu) {
            this.menu = menu;
        }

        public String label() {
            return menu;
        }
    }

    /** @param seconds how long keys are held, or null where none are */
    public record How(String say, @Nullable Integer seconds) {

        public How {
            if (say.isBlank() || seconds != null && (seconds < 1 || seconds > 120)) {
                throw new IllegalArgumentException("Say how it is started; a key is held for 1 to 120 seconds.");
            }
        }

        /** "Hold the key with the sheet on it. (5 s)" */
        public String words() {
            return seconds == null ? say : "%s (%d s)".formatted(say, seconds);
        }

        /** How long keys are held. @throws IllegalStateException where none are */
        public Duration held() {
            if (seconds == null) {
                throw new IllegalStateException("Impossible state: no key is held for “%s”.".formatted(say));
            }
            return Duration.ofSeconds(seconds);
        }
    }

    public static Panel of(PanelKind kind) {
        return new Panel(kind, Map.of());
    }

    public boolean screen() {
        return kind == PanelKind.SCREEN;
    }

    Panel with(PanelKind other, Map<Act, How> taught) {
        // why: what a profile knows of its own keys means nothing on another kind of panel
        return new Panel(other, Handling.both(other == kind ? ways : Map.of(), taught));
    }

    public How how(Act act) {
        var own = ways.get(act);
        return own == null ? usual(act) : own;
    }

    private How usual(Act act) {
        return switch (act) {
            case UPDATE_MODE ->
                new How(
                        screen()
                                ? "Switch off. Hold the keys that the seller names while switching on, until the"
                                        + " screen says update."
                                : "Switch off. Hold the keys that the seller names while switching on, until two lamps"
                                        + " blink in turn.",
                        (int) UPDATE.toSeconds());
            case CHIP_RESET ->
                new How("With the carriage parked, hold the button on the cartridges.", (int) BUTTON.toSeconds());
            case CHECK, CLEANING, POWER_CLEANING, CHARGE ->
                switch (kind) {
                    case SCREEN -> new How("On its screen: maintenance, " + act.menu + ".", null);
                    case ARROWS ->
                        new How(
                                switch (act) {
                                    case CHECK -> "Its test key, with its computer on-line.";
                                    case CHARGE, POWER_CLEANING ->
                                        "Its cleaning key, held until the strong cleaning begins.";
                                    default -> "Its cleaning key.";
                                },
                                null);
                    case LAMPS -> new How(DRIVER.formatted(act.menu), null);
                };
        };
    }
}
