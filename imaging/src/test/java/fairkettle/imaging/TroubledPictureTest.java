package fairkettle.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.check.Look;
import fairkettle.imaging.SheetReader.Known;
import fairkettle.imaging.SheetReader.Result;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.sheet.Page;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.Page.Part;
import fairkettle.sheet.Shape;
import fairkettle.sheet.SheetKind;
import fairkettle.sheet.Sheets;
import fairkettle.standin.Snapshot.With;
import fairkettle.standin.Standins;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What a picture does not show is never told as missing; a sheet that is not flat is read right or not at all. */
class TroubledPictureTest {

    private static final Instant AT = Instant.parse("2026-11-20T08:00:00Z");
    private static final double MM = 200 / 25.4; // pixels of the scanner's pictures
    private static final Profile PROFILE = Profiles.named("wide-tank");

    private final Standins bench = bench();

    TroubledPictureTest() throws IOException {}

    @AfterEach
    void stop() {
        bench.close();
    }

    @ParameterizedTest
    @CsvSource({"0, 2.5", "1.5, 0", "-2.2, 1", "1, -1.8"})
    void aBowedHealthSheetIsReadInItsOwnRows(double alongFeed, double across) throws Exception {
        var flat = healthSheet("M", 0, 1, 24, 59);
        var read = readOf(bowed(flat, across * MM, alongFeed * MM));
        assertThat(of(read, "M").missing()).containsExactly(0, 1, 24, 59);
        assertThat(of(read, "C").missing()).isEmpty();
        assertThat(of(read, "K").missing()).isEmpty();
    }

    @Test
    void whereTheMarksBesideAStairAreGoneItsOwnEndsTell() throws Exception {
        var flat = healthSheet("M", 30, 31, 58);
        withoutMarks(flat);
        var read = readOf(bowed(flat, 0, 1.2 * MM));
        assertThat(of(read, "M").missing()).containsExactly(30, 31, 58);
        assertThat(of(read, "K").missing()).isEmpty();
    }

    @Test
    void aBlockWithoutEndsAndWithoutMarksIsNotGuessed() throws Exception {
        int rows = stair("M").rows();
        var first = List.of(0, rows, 2 * rows, 3 * rows); // the uppermost stroke of every column
        var flat = healthSheet("M", first.toArray(Integer[]::new));
        withoutMarks(flat);
        var magenta = of(readOf(flat), "M");
        assertThat(magenta.unreadable() != null && magenta.unreadable().contains("in which row")
                        || magenta.missing().equals(first))
                .as("%s", magenta)
                .isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"left", "right", "top", "bottom"})
    void whatIsCutOffIsNotMissing(String side) throws Exception {
        var picture = healthSheet("C");
        int w = picture.getWidth();
        int h = picture.getHeight();
        var cut = switch (side) {
            case "left" -> picture.getSubimage((int) (50 * MM), 0, w - (int) (50 * MM), h);
            case "right" -> picture.getSubimage(0, 0, (int) (112 * MM), h);
            case "top" -> picture.getSubimage(0, (int) (60 * MM), w, h - (int) (60 * MM));
            default -> picture.getSubimage(0, 0, w, h - (int) (70 * MM));
        };
        switch (read(copy(cut))) {
            case Result.Read read -> {
                assertThat(read.looks()).allSatisfy(l -> assertThat(l.missing()).isEmpty());
                assertThat(read.looks())
                        .filteredOn(l -> l.solid() != null)
                        .allSatisfy(l -> assertThat(l.solid().says()).isNull());
                assertThat(read.doubts()).isNotEmpty();
            }
            case Result.Unread unread -> assertThat(unread.why()).containsAnyOf("cut off", "outside the picture");
        }
    }

    @Test
    void whatLiesUnderAFingerIsSaidToBeSo() throws Exception {
        var picture = healthSheet("C");
        var stair = stair("C");
        blot(picture, stair.x() + 6, stair.y() + 6, 9, 9, new Color(196, 160, 140));
        var read = readOf(picture);
        var cyan = of(read, "C");
        assertThat(cyan.missing()).isEmpty();
        assertThat(cyan.unreadable()).contains("Cyan lies under something");
        assertThat(of(read, "K").readable()).isTrue();
    }

    @Test
    void aFingersTipOverAFewStrokesLeavesTheOthersJudged() throws Exception {
        var picture = healthSheet("C", 30);
        var stair = stair("C");
        double right = stair.x() + 3 * stair.apart() + stair.length();
        blot(picture, right + 3, stair.y() + stair.rows() - 2, 6, 5, new Color(196, 160, 140));
        var read = readOf(picture);
        var cyan = of(read, "C");
        assertThat(cyan.missing()).containsExactly(30);
        assertThat(cyan.unseen()).isNotEmpty().isSubsetOf(cyan.unsure());
        assertThat(cyan.whollySeen()).isFalse();
        assertThat(read.doubts()).anyMatch(d -> d.contains("Not seen is not missing") && d.contains("cyan"));
    }

    @Test
    void glareHidesAndIsNamed() throws Exception {
        var picture = healthSheet("C");
        var stair = stair("C");
        blot(picture, stair.x() + 12, stair.y() + 8, 16, 12, Color.WHITE);
        assertThat(of(readOf(picture), "C").unreadable()).contains("glare");
    }

    @Test
    void whereNoStrokeCanBeReadTheFullAreasStillTell() throws Exception {
        var picture = healthSheet("C");
        var first = stair(first());
        double right = first.x() + 3 * first.apart() + first.length();
        for (int y = 0; y < picture.getHeight(); y++) { // every stroke washed out, and nothing else
            double my = y / MM - LID;
            for (int x = (int) ((first.x() - 1 + LID) * MM); x < (right + 1 + LID) * MM; x++) {
                if (my > 38 && my < 262) {
                    picture.setRGB(x, y, bareOf(picture));
                }
            }
        }
        var read = readOf(picture);
        assertThat(read.looks()).allMatch(l -> l.solid() != null);
        assertThat(read.looks()).allMatch(l -> !l.readable() || l.missing().size() == l.strokes());
    }

    private static String first() {
        return page(SheetKind.HEALTH).parts().stream()
                .filter(Part.Stair.class::isInstance)
                .map(p -> ((Part.Stair) p).channel().code())
                .findFirst()
                .orElseThrow();
    }

    private static int bareOf(BufferedImage image) {
        return image.getRGB((int) ((LID + 14) * MM), (int) ((LID + 60) * MM));
    }

    @Test
    void aThinnerLayerAndABarePartAreTheSameLossOfInk() throws Exception {
        var flat = healthSheet("C");
        var cyan = bar("C");
        var magenta = bar("M");
        for (int y = 0; y < flat.getHeight(); y++) {
            for (int x = 0; x < flat.getWidth(); x++) {
                double mx = x / MM - LID;
                double my = y / MM - LID;
                if (inside(cyan, mx, my)) {
                    double loss = .15 * (my - cyan.y()) / cyan.height();
                    flat.setRGB(x, y, ink(v -> Math.pow(v, 1 - loss), .07, .46, .74));
                } else if (inside(magenta, mx, my)) {
                    double loss = .15 * (my - magenta.y()) / magenta.height();
                    flat.setRGB(x, y, ink(v -> v * (1 - loss) + loss, .62, .08, .34));
                }
            }
        }
        var read = readOf(flat);
        assertThat(of(read, "C").solid().fade()).isCloseTo(.15, within(.04));
        assertThat(of(read, "M").solid().fade()).isCloseTo(.15, within(.04));
    }

    @Test
    void anOlderSheetOfTheSameNumberIsKnownAsOld() throws Exception {
        var photo = Photo.of(healthSheet("C"));
        var known = new Known(SheetKind.HEALTH, AT.plusSeconds(86_400), page(SheetKind.HEALTH), PROFILE, Map.of());
        assertThat(why(photo, known)).contains("older");
    }

    @Test
    void anotherKindUnderTheSameNumberIsNamed() throws Exception {
        var photo = Photo.of(healthSheet("C"));
        var known = new Known(SheetKind.FRAME, AT, page(SheetKind.FRAME), PROFILE, Map.of());
        assertThat(why(photo, known)).contains("health sheet", "reading frame");
    }

    @Test
    void twoSheetsAreBothReadAndTwoCopiesNeither() throws Exception {
        bench.machine("Sorrel").clog("M", List.of(4));
        var first = frameWithStrip(34);
        bench.machine("Sorrel").clog("M", List.of(9, 50));
        var second = frameWithStrip(35);
        var results = SheetReader.read(Photo.of(under(first, second)), code -> Optional.of(known(code.sheet())));
        assertThat(results).hasSize(2);
        assertThat(results)
                .extracting(r -> of((Result.Read) r, "M").missing())
                .containsExactlyInAnyOrder(List.of(4), List.of(9, 50));
        assertThat(why(Photo.of(under(first, first)), known(34))).contains("Two copies");
    }

    // ---- pictures ----------------------------------------------------------------------------------------------

    private static final double LID = 4; // mm of the scanner's lid around a sheet

    private static Standins bench() throws IOException {
        var bench = Standins.start(List.of(new Standins.Wanted("Sorrel", PROFILE, false)), 3, 0, Clock.systemUTC(), 1);
        PROFILE.codes().forEach(c -> bench.machine("Sorrel").clog(c.code(), List.of()));
        PROFILE.codes().forEach(c -> bench.machine("Sorrel").level(c.code(), 40));
        return bench;
    }

    /** As a scanner sees it, with a rim of its lid. */
    private static BufferedImage healthSheet(String channel, Integer... missing) throws IOException {
        BufferedImage sheet;
        try (var document = Loader.loadPDF(SheetPdf.of("health", List.of(page(SheetKind.HEALTH))))) {
            sheet = new PDFRenderer(document).renderImageWithDPI(0, 200, ImageType.RGB);
        }
        int rim = (int) Math.round(LID * MM);
        var picture =
                new BufferedImage(sheet.getWidth() + 2 * rim, sheet.getHeight() + 2 * rim, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < picture.getHeight(); y++) {
            for (int x = 0; x < picture.getWidth(); x++) {
                boolean lid = x < rim || y < rim || x >= rim + sheet.getWidth() || y >= rim + sheet.getHeight();
                picture.setRGB(x, y, lid ? 0xe8e8ea : each(sheet.getRGB(x - rim, y - rim), v -> .02 + .8 * v));
            }
        }
        var stair = stair(channel);
        for (int stroke : missing) {
            double x = stair.x() + stroke / stair.rows() * stair.apart() + stair.length() / 2;
            double y = stair.y() + stroke / stair.rows() * stair.step() + stroke % stair.rows() * stair.pitch() + .07;
            blot(picture, x, y, 4.2, .4, null);
        }
        return picture;
    }

    private static void withoutMarks(BufferedImage sheet) {
        for (var shape : page(SheetKind.HEALTH).shapes()) {
            if (shape instanceof Shape.Dot dot && dot.diameter() < 3) {
                blot(sheet, dot.x(), dot.y(), 1.8, 1.8, null);
            }
        }
    }

    private BufferedImage frameWithStrip(long sheet) throws IOException {
        bench.print("Sorrel", SheetPdf.of("frame", List.of(page(SheetKind.FRAME, sheet))));
        return ImageIO.read(new ByteArrayInputStream(bench.pictureOfCheck("Sorrel", false, With.SCANNER, 4)));
    }

    private static BufferedImage under(BufferedImage upper, BufferedImage lower) {
        var both = new BufferedImage(
                Math.max(upper.getWidth(), lower.getWidth()),
                upper.getHeight() + lower.getHeight(),
                BufferedImage.TYPE_INT_RGB);
        both.getGraphics().drawImage(upper, 0, 0, null);
        both.getGraphics().drawImage(lower, 0, upper.getHeight(), null);
        return both;
    }

    private static BufferedImage copy(BufferedImage part) {
        var out = new BufferedImage(part.getWidth(), part.getHeight(), BufferedImage.TYPE_INT_RGB);
        out.getGraphics().drawImage(part, 0, 0, null);
        return out;
    }

    /** A dome seen from aside: what is lifted slips, most in the middle. */
    private static BufferedImage bowed(BufferedImage flat, double dx, double dy) {
        var out = new BufferedImage(flat.getWidth(), flat.getHeight(), BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < flat.getHeight(); y++) {
            for (int x = 0; x < flat.getWidth(); x++) {
                double lift = Math.cos(Math.PI * ((double) x / flat.getWidth() - .5))
                        * Math.cos(Math.PI * ((double) y / flat.getHeight() - .5));
                out.setRGB(x, y, between(flat, x - dx * lift, y - dy * lift));
            }
        }
        return out;
    }

    private static int between(BufferedImage image, double x, double y) {
        int ix = Math.clamp((int) Math.floor(x), 0, image.getWidth() - 2);
        int iy = Math.clamp((int) Math.floor(y), 0, image.getHeight() - 2);
        double fx = Math.clamp(x - ix, 0, 1);
        double fy = Math.clamp(y - iy, 0, 1);
        int rgb = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            double top =
                    (image.getRGB(ix, iy) >> shift & 255) * (1 - fx) + (image.getRGB(ix + 1, iy) >> shift & 255) * fx;
            double low = (image.getRGB(ix, iy + 1) >> shift & 255) * (1 - fx)
                    + (image.getRGB(ix + 1, iy + 1) >> shift & 255) * fx;
            rgb |= (int) Math.round(top * (1 - fy) + low * fy) << shift;
        }
        return rgb;
    }

    /** Something oval on the sheet, middle and half axes in mm; bare paper where no colour is given. */
    private static void blot(BufferedImage image, double mx, double my, double rx, double ry, @Nullable Color colour) {
        int paper = bareOf(image);
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                double dx = (x / MM - LID - mx) / rx;
                double dy = (y / MM - LID - my) / ry;
                if (dx * dx + dy * dy < 1) {
                    image.setRGB(x, y, colour == null ? paper : colour.getRGB());
                }
            }
        }
    }

    /** @param rgb light that a full layer lets through, of that of its paper */
    private static int ink(DoubleUnaryOperator part, double... rgb) {
        int out = 0;
        for (double through : rgb) {
            out = out << 8 | (int) Math.round(255 * Math.pow(.82 * part.applyAsDouble(through), 1 / 2.2));
        }
        return out;
    }

    private static int each(int rgb, DoubleUnaryOperator of) {
        int out = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            double light = Math.pow((rgb >> shift & 255) / 255.0, 2.2);
            out |= (int) Math.round(255 * Math.pow(of.applyAsDouble(light), 1 / 2.2)) << shift;
        }
        return out;
    }

    // ---- what is known -----------------------------------------------------------------------------------------

    private static Page page(SheetKind kind) {
        return page(kind, 34);
    }

    private static Page page(SheetKind kind, long sheet) {
        return Sheets.of(kind, PROFILE, new Sheets.Made(12, "Sorrel", sheet, AT, "20 Nov", Paper.A4), Family.MAKERS_DYE)
                .pages()
                .getFirst();
    }

    private static Known known(long sheet) {
        return new Known(SheetKind.FRAME, AT, page(SheetKind.FRAME, sheet), PROFILE, Map.of());
    }

    private static Part.Stair stair(String code) {
        return page(SheetKind.HEALTH).parts().stream()
                .filter(p -> p instanceof Part.Stair s && s.channel().code().equals(code))
                .map(Part.Stair.class::cast)
                .findFirst()
                .orElseThrow();
    }

    private static Part.Bar bar(String code) {
        return page(SheetKind.HEALTH).parts().stream()
                .filter(p -> p instanceof Part.Bar b && b.channel().code().equals(code))
                .map(Part.Bar.class::cast)
                .findFirst()
                .orElseThrow();
    }

    private static boolean inside(Part.Bar bar, double x, double y) {
        return x > bar.x() && x < bar.x() + bar.width() && y > bar.y() && y < bar.y() + bar.height();
    }

    private static Result read(BufferedImage picture) {
        var known = new Known(SheetKind.HEALTH, AT, page(SheetKind.HEALTH), PROFILE, Map.of());
        return SheetReader.read(Photo.of(picture), _ -> Optional.of(known)).getFirst();
    }

    private static Result.Read readOf(BufferedImage picture) {
        var result = read(picture);
        assertThat(result).isInstanceOf(Result.Read.class);
        return (Result.Read) result;
    }

    private static String why(Photo photo, Known known) {
        return ((Result.Unread) SheetReader.read(photo, _ -> Optional.of(known)).getFirst()).why();
    }

    private static Look of(Result.Read read, String code) {
        return read.looks().stream()
                .filter(l -> l.channel().equals(ChannelCode.of(code)))
                .findFirst()
                .orElseThrow();
    }
}
