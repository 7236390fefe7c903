package fairkettle.practice;

import fairkettle.practice.Drill.Answer;
import fairkettle.practice.Drill.Question;
import java.util.List;

/** Plugs, vents and valves, by what is being done. */
final class DrillPorts {

    static final List<Question> ALL = List.of(
        new Question("port-1", "Printing, day in, day out.", "", List.of(
            new Answer("Vent open, fill hole plugged, valve open", "Air replaces ink; it flows."),
            new Answer("Vent plugged, valve open", "A vacuum grows: every page fades at its foot."),
            new Answer("Vent open, valve shut", "Nothing follows: one page, then white."))),
        new Question("port-2", "Carrying a filled machine to another room.", "", List.of(
            new Answer("Solid plugs in the vents, valve shut", "Nothing wets the filters."),
            new Answer("Vents open, valve open", "Ink in the vent filters: they stop breathing."),
            new Answer("Only the caps on", "It spills at the first tilt."))),
        new Question("port-3", "Just arrived, about to print.", "", List.of(
            new Answer("Plugs out of the vents, then valve open", "It breathes again."),
            new Answer("Valve open, plugs left in", "Prints a page, fades, recovers over night: nobody understands why."))),
        new Question("port-4", "Drawing old ink out of a tank’s line.", "", List.of(
            new Answer("Tank cap open", "The syringe pulls ink, not vacuum."),
            new Answer("Tank cap shut", "You pull against a vacuum; let go, and it jumps back."))),
        new Question("port-5", "Hanging filled cartridges on their ribbon.", "", List.of(
            new Answer("Valve and vents shut while you handle them", "Nothing runs into the head."),
            new Answer("Everything open, to save time", "It drips into the carriage."))),
        new Question("port-6", "Filling a cartridge through its fill hole.", "", List.of(
            new Answer("Air hole open, outlet plugged", "Air leaves as ink comes in."),
            new Answer("Air hole plugged", "It fills slowly, and spits when you pull the needle."),
            new Answer("Outlet open", "It fills the bench."))),
        new Question("port-7", "Raising an outboard tank for a plunger drop.", "", List.of(
            new Answer("Vent shut for the drop, open before it is fitted", "The level falls to where it should."),
            new Answer("Both holes shut for good", "A vacuum: the ink stays where it is."))),
        new Question("port-8", "Drawing at the waste line.", "", List.of(
            new Answer("Head on its dock, waste tubes out into the bottle", "The cap seals; you pull through the head."),
            new Answer("Head off the dock", "No resistance, no ink: you pull air."))),
        new Question("port-9", "Cleaning after a draw at the waste line.", "", List.of(
            new Answer("Waste tubes back first", "The waste goes where it belongs."),
            new Answer("Clean at once", "It runs out into the machine."))),
        new Question("port-10", "Opening a joint below a raised bottle.", "", List.of(
            new Answer("Bottle down first", "It only drips."),
            new Answer("Open the joint first", "It squirts across the bench."))),
        new Question("port-11", "Opening the white’s line for a flush.", "", List.of(
            new Answer("White bottle below the head", "It stays in the bottle."),
            new Answer("Bottle where it was", "White runs as soon as the line is off."))),
        new Question("port-12", "A machine that goes to the shelf for a month, parked on fluid.", "", List.of(
            new Answer("Capped, vents plugged, valve shut", "It waits without drying or leaking."),
            new Answer("Vents open, so that it can breathe", "It breathes out its water."))));

    private DrillPorts() {}
}
