package fairkettle.imaging;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import org.junit.jupiter.api.Test;

/** What a JPEG may have swallowed is read from the file's own tables. */
class JpegLossTest {

    private static final double[] BLACK = {150, 150, 150};
    private static final double[] YELLOW = {10, 18, 110};

    @Test
    void theCoarserTheFileTheMoreInkIsNeededToLeaveATrace() throws IOException {
        var fine = JpegLoss.of(jpeg(.95f)).orElseThrow();
        var coarse = JpegLoss.of(jpeg(.3f)).orElseThrow();
        assertThat(coarse.vanishing(BLACK, 1.5)).isGreaterThan(2 * fine.vanishing(BLACK, 1.5));
        assertThat(fine.vanishing(BLACK, 1.5)).isLessThan(.1);
    }

    @Test
    void yellowVanishesFirstAndThinLinesBeforeThickOnes() throws IOException {
        var loss = JpegLoss.of(jpeg(.6f)).orElseThrow();
        assertThat(loss.vanishing(YELLOW, 1)).isGreaterThan(loss.vanishing(BLACK, 1));
        assertThat(loss.vanishing(YELLOW, .6)).isGreaterThanOrEqualTo(loss.vanishing(YELLOW, 2));
        assertThat(loss.vanishing(new double[] {0, 0, 0}, 1))
                .as("nothing leaves nothing")
                .isEqualTo(1);
    }

    @Test
    void colourThatIsSharedByFourPixelsIsSeenInTheFile() throws IOException {
        var loss = JpegLoss.of(jpeg(.8f)).orElseThrow();
        assertThat(loss.across()).isEqualTo(2);
        assertThat(loss.down()).isEqualTo(2);
        assertThat(JpegLoss.of(new byte[] {(byte) 0xff, (byte) 0xd8, 1, 2, 3})).isEmpty();
    }

    private static byte[] jpeg(float quality) throws IOException {
        var out = new ByteArrayOutputStream();
        var writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (var to = ImageIO.createImageOutputStream(out)) {
            writer.setOutput(to);
            var how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(quality);
            writer.write(null, new IIOImage(new BufferedImage(64, 64, BufferedImage.TYPE_INT_RGB), null, null), how);
        } finally {
            writer.dispose();
        }
        return out.toByteArray();
    }
}
