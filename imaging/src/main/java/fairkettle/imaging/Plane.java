package fairkettle.imaging;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A rectangle of the page, upright, in linear light: for every point and each of red, green and blue, how much of the
 * light of bare ground there is missing (or, on a dark ground, added), 0 to 1.
 */
final class Plane {

    private static final float[] LINEAR = new float[256];
    private static final float[] QUARTER = new float[256];
    private static final int STEP = 8; // pixels between exact places; between them the mapping is as good as straight
    private static final double CELL = 6; // mm over which the ground is looked for

    static {
        for (int i = 0; i < 256; i++) { // IEC 61966-2-1
            double v = i / 255.0;
            LINEAR[i] = (float) (v <= 0.04045 ? v / 12.92 : Math.pow((v + 0.055) / 1.055, 2.4));
            QUARTER[i] = LINEAR[i] / 4;
        }
    }

    final double x0;
    final double y0;
    final double resolution;
    final int width;
    final int height;
    /** share of light missing: red, green, blue */
    final float[][] cover = new float[3][];

    final boolean dark;
    /** share of points where a colour is burnt out to white */
    final double burnt;
    /** what of it was in the picture; everything where the ground was not looked for */
    Optional<Sight> sight = Optional.empty();
    /** mean level of bare ground, 0 to 255 as it is in the picture, red green blue */
    final double[] ground = new double[3];

    private Plane(double x0, double y0, double resolution, int width, int height, boolean dark, double burnt) {
        this.x0 = x0;
        this.y0 = y0;
        this.resolution = resolution;
        this.width = width;
        this.height = height;
        this.dark = dark;
        this.burnt = burnt;
    }

    /**
     * @param dark true if what is looked for is lighter than its ground
     * @param resolution points per mm
     * @param printed what of the page is printed all over
     */
    static Plane of(
            Photo photo,
            Mapping mapping,
            double x0,
            double y0,
            double w,
            double h,
            double resolution,
            boolean dark,
            List<Sight.Printed> printed) {
        var plane = light(photo, mapping, x0, y0, w, h, resolution, dark);
        plane.sight = Optional.of(Sight.of(photo, mapping, plane, printed));
        IntStream.range(0, 3).parallel().forEach(c -> plane.cover[c] = plane.flatten(plane.cover[c], c));
        return plane;
    }

    /** The light itself, its ground still in it. */
    static Plane light(
            Photo photo, Mapping mapping, double x0, double y0, double w, double h, double resolution, boolean dark) {
        int width = (int) Math.round(w * resolution);
        int height = (int) Math.round(h * resolution);
        var light = new float[3][width * height];
        double step = 1 / resolution;
        boolean fine = mapping.scale(x0 + w / 2, y0 + h / 2) * step > 1.3; // more than one pixel for a point: take four
        int bands = (height + STEP - 1) / STEP;
        int burnt = IntStream.range(0, bands)
                .parallel()
                .map(band -> band(
                        photo,
                        mapping,
                        x0,
                        y0,
                        resolution,
                        width,
                        Math.min(height, (band + 1) * STEP),
                        band * STEP,
                        fine,
                        light))
                .sum();
        var plane = new Plane(x0, y0, resolution, width, height, dark, (double) burnt / (width * height));
        System.arraycopy(light, 0, plane.cover, 0, 3);
        return plane;
    }

    /** Fills some rows. @return how many points are burnt out */
    private static int band(
            Photo photo,
            Mapping mapping,
            double x0,
            double y0,
            double resolution,
            int width,
            int end,
            int start,
            boolean fine,
            float[][] light) {
        int across = width / STEP + 2;
        var px = new double[2][across];
        var py = new double[2][across];
        row(mapping, x0, y0, resolution, start, px[0], py[0]);
        row(mapping, x0, y0, resolution, start + STEP, px[1], py[1]);
        int burnt = 0;
        for (int y = start; y < end; y++) {
            double fy = (double) (y % STEP) / STEP;
            for (int x = 0; x < width; x++) {
                int i = x / STEP;
                double fx = (double) (x % STEP) / STEP;
                double ax = px[0][i] + (px[0][i + 1] - px[0][i]) * fx;
                double bx = px[1][i] + (px[1][i + 1] - px[1][i]) * fx;
                double ay = py[0][i] + (py[0][i + 1] - py[0][i]) * fx;
                double by = py[1][i] + (py[1][i + 1] - py[1][i]) * fx;
                double cx = ax + (bx - ax) * fy;
                double cy = ay + (by - ay) * fy;
                int at = y * width + x;
                boolean full;
                if (fine) {
                    double ux = (px[0][i + 1] - px[0][i]) / STEP * .25;
                    double uy = (py[0][i + 1] - py[0][i]) / STEP * .25;
                    double vx = (px[1][i] - px[0][i]) / STEP * .25;
                    double vy = (py[1][i] - py[0][i]) / STEP * .25;
                    full = nearest(photo, cx + ux + vx, cy + uy + vy, light, at)
                            & nearest(photo, cx - ux + vx, cy - uy + vy, light, at)
                            & nearest(photo, cx + ux - vx, cy + uy - vy, light, at)
                            & nearest(photo, cx - ux - vx, cy - uy - vy, light, at);
                } else {
                    full = sample(photo, cx, cy, light, at);
                }
                if (full) {
                    burnt++;
                }
            }
        }
        return burnt;
    }

    private static void row(Mapping mapping, double x0, double y0, double resolution, int y, double[] px, double[] py) {
        for (int i = 0; i < px.length; i++) {
            double mmX = x0 + (i * STEP + .5) / resolution;
            double mmY = y0 + (y + .5) / resolution;
            px[i] = mapping.x(mmX, mmY) - .5;
            py[i] = mapping.y(mmX, mmY) - .5;
        }
    }

    /** Adds a quarter of the nearest pixel's light. @return whether it is burnt out */
    private static boolean nearest(Photo photo, double px, double py, float[][] light, int at) {
        int ix = (int) (px + .5);
        int iy = (int) (py + .5);
        if (ix < 0 || iy < 0 || ix >= photo.width || iy >= photo.height) {
            return false;
        }
        int a = 3 * (iy * photo.width + ix);
        byte[] p = photo.bgr;
        light[0][at] += QUARTER[p[a + 2] & 0xff];
        light[1][at] += QUARTER[p[a + 1] & 0xff];
        light[2][at] += QUARTER[p[a] & 0xff];
        return (p[a] & p[a + 1] & p[a + 2] & 0xff) == 0xff;
    }

    /** The light between four pixels. @return whether all of it is burnt out */
    private static boolean sample(Photo photo, double px, double py, float[][] light, int at) {
        if (!(px >= 0 && py >= 0 && px < photo.width - 1 && py < photo.height - 1)) {
            return false; // beyond the picture's edge nothing was seen
        }
        int ix = (int) px;
        int iy = (int) py;
        float fx = (float) (px - ix);
        float fy = (float) (py - iy);
        int a = 3 * (iy * photo.width + ix);
        int b = a + 3 * photo.width;
        byte[] p = photo.bgr;
        float w00 = (1 - fx) * (1 - fy);
        float w10 = fx * (1 - fy);
        float w01 = (1 - fx) * fy;
        float w11 = fx * fy;
        for (int c = 0; c < 3; c++) {
            int o = 2 - c;
            light[c][at] = w00 * LINEAR[p[a + o] & 0xff]
                    + w10 * LINEAR[p[a + 3 + o] & 0xff]
                    + w01 * LINEAR[p[b + o] & 0xff]
                    + w11 * LINEAR[p[b + 3 + o] & 0xff];
        }
        return (p[a] & p[a + 1] & p[a + 2] & 0xff) == 0xff;
    }

    /** What bare ground would be at every point: a high (or, on dark ground, low) percentile of cells, smoothed. */
    private float[] flatten(float[] light, int colour) {
        int cell = Math.max(4, (int) Math.round(CELL * resolution));
        int nx = Math.max(1, (width + cell / 2) / cell);
        int ny = Math.max(1, (height + cell / 2) / cell);
        var map = new float[ny][nx];
        var some = new float[400];
        for (int j = 0; j < ny; j++) {
            for (int i = 0; i < nx; i++) {
                int fromX = i * width / nx;
                int toX = (i + 1) * width / nx;
                int fromY = j * height / ny;
                int toY = (j + 1) * height / ny;
                int n = 0;
                for (int a = 0; a < 20; a++) {
                    for (int b = 0; b < 20; b++) {
                        some[n++] = light[(fromY + (toY - fromY) * a / 20) * width + fromX + (toX - fromX) * b / 20];
                    }
                }
                Arrays.sort(some, 0, n);
                map[j][i] = some[(int) (n * (dark ? 0.2 : 0.8))];
            }
        }
        double mean = 0;
        for (var line : map) {
            for (float v : line) {
                mean += v / (nx * ny);
            }
        }
        ground[colour] = 255 * (mean <= 0.0031308 ? 12.92 * mean : 1.055 * Math.pow(mean, 1 / 2.4) - 0.055);
        var left = new int[width];
        var share = new float[width];
        for (int x = 0; x < width; x++) {
            double gx = Math.clamp((x + .5) / width * nx - .5, 0, nx - 1);
            left[x] = Math.min(nx - 1, (int) gx);
            share[x] = (float) (gx - left[x]);
        }
        var line = new float[nx + 1];
        for (int y = 0; y < height; y++) {
            double gy = Math.clamp((y + .5) / height * ny - .5, 0, ny - 1);
            int j = Math.min(ny - 1, (int) gy);
            int j1 = Math.min(ny - 1, j + 1);
            float fy = (float) (gy - j);
            for (int i = 0; i < nx; i++) {
                line[i] = map[j][i] * (1 - fy) + map[j1][i] * fy;
            }
            line[nx] = line[nx - 1];
            int row = y * width;
            for (int x = 0; x < width; x++) {
                float paper = line[left[x]] + (line[left[x] + 1] - line[left[x]]) * share[x];
                light[row + x] = dark
                        ? (light[row + x] - paper) / Math.max(0.05f, 1 - paper)
                        : 1 - light[row + x] / Math.max(0.004f, paper);
            }
        }
        return light;
    }

    /** Share of points with ink on them, in any colour. */
    double inked() {
        int count = 0;
        for (int at = 0; at < width * height; at++) {
            count += Math.max(cover[0][at], Math.max(cover[1][at], cover[2][at])) > .3f ? 1 : 0;
        }
        return (double) count / (width * height);
    }

    /** Between four points; 0 outside. @param x and @param y in points */
    float at(int colour, double x, double y) {
        int ix = (int) Math.floor(x);
        int iy = (int) Math.floor(y);
        if (ix < 0 || iy < 0 || ix + 1 >= width || iy + 1 >= height) {
            return 0;
        }
        float fx = (float) (x - ix);
        float fy = (float) (y - iy);
        int a = iy * width + ix;
        float[] p = cover[colour];
        float top = p[a] + (p[a + 1] - p[a]) * fx;
        float low = p[a + width] + (p[a + width + 1] - p[a + width]) * fx;
        return top + (low - top) * fy;
    }
}
