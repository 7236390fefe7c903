package fairkettle.server.profiles;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Profiles that a shop copies and corrects by measuring. */
@ServerTest
class ProfileTest {

    @Autowired
    private Api api;

    @Test
    void nineShipAndEachSaysWhatItCanDo() {
        var profiles = api.read(api.get("/api/profiles"));
        assertThat(profiles.size()).isGreaterThanOrEqualTo(9);
        assertThat(profiles)
                .allSatisfy(p ->
                        assertThat(p.at("/capable/largestSheet").asString()).isNotBlank());
    }

    @Test
    void aCopyIsMeasuredAndAMachineIsDescribedByIt() {
        var copy = api.post("/api/profiles", """
            {"from": "small-tank", "name": "small tank with long lines", "draws": {}, "measured": [{"vessel": "TUBE", "capacity": 8.5, "heel": 0.7}]}\
            """);
        assertThat(copy).hasStatus(201);
        var id = api.read(copy).get("id").asString();
        long machine = api.machine("Long lines", "small-tank", "INKED");
        assertThat(api.put("/api/machines/" + machine + "/profile", "{\"profile\": \"%s\"}".formatted(id), "0"))
                .hasStatusOk();
        assertThat(api.read(api.get("/api/machines/" + machine))
                        .at("/plate/channels/0/path/1/capacity")
                        .asDouble())
                .isEqualTo(8.5);
        assertThat(api.post("/api/profiles/" + id + "/measures", """
            {"measured": [{"channel": "K", "vessel": "TUBE", "capacity": 9, "heel": 0.7}]}\
            """)).hasStatusOk();
        var channels = api.read(api.get("/api/machines/" + machine)).at("/plate/channels");
        assertThat(channels.get(0).at("/path/1/capacity").asDouble()).isEqualTo(9);
        assertThat(channels.get(1).at("/path/1/capacity").asDouble()).isEqualTo(8.5);
    }

    @Test
    void aMachineThatDrawsAnotherPatternIsDescribedAsItDraws() {
        var id = api.read(api.post(
                        "/api/profiles",
                        "{\"from\": \"small-tank\", \"name\": \"small tank, wide stairs\", \"draws\": {},"
                                + " \"measured\": []}"))
                .get("id")
                .asString();
        var pattern =
                "{\"nozzles\": 96, \"steps\": 8, \"pitch\": 0.2, \"stroke\": 1.6, \"gap\": 4, \"order\": [3, 2, 1, 0]}";
        assertThat(api.put("/api/profiles/" + id + "/pattern", pattern, "0")).hasStatusOk();
        long machine = api.machine("Wide stairs", "small-tank", "INKED");
        api.put("/api/machines/" + machine + "/profile", "{\"profile\": \"%s\"}".formatted(id), "0");
        assertThat(api.read(api.get("/api/machines/" + machine))
                        .at("/plate/channels/0/nozzles")
                        .asInt())
                .isEqualTo(96);
        assertThat(api.put("/api/profiles/small-tank/pattern", pattern, "0")).hasStatus(422);
        assertThat(api.put("/api/profiles/" + id + "/pattern", pattern.replace("[3, 2, 1, 0]", "[3, 3, 1, 0]"), "0"))
                .hasStatus(400);
        assertThat(api.put("/api/profiles/" + id + "/pattern", pattern.replace("0.2", "0.05"), "0"))
                .hasStatus(400);
    }

    @Test
    void whatShipsIsCopiedBeforeItIsCorrectedAndAHeelFitsItsVessel() {
        assertThat(api.post(
                        "/api/profiles/small-tank/measures",
                        "{\"measured\": [{\"vessel\": \"TUBE\", \"capacity\": 9, \"heel\": 0.7}]}"))
                .hasStatus(422);
        assertThat(api.post("/api/profiles", """
            {"from": "small-tank", "name": "impossible", "draws": {}, "measured": [{"vessel": "TUBE", "capacity": 1, "heel": 2}]}\
            """))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("heel of the tube");
        assertThat(api.post("/api/profiles", """
            {"from": "small-cartridge", "name": "no tube in it", "draws": {}, "measured": [{"vessel": "TUBE", "capacity": 5, "heel": 1}]}\
            """))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("has no tube of its own");
        assertThat(api.post(
                        "/api/profiles",
                        "{\"from\": \"small-tank\", \"name\": \"Small Tank\", \"draws\": {}, \"measured\": []}"))
                .hasStatus(400);
    }
}
