package fairkettle.check;

import fairkettle.ink.ChannelCode;
import java.util.Collection;
import java.util.TreeSet;

/** What is printed next, and how many gaps it forgives. A shop may set its own {@link Tolerance}. */
public enum Work {
    PHOTO("photo", new Tolerance(0.012, 1)),
    WHITE("solid film white", new Tolerance(0.05, 2)),
    SOLID("solid colour", new Tolerance(0.02, 1)),
    TEXT("text", new Tolerance(0.06, 3));

    private final String label;
    private final Tolerance usual;

    Work(String label, Tolerance usual) {
        this.label = label;
        this.usual = usual;
    }

    /**
     * @param share of a channel's strokes that may be missing, 0 to 1
     * @param neighbours of them side by side
     */
    public record Tolerance(double share, int neighbours) {

        public Tolerance {
            if (share < 0 || share > 1 || neighbours < 0) {
                throw new IllegalArgumentException("A share from 0 to 1 and not fewer than 0 neighbours, not %s and %d."
                        .formatted(share, neighbours));
            }
        }

        /** Whether that many gaps in one channel do no harm. */
        public boolean takes(int strokes, Collection<Integer> missing) {
            return missing.size() <= Math.max(share * strokes, neighbours == 0 ? 0 : 1)
                    && longest(missing) <= neighbours;
        }
    }

    public String label() {
        return label;
    }

    public Tolerance usual() {
        return usual;
    }

    /** Whether that work uses the channel at all. */
    public boolean uses(ChannelCode channel) {
        return channel.white() == (this == WHITE) || this == PHOTO && !channel.white();
    }

    /** Most gaps side by side. */
    static int longest(Collection<Integer> missing) {
        int longest = 0;
        int run = 0;
        int before = Integer.MIN_VALUE;
        for (int gap : new TreeSet<>(missing)) {
            run = gap == before + 1 ? run + 1 : 1;
            longest = Math.max(longest, run);
            before = gap;
        }
        return longest;
    }
}
