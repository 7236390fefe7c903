package fairkettle.imaging;

import boofcv.abst.fiducial.QrCodeDetector;
import boofcv.alg.fiducial.qrcode.QrCode;
import boofcv.factory.fiducial.ConfigQrCode;
import boofcv.factory.fiducial.FactoryFiducial;
import boofcv.struct.image.GrayU8;
import fairkettle.sheet.Page;
import fairkettle.sheet.Shape;
import fairkettle.sheet.SheetCode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Finds a sheet in a picture: its square codes say which it is and about where; its dots say precisely. */
final class Marks {

    private static final double FIRST_LOOK = 1.1e6; // pixels
    private static final double CONTRAST = 0.25; // of a dot against its paper

    private final Photo photo;
    private final boolean inverted;

    private Marks(Photo photo, boolean inverted) {
        this.photo = photo;
        this.inverted = inverted;
    }

    /** A code and its corners in the picture, clockwise from its own top left; x and y in turn. */
    record Seen(SheetCode code, double[] corners) {}

    /** All codes of ours in the picture. @param inverted light on dark */
    record Codes(List<Seen> seen, boolean inverted) {}

    /** @param rms mm that the marks are off the mapping; @param dots those that were found */
    record Fixed(Mapping mapping, double rms, List<Mapping.Tie> dots) {

        /** Whether most of the dots within so many mm of a rectangle were found. */
        boolean marked(double x, double y, double width, double height, double within, Page page) {
            long there = page.shapes().stream()
                    .filter(s -> s instanceof Shape.Dot d && near(d.x(), d.y(), x, y, width, height, within))
                    .count();
            long found = dots.stream()
                    .filter(d -> near(d.x(), d.y(), x, y, width, height, within))
                    .filter(d -> mapping.off(d) < .3 * mapping.scale(d.x(), d.y()))
                    .count();
            return there > 0 && found * 4 >= there * 3;
        }

        private static boolean near(
                double px, double py, double x, double y, double width, double height, double within) {
            return px > x - within && px < x + width + within && py > y - within && py < y + height + within;
        }
    }

    /** Looks small first, then closer, then for light codes on a dark ground. */
    static Codes codes(Photo photo) {
        int factor = Math.max(1, (int) Math.round(Math.sqrt((double) photo.width * photo.height / FIRST_LOOK)));
        var first = look(photo, factor, false);
        if (!first.isEmpty()) {
            return new Codes(first, false);
        }
        var inverted = look(photo, factor, true);
        if (!inverted.isEmpty()) {
            return new Codes(inverted, true);
        }
        for (int other : new int[] {Math.max(1, factor / 2), factor * 2}) {
            if (other != factor) {
                var found = look(photo, other, false);
                if (!found.isEmpty()) {
                    return new Codes(found, false);
                }
            }
        }
        return new Codes(List.of(), false);
    }

    private static List<Seen> look(Photo photo, int factor, boolean inverted) {
        int wide = photo.width / factor;
        int high = photo.height / factor;
        if (wide < 60 || high < 60) {
            return List.of();
        }
        var small = new GrayU8(wide, high);
        for (int y = 0; y < high; y++) {
            for (int x = 0; x < wide; x++) {
                int sum = 0;
                for (int j = 0; j < factor; j++) {
                    int at = 3 * ((y * factor + j) * photo.width + x * factor)
                            + 1; // why green: it is the sharpest, and one byte is quicker than three
                    for (int i = 0; i < factor; i++, at += 3) {
                        sum += photo.bgr[at] & 0xff;
                    }
                }
                int value = sum / (factor * factor);
                small.data[y * wide + x] = (byte) (inverted ? 255 - value : value);
            }
        }
        // why a new one each time: a detector keeps state, and pictures are read side by side
        QrCodeDetector<GrayU8> detector = FactoryFiducial.qrcode(new ConfigQrCode(), GrayU8.class);
        detector.process(small);
        var seen = new ArrayList<Seen>();
        for (QrCode qr : detector.getDetections()) {
            SheetCode.read(qr.message).ifPresent(code -> {
                var corners = new double[8];
                for (int i = 0; i < 4; i++) {
                    var p = qr.bounds.get(i);
                    corners[2 * i] = (p.x) * factor;
                    corners[2 * i + 1] = (p.y) * factor;
                }
                seen.add(new Seen(code, corners));
            });
        }
        return seen;
    }

    /** Fixes one sheet's page in the picture. @param seen its codes, at least one */
    static Fixed fix(Photo photo, List<Seen> seen, boolean inverted, Page page) {
        return new Marks(photo, inverted).fix(seen, page);
    }

    private Fixed fix(List<Seen> seen, Page page) {
        var squares = page.shapes().stream()
                .filter(Shape.Code.class::isInstance)
                .map(Shape.Code.class::cast)
                .toList();
        var ties = new ArrayList<Mapping.Tie>();
        for (var code : seen) {
            var square = squares.get(code.code().corner());
            double[] dx = {0, square.side(), square.side(), 0};
            double[] dy = {0, 0, square.side(), square.side()};
            for (int i = 0; i < 4; i++) {
                ties.add(new Mapping.Tie(
                        square.x() + dx[i], square.y() + dy[i], code.corners()[2 * i], code.corners()[2 * i + 1]));
            }
        }
        var open = new ArrayList<>(page.shapes().stream()
                .filter(Shape.Dot.class::isInstance)
                .map(Shape.Dot.class::cast)
                .toList());
        var mapping = Mapping.through(ties, page.width(), page.height());
        var dots = new ArrayList<Mapping.Tie>();
        // why outward: a few codes fix only what is near them, and every dot found carries the next; the small ones
        // inside come last, when the ring has told how the sheet is bent
        while (!open.isEmpty()) {
            var known = new ArrayList<>(ties);
            double largest =
                    open.stream().mapToDouble(Shape.Dot::diameter).max().orElse(0);
            var next = open.stream()
                    .filter(d -> d.diameter() == largest)
                    .sorted(Comparator.comparingDouble(d -> known.stream()
                            .mapToDouble(t -> Math.hypot(t.x() - d.x(), t.y() - d.y()))
                            .min()
                            .orElse(0)))
                    .limit(seen.size() >= 3 ? open.size() : 3)
                    .toList();
            open.removeAll(next);
            boolean any = false;
            for (var dot : next) {
                var found = dot(mapping, dot);
                if (found.isPresent()) {
                    ties.add(found.get());
                    dots.add(found.get());
                    any = true;
                }
            }
            if (any) {
                mapping = Mapping.through(ties, page.width(), page.height()).bent(dots);
            }
        }
        // dots have sharper middles than codes have corners: with enough of them they decide
        var deciding = dots.size() >= 12 ? dots : ties;
        mapping = Mapping.through(deciding, page.width(), page.height()).bent(deciding);
        return new Fixed(mapping, mapping.rms(deciding), dots);
    }

    /** The middle of the round spot near where it should be. */
    private Optional<Mapping.Tie> dot(Mapping mapping, Shape.Dot dot) {
        double px = mapping.x(dot.x(), dot.y());
        double py = mapping.y(dot.x(), dot.y());
        double scale = mapping.scale(dot.x(), dot.y());
        double r = dot.diameter() / 2 * scale;
        int reach = (int) Math.ceil(2.1 * r);
        int x0 = (int) Math.round(px) - reach;
        int y0 = (int) Math.round(py) - reach;
        int side = 2 * reach + 1;
        if (!(r > 2) || r > 200 || x0 < 0 || y0 < 0 || x0 + side > photo.width || y0 + side > photo.height) {
            return Optional.empty();
        }
        var values = new int[side * side];
        var counts = new int[256];
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x++) {
                int v = photo.luma(x0 + x, y0 + y);
                values[y * side + x] = inverted ? 255 - v : v;
                counts[values[y * side + x]]++;
            }
        }
        int paper = percentile(counts, values.length, 0.75);
        int dark = percentile(counts, values.length, 0.04);
        if (paper - dark < CONTRAST * Math.max(60, paper)) {
            return Optional.empty();
        }
        int limit = (paper + dark) / 2;
        // the dark spot nearest to the expected place, grown from there
        int start = -1;
        double nearest = Double.MAX_VALUE;
        for (int i = 0; i < values.length; i++) {
            if (values[i] < limit) {
                double d = Math.hypot(i % side - reach, i / side - reach);
                if (d < nearest) {
                    nearest = d;
                    start = i;
                }
            }
        }
        if (start < 0 || nearest > 1.7 * r) {
            return Optional.empty();
        }
        var spot = new boolean[values.length];
        var queue = new int[values.length];
        int count = 0;
        queue[count++] = start;
        spot[start] = true;
        for (int i = 0; i < count; i++) {
            int x = queue[i] % side;
            int y = queue[i] / side;
            if (x == 0 || y == 0 || x == side - 1 || y == side - 1) {
                return Optional.empty(); // it runs out of the window: a finger, a shadow, a code
            }
            for (int next : new int[] {queue[i] - 1, queue[i] + 1, queue[i] - side, queue[i] + side}) {
                if (!spot[next] && values[next] < limit) {
                    spot[next] = true;
                    queue[count++] = next;
                }
            }
        }
        double full = Math.PI * r * r;
        if (count < 0.5 * full || count > 1.7 * full) {
            return Optional.empty();
        }
        double sum = 0;
        double sx = 0;
        double sy = 0;
        for (int i = 0; i < count; i++) {
            double weight = Math.min(paper - dark, paper - values[queue[i]]);
            sum += weight;
            sx += weight * (queue[i] % side);
            sy += weight * (queue[i] / side);
        }
        return Optional.of(new Mapping.Tie(dot.x(), dot.y(), x0 + sx / sum, y0 + sy / sum));
    }

    static int percentile(int[] counts, int total, double share) {
        int wanted = (int) (share * total);
        int sum = 0;
        for (int v = 0; v < counts.length; v++) {
            sum += counts[v];
            if (sum > wanted) {
                return v;
            }
        }
        return counts.length - 1;
    }
}
