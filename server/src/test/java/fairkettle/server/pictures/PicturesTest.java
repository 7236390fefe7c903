package fairkettle.server.pictures;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;

/** Hostile and unlucky uploads. */
@ServerTest
class PicturesTest {

    private static int machines;

    @Autowired
    private Api api;

    private String photos;

    @BeforeEach
    void aCard() {
        long card = api.beginCard(api.machine("Photographed " + machines++, "small-tank", "INKED"), "SUBLIMATION")
                .get("id")
                .asLong();
        photos = "/api/cards/" + card + "/photos?step=photograph";
    }

    @Test
    void aPictureIsKeptAndServedWithTheTypeThatWasFound() throws IOException {
        var served = served(picture("png", 20, 10));
        assertThat(served.getContentType()).isEqualTo("image/png");
        assertThat(served.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
    }

    @Test
    void anEntryOfTheLogTakesPictures() throws IOException {
        long entry = api.read(api.get("/api/log")).at("/entries/0/id").asLong();
        var path = "/api/log/" + entry + "/photos";
        assertThat(api.read(api.send(path, picture("png", 20, 10)))).hasSize(1);
        assertThat(api.read(api.send(path, picture("jpeg", 30, 10)))).hasSize(2);
        assertThat(api.read(api.get(path))).hasSize(2);
        assertThat(api.read(api.get("/api/log")).at("/entries/0/pictures").asInt())
                .isEqualTo(2);
        assertThat(api.send("/api/log/999999999/photos", picture("png", 20, 10)))
                .hasStatus(404);
        assertThat(api.send(path, "<html>".getBytes(StandardCharsets.UTF_8))).hasStatus(400);
    }

    @Test
    void aCaseKeepsOnePictureOfHowItWasBeforeAnythingWasTried() throws IOException {
        long machine = api.machine("Photographed ill", "small-tank", "INKED");
        long id = api.read(api.post(
                        "/api/cases",
                        "{\"machines\": [%d], \"complaints\": [\"GAPS\"], \"work\": \"SOLID\", \"words\": \"\"}"
                                .formatted(machine)))
                .get("id")
                .asLong();
        var path = "/api/cases/" + id + "/before";
        assertThat(api.read(api.send(path, picture("png", 20, 10))).has("before"))
                .isTrue();
        assertThat(api.send(path, picture("png", 40, 10)))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("already");

        long entry = api.read(api.get("/api/log?machine=" + machine + "&words=before anything"))
                .at("/entries/0/id")
                .asLong();
        assertThat(api.post("/api/log/" + entry + "/strike", "{}")).hasStatusOk();
        assertThat(api.read(api.get("/api/cases/" + id)).has("before")).isFalse();
        assertThat(api.send(path, picture("png", 40, 10)))
                .as("the blurred one is out")
                .hasStatusOk();

        long late = api.machine("Photographed late", "small-tank", "INKED");
        long tried = api.read(api.post(
                        "/api/cases",
                        "{\"machines\": [%d], \"complaints\": [\"GAPS\"], \"work\": \"SOLID\", \"words\": \"\"}"
                                .formatted(late)))
                .get("id")
                .asLong();
        api.post(
                "/api/cases/" + tried + "/evidence",
                "{\"kind\": \"DONE\", \"treatment\": \"CLEANING\", \"channels\": [\"K\", \"C\", \"M\", \"Y\"]}");
        assertThat(api.send("/api/cases/" + tried + "/before", picture("png", 20, 10)))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("tried already");
    }

    @Test
    void whatTheCameraWroteBesideThePictureIsNotKept() throws IOException {
        byte[] plain = picture("jpeg", 20, 10);
        byte[] words = "behind the market".getBytes(StandardCharsets.US_ASCII);
        byte[] sent = ByteBuffer.allocate(plain.length + words.length + 4)
                .put(plain, 0, 2)
                .putShort((short) 0xfffe) // a comment
                .putShort((short) (words.length + 2))
                .put(words)
                .put(plain, 2, plain.length - 2)
                .array();
        assertThat(new String(served(sent).getContentAsByteArray(), StandardCharsets.ISO_8859_1))
                .doesNotContain("behind the market");
    }

    @Test
    void whatIsNoPictureIsRefused() {
        refused("<html><script>alert(1)</script>".getBytes(StandardCharsets.UTF_8), "no JPEG, PNG, TIFF or PDF");
        refused(new byte[] {(byte) 0xff, (byte) 0xd8, (byte) 0xff, (byte) 0xe0, 0, 16}, "damaged");
    }

    @Test
    void aBombIsRefusedBeforeItIsDecoded() throws IOException {
        byte[] bomb = picture("png", 1, 1);
        // the width and height of the header say 60000 × 60000; decoding that would take 10 GB
        System.arraycopy(new byte[] {0, 0, (byte) 0xea, 0x60, 0, 0, (byte) 0xea, 0x60}, 0, bomb, 16, 8);
        refused(bomb, "60000 × 60000 pixels");
    }

    @Test
    void aTornPictureIsRefused() throws IOException {
        byte[] whole = picture("jpeg", 400, 300);
        refused(Arrays.copyOf(whole, 40), "damaged");
    }

    @Test
    void aScanAsTiffOrPdfIsKeptAsItCameAndShownAsAJpeg() throws IOException {
        for (byte[] scan : List.of(picture("tiff", 60, 40), page("0 0 200 200 re f"))) {
            var result = api.send(photos, scan);
            assertThat(result).hasStatusOk();
            var notes = api.read(result).at("/steps").findValues("picture");
            assertThat(api.get("/api/pictures/" + notes.getLast().asString()))
                    .hasStatusOk()
                    .hasContentType("image/jpeg");
        }
    }

    @Test
    @Timeout(30)
    void aPdfThatDrawsItselfIsRefusedAndNobodyWaitsForIt() throws IOException {
        refused(page("/F Do /F Do"), "draws itself without end");
        assertThat(api.send(photos, picture("png", 20, 10))).hasStatusOk();
    }

    @Test
    @Timeout(60)
    void aPdfOfEndlessStrokesIsRefused() throws IOException {
        refused(page("0 0 m 9 9 l S ".repeat(400_000)), "more strokes than a sheet has");
    }

    /** A page of A4 that draws a form of these operators, which is called F and knows itself. */
    private static byte[] page(String operators) throws IOException {
        try (var document = new PDDocument()) {
            var page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            var form = new PDFormXObject(document);
            form.setBBox(PDRectangle.A4);
            var resources = new PDResources();
            resources.put(COSName.getPDFName("F"), form);
            form.setResources(resources);
            page.setResources(resources);
            write(form.getCOSObject(), operators);
            var content = new PDStream(document);
            write(content.getCOSObject(), "/F Do");
            page.setContents(content);
            var out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static void write(COSStream stream, String operators) throws IOException {
        try (var out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(operators.getBytes(StandardCharsets.US_ASCII));
        }
    }

    @Test
    void tooLargeIsRefused() {
        refused(new byte[31_000_000], "at most 30 MB");
    }

    /** A photo on the card, as a browser gets it back. */
    private MockHttpServletResponse served(byte[] photo) {
        var result = api.send(photos, photo);
        assertThat(result).hasStatusOk();
        var id = api.read(result)
                .get("steps")
                .valueStream()
                .filter(s -> s.get("id").asString().equals("photograph"))
                .findFirst()
                .orElseThrow()
                .at("/notes/0/picture")
                .asString();
        return api.get("/api/pictures/" + id).getResponse();
    }

    private void refused(byte[] bytes, String reason) {
        assertThat(api.send(photos, bytes))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains(reason);
    }

    private static byte[] picture(String format, int width, int height) throws IOException {
        var out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), format, out);
        return out.toByteArray();
    }
}
