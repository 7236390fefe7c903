package fairkettle.practice;

import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import java.util.List;

/** Texts on screens, and what is safe to do. */
final class DrillMessages {

    static final List<Question> ALL = List.of(
            new Question(
                    "message-1",
                    "“Cartridge cannot be detected”, just after the first fit. The lid was opened by hand.",
                    "",
                    List.of(
                            new Answer(
                                    "Follow the screen, unclip, press until the icon lights",
                                    "It clicks, the icon lights, it goes on."),
                            new Answer(
                                    "Pull the plug and start again",
                                    "It comes back with the same text, and an “improper shutdown” beside it."),
                            new Answer("Run a cleaning", "It refuses: there is no cartridge it can see."))),
            new Question(
                    "message-2",
                    "“Cartridge cannot be detected”; one of four icons is grey. The others are lit.",
                    "",
                    List.of(
                            new Answer(
                                    "Press the one with the grey icon until it clicks",
                                    "The icon lights; nothing else was wrong."),
                            new Answer(
                                    "Take all four out",
                                    "Three that sat well are out, and three dock openings let air in."),
                            new Answer("Order a new head", "A head was never the matter."))),
            new Question(
                    "message-3",
                    "“Not genuine. Continue to use?” after fitting refills.",
                    "",
                    List.of(
                            new Answer("Yes, proceed", "Expected with refills. It prints."),
                            new Answer("No", "It waits for the maker’s cartridges and prints nothing."),
                            new Answer(
                                    "Update the firmware",
                                    "The update reads chips better than before, and refuses yours."))),
            new Question(
                    "message-4",
                    "“Ink low”. The tank in its window stands above the line.",
                    "",
                    List.of(
                            new Answer("Look at the real level, and go on", "It counted drops. There is ink."),
                            new Answer("Fill to the brim at once", "There was no room: it runs over."),
                            new Answer(
                                    "Run a power cleaning",
                                    "A lot of good ink goes into the pad, and the count falls further."))),
            new Question(
                    "message-5",
                    "“Ink low”. The window is stained, and you cannot tell.",
                    "",
                    List.of(
                            new Answer("Tilt or weigh it, then decide", "You know, instead of guessing."),
                            new Answer("Trust the stain", "It ran empty in the night, and air is in the line."),
                            new Answer(
                                    "Press the chip’s button until it says full",
                                    "Now nobody knows the level, not even the chip."))),
            new Question(
                    "message-6",
                    "“Not recognised”, after weeks of use. Auto-reset chips.",
                    "",
                    List.of(
                            new Answer(
                                    "Take it out, fill it to the top, refit",
                                    "The chip resets with the refit, and count and ink agree."),
                            new Answer("Press its button", "There is none on this kind; nothing happens."),
                            new Answer("Buy a new set", "The old one was only at the end of its count."))),
            new Question(
                    "message-7",
                    "“Not recognised”, after weeks of use. Chips with a button.",
                    "",
                    List.of(
                            new Answer(
                                    "OK, let the carriage park, hold five to ten seconds", "It resets, once parked."),
                            new Answer(
                                    "Hold the button while the carriage moves",
                                    "It is not obeyed, and a finger is in the way."),
                            new Answer("Take the chip off", "On this machine a missing chip stops everything."))),
            new Question(
                    "message-8",
                    "“Improper shutdown”, after you freed the carriage by the plug.",
                    "",
                    List.of(
                            new Answer("Dismiss it", "It was you. Nothing is broken."),
                            new Answer("Run a cleaning", "Ink for nothing."),
                            new Answer("Call the maker", "They will ask what you did, and it ends there."))),
            new Question(
                    "message-9",
                    "An error code after the carriage was pushed by hand.",
                    "",
                    List.of(
                            new Answer("Switch off, wait, switch on", "It finds its place again."),
                            new Answer("Push it back by hand", "It is lost in another place now."),
                            new Answer("Clean the head", "The head was not the matter."))),
            new Question(
                    "message-10",
                    "“Update available”, on a machine whose firmware ignores chips.",
                    "",
                    List.of(
                            new Answer("No or later, then dismiss", "It stays as it is."),
                            new Answer(
                                    "Yes: newer is better",
                                    "The maker’s firmware is back, and your cartridges are strangers."),
                            new Answer("Unplug it in mid-update", "Half an update: now it does not start at all."))),
            new Question(
                    "message-11",
                    "“Update available”, on a plain machine with the maker’s ink.",
                    "",
                    List.of(
                            new Answer("As you like: read what it changes", "Normal firmware, normal choice."),
                            new Answer("Never, on any machine", "Harmless here, but faults stay unfixed."))),
            new Question(
                    "message-12",
                    "The browser says: suspicious file.",
                    "",
                    List.of(
                            new Answer(
                                    "Verify where it comes from before anything else",
                                    "Either it is the seller’s own, or you were saved."),
                            new Answer(
                                    "Keep it, they always say that",
                                    "Sometimes they are right, and the computer is theirs."),
                            new Answer("Switch the warning off", "So is the next warning, the true one."))),
            new Question(
                    "message-13",
                    "“Maintenance box full”, in the middle of a changeover.",
                    "",
                    List.of(
                            new Answer(
                                    "Change it, and say so on the machine’s page",
                                    "It goes on, and the count starts from nothing."),
                            new Answer("Run one more cleaning", "It refuses, and the carriage stands open."),
                            new Answer("Reset its counter and go on", "The pad drips where nobody looks."))),
            new Question(
                    "message-14",
                    "“Maintenance box full”, and you wanted a power cleaning.",
                    "",
                    List.of(
                            new Answer(
                                    "New box first, then see whether it is still needed",
                                    "A power cleaning needs room, and a reason."),
                            new Answer("Pull the box out and clean without", "Ink runs into the machine."))),
            new Question(
                    "message-15",
                    "“Replacement complete”. The carriage has gone round.",
                    "",
                    List.of(
                            new Answer("Clean once and print a purge sheet", "There may be air; the sheet shows it."),
                            new Answer("Print the order", "The third colour starts in the middle of the page."),
                            new Answer("Power cleaning at once", "Dear, before anybody knows whether it is needed."))),
            new Question(
                    "message-16",
                    "“Wait 12 hours”. The check is whole already.",
                    "",
                    List.of(
                            new Answer("Go on, gently: proven cured", "It asked because it does not look."),
                            new Answer("Another power cleaning", "More air, less ink, a fuller pad."))),
            new Question(
                    "message-17",
                    "“Wait 12 hours”. The check has gaps.",
                    "",
                    List.of(
                            new Answer("Hold", "Air rises, dried ink softens; tomorrow it counts."),
                            new Answer("Clean again now", "It pulls air where it is half freed."))),
            new Question(
                    "message-18",
                    "“Clean again first”, and you did three already.",
                    "",
                    List.of(
                            new Answer("Rest two hours, then look", "More in a row only pulls air."),
                            new Answer("Obey: clean", "The fourth one brings a colour down that was whole."))),
            new Question(
                    "message-19",
                    "“The update will turn the printer off.” It showed 100 %.",
                    "",
                    List.of(
                            new Answer("Cancel, to leave", "100 % is the proof; it is done."),
                            new Answer("Wait until it turns off", "It may wait longer than you."),
                            new Answer("Start the update again", "Once was enough."))),
            new Question(
                    "message-20",
                    "“Encoder error”, after an ink spill inside.",
                    "",
                    List.of(
                            new Answer("Clean the strip, wheel and rail; lubricate", "It reads its place again."),
                            new Answer("Clean the head", "It is not a clog, and the pad fills."),
                            new Answer("Push the carriage to help it", "It bangs, and the belt skips."))),
            new Question(
                    "message-21",
                    "“Carriage error”, and it moves stiffly.",
                    "",
                    List.of(
                            new Answer(
                                    "Unplug, look for what is in its way, clean the rail",
                                    "A towel lay behind the lid."),
                            new Answer("Force it once past the stiff place", "The belt has lost a tooth."))),
            new Question(
                    "message-22",
                    "“Cannot add printer”, after a changeover.",
                    "",
                    List.of(
                            new Answer("Driver from the maker, or a cable", "It was never the changeover."),
                            new Answer("Undo the changeover", "A day’s work, and still no printer."))),
            new Question(
                    "message-23",
                    "The test button of the tool does nothing.",
                    "",
                    List.of(
                            new Answer("Connect the computer", "It was off-line."),
                            new Answer("Press harder", "Nothing, louder."))),
            new Question(
                    "message-24",
                    "“Fill the tanks now.” You have just filled them.",
                    "",
                    List.of(
                            new Answer("Proceed, and confirm full", "It asks everybody."),
                            new Answer("Fill more", "Over the brim, into the tray."),
                            new Answer("Skip the charge", "The dampers stay dry, and take air."))),
            new Question(
                    "message-25",
                    "“Fill the tanks now.” One tank is half empty.",
                    "",
                    List.of(
                            new Answer("Fill it first, then confirm", "Charging on a half tank takes air."),
                            new Answer("Confirm all the same", "Air in one damper: gaps that move for days."))),
            new Question(
                    "message-26",
                    "The panel’s bar shows full after you reset the chip. You did not fill.",
                    "",
                    List.of(
                            new Answer("Fill it now, or the bar lies", "Count and ink agree again."),
                            new Answer("Trust the bar", "It runs dry at “half full”."))),
            new Question(
                    "message-27",
                    "“Use of this ink may void the warranty.”",
                    "",
                    List.of(
                            new Answer(
                                    "Agreed once, knowingly, at the changeover",
                                    "You knew; it is written on the machine’s page."),
                            new Answer("Stop everything", "Nothing new has happened."))),
            new Question(
                    "message-28",
                    "“Paper jam”, but there is no paper in it.",
                    "",
                    List.of(
                            new Answer(
                                    "Unplug; look for scraps at the sensor and the rollers",
                                    "A corner of film sat on the sensor."),
                            new Answer("Feed another sheet to push it through", "Two sheets are in it now."))),
            new Question(
                    "message-29",
                    "“Service required: parts at the end of their life.”",
                    "",
                    List.of(
                            new Answer(
                                    "Look at the pad itself, then decide who changes it",
                                    "It is a counter of waste; the pad is what matters."),
                            new Answer("Reset the counter and forget it", "The pad runs over on the bench."),
                            new Answer("Throw the machine away", "It wanted a pad."))),
            new Question(
                    "message-30",
                    "A lamp blinks and there is no screen.",
                    "",
                    List.of(
                            new Answer(
                                    "Count the blinks, look the pattern up in its manual",
                                    "Each has its meaning; this one says: no paper."),
                            new Answer("Press every key", "It has begun a cleaning, and a charge."))));

    private DrillMessages() {}
}
