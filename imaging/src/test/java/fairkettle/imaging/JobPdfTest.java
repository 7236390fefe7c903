package fairkettle.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fairkettle.job.Media;
import fairkettle.job.Piece;
import fairkettle.job.Piece.Turning;
import java.awt.Color;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_ColorSpace;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.PDFStreamEngine;
import org.apache.pdfbox.contentstream.operator.DrawObject;
import org.apache.pdfbox.contentstream.operator.state.Concatenate;
import org.apache.pdfbox.contentstream.operator.state.Restore;
import org.apache.pdfbox.contentstream.operator.state.Save;
import org.apache.pdfbox.contentstream.operator.state.SetGraphicsStateParameters;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;

class JobPdfTest {

    private static final double MM = 25.4 / 72; // of a point
    private static final Media A4 = Media.named("A4").orElseThrow();

    /** A red ring on nothing. */
    private static byte[] ring(String format, int type) {
        var image = new BufferedImage(300, 200, type);
        var on = image.createGraphics();
        on.setColor(Color.RED);
        on.fillOval(50, 0, 200, 200);
        on.dispose();
        var out = new ByteArrayOutputStream();
        try {
            assertThat(ImageIO.write(image, format, out)).isTrue();
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** Where an image lies: its corners in mm from the top left of the page, and its colour space. */
    private record Drawn(double x0, double y0, double x1, double y1, String space, boolean overprint) {}

    private static List<Drawn> drawn(byte[] pdf, int page) throws IOException {
        var all = new ArrayList<Drawn>();
        try (var document = Loader.loadPDF(pdf)) {
            PDPage of = document.getPage(page);
            float high = of.getMediaBox().getHeight();
            var engine = new PDFStreamEngine() {
                @Override
                protected void processOperator(
                        org.apache.pdfbox.contentstream.operator.Operator operator, List<COSBase> operands)
                        throws IOException {
                    if (operator.getName().equals("Do")
                            && getResources().getXObject((COSName) operands.getFirst()) instanceof PDImageXObject i) {
                        Matrix m = getGraphicsState().getCurrentTransformationMatrix();
                        var a = m.transformPoint(0, 1);
                        var b = m.transformPoint(1, 0);
                        all.add(new Drawn(
                                a.x * MM,
                                (high - a.y) * MM,
                                b.x * MM,
                                (high - b.y) * MM,
                                i.getColorSpace().getName(),
                                getGraphicsState().isNonStrokingOverprint()));
                    }
                    super.processOperator(operator, operands);
                }
            };
            engine.addOperator(new Concatenate(engine));
            engine.addOperator(new Save(engine));
            engine.addOperator(new Restore(engine));
            engine.addOperator(new SetGraphicsStateParameters(engine));
            engine.addOperator(new DrawObject(engine));
            engine.processPage(of);
        }
        return all;
    }

    private static JobPdf.Job job(Media media, Piece piece, byte[] art, boolean mirrored, Optional<String> white) {
        return new JobPdf.Job(
                "club kit", media, media.lay(List.of(piece), 40), List.of(Optional.of(art)), mirrored, white);
    }

    @Test
    void everyPieceLiesWhereItWasLaidToATenthOfAMillimetre() throws Exception {
        var piece = new Piece(602, 401, 5, Turning.UPRIGHT);
        var layout = A4.lay(List.of(piece), 40);

        var drawn =
                drawn(JobPdf.of(job(A4, piece, ring("png", BufferedImage.TYPE_INT_ARGB), false, Optional.empty())), 0);

        assertThat(drawn).hasSize(5);
        for (int i = 0; i < drawn.size(); i++) {
            var p = layout.placed().get(i);
            assertThat(drawn.get(i).x0()).isCloseTo(5 + p.x() / 10.0, within(.05));
            assertThat(drawn.get(i).y0()).isCloseTo(5 + p.y() / 10.0, within(.05));
            assertThat(drawn.get(i).x1() - drawn.get(i).x0()).isCloseTo(60.2, within(.05));
            assertThat(drawn.get(i).y1() - drawn.get(i).y0()).isCloseTo(40.1, within(.05));
        }
    }

    @Test
    void whatIsPressedIsDrawnTheWrongWayRound() throws Exception {
        var piece = new Piece(600, 400, 1, Turning.UPRIGHT);

        var drawn = drawn(
                        JobPdf.of(job(A4, piece, ring("png", BufferedImage.TYPE_INT_ARGB), true, Optional.empty())), 0)
                .getFirst();

        assertThat(drawn.x0()).isCloseTo(205, within(.05));
        assertThat(drawn.x1()).isCloseTo(145, within(.05));
    }

    @Test
    void aTurnedPieceStaysUnmirrored() throws Exception {
        var piece = new Piece(1000, 400, 1, Turning.ALONG);

        var drawn = drawn(
                        JobPdf.of(job(A4, piece, ring("png", BufferedImage.TYPE_INT_ARGB), false, Optional.empty())), 0)
                .getFirst();

        // its upper left corner is at the upper right now, its lower right one at the lower left
        assertThat(drawn.x0()).isCloseTo(45, within(.05));
        assertThat(drawn.y0()).isCloseTo(5, within(.05));
        assertThat(drawn.x1()).isCloseTo(5, within(.05));
        assertThat(drawn.y1()).isCloseTo(105, within(.05));
    }

    @Test
    void forFilmTheWhiteIsASpotColourOverTheColours() throws Exception {
        var roll = Media.named("film roll, 33 cm").orElseThrow();
        var pdf = JobPdf.of(job(
                roll,
                new Piece(2000, 1500, 2, Turning.UPRIGHT),
                ring("png", BufferedImage.TYPE_INT_ARGB),
                true,
                Optional.of("W1")));

        var drawn = drawn(pdf, 0);

        assertThat(drawn).hasSize(4);
        assertThat(drawn.subList(2, 4)).allMatch(d -> d.space().equals("Separation") && d.overprint());
        assertThat(drawn.get(2).x0()).isCloseTo(drawn.get(0).x0(), within(.01));
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getPage(0).getMediaBox().getHeight() * MM).isCloseTo(10 + 150 + 4 + 150, within(.05));
        }
    }

    @Test
    void aFileIsKeptOnceHoweverOftenItLies() throws Exception {
        var art = ring("jpeg", BufferedImage.TYPE_3BYTE_BGR);
        int once = JobPdf.of(job(A4, new Piece(600, 400, 1, Turning.FREE), art, false, Optional.empty())).length;
        int often = JobPdf.of(job(A4, new Piece(600, 400, 12, Turning.FREE), art, false, Optional.empty())).length;

        assertThat(often - once).isLessThan(art.length);
    }

    @Test
    void anArtworkSaysWhatItAsksFor() throws Exception {
        var art = Artwork.read(ring("png", BufferedImage.TYPE_INT_ARGB));

        assertThat(art.width()).isEqualTo(300);
        assertThat(art.transparent()).isTrue();
        assertThat(art.widthMm()).isZero();
        double circle = Math.PI * 100 * 100 / (300 * 200);
        assertThat(art.asked().tones().get("W").mean()).isCloseTo(circle, within(.01));
        assertThat(art.asked().tones().get("M").mean()).isCloseTo(circle, within(.01));
        assertThat(art.asked().tones().get("C").mean()).isZero();
        assertThat(Artwork.read(ring("tiff", BufferedImage.TYPE_INT_ARGB)).transparent())
                .isTrue();
        assertThat(Artwork.read(ring("jpeg", BufferedImage.TYPE_3BYTE_BGR)).transparent())
                .isFalse();
    }

    @Test
    void aPageOfAPdfHasItsSizeAndIsBareWhereNothingIsDrawn() throws Exception {
        var out = new ByteArrayOutputStream();
        try (var document = new PDDocument()) {
            var page = new PDPage(new PDRectangle(288, 144));
            document.addPage(page);
            try (var on = new PDPageContentStream(document, page)) {
                on.setNonStrokingColor(0f, 0f, 1f);
                on.addRect(0, 0, 144, 144);
                on.fill();
            }
            document.save(out);
        }

        var art = Artwork.read(out.toByteArray());

        assertThat(art.widthMm()).isCloseTo(101.6, within(.01));
        assertThat(art.transparent()).isTrue();
        assertThat(art.asked().tones().get("W").mean()).isCloseTo(.5, within(.01));
        assertThat(Photo.Format.of(art.drawn())).hasValue(Photo.Format.PNG);
    }

    @Test
    void itsColourProfileIsNamedAndKept() throws Exception {
        var linear = new ICC_ColorSpace(java.awt.color.ICC_Profile.getInstance(ColorSpace.CS_LINEAR_RGB));
        var model = new java.awt.image.ComponentColorModel(
                linear, false, false, java.awt.Transparency.OPAQUE, java.awt.image.DataBuffer.TYPE_BYTE);
        var image = new BufferedImage(model, model.createCompatibleWritableRaster(20, 20), false, null);
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "tiff", out);

        assertThat(Artwork.read(out.toByteArray()).profile()).isNotEmpty();
        assertThat(drawn(
                                JobPdf.of(job(
                                        A4,
                                        new Piece(200, 200, 1, Turning.FREE),
                                        out.toByteArray(),
                                        false,
                                        Optional.empty())),
                                0)
                        .getFirst()
                        .space())
                .isEqualTo("ICCBased");
    }

    @Test
    void whatIsNoPictureIsRefusedWithWhatToDo() {
        assertThatThrownBy(() -> Artwork.read(new byte[] {1, 2, 3, 4}))
                .isInstanceOf(Photo.Refused.class)
                .hasMessageContaining("Save the artwork as one");
        assertThatThrownBy(() -> Artwork.read("%PDF-1.7 nonsense".getBytes(java.nio.charset.StandardCharsets.US_ASCII)))
                .isInstanceOf(Photo.Refused.class);
    }
}
