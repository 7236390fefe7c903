package fairkettle.practice;

import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import java.util.List;

/** Raw swatches: normal, or not. */
final class DrillColours {

    static final List<Question> ALL = List.of(
            new Question(
                    "colour-1",
                    "Sublimation, raw: magenta dull and brownish.",
                    "8a4a5c",
                    List.of(
                            new Answer("Normal: judge it pressed", "Under the press it is bright."),
                            new Answer("Not normal", "A channel was flushed for nothing."))),
            new Question(
                    "colour-2",
                    "Sublimation, raw: black looks dark brown.",
                    "3d2f28",
                    List.of(
                            new Answer("Normal: judge it pressed", "Raw black is brown; pressed it is black."),
                            new Answer("Not normal", "A new black bottle, the same brown."))),
            new Question(
                    "colour-3",
                    "Sublimation, pressed: black is still brown.",
                    "4a372c",
                    List.of(
                            new Answer("Not normal", "Wrong ink, or the press is too cool."),
                            new Answer("Normal: judge it pressed", "The whole order is brown."))),
            new Question(
                    "colour-4",
                    "Sublimation, raw: text has no black at all, only mixed grey.",
                    "6b6e75",
                    List.of(
                            new Answer("Not normal", "Black is missing; look at the check."),
                            new Answer("Normal: judge it pressed", "Every text comes out grey."))),
            new Question(
                    "colour-5",
                    "Sublimation, raw: yellow pale, a little green.",
                    "b9b562",
                    List.of(
                            new Answer("Normal: judge it pressed", "Heat makes it warm."),
                            new Answer("Not normal", "It was nothing."))),
            new Question(
                    "colour-6",
                    "Sublimation, pressed: yellow is green all over.",
                    "9db13a",
                    List.of(
                            new Answer("Not normal", "Another ink is in it: wipe, sheets, look again."),
                            new Answer("Normal: judge it pressed", "Green rosettes."))),
            new Question(
                    "colour-7",
                    "Sublimation, raw: cyan greyish.",
                    "5c7f8c",
                    List.of(
                            new Answer("Normal: judge it pressed", "It comes up under the press."),
                            new Answer("Not normal", "It was nothing."))),
            new Question(
                    "colour-8",
                    "Film: colours strong at once, white behind them.",
                    "d8484f",
                    List.of(
                            new Answer("Normal: judge it pressed", "Pigment shows its colour wet."),
                            new Answer("Not normal", "It was nothing."))),
            new Question(
                    "colour-9",
                    "Film: white weak, you see the film through it.",
                    "e9ecef",
                    List.of(
                            new Answer("Not normal", "Settled, or starved: stir, then a page."),
                            new Answer("Normal: judge it pressed", "Grey letters on a dark shirt."))),
            new Question(
                    "colour-10",
                    "Maker’s ink: orange where red should be.",
                    "e8883a",
                    List.of(
                            new Answer("Not normal", "Magenta is missing."),
                            new Answer("Normal: judge it pressed", "Every red is orange."))),
            new Question(
                    "colour-11",
                    "Maker’s ink: purple where blue should be.",
                    "6a3fa0",
                    List.of(
                            new Answer("Not normal", "Cyan is weak."),
                            new Answer("Normal: judge it pressed", "Every blue is purple."))),
            new Question(
                    "colour-12",
                    "Edible: colours soft, like pastel.",
                    "e7a6b3",
                    List.of(
                            new Answer("Normal: judge it pressed", "Food dyes on icing are soft."),
                            new Answer("Not normal", "It was nothing."))),
            new Question(
                    "colour-13",
                    "Edible: a brown bar, sharp at both edges.",
                    "7d5b3a",
                    List.of(
                            new Answer("Not normal", "Two colours lie in one bar: smear from the wiper."),
                            new Answer("Normal: judge it pressed", "Brown icing on every biscuit."))),
            new Question(
                    "colour-14",
                    "Sublimation, raw: skin looks grey-green in the proof.",
                    "9a9a86",
                    List.of(
                            new Answer("Normal: judge it pressed", "Judge skin only after the press."),
                            new Answer("Not normal", "It was nothing."))),
            new Question(
                    "colour-15",
                    "Sublimation, pressed: skin is green.",
                    "8aa07a",
                    List.of(
                            new Answer("Not normal", "Magenta is missing."),
                            new Answer("Normal: judge it pressed", "Nobody buys a green rider."))),
            new Question(
                    "colour-16",
                    "A black mark at the top of three sheets, fainter each time.",
                    "454545",
                    List.of(
                            new Answer("Rollers: run blank sheets", "The fourth is clean."),
                            new Answer("A clog", "A cleaning changes nothing."))));

    private DrillColours() {}
}
