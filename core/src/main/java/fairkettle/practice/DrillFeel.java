package fairkettle.practice;

import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import java.util.List;

/** Pull and push signs, in three places. */
final class DrillFeel {

    static final List<Question> ALL = List.of(
            new Question(
                    "feel-1",
                    "At the waste line: you pull, no resistance, nothing comes.",
                    "",
                    List.of(
                            new Answer(
                                    "Air in the path, or the head is off its dock",
                                    "Dock it, try again; else draw until ink follows."),
                            new Answer("Blocked", "A block would resist."),
                            new Answer("All is well", "Then ink would come."))),
            new Question(
                    "feel-2",
                    "At the waste line: you pull, it resists, nothing moves.",
                    "",
                    List.of(
                            new Answer("Blocked: stop", "Soak, and let time do it."),
                            new Answer("Pull harder", "The plate’s layers part."),
                            new Answer("Air", "Air does not resist."))),
            new Question(
                    "feel-3",
                    "At the waste line: it resists, and ink comes.",
                    "",
                    List.of(
                            new Answer("Sealed and flowing", "Five mL, slowly, then look."),
                            new Answer("A fault", "That is how it should be."))),
            new Question(
                    "feel-4",
                    "At the waste line: it gets easier while ink comes.",
                    "",
                    List.of(
                            new Answer("It recovers", "Stop soon, and let the machine finish the cure."),
                            new Answer("It leaks", "Ink comes; a leak would bring air."))),
            new Question(
                    "feel-5",
                    "At the cartridge: you pull, no resistance, no ink.",
                    "",
                    List.of(
                            new Answer(
                                    "Air in the cartridge, or the wrong hole",
                                    "Look which hole; then draw until ink comes."),
                            new Answer("It is empty for good", "It is full, you see it."))),
            new Question(
                    "feel-6",
                    "At the cartridge: it resists hard, nothing comes.",
                    "",
                    List.of(
                            new Answer("Stop: the valve, or a plug that is still in", "The air hole was plugged."),
                            new Answer("Pull until it gives", "It gave: the seal."))),
            new Question(
                    "feel-7",
                    "At the cartridge: ink comes without bubbles.",
                    "",
                    List.of(
                            new Answer("Primed: enough", "Plug, and fit it."),
                            new Answer("Go on to be sure", "Ink for nothing."))),
            new Question(
                    "feel-8",
                    "At the head’s inlet: you press, the plunger springs back.",
                    "",
                    List.of(
                            new Answer("Normal: the path is tight", "Light touch, let it work."),
                            new Answer("Blockage: press on", "Tight is how it should be; more breaks it."))),
            new Question(
                    "feel-9",
                    "At the head’s inlet: it gives way suddenly, and goes on easily.",
                    "",
                    List.of(
                            new Answer("Dried ink cleared: go on gently", "A fine mist below."),
                            new Answer("A broken part", "The plate is whole: look, it mists."))),
            new Question(
                    "feel-10",
                    "At the head’s inlet: the plunger stays down.",
                    "",
                    List.of(
                            new Answer("Stop: something gave", "Look at the plate’s sides."),
                            new Answer("Good: no resistance left", "It runs out at the side."))),
            new Question(
                    "feel-11",
                    "At the head’s inlet: a fine mist below.",
                    "",
                    List.of(
                            new Answer("Healthy: stop, put it back", "Half gained is enough."),
                            new Answer("Go on until it streams", "A stream is a leak."))),
            new Question(
                    "feel-12",
                    "At the head’s inlet: drops, no mist.",
                    "",
                    List.of(
                            new Answer("Still poor: draw again, gently", "The next one mists."),
                            new Answer("Press harder", "Drops at the side."))),
            new Question(
                    "feel-13",
                    "Fluid shows at the sides of the plate.",
                    "",
                    List.of(
                            new Answer(
                                    "The plate has parted: stop, the head is lost", "Nothing was gained by going on."),
                            new Answer("Overflow: wipe and go on", "It floods the board."))));

    private DrillFeel() {}
}
