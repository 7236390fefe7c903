package fairkettle.machine;

import fairkettle.ink.ChannelCode;
import java.util.Map;

/**
 * What was changed about a machine since it was built.
 *
 * @param carries slots that carry another channel than they were made for: a grey slot that carries white
 */
public record Fit(Feed feed, Chips chips, Map<ChannelCode, ChannelCode> carries) {

    public Fit {
        carries = Map.copyOf(carries);
    }

    /** As it left the maker. */
    public static Fit asBuilt(Profile profile) {
        return new Fit(Feed.AS_BUILT, profile.chips().isEmpty() ? Chips.NONE : Chips.MAKERS, Map.of());
    }

    /**
     * Whether the levels that it reports of itself count anything: chips that are ignored or reset themselves say
     * “full” for ever.
     */
    public boolean levelsCount() {
        return chips == Chips.NONE || chips == Chips.MAKERS;
    }

    public Fit fedBy(Feed other) {
        return new Fit(other, chips, carries);
    }

    public Fit chipped(Chips other) {
        return new Fit(feed, other, carries);
    }

    public Fit carrying(Map<ChannelCode, ChannelCode> other) {
        return new Fit(feed, chips, other);
    }
}
