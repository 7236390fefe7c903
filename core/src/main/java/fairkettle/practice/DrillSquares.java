package fairkettle.practice;

import fairkettle.practice.Drawing.Squares;
import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** Alignment: nine squares, and the one without a gap and with the least overlap. */
final class DrillSquares {

    private static final int SQUARES = 9;

    static final List<Question> ALL = made();

    private DrillSquares() {}

    private static List<Question> made() {
        var random = new Random(11);
        return IntStream.rangeClosed(1, 10)
                .mapToObj(n -> question(n, 2 + random.nextInt(SQUARES - 3), random.nextInt(2)))
                .toList();
    }

    /** @param best the first square whose halves meet; @param off how well even that one meets, in tenths of a mm */
    private static Question question(int number, int best, int off) {
        var offsets = IntStream.rangeClosed(1, SQUARES)
                .mapToObj(square -> (best - square) * 2 - off)
                .toList();
        var answers = new ArrayList<Answer>();
        answers.add(new Answer("Square " + best, "Its halves meet: no gap, and the least overlap."));
        for (int other : new int[] {best - 1, best + 1, best + 2 > SQUARES ? best - 2 : best + 2}) {
            answers.add(new Answer(
                    "Square " + other,
                    other < best
                            ? "A white line stands between its halves: a gap."
                            : "A dark line: its halves overlap more than they must."));
        }
        return new Question("square-" + number, "Which square is chosen?", answers, new Squares(offsets));
    }
}
