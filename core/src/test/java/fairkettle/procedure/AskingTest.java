package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.procedure.Ask.Column;
import fairkettle.procedure.Ask.ColumnKind;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/**
 * What newer steps ask: the code on the bottle, words, a choice, the key in its vault; and a branch that ends the work.
 */
class AskingTest {

    private static final Instant NINE = Instant.parse("2026-11-25T09:00:00Z");
    private static final ChannelCode K = ChannelCode.of("K");

    private boolean keyStored;

    private final Surroundings shop = new Surroundings() {
        @Override
        public Optional<LotFacts> lot(long id) {
            return id == 1
                    ? Optional.of(new LotFacts(1, Family.SUBLIMATION, K, false, null, Millilitres.parse("100"), null))
                    : id == 2
                            ? Optional.of(new LotFacts(2, Family.EDIBLE, K, true, null, Millilitres.parse("100"), null))
                            : Optional.empty();
        }

        @Override
        public Family family() {
            return Family.SUBLIMATION;
        }

        @Override
        public boolean keyStored() {
            return keyStored;
        }

        @Override
        public Millilitres padRoom() {
            return Millilitres.parse("100");
        }

        @Override
        public int photos(String step) {
            return 0;
        }

        @Override
        public List<Beside> beside() {
            return List.of();
        }

        @Override
        public LocalDate today() {
            return LocalDate.of(2026, 11, 25);
        }
    };

    private static Card card(Step.Builder step) {
        return Card.of(new Procedure(List.of(), List.of(step.build())), NINE);
    }

    private Outcome act(Card card, CardAct act) {
        return card.after(act, shop, "Wren", NINE);
    }

    private static Card went(Outcome outcome) {
        assertThat(outcome).isInstanceOf(Outcome.Went.class);
        return ((Outcome.Went) outcome).card();
    }

    private static String refused(Outcome outcome) {
        assertThat(outcome).isInstanceOf(Outcome.Refused.class);
        return ((Outcome.Refused) outcome).reasons().getFirst().message();
    }

    @Test
    void theWrongBottleIsRefusedWithItsCapShut() {
        var filling = card(step("fill-K", "Fill K")
                .ask(new Ask.Grid(
                        List.of(K),
                        List.of(
                                new Column("code", ColumnKind.CODE, List.of()),
                                new Column("poured", ColumnKind.VOLUME, List.of(Millilitres.parse("60")))))));
        assertThat(refused(act(filling, new CardAct.Enter("fill-K", "K/0", "2"))))
                .contains("holds edible ink")
                .endsWith("Leave its cap shut.");
        assertThat(refused(act(filling, new CardAct.Enter("fill-K", "K/0", "9"))))
                .contains("no such bottle");
        assertThat(refused(act(filling, new CardAct.Enter("fill-K", "K/0", "yes"))))
                .contains("Read the code");
        assertThat(went(act(filling, new CardAct.Enter("fill-K", "K/0", "1")))
                        .run("fill-K")
                        .entry("K/0"))
                .contains("1");
        assertThat(refused(act(filling, new CardAct.Finish("fill-K", null)))).contains("K: “code” is still open.");
    }

    @Test
    void wordsAreWrittenDown() {
        var noting = card(step("version", "Write the version down").ask(new Ask.Words("version shown")));
        assertThat(refused(act(noting, new CardAct.Finish("version", null))))
                .contains("Write it down first: version shown.");
        assertThat(refused(act(noting, new CardAct.Enter("version", "words", " "))))
                .contains("Write it down");
        assertThat(went(act(
                                went(act(noting, new CardAct.Enter("version", "words", "K4.1"))),
                                new CardAct.Finish("version", null)))
                        .finished())
                .isTrue();
    }

    @Test
    void aJointThatDoesNotFitIsRefusedWhileItIsStillInTheHand() {
        var joints = card(step("joints", "Lay a joint beside each line")
                .ask(new Ask.Each(
                        "The joint beside it is",
                        List.of("W1", "K"),
                        List.of("narrow", "wide"),
                        List.of("wide", "narrow"),
                        "A narrow joint splits a wide tube.")));
        assertThat(refused(act(joints, new CardAct.Enter("joints", "each/0", "narrow"))))
                .isEqualTo("This one is narrow, and wide was wanted. A narrow joint splits a wide tube.");
        var chosen = went(act(joints, new CardAct.Enter("joints", "each/0", "wide")));
        chosen = went(act(chosen, new CardAct.Enter("joints", "each/1", "narrow")));
        assertThat(went(act(chosen, new CardAct.Finish("joints", null))).finished())
                .isTrue();
        assertThatThrownBy(() -> new Ask.Each("?", List.of("W1", "K"), List.of("a"), List.of("a"), ""))
                .hasMessageContaining("right answer");
    }

    @Test
    void oneOfTheAnswersIsChosen() {
        var choosing = card(step("protect", "How is the head protected?")
                .ask(new Ask.Choice("How is the head protected?", List.of("cover", "nothing"))));
        assertThat(refused(act(choosing, new CardAct.Enter("protect", "choice", "glue"))))
                .contains("Choose one");
        assertThat(refused(act(choosing, new CardAct.Finish("protect", null)))).contains("How is the head protected?");
        assertThat(went(act(choosing, new CardAct.Enter("protect", "choice", "cover")))
                        .run("protect")
                        .entry("choice"))
                .contains("cover");
    }

    @Test
    void theKeyIsInTheVaultAndNeverOnTheCard() {
        var storing = card(step("fw-code", "Store the code").ask(new Ask.KeyStored()));
        assertThat(refused(act(storing, new CardAct.Finish("fw-code", null)))).contains("not in the vault yet");
        assertThat(refused(act(storing, new CardAct.Enter("fw-code", "key", "SECRET"))))
                .contains("not onto the card");
        keyStored = true;
        assertThat(went(act(storing, new CardAct.Finish("fw-code", null))).finished())
                .isTrue();
    }

    @Test
    void aBranchThatStopsEndsTheWork() {
        var removing = card(step("head-out", "Head out")
                .branch(Branch.stop("will-not-come", "It will not come off", "It was glued. Stop here.")));
        assertThat(act(removing, new CardAct.Fail("head-out", "will-not-come")))
                .isEqualTo(new Outcome.Stopped("It was glued. Stop here."));
    }

    @Test
    void theLastBottleThatWasChosenCounts() {
        var first = step("bottles", "Match")
                .ask(new Ask.Lots(List.of(K), Family.SUBLIMATION))
                .build();
        var again = step("other-bottles", "Other bottles")
                .ask(new Ask.Lots(List.of(K), Family.SUBLIMATION))
                .build();
        var card = Card.of(new Procedure(List.of(), List.of(first, again)), NINE);
        card = went(act(card, new CardAct.Enter("bottles", "K", "1")));
        assertThat(card.lotOf(K)).isEqualTo(1);
        assertThat(card.refitted()).isFalse();
    }
}
