package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Fact;
import fairkettle.machine.Feed;
import fairkettle.machine.Fit;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.Supply;
import fairkettle.procedure.Consequences.Purpose;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a finished step comes to, example by example. */
class ConsequencesTest {

    private static final Instant NINE = Instant.parse("2026-11-25T09:00:00Z");
    private static final ChannelCode C = ChannelCode.of("C");
    private static final ChannelCode K = ChannelCode.of("K");
    private static final Profile TANK = Profiles.named("small-tank");

    @Test
    void aStepThatWasLeftOutIsOwedUnlessItCannotBeMadeUpFor() {
        var wipe = StepRun.open(step("wipe", "Wipe the cap").skippable().build());
        assertThat(Consequences.ofSkipped(wipe, "no swabs"))
                .containsExactly(new Consequence.Owes(Owing.STEP, "Wipe the cap", "no swabs", 7, null));
        var photo =
                StepRun.open(step("photo", "Photograph it").ask(new Ask.Photo()).build());
        assertThat(Consequences.ofSkipped(photo, "no tablet")).isEmpty();
        var rest = StepRun.open(step("rest", "Let it rest")
                .waits(new Pause("rest", Duration.ofHours(2), null, false))
                .build());
        assertThat(Consequences.ofSkipped(rest, "no time")).isEmpty();
    }

    @Test
    void aCheckIsJudgedUnlessItIsTheFirstWithGapsAfterFluid() {
        var rinse = step("rinse", "Rinse")
                .moves(new Move.Rinse(List.of(), Move.Liquid.FLUID))
                .build();
        var look =
                step("look", "Look").ask(new Ask.Comb(List.of(C), List.of(59))).build();
        var gaps = done(List.of(rinse, look), "look", Map.of("C", "3,4"));
        assertThat(gaps).containsExactly(new Consequence.Looked(Map.of(C, List.of(3, 4)), false));
        var whole = done(List.of(rinse, look), "look", Map.of("C", "none"));
        assertThat(whole).containsExactly(new Consequence.Looked(Map.of(C, List.of()), true));
        var dry = done(List.of(look), "look", Map.of("C", "3,4"));
        assertThat(dry).containsExactly(new Consequence.Looked(Map.of(C, List.of(3, 4)), true));
    }

    @Test
    void fromTheChargeOnEachChannelHoldsTheBottleThatWasChosenForIt() {
        var charge = step("charge", "Charge")
                .moves(new Move.Charge(List.of(C, K), Millilitres.parse("2")))
                .build();
        var s = setting(Purpose.CHANGEOVER, List.of(K), Map.of(C, "another make"));
        assertThat(done(List.of(charge), "charge", Map.of(), s))
                .containsExactly(new Consequence.Holds(Map.of(
                        C, new Holding.Inked(Family.SUBLIMATION, "another make", false),
                        K, new Holding.Parked(Family.MAKERS_DYE, "maker", false))));
    }

    @Test
    void growthMarksTheBottlesThatWereInTheChannelsConcerned() {
        var all = step("out", "Everything goes")
                .moves(new Move.Spoil("growth", null))
                .build();
        var one = step("out", "Cyan goes")
                .moves(new Move.Spoil("growth", List.of(C)))
                .build();
        assertThat(done(List.of(all), "out", Map.of()))
                .containsExactly(new Consequence.Spoiled(Set.of(5L, 7L), "growth"));
        assertThat(done(List.of(one), "out", Map.of())).containsExactly(new Consequence.Spoiled(Set.of(5L), "growth"));
    }

    @Test
    void aRoutineIsDoneForTheChannelsThatAnsweredElseForThoseOfTheCard() {
        var asked = step("lines", "Look at the lines")
                .fulfils("look-line")
                .ask(new Ask.Each("It is", List.of("C", "K"), List.of("clear", "filmed")))
                .build();
        assertThat(done(List.of(asked), "lines", Map.of("each/0", "clear", "each/1", "filmed")))
                .containsExactly(new Consequence.RoutineDone("look-line", C));
        var damper = step("damper", "New damper").fulfils("damper", "wiper").build();
        assertThat(done(List.of(damper), "damper", Map.of(), setting(Purpose.TREATMENT, List.of(), Map.of())))
                .containsExactly(new Consequence.RoutineDone("damper", C), new Consequence.RoutineDone("wiper", null));
    }

    @Test
    void whatTheHandsFoundGoesIntoThePapers() {
        var version = step("version", "Version")
                .ask(new Ask.Words("version shown"))
                .tells(Step.Tells.FIRMWARE_VERSION)
                .build();
        assertThat(done(List.of(version), "version", Map.of("words", "2.4")))
                .containsExactly(new Consequence.Firmware("2.4"));
        var place = step("place", "Place")
                .ask(new Ask.Words("where"))
                .then(Facet.POSITION, "decided")
                .build();
        assertThat(done(List.of(place), "place", Map.of("words", "left, above")))
                .containsExactly(new Consequence.Noted(Fact.PLACE, "left, above"));
        var points = step("points", "Points")
                .ask(new Ask.Each("The point is", List.of("C"), List.of("clear", "crusted")))
                .tells(Step.Tells.INLET_POINTS)
                .build();
        assertThat(done(List.of(points), "points", Map.of("each/0", "crusted")))
                .containsExactly(new Consequence.InletsSeen(Map.of(C, true)));
    }

    @ParameterizedTest
    @CsvSource({"CHANGEOVER, true, false", "RENEWAL, true, true", "TREATMENT, false, false", "BENCH_WORK, false, false"
    })
    void theLastStepEndsEachKindOfCardInItsOwnWay(Purpose purpose, boolean signsOff, boolean renews) {
        var came = Consequences.ofFinished(card(List.of()), setting(purpose, List.of(), Map.of()));
        assertThat(came).contains(new Consequence.WaitOver(null), new Consequence.Used(Map.of(Supply.GLOVES, 2)));
        assertThat(came.contains(new Consequence.SignedOff())).isEqualTo(signsOff);
        assertThat(came.contains(new Consequence.Renewed())).isEqualTo(renews);
        assertThat(came.contains(new Consequence.Treated(null, true))).isEqualTo(purpose == Purpose.TREATMENT);
    }

    @Test
    void aCardThatIsGivenUpOwesAnAlignmentIfItsCarriageWasMovedByHand() {
        var free = step("free", "Free it").then(Facet.CARRIAGE, "free").build();
        var moved = new Card(List.of(), List.of(StepRun.open(free)), List.of("free"), Map.of());
        assertThat(Consequences.ofGivenUp(moved, "no time", Purpose.CHANGEOVER, null))
                .contains(new Consequence.GivenUp("no time"), new Consequence.Released())
                .anyMatch(c -> c instanceof Consequence.Owes owes && owes.what() == Owing.ALIGN);
        assertThat(Consequences.ofGivenUp(card(List.of(free)), "no time", Purpose.TREATMENT, "blocked"))
                .contains(new Consequence.Treated("blocked", false))
                .noneMatch(c -> c instanceof Consequence.Owes);
    }

    @Test
    void everyConsequenceSaysWhatComesBackInWordsWithoutAName() {
        assertThat(List.of(
                        new Consequence.Looked(Map.of(), true).comesBack(),
                        new Consequence.RoutineDone("rail", C).comesBack(),
                        new Consequence.Owes(Owing.ALIGN, "", 7, null).comesBack(),
                        new Consequence.Spoiled(Set.of(1L), "growth").comesBack()))
                .allMatch(words -> !words.isBlank() && Character.isLowerCase(words.charAt(0)) || words.startsWith("“"));
        assertThat(new Consequence.Opened(Set.of()).comesBack()).isEmpty();
        assertThat(Optional.of(new Consequence.RoutineDone("rail", C).comesBack()))
                .contains("the routine “rail” of C");
    }

    private static Card card(List<Step> steps) {
        return Card.of(new Procedure(List.of(), steps), NINE);
    }

    private static List<Consequence> done(List<Step> steps, String id, Map<String, String> entries) {
        return done(steps, id, entries, setting(Purpose.BENCH_WORK, List.of(), Map.of()));
    }

    private static List<Consequence> done(
            List<Step> steps, String id, Map<String, String> entries, Consequences.Setting s) {
        var before = steps.stream()
                .map(Step::id)
                .takeWhile(other -> !other.equals(id))
                .toList();
        var card = new Card(List.of(), card(steps).runs(), before, Map.of());
        var run = card.run(id);
        for (var entry : entries.entrySet()) {
            run = run.entered(entry.getKey(), entry.getValue());
        }
        return Consequences.ofDone(run, card, card, s);
    }

    private static Consequences.Setting setting(
            Purpose purpose, List<ChannelCode> onFluid, Map<ChannelCode, String> makes) {
        var holdings = new LinkedHashMap<ChannelCode, Holding>();
        holdings.put(C, new Holding.Inked(Family.MAKERS_DYE, "maker", false));
        holdings.put(K, new Holding.Inked(Family.MAKERS_DYE, "maker", false));
        var fit = Fit.asBuilt(TANK).fedBy(Feed.AS_BUILT);
        return new Consequences.Setting(
                purpose,
                TANK,
                fit,
                fit,
                holdings,
                () -> Map.of(C, Set.of(5L), K, Set.of(7L)),
                Family.SUBLIMATION,
                "own",
                makes,
                onFluid,
                List.of(C),
                Set.of("damper", "look-line"),
                Map.of(Supply.GLOVES, 2));
    }
}
