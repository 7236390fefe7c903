package fairkettle.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.sheet.Page.Paper;
import fairkettle.sheet.Page.Part;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What is on a sheet, in millimetres and millilitres. */
class SheetsTest {

    private static final Profile SMALL = Profiles.named("small-tank");
    private static final ChannelCode C = ChannelCode.of("C");

    @RepeatedTest(40)
    void aPurgeSheetLaysDownWhatWasWantedAndStaysOffTheEdge(RepetitionInfo run) {
        var random = new Random(run.getCurrentRepetition());
        var wanted = new LinkedHashMap<ChannelCode, Millilitres>();
        SMALL.codes().stream()
                .filter(_ -> random.nextBoolean())
                .forEach(c -> wanted.put(c, new Millilitres(100 + random.nextInt(4000))));
        wanted.putIfAbsent(C, Millilitres.parse("1"));
        var drawn = Sheets.purge(SMALL, made(Paper.A4), wanted);
        double area = boxes(drawn).mapToDouble(b -> b.width() * b.height()).sum();
        double mL = wanted.values().stream().mapToDouble(Millilitres::mL).sum();
        assertThat(area / (210 * 297) * 0.7).isCloseTo(mL, within(0.001));
        assertThat(boxes(drawn))
                .allMatch(b ->
                        b.x() >= 5.999 && b.x() + b.width() <= 204.001 && b.y() >= 32 && b.y() + b.height() <= 265.001);
    }

    @ParameterizedTest
    @EnumSource(Paper.class)
    void whatFillsAPageFillsOneAndNotTwo(Paper paper) {
        for (var profile : Profiles.ALL) {
            Sheets.reachable(profile).stream().limit(1).forEach(code -> {
                var drawn = Sheets.purge(profile, made(paper), Map.of(code, Sheets.fillsPage(profile)));
                assertThat(drawn.pages()).as("%s", profile.id()).hasSize(1);
                var bar = (Part.Bar) drawn.pages().getFirst().parts().getFirst();
                assertThat(bar.width()).isGreaterThan(.93 * (paper.width() - 12));
            });
        }
    }

    @Test
    void marksStandBesideEveryStairAndCoverNothing() {
        for (var profile : Profiles.ALL) {
            if (Sheets.reachable(profile).isEmpty()) {
                continue;
            }
            for (var paper : Paper.values()) {
                var page = Sheets.of(SheetKind.HEALTH, profile, made(paper), Family.MAKERS_DYE)
                        .pages()
                        .getFirst();
                var dots = page.shapes().stream()
                        .filter(Shape.Dot.class::isInstance)
                        .map(Shape.Dot.class::cast)
                        .toList();
                for (var part : page.parts()) {
                    if (part instanceof Part.Stair stair) {
                        assertThat(dots)
                                .filteredOn(d -> d.diameter() < 3
                                        && d.y() > stair.y()
                                        && d.y() < stair.y() + stair.rows() * stair.pitch())
                                .hasSizeGreaterThanOrEqualTo(4);
                    }
                }
                for (var dot : dots) {
                    assertThat(page.shapes())
                            .as("%s on %s", dot, profile.id())
                            .filteredOn(Shape.Box.class::isInstance)
                            .noneMatch(b -> touches(dot, (Shape.Box) b));
                    assertThat(dot.x()).isBetween(6.0, paper.width() - 6);
                }
            }
        }
    }

    private static boolean touches(Shape.Dot dot, Shape.Box box) {
        double clear = dot.diameter() / 2 + .8;
        return dot.x() > box.x() - clear
                && dot.x() < box.x() + box.width() + clear
                && dot.y() > box.y() - clear
                && dot.y() < box.y() + box.height() + clear;
    }

    @Test
    void moreInkNeverTakesFewerPages() {
        int before = 0;
        for (int tenths = 1; tenths < 60; tenths += 3) {
            int pages = Sheets.purge(SMALL, made(Paper.LETTER), Map.of(C, new Millilitres(tenths * 100L)))
                    .pages()
                    .size();
            assertThat(pages).isGreaterThanOrEqualTo(before);
            before = pages;
        }
        assertThat(before).isGreaterThan(5);
    }

    @Test
    void aChannelThatNoPageReachesIsRefusedWithWhatToDo() {
        var six = Profiles.named("six-ink-tank");
        assertThat(Sheets.reachable(six)).extracting(ChannelCode::code).containsExactly("K", "C", "M", "Y");
        assertThatThrownBy(
                        () -> Sheets.purge(six, made(Paper.A4), Map.of(ChannelCode.of("LC"), Millilitres.parse("1"))))
                .hasMessageContaining("own nozzle check");
        assertThatThrownBy(() -> Sheets.purge(six, made(Paper.A4), Map.of()))
                .hasMessageContaining("at least one channel");
    }

    @Test
    void filmMachinesTakeSpotColoursOfTheChannelsNames() {
        var drawn = Sheets.purge(
                Profiles.named("film-rebuilt"), made(Paper.A4), Map.of(ChannelCode.of("W1"), Millilitres.parse("0.5")));
        assertThat(boxes(drawn))
                .singleElement()
                .satisfies(b -> assertThat(b.ink()).isEqualTo(new Shape.Ink.Spot(ChannelCode.of("W1"), 1)));
    }

    static Stream<Profile> profiles() {
        return Profiles.ALL.stream();
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void everyKindOfSheetOfEveryMachineFitsItsPaperAndHasFourCorners(Profile profile) {
        for (var paper : Paper.values()) {
            for (var kind : Sheets.offered(profile)) {
                var drawn = Sheets.of(kind, profile, made(paper), profile.built());
                drawn.pages().forEach(page -> {
                    assertThat(page.shapes())
                            .filteredOn(Shape.Code.class::isInstance)
                            .extracting(s -> SheetCode.read(((Shape.Code) s).text())
                                    .orElseThrow()
                                    .corner())
                            .containsExactly(0, 1, 2, 3);
                    var codes = page.shapes().stream()
                            .filter(Shape.Code.class::isInstance)
                            .map(Shape.Code.class::cast)
                            .toList();
                    boxesOf(page).forEach(b -> {
                        assertThat(b.x() >= 0
                                        && b.x() + b.width() <= page.width()
                                        && b.y() + b.height() <= page.height())
                                .as("%s %s", kind, b)
                                .isTrue();
                        assertThat(codes)
                                .as("%s keeps off the codes", b)
                                .noneMatch(c -> b.x() < c.x() + c.side()
                                        && c.x() < b.x() + b.width()
                                        && b.y() < c.y() + c.side()
                                        && c.y() < b.y() + b.height());
                    });
                });
            }
        }
    }

    @Test
    void whiteSheetsAreForMachinesWithWhite() {
        assertThat(Sheets.offered(SMALL)).doesNotContain(SheetKind.DARK_FRAME, SheetKind.WHITE_HEALTH);
        assertThat(Sheets.offered(Profiles.named("film-rebuilt")))
                .contains(SheetKind.DARK_FRAME, SheetKind.WHITE_HEALTH);
    }

    @Test
    void theStripInTheWindowCoversNoDotAndNoCode() {
        var frame = Sheets.of(SheetKind.FRAME, SMALL, made(Paper.A4), Family.SUBLIMATION)
                .pages()
                .getFirst();
        var window = frame.shapes().stream()
                .filter(Shape.Window.class::isInstance)
                .map(Shape.Window.class::cast)
                .findFirst()
                .orElseThrow();
        assertThat(frame.shapes())
                .filteredOn(Shape.Dot.class::isInstance)
                .hasSizeGreaterThan(24)
                .map(Shape.Dot.class::cast)
                .allMatch(d -> d.x() + 1.5 < window.x()
                        || d.x() - 1.5 > window.x() + window.width()
                        || d.y() + 1.5 < window.y()
                        || d.y() - 1.5 > window.y() + window.height());
    }

    @Test
    void aHealthSheetSaysWhatItTakes() {
        var drawn = Sheets.of(SheetKind.HEALTH, SMALL, made(Paper.A4), Family.SUBLIMATION);
        assertThat(drawn.ink().keySet()).containsExactlyInAnyOrderElementsOf(SMALL.codes());
        double area = boxes(drawn)
                .filter(b -> b.ink().equals(new Shape.Ink.Rgb(0, 1, 1)))
                .mapToDouble(b -> b.width() * b.height())
                .sum();
        assertThat(drawn.ink().get(C).mL()).as("cyan at full and in its ramp").isGreaterThan(area / (210 * 297) * 0.7);
    }

    @Test
    void whatIsPressedIsMirroredAndFoodIsNot() {
        assertThat(proof(Family.SUBLIMATION)).isTrue();
        assertThat(proof(Family.FILM)).isTrue();
        assertThat(proof(Family.EDIBLE)).isFalse();
    }

    private static boolean proof(Family family) {
        return Sheets.of(SheetKind.PROOF, SMALL, made(Paper.A4), family).pages().getFirst().shapes().stream()
                .anyMatch(s -> s instanceof Shape.Words w && w.mirrored());
    }

    private static Stream<Shape.Box> boxes(Sheets.Drawn drawn) {
        return drawn.pages().stream().flatMap(SheetsTest::boxesOf);
    }

    private static Stream<Shape.Box> boxesOf(Page page) {
        return page.shapes().stream().filter(Shape.Box.class::isInstance).map(Shape.Box.class::cast);
    }

    private static Sheets.Made made(Paper paper) {
        return new Sheets.Made(7, "Bramble", 42, Instant.parse("2026-11-25T09:00:00Z"), "25 Nov 2026", paper);
    }
}
