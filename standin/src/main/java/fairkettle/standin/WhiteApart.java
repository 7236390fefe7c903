package fairkettle.standin;

import java.awt.image.Raster;
import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.color.PDSeparation;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;

/** Draws a page’s colours, and sets its pictures of white apart: a machine that separates prints them by themselves. */
final class WhiteApart extends PDFRenderer {

    private static final double MM2_PER_POINT2 = 25.4 * 25.4 / 72 / 72;

    private final Map<String, Double> white = new HashMap<>();

    WhiteApart(PDDocument document) {
        super(document);
    }

    /** mm² fully covered with each white since this was last asked. */
    Map<String, Double> white() {
        var of = Map.copyOf(white);
        white.clear();
        return of;
    }

    @Override
    protected PageDrawer createPageDrawer(PageDrawerParameters parameters) throws IOException {
        return new PageDrawer(parameters) {
            @Override
            public void drawImage(PDImage image) throws IOException {
                if (image instanceof PDImageXObject of
                        && of.getColorSpace() instanceof PDSeparation spot
                        && spot.getColorantName().startsWith("W")) {
                    var at = getGraphicsState().getCurrentTransformationMatrix().createAffineTransform();
                    white.merge(
                            spot.getColorantName(),
                            Math.abs(at.getDeterminant()) * MM2_PER_POINT2 * covered(of.getRawRaster()),
                            Double::sum);
                    return;
                }
                super.drawImage(image);
            }
        };
    }

    /** Share of a picture that is covered. */
    private static double covered(Raster raster) {
        int[] row = new int[raster.getWidth()];
        double sum = 0;
        for (int y = 0; y < raster.getHeight(); y++) {
            raster.getSamples(0, y, raster.getWidth(), 1, 0, row);
            for (int value : row) {
                sum += value;
            }
        }
        return sum / 255 / raster.getWidth() / raster.getHeight();
    }
}
