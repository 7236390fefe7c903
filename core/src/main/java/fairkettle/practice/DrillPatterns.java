package fairkettle.practice;

import fairkettle.practice.Drawing.Comb;
import fairkettle.practice.Drawing.Combs;
import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;

/** Checks with made-up faults, to be read before one stands over a real one. */
final class DrillPatterns {

    private static final int STROKES = 30;

    private static final Answer WHOLE = new Answer("Whole", "No tooth is missing, none stands beside its place.");
    private static final Answer CLOG =
            new Answer("A clog: the same gaps as before", "Gaps that stay where they are belong to nozzles.");
    private static final Answer AIR = new Answer("Air: the gaps wander", "Gaps that move from check to check are air.");
    private static final Answer STARVED = new Answer(
            "Starved: it breaks off toward the end", "A whole end that is missing, after a good beginning, is supply.");
    private static final Answer MISPLACED =
            new Answer("Strokes beside their place", "All are there and some stand aside: align, or wipe the plate.");
    private static final Answer DEAD = new Answer("A whole channel is missing", "Level, vent and valve come first.");
    private static final Answer BETTER = new Answer("It heals: fewer than before", "Go on as you did, or let it rest.");

    private static final List<Answer> EVERY = List.of(WHOLE, CLOG, AIR, STARVED, MISPLACED, DEAD, BETTER);

    static final List<Question> ALL = made();

    private DrillPatterns() {}

    private static List<Question> made() {
        var random = new Random(7);
        var questions = new ArrayList<Question>();
        for (int round = 0; round < 2; round++) {
            var clog = some(random, 3 + round);
            var first = some(random, 4);
            var healed = first.subList(0, 1);
            add(questions, CLOG, now("yesterday", clog), now("now", clog));
            add(questions, AIR, now("yesterday", some(random, 4)), now("now", apart(random, 4)));
            add(questions, WHOLE, now("yesterday", healed), now("now", List.of()));
            add(questions, STARVED, now("yesterday", List.of()), now("now", from(STROKES - 7 - round)));
            add(questions, MISPLACED, now("yesterday", List.of()), new Comb("now", List.of(), some(random, 3)));
            add(questions, BETTER, now("yesterday", first), now("now", healed));
        }
        add(questions, DEAD, now("yesterday", List.of()), now("now", from(0)));
        return List.copyOf(questions);
    }

    private static Comb now(String label, List<Integer> missing) {
        return new Comb(label, missing, List.of());
    }

    private static void add(List<Question> questions, Answer right, Comb before, Comb now) {
        var answers = new ArrayList<>(List.of(right));
        EVERY.stream()
                .filter(a -> a != right)
                .skip(questions.size() % 3)
                .limit(3)
                .forEach(answers::add);
        questions.add(new Question(
                "pattern-" + (questions.size() + 1),
                "Two checks of one channel. What do you read?",
                answers,
                new Combs(STROKES, List.of(before, now))));
    }

    private static List<Integer> some(Random random, int count) {
        return random.ints(1, 15).distinct().limit(count).sorted().boxed().toList();
    }

    private static List<Integer> apart(Random random, int count) {
        return random.ints(16, STROKES).distinct().limit(count).sorted().boxed().toList();
    }

    private static List<Integer> from(int first) {
        return IntStream.range(first, STROKES).boxed().toList();
    }
}
