package fairkettle.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.awt.image.Raster;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ArtworkTest {

    private static final int SIDE = 48;

    /** One colour all over. @param inks 0 to 255 of each, as they stand in the file */
    private static byte[] jpeg(int... inks) throws IOException {
        var raster = Raster.createInterleavedRaster(0, SIDE, SIDE, inks.length, null);
        for (int y = 0; y < SIDE; y++) {
            for (int x = 0; x < SIDE; x++) {
                raster.setPixel(x, y, inks);
            }
        }
        var out = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (var stream = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(stream);
            writer.write(null, new IIOImage(raster, null, null), null);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }

    /** With the marker that says how the inks are kept. @param transform 0 as they are, 2 as light and differences */
    private static byte[] marked(byte[] jpeg, int transform) {
        byte[] marker = {(byte) 0xFF, (byte) 0xEE, 0, 14, 'A', 'd', 'o', 'b', 'e', 0, 100, 0, 0, 0, 0, (byte) transform
        };
        var out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.writeBytes(marker);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    private static BufferedImage drawn(byte[] file) throws IOException, Photo.Refused {
        return ImageIO.read(new ByteArrayInputStream(Artwork.read(file).drawn()));
    }

    private static void isAbout(int rgb, int red, int green, int blue) {
        assertThat(rgb >> 16 & 255).as("red").isCloseTo(red, within(4));
        assertThat(rgb >> 8 & 255).as("green").isCloseTo(green, within(4));
        assertThat(rgb & 255).as("blue").isCloseTo(blue, within(4));
    }

    @ParameterizedTest
    @CsvSource({
        "255,0,0,0, 0,255,255",
        "0,255,255,0, 255,0,0",
        "0,0,0,255, 0,0,0",
        "0,0,0,0, 255,255,255",
        "0,128,0,128, 127,63,127"
    })
    void aJpegOfFourInksIsPrintedInTheColoursTheyGive(int c, int m, int y, int k, int red, int green, int blue)
            throws Exception {
        var plain = drawn(jpeg(c, m, y, k));
        var bare = drawn(marked(jpeg(255 - c, 255 - m, 255 - y, 255 - k), 0));

        isAbout(plain.getRGB(20, 20), red, green, blue);
        isAbout(bare.getRGB(20, 20), red, green, blue);
    }

    @Test
    void inksThatAreKeptAsLightAndTwoDifferencesAreTheSame() throws Exception {
        // bare of ink (the marker turns them round): Y 255, no difference, black 255
        isAbout(drawn(marked(jpeg(255, 128, 128, 255), 2)).getRGB(20, 20), 255, 255, 255);
        // red light: Y 76, Cb 85, Cr 255
        isAbout(drawn(marked(jpeg(76, 85, 255, 255), 2)).getRGB(20, 20), 254, 0, 0);
    }

    /**
     * A profile of four inks (ICC.1, lut8Type) under which the first ink is a middle grey, any other is black, and none
     * is white.
     */
    private static byte[] profile() {
        int lut = 48 + 4 * 256 + 16 * 3 + 3 * 256;
        var icc = ByteBuffer.allocate(144 + lut);
        icc.putInt(0, icc.capacity()).putInt(8, 0x02400000);
        icc.put(12, ascii("prtrCMYKLab ")).put(36, ascii("acsp"));
        icc.putInt(68, 0xF6D6).putInt(72, 0x10000).putInt(76, 0xD32D); // the light of D50
        icc.putInt(128, 1).put(132, ascii("A2B0")).putInt(136, 144).putInt(140, lut);
        icc.position(144).put(ascii("mft1")).putInt(0).put(new byte[] {4, 3, 2, 0});
        for (int i = 0; i < 9; i++) {
            icc.putInt(i % 4 == 0 ? 0x10000 : 0);
        }
        even(icc, 4);
        for (int corner = 0; corner < 16; corner++) {
            icc.put((byte) (corner == 0 ? 255 : corner == 8 ? 127 : 0))
                    .put((byte) 128)
                    .put((byte) 128);
        }
        even(icc, 3);
        return icc.array();
    }

    private static void even(ByteBuffer icc, int tables) {
        for (int i = 0; i < tables * 256; i++) {
            icc.put((byte) i);
        }
    }

    private static byte[] ascii(String words) {
        return words.getBytes(StandardCharsets.US_ASCII);
    }

    /** A JPEG that carries a profile, or what pretends to be one. */
    private static byte[] carrying(byte[] jpeg, byte[] profile) {
        byte[] head = ascii("ICC_PROFILE\0\1\1");
        int length = 2 + head.length + profile.length;
        var out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.writeBytes(new byte[] {(byte) 0xFF, (byte) 0xE2, (byte) (length >> 8), (byte) length});
        out.writeBytes(head);
        out.writeBytes(profile);
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    @Test
    void itsProfileSaysWhatItsInksLookLike() throws Exception {
        var grey = drawn(carrying(jpeg(255, 0, 0, 0), profile()));
        var bare = drawn(carrying(jpeg(0, 0, 0, 0), profile()));

        isAbout(grey.getRGB(20, 20), 119, 119, 119); // L* 50 in sRGB
        isAbout(bare.getRGB(20, 20), 255, 255, 255);
    }

    /** A file whose profile is damaged is printed as one without, not refused. */
    @Test
    void aProfileThatCannotBeReadIsLeftOut() throws Exception {
        var jpeg = jpeg(0, 255, 255, 0);
        isAbout(drawn(carrying(jpeg, ascii("nonsense!"))).getRGB(20, 20), 255, 0, 0);
    }

    @Test
    void whatItAsksOfTheInksIsWhatItShows() throws Exception {
        var cyan = Artwork.read(jpeg(255, 0, 0, 0));

        assertThat(cyan.transparent()).isFalse();
        assertThat(cyan.asked().tones().toString()).contains("C");
        assertThat(cyan.width()).isEqualTo(SIDE);
        assertThat(cyan.small()).isNotEmpty();
    }

    @Test
    void aPlainJpegIsPrintedAsItCame() throws Exception {
        var image = new BufferedImage(8, 8, BufferedImage.TYPE_INT_RGB);
        var out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpeg", out);

        assertThat(Artwork.read(out.toByteArray()).drawn()).isEmpty();
    }

    @Test
    void aDamagedOneSaysWhatToDo() throws Exception {
        var whole = jpeg(255, 0, 0, 0);
        var half = Arrays.copyOf(whole, 40);

        assertThatThrownBy(() -> Artwork.read(half)).isInstanceOf(Photo.Refused.class);
    }
}
