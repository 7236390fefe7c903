package fairkettle.server.sheets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.LuminanceSource;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.sheet.SheetCode;
import java.awt.image.BufferedImage;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Sheets on paper: at their size, with codes that can be read, counted once. */
@ServerTest
class SheetTest {

    @Autowired
    private Api api;

    @Test
    void aSheetIsDrawnAtItsSizeAndItsCornersNameIt() throws Exception {
        long id = api.machine("Sheet drawn", "small-tank", "INKED");
        long sheet = make(id, "{\"kind\": \"HEALTH\", \"paper\": \"A4\", \"wanted\": {}}");
        var pdf = api.get("/api/sheets/" + sheet + "/sheet.pdf");
        assertThat(pdf).hasStatusOk().hasContentType("application/pdf");
        try (var document = Loader.loadPDF(pdf.getResponse().getContentAsByteArray())) {
            assertThat(document.getPage(0).getMediaBox().getWidth()).isCloseTo(595.28f, within(0.01f));
            assertThat(new PDFTextStripper().getText(document))
                    .contains("Sheet drawn: health sheet", "Photograph it flat");
            var picture = new PDFRenderer(document).renderImageWithDPI(0, 300);
            for (int corner = 0; corner < 4; corner++) {
                var read = SheetCode.read(codeIn(picture, corner)).orElseThrow();
                assertThat(read.corner()).isEqualTo(corner);
                assertThat(read.machine()).isEqualTo(id);
                assertThat(read.sheet()).isEqualTo(sheet);
            }
        }
    }

    @Test
    void aFullColumnIsThePureColourOfItsChannel() throws Exception {
        long id = api.machine("Sheet pure", "small-tank", "INKED");
        long sheet = make(id, "{\"kind\": \"PURGE\", \"paper\": \"LETTER\", \"wanted\": {\"C\": 0.7}}");
        try (var document = Loader.loadPDF(
                api.get("/api/sheets/" + sheet + "/sheet.pdf").getResponse().getContentAsByteArray())) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
            var picture = new PDFRenderer(document).renderImageWithDPI(0, 50);
            assertThat(picture.getRGB(picture.getWidth() / 2, picture.getHeight() / 2) & 0xffffff)
                    .isEqualTo(0x00ffff);
        }
    }

    @Test
    void whatIsSaidToBePrintedIsOnPaperOnce() {
        long id = api.machine("Sheet counted", "small-tank", "INKED");
        long sheet = make(id, "{\"kind\": \"PURGE\", \"paper\": \"A4\", \"wanted\": {\"M\": 2, \"K\": 0}}");
        assertThat(level(id, 2)).isEqualTo(42);
        api.post("/api/sheets/" + sheet + "/printed", "{}");
        api.post("/api/sheets/" + sheet + "/printed", "{}");
        assertThat(level(id, 2)).isCloseTo(40, within(1e-9));
        assertThat(level(id, 0)).isEqualTo(42);
        assertThat(api.read(api.get("/api/machines/" + id + "/sheets"))
                        .at("/made/0/printed")
                        .asBoolean())
                .isTrue();
    }

    @Test
    void whatNoPageReachesIsSaidAndRefused() {
        long id = api.machine("Sheet light", "six-ink-tank", "INKED");
        var channels = api.read(api.get("/api/machines/" + id + "/sheets")).get("channels");
        assertThat(channels.get(4).get("byPage").asBoolean()).isFalse();
        assertThat(channels.get(4).get("say").asString()).contains("own nozzle check");
        assertThat(api.post(
                        "/api/machines/" + id + "/sheets",
                        "{\"kind\": \"PURGE\", \"paper\": \"A4\", \"wanted\": {\"LC\": 1}}"))
                .hasStatus(400);
        assertThat(api.post(
                        "/api/machines/" + id + "/sheets",
                        "{\"kind\": \"PURGE\", \"paper\": \"A4\", \"wanted\": {\"C\": 300}}"))
                .hasStatus(400);
        assertThat(api.post(
                        "/api/machines/" + id + "/sheets", "{\"kind\": \"PURGE\", \"paper\": \"A4\", \"wanted\": {}}"))
                .hasStatus(400);
        assertThat(api.get("/api/sheets/999999/sheet.pdf")).hasStatus(404);
    }

    private long make(long machine, String body) {
        return api.read(api.post("/api/machines/" + machine + "/sheets", body))
                .at("/made/0/id")
                .asLong();
    }

    private double level(long machine, int slot) {
        return api.read(api.get("/api/machines/" + machine))
                .at("/plate/channels/" + slot + "/path/0/layers/0/volume")
                .asDouble();
    }

    private static String codeIn(BufferedImage picture, int corner) throws Exception {
        int side = picture.getWidth() / 6;
        int x = corner == 1 || corner == 2 ? picture.getWidth() - side : 0;
        int y = corner >= 2 ? picture.getHeight() - side : 0;
        LuminanceSource source = new RGBLuminanceSource(side, side, picture.getRGB(x, y, side, side, null, 0, side));
        return new QRCodeReader()
                .decode(new BinaryBitmap(new HybridBinarizer(source)), Map.of(DecodeHintType.TRY_HARDER, true))
                .getText();
    }
}
