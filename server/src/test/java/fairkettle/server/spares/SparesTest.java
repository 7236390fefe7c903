package fairkettle.server.spares;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

@ServerTest
class SparesTest {

    @Autowired
    private Api api;

    @Test
    void whoeverLooksForAPartSeesDonorsAndTheBinBeforeTheShop() {
        long machine = api.machine("Spares donor", "small-tank", "INKED");
        long bare = api.machine("Spares bare", "small-tank", "INKED");
        api.put("/api/donors/" + machine, "{\"words\": \"all but its trays\"}", "0");
        api.put("/api/donors/" + bare, "{\"words\": \"no head, the rest is there\"}", "0");
        api.post(
                "/api/spares",
                "{\"what\": \"flat cable of the head\", \"fits\": \"small tank\", \"count\": 1, \"origin\": \"Spares"
                        + " bare\", \"noOther\": true}");
        var found = api.read(api.get("/api/spares?wanted=head"));
        assertThat(found.get("donors").toString()).contains("Spares donor").doesNotContain("Spares bare");
        assertThat(found.get("bin").toString()).contains("flat cable of the head", "\"noOther\":true");
        assertThat(found.get("shelf").toString()).contains("new head");
        api.delete("/api/donors/" + machine);
        assertThat(api.read(api.get("/api/spares?wanted=head")).get("donors").toString())
                .doesNotContain("Spares donor");
    }

    @Test
    void theLastOneIsTakenOnce() {
        var all = api.read(api.post(
                "/api/spares",
                "{\"what\": \"belt of a test\", \"fits\": \"\", \"count\": 1, \"origin\": \"\", \"noOther\": false}"));
        long id = 0;
        for (var spare : all.get("bin")) {
            id = spare.get("what").asString().equals("belt of a test")
                    ? spare.get("id").asLong()
                    : id;
        }
        assertThat(api.read(api.post("/api/spares/" + id + "/taken", "{\"whereTo\": \"Sorrel\"}"))
                        .get("bin")
                        .toString())
                .doesNotContain("belt of a test");
        assertThat(api.post("/api/spares/" + id + "/taken", "{\"whereTo\": \"Sorrel\"}"))
                .hasStatus(422);
        assertThat(api.post(
                        "/api/spares",
                        "{\"what\": \" \", \"fits\": \"\", \"count\": 0, \"origin\": \"\", \"noOther\": false}"))
                .hasStatus(400);
    }

    @Test
    void partsAreListedOldestFirstAndTheNewestOfAKindCounts() {
        long machine = api.machine("Spares aged", "small-tank", "INKED");
        var path = "/api/machines/" + machine + "/parts";
        api.post(path, "{\"part\": \"wiper of a test\", \"on\": \"2024-03-01\"}");
        api.post(path, "{\"part\": \"filter of a test\", \"on\": \"2024-05-01\"}");
        var all = api.read(api.post(path, "{\"part\": \"wiper of a test\", \"on\": \"2025-01-02\"}"));
        var words = all.toString();
        assertThat(words.indexOf("filter of a test")).isLessThan(words.indexOf("wiper of a test"));
        assertThat(words).contains("2025-01-02").doesNotContain("2024-03-01").contains("waste pad");
        assertThat(api.post(path, "{\"part\": \"wiper\", \"on\": \"2999-01-01\"}"))
                .hasStatus(400);

        long entry = api.read(api.get("/api/log?machine=" + machine + "&words=Jan"))
                .at("/entries/0/id")
                .asLong();
        assertThat(api.post("/api/log/" + entry + "/strike", "{}")).hasStatusOk();
        assertThat(api.read(api.get("/api/parts/ages")).toString()).contains("2024-03-01");
    }
}
