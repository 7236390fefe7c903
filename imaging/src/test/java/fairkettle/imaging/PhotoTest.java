package fairkettle.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is decoded, and what is refused before it is. */
class PhotoTest {

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpeg", "tiff"})
    void picturesOfEveryKindAreDecoded(String format) throws Exception {
        var image = new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB);
        image.setRGB(10, 20, 0xff0000);
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        var photo = Photo.decode(out.toByteArray());
        assertThat(photo.width()).isEqualTo(64);
        assertThat(photo.height()).isEqualTo(48);
    }

    @Test
    void aPictureThatWouldUnpackToTooMuchIsRefusedBeforeItIs() throws Exception {
        var out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(10, 10, BufferedImage.TYPE_BYTE_GRAY), "png", out);
        byte[] bomb = out.toByteArray();
        System.arraycopy(
                new byte[] {0, 0, (byte) 0xea, 0x60, 0, 0, (byte) 0xea, 0x60}, 0, bomb, 16, 8); // 60000 × 60000
        var crc = new CRC32();
        crc.update(bomb, 12, 17);
        System.arraycopy(ByteBuffer.allocate(4).putInt((int) crc.getValue()).array(), 0, bomb, 29, 4);
        assertThatThrownBy(() -> Photo.decode(bomb))
                .isInstanceOf(Photo.Refused.class)
                .hasMessageContaining("60000 × 60000");
    }

    @Test
    void aSmallPdfWithAHugePictureInItIsRefusedBeforeItIsUnpacked() {
        var pdf = """
            %PDF-1.4
            1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj
            2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj
            3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 595 842]/Resources<</XObject<</I 5 0 R>>>>/Contents 4 0 R>>endobj
            4 0 obj<</Length 19>>stream
            q 1 0 0 1 0 0 cm /I Do Q
            endstream endobj
            5 0 obj<</Type/XObject/Subtype/Image/Width 90000/Height 90000/ColorSpace/DeviceGray/BitsPerComponent 8/Length 1>>stream
            x
            endstream endobj
            trailer<</Size 6/Root 1 0 R>>
            """;
        assertThatThrownBy(() -> Photo.decode(pdf.getBytes(StandardCharsets.US_ASCII)))
                .isInstanceOf(Photo.Refused.class)
                .hasMessageContaining("90000 × 90000");
    }

    @Test
    void whatIsNoPictureIsSaidSo() {
        assertThatThrownBy(() -> Photo.decode("<svg onload='alert(1)'/>".getBytes(StandardCharsets.UTF_8)))
                .hasMessageContaining("no JPEG, PNG, TIFF or PDF");
        assertThatThrownBy(() -> Photo.decode("%PDF-1.7 nonsense".getBytes(StandardCharsets.UTF_8)))
                .hasMessageContaining("damaged");
        assertThatThrownBy(() -> Photo.decode(new byte[0])).isInstanceOf(Photo.Refused.class);
    }

    @RepeatedTest(40)
    void brokenJpegsEndInARefusalOrAPictureNeverInACrash(RepetitionInfo run) throws Exception {
        var random = new Random(run.getCurrentRepetition());
        var out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(80, 60, BufferedImage.TYPE_INT_RGB), "jpeg", out);
        byte[] bytes = out.toByteArray();
        for (int i = 0; i < 12; i++) {
            bytes[3 + random.nextInt(bytes.length - 3)] = (byte) random.nextInt(256);
        }
        try {
            assertThat(Photo.decode(bytes).width()).isPositive();
        } catch (Photo.Refused e) {
            assertThat(e.getMessage()).isNotBlank();
        }
    }
}
