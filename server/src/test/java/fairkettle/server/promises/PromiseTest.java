package fairkettle.server.promises;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A changeover says which promises it would break. */
@ServerTest
class PromiseTest {

    @Autowired
    private Api api;

    @Test
    void whatIsPromisedBeforeItCanPrintAgainIsSaidInThePlan() {
        long id = api.machine("Promised", "small-tank", "INKED");
        api.post(
                "/api/machines/" + id + "/promises",
                "{\"words\": \"40 rosettes for the fair\", \"due\": \"2020-01-01T09:00:00Z\"}");
        api.post(
                "/api/machines/" + id + "/promises",
                "{\"words\": \"sashes for spring\", \"due\": \"2099-01-01T09:00:00Z\"}");
        var missed = api.read(api.get("/api/machines/" + id + "/changeover?family=SUBLIMATION&make=own"))
                .at("/plan/times/missed");
        assertThat(missed)
                .singleElement()
                .satisfies(p -> assertThat(p.get("words").asString()).isEqualTo("40 rosettes for the fair"));
        api.post("/api/machines/" + id + "/promises/" + missed.get(0).get("id").asLong() + "/kept", "{}");
        assertThat(api.read(api.get("/api/machines/" + id + "/promises"))).hasSize(1);
        assertThat(api.post("/api/machines/" + id + "/promises", "{\"words\": \"no day\"}"))
                .hasStatus(400);
    }
}
