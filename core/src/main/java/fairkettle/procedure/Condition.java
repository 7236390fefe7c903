package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import org.jspecify.annotations.Nullable;

/**
 * A facet having a value: as a need, what must be so; as an effect, what is so afterwards.
 *
 * @param channel null exactly for facets of the whole machine
 */
public record Condition(Facet facet, @Nullable ChannelCode channel, String value) {

    public Condition {
        if (facet.perChannel() == (channel == null)) {
            throw new IllegalArgumentException(
                    "Facet %s %s channel.".formatted(facet, facet.perChannel() ? "needs a" : "has no"));
        }
        if (!facet.possible().contains(value)) {
            throw new IllegalArgumentException(
                    "Facet %s is never (%s), only %s.".formatted(facet, value, facet.possible()));
        }
    }

    public static Condition that(Facet facet, String value) {
        return new Condition(facet, null, value);
    }

    public static Condition that(Facet facet, ChannelCode channel, String value) {
        return new Condition(facet, channel, value);
    }

    /** "the tank cap of C must be open". */
    public String asNeed() {
        return facet.label() + (channel == null ? "" : " of " + channel) + " must be " + value;
    }
}
