package fairkettle.measure;

import fairkettle.imaging.Artwork;
import fairkettle.imaging.Photo;
import fairkettle.job.InkUse;
import fairkettle.job.InkUse.Measured;
import fairkettle.job.Separation;
import fairkettle.job.Separation.Tone;
import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import javax.imageio.ImageIO;

/**
 * {@code ./kettle measure inkuse}: machines whose drops and dot gain are their own, in ways that the model does not
 * know, and tanks that are read with a hand’s error; then a picture of 24 megapixels against merely decoding it.
 */
public final class InkUses {

    private static final int MACHINES = 300;
    private static final int JOBS = 10;
    private static final int NEXT = 6; // jobs whose mL are foretold, then
    private static final int CHANNELS = 4;
    private static final int SIDE = 160; // pixels of a made-up picture
    private static final int RUNS = 5;

    private InkUses() {}

    public static void main(String[] args) throws IOException, Photo.Refused {
        var errors = new ArrayList<Double>();
        var unlearned = new ArrayList<Double>();
        for (int seed = 0; seed < MACHINES; seed++) {
            machine(new Random(4100 + seed), errors, unlearned);
        }
        var reading = reading();
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"inkuse\",\"machines\":%d,\"jobs\":%d,\"error_p50\":%.3f,\"error_p95\":%.3f,\"unlearned_p50\":%.3f,\"unlearned_p95\":%.3f,"
                    + "\"read_ms\":%.0f,\"decode_ms\":%.0f,\"read_over_decode\":%.2f,\"peak_mb\":%d}%n",
                MACHINES,
                JOBS,
                quantile(errors, .5),
                quantile(errors, .95),
                quantile(unlearned, .5),
                quantile(unlearned, .95),
                reading.read(),
                reading.decode(),
                reading.read() / reading.decode(),
                reading.peak());
    }

    /** What a machine lays down of a tone. The curve is a power of its own, which no pair of moments is exact for. */
    private record Laying(double[] drops, double[] power, double[] bump) {

        static Laying some(Random random) {
            var laying = new Laying(new double[CHANNELS], new double[CHANNELS], new double[CHANNELS]);
            for (int c = 0; c < CHANNELS; c++) {
                laying.drops[c] = .7 + .7 * random.nextDouble();
                laying.power[c] = .7 + .4 * random.nextDouble();
                laying.bump[c] = .15 * random.nextDouble();
            }
            return laying;
        }

        double of(int channel, double tone) {
            return drops[channel] * (Math.pow(tone, power[channel]) + bump[channel] * Math.sin(Math.PI * tone));
        }
    }

    private record Art(double[][] tones, Tone[] moments) {}

    private static void machine(Random random, List<Double> errors, List<Double> unlearned) {
        var laying = Laying.some(random);
        var known = new ArrayList<List<Measured>>();
        for (int c = 0; c < CHANNELS; c++) {
            known.add(new ArrayList<>());
        }
        for (int job = 0; job < JOBS; job++) {
            var art = art(random);
            double full = full(random);
            for (int c = 0; c < CHANNELS; c++) {
                double lost = lost(laying, art, c, full) * (1 + .02 * random.nextGaussian());
                double read = lost + .3 * random.nextGaussian(); // two looks at a tank’s window
                known.get(c).add(new Measured(full, art.moments()[c], Math.max(0, read)));
            }
        }
        for (int job = 0; job < NEXT; job++) {
            var art = art(random);
            double full = full(random);
            double truth = 0;
            double told = 0;
            double usual = 0;
            for (int c = 0; c < CHANNELS; c++) {
                truth += lost(laying, art, c, full);
                told += InkUse.of(known.get(c)).mL(full, art.moments()[c]);
                usual += InkUse.of(List.of()).mL(full, art.moments()[c]);
            }
            errors.add(Math.abs(told - truth) / truth);
            unlearned.add(Math.abs(usual - truth) / truth);
        }
    }

    /** mL that the profile reckons with for its area fully covered: ten to sixty sheets. */
    private static double full(Random random) {
        return .7 * (10 + random.nextInt(50));
    }

    private static double lost(Laying laying, Art art, int channel, double full) {
        double sum = 0;
        for (double tone : art.tones()[channel]) {
            sum += laying.of(channel, tone);
        }
        return full * sum / art.tones()[channel].length;
    }

    /** Areas, gradients and shapes, or a photo’s haze; read as any artwork is. */
    private static Art art(Random random) {
        var image = new BufferedImage(SIDE, SIDE, BufferedImage.TYPE_INT_ARGB);
        draw(random, image);
        var separated = new Separation();
        var tones = new double[CHANNELS][SIDE * SIDE];
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                int p = image.getRGB(x, y);
                separated.add(p >> 16 & 255, p >> 8 & 255, p & 255, p >>> 24);
                int inks = Separation.inks(p >> 16 & 255, p >> 8 & 255, p & 255, p >>> 24);
                for (int c = 0; c < CHANNELS; c++) {
                    tones[c][y * SIDE + x] = (inks >>> 24 - 8 * c & 255) / 255.0;
                }
            }
        }
        var all = separated.tones();
        return new Art(tones, new Tone[] {
            all.getOrDefault("C", Tone.NONE),
            all.getOrDefault("M", Tone.NONE),
            all.getOrDefault("Y", Tone.NONE),
            all.getOrDefault("K", Tone.NONE)
        });
    }

    private static void draw(Random random, BufferedImage image) {
        var on = image.createGraphics();
        on.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        int side = image.getWidth();
        if (random.nextBoolean()) {
            on.setPaint(new GradientPaint(0, 0, colour(random), side, random.nextInt(side), colour(random)));
            on.fillRect(0, 0, side, image.getHeight());
        }
        for (int i = 0; i < 14; i++) {
            on.setPaint(
                    random.nextInt(3) == 0
                            ? new GradientPaint(0, 0, colour(random), side, side, colour(random))
                            : colour(random));
            int w = side / 8 + random.nextInt(side / 2);
            if (random.nextBoolean()) {
                on.fillOval(random.nextInt(side), random.nextInt(side), w, w);
            } else {
                on.fillRect(random.nextInt(side), random.nextInt(side), w, w / 2);
            }
        }
        on.dispose();
    }

    private static Color colour(Random random) {
        return new Color(random.nextInt(256), random.nextInt(256), random.nextInt(256));
    }

    private record Reading(double read, double decode, long peak) {}

    /** 6000 × 4000 pixels as PNG: read for its ink, against the library’s own decoding. Of each the quickest counts. */
    private static Reading reading() throws IOException, Photo.Refused {
        var image = new BufferedImage(6000, 4000, BufferedImage.TYPE_4BYTE_ABGR);
        draw(new Random(9), image);
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        image = null;
        var file = out.toByteArray();
        double decode = Double.MAX_VALUE;
        double read = Double.MAX_VALUE;
        System.gc();
        var pools = ManagementFactory.getMemoryPoolMXBeans();
        for (int run = 0; run < RUNS; run++) {
            long began = System.nanoTime();
            var decoded = ImageIO.read(new ByteArrayInputStream(file));
            decode = Math.min(decode, (System.nanoTime() - began) / 1e6);
            decoded.flush();
            began = System.nanoTime();
            var art = Artwork.read(file);
            read = Math.min(read, (System.nanoTime() - began) / 1e6);
            if (art.asked().tones().isEmpty()) {
                throw new IllegalStateException("Impossible state: a picture that asks for nothing.");
            }
        }
        System.gc();
        pools.forEach(p -> p.resetPeakUsage());
        Artwork.read(file);
        long peak = pools.stream()
                .filter(p -> p.getType() == java.lang.management.MemoryType.HEAP)
                .mapToLong(p -> p.getPeakUsage().getUsed())
                .sum();
        return new Reading(read, decode, peak / 1_000_000);
    }

    private static double quantile(List<Double> values, double share) {
        var sorted = values.stream().mapToDouble(v -> v).toArray();
        Arrays.sort(sorted);
        return sorted[(int) Math.ceil(share * sorted.length) - 1];
    }
}
