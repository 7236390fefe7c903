package fairkettle.changeover;

import static fairkettle.changeover.Work.volumes;
import static fairkettle.procedure.Step.step;

import fairkettle.machine.Architecture;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Move;
import fairkettle.procedure.Pause;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/** A machine that earns less than it costs goes to rest: on fluid, capped, labelled. */
final class Parking {

    private Parking() {}

    /** Fluid cartridges, filled on the tray. */
    static List<Step> cartridges(Work w) {
        return List.of(Cartridges.fluid(w).getFirst(), Cartridges.plug(w));
    }

    /** Fluid into the tanks. */
    static List<Step> fluid(Work w) {
        var codes = Work.codes(w.plans);
        boolean bulk = w.before.architecture() == Architecture.BULK;
        var step = step("on-fluid", "Cleaning fluid into every channel")
                .say("So much that tube, damper and head stand in it; one cap at a time, and shut.")
                .minutes(2 * codes.size())
                .care(Caution.INK)
                .needs(Facet.GLOVES, "on")
                .needs(Facet.TANK, codes, "chased")
                .ask(Work.grid(w.onFluid, List.of(volumes("fluid", w.onFluid, ChannelPlan::rests))))
                .moves(new Move.PourFluid())
                .then(Facet.FLUID, codes, "on fluid")
                .then(Facet.TANK_CAP, codes, "shut");
        if (bulk) {
            step.then(Facet.CARTRIDGE, codes, "primed");
        } else {
            step.needs(Facet.DAMPER, codes, "chased").needs(Facet.LINE, codes, "joined");
        }
        return List.of(step.build());
    }

    static List<Step> rest(Work w) {
        var codes = Work.codes(w.plans);
        var steps = new ArrayList<Step>();
        if (w.before.architecture() == Architecture.BULK) {
            steps.add(Powering.on(w, true, "power-on"));
        }
        steps.add(step("draw-fluid", "One light cleaning")
                .say("It draws the fluid into the head. What comes out is the last of the ink.")
                .minutes(1)
                .care(Caution.NO_POWER_OFF)
                .needs(Facet.POWER, "on")
                .needs(Facet.FLUID, codes, "on fluid")
                .needs(Facet.CARRIAGE, "docked")
                .moves(new Move.Charge(codes, w.way.loss()))
                .waits(new Pause(
                        "cleaning", Duration.ofMinutes(w.job.profile().minutes().cleaning()), null, true))
                .then(Facet.CHARGE, "charged")
                .build());
        steps.add(step("to-rest", "Cap it, switch it off, label it")
                .say("Switched off by its own key, so that the carriage docks. Label: on fluid, since when, what it"
                        + " held. Damp the cap once a month.")
                .minutes(4)
                .hold("Docked, off, labelled.")
                .needs(Facet.CHARGE, "charged")
                .needs(Facet.CARRIAGE, "docked")
                .ask(new Ask.Ticks(List.of(
                        "switched off by its own key",
                        "carriage docked",
                        "label with ink and date",
                        "cover on against dust")))
                .then(Facet.POWER, "off")
                .then(Facet.RESTING, "at rest")
                .build());
        return steps;
    }
}
