package fairkettle.practice;

import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import fairkettle.practice.Feeding.Damper;
import fairkettle.practice.Feeding.Outcome;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Heights, ports and dampers: what happens is worked out, never written down. */
final class DrillLines {

    static final List<Question> ALL = List.of(
            question(1, new Feeding(-20, true, true, Damper.FREE, false)),
            question(2, new Feeding(120, true, true, Damper.NONE, false)),
            question(3, new Feeding(120, true, true, Damper.FREE, false)),
            question(4, new Feeding(-20, false, true, Damper.FREE, false)),
            question(5, new Feeding(-20, true, false, Damper.FREE, false)),
            question(6, new Feeding(-150, true, true, Damper.FREE, false)),
            question(7, new Feeding(-20, true, true, Damper.CLOGGED, false)),
            question(8, new Feeding(-20, true, true, Damper.CLOGGED, true)),
            question(9, new Feeding(0, true, false, Damper.FREE, true)),
            question(10, new Feeding(-30, true, true, Damper.FREE, true)),
            question(11, new Feeding(60, true, true, Damper.NONE, false)),
            question(12, new Feeding(0, false, true, Damper.NONE, true)));

    private DrillLines() {}

    private static Question question(int number, Feeding feeding) {
        var right = feeding.outcome();
        var answers = new ArrayList<Answer>();
        answers.add(new Answer(right.words(), why(feeding, right)));
        Stream.of(Outcome.values())
                .filter(o -> o != right)
                .limit(3)
                .forEach(o -> answers.add(new Answer(o.words(), "No. " + why(feeding, right))));
        return new Question("line-" + number, feeding.words(), answers, new Drawing.Line(feeding));
    }

    private static String why(Feeding feeding, Outcome outcome) {
        return switch (outcome) {
            case FLOWS -> "Air follows the ink, nothing is in its way, and the height is held by the nozzle itself.";
            case DRIPS ->
                "%d mm of ink press harder than a nozzle holds, and no damper takes it off."
                        .formatted(feeding.height());
            case STARVES ->
                feeding.vent()
                        ? "Ink comes, and too little of it: the damper is full of sediment."
                        : "With the vent plugged every drop that leaves makes a vacuum behind it.";
            case NOTHING -> "The valve is shut: what is behind it never comes.";
            case AIR ->
                feeding.pump()
                        ? "The pump sucks, and nothing can follow from the tank: so air comes."
                        : "The tank hangs so low that it sucks air in through the nozzles.";
        };
    }
}
