package fairkettle.changeover;

import static fairkettle.changeover.Work.ticks;
import static fairkettle.procedure.Step.step;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.Architecture;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Branch;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Pause;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import fairkettle.safety.School;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;

/**
 * What a desktop machine needs to print film: no rollers on wet ink, lines for white, waste outside, a head that is
 * protected.
 */
final class FilmRebuild {

    private static final String COVER = "printed cover: the cable’s entry stays open";

    private static final String NARROW = "narrow elbow";
    private static final String WIDE = "wide straight joint";

    private static final List<String> HEAD_SCREWS = List.of("head screws (4)", "small screws of its base (4)");

    private FilmRebuild() {}

    static List<Step> knownGood(Work w) {
        if (w.way.onStarters()) {
            return Cartridges.starters(w);
        }
        return w.job.neverInked()
                ? List.of()
                : List.of(step("known-good", "Is it known good?")
                        .say("A last check as it is. A rebuild cures no machine.")
                        .minutes(2)
                        .ask(new Ask.Ticks(List.of("last check looked at", "no error on the screen")))
                        .build());
    }

    /** One end, flat, past it, the other end, flat, back, out: the head never meets a bar that stands up. */
    static List<Step> rollers(Work w) {
        return List.of(
                end("bar-left", "Star-wheel bar: free its left end", "spring off, into the bag"),
                step("bar-flat", "Lay the bar flat, bring the head to the left")
                        .say("By hand, slowly, over the freed end. A bar that stands up catches the head.")
                        .minutes(2)
                        .care(Caution.FORCE, Caution.HEAD_RISK)
                        .needs(Facet.POWER, "unplugged")
                        .needs(Facet.CARRIAGE, "free")
                        .ask(new Ask.Ticks(
                                List.of(
                                        "bar lies flat",
                                        "wet cloth lifted out",
                                        "head has passed it, to the left, onto the cloth again"),
                                true))
                        .then(Facet.BAR, "flat")
                        .build(),
                end("bar-right", "Star-wheel bar: free its right end", "no spring at this end"),
                step("bar-tab", "Is a black tab in its way?")
                        .say("Some machines have one, at one end or at each. Where there is one the bar cannot come out"
                                + " before it is broken.")
                        .minutes(1)
                        .ask(new Ask.Choice("At the ends of the bar", List.of("no tab in its way")))
                        .branch(Branch.again(
                                "tab",
                                "There is a tab",
                                2,
                                "Two tabs are all that there are. Look again at what holds it.",
                                step("tab-off", "Break the tab outward")
                                        .say("Gripped with pliers close to its root, two hands, outward and away from"
                                                + " the carriage; then the metal bent straight. Its pieces are counted"
                                                + " out.")
                                        .minutes(4)
                                        .with("flat pliers")
                                        .care(Caution.FORCE, Caution.SHARPS)
                                        .irreversible("A broken tab does not go back. Up to here the bar can stay.")
                                        .ask(new Ask.Ticks(List.of("tab off", "metal straight", "pieces in the bag")))
                                        .build()))
                        .build(),
                step("bar-back", "Lay it flat again, bring the head back")
                        .say("Then nothing lies over the bar, and it can come out.")
                        .minutes(1)
                        .care(Caution.FORCE, Caution.HEAD_RISK)
                        .needs(Facet.POWER, "unplugged")
                        .needs(Facet.CARRIAGE, "free")
                        .ask(new Ask.Ticks(
                                List.of("bar lies flat", "wet cloth lifted out", "head is back, onto the cloth again"),
                                true))
                        .then(Facet.BAR, "flat")
                        .build(),
                step("rollers-off", "Pull the bar straight out")
                        .say("Star wheels would mark wet film. Springs, screws and clips into a labelled bag: a machine"
                                + " that goes back to paper wants them.")
                        .minutes(3)
                        .care(Caution.SMALL_PARTS, Caution.FORCE, Caution.SHARPS)
                        .hold("The bar comes out straight, without force.")
                        .needs(Facet.BAR, "flat")
                        .needs(Facet.COVERS, "off")
                        .ask(new Ask.Ticks(List.of("bar out", "bag labelled")))
                        .branch(Branch.stop(
                                "will-not-come",
                                "It will not come off",
                                "The bar will not come without force, and force bends the frame. Stop here:"
                                        + " put the covers back and leave this machine as it was."))
                        .then(Facet.ROLLERS, "removed")
                        .build());
    }

    private static Step end(String id, String title, String spring) {
        return step(id, title)
                .say("Screw and metal bracket first, then the wire clip. Never pull.")
                .minutes(5)
                .care(Caution.SMALL_PARTS, Caution.FORCE)
                .needs(Facet.COVERS, "off")
                .needs(Facet.POWER, "unplugged")
                .ask(new Ask.Ticks(List.of(spring, "screw and bracket off", "wire clip off"), true))
                .then(Facet.BAR, "up")
                .build();
    }

    static List<Step> lines(Work w) {
        var codes = Work.codes(w.plans);
        var drained = Work.codesBefore(w.drained);
        var steps = new ArrayList<Step>();
        steps.add(step("position", "Decide where everything stands")
                .say("Tanks, tube exit, waste bottle. Nothing is trimmed or stuck before this is settled.")
                .minutes(8)
                .hold("The place is written down.")
                .needs(Facet.BENCH, "prepared")
                .ask(new Ask.Words("where tanks, tube exit and waste bottle are"))
                .then(Facet.POSITION, "decided")
                .build());
        if (w.before.architecture() == Architecture.BULK) {
            steps.addAll(BulkFeed.shut(w));
        }
        if (w.cartridges() || w.before.architecture() == Architecture.BULK) {
            steps.addAll(Cartridges.oldOut(w));
        }
        var take = step(
                        "lines-off",
                        switch (w.before.architecture()) {
                            case TANK -> "Old dampers off; old lines of the white slots too";
                            case BAY -> "New tanks for the bags";
                            default -> "Cartridges and their holders give way";
                        })
                .say("Slots change now: " + changes(w) + ".")
                .minutes(10)
                .care(Caution.INK)
                .irreversible(
                        w.before.architecture() == Architecture.BAY
                                ? "White and binder do not leave these lines again."
                                : "Lines that are cut do not carry their old ink again.")
                .needs(Facet.POSITION, "decided")
                .needs(Facet.COVERS, "off")
                .needs(Facet.GLOVES, "on")
                .needs(Facet.TANK, drained, "chased")
                .needs(Facet.DAMPER, drained, "chased");
        if (w.cartridges()) {
            take.needs(Facet.OLD_CARTRIDGE, w.before.codes(), "stored");
        }
        steps.add(take.moves(Cartridges.refit(w))
                .then(Facet.REFIT, "refitted")
                .then(Facet.TANK, Opening.changed(w), "chased")
                .then(Facet.DAMPER, Opening.changed(w), "chased")
                .then(Facet.TANK_CAP, drained, "shut")
                .then(Facet.VALVE, "open")
                .then(Facet.VENT, codes, "open")
                .then(Facet.LINE, codes, "off")
                .build());
        boolean kept = w.before.architecture() == Architecture.BAY; // old lines and dampers stay
        if (!kept) {
            steps.add(joints(w));
            steps.add(newLines(w));
        }
        steps.add(joined(w, kept));
        return steps;
    }

    /** Chosen before anything is pushed on: the wrong one is refused while it is still in the hand. */
    private static Step joints(Work w) {
        var codes = Work.codes(w.plans);
        return step("joints", "Lay a joint beside each line")
                .say("Elbows to the thin clear tubes of the colours, straight joints to the wider tubes of white. Hold"
                        + " each against its tube.")
                .minutes(codes.size())
                .needs(Facet.REFIT, "refitted")
                .ask(new Ask.Each(
                        "The joint beside it is",
                        codes.stream().map(ChannelCode::code).toList(),
                        List.of(NARROW, WIDE),
                        codes.stream().map(c -> c.white() ? WIDE : NARROW).toList(),
                        "A narrow joint splits a wide tube, or takes air; a wide one splits a thin tube."))
                .then(Facet.JOINT, codes, "chosen")
                .build();
    }

    private static Step newLines(Work w) {
        var codes = Work.codes(w.plans);
        return step("new-lines", "New dampers and lines")
                .say("Sleeve half on the barb, cut just above, a cone. No gap between adapter and damper: a cone that"
                        + " does not close draws air.")
                .minutes(5 * codes.size())
                .care(Caution.FORCE)
                .needs(Facet.REFIT, "refitted")
                .needs(Facet.GLOVES, "on")
                .needs(Facet.LINE, codes, "off")
                .needs(Facet.JOINT, codes, "chosen")
                .ask(Work.grid(
                        w.plans,
                        List.of(ticks("damper new"), ticks("no gap at the fitting"), ticks("code on both ends"))))
                .then(Facet.NEW_LINE, codes, "new")
                .build();
    }

    private static Step joined(Work w, boolean kept) {
        var codes = Work.codes(w.plans);
        var join = step("join", kept ? "Join each old line to its tank, innermost first" : "Join them, innermost first")
                .say((kept
                                ? "Tube through its hole, connector on, code on both ends read aloud; back onto its own"
                                        + " damper. "
                                : "")
                        + "From the wall outward, each back in its track before the next: an outer tube that lies first"
                        + " bars the way to the inner ones. Tube fully home, tape round the joint.")
                .minutes(2 * codes.size())
                .care(Caution.FORCE)
                .needs(Facet.REFIT, "refitted")
                .needs(Facet.GLOVES, "on")
                .ask(new Ask.InOrder(codes, "joined, and back in its track"))
                .then(Facet.LINE, codes, "joined");
        return (kept ? join : join.needs(Facet.NEW_LINE, codes, "new")).build();
    }

    private static String changes(Work w) {
        var words = w.plans.stream()
                .filter(p -> !p.before().equals(p.code()) || p.doing() == ChannelPlan.Doing.ON_FLUID)
                .map(p -> p.doing() == ChannelPlan.Doing.ON_FLUID
                        ? p.before() + " stays on fluid"
                        : p.before() + " becomes " + p.code())
                .toList();
        return words.isEmpty() ? "none" : String.join(", ", words);
    }

    /** Parts that are renewed with a drained line: dampers of white, or a new head. */
    static Step newParts(Work w) {
        boolean head = w.way.slots().stream().anyMatch(s -> s.renewed().contains(VesselKind.HEAD));
        var dampers = w.way.slots().stream()
                .filter(s -> s.renewed().contains(VesselKind.DAMPER))
                .map(s -> s.before().code())
                .map(ChannelCode::code)
                .toList();
        var step = step(
                        "new-parts",
                        head
                                ? "New head" + (dampers.isEmpty() ? "" : " and new dampers")
                                : "New dampers for " + String.join(" ", dampers))
                .say((head ? "White and binder stay in a head that printed film; only a new one prints this ink. " : "")
                        + (dampers.isEmpty() ? "" : "Their filters have caught the same sediment as the line."))
                .minutes(head ? 25 : 3 * dampers.size())
                .care(Caution.FORCE, Caution.BOARD)
                .needs(Facet.COVERS, "off")
                .needs(Facet.POWER, "unplugged")
                .needs(Facet.TANK, Work.codesBefore(w.drained), "chased")
                .needs(Facet.DAMPER, Work.codesBefore(w.drained), "chased")
                .moves(Cartridges.refit(w));
        if (head) {
            step.irreversible("The old head is spent.")
                    .branch(Branch.stop(
                            "will-not-come",
                            "It will not come off",
                            "A head that will not come without force was glued. Stop here: forcing it breaks"
                                    + " the carriage. Put everything back; this machine keeps the ink it had."));
        }
        return step.then(Facet.REFIT, "refitted").build();
    }

    static List<Step> waste(Work w) {
        return List.of(
                step("waste-off", "Waste line off its pad")
                        .say("Find the pump’s outlet; towel under it.")
                        .minutes(4)
                        .care(Caution.WASTE)
                        .needs(Facet.COVERS, "off")
                        .needs(Facet.POSITION, "decided")
                        .then(Facet.WASTE_LINE, "open")
                        .build(),
                step("waste-bottle", "Waste line into a bottle")
                        .say("The machine goes on counting its own box: expect its message one day, although the"
                                + " box is dry.")
                        .minutes(8)
                        .hold("The joint is wrapped before any cleaning.")
                        .needs(Facet.WASTE_LINE, "open")
                        .ask(new Ask.Ticks(List.of(
                                "joint wrapped, a dry towel under it",
                                "bottle vented",
                                "bottle stands level",
                                "bottle lower than the outlet")))
                        .then(Facet.WASTE_LINE, "in the bottle")
                        .build());
    }

    static List<Step> head(Work w) {
        if (!w.terms.follows(School.HEAD_OUT, "seal")) {
            return List.of(step("head-stays", "The head stays in")
                    .say("A printed cover keeps mist off the board, and leaves the cable’s entry open. Sleeves"
                            + " close the cable’s entry, and leave the plate’s edges open. A bead closes both, but"
                            + " only on a head that is out. With nothing, wipe the edges every day.")
                    .minutes(2)
                    .care(Caution.BOARD)
                    .ask(new Ask.Choice(
                            "How is the head protected?",
                            List.of(COVER, "sleeves: the plate’s edges stay open", "nothing: all edges stay open")))
                    .then(Facet.PROTECTION, "chosen")
                    .build());
        }
        return List.of(
                step("head-drain", "Drain the head, and let it dry")
                        .say("A towel under it until nothing comes. Dry before any screw.")
                        .minutes(5)
                        .care(Caution.BOARD)
                        .needs(Facet.COVERS, "off")
                        .needs(Facet.POWER, "unplugged")
                        .ask(new Ask.Ticks(List.of("no drop for a minute", "plate and board dry")))
                        .then(Facet.HEAD, "drained")
                        .build(),
                step("head-out", "Head out")
                        .say("Two groups, kept apart: the screws that hold the head, then the small ones of its base."
                                + " Cable out straight. The board is eased up without force, a blade only where ink"
                                + " sticks.")
                        .minutes(12)
                        .care(Caution.FORCE, Caution.SMALL_PARTS, Caution.BOARD, Caution.HEAD_RISK)
                        .hold("Both groups are counted.")
                        .needs(Facet.HEAD, "drained")
                        .ask(new Ask.Tally("Out", HEAD_SCREWS, null))
                        .branch(Branch.stop(
                                "will-not-come",
                                "It will not come off",
                                "Black screws, or a board that will not lift: this head was glued before. Stop"
                                        + " here, before it breaks: put everything back, and leave the rebuild for"
                                        + " another machine."))
                        .then(Facet.HEAD, "out")
                        .then(Facet.FLAT_CABLE, "out")
                        .build(),
                step("head-base", "New base, the right way round")
                        .say("The tab with the serial number lies on the side that has two holes; the other way it sits"
                                + " upside down, and its screws bite all the same. Two screws on a diagonal first, then"
                                + " the other two, then once round.")
                        .minutes(5)
                        .care(Caution.FORCE, Caution.SMALL_PARTS)
                        .hold("The serial tab lies at the two holes.")
                        .needs(Facet.HEAD, "out")
                        .ask(new Ask.Ticks(
                                List.of("serial tab at the two holes", "a diagonal", "the other", "once round"), true))
                        .build(),
                step("sealant", "Prove the sealant")
                        .say("A bead on glass, meter on it while it is wet.")
                        .minutes(5)
                        .ask(new Ask.Choice("What does the meter say?", List.of("does not conduct")))
                        .branch(Branch.again(
                                "conducts",
                                "It conducts",
                                3,
                                "Three that conduct. Stop here: leave the head as it is, and fit a printed cover.",
                                step("other-sealant", "Put it away, take another one")
                                        .say("A sealant that conducts kills the board. Mark the tube, and prove the"
                                                + " next one in the same way.")
                                        .minutes(3)
                                        .care(Caution.BOARD)
                                        .build()))
                        .care(Caution.BOARD)
                        .then(Facet.SEALANT, "proven")
                        .build(),
                step("head-in", "Head back, right way round, cable seated")
                        .say("The cable goes home before anything is sealed: afterwards it cannot.")
                        .minutes(8)
                        .care(Caution.FORCE)
                        .needs(Facet.HEAD, "out")
                        .ask(new Ask.Ticks(List.of("right way round", "flat cable seated to the stop")))
                        .then(Facet.FLAT_CABLE, "seated")
                        .build(),
                step("seal", "Seal it")
                        .say("A thin bead along board and cable entry, nothing on the plate.")
                        .minutes(8)
                        .irreversible("A sealed head does not come out again whole.")
                        .needs(Facet.FLAT_CABLE, "seated")
                        .needs(Facet.SEALANT, "proven")
                        .waits(new Pause("sealant setting", Duration.ofMinutes(30), null, false))
                        .then(Facet.HEAD, "sealed")
                        .build(),
                step("head-screws", "Screws back, kind by kind")
                        .say("The same ones: the base’s are in already, the head’s follow.")
                        .minutes(3)
                        .hold("As many of each are in as came out.")
                        .needs(Facet.HEAD, "sealed")
                        .ask(new Ask.Tally("Back in", HEAD_SCREWS, "head-out"))
                        .build());
    }

    static List<Step> processing(Work w) {
        return List.of(step("processing", "Note firmware and image processing")
                .say("Which version, which program separates white, on which computer.")
                .minutes(2)
                .ask(new Ask.Words("firmware, and what prepares the image"))
                .then(Facet.PROCESSING, "noted")
                .build());
    }

    static List<Step> path(Work w) {
        return List.of(step("film-path", "Film path, head height, tray")
                .say("Film flat and under tension, clamps clear of the carriage, edges down: a raised edge drags"
                        + " under the head.")
                .minutes(5)
                .hold("All three before film goes in.")
                .needs(Facet.ROLLERS, "removed")
                .needs(Facet.POWER, "on")
                .needs(Facet.PROCESSING, "noted")
                .ask(new Ask.Ticks(List.of(
                        "film lies flat, edge down",
                        "edge clear of the head at both ends of travel",
                        "clamps clear of the carriage",
                        "head height set",
                        "tray set")))
                .then(Facet.FILM_PATH, "set")
                .build());
    }
}
