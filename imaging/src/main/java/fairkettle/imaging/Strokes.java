package fairkettle.imaging;

import fairkettle.check.Look;
import fairkettle.ink.ChannelCode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/**
 * Measures strokes by matched filters: how much of a full stroke's ink is at each place, against what bare ground
 * beside the strokes shows of the same filter.
 */
final class Strokes {

    private static final double MISSING = 0.16; // of a full stroke
    private static final double FAINT = 0.62;
    private static final double BENT = 0.10; // mm beside its place
    private static final double SHARP = 12; // signal to noise under which a channel is not read
    private static final double DOUBT = 2.0; // standard errors within which a person is asked
    private static final double UNSEEN = 0.1; // of a channel's strokes: with more nothing is said of it
    private static final double BLIND = 0.08; // of a channel's strokes that may be in doubt before all of it is
    private static final int FEWEST_BELOW = 6;
    private static final double SWALLOWING = 0.2; // of a full stroke, from which on compression is watched
    private static final double APART = 2.5; // standard deviations
    private static final int FEWEST_BARE = 4; // bare places without which nothing is known of the noise
    private static final int THIRDS = 3;

    private final Plane plane;
    private final Optional<JpegLoss> loss;
    private final double pixels; // of the picture in one point of the plane
    private final int reach; // points of a profile to each side
    private final double core;
    private double[] template = {};

    /**
     * @param pixelsPerMm of the picture itself
     * @param apart mm from a stroke to the next one beneath it
     */
    Strokes(Plane plane, Optional<JpegLoss> loss, double pixelsPerMm, double apart) {
        this.plane = plane;
        this.loss = loss;
        this.pixels = pixelsPerMm;
        this.reach = (int) Math.clamp(Math.floor(apart * plane.resolution) - 3.6, 5, 0.9 * plane.resolution);
        this.core = 0.38 * plane.resolution;
    }

    /** One place where a stroke should be: its middle and half its length, in points. */
    record Site(double x, double y, double ux, double uy, double half) {}

    /** What a place shows: per third, per colour, the profile across. */
    private record Profile(double[][][] values) {}

    /**
     * One channel's strokes while they are measured.
     *
     * @param expected colour it should cover, red green blue
     */
    static final class Measured {
        final ChannelCode channel;
        final List<Site> sites;
        final double[] expected;
        final List<Profile> profiles = new ArrayList<>();
        final List<Profile> bare = new ArrayList<>();
        double[] shift = {};
        /** a full stroke: cover per colour */
        double[] full = {0, 0, 0};

        double[] weights = {0, 0, 0};
        /** standard error of an amplitude on bare ground, in full strokes */
        double error = 1;

        double[] errors = {1, 1, 1};
        /** by place, why it could not be seen; null where it was */
        final Sight.Why[] hidden;

        Measured(ChannelCode channel, List<Site> sites, double[] expected) {
            this.channel = channel;
            this.sites = sites;
            this.expected = expected;
            this.hidden = new Sight.Why[sites.size()];
        }

        int unseen() {
            return (int) Arrays.stream(hidden).filter(Objects::nonNull).count();
        }

        /** What hides the most of it. */
        Optional<Sight.Why> mostly() {
            return Arrays.stream(Sight.Why.values())
                    .filter(why -> Arrays.stream(hidden).anyMatch(h -> h == why))
                    .max(Comparator.comparingLong(
                            why -> Arrays.stream(hidden).filter(h -> h == why).count()));
        }

        double strength() {
            return Math.sqrt(full[0] * full[0] + full[1] * full[1] + full[2] * full[2]);
        }
    }

    /** @param bare places of the same shape where nothing is printed */
    Measured measure(ChannelCode channel, List<Site> sites, List<Site> bare, double[] expected) {
        var m = new Measured(channel, sites, expected);
        for (int i = 0; i < sites.size(); i++) {
            m.profiles.add(profile(sites.get(i)));
            var site = sites.get(i);
            m.hidden[i] = plane.sight.flatMap(sight -> sight.hidden(site)).orElse(null);
        }
        bare.stream()
                .filter(this::inside)
                .filter(s -> plane.sight.flatMap(sight -> sight.hidden(s)).isEmpty())
                .forEach(s -> m.bare.add(profile(s)));
        return m;
    }

    /** Whether (nearly) all places lie inside the plane. */
    boolean covers(Measured m) {
        return m.sites.stream().filter(s -> !inside(s)).count() * 50 < m.sites.size();
    }

    private boolean inside(Site s) {
        return s.x() - s.half() > 1
                && s.x() + s.half() < plane.width - 2
                && s.y() - reach > 1
                && s.y() + reach < plane.height - 2;
    }

    private Profile profile(Site site) {
        var values = new double[THIRDS][3][2 * reach + 1];
        double length = Math.hypot(site.ux(), site.uy());
        double ux = site.ux() / length;
        double uy = site.uy() / length;
        int per = Math.max(2, (int) Math.round(site.half() * .8 * 2 / THIRDS));
        for (int third = 0; third < THIRDS; third++) {
            for (int k = 0; k < per; k++) {
                double s = ((third * per + k + .5) / (THIRDS * per) * 2 - 1) * site.half() * .8;
                for (int t = -reach; t <= reach; t++) {
                    double x = site.x() + ux * s - uy * t;
                    double y = site.y() + uy * s + ux * t;
                    for (int c = 0; c < 3; c++) {
                        values[third][c][t + reach] += plane.at(c, x, y) / per;
                    }
                }
            }
        }
        return new Profile(values);
    }

    // ---- learning from the picture ------------------------------------------------------------------------------

    /** Learns from all channels together how a stroke looks across, then from each its full colour and its noise. */
    void learn(List<Measured> all) {
        var rough = new double[2 * reach + 1];
        for (int t = -reach; t <= reach; t++) {
            rough[t + reach] = Math.exp(-t * t / (2 * Math.pow(.16 * plane.resolution, 2)));
        }
        template = rough;
        for (int pass = 0; pass < 2; pass++) {
            all.parallelStream().forEach(this::calibrate);
            template = template(all).orElse(template);
        }
        all.parallelStream().forEach(m -> {
            calibrate(m);
            m.shift = shifts(m);
            recalibrate(m);
        });
    }

    private Optional<double[]> template(List<Measured> all) {
        var sum = new double[2 * reach + 1];
        for (var m : all) {
            if (m.error > .1) {
                continue; // too weak to teach
            }
            var sorted = strongest(m);
            for (int i : sorted) {
                double shift = peak(m, i);
                for (int t = -reach; t <= reach; t++) {
                    double v = 0;
                    for (int c = 0; c < 3; c++) {
                        v += m.weights[c] * value(m.profiles.get(i), c, t + shift);
                    }
                    sum[t + reach] += v / sorted.length;
                }
            }
        }
        double base = 0;
        int n = 0;
        for (int t = -reach; t <= reach; t++) {
            if (Math.abs(t) > core) {
                base += sum[t + reach];
                n++;
            }
        }
        base /= Math.max(1, n);
        double top = 0;
        for (int i = 0; i < sum.length; i++) {
            sum[i] = Math.abs(i - reach) <= core ? Math.max(0, sum[i] - base) : 0;
            top = Math.max(top, sum[i]);
        }
        if (!(top > 0)) {
            return Optional.empty();
        }
        for (int i = 0; i < sum.length; i++) {
            sum[i] /= top;
        }
        return Optional.of(sum);
    }

    /** The better half of a channel's strokes, strongest first. */
    private int[] strongest(Measured m) {
        var amounts = new double[m.profiles.size()];
        for (int i = 0; i < amounts.length; i++) {
            amounts[i] = dot(m.weights, colours(m.profiles.get(i), 0, -1));
        }
        return IntStream.range(0, amounts.length)
                .filter(i -> m.hidden[i] == null || m.unseen() == amounts.length)
                .boxed()
                .sorted((a, b) -> Double.compare(amounts[b], amounts[a]))
                .limit(Math.max(1, (amounts.length - m.unseen()) / 2))
                .mapToInt(Integer::intValue)
                .toArray();
    }

    private void calibrate(Measured m) {
        if (m.weights[0] == 0 && m.weights[1] == 0 && m.weights[2] == 0) {
            m.weights = m.expected.clone();
        }
        recalibrate(m);
    }

    private void recalibrate(Measured m) {
        var mean = new double[3];
        var top = strongest(m);
        // why the better half without its very best: missing strokes do not weaken it, splashes do not strengthen it
        int skip = top.length / 10;
        for (int k = skip; k < top.length; k++) {
            var a = colours(m.profiles.get(top[k]), m.shift.length == 0 ? 0 : m.shift[top[k]], -1);
            for (int c = 0; c < 3; c++) {
                mean[c] += a[c] / (top.length - skip);
            }
        }
        var cov = new double[3][3];
        var centre = new double[3];
        var nulls = m.bare.stream().map(p -> colours(p, 0, -1)).toList();
        for (var a : nulls) {
            for (int c = 0; c < 3; c++) {
                centre[c] += a[c] / nulls.size();
            }
        }
        for (var a : nulls) {
            for (int c = 0; c < 3; c++) {
                for (int d = 0; d < 3; d++) {
                    cov[c][d] += (a[c] - centre[c]) * (a[d] - centre[d]) / Math.max(1, nulls.size() - 1);
                }
            }
        }
        double floor = 2e-6; // rounding to whole levels
        for (int c = 0; c < 3; c++) {
            cov[c][c] += floor + .02 * (cov[0][0] + cov[1][1] + cov[2][2]) / 3;
            m.errors[c] = Math.sqrt(cov[c][c]);
        }
        var weights = LeastSquares.gauss(new double[][] {
            {cov[0][0], cov[0][1], cov[0][2], Math.max(0, mean[0])},
            {cov[1][0], cov[1][1], cov[1][2], Math.max(0, mean[1])},
            {cov[2][0], cov[2][1], cov[2][2], Math.max(0, mean[2])}
        });
        double gain = dot(weights, mean);
        if (!(gain > 0) || nulls.size() < FEWEST_BARE) {
            m.error = 1;
            m.full = mean;
            return;
        }
        for (int c = 0; c < 3; c++) {
            weights[c] /= gain;
        }
        double variance = 0;
        for (int c = 0; c < 3; c++) {
            for (int d = 0; d < 3; d++) {
                variance += weights[c] * weights[d] * cov[c][d];
            }
        }
        m.full = mean;
        m.weights = weights;
        m.error = Math.sqrt(variance);
    }

    /**
     * How far strokes lie beside their computed place, smoothly over the block: the rest of curl and of the machine's
     * own feed.
     */
    private double[] shifts(Measured m) {
        int n = m.profiles.size();
        var out = new double[n];
        if (m.error > .12) {
            return out;
        }
        var rows = new ArrayList<double[]>();
        var offs = new ArrayList<Double>();
        double midX = m.sites.stream().mapToDouble(Site::x).average().orElse(0);
        double midY = m.sites.stream().mapToDouble(Site::y).average().orElse(0);
        for (int i = 0; i < n; i++) {
            if (amount(m, i, 0, -1) > .5) {
                rows.add(new double[] {
                    1, (m.sites.get(i).x() - midX) / 100, (m.sites.get(i).y() - midY) / 100
                });
                offs.add(peak(m, i));
            }
        }
        if (rows.size() < 8) {
            return out;
        }
        var weights = new double[rows.size()];
        Arrays.fill(weights, 1);
        var b = offs.stream().mapToDouble(Double::doubleValue).toArray();
        double[] s = {0, 0, 0};
        for (int pass = 0; pass < 4; pass++) {
            s = LeastSquares.solve(rows.toArray(double[][]::new), b, weights, 1e-4);
            for (int i = 0; i < weights.length; i++) {
                weights[i] = 1 / (1 + Math.pow((b[i] - dot(s, rows.get(i))) / 0.6, 2));
            }
        }
        for (int i = 0; i < n; i++) {
            out[i] = Math.clamp(
                    dot(s, new double[] {
                        1, (m.sites.get(i).x() - midX) / 100, (m.sites.get(i).y() - midY) / 100
                    }),
                    -3,
                    3);
        }
        return out;
    }

    /** Points by which the stroke fits best, near its place. */
    private double peak(Measured m, int i) {
        double best = Double.NEGATIVE_INFINITY;
        double at = 0;
        for (double s = -2.5; s <= 2.5; s += .25) {
            double a = amount(m, i, s, -1);
            if (a > best) {
                best = a;
                at = s;
            }
        }
        return at;
    }

    // ---- measuring ---------------------------------------------------------------------------------------------

    private double value(Profile p, int colour, double t) {
        double at = t + reach;
        int i = (int) Math.floor(at);
        if (i < 0) {
            return (p.values()[0][colour][0] + p.values()[1][colour][0] + p.values()[2][colour][0]) / 3;
        }
        if (i >= 2 * reach) {
            return (p.values()[0][colour][2 * reach]
                            + p.values()[1][colour][2 * reach]
                            + p.values()[2][colour][2 * reach])
                    / 3;
        }
        double f = at - i;
        double sum = 0;
        for (var third : p.values()) {
            sum += third[colour][i] * (1 - f) + third[colour][i + 1] * f;
        }
        return sum / 3;
    }

    /** Cover per colour of what looks like a stroke there. @param third one of them, or -1 for all */
    private double[] colours(Profile p, double shift, int third) {
        var out = new double[3];
        for (int c = 0; c < 3; c++) {
            double base = 0;
            int n = 0;
            double sum = 0;
            double norm = 0;
            for (int t = -reach; t <= reach; t++) {
                double place = t - shift;
                double v = third < 0
                        ? (p.values()[0][c][t + reach] + p.values()[1][c][t + reach] + p.values()[2][c][t + reach]) / 3
                        : p.values()[third][c][t + reach];
                if (Math.abs(place) > core && Math.abs(place) <= core + .3 * plane.resolution) {
                    base += v;
                    n++;
                }
            }
            base = n == 0 ? 0 : base / n;
            for (int t = -reach; t <= reach; t++) {
                double w = shape(t - shift);
                if (w > 0) {
                    double v = third < 0
                            ? (p.values()[0][c][t + reach] + p.values()[1][c][t + reach] + p.values()[2][c][t + reach])
                                    / 3
                            : p.values()[third][c][t + reach];
                    sum += w * (v - base);
                    norm += w * w;
                }
            }
            out[c] = norm == 0 ? 0 : sum / norm;
        }
        return out;
    }

    private double shape(double t) {
        double at = t + reach;
        int i = (int) Math.floor(at);
        if (i < 0 || i >= 2 * reach) {
            return 0;
        }
        double f = at - i;
        return template[i] * (1 - f) + template[i + 1] * f;
    }

    private double amount(Measured m, int i, double shift, int third) {
        return dot(m.weights, colours(m.profiles.get(i), shift, third));
    }

    private static double dot(double[] a, double[] b) {
        return a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
    }

    /**
     * What is said of one channel.
     *
     * @param usual cover of a full stroke of the others, to tell a channel that is gone from one that cannot be seen
     */
    Look judge(Measured m, double usual) {
        int n = m.sites.size();
        if (m.unseen() > UNSEEN * n) {
            var why = m.mostly().orElse(Sight.Why.OUTSIDE);
            return Look.unreadable(m.channel, n, "%s %s. %s".formatted(name(m.channel), why.where(), why.act()));
        }
        double main = Math.max(m.expected[0], Math.max(m.expected[1], m.expected[2]));
        int colour = m.expected[0] == main ? 0 : m.expected[1] == main ? 1 : 2;
        double awaited = usual * main;
        double vanishing = vanishing(m.expected, awaited);
        boolean weak = m.full[colour] < .25 * awaited || m.error > 1 / SHARP;
        if (weak) {
            if (awaited > 0
                    && awaited / m.errors[colour] >= SHARP
                    && vanishing < .5
                    && m.full[colour] < .25 * awaited) {
                return gone(m, n);
            }
            return vanishing >= .5
                    ? Look.unreadable(
                            m.channel,
                            n,
                            "%s vanished in the picture's compression. Send the photo itself, not a copy from a message; closer is better."
                                    .formatted(name(m.channel)))
                    : faded(m, n);
        }
        double limit = Math.max(MISSING, vanishing(m.full, 1));
        if (limit >= .5) {
            return Look.unreadable(
                    m.channel,
                    n,
                    "%s almost vanished in the picture's compression. Send the photo itself, closer to the paper."
                            .formatted(name(m.channel)));
        }
        double threshold = Math.max(MISSING, Math.min(limit, .35));
        if (limit > SWALLOWING && !apart(m, threshold)) {
            return Look.unreadable(
                    m.channel,
                    n,
                    "%s is torn by the picture's compression. Send the photo itself, not a copy from a message."
                            .formatted(name(m.channel)));
        }
        var missing = new ArrayList<Integer>();
        var faint = new ArrayList<Integer>();
        var partial = new ArrayList<Integer>();
        var bent = new ArrayList<Integer>();
        var unsure = new ArrayList<Integer>();
        double noise = Math.max(m.error, below(m));
        double third = noise * Math.sqrt(3);
        for (int i = 0; i < n; i++) {
            if (m.hidden[i] != null) {
                unsure.add(i); // not seen is not missing
                continue;
            }
            double shift = m.shift.length == 0 ? 0 : m.shift[i];
            double a = amount(m, i, shift, -1);
            double beside = 0;
            double best = a;
            for (double s = -reach + core; s <= reach - core; s += .5) {
                double other = amount(m, i, shift + s, -1);
                if (other > best) {
                    best = other;
                    beside = s;
                }
            }
            double off = Math.abs(beside) / plane.resolution;
            if (off >= BENT && best > .55 && best - a > 4 * m.error + .12 && sameInk(m, i, shift + beside)) {
                bent.add(i);
                continue;
            }
            double error = noise * (1 + .5 * Math.min(1, Math.max(0, a)));
            if (Math.abs(a - threshold) < DOUBT * error) {
                unsure.add(i);
            }
            if (a < threshold) {
                missing.add(i);
                continue;
            }
            int there = 0;
            int away = 0;
            for (int k = 0; k < THIRDS; k++) {
                double part = amount(m, i, shift, k);
                there += part > .6 ? 1 : 0;
                away += part < .22 && .6 - part > 3 * third ? 1 : 0;
            }
            if (there > 0 && away > 0 && there + away == THIRDS) {
                partial.add(i);
            } else if (a < FAINT && FAINT - a > error) {
                faint.add(i);
            }
        }
        if (unsure.size() - m.unseen() > BLIND * n) {
            return faded(m, n);
        }
        return new Look(m.channel, n, missing, faint, partial, bent, unsure, places(m, true), threshold, null, null);
    }

    /**
     * Whether strokes that are there stand clear of the threshold. Where compression swallows some and strengthens
     * others, bare paper is rounded to nothing and tells no noise: the strokes' own spread does.
     */
    private boolean apart(Measured m, double threshold) {
        var there = amounts(m).filter(a -> a >= threshold).sorted().toArray();
        if (there.length < 12) {
            return true;
        }
        double middle = there[there.length / 2];
        return middle - threshold > APART * (middle - there[there.length * 16 / 100]);
    }

    /** How much ink every place that was seen has, in full strokes. */
    private DoubleStream amounts(Measured m) {
        return IntStream.range(0, m.sites.size())
                .filter(i -> m.hidden[i] == null)
                .mapToDouble(i -> amount(m, i, m.shift.length == 0 ? 0 : m.shift[i], -1));
    }

    /**
     * Noise as the missing strokes themselves show it, in full strokes: less than no ink can only be noise. Bare paper
     * beside the pattern tells too little of it where compression smears the colour of one stroke over the next. 0
     * where too few lie below nothing.
     */
    private double below(Measured m) {
        var less = amounts(m).filter(a -> a < 0).toArray();
        double sum = 0;
        for (double a : less) {
            sum += a * a;
        }
        return less.length < FEWEST_BELOW ? 0 : Math.sqrt(sum / less.length);
    }

    private static Look faded(Measured m, int n) {
        return Look.unreadable(
                m.channel,
                n,
                "%s cannot be told from the paper here. Closer, sharper, in more even light."
                        .formatted(name(m.channel)));
    }

    /** Whether what stands beside the place is this channel's ink and not a neighbour's. */
    private boolean sameInk(Measured m, int i, double shift) {
        var a = colours(m.profiles.get(i), shift, -1);
        double along = dot(a, m.full);
        double size = Math.sqrt(dot(a, a) * dot(m.full, m.full));
        return size > 0 && along / size > .9;
    }

    private static List<Integer> places(Measured m, boolean hidden) {
        return IntStream.range(0, m.hidden.length)
                .filter(i -> m.hidden[i] != null == hidden)
                .boxed()
                .toList();
    }

    private Look gone(Measured m, int n) {
        return new Look(
                m.channel,
                n,
                places(m, false),
                List.of(),
                List.of(),
                List.of(),
                places(m, true),
                places(m, true),
                MISSING,
                null,
                null);
    }

    /** Share of a full stroke under which the JPEG itself may have swallowed it. */
    private double vanishing(double[] cover, double scale) {
        if (loss.isEmpty()) {
            return 0;
        }
        var levels = new double[3];
        for (int c = 0; c < 3; c++) {
            double light = Math.clamp(1 - cover[c] * scale, 0, 1);
            levels[c] = plane.ground[c] * (1 - Math.pow(light, 1 / 2.2));
        }
        double wide = 0;
        for (double v : template) {
            wide += v;
        }
        return loss.get().vanishing(levels, Math.max(.5, wide / plane.resolution * pixels));
    }

    static String name(ChannelCode channel) {
        var name = channel.colour();
        return Character.toUpperCase(name.charAt(0)) + name.substring(1);
    }
}
