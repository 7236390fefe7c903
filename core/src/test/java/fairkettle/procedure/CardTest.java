package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.procedure.Outcome.Reason;
import fairkettle.safety.Caution;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a card allows, refuses and forgives, on a procedure of five steps. */
class CardTest {

    private static final Instant NINE = Instant.parse("2026-11-25T09:00:00Z");
    private static final ChannelCode C = ChannelCode.of("C");

    private Millilitres padRoom = Millilitres.parse("100");
    private int photos = 0;
    private List<Surroundings.Beside> beside = List.of();

    private final Surroundings shop = new Surroundings() {
        @Override
        public fairkettle.ink.Family family() {
            return fairkettle.ink.Family.SUBLIMATION;
        }

        @Override
        public boolean keyStored() {
            return false;
        }

        @Override
        public Optional<LotFacts> lot(long id) {
            return switch ((int) id) {
                case 1 -> Optional.of(new LotFacts(1, Family.EDIBLE, C, true, null, Millilitres.parse("50"), null));
                case 2 -> Optional.of(new LotFacts(2, Family.EDIBLE, C, false, null, Millilitres.parse("50"), null));
                case 3 ->
                    Optional.of(new LotFacts(
                            3, Family.EDIBLE, C, true, LocalDate.of(2026, 11, 24), Millilitres.parse("50"), null));
                case 4 ->
                    Optional.of(new LotFacts(
                            4, Family.EDIBLE, ChannelCode.of("M"), true, null, Millilitres.parse("50"), null));
                case 5 ->
                    Optional.of(new LotFacts(5, Family.SUBLIMATION, C, false, null, Millilitres.parse("50"), null));
                case 6 ->
                    Optional.of(new LotFacts(
                            6, Family.EDIBLE, C, true, null, Millilitres.parse("50"), "threads on the needle"));
                default -> Optional.empty();
            };
        }

        @Override
        public Millilitres padRoom() {
            return padRoom;
        }

        @Override
        public int photos(String step) {
            return photos;
        }

        @Override
        public List<Beside> beside() {
            return beside;
        }

        @Override
        public LocalDate today() {
            return LocalDate.of(2026, 11, 25);
        }
    };

    private Card card = Card.of(
            new Procedure(
                    List.of(),
                    List.of(
                            step("bottle", "Match the bottle")
                                    .ask(new Ask.Lots(List.of(C), Family.EDIBLE))
                                    .then(Facet.BOTTLE, List.of(C), "matched")
                                    .build(),
                            step("cap", "Open the cap")
                                    .ask(new Ask.Ticks(List.of("open")))
                                    .needs(Facet.BOTTLE, List.of(C), "matched")
                                    .then(Facet.TANK_CAP, List.of(C), "open")
                                    .build(),
                            step("pull", "Pull")
                                    .hold("Only air comes.")
                                    .needs(Facet.TANK_CAP, List.of(C), "open")
                                    .branch(new Branch(
                                            "nothing",
                                            "Nothing comes",
                                            List.of(step("look", "Look").build()),
                                            2,
                                            "Stop for good."))
                                    .build(),
                            step("photo", "Photograph")
                                    .ask(new Ask.Photo())
                                    .skippable()
                                    .build(),
                            step("clean", "Clean")
                                    .moves(new Move.Clean(List.of(C), Millilitres.parse("7")))
                                    .waits(new Pause("cleaning", Duration.ofMinutes(5), null, true))
                                    .build())),
            NINE);

    @Test
    void refusesAStepWhoseNeedsDoNotHoldAndNamesTheRemedy() {
        assertThat(refusal(new CardAct.Finish("pull", null)))
                .contains(new Reason("The tank cap of C must be open: first “Open the cap”.", null, "cap"));
    }

    @Test
    void alcoholAndHeatAreNeverOpenInOneRoomAndTheFirstGoesFirst() {
        var press = Card.of(
                new Procedure(
                        List.of(),
                        List.of(step("proof", "Press the proof")
                                .care(Caution.HEAT)
                                .build())),
                NINE);
        beside = List.of(
                new Surroundings.Beside("Teasel", "Wipe the cap", List.of(Caution.SOLVENT), NINE.minusSeconds(60)));
        assertThat(press.after(new CardAct.Finish("proof", null), shop, "Wren", NINE))
                .isInstanceOfSatisfying(
                        Outcome.Refused.class,
                        no -> assertThat(no.reasons().getFirst().message()).contains("Teasel is at “Wipe the cap”"));
        beside = List.of(
                new Surroundings.Beside("Teasel", "Wipe the cap", List.of(Caution.SOLVENT), NINE.plusSeconds(60)));
        assertThat(press.after(new CardAct.Finish("proof", null), shop, "Wren", NINE))
                .as("it was open first")
                .isInstanceOf(Outcome.Went.class);
    }

    @Test
    void aDoubleTapIsDoneOnce() {
        go(new CardAct.Enter("bottle", "C", "1"));
        go(new CardAct.Finish("bottle", null));
        var once = card;
        assertThat(after(new CardAct.Finish("bottle", null), NINE)).isEqualTo(new Outcome.Went(once, false));
        assertThat(after(new CardAct.Enter("bottle", "C", "1"), NINE)).isEqualTo(new Outcome.Went(once, false));
    }

    @ParameterizedTest(name = "bottle {0}: {1}")
    @CsvSource({
        "2, not food grade",
        "3, best before 24 Nov 2026",
        "4, 'says M, the tank says C'",
        "5, sublimation ink",
        "6, threads",
        "7, no such bottle",
        "x, Choose a bottle"
    })
    void theWrongBottleIsCaughtBeforeItIsOpened(String lot, String reason) {
        assertThat(refusal(new CardAct.Enter("bottle", "C", lot)).getFirst().message())
                .contains(reason);
    }

    @Test
    void holdPointsCannotBeSkippedAndSkippingTakesAReason() {
        assertThat(refusal(new CardAct.Skip("pull", "no time")).getFirst().message())
                .contains("hold point");
        assertThat(refusal(new CardAct.Skip("photo", " ")).getFirst().message()).contains("why");
        go(new CardAct.Skip("photo", "camera is flat"));
        assertThat(card.run("photo").reason()).isEqualTo("camera is flat");
    }

    @Test
    void aBranchComesInBeforeTheStepAndIsCounted() {
        throughTheCap();
        go(new CardAct.Fail("pull", "nothing"));
        assertThat(card.next().orElseThrow().step().title()).isEqualTo("Look");
        var once = card;
        assertThat(after(new CardAct.Fail("pull", "nothing"), NINE))
                .as("the same tap from the other tablet")
                .isEqualTo(new Outcome.Went(once, false));
        go(new CardAct.Finish("pull/nothing~1/look", null));
        assertThat(card.next().orElseThrow().step().id()).isEqualTo("pull");
        go(new CardAct.Fail("pull", "nothing"));
        go(new CardAct.Finish("pull/nothing~2/look", null));
        assertThat(refusal(new CardAct.Fail("pull", "nothing")).getFirst().message())
                .isEqualTo("Stop for good.");
    }

    @Test
    void aWaitIsOverWhenItIsOver() {
        throughTheCap();
        go(new CardAct.Finish("pull", null));
        go(new CardAct.BeginWait("clean"));
        assertThat(((Outcome.Refused) after(new CardAct.Finish("clean", null), NINE.plusSeconds(299)))
                        .reasons()
                        .getFirst()
                        .message())
                .isEqualTo("Cleaning: 1 s to go.");
        assertThat(after(new CardAct.Finish("clean", null), NINE.plusSeconds(300)))
                .isInstanceOf(Outcome.Went.class);
    }

    @Test
    void aWaitThatBeganWhileNobodyWasAtTheTabletIsSaidToHaveBegunThen() {
        throughTheCap();
        go(new CardAct.Finish("pull", null));
        assertThat(refusal(new CardAct.BeginWait("clean", 1441)).getFirst().message())
                .contains("up to a day ago");
        go(new CardAct.BeginWait("clean", 5));
        assertThat(after(new CardAct.Finish("clean", null), NINE)).isInstanceOf(Outcome.Went.class);
    }

    @Test
    void aMachineThatIsDoneBeforeItsTimeIsSaidToBeDone() {
        throughTheCap();
        go(new CardAct.Finish("pull", null));
        go(new CardAct.BeginWait("clean"));
        assertThat(refusal(new CardAct.Finish("clean", null)).getFirst().message())
                .isEqualTo("Cleaning: 5 min to go.");
        assertThat(after(new CardAct.Finish("clean", "the machine was done"), NINE.plusSeconds(60)))
                .isInstanceOf(Outcome.Went.class);
    }

    @Test
    void aCleaningThatWouldOverflowThePadIsRefused() {
        throughTheCap();
        go(new CardAct.Finish("pull", null));
        padRoom = Millilitres.parse("6.9");
        assertThat(refusal(new CardAct.BeginWait("clean")).getFirst().message())
                .as("before it is begun")
                .contains("Change the pad first");
        padRoom = Millilitres.parse("7");
        go(new CardAct.BeginWait("clean"));
        padRoom = Millilitres.parse("6.9");
        assertThat(((Outcome.Refused) after(new CardAct.Finish("clean", null), NINE.plusSeconds(300)))
                        .reasons()
                        .getFirst()
                        .message())
                .contains("Change the pad first");
    }

    @Test
    void aHoldStopsAllThatComesAfterItAndIsNotStruckFromUnderIt() {
        assertThat(refusal(new CardAct.BeginWait("clean")).getFirst().message()).startsWith("A hold stands before it");
        throughTheCap();
        photos = 1;
        assertThat(refusal(new CardAct.Finish("photo", null)).getFirst().remedy())
                .isEqualTo("pull");
        go(new CardAct.Finish("pull", null));
        go(new CardAct.Finish("photo", null));
        assertThat(refusal(new CardAct.Strike("pull")).getFirst().message()).contains("behind this hold");
        go(new CardAct.Strike("photo"));
        go(new CardAct.Strike("pull"));
    }

    @Test
    void aPhotoIsWaitedFor() {
        throughTheCap();
        go(new CardAct.Finish("pull", null));
        assertThat(refusal(new CardAct.Finish("photo", null)).getFirst().cell()).isEqualTo("photo");
        photos = 1;
        go(new CardAct.Finish("photo", null));
    }

    @Test
    void muchLessThanReckonedIsAsked() {
        var grid = new Ask.Grid(
                List.of(C),
                List.of(new Ask.Column("first load", Ask.ColumnKind.VOLUME, List.of(Millilitres.parse("60")))));
        card = Card.of(
                new Procedure(
                        List.of(),
                        List.of(step("draw", "Draw")
                                .ask(grid)
                                .moves(new Move.Draw(List.of(fairkettle.machine.VesselKind.TANK)))
                                .build())),
                NINE);
        go(new CardAct.Enter("draw", "C/0", "31"));
        assertThat(refusal(new CardAct.Finish("draw", null)).getFirst().message())
                .startsWith("C gave 31 of 60 mL.");
        go(new CardAct.Finish("draw", "the level was read wrong"));
        assertThat(card.run("draw").reason()).isEqualTo("the level was read wrong");
    }

    @Test
    void strikingOutProvesWhatCameAfterAgain() {
        throughTheCap();
        assertThat(refusal(new CardAct.Strike("bottle")).getFirst())
                .isEqualTo(new Reason(
                        "“Open the cap” was done after it and stands on it. Strike that out first.", null, "cap"));
        go(new CardAct.Strike("cap"));
        assertThat(card.state().value(Facet.TANK_CAP, C)).isEqualTo("shut");
        go(new CardAct.Strike("bottle"));
        assertThat(card.run("bottle").entries())
                .as("what was typed stays to be mended")
                .containsEntry("C", "1");
    }

    private void throughTheCap() {
        go(new CardAct.Enter("bottle", "C", "1"));
        go(new CardAct.Finish("bottle", null));
        go(new CardAct.Enter("cap", "item/0", "yes"));
        go(new CardAct.Finish("cap", null));
    }

    private Outcome after(CardAct act, Instant now) {
        return card.after(act, shop, "Wren", now);
    }

    private void go(CardAct act) {
        card = ((Outcome.Went) after(act, NINE)).card();
    }

    private List<Reason> refusal(CardAct act) {
        return ((Outcome.Refused) after(act, NINE)).reasons();
    }
}
