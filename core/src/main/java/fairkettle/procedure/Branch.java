package fairkettle.procedure;

import java.util.List;

/**
 * Where a step goes when it does not go as planned: its steps come in before the one that failed, which is then tried
 * again.
 *
 * @param label what is seen, as a button says it: "Nothing comes"
 * @param steps what to do about it; they may not fail in turn. None at all: the work stops here
 * @param limit how often it may be taken before the work has to stop
 * @param atLimit what to say then
 */
public record Branch(String id, String label, List<Step> steps, int limit, String atLimit) {

    public Branch {
        steps = List.copyOf(steps);
        if (limit < 1) {
            throw new IllegalArgumentException("The branch (%s) can never be taken.".formatted(id));
        }
    }

    /** Seen this, the work ends, before more is damaged. */
    public static Branch stop(String id, String label, String words) {
        return new Branch(id, label, List.of(), 1, words);
    }

    /** Something to be put right, once or a few times. */
    public static Branch again(String id, String label, int limit, String atLimit, Step... steps) {
        return new Branch(id, label, List.of(steps), limit, atLimit);
    }

    public static Branch once(String id, String label, Step... steps) {
        return again(id, label, 1, "That was done already. Look once more at what is in your hand.", steps);
    }

    Branch paced(double factor) {
        return of(steps.stream().map(s -> s.paced(factor)).toList());
    }

    Branch inPart(String name) {
        return of(steps.stream().map(s -> s.inPart(name)).toList());
    }

    private Branch of(List<Step> others) {
        return new Branch(id, label, others, limit, atLimit);
    }

    public boolean stops() {
        return steps.isEmpty();
    }
}
