package fairkettle.server.papers;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.qrcode.QRCodeWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.jspecify.annotations.Nullable;

/** Labels side by side on one sheet, to be cut along dashed lines; a sheet that was begun is gone on with. */
final class LabelSheet {

    /** Labels of a sheet: three beside each other, eight rows. */
    static final int ACROSS = 3;

    static final int ROWS = 8;
    static final int PLACES = ACROSS * ROWS;

    private static final float MARGIN = 24; // points that no printer reaches
    private static final float INSIDE = 9;

    /**
     * @param code what is read from two metres: a channel’s code or a name
     * @param title what it hangs on
     * @param words the rest
     * @param link what its code opens, or null
     */
    record Label(
            String code,
            String title,
            String words,
            @Nullable String link) {}

    private LabelSheet() {}

    /** @param begin the first place that is still free on the sheet in the tray, from 0 */
    static byte[] of(PDRectangle paper, List<Label> labels, int begin) {
        try (var document = new PDDocument()) {
            var faces = new Faces(document);
            for (int from = -begin; from < labels.size(); from += PLACES) {
                page(document, faces, paper, labels, from);
            }
            var out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException("The labels could not be made.", e);
        }
    }

    private static void page(PDDocument document, Faces faces, PDRectangle paper, List<Label> labels, int from)
            throws IOException {
        var page = new PDPage(paper);
        document.addPage(page);
        float width = (paper.getWidth() - 2 * MARGIN) / ACROSS;
        float height = (paper.getHeight() - 2 * MARGIN) / ROWS;
        try (var stream = new PDPageContentStream(document, page)) {
            cuts(stream, width, height);
            for (int place = Math.max(0, -from); place < PLACES && from + place < labels.size(); place++) {
                float x = MARGIN + place % ACROSS * width;
                float top = paper.getHeight() - MARGIN - place / ACROSS * height;
                label(
                        stream,
                        faces,
                        labels.get(from + place),
                        x + INSIDE,
                        top - INSIDE,
                        width - 2 * INSIDE,
                        height - 2 * INSIDE);
            }
        }
    }

    private static void cuts(PDPageContentStream stream, float width, float height) throws IOException {
        stream.setLineWidth(.5f);
        stream.setLineDashPattern(new float[] {3, 4}, 0);
        for (int column = 0; column <= ACROSS; column++) {
            stream.moveTo(MARGIN + column * width, MARGIN);
            stream.lineTo(MARGIN + column * width, MARGIN + ROWS * height);
        }
        for (int row = 0; row <= ROWS; row++) {
            stream.moveTo(MARGIN, MARGIN + row * height);
            stream.lineTo(MARGIN + ACROSS * width, MARGIN + row * height);
        }
        stream.stroke();
    }

    private static void label(
            PDPageContentStream stream, Faces faces, Label label, float x, float top, float width, float height)
            throws IOException {
        float room = label.link() == null ? width : width - height - 6;
        float size = faces.fitting(faces.serif, 24, room, label.code());
        faces.write(stream, faces.serif, size, x, top - size, label.code());
        float y = top - size - 6;
        for (var line : faces.broken(faces.bold, 9.5f, room, label.title())) {
            y -= 11.5f;
            faces.write(stream, faces.bold, 9.5f, x, y, line);
        }
        for (var line : faces.broken(faces.plain, 8, room, label.words())) {
            y -= 10;
            if (y < top - height) {
                break;
            }
            faces.write(stream, faces.plain, 8, x, y, line);
        }
        if (label.link() != null) {
            code(stream, label.link(), x + width - height, top - height, height);
        }
    }

    /** A square code of so many points, its lower left corner at x, y. */
    private static void code(PDPageContentStream stream, String link, float x, float y, float side) throws IOException {
        try {
            var code = new QRCodeWriter().encode(link, BarcodeFormat.QR_CODE, 0, 0, Map.of(EncodeHintType.MARGIN, 4));
            float cell = side / code.getWidth();
            for (int row = 0; row < code.getHeight(); row++) {
                for (int column = 0; column < code.getWidth(); column++) {
                    if (code.get(column, row)) {
                        stream.addRect(x + column * cell, y + side - (row + 1) * cell, cell, cell);
                    }
                }
            }
            stream.fill();
        } catch (WriterException e) {
            throw new IllegalStateException("The code of (%s) could not be drawn.".formatted(link), e);
        }
    }
}
