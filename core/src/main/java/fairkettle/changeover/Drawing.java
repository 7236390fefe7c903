package fairkettle.changeover;

import static fairkettle.changeover.Work.ticks;
import static fairkettle.changeover.Work.volumes;
import static fairkettle.procedure.Step.step;

import fairkettle.ink.Millilitres;
import fairkettle.machine.Architecture;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Ask.Column;
import fairkettle.procedure.Ask.ColumnKind;
import fairkettle.procedure.Branch;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Move;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import fairkettle.safety.School;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Old ink out with the syringe, and what clings to the vessels out with rinses. */
final class Drawing {

    private Drawing() {}

    static List<Step> out(Work w) {
        if (w.drained.isEmpty()) {
            return List.of();
        }
        var codes = Work.codesBefore(w.drained);
        var steps = new ArrayList<Step>();
        boolean white = w.drained.stream().anyMatch(p -> p.before().white());
        if (white) {
            steps.add(step("white-low", "Hang a bottle below the head")
                    .say("White is heavy: a bottle below the head lets the line empty by itself when it is opened.")
                    .minutes(1)
                    .care(Caution.SQUIRT)
                    .needs(Facet.BENCH, "prepared")
                    .ask(new Ask.Ticks(List.of("raised bottles are down", "bottle stands below the head")))
                    .then(Facet.LOW_BOTTLE, "below the head")
                    .build());
        }
        steps.add(
                w.before.architecture() == Architecture.BAY
                        ? bagsOut(w)
                        : step("caps-open", "Open the tank caps")
                                .say("So that air can follow. A shut cap holds the ink back by vacuum.")
                                .minutes(1)
                                .needs(Facet.COVERS, "off")
                                .needs(Facet.BENCH, "prepared")
                                .needs(Facet.GLOVES, "on")
                                .ask(Work.gridBefore(w.drained, List.of(ticks("cap open"))))
                                .then(Facet.TANK_CAP, codes, "open")
                                .build());
        var off = step("tubes-off", w.snapIn() ? "Heads out, tubes off their ports" : "Tubes off the dampers")
                .say("Middle ones first, straight up. Mind the O-ring and the thin tube ends. Each tube end up,"
                        + " over the tray.")
                .minutes(4)
                .care(Caution.FORCE, Caution.INK)
                .needs(Facet.LABEL, codes, "in place")
                .needs(Facet.TANK_CAP, codes, "open")
                .needs(Facet.POWER, "unplugged")
                .needs(Facet.GLOVES, "on")
                .ask(new Ask.InOrder(Work.middleFirst(codes), "off"))
                .then(Facet.LINE, codes, "off");
        if (white) {
            off.needs(Facet.LOW_BOTTLE, "below the head");
        }
        steps.add(off.build());
        steps.add(pull(w, w.drained, "pull", "Pull until it brings only air", List.copyOf(w.way.drains()))
                .needs(Facet.LINE, codes, "off")
                .branch(nothingComes(w.drained))
                .build());
        var dampers = step("dampers", w.snapIn() ? "Empty the heads over the tray" : "Empty the dampers over the tray")
                .say("At an angle, outlet down; shake until nothing drops. Let the spike drip into a towel.")
                .minutes(2 * w.drained.size())
                .care(Caution.INK, Caution.WASTE)
                .needs(Facet.LINE, codes, "off")
                .needs(Facet.GLOVES, "on")
                .ask(Work.gridBefore(
                        w.drained,
                        List.of(
                                volumes("came out, about", w.drained, ChannelPlan::damper),
                                new Column("no more drops", ColumnKind.AIR, List.of()))))
                .moves(new Move.Draw(List.of(VesselKind.DAMPER, VesselKind.HEAD)));
        w.drained.forEach(p -> dampers.then(Facet.DAMPER, List.of(p.before()), drainedTo(w, Facet.DAMPER, p)));
        steps.add(dampers.build());
        steps.add(Growth.look(w, List.copyOf(w.way.drains()), "the end that came off"));
        return steps;
    }

    /** Their ink goes with them: each is capped as it leaves its line. */
    private static Step bagsOut(Work w) {
        var codes = Work.codesBefore(w.drained);
        return step("bags-out", "Bags out, one by one")
                .say("The waste tube off the box’s port; the panel’s right end out by its gap; six bag screws into"
                        + " a cup of their own. One bag at a time off its line, capped, labelled: its ink is still"
                        + " good. The line stays where it lies.")
                .minutes(3 * codes.size() + 5)
                .with("magnetic screwdriver", "cup", "caps")
                .care(Caution.SMALL_PARTS, Caution.INK, Caution.FORCE)
                .needs(Facet.COVERS, "off")
                .needs(Facet.BENCH, "prepared")
                .needs(Facet.GLOVES, "on")
                .ask(new Ask.InOrder(codes, "off its line, capped, labelled"))
                .then(Facet.TANK_CAP, codes, "open")
                .build();
    }

    /** Loads of the syringe, and then one that brings air and nothing else. */
    static Step.Builder pull(Work w, List<ChannelPlan> plans, String id, String title, List<VesselKind> reach) {
        int loads = plans.stream().mapToInt(p -> p.pulls().loads().size()).max().orElse(0);
        var columns = new ArrayList<Column>();
        for (int load = 0; load < loads; load++) {
            int index = load;
            columns.add(volumes(
                    load == 0 ? "first load" : load == 1 ? "second load" : "load " + (load + 1),
                    plans,
                    p -> index < p.pulls().loads().size() ? p.pulls().loads().get(index) : Millilitres.ZERO));
        }
        columns.add(new Column("gush, then air alone", ColumnKind.AIR, List.of()));
        int handling = (int) Math.ceil(plans.stream()
                .mapToDouble(p -> (p.pulls().loads().size() + 1) * w.terms.minutesPerPull())
                .sum());
        var codes = Work.codesBefore(plans);
        boolean back = w.route == Route.PARK && w.terms.follows(School.RETURN_INK, "clean");
        var pull = step(id, title)
                .say("One syringe per colour. Pull slowly, empty each load "
                        + (back
                                ? "back into its own bottle if it is clean, never mixed, and no thread hangs on the tip"
                                : "into the waste bottle")
                        + " and tap what it held. Half a load is a load. Do not judge by the tank window: it"
                        + " is stained.")
                .minutes(handling)
                .care(Caution.SLOW, Caution.PRESSURE, Caution.WASTE)
                .with(
                        "syringe %s mL, one per colour"
                                .formatted(w.terms.largest().size()),
                        "adapter with a notch")
                .hold("A second pull must bring air and nothing else"
                        + (plans.size() > 1 ? ", in every channel." : "."))
                .needs(Facet.TANK_CAP, codes, "open")
                .needs(Facet.GLOVES, "on")
                .needs(Facet.SYRINGE, codes, "its own")
                .ask(Work.gridBefore(plans, columns))
                .moves(back ? new Move.DrawBack(reach) : new Move.Draw(reach));
        plans.forEach(p -> pull.then(Facet.TANK, List.of(p.before()), drainedTo(w, Facet.TANK, p)));
        return pull;
    }

    /** Of one channel: what holds it back, then out with its ink from above, as much as there was. */
    static Branch[] nothingComes(List<ChannelPlan> plans) {
        return plans.stream()
                .map(p -> Branch.again(
                        "nothing-comes-" + p.before(),
                        "Nothing comes from " + p.before(),
                        2,
                        "Still blocked after two tries. Stop here: the line of this channel needs renewing before"
                                + " anything else goes through.",
                        stopPulling(List.of(
                                "tank cap is open",
                                "adapter pushed on, not screwed, with its notch; seal not stretched",
                                "no kink in the tube")),
                        step("from-the-top", "Empty " + p.before() + " from the top")
                                .say("It is blocked. With a needle through the filling hole draw the tank empty from"
                                        + " above: what comes counts among its loads, in the step that follows. Then"
                                        + " push one syringe of air through, gently, over the tray.")
                                .minutes(6)
                                .care(Caution.SHARPS, Caution.PRESSURE, Caution.WASTE)
                                .with("blunt needle")
                                .build()))
                .toArray(Branch[]::new);
    }

    static Step stopPulling(List<String> looks) {
        return step("stop-pulling", "Stop pulling")
                .say("More force breaks seals. Look instead.")
                .minutes(2)
                .care(Caution.FORCE)
                .ask(new Ask.Ticks(looks))
                .build();
    }

    static List<Step> rinse(Work w) {
        if (w.drained.isEmpty()) {
            return List.of();
        }
        var steps = new ArrayList<Step>();
        for (int stage = 0; stage < w.way.stages().size(); stage++) {
            steps.addAll(rinseStage(
                    w, stage == 0 ? "rinse" : "rinse-damper", w.way.stages().get(stage)));
        }
        return steps;
    }

    private static List<Step> rinseStage(Work w, String id, Way.Stage stage) {
        var steps = new ArrayList<Step>();
        var inkRinsed = w.drained.stream()
                .filter(p -> p.filled() && (w.route.rinsesFluidOut() || w.terms.follows(School.RINSE_WITH, "ink")))
                .toList();
        var fluidRinsed = w.drained.stream().filter(p -> !inkRinsed.contains(p)).toList();
        for (var group : List.of(fluidRinsed, inkRinsed)) {
            int most = group.stream()
                    .mapToInt(p -> rinseOf(p, stage).count())
                    .max()
                    .orElse(0);
            if (most > 0) {
                var liquid = group == inkRinsed ? Move.Liquid.NEW_INK : Move.Liquid.FLUID;
                steps.add(rinses(
                        w,
                        group.equals(fluidRinsed) || fluidRinsed.isEmpty() ? id : id + "-ink",
                        stage,
                        group,
                        most,
                        liquid));
            }
        }
        var chased = w.drained.stream().filter(p -> chases(p, stage)).toList();
        if (!chased.isEmpty()) {
            steps.add(step(id + "-chaser", "Chase the fluid out with new ink")
                    .say("The same way once more, with new ink. Fluid left in the path thins the first prints; this"
                            + " ink is waste.")
                    .minutes(chased.size())
                    .care(Caution.WASTE)
                    .needs(stage.facet(), Work.codesBefore(chased), "rinsed")
                    .needs(Facet.BOTTLE, Work.codes(chased), "matched")
                    .needs(Facet.SYRINGE, Work.codesBefore(chased), "its own")
                    .ask(Work.gridBefore(chased, chasers(chased, stage)))
                    .moves(new Move.Rinse(stage.reach(), Move.Liquid.NEW_INK))
                    .then(stage.facet(), Work.codesBefore(chased), "chased")
                    .build());
        }
        return steps;
    }

    private static boolean rinses(ChannelPlan plan, Way.Stage stage) {
        return rinseOf(plan, stage).count() > 0;
    }

    private static boolean chases(ChannelPlan plan, Way.Stage stage) {
        return !rinseOf(plan, stage).chaser().isZero();
    }

    /** How far vessels are once they are drained: where nothing is to be rinsed or chased, at the end. */
    static String drainedTo(Work w, Facet facet, ChannelPlan plan) {
        var stage = w.way.stages().stream().filter(s -> s.facet() == facet).findFirst();
        return stage.filter(s -> rinses(plan, s)).isPresent()
                ? "drained"
                : stage.filter(s -> chases(plan, s)).isPresent() ? "rinsed" : "chased";
    }

    private static Step rinses(
            Work w, String id, Way.Stage stage, List<ChannelPlan> group, int most, Move.Liquid liquid) {
        var rinsing = group.stream().filter(p -> rinses(p, stage)).toList();
        var codes = Work.codesBefore(rinsing);
        String with = liquid == Move.Liquid.NEW_INK
                ? "new ink"
                : "cleaning fluid for " + w.family().label();
        var columns = IntStream.range(0, most)
                .mapToObj(n -> volumes(
                        "rinse " + (n + 1),
                        rinsing,
                        p -> n < rinseOf(p, stage).count() ? rinseOf(p, stage).volume() : Millilitres.ZERO))
                .toList();
        var again = step(id + "-again", "One more rinse")
                .say(stage.how())
                .minutes(3)
                .ask(Work.gridBefore(
                        rinsing,
                        List.of(volumes(
                                "one more", rinsing, p -> rinseOf(p, stage).volume()))))
                .moves(new Move.Rinse(stage.reach(), liquid))
                .needs(stage.facet(), codes, "drained")
                .build();
        var step = step(id, "Rinse " + stage.name())
                .say("With " + with + ". " + stage.how()
                        + " Air in the tubes is allowed now: new ink pushes it out later. What comes out"
                        + " last must be clear.")
                .minutes((int) Math.ceil(rinsing.stream()
                        .mapToDouble(p -> rinseOf(p, stage).count() * w.terms.minutesPerRinse())
                        .sum()))
                .care(Caution.WASTE, Caution.INK)
                .with(with, "syringe of the same colour")
                .needs(stage.facet(), codes, "drained")
                .needs(Facet.TANK_CAP, codes, "open")
                .needs(Facet.GLOVES, "on")
                .needs(Facet.SYRINGE, codes, "its own")
                .ask(Work.gridBefore(rinsing, columns))
                .moves(new Move.Rinse(stage.reach(), liquid))
                .branch(new Branch(
                        "not-clear",
                        "It is not clear",
                        List.of(again),
                        3,
                        "Three more rinses did not clear it. Renew the line of the channel that stays dark."));
        rinsing.forEach(p -> step.then(stage.facet(), List.of(p.before()), chases(p, stage) ? "rinsed" : "chased"));
        if (w.before.architecture() != Architecture.BULK) {
            step.needs(Facet.LINE, codes, "off");
        }
        if (liquid == Move.Liquid.NEW_INK) {
            step.needs(Facet.BOTTLE, Work.codes(rinsing), "matched");
        }
        return step.build();
    }

    /** As many doses as the chaser needs, so that none runs over. */
    private static List<Column> chasers(List<ChannelPlan> plans, Way.Stage stage) {
        int most = plans.stream()
                .map(p -> rinseOf(p, stage))
                .mapToInt(r -> r.stage().doses(r.chaser()))
                .max()
                .orElse(1);
        return IntStream.range(0, most)
                .mapToObj(n -> volumes(most == 1 ? "new ink" : "new ink " + (n + 1), plans, p -> {
                    var rinse = rinseOf(p, stage);
                    int doses = rinse.stage().doses(rinse.chaser());
                    return n < doses
                            ? Millilitres.roundedUpTo(
                                            new Millilitres(100), rinse.chaser().mL() / doses)
                                    .min(rinse.stage().most())
                            : Millilitres.ZERO;
                }))
                .toList();
    }

    /** What a channel gets at a stage; nothing where its vessels are renewed. */
    private static Rinses.Stage rinseOf(ChannelPlan plan, Way.Stage stage) {
        return plan.rinses().stream()
                .filter(s -> s.stage().name().equals(stage.name()))
                .findFirst()
                .orElseGet(() -> new Rinses.Stage(
                        new RinseStage(
                                stage.name(),
                                stage.reach(),
                                Millilitres.ZERO,
                                0,
                                0,
                                Millilitres.parse("1"),
                                Millilitres.ZERO),
                        Syringe.of("1", "1"),
                        0,
                        Millilitres.ZERO,
                        Millilitres.ZERO));
    }
}
