package fairkettle.imaging;

import java.awt.Color;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.MemoryCacheImageInputStream;

/**
 * A decoded picture: three bytes per pixel, blue first, and what its JPEG compression may have swallowed. Not a record:
 * the pixels are shared, not copied.
 */
public final class Photo {

    /** What a phone takes today, with room to spare. */
    public static final long MAX_PIXELS = 60_000_000;

    private static final int LARGE = 26_000_000; // pixels above which every second row and column is enough

    final int width;
    final int height;
    final byte[] bgr;
    final Optional<JpegLoss> loss;

    Photo(int width, int height, byte[] bgr, Optional<JpegLoss> loss) {
        this.width = width;
        this.height = height;
        this.bgr = bgr;
        this.loss = loss;
    }

    /** It is no picture that is read here, or it is damaged. The message says what to do. */
    public static final class Refused extends Exception {
        Refused(String message) {
            super(message);
        }
    }

    /** What kind of file it is, from its first bytes. */
    public enum Format {
        JPEG("image/jpeg"),
        PNG("image/png"),
        TIFF("image/tiff"),
        PDF("application/pdf");

        private final String mediaType;

        Format(String mediaType) {
            this.mediaType = mediaType;
        }

        public String mediaType() {
            return mediaType;
        }

        public static Optional<Format> of(byte[] bytes) {
            if (starts(bytes, 0xff, 0xd8, 0xff)) {
                return Optional.of(JPEG);
            }
            if (starts(bytes, 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n')) {
                return Optional.of(PNG);
            }
            if (starts(bytes, 'I', 'I', 42, 0) || starts(bytes, 'M', 'M', 0, 42)) {
                return Optional.of(TIFF);
            }
            return starts(bytes, '%', 'P', 'D', 'F', '-') ? Optional.of(PDF) : Optional.empty();
        }

        private static boolean starts(byte[] bytes, int... with) {
            if (bytes.length < with.length) {
                return false;
            }
            for (int i = 0; i < with.length; i++) {
                if ((bytes[i] & 0xff) != with[i]) {
                    return false;
                }
            }
            return true;
        }
    }

    /** Looks at the size before it unpacks anything. */
    public static Photo decode(byte[] bytes) throws Refused {
        var format = Format.of(bytes)
                .orElseThrow(
                        () -> new Refused("This is no JPEG, PNG, TIFF or PDF. Send the photo or the scan itself."));
        try {
            if (format == Format.PDF) {
                return PdfPage.render(bytes);
            }
            return of(read(format, bytes), format == Format.JPEG ? JpegLoss.of(bytes) : Optional.empty());
        } catch (IOException | RuntimeException e) {
            throw new Refused("The %s is damaged. Take it again.".formatted(format == Format.PDF ? "PDF" : "picture"));
        }
    }

    private static BufferedImage read(Format format, byte[] bytes) throws IOException, Refused {
        var readers = ImageIO.getImageReadersByFormatName(format.name());
        ImageReader reader = readers.next();
        try (var input = new MemoryCacheImageInputStream(new ByteArrayInputStream(bytes))) {
            reader.setInput(input, true, true);
            long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
            if (pixels > MAX_PIXELS) {
                throw new Refused("The picture has %d × %d pixels, more than is taken. Send it smaller."
                        .formatted(reader.getWidth(0), reader.getHeight(0)));
            }
            var how = reader.getDefaultReadParam();
            if (pixels > LARGE) {
                how.setSourceSubsampling(2, 2, 0, 0);
            }
            return reader.read(0, how);
        } finally {
            reader.dispose();
        }
    }

    public static Photo of(BufferedImage image) {
        return of(image, Optional.empty());
    }

    private static Photo of(BufferedImage image, Optional<JpegLoss> loss) {
        var plain = image;
        if (image.getType() != BufferedImage.TYPE_3BYTE_BGR || image.getRaster().getParent() != null) {
            plain = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_3BYTE_BGR);
            var on = plain.createGraphics();
            on.setColor(Color.WHITE); // what is transparent is paper
            on.fillRect(0, 0, image.getWidth(), image.getHeight());
            on.drawImage(image, 0, 0, null);
            on.dispose();
        }
        return new Photo(
                plain.getWidth(),
                plain.getHeight(),
                ((DataBufferByte) plain.getRaster().getDataBuffer()).getData(),
                loss);
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** As a JPEG, for a screen that cannot show the file itself. */
    public byte[] jpeg() {
        var image = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        System.arraycopy(bgr, 0, ((DataBufferByte) image.getRaster().getDataBuffer()).getData(), 0, bgr.length);
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "jpeg", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** Brightness 0 to 255 of one pixel. */
    int luma(int x, int y) {
        int at = 3 * (y * width + x);
        return 29 * (bgr[at] & 0xff) + 150 * (bgr[at + 1] & 0xff) + 77 * (bgr[at + 2] & 0xff) >> 8;
    }
}
