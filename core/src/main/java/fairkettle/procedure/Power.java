package fairkettle.procedure;

import fairkettle.safety.Caution;

/** In which state of its power a machine is while a step is done. */
public enum Power {
    UNPLUGGED("unplugged"),
    OFF("switched off"),
    ON("power on"),
    /** It moves by itself. */
    HANDS_OFF("power on: hands off the carriage");

    private final String label;

    Power(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** As it is now, whatever is done at it. */
    public static Power of(MachineState state) {
        return named(state.value(Facet.POWER, null));
    }

    /** As the step wants it; where it wants nothing, as the machine is. */
    public static Power during(Step step, MachineState state) {
        var wanted = step.needs().stream()
                .filter(need -> need.facet() == Facet.POWER)
                .map(need -> named(need.value()))
                .findFirst()
                .orElseGet(() -> of(state));
        boolean moves = step.pause() != null && step.pause().machine()
                || step.cautions().contains(Caution.NO_POWER_OFF)
                || step.cautions().contains(Caution.OPEN_POWER);
        return moves && wanted == ON ? HANDS_OFF : wanted;
    }

    private static Power named(String value) {
        return switch (value) {
            case "unplugged" -> UNPLUGGED;
            case "off" -> OFF;
            case "on" -> ON;
            default -> throw new IllegalStateException("Impossible state: power (%s).".formatted(value));
        };
    }
}
