package fairkettle.imaging;

import java.util.Arrays;
import java.util.Optional;

/**
 * How coarsely a JPEG was rounded (ITU-T T.81): strokes that are fainter than its steps vanish without a trace, so that
 * a reader without this would be sure and wrong.
 *
 * @param luma steps of the 64 coefficients, in zigzag order, in levels of 0 to 255
 * @param chroma the same for colour
 * @param across how many pixels share one colour value in a row
 * @param down the same in a column
 */
record JpegLoss(int[] luma, int[] chroma, int across, int down) {

    private static final int[] ZIGZAG = {
        0, 1, 8, 16, 9, 2, 3, 10, 17, 24, 32, 25, 18, 11, 4, 5, 12, 19, 26, 33, 40, 48, 41, 34, 27, 20, 13, 6, 7, 14,
        21, 28, 35, 42, 49, 56, 57, 50, 43, 36, 29, 22, 15, 23, 30, 37, 44, 51, 58, 59, 52, 45, 38, 31, 39, 46, 53, 60,
        61, 54, 47, 55, 62, 63
    };

    /** From the file's own tables; empty if there are none to be found. */
    static Optional<JpegLoss> of(byte[] b) {
        var tables = new int[4][];
        int[] which = {0, 0};
        int across = 1;
        int down = 1;
        int at = 2;
        while (at + 4 < b.length && (b[at] & 0xff) == 0xff) {
            int marker = b[at + 1] & 0xff;
            int length = (b[at + 2] & 0xff) << 8 | b[at + 3] & 0xff;
            if (marker == 0xda || length < 2 || at + 2 + length > b.length) {
                break;
            }
            int end = at + 2 + length;
            if (marker == 0xdb) {
                for (int p = at + 4; p < end; ) {
                    int id = b[p] & 3;
                    int wide = (b[p] >> 4 & 1) + 1;
                    p++;
                    if (p + 64 * wide > end) {
                        break;
                    }
                    tables[id] = new int[64];
                    for (int i = 0; i < 64; i++, p += wide) {
                        tables[id][i] = wide == 1 ? b[p] & 0xff : (b[p] & 0xff) << 8 | b[p + 1] & 0xff;
                    }
                }
            } else if (marker >= 0xc0 && marker <= 0xc2 && length >= 17) {
                int count = b[at + 9];
                which[0] = b[at + 12] & 3;
                if (count >= 3) {
                    which[1] = b[at + 15] & 3;
                    across = Math.max(1, (b[at + 11] >> 4 & 15) / Math.max(1, b[at + 14] >> 4 & 15));
                    down = Math.max(1, (b[at + 11] & 15) / Math.max(1, b[at + 14] & 15));
                }
            }
            at = end;
        }
        int[] luma = tables[which[0]];
        int[] chroma = tables[which[1]] == null ? luma : tables[which[1]];
        return luma == null ? Optional.empty() : Optional.of(new JpegLoss(luma, chroma, across, down));
    }

    /**
     * Of a full horizontal stroke, the share that must be there to leave any trace.
     *
     * @param levels how much darker a full stroke is, in levels of 0 to 255, red green blue
     * @param thick its thickness in pixels as it appears, with blur
     */
    double vanishing(double[] levels, double thick) {
        double y = .299 * levels[0] + .587 * levels[1] + .114 * levels[2];
        double cb = -.169 * levels[0] - .331 * levels[1] + .5 * levels[2];
        double cr = .5 * levels[0] - .419 * levels[1] - .081 * levels[2];
        double best = Math.max(
                trace(Math.abs(y), luma, thick),
                Math.max(trace(Math.abs(cb), chroma, thick / down), trace(Math.abs(cr), chroma, thick / down)));
        return best <= 0 ? 1 : Math.min(1, 0.5 / best);
    }

    /** Largest coefficient of such a line through a block, in steps; the middle over where in the block it lies. */
    private static double trace(double level, int[] steps, double thick) {
        var found = new double[8];
        for (int place = 0; place < 8; place++) {
            double best = 0;
            for (int v = 0; v < 8; v++) {
                double sum = 0;
                for (int row = 0; row < 8; row++) {
                    double d = (row - place) / Math.max(0.6, thick * 0.6);
                    sum += level * Math.min(1, thick) * Math.exp(-d * d) * Math.cos((2 * row + 1) * v * Math.PI / 16);
                }
                double coefficient = sum * (v == 0 ? Math.sqrt(1 / 8.0) : 0.5) * Math.sqrt(8);
                best = Math.max(best, Math.abs(coefficient) / steps[index(v * 8)]);
            }
            found[place] = best;
        }
        Arrays.sort(found);
        return found[3];
    }

    private static int index(int natural) {
        for (int i = 0; i < 64; i++) {
            if (ZIGZAG[i] == natural) {
                return i;
            }
        }
        throw new IllegalStateException("Impossible state: the zigzag visits all 64.");
    }
}
