package fairkettle.server.cards;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.server.ledger.Ledger;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** Cards over the API: done once, refused with reasons, booked and struck out. */
@ServerTest
class CardFlowTest {

    @Autowired
    private Api api;

    @Autowired
    private Ledger ledger;

    @Autowired
    private JdbcClient db;

    @Test
    void aRetryGetsTheFirstAnswerAndDoesNothingMore() {
        long machine = api.machine("Retry", "small-tank", "INKED");
        var key = UUID.randomUUID().toString();
        var body = "{\"machine\": %d, \"family\": \"SUBLIMATION\", \"make\": \"own\"}".formatted(machine);
        var first = api.post("/api/cards", body, key);
        var second = api.post("/api/cards", body, key);
        assertThat(second).hasStatus(201);
        assertThat(second.getResponse().getHeader("Idempotent-Replayed")).isEqualTo("true");
        assertThat(api.read(second)).isEqualTo(api.read(first));
        assertThat(count("select count(*) from card where machine_id = " + machine))
                .isEqualTo(1);
    }

    @Test
    void tapsThatArriveTogetherAreDoneOnce() throws Exception {
        var key = UUID.randomUUID().toString();
        Callable<MvcTestResult> tap =
                () -> api.post("/api/hob", "{\"label\": \"together %s\", \"minutes\": 5}".formatted(key), key);
        try (var tablets = Executors.newFixedThreadPool(6)) {
            for (var answer :
                    tablets.invokeAll(IntStream.range(0, 6).mapToObj(_ -> tap).toList())) {
                assertThat(answer.get()).hasStatus(201);
            }
        }
        assertThat(count("select count(*) from wait where label = 'together %s'".formatted(key)))
                .isEqualTo(1);
    }

    @Test
    void aMachineIsOnOneCardAtATime() {
        long machine = api.machine("Once", "small-tank", "INKED");
        api.beginCard(machine, "SUBLIMATION");
        assertThat(api.post(
                        "/api/cards",
                        "{\"machine\": %d, \"family\": \"SUBLIMATION\", \"make\": \"own\"}".formatted(machine)))
                .hasStatus(409)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("on a card already");
    }

    @Test
    void whatIsRefusedSaysWhyAndWhichStepMendsIt() {
        long card = api.beginCard(api.machine("Needs", "small-tank", "INKED"), "SUBLIMATION")
                .get("id")
                .asLong();
        assertThat(api.act(card, "finish", "{\"step\": \"tubes-off\"}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.errors[0].remedy")
                .isEqualTo("label");
        assertThat(api.act(card, "skip", "{\"step\": \"warranty\", \"reason\": \"hurry\"}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("hold point");
        assertThat(api.act(card, "enter", "{\"step\": \"bench\", \"cell\": \"item/99\", \"value\": \"yes\"}"))
                .hasStatus(422);
        assertThat(api.act(card, "enter", "{\"step\": \"nowhere\", \"cell\": \"x\", \"value\": \"yes\"}"))
                .hasStatus(422);
    }

    @Test
    void aStepMovesTheAccountAndStrikingItOutMovesItBack() {
        long machine = api.machine("Books", "small-tank", "NEVER_INKED");
        for (var code : new String[] {"K", "C", "M", "Y"}) {
            api.post("/api/shelf/lots", """
                {"family": "MAKERS_DYE", "channel": "%s", "make": "own", "code": "T-%1$s", "volume": 100, "price": 900, "foodGrade": false}\
                """.formatted(code));
        }
        var card = api.beginCard(machine, "MAKERS_DYE");
        long id = card.get("id").asLong();
        ticks(id, "transit", 8);
        finish(id, "makers-ink");
        api.act(id, "enter", "{\"step\": \"bench\", \"cell\": \"part/0\", \"value\": \"6\"}");
        finish(id, "bench");
        for (var lot : api.read(api.get("/api/cards/" + id)).get("lots")) {
            assertThat(lot.get("id").asLong()).isPositive();
            api.act(
                    id,
                    "enter",
                    "{\"step\": \"bottles\", \"cell\": \"%s\", \"value\": \"%d\"}"
                            .formatted(
                                    lot.get("channel").asString(), lot.get("id").asLong()));
        }
        finish(id, "bottles");
        var codes = api.read(api.get("/api/cards/" + id)).get("bottles");
        assertThat(api.act(
                        id,
                        "enter",
                        "{\"step\": \"fill-K\", \"cell\": \"K/0\", \"value\": \"%d\"}".formatted(lot(codes, "C"))))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("The bottle says C, the tank says K")
                .contains("cap shut");
        api.act(id, "enter", "{\"step\": \"fill-K\", \"cell\": \"K/0\", \"value\": \"%d\"}".formatted(lot(codes, "K")));
        api.act(id, "enter", "{\"step\": \"fill-K\", \"cell\": \"K/1\", \"value\": \"57.5\"}");
        finish(id, "fill-K");
        assertThat(tankOfK(machine)).isEqualTo(57_500);
        finish(id, "fill-K"); // a second tap, with another key: already done
        assertThat(tankOfK(machine)).isEqualTo(57_500);
        assertThat(api.act(id, "strike", "{\"step\": \"fill-K\"}")).hasStatusOk();
        assertThat(tankOfK(machine)).isZero();
        assertThat(ledger.rebuild()).as("contents that differ from the entries").isZero();
    }

    @Test
    void aCardGivenUpFreesItsMachine() {
        long machine = api.machine("Given up", "small-tank", "INKED");
        long card = api.beginCard(machine, "SUBLIMATION").get("id").asLong();
        assertThat(api.act(card, "give-up", "{\"reason\": \" \"}")).hasStatus(400);
        assertThat(api.act(card, "give-up", "{\"reason\": \"sold it\"}")).hasStatusOk();
        assertThat(api.act(card, "finish", "{\"step\": \"warranty\"}")).hasStatus(422);
        assertThat(api.beginCard(machine, "SUBLIMATION").get("state").asString())
                .isEqualTo("open");
    }

    private static long lot(tools.jackson.databind.JsonNode bottles, String channel) {
        for (var bottle : bottles) {
            if (bottle.get("channel").asString().equals(channel)
                    && bottle.get("label").asString().startsWith("T-")) {
                return bottle.get("id").asLong();
            }
        }
        throw new AssertionError("no bottle of " + channel);
    }

    private void ticks(long card, String step, int items) {
        for (int i = 0; i < items; i++) {
            api.act(card, "enter", "{\"step\": \"%s\", \"cell\": \"item/%d\", \"value\": \"yes\"}".formatted(step, i));
        }
        finish(card, step);
    }

    private void finish(long card, String step) {
        assertThat(api.act(card, "finish", "{\"step\": \"%s\"}".formatted(step)))
                .as(step)
                .hasStatusOk();
    }

    private long tankOfK(long machine) {
        return count(
                "select coalesce(sum(microlitres), 0) from content where place = 'path/%d/K/TANK'".formatted(machine));
    }

    private long count(String sql) {
        return db.sql(sql).query(Long.class).single();
    }
}
