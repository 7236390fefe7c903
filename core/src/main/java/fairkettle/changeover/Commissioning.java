package fairkettle.changeover;

import static fairkettle.changeover.Work.ticks;
import static fairkettle.changeover.Work.volumes;
import static fairkettle.procedure.Step.step;

import fairkettle.ink.Family;
import fairkettle.machine.Architecture;
import fairkettle.machine.Channel;
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
import java.util.stream.IntStream;

/** The first checks after a change; only then may a machine take promised work. */
final class Commissioning {

    private static final List<String> PATTERNS = List.of("black, to and fro", "colour, to and fro", "lines that meet");

    private Commissioning() {}

    static List<Step> of(Work w, boolean proofOfOldHue) {
        var codes = Work.codes(w.inked);
        var nozzles = codes.stream().map(w.after::channel).map(Channel::nozzles).toList();
        var draws = w.job.profile().draws();
        int sheets = w.inked.stream().mapToInt(ChannelPlan::sheets).max().orElse(1);
        var steps = new ArrayList<Step>();
        if (w.job.neverInked() || w.route == Route.FILM_REBUILD) {
            steps.add(connect(w));
        }
        boolean first = w.job.neverInked() && !w.dirty(); // no old ink is in its way: its own check comes first
        var purge = purge(w, "purge", sheets)
                .needs(Facet.CHARGE, "charged")
                .needs(Facet.POWER, "on")
                .build();
        if (w.terms.follows(School.SHEETS_OR_CLEANINGS, "cleanings")) {
            steps.add(cleaning(w, "clean", "One light cleaning", "Clean first, then look."));
        }
        if (!first) {
            steps.add(purge);
        }
        var air = step("air-rest", "Let the air rise")
                .say("Gaps that move are air. Standing lets it rise and dissolve; cleaning would draw in more.")
                .minutes(0)
                .waits(new Pause("rest for air", Duration.ofHours(2), null, false))
                .skippable()
                .build();
        boolean film = w.family() == Family.FILM;
        steps.add(step("check", "Nozzle check")
                .say((film ? "On dark or clear film: white on white paper shows nothing. " : "On plain paper. ")
                        + "Tap every stroke that is missing. Compare with the check before, not with perfection.")
                .minutes(2)
                .ask(new Ask.Comb(codes, nozzles))
                .moves(new Move.Print(codes, draws.nozzleCheck()))
                .needs(Facet.CHARGE, "charged")
                .needs(Facet.POWER, "on")
                .needs(Facet.FILL, codes, "topped up")
                .branch(Branch.again(
                        "gaps-clean",
                        "Gaps: one cleaning",
                        2,
                        "Two cleanings did not bring it back. Sheets and rest now: more cleaning only draws air.",
                        cleaning(w, "clean-more", "One light cleaning", "Then the check again, on a fresh sheet.")))
                .branch(new Branch(
                        "gaps",
                        "Gaps left: a sheet, and rest",
                        List.of(purge(w, "purge-more", 1).build(), air),
                        2,
                        "Two rounds of sheets and rest did not bring it back. Stop here and look for the cause"
                                + " before more ink goes through – or say what it is good enough for."))
                .then(Facet.CHECK, "passed")
                .build());
        var align = step("align", "Align the head")
                .say("On plain paper, and only with a whole check: the choice is no gap, least streaks, lines that"
                        + " meet."
                        + (w.terms.follows(School.ALIGN, "later") ? " It may wait, but stays owed." : ""))
                .minutes(w.job.profile().minutes().alignment())
                .skippable()
                .ask(new Ask.Picks(
                        PATTERNS,
                        9,
                        "The square without a gap and with the least streaks. Two alike: the one nearer the middle."))
                .needs(Facet.CHECK, "passed")
                .moves(new Move.Print(codes, draws.nozzleCheck().times(2)))
                .then(Facet.ALIGNMENT, "done")
                .build();
        if (w.terms.follows(School.ALIGN, "now")) {
            steps.add(align);
        }
        if (proofOfOldHue) {
            steps.add(step("hue", "Look for the old hue")
                    .say("Yellow and the lightest channel show it first. Hold the last sheet beside the first.")
                    .minutes(1)
                    .needs(Facet.CHECK, "passed")
                    .ask(new Ask.Ticks(List.of("yellow is clean yellow", "the lightest channel shows no other colour")))
                    .branch(new Branch(
                            "old-hue",
                            "The old hue shows",
                            List.of(purge(w, "purge-hue", 2).build()),
                            3,
                            "Six more sheets and it still shows. The path holds more old ink than reckoned:"
                                    + " plan another rinse."))
                    .then(Facet.HUE, "gone")
                    .build());
        }
        steps.add(proof(w, proofOfOldHue));
        if (w.terms.follows(School.ALIGN, "later")) {
            steps.add(align);
        }
        if (w.after.architecture() == Architecture.CARTRIDGE) {
            steps.add(step("levels", "Their levels are what was poured")
                    .say("No level shows in a cartridge. The account goes by what was poured and printed; the machine’s"
                            + " own count is a guess.")
                    .minutes(0)
                    .needs(Facet.CHECK, "passed")
                    .then(Facet.RECORD, "read")
                    .build());
        } else {
            steps.add(levels(w));
        }
        steps.add(step("sign-off", "Sign off")
                .say("Family, bottles, levels and meters of the machine are now what this card says. Only from here"
                        + " on may it take promised work.")
                .minutes(1)
                .hold("Check passed, proof seen, levels read.")
                .needs(Facet.CHECK, "passed")
                .needs(Facet.PROOF, "made")
                .needs(Facet.RECORD, "read")
                .needs(Facet.COVERS, "on")
                .needs(Facet.TANK_CAP, Work.codes(w.plans), "shut")
                .ask(new Ask.Acknowledge("I have seen the proof, and this machine may print."))
                .build());
        return steps;
    }

    private static Step cleaning(Work w, String id, String title, String say) {
        var profile = w.job.profile();
        return step(id, title)
                .say(profile.handling().panel().how(Panel.Act.CLEANING).words() + " " + say)
                .minutes(1)
                .care(Caution.NO_POWER_OFF)
                .restsOn(Handling.Matter.CLEANING)
                .needs(Facet.CHARGE, "charged")
                .needs(Facet.POWER, "on")
                .moves(new Move.Clean(Work.codes(w.inked), profile.draws().cleaning()))
                .waits(new Pause(
                        "cleaning", Duration.ofMinutes(profile.minutes().cleaning()), null, true))
                .build();
    }

    /** What sheets come through. */
    private static Step connect(Work w) {
        return step("connect", "Join it to its computer")
                .say("Driver or cable, then its test page: that it prints at all is one question, that its colours are"
                        + " right another. Mark a sheet’s corner, feed it, and see which side was printed: write it on"
                        + " the tray.")
                .minutes(10)
                .needs(Facet.POWER, "on")
                .ask(new Ask.Ticks(List.of(
                        "driver of the maker, or the cable, in place",
                        "paper kind and size set",
                        "test page came",
                        "printed side of the sheet written down")))
                .branch(Branch.again(
                        "not-found",
                        "The computer does not find it",
                        3,
                        "By its cable, then: the network can wait.",
                        step("cable", "Another way in")
                                .say("The driver from the maker’s own site, not the system’s; then a data cable."
                                        + " For the network it wants the house’s password: have it at hand.")
                                .minutes(10)
                                .build()))
                .build();
    }

    /** Where a window or a line shows what the account does not know. */
    private static Step levels(Work w) {
        return step("levels", "Do the levels agree?")
                .say("Windows, lines, weight: whatever this machine shows. Where nothing shows, the account stands"
                        + " by what was poured and printed.")
                .minutes(1)
                .needs(Facet.CHECK, "passed")
                .ask(new Ask.Choice("They stand", List.of("as reckoned, or nothing shows")))
                .branch(w.inked.stream()
                        .map(p -> Branch.again(
                                "stands-" + p.code(),
                                p.code() + " stands elsewhere",
                                2,
                                "It was read twice. Believe the second.",
                                step("read-" + p.code(), "Read " + p.code())
                                        .say("In mL, as well as it shows. It corrects what was reckoned.")
                                        .minutes(1)
                                        .ask(Work.grid(
                                                List.of(p),
                                                List.of(volumes(
                                                        "level",
                                                        List.of(p),
                                                        q -> w.after
                                                                .channel(q.code())
                                                                .first()
                                                                .capacity()))))
                                        .moves(new Move.Reading())
                                        .build()))
                        .toArray(Branch[]::new))
                .then(Facet.RECORD, "read")
                .build();
    }

    private static Step.Builder purge(Work w, String id, int sheets) {
        var columns = IntStream.range(0, sheets)
                .mapToObj(n -> ticks("sheet " + (n + 1)))
                .toList();
        return step(id, sheets == 1 ? "One purge sheet per channel" : sheets + " purge sheets per channel")
                .say(UsualSteps.carrier(Work.codes(w.inked))
                        + " One colour a sheet, fully covered. Watch whether gaps move and shrink as the"
                        + " sheet goes.")
                .minutes(w.inked.size() * sheets)
                .ask(Work.grid(w.inked, columns))
                .moves(new Move.Print(
                        Work.codes(w.inked), w.job.profile().draws().sheet()));
    }

    private static Step proof(Work w, boolean needsHue) {
        var title = switch (w.family()) {
            case SUBLIMATION -> "Mirrored proof, pressed";
            case FILM -> "White block over colour, powdered and cured";
            case EDIBLE -> "Proof on a food sheet";
            case MAKERS_DYE, MAKERS_PIGMENT -> "Proof print";
        };
        var proof = step("proof", title)
                .minutes(6)
                .needs(Facet.CHECK, "passed")
                .moves(new Move.Print(
                        Work.codes(w.inked), w.job.profile().draws().healthSheet()))
                .then(Facet.PROOF, "made");
        if (needsHue) {
            proof.needs(Facet.HUE, "gone");
        }
        return switch (w.family()) {
            case SUBLIMATION ->
                proof.say("On transfer paper, mirrored, pressed on a scrap. On paper the colours are dull and"
                                + " black is brown: only the pressed proof counts.")
                        .care(Caution.HEAT)
                        .ask(new Ask.Ticks(List.of(
                                "link: the page came at all",
                                "mirror is on",
                                "pressed on a scrap",
                                "ink: colours right after pressing")))
                        .build();
            case FILM -> {
                if (w.route == Route.FILM_REBUILD) {
                    proof.needs(Facet.FILM_PATH, "set");
                }
                yield proof.say("A block of white over each colour on film, powdered, cured, pressed on a scrap.")
                        .care(Caution.POWDER, Caution.HEAT)
                        .ask(new Ask.Ticks(List.of(
                                "link: the page came at all",
                                "white is solid, no lines",
                                "powder sticks evenly",
                                "cured and pressed: colours right")))
                        .build();
            }
            case EDIBLE ->
                proof.say("On food sheets only, from here on.")
                        .care(Caution.FOOD)
                        .ask(new Ask.Ticks(List.of(
                                "food sheet used",
                                "link: the page came at all",
                                "ink: colours are right",
                                "lots and best-before in the record")))
                        .build();
            case MAKERS_DYE, MAKERS_PIGMENT ->
                proof.say("A page of real work, on the paper it will be printed on.")
                        .ask(new Ask.Ticks(List.of("link: the page came at all", "ink: colours are right")))
                        .build();
        };
    }
}
