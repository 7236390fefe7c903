package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class StopHereTest {

    private static List<String> standing(Condition... state) {
        return StopHere.of(Card.of(
                new Procedure(List.of(state), List.of(step("one", "One").build())), Instant.EPOCH));
    }

    @Test
    void aCardThatTouchedNothingWaits() {
        assertThat(standing()).containsExactly("Nothing is lost. The card waits where it is.");
    }

    @Test
    void aHeadOffItsCapIsSaidFirst() {
        assertThat(standing(Condition.that(Facet.CARRIAGE, "free"), Condition.that(Facet.COVERS, "off"))
                        .getFirst())
                .contains("dries: dock it");
    }

    @Test
    void whatStandsOpenIsNamed() {
        assertThat(standing(Condition.that(Facet.COVERS, "off"), Condition.that(Facet.VALVE, "shut")))
                .singleElement()
                .asString()
                .contains("the covers")
                .contains("the shut-off valve");
    }

    @Test
    void aWaitThatSpoilsSaysWhen() {
        var soak = step("soak", "Soak")
                .waits(new Pause("soak", Duration.ofMinutes(5), Duration.ofMinutes(10), false))
                .build();
        var card = Card.of(new Procedure(List.of(), List.of(soak)), Instant.EPOCH);
        var run = card.run("soak");
        var waiting = new Card(
                card.start(),
                List.of(new StepRun(
                        run.step(),
                        run.status(),
                        run.entries(),
                        run.openedAt(),
                        Instant.EPOCH,
                        run.finishedAt(),
                        run.by(),
                        run.reason())),
                card.done(),
                card.branches());
        assertThat(StopHere.of(waiting)).singleElement().asString().contains("spoils after 10 min");
    }
}
