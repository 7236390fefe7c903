package fairkettle.changeover;

import static fairkettle.changeover.Work.ticks;
import static fairkettle.changeover.Work.volumes;
import static fairkettle.procedure.Step.step;

import fairkettle.ink.Millilitres;
import fairkettle.machine.Architecture;
import fairkettle.machine.BulkKit;
import fairkettle.machine.Chips;
import fairkettle.machine.Handling;
import fairkettle.machine.Panel;
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

/** Cartridges: filled and primed on the tray before the machine is opened, swapped, stored, put back. */
final class Cartridges {

    private static final Millilitres UNTIL_INK_SHOWS = Millilitres.parse("1");

    private Cartridges() {}

    /** Every minute off its cap dries the head, so this comes before the carriage is freed. */
    static List<Step> onTheTray(Work w) {
        var steps = new ArrayList<Step>();
        for (var plan : w.inked) {
            var one = List.of(plan.code());
            var step = step("fill-" + plan.code(), "Fill the " + plan.code() + " cartridge")
                    .say("Read the code on the bottle first, cap shut. Into the fill hole with its own syringe,"
                            + " slowly, on the tray. The air hole is the other one: ink that goes in very slowly"
                            + " is in the wrong hole – harmless, change over.")
                    .minutes(4)
                    .care(Caution.INK, Caution.SLOW)
                    .with("bottle " + plan.code(), "syringe " + plan.code())
                    .needs(Facet.BENCH, "prepared")
                    .needs(Facet.GLOVES, "on")
                    .needs(Facet.BOTTLE, one, "matched")
                    .needs(Facet.SYRINGE, one, "its own")
                    .needs(Facet.FILL_HOLE, one, "open")
                    .ask(Work.grid(
                            List.of(plan), List.of(Work.code(), volumes("filled", List.of(plan), Cartridges::full))))
                    .moves(new Move.PourOnTray(Move.Liquid.NEW_INK))
                    .branch(new Branch(
                            "hard-to-fill",
                            "It is hard to fill",
                            List.of(step("other-hole", "Find the fill hole")
                                    .say("Hard to fill means the wrong hole. The fill hole is the larger one, with"
                                            + " the plug; the air hole has a maze behind it.")
                                    .minutes(1)
                                    .ask(new Ask.Ticks(List.of("needle in the fill hole", "air hole free")))
                                    .build()),
                            2,
                            "It will not fill. Put this cartridge aside and take another one."))
                    .then(Facet.CARTRIDGE, one, "filled");
            if (w.family().food()) {
                step.care(Caution.FOOD).needs(Facet.SURFACES, "clean for food").needs(Facet.FOOD_LABEL, "in place");
            }
            steps.add(step.build());
        }
        if (!w.onFluid.isEmpty()) {
            steps.addAll(fluid(w));
        }
        steps.add(plug(w));
        steps.addAll(prime(w));
        return steps;
    }

    private static Millilitres full(ChannelPlan plan) {
        return plan.fill();
    }

    /** Cartridges for slots that are to rest on fluid. */
    static List<Step> fluid(Work w) {
        var codes = Work.codes(w.onFluid);
        return List.of(step("fill-fluid", "Fill cartridges with fluid")
                .say("Cleaning fluid for " + w.family().label() + ". Label them; they look like any other.")
                .minutes(2 * w.onFluid.size())
                .care(Caution.INK)
                .needs(Facet.BENCH, "prepared")
                .needs(Facet.GLOVES, "on")
                .needs(Facet.FILL_HOLE, codes, "open")
                .ask(Work.grid(
                        w.onFluid,
                        List.of(volumes(
                                "fluid",
                                w.onFluid,
                                p -> w.after.channel(p.code()).first().capacity()))))
                .moves(new Move.PourOnTray(Move.Liquid.FLUID))
                .then(Facet.CARTRIDGE, codes, "primed")
                .then(Facet.FLUID, codes, "on fluid")
                .build());
    }

    static Step plug(Work w) {
        return step("plug", "Plug the fill holes, leave the air holes open")
                .say("From now on the fill hole is shut and the air hole open. Both shut makes a vacuum, and the"
                        + " ink stays where it is.")
                .minutes(1)
                .needs(Facet.GLOVES, "on")
                .ask(Work.grid(w.plans, List.of(ticks("fill hole plugged"), ticks("air hole open"))))
                .then(Facet.FILL_HOLE, Work.codes(w.plans), "plugged")
                .then(Facet.VENT, Work.codes(w.plans), "open")
                .build();
    }

    private static List<Step> prime(Work w) {
        var codes = Work.codes(w.inked);
        if (codes.isEmpty()) {
            return List.of();
        }
        if (w.terms.follows(School.OUTLET_PRIMING, "fill")) {
            return List.of(step("stand", "Let them stand")
                    .say("Two minutes, outlet down, over the tray. The first cleanings will draw the rest of the air.")
                    .minutes(0)
                    .needs(Facet.CARTRIDGE, codes, "filled")
                    .needs(Facet.FILL_HOLE, codes, "plugged")
                    .waits(new Pause("cartridges standing", Duration.ofMinutes(2), null, false))
                    .then(Facet.CARTRIDGE, codes, "primed")
                    .build());
        }
        if (w.terms.follows(School.OUTLET_PRIMING, "plunger")) {
            return List.of(step("plunger", "Vent plugged, pull until the plunger falls")
                    .say("A finger or its plug on the air hole; the syringe in the fill hole, pulled until it"
                            + " resists, then let go: the plunger falls, and ink enters the middle chamber."
                            + " Nothing is drawn out. The air hole is open again before it is fitted.")
                    .minutes(2 * codes.size())
                    .care(Caution.SLOW, Caution.PRESSURE)
                    .needs(Facet.CARTRIDGE, codes, "filled")
                    .needs(Facet.SYRINGE, codes, "its own")
                    .ask(Work.grid(w.inked, List.of(ticks("plunger fell"), ticks("air hole open again"))))
                    .then(Facet.CARTRIDGE, codes, "primed")
                    .build());
        }
        boolean back = w.terms.follows(School.RETURN_INK, "clean");
        return List.of(step("prime", "Draw at the outlet until ink shows")
                .say("With the sprung valve held open by the adapter, slowly. "
                        + (w.terms.follows(School.DRAW_OR_PUSH, "push")
                                ? "A bubble that stays: a light push at the air hole moves it. Never at the head. "
                                : "")
                        + (back
                                ? "This ink is clean and of one colour: it goes back into its bottle."
                                : "What was drawn is waste."))
                .minutes(2 * codes.size())
                .care(Caution.SLOW, Caution.PRESSURE)
                .needs(Facet.CARTRIDGE, codes, "filled")
                .needs(Facet.FILL_HOLE, codes, "plugged")
                .needs(Facet.VENT, codes, "open")
                .needs(Facet.SYRINGE, codes, "its own")
                .ask(Work.grid(w.inked, List.of(volumes("drawn", w.inked, _ -> UNTIL_INK_SHOWS))))
                .moves(new Move.DrawOnTray(back))
                .then(Facet.CARTRIDGE, codes, "primed")
                .build());
    }

    /** A first start on the maker's own cartridges: the machine is known good, and can be judged later. */
    static List<Step> starters(Work w) {
        if (!w.way.onStarters()) {
            return List.of();
        }
        var codes = w.before.codes();
        var draws = w.job.profile().draws();
        return List.of(
                Powering.on(w, false, "power-on-first"),
                step("starters-in", "The maker’s own cartridges in")
                        .say("The ones from the box, pressed until they click. They prove that the machine is well,"
                                + " before anything is changed about it.")
                        .minutes(3)
                        .needs(Facet.POWER, "on")
                        .ask(new Ask.Ticks(List.of("every cartridge clicked", "no message about cartridges")))
                        .moves(new Move.Supplied(codes))
                        .then(Facet.OLD_CARTRIDGE, codes, "in place")
                        .build(),
                step("first-start", "First start")
                        .say("The machine charges itself. Do not switch off.")
                        .minutes(1)
                        .care(Caution.NO_POWER_OFF)
                        .needs(Facet.POWER, "on")
                        .needs(Facet.OLD_CARTRIDGE, codes, "in place")
                        .moves(new Move.Charge(codes, draws.initialCharge()))
                        .waits(new Pause(
                                "first start",
                                Duration.ofMinutes(w.job.profile().minutes().initialCharge()),
                                null,
                                true))
                        .build(),
                step("known-good", "Print its first check")
                        .say("Whole, or taken back to the shop: a machine that was never known good cannot be"
                                + " judged after a change.")
                        .minutes(2)
                        .hold("The first check is whole.")
                        .needs(Facet.OLD_CARTRIDGE, codes, "in place")
                        .moves(new Move.Print(codes, draws.nozzleCheck()))
                        .ask(new Ask.Ticks(List.of("every line is there")))
                        .then(Facet.INITIALISED, "made")
                        .build());
    }

    /** Out with what is in, under power: the carriage has to come to its change position. */
    static List<Step> in(Work w) {
        var steps = new ArrayList<Step>();
        var codes = Work.codes(w.plans);
        steps.add(menu());
        steps.addAll(oldOut(w));
        steps.addAll(chips(w));
        var click = step("click-in", "New cartridges in, until each clicks")
                .say("Uncap upside down, turn, press. Not recognised usually means: not fully seated, or the lid"
                        + " was opened at the wrong moment.")
                .minutes(4)
                .care(Caution.FORCE)
                .hold("Every slot has clicked.")
                .needs(Facet.CARRIAGE, "free")
                .needs(Facet.CARTRIDGE, codes, "primed")
                .needs(Facet.OLD_CARTRIDGE, Work.codesBefore(w.plans), "stored")
                .needs(Facet.VENT, codes, "open")
                .needs(Facet.FILL_HOLE, codes, "plugged")
                .needs(Facet.CHIPS, "answered")
                .moves(refit(w))
                .ask(Work.grid(w.plans, List.of(ticks("clicked"))))
                .branch(notRecognised())
                .then(Facet.CARTRIDGE, codes, "clicked in")
                .then(Facet.FILL, Work.codes(w.inked), "filled")
                .then(Facet.REFIT, "refitted");
        steps.add(click.build());
        steps.add(park(Work.codes(w.plans)));
        return steps;
    }

    static Step menu() {
        return menu("change-menu");
    }

    static Step menu(String id) {
        return step(id, "Bring the carriage to the change position")
                .say("Through its menu for replacing cartridges, the lid still shut. Wait until it stands still; the"
                        + " lid only then. Do not push it.")
                .minutes(1)
                .care(Caution.MOVING_PARTS)
                .needs(Facet.POWER, "on")
                .then(Facet.CARRIAGE, "free")
                .build();
    }

    private static Step park(List<fairkettle.ink.ChannelCode> codes) {
        return parked("lid-down", codes)
                .hold("As many towels are out as were laid out.")
                .ask(new Ask.Tally("Out again", UsualSteps.TOWELS, "bench"))
                .build();
    }

    static Step park(String id, List<fairkettle.ink.ChannelCode> codes) {
        return parked(id, codes).build();
    }

    private static Step.Builder parked(String id, List<fairkettle.ink.ChannelCode> codes) {
        return step(id, "Nothing left inside, lid down, let it park")
                .say("The carriage goes home by itself and caps the head.")
                .minutes(1)
                .needs(Facet.CARTRIDGE, codes, "clicked in")
                .needs(Facet.POWER, "on")
                .then(Facet.CARRIAGE, "docked");
    }

    /** What comes out is capped, plugged, labelled and stored; nothing, where a new machine never had any in. */
    static List<Step> oldOut(Work w) {
        var codes = w.before.codes();
        if (w.job.neverInked() && !w.way.onStarters()) {
            return List.of();
        }
        return List.of(
                step("old-out", "Old cartridges out")
                        .say("One after the other, outlet up, onto the tray.")
                        .minutes(3)
                        .care(Caution.INK)
                        .needs(Facet.CARRIAGE, "free")
                        .needs(Facet.OLD_CARTRIDGE, codes, "in place")
                        .ask(new Ask.Grid(codes, List.of(ticks("out"))))
                        .then(Facet.OLD_CARTRIDGE, codes, "out")
                        .build(),
                step("old-stored", "Cap, plug and label them")
                        .say("Outlets capped, vents plugged, ink and date on the label, upright. They hold ink"
                                + " still: away from children and food.")
                        .minutes(4)
                        .with("caps and plugs")
                        .care(Caution.INK)
                        .needs(Facet.OLD_CARTRIDGE, codes, "out")
                        .ask(new Ask.Grid(codes, List.of(ticks("capped"), ticks("plugged"), ticks("labelled"))))
                        .then(Facet.OLD_CARTRIDGE, codes, "stored")
                        .build());
    }

    static List<Step> chips(Work w) {
        var step = step("chips", "The chips: " + w.way.chips().label()).minutes(2);
        switch (w.way.chips()) {
            case AUTO_RESET ->
                step.say("They sit on the new cartridges and reset themselves. “Ink low” counts drops, not ink:"
                                + " look at the level. When the machine refuses one at last, fill it to the top"
                                + " and refit it.")
                        .ask(new Ask.Ticks(List.of("every new cartridge has its chip")));
            case BUTTON ->
                step.say("A button resets them, later, when the machine says that one is empty. "
                                + w.job.profile()
                                        .handling()
                                        .panel()
                                        .how(Panel.Act.CHIP_RESET)
                                        .words()
                                + " Hold it once now, on the bench, to know where it is.")
                        .waits(new Pause(
                                "button held",
                                w.job.profile()
                                        .handling()
                                        .panel()
                                        .how(Panel.Act.CHIP_RESET)
                                        .held(),
                                null,
                                false))
                        .ask(new Ask.Ticks(List.of("every new cartridge has its chip", "the button can be reached")));
            case IGNORED -> {
                boolean out = w.terms.follows(School.CHIPS_OUT, "remove");
                step.say(
                                out
                                        ? "The firmware no longer reads them. Take the old holders out where they"
                                                + " could touch the contacts."
                                        : "The firmware no longer reads them. Leave holders where they are.")
                        .needs(Facet.FIRMWARE, "ignoring chips")
                        .needs(Facet.CODE, "stored")
                        .ask(new Ask.Ticks(List.of("contacts clean, no pin bent")));
                if (out) {
                    step.irreversible("Without chips the maker’s firmware will not run this machine again.");
                }
            }
            case MAKERS, NONE -> step.say("The maker’s cartridges bring their own.");
        }
        return List.of(step.then(Facet.CHIPS, "answered").build());
    }

    private static Branch notRecognised() {
        return new Branch(
                "not-recognised",
                "A cartridge is not recognised",
                List.of(step("press-again", "Open, unclip, press again")
                        .say("Follow the screen; the grey icon shows which. Out, look at the contacts, in until the"
                                + " icon lights.")
                        .minutes(2)
                        .ask(new Ask.Ticks(List.of("icon lights")))
                        .build()),
                3,
                "It is still refused. Change this cartridge for another one, and keep it aside.");
    }

    static Move refit(Work w) {
        return new Move.Refit(w.way.slots().stream()
                .map(s -> new Move.Slot(
                        s.before().code(),
                        s.after().code(),
                        s.renewed().stream().sorted().toList()))
                .toList());
    }

    /** A bulk feed or refillables come out altogether. */
    static List<Step> out(Work w) {
        if (w.before.architecture() != Architecture.BULK) {
            return List.of();
        }
        return BulkFeed.shut(w);
    }

    /** The maker's own cartridges: they come full, with their chips. */
    static List<Step> makersIn(Work w) {
        var codes = Work.codes(w.plans);
        var steps = new ArrayList<Step>();
        boolean bulk = w.before.architecture() == Architecture.BULK;
        if (w.job.fit().chips() == Chips.IGNORED) {
            steps.add(step("makers-firmware", "Put the maker’s firmware back")
                    .say("Take the maker’s update now: only with it are the maker’s chips read again. The"
                            + " activation code stays in the vault.")
                    .minutes(10)
                    .irreversible("Firmware that ignores chips has to be flashed and activated again afterwards.")
                    .care(Caution.NO_POWER_OFF)
                    .ask(new Ask.Words("version shown"))
                    .tells(Step.Tells.FIRMWARE_VERSION)
                    .then(Facet.FIRMWARE, "the maker’s")
                    .build());
        }
        steps.add(menu());
        if (bulk) {
            var off = step("bulk-off", "Take the bulk feed off")
                    .say("Cartridges out together with their ribbon, upright, into a tray. Outlets capped."
                            + (w.handling().kit().bracket() == BulkKit.Bracket.NONE ? "" : " Bracket off the machine."))
                    .minutes(6)
                    .care(Caution.INK, Caution.SQUIRT)
                    .restsOn(Handling.Matter.KIT)
                    .needs(Facet.CARRIAGE, "free");
            steps.add(BulkFeed.needsShut(w, off)
                    .ask(new Ask.Grid(w.before.codes(), List.of(ticks("out"), ticks("capped"))))
                    .then(Facet.OLD_CARTRIDGE, w.before.codes(), "stored")
                    .then(Facet.VENT, codes, "open")
                    .then(Facet.VALVE, "open")
                    .build());
        } else {
            steps.addAll(oldOut(w));
        }
        var click = step("makers-in", "The maker’s cartridges in, until each clicks")
                .say("Pull off their tape, and press until each clicks.")
                .minutes(4)
                .hold("Every slot has clicked.")
                .needs(Facet.CARRIAGE, "free")
                .ask(Work.grid(w.plans, List.of(ticks("clicked"))))
                .needs(Facet.OLD_CARTRIDGE, w.before.codes(), "stored")
                .branch(notRecognised())
                .moves(refit(w))
                .then(Facet.REFIT, "refitted")
                .then(Facet.CARTRIDGE, codes, "clicked in");
        if (w.job.fit().chips() == Chips.IGNORED) {
            click.needs(Facet.FIRMWARE, "the maker’s");
        }
        steps.add(click.build());
        steps.add(step("makers-full", "Read their levels")
                .say("New ones are full.")
                .minutes(1)
                .needs(Facet.CARTRIDGE, codes, "clicked in")
                .moves(new Move.Supplied(codes))
                .then(Facet.FILL, codes, "filled")
                .build());
        steps.add(park(codes));
        return steps;
    }
}
