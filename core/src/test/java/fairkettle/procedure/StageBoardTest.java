package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.procedure.StageBoard.Stage;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A channel's way across the board, step by step. */
class StageBoardTest {

    private static final Instant NINE = Instant.parse("2026-11-25T09:00:00Z");
    private static final ChannelCode C = ChannelCode.of("C");
    private static final ChannelCode M = ChannelCode.of("M");

    @Test
    void aChannelWalksFromNotStartedToVerified() {
        var card = Card.of(
                new Procedure(
                        List.of(),
                        List.of(
                                step("pull", "Pull")
                                        .then(Facet.TANK, List.of(C), "drained")
                                        .build(),
                                step("rinse", "Rinse")
                                        .then(Facet.TANK, List.of(C), "rinsed")
                                        .build(),
                                step("fill", "Fill")
                                        .then(Facet.FILL, List.of(C), "filled")
                                        .build(),
                                step("charge", "Charge")
                                        .then(Facet.CHARGE, "charged")
                                        .build(),
                                step("check", "Check")
                                        .then(Facet.CHECK, "passed")
                                        .build())),
                NINE);
        var seen = new java.util.ArrayList<>(List.of(StageBoard.of(card).get(C)));
        for (var id : List.of("pull", "rinse", "fill", "charge", "check")) {
            card = new Card(
                    card.start(),
                    card.runs(),
                    java.util.stream.Stream.concat(card.done().stream(), java.util.stream.Stream.of(id))
                            .toList(),
                    card.branches());
            seen.add(StageBoard.of(card).get(C));
        }
        assertThat(seen).containsExactly(Stage.values());
    }

    @Test
    void aSlotThatWasNeverInkedIsNotCalledFlushed() {
        var card = Card.of(
                new Procedure(
                        List.of(Condition.that(Facet.TANK, M, "chased")),
                        List.of(step("fill", "Fill")
                                .then(Facet.FILL, List.of(M), "filled")
                                .build())),
                NINE);
        assertThat(StageBoard.of(card)).containsExactly(java.util.Map.entry(M, Stage.NOT_STARTED));
    }
}
