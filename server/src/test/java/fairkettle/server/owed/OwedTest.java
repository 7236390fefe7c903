package fairkettle.server.owed;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.Hand;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** What is left out stays owed, and what comes round comes round. */
@ServerTest
class OwedTest {

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    @Test
    void whatComesRoundIsOwedAgainWhenItIsDone() {
        long id = api.machine("Rounds", "small-tank", "INKED");
        api.post(
                "/api/machines/" + id + "/owed",
                "{\"words\": \"Look at the waste bottle\", \"why\": \"\", \"inDays\": 0, \"every\": 30}");
        var task = named(id, "Look at the waste bottle");
        assertThat(task.get("late").asBoolean()).isTrue();
        assertThat(api.read(api.get("/api/machines/" + id)).at("/plate/owedNow").asInt())
                .isEqualTo(1);
        var path = "/api/machines/" + id + "/owed/" + task.get("id").asLong() + "/done";
        assertThat(api.post(path, "{}")).hasStatusOk();
        assertThat(api.post(path, "{}")).as("a second tap").hasStatusOk();
        assertThat(owed(id))
                .filteredOn(t -> t.get("words").asString().equals("Look at the waste bottle"))
                .singleElement()
                .satisfies(t -> assertThat(t.get("late").asBoolean()).isFalse());
        assertThat(api.post("/api/machines/" + id + "/owed", "{\"words\": \"\", \"why\": \"\", \"inDays\": 0}"))
                .hasStatus(400);
    }

    @Test
    void aStepThatIsLeftOutIsOwedAndTakenBackWhenItIsTakenUp() {
        long id = api.machine("Left out", "small-tank", "NEVER_INKED");
        long card = api.beginCard(id, "SUBLIMATION").get("id").asLong();
        hand.carryOutUntil(card, "SUBLIMATION", "makers-ink");
        api.act(card, "skip", "{\"step\": \"makers-ink\", \"reason\": \"no labels\"}");
        assertThat(named(id, "Set the maker’s own bottles aside").get("why").asString())
                .isEqualTo("no labels");
        api.act(card, "strike", "{\"step\": \"makers-ink\"}");
        assertThat(owed(id)).noneMatch(t -> t.get("words").asString().startsWith("Set the maker"));
    }

    @Test
    void aCardGivenUpWithTheCarriageFreeOwesAnAlignment() {
        long id = api.machine("Opened", "small-tank", "INKED");
        long card = api.beginCard(id, "SUBLIMATION").get("id").asLong();
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y");
        hand.carryOutUntil(card, "SUBLIMATION", "caps-open");
        api.act(card, "give-up", "{\"reason\": \"wrong day\"}");
        assertThat(named(id, "Align the head").get("late").asBoolean()).isTrue();
    }

    private JsonNode named(long id, String words) {
        return owed(id).valueStream()
                .filter(t -> t.get("words").asString().equals(words))
                .findFirst()
                .orElseThrow();
    }

    private JsonNode owed(long id) {
        return api.read(api.get("/api/machines/" + id + "/owed"));
    }
}
