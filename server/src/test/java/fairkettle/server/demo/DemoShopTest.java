package fairkettle.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.devdb.ThrowawayPg;
import fairkettle.server.Api;
import fairkettle.server.FairKettle;
import fairkettle.server.ledger.Ledger;
import java.io.IOException;
import java.util.ArrayList;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.DefaultApplicationArguments;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** Quillmere Rosettes: nine machines of different profiles, each with a past, and everything adds up. */
@SpringBootTest(classes = FairKettle.class, properties = "kettle.demo=true")
@AutoConfigureMockMvc
@Import(Api.class)
class DemoShopTest {

    private static ThrowawayPg pg;

    @Autowired
    private Api api;

    @Autowired
    private Ledger ledger;

    @Autowired
    private DemoShop demo;

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) throws IOException {
        pg = ThrowawayPg.start();
        registry.add("spring.datasource.url", pg::url);
        registry.add("spring.datasource.username", () -> "kettle");
    }

    @AfterAll
    static void stop() {
        pg.close();
    }

    @Test
    void nineMachinesOnTwoBenches() {
        var bench = api.read(api.get("/api/bench"));
        var families = new ArrayList<String>();
        bench.get("machines").forEach(m -> families.add(m.get("family").asString()));
        assertThat(bench.get("benches")).hasSize(2);
        assertThat(families)
                .containsExactlyInAnyOrder(
                        "sublimation",
                        "sublimation",
                        "sublimation",
                        "film",
                        "edible",
                        "maker's dye",
                        "maker's dye",
                        "never inked",
                        "parked on fluid, sublimation before");
    }

    @Test
    void aChangeoverStandsInTheMiddleAndARestOnTheHob() {
        var card = api.read(api.get("/api/cards/1"));
        assertThat(card.get("next").asString()).isEqualTo("pull");
        assertThat(card.get("state").asString()).isEqualTo("open");
        assertThat(api.read(api.get("/api/hob")).toString()).contains("rest after power cleaning");
    }

    @Test
    void theAccountOfItsPastAddsUp() {
        assertThat(ledger.rebuild()).isZero();
    }

    @Test
    void startingAgainKeepsWhatWasEntered() {
        api.post("/api/people", "{\"name\": \"Sedge\"}");
        demo.run(new DefaultApplicationArguments());
        assertThat(api.read(api.get("/api/shop")).get("people")).hasSize(4);
        assertThat(api.read(api.get("/api/bench")).get("machines")).hasSize(9);
    }
}
