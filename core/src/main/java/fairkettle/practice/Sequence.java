package fairkettle.practice;

import java.util.ArrayList;
import java.util.List;

/**
 * Steps to be put into their order, and what each wrong swap does.
 *
 * @param steps in their right order
 * @param harms of pairs that must not be swapped; other pairs may stand either way
 */
public record Sequence(String id, String title, List<String> steps, List<Harm> harms) {

    public Sequence {
        steps = List.copyOf(steps);
        harms = List.copyOf(harms);
        for (var harm : harms) {
            if (harm.first() < 0 || harm.first() >= harm.second() || harm.second() >= steps.size()) {
                throw new IllegalArgumentException(
                        "The harm “%s” names steps that are not there.".formatted(harm.then()));
            }
        }
    }

    /** @param first and @param second places in the right order; @param then what happens the other way round */
    public record Harm(int first, int second, String then) {}

    /**
     * What would have happened. @param order places in the right order, as they were put. @throws
     * IllegalArgumentException if it is not every step once
     */
    public List<String> wrong(List<Integer> order) {
        if (order.size() != steps.size()
                || order.stream()
                                .distinct()
                                .filter(i -> i >= 0 && i < steps.size())
                                .count()
                        != steps.size()) {
            throw new IllegalArgumentException("Every step once, please.");
        }
        var all = new ArrayList<String>();
        for (var harm : harms) {
            if (order.indexOf(harm.first()) > order.indexOf(harm.second())) {
                all.add("“%s” before “%s”: %s"
                        .formatted(steps.get(harm.second()), steps.get(harm.first()), harm.then()));
            }
        }
        return all;
    }

    public static final List<Sequence> ALL = List.of(
            new Sequence(
                    "white-line",
                    "Flush a white line",
                    List.of(
                            "Bottle below the head",
                            "Open the line at the head",
                            "Air back through the line",
                            "Waste bottle in",
                            "Fluid through the line",
                            "New damper, wetted",
                            "Ink again, until it comes without bubbles"),
                    List.of(
                            new Harm(0, 1, "white runs out of the line over the carriage."),
                            new Harm(2, 4, "fluid and white meet: the line is full of thin white."),
                            new Harm(3, 4, "fluid runs into the machine."),
                            new Harm(4, 5, "the new damper catches what the old one held."),
                            new Harm(4, 6, "the ink goes into the waste, and the line is still dirty."),
                            new Harm(5, 6, "the ink has nowhere to go but the bench."))),
            new Sequence(
                    "waste-line",
                    "Draw at the waste line",
                    List.of(
                            "Head on its dock",
                            "Waste tubes out, into the bottle",
                            "Draw slowly, let go, again",
                            "Waste tubes back",
                            "Look at a check",
                            "One cleaning, if gaps are left"),
                    List.of(
                            new Harm(0, 2, "you pull air: the cap is not on the head."),
                            new Harm(1, 2, "there is nothing to pull at."),
                            new Harm(2, 3, "nothing was drawn."),
                            new Harm(3, 5, "the cleaning’s ink runs into the machine."),
                            new Harm(4, 5, "you clean what may be cured."))),
            new Sequence(
                    "cartridges",
                    "Fit refilled cartridges",
                    List.of(
                            "Fill, air hole open",
                            "Prime at the outlet",
                            "Plug the fill hole",
                            "Shut valve and vents for hanging",
                            "Hang it until it clicks",
                            "Open valve and vents",
                            "Power on"),
                    List.of(
                            new Harm(0, 1, "you prime an empty cartridge: air."),
                            new Harm(0, 2, "it fills slowly, and spits."),
                            new Harm(3, 4, "ink runs into the carriage."),
                            new Harm(4, 5, "it drips while you hang it."),
                            new Harm(5, 6, "it starts on a vacuum, and takes air."))),
            new Sequence(
                    "soak",
                    "Soak a head on a cloth",
                    List.of(
                            "Unplug",
                            "Wiper down",
                            "Cloth wetted, not dripping",
                            "Carriage over it, five to ten minutes",
                            "Cloth out",
                            "Plug in, let it park",
                            "Check"),
                    List.of(
                            new Harm(0, 3, "fingers meet a moving carriage."),
                            new Harm(1, 3, "the cloth catches on the wiper."),
                            new Harm(2, 3, "a dry cloth dries the plate."),
                            new Harm(3, 4, "nothing was soaked."),
                            new Harm(4, 5, "the carriage drags the cloth along."),
                            new Harm(5, 6, "it prints off its dock, or not at all."))),
            new Sequence(
                    "charge",
                    "First ink in a tank machine",
                    List.of(
                            "Tape and foam out",
                            "Match each bottle to its tank",
                            "Fill every tank",
                            "Top caps shut",
                            "Confirm that all are full",
                            "Charge, do not switch off",
                            "Top up to the line"),
                    List.of(
                            new Harm(0, 5, "the carriage hits the foam."),
                            new Harm(1, 2, "the wrong ink is in the tank, and the way back is a drain."),
                            new Harm(2, 4, "it charges on empty tanks: air in every damper."),
                            new Harm(3, 5, "a cap that is open spoils the pull."),
                            new Harm(4, 5, "it refuses, or charges what is not there."),
                            new Harm(5, 6, "what you topped up is drawn, and the level is short again."))));
}
