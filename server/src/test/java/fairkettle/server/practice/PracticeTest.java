package fairkettle.server.practice;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** Practice shows what a person would see, and unveils the rest when it is over. */
@ServerTest
class PracticeTest {

    @Autowired
    private Api api;

    private JsonNode begin(String level, long seed) {
        return api.read(api.post("/api/practice/runs", "{\"level\": \"%s\", \"seed\": %d}".formatted(level, seed)));
    }

    private JsonNode act(long run, String body) {
        var acted = api.post("/api/practice/runs/" + run + "/acts", body);
        assertThat(acted).hasStatusOk();
        return api.read(acted);
    }

    private static String only(String kind) {
        return "{\"kind\": \"%s\", \"channels\": []}".formatted(kind);
    }

    @Test
    void aLearnerSeesChecksAndCostsAndTheTruthOnlyAtTheEnd() {
        var run = begin("EASY", 7);
        long id = run.get("id").asLong();
        assertThat(run.has("debrief")).isFalse();
        run = act(id, only("LOOK"));
        assertThat(run.get("channels").get(0).has("missing")).isTrue();
        assertThat(run.get("mL").asDouble()).isPositive();
        run = act(id, "{\"kind\": \"TREAT\", \"treatment\": \"CLEANING\", \"channels\": []}");
        assertThat(run.get("padMl").asDouble()).isGreaterThan(1);
        assertThat(run.toString()).doesNotContain("really");
        assertThat(act(id, only("HINT")).get("hint").asString()).isNotBlank();
        run = act(id, only("DONE"));
        assertThat(run.at("/debrief/careful").size()).isPositive();
        assertThat(run.at("/debrief/wasWrong").size()).isPositive();
        assertThat(run.at("/debrief/steps/0/advised").asString()).isNotBlank();
        assertThat(api.post("/api/practice/runs/" + id + "/acts", only("LOOK"))).hasStatus(422);
    }

    @Test
    void theSameSeedIsTheSameMachine() {
        long one = begin("MIDDLING", 99).get("id").asLong();
        long two = begin("MIDDLING", 99).get("id").asLong();
        assertThat(act(one, only("LOOK")).get("channels"))
                .isEqualTo(act(two, only("LOOK")).get("channels"));
    }

    @Test
    void whatTheMachineIsNotBuiltForIsRefused() {
        var run = begin("EASY", 3);
        var body = run.get("refillable").asBoolean()
                ? "{\"kind\": \"TREAT\", \"treatment\": \"FLUSH_LINE\", \"channels\": [\"C\"]}"
                : "{\"kind\": \"TREAT\", \"treatment\": \"DRAW_AT_CARTRIDGE\", \"channels\": [\"C\"]}";
        assertThat(api.post("/api/practice/runs/" + run.get("id").asLong() + "/acts", body))
                .hasStatus(422);
        assertThat(api.post("/api/practice/runs", "{\"level\": \"IMPOSSIBLE\"}"))
                .hasStatus(400);
    }

    @Test
    void drillsAreScoredHere() {
        var drill = api.read(api.get("/api/practice/drills/FEEL"));
        var answers = new StringBuilder();
        drill.get("questions")
                .forEach(q -> answers.append(answers.isEmpty() ? "" : ", ")
                        .append("\"%s\": %d"
                                .formatted(
                                        q.get("id").asString(), q.get("right").asInt())));
        var score = api.read(api.post("/api/practice/drills/FEEL", "{\"answers\": {%s}}".formatted(answers)));
        assertThat(score.get("score").asInt()).isEqualTo(100);
        assertThat(api.post("/api/practice/drills/FEEL", "{\"answers\": {}}")).hasStatus(400);
        var wrong = api.read(api.post("/api/practice/sequences/soak", "{\"order\": [3, 1, 2, 0, 4, 5, 6]}"));
        assertThat(wrong.get("right").asBoolean()).isFalse();
        assertThat(wrong.get("wrong").toString()).contains("fingers");
        assertThat(api.post("/api/practice/sequences/soak", "{\"order\": [0, 0, 1]}"))
                .hasStatus(400);
    }
}
