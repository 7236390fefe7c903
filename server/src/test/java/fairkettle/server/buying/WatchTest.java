package fairkettle.server.buying;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** Scarce things that are looked for, and cards of instruction that stay with an article. */
@ServerTest
class WatchTest {

    @Autowired
    private Api api;

    @Test
    void whatIsThereForLessThanItsCeilingIsToBuy() {
        var wanted = """
            {"what": "wide one of a test", "engine": "wide four", "seller": "Lane", "ceiling": 25000, "remote": true, "spares": false, "every": 2}\
            """;
        assertThat(api.post("/api/watched", wanted)).hasStatus(201);
        var fresh = find("wide one of a test");
        assertThat(fresh.get("due").asBoolean()).isTrue();
        assertThat(fresh.get("toBuy").asBoolean()).isFalse();
        var path = "/api/watched/" + fresh.at("/watched/id").asLong();
        api.put(path + "/seen", "{\"state\": \"THERE\", \"price\": 24000}", "0");
        var seen = find("wide one of a test");
        assertThat(seen.get("due").asBoolean()).isFalse();
        assertThat(seen.get("toBuy").asBoolean()).isTrue();

        api.post("/api/watched", wanted.replace("wide one", "other one").replace("Lane", "Quay"));
        assertThat(find("other one of a test").get("besides").toString()).contains("Same engine as wide one");

        assertThat(api.put("/api/watched/999999/seen", "{\"state\": \"GONE\"}", "0"))
                .hasStatus(404);
        assertThat(api.post("/api/watched", wanted.replace("\"every\": 2", "\"every\": 0")))
                .hasStatus(400);
        api.post(path + "/gone", "{}");
        assertThat(api.read(api.get("/api/watched")).toString()).doesNotContain("wide one of a test\"");
    }

    private JsonNode find(String what) {
        for (var watched : api.read(api.get("/api/watched"))) {
            if (watched.at("/watched/what").asString().equals(what)) {
                return watched;
            }
        }
        throw new AssertionError("nothing watched: " + what);
    }

    @Test
    void aCardOfInstructionStaysWithItsArticle() throws Exception {
        byte[] card = "%PDF-1.7 made up".getBytes(StandardCharsets.US_ASCII);
        var kept = api.read(api.send("/api/articles/cards?article=part/DAMPER&name=how it goes in", card));
        assertThat(kept.toString()).contains("part/DAMPER", "how it goes in");
        long id = kept.get(kept.size() - 1).get("id").asLong();
        assertThat(api.get("/api/articles/cards/" + id).getResponse().getContentAsByteArray())
                .isEqualTo(card);
        assertThat(api.send(
                        "/api/articles/cards?article=part/DAMPER&name=bad",
                        "<html>".getBytes(StandardCharsets.US_ASCII)))
                .hasStatus(400);
        api.post("/api/articles/cards/" + id + "/discarded", "{}");
        assertThat(api.get("/api/articles/cards/" + id)).hasStatus(404);
    }
}
