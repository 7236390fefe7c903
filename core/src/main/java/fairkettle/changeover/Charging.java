package fairkettle.changeover;

import static fairkettle.changeover.Work.volumes;
import static fairkettle.procedure.Step.step;

import fairkettle.machine.Architecture;
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

/** New ink through the whole path: by the machine's own charge, a power cleaning, or light cleanings. */
final class Charging {

    private static final Duration REST = Duration.ofHours(12);

    private Charging() {}

    static List<Step> charge(Work w) {
        var minutes = w.job.profile().minutes();
        var panel = w.job.profile().handling().panel();
        return switch (w.way.charge()) {
            case INITIAL ->
                steps(
                        w,
                        "Initial charge",
                        minutes.initialCharge(),
                        "initial charge",
                        "Start the machine’s initial charge. "
                                + panel.how(Panel.Act.CHARGE).words() + " Its first ink goes to the pad.");
            case POWER_CLEANING -> {
                var steps = new ArrayList<>(steps(
                        w,
                        "Power cleaning, to draw the ink through",
                        minutes.powerCleaning(),
                        "power cleaning",
                        "Start one power cleaning. "
                                + panel.how(Panel.Act.POWER_CLEANING).words()
                                + " It draws new ink through the whole path, and it brings the level down: the"
                                + " tanks are full now. Say no to the check that is offered: purge sheets come"
                                + " first."));
                steps.add(rest(w));
                yield steps;
            }
            case THREE_CLEANINGS ->
                steps(
                        w,
                        "Three light cleanings",
                        3 * minutes.cleaning(),
                        "three cleanings",
                        "Start three light cleanings, one after the other. "
                                + panel.how(Panel.Act.CLEANING).words()
                                + " Say no to the check that is offered between them.");
            case ONE_CLEANING ->
                steps(
                        w,
                        "One light cleaning",
                        minutes.cleaning(),
                        "cleaning",
                        "Start one light cleaning. "
                                + panel.how(Panel.Act.CLEANING).words());
        };
    }

    private static Step rest(Work w) {
        boolean wait = w.terms.follows(School.WAIT_AFTER_POWER_CLEANING, "wait");
        return step("rest", wait ? "Let it rest" : "Rest, unless work is waiting")
                .say("Air rises and dissolves while it stands. An early good check is luck; do not clean again"
                        + " before this is over."
                        + (wait ? "" : " Looking at once costs a sheet and is fine."))
                .minutes(0)
                .needs(Facet.CHARGE, "charged")
                .waits(new Pause("rest after power cleaning", REST, null, false))
                .skippable()
                .then(Facet.REST, "over")
                .build();
    }

    private static List<Step> steps(Work w, String title, int minutes, String wait, String say) {
        var codes = Work.codes(w.inked);
        var all = Work.codes(w.plans);
        boolean cartridges = w.after.architecture() == Architecture.CARTRIDGE;
        boolean clicks = cartridges || w.after.architecture() == Architecture.BULK;
        var confirm = step(
                        "confirm-full",
                        clicks
                                ? "Tell the machine that its cartridges are full"
                                : "Tell the machine that its tanks are full")
                .say(
                        clicks
                                ? "“Not genuine; use this ink?”: expected with refills. Yes, proceed."
                                : (w.handling().panel().screen()
                                                ? "If the screen asks to fill although you have: it asks everybody."
                                                        + " Proceed, and confirm full. "
                                                : "Nothing asks; this is yours to know. ")
                                        + "A machine that charges on empty tanks fills its dampers with air.")
                .minutes(1)
                .needs(Facet.POWER, "on")
                .needs(Facet.FILL, codes, "filled")
                .hold("All are full, by what was poured.")
                .then(Facet.TANKS, "confirmed full");
        var charge = step("charge", title)
                .say(say + " Do not switch off.")
                .minutes(1)
                .restsOn(
                        switch (w.way.charge()) {
                            case INITIAL -> Handling.Matter.CHARGE;
                            case POWER_CLEANING -> Handling.Matter.POWER_CLEANING;
                            case THREE_CLEANINGS, ONE_CLEANING -> Handling.Matter.CLEANING;
                        })
                .care(Caution.NO_POWER_OFF)
                .irreversible("After this the paths hold the new ink: going back means draining.")
                .needs(Facet.TANKS, "confirmed full")
                .needs(Facet.FILL, codes, "filled")
                .needs(Facet.POWER, "on")
                .needs(Facet.TANK_CAP, all, "shut")
                .needs(Facet.CARRIAGE, "docked")
                .needs(Facet.WARRANTY, "acknowledged")
                .needs(Facet.VENT, all, "open")
                .needs(Facet.VALVE, "open")
                .moves(new Move.Charge(codes, w.way.loss()))
                .waits(new Pause(wait, Duration.ofMinutes(minutes), null, true))
                .then(Facet.CHARGE, "charged");
        if (clicks) {
            confirm.needs(Facet.CARTRIDGE, all, "clicked in");
        }
        if (w.route == Route.FILM_REBUILD) {
            charge.needs(Facet.WASTE_LINE, "in the bottle");
        }
        if (Beginning.supplied(w)) {
            return List.of(
                    confirm.build(), charge.then(Facet.FILL, codes, "topped up").build());
        }
        var topUp = step("top-up", cartridges ? "Fill the cartridges to the top again" : "Top up to the line")
                .say(
                        cartridges
                                ? "One at a time: out, onto the tray, through the fill hole, plug back, in until it"
                                        + " clicks. Full cartridges and the machine’s count then agree."
                                : "One cap at a time, as before. The charge took ink from every tank.")
                .minutes(2 * w.inked.size())
                .care(Caution.INK)
                .needs(Facet.CHARGE, "charged")
                .needs(Facet.TANK_CAP, all, "shut")
                .needs(Facet.BOTTLE, codes, "matched")
                .ask(Work.grid(w.inked, List.of(volumes("topped up", w.inked, ChannelPlan::topUp))))
                .moves(new Move.Pour())
                .then(Facet.FILL, codes, "topped up");
        var steps = new ArrayList<>(List.of(confirm.build(), charge.build()));
        if (opened(w)) {
            steps.add(leaks(w));
        }
        if (cartridges) { // why: nobody reaches a fill hole while the carriage is parked
            steps.add(Cartridges.menu("top-menu"));
            steps.add(topUp.needs(Facet.CARRIAGE, "free").build());
            steps.add(Cartridges.park("top-parked", all));
        } else {
            steps.add(topUp.build());
        }
        return steps;
    }

    /** Lines or joints were opened: only ink shows whether they hold. */
    private static boolean opened(Work w) {
        return !w.drained.isEmpty() || w.route == Route.FILM_REBUILD || w.route == Route.BULK_FEED;
    }

    private static Step leaks(Work w) {
        return step("leaks", "Does every joint hold?")
                .say("Ink stands in them now. A white towel under each, ten minutes; then look along every joint that"
                        + " was opened. A drop today is a puddle over night.")
                .minutes(3)
                .with("white towel")
                .care(Caution.INK)
                .hold("Every towel is dry.")
                .needs(Facet.CHARGE, "charged")
                .waits(new Pause("towels under the joints", Duration.ofMinutes(10), null, false))
                .ask(new Ask.Ticks(joints(w)))
                .branch(Branch.again(
                        "wet",
                        "One is wet",
                        3,
                        "It will not hold. Bring the bottles below the head, empty this line, and renew its joint"
                                + " before the machine is left alone.",
                        again(w)))
                .build();
    }

    /** What was opened, and nothing else. */
    private static List<String> joints(Work w) {
        var inside = w.after.architecture() == Architecture.BULK
                ? "no drop at a cartridge or along the ribbon"
                : w.snapIn() ? "no drop at a tube or head" : "no drop at a tube or damper";
        return w.route == Route.FILM_REBUILD ? List.of(inside, "no drop at the waste joint") : List.of(inside);
    }

    /** Powerless and open as at the beginning, and closed with the same screws. */
    private static Step[] again(Work w) {
        var profile = w.job.profile();
        boolean covered = w.opensCovers();
        var steps = new ArrayList<>(List.of(Opening.free(w).build()));
        if (covered) {
            steps.add(UsualSteps.coversOff(profile));
        }
        steps.add(step("tighten", "Dry it, seat it again")
                .say("Tube home to the stop, nut hand-tight, seal whole; no force.")
                .minutes(6)
                .care(Caution.FORCE, Caution.INK)
                .ask(new Ask.Ticks(List.of("seated again", "dry towel under it")))
                .build());
        if (covered) {
            steps.add(UsualSteps.coversOn(profile));
        }
        steps.add(UsualSteps.on(profile));
        return steps.toArray(Step[]::new);
    }
}
