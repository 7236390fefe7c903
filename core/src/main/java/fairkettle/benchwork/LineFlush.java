package fairkettle.benchwork;

import static fairkettle.procedure.Step.step;
import static fairkettle.procedure.UsualSteps.drawn;
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
import fairkettle.procedure.Step;
import fairkettle.procedure.UsualSteps;
import fairkettle.safety.Caution;
import java.time.Duration;
import java.util.List;

/**
 * Flushing lines, most often of white: air first, so that what is still ink goes back whole; then fluid; then air; then
 * ink. Everything counts once for each line.
 */
public final class LineFlush {

    private static final Millilitres FLUID = Millilitres.parse("30");
    private static final Millilitres ONCE_MORE = Millilitres.parse("15");
    private static final Millilitres PRIMED = Millilitres.parse("8");
    private static final List<VesselKind> LINE = List.of(VesselKind.TUBE);
    private static final List<VesselKind> TO_DAMPER =
            List.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE, VesselKind.DAMPER);

    private LineFlush() {}

    /** mL of fluid that so many lines take. */
    public static Millilitres fluid(int lines) {
        return FLUID.times(lines);
    }

    /** @param channels whose lines are flushed, in the profile’s order */
    public static List<Step> steps(List<ChannelCode> channels, Profile profile, Family family) {
        int n = channels.size();
        var codes = channels.stream().map(ChannelCode::code).toList();
        var names = String.join(", ", codes);
        boolean white = channels.stream().anyMatch(ChannelCode::white);
        var filters = channels.containsAll(profile.codes()) ? new String[] {"bay-filter"} : new String[0];
        return List.of(
                UsualSteps.ready(family),
                UsualSteps.off(),
                UsualSteps.coversOff(profile),
                step("lower", "Bottle of %s below the head".formatted(names))
                        .say("Else it runs as soon as the line is open.")
                        .minutes(2)
                        .hold("The bottle stands below the head.")
                        .care(Caution.SQUIRT)
                        .needs(Facet.POWER, "unplugged")
                        .build(),
                step("which", "Whose line is it?")
                        .say("Old slot labels mislead: a slot that was grey may carry white today. Pull at the line"
                                + " and read the label on the bottle that moves.")
                        .minutes(n)
                        .ask(Ask.Each.matching(
                                "Which bottle hangs at the end of this line?",
                                codes,
                                profile.codes().stream().map(ChannelCode::code).toList()))
                        .build(),
                step("joint", "Joint off at the damper")
                        .say("Towel under it. Unclip the bundle. Tube in one hand, pliers on the damper’s body, and"
                                + " wiggle: spare its membrane. The nut goes back on the tube’s end, its O-ring with"
                                + " it."
                                + (white
                                        ? " White lines have the wider bore: a narrow joint splits, or takes air."
                                        : ""))
                        .minutes(2 * n)
                        .with("towel", "gloves")
                        .care(Caution.INK, Caution.PRESSURE, Caution.FORCE)
                        .needs(Facet.COVERS, "off")
                        .then(Facet.LINE, channels, "off")
                        .build(),
                step("home", "Ink out first, with air")
                        .say("An empty syringe of its own at the line: push air, gently. What comes out is whole"
                                + " ink and goes back into its bottle, before any fluid is used.")
                        .minutes(3 * n)
                        .with("syringe per channel")
                        .care(Caution.PRESSURE)
                        .ask(drawn("given back", channels, lineOf(profile, channels)))
                        .moves(new Move.DrawBack(LINE))
                        .needs(Facet.LINE, channels, "off")
                        .build(),
                step("swap", "Ink bottle away, waste bottle in")
                        .say("Cap the ink and set it out of reach. The waste bottle hangs where the ink hung.")
                        .minutes(2)
                        .hold("The ink is capped and away; the waste bottle hangs at the line.")
                        .care(Caution.WASTE)
                        .needs(Facet.LINE, channels, "off")
                        .then(Facet.HANGING, "the waste bottle")
                        .build(),
                step("fluid", "Fluid through the line")
                        .say("Slowly, the whole of it. Then let it stand in the line.")
                        .minutes(6 * n)
                        .with("syringe per channel", family.label() + " fluid")
                        .care(Caution.INK, Caution.WASTE, Caution.PRESSURE)
                        .needs(Facet.HANGING, "the waste bottle")
                        .ask(volumes("fluid", channels, FLUID))
                        .moves(new Move.Rinse(LINE, Move.Liquid.FLUID))
                        .waits(new Pause("fluid in the line", Duration.ofMinutes(5), null, false))
                        .build(),
                step("clear", "Air after it, then look")
                        .say("Push the fluid out with air and hold the line against the light.")
                        .minutes(2 * n)
                        .needs(Facet.HANGING, "the waste bottle")
                        .ask(new Ask.Each("How does the line look?", codes, List.of("clear", "a film stays")))
                        .fulfils(filters)
                        .branch(Branch.again(
                                "solid",
                                "It does not come clear",
                                3,
                                "Three times and no better: this line wants to be a new one. Fit it, then go on.",
                                step("more", "Fluid once more")
                                        .say("Half as much, a little faster, let it stand.")
                                        .minutes(4 * n)
                                        .care(Caution.WASTE, Caution.PRESSURE)
                                        .ask(volumes("fluid", channels, ONCE_MORE))
                                        .moves(new Move.Rinse(LINE, Move.Liquid.FLUID))
                                        .waits(new Pause("fluid in the line", Duration.ofMinutes(5), null, false))
                                        .build()))
                        .build(),
                step("swap-back", "Waste bottle away, ink bottle back")
                        .say(white ? "Shake the white first: what went back lies at its bottom." : "The same bottle.")
                        .minutes(3)
                        .hold("The waste bottle is away and the ink hangs at the line" + (white ? ", shaken." : "."))
                        .care(Caution.WASTE)
                        .needs(Facet.HANGING, "the waste bottle")
                        .then(Facet.HANGING, "its ink")
                        .build(),
                step("damper", "Damper: new, or the old one")
                        .say("Its filter has caught what the line gave off; with a line that was solid, a new one."
                                + " Swab its seat. Wet it with its ink before it goes on. Nut over the tube, O-ring"
                                + " whole; hold the tube at the damper, press its top down until it sits.")
                        .minutes(8 * n)
                        .with("damper per channel")
                        .needs(Facet.HANGING, "its ink")
                        .care(Caution.FORCE, Caution.INK)
                        .ask(UsualSteps.fitted(channels))
                        .fulfils("damper", "white-damper")
                        .then(Facet.LINE, channels, "joined")
                        .build(),
                step("prime", "Ink through, bottle still low")
                        .say("Draw at the damper’s outlet until ink comes without bubbles.")
                        .minutes(4 * n)
                        .with("syringe per channel")
                        .care(Caution.SLOW, Caution.WASTE)
                        .needs(Facet.LINE, channels, "joined")
                        .needs(Facet.HANGING, "its ink")
                        .ask(volumes("drawn", channels, PRIMED))
                        .moves(new Move.Draw(TO_DAMPER))
                        .build(),
                step("loop", "Bottle up again, look along the line")
                        .say("A bubble that hangs in the loop is tapped on until it rises.")
                        .minutes(2)
                        .ask(new Ask.Ticks(List.of("bottle at its height", "no bubble in the loop", "joints dry")))
                        .build(),
                UsualSteps.coversOn(profile),
                UsualSteps.towelsOut(),
                UsualSteps.onAgain(profile),
                step("fill-key", "Ink through, then two cleanings")
                        .say(profile.handling().panel().how(Panel.Act.CHARGE).words() + " Then: "
                                + profile.handling()
                                        .panel()
                                        .how(Panel.Act.CLEANING)
                                        .words()
                                + " What comes first judges nothing.")
                        .minutes(2)
                        .restsOn(Handling.Matter.CHARGE, Handling.Matter.CLEANING)
                        .care(Caution.NO_POWER_OFF)
                        .moves(new Move.Clean(
                                profile.codes(), profile.draws().cleaning().times(2)))
                        .waits(new Pause(
                                "two cleanings",
                                Duration.ofMinutes(2L * profile.minutes().cleaning()),
                                null,
                                true))
                        .build(),
                UsualSteps.check(profile));
    }

    private static Millilitres lineOf(Profile profile, List<ChannelCode> channels) {
        return channels.stream()
                .map(profile::channel)
                .filter(c -> c.has(VesselKind.TUBE))
                .map(c -> c.vessel(VesselKind.TUBE).capacity())
                .findFirst()
                .orElse(Millilitres.parse("3"));
    }
}
