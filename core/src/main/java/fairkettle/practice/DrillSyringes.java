package fairkettle.practice;

import fairkettle.practice.Drawing.Syringe;
import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import java.util.List;

/** A syringe after a pull, and what is done next. */
final class DrillSyringes {

    static final List<Question> ALL = List.of(
            of(
                    1,
                    "Draining a tank, first pull.",
                    new Syringe(0.95, 0, false),
                    "Empty it, tap what it held, pull again",
                    "There is more where that came from.",
                    new Answer("Done: the line is empty", "A full load of ink says the opposite."),
                    new Answer("Harder: it is blocked", "Nothing resists; it came full.")),
            of(
                    2,
                    "Draining, third pull.",
                    new Syringe(0.2, 0.5, true),
                    "Once more: a gush of air is half the proof",
                    "Gush, and then a pull of air alone: both together are the end.",
                    new Answer("Done", "The gush may have left ink behind it, at the tank’s foot."),
                    new Answer("Push the air back", "It would froth what is still in there.")),
            of(
                    3,
                    "Draining, after the gush.",
                    new Syringe(0, 0.9, false),
                    "Done: tick “air alone”",
                    "Gush, and then air alone.",
                    new Answer("Pull ten times more", "Air brings nothing but air."),
                    new Answer("Blocked", "A blocked line holds the plunger back; this one let it go.")),
            of(
                    4,
                    "Draining, first pull. The plunger springs back.",
                    new Syringe(0, 0.05, false),
                    "Stop pulling; look at cap, adapter and tube",
                    "A shut cap holds ink like a finger on a straw.",
                    new Answer("Pull with both hands", "More force breaks a seal."),
                    new Answer("Done: it is empty", "Empty lines give air; this gave nothing.")),
            of(
                    5,
                    "Priming a new cartridge.",
                    new Syringe(0.3, 0.1, true),
                    "Go on, slowly, until it is solid",
                    "Air that is left after priming starves the head.",
                    new Answer("Good enough", "While draining, yes; while priming, no."),
                    new Answer("Shake the cartridge", "That makes more of them.")),
            of(
                    6,
                    "Rinsing with fluid: bubbles in what comes.",
                    new Syringe(0.6, 0.2, true),
                    "Go on: air is allowed here",
                    "Priming follows. Only what is left after it does harm.",
                    new Answer("Start the priming over", "It has not begun."),
                    new Answer("Stop, it is leaking", "Bubbles alone prove no leak while a line is being emptied.")),
            of(
                    7,
                    "At the waste line of a docked machine.",
                    new Syringe(0, 0.8, false),
                    "Look whether it is docked",
                    "No resistance and no ink: air from beside the cap.",
                    new Answer("Done: white is clean", "Nothing of the head was moved."),
                    new Answer("Pull faster", "Faster draws the same air faster.")),
            of(
                    8,
                    "At the waste line; it resists, and ink comes.",
                    new Syringe(0.5, 0, false),
                    "Right: let go, and again, slowly",
                    "Sealed, and flowing.",
                    new Answer("Blocked: stop", "Blocked gives nothing at all."),
                    new Answer("Pull it all in one go", "Fast pulls draw air past the ink.")),
            of(
                    9,
                    "At the outlet of a cartridge; the plunger will not move.",
                    new Syringe(0, 0, false),
                    "Stop: its seal or its vent is shut",
                    "At a cartridge nothing moving means stop, and look.",
                    new Answer("Push instead", "Never toward a seal you cannot see."),
                    new Answer("A longer syringe", "More force at the same seal.")));

    private DrillSyringes() {}

    private static Question of(
            int number, String ask, Syringe syringe, String right, String then, Answer one, Answer other) {
        return new Question("syringe-" + number, ask, List.of(new Answer(right, then), one, other), syringe);
    }
}
