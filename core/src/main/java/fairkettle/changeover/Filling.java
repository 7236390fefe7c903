package fairkettle.changeover;

import static fairkettle.changeover.Work.volumes;
import static fairkettle.procedure.Step.step;

import fairkettle.machine.Architecture;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Branch;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Move;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Ink into tanks, one cap at a time; white last, and shaken. */
final class Filling {

    private Filling() {}

    static List<Step> heads(Work w) {
        return List.of(step("heads", "Snap the heads in")
                .say("Heads before tanks: ink in a machine without heads runs where it should not.")
                .minutes(4)
                .hold("Both heads pass before any tank is opened.")
                .needs(Facet.TRANSIT, "cleared")
                .ask(new Ask.Ticks(List.of(
                        "black head, one port: label off its top, tape off its nozzles",
                        "black head: its letter is its holder’s; dropped in, cap risen, pressed home",
                        "colour head, three ports: label off its top, tape off its nozzles",
                        "colour head: its letter is its holder’s; dropped in, cap risen, pressed home")))
                .then(Facet.HEADS, "fitted")
                .build());
    }

    /** One cap open at a time: a step of its own for every channel. */
    static List<Step> tanks(Work w) {
        var steps = new ArrayList<Step>();
        w.filled.stream().sorted(Comparator.comparing(p -> p.code().white())).forEach(plan -> {
            if (plan.code().white()) {
                steps.add(shake(plan));
            }
            steps.add(tank(w, plan));
        });
        w.onFluid.forEach(plan -> steps.add(onFluid(w, plan)));
        return steps;
    }

    private static Step shake(ChannelPlan plan) {
        return step("shake-" + plan.code(), "Shake " + plan.code())
                .say("A minute, turned over and over, until nothing sticks to the bottom. White settles; a clear"
                        + " top layer prints grey.")
                .hold("White goes in last, and shaken.")
                .needs(Facet.BOTTLE, List.of(plan.code()), "matched")
                .then(Facet.WHITE, List.of(plan.code()), "shaken")
                .build();
    }

    private static Step tank(Work w, ChannelPlan plan) {
        var code = plan.code();
        var one = List.of(code);
        var step = step("fill-" + code, "Fill " + code + " to the line")
                .say("Read the code on the bottle first, cap shut. Then open the cap of " + code
                        + " only; how this bottle opens stands beside its code. Gurgle and chug: it runs; another"
                        + " note, and the window rising: it is nearly full. To the upper line, never past it; close"
                        + " the cap. Judge by what you pour, not by a stained window.")
                .minutes(3)
                .care(Caution.INK)
                .with("bottle " + code, "towel")
                .ask(Work.grid(
                        List.of(plan), List.of(Work.code(), volumes("poured", List.of(plan), ChannelPlan::fill))))
                .moves(new Move.Pour())
                .needs(Facet.BENCH, "prepared")
                .needs(Facet.GLOVES, "on")
                .needs(Facet.TRANSIT, "cleared")
                .needs(Facet.HEADS, "fitted")
                .needs(Facet.BOTTLE, one, "matched")
                .needs(Facet.TANK_CAP, Work.codes(w.plans), "shut")
                .needs(Facet.TANK, one, "chased")
                .needs(Facet.DAMPER, one, "chased")
                .needs(Facet.LINE, Work.codes(w.plans), "joined")
                .then(Facet.FILL, one, "filled");
        if (w.family().food()) {
            step.care(Caution.FOOD).needs(Facet.SURFACES, "clean for food").needs(Facet.FOOD_LABEL, "in place");
        }
        if (code.white()) {
            step.needs(Facet.WHITE, one, "shaken");
        }
        if (!w.drained.isEmpty()) {
            step.needs(Facet.THREADS, "clean");
        }
        if (w.powerFirst() && w.job.neverInked() && w.after.architecture() != Architecture.FILM) {
            step.needs(Facet.POWER, "on");
        }
        return step.branch(new Branch(
                        "not-running",
                        "The ink does not run",
                        List.of(step("free-seal", "Find what holds it back")
                                .say("In this order: inner seal left in the bottle; bottle not seated; a part of"
                                        + " the machine in the way; lift the bottle and lower it again. Do not"
                                        + " squeeze a bottle with a valve.")
                                .minutes(2)
                                .ask(new Ask.Ticks(
                                        List.of("inner seal gone", "bottle seated", "lifted and lowered once")))
                                .build()),
                        2,
                        "It still does not run. Put this bottle aside and match another one."))
                .build();
    }

    /** A slot that is not used rests on fluid: a dry line is a lost one. */
    private static Step onFluid(Work w, ChannelPlan plan) {
        return step("rest-" + plan.code(), "Leave " + plan.code() + " on fluid")
                .say("Cleaning fluid for " + w.family().label()
                        + " into its tank, cap shut. It keeps the line and the nozzles from drying.")
                .minutes(2)
                .care(Caution.INK)
                .ask(Work.grid(List.of(plan), List.of(volumes("fluid", List.of(plan), ChannelPlan::rests))))
                .moves(new Move.PourFluid())
                .needs(Facet.GLOVES, "on")
                .needs(Facet.TANK, List.of(plan.code()), "chased")
                .needs(Facet.LINE, List.of(plan.code()), "joined")
                .needs(Facet.TANK_CAP, Work.codes(w.plans), "shut")
                .then(Facet.FLUID, List.of(plan.code()), "on fluid")
                .build();
    }
}
