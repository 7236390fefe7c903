package fairkettle.imaging;

import fairkettle.machine.NozzlePattern;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Where a machine's own pattern lies in a plane: found from its blocks, then from its strokes, then settled between
 * neighbouring places that look alike by the strokes that would stand one step outside.
 */
final class Placement {

    private static final double REACH = 0.45; // mm above and below a stroke that must be bare
    private static final double TURN = 9; // degrees that a strip may lie askew
    private static final double STRAY = 0.3; // of the strongest block
    private static final double CAP = 0.2; // so that black does not outvote yellow

    private final Plane plane;
    private final NozzlePattern pattern;
    private final int[] nozzles;
    private final boolean[] visible;
    private boolean[] shown; // by place from the left, as the strip is now thought to lie
    private final double[][] expected;
    private final float[] raw; // how much more ink is there than above and below
    private final float[] ridge; // the same, mean over a stroke's length
    private final double midX;
    private final double midY;

    /** x = a0 + a1·u + a2·v, y = b0 + b1·u + b2·v, in points; u, v mm from the pattern's middle. */
    private double[] place = new double[6];

    private boolean flipped;
    private boolean doubtful;
    private boolean astray;
    private boolean stray;
    /** how much better this place is than the next best that looks like it, in strokes */
    private double lead;

    private double outside;

    private Placement(Plane plane, NozzlePattern pattern, int[] nozzles, boolean[] visible, double[][] expected) {
        this.plane = plane;
        this.pattern = pattern;
        this.nozzles = nozzles;
        this.visible = visible;
        this.shown = visible;
        this.expected = expected;
        this.midX = pattern.width() / 2;
        this.midY = pattern.height(Arrays.stream(nozzles).max().orElse(1)) / 2;
        this.raw = raw();
        this.ridge = ridge();
    }

    /**
     * @param nozzles by block, from left to right
     * @param visible blocks that can be seen on this ground
     * @param expected what each block covers, red green blue
     */
    static Placement find(Plane plane, NozzlePattern pattern, int[] nozzles, boolean[] visible, double[][] expected) {
        var placement = new Placement(plane, pattern, nozzles, visible, expected);
        placement.search();
        return placement;
    }

    private float[] raw() {
        int w = plane.width;
        int h = plane.height;
        int off = Math.max(2, (int) Math.round(REACH * plane.resolution));
        var out = new float[w * h];
        IntStream.range(off + 1, h - off - 1).parallel().forEach(y -> {
            for (int x = 0; x < w; x++) {
                int at = y * w + x;
                float best = 0;
                for (float[] p : plane.cover) {
                    float here = (p[at] * 2 + p[at - w] + p[at + w]) * .25f;
                    best = Math.max(best, Math.min(here - p[at - off * w], here - p[at + off * w]));
                }
                out[at] = best;
            }
        });
        return out;
    }

    private float[] ridge() {
        int w = plane.width;
        int h = plane.height;
        var out = new float[w * h];
        int half = Math.max(2, (int) Math.round(pattern.stroke() * .35 * plane.resolution));
        IntStream.range(0, h).parallel().forEach(y -> {
            float sum = 0;
            int row = y * w;
            for (int x = -half; x < w; x++) {
                if (x + half < w) {
                    sum += raw[row + x + half];
                }
                if (x - half - 1 >= 0) {
                    sum -= raw[row + x - half - 1];
                }
                if (x >= 0) {
                    out[row + x] = sum / (2 * half + 1);
                }
            }
        });
        return out;
    }

    private float ridgeAt(double x, double y) {
        return at(ridge, x, y);
    }

    private float at(float[] map, double x, double y) {
        int ix = (int) x;
        int iy = (int) y;
        if (x < 0 || y < 0 || ix + 1 >= plane.width || iy + 1 >= plane.height) {
            return 0;
        }
        float fy = (float) (y - iy);
        int at = iy * plane.width + ix;
        return map[at] + (map[at + plane.width] - map[at]) * fy;
    }

    // ---- the search --------------------------------------------------------------------------------------------

    private void search() {
        double best = -1;
        double[] kept = {};
        boolean reversed = false;
        // why both: where some blocks do not show, the strip the other way round has its bare end on the left
        for (boolean way :
                Arrays.equals(visible, reverse(visible)) ? new boolean[] {false} : new boolean[] {false, true}) {
            shown = way ? reverse(visible) : visible;
            var some = strokes(Math.max(1, Arrays.stream(nozzles).sum() / 200));
            for (var fine :
                    coarse().parallelStream().map(start -> fine(start, some)).toList()) {
                double score = score(fine, some);
                if (score > best) {
                    best = score;
                    kept = fine;
                    reversed = way;
                }
            }
        }
        shown = reversed ? reverse(visible) : visible;
        place = descend(kept, strokes(1));
        settle(1, strong());
        place = ends(place);
        colours();
    }

    /**
     * Along the strokes the ridge is flat; their free ends are not. The first strokes of stairs have a bare left end,
     * the last ones a bare right end: where those ends are half as dark as their strokes, there the pattern ends.
     */
    private double[] ends(double[] from) {
        var t = from;
        for (int pass = 0; pass < 2; pass++) {
            var rows = new ArrayList<double[]>();
            var offs = new ArrayList<Double>();
            for (int b = 0; b < nozzles.length; b++) {
                if (shows(b)) {
                    for (int side = 0; side < 2; side++) {
                        double off = end(t, b, side == 1);
                        if (!Double.isNaN(off)) {
                            rows.add(new double[] {1, (pattern.left(b, 0) + side * pattern.blockWidth() - midX) / 100});
                            offs.add(off);
                        }
                    }
                }
            }
            if (rows.size() < 2) {
                return t;
            }
            var off = offs.stream().mapToDouble(Double::doubleValue).toArray();
            var weights = new double[off.length];
            Arrays.fill(weights, 1);
            double[] s = {0, 0};
            for (int k = 0; k < 5; k++) {
                s = LeastSquares.solve(rows.toArray(double[][]::new), off, weights, 1e-3);
                for (int i = 0; i < off.length; i++) {
                    weights[i] = 1 / (1 + Math.pow((off[i] - s[0] - s[1] * rows.get(i)[1]) / .12, 2));
                }
            }
            t = t.clone();
            t[0] += way() * t[1] * s[0];
            t[3] += way() * t[4] * s[0];
            t[1] *= 1 + s[1] / 100;
            t[4] *= 1 + s[1] / 100;
        }
        return t;
    }

    /**
     * mm by which the free ends of a block's stairs lie to the right of where they should; NaN if they cannot be seen.
     */
    private double end(double[] t, int block, boolean right) {
        int steps = pattern.steps();
        int n = 41;
        double reach = 1.0; // mm to both sides
        var sum = new double[n];
        for (int nozzle = right ? steps - 1 : 0; nozzle < nozzles[block]; nozzle += steps) {
            double u = pattern.left(block, nozzle) + (right ? pattern.stroke() : 0) - midX;
            double v = pattern.down(nozzle) - midY;
            for (int i = 0; i < n; i++) {
                double du = u + reach * (2.0 * i / (n - 1) - 1);
                sum[i] += Math.min(
                        2 * CAP, at(raw, t[0] + way() * (t[1] * du + t[2] * v), t[3] + way() * (t[4] * du + t[5] * v)));
            }
        }
        double inside = 0;
        double outside = 0;
        for (int i = 0; i < 8; i++) {
            inside += sum[right ? i : n - 1 - i] / 8;
            outside += sum[right ? n - 1 - i : i] / 8;
        }
        if (inside < 2.5 * outside || inside <= 0) {
            return Double.NaN;
        }
        // where an ideal step of the same two heights would stand
        double area = 0;
        for (double v : sum) {
            area += Math.clamp((v - outside) / (inside - outside), -.2, 1.2);
        }
        double length = (area / n - .5) * 2 * reach;
        return right ? length : -length;
    }

    /**
     * A pattern may lie one block aside, if a whole channel is missing at its edge, or the other way round: the colours
     * decide. Ink where a block would stand that the machine does not print counts against.
     */
    private void colours() {
        int blocks = nozzles.length;
        var found = new double[4 * blocks][];
        for (int b = -blocks; b < 2 * blocks; b++) {
            found[b + blocks] = colour(b);
        }
        double strongest = Arrays.stream(found)
                .filter(Objects::nonNull)
                .mapToDouble(c -> c[3])
                .max()
                .orElse(0);
        double best = Double.NEGATIVE_INFINITY;
        double next = Double.NEGATIVE_INFINITY;
        double aside = Double.NEGATIVE_INFINITY;
        int shift = 0;
        boolean turned = false;
        for (int k = -blocks + 1; k < blocks; k++) {
            for (int way = 0; way < 2; way++) {
                double score = 0;
                for (int b = -blocks; b < 2 * blocks; b++) {
                    double[] c = found[b + blocks];
                    if (c == null || c[3] < .12 * strongest) {
                        continue;
                    }
                    int block = b - k;
                    if (block < 0 || block >= blocks) {
                        score -= 1;
                    } else {
                        double[] e = expected[way == 0 ? block : blocks - 1 - block];
                        score += visible[way == 0 ? block : blocks - 1 - block] ? (alike(c, e) - .8) * 5 : -1;
                    }
                }
                score -= .002 * Math.abs(k) + .05 * way; // people mostly lay it the right way round
                if (score > best) {
                    if (way != (turned ? 1 : 0)) {
                        next = Math.max(next, best);
                    } else {
                        aside = Math.max(aside, best);
                    }
                    best = score;
                    shift = k;
                    turned = way == 1;
                } else if (way != (turned ? 1 : 0)) {
                    next = Math.max(next, score);
                } else {
                    aside = Math.max(aside, score);
                }
            }
        }
        for (int b = -blocks; b < 2 * blocks; b++) {
            int block = b - shift;
            boolean printed = block >= 0 && block < blocks && visible[turned ? blocks - 1 - block : block];
            stray |= !printed && found[b + blocks] != null && found[b + blocks][3] > STRAY * strongest;
        }
        double du = shift * (pattern.blockWidth() + pattern.gap());
        place[0] += place[1] * du;
        place[3] += place[4] * du;
        shown = turned ? reverse(visible) : visible;
        doubtful = best - next < .25;
        astray = best - aside < .1;
        if (shift != 0 || turned) {
            double[] byPlace = strong();
            flipped = turned;
            settle(turned ? pattern.steps() : 1, turned ? reverse(byPlace) : byPlace);
            place = ends(place);
        }
    }

    /** Mean cover of the darker strokes there, red green blue, and its size; null where the plane ends. */
    private double @Nullable [] colour(int block) {
        int n = Arrays.stream(nozzles).max().orElse(1);
        var values = new ArrayList<double[]>();
        int off = Math.max(2, (int) Math.round(REACH * plane.resolution));
        for (int nozzle = 0; nozzle < n; nozzle++) {
            double u = block * (pattern.blockWidth() + pattern.gap())
                    + nozzle % pattern.steps() * pattern.stroke()
                    + pattern.stroke() / 2
                    - midX;
            double v = pattern.down(nozzle) - midY;
            double x = place[0] + place[1] * u + place[2] * v;
            double y = place[3] + place[4] * u + place[5] * v;
            if (x < 8 || y < off + 2 || x > plane.width - 9 || y > plane.height - off - 3) {
                continue;
            }
            var c = new double[4];
            for (int k = 0; k < 3; k++) {
                for (int s = -6; s <= 6; s += 2) {
                    c[k] += (plane.at(k, x + s, y) - (plane.at(k, x + s, y - off) + plane.at(k, x + s, y + off)) / 2)
                            / 7;
                }
            }
            c[3] = Math.sqrt(c[0] * c[0] + c[1] * c[1] + c[2] * c[2]) * Math.signum(c[0] + c[1] + c[2]);
            values.add(c);
        }
        if (values.size() < n / 2) {
            return null;
        }
        values.sort(Comparator.comparingDouble((double[] c) -> c[3]).reversed());
        var mean = new double[4];
        int half = values.size() / 2;
        for (var c : values.subList(0, half)) {
            for (int k = 0; k < 3; k++) {
                mean[k] += c[k] / half;
            }
        }
        mean[3] = Math.sqrt(mean[0] * mean[0] + mean[1] * mean[1] + mean[2] * mean[2]);
        return mean;
    }

    /** How alike two inks are in hue: 1 for the same. What all three colours lose together is grey and says little. */
    static double alike(double[] a, double[] b) {
        double ga = .85 * Math.max(0, Math.min(a[0], Math.min(a[1], a[2])));
        double gb = .85 * Math.min(b[0], Math.min(b[1], b[2]));
        double ab = 0;
        double aa = 0;
        double bb = 0;
        for (int c = 0; c < 3; c++) {
            double x = Math.max(0, a[c] - ga);
            double y = b[c] - gb;
            ab += x * y;
            aa += x * x;
            bb += y * y;
        }
        return aa * bb == 0 ? 0 : ab / Math.sqrt(aa * bb);
    }

    private static double[] reverse(double[] some) {
        var out = new double[some.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = some[out.length - 1 - i];
        }
        return out;
    }

    private static boolean[] reverse(boolean[] some) {
        var out = new boolean[some.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = some[out.length - 1 - i];
        }
        return out;
    }

    /** From the blocks alone: more ink in them than around them. */
    private List<double[]> coarse() {
        double cell = 1; // mm
        int per = Math.max(1, (int) Math.round(plane.resolution * cell));
        int w = plane.width / per;
        int h = plane.height / per;
        int pad =
                (int) Math.ceil(2 * Math.hypot(midX, midY)) + 8; // why: no place of a turned pattern falls off the map
        int stride = w + 2 * pad;
        var map = new float[stride * (h + 2 * pad)];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                float sum = 0;
                for (int j = 0; j < per; j += 2) {
                    for (int i = 0; i < per; i += 4) {
                        sum += Math.min((float) CAP, ridge[(y * per + j) * plane.width + x * per + i]);
                    }
                }
                map[(y + pad) * stride + x + pad] = sum;
            }
        }
        var in = new ArrayList<double[]>();
        var out = new ArrayList<double[]>();
        double bottom = 2 * midY;
        for (int block = 0; block < nozzles.length; block++) {
            if (shown[block]) {
                double left = pattern.left(block, 0);
                for (double x = 1; x < pattern.blockWidth(); x += 2) {
                    for (double y = .6; y < bottom; y += 3) {
                        in.add(new double[] {left + x - midX, y - midY});
                    }
                }
            }
        }
        for (double x = -2.5; x <= pattern.width() + 2.5; x += 2) {
            for (double y : new double[] {-2.8, -1.8, bottom + 1.8, bottom + 2.8}) {
                out.add(new double[] {x - midX, y - midY});
            }
        }
        for (double y = -1; y <= bottom + 1; y += 1) {
            for (double x : new double[] {-2.4, -1.5, pattern.width() + 1.5, pattern.width() + 2.4}) {
                out.add(new double[] {x - midX, y - midY});
            }
        }
        double wide = plane.width / plane.resolution;
        double high = plane.height / plane.resolution;
        var found = new ArrayList<double[]>();
        for (double turn = -TURN; turn <= TURN; turn += 1.5) {
            double cos = Math.cos(Math.toRadians(turn));
            double sin = Math.sin(Math.toRadians(turn));
            int[] inside = offsets(in, cos, sin, stride);
            int[] around = offsets(out, cos, sin, stride);
            int fromX = (int) Math.ceil(midX * cos - 2);
            int fromY = (int) Math.ceil(Math.max(midY - 2, midY * cos + Math.abs(midX * sin) - 4));
            for (int y = Math.max(0, fromY); y <= Math.min(h - 1, high - fromY); y++) {
                for (int x = Math.max(0, fromX); x <= Math.min(w - 1, wide - fromX); x += 2) {
                    int at = (y + pad) * stride + x + pad;
                    double score = mean(map, inside, at) - mean(map, around, at);
                    if (score > 0) {
                        found.add(new double[] {score, x + .5, y + .5, turn});
                    }
                }
            }
        }
        found.sort(Comparator.comparingDouble((double[] f) -> f[0]).reversed());
        var starts = new ArrayList<double[]>();
        for (var f : found) {
            if (starts.stream()
                    .noneMatch(s -> Math.hypot(s[1] - f[1], s[2] - f[2]) < 1.3 && Math.abs(s[3] - f[3]) < 1.5)) {
                starts.add(f);
            }
            if (starts.size() == 4) {
                break;
            }
        }
        if (starts.isEmpty()) {
            starts.add(new double[] {0, wide / 2, high / 2, 0});
        }
        double r = plane.resolution;
        return starts.stream()
                .map(s -> {
                    double cos = Math.cos(Math.toRadians(s[3]));
                    double sin = Math.sin(Math.toRadians(s[3]));
                    return new double[] {s[1] * r, cos * r, -sin * r, s[2] * r, sin * r, cos * r};
                })
                .toList();
    }

    private static int[] offsets(List<double[]> points, double cos, double sin, int stride) {
        return points.stream()
                .mapToInt(p -> (int) Math.floor(sin * p[0] + cos * p[1] + .5) * stride
                        + (int) Math.floor(cos * p[0] - sin * p[1] + .5))
                .toArray();
    }

    private static float mean(float[] map, int[] offsets, int at) {
        float sum = 0;
        for (int offset : offsets) {
            sum += map[at + offset];
        }
        return sum / offsets.length;
    }

    private double[][] strokes(int every) {
        var all = new ArrayList<double[]>();
        for (int block = 0; block < nozzles.length; block++) {
            for (int n = 0; n < nozzles[block] && shown[block]; n++) {
                if ((n + block) % every == 0) {
                    all.add(new double[] {pattern.left(block, n) + pattern.stroke() / 2 - midX, pattern.down(n) - midY
                    });
                }
            }
        }
        return all.toArray(double[][]::new);
    }

    private double score(double[] t, double[][] strokes) {
        double sum = 0;
        for (var s : strokes) {
            sum += Math.min(CAP, ridgeAt(t[0] + t[1] * s[0] + t[2] * s[1], t[3] + t[4] * s[0] + t[5] * s[1]));
        }
        return sum;
    }

    private double[] fine(double[] start, double[][] strokes) {
        double r = plane.resolution;
        double best = -1;
        var kept = start;
        for (double turn = -.9; turn <= .91; turn += .15) {
            double cos = Math.cos(Math.toRadians(turn));
            double sin = Math.sin(Math.toRadians(turn));
            double a1 = start[1] * cos - start[4] * sin;
            double b1 = start[4] * cos + start[1] * sin;
            for (double dy = -1.1; dy <= 1.11; dy += .1) {
                for (double dx = -1.2; dx <= 1.21; dx += .4) {
                    var t = new double[] {start[0] + dx * r, a1, -b1, start[3] + dy * r, b1, a1};
                    double score = score(t, strokes);
                    if (score > best) {
                        best = score;
                        kept = t;
                    }
                }
            }
        }
        return kept;
    }

    /** Coordinate descent with shrinking steps over all six. */
    private double[] descend(double[] start, double[][] strokes) {
        var t = start.clone();
        double r = plane.resolution;
        double[] step = {
            .3 * r, .2 / midX * r, .1 / Math.max(6, midY) * r, .1 * r, .1 / midX * r, .1 / Math.max(6, midY) * r
        };
        double best = score(t, strokes);
        for (int pass = 0; pass < 24; pass++) {
            boolean better = false;
            for (int i = 0; i < 6; i++) {
                for (int sign = -1; sign <= 1; sign += 2) {
                    double was = t[i];
                    t[i] = was + sign * step[i];
                    double now = score(t, strokes);
                    if (now > best) {
                        best = now;
                        better = true;
                    } else {
                        t[i] = was;
                    }
                }
            }
            if (!better) {
                for (int i = 0; i < 6; i++) {
                    step[i] *= .5;
                }
                if (step[3] < .004 * r) {
                    break;
                }
            }
        }
        return t;
    }

    /** -1 where the strip lies the other way round. */
    private int way() {
        return flipped ? -1 : 1;
    }

    // ---- which of the places that look alike --------------------------------------------------------------------

    /**
     * The lattice fits itself shifted by whole steps and stairs; ink one step outside counts against.
     *
     * @param phases 1, or all steps where it may also stand between two stairs: the other way round, a last stair that
     *     is not full comes first
     */
    private void settle(int phases, double[] strong) {
        double most = Arrays.stream(strong).max().orElse(0);
        double best = Double.NEGATIVE_INFINITY;
        double second = Double.NEGATIVE_INFINITY;
        double[] kept = place;
        for (int m = 0; m < phases * 7 * 7; m++) {
            int i = m / phases % 7 - 3;
            int j = m / phases / 7 - 3;
            double du = i * pattern.stroke();
            double dv = (i + m % phases) * pattern.pitch() + j * pattern.stair();
            var t = place.clone();
            t[0] += t[1] * du + t[2] * dv;
            t[3] += t[4] * du + t[5] * dv;
            double[] score = weigh(t, strong, most);
            if (score[0] > best) {
                second = best;
                best = score[0];
                kept = t;
                outside = score[1];
            } else {
                second = Math.max(second, score[0]);
            }
        }
        place = kept;
        lead = best - second;
    }

    /** By block, what its stronger strokes show; 0 for one that does not show on this ground. */
    private double[] strong() {
        var strong = new double[nozzles.length];
        for (int b = 0; b < strong.length; b++) {
            var values = new double[nozzles[b]];
            for (int n = 0; n < values.length; n++) {
                values[n] = sample(place, b, n % pattern.steps(), n / pattern.steps());
            }
            Arrays.sort(values);
            strong[b] = shows(b) ? values[(int) (values.length * .75)] : 0;
        }
        return strong;
    }

    /** Whether a block shows on this ground, as the strip is thought to lie. */
    private boolean shows(int block) {
        return flipped ? visible[block] : shown[block];
    }

    private double[] weigh(double[] t, double[] strong, double most) {
        double in = 0;
        double guard = 0;
        var sides = new double[4];
        var counts = new int[4];
        int steps = pattern.steps();
        for (int b = 0; b < nozzles.length; b++) {
            if (!shows(b) || strong[b] < .12 * most || strong[b] < .01) {
                continue;
            }
            int stairs = (nozzles[b] + steps - 1) / steps;
            for (int stair = -1; stair <= stairs; stair++) {
                for (int step = -1; step <= steps; step++) {
                    int n = stair * steps + step;
                    double s = Math.clamp(sample(t, b, step, stair) / strong[b], 0, 1);
                    if (stair >= 0 && step >= 0 && step < steps && n < nozzles[b]) {
                        in += s;
                    } else {
                        guard += s;
                        int side = step < 0 ? 0 : step >= steps ? 1 : stair < 0 ? 2 : 3;
                        sides[side] += s;
                        counts[side]++;
                    }
                }
            }
        }
        double worst = 0;
        for (int side = 0; side < 4; side++) {
            worst = Math.max(worst, counts[side] == 0 ? 0 : sides[side] / counts[side]);
        }
        return new double[] {in - guard, worst};
    }

    private double sample(double[] t, int block, int step, int stair) {
        double u = way() * (pattern.left(block, 0) + (step + .5) * pattern.stroke() - midX);
        double v = way() * ((stair * pattern.steps() + step) * pattern.pitch() - midY);
        return ridgeAt(t[0] + t[1] * u + t[2] * v, t[3] + t[4] * u + t[5] * v);
    }

    // ---- what was found ----------------------------------------------------------------------------------------

    /** Whether the strip lies the other way round. */
    boolean flipped() {
        return flipped;
    }

    /** Whether it might as well lie the other way round. */
    boolean doubtful() {
        return doubtful;
    }

    /** Whether its blocks might as well be their neighbours. */
    boolean astray() {
        return astray;
    }

    /** Whether a whole block stands where the machine prints none. */
    boolean stray() {
        return stray;
    }

    double lead() {
        return lead;
    }

    /**
     * On its worst side, the mean of the places one step outside, against a strong stroke: much of it means another
     * pattern.
     */
    double outside() {
        return outside;
    }

    /** The middle of a nozzle's stroke in points. @param block from the left as the machine prints it */
    double[] middle(int block, int nozzle) {
        return middle(block, nozzle, 0);
    }

    /** @param aside mm to the right along the stroke */
    double[] middle(int block, int nozzle, double aside) {
        double u = pattern.left(block, nozzle) + pattern.stroke() / 2 + aside - midX;
        double v = pattern.down(nozzle) - midY;
        if (flipped) {
            u = -u;
            v = -v;
        }
        return new double[] {place[0] + place[1] * u + place[2] * v, place[3] + place[4] * u + place[5] * v};
    }

    /** One mm along the strokes, in points. */
    double[] along() {
        return new double[] {place[1], place[4]};
    }
}
