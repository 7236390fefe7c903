package fairkettle.standin.machine;

import fairkettle.ink.Family;

/**
 * How this one machine, its ink and the hands at it behave: drawn anew for each, and wide, because nobody who gives
 * advice knows the machine it is for.
 *
 * @param reserve whether the damper holds ink back for the head; on a third of the machines nothing does
 * @param layers whether white falls into layers that clog at once, and crusts soften all or not at all
 * @param drying depth per day in reference air
 * @param dissolves how readily its dried ink lets go, 1 is usual
 * @param hardens how much a hard crust resists a pull: exponent on its hardness
 * @param pull strength of its pump, 1 is usual
 * @param soak share of the hardness that a soak of minutes takes
 * @param leaks how much faster everything dries under a cap that leaks
 * @param settling of white, mm a day
 * @param carries mL that carry a bubble out of a nozzle
 * @param rises hours at rest until a bubble has left by itself
 * @param vacuum mL drawn against a shut vent until nothing follows
 * @param sucksAir mL of air that every cleaning too many in a row pulls into the damper
 * @param hand spread of what this hand's draws and soaks come to; {@code slow} its minutes against the usual ones
 * @param falseMiss share of strokes a reader overlooks; {@code falsePresent} of missing ones it takes for there
 * @param blurred share of strokes that print so weakly that the reader nearly always misses them
 */
record Physics(
        boolean reserve,
        boolean layers,
        double drying,
        double dissolves,
        double hardens,
        double pull,
        double soak,
        double leaks,
        double settling,
        double carries,
        double rises,
        double vacuum,
        double sucksAir,
        double hand,
        double slow,
        double falseMiss,
        double falsePresent,
        double blurred) {

    static Physics drawn(Family family, Dice dice) {
        double drying =
                switch (family) { // why: film carries binder, edible ink sugar; the maker's ink has drying slowed
                    case MAKERS_DYE, MAKERS_PIGMENT -> .006;
                    case SUBLIMATION -> .016;
                    case EDIBLE -> .020;
                    case FILM -> .045;
                };
        double dissolves = switch (family) { // why: sugar and dye go back into solution, a cured binder does not
            case MAKERS_DYE, MAKERS_PIGMENT -> 1.2;
            case SUBLIMATION -> 1;
            case EDIBLE -> 1.25;
            case FILM -> .65;
        };
        return new Physics(
                dice.hits(.67),
                dice.hits(.33),
                dice.about(drying, .6), // why: bottles of one family differ more than families do
                Math.clamp(dice.about(dissolves, .45), .25, 2.5),
                dice.between(1.2, 3),
                Math.clamp(dice.about(1, .35), .35, 1.8), // why: pumps wear, and small machines have small ones
                Math.clamp(dice.about(.22, .5), .05, .6),
                Math.clamp(dice.about(22, .6), 5, 80), // why: from a rim that seeps to a head that stands open
                dice.about(2.1, .6),
                dice.about(.35, .5),
                dice.about(7, .6),
                dice.about(1.4, .4), // why: how much air stands above the ink
                Math.min(.25, dice.about(.05, .8)),
                dice.between(.05, .45),
                dice.about(1, .3),
                dice.between(.001, .012),
                dice.between(.005, .05),
                dice.between(0, .004));
    }

    /** What is done today is never quite what was done yesterday: a factor about 1. */
    double today(Dice dice) {
        return Math.clamp(dice.about(1, hand), .3, 2.2);
    }
}
