package fairkettle.imaging;

import fairkettle.sheet.Page;
import fairkettle.sheet.Shape;
import java.util.Optional;

/** Why a sheet was not found, or not all of it, as far as the picture itself shows the cause. */
final class Unseen {

    private static final int STEP = 7; // pixels
    private static final int NIGHT = 45; // of 255: brighter than this is less than a fiftieth of a dark picture
    private static final double SHARP = 0.35; // of the picture's contrast, from one pixel to the third beside it

    private Unseen() {}

    /** No code was found. */
    static String why(Photo photo) {
        var counts = new int[256];
        int all = 0;
        for (int y = 0; y < photo.height; y += STEP) {
            for (int x = 0; x < photo.width; x += STEP) {
                counts[photo.luma(x, y)]++;
                all++;
            }
        }
        int bright = Marks.percentile(counts, all, .98);
        int dark = Marks.percentile(counts, all, .02);
        if (bright < NIGHT) {
            return "The picture is too dark. More light, from two sides, and take it again.";
        }
        if (dark > 215) {
            return "The picture is burnt out to white. Less light, and take it again.";
        }
        if (steepest(photo) < SHARP * (bright - dark)) {
            return "The picture is not sharp. Hold still, tap the screen where the sheet is, and take it again.";
        }
        return "No mark of ours is in the picture. Get all four corners in, sharp and without glare; or tap the four"
                + " corners of the pattern yourself.";
    }

    /**
     * How steep the steepest edges are: of the largest differences over three pixels, that which one in 500 exceeds.
     */
    private static double steepest(Photo photo) {
        var counts = new int[256];
        int all = 0;
        for (int y = 1; y < photo.height; y += 3) {
            for (int x = 0; x + 3 < photo.width; x += 3) {
                counts[Math.abs(photo.luma(x, y) - photo.luma(x + 3, y))]++;
                all++;
            }
        }
        return Marks.percentile(counts, all, .998);
    }

    /** Which of its dots are not there: outside the picture, or in a place where paper is dark. */
    static Optional<String> edge(Photo photo, Mapping mapping, Page page) {
        int outside = 0;
        int dark = 0;
        int all = 0;
        for (var shape : page.shapes()) {
            if (shape instanceof Shape.Dot dot) {
                all++;
                if (!Sight.inside(photo, mapping, dot.x(), dot.y())) {
                    outside++;
                } else if (paper(photo, mapping, dot) < NIGHT) {
                    dark++;
                }
            }
        }
        if (outside > all / 3) {
            return Optional.of("The sheet is cut off by the picture's edge. Get the whole of it in and take it again.");
        }
        if (dark > all / 3) {
            return Optional.of("The picture is too dark. More light, from two sides, and take it again.");
        }
        return Optional.empty();
    }

    /** The brightest of four places beside a dot. */
    private static int paper(Photo photo, Mapping mapping, Shape.Dot dot) {
        int most = 0;
        for (double[] d : new double[][] {{1, 0}, {-1, 0}, {0, 1}, {0, -1}}) {
            double x = dot.x() + d[0] * dot.diameter();
            double y = dot.y() + d[1] * dot.diameter();
            if (Sight.inside(photo, mapping, x, y)) {
                most = Math.max(most, photo.luma((int) mapping.x(x, y), (int) mapping.y(x, y)));
            }
        }
        return most;
    }
}
