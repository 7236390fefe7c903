package fairkettle.server.benches;

import static fairkettle.db.Tables.USED_DAY;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** Machines and what is done to them outside a card. */
@ServerTest
class BenchTest {

    @Autowired
    private Api api;

    @Autowired
    private DSLContext db;

    @Test
    void aNewMachineHoldsWhatWasSaid() {
        long id = api.machine("Holds", "wide-tank", "INKED");
        var cyan = plate(id).at("/channels/1");
        assertThat(cyan.get("holds").asString()).isEqualTo("maker's dye");
        assertThat(cyan.at("/path/0/layers/0/volume").asDouble()).isEqualTo(63.0); // 70 % of 90 mL
        assertThat(cyan.at("/path/2/layers/0/volume").asDouble()).isEqualTo(3.0);
    }

    @Test
    void aMachineNeverInkedHoldsNothingAndIsPlanned() {
        long id = api.machine("Empty", "six-ink-tank", "NEVER_INKED");
        assertThat(plate(id).at("/attention/kind").asString()).isEqualTo("PLAN");
        assertThat(plate(id).at("/channels"))
                .hasSize(6)
                .allSatisfy(c -> assertThat(c.at("/path/0/layers")).isEmpty());
    }

    @Test
    void aCheckIsKeptComparedAndPrinted() {
        long id = api.machine("Checked", "small-tank", "INKED");
        assertThat(plate(id).at("/attention/kind").asString()).isEqualTo("CHECK");
        api.post("/api/machines/" + id + "/checks", """
            {"missing": {"K": [], "C": [3, 4], "M": [], "Y": []}}\
            """);
        assertThat(plate(id).at("/channels/1/missing").toString()).isEqualTo("[3,4]");
        assertThat(plate(id).at("/attention/words").asString()).isEqualTo("Look again: 2 gaps");
        assertThat(plate(id).at("/channels/1/path/0/layers/0/volume").asDouble())
                .as("the page took 0.02 mL")
                .isCloseTo(41.98, within(1e-9));
    }

    @Test
    void itSaysHowLongNoInkWasLaid() {
        long id = api.machine("Idle", "small-tank", "INKED");
        assertThat(plate(id).has("idleDays")).as("nobody saw it print").isFalse();
        api.post("/api/machines/" + id + "/printed", "{\"sheets\": 1}");
        assertThat(plate(id).get("idleDays").asInt()).isZero();
        db.update(USED_DAY)
                .set(USED_DAY.DAY, USED_DAY.DAY.minus(5))
                .where(USED_DAY.MACHINE_ID.eq(id))
                .execute();
        assertThat(plate(id).get("idleDays").asInt()).isEqualTo(5);
        assertThat(api.read(api.get("/api/bench")).get("machines"))
                .filteredOn(m -> m.get("id").asLong() == id)
                .allMatch(m -> m.get("idleDays").asInt() == 5)
                .hasSize(1);
    }

    @Test
    void powerCleaningsAreCountedForLifeAndNotTheOnesStruckOut() {
        long id = api.machine("Cleaned hard", "small-tank", "INKED");
        assertThat(cleanings(id).get("ever").asInt()).isZero();
        api.post("/api/machines/" + id + "/cleanings", "{\"power\": true}");
        api.post("/api/machines/" + id + "/cleanings", "{\"power\": false}");
        api.post("/api/machines/" + id + "/cleanings", "{\"power\": true}");
        assertThat(cleanings(id).get("ever").asInt()).isEqualTo(2);
        assertThat(cleanings(id).has("last")).isTrue();
        long entry = api.read(api.get("/api/log?kind=cleaning&machine=" + id))
                .at("/entries/0/id")
                .asLong();
        api.post("/api/log/" + entry + "/strike", "{}");
        assertThat(cleanings(id).get("ever").asInt()).isEqualTo(1);
    }

    private JsonNode cleanings(long machine) {
        return api.read(api.get("/api/machines/" + machine)).get("powerCleanings");
    }

    @Test
    void aCheckOfSomeChannelsOrOfNozzlesThatAreNotThereIsRefused() {
        long id = api.machine("Half checked", "small-tank", "INKED");
        assertThat(api.post("/api/machines/" + id + "/checks", "{\"missing\": {\"K\": []}}"))
                .hasStatus(422);
        assertThat(api.post(
                        "/api/machines/" + id + "/checks",
                        "{\"missing\": {\"K\": [59], \"C\": [], \"M\": [], \"Y\": []}}"))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].detail")
                .asString()
                .contains("59 strokes");
    }

    @Test
    void aLevelReadCorrectsTheAccountBothWays() {
        long id = api.machine("Read", "small-tank", "INKED");
        api.post("/api/machines/" + id + "/levels", "{\"levels\": {\"K\": 12, \"C\": 55.5}}");
        assertThat(plate(id).at("/channels/0/path/0/layers/0/volume").asDouble())
                .isEqualTo(12.0);
        assertThat(plate(id).at("/channels/1/path/0/layers/0/volume").asDouble())
                .isEqualTo(55.5);
        assertThat(plate(id).at("/attention/words").asString()).isEqualTo("Top up K");
        assertThat(api.post("/api/machines/" + id + "/levels", "{\"levels\": {\"K\": 61}}"))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].detail")
                .asString()
                .contains("holds 60 mL when full");
    }

    @Test
    void cleaningsFillThePadAndANewPadEmptiesIt() {
        long id = api.machine("Cleans", "small-tank", "INKED");
        api.post("/api/machines/" + id + "/cleanings", "{\"power\": true}");
        api.post("/api/machines/" + id + "/cleanings", "{\"power\": false}");
        assertThat(plate(id).get("padUsed").asDouble()).isEqualTo(4 * 7.9);
        api.post("/api/machines/" + id + "/pad", "{}");
        assertThat(plate(id).get("padUsed").asDouble()).isZero();
    }

    @Test
    void notesAreSavedByTheOneWhoReadThemLast() {
        long id = api.machine("Notes", "small-tank", "INKED");
        assertThat(api.put("/api/machines/" + id + "/papers", papers("Q-1", "sticks in the cold"), "0"))
                .hasStatusOk();
        assertThat(api.put("/api/machines/" + id + "/papers", papers("Q-2", ""), "0"))
                .hasStatus(409);
        assertThat(api.read(api.get("/api/machines/" + id)).at("/papers/serial").asString())
                .isEqualTo("Q-1");
    }

    private JsonNode plate(long machine) {
        return api.read(api.get("/api/machines/" + machine)).get("plate");
    }

    private static String papers(String serial, String notes) {
        return """
            {"serial": "%s", "notes": "%s", "firmware": "", "remindersOff": false}\
            """.formatted(serial, notes);
    }

    @Test
    void aMachinesSchoolsAreNotChangedByTwoAtOnce() {
        long id = api.machine("Schooled", "small-tank", "INKED");
        assertThat(api.put("/api/machines/" + id + "/schools", "{\"schools\": {\"ALIGN\": \"later\"}}", "0"))
                .hasStatusOk();
        assertThat(api.put("/api/machines/" + id + "/schools", "{\"schools\": {}}", "0"))
                .hasStatus(409);
        assertThat(api.put("/api/machines/" + id + "/schools", "{\"schools\": {\"ALIGN\": \"never\"}}", "1"))
                .hasStatus(400);
        assertThat(api.read(api.get("/api/machines/" + id)).at("/schools/ALIGN").asString())
                .isEqualTo("later");
    }
}
