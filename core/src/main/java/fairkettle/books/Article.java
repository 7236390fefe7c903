package fairkettle.books;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Supply;

/** What is kept on the shelf and bought again. Its amounts are microlitres or pieces. */
public sealed interface Article {

    /** Ink of one make: bottles of another are another article. */
    record Ink(Family family, ChannelCode channel, String make) implements Article {}

    record Fluid(Family family) implements Article {}

    record Part(Supply what) implements Article {}

    /** Something that only this shop keeps. */
    record Own(long id) implements Article {}

    /** “ink/SUBLIMATION/C/own”, “fluid/FILM”, “part/GLOVES”, “own/3”: the inverse of {@link #parse}. */
    default String key() {
        return switch (this) {
            case Ink(var family, var channel, var make) -> "ink/%s/%s/%s".formatted(family, channel, make);
            case Fluid(var family) -> "fluid/" + family;
            case Part(var what) -> "part/" + what;
            case Own(var id) -> "own/" + id;
        };
    }

    /** @throws IllegalArgumentException if there can be no such article */
    static Article parse(String key) {
        var parts = key.split("/", 4);
        return switch (parts[0]) {
            case "ink" ->
                new Ink(Family.valueOf(part(key, parts, 1)), ChannelCode.of(part(key, parts, 2)), part(key, parts, 3));
            case "fluid" -> new Fluid(Family.valueOf(part(key, parts, 1)));
            case "part" -> new Part(Supply.valueOf(part(key, parts, 1)));
            case "own" -> new Own(Long.parseLong(part(key, parts, 1)));
            default -> throw unknown(key);
        };
    }

    private static String part(String key, String[] parts, int which) {
        if (parts.length <= which || parts[which].isBlank()) {
            throw unknown(key);
        }
        return parts[which];
    }

    private static IllegalArgumentException unknown(String key) {
        return new IllegalArgumentException("The shelf knows no article (%s).".formatted(key));
    }

    /** Whether it is measured, in microlitres, rather than counted. */
    default boolean liquid() {
        return this instanceof Ink || this instanceof Fluid;
    }
}
