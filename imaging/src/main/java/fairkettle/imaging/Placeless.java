package fairkettle.imaging;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * A TIFF or a PDF without the place it was taken at: what says it is written over where it stands, so that every offset
 * in the file still holds, and not a pixel moves.
 */
final class Placeless {

    /** What a camera writes into a picture that lies in a PDF or a TIFF as a JPEG: Exif 2.32, 4.7.2. */
    private static final byte[] EXIF = {'E', 'x', 'i', 'f', 0, 0};

    private static final int APP1 = 0xffe1;
    private static final int LENGTH = 2; // bytes that tell how long a segment is, and count themselves

    /** XMP (ISO 16684-1): attributes and elements of its Exif schema; bounded, for a hostile file is full of them. */
    private static final Pattern XMP =
            Pattern.compile("exif:GPS\\w{1,40}+(?:\\s{0,20}+=\\s{0,20}+[\"']|[^>]{0,100}+>)([^\"'<]{0,200}+)");

    private static final int MOST_DIRECTORIES = 64;
    private static final int ENTRY = 12; // bytes of one, TIFF 6.0, section 2
    private static final int GPS = 34853; // tag that leads to the directory of the place, Exif 2.32, 4.6.3
    private static final Set<Integer> LEAD_ON = Set.of(330, 34665); // smaller pictures; what the camera did
    private static final int[] SIZES = {0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8}; // bytes of a value, by its type

    private final byte[] bytes;
    private long left; // bytes that values may be written over with: many entries can claim the same ones

    private Placeless(byte[] bytes) {
        this.bytes = bytes;
        left = 2L * bytes.length;
    }

    static byte[] of(byte[] file, Photo.Format format) {
        var without = new Placeless(file.clone());
        without.segments();
        without.words();
        if (format == Photo.Format.TIFF) {
            without.directories();
        }
        return without.bytes;
    }

    private void segments() {
        for (int at = 2 * LENGTH; at + EXIF.length <= bytes.length; at++) {
            if (Arrays.equals(bytes, at, at + EXIF.length, EXIF, 0, EXIF.length)
                    && number(at - 2 * LENGTH, LENGTH) == APP1) {
                int end = (int) Math.min(bytes.length, at - LENGTH + number(at - LENGTH, LENGTH));
                Arrays.fill(bytes, at + EXIF.length, Math.max(at + EXIF.length, end), (byte) 0);
            }
        }
    }

    private long number(int at, int length) {
        long value = 0;
        for (int i = 0; i < length; i++) {
            value = value << 8 | bytes[at + i] & 0xff;
        }
        return value;
    }

    private void words() {
        var said = XMP.matcher(new String(bytes, StandardCharsets.ISO_8859_1));
        while (said.find()) {
            Arrays.fill(bytes, said.start(1), said.end(1), (byte) ' ');
        }
    }

    private void directories() {
        var order = bytes[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
        var file = ByteBuffer.wrap(bytes).order(order);
        directory(file, Integer.toUnsignedLong(file.getInt(4)), false, new HashSet<>());
    }

    /** @param place whether it is the one of the place, and is emptied; @param seen those that were visited */
    private void directory(ByteBuffer file, long at, boolean place, Set<Long> seen) {
        if (at < 8 || at + 2 > bytes.length || seen.size() >= MOST_DIRECTORIES || !seen.add(at)) {
            return;
        }
        int entries = Short.toUnsignedInt(file.getShort((int) at));
        int end = (int) Math.min(bytes.length, at + 2 + (long) entries * ENTRY);
        for (int entry = (int) at + 2; entry + ENTRY <= end; entry += ENTRY) {
            int tag = Short.toUnsignedInt(file.getShort(entry));
            long value = Integer.toUnsignedLong(file.getInt(entry + 8));
            if (place) {
                empty(file, entry, value);
            } else if (tag == GPS) {
                directory(file, value, true, seen);
            } else if (LEAD_ON.contains(tag)) {
                directory(file, value, false, seen);
            }
        }
        if (place) {
            Arrays.fill(bytes, (int) at, end, (byte) 0); // nothing stands in it
        } else if (end + 4 <= bytes.length) {
            directory(file, Integer.toUnsignedLong(file.getInt(end)), false, seen);
        }
    }

    private void empty(ByteBuffer file, int entry, long value) {
        int type = Short.toUnsignedInt(file.getShort(entry + 2));
        long length = Integer.toUnsignedLong(file.getInt(entry + 4)) * (type < SIZES.length ? SIZES[type] : 0);
        if (length > 4 && value < bytes.length && left > 0) {
            int end = (int) Math.min(bytes.length, value + length);
            left -= end - value;
            Arrays.fill(bytes, (int) value, end, (byte) 0);
        }
    }
}
