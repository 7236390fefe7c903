package fairkettle.imaging;

import fairkettle.check.Solid;
import fairkettle.ink.ChannelCode;
import fairkettle.sheet.Page.Part;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Measures full areas: fade from top to bottom, streaks across, and ink that does not belong. */
final class Bars {

    private static final double SIDE = 2.2; // mm of bare paper used on each side
    private static final double CLEAR = 0.5; // mm left out at its edges
    private static final double STREAK = 0.13; // share of density missing
    private static final double NARROW = 0.15; // mm

    private Bars() {}

    /**
     * Optical density behind red, green and blue light that a clean ink has, to unit length; where a machine has shown
     * none of its own.
     */
    static final Map<String, double[]> CLEAN = Map.of(
            "K",
            unit(1, 1, 1),
            "C",
            unit(1, .32, .12),
            "M",
            unit(.16, 1, .42),
            "Y",
            unit(.03, .12, 1),
            "LC",
            unit(1, .35, .15),
            "LM",
            unit(.15, 1, .45),
            "GY",
            unit(1, 1, 1),
            "PK",
            unit(1, 1, 1));

    /** How dense a full area of each is, beside the others: so much of a share is seen. */
    private static final Map<String, Double> DENSITY =
            Map.of("K", 2.4, "PK", 2.3, "C", 1.15, "M", 1.2, "Y", 1.02, "LC", .45, "LM", .45, "GY", .85);

    static double[] clean(ChannelCode channel) {
        return CLEAN.getOrDefault(channel.code(), unit(1, 1, 1));
    }

    private static double[] unit(double r, double g, double b) {
        double size = Math.sqrt(r * r + g * g + b * b);
        return new double[] {r / size, g / size, b / size};
    }

    /** @param reference this machine's own clean ink, if it is known; @param others what could be in it */
    static Optional<Solid> read(
            Photo photo,
            Mapping mapping,
            Part.Bar bar,
            boolean dark,
            Optional<double[]> reference,
            List<ChannelCode> others) {
        double resolution = Math.clamp(mapping.scale(bar.x() + bar.width() / 2, bar.y() + bar.height() / 2), 4, 9);
        var plane = Plane.light(
                photo,
                mapping,
                bar.x() - SIDE - CLEAR,
                bar.y(),
                bar.width() + 2 * (SIDE + CLEAR),
                bar.height(),
                resolution);
        int side = (int) Math.round(SIDE * resolution);
        int from = (int) Math.round((SIDE + 2 * CLEAR) * resolution);
        int to = plane.width - from;
        if (to - from < 3) {
            return Optional.empty();
        }
        int rows = plane.height;
        var paper = new double[3][rows];
        var ink = new double[3][rows];
        var some = new float[side];
        for (int c = 0; c < 3; c++) {
            for (int y = 0; y < rows; y++) {
                int at = y * plane.width;
                System.arraycopy(plane.cover[c], at, some, 0, side);
                Arrays.sort(some);
                double left = some[side / 2];
                System.arraycopy(plane.cover[c], at + plane.width - side, some, 0, side);
                Arrays.sort(some);
                paper[c][y] = (left + some[side / 2]) / 2;
                double sum = 0;
                for (int x = from; x < to; x++) {
                    sum += plane.cover[c][at + x];
                }
                ink[c][y] = sum / (to - from);
            }
            paper[c] = smooth(paper[c], (int) (3 * resolution));
        }
        int edge = (int) Math.round(1.5 * resolution);
        int n = rows - 2 * edge;
        var density = new double[3][n];
        var cover = new double[3][n];
        for (int c = 0; c < 3; c++) {
            for (int y = 0; y < n; y++) {
                double ground = Math.max(.004, paper[c][y + edge]);
                double there = Math.max(.0008, ink[c][y + edge]);
                cover[c][y] = dark ? (there - ground) / Math.max(.05, 1 - ground) : 1 - there / ground;
                density[c][y] = dark ? Math.max(0, cover[c][y]) : Math.max(0, -Math.log10(Math.min(1, there / ground)));
            }
        }
        int main = 0;
        for (int c = 1; c < 3; c++) {
            if (median(cover[c]) > median(cover[main])) {
                main = c;
            }
        }
        double middle = median(cover[main]);
        if (middle < .06) {
            return Optional.of(
                    new Solid(0, List.of(new Solid.Streak(0, bar.height(), 1)), List.of(0.0, 0.0, 0.0), 0, .5));
        }
        double[] line = robust(cover[main]);
        double fade = line[0] <= 0 ? 0 : (line[0] - line[1]) / line[0];
        var tint = tint(density, cover[main]);
        double noise = noise(cover[main], line);
        return Optional.of(new Solid(
                fade,
                streaks(cover[main], line, resolution, edge),
                List.of(tint[0], tint[1], tint[2]),
                dark ? 0 : foreign(tint, reference.orElse(null), bar.channel(), others),
                Math.clamp(1 - noise / middle * 4, 0, 1)));
    }

    /** Value at the first and at the last place of a straight line through most of them. */
    private static double[] robust(double[] v) {
        var a = new double[v.length][];
        var weights = new double[v.length];
        Arrays.fill(weights, 1);
        for (int i = 0; i < v.length; i++) {
            a[i] = new double[] {1, (double) i / (v.length - 1)};
        }
        double[] s = {median(v), 0};
        for (int pass = 0; pass < 8; pass++) {
            s = LeastSquares.solve(a, v, weights, 1e-9);
            var off = new double[v.length];
            for (int i = 0; i < v.length; i++) {
                off[i] = Math.abs(v[i] - s[0] - s[1] * a[i][1]);
            }
            double bound = Math.max(.01, 2 * median(off));
            for (int i = 0; i < v.length; i++) {
                weights[i] = 1 / (1 + Math.pow(off[i] / bound, 2));
            }
        }
        return new double[] {s[0], s[0] + s[1]};
    }

    private static double noise(double[] v, double[] line) {
        var off = new double[v.length];
        for (int i = 0; i < v.length; i++) {
            off[i] = Math.abs(v[i] - line[0] - (line[1] - line[0]) * i / (v.length - 1));
        }
        return 1.5 * median(off);
    }

    private static List<Solid.Streak> streaks(double[] v, double[] line, double resolution, int edge) {
        var found = new ArrayList<Solid.Streak>();
        double noise = noise(v, line);
        for (int i = 0; i < v.length; ) {
            double awaited = line[0] + (line[1] - line[0]) * i / (v.length - 1);
            double bound = Math.max(STREAK * awaited, 5 * noise);
            if (awaited - v[i] < bound) {
                i++;
                continue;
            }
            int from = i;
            double deepest = 0;
            double missing = 0;
            while (i < v.length && awaited - v[i] >= bound * .5) {
                deepest = Math.max(deepest, (awaited - v[i]) / awaited);
                missing += (awaited - v[i]) / awaited;
                i++;
            }
            double width = (i - from) / resolution;
            if (missing / resolution >= NARROW * .5 && width >= NARROW * .5) {
                found.add(new Solid.Streak((edge + from) / resolution, width, Math.min(1, deepest)));
            }
        }
        return found;
    }

    /** Of its densest rows: where ink does not close, white paper between the drops bends the colour. */
    private static double[] tint(double[][] density, double[] cover) {
        var sorted = cover.clone();
        Arrays.sort(sorted);
        double dense = sorted[(int) (sorted.length * .9)];
        var sum = new double[3];
        for (int y = 0; y < cover.length; y++) {
            if (cover[y] >= dense) {
                for (int c = 0; c < 3; c++) {
                    sum[c] += density[c][y];
                }
            }
        }
        return unit(sum[0] + 1e-9, sum[1] + 1e-9, sum[2] + 1e-9);
    }

    /** Share of another channel's ink that explains the tint best, beside the clean one. */
    private static double foreign(
            double[] tint, double @Nullable [] reference, ChannelCode channel, List<ChannelCode> others) {
        var clean = reference == null ? clean(channel) : reference;
        double best = 0;
        double least = off(tint, clean, new double[3], 1, 0);
        double allowed =
                reference == null ? .02 : .0015; // why: inks of different makes differ, one machine's own do not
        if (least < allowed) {
            return 0;
        }
        for (var other : others) {
            if (other.white()
                    || other.equals(channel)
                    || other.code().equals("L" + channel.code())
                    || channel.code().equals("L" + other.code())) {
                continue;
            }
            var b = clean(other);
            // tint ≈ p·clean + q·b, least squares in closed form
            double ab = dot(clean, b);
            double ta = dot(tint, clean);
            double tb = dot(tint, b);
            double det = 1 - ab * ab;
            if (det < 1e-3) {
                continue;
            }
            double p = (ta - ab * tb) / det;
            double q = (tb - ab * ta) / det;
            if (p > 0 && q > 0) {
                double rest = off(tint, clean, b, p, q);
                if (rest < least) {
                    least = rest;
                    double own = p / DENSITY.getOrDefault(channel.code(), 1.1);
                    double strange = q / DENSITY.getOrDefault(other.code(), 1.1);
                    best = strange / (own + strange);
                }
            }
        }
        return best;
    }

    private static double off(double[] t, double[] a, double[] b, double p, double q) {
        double sum = 0;
        for (int c = 0; c < 3; c++) {
            sum += Math.pow(t[c] - p * a[c] - q * b[c], 2);
        }
        return sum;
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    private static double median(double[] v) {
        var sorted = v.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    private static double[] smooth(double[] v, int half) {
        var out = new double[v.length];
        for (int i = 0; i < v.length; i++) {
            int from = Math.max(0, i - half);
            int to = Math.min(v.length, i + half + 1);
            double sum = 0;
            for (int k = from; k < to; k++) {
                sum += v[k];
            }
            out[i] = sum / (to - from);
        }
        return out;
    }
}
