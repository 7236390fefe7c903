package fairkettle.server.pages;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What a machine did last, and what its cleanings were for. */
@ServerTest
class LatelyTest {

    private static final String GAP = "{\"missing\": {\"K\": [], \"C\": [3, 4], \"M\": [], \"Y\": []}}";
    private static final String WHOLE = "{\"missing\": {\"K\": [], \"C\": [], \"M\": [], \"Y\": []}}";

    @Autowired
    private Api api;

    @Test
    void aCleaningIsToldWithWhatSetItOffAndWhatCameOfIt() {
        long machine = api.machine("Lately cleaned", "small-tank", "INKED");
        var path = "/api/machines/" + machine;
        assertThat(api.read(api.get(path + "/lately")).has("idleHours")).isFalse();
        api.post(path + "/checks", GAP);
        api.post(path + "/cleanings", "{\"power\": false}");
        api.post(path + "/checks", WHOLE);
        api.post(path + "/cleanings", "{\"power\": true}");
        var lately = api.read(api.get(path + "/lately"));
        assertThat(lately.get("idleHours").asLong()).isZero();
        assertThat(lately.at("/ordinary/week").asInt()).isEqualTo(1);
        assertThat(lately.at("/power/life").asInt()).isEqualTo(1);
        assertThat(lately.at("/cleanings/1/trigger").asString()).isEqualTo("C 2 missing");
        assertThat(lately.at("/cleanings/1/result").asString()).isEqualTo("all came back");
        assertThat(lately.at("/cleanings/0/trigger").asString()).isEqualTo("the check was whole");
        assertThat(lately.at("/cleanings/0/power").asBoolean()).isTrue();
    }

    @Test
    void whatWasStruckOutIsNotCounted() {
        long machine = api.machine("Lately struck", "small-tank", "INKED");
        var path = "/api/machines/" + machine;
        api.post(path + "/cleanings", "{\"power\": false}");
        long entry = api.read(api.get("/api/log?machine=" + machine + "&kind=cleaning"))
                .at("/entries/0/id")
                .asLong();
        api.post("/api/log/" + entry + "/strike", "{}");
        var lately = api.read(api.get(path + "/lately"));
        assertThat(lately.at("/ordinary/life").asInt()).isZero();
        assertThat(lately.get("cleanings")).isEmpty();
    }
}
