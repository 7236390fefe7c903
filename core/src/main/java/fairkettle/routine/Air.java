package fairkettle.routine;

import java.time.Instant;

/**
 * A reading of a room's air.
 *
 * @param celsius °C
 * @param humidity relative, %
 */
public record Air(Instant at, double celsius, double humidity) {

    /** Deficit at 22 °C and 50 %, against which every interval is set, kPa. */
    private static final double REFERENCE = deficit(22, 50);

    private static final double LEAST = 0.5;
    private static final double MOST = 3;

    public Air {
        if (!(celsius >= -10 && celsius <= 60)) {
            throw new IllegalArgumentException("The room cannot have %s °C. Enter -10 to 60.".formatted(celsius));
        }
        if (!(humidity >= 0 && humidity <= 100)) {
            throw new IllegalArgumentException("The humidity cannot be %s %%. Enter 0 to 100.".formatted(humidity));
        }
    }

    /** Vapour-pressure deficit, kPa, by Tetens' formula: how strongly the air draws water. */
    public double deficit() {
        return deficit(celsius, humidity);
    }

    private static double deficit(double celsius, double humidity) {
        return 0.6108 * Math.exp(17.27 * celsius / (celsius + 237.3)) * (1 - humidity / 100);
    }

    /** How many times as fast as in reference air things dry, 0.5 to 3. */
    public double drying() {
        return Math.clamp(deficit() / REFERENCE, LEAST, MOST);
    }
}
