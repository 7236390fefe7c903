package fairkettle.server.papers;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.multi.qrcode.QRCodeMultiReader;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;

/** Labels for what stands in the shop, on one sheet. */
@ServerTest
class LabelTest {

    private static final String SHOP = "http://10.0.0.5:8640";

    @Autowired
    private Api api;

    @Test
    void theCodeOnAMachineOpensItsPage() throws Exception {
        long machine = api.machine("Labelled", "small-tank", "INKED");
        byte[] file = pdf("machine=" + machine);
        assertThat(codes(file)).containsExactly(SHOP + "/machines/" + machine);
        assertThat(text(file)).contains("Labelled", "only");
    }

    @Test
    void everySlotIsNamedAndWhiteLinesAtBothEnds() {
        long tanks = api.machine("Slots", "small-tank", "INKED");
        assertThat(titles("line=" + tanks)).hasSize(4).allMatch(title -> title.startsWith("tank of Slots"));
        long film = api.machine("Whites", "garment", "INKED");
        assertThat(titles("line=" + film))
                .filteredOn(title -> title.endsWith("at the head"))
                .as("what is taken apart")
                .isNotEmpty()
                .hasSameSizeAs(titles("line=" + film).stream()
                        .filter(title -> title.endsWith("where it begins"))
                        .toList());
    }

    @ParameterizedTest
    @ValueSource(strings = {"a4", "letter"})
    void aSheetThatWasBegunIsGoneOnWithAndTurnsOver(String paper) throws Exception {
        long machine = api.machine("Turning " + paper, "small-tank", "INKED");
        byte[] file = pdf("line=" + machine + "&begin=22&paper=" + paper);
        try (var document = Loader.loadPDF(file)) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
        }
    }

    @Test
    void aLabelLeadsNowhereElse() {
        long machine = api.machine("Own", "small-tank", "INKED");
        assertThat(api.get("/api/labels?address={a}&machine={m}", "http://elsewhere.example/x?", machine))
                .hasStatus(400);
        assertThat(api.get("/api/labels.pdf?address=" + SHOP)).hasStatus(422);
        assertThat(api.get("/api/labels.pdf?begin=24&machine=" + machine + "&address=" + SHOP))
                .hasStatus(400);
        assertThat(api.get("/api/labels?lot=999999&address=" + SHOP)).hasStatus(404);
    }

    private List<String> titles(String chosen) {
        var labels =
                api.read(api.get("/api/labels?address=" + SHOP + "&" + chosen)).get("labels");
        return labels.valueStream().map(label -> label.get("title").asString()).toList();
    }

    private byte[] pdf(String chosen) {
        return api.get("/api/labels.pdf?address=" + SHOP + "&" + chosen)
                .getResponse()
                .getContentAsByteArray();
    }

    private static String text(byte[] file) throws Exception {
        try (var document = Loader.loadPDF(file)) {
            return new PDFTextStripper().getText(document);
        }
    }

    private static List<String> codes(byte[] file) throws Exception {
        try (var document = Loader.loadPDF(file)) {
            var image = new PDFRenderer(document).renderImageWithDPI(0, 300);
            int width = image.getWidth();
            int height = image.getHeight();
            var seen = new RGBLuminanceSource(width, height, image.getRGB(0, 0, width, height, null, 0, width));
            var found = new QRCodeMultiReader()
                    .decodeMultiple(
                            new BinaryBitmap(new HybridBinarizer(seen)), Map.of(DecodeHintType.TRY_HARDER, true));
            return Stream.of(found).map(code -> code.getText()).toList();
        }
    }
}
