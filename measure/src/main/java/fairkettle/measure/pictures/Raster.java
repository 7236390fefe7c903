package fairkettle.measure.pictures;

/** A picture in linear light, three floats per pixel: red, green, blue, 0 to 1. */
final class Raster {

    private static final float[] LINEAR = new float[256];

    static {
        for (int i = 0; i < 256; i++) {
            LINEAR[i] = (float) Math.pow(i / 255.0, 2.2);
        }
    }

    final int width;
    final int height;
    final float[] rgb;

    Raster(int width, int height) {
        this.width = width;
        this.height = height;
        this.rgb = new float[3 * width * height];
    }

    static float linear(int level) {
        return LINEAR[level];
    }

    static int level(double linear) {
        return (int) Math.round(255 * Math.pow(Math.clamp(linear, 0, 1), 1 / 2.2));
    }

    void fill(float r, float g, float b) {
        for (int i = 0; i < rgb.length; i += 3) {
            rgb[i] = r;
            rgb[i + 1] = g;
            rgb[i + 2] = b;
        }
    }

    /**
     * Mean of the pixels under a small square round a place, which is read between pixels when it is smaller than one.
     */
    void mean(double x, double y, double side, float[] into) {
        int n = side <= 1.2 ? 1 : side <= 2.4 ? 2 : side <= 4 ? 3 : 4;
        into[0] = into[1] = into[2] = 0;
        for (int j = 0; j < n; j++) {
            for (int i = 0; i < n; i++) {
                between(x + side * ((i + .5) / n - .5), y + side * ((j + .5) / n - .5), into, 1f / (n * n));
            }
        }
    }

    private void between(double x, double y, float[] into, float weight) {
        double fx = x - .5;
        double fy = y - .5;
        int ix = Math.max(0, Math.min(width - 2, (int) Math.floor(fx)));
        int iy = Math.max(0, Math.min(height - 2, (int) Math.floor(fy)));
        float u = (float) Math.max(0, Math.min(1, fx - ix));
        float v = (float) Math.max(0, Math.min(1, fy - iy));
        int a = 3 * (iy * width + ix);
        int b = a + 3 * width;
        for (int c = 0; c < 3; c++) {
            into[c] += weight
                    * ((rgb[a + c] * (1 - u) + rgb[a + 3 + c] * u) * (1 - v)
                            + (rgb[b + c] * (1 - u) + rgb[b + 3 + c] * u) * v);
        }
    }
}
