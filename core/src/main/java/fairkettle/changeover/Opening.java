package fairkettle.changeover;

import static fairkettle.changeover.Work.ticks;
import static fairkettle.procedure.Step.step;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.Handling;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Step;
import fairkettle.procedure.UsualSteps;
import fairkettle.safety.Caution;
import fairkettle.safety.School;
import java.util.ArrayList;
import java.util.List;

/** Opening a machine down to its dampers, and putting everything back in the reverse order. */
final class Opening {

    private Opening() {}

    static List<Step> up(Work w) {
        var free = free(w).needs(Facet.BENCH, "prepared").needs(Facet.TRANSIT, "cleared");
        if (!Planner.agreements(w.job).isEmpty()) {
            free.needs(Facet.ONE_WAY, "agreed to");
        }
        var steps = new ArrayList<>(List.of(
                free.build(),
                step("photograph", "Photograph it as it is")
                        .say("Before the first screw: " + w.outlets()
                                + ", tubes, springs, cables. You will put it back from this picture.")
                        .minutes(2)
                        .ask(new Ask.Photo())
                        .skippable()
                        .needs(Facet.CARRIAGE, "free")
                        .then(Facet.PHOTOGRAPHED, "photographed")
                        .build(),
                screwsOut(w)));
        if (w.headWet()) {
            steps.add(2, UsualSteps.wetCloth(w.family()));
        }
        if (!w.drained.isEmpty()) {
            steps.add(step("label", "Mark each tube at its " + (w.snapIn() ? "head" : "damper"))
                    .say("Tape and marker, the channel’s code on both, before any tube comes off.")
                    .minutes(4)
                    .with("masking tape", "marker pen")
                    .needs(Facet.COVERS, "off")
                    .ask(Work.gridBefore(w.drained, List.of(ticks("marked"))))
                    .then(Facet.LABEL, Work.codesBefore(w.drained), "in place")
                    .build());
        }
        return steps;
    }

    /** In this machine’s own way; where it moves under power, power has to be there. */
    static Step.Builder free(Work w) {
        var way = w.handling().freeing();
        var free = UsualSteps.free(way);
        return way.underPower() ? free.needs(Facet.POWER, "on") : free;
    }

    private static Step screwsOut(Work w) {
        var screws = w.handling().screws();
        var out = step("screws-out", screws.isEmpty() ? "Lid up" : "Screws out, cover off")
                .say(
                        screws.isEmpty()
                                ? "No screw holds anything here."
                                : "Cover the opening. The smallest into the cup. Write down how many of each kind: the"
                                      + " first count is often one short, and a cover that will not come has one in it"
                                      + " still.")
                .minutes(screws.isEmpty() ? 1 : 6)
                .needs(Facet.POWER, "unplugged")
                .needs(Facet.CARRIAGE, "free")
                .then(Facet.COVERS, "off");
        if (!screws.isEmpty()) {
            out.care(Caution.SMALL_PARTS, Caution.FORCE, Caution.ELECTRICITY)
                    .with("magnetic screwdriver", "cup")
                    .hold("Before the first screw: the opening is covered, and the driver is magnetic.")
                    .restsOn(Handling.Matter.SCREWS)
                    .ask(new Ask.Tally("Out", UsualSteps.kinds(w.job.profile()), null));
        }
        return out.build();
    }

    private static Step screwsIn(Work w, List<ChannelCode> codes) {
        var screws = w.handling().screws();
        var in = step(
                        "screws-in",
                        screws.isEmpty() ? "Everything back under the lid" : "Cover back, the same screws in")
                .say("In the reverse order of your photograph: flat cables in, cover, levers and springs back"
                        + (screws.isEmpty()
                                ? "."
                                : ", then the screws, kind by kind: what came off last goes on first."))
                .minutes(8)
                .needs(Facet.LINE, codes, "joined")
                .needs(Facet.COVERS, "off")
                .needs(Facet.FLAT_CABLE, "seated")
                .needs(Facet.BAR, "flat")
                .then(Facet.COVERS, "on");
        if (!screws.isEmpty()) {
            in.care(Caution.SMALL_PARTS, Caution.FORCE)
                    .hold("As many of each kind are in as came out, before power.")
                    .restsOn(Handling.Matter.SCREWS)
                    .ask(new Ask.Tally(
                            "Back in", UsualSteps.kinds(w.job.profile()).reversed(), "screws-out"));
        }
        return in.build();
    }

    /** Tubes and what they belong to; the head stays on its wet cloth until what takes long is over. */
    static List<Step> join(Work w) {
        return w.drained.isEmpty() ? List.of() : joined(w);
    }

    static List<Step> close(Work w) {
        var steps = new ArrayList<Step>();
        var codes = Work.codes(w.plans);
        steps.add(station(w));
        if (w.headWet()) {
            steps.add(UsualSteps.clothOut());
        }
        steps.add(UsualSteps.towelsOut("bench"));
        steps.add(screwsIn(w, codes));
        steps.add(step("close", "Look once before closing")
                .say("What stays inside ends up in the gears.")
                .minutes(2)
                .hold("Nothing is left inside.")
                .needs(Facet.COVERS, "on")
                .care(Caution.LID)
                .ask(new Ask.Ticks(List.of(
                        "flat cables seated", "levers back, transport lever not left forward", "prop eased, lid shut")))
                .build());
        return steps;
    }

    private static List<Step> joined(Work w) {
        var drained = Work.codesBefore(w.drained);
        var steps = new ArrayList<Step>();
        if (w.way.slots().stream().anyMatch(s -> !s.renewed().isEmpty())) {
            steps.add(FilmRebuild.newParts(w));
        }
        var reconnect = step(
                        "reconnect",
                        w.snapIn() ? "Heads back in, each tube to its own port" : "Each tube to its own damper")
                .say("Read the code on both aloud; the stains must agree. Tube home, nut hand-tight.")
                .minutes(5)
                .hold("Two looks at every channel: the code, then the stain.")
                .care(Caution.FORCE)
                .needs(Facet.TANK, drained, "chased")
                .needs(Facet.DAMPER, drained, "chased")
                .needs(Facet.LABEL, drained, "in place")
                .ask(Work.gridBefore(w.drained, List.of(ticks("codes agree"), ticks("stains agree"))));
        var all = new ArrayList<ChannelCode>(drained);
        Work.codes(w.drained).stream().filter(c -> !all.contains(c)).forEach(all::add);
        steps.add(reconnect
                .then(Facet.LINE, all, "joined")
                .then(Facet.TANK, changed(w), "chased")
                .then(Facet.DAMPER, changed(w), "chased")
                .build());
        steps.add(step("caps-shut", "Shut the tank caps")
                .say("All of them; filling opens one at a time.")
                .minutes(1)
                .needs(Facet.LINE, drained, "joined")
                .ask(Work.gridBefore(w.drained, List.of(ticks("cap shut"))))
                .then(Facet.TANK_CAP, drained, "shut")
                .build());
        return steps;
    }

    /** Codes that slots carry only afterwards. */
    static List<ChannelCode> changed(Work w) {
        return w.plans.stream()
                .filter(p -> !p.code().equals(p.before()))
                .map(ChannelPlan::code)
                .toList();
    }

    private static Step station(Work w) {
        var with = switch (w.terms.position(School.CAP_AND_LINES).id()) {
            case "water" -> "hot water, for parts that came off and for pump lines, never near a board";
            case "alcohol" -> "a little alcohol on a swab, where the profile allows it";
            default -> "fluid for " + w.family().label();
        };
        var step = step("station", "Wipe cap and wiper")
                .say("With " + with + ". A dirty rim undoes every cleaning that follows.")
                .minutes(3)
                .care(Caution.INK)
                .needs(Facet.COVERS, "off")
                .needs(Facet.POWER, "unplugged")
                .ask(new Ask.Ticks(List.of("wiper first", "cap rim", "cap foam damp, not soaked")));
        if (with.contains("alcohol")) {
            step.care(Caution.SOLVENT);
        }
        return step.then(Facet.STATION, "clean").build();
    }
}
