package fairkettle.server.refills;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Ink poured between changeovers. */
@ServerTest
class RefillTest {

    @Autowired
    private Api api;

    @Autowired
    private JdbcClient db;

    @Test
    void whatIsPouredLeavesTheBottleAndEntersTheTank() {
        long id = api.machine("Poured", "small-tank", "INKED");
        long lot = lot("MAKERS_DYE", "C", "own");
        assertThat(api.post("/api/machines/" + id + "/refills", refill("C", lot, "18", false, false)))
                .hasStatus(201);
        assertThat(line(id, "C").get("level").asDouble()).isEqualTo(60);
        assertThat(line(id, "C").get("room").asDouble()).isZero();
        assertThat(db.sql("select coalesce(sum(microlitres), 0) from content where place = 'bottle/" + lot + "'")
                        .query(Long.class)
                        .single())
                .isEqualTo(82_000);
    }

    @Test
    void aMistakeGoesBackIntoItsBottleUntilItIsUsed() {
        long id = api.machine("Mistaken", "small-tank", "INKED");
        long lot = lot("MAKERS_DYE", "C", "own");
        api.post("/api/machines/" + id + "/refills", refill("C", lot, "18", false, false));
        assertThat(api.post("/api/machines/" + id + "/refills/C/struck", "{}")).hasStatusOk();
        assertThat(line(id, "C").get("level").asDouble()).isEqualTo(42);
        assertThat(line(id, "C").has("last")).isFalse();
        assertThat(api.post("/api/machines/" + id + "/refills/C/struck", "{}"))
                .as("a second tap")
                .hasStatus(422);
        api.post("/api/machines/" + id + "/refills", refill("C", lot, "18", false, false));
        api.post("/api/machines/" + id + "/cleanings", "{\"power\": true}");
        var entry = db.sql("select max(entry_id) from refill where machine_id = ?")
                .param(id)
                .query(Long.class)
                .single();
        assertThat(api.read(api.get("/api/log/" + entry + "/strike"))
                        .get("stays")
                        .toString())
                .as("what stays is said before")
                .contains("used since");
        assertThat(api.post("/api/machines/" + id + "/refills/C/struck", "{}")).hasStatusOk();
        assertThat(line(id, "C").get("level").asDouble())
                .as("the rest went back")
                .isLessThan(42);
    }

    @Test
    void neverPastTheLineAndNeverTheWrongBottle() {
        long id = api.machine("Careful", "small-tank", "INKED");
        long cyan = lot("MAKERS_DYE", "C", "own");
        assertRefused(id, refill("C", cyan, "19", false, false), "room for 18 mL");
        assertRefused(id, refill("C", cyan, "0", false, false), "How much was poured");
        assertRefused(id, refill("M", cyan, "5", false, false), "says C, the tank says M");
        assertRefused(id, refill("C", lot("SUBLIMATION", "C", "own"), "5", false, false), "holds sublimation ink");
        assertThat(line(id, "C").get("level").asDouble()).as("nothing moved").isEqualTo(42);
    }

    @Test
    void theSameColourOfAnotherMakeIsNotTheSameInk() {
        long id = api.read(api.post("/api/machines", """
            {"name": "Makes", "bench": "Test bench", "profile": "small-tank", "holds": "INKED", "family": "SUBLIMATION", "make": "own", "foodOnly": false, "tankShare": 0.7}\
            """)).at("/plate/id").asLong();
        assertRefused(id, refill("C", lot("SUBLIMATION", "C", "elsewhere"), "5", false, false), "another make");
    }

    @Test
    void aTankThatRanDryIsOwedItsPriming() {
        long id = api.machine("Dry", "small-tank", "INKED");
        assertThat(api.post(
                        "/api/machines/" + id + "/refills",
                        refill("Y", lot("MAKERS_DYE", "Y", "own"), "10", true, false)))
                .hasStatus(201);
        assertThat(api.read(api.get("/api/machines/" + id + "/owed")))
                .extracting(t -> t.get("words").asString())
                .contains("Prime Y again");
        assertThat(line(id, "Y").get("level").asDouble())
                .as("what clings to an empty tank, and what was poured")
                .isEqualTo(11.6);
    }

    @Test
    void afterThreeRefillsThereIsADateWithARange() {
        long id = api.machine("Forecast", "small-tank", "INKED");
        long lot = lot("MAKERS_DYE", "M", "own");
        for (int i = 0; i < 3; i++) {
            api.post("/api/machines/" + id + "/levels", "{\"levels\": {\"M\": 40}}");
            api.post("/api/machines/" + id + "/refills", refill("M", lot, "20", false, i > 0));
            db.sql("update refill set at = at - make_interval(days => ?) where machine_id = ? and id ="
                            + " (select max(id) from refill where machine_id = ?)")
                    .param(30 - 10 * i)
                    .param(id)
                    .param(id)
                    .update();
        }
        var forecast = line(id, "M").get("forecast");
        assertThat(forecast.get("pages").asInt()).isEqualTo((int) ((60 - 18) / (0.7 * 0.15)));
        assertThat(forecast.get("earliest").asString())
                .isLessThanOrEqualTo(forecast.get("latest").asString());
        assertThat(line(id, "M").at("/count/resets").asInt()).isEqualTo(2);
        assertThat(line(id, "M").get("countOff").asDouble())
                .as("60 mL poured, two of them with a reset")
                .isEqualTo(60.0 / 120 - 1);
    }

    @Test
    void theShopSaysWhenAMachineWantsInk() {
        long id = api.machine("Trigger", "small-tank", "INKED");
        assertThat(line(id, "K").get("due").asBoolean()).isFalse();
        assertThat(api.put("/api/machines/" + id + "/refills/trigger", "{\"share\": 0.8}", "0"))
                .hasStatusOk();
        assertThat(line(id, "K").get("due").asBoolean()).isTrue();
        assertThat(api.read(api.get("/api/machines/" + id))
                        .at("/plate/attention/kind")
                        .asString())
                .isEqualTo("TOP_UP");
        assertThat(api.put("/api/machines/" + id + "/refills/trigger", "{\"share\": 2}", "0"))
                .hasStatus(400);
    }

    @Test
    void whatTheMachineSaysIsKeptApartFromWhatIsInIt() {
        long id = api.machine("Says", "small-tank", "INKED");
        api.post("/api/machines/" + id + "/refills", """
            {"channel": "K", "lot": %d, "poured": 5, "ranDry": false, "chipReset": false, "says": 0.1}\
            """.formatted(lot("MAKERS_DYE", "K", "own")));
        assertThat(line(id, "K").get("apart").asBoolean())
                .as("10 % said, 70 % there")
                .isTrue();
    }

    @Test
    void cartridgesOfTheMakerAreNotFilledAndNothingIsPouredBesideACard() {
        long cartridges = api.machine("Makers own", "small-cartridge", "INKED");
        assertRefused(cartridges, refill("K", lot("MAKERS_DYE", "K", "own"), "1", false, false), "changed, not filled");
        long busy = api.machine("Busy", "small-tank", "INKED");
        api.beginCard(busy, "SUBLIMATION");
        assertRefused(busy, refill("K", lot("MAKERS_DYE", "K", "own"), "1", false, false), "A card is open");
    }

    private void assertRefused(long machine, String body, String why) {
        assertRefused("/api/machines/" + machine + "/refills", body, why);
    }

    private void assertRefused(String path, String body, String why) {
        var answer = api.post(path, body);
        assertThat(answer.getResponse().getStatus()).isBetween(400, 499);
        assertThat(api.read(answer).toString()).contains(why);
    }

    private JsonNode line(long machine, String channel) {
        for (var line :
                api.read(api.get("/api/machines/" + machine + "/refills")).get("lines")) {
            if (line.get("channel").asString().equals(channel)) {
                return line;
            }
        }
        throw new AssertionError("no line " + channel);
    }

    private long lot(String family, String channel, String make) {
        api.post("/api/shelf/lots", """
            {"family": "%s", "channel": "%s", "make": "%s", "code": "R-%s", "volume": 100, "price": 900, "foodGrade": false}\
            """.formatted(family, channel, make, channel));
        return db.sql("select max(id) from lot").query(Long.class).single();
    }

    private static String refill(String channel, long lot, String poured, boolean dry, boolean reset) {
        return """
            {"channel": "%s", "lot": %d, "poured": %s, "ranDry": %s, "chipReset": %s}\
            """.formatted(channel, lot, poured, dry, reset);
    }
}
