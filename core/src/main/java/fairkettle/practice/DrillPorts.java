package fairkettle.practice;

import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Port;
import fairkettle.practice.Drill.Question;
import java.util.List;

/** Plugs, vents and valves, by what is being done: all of them are set, then it is seen what flows. */
final class DrillPorts {

    static final List<Question> ALL = List.of(
            set(
                    1,
                    "Printing, day in, day out.",
                    "Air replaces ink; it flows.",
                    new Port(
                            "vent",
                            "open",
                            List.of(new Answer(
                                    "plugged",
                                    "A vacuum grows: every page fades at its foot, and it recovers over night."))),
                    new Port(
                            "fill hole",
                            "plugged",
                            List.of(new Answer("open", "Dust falls in, and it splashes when the carriage turns."))),
                    new Port("valve", "open", List.of(new Answer("shut", "Nothing follows: one page, then white."))),
                    new Port(
                            "waste tubes",
                            "in the machine",
                            List.of(new Answer("out in a bottle", "The next cleaning runs onto the bench.")))),
            set(
                    2,
                    "Carrying a filled machine to another room.",
                    "Nothing runs, nothing wets the filters.",
                    new Port(
                            "vent",
                            "solid plug",
                            List.of(new Answer("open", "Ink in the vent’s filter: it stops breathing for good."))),
                    new Port("fill hole", "plugged", List.of(new Answer("open", "It spills at the first tilt."))),
                    new Port(
                            "valve",
                            "shut",
                            List.of(new Answer("open", "Ink runs from the high side to the low one."))),
                    new Port(
                            "head",
                            "capped",
                            List.of(new Answer("off its cap", "It dries on the way, or is torn by the first jolt.")))),
            set(
                    3,
                    "Just arrived, about to print.",
                    "It breathes again.",
                    new Port(
                            "vent",
                            "open",
                            List.of(new Answer(
                                    "solid plug",
                                    "Prints a page, fades, recovers over night: nobody understands why."))),
                    new Port("valve", "open", List.of(new Answer("shut", "White after one page."))),
                    new Port("fill hole", "plugged", List.of(new Answer("open", "Dust, and splashes.")))),
            set(
                    4,
                    "Drawing old ink out of a tank’s line.",
                    "The syringe pulls ink, not vacuum.",
                    new Port(
                            "tank cap",
                            "open",
                            List.of(new Answer("shut", "You pull against a vacuum; let go, and it jumps back."))),
                    new Port("valve", "open", List.of(new Answer("shut", "Nothing comes, whatever you pull."))),
                    new Port(
                            "other colours’ caps",
                            "shut",
                            List.of(new Answer("open", "Dust, and the wrong one gets the syringe.")))),
            set(
                    5,
                    "Hanging filled cartridges on their ribbon.",
                    "Nothing runs while you hold them.",
                    new Port("valve", "shut", List.of(new Answer("open", "It siphons into the carriage."))),
                    new Port(
                            "vent",
                            "plugged",
                            List.of(new Answer("open", "It drips from the outlet with every tilt."))),
                    new Port("outlet", "plugged", List.of(new Answer("open", "It empties itself onto the bench.")))),
            set(
                    6,
                    "Filling a cartridge through its fill hole.",
                    "Air leaves as ink comes in.",
                    new Port(
                            "air hole",
                            "open",
                            List.of(new Answer("plugged", "It fills slowly, and spits when you pull the needle."))),
                    new Port("outlet", "plugged", List.of(new Answer("open", "It fills the bench."))),
                    new Port("fill hole", "open", List.of(new Answer("plugged", "There is no way in.")))),
            set(
                    7,
                    "The plunger drop of an outboard tank.",
                    "The level falls to where it should.",
                    new Port("vent", "plugged", List.of(new Answer("open", "Air comes in above, and nothing drops."))),
                    new Port(
                            "tank",
                            "standing free",
                            List.of(new Answer(
                                    "hung in its place", "The level is set for a height it will not have.")))),
            set(
                    8,
                    "The tank after its plunger drop, hung in its place.",
                    "It breathes, and the level keeps.",
                    new Port(
                            "vent",
                            "open",
                            List.of(new Answer("plugged", "Both holes shut: a vacuum holds the ink where it is."))),
                    new Port(
                            "fill hole",
                            "plugged",
                            List.of(new Answer("open", "The constant level is lost: it runs up to the rim.")))),
            set(
                    9,
                    "Drawing at the waste line.",
                    "The cap seals; you pull through the head.",
                    new Port(
                            "head",
                            "docked",
                            List.of(new Answer("off its cap", "No resistance, no ink: you pull air."))),
                    new Port(
                            "waste tubes",
                            "out in a bottle",
                            List.of(new Answer(
                                    "in the machine", "You pull what the pump left, and nothing of the head."))),
                    new Port("tank cap", "open", List.of(new Answer("shut", "You pull against a vacuum.")))),
            set(
                    10,
                    "A cleaning after a draw at the waste line.",
                    "The waste goes where it belongs.",
                    new Port(
                            "waste tubes",
                            "in the machine",
                            List.of(new Answer("out in a bottle", "It runs out over the bench."))),
                    new Port("head", "docked", List.of(new Answer("off its cap", "The pump pulls air.")))),
            set(
                    11,
                    "Opening the white’s line for a flush.",
                    "It stays in its bottle.",
                    new Port(
                            "white bottle",
                            "below the head",
                            List.of(new Answer("where it was", "White runs as soon as the line is off."))),
                    new Port(
                            "power",
                            "unplugged",
                            List.of(new Answer("on", "The carriage may come while your hand is inside."))),
                    new Port(
                            "waste bottle",
                            "under the joint",
                            List.of(new Answer("not at hand", "The first drops go over the board.")))),
            set(
                    12,
                    "A month on the shelf, parked on fluid.",
                    "It waits without drying or leaking.",
                    new Port("head", "capped", List.of(new Answer("off its cap", "Dry in a day."))),
                    new Port("vent", "solid plug", List.of(new Answer("open", "It breathes out its water."))),
                    new Port("valve", "shut", List.of(new Answer("open", "It leaks down through the head.")))));

    private DrillPorts() {}

    private static Question set(int number, String work, String flows, Port... ports) {
        return new Question(
                "port-" + number,
                work,
                "",
                List.of(new Answer("all of them right", flows), new Answer("one of them wrong", "See what it does.")),
                List.of(ports),
                null);
    }
}
