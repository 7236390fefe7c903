package fairkettle.imaging;

import java.util.Arrays;
import java.util.List;

/**
 * From millimetres on the page to pixels of the picture: a plane seen by a pinhole (a homography), and a polynomial of
 * the fifth degree on top for lens, curl and bow.
 */
final class Mapping {

    private static final double RIDGE = 2e-3;
    private static final double HELD = 0.5; // of the high degrees: few marks must not be met by a wild sheet between
    private static final int CUBIC = 7; // terms of degree two and three
    private static final int TERMS = 18; // of degree two to five

    private final double[] h;
    private final double midX;
    private final double midY;
    private final double half;
    private final double[] bendX;
    private final double[] bendY;

    private Mapping(double[] h, double midX, double midY, double half, double[] bendX, double[] bendY) {
        this.h = h;
        this.midX = midX;
        this.midY = midY;
        this.half = half;
        this.bendX = bendX;
        this.bendY = bendY;
    }

    /** A place on the page, mm, and where it is in the picture, pixels. */
    record Tie(double x, double y, double px, double py) {}

    /** Least squares through at least four ties, far ones weighted down (Huber). */
    static Mapping through(List<Tie> ties, double width, double height) {
        double midX = width / 2;
        double midY = height / 2;
        double half = Math.max(width, height) / 2;
        var weights = new double[ties.size()];
        Arrays.fill(weights, 1);
        var plain = new Mapping(
                fit(ties, weights, midX, midY, half), midX, midY, half, new double[TERMS], new double[TERMS]);
        for (int pass = 0; pass < 3 && ties.size() > 6; pass++) {
            double bound = 1.5 * Math.max(0.3, plain.medianOff(ties));
            for (int i = 0; i < weights.length; i++) {
                weights[i] = Math.min(1, bound / Math.max(1e-9, plain.off(ties.get(i))));
            }
            plain = new Mapping(fit(ties, weights, midX, midY, half), midX, midY, half, plain.bendX, plain.bendY);
        }
        return plain;
    }

    /** With what lens, curl and bow add; far ties weighted down. Needs many ties; with few it stays what it is. */
    Mapping bent(List<Tie> ties) {
        if (ties.size() < 20) {
            return this;
        }
        var a = new double[ties.size()][];
        var dx = new double[ties.size()];
        var dy = new double[ties.size()];
        var weights = new double[ties.size()];
        Arrays.fill(weights, 1);
        for (int i = 0; i < a.length; i++) {
            var tie = ties.get(i);
            a[i] = terms((tie.x() - midX) / half, (tie.y() - midY) / half);
            for (int t = CUBIC; t < TERMS; t++) {
                a[i][t] *= HELD;
            }
            dx[i] = tie.px() - x(tie.x(), tie.y());
            dy[i] = tie.py() - y(tie.x(), tie.y());
        }
        var bent = this;
        for (int pass = 0; pass < 4; pass++) {
            var x = LeastSquares.solve(a, dx, weights, RIDGE);
            var y = LeastSquares.solve(a, dy, weights, RIDGE);
            for (int t = CUBIC; t < TERMS; t++) {
                x[t] *= HELD;
                y[t] *= HELD;
            }
            bent = new Mapping(h, midX, midY, half, x, y);
            double bound = 3 * Math.max(0.3, bent.medianOff(ties));
            for (int i = 0; i < weights.length; i++) {
                weights[i] = 1 / (1 + Math.pow(bent.off(ties.get(i)) / bound, 2));
            }
        }
        return bent;
    }

    private static double[] fit(List<Tie> ties, double[] weights, double midX, double midY, double half) {
        double px = ties.stream().mapToDouble(Tie::px).average().orElse(0);
        double py = ties.stream().mapToDouble(Tie::py).average().orElse(0);
        double spread = Math.max(
                1,
                ties.stream()
                        .mapToDouble(t -> Math.hypot(t.px() - px, t.py() - py))
                        .average()
                        .orElse(1));
        var a = new double[2 * ties.size()][];
        var b = new double[2 * ties.size()];
        var w = new double[2 * ties.size()];
        for (int i = 0; i < ties.size(); i++) {
            var tie = ties.get(i);
            double x = (tie.x() - midX) / half;
            double y = (tie.y() - midY) / half;
            double u = (tie.px() - px) / spread;
            double v = (tie.py() - py) / spread;
            a[2 * i] = new double[] {x, y, 1, 0, 0, 0, -u * x, -u * y};
            a[2 * i + 1] = new double[] {0, 0, 0, x, y, 1, -v * x, -v * y};
            b[2 * i] = u;
            b[2 * i + 1] = v;
            w[2 * i] = w[2 * i + 1] = weights[i];
        }
        var s = LeastSquares.solve(a, b, w, 1e-9);
        return new double[] {
            s[0] * spread + px * s[6],
            s[1] * spread + px * s[7],
            s[2] * spread + px,
            s[3] * spread + py * s[6],
            s[4] * spread + py * s[7],
            s[5] * spread + py,
            s[6],
            s[7]
        };
    }

    private static double[] terms(double u, double v) {
        double u2 = u * u;
        double v2 = v * v;
        double u3 = u2 * u;
        double v3 = v2 * v;
        return new double[] {
            u2,
            u * v,
            v2,
            u3,
            u2 * v,
            u * v2,
            v3,
            u2 * u2,
            u3 * v,
            u2 * v2,
            u * v3,
            v2 * v2,
            u3 * u2,
            u2 * u2 * v,
            u3 * v2,
            u2 * v3,
            u * v2 * v2,
            v3 * v2
        };
    }

    double x(double mmX, double mmY) {
        double u = (mmX - midX) / half;
        double v = (mmY - midY) / half;
        return (h[0] * u + h[1] * v + h[2]) / (h[6] * u + h[7] * v + 1) + bend(bendX, u, v);
    }

    double y(double mmX, double mmY) {
        double u = (mmX - midX) / half;
        double v = (mmY - midY) / half;
        return (h[3] * u + h[4] * v + h[5]) / (h[6] * u + h[7] * v + 1) + bend(bendY, u, v);
    }

    /** The sum over {@link #terms}, without making them: it is asked for every few pixels. */
    private static double bend(double[] c, double u, double v) {
        double u2 = u * u;
        double v2 = v * v;
        return u2 * (c[0] + u * c[3] + u2 * (c[7] + u * c[12]))
                + v2 * (c[2] + v * c[6] + v2 * (c[11] + v * c[17]))
                + u * v * (c[1] + u * c[4] + v * c[5] + u2 * c[8] + u * v * c[9] + v2 * c[10])
                + u * v * (u2 * (u * c[13] + v * c[14]) + v2 * (u * c[15] + v * c[16]));
    }

    /** Pixels per mm there: the root of how much larger a small area appears. */
    double scale(double mmX, double mmY) {
        double ax = x(mmX + .5, mmY) - x(mmX - .5, mmY);
        double ay = y(mmX + .5, mmY) - y(mmX - .5, mmY);
        double bx = x(mmX, mmY + .5) - x(mmX, mmY - .5);
        double by = y(mmX, mmY + .5) - y(mmX, mmY - .5);
        return Math.sqrt(Math.abs(ax * by - ay * bx));
    }

    /** Smallest pixels per mm over a rectangle's corners and middle, in any direction. */
    double coarsest(double x, double y, double width, double height) {
        double least = Double.MAX_VALUE;
        for (double[] at : new double[][] {
            {x, y}, {x + width, y}, {x, y + height}, {x + width, y + height}, {x + width / 2, y + height / 2}
        }) {
            least = Math.min(least, scale(at[0], at[1]));
        }
        return least;
    }

    double off(Tie tie) {
        return Math.hypot(x(tie.x(), tie.y()) - tie.px(), y(tie.x(), tie.y()) - tie.py());
    }

    private double medianOff(List<Tie> ties) {
        return ties.stream()
                .mapToDouble(this::off)
                .sorted()
                .skip(ties.size() / 2)
                .findFirst()
                .orElse(0);
    }

    /** Root mean square over ties, mm, the worst tenth left out. */
    double rms(List<Tie> ties) {
        var sorted = ties.stream()
                .mapToDouble(t -> off(t) / scale(t.x(), t.y()))
                .sorted()
                .toArray();
        int kept = Math.max(1, sorted.length * 9 / 10);
        double sum = 0;
        for (int i = 0; i < kept; i++) {
            sum += sorted[i] * sorted[i];
        }
        return Math.sqrt(sum / kept);
    }
}
