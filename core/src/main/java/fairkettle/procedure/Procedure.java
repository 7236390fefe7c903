package fairkettle.procedure;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;

/** Ordered steps with their quantities filled in, and the state they begin from. */
public record Procedure(List<Condition> start, List<Step> steps) {

    public Procedure {
        start = List.copyOf(start);
        steps = List.copyOf(steps);
        var ids = new HashSet<String>();
        for (var step : steps) {
            if (!ids.add(step.id())) {
                throw new IllegalArgumentException("Two steps are called (%s).".formatted(step.id()));
            }
        }
    }

    public MachineState startState() {
        return MachineState.USUAL.with(start);
    }

    /** Puts parts together: each named, in order. */
    public static final class Builder {
        private final List<Step> steps = new ArrayList<>();

        public Builder part(String name, List<Step> more) {
            more.forEach(step -> steps.add(step.inPart(name)));
            return this;
        }

        public Procedure from(List<Condition> start) {
            return new Procedure(start, steps);
        }
    }
}
