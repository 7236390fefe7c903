package fairkettle.benchwork;

import static fairkettle.procedure.Step.step;
import static fairkettle.procedure.UsualSteps.drawn;
import static fairkettle.procedure.UsualSteps.on;
import static fairkettle.procedure.UsualSteps.volumes;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Handling;
import fairkettle.machine.Panel;
import fairkettle.machine.Profile;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Branch;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Move;
import fairkettle.procedure.Pause;
import fairkettle.procedure.Procedure;
import fairkettle.procedure.Step;
import fairkettle.procedure.UsualSteps;
import fairkettle.routine.Routine;
import fairkettle.safety.Caution;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/** Bench work as steps for the hands. */
public final class BenchCard {

    private static final Millilitres PULLED = Millilitres.parse("5");
    private static final Millilitres PULLED_COLOUR = Millilitres.parse("5");
    private static final Millilitres BUBBLE = Millilitres.parse("3");
    private static final Millilitres LOST_WITH_DAMPER = Millilitres.parse("3");
    private static final List<VesselKind> WHOLE =
            List.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE, VesselKind.DAMPER, VesselKind.HEAD);
    private static final List<VesselKind> TO_DAMPER =
            List.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE, VesselKind.DAMPER);

    private static final int SHORT = 10; // minutes in which a bare head takes no harm

    private BenchCard() {}

    /** @param channels it is for, where it is for channels at all */
    public static Procedure of(BenchWork work, List<ChannelCode> channels, Profile profile, Family family) {
        var steps = switch (work) {
            case LINE_FLUSH, WHOLE_FLUSH -> LineFlush.steps(channels, profile, family);
            case WHITE_START -> whiteStart(channels, profile, family);
            case POSITION_FAULT -> positionFault(profile, family);
            case INLET_POINTS -> inlets(channels, profile, family);
            case UNDER_HEADS -> underHeads(profile, family);
            case HEAD_REFIT -> headRefit(profile, family);
            case LONG_RUN -> longRun();
            case BUBBLES -> bubbles(channels, profile, family);
            case TRANSIT -> Transit.steps(profile);
            case ROUTINE -> throw new IllegalArgumentException("A routine has a card of its own.");
        };
        return new Procedure.Builder().part(work.title(), steps).from(List.of());
    }

    /** Plates of nozzles that are looked at apart. */
    static List<String> banks(Profile profile) {
        boolean white = profile.codes().stream().anyMatch(ChannelCode::white);
        return white
                ? List.of("white side", "colour side")
                : profile.headsByUser() ? List.of("left head", "right head") : List.of("the head");
    }

    private static List<Step> whiteStart(List<ChannelCode> whites, Profile profile, Family family) {
        int n = whites.size();
        var names = whites.stream().map(ChannelCode::code).toList();
        var colours = profile.codes().stream().filter(c -> !c.white()).toList();
        var steps = new ArrayList<Step>();
        steps.add(step("poor", "What stood worst?")
                .say("The last check and the look of the tanks say it. White poor alone: only its circuit is"
                        + " treated. Colours poor too: something they share comes first.")
                .minutes(2)
                .ask(new Ask.Choice("What is poor?", List.of("white alone, or nothing known")))
                .branch(Branch.once(
                        "both",
                        "Colours are poor too",
                        step("shared", "Cap, dock and air first")
                                .say("Before any line: a cap that does not seal, a head off its dock and a shut"
                                        + " vent make every colour poor at once.")
                                .minutes(6)
                                .care(Caution.INK)
                                .ask(new Ask.Ticks(List.of(
                                        "cap’s rim wiped, and it springs",
                                        "head stands on its dock",
                                        "vents open, no line kinked")))
                                .fulfils("cap-rim")
                                .build()))
                .build());
        steps.add(UsualSteps.ready(family));
        steps.add(UsualSteps.free(profile));
        steps.add(UsualSteps.cloth());
        steps.add(wiped(profile, family));
        steps.add(UsualSteps.towelsOut());
        steps.add(on(profile));
        steps.add(step("shake", "Shake bottle and tank of the white")
                .say("Both: what lies in the tank does not rise when the bottle is shaken.")
                .minutes(2 * n)
                .care(Caution.INK)
                .fulfils("shake")
                .build());
        steps.add(step("docked", "Is the head on its dock?")
                .say("Off the dock nothing comes but air.")
                .minutes(1)
                .hold("The head stands docked on its cap.")
                .build());
        steps.add(step("tubes-out", "The waste tubes out of their bottle")
                .say("Wipe their ends. Until they are back no cleaning may run: its ink would go into the machine.")
                .minutes(1)
                .care(Caution.WASTE)
                .restsOn(Handling.Matter.WASTE_LINES)
                .then(Facet.WASTE_LINE, "open")
                .build());
        steps.add(step("pull", "Draw %s at the waste line".formatted(String.join(" and ", names)))
                .needs(Facet.WASTE_LINE, "open")
                .say("With the white’s own syringe, slowly, let go, again. More minutes than any colour gets. It is"
                        + " good ink: shaken, it goes back into its own tank.")
                .minutes(6 * n)
                .with("white’s own syringe")
                .care(Caution.SLOW, Caution.PRESSURE)
                .ask(drawn("drawn, and given back", whites, PULLED))
                .branch(
                        Branch.stop(
                                "blocked",
                                "Nothing moves",
                                "Blocked: more force breaks the head. Stop, and open a case for this machine."),
                        Branch.again(
                                "soiled",
                                "Colour or crumbs in it",
                                3,
                                "It is soiled each time: flush its line instead, or open a case.",
                                step("soiled", "That goes to waste")
                                        .say("Soiled white never goes back. What is drawn after it, clean, does.")
                                        .minutes(2)
                                        .care(Caution.WASTE)
                                        .ask(volumes("to waste", whites, PULLED))
                                        .moves(new Move.Draw(WHOLE))
                                        .build()))
                .build());
        steps.add(step("flow", "How did it come?")
                .say("Resistance, ink, bubbles: the round is over when it comes evenly and loosens.")
                .minutes(1)
                .ask(new Ask.Each("How did it come?", names, List.of("evenly, without bubbles", "hard, and easing")))
                .branch(Branch.again(
                        "round",
                        "Bubbles, or it stutters",
                        3,
                        "Three rounds and still not even: flush its line instead, or open a case.",
                        step("tubes-in", "Waste tubes back, one cleaning")
                                .say("A cleaning between two rounds takes the loosened paste away. "
                                        + profile.handling()
                                                .panel()
                                                .how(Panel.Act.CLEANING)
                                                .words())
                                .minutes(2)
                                .hold("The waste tubes are back.")
                                .care(Caution.NO_POWER_OFF)
                                .moves(new Move.Clean(
                                        profile.codes(), profile.draws().cleaning()))
                                .waits(new Pause(
                                        "cleaning",
                                        Duration.ofMinutes(profile.minutes().cleaning()),
                                        null,
                                        true))
                                .build(),
                        step("pull-again", "Draw the white once more")
                                .say("Slowly, and back into its tank, shaken. Say in the next step how it comes now.")
                                .minutes(6 * n)
                                .care(Caution.SLOW, Caution.PRESSURE)
                                .ask(volumes("drawn, and given back", whites, PULLED))
                                .build()))
                .build());
        steps.add(step("colours", "Colours: only those that fail")
                .say("By the last check. A colour that was whole is left alone.")
                .minutes(1)
                .ask(new Ask.Choice("Which colours fail?", List.of("none more")))
                .branch(colours.stream()
                        .map(c -> Branch.again(
                                "fails-" + c,
                                c + " fails",
                                2,
                                "Twice and no better: open a case for it.",
                                step("pull-colour", "One pull of " + c)
                                        .say("Own syringe, slowly, a little over 5 mL. Colour from the waste line never"
                                                + " goes back.")
                                        .minutes(3)
                                        .with("syringe of " + c)
                                        .care(Caution.SLOW, Caution.WASTE)
                                        .ask(drawn("drawn", List.of(c), PULLED_COLOUR))
                                        .moves(new Move.Draw(WHOLE))
                                        .build()))
                        .toArray(Branch[]::new))
                .build());
        steps.add(step("tubes-back", "Waste tubes back, one cleaning")
                .needs(Facet.WASTE_LINE, "open")
                .then(Facet.WASTE_LINE, "in the machine")
                .say("Now the machine’s own cleaning. "
                        + profile.handling().panel().how(Panel.Act.CLEANING).words())
                .minutes(2)
                .hold("The waste tubes are back.")
                .care(Caution.NO_POWER_OFF)
                .moves(new Move.Clean(profile.codes(), profile.draws().cleaning()))
                .waits(new Pause(
                        "cleaning", Duration.ofMinutes(profile.minutes().cleaning()), null, true))
                .build());
        steps.add(step("bubbles", "Look for bubbles, head in the middle")
                .say("After a cleaning one often hangs where the line bends: tap it loose while the head stands in"
                        + " the middle.")
                .minutes(1)
                .ask(new Ask.Ticks(List.of("no bubble in any line")))
                .build());
        steps.add(UsualSteps.check(profile));
        steps.add(step("white-block", "A white block on film")
                .say("Judged by two things: no lines, and nothing shines through. Not good: back to drawing, never"
                        + " on to powder.")
                .minutes(4)
                .with("film sheet")
                .ask(new Ask.Each("White block", List.of("lines", "cover"), List.of("good")))
                .moves(new Move.Print(whites, profile.draws().sheet()))
                .branch(Branch.again(
                        "not-good",
                        "Lines, or it shines through",
                        2,
                        "Still not good: flush the line, or open a case. Do not powder it.",
                        step("pull-for-block", "Draw the white again")
                                .say("Given back, shaken; then the block again.")
                                .minutes(6 * n)
                                .care(Caution.SLOW)
                                .ask(volumes("drawn, and given back", whites, PULLED))
                                .build()))
                .build());
        return steps;
    }

    private static Step wiped(Profile profile, Family family) {
        var items = new ArrayList<String>();
        banks(profile).forEach(bank -> items.add("plate’s edges, %s, with a fresh swab".formatted(bank)));
        items.addAll(List.of("cap rim", "wiper, both sides"));
        return step("wipe", "Wipe plate edges, cap rim and wiper")
                .say("Lint-free, %s fluid. The holder’s edges firmly; the mirror plate feather-light or not at all."
                        .formatted(family.label()))
                .minutes(6)
                .care(Caution.HEAD_RISK, Caution.INK)
                .needs(Facet.POWER, "unplugged")
                .ask(new Ask.Ticks(items))
                .fulfils("plate-edges", "cap-rim", "wiper")
                .build();
    }

    private static List<Step> positionFault(Profile profile, Family family) {
        return List.of(
                UsualSteps.ready(family),
                UsualSteps.free(profile),
                UsualSteps.wetCloth(family),
                motion(
                        "rail",
                        "Rail: clean, then oil",
                        "A dry rail drags. Old oil off with a dry cloth, a thin film of light oil on; never sprayed. A"
                                + " belt that skips skips because the carriage drags.",
                        10),
                motion(
                        "strip",
                        "Encoder strip",
                        "Between two fingers in a damp lint-free cloth, then dry. No alcohol: it takes the marks off.",
                        4),
                motion("wheel", "Encoder wheel", "A soft dry brush. Not turned by its rim.", 3),
                motion(
                        "sensor",
                        "Sensor",
                        "A puff of air, a soft brush. The strip runs through its slit and hangs on both hooks.",
                        4),
                UsualSteps.clothOut(),
                UsualSteps.towelsOut(),
                on(profile),
                step("tried", "Does it run now?")
                        .say("From end to end, then a page. Mostly this was all.")
                        .minutes(4)
                        .ask(new Ask.Choice("Does it run?", List.of("it runs")))
                        .branch(Branch.once(
                                "still",
                                "It still complains",
                                UsualSteps.free(profile),
                                motion(
                                        "belt",
                                        "The belt, now that the rail is done",
                                        "Teeth whole, no fluff, taut and not singing. Slack: its tensioner first.",
                                        4),
                                on(profile),
                                step("parts", "Parts, last of all")
                                        .say("Rail, strip, wheel, sensor and belt are clean: only now is a part the"
                                                + " next suspect. Strip first, then sensor, then belt: from the"
                                                + " cheap one to the dear one.")
                                        .minutes(5)
                                        .build()))
                        .build(),
                step("align", "Align the head, if lines stand beside their place")
                        .say("On a check without gaps.")
                        .minutes(5)
                        .skippable()
                        .build());
    }

    private static Step motion(String routine, String title, String say, int minutes) {
        return step(routine, title)
                .say(say)
                .minutes(minutes)
                .care(Caution.ELECTRICITY, Caution.MOVING_PARTS)
                .needs(Facet.POWER, "unplugged")
                .fulfils(routine)
                .build();
    }

    private static List<Step> inlets(List<ChannelCode> channels, Profile profile, Family family) {
        var steps = new ArrayList<Step>();
        steps.add(UsualSteps.ready(family));
        steps.addAll(UsualSteps.lowered(profile));
        steps.add(UsualSteps.free(profile));
        steps.addAll(UsualSteps.inletBared(profile));
        steps.add(UsualSteps.wetCloth(family));
        steps.addAll(List.of(
                step("open", "Bring the inlets to light")
                        .say("Cartridges or dampers off over a cloth, one channel at a time, so that nothing is"
                                + " mixed up.")
                        .minutes(2 * channels.size())
                        .care(Caution.INK, Caution.SQUIRT)
                        .needs(Facet.POWER, "unplugged")
                        .build(),
                step("points", "Swab and look, point by point")
                        .say("A fresh swab for each. If anything is probed at all: a very fine needle, gently,"
                                + " straight. A point that is hurt gives uneven flow for good.")
                        .minutes(2 * channels.size())
                        .with("swab per channel", "lamp")
                        .care(Caution.HEAD_RISK, Caution.SHARPS)
                        .ask(new Ask.Each(
                                "The point is",
                                channels.stream().map(ChannelCode::code).toList(),
                                List.of("clear", "crusted")))
                        .tells(Step.Tells.INLET_POINTS)
                        .build(),
                step("dissolve", "Crust: a drop of fluid, and time")
                        .say("A drop on a crusted point, five minutes, swab again. Crust here explains a missing"
                                + " channel: its nozzles may be well.")
                        .minutes(4)
                        .skippable()
                        .waits(new Pause("fluid on the points", Duration.ofMinutes(5), Duration.ofMinutes(15), false))
                        .build(),
                step("shut", "Everything back on")
                        .say("Pressed until it sits; no gap at a fitting.")
                        .minutes(channels.size())
                        .hold("Each is back in its own place.")
                        .care(Caution.FORCE)
                        .fulfils("bay-filter")
                        .build(),
                UsualSteps.clothOut()));
        steps.addAll(UsualSteps.inletCovered(profile));
        steps.addAll(List.of(UsualSteps.towelsOut(), on(profile), UsualSteps.check(profile)));
        return steps;
    }

    private static List<Step> underHeads(Profile profile, Family family) {
        var banks = banks(profile);
        return List.of(
                UsualSteps.ready(family),
                UsualSteps.free(profile),
                UsualSteps.cloth(),
                wiped(profile, family),
                step("threads", "What was under it?")
                        .say("A lamp and a mirror. Threads are pulled away with tweezers, along the plate, never"
                                + " across.")
                        .minutes(3)
                        .needs(Facet.POWER, "unplugged")
                        .care(Caution.HEAD_RISK)
                        .ask(new Ask.Each(
                                "What was there?",
                                banks,
                                List.of("clean", "ink that came away", "a thread, taken out", "dried, and stays")))
                        .build(),
                UsualSteps.towelsOut(),
                on(profile),
                step("home", "Let it park")
                        .say("A head that must wait outside its cap waits on a wet lint-free cloth.")
                        .minutes(1)
                        .needs(Facet.POWER, "on")
                        .build(),
                UsualSteps.check(profile),
                step("banks", "Each bank for itself")
                        .say("One that is good says nothing of the other.")
                        .minutes(1)
                        .ask(new Ask.Each("On the check", banks, List.of("whole", "better", "no better", "worse")))
                        .build());
    }

    private static List<Step> headRefit(Profile profile, Family family) {
        var steps = new ArrayList<Step>();
        steps.add(UsualSteps.worth("Must it come out?", "Soaks, cap care and days of checks come before this."));
        steps.add(UsualSteps.ready(family));
        steps.addAll(UsualSteps.lowered(profile));
        steps.add(UsualSteps.free(profile));
        steps.add(UsualSteps.coversOff(profile));
        steps.add(UsualSteps.headOut(profile));
        steps.add(step("wet", "It waits on a wet cloth")
                .say("Plate down on a wet lint-free cloth, board dry and covered. It may not stand dry for a minute.")
                .minutes(2)
                .care(Caution.BOARD)
                .needs(Facet.HEAD, "out")
                .build());
        steps.addAll(UsualSteps.headIn(profile));
        steps.add(UsualSteps.wetCloth(family));
        steps.add(UsualSteps.clothOut());
        steps.add(UsualSteps.coversOn(profile));
        steps.add(UsualSteps.towelsOut());
        steps.add(on(profile));
        steps.add(UsualSteps.home());
        steps.add(UsualSteps.check(profile));
        steps.add(step("align", "Align the head")
                .say("After every move of it, on a check without gaps.")
                .minutes(5)
                .skippable()
                .then(Facet.ALIGNMENT, "done")
                .build());
        return steps;
    }

    /** With the bottle down nothing presses on the outlet while it is open. */
    private static List<Step> bubbles(List<ChannelCode> channels, Profile profile, Family family) {
        var steps = new ArrayList<Step>();
        steps.add(UsualSteps.ready(family));
        steps.add(UsualSteps.off());
        steps.addAll(UsualSteps.lowered(profile));
        steps.add(step("off-inlet", "Cartridge out, its outlet up")
                .say("One at a time. Turned so that the bubble stands under the outlet; a tap with a finger brings it"
                        + " there.")
                .minutes(channels.size())
                .care(Caution.INK, Caution.SQUIRT)
                .needs(Facet.POWER, "unplugged")
                .needs(Facet.GLOVES, "on")
                .ask(new Ask.InOrder(channels, "out, outlet up, bubble below it"))
                .build());
        steps.add(step("pull", "Draw until ink comes without a bubble")
                .say("Syringe of its own colour on the outlet, slowly, until its window is full from edge to edge. This"
                        + " ink is clean: it goes back into the raised bottle of its own colour, white shaken.")
                .minutes(3 * channels.size())
                .care(Caution.SLOW, Caution.PRESSURE)
                .ask(drawn("drawn, and given back", channels, BUBBLE))
                .branch(Branch.stop(
                        "still",
                        "Bubbles keep coming",
                        "Air comes in somewhere: an outlet seal that does not close, or a filter that is dry. Put the"
                                + " cartridges in and the bottles up again, and open a case for this machine."))
                .build());
        steps.add(step("on-inlet", "Cartridges in again")
                .say("Each into its own place, until it sits.")
                .minutes(channels.size())
                .hold("Every window is full, and no bubble shows.")
                .care(Caution.FORCE)
                .ask(new Ask.Each(
                        "In its window",
                        channels.stream().map(ChannelCode::code).toList(),
                        List.of("full, no bubble")))
                .build());
        steps.add(step("raise", "Bottles up again")
                .say("At their height, each on its own line.")
                .minutes(2)
                .care(Caution.SQUIRT)
                .build());
        steps.add(UsualSteps.towelsOut());
        steps.add(UsualSteps.onAgain(profile));
        steps.add(UsualSteps.check(profile));
        return steps;
    }

    private static List<Step> longRun() {
        return List.of(
                step("air", "Is the room aired?")
                        .say("Powder and hot adhesive for hours want a fan or an open window.")
                        .minutes(1)
                        .hold("Air moves through the room.")
                        .care(Caution.POWDER, Caution.HEAT)
                        .build(),
                step("shaker", "Shaker and oven")
                        .say("Set for this film, tried with a hand’s length of it.")
                        .minutes(6)
                        .care(Caution.HEAT, Caution.POWDER)
                        .ask(new Ask.Ticks(List.of(
                                "powder in the hopper for the whole run",
                                "shaker’s strength set: no bare, no heaped spots",
                                "oven at its heat, and even across",
                                "belt runs straight")))
                        .build(),
                step("film", "Film path")
                        .say("Under tension before anybody leaves the room.")
                        .minutes(4)
                        .ask(new Ask.Ticks(List.of(
                                "film straight, edge down",
                                "clamps clear of the carriage",
                                "tape over the roll’s end",
                                "sensor wiped and seeing the film")))
                        .build(),
                step("ink", "Ink and waste for the whole run")
                        .say("By the account, and by eye.")
                        .minutes(3)
                        .ask(new Ask.Ticks(
                                List.of("white shaken, and enough of it", "colours enough", "waste bottle has room")))
                        .build(),
                step("first", "The first hand’s length")
                        .say("Looked at before the rest is let go.")
                        .minutes(3)
                        .ask(new Ask.Ticks(
                                List.of("white is solid, no lines", "powder sticks evenly", "cured right through")))
                        .build());
    }

    /** A routine as a card. @param channels that want it; empty for the machine */
    public static Procedure of(Routine routine, List<ChannelCode> channels, Profile profile, Family family) {
        var steps = new ArrayList<Step>();
        boolean inside = routine.cautions().contains(Caution.ELECTRICITY)
                || routine.cautions().contains(Caution.SQUIRT);
        boolean takesLong = inside && routine.hands() * Math.max(1, channels.size()) > SHORT;
        boolean opened = inside && parts(routine);
        if (inside) {
            steps.add(UsualSteps.ready(family));
        }
        if (routine.cautions().contains(Caution.SQUIRT)) {
            steps.addAll(UsualSteps.lowered(profile));
        }
        boolean docked = routine.id().equals("spit-pad"); // it lies beside the path: the head need not leave its cap
        if (inside) {
            steps.add(docked ? UsualSteps.off() : UsualSteps.free(profile));
        }
        if (takesLong) {
            steps.add(UsualSteps.wetCloth(family));
        }
        if (opened) {
            steps.add(UsualSteps.coversOff(profile));
        }
        steps.add(work(routine, channels, inside));
        if (parts(routine)) {
            steps.add(step("prime", "Ink through, until it comes without bubbles")
                    .say("Only its own syringe, at the outlet. Then a check.")
                    .minutes(3 * Math.max(1, channels.size()))
                    .care(Caution.SLOW, Caution.WASTE)
                    .ask(volumes("drawn", channels, LOST_WITH_DAMPER))
                    .moves(new Move.Draw(TO_DAMPER))
                    .build());
        }
        if (takesLong) {
            steps.add(UsualSteps.clothOut());
        }
        if (opened) {
            steps.add(UsualSteps.coversOn(profile));
        }
        if (inside) {
            steps.add(UsualSteps.towelsOut());
            steps.add(docked ? UsualSteps.onAgain(profile) : on(profile));
        }
        if (routine.id().equals("cap-lines")) {
            steps.add(step("draw-off", "Let the pump draw it off")
                    .say("Lid shut; one cleaning empties the cap, and shows that the pump draws at all.")
                    .minutes(1)
                    .care(Caution.NO_POWER_OFF)
                    .moves(new Move.Clean(profile.codes(), profile.draws().cleaning()))
                    .waits(new Pause(
                            "cleaning", Duration.ofMinutes(profile.minutes().cleaning()), null, true))
                    .build());
        }
        if (routine.rest() > 0) {
            steps.add(step("rest", "Let it rest")
                    .say("Air rises while it stands.")
                    .minutes(0)
                    .skippable()
                    .waits(new Pause("rest", Duration.ofMinutes(routine.rest()), null, false))
                    .build());
        }
        if (routine.weight() >= 6 && inside) {
            steps.add(UsualSteps.check(profile));
        }
        return new Procedure.Builder().part(routine.title(), steps).from(List.of());
    }

    private static boolean parts(Routine routine) {
        return routine.id().equals("damper") || routine.id().equals("white-damper");
    }

    /** How the pad is found says what comes of it, and what to do. */
    private static void spitPad(Step.Builder step) {
        step.ask(new Ask.Choice("The pad is", List.of("moist, and nothing stands on it")))
                .branch(
                        Branch.once(
                                "dry",
                                "Dry",
                                step("pad-moist", "Moisten it")
                                        .say("A dry pad throws mist back onto the head: specks, and a head that is"
                                                + " soon dirty again. Drops of fluid, until it is moist all over.")
                                        .minutes(2)
                                        .with("pipette", "cleaning fluid")
                                        .care(Caution.INK)
                                        .build()),
                        Branch.once(
                                "caked",
                                "Caked, or it stands above its edge",
                                step("pad-caked", "Lift the cake off, or change the pad")
                                        .say("What is shot at a cake splashes back under the head. Tweezers, in one"
                                                + " piece; a pad that stays hard is changed. Then moist.")
                                        .minutes(6)
                                        .with("tweezers", "towel", "cleaning fluid")
                                        .care(Caution.INK, Caution.WASTE, Caution.SMALL_PARTS)
                                        .build()),
                        Branch.once(
                                "missing",
                                "There is none",
                                step("pad-missing", "Put one in")
                                        .say("Without it mist settles on the head. Felt cut to the trough, below its"
                                                + " edge, moist. Until there is one, the head’s edges are wiped every"
                                                + " day.")
                                        .minutes(6)
                                        .care(Caution.INK)
                                        .build()));
    }

    private static Step work(Routine routine, List<ChannelCode> channels, boolean inside) {
        var step = step(
                        "work",
                        routine.title()
                                + (channels.isEmpty()
                                        ? ""
                                        : ", "
                                                + String.join(
                                                        " ",
                                                        channels.stream()
                                                                .map(ChannelCode::code)
                                                                .toList())))
                .say(routine.say())
                .minutes(routine.hands() * Math.max(1, channels.size()))
                .care(routine.cautions().toArray(Caution[]::new))
                .fulfils(routine.id());
        if (inside) {
            step.needs(Facet.POWER, "unplugged");
        }
        if (!routine.thing().isEmpty()) {
            step.with(routine.thing());
        }
        if (routine.id().equals("cap-lines")) {
            step.waits(new Pause("fluid in the cap", Duration.ofMinutes(5), Duration.ofMinutes(10), false));
        }
        if (routine.id().equals("spit-pad")) {
            spitPad(step);
        } else if (parts(routine)) {
            step.ask(UsualSteps.fitted(channels));
        } else if (!channels.isEmpty()) {
            step.ask(new Ask.Each(
                    "Done?", channels.stream().map(ChannelCode::code).toList(), List.of("done", "left alone")));
        }
        return step.build();
    }
}
