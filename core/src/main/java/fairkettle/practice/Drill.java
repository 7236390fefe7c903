package fairkettle.practice;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** A set of questions of one kind. */
public enum Drill {
    MESSAGES("What the machine says", "A text on a screen, and what was done last: what is safe to do?"),
    PORTS("Plugs, vents and valves", "Set each of them for the work in hand, then see what flows."),
    PATH("Along the ink path", "A sign: which part on the way from bottle to waste shows it?"),
    FEEL("What the hand feels", "A pull or a push, and what came: what is it?"),
    COLOURS("Raw or wrong", "How a page looks before heat: normal, or not?"),
    PATTERNS("Reading a check", "Two checks with made-up faults: what do they say?"),
    SQUARES("The best square", "Nine squares of an alignment page: which one is it?"),
    SYRINGES("What came up the syringe", "A syringe after a pull: what is done next?"),
    LINES("Heights, ports and dampers", "A line from tank to nozzle: what happens?"),
    ADVICE("Good advice, under conditions", "Things that people say. When are they right?");

    private final String label;
    private final String say;

    Drill(String label, String say) {
        this.label = label;
        this.say = say;
    }

    public String label() {
        return label;
    }

    public String say() {
        return say;
    }

    /**
     * @param swatch a colour to look at, as red, green and blue in hex; empty where none is shown
     * @param answers the first is right; shown in another order
     * @param drawing what is to be read, or null
     */
    public record Question(
            String id,
            String ask,
            String swatch,
            List<Answer> answers,
            List<Port> ports,
            @Nullable Drawing drawing) {
        public Question {
            answers = List.copyOf(answers);
            ports = List.copyOf(ports);
        }

        public Question(String id, String ask, String swatch, List<Answer> answers) {
            this(id, ask, swatch, answers, List.of(), null);
        }

        public Question(String id, String ask, List<Answer> answers, Drawing drawing) {
            this(id, ask, "", answers, List.of(), drawing);
        }
    }

    /**
     * Something that is set one way or the other. @param right how it must stand; @param wrong how else it can, and
     * what that does to the flow
     */
    public record Port(String label, String right, List<Answer> wrong) {
        public Port {
            wrong = List.copyOf(wrong);
        }
    }

    /** @param then what happens, or would have happened */
    public record Answer(String words, String then) {}

    /** Where an answer stands on a drawing, from the left; 0 where nothing is drawn. */
    public int place(Answer answer) {
        return this == PATH ? DrillPath.place(answer.words()) : 0;
    }

    public List<Question> questions() {
        return switch (this) {
            case MESSAGES -> DrillMessages.ALL;
            case PORTS -> DrillPorts.ALL;
            case PATH -> DrillPath.ALL;
            case FEEL -> DrillFeel.ALL;
            case COLOURS -> DrillColours.ALL;
            case PATTERNS -> DrillPatterns.ALL;
            case SQUARES -> DrillSquares.ALL;
            case SYRINGES -> DrillSyringes.ALL;
            case LINES -> DrillLines.ALL;
            case ADVICE -> DrillAdvice.ALL;
        };
    }
}
