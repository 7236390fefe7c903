package fairkettle.server.papers;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.PDFGraphicsStreamEngine;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SheetTest {

    private static byte[] sheet(String words) throws IOException {
        try (var sheet = new Sheet(PDRectangle.A4, "Quillmere Rosettes")) {
            sheet.title(words);
            sheet.heading(words);
            sheet.text(words);
            sheet.bold(words, 0);
            return sheet.bytes();
        }
    }

    private static String text(byte[] pdf) throws IOException {
        try (var document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "Łódź, Łódź",
        "Črna žába, Črna žába",
        "Sørø Ængø, Sørø Ængø",
        "Ștefania, Ștefania",
        "3 × 14.5 mL, 3 × 14.5 mL",
    })
    void aNameIsWrittenAsItIsSpelled(String name, String written) throws IOException {
        assertThat(text(sheet(name)).split("\\R"))
                .filteredOn(line -> line.equals(written))
                .hasSize(4);
    }

    @Test
    void unitsAndSignsOfTheTradeAreAllThere() throws IOException {
        assertThat(text(sheet("−5 °C – 22 °C · CO₂ ≥ 1 µL → 2 × 3 ½")))
                .contains("−5 °C – 22 °C · CO2 ≥ 1", "L to 2 × 3")
                .doesNotContain("?");
    }

    @Test
    void aLetterThatNoFaceHasIsSaidToBeMissingAndNothingFails() throws IOException {
        assertThat(text(sheet("印 of Wren"))).contains("? of Wren");
    }

    @Test
    void itIsSetInTheFacesOfTheScreensAndCarriesThemWithIt() throws IOException {
        try (var document = Loader.loadPDF(sheet("Bramble"))) {
            var resources = document.getPage(0).getResources();
            assertThat(StreamSupport.stream(resources.getFontNames().spliterator(), false)
                            .map(name -> {
                                try {
                                    return resources.getFont(name);
                                } catch (IOException e) {
                                    throw new java.io.UncheckedIOException(e);
                                }
                            })
                            .toList())
                    .allSatisfy(font -> assertThat(font.isEmbedded()).isTrue())
                    .anySatisfy(font -> assertThat(font.getName()).contains("Besley"))
                    .anySatisfy(font -> assertThat(font.getName()).contains("Atkinson"));
        }
    }

    @ParameterizedTest
    @CsvSource({"4, 180", "8, 59", "6, 800"})
    void boxesCombsAndPathsStayOnThePaper(int channels, int strokes) throws IOException {
        try (var sheet = new Sheet(PDRectangle.A4, "Bramble")) {
            var rows = new LinkedHashMap<String, List<Sheet.Cell>>();
            for (int i = 0; i < channels; i++) {
                rows.put("C" + i, List.of(new Sheet.Cell(78, "of 60 mL"), Sheet.Cell.NONE, Sheet.Cell.tick()));
            }
            for (int page = 0; page < 4; page++) { // turned in the middle of one now and then
                sheet.boxes(34, List.of("first load, pulled slowly and emptied", "second load", "air"), rows);
                rows.keySet().forEach(code -> sheet.comb(34, code, strokes));
                sheet.path("K C M Y", Map.of("tank", "70", "damper", "4"));
            }
            try (var document = Loader.loadPDF(sheet.bytes())) {
                for (var page : document.getPages()) {
                    var drawn = new Reach(page);
                    drawn.processPage(page);
                    assertThat(drawn.reach.getMinX()).isGreaterThan(30);
                    assertThat(drawn.reach.getMaxX()).isLessThan(PDRectangle.A4.getWidth() - 30);
                    assertThat(drawn.reach.getMinY()).isGreaterThan(20);
                    assertThat(drawn.reach.getMaxY()).isLessThan(PDRectangle.A4.getHeight() - 30);
                }
            }
        }
    }

    /** How far lines and boxes reach. */
    private static final class Reach extends PDFGraphicsStreamEngine {
        private final Rectangle2D reach = new Rectangle2D.Double(300, 400, 0, 0);

        Reach(PDPage page) {
            super(page);
        }

        @Override
        public void appendRectangle(Point2D p0, Point2D p1, Point2D p2, Point2D p3) {
            reach.add(p0);
            reach.add(p2);
        }

        @Override
        public void moveTo(float x, float y) {
            reach.add(x, y);
        }

        @Override
        public void lineTo(float x, float y) {
            reach.add(x, y);
        }

        @Override
        public Point2D getCurrentPoint() {
            return new Point2D.Float();
        }

        @Override
        public void drawImage(PDImage image) {}

        @Override
        public void clip(int rule) {}

        @Override
        public void curveTo(float x1, float y1, float x2, float y2, float x3, float y3) {}

        @Override
        public void closePath() {}

        @Override
        public void endPath() {}

        @Override
        public void strokePath() {}

        @Override
        public void fillPath(int rule) {}

        @Override
        public void fillAndStrokePath(int rule) {}

        @Override
        public void shadingFill(COSName shading) {}
    }
}
