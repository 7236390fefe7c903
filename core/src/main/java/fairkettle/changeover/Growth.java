package fairkettle.changeover;

import static fairkettle.changeover.Work.volumes;
import static fairkettle.procedure.Step.step;

import fairkettle.ink.Millilitres;
import fairkettle.machine.Architecture;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Branch;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Move;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import fairkettle.safety.School;
import java.util.ArrayList;
import java.util.List;

/**
 * Growth in the old ink: looked for on what it was drawn with, before anything new goes in. Found once, everything in
 * the system goes, whatever the other channels look like; who leaves them writes down why.
 */
final class Growth {

    private static final Millilitres DOSE = Millilitres.parse("5");

    private Growth() {}

    /** @param reach vessels that were drawn empty; {@code from} the end through which air is pushed */
    static Step look(Work w, List<VesselKind> reach, String from) {
        var drained = Work.codesBefore(w.drained);
        var step = step("threads", "Look at needle and ink")
                .say("Lift each needle or tip against the light. A thread or a lump that hangs on it is growth, not"
                        + " pigment.")
                .minutes(2)
                .hold("Nobody fills before every needle was looked at.")
                .ask(new Ask.Choice("What hangs on needles and tips?", List.of("nothing, on none of them")));
        w.drained.forEach(p -> step.needs(Facet.TANK, List.of(p.before()), Drawing.drainedTo(w, Facet.TANK, p)));
        if (w.terms.follows(School.ONE_OR_ALL, "all")) {
            step.branch(new Branch(
                    "growth",
                    "There is a thread or a lump",
                    renewed(w, w.drained, reach, from, "Everything goes, all channels"),
                    1,
                    AGAIN));
        } else {
            w.drained.forEach(p -> step.branch(alone(w, p, reach, from)));
        }
        return step.needs(Facet.SYRINGE, drained, "its own")
                .then(Facet.THREADS, "clean")
                .build();
    }

    private static final String AGAIN = "It is there again: renew tanks, lines and what hangs on them altogether.";

    /** One channel, the others left as they are: that wants a reason. */
    private static Branch alone(Work w, ChannelPlan plan, List<VesselKind> reach, String from) {
        var steps = new ArrayList<Step>();
        steps.add(step("growth-why", "Why may the others stay?")
                .say("Channels share tools, openings and a hand: mostly all of them have it. Only what speaks against"
                        + " that leaves them in.")
                .minutes(1)
                .ask(new Ask.Words("why only " + plan.before()))
                .build());
        steps.addAll(renewed(w, List.of(plan), reach, from, "Everything of " + plan.before() + " goes"));
        return new Branch("growth-" + plan.before(), "A thread or a lump in " + plan.before(), steps, 1, AGAIN);
    }

    /** Whether anything that was drawn empty is used again: what is renewed needs no dose. */
    private static boolean stays(Work w, ChannelPlan plan, List<VesselKind> reach) {
        return w.way.slots().stream()
                .filter(s -> s.before().code().equals(plan.before()))
                .anyMatch(s -> reach.stream()
                        .anyMatch(k -> s.after().has(k) && !s.renewed().contains(k)));
    }

    /**
     * Out with the ink and its bottle, air, dry once more, other bottles, a dose that is thrown away, tools: in this
     * order, each with its hold; none can be left out.
     */
    private static List<Step> renewed(
            Work w, List<ChannelPlan> plans, List<VesselKind> reach, String from, String title) {
        var codes = Work.codesBefore(plans);
        var inked = plans.stream().filter(w.filled::contains).toList();
        var kept = inked.stream().filter(p -> stays(w, p, reach)).toList();
        var vessels = w.before.architecture() == Architecture.BAY ? "lines" : "tanks"; // bags went with their ink
        var steps = new ArrayList<>(List.of(
                step("growth-out", title)
                        .say("All ink of it, with needles, never back in a bottle. The bottles it came from are"
                                + " marked bad, and cannot be chosen again.")
                        .minutes(6)
                        .hold("The %s are dry.".formatted(vessels))
                        .care(Caution.WASTE, Caution.INK)
                        .moves(new Move.Spoil("growth found on the needle", codes))
                        .ask(new Ask.Ticks(
                                List.of(vessels + " dry", "needles in the sharps tin", "old bottles out of reach")))
                        .build(),
                step("growth-air", "A slug of air, from " + from)
                        .say("Pushed gently, line by line: what clings to a wall comes with it.")
                        .minutes(3)
                        .hold("Air has come through every line.")
                        .care(Caution.PRESSURE)
                        .ask(new Ask.Ticks(List.of("air through every line")))
                        .build(),
                step("growth-dry", "Dry once more")
                        .say("Draw out what the air brought.")
                        .minutes(2)
                        .hold("The %s are dry again.".formatted(vessels))
                        .care(Caution.WASTE)
                        .ask(new Ask.Ticks(List.of(vessels + " dry again")))
                        .build()));
        if (!inked.isEmpty()) {
            steps.add(step("growth-bottles", "Other bottles")
                    .say("None from the same opening.")
                    .minutes(2)
                    .ask(new Ask.Lots(Work.codes(inked), w.family()))
                    .then(Facet.BOTTLE, Work.codes(inked), "matched")
                    .build());
        }
        if (!kept.isEmpty()) {
            steps.add(step("growth-dose", "A small dose of new ink through, and away")
                    .say(
                            "Into each of the dry %s, and drawn out again at %s, with a syringe that met none of the old ink. Its biocide reaches what fluid does not."
                                    .formatted(vessels, from))
                    .minutes(2 * kept.size())
                    .hold("The dose went to waste, not back.")
                    .care(Caution.WASTE)
                    .ask(Work.gridBefore(kept, List.of(volumes("new ink through", kept, _ -> DOSE))))
                    .moves(new Move.Rinse(reach, Move.Liquid.NEW_INK))
                    .build());
        }
        steps.add(step("growth-tools", "New tools")
                .say("Syringes, adapters, needles and bottle tops that met it: renewed, or boiled and rinsed.")
                .minutes(5)
                .hold("No tool that met it is used again as it is.")
                .ask(new Ask.Ticks(List.of("syringes", "adapters and needles", "bottle tops")))
                .then(Facet.SYRINGE, codes, "its own")
                .build());
        return steps;
    }
}
