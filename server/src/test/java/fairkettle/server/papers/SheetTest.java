package fairkettle.server.papers;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.stream.StreamSupport;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
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
}
