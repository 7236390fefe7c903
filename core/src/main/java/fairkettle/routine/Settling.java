package fairkettle.routine;

import java.time.Duration;

/**
 * How white sinks where it stands.
 *
 * @param density difference of pigment and carrier, kg/m³
 * @param diameter of the particles, µm
 * @param viscosity of the ink, mPa·s
 */
public record Settling(double density, double diameter, double viscosity) {

    private static final double GRAVITY = 9.81; // m/s²
    private static final double SECONDS = 86_400;

    public static final Settling USUAL = new Settling(3000, 0.30, 6);

    /**
     * Shares settled at which something must be done: in a bottle or tank it thins the print, in a line it lies on the
     * floor.
     */
    public static final double LIMIT_IN_TANK = 0.05;

    public static final double LIMIT_IN_LINE = 0.60;

    public Settling {
        if (!(density > 0 && diameter > 0 && viscosity > 0)) {
            throw new IllegalArgumentException("Density, diameter and viscosity are above nothing (%s, %s, %s)."
                    .formatted(density, diameter, viscosity));
        }
    }

    /** Speed of sinking, mm a day, by Stokes' law: Δρ·g·d² / (18·µ). */
    public double speed() {
        double metres = density * GRAVITY * Math.pow(diameter * 1e-6, 2) / (18 * viscosity * 1e-3);
        return metres * 1000 * SECONDS;
    }

    /**
     * Share of the pigment that has reached the floor, 0 to 1. @param depth mm of ink; nothing settles out of an empty
     * vessel
     */
    public double share(double depth, Duration standing) {
        return depth <= 0 ? 0 : Math.min(1, speed() * Math.max(0, standing.toSeconds()) / SECONDS / depth);
    }

    /** How long it stands until a share has settled. */
    public Duration until(double share, double depth) {
        return Duration.ofSeconds(Math.round(share * depth / speed() * SECONDS));
    }
}
