package fairkettle.standin;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Reads PWG raster (PWG 5102.4): grey or RGB, eight bits a colour, its run-length coding. */
final class PwgRaster {

    private static final int HEADER = 1796;
    private static final int MOST = 12_000; // points across or down

    private PwgRaster() {}

    record Page(BufferedImage image, double widthMm, double heightMm) {}

    static List<Page> pages(byte[] bytes) throws IOException {
        var in = new DataInputStream(new ByteArrayInputStream(bytes));
        var sync = new byte[4];
        in.readFully(sync);
        if (!new String(sync, StandardCharsets.US_ASCII).equals("RaS2")) {
            throw new IOException("No PWG raster.");
        }
        var pages = new ArrayList<Page>();
        while (in.available() >= HEADER) {
            var header = new byte[HEADER];
            in.readFully(header);
            int dpiX = number(header, 276);
            int dpiY = number(header, 280);
            int width = number(header, 372);
            int height = number(header, 376);
            int bits = number(header, 388);
            if (width < 1
                    || height < 1
                    || width > MOST
                    || height > MOST
                    || dpiX < 1
                    || dpiY < 1
                    || bits != 8 && bits != 24) {
                throw new IOException(
                        "A page of %d × %d points with %d bits is not printed here.".formatted(width, height, bits));
            }
            pages.add(new Page(page(in, width, height, bits / 8), width * 25.4 / dpiX, height * 25.4 / dpiY));
        }
        return pages;
    }

    private static BufferedImage page(DataInputStream in, int width, int height, int per) throws IOException {
        var image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        var row = new byte[width * per];
        for (int y = 0; y < height; ) {
            int repeat = in.readUnsignedByte() + 1;
            for (int x = 0; x < width; ) {
                int code = in.readUnsignedByte();
                int count = code < 128 ? code + 1 : code == 128 ? width - x : 257 - code;
                if (code < 128) { // one point, repeated
                    in.readFully(row, x * per, per);
                    for (int i = 1; i < count && x + i < width; i++) {
                        System.arraycopy(row, x * per, row, (x + i) * per, per);
                    }
                } else if (code == 128) { // white to the end
                    Arrays.fill(row, x * per, width * per, (byte) 255);
                } else {
                    in.readFully(row, x * per, Math.min(count, width - x) * per);
                }
                x += count;
            }
            for (int i = 0; i < repeat && y < height; i++, y++) {
                for (int x = 0; x < width; x++) {
                    int r = row[x * per] & 255;
                    image.setRGB(
                            x,
                            y,
                            per == 1
                                    ? r << 16 | r << 8 | r
                                    : r << 16 | (row[x * 3 + 1] & 255) << 8 | row[x * 3 + 2] & 255);
                }
            }
        }
        return image;
    }

    private static int number(byte[] header, int at) {
        return (header[at] & 255) << 24
                | (header[at + 1] & 255) << 16
                | (header[at + 2] & 255) << 8
                | header[at + 3] & 255;
    }
}
