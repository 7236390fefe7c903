package fairkettle.server.benches;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.Hand;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** A machine that is like its profile but not it is put right, and its cards say so at once. */
@ServerTest
class HandlingTest {

    private static int numbered;

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    @Autowired
    private JdbcClient db;

    private long machine;

    @BeforeEach
    void aSmallTankMachine() {
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y");
        machine = api.read(api.post("/api/machines", """
            {"name": "Taught %d", "bench": "School bench", "profile": "small-tank", "holds": "INKED",
             "family": "SUBLIMATION", "make": "own", "foodOnly": false, "tankShare": 0.7}\
            """.formatted(++numbered)))
                .at("/plate/id")
                .asLong();
    }

    @Test
    void aSentenceThatTurnedOutWrongIsPutRightOnTheOpenCardToo() {
        long card = work();
        assertThat(step(card, "free").get("say").asString()).contains("pulling the cord in mid-print");
        assertThat(step(card, "free").get("restsOn")).hasSize(1);

        assertThat(teach("{\"freeing\": \"LOCK_GEAR\", \"ways\": {}}")).hasStatusOk();

        assertThat(step(card, "free").get("say").asString()).contains("lock gear");
        assertThat(step(card, "free").at("/ask/items").toString()).contains("the gear inside at the front");
        assertThat(log()).contains("was taught: its carriage is freed by its lock gear");
    }

    @Test
    void whatWasBegunAlreadyKeepsItsWords() {
        long card = work();
        hand.prepare(card, step(card, "ready"), "SUBLIMATION");
        assertThat(api.act(card, "finish", "{\"step\": \"ready\"}")).hasStatusOk();
        assertThat(api.act(card, "enter", "{\"step\": \"free\", \"cell\": \"item/0\", \"value\": \"yes\"}"))
                .hasStatusOk();
        teach("{\"freeing\": \"LOCK_GEAR\", \"ways\": {}}");
        assertThat(step(card, "free").get("say").asString())
                .as("somebody is in the middle of it")
                .contains("pulling the cord in mid-print");
    }

    @Test
    void struckOutTheMachineAndTheCardAreAsBefore() {
        long card = work();
        var before = step(card, "free").get("say").asString();
        teach("{\"freeing\": \"LOCK_GEAR\", \"ways\": {}}");
        long entry = db.sql("select max(id) from entry where machine_id = :m")
                .param("m", machine)
                .query(Long.class)
                .single();
        var preview = api.read(api.get("/api/log/" + entry + "/strike"));
        assertThat(preview.get("gives").toString()).contains("how hands get at it");
        assertThat(api.post("/api/log/" + entry + "/strike", "{}")).hasStatusOk();
        assertThat(step(card, "free").get("say").asString()).isEqualTo(before);
        assertThat(handling().get("freeing").asString()).isEqualTo("CORD_IN_PRINT");
    }

    @Test
    void whereItsPaperGoesInIsTaughtAndSaidInTheLog() {
        assertThat(handling().get("trays").toString()).isEqualTo("[\"REAR\"]");
        assertThat(teach("{\"ways\": {}, \"trays\": [\"FRONT\"]}")).hasStatusOk();
        assertThat(handling().get("trays").toString()).isEqualTo("[\"FRONT\"]");
        assertThat(log()).contains("paper goes into its cassette at the front");
        assertThat(teach("{\"ways\": {}, \"trays\": []}"))
                .hasStatus(400)
                .bodyText()
                .contains("One way at least");
    }

    @Test
    void aKeyAndHowLongItIsHeldAreInTheNextPlan() {
        assertThat(teach("""
            {"ways": {"CLEANING": {"say": "Hold the drop key.", "seconds": 7}}, "screws": [{"which": "rear", "count": 3}]}\
            """)).hasStatusOk();
        assertThat(handling().toString()).contains("Hold the drop key.").contains("\"count\":3");
        var opened = api.read(api.post(
                "/api/cases",
                "{\"machines\": [%d], \"complaints\": [\"GAPS\"], \"work\": \"TEXT\", \"words\": \"\"}"
                        .formatted(machine)));
        long card = api.read(api.post(
                        "/api/cases/" + opened.get("id").asLong() + "/card",
                        "{\"treatment\": \"CLEANING\", \"channels\": [], \"anyway\": \"so it was done\"}"))
                .get("card")
                .asLong();
        assertThat(step(card, "clean").get("say").asString()).contains("Hold the drop key.");
    }

    @Test
    void whatCannotBeIsRefusedAtItsField() {
        assertThat(teach("{\"ways\": {\"CLEANING\": {\"say\": \"\", \"seconds\": 7}}}"))
                .hasStatus(400)
                .bodyText()
                .contains("Say which key");
        assertThat(teach("{\"ways\": {}, \"screws\": [{\"which\": \"rear\", \"count\": 0}]}"))
                .hasStatus(400)
                .bodyText()
                .contains("1 to 60.");
        var stale = api.put("/api/machines/" + machine + "/handling", "{\"ways\": {}, \"freeing\": \"ARROWS\"}", "77");
        assertThat(stale).hasStatus(409);
    }

    @Test
    void aKitThatContradictsItselfIsRefusedAndOneThatWasWrongIsGivenBack() {
        var before = handling().get("kit");
        assertThat(teach("{\"ways\": {}, \"kit\": " + kit("MARK", "0", 0) + "}"))
                .hasStatus(400)
                .bodyText()
                .contains("see the kit’s leaflet");
        assertThat(teach("{\"ways\": {}, \"kit\": {\"ribbon\": \"JOINED\", \"tilt\": 30}}"))
                .hasStatus(400)
                .bodyText()
                .contains("“kit/constantHead” is missing");
        assertThat(teach("{\"ways\": {}, \"kit\": " + kit("NONE", "0", 0).replace("\"HANGS\"", "null") + "}"))
                .hasStatus(400)
                .bodyText()
                .contains("Say of a kit how its ribbon is joined");
        assertThat(handling().get("kit")).as("nothing is half done").isEqualTo(before);
        assertThat(teach("{\"ways\": {}, \"kit\": " + kit("NO_MARK", "20", 20) + "}"))
                .hasStatusOk();
        assertThat(log()).contains("its bulk feed");
        long entry = db.sql("select max(id) from entry where machine_id = :m")
                .param("m", machine)
                .query(Long.class)
                .single();
        assertThat(api.post("/api/log/" + entry + "/strike", "{}")).hasStatusOk();
        assertThat(handling().get("kit")).isEqualTo(before);
    }

    private static String kit(String chamber, String first, int tilt) {
        return """
            {"ribbon": "LOOSE", "chamber": "%s", "bracket": "HANGS", "constantHead": false, "valve": false, "plugs": true,
             "sponge": false, "bunged": false, "first": %s, "second": 0, "tilt": %d}\
            """.formatted(chamber, first, tilt);
    }

    private long work() {
        return api.read(api.post(
                        "/api/machines/" + machine + "/works", "{\"work\": \"POSITION_FAULT\", \"channels\": []}"))
                .get("card")
                .asLong();
    }

    private org.springframework.test.web.servlet.assertj.MvcTestResult teach(String body) {
        return api.put(
                "/api/machines/" + machine + "/handling",
                body,
                handling().get("version").asString());
    }

    private JsonNode handling() {
        return api.read(api.get("/api/machines/" + machine + "/handling"));
    }

    private JsonNode step(long card, String id) {
        for (var step : hand.card(card).get("steps")) {
            if (step.get("id").asString().equals(id)) {
                return step;
            }
        }
        throw new AssertionError("no step " + id);
    }

    private String log() {
        return db.sql("select words from entry where machine_id = :m order by id desc limit 1")
                .param("m", machine)
                .query(String.class)
                .single();
    }
}
