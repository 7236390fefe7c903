package fairkettle.server.climate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.machine.Profiles;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.standin.Standins;
import java.time.Clock;
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
