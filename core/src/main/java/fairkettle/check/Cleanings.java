package fairkettle.check;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/** Cleanings of a machine, each with what set it off and what came of it, as the checks around it tell. */
public final class Cleanings {

    private Cleanings() {}

    /** What happened. */
    public sealed interface Event {
        Instant at();
    }

    /** @param card the card's title; null for one that was done outside cards */
    public record Cleaned(
            long entry, Instant at, boolean power, @Nullable String card) implements Event {}

    /** Somebody looked. @param gaps by channel; 0 for a whole one */
    public record Looked(Instant at, Map<String, Integer> gaps) implements Event {
        public Looked {
            gaps = Map.copyOf(new TreeMap<>(gaps));
        }

        private int all() {
            return gaps.values().stream().mapToInt(Integer::intValue).sum();
        }

        private String words() {
            var failing = new TreeMap<>(gaps);
            failing.values().removeIf(n -> n == 0);
            var words = new ArrayList<String>();
            failing.forEach((channel, n) -> words.add("%s %d missing".formatted(channel, n)));
            return String.join(", ", words);
        }
    }

    /** @param trigger what set it off; @param result what the next check said */
    public record Told(Cleaned cleaned, String trigger, String result) {}

    /** @param events oldest first @return cleanings, the newest first */
    public static List<Told> of(List<? extends Event> events) {
        var told = new ArrayList<Told>();
        Looked before = null;
        Cleaned open = null;
        Looked beforeOpen = null;
        for (var event : events) {
            switch (event) {
                case Looked now -> {
                    if (open != null) {
                        told.add(new Told(open, trigger(open, beforeOpen), result(beforeOpen, now)));
                        open = null;
                    }
                    before = now;
                }
                case Cleaned now -> {
                    if (open != null) {
                        told.add(new Told(open, trigger(open, beforeOpen), "the next one came before anybody looked"));
                    }
                    open = now;
                    beforeOpen = before;
                }
            }
        }
        if (open != null) {
            told.add(new Told(open, trigger(open, beforeOpen), "nobody looked since"));
        }
        return told.reversed();
    }

    private static String trigger(Cleaned cleaned, @Nullable Looked before) {
        if (cleaned.card() != null) {
            return "its card, “%s”".formatted(cleaned.card());
        }
        if (before == null) {
            return "nobody had looked";
        }
        return before.all() == 0 ? "the check was whole" : before.words();
    }

    private static String result(@Nullable Looked before, Looked after) {
        int left = after.all();
        if (before == null) {
            return left == 0 ? "whole" : after.words();
        }
        int healed = 0;
        for (var was : before.gaps().entrySet()) {
            healed += Math.max(
                    0, was.getValue() - Objects.requireNonNullElse(after.gaps().get(was.getKey()), 0));
        }
        int had = before.all();
        if (left == 0) {
            return had == 0 ? "still whole" : "all came back";
        }
        if (left > had) {
            return "worse: %s".formatted(after.words());
        }
        return healed == 0 ? "no better: %s".formatted(after.words()) : "%d of %d came back".formatted(healed, had);
    }
}
