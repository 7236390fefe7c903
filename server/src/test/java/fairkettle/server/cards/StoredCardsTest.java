package fairkettle.server.cards;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.procedure.Ask;
import fairkettle.procedure.Card;
import fairkettle.procedure.Procedure;
import fairkettle.procedure.Step;
import fairkettle.server.ServerTest;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Cards of earlier forms are read as if they had been written today. */
@ServerTest
class StoredCardsTest {

    @Autowired
    private StoredCards stored;

    @Autowired
    private JsonMapper json;

    private static Card asking(Ask ask) {
        return Card.of(
                new Procedure(
                        List.of(), List.of(Step.step("which", "Which?").ask(ask).build())),
                Instant.parse("2026-12-02T09:00:00Z"));
    }

    @Test
    void whatIsWrittenIsReadAsItWas() {
        var card = asking(Ask.Each.matching("Whose line is it?", List.of("W1", "K"), List.of("K", "W1")));
        assertThat(stored.card(stored.written(card))).isEqualTo(card);
    }

    /** In the third form it was said of labels that each has its own name, and not which answer is right. */
    @Test
    void labelsThatHadToBeTheirOwnNameHaveTheirRightAnswersNow() {
        var matching = Ask.Each.matching("Whose line is it?", List.of("W1", "K"), List.of("K", "W1"));
        assertThat(stored.card(asOfThirdForm(asking(matching), true))).isEqualTo(asking(matching));
        var free = new Ask.Each("What was there?", List.of("the head"), List.of("clean", "a thread"));
        assertThat(stored.card(asOfThirdForm(asking(free), false))).isEqualTo(asking(free));
    }

    private String asOfThirdForm(Card card, boolean same) {
        var tree = json.readTree(stored.written(card));
        ((ObjectNode) tree).put("form", 3);
        for (var run : tree.get("runs")) {
            var ask = (ObjectNode) run.at("/step/ask");
            ask.remove(List.of("right", "otherwise"));
            ask.put("same", same);
        }
        return json.writeValueAsString(tree);
    }
}
