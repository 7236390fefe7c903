package fairkettle.changeover;

import static fairkettle.procedure.Step.step;

import fairkettle.ink.Succession;
import fairkettle.machine.Architecture;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Branch;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Step;
import fairkettle.procedure.UsualSteps;
import fairkettle.safety.Caution;
import java.util.ArrayList;
import java.util.List;

/** What every route begins with: agreements, unpacking, the bench, the bottles. */
final class Beginning {

    private Beginning() {}

    static List<Step> agree(Work w) {
        var steps = new ArrayList<Step>();
        if (!w.asTheMakerMeantIt() && !w.job.warrantyAcknowledged() && w.route != Route.PARK) {
            steps.add(step("warranty", "Agree that the warranty ends")
                    .say("Ink that the maker does not sell ends the maker’s warranty in most cases. Up to the first"
                            + " charge you can still go back.")
                    .hold("Nobody pours before this is agreed to; name and date are kept.")
                    .care(Caution.WARRANTY)
                    .ask(new Ask.Acknowledge("I know that converting this machine ends its warranty, and I want it."))
                    .then(Facet.WARRANTY, "acknowledged")
                    .build());
        }
        var agreements = Planner.agreements(w.job);
        if (!agreements.isEmpty()) {
            steps.add(step("one-way", "Agree to what cannot be undone")
                    .say(String.join(" ", agreements))
                    .hold("Nobody opens the machine before this is agreed to; name and date are kept.")
                    .irreversible("From here on there is no way back to what this machine was.")
                    .ask(new Ask.Acknowledge("I have read this, and I want it."))
                    .then(Facet.ONE_WAY, "agreed to")
                    .build());
        }
        if (w.family().food()) {
            steps.add(step("food-rules", "The rules for food")
                    .say(Succession.NEW_FOR_FOOD
                            + " Clean hands, best-before, allergens on the label, and a lot record for every"
                            + " run. The local food authority decides whether and how it may be sold.")
                    .hold("Nobody fills a machine for food before this is agreed to.")
                    .care(Caution.FOOD)
                    .ask(new Ask.Acknowledge(
                            "This machine, its bottles, syringes and trays are for food and for nothing else,"
                                    + " from now on."))
                    .then(Facet.FOOD_RULES, "agreed to")
                    .build());
        }
        return steps;
    }

    static List<Step> unpack(Work w) {
        boolean heavy = !w.job.built().capable().largestSheet().equals("A4");
        var places = new ArrayList<String>();
        if (heavy) {
            places.add("lifted by two people, onto a table that bears it");
        }
        places.addAll(List.of(
                "outer tape",
                "under the lid",
                "inside, round the carriage",
                "paper tray",
                "rear feed",
                "scanner",
                "foam at the head",
                "once more round: nothing left"));
        var tape = step("transit", "Take out all tape and foam")
                .say("Go round twice: there is always one more piece. One left inside jams the carriage at the"
                        + " first start."
                        + (heavy ? " It is heavy: lift it with two people, onto a table that bears it." : ""))
                .hold("Every place is ticked before ink or power comes near.")
                .minutes(10)
                .care(Caution.FORCE, Caution.INK)
                .ask(new Ask.Ticks(places))
                .then(Facet.TRANSIT, "cleared")
                .build();
        var box = step("box", "Is everything in the box?")
                .say("Lay it out. What is missing is asked for now, not on the day it is needed.")
                .minutes(3)
                .skippable()
                .care(Caution.INK)
                .ask(new Ask.Ticks(boxed(w)))
                .branch(new Branch(
                        "missing",
                        "Something is missing",
                        List.of(step("substitute", "Write down what is missing")
                                .say("Leaflet or disc: fetch them from the maker’s site, and keep them with the"
                                        + " machine’s papers. Cord: any of the same kind with the same rating. Ink"
                                        + " or caps: the seller owes them.")
                                .minutes(3)
                                .ask(new Ask.Words("missing, and who sends it"))
                                .tells(Step.Tells.MISSING)
                                .build()),
                        1,
                        "It is written down already."))
                .build();
        return w.cartridges()
                ? List.of(tape, box)
                : List.of(
                        tape,
                        box,
                        step("makers-ink", "Set the maker’s own bottles aside")
                                .say(
                                        w.family().makers()
                                                ? "Line them up like the tanks. You will use them next."
                                                : "Label them “not for this machine” and put them away: they must not"
                                                        + " be poured into it.")
                                .minutes(2)
                                .skippable()
                                .build());
    }

    private static List<String> boxed(Work w) {
        var items = new ArrayList<>(List.of(
                "power cord",
                "start leaflet, or its address",
                w.cartridges() ? "the maker’s cartridges" : "the maker’s bottles, one for every tank"));
        if (w.job.profile().headsByUser()) {
            items.add("both heads, in their bags");
        }
        items.add("caps and bag for carrying it");
        return items;
    }

    static List<Step> prepare(Work w) {
        var care = new ArrayList<>(List.of(Caution.INK, Caution.WASTE));
        if (w.family().food()) {
            care.add(Caution.FOOD);
        }
        var steps = new ArrayList<Step>();
        steps.add(step("bench", "Cover the bench, gloves on")
                .say("Waste bottle first, labelled, at hand; then cloth under the machine, tray on it, and towels"
                        + " folded lengthwise: write down how many. A towel left inside tears the head off. No"
                        + " bottle is opened before this.")
                .minutes(5)
                .hold("Gloves are on, a spare pair lies ready: one always tears.")
                .with("waste bottle", "old cloth and tray", "6 folded towels", "2 pairs of gloves")
                .care(care.toArray(Caution[]::new))
                .needs(Facet.WARRANTY, "acknowledged")
                .ask(new Ask.Tally("Laid out", UsualSteps.TOWELS, null))
                .then(Facet.BENCH, "prepared")
                .then(Facet.GLOVES, "on")
                .build());
        if (w.family().food()) {
            steps.add(step("surfaces", "Clean hands and surfaces")
                    .say("Fresh gloves. Nothing that has met craft ink lies on this bench.")
                    .minutes(4)
                    .hold("Food has a bench of its own while this lasts.")
                    .care(Caution.FOOD)
                    .needs(Facet.BENCH, "prepared")
                    .needs(Facet.FOOD_RULES, "agreed to")
                    .ask(new Ask.Ticks(
                            List.of("surface washed and dry", "fresh gloves", "no tool that has met other ink")))
                    .then(Facet.SURFACES, "clean for food")
                    .build());
            steps.add(step("food-label", "Label the machine")
                    .say("“Food only”, where hands go first.")
                    .minutes(1)
                    .needs(Facet.FOOD_RULES, "agreed to")
                    .then(Facet.FOOD_LABEL, "in place")
                    .build());
        }
        if (syringes(w)) {
            steps.add(step("syringes", "Lay out a syringe for every colour")
                    .say("Mark each with its code, and its needle and adapter too. A syringe that has met one"
                            + " colour never meets another: it would carry it over. An adapter is pushed on, not"
                            + " screwed, has a notch, its seal is not stretched, and the tube fits it tightly.")
                    .minutes(3)
                    .with(
                            "syringe %s mL, one per colour"
                                    .formatted(w.terms.largest().size()),
                            "marker pen")
                    .needs(Facet.BENCH, "prepared")
                    .ask(Work.gridBefore(
                            w.plans, List.of(Work.ticks("marked"), Work.ticks("adapter fits"), Work.tools())))
                    .then(Facet.SYRINGE, Work.codesBefore(w.plans), "its own")
                    .then(Facet.SYRINGE, Work.codes(w.plans), "its own")
                    .build());
        }
        if (!w.inked.isEmpty() && !supplied(w)) {
            steps.add(step("bottles", "Match every bottle with its slot")
                    .say("Read the code on each bottle aloud against the code on the machine, still closed. A"
                            + " bottle that does not belong is refused here.")
                    .hold("Every slot has its bottle before any cap is opened.")
                    .minutes(3)
                    .ask(new Ask.Lots(Work.codes(w.inked), w.family()))
                    .needs(Facet.BENCH, "prepared")
                    .then(Facet.BOTTLE, Work.codes(w.inked), "matched")
                    .build());
        }
        return steps;
    }

    /** The maker's own cartridges come full. */
    static boolean supplied(Work w) {
        return w.route.suppliesCartridges(w.job);
    }

    private static boolean syringes(Work w) {
        return !w.drained.isEmpty()
                || w.route == Route.BULK_FEED
                || w.before.architecture() == Architecture.BULK && w.route != Route.GO_BACK
                || w.cartridges() && !supplied(w);
    }
}
