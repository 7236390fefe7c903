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
    private static final double PAPER = 3; // mm over which bare paper is taken together, up and down
    private static final double SEEN = 0.6; // of a bar's length: with less nothing is said of it
    private static final double SHINE = 0.12; // of the logarithm of light, above a bar's own bare paper
    private static final double THINNEST = 0.3; // of a full layer
    private static final double GREY = 0.75; // least density of the three lights against the largest

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

    /** @param solid empty if too little of it could be seen; @param seen share of its length that was */
    record Read(Optional<Solid> solid, double seen) {}

    /** @param reference this machine's own clean ink, if it is known; @param others what could be in it */
    static Read read(
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
                resolution,
                false);
        int side = (int) Math.round(SIDE * resolution);
        int from = (int) Math.round((SIDE + 2 * CLEAR) * resolution);
        int to = plane.width - from;
        if (to - from < 3) {
            return new Read(Optional.empty(), 1);
        }
        int rows = plane.height;
        var paper = new double[3][rows];
        var sides = new double[2][3][rows];
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
                sides[0][c][y] = left;
                sides[1][c][y] = some[side / 2];
                double sum = 0;
                for (int x = from; x < to; x++) {
                    sum += plane.cover[c][at + x];
                }
                ink[c][y] = sum / (to - from);
            }
            paper[c] = smooth(paper[c], (int) (PAPER * resolution));
        }
        int edge = (int) Math.round(1.5 * resolution);
        int n = rows - 2 * edge;
        var seen = seen(photo, mapping, bar, sides, edge, resolution);
        double share = (double) count(seen) / n;
        if (share < SEEN) {
            return new Read(Optional.empty(), share);
        }
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
            if (median(only(cover[c], seen)) > median(only(cover[main], seen))) {
                main = c;
            }
        }
        double middle = median(only(cover[main], seen));
        if (middle < .06) {
            return new Read(
                    Optional.of(
                            new Solid(0, List.of(new Solid.Streak(0, bar.height(), 1)), List.of(0.0, 0.0, 0.0), 0, .5)),
                    share);
        }
        double[] line = robust(cover[main], seen);
        double[] amount = robust(amount(cover, main, seen, (int) (resolution / 2)), seen);
        double fade = amount[0] <= 0 ? 0 : (amount[0] - amount[1]) / amount[0];
        var tint = tint(density, cover[main], seen);
        double noise = noise(cover[main], line, seen);
        return new Read(
                Optional.of(new Solid(
                        fade,
                        streaks(cover[main], line, seen, noise, resolution, edge),
                        List.of(tint[0], tint[1], tint[2]),
                        dark ? 0 : foreign(tint, reference.orElse(null), bar.channel(), others),
                        Math.clamp(1 - noise / middle * 4, 0, 1))),
                share);
    }

    /**
     * Which of a bar's rows were in the picture, with nothing on them: where a finger or a shadow lies over it, the
     * bare paper beside it is another.
     */
    private static boolean[] seen(
            Photo photo, Mapping mapping, Part.Bar bar, double[][][] sides, int edge, double resolution) {
        int n = sides[0][0].length - 2 * edge;
        var hidden = new boolean[n];
        for (var side : sides) {
            var usual = new double[3];
            for (int c = 0; c < 3; c++) {
                usual[c] = Math.max(1e-4, median(side[c]));
            }
            for (int y = 0; y < n; y++) {
                var off = new double[3];
                double least = 1;
                for (int c = 0; c < 3; c++) {
                    off[c] = Math.log(Math.max(1e-4, side[c][y + edge]) / usual[c]);
                    least = Math.min(least, side[c][y + edge]);
                }
                hidden[y] |= Sight.covers(off[0], off[1], off[2], false) || least > Sight.BURNT && most(off) > SHINE;
            }
        }
        for (int y = 0; y < n; y++) {
            double mm = bar.y() + (y + edge + .5) / resolution;
            hidden[y] |= !Sight.inside(photo, mapping, bar.x() - SIDE - CLEAR, mm)
                    || !Sight.inside(photo, mapping, bar.x() + bar.width() + SIDE + CLEAR, mm);
        }
        var seen = new boolean[n];
        int wide = (int) Math.ceil(PAPER * resolution); // why: so far what is hidden reaches into the paper's mean
        int last = -wide - 1;
        for (int y = 0; y < n; y++) {
            last = hidden[y] ? y : last;
            seen[y] = y - last > wide;
        }
        int next = n + wide;
        for (int y = n - 1; y >= 0; y--) {
            next = hidden[y] ? y : next;
            seen[y] &= next - y > wide;
        }
        return seen;
    }

    private static int count(boolean[] some) {
        int count = 0;
        for (boolean one : some) {
            count += one ? 1 : 0;
        }
        return count;
    }

    private static double[] only(double[] v, boolean[] seen) {
        var out = new double[count(seen)];
        int n = 0;
        for (int i = 0; i < v.length; i++) {
            if (seen[i]) {
                out[n++] = v[i];
            }
        }
        return out;
    }

    /**
     * Share of its densest rows' ink in every row. Ink can become less in two ways: bare paper between the drops
     * (Murray and Davies: what is covered counts by its share), or a thinner layer (Beer and Lambert: density is
     * thickness). In colour they differ, the one pales, the other shifts its hue, and what fits better counts; grey
     * layers tell no difference and count as cover.
     */
    private static double[] amount(double[][] cover, int main, boolean[] seen, int half) {
        int n = cover[main].length;
        var full = new double[3]; // light let through by the densest rows
        double dense = sorted(only(cover[main], seen), .9);
        int rows = 0;
        for (int y = 0; y < n; y++) {
            if (seen[y] && cover[main][y] >= dense) {
                for (int c = 0; c < 3; c++) {
                    full[c] += cover[c][y];
                }
                rows++;
            }
        }
        for (int c = 0; c < 3; c++) {
            full[c] = Math.clamp(1 - full[c] / Math.max(1, rows), .004, .999);
        }
        double thinnest = Math.log(most(full)) / Math.log(least(full)) > GREY ? 1 : THINNEST;
        var smooth = new double[3][];
        for (int c = 0; c < 3; c++) {
            smooth[c] = smooth(cover[c], half);
        }
        var amount = new double[n];
        for (int y = 0; y < n; y++) {
            double least = Double.MAX_VALUE;
            for (double thick = thinnest == 1 ? 1 : 1.06; thick >= thinnest; thick -= .02) {
                var layer = new double[3];
                double up = 0;
                double low = 0;
                for (int c = 0; c < 3; c++) {
                    layer[c] = 1 - Math.pow(full[c], thick);
                    up += layer[c] * smooth[c][y];
                    low += layer[c] * layer[c];
                }
                double covered = Math.clamp(up / low, 0, 1.1);
                double off = 3e-5 * (1 - thick) * (1 - thick);
                for (int c = 0; c < 3; c++) {
                    off += Math.pow(smooth[c][y] - covered * layer[c], 2);
                }
                if (off < least) {
                    least = off;
                    amount[y] = covered * thick;
                }
            }
        }
        return amount;
    }

    private static double most(double[] three) {
        return Math.max(three[0], Math.max(three[1], three[2]));
    }

    private static double least(double[] three) {
        return Math.min(three[0], Math.min(three[1], three[2]));
    }

    /** Value at the first and at the last place of a straight line through most of them. */
    private static double[] robust(double[] all, boolean[] seen) {
        var v = only(all, seen);
        var a = new double[v.length][];
        var weights = new double[v.length];
        Arrays.fill(weights, 1);
        for (int i = 0, at = 0; i < all.length; i++) {
            if (seen[i]) {
                a[at++] = new double[] {1, (double) i / (all.length - 1)};
            }
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

    private static double noise(double[] v, double[] line, boolean[] seen) {
        var off = new double[v.length];
        for (int i = 0; i < v.length; i++) {
            off[i] = Math.abs(v[i] - line[0] - (line[1] - line[0]) * i / (v.length - 1));
        }
        return 1.5 * median(only(off, seen));
    }

    private static List<Solid.Streak> streaks(
            double[] v, double[] line, boolean[] seen, double noise, double resolution, int edge) {
        var found = new ArrayList<Solid.Streak>();
        for (int i = 0; i < v.length; ) {
            double awaited = line[0] + (line[1] - line[0]) * i / (v.length - 1);
            double bound = Math.max(STREAK * awaited, 5 * noise);
            if (!seen[i] || awaited - v[i] < bound) {
                i++;
                continue;
            }
            int from = i;
            double deepest = 0;
            double missing = 0;
            while (i < v.length && seen[i] && awaited - v[i] >= bound * .5) {
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
    private static double[] tint(double[][] density, double[] cover, boolean[] seen) {
        double dense = sorted(only(cover, seen), .9);
        var sum = new double[3];
        for (int y = 0; y < cover.length; y++) {
            if (seen[y] && cover[y] >= dense) {
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
        return sorted(v, .5);
    }

    /** The value that so large a share lies below. */
    private static double sorted(double[] v, double share) {
        var sorted = v.clone();
        Arrays.sort(sorted);
        return sorted[(int) (sorted.length * share)];
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
