package fairkettle.measure.pictures;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Debian's own programs: Ghostscript rasterises, cjpeg writes. */
final class Tools {

    private Tools() {}

    /** @param document PDF or PostScript; @param dpi dots per inch */
    static Raster rasterise(byte[] document, double dpi) {
        byte[] ppm = run(
                document,
                List.of(
                        "gs",
                        "-q",
                        "-dNOPAUSE",
                        "-dBATCH",
                        "-dSAFER",
                        "-sDEVICE=ppmraw",
                        "-dGraphicsAlphaBits=4",
                        "-dTextAlphaBits=4",
                        "-r" + dpi,
                        "-sOutputFile=%stdout",
                        "-"));
        int[] at = {2};
        int width = number(ppm, at);
        int height = number(ppm, at);
        number(ppm, at);
        int from = at[0] + 1;
        var raster = new Raster(width, height);
        for (int i = 0; i < raster.rgb.length; i++) {
            raster.rgb[i] = Raster.linear(ppm[from + i] & 0xff);
        }
        return raster;
    }

    private static int number(byte[] ppm, int[] at) {
        while (ppm[at[0]] <= ' ' || ppm[at[0]] == '#') {
            if (ppm[at[0]] == '#') {
                while (ppm[at[0]] != '\n') {
                    at[0]++;
                }
            }
            at[0]++;
        }
        int value = 0;
        while (ppm[at[0]] > ' ') {
            value = 10 * value + ppm[at[0]++] - '0';
        }
        return value;
    }

    /** @param levels three bytes per pixel, red first */
    static byte[] jpeg(int width, int height, byte[] levels, int quality, boolean crushed) {
        var head = "P6\n%d %d\n255\n".formatted(width, height).getBytes(StandardCharsets.US_ASCII);
        var ppm = new byte[head.length + levels.length];
        System.arraycopy(head, 0, ppm, 0, head.length);
        System.arraycopy(levels, 0, ppm, head.length, levels.length);
        return run(ppm, List.of("cjpeg", "-quality", "" + quality, "-sample", crushed ? "2x2" : "1x1"));
    }

    /** A page that holds one JPEG, as scanners write it. */
    static byte[] pdf(int width, int height, byte[] jpeg, double dpi) {
        var out = new ByteArrayOutputStream();
        double w = width / dpi * 72;
        double h = height / dpi * 72;
        var content = "q %.2f 0 0 %.2f 0 0 cm /I Do Q".formatted(w, h);
        var offsets = new int[6];
        write(out, "%PDF-1.4\n");
        offsets[1] = out.size();
        write(out, "1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n");
        offsets[2] = out.size();
        write(out, "2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj\n");
        offsets[3] = out.size();
        write(
                out,
                "3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 %.2f %.2f]/Resources<</XObject<</I 5 0 R>>>>/Contents 4 0 R>>endobj\n"
                        .formatted(w, h));
        offsets[4] = out.size();
        write(out, "4 0 obj<</Length %d>>stream\n%s\nendstream endobj\n".formatted(content.length(), content));
        offsets[5] = out.size();
        write(
                out,
                "5 0 obj<</Type/XObject/Subtype/Image/Width %d/Height %d/ColorSpace/DeviceRGB/BitsPerComponent 8/Filter/DCTDecode/Length %d>>stream\n"
                        .formatted(width, height, jpeg.length));
        out.writeBytes(jpeg);
        write(out, "\nendstream endobj\n");
        int xref = out.size();
        write(out, "xref\n0 6\n0000000000 65535 f \n");
        for (int i = 1; i < 6; i++) {
            write(out, "%010d 00000 n \n".formatted(offsets[i]));
        }
        write(out, "trailer<</Size 6/Root 1 0 R>>\nstartxref\n%d\n%%%%EOF\n".formatted(xref));
        return out.toByteArray();
    }

    private static void write(ByteArrayOutputStream out, String words) {
        out.writeBytes(words.getBytes(StandardCharsets.US_ASCII));
    }

    private static byte[] run(byte[] input, List<String> command) {
        try {
            var process = new ProcessBuilder(command)
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            var writer = Thread.ofVirtual().start(() -> {
                try (OutputStream to = process.getOutputStream()) {
                    to.write(input);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            });
            byte[] output;
            try (InputStream from = process.getInputStream()) {
                output = from.readAllBytes();
            }
            writer.join();
            if (process.waitFor() != 0) {
                throw new IllegalStateException("%s failed.".formatted(command.getFirst()));
            }
            return output;
        } catch (IOException e) {
            throw new UncheckedIOException(
                    "%s is missing: apt-get install ghostscript libjpeg-turbo-progs".formatted(command.getFirst()), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
