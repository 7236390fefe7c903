package fairkettle.server.pictures;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

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
        var result = api.send(photos, picture("png", 20, 10));
        assertThat(result).hasStatusOk();
        var id = api.read(result)
                .get("steps")
                .valueStream()
                .filter(s -> s.get("id").asString().equals("photograph"))
                .findFirst()
                .orElseThrow()
                .at("/notes/0/picture")
                .asString();
        var served = api.get("/api/pictures/" + id).getResponse();
        assertThat(served.getContentType()).isEqualTo("image/png");
        assertThat(served.getHeader("X-Content-Type-Options")).isEqualTo("nosniff");
    }

    @Test
    void whatIsNoPictureIsRefused() {
        refused("<html><script>alert(1)</script>".getBytes(StandardCharsets.UTF_8), "no JPEG or PNG");
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
    void tooLargeIsRefused() {
        refused(new byte[16_000_000], "at most 15 MB");
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
