package fairkettle.check;

import fairkettle.ink.ChannelCode;
import java.util.List;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * What could be seen of one channel.
 *
 * @param strokes how many there should be; 0 where a sheet has none
 * @param missing strokes counted from 0, ascending, as are the other lists
 * @param faint there, with too little ink
 * @param partial a part of the stroke is missing
 * @param bent there, but beside their place
 * @param unsure what is said of these might be wrong: worth a tap
 * @param unseen of those, what the picture does not show: neither there nor missing until somebody looks
 * @param limit share of a full stroke's ink below which a stroke counts as missing, 0 to 1
 * @param solid what its full areas showed; null where a sheet has none
 * @param unreadable why nothing can be said of it, and what to do; null if it was read
 */
public record Look(
        ChannelCode channel,
        int strokes,
        List<Integer> missing,
        List<Integer> faint,
        List<Integer> partial,
        List<Integer> bent,
        List<Integer> unsure,
        List<Integer> unseen,
        double limit,
        @Nullable Solid solid,
        @Nullable String unreadable) {

    public Look {
        missing = sorted(missing);
        faint = sorted(faint);
        partial = sorted(partial);
        bent = sorted(bent);
        unsure = sorted(unsure);
        unseen = unseen == null ? List.of() : sorted(unseen); // readings that were kept before know none
        if (missing.stream().anyMatch(s -> s < 0 || s >= strokes)) {
            throw new IllegalArgumentException(
                    "Channel %s has %d strokes, numbered from 0.".formatted(channel, strokes));
        }
    }

    public static Look unreadable(ChannelCode channel, int strokes, String why) {
        return new Look(
                channel, strokes, List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), 1, null, why);
    }

    /** As a person tapped it. */
    public static Look tapped(ChannelCode channel, int strokes, List<Integer> missing) {
        return new Look(
                channel, strokes, missing, List.of(), List.of(), List.of(), List.of(), List.of(), 0, null, null);
    }

    public boolean readable() {
        return unreadable == null;
    }

    /** Whether it may count as a check as it was read: nothing of it is hidden. */
    public boolean whollySeen() {
        return readable() && unseen.isEmpty();
    }

    private static List<Integer> sorted(List<Integer> some) {
        return List.copyOf(new TreeSet<>(some));
    }
}
