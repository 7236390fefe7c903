package fairkettle.standin.machine;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;

/** The room's air over the year and the day, from a seed: warm and dry by the heater in winter, damp on some days. */
public final class Climate {

    private static final double REFERENCE = 1.3217; // kPa at 22 °C and 50 %

    private final long seed;

    public Climate(long seed) {
        this.seed = seed;
    }

    /** @param celsius °C; @param humidity %, relative */
    public record Air(double celsius, double humidity) {

        /**
         * How much faster than at 22 °C and 50 % water leaves: vapour-pressure deficit (Tetens) against the reference,
         * 0.5 to 3.
         */
        public double drying() {
            double deficit = 0.6108 * Math.exp(17.27 * celsius / (celsius + 237.3)) * (1 - humidity / 100);
            return Math.clamp(deficit / REFERENCE, 0.5, 3);
        }
    }

    public Air at(Instant when) {
        double days = Duration.between(Instant.EPOCH, when).toMinutes() / 1440.0;
        double hour = when.atOffset(ZoneOffset.UTC).getHour()
                + when.atOffset(ZoneOffset.UTC).getMinute() / 60.0;
        double year = Math.cos((days % 365.25 - 15) / 365.25 * 2 * Math.PI); // 1 in mid January
        double weather = wave(days / 3.1) + .6 * wave(days / 1.3 + 71);
        double celsius = 20.5 - 1.5 * year + 1.8 * Math.sin((hour - 9) / 24 * 2 * Math.PI) + weather;
        double humidity = 48 - 9 * year - 3 * Math.sin((hour - 9) / 24 * 2 * Math.PI) + 7 * wave(days / 2.3 + 400);
        return new Air(Math.round(celsius * 10) / 10.0, Math.round(Math.clamp(humidity, 20, 85) * 10) / 10.0);
    }

    /** Smooth, from -1 to 1, the same for the same seed. */
    private double wave(double at) {
        long i = (long) Math.floor(at);
        double f = at - i;
        double s = f * f * (3 - 2 * f);
        return dice(i) * (1 - s) + dice(i + 1) * s;
    }

    private double dice(long i) {
        long z = (seed + i) * 0x9E3779B97F4A7C15L;
        z = (z ^ z >>> 30) * 0xBF58476D1CE4E5B9L;
        z = (z ^ z >>> 27) * 0x94D049BB133111EBL;
        return ((z ^ z >>> 31) >>> 11) * 0x1.0p-52 - 1;
    }
}
