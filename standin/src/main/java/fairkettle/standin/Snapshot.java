package fairkettle.standin;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;

/** A picture of a printed side, as a flatbed or a phone held over the bench takes it. */
public final class Snapshot {

    private Snapshot() {}

    /** What it is taken with. */
    public enum With {
        SCANNER,
        PHONE
    }

    /** @param seed everything about the picture follows from it; @return JPEG */
    public static byte[] of(Paper paper, With with, long seed) {
        var random = new SplittableRandom(seed);
        return with == With.SCANNER ? scan(paper, random) : photo(paper, random);
    }

    private static byte[] scan(Paper paper, SplittableRandom random) {
        double scale = 200 / 25.4;
        int width = (int) ((paper.widthMm + 8) * scale);
        int height = (int) ((paper.heightMm + 8) * scale);
        double turn = Math.toRadians((random.nextDouble() - .5) * 3);
        var light = new float[3 * width * height];
        render(
                light,
                width,
                height,
                (x, y) -> {
                    double u = (x - width / 2.0) / scale;
                    double v = (y - height / 2.0) / scale;
                    return new double[] {
                        Math.cos(turn) * u + Math.sin(turn) * v + paper.widthMm / 2,
                        -Math.sin(turn) * u + Math.cos(turn) * v + paper.heightMm / 2,
                        1
                    };
                },
                paper,
                new float[] {.9f, .9f, .9f},
                new float[] {1, 1, 1});
        return jpeg(light, width, height, 1.2, .92f, random);
    }

    private static byte[] photo(Paper paper, SplittableRandom random) {
        boolean lying = paper.widthMm > paper.heightMm;
        int width = lying ? 3000 : 2250;
        int height = lying ? 2250 : 3000;
        double tilt = Math.toRadians(4 + 9 * random.nextDouble());
        double around = random.nextDouble() * 2 * Math.PI;
        double turn = Math.toRadians((random.nextDouble() - .5) * 9);
        // how quickly things shrink away across the picture, and how large the page lies in it
        double fallX = Math.sin(tilt) * Math.cos(around) / 520;
        double fallY = Math.sin(tilt) * Math.sin(around) / 520;
        double scale = .86 * Math.min(width / paper.widthMm, height / paper.heightMm);
        double slope = (random.nextDouble() - .5) * .3;
        double side = (random.nextDouble() - .5) * .3;
        var light = new float[3 * width * height];
        render(
                light,
                width,
                height,
                (x, y) -> {
                    double u = (x - width / 2.0) / scale;
                    double v = (y - height / 2.0) / scale;
                    double depth = 1 + fallX * u + fallY * v;
                    double mx = (Math.cos(turn) * u + Math.sin(turn) * v) / depth;
                    double my = (-Math.sin(turn) * u + Math.cos(turn) * v) / depth;
                    return new double[] {
                        mx + paper.widthMm / 2,
                        my + paper.heightMm / 2,
                        1 + slope * (y / height - .5) + side * (x / width - .5)
                    };
                },
                paper,
                new float[] {.2f, .13f, .08f},
                new float[] {1.03f, 1, .93f});
        return jpeg(light, width, height, 2, .88f, random);
    }

    /** From a pixel to the page: mm from its left and top, and how bright it is lit there. */
    private interface Geometry {
        double[] at(double x, double y);
    }

    private static void render(
            float[] light, int width, int height, Geometry geometry, Paper paper, float[] table, float[] cast) {
        IntStream.range(0, height).parallel().forEach(y -> {
            var c = new float[3];
            for (int x = 0; x < width; x++) {
                int at = 3 * (y * width + x);
                for (int s = 0; s < 4; s++) { // four looks in one pixel: a lens is no needle
                    double[] p = geometry.at(x + .2 + .6 * (s & 1), y + .2 + .6 * (s >> 1));
                    boolean on = paper.at(p[0], p[1], c);
                    for (int k = 0; k < 3; k++) {
                        float grain = on ? 0 : .03f * (float) Math.sin(p[1] * 1.7);
                        light[at + k] += .25f * (float) p[2] * cast[k] * (on ? c[k] : table[k] + grain);
                    }
                }
            }
        });
    }

    private static byte[] jpeg(
            float[] light, int width, int height, double noise, float quality, SplittableRandom random) {
        var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        long seed = random.nextLong();
        IntStream.range(0, height).parallel().forEach(y -> {
            var dice = new SplittableRandom(seed + y);
            for (int x = 0; x < width; x++) {
                int at = 3 * (y * width + x);
                int rgb = 0;
                for (int k = 0; k < 3; k++) {
                    double soft = x > 0 && x < width - 1
                            ? .5 * light[at + k] + .25 * (light[at - 3 + k] + light[at + 3 + k])
                            : light[at + k];
                    double level = Paper.level((float) soft)
                            + noise * (dice.nextDouble() + dice.nextDouble() + dice.nextDouble() - 1.5) * 2;
                    rgb = rgb << 8 | Math.clamp(Math.round(level), 0, 255);
                }
                image.setRGB(x, y, rgb);
            }
        });
        var writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        var out = new ByteArrayOutputStream();
        try (var to = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(to);
            var how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(quality);
            writer.write(null, new IIOImage(image, null, null), how);
            to.flush();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("The picture could not be written.", e);
        } finally {
            writer.dispose();
        }
    }
}
