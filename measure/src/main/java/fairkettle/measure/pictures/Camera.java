package fairkettle.measure.pictures;

import java.util.Random;
import java.util.stream.IntStream;

/**
 * Photographs a flat page: where it stands, how its lens bends, how the light falls, what lies about, what its sensor
 * adds. Everything is drawn from the seed.
 */
final class Camera {

    /** How hard it is made. */
    enum Kind {
        SCAN,
        PHOTO,
        TINY,
        BLURRED
    }

    /** @param pixelsPerMm at the page's middle */
    record Shot(int width, int height, byte[] levels, double pixelsPerMm) {

        Shot cut(Scene scene) {
            if (scene.cut() < 0) {
                return this;
            }
            int away = (int) (scene.share() * (scene.cut() < 2 ? width : height));
            int x0 = scene.cut() == 0 ? away : 0;
            int y0 = scene.cut() == 2 ? away : 0;
            int wide = scene.cut() < 2 ? width - away : width;
            int high = scene.cut() < 2 ? height : height - away;
            var some = new byte[3 * wide * high];
            for (int y = 0; y < high; y++) {
                System.arraycopy(levels, 3 * ((y + y0) * width + x0), some, 3 * y * wide, 3 * wide);
            }
            return new Shot(wide, high, some, pixelsPerMm);
        }
    }

    private static final float[] GAMMA = new float[16384];

    static {
        for (int i = 0; i < GAMMA.length; i++) {
            GAMMA[i] = (float) (255 * Math.pow(i / 16383.0, 1 / 2.2));
        }
    }

    private final Random random;
    private final Kind kind;

    Camera(Random random, Kind kind) {
        this.random = random;
        this.kind = kind;
    }

    /** @param dots of the page's raster per mm; @param megapixels of the sensor; @param thumb a finger on the margin */
    Shot take(Raster page, double dots, double megapixels, boolean thumb, Scene scene) {
        return kind == Kind.SCAN
                ? scan(page, dots)
                : photograph(page, dots, megapixels, thumb, scene).cut(scene);
    }

    private Shot scan(Raster page, double dots) {
        double dpi = new int[] {150, 200, 300, 300, 400}[random.nextInt(5)];
        double s = dpi / 25.4;
        double pw = page.width / dots;
        double ph = page.height / dots;
        int quarter = random.nextInt(4);
        double turn = Math.toRadians(quarter * 90 + (random.nextDouble() - .5) * 6);
        boolean lying = quarter % 2 == 1;
        int width = (int) (((lying ? ph : pw) + 12) * s);
        int height = (int) (((lying ? pw : ph) + 12) * s);
        double cos = Math.cos(turn);
        double sin = Math.sin(turn);
        double blur = .45 + .35 * random.nextDouble();
        double gain = .97 + .06 * random.nextDouble();
        double[] lid = {.86, .86, .87};
        var out = new float[3 * width * height];
        IntStream.range(0, height).parallel().forEach(y -> {
            var c = new float[3];
            for (int x = 0; x < width; x++) {
                double u = (x + .5 - width / 2.0) / s;
                double v = (y + .5 - height / 2.0) / s;
                double mx = cos * u + sin * v + pw / 2;
                double my = -sin * u + cos * v + ph / 2;
                int at = 3 * (y * width + x);
                if (mx < 0 || my < 0 || mx >= pw || my >= ph) {
                    for (int k = 0; k < 3; k++) {
                        out[at + k] = (float) lid[k];
                    }
                } else {
                    page.mean(mx * dots, my * dots, dots / s, c);
                    for (int k = 0; k < 3; k++) {
                        out[at + k] = (float) (c[k] * gain);
                    }
                }
            }
        });
        return develop(out, width, height, blur, 0, 0, .6 + random.nextDouble(), 0, s);
    }

    private Shot photograph(Raster page, double dots, double megapixels, boolean thumb, Scene scene) {
        boolean upright = random.nextBoolean();
        double ratio = 4.0 / 3;
        int longer = (int) Math.sqrt(megapixels * 1e6 * ratio);
        int shorter = (int) (longer / ratio);
        int width = upright ? shorter : longer;
        int height = upright ? longer : shorter;
        double pw = page.width / dots;
        double ph = page.height / dots;
        // the page lies along the picture's longer side, any of the ways round, and askew
        boolean along = (pw > ph) == (width > height);
        double turn = Math.toRadians((along ? 0 : 90) + (random.nextBoolean() ? 180 : 0) + random.nextGaussian() * 5);
        double tilt = Math.toRadians(random.nextDouble() * (kind == Kind.PHOTO ? 24 : 8));
        double around = random.nextDouble() * 2 * Math.PI;
        double k1 = (random.nextDouble() - .5) * .07;
        double focal = 1.1 * Math.max(width, height);
        // rotation: first in the plane, then tilted about an axis in it
        double[][] r = times(rotation(Math.cos(around), Math.sin(around), tilt), new double[][] {
            {Math.cos(turn), -Math.sin(turn), 0}, {Math.sin(turn), Math.cos(turn), 0}, {0, 0, 1}
        });
        double away = distance(
                r,
                pw,
                ph,
                focal,
                width,
                height,
                k1,
                kind == Kind.TINY ? .22 + .08 * random.nextDouble() : .80 + .14 * random.nextDouble());
        double wobbleX = (random.nextDouble() - .5) * .03 * away;
        double wobbleY = (random.nextDouble() - .5) * .03 * away;
        double[] light = {random.nextGaussian() * .2, random.nextGaussian() * .2, random.nextDouble() * .25};
        double exposure = (.72 + .22 * random.nextDouble()) * scene.exposure();
        double[] cast = {.90 + .2 * random.nextDouble(), .97 + .06 * random.nextDouble(), .88 + .2 * random.nextDouble()
        };
        double shadowAt = random.nextDouble() * 2 - 1;
        double shadowTurn = random.nextDouble() * Math.PI;
        double shadowX = Math.cos(shadowTurn);
        double shadowY = Math.sin(shadowTurn);
        double shadowDeep = random.nextInt(3) == 0 ? .18 + .2 * random.nextDouble() : 0;
        double[] table = {.1 + .5 * random.nextDouble(), .1 + .4 * random.nextDouble(), .08 + .3 * random.nextDouble()};
        double[][] things = things(new Random(random.nextInt()));
        double thumbX = random.nextDouble();
        int thumbSide = random.nextInt(4);
        // the inverse: from a pixel to the page
        double[][] inverse = {{r[0][0], r[1][0], r[2][0]}, {r[0][1], r[1][1], r[2][1]}, {r[0][2], r[1][2], r[2][2]}};
        var out = new float[3 * width * height];
        double scale = focal / away;
        IntStream.range(0, height).parallel().forEach(y -> {
            var c = new float[3];
            for (int x = 0; x < width; x++) {
                double u = (x + .5 - width / 2.0) / focal;
                double v = (y + .5 - height / 2.0) / focal;
                double rr = u * u + v * v;
                double un = u / (1 + k1 * rr);
                double vn = v / (1 + k1 * rr);
                // ray d = (un, vn, 1); plane through (wobble, away) with axes r
                double dn = inverse[2][0] * un + inverse[2][1] * vn + inverse[2][2];
                double on = inverse[2][0] * wobbleX + inverse[2][1] * wobbleY + inverse[2][2] * away;
                double t = on / dn;
                double qx = un * t - wobbleX;
                double qy = vn * t - wobbleY;
                double qz = t - away;
                double mx = inverse[0][0] * qx + inverse[0][1] * qy + inverse[0][2] * qz;
                double my = inverse[1][0] * qx + inverse[1][1] * qy + inverse[1][2] * qz;
                // what is lifted slips, seen from the side
                double lift = scene.lift(2 * mx / pw, 2 * my / ph);
                mx += lift * (inverse[0][0] * un + inverse[0][1] * vn);
                my += lift * (inverse[1][0] * un + inverse[1][1] * vn);
                mx += pw / 2;
                my += ph / 2;
                int at = 3 * (y * width + x);
                boolean paper = mx >= 0 && my >= 0 && mx < pw && my < ph;
                if (paper) {
                    page.mean(mx * dots, my * dots, dots / scale, c);
                    if (thumb && finger(mx, my, pw, ph, thumbX, thumbSide)) {
                        c[0] = .52f;
                        c[1] = .33f;
                        c[2] = .25f;
                    }
                    if (scene.covers(mx, my)) {
                        c[0] = scene.dark() ? .38f * c[0] : .5f;
                        c[1] = scene.dark() ? .38f * c[1] : .32f;
                        c[2] = scene.dark() ? .4f * c[2] : .25f;
                    }
                } else {
                    clutter(mx, my, things, table, c);
                }
                double fall = 1 + light[0] * u + light[1] * v - light[2] * rr;
                if (shadowDeep > 0) {
                    double s = (u * shadowX + v * shadowY) * 2 - shadowAt * .4;
                    fall *= 1 - shadowDeep / (1 + Math.exp(-s * 14));
                }
                for (int k = 0; k < 3; k++) {
                    out[at + k] =
                            (float) ((c[k] * fall + (paper ? scene.shine(mx, my) : 0)) * exposure * cast[k] * 1.12);
                }
            }
        });
        double blur = kind == Kind.BLURRED ? 5 + 3 * random.nextDouble() : .55 + .75 * random.nextDouble();
        double motion = kind == Kind.PHOTO && random.nextInt(3) == 0 ? random.nextDouble() * 2.2 : 0;
        return develop(
                out,
                width,
                height,
                blur,
                motion,
                random.nextDouble() * Math.PI,
                .8 + 2.4 * random.nextDouble(),
                random.nextDouble() * .7,
                scale);
    }

    private static boolean finger(double mx, double my, double pw, double ph, double place, int side) {
        double cx = side == 0 ? 0 : side == 1 ? pw : pw * (.2 + .6 * place);
        double cy = side == 2 ? 0 : side == 3 ? ph : ph * (.2 + .6 * place);
        double dx = (mx - cx) / (side < 2 ? 11 : 9);
        double dy = (my - cy) / (side < 2 ? 9 : 11);
        return dx * dx + dy * dy < 1;
    }

    /** Things that lie about: middle, size, colour. */
    private static double[][] things(Random random) {
        var all = new double[7][];
        for (int i = 0; i < all.length; i++) {
            all[i] = new double[] {
                random.nextDouble() * 500 - 140,
                random.nextDouble() * 500 - 140,
                5 + random.nextDouble() * 35,
                5 + random.nextDouble() * 35,
                random.nextDouble(),
                random.nextDouble(),
                random.nextDouble()
            };
        }
        return all;
    }

    private static void clutter(double mx, double my, double[][] things, double[] table, float[] c) {
        double grain = .06 * Math.sin(my * .9) + .03 * Math.sin(my * 4.1 + mx * .05);
        for (int k = 0; k < 3; k++) {
            c[k] = (float) Math.max(.01, table[k] * (1 + grain));
        }
        for (int i = 0; i < things.length; i++) {
            double[] t = things[i];
            if (Math.abs(mx - t[0]) < t[2] && Math.abs(my - t[1]) < t[3]) {
                boolean stripes = i % 2 == 0 && ((int) Math.floor(mx / 3) & 1) == 0;
                for (int k = 0; k < 3; k++) {
                    c[k] = stripes ? .05f : (float) t[4 + k];
                }
            }
        }
    }

    /** So far away that all four corners are inside, filling so much of the picture. */
    private static double distance(
            double[][] r, double pw, double ph, double focal, int width, int height, double k1, double fill) {
        double near = 30;
        double far = 6000;
        for (int i = 0; i < 60; i++) {
            double mid = (near + far) / 2;
            double most = 0;
            for (double[] corner :
                    new double[][] {{-pw / 2, -ph / 2}, {pw / 2, -ph / 2}, {pw / 2, ph / 2}, {-pw / 2, ph / 2}}) {
                double x = r[0][0] * corner[0] + r[0][1] * corner[1];
                double y = r[1][0] * corner[0] + r[1][1] * corner[1];
                double z = mid + r[2][0] * corner[0] + r[2][1] * corner[1];
                double u = z <= 10 ? 9 : x / z;
                double v = z <= 10 ? 9 : y / z;
                double bend = 1 + k1 * (u * u + v * v);
                most = Math.max(
                        most,
                        Math.max(
                                Math.abs(u * bend * focal) / (width / 2.0),
                                Math.abs(v * bend * focal) / (height / 2.0)));
            }
            if (most > fill) {
                near = mid;
            } else {
                far = mid;
            }
        }
        return far;
    }

    private static double[][] rotation(double ax, double ay, double angle) {
        double c = Math.cos(angle);
        double s = Math.sin(angle);
        return new double[][] {
            {c + ax * ax * (1 - c), ax * ay * (1 - c), ay * s},
            {ax * ay * (1 - c), c + ay * ay * (1 - c), -ax * s},
            {-ay * s, ax * s, c}
        };
    }

    private static double[][] times(double[][] a, double[][] b) {
        var out = new double[3][3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                for (int k = 0; k < 3; k++) {
                    out[i][j] += a[i][k] * b[k][j];
                }
            }
        }
        return out;
    }

    /** Blur, motion, noise, sharpening, and the step to levels. */
    private Shot develop(
            float[] light,
            int width,
            int height,
            double blur,
            double motion,
            double way,
            double noise,
            double sharpen,
            double scale) {
        gauss(light, width, height, blur);
        if (motion > .3) {
            light = shake(light, width, height, motion, way);
        }
        var levels = new byte[light.length];
        int seed = random.nextInt();
        var seen = light;
        IntStream.range(0, height).parallel().forEach(y -> {
            long state = seed * 0x9E3779B97F4A7C15L + y * 0xBF58476D1CE4E5B9L | 1;
            for (int x = 0; x < width; x++) {
                for (int c = 0; c < 3; c++) {
                    int at = 3 * (y * width + x) + c;
                    double v = GAMMA[(int) (Math.max(0, Math.min(1, seen[at])) * 16383 + .5)];
                    double sum = -6;
                    for (int k = 0; k < 3; k++) {
                        state ^= state << 13;
                        state ^= state >>> 7;
                        state ^= state << 17;
                        sum += (state >>> 11) * 0x1.0p-53 * 4;
                    }
                    levels[at] = (byte) Math.clamp(Math.round(v + noise * sum * .5), 0, 255);
                }
            }
        });
        return new Shot(width, height, sharpen > .05 ? sharpen(levels, width, height, sharpen) : levels, scale);
    }

    private static void gauss(float[] light, int width, int height, double sigma) {
        int half = (int) Math.ceil(2.6 * sigma);
        var kernel = new float[2 * half + 1];
        float sum = 0;
        for (int i = -half; i <= half; i++) {
            kernel[i + half] = (float) Math.exp(-i * i / (2 * sigma * sigma));
            sum += kernel[i + half];
        }
        for (int i = 0; i < kernel.length; i++) {
            kernel[i] /= sum;
        }
        IntStream.range(0, height).parallel().forEach(y -> line(light, 3 * y * width, 3, width, kernel, half));
        IntStream.range(0, width).parallel().forEach(x -> line(light, 3 * x, 3 * width, height, kernel, half));
    }

    private static void line(float[] light, int from, int stride, int count, float[] kernel, int half) {
        var padded = new float[3 * (count + 2 * half)];
        for (int i = -half; i < count + half; i++) {
            int at = from + stride * Math.max(0, Math.min(count - 1, i));
            int to = 3 * (i + half);
            padded[to] = light[at];
            padded[to + 1] = light[at + 1];
            padded[to + 2] = light[at + 2];
        }
        for (int i = 0; i < count; i++) {
            float r = 0;
            float g = 0;
            float b = 0;
            for (int k = 0, p = 3 * i; k < kernel.length; k++, p += 3) {
                r += kernel[k] * padded[p];
                g += kernel[k] * padded[p + 1];
                b += kernel[k] * padded[p + 2];
            }
            int at = from + stride * i;
            light[at] = r;
            light[at + 1] = g;
            light[at + 2] = b;
        }
    }

    private static float[] shake(float[] light, int width, int height, double length, double way) {
        var out = new float[light.length];
        int steps = 5;
        IntStream.range(0, height).parallel().forEach(y -> {
            for (int x = 0; x < width; x++) {
                for (int k = 0; k < steps; k++) {
                    double s = length * ((double) k / (steps - 1) - .5);
                    double fx = Math.clamp(x + s * Math.cos(way), 0, width - 1.001);
                    double fy = Math.clamp(y + s * Math.sin(way), 0, height - 1.001);
                    int ix = Math.min(width - 2, (int) fx);
                    int iy = Math.min(height - 2, (int) fy);
                    float u = (float) (fx - ix);
                    float v = (float) (fy - iy);
                    int a = 3 * (iy * width + ix);
                    int b = a + 3 * width;
                    for (int c = 0; c < 3; c++) {
                        out[3 * (y * width + x) + c] += ((light[a + c] * (1 - u) + light[a + 3 + c] * u) * (1 - v)
                                        + (light[b + c] * (1 - u) + light[b + 3 + c] * u) * v)
                                / steps;
                    }
                }
            }
        });
        return out;
    }

    private static byte[] sharpen(byte[] levels, int width, int height, double amount) {
        var out = levels.clone();
        IntStream.range(1, height - 1).parallel().forEach(y -> {
            for (int x = 1; x < width - 1; x++) {
                for (int c = 0; c < 3; c++) {
                    int at = 3 * (y * width + x) + c;
                    int here = levels[at] & 0xff;
                    int round = ((levels[at - 3] & 0xff)
                            + (levels[at + 3] & 0xff)
                            + (levels[at - 3 * width] & 0xff)
                            + (levels[at + 3 * width] & 0xff));
                    out[at] = (byte) Math.clamp(Math.round(here + amount * (here - round / 4.0)), 0, 255);
                }
            }
        });
        return out;
    }
}
