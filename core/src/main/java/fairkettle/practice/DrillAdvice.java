package fairkettle.practice;

import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import java.util.List;

/** What people say, and when it is right. */
final class DrillAdvice {

    static final List<Question> ALL = List.of(
            new Question(
                    "advice-1",
                    "“Ignore ink warnings.”",
                    "",
                    List.of(
                            new Answer(
                                    "Only with a real watch on the level", "The chip counts drops, you look at ink."),
                            new Answer("Always", "It ran dry on a Saturday."),
                            new Answer("Never", "You threw half tanks away."))),
            new Question(
                    "advice-2",
                    "“Check at once after a power cleaning.”",
                    "",
                    List.of(
                            new Answer(
                                    "Fine if work is waiting, but judge it after the rest",
                                    "A good check now is luck."),
                            new Answer(
                                    "Always treat at once by what you see", "You treated air that would have left."))),
            new Question(
                    "advice-3",
                    "“Push with a syringe at the vent.”",
                    "",
                    List.of(
                            new Answer("For air in a refill cartridge, lightly", "The bubbling stops."),
                            new Answer("For any clog", "The head’s plate parts."),
                            new Answer("Never, at all", "The air stays for days."))),
            new Question(
                    "advice-4",
                    "“Force the carriage.”",
                    "",
                    List.of(
                            new Answer("Never", "Menu, gear, or power: one of them frees it."),
                            new Answer("If it sticks only a little", "A tooth of the gear is gone."))),
            new Question(
                    "advice-5",
                    "“Keep the file the browser blocks.”",
                    "",
                    List.of(
                            new Answer("Only when its source is verified, and on its own", "It was the seller’s."),
                            new Answer("Always", "It was not."))),
            new Question(
                    "advice-6",
                    "“Plug every hole after filling.”",
                    "",
                    List.of(
                            new Answer("Only the fill hole: the vent stays open", "It breathes."),
                            new Answer("Yes", "Every page fades."))),
            new Question(
                    "advice-7",
                    "“Edible and craft ink in one machine are fine after a flush.”",
                    "",
                    List.of(
                            new Answer("Never", "A path that held other ink is not food-safe."),
                            new Answer("After three flushes", "Still not."))),
            new Question(
                    "advice-8",
                    "“A cut of power in mid-print does no harm.”",
                    "",
                    List.of(
                            new Answer("Re-home soon: the head may stand uncapped", "It capped itself in time."),
                            new Answer("It never matters", "It dried over night, off its cap."))),
            new Question(
                    "advice-9",
                    "“Break the tabs off, they are only in the way.”",
                    "",
                    List.of(
                            new Answer("Not until you know what they hold", "One was the lock."),
                            new Answer("Yes", "It does not close any more."))),
            new Question(
                    "advice-10",
                    "“Run it open to watch.”",
                    "",
                    List.of(
                            new Answer("Only to show something: cover on", "Dust and dry air stay out."),
                            new Answer("Always", "Hair at the strip."))),
            new Question(
                    "advice-11",
                    "“Align it, gaps or not.”",
                    "",
                    List.of(
                            new Answer("Whole check first", "You align lines, not gaps."),
                            new Answer("Yes", "It aligned to a missing line."))),
            new Question(
                    "advice-12",
                    "“The print looks fine, no check needed.”",
                    "",
                    List.of(
                            new Answer("Check: a picture hides gaps", "Two strokes of yellow were gone."),
                            new Answer("Right", "It shows in the first sky."))),
            new Question(
                    "advice-13",
                    "“Three cleanings, then three more.”",
                    "",
                    List.of(
                            new Answer("Rest two hours between", "The second three count."),
                            new Answer("At once", "The fourth pulled air."))),
            new Question(
                    "advice-14",
                    "“Soak it over night on a wet cloth.”",
                    "",
                    List.of(
                            new Answer(
                                    "Five to ten minutes on a cloth; over night only capped", "The cap keeps it wet."),
                            new Answer("Yes", "The cloth dried on the plate."))),
            new Question(
                    "advice-15",
                    "“White drawn at the waste line can go back.”",
                    "",
                    List.of(
                            new Answer("Its own white, shaken, own syringe: some do", "It runs."),
                            new Answer("Any colour can", "Mixed ink in every bottle."),
                            new Answer("Pour it at the sink", "Waste is collected, never poured away."))),
            new Question(
                    "advice-16",
                    "“Hot water cleans everything.”",
                    "",
                    List.of(
                            new Answer("Cap and pump lines that came off; never the plate", "They run free again."),
                            new Answer("The head too", "Its layers parted."))),
            new Question(
                    "advice-17",
                    "“A missing colour is a clog.”",
                    "",
                    List.of(
                            new Answer("Vent, level, valve first; then air; then the rest", "The vent was plugged."),
                            new Answer("Yes", "Six cleanings for a plug."))),
            new Question(
                    "advice-18",
                    "“If it helps for one page, do it again.”",
                    "",
                    List.of(
                            new Answer("Then it is starved: filter or line", "A damper cures it."),
                            new Answer("Yes", "Every page costs a cleaning."))));

    private DrillAdvice() {}
}
