package fairkettle.standin;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Map;
import javax.imageio.ImageIO;

/**
 * A printed side, so many points per mm, in levels as a screen shows them. Ink is laid on top of what is there, in
 * linear light.
 */
public final class Paper {

    static final double DENSE = 10; // points per mm
    private static final int MARK = 60; // of 255: darker than the paper by so much
    private static final float[] BLACK = {.04f, .04f, .045f};

    private static final Map<String, float[]> INKS = Map.of(
            "K",
            BLACK,
            "C",
            new float[] {.06f, .36f, .66f},
            "M",
            new float[] {.58f, .06f, .26f},
            "Y",
            new float[] {.83f, .73f, .08f},
            "LC",
            new float[] {.4f, .67f, .83f},
            "LM",
            new float[] {.79f, .44f, .6f},
            "GY",
            new float[] {.3f, .3f, .31f},
            "PK",
            new float[] {.05f, .05f, .05f});
    private static final float[] LIGHT = new float[256];
    private static final byte[] LEVEL = new byte[8192];

    static {
        for (int i = 0; i < 256; i++) {
            LIGHT[i] = (float) Math.pow(i / 255.0, 2.2);
        }
        for (int i = 0; i < LEVEL.length; i++) {
            LEVEL[i] = (byte) Math.round(255 * Math.pow(i / (LEVEL.length - 1.0), 1 / 2.2));
        }
    }

    private static final float[] WHITE = {.85f, .85f, .84f};

    final double widthMm;
    final double heightMm;
    final int width;
    final int height;
    private final byte[] levels;

    Paper(double widthMm, double heightMm, float red, float green, float blue) {
        this.widthMm = widthMm;
        this.heightMm = heightMm;
        this.width = (int) Math.round(widthMm * DENSE);
        this.height = (int) Math.round(heightMm * DENSE);
        this.levels = new byte[3 * width * height];
        byte[] bare = {(byte) level(red), (byte) level(green), (byte) level(blue)};
        for (int i = 0; i < levels.length; i++) {
            levels[i] = bare[i % 3];
        }
    }

    static Paper plain(double widthMm, double heightMm) {
        return new Paper(widthMm, heightMm, .83f, .83f, .82f);
    }

    /** Clear film, as it looks on dark card. */
    static Paper film(double widthMm, double heightMm) {
        return new Paper(widthMm, heightMm, .05f, .05f, .055f);
    }

    static float[] ink(String code) {
        return code.startsWith("W") ? WHITE : INKS.getOrDefault(code, BLACK);
    }

    /**
     * Lays ink along a row, from its left.
     *
     * @param covers share of each point, 0 to 1; white hides what is under it, others filter it
     * @param part of those
     */
    void lay(int row, String code, float[] covers, float part) {
        float[] ink = ink(code);
        boolean hides = code.startsWith("W");
        for (int x = 0; x < width; x++) {
            if (covers[x] > 0) {
                lay(3 * (row * width + x), ink, hides, covers[x] * part);
            }
        }
    }

    private void lay(int at, float[] ink, boolean hides, float cover) {
        for (int c = 0; c < 3; c++) {
            float under = LIGHT[levels[at + c] & 255];
            levels[at + c] = (byte) level(under * (1 - cover) + cover * (hides ? ink[c] : under * ink[c]));
        }
    }

    /** A jet's line. Lengths mm. */
    void stroke(double x, double y, double length, double thick, String code, float cover) {
        int fromX = (int) Math.round(x * DENSE);
        int toX = (int) Math.round((x + length) * DENSE);
        float[] ink = ink(code);
        boolean hides = code.startsWith("W");
        double top = (y - thick / 2) * DENSE;
        double low = (y + thick / 2) * DENSE;
        for (int row = Math.max(0, (int) Math.floor(top)); row < Math.min(height, Math.ceil(low)); row++) {
            float share = (float) Math.max(0, Math.min(row + 1, low) - Math.max(row, top));
            for (int column = Math.max(0, fromX); column < Math.min(width, toX); column++) {
                lay(3 * (row * width + column), ink, hides, share * cover);
            }
        }
    }

    /** Between four points; false outside. */
    boolean at(double xMm, double yMm, float[] into) {
        double x = xMm * DENSE - .5;
        double y = yMm * DENSE - .5;
        if (xMm < 0 || yMm < 0 || xMm >= widthMm || yMm >= heightMm) {
            return false;
        }
        int ix = Math.clamp((int) Math.floor(x), 0, width - 2);
        int iy = Math.clamp((int) Math.floor(y), 0, height - 2);
        float fx = (float) Math.clamp(x - ix, 0, 1);
        float fy = (float) Math.clamp(y - iy, 0, 1);
        int a = 3 * (iy * width + ix);
        int b = a + 3 * width;
        for (int c = 0; c < 3; c++) {
            into[c] = (LIGHT[levels[a + c] & 255] * (1 - fx) + LIGHT[levels[a + 3 + c] & 255] * fx) * (1 - fy)
                    + (LIGHT[levels[b + c] & 255] * (1 - fx) + LIGHT[levels[b + 3 + c] & 255] * fx) * fy;
        }
        return true;
    }

    /** The least rectangle that holds all that is printed: left, top, right and low, in mm; of bare paper nothing. */
    double[] marks() {
        int bare = levels[0] & 255;
        int[] box = {width, height, 0, 0};
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int at = 3 * (y * width + x);
                int darkest = Math.min(levels[at] & 255, Math.min(levels[at + 1] & 255, levels[at + 2] & 255));
                if (darkest < bare - MARK) {
                    box[0] = Math.min(box[0], x);
                    box[1] = Math.min(box[1], y);
                    box[2] = Math.max(box[2], x + 1);
                    box[3] = Math.max(box[3], y + 1);
                }
            }
        }
        return Arrays.stream(box).mapToDouble(v -> v / DENSE).toArray();
    }

    /**
     * Another piece of paper laid on top, a little askew. @param x and @param y of its middle, mm; @param turn degrees
     */
    void put(Paper other, double x, double y, double turn) {
        double cos = Math.cos(Math.toRadians(turn));
        double sin = Math.sin(Math.toRadians(turn));
        var c = new float[3];
        double reach = Math.hypot(other.widthMm, other.heightMm) / 2;
        for (int row = Math.max(0, (int) ((y - reach) * DENSE)); row < Math.min(height, (y + reach) * DENSE); row++) {
            for (int column = Math.max(0, (int) ((x - reach) * DENSE));
                    column < Math.min(width, (x + reach) * DENSE);
                    column++) {
                double u = (column + .5) / DENSE - x;
                double v = (row + .5) / DENSE - y;
                if (other.at(cos * u + sin * v + other.widthMm / 2, -sin * u + cos * v + other.heightMm / 2, c)) {
                    for (int k = 0; k < 3; k++) {
                        levels[3 * (row * width + column) + k] = (byte) level(c[k]);
                    }
                }
            }
        }
    }

    /** As it lies there, so many pixels wide. @return PNG */
    byte[] png(int wide) {
        int step = Math.max(1, width / wide);
        var image = new BufferedImage(width / step, height / step, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                image.setRGB(x, y, mean(x * step, y * step, step));
            }
        }
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException("The picture could not be written.", e);
        }
        return out.toByteArray();
    }

    private int mean(int left, int top, int step) {
        int rgb = 0;
        for (int c = 0; c < 3; c++) {
            int sum = 0;
            for (int y = top; y < top + step; y++) {
                for (int x = left; x < left + step; x++) {
                    sum += levels[3 * (y * width + x) + c] & 255;
                }
            }
            rgb = rgb << 8 | sum / (step * step);
        }
        return rgb;
    }

    static Paper copy(Paper of) {
        var copy = new Paper(of.widthMm, of.heightMm, 0, 0, 0);
        System.arraycopy(of.levels, 0, copy.levels, 0, of.levels.length);
        return copy;
    }

    static int level(float light) {
        return LEVEL[(int) (Math.max(0, Math.min(1, light)) * (LEVEL.length - 1) + .5f)] & 255;
    }
}
