package fairkettle.procedure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;

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

    /** The same, with words added to the first step that has to do with what they are about. */
    public Procedure reminding(Map<Facet, String> words) {
        var open = new HashMap<>(words);
        return new Procedure(
                start,
                steps.stream()
                        .map(step -> {
                            var told = Stream.concat(step.needs().stream(), step.effects().stream())
                                    .map(Condition::facet)
                                    .distinct()
                                    .map(open::remove)
                                    .filter(Objects::nonNull)
                                    .collect(Collectors.joining(" "));
                            return told.isEmpty() ? step : step.saying((step.say() + " " + told).strip());
                        })
                        .toList());
    }

    /** The same for hands that take so many times as long; waits and the machine’s own time stay. */
    public Procedure paced(double factor) {
        return factor == 1
                ? this
                : new Procedure(start, steps.stream().map(s -> s.paced(factor)).toList());
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
