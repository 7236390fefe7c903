package fairkettle.imaging;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.adobe.AdobeJpegDirectory;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorConvertOp;
import java.awt.image.DataBufferInt;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import javax.imageio.ImageReader;

/**
 * A JPEG in four inks, as print shops hand them on, in the colours that a driver takes: by the profile that it carries,
 * else by the plain rule that each ink takes its share of the light. ITU-T T.872 (APP14) says how its inks are kept.
 */
final class CmykJpeg {

    private static final int INKS = 4;
    private static final int LUMINANCE_AND_BLACK = 2; // of APP14: the three colours are kept as YCbCr
    private static final int START_OF_SCAN = 0xDA;
    private static final int APP2 = 0xE2;
    private static final int ROWS = 64; // at a time: a profile is applied to some of it, not to copies of all

    private CmykJpeg() {}

    /** @throws Photo.Refused if its colours cannot be told */
    static BufferedImage read(ImageReader reader, byte[] bytes) throws IOException, Photo.Refused {
        var said = said(bytes);
        var adobe = Optional.ofNullable(said.getFirstDirectoryOfType(AdobeJpegDirectory.class));
        var inks = reader.readRaster(0, null);
        if (inks.getNumBands() != INKS) {
            throw new Photo.Refused("The artwork has %d inks. Save it as RGB.".formatted(inks.getNumBands()));
        }
        var to = profile(bytes)
                .<Colours>map(profile -> new ByProfile(new ColorConvertOp(
                        new ICC_Profile[] {profile, ICC_Profile.getInstance(ColorSpace.CS_sRGB)}, null)))
                .orElse(CmykJpeg::plain);
        var image = new BufferedImage(inks.getWidth(), inks.getHeight(), BufferedImage.TYPE_INT_RGB);
        int[] pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
        for (int y = 0; y < inks.getHeight(); y += ROWS) {
            int rows = Math.min(ROWS, inks.getHeight() - y);
            var some = Raster.createInterleavedRaster(0, inks.getWidth(), rows, INKS, null);
            byte[] data = (byte[]) inks.getDataElements(0, y, inks.getWidth(), rows, null);
            if (adobe.isPresent()) {
                plainly(data, transform(adobe.get()) == LUMINANCE_AND_BLACK);
            }
            some.setDataElements(0, 0, inks.getWidth(), rows, data);
            to.rgb(some, data, pixels, y * inks.getWidth());
        }
        return image;
    }

    private interface Colours {
        void rgb(WritableRaster inks, byte[] data, int[] pixels, int at);
    }

    private record ByProfile(ColorConvertOp convert) implements Colours {
        @Override
        public void rgb(WritableRaster inks, byte[] data, int[] pixels, int at) {
            var rgb = Raster.createInterleavedRaster(0, inks.getWidth(), inks.getHeight(), 3, null);
            convert.filter(inks, rgb);
            byte[] light = (byte[]) rgb.getDataElements(0, 0, inks.getWidth(), inks.getHeight(), null);
            for (int i = 0; i < light.length / 3; i++) {
                pixels[at + i] = (light[3 * i] & 255) << 16 | (light[3 * i + 1] & 255) << 8 | light[3 * i + 2] & 255;
            }
        }
    }

    private static void plain(WritableRaster inks, byte[] data, int[] pixels, int at) {
        for (int i = 0; i < data.length / INKS; i++) {
            int left = 255 - (data[INKS * i + 3] & 255);
            int rgb = 0;
            for (int ink = 0; ink < 3; ink++) {
                rgb = rgb << 8 | ((255 - (data[INKS * i + ink] & 255)) * left + 127) / 255;
            }
            pixels[at + i] = rgb;
        }
    }

    /** How much ink: files with the marker keep how much is bare, and may keep colours as light and two differences. */
    private static void plainly(byte[] data, boolean luminance) {
        for (int i = 0; i < data.length; i += INKS) {
            if (luminance) {
                double y = data[i] & 255;
                double cb = (data[i + 1] & 255) - 128;
                double cr = (data[i + 2] & 255) - 128;
                data[i] = share(y + 1.402 * cr);
                data[i + 1] = share(y - .344136 * cb - .714136 * cr);
                data[i + 2] = share(y + 1.772 * cb);
            }
            for (int ink = 0; ink < INKS; ink++) {
                data[i + ink] = (byte) (255 - (data[i + ink] & 255));
            }
        }
    }

    private static byte share(double value) {
        return (byte) Math.clamp(Math.round(value), 0, 255);
    }

    private static int transform(AdobeJpegDirectory adobe) {
        try {
            return adobe.getInt(AdobeJpegDirectory.TAG_COLOR_TRANSFORM);
        } catch (MetadataException _) {
            return 0;
        }
    }

    private static Metadata said(byte[] bytes) throws IOException {
        try {
            return ImageMetadataReader.readMetadata(new ByteArrayInputStream(bytes));
        } catch (ImageProcessingException e) {
            throw new IOException(e);
        }
    }

    // ---- what stands before its picture ------------------------------------------------------------------------

    private static final byte[] ICC = "ICC_PROFILE\0".getBytes(StandardCharsets.US_ASCII);

    /** A part of the file before its picture (ITU-T T.81, B.1). @param marker its kind; @param from its first byte */
    private record Segment(int marker, int from, int to) {

        /** Says how large the picture is, and of how many components. */
        boolean frame() {
            return marker >= 0xC0 && marker <= 0xCF && marker != 0xC4 && marker != 0xC8 && marker != 0xCC;
        }
    }

    private static List<Segment> segments(byte[] bytes) {
        var all = new ArrayList<Segment>();
        int i = 2;
        while (i + 4 <= bytes.length && (bytes[i] & 255) == 0xFF && (bytes[i + 1] & 255) != START_OF_SCAN) {
            int to = i + 2 + ((bytes[i + 2] & 255) << 8 | bytes[i + 3] & 255);
            if (to < i + 4 || to > bytes.length) {
                break;
            }
            all.add(new Segment(bytes[i + 1] & 255, i + 4, to));
            i = to;
        }
        return all;
    }

    /** Whether the JPEG has four inks; without a marker too, where others would take the fourth for transparency. */
    static boolean is(byte[] jpeg) {
        return segments(jpeg).stream().anyMatch(s -> s.frame() && s.to() - s.from() > 5 && jpeg[s.from() + 5] == INKS);
    }

    /** Its profile of four inks, put together from its parts (ICC.1, B.4); empty if it has none that can be read. */
    private static Optional<ICC_Profile> profile(byte[] bytes) {
        var parts = new TreeMap<Integer, byte[]>();
        for (var s : segments(bytes)) {
            if (s.marker() == APP2
                    && s.to() - s.from() > ICC.length + 2
                    && Arrays.equals(bytes, s.from(), s.from() + ICC.length, ICC, 0, ICC.length)) {
                parts.put(
                        bytes[s.from() + ICC.length] & 255,
                        Arrays.copyOfRange(bytes, s.from() + ICC.length + 2, s.to()));
            }
        }
        var whole = new ByteArrayOutputStream();
        parts.values().forEach(whole::writeBytes);
        try {
            var profile = ICC_Profile.getInstance(whole.toByteArray());
            return profile.getNumComponents() == INKS ? Optional.of(profile) : Optional.empty();
        } catch (RuntimeException _) {
            return Optional.empty(); // a damaged profile is as good as none
        }
    }
}
