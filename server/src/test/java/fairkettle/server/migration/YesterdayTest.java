package fairkettle.server.migration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.devdb.ThrowawayPg;
import fairkettle.server.Api;
import fairkettle.server.FairKettle;
import fairkettle.server.Hand;
import fairkettle.server.ledger.Ledger;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/** A database as the first version left it, demo and all: it migrates, and its open card goes on where it stood. */
@SpringBootTest(classes = FairKettle.class)
@AutoConfigureMockMvc
@Import({Api.class, Hand.class})
class YesterdayTest {

    private static ThrowawayPg pg;

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    @Autowired
    private Ledger ledger;

    @DynamicPropertySource
    static void database(DynamicPropertyRegistry registry) throws IOException, SQLException {
        pg = ThrowawayPg.start();
        try (var dump = new GZIPInputStream(YesterdayTest.class.getResourceAsStream("/yesterday/V1.sql.gz"));
                var connection = DriverManager.getConnection(pg.url(), "kettle", "");
                var statement = connection.createStatement()) {
            statement.execute(new String(dump.readAllBytes(), StandardCharsets.UTF_8));
        }
        registry.add("spring.datasource.url", pg::url);
        registry.add("spring.datasource.username", () -> "kettle");
    }

    @AfterAll
    static void stop() {
        pg.close();
    }

    @Test
    void everyMachineIsThereAsItWas() {
        var bench = api.read(api.get("/api/bench"));
        assertThat(bench.get("machines")).hasSize(7);
        var thistle = api.read(api.get("/api/machines/6"));
        assertThat(thistle.get("feed").asString()).isEqualTo("as built");
        assertThat(thistle.at("/plate/family").asString()).isEqualTo("maker's dye");
        assertThat(api.read(api.get("/api/shop")).at("/settings/name").asString())
                .isEqualTo("Quillmere Rosettes");
        assertThat(ledger.rebuild()).as("contents that differ from the entries").isZero();
    }

    @Test
    void itsRoutinesAreReckonedFromItsLog() {
        var routines = api.read(api.get("/api/machines/1/routines")).get("routines");
        assertThat(routines).isNotEmpty();
        var last = api.read(api.get("/api/machines/1")).at("/plate/lastCheck").asString();
        assertThat(routines).anySatisfy(r -> {
            assertThat(r.get("routine").asString()).isEqualTo("check");
            assertThat(Instant.parse(r.get("since").asString()))
                    .isCloseTo(Instant.parse(last), within(1, ChronoUnit.MINUTES));
        });
        assertThat(api.get("/api/round")).hasStatusOk();
    }

    @Test
    void theCardThatStoodOpenIsFinished() {
        var card = hand.card(1);
        assertThat(card.get("next").asString()).isEqualTo("pull");
        hand.bottlesFrom(card);
        var finished = hand.carryOut(1, "SUBLIMATION");
        assertThat(finished.get("state").asString()).isEqualTo("done");
        assertThat(api.read(api.get("/api/machines/5")).at("/plate/family").asString())
                .isEqualTo("sublimation");
        assertThat(ledger.rebuild()).isZero();
    }
}
