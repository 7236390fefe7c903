package fairkettle.measure;

import fairkettle.job.Layout;
import fairkettle.job.Media;
import fairkettle.job.Nesting;
import fairkettle.job.Piece;
import fairkettle.job.Piece.Turning;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.IntStream;

/**
 * {@code ./kettle measure nesting}: layouts against rectangles that are known to be filled, against strips that were
 * cut apart, and made-up orders against a search of five times the patience.
 */
public final class Nestings {

    private static final int STRIPS = 60;
    private static final int ORDERS = Integer.getInteger("orders", 500);
    private static final long PATIENT = 5 * Nesting.LOOKS;

    private Nestings() {}

    private static final class Sum {
        private final List<Double> gaps = new ArrayList<>();
        private final List<Double> millis = new ArrayList<>();

        void add(double gap, long nanos) {
            gaps.add(Math.max(0, gap));
            millis.add(nanos / 1e6);
        }

        double mean() {
            return gaps.stream().mapToDouble(g -> g).average().orElse(0);
        }

        double worst() {
            return gaps.stream().mapToDouble(g -> g).max().orElse(0);
        }

        double p95() {
            var sorted = millis.stream().sorted().toList();
            return sorted.get((int) Math.ceil(.95 * sorted.size()) - 1);
        }
    }

    public static void main(String[] args) {
        overlaps = 0;
        var all = new Sum();
        var standard = new Sum();
        var strips = new Sum();
        var orders = new Sum();
        for (int warm = 0; warm < 3; warm++) {
            Nesting.onFilm(strip(new Random(warm), 3000, 4000, 40), 3000, 0);
        }
        for (var known : known()) {
            for (var turning : new Turning[] {Turning.UPRIGHT, Turning.FREE}) {
                var pieces = Arrays.stream(known.sizes())
                        .map(s -> new Piece(s[0], s[1], 1, turning))
                        .toList();
                film(pieces, known.width(), known.height(), standard, all);
            }
        }
        for (int seed = 0; seed < STRIPS; seed++) {
            var random = new Random(seed);
            int height = 2000 + random.nextInt(4000);
            film(strip(random, 3000, height, 10 + random.nextInt(90)), 3000, height, strips, all);
        }
        for (int seed = 0; seed < ORDERS; seed++) {
            order(new Random(77_000 + seed), orders, all);
        }
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"nesting\",\"layouts\":%d,\"waste_gap_mean\":%.4f,\"waste_gap_worst\":%.4f,\"ms_p95\":%.0f,\"overlaps\":%d,"
                    + "\"standard\":{\"mean\":%.4f,\"worst\":%.4f,\"ms_p95\":%.0f},\"strips\":{\"mean\":%.4f,\"worst\":%.4f,\"ms_p95\":%.0f},\"orders\":{\"mean\":%.4f,\"worst\":%.4f,\"ms_p95\":%.0f}}%n",
                all.gaps.size(),
                all.mean(),
                all.worst(),
                all.p95(),
                overlaps,
                standard.mean(),
                standard.worst(),
                standard.p95(),
                strips.mean(),
                strips.worst(),
                strips.p95(),
                orders.mean(),
                orders.worst(),
                orders.p95());
    }

    private static int overlaps;

    private static void film(List<Piece> pieces, int width, int best, Sum kind, Sum all) {
        long began = System.nanoTime();
        var layout = Nesting.onFilm(pieces, width, 0);
        long took = System.nanoTime() - began;
        double gap = (double) (layout.length() - best) / best;
        kind.add(gap, took);
        all.add(gap, took);
        overlaps += overlaps(layout);
    }

    /** One to six kinds of pieces of the sizes that are ordered, on sheets or on film. */
    private static void order(Random random, Sum kind, Sum all) {
        var media = Media.ALL.get(random.nextInt(Media.ALL.size()));
        int gap = 20 + random.nextInt(40);
        var pieces = new ArrayList<Piece>();
        int kinds = 1 + random.nextInt(6);
        for (int i = 0; i < kinds; i++) {
            pieces.add(new Piece(
                    250 + random.nextInt(1550),
                    250 + random.nextInt(1550),
                    1 + random.nextInt(30),
                    Turning.values()[random.nextInt(3)]));
        }
        long began = System.nanoTime();
        var layout = lay(pieces, media, gap, Nesting.LOOKS);
        long took = System.nanoTime() - began;
        long best = Math.min(length(layout, media), length(lay(pieces, media, gap, PATIENT), media));
        double waste = (double) (length(layout, media) - best) / best;
        kind.add(waste, took);
        all.add(waste, took);
        overlaps += overlaps(layout);
    }

    private static Layout lay(List<Piece> pieces, Media media, int gap, long looks) {
        return media.roll()
                ? Nesting.onFilm(pieces, media.printableWidth(), gap, looks)
                : Nesting.onSheets(pieces, media.printableWidth(), media.printableLength(), gap, looks);
    }

    /** What is used of paper or film, down to the last piece. */
    private static long length(Layout layout, Media media) {
        return media.roll()
                ? layout.length()
                : (long) (layout.sheets() - 1) * media.printableLength() + layout.lastLength();
    }

    private static int overlaps(Layout layout) {
        var placed = layout.placed();
        int found = 0;
        for (int i = 0; i < placed.size(); i++) {
            for (int j = 0; j < i; j++) {
                var a = placed.get(i);
                var b = placed.get(j);
                if (a.sheet() == b.sheet()
                        && a.x() < b.x() + b.width()
                        && b.x() < a.x() + a.width()
                        && a.y() < b.y() + b.height()
                        && b.y() < a.y() + a.height()) {
                    found++;
                }
            }
        }
        return found;
    }

    /** A strip cut apart, lengthwise and across in turn: it can be put together again without a gap. */
    private static List<Piece> strip(Random random, int width, int height, int count) {
        var open = new ArrayList<int[]>();
        open.add(new int[] {width, height});
        while (open.size() < count) {
            open.sort(Comparator.comparingInt(s -> -s[0] * s[1]));
            var cut = open.remove(random.nextInt(Math.min(3, open.size())));
            boolean across = cut[0] > cut[1] ? random.nextInt(4) > 0 : random.nextInt(4) == 0;
            int at = (int) (cut[across ? 0 : 1] * (.25 + .5 * random.nextDouble()));
            open.add(across ? new int[] {at, cut[1]} : new int[] {cut[0], at});
            open.add(across ? new int[] {cut[0] - at, cut[1]} : new int[] {cut[0], cut[1] - at});
        }
        return open.stream().map(s -> new Piece(s[0], s[1], 1, Turning.FREE)).toList();
    }

    private record Known(int width, int height, int[][] sizes) {}

    private static Known squares(int width, int height, int... sides) {
        return new Known(
                width,
                height,
                IntStream.of(sides).mapToObj(s -> new int[] {s, s}).toArray(int[][]::new));
    }

    /** Rectangles of squares that all differ, and one of the first set of strips that layouts are compared on. */
    private static List<Known> known() {
        return List.of(
                squares(32, 33, 18, 15, 14, 10, 9, 8, 7, 4, 1),
                squares(33, 32, 18, 15, 14, 10, 9, 8, 7, 4, 1),
                squares(61, 69, 36, 33, 28, 25, 16, 9, 7, 5, 2),
                squares(69, 61, 36, 33, 28, 25, 16, 9, 7, 5, 2),
                squares(112, 112, 50, 35, 27, 8, 19, 15, 17, 11, 6, 24, 29, 25, 9, 2, 7, 18, 16, 42, 4, 37, 33),
                new Known(20, 20, new int[][] {
                    {2, 12}, {7, 12}, {8, 6}, {3, 6}, {3, 5}, {5, 5}, {3, 12}, {3, 7}, {5, 7}, {2, 6}, {3, 2}, {4, 2},
                    {3, 4}, {4, 4}, {9, 2}, {11, 2}
                }));
    }
}
