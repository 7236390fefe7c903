package fairkettle.imaging;

import com.drew.imaging.jpeg.JpegProcessingException;
import com.drew.imaging.jpeg.JpegSegmentReader;
import com.drew.imaging.jpeg.JpegSegmentType;
import com.drew.lang.SequentialByteArrayReader;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.awt.image.BufferedImage;
import java.awt.image.ColorConvertOp;
import java.awt.image.DataBufferInt;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.StreamSupport;
import javax.imageio.ImageReader;

/**
 * A JPEG in four inks, as print shops hand them on, in the colours that a driver takes: by the profile that it carries,
 * else by the plain rule that each ink takes its share of the light. ITU-T T.872 (APP14) says how its inks are kept.
 */
final class CmykJpeg {

    private static final int INKS = 4;
    private static final int LUMINANCE_AND_BLACK = 2; // of APP14: the three colours are kept as YCbCr
    private static final int TRANSFORM = 11; // byte of APP14
    private static final int ROWS = 64; // at a time: a profile is applied to some of it, not to copies of all

    private CmykJpeg() {}

    /** @throws Photo.Refused if its colours cannot be told */
    static BufferedImage read(ImageReader reader, byte[] bytes) throws IOException, Photo.Refused {
        var adobe = transform(bytes);
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
                plainly(data, adobe.getAsInt() == LUMINANCE_AND_BLACK);
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

    // ---- what stands before its picture ------------------------------------------------------------------------

    private static final Set<JpegSegmentType> FRAMES = EnumSet.of(
            JpegSegmentType.SOF0,
            JpegSegmentType.SOF1,
            JpegSegmentType.SOF2,
            JpegSegmentType.SOF3,
            JpegSegmentType.SOF5,
            JpegSegmentType.SOF6,
            JpegSegmentType.SOF7,
            JpegSegmentType.SOF9,
            JpegSegmentType.SOF10,
            JpegSegmentType.SOF11,
            JpegSegmentType.SOF13,
            JpegSegmentType.SOF14,
            JpegSegmentType.SOF15);

    private static final String ICC = "ICC_PROFILE\0";
    private static final String ADOBE = "Adobe";

    /** Of these kinds, without the two bytes of each that say its length; none of a damaged file. */
    private static List<byte[]> segments(byte[] jpeg, Set<JpegSegmentType> kinds) {
        try {
            var all = JpegSegmentReader.readSegments(new SequentialByteArrayReader(jpeg), kinds);
            return kinds.stream()
                    .flatMap(kind -> StreamSupport.stream(all.getSegments(kind).spliterator(), false))
                    .toList();
        } catch (JpegProcessingException | IOException _) {
            return List.of();
        }
    }

    private static boolean begins(byte[] segment, String with) {
        return segment.length > with.length() + 1
                && new String(segment, 0, with.length(), StandardCharsets.US_ASCII).equals(with);
    }

    /** Whether the JPEG has four inks; without a marker too, where others would take the fourth for transparency. */
    static boolean is(byte[] jpeg) {
        return segments(jpeg, FRAMES).stream().anyMatch(frame -> frame.length > 5 && frame[5] == INKS);
    }

    /** How its inks are kept, of APP14: 0 or {@link #LUMINANCE_AND_BLACK}; empty for one without the marker. */
    private static OptionalInt transform(byte[] jpeg) {
        return segments(jpeg, EnumSet.of(JpegSegmentType.APPE)).stream()
                .filter(s -> begins(s, ADOBE) && s.length > TRANSFORM)
                .mapToInt(s -> s[TRANSFORM] & 255)
                .findFirst();
    }

    /** Its profile of four inks, put together from its parts (ICC.1, B.4); empty if it has none that can be read. */
    private static Optional<ICC_Profile> profile(byte[] jpeg) {
        var whole = new ByteArrayOutputStream();
        segments(jpeg, EnumSet.of(JpegSegmentType.APP2)).stream()
                .filter(s -> begins(s, ICC))
                .sorted(Comparator.comparingInt(s -> s[ICC.length()] & 255))
                .forEach(s -> whole.write(s, ICC.length() + 2, s.length - ICC.length() - 2));
        try {
            var profile = ICC_Profile.getInstance(whole.toByteArray());
            return profile.getNumComponents() == INKS ? Optional.of(profile) : Optional.empty();
        } catch (RuntimeException _) {
            return Optional.empty(); // a damaged profile is as good as none
        }
    }
}
