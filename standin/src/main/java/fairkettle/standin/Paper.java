package fairkettle.standin;

import java.awt.image.BufferedImage;
import java.util.Map;

/** A printed side in linear light, so many points per mm. Ink is laid on top of what is there. */
public final class Paper {

    static final double DENSE = 12; // points per mm
    private static final Map<String, float[]> INKS = Map.of("K", new float[] {.04f, .04f, .045f}, "C", new float[] {.06f, .36f, .66f}, "M", new float[] {.58f, .06f, .26f}, "Y", new float[] {.83f, .73f, .08f},
            "LC", new float[] {.4f, .67f, .83f}, "LM", new float[] {.79f, .44f, .6f}, "GY", new float[] {.3f, .3f, .31f}, "PK", new float[] {.05f, .05f, .05f});
    private static final float[] WHITE = {.85f, .85f, .84f};

    final double widthMm;
    final double heightMm;
    final int width;
    final int height;
    final float[] rgb;

    Paper(double widthMm, double heightMm, float red, float green, float blue) {
        this.widthMm = widthMm;
        this.heightMm = heightMm;
        this.width = (int) Math.round(widthMm * DENSE);
        this.height = (int) Math.round(heightMm * DENSE);
        this.rgb = new float[3 * width * height];
        for (int i = 0; i < rgb.length; i += 3) {
            rgb[i] = red;
            rgb[i + 1] = green;
            rgb[i + 2] = blue;
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
        return code.startsWith("W") ? WHITE : INKS.getOrDefault(code, INKS.get("K"));
    }

    /** Lays ink on one point. @param cover share of it, 0 to 1; white hides what is under it, others filter it */
    void lay(int at, String code, float cover) {
        float[] ink = ink(code);
        for (int c = 0; c < 3; c++) {
            float under = rgb[at + c];
            rgb[at + c] = under * (1 - cover) + cover * (code.startsWith("W") ? ink[c] : under * ink[c]);
        }
    }

    /** A jet's line. Lengths mm. */
    void stroke(double x, double y, double length, double thick, String code, float cover) {
        int fromX = (int) Math.round(x * DENSE);
        int toX = (int) Math.round((x + length) * DENSE);
        double top = (y - thick / 2) * DENSE;
        double low = (y + thick / 2) * DENSE;
        for (int row = Math.max(0, (int) Math.floor(top)); row < Math.min(height, Math.ceil(low)); row++) {
            float share = (float) Math.max(0, Math.min(row + 1, low) - Math.max(row, top));
            for (int column = Math.max(0, fromX); column < Math.min(width, toX); column++) {
                lay(3 * (row * width + column), code, share * cover);
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
            into[c] = (rgb[a + c] * (1 - fx) + rgb[a + 3 + c] * fx) * (1 - fy) + (rgb[b + c] * (1 - fx) + rgb[b + 3 + c] * fx) * fy;
        }
        return true;
    }

    /** Another piece of paper laid on top, a little askew. @param x and @param y of its middle, mm; @param turn degrees */
    void put(Paper other, double x, double y, double turn) {
        double cos = Math.cos(Math.toRadians(turn));
        double sin = Math.sin(Math.toRadians(turn));
        var c = new float[3];
        double reach = Math.hypot(other.widthMm, other.heightMm) / 2;
        for (int row = Math.max(0, (int) ((y - reach) * DENSE)); row < Math.min(height, (y + reach) * DENSE); row++) {
            for (int column = Math.max(0, (int) ((x - reach) * DENSE)); column < Math.min(width, (x + reach) * DENSE); column++) {
                double u = (column + .5) / DENSE - x;
                double v = (row + .5) / DENSE - y;
                if (other.at(cos * u + sin * v + other.widthMm / 2, -sin * u + cos * v + other.heightMm / 2, c)) {
                    System.arraycopy(c, 0, rgb, 3 * (row * width + column), 3);
                }
            }
        }
    }

    static Paper copy(Paper of) {
        var copy = new Paper(of.widthMm, of.heightMm, 0, 0, 0);
        System.arraycopy(of.rgb, 0, copy.rgb, 0, of.rgb.length);
        return copy;
    }

    /** As it would look on a screen, every third point. */
    BufferedImage small() {
        var image = new BufferedImage(width / 3, height / 3, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height / 3; y++) {
            for (int x = 0; x < width / 3; x++) {
                int at = 3 * (y * 3 * width + x * 3);
                image.setRGB(x, y, level(rgb[at]) << 16 | level(rgb[at + 1]) << 8 | level(rgb[at + 2]));
            }
        }
        return image;
    }

    static int level(float light) {
        return (int) Math.round(255 * Math.pow(Math.clamp(light, 0, 1), 1 / 2.2));
    }
}
