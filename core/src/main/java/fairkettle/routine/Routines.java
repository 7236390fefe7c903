package fairkettle.routine;

import static fairkettle.routine.Routine.Drive.days;
import static fairkettle.routine.Routine.Drive.dryDays;

import fairkettle.ink.Family;
import fairkettle.machine.Architecture;
import fairkettle.machine.Profile;
import fairkettle.machine.VesselKind;
import fairkettle.routine.Routine.Credit;
import fairkettle.routine.Routine.Drive;
import fairkettle.routine.Routine.Scope;
import fairkettle.safety.Caution;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What each kind of machine needs, and how often: usual figures, which a machine tunes. */
public final class Routines {

    private static final double QUARTER = 91; // days
    private static final double YEAR = 365;

    private Routines() {}

    /**
     * The routines of a machine as it is fitted and filled.
     *
     * @param family what it prints
     */
    public static List<Routine> of(Profile profile, Family family) {
        var all = new ArrayList<Routine>();
        boolean film = family == Family.FILM;
        boolean white = profile.codes().stream().anyMatch(c -> c.white());
        boolean dampers = profile.channels().stream().anyMatch(c -> c.has(VesselKind.DAMPER));
        boolean cartridges = profile.channels().stream().anyMatch(c -> c.has(VesselKind.CARTRIDGE));
        looking(all, family);
        if (white) {
            white(all);
        }
        wiping(all, family);
        all.add(routine(
                "spit-pad",
                "Moisten the spit pad",
                "Look at the pad beside the path of the carriage. Moist: leave it. Dry: moisten it. Caked: change it."
                        + " None: mist falls back onto the head.",
                "Mist and specks: a dry pad throws mist back, a caked one splashes.",
                Scope.MACHINE,
                Credit.DONE,
                List.of(dryDays(film ? 7 : QUARTER), sheets(film ? 300 : 2000)),
                2,
                3,
                4,
                0,
                0,
                "",
                Caution.ELECTRICITY,
                Caution.MOVING_PARTS,
                Caution.INK));
        filters(all, profile, dampers, cartridges);
        all.add(routine(
                "waste-pad",
                "Change the waste pad",
                "Covers off, old pad out into a bag, new one in, covers on. Say so here, so that it counts from"
                        + " nothing.",
                "The machine stops in the middle of a job.",
                Scope.MACHINE,
                Credit.PAD_CHANGED,
                List.of(new Drive(Driver.WASTE, 0.8, false)),
                1.2,
                8,
                15,
                0,
                0,
                "",
                Caution.ELECTRICITY,
                Caution.WASTE));
        motion(all);
        if (profile.architecture().tanks()
                || profile.architecture() == Architecture.FILM
                || profile.architecture() == Architecture.BULK) {
            all.add(routine(
                    "levels",
                    "Read the tank levels",
                    "Read each tank at its window and enter what you see.",
                    "A tank runs dry, and air goes into its line.",
                    Scope.MACHINE,
                    Credit.READING,
                    List.of(days(7), new Drive(Driver.INK, 40, false)),
                    2,
                    5,
                    3,
                    0,
                    0,
                    ""));
        }
        if (family.food()) {
            all.add(routine(
                    "head-rinse",
                    "Rinse the head for food",
                    "Fresh gloves. Lift the head out, rinse it with cleaning fluid of food grade, dry it, fit it.",
                    "Unsafe food, and sugar that sets in the nozzles.",
                    Scope.MACHINE,
                    Credit.DONE,
                    List.of(days(7)),
                    1.3,
                    8,
                    12,
                    4,
                    0,
                    "sink",
                    Caution.FOOD,
                    Caution.HEAD_RISK));
            all.add(routine(
                    "best-before",
                    "Exchange ink past its date",
                    "Look at the dates of the bottles it was filled from. Ink past its date is drained, not topped up.",
                    "Ink past its date on food.",
                    Scope.MACHINE,
                    Credit.DONE,
                    List.of(new Drive(Driver.DATE, 1, false)),
                    1.01,
                    9,
                    5,
                    0,
                    0,
                    "",
                    Caution.FOOD));
        }
        return all;
    }

    /** What a machine at rest on fluid still asks for. */
    public static List<Routine> atRest() {
        return List.of(routine(
                "damp-cap",
                "Damp the cap",
                "A few drops of cleaning fluid into the cap; carriage back over it.",
                "The head dries, parked or not.",
                Scope.MACHINE,
                Credit.DONE,
                List.of(dryDays(30)),
                1.6,
                6,
                4,
                0,
                0,
                "",
                Caution.INK));
    }

    private static void looking(List<Routine> all, Family family) {
        double days = family.makers() ? 3 : 1;
        all.add(routine(
                "check",
                "Nozzle check",
                "Print a check sheet, look at it, and keep what you see.",
                "A clog is found a day late.",
                Scope.MACHINE,
                Credit.CHECK,
                List.of(dryDays(days), sheets(150)),
                2,
                6,
                4,
                2,
                0,
                ""));
        double idle = switch (family) {
            case FILM -> 1;
            case EDIBLE -> 2;
            case SUBLIMATION -> 3;
            case MAKERS_DYE, MAKERS_PIGMENT -> 7;
        };
        all.add(routine(
                "purge",
                "Purge sheet",
                "Print a purge sheet of the channels that have not printed.",
                "Ink dries in the nozzles.",
                Scope.CHANNEL,
                Credit.INK_LAID,
                List.of(new Drive(Driver.IDLE, idle, true)),
                1.5,
                8,
                3,
                3,
                0,
                ""));
    }

    private static void white(List<Routine> all) {
        all.add(routine(
                "shake",
                "Shake or stir the white",
                "Cap on, turn the bottle over twenty times; stir a fixed tank with a clean rod of its own. Do not whip"
                        + " air in.",
                "Thin white, and lumps that clog the filters.",
                Scope.WHITE,
                Credit.DONE,
                List.of(new Drive(Driver.SETTLED, Settling.LIMIT_IN_TANK, false), days(3)),
                1.6,
                8,
                3,
                0,
                0,
                "",
                Caution.INK));
        all.add(routine(
                "move-white",
                "Move the white in its line",
                "Draw a line’s volume at the waste line with the white’s own syringe, shake it, give it back to its"
                        + " tank; or print it.",
                "The white lies on the floor of the line: a clogged line and damper.",
                Scope.WHITE,
                Credit.LINE_MOVED,
                List.of(new Drive(Driver.SETTLED, Settling.LIMIT_IN_LINE, false)),
                1.4,
                9,
                6,
                2,
                0,
                "white kit",
                Caution.INK,
                Caution.PRESSURE));
        all.add(routine(
                "look-line",
                "Look at the white’s line",
                "Against the light, at its lowest bend: clear, a film, or solid. A picture beside the last one tells"
                        + " more than memory.",
                "A line that closes up is noticed when the print is thin.",
                Scope.WHITE,
                Credit.DONE,
                List.of(days(14)),
                2,
                4,
                2,
                0,
                0,
                ""));
    }

    private static void wiping(List<Routine> all, Family family) {
        double days = switch (family) {
            case FILM -> 1;
            case SUBLIMATION -> 7;
            case EDIBLE, MAKERS_DYE, MAKERS_PIGMENT -> 30;
        };
        all.add(routine(
                "wiper",
                "Wipe the wiper",
                "With a lint-free cloth and cleaning fluid, both sides of the blade.",
                "It smears one ink into the nozzles of another.",
                Scope.MACHINE,
                Credit.DONE,
                List.of(dryDays(days), cleanings(12)),
                2,
                4,
                4,
                0,
                0,
                "",
                Caution.ELECTRICITY,
                Caution.INK));
        all.add(routine(
                "cap-rim",
                "Wipe the cap’s rim",
                "Swab the edges of the cap until the swab stays clean. No threads left behind.",
                "It does not seal: air gets in, nozzles dry overnight.",
                Scope.MACHINE,
                Credit.DONE,
                List.of(dryDays(days), cleanings(12)),
                2,
                6,
                4,
                0,
                0,
                "",
                Caution.ELECTRICITY,
                Caution.INK));
        all.add(routine(
                "plate-edges",
                "Wipe the head’s edges",
                "The holder’s edges firmly, the mirror plate feather-light or not at all. Take threads away with"
                        + " tweezers.",
                "Threads drag ink across the print.",
                Scope.MACHINE,
                Credit.DONE,
                List.of(dryDays(days * 2), cleanings(20)),
                2,
                4,
                5,
                0,
                0,
                "",
                Caution.HEAD_RISK,
                Caution.INK));
        all.add(routine(
                "cap-lines",
                "Flush the cap and its lines",
                "Fill the cap with cleaning fluid, wait five minutes, let the pump draw it off. At once after a hot"
                        + " dry spell.",
                "Cleanings do nothing: the pump draws air instead of ink.",
                Scope.MACHINE,
                Credit.DONE,
                List.of(dryDays(family == Family.FILM ? 7 : QUARTER)),
                1.5,
                6,
                6,
                5,
                0,
                "",
                Caution.INK,
                Caution.WASTE));
    }

    private static void filters(List<Routine> all, Profile profile, boolean dampers, boolean cartridges) {
        if (cartridges) {
            all.add(filter("cartridge-filter", "Exchange the cartridge’s filter", Scope.CHANNEL, YEAR, 1500));
        }
        if (profile.architecture() == Architecture.BAY || profile.architecture() == Architecture.FILM) {
            all.add(filter("bay-filter", "Clean the ink bay’s points and filter plates", Scope.MACHINE, YEAR, 6000));
        }
        if (dampers) {
            all.add(routine(
                    "damper",
                    "Exchange the damper",
                    "Bottles down, joint off over a cloth, new damper wetted and fitted, primed, checked.",
                    "Starvation: solid areas fade within a page.",
                    Scope.CHANNEL,
                    Credit.DONE,
                    List.of(days(270), new Drive(Driver.INK, 1500, false)),
                    1.5,
                    5,
                    12,
                    4,
                    120,
                    "",
                    Caution.SQUIRT,
                    Caution.INK));
            if (profile.codes().stream().anyMatch(c -> c.white())) {
                all.add(routine(
                        "white-damper",
                        "Exchange the white’s damper",
                        "Bottle down, joint off over a cloth, new damper wetted and fitted, primed, checked.",
                        "White thin in solid areas; a head bought for nothing.",
                        Scope.WHITE,
                        Credit.DONE,
                        List.of(days(QUARTER), new Drive(Driver.INK, 400, false)),
                        1.5,
                        6,
                        12,
                        4,
                        120,
                        "",
                        Caution.SQUIRT,
                        Caution.INK));
            }
        }
        all.add(filter("head-filter", "Flush the head’s own filter", Scope.CHANNEL, 2 * YEAR, 6000));
    }

    private static Routine filter(String id, String title, Scope scope, double days, double mL) {
        return routine(
                id,
                title,
                "It cannot be seen from outside: it goes by age and by what ran through it.",
                "Starvation; the oldest of a channel’s filters is the first to suspect.",
                scope,
                Credit.DONE,
                List.of(days(days), new Drive(Driver.INK, mL, false)),
                1.5,
                3,
                15,
                4,
                30,
                "sink",
                Caution.INK,
                Caution.ELECTRICITY);
    }

    private static void motion(List<Routine> all) {
        all.add(routine(
                "rail",
                "Clean and oil the rail",
                "Wipe the old oil off with a dry cloth, then a thin film of light oil. Never spray.",
                "The carriage drags: steps in the print, a belt that skips.",
                Scope.MACHINE,
                Credit.DONE,
                List.of(days(QUARTER), sheets(4000)),
                2,
                3,
                12,
                0,
                0,
                "",
                Caution.ELECTRICITY,
                Caution.MOVING_PARTS));
        all.add(motion(
                "strip",
                "Wipe the encoder strip",
                "Between two fingers in a damp lint-free cloth, no alcohol: it dissolves the marks.",
                "Position errors, doubled lines."));
        all.add(motion(
                "wheel",
                "Dust the encoder wheel",
                "A soft dry brush. Do not turn it by its rim.",
                "Pages too long or too short."));
        all.add(motion(
                "sensor",
                "Dust the sensors",
                "A soft brush or a puff of air; never a can held upside down.",
                "Paper that is not seen."));
        all.add(motion(
                "belt",
                "Look at the belt",
                "Teeth whole, no fluff, taut but not singing.",
                "A skipping belt; a dry rail is asked first."));
    }

    private static Routine motion(String id, String title, String say, String skipping) {
        return routine(
                id,
                title,
                say,
                skipping,
                Scope.MACHINE,
                Credit.DONE,
                List.of(days(QUARTER), sheets(4000)),
                2,
                2,
                5,
                0,
                0,
                "",
                Caution.ELECTRICITY,
                Caution.MOVING_PARTS);
    }

    private static Drive sheets(double count) {
        return new Drive(Driver.SHEETS, count, false);
    }

    private static Drive cleanings(double count) {
        return new Drive(Driver.CLEANINGS, count, false);
    }

    /** The part that a routine exchanges; empty for one that only cleans or moves something. */
    public static Optional<String> part(String routine) {
        return Optional.ofNullable(
                switch (routine) {
                    case "waste-pad" -> "waste pad";
                    case "damper" -> "damper";
                    case "white-damper" -> "damper of the white";
                    default -> null;
                });
    }

    private static Routine routine(
            String id,
            String title,
            String say,
            String skipping,
            Scope scope,
            Credit credit,
            List<Drive> drives,
            double latest,
            int weight,
            int hands,
            int machine,
            int rest,
            String thing,
            Caution... cautions) {
        return new Routine(
                id,
                title,
                say,
                skipping,
                scope,
                credit,
                drives,
                latest,
                weight,
                hands,
                machine,
                rest,
                thing,
                List.of(cautions));
    }
}
