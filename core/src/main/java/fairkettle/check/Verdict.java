package fairkettle.check;

import fairkettle.ink.ChannelCode;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
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
        return new Verdict(
                headline(channels, gaps, standing),
                says(channels, gaps, standing, good, bad),
                good,
                bad,
                spoiled(channels));
    }

    private static String headline(List<Judged> channels, int gaps, int standing) {
        var gone = channels.stream()
                .filter(c -> c.missing().size() == c.strokes())
                .map(c -> c.channel().code())
                .toList();
        if (!gone.isEmpty()) {
            return "%s is gone altogether.".formatted(String.join(", ", gone));
        }
        if (gaps == 0) {
            return "Every nozzle left its mark.";
        }
        if (channels.stream().anyMatch(c -> c.change() != null && c.change().kind() == Change.Kind.MOVED)) {
            return "The gaps move.";
        }
        if (standing * 2 >= gaps) {
            return standing == 1 ? "One gap stands." : "%d gaps stand, none of them has moved.".formatted(standing);
        }
        if (channels.stream().anyMatch(c -> c.course().falling())) {
            return "It gets worse from check to check.";
        }
        if (channels.stream()
                .anyMatch(c -> c.change() != null
                        && (c.change().kind() == Change.Kind.NEW || c.change().kind() == Change.Kind.WORSE))) {
            return "New gaps since the last check.";
        }
        return channels.stream().anyMatch(c -> c.change() != null && c.change().kind() == Change.Kind.HEALED)
                ? "It heals; %d still missing.".formatted(gaps)
                : "%d missing.".formatted(gaps);
    }

    private static String says(List<Judged> channels, int gaps, int standing, Set<Work> good, Set<Work> bad) {
        var words = new ArrayList<String>();
        if (channels.stream().anyMatch(c -> c.missing().size() == c.strokes())) {
            words.add("A whole channel at once is seldom a clog: look at level, vent, valve and seating before any"
                    + " cleaning.");
        } else if (gaps > 0
                && channels.stream()
                        .anyMatch(c -> c.change() != null && c.change().kind() == Change.Kind.MOVED)) {
            words.add("That looks like air, not dried ink: a purge sheet or a rest, not more cleanings.");
        } else if (gaps > 0 && standing * 2 >= gaps) {
            words.add("That looks dried, not air.");
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
