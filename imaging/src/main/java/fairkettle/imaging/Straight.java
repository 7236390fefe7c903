package fairkettle.imaging;

import fairkettle.ink.ChannelCode;
import fairkettle.sheet.Page.Part;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import javax.imageio.ImageIO;

/**
 * The part of the picture that was read, upright and straight, to be looked at and tapped. Drawn when it is asked for.
 */
public final class Straight {

    private static final double WIDE = 1180; // pixels
    private static final double HIGH = 1180;
    private static final double MARGIN = 5; // mm

    /** A place on the page, mm. */
    record Place(double x, double y) {}

    private final Photo photo;
    private final Mapping mapping;
    private final Part.Strip part;
    private final Map<ChannelCode, List<Place>> places;

    Straight(Photo photo, Mapping mapping, Part.Strip part, Map<ChannelCode, List<Place>> places) {
        this.photo = photo;
        this.mapping = mapping;
        this.part = cropped(part, places);
        this.places = Map.copyOf(places);
    }

    /** Of a strip the pattern alone, with a margin: the rest of the window is bare. */
    private static Part.Strip cropped(Part.Strip part, Map<ChannelCode, List<Place>> places) {
        var all = places.values().stream().flatMap(List::stream).toList();
        if (all.isEmpty() || part.width() < part.height()) {
            return part; // a whole page is shown whole
        }
        double left =
                Math.max(part.x(), all.stream().mapToDouble(Place::x).min().orElseThrow() - MARGIN);
        double top = Math.max(part.y(), all.stream().mapToDouble(Place::y).min().orElseThrow() - MARGIN);
        double right = Math.min(
                part.x() + part.width(),
                all.stream().mapToDouble(Place::x).max().orElseThrow() + MARGIN);
        double low = Math.min(
                part.y() + part.height(),
                all.stream().mapToDouble(Place::y).max().orElseThrow() + MARGIN);
        return new Part.Strip(left, top, right - left, low - top, part.dark());
    }

    /** By channel, where each stroke's middle is in it: shares of its width and height, x and y in turn. */
    public Map<ChannelCode, List<Double>> spots() {
        var spots = new HashMap<ChannelCode, List<Double>>();
        places.forEach((code, all) -> spots.put(
                code,
                all.stream()
                        .flatMap(p -> Stream.of(
                                share((p.x() - part.x()) / part.width()), share((p.y() - part.y()) / part.height())))
                        .toList()));
        return spots;
    }

    public byte[] jpeg() {
        double resolution = Math.min(WIDE / part.width(), HIGH / part.height());
        int width = (int) (part.width() * resolution);
        int height = (int) (part.height() * resolution);
        var image = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        byte[] out = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                double mmX = part.x() + (x + .5) / resolution;
                double mmY = part.y() + (y + .5) / resolution;
                int px = Math.clamp((int) mapping.x(mmX, mmY), 0, photo.width - 1);
                int py = Math.clamp((int) mapping.y(mmX, mmY), 0, photo.height - 1);
                System.arraycopy(photo.bgr, 3 * (py * photo.width + px), out, 3 * (y * width + x), 3);
            }
        }
        try {
            var bytes = new ByteArrayOutputStream();
            ImageIO.write(image, "jpeg", bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("The straightened picture could not be written.", e);
        }
    }

    private static double share(double v) {
        return Math.round(v * 1e4) / 1e4;
    }
}
