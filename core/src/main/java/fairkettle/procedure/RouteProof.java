package fairkettle.procedure;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Walks a procedure with every answer – each branch not taken, taken once, up to its limit – and finds the steps whose
 * needs do not hold. A procedure without violations is proved; one with two dependent steps swapped must not be.
 */
public final class RouteProof {

    private RouteProof() {}

    /** @param taken the branches on the way there */
    public record Violation(String step, List<Condition> missing, List<String> taken) {}

    /** Steps in the order of a procedure, where the later one stands on what the earlier one brought about. */
    public record Dependency(String earlier, String later, Condition because) {}

    public static List<Violation> violations(Procedure procedure) {
        var found = new ArrayList<Violation>();
        walk(procedure.steps(), 0, procedure.startState(), List.of(), found, new HashSet<>());
        return found;
    }

    /** A place on the walk; what comes after it depends on nothing else, so each is walked from once. */
    private record Seen(int at, MachineState state) {}

    private static void walk(
            List<Step> steps, int at, MachineState state, List<String> taken, List<Violation> found, Set<Seen> seen) {
        if (at == steps.size() || !found.isEmpty() || !seen.add(new Seen(at, state))) {
            return;
        }
        var step = steps.get(at);
        if (!check(step, state, taken, found)) {
            return;
        }
        walk(steps, at + 1, state.with(step.effects()), taken, found, seen);
        for (var branch : step.branches()) {
            if (branch.stops()) {
                continue; // nothing comes after it
            }
            var inside = state;
            var path = new ArrayList<>(taken);
            for (int round = 1; round <= branch.limit(); round++) {
                path.add(step.id() + "/" + branch.id());
                for (var extra : branch.steps()) {
                    if (!check(extra, inside, path, found)) {
                        return;
                    }
                    inside = inside.with(extra.effects());
                }
                if (!check(step, inside, path, found)) {
                    return; // a branch must lead back to a step that can be tried again
                }
                walk(steps, at + 1, inside.with(step.effects()), List.copyOf(path), found, seen);
            }
        }
    }

    private static boolean check(Step step, MachineState state, List<String> taken, List<Violation> found) {
        var missing = state.missing(step.needs());
        if (!missing.isEmpty()) {
            found.add(new Violation(step.id(), missing, List.copyOf(taken)));
        }
        return missing.isEmpty();
    }

    /** For every need, the last step before that brought it about; what had been so all along has none. */
    public static List<Dependency> dependencies(Procedure procedure) {
        var found = new ArrayList<Dependency>();
        var steps = procedure.steps();
        var before = new ArrayList<MachineState>();
        var state = procedure.startState();
        for (var step : steps) {
            before.add(state);
            state = state.with(step.effects());
        }
        for (int later = 0; later < steps.size(); later++) {
            for (var need : steps.get(later).needs()) {
                for (int earlier = later - 1; earlier >= 0; earlier--) {
                    if (steps.get(earlier).effects().contains(need)
                            && !before.get(earlier).holds(need)) {
                        found.add(new Dependency(
                                steps.get(earlier).id(), steps.get(later).id(), need));
                        break;
                    }
                }
            }
        }
        return found;
    }

    /** The procedure with a step moved to just before another. */
    public static Procedure moved(Procedure procedure, String step, String before) {
        var steps = new ArrayList<>(procedure.steps());
        var moving = steps.stream().filter(s -> s.id().equals(step)).findFirst().orElseThrow();
        steps.remove(moving);
        int at = steps.stream().map(Step::id).toList().indexOf(before);
        steps.add(at, moving);
        return new Procedure(procedure.start(), steps);
    }
}
