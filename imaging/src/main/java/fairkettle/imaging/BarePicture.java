package fairkettle.imaging;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.ExifSubIFDDirectory;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.Optional;
import java.util.Set;

/**
 * A picture without what a camera wrote beside it: where it was taken, with what, by whom, and a smaller picture of the
 * same. What is needed to show it stays: its colours, its size, which way is up.
 *
 * @param bytes the file without the rest; its pixels are untouched
 * @param taken when, by the camera's own clock, which knows no zone
 */
public record BarePicture(byte[] bytes, Optional<LocalDateTime> taken) {

    private static final DateTimeFormatter CAMERAS =
            DateTimeFormatter.ofPattern("uuuu:MM:dd HH:mm:ss"); // Exif 2.32, 4.6.5

    /** PNG (ISO/IEC 15948): chunks that change how a picture looks; words, times and Exif are none of them. */
    private static final Set<String> SHOWN = Set.of(
            "IHDR", "PLTE", "IDAT", "IEND", "tRNS", "gAMA", "cHRM", "sRGB", "iCCP", "pHYs", "bKGD", "sBIT", "cICP");

    private static final int PNG_HEAD = 8; // bytes of the signature
    private static final int UPRIGHT = 1;

    /** @param file a picture that was decoded already. A TIFF or a PDF stays as it is, but for the place */
    public static BarePicture of(byte[] file) {
        var format = Photo.Format.of(file).orElseThrow();
        return switch (format) {
            case JPEG -> {
                var said = said(file);
                yield new BarePicture(
                        jpeg(file, said.map(BarePicture::orientation).orElse(UPRIGHT)),
                        said.flatMap(BarePicture::time));
            }
            case PNG -> new BarePicture(png(file), said(file).flatMap(BarePicture::time));
            case TIFF, PDF -> new BarePicture(Placeless.of(file, format), Optional.empty());
        };
    }

    private static Optional<Metadata> said(byte[] file) {
        try {
            return Optional.of(ImageMetadataReader.readMetadata(new ByteArrayInputStream(file)));
        } catch (ImageProcessingException | IOException | RuntimeException e) {
            return Optional.empty(); // what cannot be read is left out like the rest
        }
    }

    private static int orientation(Metadata said) {
        var first = said.getFirstDirectoryOfType(ExifIFD0Directory.class);
        try {
            int way = first == null ? UPRIGHT : first.getInt(ExifIFD0Directory.TAG_ORIENTATION);
            return way >= UPRIGHT && way <= 8 ? way : UPRIGHT;
        } catch (MetadataException e) {
            return UPRIGHT;
        }
    }

    private static Optional<LocalDateTime> time(Metadata said) {
        var exif = said.getFirstDirectoryOfType(ExifSubIFDDirectory.class);
        var words = exif == null ? null : exif.getString(ExifSubIFDDirectory.TAG_DATETIME_ORIGINAL);
        try {
            return words == null ? Optional.empty() : Optional.of(LocalDateTime.parse(words.strip(), CAMERAS));
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    // ---- JPEG (ITU-T T.81, annex B)

    private static final int SOI = 0xd8;
    private static final int EOI = 0xd9;
    private static final int SOS = 0xda;
    private static final int COMMENT = 0xfe;

    private static byte[] jpeg(byte[] file, int orientation) {
        var out = new ByteArrayOutputStream(file.length);
        out.write(0xff);
        out.write(SOI);
        if (orientation != UPRIGHT) {
            out.writeBytes(whichWayIsUp(orientation));
        }
        int at = 2;
        while (at + 1 < file.length && (file[at] & 0xff) == 0xff) {
            int marker = file[at + 1] & 0xff;
            if (marker == 0xff) {
                at++; // padding
                continue;
            }
            if (marker == EOI) {
                break; // what lies behind the picture is not the picture
            }
            int end = Math.min(file.length, at + 2 + Math.max(2, length(file, at + 2)));
            boolean application = marker >= 0xe0 && marker <= 0xef;
            if (marker != COMMENT && (!application || isShown(marker, file, at + 4))) {
                out.write(file, at, end - at);
            }
            at = end;
            if (marker == SOS) {
                int coded = endOfScan(file, at);
                out.write(file, at, coded - at);
                at = coded;
            }
        }
        out.write(0xff);
        out.write(EOI);
        return out.toByteArray();
    }

    private static int length(byte[] file, int at) {
        return at + 1 < file.length ? (file[at] & 0xff) << 8 | file[at + 1] & 0xff : 2;
    }

    /** Resolution, colour profile, and how colours are coded. */
    private static boolean isShown(int marker, byte[] file, int at) {
        return switch (marker) {
            case 0xe0 -> starts(file, at, "JFIF");
            case 0xe2 -> starts(file, at, "ICC_PROFILE");
            case 0xee -> starts(file, at, "Adobe");
            default -> false;
        };
    }

    private static boolean starts(byte[] file, int at, String with) {
        byte[] wanted = with.getBytes(StandardCharsets.US_ASCII);
        return at + wanted.length <= file.length
                && Arrays.equals(file, at, at + wanted.length, wanted, 0, wanted.length);
    }

    /** In coded data a byte of all ones is followed by none, or by the count of a restart. */
    private static int endOfScan(byte[] file, int from) {
        for (int at = from; at + 1 < file.length; at++) {
            int next = file[at + 1] & 0xff;
            if ((file[at] & 0xff) == 0xff && next != 0 && next != 0xff && (next < 0xd0 || next > 0xd7)) {
                return at;
            }
        }
        return file.length;
    }

    /** An Exif segment (TIFF, big-endian) that holds the orientation and nothing else. */
    private static byte[] whichWayIsUp(int orientation) {
        return ByteBuffer.allocate(36)
                .put(new byte[] {(byte) 0xff, (byte) 0xe1, 0, 34})
                .put("Exif\0\0MM\0*".getBytes(StandardCharsets.US_ASCII))
                .putInt(8) // where its only directory begins
                .putShort((short) 1)
                .putShort((short) ExifIFD0Directory.TAG_ORIENTATION)
                .putShort((short) 3) // a short
                .putInt(1)
                .putShort((short) orientation)
                .putShort((short) 0)
                .putInt(0) // no other directory
                .array();
    }

    // ---- PNG

    private static byte[] png(byte[] file) {
        var out = new ByteArrayOutputStream(file.length);
        out.write(file, 0, PNG_HEAD);
        var in = ByteBuffer.wrap(file);
        for (int at = PNG_HEAD; at + 12 <= file.length; ) {
            long size = 12L + Integer.toUnsignedLong(in.getInt(at));
            if (at + size > file.length) {
                break;
            }
            var name = new String(file, at + 4, 4, StandardCharsets.US_ASCII);
            if (SHOWN.contains(name)) {
                out.write(file, at, (int) size);
            }
            if (name.equals("IEND")) {
                break; // what lies behind the picture is not the picture
            }
            at += (int) size;
        }
        return out.toByteArray();
    }
}
