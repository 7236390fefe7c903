package fairkettle.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.job.Piece.Turning;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class NestingTest {

    private static final int A4_WIDTH = 2000;
    private static final int A4_LENGTH = 2870;

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void everyPieceLiesOnceInsideAndClearOfTheOthers(int seed) {
        var dice = new Random(seed);
        var pieces = someOrder(dice);
        int gap = dice.nextInt(60);

        holds(pieces, Nesting.onSheets(pieces, A4_WIDTH, A4_LENGTH, gap), gap, A4_LENGTH);
        holds(pieces, Nesting.onFilm(pieces, A4_WIDTH, gap), gap, Integer.MAX_VALUE);
    }

    private static List<Piece> someOrder(Random dice) {
        var pieces = new ArrayList<Piece>();
        int kinds = 1 + dice.nextInt(6);
        for (int i = 0; i < kinds; i++) {
            pieces.add(new Piece(
                    150 + dice.nextInt(1700),
                    150 + dice.nextInt(1700),
                    1 + dice.nextInt(9),
                    Turning.values()[dice.nextInt(3)]));
        }
        return pieces;
    }

    private static void holds(List<Piece> pieces, Layout layout, int gap, int length) {
        for (int i = 0; i < pieces.size(); i++) {
            int piece = i;
            assertThat(layout.placed().stream().filter(p -> p.piece() == piece))
                    .as("piece %d of %s", i, pieces)
                    .hasSize(pieces.get(i).count());
        }
        for (var p : layout.placed()) {
            var piece = pieces.get(p.piece());
            assertThat(p.turned() ? piece.turned() : piece.upright()).isTrue();
            assertThat(List.of(p.width(), p.height()))
                    .isEqualTo(
                            p.turned()
                                    ? List.of(piece.height(), piece.width())
                                    : List.of(piece.width(), piece.height()));
            assertThat(p.x()).isBetween(0, layout.width() - p.width());
            assertThat(p.y()).isNotNegative();
            assertThat(p.y() + p.height()).isLessThanOrEqualTo(length);
            var grown = new Layout.Placed(
                    p.piece(), p.sheet(), p.x(), p.y(), p.width() + gap, p.height() + gap, p.turned());
            assertThat(layout.placed().stream()
                            .filter(other -> other != p)
                            .noneMatch(other -> grown.overlaps(new Layout.Placed(
                                    other.piece(),
                                    other.sheet(),
                                    other.x(),
                                    other.y(),
                                    other.width() + gap,
                                    other.height() + gap,
                                    other.turned()))))
                    .isTrue();
        }
    }

    /** The smallest square that is made of different squares: 21 of them, side 112. */
    @Test
    void layASquareOutOfSquaresWithoutAGap() {
        int[] sides = {50, 35, 27, 8, 19, 15, 17, 11, 6, 24, 29, 25, 9, 2, 7, 18, 16, 42, 4, 37, 33};
        var pieces = java.util.Arrays.stream(sides)
                .mapToObj(side -> new Piece(side, side, 1, Turning.UPRIGHT))
                .toList();

        var layout = Nesting.onFilm(pieces, 112, 0);

        assertThat(layout.length()).isEqualTo(112);
        assertThat(layout.free()).isZero();
    }

    @Test
    void piecesOfOneSizeLieInBlocksWhereThatHoldsMore() {
        // five of 3 × 2 lie on 5 × 6.5 upright four times; with two turned there is room for five
        var five = List.of(new Piece(300, 200, 5, Turning.FREE));

        assertThat(Nesting.onSheets(five, 500, 650, 0).sheets()).isEqualTo(1);
        assertThat(Nesting.onSheets(List.of(new Piece(300, 200, 5, Turning.UPRIGHT)), 500, 650, 0)
                        .sheets())
                .isEqualTo(2);
    }

    @Test
    void theGrainOfARibbonLiesAlongTheFeed() {
        var sashes = List.of(new Piece(1000, 400, 4, Turning.ALONG));

        assertThat(Nesting.onSheets(sashes, A4_WIDTH, A4_LENGTH, 20).placed())
                .allMatch(p -> p.turned() && p.height() == 1000);
    }

    @Test
    void morePiecesNeverTakeLessFilm() {
        int before = 0;
        for (int count = 1; count < 40; count++) {
            int length = Nesting.onFilm(List.of(new Piece(310, 470, count, Turning.FREE)), A4_WIDTH, 30)
                    .length();
            assertThat(length).isGreaterThanOrEqualTo(before);
            before = length;
        }
    }

    @Test
    void thePieceThatFitsNowhereIsNamed() {
        var badge = List.of(new Piece(2500, 2500, 1, Turning.FREE));

        assertThatThrownBy(() -> Nesting.onSheets(badge, A4_WIDTH, A4_LENGTH, 0))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("250 × 250 mm does not fit (200 × 287 mm");
        assertThatThrownBy(() ->
                        Nesting.onSheets(List.of(new Piece(2500, 1000, 1, Turning.UPRIGHT)), A4_WIDTH, A4_LENGTH, 0))
                .hasMessageContaining("may not be turned");
    }

    @Test
    void theFreeAreaIsWhatNoPieceCovers() {
        var layout = Nesting.onSheets(List.of(new Piece(1000, 1435, 3, Turning.UPRIGHT)), A4_WIDTH, A4_LENGTH, 0);

        assertThat(layout.sheets()).isEqualTo(1);
        assertThat(layout.free()).isEqualTo(.25);
    }
}
