package fairkettle.round;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something that wants to be done at a machine, as people name it; {@link Agenda} makes a chain of it.
 *
 * @param key stays the same while it is the same errand
 * @param machine number of the machine
 * @param release earliest minute; {@code firstBy} as in {@link Chain}
 * @param begun earlier parts are done and hold the machine
 * @param ideal minute by which it should be done; {@code latest} after which it hurts
 * @param weight how dear its failure is, 1 to 10
 */
public record Errand(
        String key,
        String title,
        int machine,
        Gloves gloves,
        List<Part> parts,
        int release,
        int firstBy,
        boolean begun,
        int ideal,
        int latest,
        int weight) {

    /** Lateness of more than this is all the same, in minutes. */
    private static final int LONG_AGO = 3 * 1440;

    private static final int LEAST_DROP = 120;

    public Errand {
        parts = List.copyOf(parts);
        if (parts.isEmpty()) {
            throw new IllegalArgumentException("The errand (%s) has nothing to do.".formatted(key));
        }
    }

    /** @param thing single thing in hand, or null; @param only bit set of those who may do it, or 0 for everybody */
    public record Part(
            String key,
            String title,
            int hands,
            int machine,
            int rest,
            int restMax,
            @Nullable String thing,
            int only) {}

    /** The same, from another minute on. */
    public Errand from(int minute) {
        return new Errand(
                key, title, machine, gloves, parts, Math.max(0, minute), firstBy, begun, ideal, latest, weight);
    }

    /** Pinned to a minute, and to a person where one is given. */
    public Errand pinned(int at, int only) {
        return new Errand(
                key,
                title,
                machine,
                gloves,
                parts.stream()
                        .map(p -> new Part(
                                p.key,
                                p.title,
                                p.hands,
                                p.machine,
                                p.rest,
                                p.restMax,
                                p.thing,
                                only == 0 ? p.only : only))
                        .toList(),
                Math.max(release, at),
                at,
                begun,
                ideal,
                latest,
                weight);
    }

    /** The same when it comes round again. */
    public Errand due(int minute) {
        return new Errand(
                key, title, machine, gloves, parts, release, firstBy, begun, minute, minute + latest - ideal, weight);
    }

    Chain chain(List<String> things, int everybody) {
        var tasks = parts.stream()
                .map(p -> new Task(
                        p.title,
                        p.hands,
                        p.machine,
                        p.rest,
                        p.restMax,
                        true,
                        p.thing == null ? List.of() : List.of(things.indexOf(p.thing)),
                        false,
                        p.only == 0 ? everybody : p.only,
                        gloves))
                .toList();
        var dues = new ArrayList<Due>();
        int shift = 0;
        int soonIdeal = Math.max(-LONG_AGO, ideal);
        int soonLatest = Math.max(soonIdeal, Math.max(-LONG_AGO, latest));
        for (int i = 0; i < tasks.size(); i++) {
            if (i == tasks.size() - 1 || tasks.get(i).open()) {
                dues.add(new Due(
                        soonIdeal + shift,
                        soonLatest + shift,
                        weight,
                        10 * weight,
                        10L * weight * Math.max(LEAST_DROP, 1440 - soonLatest)));
                shift += tasks.get(i).waitMin() + 15;
            }
        }
        return new Chain(title, machine, release, firstBy, begun, tasks, dues);
    }
}
