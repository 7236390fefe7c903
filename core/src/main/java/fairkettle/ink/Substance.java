package fairkettle.ink;

/** What a vessel may hold a share of. Air is not booked: it is whatever capacity is left. */
public sealed interface Substance extends Comparable<Substance> {

    /** Ink of a family and channel, from a lot on the shelf or, with lot 0, from before the account began. */
    record Ink(Family family, ChannelCode channel, long lot) implements Substance {

        private int order(Ink other) {
            if (family != other.family) {
                return family.name().compareTo(other.family.name());
            }
            int byChannel = channel.code().compareTo(other.channel.code());
            return byChannel != 0 || lot == other.lot
                    ? byChannel
                    : Long.toString(lot).compareTo(Long.toString(other.lot));
        }
    }

    /** Cleaning fluid matched to a family; it never stays in the path. */
    record Fluid(Family family) implements Substance {}

    /** "ink/SUBLIMATION/C/12" or "fluid/SUBLIMATION": the inverse of {@link #parse}. */
    default String key() {
        return switch (this) {
            case Ink(var family, var channel, var lot) -> "ink/%s/%s/%d".formatted(family, channel, lot);
            case Fluid(var family) -> "fluid/" + family;
        };
    }

    Family family();

    /** In the order of their keys, without making them: an account compares substances all the time. */
    @Override
    default int compareTo(Substance other) {
        return switch (this) {
            case Fluid(var family) ->
                other instanceof Fluid fluid
                        ? family.name().compareTo(fluid.family().name())
                        : -1;
            case Ink ink -> other instanceof Ink with ? ink.order(with) : 1;
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
