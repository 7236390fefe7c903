package fairkettle.changeover;

import static fairkettle.changeover.Work.ticks;
import static fairkettle.changeover.Work.volumes;
import static fairkettle.procedure.Step.step;

import fairkettle.ink.Millilitres;
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
        var codes = Work.codes(w.plans);
        var steps = new ArrayList<>(List.of(
                step("position", "Decide where everything stands")
                        .say("Bracket at the machine’s side, ribbon’s way in, room for the lid. Nothing is cut or"
                                + " stuck before this is settled.")
                        .minutes(5)
                        .hold("The place is written down.")
                        .needs(Facet.BENCH, "prepared")
                        .ask(new Ask.Words("where bracket, tube exit and tanks are"))
                        .then(Facet.POSITION, "decided")
                        .build(),
                step("mark-ribbon", "Mark the outermost tubes on both sides")
                        .say("Before cutting, so that their order survives.")
                        .minutes(2)
                        .needs(Facet.POSITION, "decided")
                        .ask(Work.grid(w.plans, List.of(ticks("marked on both sides"))))
                        .then(Facet.TUBE_MARK, codes, "in place")
                        .build(),
                step("inline", "Cut, and fit the inline dampers")
                        .say("Inlet side toward the tank. A reversed one lets nothing through, and that channel"
                                + " will look blocked.")
                        .minutes(3 * codes.size())
                        .irreversible("A tube that is cut too short cannot be made longer.")
                        .care(Caution.SHARPS)
                        .needs(Facet.TUBE_MARK, codes, "in place")
                        .needs(Facet.POSITION, "decided")
                        .ask(Work.grid(w.plans, List.of(ticks("inlet to the tank"))))
                        .then(Facet.INLINE_DAMPER, codes, "inlet to the tank")
                        .build(),
                step("bracket", "Press the bracket on, and level it")
                        .say("Wipe the face, press and hold. The surface of the ink and the cartridges must be at"
                                + " one height: higher drips, lower starves.")
                        .minutes(3)
                        .waits(new Pause("adhesive taking hold", Duration.ofMinutes(1), null, false))
                        .needs(Facet.POSITION, "decided")
                        .ask(new Ask.Ticks(List.of("face wiped and dry", "level with the cartridges")))
                        .then(Facet.BRACKET, "level")
                        .build()));
        if (w.terms.follows(School.TANK_HEIGHT, "raised")) {
            steps.add(step("raise", "Raise it by %d mm at most, and watch for drips".formatted(TankHeight.STEP_MM))
                    .say("Half an hour with a dry sheet under the head. One drop, and it goes back down. Write the"
                            + " height down.")
                    .minutes(2)
                    .needs(Facet.BRACKET, "level")
                    .waits(new Pause("drip test", Duration.ofMinutes(30), null, false))
                    .ask(new Ask.Words("height above the cartridges, and what the sheet showed"))
                    .build());
        }
        return steps;
    }

    static List<Step> fill(Work w) {
        var steps = new ArrayList<>(chambers(w, false));
        steps.addAll(intoCartridges(w));
        steps.addAll(shut(w));
        return steps;
    }

    /** Priming chamber first, in two parts with a tilt between; the rest into the filling chamber. */
    private static List<Step> chambers(Work w, boolean again) {
        var codes = Work.codes(w.inked);
        boolean large = w.terms.follows(School.BULK_DOSES, "twenty");
        var first = Millilitres.parse(large ? "20" : "15");
        var second = Millilitres.parse(large ? "10" : "8");
        var one = step("priming-first", "First part into the priming chamber")
                .say("Read every code first, caps shut. " + (again ? "It ran dry, so it is primed again. " : "")
                        + "Priming chamber first, filling chamber after; then plug it.")
                .minutes(2 * codes.size())
                .care(Caution.INK)
                .needs(Facet.GLOVES, "on")
                .needs(Facet.BOTTLE, codes, "matched")
                .needs(Facet.SYRINGE, codes, "its own")
                .needs(Facet.TANK, codes, "chased")
                .ask(Work.grid(w.inked, List.of(Work.code(), volumes("first part", w.inked, p -> first.min(p.fill())))))
                .moves(new Move.Pour())
                .then(Facet.PRIMING, codes, "dry");
        if (!again) {
            one.needs(Facet.INLINE_DAMPER, codes, "inlet to the tank");
        }
        var level = step("level-mark", "Look at the level mark")
                .say("The mark decides, the amount is only where to start.")
                .minutes(1)
                .needs(Facet.PRIMING, codes, "primed")
                .ask(Work.grid(w.inked, List.of(ticks("at the mark"))))
                .branch(new Branch(
                        "below-mark",
                        "Below the mark",
                        List.of(step("tilt-again", "Tilt once more")
                                .say("Half a minute, until the bubble has gone up.")
                                .minutes(1)
                                .build()),
                        3,
                        "It does not come to the mark. Look for a leaking plug."));
        return List.of(
                one.build(),
                step("tilt", "Tilt, to move the air up")
                        .care(Caution.TIPPING)
                        .say("Plug in, tilt and hold; then upright again.")
                        .minutes(1)
                        .waits(new Pause("tilted", Duration.ofSeconds(large ? 30 : 20), null, false))
                        .build(),
                step("priming-second", "Second part into the priming chamber")
                        .say("Then plug it for good. From now on ink goes into the filling chamber only, unless it"
                                + " ever runs dry.")
                        .minutes(2 * codes.size())
                        .needs(Facet.GLOVES, "on")
                        .needs(Facet.BOTTLE, codes, "matched")
                        .ask(Work.grid(
                                w.inked,
                                List.of(volumes(
                                        "second part",
                                        w.inked,
                                        p -> second.min(p.fill().over(first))))))
                        .moves(new Move.Pour())
                        .then(Facet.PRIMING, codes, "primed")
                        .build(),
                level.build(),
                step("filling-chamber", "The rest into the filling chamber")
                        .say("One at a time, to the line.")
                        .minutes(2 * codes.size())
                        .care(Caution.INK)
                        .needs(Facet.PRIMING, codes, "primed")
                        .needs(Facet.BOTTLE, codes, "matched")
                        .needs(Facet.GLOVES, "on")
                        .ask(Work.grid(
                                w.inked,
                                List.of(volumes(
                                        "the rest",
                                        w.inked,
                                        p -> p.fill().over(first).over(second)))))
                        .moves(new Move.Pour())
                        .then(Facet.FILL, codes, "filled")
                        .build());
    }

    private static List<Step> intoCartridges(Work w) {
        var codes = Work.codes(w.inked);
        var draw = step("draw-in", "Draw ink into each cartridge")
                .say("Valve open, vents open. Free side first, then the sponge side; stop just below the top. At"
                        + " the outlet first, then the last air from the top: neither alone gets it all.")
                .minutes(4 * codes.size())
                .care(Caution.SLOW, Caution.PRESSURE)
                .needs(Facet.FILL, codes, "filled")
                .needs(Facet.VALVE, "open")
                .needs(Facet.VENT, codes, "open")
                .needs(Facet.SYRINGE, codes, "its own")
                .ask(Work.grid(w.inked, List.of(ticks("outlet: solid ink"), ticks("top: air out"))))
                .moves(new Move.PrimeOnTray(codes))
                .branch(Drawing.nothingComes())
                .then(Facet.CARTRIDGE, codes, "primed")
                .build();
        if (w.onFluid.isEmpty()) {
            return List.of(draw);
        }
        return List.of(draw, Cartridges.fluid(w).getFirst());
    }

    /** Nothing may run while cartridges are carried. */
    static List<Step> shut(Work w) {
        return List.of(step("shut", "Plug the air chambers, shut the valve")
                .say("Solid plugs for the filters: filters wet by ink would no longer breathe. Then nothing runs"
                        + " while cartridges are carried.")
                .minutes(2)
                .hold("Every vent plugged, the valve shut, before a cartridge is lifted.")
                .ask(Work.grid(w.plans, List.of(ticks("air chamber plugged"))))
                .then(Facet.VENT, Work.codes(w.plans), "plugged")
                .then(Facet.VALVE, "shut")
                .build());
    }

    static List<Step> hang(Work w) {
        var codes = Work.codes(w.plans);
        var steps = new ArrayList<Step>();
        steps.add(unplugged(w));
        if (w.headWet()) {
            steps.add(UsualSteps.wetCloth(w.family()));
        }
        steps.addAll(Cartridges.oldOut(w));
        steps.addAll(Cartridges.chips(w));
        steps.add(step("hang", "Hang the cartridges")
                .say("Carry them level with their ribbon. Press each until it clicks.")
                .minutes(5)
                .care(Caution.SQUIRT, Caution.FORCE, Caution.TIPPING)
                .hold("Every slot has clicked.")
                .needs(Facet.VALVE, "shut")
                .needs(Facet.VENT, codes, "plugged")
                .needs(Facet.CARTRIDGE, codes, "primed")
                .needs(Facet.OLD_CARTRIDGE, w.before.codes(), "stored")
                .needs(Facet.CHIPS, "answered")
                .needs(Facet.CARRIAGE, "free")
                .needs(Facet.BRACKET, "level")
                .moves(Cartridges.refit(w))
                .ask(Work.grid(w.plans, List.of(ticks("clicked"))))
                .then(Facet.CARTRIDGE, codes, "clicked in")
                .then(Facet.REFIT, "refitted")
                .build());
        steps.add(step("route", "Route the ribbon flat")
                .say("Elbow facing the carriage, clips where nothing rubs, no twist. Photograph it.")
                .minutes(6)
                .needs(Facet.CARTRIDGE, codes, "clicked in")
                .then(Facet.RIBBON, "routed")
                .build());
        if (w.headWet()) {
            steps.add(UsualSteps.clothOut());
        }
        steps.add(slack());
        return steps;
    }

    private static Step unplugged(Work w) {
        var way = w.handling().freeing();
        var step = step("change-unplug", "Bring the carriage out, unplug")
                .say("This one is freed " + way.label() + ". " + way.goesWrong()
                        + " A carriage that has power is never pushed.")
                .minutes(2)
                .care(Caution.ELECTRICITY, Caution.MOVING_PARTS)
                .hold("No cord is in the machine before hands go in.")
                .restsOn(Handling.Matter.FREEING)
                .ask(new Ask.Ticks(way.acts(), true))
                .then(Facet.CARRIAGE, "free")
                .then(Facet.POWER, "unplugged");
        if (way.underPower()) {
            step.needs(Facet.POWER, "on");
        }
        return step.build();
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
        var codes = Work.codes(w.plans);
        return List.of(
                step("vents-open", "Valve open, vents open")
                        .say("Filters back in for the plugs. Any vent shut while printing makes a vacuum, and that"
                                + " looks like a clog.")
                        .minutes(2)
                        .hold("All of them, before power.")
                        .needs(Facet.CARTRIDGE, codes, "clicked in")
                        .needs(Facet.RIBBON, "tested at both ends")
                        .ask(Work.grid(w.plans, List.of(ticks("vent open"))))
                        .then(Facet.VALVE, "open")
                        .then(Facet.VENT, codes, "open")
                        .build(),
                Powering.on(w, true, "power-again"));
    }

    /** Out of the machine, and empty: channel by channel, looking for growth. */
    static List<Step> empty(Work w) {
        var codes = w.before.codes();
        var steps = new ArrayList<Step>();
        steps.addAll(shut(w));
        steps.add(unplugged(w));
        if (w.headWet()) {
            steps.add(UsualSteps.wetCloth(w.family()));
        }
        steps.add(step("bulk-out", "Cartridges out, with their ribbon")
                .say("Onto the tray, level.")
                .minutes(3)
                .care(Caution.SQUIRT, Caution.INK, Caution.TIPPING)
                .needs(Facet.VALVE, "shut")
                .needs(Facet.VENT, codes, "plugged")
                .needs(Facet.CARRIAGE, "free")
                .ask(new Ask.Grid(codes, List.of(ticks("out"))))
                .then(Facet.CARTRIDGE, codes, "empty")
                .build());
        if (w.drained.isEmpty()) {
            return steps;
        }
        var drained = Work.codesBefore(w.drained);
        steps.add(step("drain-open", "Valve open, filling plugs out")
                .say("So that air can follow the ink. The air chambers stay plugged against spilling while tanks"
                        + " are tilted: no further than the mark.")
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
                    .needs(Facet.VENT, List.of(plan.before()), "plugged")
                    .branch(Drawing.nothingComes())
                    .build());
        }
        steps.add(threads(w));
        return steps;
    }

    private static List<VesselKind> reach() {
        return List.copyOf(new java.util.TreeSet<>(Set.of(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE)));
    }

    /** Threads or lumps mean that everything in the system goes, whatever the other channels look like. */
    private static Step threads(Work w) {
        var drained = Work.codesBefore(w.drained);
        var step = step("threads", "Look at needle and ink")
                .say("Lift each needle against the light. A thread or a lump that hangs on it is growth, not pigment.")
                .minutes(2)
                .hold("Nobody fills before every needle was looked at.")
                .needs(Facet.TANK, drained, "drained")
                .ask(Work.gridBefore(w.drained, List.of(ticks("no thread, no lump"))));
        if (w.terms.follows(School.ONE_OR_ALL, "all")) {
            step.branch(growth(w, w.drained, "growth", "There is a thread or a lump", "Everything goes, all channels"));
        } else {
            w.drained.forEach(p -> step.branch(growth(
                    w,
                    List.of(p),
                    "growth-" + p.before(),
                    "A thread or a lump in " + p.before(),
                    "Everything of " + p.before() + " goes")));
        }
        return step.then(Facet.THREADS, "clean").build();
    }

    /**
     * Out with the ink and its bottle, air, tools, other bottles, a dose that is thrown away: in this order, for these
     * channels.
     */
    private static Branch growth(Work w, List<ChannelPlan> plans, String id, String label, String title) {
        var codes = Work.codesBefore(plans);
        var inked = plans.stream().filter(w.inked::contains).toList();
        var small = Millilitres.parse("5");
        var steps = new ArrayList<>(List.of(
                step("growth-out", title)
                        .say("All ink of it, with needles, never back in a bottle. The bottles it came from are"
                                + " marked bad, and cannot be chosen again.")
                        .minutes(6)
                        .care(Caution.WASTE, Caution.INK)
                        .moves(new Move.Spoil("growth found on the needle", codes))
                        .ask(new Ask.Ticks(
                                List.of("tanks dry", "needles in the sharps tin", "old bottles out of reach")))
                        .build(),
                step("growth-air", "A slug of air, from the cartridge end")
                        .say("Push air through from the cartridge end, gently, then dry once more.")
                        .minutes(4)
                        .care(Caution.PRESSURE)
                        .ask(new Ask.Ticks(List.of("air through every line", "tanks dry again")))
                        .build(),
                step("growth-tools", "New tools")
                        .say("Syringes, adapters, needles and bottle tops that met it: renewed, or boiled and rinsed.")
                        .minutes(5)
                        .ask(new Ask.Ticks(List.of("syringes", "adapters and needles", "bottle tops")))
                        .then(Facet.SYRINGE, codes, "its own")
                        .build()));
        if (!inked.isEmpty()) {
            steps.add(step("growth-bottles", "Other bottles")
                    .say("None from the same opening.")
                    .minutes(2)
                    .ask(new Ask.Lots(Work.codes(inked), w.family()))
                    .then(Facet.BOTTLE, Work.codes(inked), "matched")
                    .build());
            steps.add(step("growth-dose", "A small dose of new ink through, and away")
                    .say("Its biocide reaches what fluid does not. It is discarded.")
                    .minutes(2 * plans.size())
                    .care(Caution.WASTE)
                    .ask(Work.gridBefore(plans, List.of(volumes("new ink through", plans, _ -> small))))
                    .moves(new Move.Rinse(reach(), Move.Liquid.NEW_INK))
                    .build());
        }
        return new Branch(id, label, steps, 1, "It is there again: renew tanks, ribbon and cartridges altogether.");
    }

    static List<Step> refill(Work w) {
        var drained = Work.codesBefore(w.drained);
        var steps = new ArrayList<Step>();
        if (!drained.isEmpty()) {
            steps.add(step("vents-free", "Air chambers open again")
                    .say("Upright on the tray: air has to follow the new ink.")
                    .minutes(1)
                    .needs(Facet.THREADS, "clean")
                    .needs(Facet.TANK, drained, "chased")
                    .ask(Work.grid(w.plans, List.of(ticks("vent open"))))
                    .then(Facet.VENT, Work.codes(w.plans), "open")
                    .then(Facet.VALVE, "open")
                    .build());
        } else {
            steps.add(step("vents-free", "Air chambers and valve open")
                    .say("Upright on the tray.")
                    .minutes(1)
                    .then(Facet.VENT, Work.codes(w.plans), "open")
                    .then(Facet.VALVE, "open")
                    .build());
        }
        steps.addAll(chambers(w, true));
        w.onFluid.forEach(p -> steps.add(step("rest-" + p.code(), "Leave " + p.code() + " on fluid")
                .say("Into its filling chamber.")
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
                .branch(Drawing.nothingComes())
                .moves(new Move.Prime(codes, reach()))
                .then(Facet.CARTRIDGE, codes, "primed")
                .build());
        steps.add(step("constant-head", "Reset the constant-head tank")
                .say("Push air in until one large bubble comes. Foam is not a bubble: wait and look again.")
                .minutes(codes.size())
                .needs(Facet.FILL, codes, "filled")
                .ask(Work.grid(w.inked, List.of(ticks("bubble came"))))
                .then(Facet.CONSTANT_HEAD, codes, "reset")
                .build());
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
        var carry = step("back-shut", "Plug the air chambers, shut the valve")
                .say("As before lifting: nothing may run while cartridges are carried.")
                .minutes(1)
                .ask(Work.grid(w.plans, List.of(ticks("air chamber plugged"))))
                .needs(Facet.TANK_CAP, codes, "shut")
                .then(Facet.VENT, codes, "plugged")
                .then(Facet.VALVE, "shut");
        if (w.route == Route.PARK) {
            carry.needs(Facet.FLUID, codes, "on fluid");
        } else {
            carry.needs(Facet.CONSTANT_HEAD, Work.codes(w.inked), "reset");
        }
        var hang = step("hang", "Hang the cartridges")
                .say("Press each until it clicks; ribbon flat, as it was.")
                .minutes(5)
                .care(Caution.SQUIRT, Caution.FORCE, Caution.TIPPING)
                .hold("Every slot has clicked.")
                .needs(Facet.VALVE, "shut")
                .needs(Facet.VENT, codes, "plugged")
                .needs(Facet.CARTRIDGE, codes, "primed")
                .needs(Facet.CARRIAGE, "free")
                .moves(Cartridges.refit(w))
                .ask(Work.grid(w.plans, List.of(ticks("clicked"))))
                .then(Facet.CARTRIDGE, codes, "clicked in")
                .then(Facet.RIBBON, "routed")
                .then(Facet.REFIT, "refitted");
        var vents = step("vents-open", "Valve open, vents open")
                .say("Filters back in for the plugs.")
                .minutes(2)
                .hold("All of them, before power.")
                .needs(Facet.CARTRIDGE, codes, "clicked in")
                .needs(Facet.RIBBON, "tested at both ends")
                .ask(Work.grid(w.plans, List.of(ticks("vent open"))))
                .then(Facet.VALVE, "open")
                .then(Facet.VENT, codes, "open");
        var steps = new ArrayList<>(List.of(carry.build(), hang.build()));
        if (w.headWet()) {
            steps.add(UsualSteps.clothOut());
        }
        steps.add(slack());
        steps.add(vents.build());
        return steps;
    }
}
