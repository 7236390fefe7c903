package fairkettle.check;

import fairkettle.ink.ChannelCode;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What a whole check means: what it is good enough for, what the gaps look like, what to do next.
 *
 * @param headline the one thing to know
 * @param says why, and what it is good enough for
 * @param goodFor work that it forgives
 * @param notFor work that would show it
 * @param spoiled mixed colours that a weak primary spoils
 */
public record Verdict(String headline, String says, Set<Work> goodFor, Set<Work> notFor, List<String> spoiled) {

    public Verdict {
        goodFor = Set.copyOf(goodFor);
        notFor = Set.copyOf(notFor);
        spoiled = List.copyOf(spoiled);
    }

    /**
     * One channel as it is judged.
     *
     * @param change against the check before; null for the first
     */
    public record Judged(
            ChannelCode channel,
            int strokes,
            List<Integer> missing,
            @Nullable Change change,
            Course course) {}

    /** @param tolerances per work; the usual where none is given */
    public static Verdict of(List<Judged> channels, Map<Work, Work.Tolerance> tolerances) {
        var good = new LinkedHashSet<Work>();
        var bad = new LinkedHashSet<Work>();
        for (var work : Work.values()) {
            var used = channels.stream().filter(c -> work.uses(c.channel())).toList();
            if (!used.isEmpty()) {
                boolean fine = used.stream()
                        .allMatch(
                                c -> tolerances.getOrDefault(work, work.usual()).takes(c.strokes(), c.missing()));
                (fine ? good : bad).add(work);
            }
        }
        int gaps = channels.stream().mapToInt(c -> c.missing().size()).sum();
        int standing = channels.stream()
                .filter(c -> c.course().stands())
                .mapToInt(c -> c.course().standing().size())
                .sum();
        return new Verdict(headline(channels, gaps, standing), says(channels, good, bad), good, bad, spoiled(channels));
    }

    /** What a channel's gaps look like; of several the one that concerns most gaps is the thing to know. */
    private enum Finding {
        GONE,
        FALLING,
        NEW,
        STANDING,
        MOVED,
        HEALING,
        MISSING;

        static Finding of(Judged c) {
            if (c.missing().size() == c.strokes()) {
                return GONE;
            }
            var kind = c.change() == null ? null : c.change().kind();
            if (kind == Change.Kind.MOVED) {
                return MOVED;
            }
            if (c.course().stands()
                    && c.course().standing().size() * 2 >= c.missing().size()) {
                return STANDING;
            }
            if (c.course().falling()) {
                return FALLING;
            }
            if (kind == Change.Kind.NEW || kind == Change.Kind.WORSE) {
                return NEW;
            }
            return kind == Change.Kind.HEALED ? HEALING : MISSING;
        }
    }

    /** The gravest finding: a channel that is gone, else what most of the gaps look like. Null if there are none. */
    private static @Nullable Finding gravest(List<Judged> channels) {
        var weights = new EnumMap<Finding, Integer>(Finding.class);
        channels.stream()
                .filter(c -> !c.missing().isEmpty())
                .forEach(c -> weights.merge(Finding.of(c), c.missing().size(), Integer::sum));
        return weights.containsKey(Finding.GONE)
                ? Finding.GONE
                : weights.entrySet().stream()
                        .max(Map.Entry.comparingByValue())
                        .map(Map.Entry::getKey)
                        .orElse(null);
    }

    private static String headline(List<Judged> channels, int gaps, int standing) {
        return switch (gravest(channels)) {
            case null -> "Every nozzle left its mark.";
            case GONE ->
                "%s is gone altogether."
                        .formatted(channels.stream()
                                .filter(c -> Finding.of(c) == Finding.GONE)
                                .map(c -> c.channel().code())
                                .collect(Collectors.joining(", ")));
            case MOVED -> "The gaps move.";
            case STANDING ->
                standing == 1 ? "One gap stands." : "%d gaps stand, none of them has moved.".formatted(standing);
            case FALLING -> "It gets worse from check to check.";
            case NEW -> "New gaps since the last check.";
            case HEALING -> "It heals; %d still missing.".formatted(gaps);
            case MISSING -> "%d missing.".formatted(gaps);
        };
    }

    private static String says(List<Judged> channels, Set<Work> good, Set<Work> bad) {
        var words = new ArrayList<String>();
        switch (gravest(channels)) {
            case GONE ->
                words.add("A whole channel at once is seldom a clog: look at level, vent, valve and seating before any"
                        + " cleaning.");
            case MOVED -> words.add("That looks like air, not dried ink: a purge sheet or a rest, not more cleanings.");
            case STANDING -> words.add("That looks dried, not air.");
            case null, default -> {}
        }
        WhitePasses.of(channels.stream()
                        .map(c ->
                                new WhitePasses.Counted(c.channel(), c.missing().size(), c.strokes()))
                        .toList())
                .ifPresent(p -> words.add(p.words()));
        if (!good.isEmpty()) {
            words.add("Good enough for %s.".formatted(names(good)));
        }
        if (!bad.isEmpty()) {
            words.add("%s would show it.".formatted(capital(names(bad))));
        }
        return String.join(" ", words);
    }

    private static String names(Set<Work> works) {
        var names = works.stream().map(Work::label).toList();
        return names.size() == 1
                ? names.getFirst()
                : String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.getLast();
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** Colours that are mixed from a channel that lost more than a tenth. */
    private static List<String> spoiled(List<Judged> channels) {
        var mixed = new LinkedHashSet<String>();
        for (var c : channels) {
            if (c.missing().size() * 10 > c.strokes()) {
                mixed.addAll(
                        switch (c.channel().code()) {
                            case "C" -> List.of("blue", "green");
                            case "M" -> List.of("red", "blue", "skin");
                            case "Y" -> List.of("red", "green", "skin");
                            case "K" -> List.of("black", "text", "shadows");
                            case "LC", "LM" -> List.of("skin", "pale sky");
                            case "GY", "PK" -> List.of("greys", "shadows");
                            default -> List.of("everything on dark cloth");
                        });
            }
        }
        return List.copyOf(mixed);
    }
}
