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
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
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
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
        return job(media, piece, new JobPdf.Art(art, new byte[0]), mirrored, white);
    }

    private static JobPdf.Job job(Media media, Piece piece, JobPdf.Art art, boolean mirrored, Optional<String> white) {
        return new JobPdf.Job(
                "club kit", media, media.lay(List.of(piece), 40), List.of(Optional.of(art)), mirrored, white, 0);
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

    /** A page of 4 by 2 inches whose left half is blue. @param turned by so many degrees when it is looked at */
    private static byte[] halfBlue(int turned) throws IOException {
        var out = new ByteArrayOutputStream();
        try (var document = new PDDocument()) {
            var page = new PDPage(new PDRectangle(288, 144));
            page.setRotation(turned);
            document.addPage(page);
            try (var on = new PDPageContentStream(document, page)) {
                on.setNonStrokingColor(0f, 0f, 1f);
                on.addRect(0, 0, 144, 144);
                on.fill();
            }
            document.save(out);
        }
        return out.toByteArray();
    }

    @ParameterizedTest
    @CsvSource({"0, 800, 400", "90, 400, 800", "180, 800, 400"})
    void aPdfLiesOnTheSheetWithItsStrokesWhicheverWayItIsTurned(int turned, int width, int height) throws Exception {
        var art = Artwork.read(halfBlue(turned));
        var pdf = JobPdf.of(job(
                A4,
                new Piece(width, height, 1, Turning.UPRIGHT),
                new JobPdf.Art(art.drawn(), art.page()),
                false,
                Optional.empty()));

        assertThat(art.widthMm()).isCloseTo(width == 800 ? 101.6 : 50.8, within(.01));
        assertThat(drawn(pdf, 0)).as("pictures").isEmpty();
        try (var document = Loader.loadPDF(pdf)) {
            // ten points for a mm: what is blue lies in the same half of the piece as on the page by itself
            var seen = new PDFRenderer(document).renderImageWithDPI(0, 254);
            var alone = ImageIO.read(new ByteArrayInputStream(art.drawn()));
            for (double x : new double[] {.1, .45, .55, .9}) {
                for (double y : new double[] {.1, .45, .55, .9}) {
                    boolean blue = alone.getRGB((int) (x * alone.getWidth()), (int) (y * alone.getHeight())) != 0;
                    assertThat(seen.getRGB(50 + (int) (x * width), 50 + (int) (y * height)) & 0xffffff)
                            .as("at %s, %s", x, y)
                            .isEqualTo(blue ? 0x0000ff : 0xffffff);
                }
            }
        }
    }

    @Test
    void whiteStaysBackFromEveryEdgeOfTheColours() throws Exception {
        var image = new BufferedImage(400, 200, BufferedImage.TYPE_INT_ARGB);
        var on = image.createGraphics();
        on.setColor(Color.RED);
        on.fillRect(0, 0, 200, 200);
        on.dispose();
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        var piece = new Piece(400, 200, 1, Turning.UPRIGHT); // one point for a tenth of a mm
        var pdf = JobPdf.of(new JobPdf.Job(
                "club kit",
                A4,
                A4.lay(List.of(piece), 40),
                List.of(Optional.of(new JobPdf.Art(out.toByteArray(), new byte[0]))),
                false,
                Optional.of("W1"),
                3));

        try (var document = Loader.loadPDF(pdf)) {
            var resources = document.getPage(0).getResources();
            BufferedImage white = null;
            for (var name : resources.getXObjectNames()) {
                if (resources.getXObject(name) instanceof PDImageXObject i
                        && i.getColorSpace().getName().equals("Separation")) {
                    white = new BufferedImage(i.getWidth(), i.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
                    white.setData(i.getRawRaster());
                }
            }
            assertThat(white).isNotNull();
            for (int x : new int[] {0, 2, 3, 100, 196, 197, 300}) {
                assertThat(white.getRaster().getSample(x, 100, 0))
                        .as("at %d", x)
                        .isEqualTo(x > 2 && x < 197 ? 255 : 0);
            }
            assertThat(white.getRaster().getSample(100, 2, 0)).isZero();
            assertThat(white.getRaster().getSample(100, 3, 0)).isEqualTo(255);
        }
    }

    @ParameterizedTest
    @CsvSource({"1", "2", "5", "40"})
    void chokedWhiteIsTheLeastAroundEachPoint(int back) {
        var random = new Random(back);
        var cover = new BufferedImage(37, 23, BufferedImage.TYPE_BYTE_GRAY);
        for (int i = 0; i < 37 * 23; i++) {
            cover.getRaster().setSample(i % 37, i / 37, 0, random.nextInt(8) == 0 ? random.nextInt(256) : 255);
        }
        var before = cover.getData();

        Choke.of(cover, back);

        for (int x = 0; x < 37; x++) {
            for (int y = 0; y < 23; y++) {
                int least = 255;
                for (int i = x - back; i <= x + back; i++) {
                    for (int j = y - back; j <= y + back; j++) {
                        boolean on = i >= 0 && j >= 0 && i < 37 && j < 23;
                        least = Math.min(least, on ? before.getSample(i, j, 0) : 0);
                    }
                }
                assertThat(cover.getRaster().getSample(x, y, 0))
                        .as("%d, %d", x, y)
                        .isEqualTo(least);
            }
        }
    }

    @Test
    void aPageOfAPdfHasItsSizeAndIsBareWhereNothingIsDrawn() throws Exception {
        var art = Artwork.read(halfBlue(0));

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
