package fairkettle.server.benches;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** What a machine's papers know beside its numbers. */
@ServerTest
class PassportTest {

    @Autowired
    private Api api;

    @Autowired
    private JdbcClient db;

    @Test
    void anUnregisteredMachineOwesItUntilItIsWrittenDown() {
        long id = machine();
        assertThat(owed(id)).containsExactly("Register it with its maker");
        assertThat(api.put("/api/machines/" + id + "/passport/REGISTERED", "{\"words\": \"3 November\"}", "0"))
                .hasStatusOk();
        assertThat(owed(id)).isEmpty();
        assertThat(passport(id).at("/facts/0/words").asString()).isEqualTo("3 November");
        api.put("/api/machines/" + id + "/passport/REGISTERED", "{\"words\": \" \"}", "0");
        assertThat(passport(id).at("/facts/0/words").asString()).isEmpty();
    }

    @Test
    void documentsAreKnownByTheirBytesAndSentBackAsFiles() {
        long id = machine();
        assertThat(api.send(
                        "/api/machines/" + id + "/documents?name=Leaflet",
                        "%PDF-1.7 a leaflet".getBytes(StandardCharsets.US_ASCII)))
                .hasStatus(201);
        assertThat(api.send(
                        "/api/machines/" + id + "/documents?name=Page",
                        "<html><script>".getBytes(StandardCharsets.US_ASCII)))
                .hasStatus(400);
        assertThat(api.send("/api/machines/" + id + "/documents?name=Nothing", new byte[0]))
                .hasStatus(400);
        long document = passport(id).at("/documents/0/id").asLong();
        assertThat(api.get("/api/machines/" + id + "/documents/" + document))
                .hasStatusOk()
                .hasContentType("application/pdf")
                .headers()
                .hasValue("X-Content-Type-Options", "nosniff")
                .extracting(h -> h.getFirst("Content-Disposition"))
                .asString()
                .startsWith("attachment");
        assertThat(api.get("/api/machines/" + machine() + "/documents/" + document))
                .as("another machine's")
                .hasStatus(404);
        assertThat(api.post(
                        "/api/machines/" + id + "/links", "{\"name\": \"Site\", \"link\": \"javascript:alert(1)\"}"))
                .hasStatus(400);
        assertThat(api.post(
                        "/api/machines/" + id + "/links",
                        "{\"name\": \"Site\", \"link\": \"https://maker.example/leaflet\"}"))
                .hasStatus(201);
        api.post("/api/machines/" + id + "/documents/" + document + "/discarded", "{}");
        assertThat(passport(id).get("documents")).hasSize(1);
    }

    @Test
    void aHeightIsTriedInStepsAndEachIsWatchedForHalfAnHour() {
        long id = machine();
        assertThat(api.post("/api/machines/" + id + "/heights", "{\"millimetres\": 10}"))
                .as("level is the school followed")
                .hasStatus(400);
        api.put("/api/machines/" + id + "/schools", "{\"schools\": {\"TANK_HEIGHT\": \"raised\"}}", "0");
        assertThat(api.post("/api/machines/" + id + "/heights", "{\"millimetres\": 20}"))
                .hasStatus(400);
        assertThat(api.post("/api/machines/" + id + "/heights", "{\"millimetres\": 10}"))
                .hasStatus(201);
        assertThat(api.post("/api/machines/" + id + "/heights", "{\"millimetres\": 10}"))
                .as("the test still runs")
                .hasStatus(400);
        assertThat(api.post("/api/machines/" + id + "/heights/answer", "{\"dripped\": false}"))
                .as("too early")
                .hasStatus(422);
        db.sql("update tank_height set at = at - interval '31 minutes' where machine_id = ?")
                .param(id)
                .update();
        assertThat(api.post("/api/machines/" + id + "/heights/answer", "{\"dripped\": false}"))
                .hasStatusOk();
        assertThat(passport(id).at("/heights/lastSafe").asInt()).isEqualTo(10);
    }

    @Test
    void helpFromOutsideHasLeaveAnEndAndWhatWasChanged() {
        long id = machine();
        assertThat(api.post("/api/machines/" + id + "/help", "{\"who\": \"the seller\", \"watched\": false}"))
                .hasStatus(400);
        api.post("/api/machines/" + id + "/help", "{\"who\": \"the seller\", \"watched\": true}");
        api.post("/api/machines/" + id + "/help", "{\"who\": \"the seller\", \"watched\": true}");
        assertThat(passport(id).get("helps")).as("a double tap").hasSize(1);
        assertThat(api.post("/api/machines/" + id + "/help/ended", "{\"changed\": \"a driver\"}"))
                .hasStatusOk();
        assertThat(api.post("/api/machines/" + id + "/help/ended", "{\"changed\": \"a driver\"}"))
                .hasStatus(422);
        assertThat(passport(id).at("/helps/0/changed").asString()).isEqualTo("a driver");
    }

    @Test
    void thePassportGoesOnPaper() throws Exception {
        long id = machine();
        api.put(
                "/api/machines/" + id + "/passport/BROKEN",
                "{\"words\": \"scanner lid; printing is not touched\"}",
                "0");
        var pdf = api.get("/api/machines/" + id + "/passport.pdf?paper=letter");
        assertThat(pdf).hasStatusOk().hasContentType("application/pdf");
        try (var document = Loader.loadPDF(pdf.getResponse().getContentAsByteArray())) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains(
                            "Passport: ",
                            "Serial number not written down",
                            "scanner lid",
                            "Register it with its maker",
                            "Warranty stands");
        }
    }

    private long machine() {
        return api.machine("P-" + UUID.randomUUID().toString().substring(0, 8), "wide-tank", "NEVER_INKED");
    }

    private JsonNode passport(long id) {
        return api.read(api.get("/api/machines/" + id + "/passport"));
    }

    private java.util.List<String> owed(long id) {
        return api.read(api.get("/api/machines/" + id + "/owed"))
                .valueStream()
                .map(t -> t.get("words").asString())
                .toList();
    }

    @Test
    void wasteThatIsLedOutsideIsSaidByHandAndTakenBack() {
        long id = api.machine("Passport led", "small-tank", "INKED");
        var path = "/api/machines/" + id;
        assertThat(api.read(api.get(path + "/passport")).has("outsideWaste")).isFalse();
        api.post(path + "/waste-led", "{\"outside\": true}");
        api.post(path + "/cleanings", "{\"power\": false}");
        var led = api.read(api.get(path + "/passport")).get("outsideWaste");
        assertThat(led.get("volume").asDouble()).isPositive();
        api.post(path + "/waste-led", "{\"outside\": false}");
        assertThat(api.read(api.get(path + "/passport")).has("outsideWaste")).isFalse();
        assertThat(api.read(api.get("/api/log?machine=" + id + "&kind=waste")).toString())
                .contains("into a bottle outside", "into its own pad again");
    }
}
