package fairkettle.check;

import java.util.Collection;
import java.util.List;
import java.util.TreeSet;

/**
 * One channel's check against an earlier one.
 *
 * @param healed strokes that came back
 * @param stayed missing then and now
 * @param fresh missing now and not then
 */
public record Change(Kind kind, List<Integer> healed, List<Integer> stayed, List<Integer> fresh) {

    /** In one word. */
    public enum Kind {
        SAME("same"),
        HEALED("healed"),
        MOVED("moved"),
        NEW("new"),
        WORSE("worse");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public Change {
        healed = List.copyOf(healed);
        stayed = List.copyOf(stayed);
        fresh = List.copyOf(fresh);
    }

    /** @param before and @param now strokes missing */
    public static Change between(Collection<Integer> before, Collection<Integer> now) {
        var healed = new TreeSet<>(before);
        healed.removeAll(now);
        var stayed = new TreeSet<>(before);
        stayed.retainAll(now);
        var fresh = new TreeSet<>(now);
        fresh.removeAll(before);
        return new Change(
                kind(before.size(), healed.size(), stayed.size(), fresh.size()),
                List.copyOf(healed),
                List.copyOf(stayed),
                List.copyOf(fresh));
    }

    private static Kind kind(int before, int healed, int stayed, int fresh) {
        if (healed == 0 && fresh == 0) {
            return Kind.SAME;
        }
        if (fresh == 0) {
            return Kind.HEALED;
        }
        if (before == 0) {
            return Kind.NEW;
        }
        if (healed == 0) {
            return Kind.WORSE;
        }
        // why: gaps that go here and come there are air only if most of them wander; a few strays beside a standing row
        // are not
        if (Math.min(healed, fresh) * 2 >= Math.max(healed, fresh) && Math.min(healed, fresh) * 2 >= stayed) {
            return Kind.MOVED;
        }
        return fresh > healed ? Kind.WORSE : Kind.HEALED;
    }

    /** "healed 2", "same places", "3 new, 1 healed". */
    public String words() {
        return switch (kind) {
            case SAME -> stayed.isEmpty() ? "same" : "same places";
            case HEALED ->
                fresh.isEmpty()
                        ? "healed %d".formatted(healed.size())
                        : "healed %d, %d new".formatted(healed.size(), fresh.size());
            case MOVED -> "moved: %d healed, %d new".formatted(healed.size(), fresh.size());
            case NEW -> "%d new".formatted(fresh.size());
            case WORSE ->
                healed.isEmpty()
                        ? "worse: %d more".formatted(fresh.size())
                        : "worse: %d more, %d healed".formatted(fresh.size(), healed.size());
        };
    }
}
