package fairkettle.machine;

import java.time.Duration;
import org.jspecify.annotations.Nullable;

/**
 * How an act is started at a machine: through a menu where there is a screen, with keys held where there is none, or in
 * the driver.
 */
public final class Panel {

    private static final Duration KEY = Duration.ofSeconds(5);
    private static final Duration UPDATE = Duration.ofSeconds(10);

    private Panel() {}

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
    }

    /** @param hold how long keys are held, or null where none are */
    public record How(String say, @Nullable Duration hold) {

        /** How long keys are held. @throws IllegalStateException where none are */
        public Duration held() {
            if (hold == null) {
                throw new IllegalStateException("Impossible state: no key is held for “%s”.".formatted(say));
            }
            return hold;
        }
    }

    public static How how(Capabilities capable, Act act) {
        return switch (act) {
            case UPDATE_MODE ->
                new How(
                        capable.screen()
                                ? "Switch off. Hold the keys that the seller names while switching on, until the"
                                        + " screen says update."
                                : "Switch off. Hold the keys that the seller names while switching on, until two lamps"
                                        + " blink in turn.",
                        UPDATE);
            case CHIP_RESET -> new How("With the carriage parked, hold the button on the cartridges.", KEY);
            case POWER_CLEANING ->
                capable.powerCleanFromPanel()
                        ? menu(act)
                        : new How("Only in the driver on its computer: maintenance, power cleaning.", null);
            case CHECK, CLEANING ->
                capable.screen()
                        ? menu(act)
                        : new How(
                                act == Act.CHECK
                                        ? "Hold the paper key while switching on, and let go when the lamp blinks."
                                        : "Hold the ink key until the power lamp blinks.",
                                KEY);
            case CHARGE -> capable.screen() ? menu(act) : new How("Hold the help key until the ink lamp blinks.", KEY);
        };
    }

    private static How menu(Act act) {
        return new How("On its screen: maintenance, " + act.menu + ".", null);
    }
}
