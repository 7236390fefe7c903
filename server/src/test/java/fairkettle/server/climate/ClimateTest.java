package fairkettle.server.climate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.machine.Profiles;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.standin.Standins;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The room's air, from hands, files and probes. */
@ServerTest
class ClimateTest {

    @Autowired
    private Api api;

    @Test
    void aReadingIsTheAirNowAndSaysWhatItAsksFor() {
        var climate = api.read(api.post("/api/climate/readings", "{\"celsius\": 29, \"humidity\": 24}"));
        assertThat(climate.at("/now/celsius").asDouble()).isEqualTo(29);
        assertThat(climate.at("/now/drying").asDouble()).isCloseTo(2.30, within(.02));
        assertThat(climate.get("advice").toString()).contains("too dry");
        assertThat(api.post("/api/climate/readings", "{\"celsius\": 200, \"humidity\": 24}"))
                .hasStatus(400);
        assertThat(api.post("/api/climate/readings", "{\"celsius\": 20}")).hasStatus(400);
        assertThat(api.post(
                        "/api/climate/readings",
                        "{\"celsius\": 20, \"humidity\": 40, \"at\": \"2099-01-01T00:00:00Z\"}"))
                .hasStatus(400);
    }

    @Test
    void aFileIsTakenWholeOrNotAtAll() {
        var at = Instant.now().minusSeconds(86_400).toString();
        int before = api.read(api.get("/api/climate")).get("readings").size();
        assertThat(api.post(
                        "/api/climate/csv",
                        "{\"csv\": \"at,celsius,humidity\\n%s,21,44\\nyesterday,20,50\\n\"}".formatted(at)))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("Row 2");
        assertThat(api.read(api.get("/api/climate")).get("readings")).hasSize(before);
        assertThat(api.post("/api/climate/csv", "{\"csv\": \"at,celsius,humidity\\n%s,21,44\\n\"}".formatted(at)))
                .hasStatusOk();
        assertThat(api.post("/api/climate/csv", "{\"csv\": \"at,celsius,humidity\\n%s,21,44\\n\"}".formatted(at)))
                .as("the same file twice")
                .hasStatusOk();
        assertThat(api.read(api.get("/api/climate")).get("readings")).hasSize(before + 1);
        assertThat(api.post("/api/climate/csv", "{\"csv\": \"time;temp\\n1;2\"}"))
                .hasStatus(400);
    }

    @Test
    void aProbeIsAskedAndItsSilenceIsSaid() throws Exception {
        try (var bench = Standins.start(
                List.of(new Standins.Wanted("Bramble", Profiles.named("small-tank"), false)),
                5,
                0,
                Clock.systemUTC(),
                1)) {
            var climate = api.read(api.put(
                    "/api/climate/probe", "{\"uri\": \"http://127.0.0.1:%d/probe\"}".formatted(bench.port()), "0"));
            assertThat(climate.at("/now/humidity").asDouble()).isBetween(20.0, 85.0);
            assertThat(climate.has("trouble")).isFalse();
            assertThat(api.read(api.put(
                                    "/api/climate/probe",
                                    "{\"uri\": \"http://127.0.0.1:%d/tray/bramble\"}".formatted(bench.port()),
                                    "0"))
                            .get("trouble")
                            .asString())
                    .contains("not with celsius");
        }
        assertThat(api.put("/api/climate/probe", "{\"uri\": \"file:///etc/passwd\"}", "0"))
                .hasStatus(400);
        assertThat(api.put("/api/climate/probe", "{\"uri\": \"\"}", "0")).hasStatusOk();
    }
}
