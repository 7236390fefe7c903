package fairkettle.server.printing;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** A sheet in whatever form a printer takes: the PDF itself, PWG raster (PWG 5102.4), or one JPEG page. */
final class Documents {

    static final String PDF = "application/pdf";

    private static final int DPI = 300;
    private static final double POINT = 2540 / 72.0; // in hundredths of a mm
    private static final int HEADER = 1796;

    private Documents() {}

    /** Of its first page, in hundredths of a mm, as IPP counts. */
    record Size(int width, int length) {}

    static Size size(byte[] pdf) throws IOException {
        try (var document = Loader.loadPDF(pdf)) {
            var box = document.getPage(0).getMediaBox();
            return new Size((int) Math.round(box.getWidth() * POINT), (int) Math.round(box.getHeight() * POINT));
        }
    }

    /** @return empty for a format it cannot be made into */
    static Optional<byte[]> of(byte[] pdf, String format) throws IOException {
        return switch (format) {
            case PDF -> Optional.of(pdf);
            case "image/pwg-raster" -> Optional.of(raster(pdf));
            case "image/jpeg" -> jpeg(pdf);
            default -> Optional.empty();
        };
    }

    private static Optional<byte[]> jpeg(byte[] pdf) throws IOException {
        try (var document = Loader.loadPDF(pdf)) {
            if (document.getNumberOfPages() != 1) {
                return Optional.empty(); // several pages would be several jobs, and one of them might be lost
            }
            var out = new ByteArrayOutputStream();
            ImageIO.write(new PDFRenderer(document).renderImageWithDPI(0, DPI, ImageType.RGB), "jpeg", out);
            return Optional.of(out.toByteArray());
        }
    }

    private static byte[] raster(byte[] pdf) throws IOException {
        var bytes = new ByteArrayOutputStream();
        var out = new DataOutputStream(bytes);
        out.write("RaS2".getBytes(StandardCharsets.US_ASCII));
        try (var document = Loader.loadPDF(pdf)) {
            var renderer = new PDFRenderer(document);
            for (int i = 0; i < document.getNumberOfPages(); i++) {
                page(out, renderer.renderImageWithDPI(i, DPI, ImageType.RGB), document.getNumberOfPages());
            }
        }
        return bytes.toByteArray();
    }

    private static void page(DataOutputStream out, BufferedImage image, int pages) throws IOException {
        int width = image.getWidth();
        int height = image.getHeight();
        var header = new byte[HEADER];
        System.arraycopy("PwgRaster".getBytes(StandardCharsets.US_ASCII), 0, header, 0, 9);
        put(header, 276, DPI);
        put(header, 280, DPI);
        put(header, 340, 1); // copies
        put(header, 352, (int) Math.round(width * 72.0 / DPI));
        put(header, 356, (int) Math.round(height * 72.0 / DPI));
        put(header, 372, width);
        put(header, 376, height);
        put(header, 384, 8);
        put(header, 388, 24);
        put(header, 392, width * 3);
        put(header, 400, 19); // sRGB
        put(header, 420, 3);
        put(header, 452, pages);
        put(header, 456, 1);
        put(header, 460, 1);
        out.write(header);
        int[] row = new int[width];
        int[] next = new int[width];
        for (int y = 0; y < height; ) {
            image.getRGB(0, y, width, 1, row, 0, width);
            int same = 1;
            while (same < 256 && y + same < height) {
                image.getRGB(0, y + same, width, 1, next, 0, width);
                if (!Arrays.equals(row, next)) {
                    break;
                }
                same++;
            }
            out.writeByte(same - 1);
            line(out, row);
            y += same;
        }
    }

    /** Runs of one colour; the pages are drawings, other points are rare. */
    private static void line(DataOutputStream out, int[] row) throws IOException {
        for (int x = 0; x < row.length; ) {
            int run = 1;
            while (run < 128 && x + run < row.length && row[x + run] == row[x]) {
                run++;
            }
            out.writeByte(run - 1);
            out.writeByte(row[x] >> 16);
            out.writeByte(row[x] >> 8);
            out.writeByte(row[x]);
            x += run;
        }
    }

    private static void put(byte[] header, int at, int value) {
        header[at] = (byte) (value >> 24);
        header[at + 1] = (byte) (value >> 16);
        header[at + 2] = (byte) (value >> 8);
        header[at + 3] = (byte) value;
    }
}
