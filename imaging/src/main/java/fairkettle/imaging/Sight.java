package fairkettle.imaging;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * What of a plane could be seen at all. Bare ground changes slowly over a sheet, in light and hardly in hue: where it
 * jumps, something lies on it or it shines; where the mapping leaves the picture, there is nothing.
 */
final class Sight {

    private static final double CELL = 2; // mm
    private static final int SAMPLES = 8; // points of a cell, each way
    private static final double GROUND = 0.85; // of its points, sorted: strokes are thin
    private static final double HUE = 0.2; // of the logarithm of light
    private static final double DARK = Math.log(0.45);
    private static final double LIGHT = Math.log(3); // on dark ground
    /** of full light, from which on it is lost */
    static final double BURNT = 0.955;

    private static final double DIM = 0.012; // of full light
    private static final int FEWEST = 4; // cells: smaller things are print

    /** Why a place could not be seen, in the order in which they are said. */
    enum Why {
        OUTSIDE("lies outside the picture", "lie outside the picture", "Get the whole of it in and take it again."),
        COVERED(
                "lies under something or in a hard shadow",
                "lie under something or in a hard shadow",
                "Take away what lies there, lean back out of the light, and take it again."),
        GLARE("is lost in glare", "are lost in glare", "Turn away from the lamp and take it again."),
        DIM("lies in the dark", "lie in the dark", "More light, from two sides, and take it again.");

        private final String where;
        private final String strokes;
        private final String act;

        Why(String where, String strokes, String act) {
            this.where = where;
            this.strokes = strokes;
            this.act = act;
        }

        /** As in: cyan … */
        String where() {
            return where;
        }

        /** As in: three strokes … */
        String strokes() {
            return strokes;
        }

        String act() {
            return act;
        }
    }

    private final double cellX; // points
    private final double cellY;
    private final double resolution;
    private final int nx;
    private final int ny;
    private final Why[] cells; // null where it is seen

    private Sight(double resolution, int width, int height, int nx, int ny) {
        this.resolution = resolution;
        this.cellX = (double) width / nx;
        this.cellY = (double) height / ny;
        this.nx = nx;
        this.ny = ny;
        this.cells = new Why[nx * ny];
    }

    /** A rectangle of the plane that is printed all over, mm from its top left: it tells nothing of the ground. */
    record Printed(double x, double y, double width, double height) {}

    /** @param plane its light, the ground still in it */
    static Sight of(Photo photo, Mapping mapping, Plane plane, List<Printed> printed) {
        int width = plane.width;
        int height = plane.height;
        double resolution = plane.resolution;
        boolean dark = plane.dark;
        int nx = Math.max(1, (int) Math.round(width / (CELL * resolution)));
        int ny = Math.max(1, (int) Math.round(height / (CELL * resolution)));
        var sight = new Sight(resolution, width, height, nx, ny);
        var ground = new double[nx * ny][3];
        var some = new float[3][SAMPLES * SAMPLES];
        for (int j = 0; j < ny; j++) {
            for (int i = 0; i < nx; i++) {
                int at = j * nx + i;
                double mmX = plane.x0 + (i + .5) * width / nx / resolution;
                double mmY = plane.y0 + (j + .5) * height / ny / resolution;
                if (!inside(photo, mapping, mmX, mmY)) {
                    sight.cells[at] = Why.OUTSIDE;
                    continue;
                }
                double least = 1;
                for (int n = 0; n < SAMPLES * SAMPLES; n++) {
                    int px = (int) ((i + (n % SAMPLES + .5) / SAMPLES) * width / nx);
                    int py = (int) ((j + (n / SAMPLES + .5) / SAMPLES) * height / ny);
                    double point = 1;
                    for (int c = 0; c < 3; c++) {
                        some[c][n] = plane.cover[c][py * width + px];
                        point = Math.min(point, some[c][n]);
                    }
                    least = Math.min(least, point);
                }
                double most = 0;
                for (int c = 0; c < 3; c++) {
                    Arrays.sort(some[c]);
                    double v = some[c][(int) (SAMPLES * SAMPLES * (dark ? 1 - GROUND : GROUND))];
                    most = Math.max(most, v);
                    ground[at][c] = Math.log(Math.max(1e-4, v));
                }
                if (least > BURNT) {
                    sight.cells[at] = Why.GLARE;
                } else if (!dark && most < DIM) {
                    sight.cells[at] = Why.DIM;
                }
            }
        }
        sight.compare(ground, dark, printed);
        sight.drop();
        sight.widen();
        return sight;
    }

    /** Whether a place of the page is in the picture, a little within its edge. */
    static boolean inside(Photo photo, Mapping mapping, double mmX, double mmY) {
        double px = mapping.x(mmX, mmY);
        double py = mapping.y(mmX, mmY);
        return px >= 2 && py >= 2 && px < photo.width - 2 && py < photo.height - 2;
    }

    /** Against a slow change of light over the sheet, met by most of it. */
    private void compare(double[][] ground, boolean dark, List<Printed> printed) {
        var asked = new boolean[cells.length];
        int count = 0;
        for (int at = 0; at < cells.length; at++) {
            asked[at] = cells[at] == null && !printed(at, printed);
            count += asked[at] ? 1 : 0;
        }
        if (count < 40) {
            return;
        }
        var places = new double[count][];
        var values = new double[3][count];
        var index = new int[count];
        int n = 0;
        for (int at = 0; at < cells.length; at++) {
            if (asked[at]) {
                double u = 2.0 * (at % nx) / nx - 1;
                double v = 2.0 * (at / nx) / ny - 1;
                places[n] = new double[] {1, u, v, u * u, u * v, v * v};
                for (int c = 0; c < 3; c++) {
                    values[c][n] = ground[at][c];
                }
                index[n++] = at;
            }
        }
        var off = new double[3][count];
        for (int c = 0; c < 3; c++) {
            off[c] = off(places, values[c]);
        }
        for (int k = 0; k < count; k++) {
            if (covers(off[0][k], off[1][k], off[2][k], dark)) {
                cells[index[k]] = Why.COVERED;
            }
        }
    }

    /**
     * Whether something lies where ground is so far off what it should be. @param red and @param green and @param blue
     * differences of the natural logarithm of light
     */
    static boolean covers(double red, double green, double blue, boolean dark) {
        double level = (red + green + blue) / 3;
        double hue = Math.max(Math.abs(red - level), Math.max(Math.abs(green - level), Math.abs(blue - level)));
        return dark ? level > LIGHT : level < DARK || hue > HUE;
    }

    private static double[] off(double[][] places, double[] values) {
        var weights = new double[values.length];
        var sorted = values.clone();
        Arrays.sort(sorted);
        double middle = sorted[sorted.length * 6 / 10];
        for (int i = 0; i < weights.length; i++) {
            weights[i] = 1 / (1 + Math.pow((values[i] - middle) / .25, 2));
        }
        var off = new double[values.length];
        for (int pass = 0; pass < 5; pass++) {
            var s = LeastSquares.solve(places, values, weights, 1e-4);
            for (int i = 0; i < off.length; i++) {
                double fit = 0;
                for (int t = 0; t < s.length; t++) {
                    fit += s[t] * places[i][t];
                }
                off[i] = values[i] - fit;
                weights[i] = 1 / (1 + Math.pow(off[i] / .08, 2));
            }
        }
        return off;
    }

    private boolean printed(int at, List<Printed> printed) {
        double x = at % nx * cellX / resolution;
        double y = at / nx * cellY / resolution;
        return printed.stream()
                .anyMatch(p -> x + CELL > p.x() && x < p.x() + p.width() && y + CELL > p.y() && y < p.y() + p.height());
    }

    /** What is smaller than a finger's tip is print. */
    private void drop() {
        var done = new boolean[cells.length];
        for (int start = 0; start < cells.length; start++) {
            if (done[start] || cells[start] == null || cells[start] == Why.OUTSIDE) {
                continue;
            }
            var patch = new ArrayDeque<Integer>();
            var queue = new ArrayDeque<Integer>(List.of(start));
            done[start] = true;
            while (!queue.isEmpty()) {
                int at = queue.remove();
                patch.add(at);
                for (int next : around(at)) {
                    if (next >= 0 && !done[next] && cells[next] == cells[start]) {
                        done[next] = true;
                        queue.add(next);
                    }
                }
            }
            if (patch.size() < FEWEST) {
                patch.forEach(at -> cells[at] = null);
            }
        }
    }

    /** The edge of a thing hides a little more than its cells. */
    private void widen() {
        var was = cells.clone();
        for (int at = 0; at < was.length; at++) {
            if (was[at] != null && was[at] != Why.OUTSIDE) {
                for (int next : around(at)) {
                    if (next >= 0 && cells[next] == null) {
                        cells[next] = was[at];
                    }
                }
            }
        }
    }

    private int[] around(int at) {
        int x = at % nx;
        int y = at / nx;
        return new int[] {x > 0 ? at - 1 : -1, x < nx - 1 ? at + 1 : -1, y > 0 ? at - nx : -1, y < ny - 1 ? at + nx : -1
        };
    }

    /** What hides at least so large a share of it; empty if nothing does. */
    Optional<Why> hidden(double share) {
        return Arrays.stream(Why.values())
                .filter(why -> Arrays.stream(cells).filter(cell -> cell == why).count() > share * cells.length)
                .findFirst();
    }

    /** Why a part of a stroke – its middle or an end – cannot be seen; empty if all of it can. */
    Optional<Why> hidden(Strokes.Site site) {
        double reach = .7 * site.half() / Math.hypot(site.ux(), site.uy());
        return Stream.of(0.0, -reach, reach)
                .flatMap(s -> Stream.ofNullable(at(site.x() + s * site.ux(), site.y() + s * site.uy())))
                .findFirst();
    }

    private @Nullable Why at(double x, double y) {
        int i = (int) (x / cellX);
        int j = (int) (y / cellY);
        return i < 0 || j < 0 || i >= nx || j >= ny ? null : cells[j * nx + i];
    }
}
