package fairkettle.ink;

/** What a vessel may hold a share of. Air is not booked: it is whatever capacity is left. */
public sealed interface Substance {

    /** Ink of a family and channel, from a lot on the shelf or, with lot 0, from before the account began. */
    record Ink(Family family, ChannelCode channel, long lot) implements Substance {}

    /** Cleaning fluid matched to a family; it never stays in the path. */
    record Fluid(Family family) implements Substance {}

    /** "ink/SUBLIMATION/C/12" or "fluid/SUBLIMATION": the inverse of {@link #parse}. */
    default String key() {
        return switch (this) {
            case Ink(var family, var channel, var lot) -> "ink/%s/%s/%d".formatted(family, channel, lot);
            case Fluid(var family) -> "fluid/" + family;
        };
    }

    static Substance parse(String key) {
        var parts = key.split("/");
        return switch (parts[0]) {
            case "ink" -> new Ink(Family.valueOf(parts[1]), ChannelCode.of(parts[2]), Long.parseLong(parts[3]));
            case "fluid" -> new Fluid(Family.valueOf(parts[1]));
            default ->
                throw new IllegalArgumentException("The substance (%s) is neither ink nor fluid.".formatted(key));
        };
    }
}
