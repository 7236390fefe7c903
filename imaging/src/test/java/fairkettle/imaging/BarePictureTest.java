package fairkettle.imaging;

import static org.assertj.core.api.Assertions.assertThat;

import com.drew.imaging.ImageMetadataReader;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.GpsDirectory;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.Random;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a camera wrote beside a picture is not kept. */
class BarePictureTest {

    private static final String SECRETS = "Made by Wren in the yard behind the market";

    @Test
    void thePlaceIsGoneTheTimeIsKnownAndWhichWayIsUp() throws Exception {
        byte[] sent = photographed(6);
        assertThat(read(sent).getFirstDirectoryOfType(GpsDirectory.class)).isNotNull();
        var bare = BarePicture.of(sent);
        assertThat(read(bare.bytes()).getFirstDirectoryOfType(GpsDirectory.class))
                .isNull();
        assertThat(read(bare.bytes())
                        .getFirstDirectoryOfType(ExifIFD0Directory.class)
                        .getInt(ExifIFD0Directory.TAG_ORIENTATION))
                .isEqualTo(6);
        assertThat(bare.taken()).contains(LocalDateTime.of(2026, 11, 30, 9, 12, 5));
    }

    @Test
    void anUprightPictureSaysNothingAtAll() throws Exception {
        var bare = BarePicture.of(photographed(1));
        assertThat(read(bare.bytes()).getFirstDirectoryOfType(ExifIFD0Directory.class))
                .isNull();
    }

    @ParameterizedTest
    @ValueSource(strings = {"jpeg", "png"})
    void notAPixelChangesAndNoWordIsLeft(String format) throws Exception {
        byte[] plain = drawn(format);
        byte[] sent =
                format.equals("jpeg") ? with(plain, 0xfe, SECRETS.getBytes(StandardCharsets.UTF_8)) : withText(plain);
        byte[] longer = java.util.Arrays.copyOf(sent, sent.length + SECRETS.length());
        System.arraycopy(SECRETS.getBytes(StandardCharsets.UTF_8), 0, longer, sent.length, SECRETS.length());

        byte[] bare = BarePicture.of(longer).bytes();
        assertThat(new String(longer, StandardCharsets.ISO_8859_1)).contains(SECRETS);
        assertThat(new String(bare, StandardCharsets.ISO_8859_1)).doesNotContain("market");
        assertThat(pixels(bare)).isEqualTo(pixels(plain));
        assertThat(BarePicture.of(bare).bytes()).as("once is enough").isEqualTo(bare);
    }

    @Test
    void whateverIsWrongWithAFileItComesToAnEnd() throws IOException {
        byte[] whole = photographed(3);
        var random = new Random(11);
        for (int i = 0; i < 2000; i++) {
            byte[] broken = java.util.Arrays.copyOf(whole, 4 + random.nextInt(whole.length - 4));
            for (int n = 0; n < 6; n++) {
                broken[3 + random.nextInt(broken.length - 3)] = (byte) random.nextInt(256);
            }
            assertThat(BarePicture.of(broken).bytes().length).isLessThanOrEqualTo(broken.length + 40);
        }
    }

    private static byte[] drawn(String format) throws IOException {
        var image = new BufferedImage(64, 48, BufferedImage.TYPE_INT_RGB);
        var random = new Random(3);
        for (int y = 0; y < 48; y++) {
            for (int x = 0; x < 64; x++) {
                image.setRGB(x, y, random.nextInt(0xffffff));
            }
        }
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, format, out);
        return out.toByteArray();
    }

    private static int[] pixels(byte[] file) throws IOException {
        var image = ImageIO.read(new ByteArrayInputStream(file));
        return image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
    }

    private static com.drew.metadata.Metadata read(byte[] file) throws Exception {
        return ImageMetadataReader.readMetadata(new ByteArrayInputStream(file));
    }

    /** As a phone writes it: which way is up, when, and where. */
    static byte[] photographed(int orientation) throws IOException {
        var exif = ByteBuffer.allocate(200)
                .put("Exif\0\0MM\0*".getBytes(StandardCharsets.US_ASCII))
                .putInt(8);
        exif.putShort((short) 3);
        entry(exif, 0x0112, 3, 1, orientation << 16);
        entry(exif, 0x8769, 4, 1, 50); // where its times stand
        entry(exif, 0x8825, 4, 1, 90); // where its place stands
        exif.putInt(0);
        exif.position(6 + 50).putShort((short) 1);
        entry(exif, 0x9003, 2, 20, 68);
        exif.putInt(0);
        exif.position(6 + 68).put("2026:11:30 09:12:05\0".getBytes(StandardCharsets.US_ASCII));
        exif.position(6 + 90).putShort((short) 1);
        entry(exif, 0x0001, 2, 2, 'N' << 24);
        exif.putInt(0);
        return with(drawn("jpeg"), 0xe1, exif.array());
    }

    private static void entry(ByteBuffer exif, int tag, int type, int count, int value) {
        exif.putShort((short) tag).putShort((short) type).putInt(count).putInt(value);
    }

    /** With one more segment before all others. */
    private static byte[] with(byte[] jpeg, int marker, byte[] said) {
        return ByteBuffer.allocate(jpeg.length + said.length + 4)
                .put(jpeg, 0, 2)
                .put((byte) 0xff)
                .put((byte) marker)
                .putShort((short) (said.length + 2))
                .put(said)
                .put(jpeg, 2, jpeg.length - 2)
                .array();
    }

    private static byte[] withText(byte[] png) {
        byte[] text = ("tEXtComment\0" + SECRETS).getBytes(StandardCharsets.ISO_8859_1);
        var sum = new CRC32();
        sum.update(text);
        int head = 8 + 25; // the signature and the first chunk
        return ByteBuffer.allocate(png.length + text.length + 8)
                .put(png, 0, head)
                .putInt(text.length - 4)
                .put(text)
                .putInt((int) sum.getValue())
                .put(png, head, png.length - head)
                .array();
    }
}
