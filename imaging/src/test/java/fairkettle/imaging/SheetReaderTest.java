package fairkettle.imaging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.check.Look;
import fairkettle.imaging.SheetReader.Known;
import fairkettle.imaging.SheetReader.Result;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.sheet.Page;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.Page.Part;
import fairkettle.sheet.Shape;
import fairkettle.sheet.SheetCode;
import fairkettle.sheet.SheetKind;
import fairkettle.sheet.Sheets;
import fairkettle.standin.Snapshot.With;
import fairkettle.standin.Standins;
import fairkettle.standin.machine.Act;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pictures of a simulated bench are read back to what is known to be missing, or refused with words that help. */
class SheetReaderTest {

    private Standins bench;

    @AfterEach
    void stop() {
        if (bench != null) {
            bench.close();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "small-tank, PHONE",
        "wide-tank, PHONE",
        "six-ink-tank, SCANNER",
        "snap-in-head, PHONE",
        "film-dual-head, SCANNER"
    })
    void theStripInTheFrameIsReadStrokeByStroke(String id, With with) throws Exception {
        var profile = Profiles.named(id);
        var page = frame(profile, SheetKind.FRAME);
        bench(profile, page).machine("Sorrel").clog("M", List.of(3, 4, 40));
        bench.machine("Sorrel").clog("C", List.of());
        bench.machine("Sorrel").clog("Y", List.of(0, 20, 58));
        var read = (Result.Read) read(bench.pictureOfCheck("Sorrel", false, with, 7), known(page, profile));
        assertThat(of(read, "M").missing()).containsExactly(3, 4, 40);
        assertThat(of(read, "C").missing()).isEmpty();
        assertThat(of(read, "Y").missing()).containsExactly(0, 20, 58);
        assertThat(read.code().orElseThrow().machine()).isEqualTo(12);
        assertThat(read.doubts()).isEmpty();
    }

    @Test
    void turnedAnyWayItReadsTheSame() throws Exception {
        var profile = Profiles.named("wide-tank");
        var page = frame(profile, SheetKind.FRAME);
        bench(profile, page).machine("Sorrel").clog("K", List.of(17, 90));
        var upright = ImageIO.read(new ByteArrayInputStream(bench.pictureOfCheck("Sorrel", false, With.PHONE, 3)));
        var picture = upright;
        for (int quarter = 0; quarter < 4; quarter++) {
            var read = (Result.Read) read(Photo.of(picture), known(page, profile));
            assertThat(of(read, "K").missing()).as("%d quarters", quarter).containsExactly(17, 90);
            picture = turned(picture);
        }
    }

    @Test
    void whiteIsReadOnDarkAndColourThereIsNot() throws Exception {
        var profile = Profiles.named("film-rebuilt");
        var page = frame(profile, SheetKind.DARK_FRAME);
        bench(profile, page).machine("Sorrel").clog("W1", List.of(8, 31));
        bench.machine("Sorrel").clog("W2", List.of());
        var read = (Result.Read) read(bench.pictureOfCheck("Sorrel", true, With.PHONE, 5), known(page, profile));
        assertThat(of(read, "W1").missing()).containsExactly(8, 31);
        assertThat(of(read, "W2").missing()).isEmpty();
        assertThat(of(read, "C").unreadable()).contains("white frame");
    }

    @Test
    void aWholeChannelThatIsGoneIsGoneAndNotItsNeighbour() throws Exception {
        var profile = Profiles.named("wide-tank");
        var page = frame(profile, SheetKind.FRAME);
        bench(profile, page).machine("Sorrel").kill("K", 0, 180);
        bench.machine("Sorrel").clog("C", List.of(5));
        var read = (Result.Read) read(bench.pictureOfCheck("Sorrel", false, With.PHONE, 9), known(page, profile));
        assertThat(of(read, "K").missing()).hasSize(180);
        assertThat(of(read, "C").missing()).containsExactly(5);
    }

    @Test
    void aStarvedChannelFadesDownThePurgeSheet() throws Exception {
        var profile = Profiles.named("wide-tank");
        var page = Sheets.purge(
                        profile,
                        made(),
                        Map.of(
                                ChannelCode.of("C"),
                                Millilitres.parse("0.6"),
                                ChannelCode.of("M"),
                                Millilitres.parse("0.3")))
                .pages()
                .getFirst();
        var sorrel = bench(profile, frame(profile, SheetKind.FRAME)).machine("Sorrel");
        sorrel.load("C", .85); // its filter lets little through: once what the damper holds is used up, it starves
        Result.Read read;
        int sheets = 0;
        do {
            bench.print("Sorrel", SheetPdf.of("purge", List.of(page)));
            read = (Result.Read) read(bench.pictureOfPage("Sorrel", With.SCANNER, 4), known(page, profile));
        } while (of(read, "C").solid().fade() <= .1 && ++sheets < 8);
        assertThat(of(read, "C").solid().fade()).isGreaterThan(.1);
        assertThat(of(read, "C").solid().says()).contains("starved");
        assertThat(of(read, "M").solid().fade()).isCloseTo(0, within(.05));
    }

    @Test
    void theHealthSheetShowsInkThatDoesNotBelong() throws Exception {
        var profile = Profiles.named("wide-tank");
        var page = Sheets.of(SheetKind.HEALTH, profile, made(), Family.MAKERS_DYE)
                .pages()
                .getFirst();
        bench(profile, page);
        var clean = ((Result.Read) read(bench.pictureOfPage("Sorrel", With.SCANNER, 4), known(page, profile))).looks();
        var tints = clean.stream()
                .collect(Collectors.toMap(Look::channel, l -> l.solid().tint()));
        assertThat(clean)
                .allMatch(l -> l.solid().foreign() < .1 && Math.abs(l.solid().fade()) < .05);
        bench.machine("Sorrel").take(new Act.WrongInk("Y", 12));
        bench.print("Sorrel", SheetPdf.of("health", List.of(page)));
        var read = (Result.Read) read(bench.pictureOfPage("Sorrel", With.SCANNER, 4), known(page, profile, tints));
        assertThat(of(read, "Y").solid().foreign()).isGreaterThan(.1);
        assertThat(of(read, "M").solid().foreign()).isLessThan(.1);
    }

    @Test
    void aWhiteSheetOnDarkCardIsReadInverted() throws Exception {
        var profile = Profiles.named("film-rebuilt");
        var page = Sheets.of(SheetKind.WHITE_HEALTH, profile, made(), Family.FILM)
                .pages()
                .getFirst();
        BufferedImage printed;
        try (var document = Loader.loadPDF(SheetPdf.of("white", List.of(page)))) {
            printed = new PDFRenderer(document).renderImageWithDPI(0, 200);
        }
        // clear film on dark card: what the separation shows as pale grey is white ink, and it fades towards the bottom
        // in W2
        var bar = page.parts().stream()
                .filter(Part.Bar.class::isInstance)
                .map(Part.Bar.class::cast)
                .filter(b -> b.channel().code().equals("W2"))
                .findFirst()
                .orElseThrow();
        var card = new BufferedImage(printed.getWidth() + 80, printed.getHeight() + 80, BufferedImage.TYPE_INT_RGB);
        double mm = 200 / 25.4;
        for (int y = 0; y < card.getHeight(); y++) {
            for (int x = 0; x < card.getWidth(); x++) {
                int px = x - 40;
                int py = y - 40;
                boolean inside = px >= 0 && py >= 0 && px < printed.getWidth() && py < printed.getHeight();
                double ink = inside ? Math.clamp((255 - (printed.getRGB(px, py) & 255)) / 36.0, 0, 1) : 0;
                boolean fading = px / mm > bar.x()
                        && px / mm < bar.x() + bar.width()
                        && py / mm > bar.y()
                        && py / mm < bar.y() + bar.height();
                if (fading) {
                    ink *= 1 - .3 * (py / mm - bar.y()) / bar.height();
                }
                double light = .05 + .8 * ink;
                int level = (int) (255 * Math.pow(light, 1 / 2.2));
                card.setRGB(x, y, level << 16 | level << 8 | level);
            }
        }
        var read = (Result.Read) read(Photo.of(card), known(page, profile));
        assertThat(of(read, "W1").solid().fade()).isCloseTo(0, within(.03));
        assertThat(of(read, "W2").solid().fade()).isCloseTo(.3, within(.04));
        assertThat(of(read, "W1").missing()).isEmpty();
    }

    @Test
    void anotherMachinesStripIsNotBelieved() throws Exception {
        var small = Profiles.named("small-tank");
        var page = frame(small, SheetKind.FRAME);
        bench(Profiles.named("wide-tank"), page);
        var result = read(bench.pictureOfCheck("Sorrel", false, With.PHONE, 2), known(page, small));
        if (result instanceof Result.Read read) {
            assertThat(read.doubts()).isNotEmpty();
        } else {
            assertThat(((Result.Unread) result).why()).contains("of this machine");
        }
    }

    @Test
    void anEmptyFrameAndAStrangePictureAreRefusedInWords() throws Exception {
        var profile = Profiles.named("small-tank");
        var page = frame(profile, SheetKind.FRAME);
        bench(profile, page);
        assertThat(((Result.Unread) read(bench.pictureOfPage("Sorrel", With.PHONE, 1), known(page, profile))).why())
                .contains("No pattern of this machine");
        var grey = new BufferedImage(800, 600, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < 800 * 600; i++) {
            grey.setRGB(i % 800, i / 800, i / 40 % 2 == 0 ? 0xb0b0b0 : 0x606060);
        }
        assertThat(why(Photo.of(grey), Optional.empty())).contains("No mark of ours");
        var night = new BufferedImage(800, 600, BufferedImage.TYPE_INT_RGB);
        assertThat(why(Photo.of(night), Optional.empty())).contains("too dark");
        assertThat(why(Photo.decode(bench.pictureOfPage("Sorrel", With.PHONE, 1)), Optional.empty()))
                .contains("not made by this shop");
    }

    @Test
    void withoutMarksFourTappedCornersDo() throws Exception {
        var profile = Profiles.named("wide-tank");
        bench = Standins.start(List.of(new Standins.Wanted("Sorrel", profile, false)), 3, 0, Clock.systemUTC(), 1);
        bench.machine("Sorrel").clog("M", List.of(12, 99));
        var photo = Photo.of(
                ImageIO.read(new ByteArrayInputStream(bench.pictureOfCheck("Sorrel", false, With.SCANNER, 3))));
        // the strip fills the scan but for 4 mm of lid and 8 mm of paper
        double mm = 200 / 25.4;
        double left = 12 * mm;
        double top = 12 * mm;
        double right = photo.width() - left;
        double low = photo.height() - top;
        var read = (Result.Read)
                SheetReader.tapped(photo, new double[] {left, top, right, top, right, low, left, low}, profile, false);
        assertThat(of(read, "M").missing()).containsExactly(12, 99);
        assertThat(of(read, "K").missing()).isEmpty();
    }

    // ---- helpers -----------------------------------------------------------------------------------------------

    private Standins bench(Profile profile, Page page) throws IOException {
        bench = Standins.start(List.of(new Standins.Wanted("Sorrel", profile, false)), 3, 0, Clock.systemUTC(), 1);
        profile.codes().forEach(c -> bench.machine("Sorrel").clog(c.code(), List.of()));
        profile.codes().forEach(c -> bench.machine("Sorrel").level(c.code(), 40));
        bench.print("Sorrel", SheetPdf.of("frame", List.of(page)));
        return bench;
    }

    private static Page frame(Profile profile, SheetKind kind) {
        return Sheets.of(kind, profile, made(), Family.MAKERS_DYE).pages().getFirst();
    }

    private static Sheets.Made made() {
        return new Sheets.Made(12, "Sorrel", 34, Instant.parse("2026-11-20T08:00:00Z"), "20 Nov", Paper.A4);
    }

    private static String why(Photo photo, Optional<Known> known) {
        return ((Result.Unread) SheetReader.read(photo, _ -> known).getFirst()).why();
    }

    private static Known known(Page page, Profile profile) {
        return known(page, profile, Map.of());
    }

    private static Known known(Page page, Profile profile, Map<ChannelCode, List<Double>> clean) {
        var kind = page.shapes().stream()
                .filter(Shape.Code.class::isInstance)
                .flatMap(c -> SheetCode.read(((Shape.Code) c).text()).stream())
                .map(SheetCode::kind)
                .findFirst()
                .orElseThrow();
        return new Known(kind, made().at(), page, profile, clean);
    }

    private static Result read(byte[] picture, Known known) throws Photo.Refused {
        return read(Photo.decode(picture), known);
    }

    private static Result read(Photo photo, Known known) {
        return SheetReader.read(photo, _ -> Optional.of(known)).getFirst();
    }

    private static Look of(Result.Read read, String code) {
        return read.looks().stream()
                .filter(l -> l.channel().equals(ChannelCode.of(code)))
                .findFirst()
                .orElseThrow();
    }

    private static BufferedImage turned(BufferedImage image) {
        var out = new BufferedImage(image.getHeight(), image.getWidth(), BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                out.setRGB(image.getHeight() - 1 - y, x, image.getRGB(x, y));
            }
        }
        return out;
    }
}
