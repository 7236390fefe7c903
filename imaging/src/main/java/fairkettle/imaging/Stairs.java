package fairkettle.imaging;

import fairkettle.sheet.Page.Part;
import fairkettle.sheet.Sheets;
import java.util.Arrays;
import java.util.List;

/**
 * Where the stairs of a health sheet lie. The marks close to them say it to a fraction of a row; where those are not
 * seen, the stairs' own ends do: above the first stroke and below the last one there must be bare paper. Stairs stand
 * below each other on one sheet, and a sheet bends slowly, so they are settled together.
 */
final class Stairs {

    private static final double REACH = 2.6; // mm that a bowed sheet may slip
    private static final double CLOSE = 0.45; // mm, less than half a row: what a stair may slip beside its marks
    private static final int FINE = 16; // places per mm
    private static final int GUARDS = 2; // rows above and below that must be bare
    private static final double STIFF = 12; // strokes that a step of one mm from stair to stair costs
    private static final double FLAT = 1; // strokes that lying one mm beside the mapping costs
    private static final double ROW = 0.6; // mm from which on another place is another row
    private static final double LEAD = 2; // strokes
    private static final double ASIDE = 1.5; // mm

    private final Plane plane;
    private final double left;
    private final double top;

    /** @param left and @param top of the plane on the page, mm */
    Stairs(Plane plane, double left, double top) {
        this.plane = plane;
        this.left = left;
        this.top = top;
    }

    /**
     * @param dx mm to the right of where the mapping has it; @param dy mm below
     * @param certain false if it may as well lie a row higher or lower
     */
    record Lie(double dx, double dy, boolean certain) {}

    /** One stair and what is known of it. @param marked whether its own marks were found */
    record Asked(Part.Stair stair, double[] expected, boolean marked) {}

    /** By stair, in their order down the page. */
    List<Lie> find(List<Asked> asked) {
        int places = 2 * (int) Math.round(REACH * FINE) + 1;
        var scores = new double[asked.size()][];
        for (int i = 0; i < scores.length; i++) {
            scores[i] = scores(asked.get(i), places);
        }
        int[] best = settle(scores, -1, 0);
        double all = total(scores, best);
        var lies = new Lie[best.length];
        for (int i = 0; i < lies.length; i++) {
            var a = asked.get(i);
            double dy = mm(best[i], places);
            boolean certain = a.marked();
            if (!certain) {
                certain = all - total(scores, settle(scores, i, best[i])) >= LEAD;
            }
            lies[i] = new Lie(aside(a, dy), dy, certain);
        }
        return List.of(lies);
    }

    private static double mm(int place, int places) {
        return (double) (place - places / 2) / FINE;
    }

    /** Strokes that stand where they should, less those that stand where paper must be bare; by place. */
    private double[] scores(Asked asked, int places) {
        var stair = asked.stair();
        int rows = stair.rows() + 2 * GUARDS;
        var ink = new double[places][stair.columns() * rows];
        for (int place = 0; place < places; place++) {
            for (int column = 0; column < stair.columns(); column++) {
                for (int row = 0; row < rows; row++) {
                    ink[place][column * rows + row] = ridge(asked, column, row - GUARDS, 0, mm(place, places));
                }
            }
        }
        double strong = 1e-6;
        for (var some : ink) {
            var sorted = some.clone();
            Arrays.sort(sorted);
            strong = Math.max(strong, sorted[sorted.length * 7 / 10]);
        }
        var scores = new double[places];
        for (int place = 0; place < places; place++) {
            if (asked.marked() && Math.abs(mm(place, places)) > CLOSE) {
                scores[place] = Double.NEGATIVE_INFINITY;
                continue;
            }
            double sum = 0;
            for (int i = 0; i < ink[place].length; i++) {
                int row = i % rows - GUARDS;
                double share = Math.clamp(ink[place][i] / strong, 0, 1);
                sum += row >= 0 && row < stair.rows() ? share : -share;
            }
            // why: a channel that is gone has only noise to say, and follows its neighbours
            scores[place] = (strong < .02 ? 0 : sum) - FLAT * Math.pow(mm(place, places), 2);
        }
        return scores;
    }

    /**
     * The best places together (Viterbi). @param barred a stair that must lie at least a row from {@code from}; -1 for
     * none
     */
    private static int[] settle(double[][] scores, int barred, int from) {
        int places = scores[0].length;
        var best = new double[scores.length][places];
        var before = new int[scores.length][places];
        for (int i = 0; i < scores.length; i++) {
            for (int p = 0; p < places; p++) {
                double carried = 0;
                if (i > 0) {
                    carried = Double.NEGATIVE_INFINITY;
                    for (int q = 0; q < places; q++) {
                        double value = best[i - 1][q] - STIFF * Math.pow((double) (p - q) / FINE, 2);
                        if (value > carried) {
                            carried = value;
                            before[i][p] = q;
                        }
                    }
                }
                boolean open = i != barred || Math.abs(p - from) >= ROW * FINE;
                best[i][p] = open ? carried + scores[i][p] : Double.NEGATIVE_INFINITY;
            }
        }
        var path = new int[scores.length];
        int last = scores.length - 1;
        for (int p = 1; p < places; p++) {
            path[last] = best[last][p] > best[last][path[last]] ? p : path[last];
        }
        for (int i = last; i > 0; i--) {
            path[i - 1] = before[i][path[i]];
        }
        return path;
    }

    private static double total(double[][] scores, int[] path) {
        double sum = 0;
        for (int i = 0; i < path.length; i++) {
            sum += scores[i][path[i]] - (i == 0 ? 0 : STIFF * Math.pow((double) (path[i] - path[i - 1]) / FINE, 2));
        }
        return sum;
    }

    /** mm to the right at which its columns keep their gaps bare. */
    private double aside(Asked asked, double dy) {
        double best = Double.NEGATIVE_INFINITY;
        double at = 0;
        for (double dx = -ASIDE; dx <= ASIDE; dx += .125) {
            double sum = -1e-3 * Math.abs(dx);
            for (int column = 0; column < asked.stair().columns(); column++) {
                for (int row = 0; row < asked.stair().rows(); row++) {
                    sum += ridge(asked, column, row, dx, dy);
                }
            }
            if (sum > best) {
                best = sum;
                at = dx;
            }
        }
        return at;
    }

    /** How much more of the expected ink is there than above and below. */
    private double ridge(Asked asked, int column, int row, double dx, double dy) {
        var stair = asked.stair();
        double r = plane.resolution;
        double middle = (stair.x() + column * stair.apart() + stair.length() / 2 + dx - left) * r;
        double y = (stair.y() + column * stair.step() + row * stair.pitch() + Sheets.FINE / 2 + dy - top) * r;
        double off = .4 * r;
        double sum = 0;
        for (double part = -.94; part < 1; part += .47) {
            double x = middle + part * stair.length() / 2 * r;
            for (int c = 0; c < 3; c++) {
                sum += asked.expected()[c]
                        * (plane.at(c, x, y) - .5 * (plane.at(c, x, y - off) + plane.at(c, x, y + off)));
            }
        }
        return sum / 5;
    }
}
