package fairkettle.job;

import fairkettle.ink.ChannelCode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.IntStream;

/**
 * What a picture asks of each ink, as an ordinary driver separates it: the grey part goes to black (undercolour
 * removal), pale cyan and magenta to the light inks, and white lies under everything that is not bare.
 */
public final class Separation {

    /** mm that white usually stays back from every edge of the colours: cloth and film move by a hair. */
    public static final double USUAL_CHOKE = .2;

    private static final int GREY = 10; // of 255: colours so near each other are printed in black alone

    /** What black takes of the grey part of a colour: six tenths. */
    private static final int[] TAKEN =
            IntStream.rangeClosed(0, 255).map(grey -> grey * 6 / 10).toArray();

    private static final int INKS = 4;
    private static final String[] NAMES = {"C", "M", "Y", "K"};
    private static final int LEVELS = 256;

    private final long[][] counts = new long[INKS][LEVELS];
    private final long[] white = new long[LEVELS];
    private long pixels;

    /** One pixel. @param alpha 0 to 255, as {@code red}, {@code green} and {@code blue} */
    public void add(int red, int green, int blue, int alpha) {
        pixels++;
        white[alpha]++;
        if (alpha == 0) {
            return;
        }
        int inks = inks(red, green, blue, alpha);
        counts[0][inks >>> 24]++;
        counts[1][inks >> 16 & 255]++;
        counts[2][inks >> 8 & 255]++;
        counts[3][inks & 255]++;
    }

    /** Cyan, magenta, yellow and black of one pixel, 0 to 255 each, the first in the highest byte. */
    public static int inks(int red, int green, int blue, int alpha) {
        boolean full = alpha == 255; // why: a division for each ink of 24 million pixels is felt
        int c = full ? 255 - red : (255 - red) * alpha / 255;
        int m = full ? 255 - green : (255 - green) * alpha / 255;
        int y = full ? 255 - blue : (255 - blue) * alpha / 255;
        int least = Math.min(c, Math.min(m, y));
        boolean grey = Math.max(c, Math.max(m, y)) - least <= GREY;
        int k = grey ? least : TAKEN[least];
        return c - k << 24 | m - k << 16 | y - k << 8 | k;
    }

    /**
     * Moments of a tone over an area: enough to say what a machine lays down whose dots grow on the way.
     *
     * @param mean of the tones, 0 to 1
     * @param middle mean of {@code 4 t (1 − t)}: 1 where all is half tone, 0 for bare and full
     */
    public record Tone(double mean, double middle) {
        public static final Tone NONE = new Tone(0, 0);

        public Tone {
            if (!(mean >= 0 && mean <= 1 && middle >= 0 && middle <= 1)) {
                throw new IllegalArgumentException("Tones lie between 0 and 1.");
            }
        }
    }

    /**
     * Of the whole picture, by the names of the inks: C, M, Y, K, and W for white; LC and LM for light inks, and C and
     * M beside them under {@link #BESIDE} and the name.
     */
    public Map<String, Tone> tones() {
        var tones = new LinkedHashMap<String, Tone>();
        for (int ink = 0; ink < INKS; ink++) {
            tones.put(NAMES[ink], tone(counts[ink], t -> t));
        }
        for (int ink = 0; ink < 2; ink++) {
            tones.put("L" + NAMES[ink], tone(counts[ink], t -> t < HALF ? 2 * t : 2 - 2 * t));
            tones.put(BESIDE + NAMES[ink], tone(counts[ink], t -> t < HALF ? 0 : 2 * t - 1));
        }
        tones.put("W", tone(white, t -> t));
        return tones;
    }

    private static final String BESIDE = "beside light ";
    private static final double HALF = .5;

    private Tone tone(long[] of, DoubleUnaryOperator curve) {
        double sum = 0;
        double middle = 0;
        for (int i = 0; i < LEVELS; i++) {
            double t = curve.applyAsDouble(i / 255.0);
            sum += of[i] * t;
            middle += of[i] * 4 * t * (1 - t);
        }
        return pixels == 0 ? Tone.NONE : new Tone(Math.min(1, sum / pixels), Math.min(1, middle / pixels));
    }

    /**
     * What each slot of a machine is asked for; slots of one ink share it.
     *
     * @param tones by ink, as {@link #tones} names them
     */
    public static Map<ChannelCode, Tone> onto(List<ChannelCode> slots, Map<String, Tone> tones) {
        var asked = new LinkedHashMap<ChannelCode, Tone>();
        for (var slot : slots) {
            long sharing =
                    slots.stream().filter(other -> ink(other).equals(ink(slot))).count();
            boolean beside = slots.stream().anyMatch(other -> other.code().equals("L" + slot.code()));
            var tone = tones.getOrDefault(beside ? BESIDE + slot.code() : ink(slot), Tone.NONE);
            asked.put(slot, new Tone(tone.mean() / sharing, tone.middle() / sharing));
        }
        return asked;
    }

    private static String ink(ChannelCode slot) {
        return slot.white()
                ? "W"
                : switch (slot.code()) {
                    case "PK", "GY" -> "K";
                    default -> slot.code();
                };
    }
}
