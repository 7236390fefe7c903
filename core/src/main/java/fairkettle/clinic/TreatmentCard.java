package fairkettle.clinic;

import static fairkettle.procedure.Step.step;
import static fairkettle.procedure.UsualSteps.cloth;
import static fairkettle.procedure.UsualSteps.clothOut;
import static fairkettle.procedure.UsualSteps.coversOff;
import static fairkettle.procedure.UsualSteps.coversOn;
import static fairkettle.procedure.UsualSteps.drawn;
import static fairkettle.procedure.UsualSteps.free;
import static fairkettle.procedure.UsualSteps.on;
import static fairkettle.procedure.UsualSteps.ready;
import static fairkettle.procedure.UsualSteps.towelsOut;
import static fairkettle.procedure.UsualSteps.volumes;
import static fairkettle.procedure.UsualSteps.wetCloth;

import fairkettle.benchwork.LineFlush;
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
import fairkettle.safety.Caution;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** A treatment as steps for the hands: tools, cautions, waits, and what it moves. The check comes after the card. */
public final class TreatmentCard {

    private static final Millilitres DRAWN_AT_WASTE_LINE = Millilitres.parse("5");
    private static final Millilitres DRAWN_AT_CARTRIDGE = Millilitres.parse("3");
    private static final Millilitres FLUID_AT_INLET = Millilitres.parse("5");
    private static final Millilitres LOST_WITH_PUSH = Millilitres.parse("1");
    private static final Millilitres LOST_WITH_DAMPER = Millilitres.parse("3");
    private static final List<VesselKind> WHOLE =
            List.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE, VesselKind.DAMPER, VesselKind.HEAD);
    private static final List<VesselKind> TO_DAMPER =
            List.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE, VesselKind.DAMPER);

    private TreatmentCard() {}

    /** @param channels treated; in the profile's order */
    public static Procedure of(Treatment treatment, List<ChannelCode> channels, Profile profile, Family family) {
        var steps = new ArrayList<Step>();
        steps.addAll(steps(treatment, channels, profile, family));
        return new Procedure.Builder().part(treatment.label(), steps).from(List.of());
    }

    private static List<Step> steps(Treatment treatment, List<ChannelCode> channels, Profile profile, Family family) {
        var all = profile.codes();
        var names = String.join(", ", channels.stream().map(ChannelCode::code).toList());
        var draws = profile.draws();
        var minutes = profile.minutes();
        return switch (treatment) {
            case PURGE_SHEET ->
                List.of(step("print", "Print a purge sheet of " + names)
                        .say(UsualSteps.carrier(channels)
                                + " Matt preset. Look at it while it comes: strong from top to foot, no bare"
                                + " bands, its own colour. What you see goes into the case.")
                        .minutes(2)
                        .moves(new Move.Print(channels, draws.sheet()))
                        .waits(new Pause("purge sheet", Duration.ofMinutes(minutes.sheet()), null, true))
                        .build());
            case CLEANING ->
                List.of(step("clean", "One light cleaning")
                        .say("Start it. "
                                + profile.handling()
                                        .panel()
                                        .how(Panel.Act.CLEANING)
                                        .words() + " One, not two: the check after it decides.")
                        .minutes(1)
                        .restsOn(Handling.Matter.CLEANING)
                        .care(Caution.NO_POWER_OFF)
                        .moves(new Move.Clean(all, draws.cleaning()))
                        .waits(new Pause("cleaning", Duration.ofMinutes(minutes.cleaning()), null, true))
                        .build());
            case POWER_CLEANING ->
                List.of(
                        step("level", "Are all tanks above the line a power cleaning needs?")
                                .say("It draws hard. A tank that runs low takes air, and the pad must have room.")
                                .minutes(2)
                                .hold("Every tank stands above the line, and the pad has room.")
                                .build(),
                        step("power", "One power cleaning")
                                .say("Start it. "
                                        + profile.handling()
                                                .panel()
                                                .how(Panel.Act.POWER_CLEANING)
                                                .words() + " Say no to the check that is offered.")
                                .minutes(1)
                                .restsOn(Handling.Matter.POWER_CLEANING)
                                .care(Caution.NO_POWER_OFF)
                                .moves(new Move.Clean(all, draws.powerCleaning()))
                                .waits(new Pause(
                                        "power cleaning", Duration.ofMinutes(minutes.powerCleaning()), null, true))
                                .build(),
                        step("rest", "Let it rest")
                                .say("The wait belongs to it. An early good check is luck, and nothing more is"
                                        + " treated before it is over.")
                                .minutes(0)
                                .skippable()
                                .waits(new Pause("rest after power cleaning", Duration.ofHours(12), null, false))
                                .build());
            case REST_SHORT -> List.of(rest("Leave it alone for two hours", Duration.ofHours(2)));
            case REST_LONG -> List.of(rest("Leave it alone over night", Duration.ofHours(12)));
            case WIPE -> List.of(ready(family), free(profile), cloth(), wiped(family), towelsOut(), on(profile));
            case SOAK ->
                List.of(
                        ready(family),
                        free(profile),
                        step("recess", "Wiper out of the way")
                                .say("The wiper goes down before a cloth comes near it.")
                                .minutes(1)
                                .hold("The wiper is recessed.")
                                .build(),
                        cloth(),
                        step("soak", "Head over a wetted pad")
                                .say(
                                        "A lint-free pad, wetted with %s fluid, not dripping, under the head. Five to ten minutes and no longer: a cloth that dries glues the plate."
                                                .formatted(family.label()))
                                .minutes(3)
                                .with("lint-free pad", family.label() + " fluid", "gloves")
                                .care(Caution.INK, Caution.BOARD)
                                .waits(new Pause("soak", Duration.ofMinutes(5), Duration.ofMinutes(10), false))
                                .build(),
                        step("pad-out", "Take the pad out")
                                .say("Before anything moves. A pad left inside tears the plate. What it printed"
                                        + " onto the pad, channel by channel, says which still give ink.")
                                .minutes(1)
                                .hold("The pad is out of the machine.")
                                .ask(new Ask.Each(
                                        "What did it leave on the pad?",
                                        all.stream().map(ChannelCode::code).toList(),
                                        List.of("a dot of its colour", "nothing", "I cannot tell")))
                                .build(),
                        towelsOut(),
                        on(profile));
            case SOAK_OVERNIGHT ->
                List.of(
                        ready(family),
                        free(profile),
                        step("wet-cap", "Wet the cap")
                                .say(
                                        "A few drops of %s fluid into the cap. The head parks on it and stays capped, so nothing dries."
                                                .formatted(family.label()))
                                .minutes(4)
                                .with("pipette", family.label() + " fluid", "gloves")
                                .care(Caution.INK)
                                .build(),
                        towelsOut(),
                        on(profile),
                        step("night", "Leave it over night")
                                .say("The fluid works from below. Do not clean before it is over.")
                                .minutes(0)
                                .waits(new Pause("overnight soak", Duration.ofHours(12), null, false))
                                .build());
            case FLUSH_CAP ->
                List.of(
                        ready(family),
                        free(profile),
                        step("flush", "Flush the cap")
                                .say("Fluid into the cap, to its rim. Five minutes; what still stands there says how"
                                        + " well its line draws. Hot water does it too, on lines that came off.")
                                .minutes(8)
                                .with("syringe", family.label() + " fluid", "gloves")
                                .care(Caution.INK, Caution.WASTE)
                                .waits(new Pause(
                                        "fluid in the cap", Duration.ofMinutes(5), Duration.ofMinutes(10), false))
                                .fulfils("cap-lines")
                                .build(),
                        step("tubes-in", "Waste tubes where they end")
                                .say("A cleaning with its tubes outside runs into the machine.")
                                .minutes(1)
                                .hold("Every waste tube that was moved is back where it ends.")
                                .build(),
                        towelsOut(),
                        on(profile),
                        cleaning("draw-off", "One light cleaning, to draw it through the pump line", profile));
            case NEW_CAP ->
                List.of(
                        ready(family),
                        free(profile),
                        coversOff(profile),
                        wetCloth(family),
                        step("cap", "Change the cap")
                                .say("Note how the old one lies. The new one must spring, and its rim must be clean.")
                                .minutes(15)
                                .with("cap for this machine")
                                .care(Caution.SMALL_PARTS, Caution.MOVING_PARTS)
                                .build(),
                        clothOut(),
                        coversOn(profile),
                        towelsOut(),
                        on(profile),
                        cleaning("draw", "One light cleaning: does the new cap draw?", profile));
            case DRAW_AT_CARTRIDGE ->
                joined(
                        toInlet(names, channels, profile, family),
                        List.of(draw(
                                "cartridge",
                                "Draw at the outlet of " + names,
                                channels,
                                DRAWN_AT_CARTRIDGE,
                                List.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE),
                                "Over the tray, air hole open, its colour’s own syringe, an adapter with a notch: one"
                                        + " without seals on the plate. Slowly. Solid colour is right; a pale tube is"
                                        + " air.")),
                        fromInlet(names, channels, profile));
            case PUSH_AT_VENT ->
                List.of(
                        ready(family),
                        free(profile),
                        step("towel-in", "A towel flat under the head")
                                .say("One or two thick, flat in the path; slide the head over it until the towel shows"
                                        + " at both ends. The ink leaves under the head, not under the cartridge.")
                                .minutes(2)
                                .hold("The towel shows on both sides of the head.")
                                .needs(Facet.POWER, "unplugged")
                                .build(),
                        step("vent", "Is the vent of %s open?".formatted(names))
                                .say("Look into it before anything is pushed.")
                                .minutes(1)
                                .ask(new Ask.Choice("The vent is", List.of("open")))
                                .branch(Branch.once(
                                        "plug",
                                        "A plug sits in it",
                                        step("plug-out", "Out with the plug")
                                                .say("That was the fault: no air could follow. If ink comes by itself"
                                                        + " now, push nothing: go on to the end and look.")
                                                .minutes(1)
                                                .build()))
                                .build(),
                        step("push", "A gentle push at the air hole of " + names)
                                .say("That colour’s own syringe, needle off, plunger drawn back, its nose in the vent."
                                        + " Press lightly: it resists, the plunger springs back, ink bleeds under the"
                                        + " head. No bubbling: stop. Bubbling: again, until it is silent. If the"
                                        + " plunger stays down, stop. Towels are changed as they fill.")
                                .minutes(4 * channels.size())
                                .with("syringe per colour, no needle", "towel")
                                .care(Caution.PRESSURE, Caution.FORCE, Caution.INK)
                                .ask(drawn("lost: a puddle is about 1 mL, a wet towel 2", channels, LOST_WITH_PUSH))
                                .moves(new Move.Draw(TO_DAMPER))
                                .build(),
                        step("blot", "Blot the foam under the path")
                                .say("What ran past the towel stands in it: a dry cloth, pressed, not rubbed.")
                                .minutes(2)
                                .care(Caution.INK)
                                .needs(Facet.POWER, "unplugged")
                                .build(),
                        towelsOut(),
                        on(profile),
                        cleaning("after", "One light cleaning", profile));
            case DRAW_AT_WASTE_LINE -> {
                var moved = profile.handling().wasteLines().moved(channels, profile.codes());
                yield List.of(
                        ready(family),
                        step("docked", "Is the head on its dock?")
                                .say("Off the dock nothing comes but air.")
                                .minutes(1)
                                .hold("The head stands docked on its cap.")
                                .build(),
                        step("tubes-out", "The waste line out of its bottle")
                                .say("This machine has "
                                        + profile.handling().wasteLines().label() + "."
                                        + (moved.size() > channels.size()
                                                ? " A draw moves all that share it: "
                                                        + String.join(
                                                                ", ",
                                                                moved.stream()
                                                                        .map(ChannelCode::code)
                                                                        .toList())
                                                        + "."
                                                : ""))
                                .minutes(1)
                                .care(Caution.WASTE)
                                .restsOn(Handling.Matter.WASTE_LINES)
                                .then(Facet.WASTE_LINE, "open")
                                .build(),
                        draw(
                                "waste-line",
                                "Draw at the waste line",
                                moved,
                                DRAWN_AT_WASTE_LINE,
                                WHOLE,
                                "Slowly, let go, again. No resistance and no ink: air, or not docked. Resistance and"
                                        + " ink: sealed and flowing. Nothing moves: blocked, stop. What comes out is"
                                        + " waste; white alone may go back into its tank, shaken."),
                        step("tubes-in", "Waste tubes back")
                                .say("Before any cleaning, or its ink runs into the machine.")
                                .minutes(1)
                                .hold("The waste tubes are back.")
                                .needs(Facet.WASTE_LINE, "open")
                                .then(Facet.WASTE_LINE, "in the machine")
                                .build(),
                        towelsOut(),
                        cleaning("after", "One light cleaning", profile));
            }
            case AGITATE ->
                List.of(step("stir", "Stir %s, and move its line".formatted(names))
                        .say("Turn the bottle over and back, or stir the tank; not shaken to foam. The line holds"
                                + " its own sediment: move it too.")
                        .minutes(3 * channels.size())
                        .with("stirring rod")
                        .fulfils("shake")
                        .build());
            case NEW_DAMPER ->
                joined(
                        joined(List.of(ready(family)), UsualSteps.lowered(profile), List.of(free(profile))),
                        List.of(coversOff(profile), wetCloth(family), damper(names, channels), clothOut()),
                        List.of(
                                coversOn(profile),
                                towelsOut(),
                                on(profile),
                                cleaning("after", "One light cleaning, to draw ink through the new one", profile)));
            case FLUSH_LINE -> LineFlush.steps(channels, profile, family);
            case DRAW_AT_INLET ->
                joined(
                        joined(
                                List.of(UsualSteps.worth(
                                        "Can this head be lost?",
                                        "A tube that does not fit, or a push, ends one now and then.")),
                                toInlet(names, channels, profile, family),
                                List.of()),
                        List.of(
                                step("board", "Where do the electronics lie?")
                                        .say("Dry, covered, away from the fluid.")
                                        .minutes(2)
                                        .hold("The board and its cable are covered and dry.")
                                        .care(Caution.BOARD)
                                        .build(),
                                step("tool", "Does the tool fit this head?")
                                        .say("A tube of the wrong size spills onto the board. Read the model on the"
                                                + " tool; hold the tube against the inlet before it goes on.")
                                        .minutes(1)
                                        .hold("Tool and tube are made for this machine.")
                                        .build(),
                                step("inlet", "Draw fluid through the inlet of " + names)
                                        .say("The tube that fits, or fluid goes everywhere. Fluid on the inlet,"
                                                + " *draw* it through from below. A push only as a last, light,"
                                                + " resisted touch. Half gained is enough: stop, put it back.")
                                        .minutes(6 * channels.size())
                                        .with("syringe and tube that fits", family.label() + " fluid", "towel")
                                        .care(Caution.HEAD_RISK, Caution.PRESSURE, Caution.FORCE)
                                        .ask(volumes("fluid drawn", channels, FLUID_AT_INLET))
                                        .moves(new Move.Rinse(List.of(VesselKind.HEAD), Move.Liquid.FLUID))
                                        .branch(Branch.stop(
                                                "sides",
                                                "Liquid at the plate’s sides",
                                                "The plate has parted: stop. This head is lost."))
                                        .build()),
                        joined(
                                fromInlet(names, channels, profile),
                                List.of(
                                        cleaning("first", "First cleaning: its page judges nothing", profile),
                                        cleaning("second", "Second cleaning: the page after it counts", profile)),
                                List.of()));
            case RENEW -> throw new IllegalArgumentException("Renewing is a changeover; it has a plan of its own.");
            case HEAD_OUT ->
                joined(
                        joined(List.of(ready(family)), UsualSteps.lowered(profile), List.of(free(profile))),
                        List.of(
                                coversOff(profile),
                                UsualSteps.worth("Can this head be lost?", "One in twenty does not come back."),
                                UsualSteps.headOut(profile),
                                step("bath", "Clean it on the table")
                                        .say("Over a wet cloth, never dry, its board never wet. Fluid through each"
                                                + " inlet, drawn; a fine mist is good, drops are poor, from the"
                                                + " sides is the end.")
                                        .minutes(25)
                                        .with(family.label() + " fluid", "wet cloth", "syringe")
                                        .care(Caution.BOARD, Caution.PRESSURE, Caution.INK)
                                        .branch(Branch.stop(
                                                "sides",
                                                "Liquid at the plate’s sides",
                                                "The plate has parted: stop. This head is lost."))
                                        .build(),
                                step("spray", "How does it spray?")
                                        .say("Fluid drawn up once more, let go by itself, over white paper. A fine"
                                                + " mist: put it back. Drops: draw again, gently.")
                                        .minutes(5)
                                        .ask(new Ask.Choice(
                                                "What comes out below?",
                                                List.of("a fine mist", "drops still, as good as it gets")))
                                        .branch(Branch.stop(
                                                "sides",
                                                "Liquid at the plate’s sides",
                                                "The plate has parted: stop. This head is lost."))
                                        .build()),
                        joined(
                                UsualSteps.headIn(profile),
                                List.of(),
                                List.of(
                                        wetCloth(family),
                                        clothOut(),
                                        coversOn(profile),
                                        towelsOut(),
                                        on(profile),
                                        UsualSteps.home())));
            case LOOK_AGAIN ->
                List.of(step("look", "Look once more")
                        .say("With a lamp, hand on every vent and valve: one in fifteen was overlooked the first time.")
                        .minutes(3)
                        .ask(new Ask.Ticks(List.of(
                                "Level: ink stands in every tank, looked at, not taken from what the machine says",
                                "Vents: open, holes not stuck over",
                                "Valve: open",
                                "Cartridges: clicked in",
                                "Pad: has room",
                                "Right ink in the right tank")))
                        .build());
        };
    }

    /** What the machine does by itself, within a treatment. */
    private static Step cleaning(String id, String title, Profile profile) {
        return step(id, title)
                .say(profile.handling().panel().how(Panel.Act.CLEANING).words()
                        + " Keep the page that comes, with its time on it.")
                .minutes(1)
                .care(Caution.NO_POWER_OFF)
                .restsOn(Handling.Matter.CLEANING)
                .needs(Facet.POWER, "on")
                .moves(new Move.Clean(profile.codes(), profile.draws().cleaning()))
                .waits(new Pause(
                        "cleaning", Duration.ofMinutes(profile.minutes().cleaning()), null, true))
                .build();
    }

    private static Step cartridgeOff(String names, List<ChannelCode> channels) {
        return step("off-inlet", "Take off what sits on the inlet of " + names)
                .say("Cartridge unclipped, or damper straight up, middle ones first. Over the tray, one channel at a"
                        + " time, outlet up.")
                .minutes(2 * channels.size())
                .care(Caution.INK, Caution.SQUIRT, Caution.FORCE)
                .needs(Facet.POWER, "unplugged")
                .then(Facet.LINE, channels, "off")
                .build();
    }

    private static Step cartridgeOn(String names, List<ChannelCode> channels) {
        return step("on-inlet", "Back onto the inlet of " + names)
                .say("Each in its own place, until it clicks or sits without a gap.")
                .minutes(channels.size())
                .hold("Each is back in its own place.")
                .care(Caution.FORCE)
                .needs(Facet.LINE, channels, "off")
                .then(Facet.LINE, channels, "joined")
                .build();
    }

    /** Down to what sits on the inlets, through covers where there are any. */
    private static List<Step> toInlet(String names, List<ChannelCode> channels, Profile profile, Family family) {
        return joined(
                List.of(ready(family), free(profile)),
                UsualSteps.inletBared(profile),
                List.of(wetCloth(family), cartridgeOff(names, channels)));
    }

    private static List<Step> fromInlet(String names, List<ChannelCode> channels, Profile profile) {
        return joined(
                List.of(cartridgeOn(names, channels), clothOut()),
                UsualSteps.inletCovered(profile),
                List.of(towelsOut(), on(profile)));
    }

    private static List<Step> joined(List<Step> first, List<Step> then, List<Step> last) {
        return Stream.of(first, then, last).flatMap(List::stream).toList();
    }

    private static Step rest(String title, Duration how) {
        return step("rest", title)
                .say("Capped, switched on. Air rises and dissolves while it stands; looking early proves nothing.")
                .minutes(0)
                .waits(new Pause("rest", how, null, false))
                .build();
    }

    private static Step wiped(Family family) {
        return step("wipe", "Wipe plate edges, cap rim and wiper")
                .say(
                        "Lint-free cloth, %s fluid. Along the plate’s edge, never rubbed over it; the rim all round; the wiper’s lip on both sides. A fresh swab for each bank."
                                .formatted(family.label()))
                .minutes(7)
                .with("lint-free cloth and swabs", family.label() + " fluid", "gloves")
                .care(Caution.INK, Caution.SHARPS)
                .ask(new Ask.Ticks(
                        family == Family.FILM
                                ? List.of(
                                        "plate edges, colour side",
                                        "plate edges, white side, with a fresh swab",
                                        "cap rim",
                                        "wiper, both sides")
                                : List.of("plate edges", "cap rim", "wiper, both sides")))
                .fulfils("plate-edges", "cap-rim", "wiper")
                .build();
    }

    private static Step damper(String names, List<ChannelCode> channels) {
        return step("damper", "New damper or filter for " + names)
                .say("One channel at a time. Body held, never the membrane. Nut off, tube end bare, O-ring safe;"
                        + " swab the seat. Wet the new one with its ink, or it takes air; nut over the tube, hold"
                        + " the tube at the damper, press its top down until it sits.")
                .minutes(12 * channels.size())
                .with("damper per channel")
                .care(Caution.INK, Caution.FORCE)
                .ask(volumes("lost", channels, LOST_WITH_DAMPER))
                .moves(new Move.Draw(TO_DAMPER))
                .fulfils("damper", "white-damper")
                .build();
    }

    private static Step draw(
            String id, String title, List<ChannelCode> channels, Millilitres each, List<VesselKind> reach, String say) {
        return step(id, title)
                .say(say)
                .minutes(5 * channels.size())
                .with("syringe per colour")
                .care(Caution.SLOW, Caution.PRESSURE, Caution.WASTE)
                .ask(drawn("drawn", channels, each))
                .moves(new Move.Draw(reach))
                .branch(Branch.stop(
                        "blocked",
                        "Nothing moves",
                        "Blocked: more force breaks the head. Stop here, and say so in the case."))
                .build();
    }
}
