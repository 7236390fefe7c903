package fairkettle.changeover;

import static fairkettle.changeover.Work.ticks;
import static fairkettle.changeover.Work.volumes;
import static fairkettle.procedure.Step.step;

import fairkettle.ink.Millilitres;
import fairkettle.machine.BulkKit;
import fairkettle.machine.Handling;
import fairkettle.machine.TankHeight;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Branch;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Move;
import fairkettle.procedure.Pause;
import fairkettle.procedure.Step;
import fairkettle.procedure.UsualSteps;
import fairkettle.safety.Caution;
import fairkettle.safety.School;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Outboard tanks with their ribbon of tubes: built on the bench, primed, hung, emptied and renewed. */
final class BulkFeed {

    private BulkFeed() {}

    static List<Step> build(Work w) {
        var kit = w.handling().kit();
        var steps = new ArrayList<Step>();
        steps.add(step("position", "Decide where everything stands")
                .say("Tanks at the machine’s side, ribbon’s way in, room for the lid. Nothing is cut or stuck before"
                        + " this is settled. Lay out the box: this kit has " + String.join(", ", kit.parts()) + ".")
                .minutes(5)
                .hold("The place is written down.")
                .restsOn(Handling.Matter.KIT)
                .needs(Facet.BENCH, "prepared")
                .ask(new Ask.Words("where bracket, tube exit and tanks are"))
                .then(Facet.POSITION, "decided")
                .build());
        steps.addAll(
                switch (kit.ribbon()) {
                    case TO_CUT -> dampers(w);
                    case LOOSE -> List.of(tubes(w));
                    case JOINED -> List.of();
                });
        if (kit.bracket() != BulkKit.Bracket.NONE) {
            steps.add(bracket(kit.bracket()));
        }
        if (w.terms.follows(School.TANK_HEIGHT, "raised")) {
            var raise = step("raise", "Raise it by %d mm at most, and watch for drips".formatted(TankHeight.STEP_MM))
                    .restsOn(Handling.Matter.KIT)
                    .say("Half an hour with a dry sheet under the head. One drop, and it goes back down. Write the"
                            + " height down.")
                    .minutes(2)
                    .needs(Facet.POSITION, "decided")
                    .waits(new Pause("drip test", Duration.ofMinutes(30), null, false))
                    .ask(new Ask.Words("height above the cartridges, and what the sheet showed"));
            if (kit.bracket() != BulkKit.Bracket.NONE) {
                raise.needs(Facet.BRACKET, "level");
            }
            steps.add(raise.build());
        }
        return steps;
    }

    /** A ready-made ribbon is cut where its kit brings loose dampers, and only there. */
    private static List<Step> dampers(Work w) {
        var codes = Work.codes(w.plans);
        return List.of(
                step("mark-ribbon", "Lay the ribbon over the tanks, mark where to cut")
                        .say("The outermost tubes in two colours, on both sides of the cut: so their order survives.")
                        .minutes(2)
                        .restsOn(Handling.Matter.KIT)
                        .needs(Facet.POSITION, "decided")
                        .ask(Work.grid(w.plans, List.of(ticks("marked on both sides"))))
                        .then(Facet.TUBE_MARK, codes, "in place")
                        .build(),
                step("inline", "Cut through the marks, fit the inline dampers")
                        .say("IN to the tank. A reversed one lets nothing through, and that channel will look blocked."
                                + " Where they stick on: wipe with alcohol, press each for half a minute.")
                        .minutes(3 * codes.size())
                        .irreversible("A tube that is cut too short cannot be made longer.")
                        .hold("Tanks and machine stand where they will stand: from the first cut on, their distance is"
                                + " fixed.")
                        .care(Caution.SHARPS, Caution.SOLVENT)
                        .restsOn(Handling.Matter.KIT)
                        .needs(Facet.TUBE_MARK, codes, "in place")
                        .needs(Facet.POSITION, "decided")
                        .waits(new Pause("the last one pressed on", Duration.ofSeconds(30), null, false))
                        .ask(Work.grid(w.plans, List.of(ticks("IN to the tank"))))
                        .then(Facet.INLINE_DAMPER, codes, "inlet to the tank")
                        .build());
    }

    private static Step tubes(Work w) {
        return step("push-on", "Push each tube onto its own spigot")
                .say("Code by code, tank first, then cartridge; fully home. Nothing is cut: spare length lies in a"
                        + " loop behind the tanks.")
                .minutes(2 * w.plans.size())
                .care(Caution.FORCE)
                .restsOn(Handling.Matter.KIT)
                .needs(Facet.POSITION, "decided")
                .ask(Work.grid(w.plans, List.of(ticks("home at the tank"), ticks("home at the cartridge"))))
                .then(Facet.TUBE_MARK, Work.codes(w.plans), "in place")
                .build();
    }

    private static Step bracket(BulkKit.Bracket kind) {
        boolean sticks = kind == BulkKit.Bracket.STICKS;
        var step = step("bracket", sticks ? "Press the bracket on, and level it" : "Hang the bracket, and level it")
                .say((sticks ? "Wipe its face with alcohol, press and hold. " : "A clip on each side holds it. ")
                        + "The surface of the ink and the cartridges must be at one height: higher drips, lower"
                        + " starves.")
                .minutes(3)
                .restsOn(Handling.Matter.KIT)
                .needs(Facet.POSITION, "decided")
                .ask(new Ask.Ticks(
                        sticks
                                ? List.of("face wiped and dry", "level with the cartridges")
                                : List.of("both clips closed", "level with the cartridges")))
                .then(Facet.BRACKET, "level");
        if (sticks) {
            step.care(Caution.SOLVENT).waits(new Pause("pressed on", Duration.ofSeconds(30), null, false));
        }
        return step.build();
    }

    static List<Step> fill(Work w) {
        var steps = new ArrayList<>(chambers(w, false));
        steps.addAll(intoCartridges(w));
        if (w.handling().kit().constantHead()) {
            steps.add(constantHead(w));
        }
        steps.addAll(shut(w));
        return steps;
    }

    /** Priming chamber first, in two parts with a tilt between; the rest into the filling chamber. */
    private static List<Step> chambers(Work w, boolean again) {
        var kit = w.handling().kit();
        var codes = Work.codes(w.inked);
        var steps = new ArrayList<Step>();
        if (kit.priming()) {
            steps.addAll(priming(w, kit, again));
        }
        var rest = step("filling-chamber", kit.priming() ? "The rest into the filling chamber" : "Fill the tanks")
                .say("Read the code first, cap shut. One at a time, to the line, never above it."
                        + (kit.bunged() ? " Bungs stay in their vents until it hangs." : "")
                        + (kit.bunged() ? " Came it filled? Enter what is in it, from the lot on its label." : ""))
                .minutes(2 * codes.size())
                .care(Caution.INK)
                .restsOn(Handling.Matter.KIT)
                .needs(Facet.BOTTLE, codes, "matched")
                .needs(Facet.GLOVES, "on")
                .ask(Work.grid(
                        w.inked,
                        List.of(
                                Work.code(),
                                volumes(
                                        kit.priming() ? "the rest" : "poured",
                                        w.inked,
                                        p -> p.fill().over(kit.first()).over(kit.second())))))
                .moves(new Move.Pour())
                .then(Facet.FILL, codes, "filled");
        if (kit.priming()) {
            rest.needs(Facet.PRIMING, codes, "primed");
        } else {
            rest.needs(Facet.SYRINGE, codes, "its own").needs(Facet.TANK, codes, "chased");
            if (kit.looseDampers() && !again) {
                rest.needs(Facet.INLINE_DAMPER, codes, "inlet to the tank");
            }
        }
        steps.add(rest.build());
        return steps;
    }

    private static List<Step> priming(Work w, BulkKit kit, boolean again) {
        var codes = Work.codes(w.inked);
        var one = step("priming-first", "First part into the priming chamber")
                .say("Read every code first, caps shut. " + (again ? "It ran dry, so it is primed again. " : "")
                        + "Priming chamber first, filling chamber after; then plug it.")
                .minutes(2 * codes.size())
                .care(Caution.INK)
                .restsOn(Handling.Matter.KIT)
                .needs(Facet.GLOVES, "on")
                .needs(Facet.BOTTLE, codes, "matched")
                .needs(Facet.SYRINGE, codes, "its own")
                .needs(Facet.TANK, codes, "chased")
                .ask(Work.grid(
                        w.inked,
                        List.of(
                                Work.code(),
                                volumes("first part", w.inked, p -> kit.first().min(p.fill())))))
                .moves(new Move.Pour())
                .then(Facet.PRIMING, codes, "dry");
        if (kit.looseDampers() && !again) {
            one.needs(Facet.INLINE_DAMPER, codes, "inlet to the tank");
        }
        var tilts = new ArrayList<>(List.of("priming plug in"));
        if (kit.plugs()) {
            tilts.add("solid plug in each vent");
        }
        tilts.add("tilted forward, and held");
        tilts.add(kit.plugs() ? "upright, vents free again" : "upright again");
        var steps = new ArrayList<>(List.of(
                one.build(),
                step("tilt", "Tilt, to move the air up")
                        .care(Caution.TIPPING)
                        .say("Forward, no further than the ink stays in."
                                + (kit.plugs() ? " Filters that ink has wetted would no longer breathe." : ""))
                        .minutes(1)
                        .restsOn(Handling.Matter.KIT)
                        .needs(Facet.PRIMING, codes, "dry")
                        .waits(new Pause("tilted", Duration.ofSeconds(kit.tilt()), null, false))
                        .ask(new Ask.Ticks(tilts, true))
                        .build(),
                step("priming-second", "Second part into the priming chamber")
                        .say("Then plug it for good. From now on ink goes into the filling chamber only, unless it"
                                + " ever runs dry."
                                + (kit.chamber() == BulkKit.Chamber.NO_MARK
                                        ? " There is no mark: the amount judges."
                                        : ""))
                        .minutes(2 * codes.size())
                        .restsOn(Handling.Matter.KIT)
                        .needs(Facet.GLOVES, "on")
                        .needs(Facet.BOTTLE, codes, "matched")
                        .ask(Work.grid(
                                w.inked,
                                List.of(volumes(
                                        "second part",
                                        w.inked,
                                        p -> kit.second().min(p.fill().over(kit.first()))))))
                        .moves(new Move.Pour())
                        .then(Facet.PRIMING, codes, "primed")
                        .build()));
        if (kit.chamber() == BulkKit.Chamber.MARK) {
            steps.add(level(w));
        }
        return steps;
    }

    private static Step level(Work w) {
        var little = Millilitres.parse("2");
        return step("level-mark", "Look at the level mark")
                .say("The mark decides, the amount is only where to start.")
                .minutes(1)
                .restsOn(Handling.Matter.KIT)
                .needs(Facet.PRIMING, Work.codes(w.inked), "primed")
                .ask(Work.grid(w.inked, List.of(ticks("at the mark"))))
                .branch(Branch.again(
                        "below-mark",
                        "Below the mark",
                        3,
                        "It does not come to the mark. Look for a leaking plug.",
                        step("tilt-again", "Tilt once more, then a little more ink")
                                .say("Half a minute, until the bubble has gone up. What is still below the mark gets a"
                                        + " little more; the others get none.")
                                .minutes(2)
                                .care(Caution.INK)
                                .ask(Work.grid(w.inked, List.of(volumes("a little more", w.inked, _ -> little))))
                                .moves(new Move.Pour())
                                .build()))
                .build();
    }

    private static List<Step> intoCartridges(Work w) {
        var kit = w.handling().kit();
        var codes = Work.codes(w.inked);
        var draw = step("draw-in", "Draw ink into each cartridge")
                .say((kit.valve() ? "Valve open, " : "") + (kit.valve() ? "vents open. " : "Vents open. ")
                        + (kit.sponge()
                                ? "On its side, free side first, pull and hold; then upright, the sponge side to near"
                                        + " the top; nothing is drawn out."
                                : "Pull at the outlet until 10 mL of solid ink stand in the syringe, then pour them"
                                        + " back: clean ink of one colour.")
                        + " Pale tube is air, even and dark is ink. The last air leaves from the top.")
                .minutes(4 * codes.size())
                .care(Caution.SLOW, Caution.PRESSURE)
                .restsOn(Handling.Matter.KIT)
                .needs(Facet.FILL, codes, "filled")
                .needs(Facet.VENT, codes, "open")
                .needs(Facet.SYRINGE, codes, "its own")
                .ask(Work.grid(w.inked, List.of(ticks("outlet: solid ink"), ticks("top: air out"))))
                .moves(new Move.PrimeOnTray(codes))
                .branch(nothingRuns(w))
                .then(Facet.CARTRIDGE, codes, "primed");
        if (kit.valve()) {
            draw.needs(Facet.VALVE, "open");
        }
        if (w.onFluid.isEmpty()) {
            return List.of(draw.build());
        }
        return List.of(draw.build(), Cartridges.fluid(w).getFirst());
    }

    /** The ink that was just poured stays where it is. */
    private static Branch nothingRuns(Work w) {
        var kit = w.handling().kit();
        var looks = new ArrayList<String>();
        if (kit.valve()) {
            looks.add("valve open");
        }
        looks.addAll(List.of("vent of that tank open", "adapter seated, seal not stretched", "no kink in the ribbon"));
        if (kit.looseDampers()) {
            looks.add("its damper shows IN to the tank");
        }
        return Branch.again(
                "nothing-runs",
                "Nothing comes",
                2,
                "Still nothing after two tries. Stop here: that line is blocked, or its damper is the wrong way round;"
                        + " it wants renewing before anything else goes through.",
                Drawing.stopPulling(looks),
                step("air-back", "A little air back, toward the tank")
                        .say("One small syringe, gently, from the outlet, until it bubbles up in the tank. The ink in"
                                + " the tank stays: it is new. Then pull again, slowly.")
                        .minutes(3)
                        .care(Caution.PRESSURE, Caution.SLOW)
                        .build());
    }

    private static Step constantHead(Work w) {
        var codes = Work.codes(w.inked);
        return step("constant-head", "Reset the constant-head tanks")
                .say("Filling plug out and wiped. Air, gently, into the tube that goes to the bottom, until ink rises"
                        + " and one large bubble comes. Foam is not a bubble: wait and look again. Plug in before the"
                        + " syringe leaves.")
                .minutes(codes.size())
                .care(Caution.SLOW)
                .restsOn(Handling.Matter.KIT)
                .needs(Facet.FILL, codes, "filled")
                .ask(Work.grid(w.inked, List.of(ticks("bubble came"), ticks("plug in before the syringe left"))))
                .then(Facet.CONSTANT_HEAD, codes, "reset")
                .build();
    }

    /** Nothing may run while cartridges are carried. */
    static List<Step> shut(Work w) {
        return List.of(shut(w, "shut").build());
    }

    private static Step.Builder shut(Work w, String id) {
        var kit = w.handling().kit();
        var codes = Work.codes(w.plans);
        var step = step(
                        id,
                        kit.plugs()
                                ? kit.valve() ? "Plug the vents, shut the valve" : "Plug the vents"
                                : kit.valve() ? "Shut the valve" : "Lower the tanks")
                .say((kit.plugs()
                                ? "Solid plugs for the filters: filters wet by ink would no longer breathe. "
                                : kit.valve()
                                        ? ""
                                        : "This kit has nothing that shuts: with the ink below the cartridges it stays"
                                                + " where it is. ")
                        + "Then nothing runs while cartridges are carried.")
                .minutes(2)
                .restsOn(Handling.Matter.KIT)
                .hold("Before a cartridge is lifted.")
                .ask(Work.grid(
                        w.plans,
                        List.of(ticks(kit.plugs() ? "vent plugged" : kit.valve() ? "nothing runs" : "tank is below"))));
        if (kit.plugs()) {
            step.then(Facet.VENT, codes, "plugged");
        }
        if (kit.valve()) {
            step.then(Facet.VALVE, "shut");
        }
        return step;
    }

    /** Nothing runs: by what this kit has for it. */
    static Step.Builder needsShut(Work w, Step.Builder step) {
        var kit = w.handling().kit();
        if (kit.valve()) {
            step.needs(Facet.VALVE, "shut");
        }
        if (kit.plugs()) {
            step.needs(Facet.VENT, Work.codes(w.plans), "plugged");
        }
        return step;
    }

    static List<Step> hang(Work w) {
        var codes = Work.codes(w.plans);
        var steps = new ArrayList<Step>();
        steps.add(Opening.free(w).build());
        if (w.headWet()) {
            steps.add(UsualSteps.wetCloth(w.family()));
        }
        steps.addAll(Cartridges.oldOut(w));
        steps.addAll(Cartridges.chips(w));
        var hang = step("hang", "Hang the cartridges")
                .restsOn(Handling.Matter.KIT)
                .say("Carry them level with their ribbon. Press each until it clicks.")
                .minutes(5)
                .care(Caution.SQUIRT, Caution.FORCE, Caution.TIPPING)
                .hold("Every slot has clicked.")
                .needs(Facet.CARTRIDGE, codes, "primed")
                .needs(Facet.OLD_CARTRIDGE, w.before.codes(), "stored")
                .needs(Facet.CHIPS, "answered")
                .needs(Facet.CARRIAGE, "free")
                .needs(Facet.POSITION, "decided")
                .moves(Cartridges.refit(w))
                .ask(Work.grid(w.plans, List.of(ticks("clicked"))))
                .then(Facet.CARTRIDGE, codes, "clicked in")
                .then(Facet.REFIT, "refitted");
        if (w.handling().kit().bracket() != BulkKit.Bracket.NONE) {
            hang.needs(Facet.BRACKET, "level");
        }
        steps.add(needsShut(w, hang).build());
        steps.add(step("route", "Route the ribbon flat")
                .say("%s on top, the others below in their order. Clips on the lower rail, never on a panel that"
                                .formatted(codes.getFirst())
                        + " opens. Its record is a photo: attach one here.")
                .minutes(6)
                .needs(Facet.CARTRIDGE, codes, "clicked in")
                .ask(new Ask.Ticks(List.of(
                        "flat, no twist, one order all along",
                        "elbow faces the carriage",
                        "clips pressed on, half a minute each",
                        "nothing rubs")))
                .then(Facet.RIBBON, "routed")
                .build());
        if (w.headWet()) {
            steps.add(UsualSteps.clothOut());
        }
        steps.add(UsualSteps.towelsOut("bench"));
        steps.add(slack());
        return steps;
    }

    private static Step slack() {
        return step("slack", "Check the slack at both ends of travel")
                .say("Slide the carriage by hand to the far left and the far right. The ribbon must neither bunch"
                        + " nor pull: the test at both ends is the judge.")
                .minutes(2)
                .hold("Both ends, before power.")
                .needs(Facet.RIBBON, "routed")
                .needs(Facet.POWER, "unplugged")
                .ask(new Ask.Ticks(
                        List.of("far left: neither bunches nor pulls", "far right: neither bunches nor pulls")))
                .then(Facet.RIBBON, "tested at both ends")
                .build();
    }

    static List<Step> open(Work w) {
        return List.of(opened(w), Powering.on(w, true, "power-again"));
    }

    private static Step opened(Work w) {
        var kit = w.handling().kit();
        var codes = Work.codes(w.plans);
        return step(
                        "vents-open",
                        kit.plugs()
                                ? kit.valve() ? "Valve open, vents open" : "Vents open"
                                : kit.valve() ? "Valve open" : "Tanks back to their height")
                .say((kit.bunged() ? "Bungs out: a tank that arrived with them prints nothing. " : "")
                        + (kit.plugs() ? "Filters back in for the plugs. " : "")
                        + (kit.shuts()
                                ? "What stays shut while printing makes a vacuum, and that looks like a clog."
                                : "The surface of the ink level with the cartridges: higher drips, lower starves."))
                .minutes(2)
                .hold("All of them, before power.")
                .restsOn(Handling.Matter.KIT)
                .needs(Facet.CARTRIDGE, codes, "clicked in")
                .needs(Facet.RIBBON, "tested at both ends")
                .ask(Work.grid(
                        w.plans,
                        List.of(ticks(kit.plugs() ? "vent open" : kit.valve() ? "ink may run" : "tank at its height"))))
                .then(Facet.VALVE, "open")
                .then(Facet.VENT, codes, "open")
                .build();
    }

    /** Out of the machine, and empty: channel by channel, looking for growth. */
    static List<Step> empty(Work w) {
        var codes = w.before.codes();
        var steps = new ArrayList<Step>();
        steps.addAll(shut(w));
        steps.add(Opening.free(w).build());
        if (w.headWet()) {
            steps.add(UsualSteps.wetCloth(w.family()));
        }
        steps.add(needsShut(
                        w,
                        step("bulk-out", "Cartridges out, with their ribbon")
                                .restsOn(Handling.Matter.KIT)
                                .say("Onto the tray, level.")
                                .minutes(3)
                                .care(Caution.SQUIRT, Caution.INK, Caution.TIPPING)
                                .needs(Facet.CARRIAGE, "free")
                                .ask(new Ask.Grid(codes, List.of(ticks("out"))))
                                .then(Facet.CARTRIDGE, codes, "empty"))
                .build());
        if (w.drained.isEmpty()) {
            return steps;
        }
        var drained = Work.codesBefore(w.drained);
        var kit = w.handling().kit();
        steps.add(step("drain-open", kit.valve() ? "Valve open, filling plugs out" : "Filling plugs out")
                .restsOn(Handling.Matter.KIT)
                .say("So that air can follow the ink."
                        + (kit.plugs() ? " The vents stay plugged: nothing spills when a tank is tilted." : ""))
                .minutes(1)
                .needs(Facet.CARTRIDGE, drained, "empty")
                .needs(Facet.GLOVES, "on")
                .ask(Work.gridBefore(w.drained, List.of(ticks("filling plug out"))))
                .then(Facet.VALVE, "open")
                .then(Facet.TANK_CAP, drained, "open")
                .build());
        for (var plan : w.drained) {
            steps.add(Drawing.pull(
                            w,
                            List.of(plan),
                            "empty-" + plan.before(),
                            "Empty " + plan.before() + " through the outlet",
                            reach())
                    .needs(Facet.VALVE, "open")
                    .needs(Facet.TANK_CAP, List.of(plan.before()), "open")
                    .branch(Drawing.nothingComes(List.of(plan)))
                    .build());
        }
        steps.add(Growth.look(w, reach(), "the cartridge end"));
        return steps;
    }

    private static List<VesselKind> reach() {
        return List.copyOf(new java.util.TreeSet<>(Set.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE)));
    }

    static List<Step> refill(Work w) {
        var drained = Work.codesBefore(w.drained);
        var steps = new ArrayList<Step>();
        if (!drained.isEmpty()) {
            steps.add(step("vents-free", "Vents open again")
                    .restsOn(Handling.Matter.KIT)
                    .say("Upright on the tray: air has to follow the new ink.")
                    .minutes(1)
                    .needs(Facet.THREADS, "clean")
                    .needs(Facet.TANK, drained, "chased")
                    .ask(Work.grid(w.plans, List.of(ticks("vent open"))))
                    .then(Facet.VENT, Work.codes(w.plans), "open")
                    .then(Facet.VALVE, "open")
                    .build());
        } else {
            steps.add(step("vents-free", w.handling().kit().valve() ? "Vents and valve open" : "Vents open")
                    .restsOn(Handling.Matter.KIT)
                    .say("Upright on the tray.")
                    .minutes(1)
                    .then(Facet.VENT, Work.codes(w.plans), "open")
                    .then(Facet.VALVE, "open")
                    .build());
        }
        steps.addAll(chambers(w, true));
        w.onFluid.forEach(p -> steps.add(step("rest-" + p.code(), "Leave " + p.code() + " on fluid")
                .say("Into its tank.")
                .minutes(2)
                .ask(Work.grid(List.of(p), List.of(volumes("fluid", List.of(p), ChannelPlan::rests))))
                .moves(new Move.PourFluid())
                .needs(Facet.TANK, List.of(p.code()), "chased")
                .then(Facet.FLUID, List.of(p.code()), "on fluid")
                .then(Facet.CARTRIDGE, List.of(p.code()), "primed")
                .build()));
        var codes = Work.codes(w.inked);
        steps.add(step("pull-solid", "Pull through the outlet until solid ink")
                .say("This ink is clean and of one colour: it may go back. Then take the last air from the top of"
                        + " the cartridge.")
                .minutes(3 * codes.size())
                .care(Caution.SLOW)
                .needs(Facet.FILL, codes, "filled")
                .needs(Facet.VALVE, "open")
                .needs(Facet.VENT, codes, "open")
                .needs(Facet.SYRINGE, codes, "its own")
                .ask(Work.grid(w.inked, List.of(ticks("solid ink"), ticks("top: air out"))))
                .branch(nothingRuns(w))
                .moves(new Move.Prime(codes, reach()))
                .then(Facet.CARTRIDGE, codes, "primed")
                .build());
        if (w.handling().kit().constantHead()) {
            steps.add(constantHead(w));
        }
        steps.add(step("plugs", "Plugs in, wipe")
                .say("Filling plugs in, tanks wiped, next to each other as before.")
                .minutes(2)
                .ask(Work.grid(w.plans, List.of(ticks("plug in"))))
                .then(Facet.TANK_CAP, Work.codes(w.plans), "shut")
                .build());
        return steps;
    }

    /** Back into the machine, with everything shut while it is carried. */
    static List<Step> back(Work w) {
        var codes = Work.codes(w.plans);
        var carry = shut(w, "back-shut").needs(Facet.TANK_CAP, codes, "shut");
        if (w.route == Route.PARK) {
            carry.needs(Facet.FLUID, codes, "on fluid");
        } else if (w.handling().kit().constantHead()) {
            carry.needs(Facet.CONSTANT_HEAD, Work.codes(w.inked), "reset");
        }
        var hang = needsShut(
                w,
                step("hang", "Hang the cartridges")
                        .restsOn(Handling.Matter.KIT)
                        .say("Press each until it clicks; ribbon flat, as it was.")
                        .minutes(5)
                        .care(Caution.SQUIRT, Caution.FORCE, Caution.TIPPING)
                        .hold("Every slot has clicked.")
                        .needs(Facet.CARTRIDGE, codes, "primed")
                        .needs(Facet.CARRIAGE, "free")
                        .moves(Cartridges.refit(w))
                        .ask(Work.grid(w.plans, List.of(ticks("clicked"))))
                        .then(Facet.CARTRIDGE, codes, "clicked in")
                        .then(Facet.RIBBON, "routed")
                        .then(Facet.REFIT, "refitted"));
        var steps = new ArrayList<>(List.of(carry.build(), hang.build()));
        if (w.headWet()) {
            steps.add(UsualSteps.clothOut());
        }
        steps.add(UsualSteps.towelsOut("bench"));
        steps.add(slack());
        steps.add(opened(w));
        return steps;
    }
}
