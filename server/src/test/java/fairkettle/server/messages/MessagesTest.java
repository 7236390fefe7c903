package fairkettle.server.messages;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What a machine's screen says is answered for that machine, and what came of it stays known. */
@ServerTest
class MessagesTest {

    @Autowired
    private Api api;

    @Test
    void theAnswerFollowsTheMachinesOwnChips() {
        long tanks = api.machine("Says tanks", "small-tank", "INKED");
        var any = api.read(api.get("/api/messages?words=not recognised")).get(0);
        var here = api.read(api.get("/api/messages?words=not recognised&machine=" + tanks))
                .get(0);
        assertThat(any.get("act").asString()).contains("Auto-reset", "Button");
        assertThat(here.get("act").asString()).doesNotContain("Auto-reset", "Button:");
    }

    @Test
    void whatWasSaidIsKeptWithWhatCameOfItAndCanBeStruckOut() {
        long machine = api.machine("Says heard", "small-tank", "INKED");
        var body = """
            {"wording": "ink low", "message": "INK_LOW", "did": "looked: half full, went on", "outcome": "WENT_AWAY"}\
            """;
        assertThat(api.post("/api/machines/" + machine + "/heard", body)).hasStatus(201);
        var said = api.read(api.get("/api/messages/heard?machine=" + machine));
        assertThat(said).hasSize(1);
        assertThat(said.get(0).toString()).contains("half full", "WENT_AWAY", "\"message\":\"INK_LOW\"");
        assertThat(api.read(api.get("/api/log?machine=" + machine)).toString())
                .contains("Says heard said “ink low”: looked: half full, went on – it went away");

        assertThat(api.post("/api/log/" + said.get(0).get("entry").asLong() + "/strike", "{}"))
                .hasStatus2xxSuccessful();
        assertThat(api.read(api.get("/api/messages/heard?machine=" + machine))).isEmpty();
    }

    @Test
    void aShopExplainsMessagesOfItsOwnOnce() {
        var own = "{\"wording\": \"paw on lid\", \"meaning\": \"The cat sits on it.\", \"act\": \"Lift the cat.\"}";
        assertThat(api.post("/api/messages", own)).hasStatus(201);
        assertThat(api.post("/api/messages", own.replace("paw", "Paw")))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].field")
                .isEqualTo("wording");
        var found = api.read(api.get("/api/messages?words=cat sits"));
        assertThat(found.get(0).get("own").asBoolean()).isTrue();
        api.post("/api/messages/" + found.get(0).get("key").asString() + "/gone", "{}");
        assertThat(api.read(api.get("/api/messages?words=cat sits"))).isEmpty();
    }

    @Test
    void whatNobodyDidIsNotKept() {
        long machine = api.machine("Says nothing", "small-tank", "INKED");
        assertThat(api.post(
                        "/api/machines/" + machine + "/heard",
                        "{\"wording\": \"beep\", \"message\": \"\", \"did\": \" \", \"outcome\": \"NOT_KNOWN\"}"))
                .hasStatus(400);
        assertThat(api.get("/api/messages?machine=999999")).hasStatus(404);
    }
}
