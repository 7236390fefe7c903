package fairkettle.server.routines;

import static fairkettle.db.Tables.UPKEEP;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.server.benches.Machines;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** Upkeep follows the log: whatever is written there is credited in the same breath. */
@ServerTest
class RoutineTest {

    @Autowired
    private Api api;

    @Autowired
    private DSLContext db;

    @Autowired
    private UpkeepBook book;

    @Autowired
    private Machines machines;

    private JsonNode routine(long machine, String routine, String channel) {
        for (var r : api.read(api.get("/api/machines/" + machine + "/routines")).get("routines")) {
            if (r.get("routine").asString().equals(routine)
                    && (channel == null || channel.equals(r.path("channel").asString("")))) {
                return r;
            }
        }
        throw new AssertionError("no routine " + routine);
    }

    private static Instant since(JsonNode routine) {
        return Instant.parse(routine.get("since").asString());
    }

    private void longAgo(long machine) {
        api.get("/api/machines/" + machine + "/routines");
        db.update(UPKEEP)
                .set(UPKEEP.SINCE, Instant.now().minusSeconds(40 * 86_400).atOffset(ZoneOffset.UTC))
                .where(UPKEEP.MACHINE_ID.eq(machine))
                .execute();
    }

    @Test
    void aPrintIsAPurgeOfWhatItLaidDownAndNoCheck() {
        long machine = api.machine("Routine prints", "small-tank", "INKED");
        longAgo(machine);
        assertThat(api.post("/api/machines/" + machine + "/printed", "{\"sheets\": 30, \"channels\": [\"C\", \"M\"]}"))
                .hasStatusOk();
        assertThat(routine(machine, "purge", "C").get("progress").asDouble()).isCloseTo(0, within(.01));
        assertThat(routine(machine, "purge", "C").get("lastly").asString()).contains("printed 30 sheets");
        assertThat(routine(machine, "purge", "Y").get("progress").asDouble()).isGreaterThan(5);
        assertThat(routine(machine, "check", null).get("progress").asDouble()).isGreaterThan(5);
        assertThat(routine(machine, "wiper", null).get("whereFrom").toString()).contains("cleanings");
    }

    @Test
    void checksCleaningsAndDonesCount() {
        long machine = api.machine("Routine looks", "small-tank", "INKED");
        longAgo(machine);
        api.post("/api/machines/" + machine + "/checks", "{\"missing\": {\"K\": [], \"C\": [], \"M\": [], \"Y\": []}}");
        assertThat(routine(machine, "check", null).get("progress").asDouble()).isLessThan(.01);
        api.post("/api/machines/" + machine + "/cleanings", "{\"power\": false}");
        assertThat(routine(machine, "wiper", null).get("whereFrom").toString()).contains("1 of 12 cleanings");
        api.post("/api/machines/" + machine + "/routines/wiper/done", "{}");
        assertThat(routine(machine, "wiper", null).get("progress").asDouble()).isLessThan(.01);
        assertThat(routine(machine, "cap-rim", null).get("progress").asDouble()).isGreaterThan(1);
        assertThat(api.post("/api/machines/" + machine + "/routines/nonsense/done", "{}"))
                .hasStatus(404);
        assertThat(api.post("/api/machines/" + machine + "/routines/damper/done", "{\"channel\": \"LC\"}"))
                .hasStatus(400);
    }

    @Test
    void theBookCanBeMadeAgainFromTheLog() {
        long machine = api.machine("Routine rebuilt", "small-tank", "INKED");
        api.post("/api/machines/" + machine + "/printed", "{\"sheets\": 1}");
        api.post(
                "/api/machines/" + machine + "/checks", "{\"missing\": {\"K\": [1], \"C\": [], \"M\": [], \"Y\": []}}");
        api.post("/api/machines/" + machine + "/cleanings", "{\"power\": true}");
        api.post("/api/machines/" + machine + "/routines/damper/done", "{\"channel\": \"C\"}");
        var kept = book.marks(List.of(machines.get(machine))).get(machine);
        book.rebuild(machines.get(machine));
        var made = book.marks(List.of(machines.get(machine))).get(machine);
        assertThat(made.keySet()).isEqualTo(kept.keySet());
        made.forEach((key, mark) -> {
            assertThat(mark.since()).as("%s", key).isCloseTo(kept.get(key).since(), within(1, ChronoUnit.SECONDS));
            assertThat(mark.ink()).as("%s", key).isCloseTo(kept.get(key).ink(), within(1e-9));
            assertThat(mark.cleanings()).as("%s", key).isEqualTo(kept.get(key).cleanings());
        });
    }

    @Test
    void aMachineIsTunedOrLeavesARoutineOut() {
        long machine = api.machine("Routine tuned", "small-tank", "INKED");
        api.put("/api/machines/" + machine + "/routines/rail", "{\"factor\": 0.5, \"off\": \"\"}", "0");
        assertThat(routine(machine, "rail", null).get("whereFrom").toString()).contains("46 days");
        var without = api.read(api.put(
                "/api/machines/" + machine + "/routines/rail", "{\"factor\": 1, \"off\": \"it has none\"}", "0"));
        assertThat(without.get("leftOut").toString()).contains("it has none");
        assertThat(without.get("routines").toString()).doesNotContain("\"rail\"");
        assertThat(api.put("/api/machines/" + machine + "/routines/rail", "{\"factor\": 90, \"off\": \"\"}", "0"))
                .hasStatus(400);
    }

    @Test
    void twoLooksAtALineStandSideBySide() {
        long machine = api.read(api.post("/api/machines", """
            {"name": "Routine looks at lines", "bench": "Test bench", "profile": "film-rebuilt", "holds": "INKED", "family": "FILM", "foodOnly": false, "tankShare": 0.7}
            """)).at("/plate/id").asLong();
        var path = "/api/machines/" + machine + "/line-looks?place=LINE&channel=";
        for (var seen : List.of("CLEAR", "FILM", "SOLID")) {
            assertThat(api.send(path + "W1&seen=" + seen, new byte[0])).hasStatusOk();
        }
        var looks = api.read(api.get("/api/machines/" + machine + "/routines")).get("looks");
        assertThat(looks).hasSize(2);
        assertThat(looks.get(0).get("seen").asString()).isEqualTo("SOLID");
        assertThat(routine(machine, "look-line", "W1").get("progress").asDouble())
                .isLessThan(.01);
        assertThat(api.send(path + "C&seen=CLEAR", new byte[0])).hasStatus(400);
        assertThat(api.send(path + "W1&seen=CLEAR", new byte[] {1, 2, 3}))
                .as("no picture")
                .matches(r -> r.getResponse().getStatus() >= 400);
    }

    @Test
    void upkeepIsHeldAgainstWhatWasPrinted() {
        long machine = api.machine("Routine burden", "small-cartridge", "INKED");
        api.post("/api/machines/" + machine + "/printed", "{\"sheets\": 100}");
        api.post("/api/machines/" + machine + "/cleanings", "{\"power\": false}");
        api.post("/api/machines/" + machine + "/routines/rail/done", "{}");
        for (var line : api.read(api.get("/api/burden?days=30"))) {
            if (line.get("machines").toString().contains("Routine burden")) {
                assertThat(line.get("printed").asDouble()).isGreaterThanOrEqualTo(6.2);
                assertThat(line.get("minutes").asInt()).isGreaterThanOrEqualTo(14);
                assertThat(line.get("mL").asDouble()).isGreaterThanOrEqualTo(2);
                assertThat(line.at("/perSquareMetre/minutes").asDouble()).isPositive();
            }
        }
        assertThat(api.get("/api/burden?days=0")).hasStatus(400);
    }

    @Test
    void whiteGoesBackShakenAndItsLineCountsAsMoved() {
        long machine = api.read(api.post("/api/machines", """
            {"name": "Routine white", "bench": "Test bench", "profile": "film-rebuilt", "holds": "INKED", "family": "FILM", "foodOnly": false, "tankShare": 0.7}
            """)).at("/plate/id").asLong();
        longAgo(machine);
        assertThat(api.read(api.get("/api/machines/" + machine + "/routines")).get("whites"))
                .hasSize(2);
        assertThat(api.post(
                        "/api/machines/" + machine + "/white",
                        "{\"channel\": \"C\", \"volume\": 5, \"to\": \"BACK\", \"shaken\": true}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("Never back");
        assertThat(api.post(
                        "/api/machines/" + machine + "/white",
                        "{\"channel\": \"W1\", \"volume\": 6, \"to\": \"BACK\", \"shaken\": false}"))
                .hasStatus(422);
        api.post(
                "/api/machines/" + machine + "/white",
                "{\"channel\": \"W1\", \"volume\": 6, \"to\": \"BACK\", \"shaken\": true}");
        assertThat(since(routine(machine, "move-white", "W1")))
                .isAfter(Instant.now().minusSeconds(60));
        api.post(
                "/api/machines/" + machine + "/white",
                "{\"channel\": \"W2\", \"volume\": 3, \"to\": \"WASTE\", \"shaken\": false}");
        assertThat(routine(machine, "move-white", "W2").get("progress").asDouble())
                .as("half the line")
                .isGreaterThan(1);
        for (int i = 0; i < 6; i++) {
            api.post(
                    "/api/machines/" + machine + "/white",
                    "{\"channel\": \"W1\", \"volume\": 6, \"to\": \"BACK\", \"shaken\": true}");
        }
        assertThat(api.post(
                        "/api/machines/" + machine + "/white",
                        "{\"channel\": \"W1\", \"volume\": 6, \"to\": \"BACK\", \"shaken\": true}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("6 times");
        var returned = api.read(api.get("/api/machines/" + machine + "/routines"))
                .get("returned")
                .get(0);
        assertThat(returned.get("channel").asString()).isEqualTo("W1");
        assertThat(returned.get("times").asInt()).isEqualTo(6);
        assertThat(returned.get("most").asInt()).isEqualTo(6);
        assertThat(returned.get("volume").asDouble()).isEqualTo(36.0);

        var last = api.read(api.get("/api/log?kind=white&machine=" + machine)).at("/entries/0");
        assertThat(last.get("strikeable").asBoolean()).isTrue();
        assertThat(api.post("/api/log/%d/strike".formatted(last.get("id").asLong()), "{}"))
                .hasStatusOk();
        assertThat(api.read(api.get("/api/machines/" + machine + "/routines"))
                        .at("/returned/0/times")
                        .asInt())
                .isEqualTo(5);
    }

    @Test
    void machinesWithoutInkAskForNothing() {
        long machine = api.machine("Routine empty", "small-tank", "NEVER_INKED");
        assertThat(api.read(api.get("/api/machines/" + machine + "/routines")).get("routines"))
                .isEmpty();
        assertThat(api.read(api.get("/api/due")))
                .anySatisfy(d -> assertThat(d.get("name").asString()).isEqualTo("Routine empty"));
    }
}
