package fairkettle.practice;

import java.util.List;

/** A set of questions of one kind. */
public enum Drill {
    MESSAGES("What the machine says", "A text on a screen, and what was done last: what is safe to do?"),
    PORTS("Plugs, vents and valves", "What must be open, what shut, for the work in hand?"),
    FEEL("What the hand feels", "A pull or a push, and what came: what is it?"),
    COLOURS("Raw or wrong", "How a page looks before heat: normal, or not?"),
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
     */
    public record Question(String id, String ask, String swatch, List<Answer> answers) {
        public Question {
            answers = List.copyOf(answers);
        }
    }

    /** @param then what happens, or would have happened */
    public record Answer(String words, String then) {}

    public List<Question> questions() {
        return switch (this) {
            case MESSAGES -> DrillMessages.ALL;
            case PORTS -> DrillPorts.ALL;
            case FEEL -> DrillFeel.ALL;
            case COLOURS -> DrillColours.ALL;
            case ADVICE -> DrillAdvice.ALL;
        };
    }
}
