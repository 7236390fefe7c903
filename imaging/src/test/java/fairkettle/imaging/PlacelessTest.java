package fairkettle.imaging;

import static org.assertj.core.api.Assertions.assertThat;

import com.drew.imaging.ImageMetadataReader;
import com.drew.metadata.exif.GpsDirectory;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Scans and papers keep their pixels and lose their place. */
class PlacelessTest {

    private static final int ENTRY = 12;

    @Test
    void aTiffLosesItsPlaceAndNoPixel() throws Exception {
        byte[] plain = drawn("tiff");
        byte[] sent = placed(plain);
        assertThat(place(sent)).isNotNull();

        byte[] bare = BarePicture.of(sent).bytes();
        assertThat(place(bare)).isNull();
        assertThat(bare).hasSameSizeAs(sent);
        assertThat(pixels(bare)).isEqualTo(pixels(plain));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<rdf:Description exif:GPSLatitude=\"51,30.5N\" exif:GPSLongitude=\"0,7.6W\" tiff:Make=\"x\"/>",
                "<exif:GPSLatitude>51,30.5N</exif:GPSLatitude><exif:GPSLongitude>0,7.6W</exif:GPSLongitude>"
            })
    void whatItSaysInWordsIsWrittenOver(String words) throws Exception {
        byte[] plain = drawn("tiff");
        byte[] sent = Arrays.copyOf(plain, plain.length + words.length());
        System.arraycopy(words.getBytes(StandardCharsets.US_ASCII), 0, sent, plain.length, words.length());
        var bare = BarePicture.of(sent).bytes();
        assertThat(new String(bare, StandardCharsets.ISO_8859_1))
                .contains("exif:GPSLatitude")
                .doesNotContain("51,30.5N", "0,7.6W");
        assertThat(pixels(bare)).isEqualTo(pixels(plain));
    }

    @Test
    void aPhotoInAPdfLosesItsPlaceAndThePaperStaysWhole() throws Exception {
        byte[] photo = BarePictureTest.photographed(1);
        byte[] sent = pdf(photo);
        assertThat(place(embedded(sent)))
                .as("it is in the paper as it was taken")
                .isNotNull();

        byte[] bare = BarePicture.of(sent).bytes();
        assertThat(place(embedded(bare))).isNull();
        assertThat(pixels(embedded(bare))).isEqualTo(pixels(photo));
    }

    @Test
    void directoriesThatLeadToThemselvesOrNowhereEnd() throws IOException {
        byte[] circle = drawn("tiff");
        var file = ByteBuffer.wrap(circle).order(order(circle));
        int first = file.getInt(4);
        int next = first + 2 + ENTRY * file.getShort(first);
        file.putInt(next, first);
        assertThat(Placeless.of(circle, Photo.Format.TIFF)).hasSameSizeAs(circle);
        file.putInt(next, Integer.MAX_VALUE);
        assertThat(Placeless.of(circle, Photo.Format.TIFF)).isEqualTo(circle);
    }

    /** Each of them is quick only if what is claimed many times is done once. */
    @ParameterizedTest
    @Timeout(20)
    @ValueSource(strings = {"exif:GPSa", "exif:GPSa = ", "\u00ff\u00e1\u00ff\u00ffExif\0\0", "exif:GPSa=\""})
    void aFileThatIsFullOfItHoldsUpNobody(String piece) throws IOException {
        byte[] tiff = drawn("tiff");
        byte[] full = Arrays.copyOf(tiff, 20_000_000);
        byte[] pieces = piece.repeat(20_000_000 / piece.length()).getBytes(StandardCharsets.ISO_8859_1);
        System.arraycopy(pieces, 0, full, tiff.length, Math.min(pieces.length, full.length - tiff.length));
        assertThat(Placeless.of(full, Photo.Format.TIFF)).hasSameSizeAs(full);
    }

    @Test
    @Timeout(20)
    void entriesThatAllClaimTheWholeFileHoldUpNobody() {
        int entries = 65_000;
        byte[] file = new byte[20_000_000];
        var all = ByteBuffer.wrap(file).put("II*\0".getBytes(StandardCharsets.US_ASCII));
        all.order(ByteOrder.LITTLE_ENDIAN).putInt(8);
        all.putShort((short) 1);
        entry(all, 34853, 4, 1, 40);
        all.position(40).putShort((short) entries);
        for (int i = 0; i < entries; i++) {
            entry(all, 2, 5, 2_500_000, 1_000_000);
        }
        assertThat(Placeless.of(file, Photo.Format.TIFF)).hasSameSizeAs(file);
    }

    /** With one more entry, which leads to a directory of where it was taken. */
    private static byte[] placed(byte[] tiff) {
        var file = ByteBuffer.wrap(tiff).order(order(tiff));
        int first = file.getInt(4);
        int entries = file.getShort(first);
        int moved = tiff.length + tiff.length % 2;
        int place = moved + 2 + ENTRY * (entries + 1) + 4;
        int latitude = place + 2 + 4 * ENTRY + 4;
        int longitude = latitude + 24;
        var all = ByteBuffer.allocate(longitude + 24).order(file.order());
        all.put(tiff).putInt(4, moved);
        all.position(moved).putShort((short) (entries + 1)).put(tiff, first + 2, ENTRY * entries);
        entry(all, 34853, 4, 1, place);
        all.putInt(0);
        all.putShort((short) 4);
        entry(all, 1, 2, 2, all.order() == ByteOrder.BIG_ENDIAN ? 'N' << 24 : 'N');
        entry(all, 2, 5, 3, latitude);
        entry(all, 3, 2, 2, all.order() == ByteOrder.BIG_ENDIAN ? 'W' << 24 : 'W');
        entry(all, 4, 5, 3, longitude);
        all.putInt(0);
        for (int value : new int[] {51, 1, 30, 1, 5, 1, 0, 1, 7, 1, 6, 1}) {
            all.putInt(value);
        }
        return all.array();
    }

    private static void entry(ByteBuffer file, int tag, int type, int count, int value) {
        file.putShort((short) tag).putShort((short) type).putInt(count).putInt(value);
    }

    private static ByteOrder order(byte[] tiff) {
        return tiff[0] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
    }

    private static Object place(byte[] file) throws Exception {
        var found = ImageMetadataReader.readMetadata(new ByteArrayInputStream(file))
                .getFirstDirectoryOfType(GpsDirectory.class);
        return found == null || found.getTagCount() == 0 ? null : found;
    }

    private static byte[] pdf(byte[] photo) throws IOException {
        try (var paper = new PDDocument();
                var out = new ByteArrayOutputStream()) {
            var page = new PDPage();
            paper.addPage(page);
            var picture = JPEGFactory.createFromByteArray(paper, photo);
            try (var content = new PDPageContentStream(paper, page)) {
                content.drawImage(picture, 0, 0);
            }
            paper.save(out);
            return out.toByteArray();
        }
    }

    private static byte[] embedded(byte[] pdf) throws IOException {
        try (var paper = Loader.loadPDF(pdf)) {
            var resources = paper.getPage(0).getResources();
            var name = resources.getXObjectNames().iterator().next();
            try (var raw = resources.getXObject(name).getCOSObject().createRawInputStream()) {
                return raw.readAllBytes();
            }
        }
    }

    private static byte[] drawn(String format) throws IOException {
        var picture = new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 30; y++) {
            for (int x = 0; x < 40; x++) {
                picture.setRGB(x, y, 0x10101 * ((x * 7 + y * 13) % 256));
            }
        }
        var out = new ByteArrayOutputStream();
        assertThat(ImageIO.write(picture, format, out)).isTrue();
        return out.toByteArray();
    }

    private static int[] pixels(byte[] file) throws IOException {
        var picture = ImageIO.read(new ByteArrayInputStream(file));
        return picture.getRGB(0, 0, picture.getWidth(), picture.getHeight(), null, 0, picture.getWidth());
    }
}
