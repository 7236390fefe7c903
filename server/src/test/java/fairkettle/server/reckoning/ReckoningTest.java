package fairkettle.server.reckoning;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Sums that are asked at the bench. */
@ServerTest
class ReckoningTest {

    @Autowired
    private Api api;

    @Test
    void aTubeWithItsDamperIsReckoned() {
        var tube = api.read(api.get("/api/reckoning/tube?boreMm=2&lengthCm=100&besideMl=3&residue=0.01"));
        assertThat(tube.get("holds").asDouble()).isEqualTo(6.142);
        assertThat(tube.get("through").asDouble()).isEqualTo(28.285);
        assertThat(api.get("/api/reckoning/tube?boreMm=0&lengthCm=100")).hasStatus(400);
    }

    @Test
    void badPairsAreRefusedAndTheNearestProfileIsShown() {
        var agents = api.read(api.get("/api/reckoning/agents?family=EDIBLE"));
        assertThat(agents)
                .hasSize(8)
                .allSatisfy(part -> assertThat(part.get("agents")).hasSize(6));
        var near = api.read(api.get("/api/reckoning/similar?channels=8&architecture=FILM"));
        assertThat(near.at("/0/profile").asString()).isEqualTo("film-dual-head");
        var verdict = api.read(api.post("/api/reckoning/second-hand", "{\"POWER\": true, \"CHECK\": false}"));
        assertThat(verdict.get("decision").asString()).isEqualTo("NO_GO");
    }

    @Test
    void presetsAreRecalledByName() {
        var body = """
            {"name": "Sash, 10 cm", "family": "SUBLIMATION", "paper": "transfer, A4", "settings": "matt", "mirrored": %s, "pressC": 190, "pressS": 45}\
            """;
        assertThat(api.post("/api/presets", body.formatted(false)))
                .as("sublimation is mirrored")
                .hasStatus(400);
        assertThat(api.post("/api/presets", body.formatted(true))).hasStatusOk();
        assertThat(api.post("/api/presets", body.formatted(true))).hasStatusOk();
        assertThat(api.read(api.get("/api/presets")))
                .filteredOn(p -> p.get("name").asString().equals("Sash, 10 cm"))
                .hasSize(1);
    }
}
