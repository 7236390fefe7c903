package fairkettle.server.demo;

import static fairkettle.db.Tables.ENTRY;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.books.EntryKind;
import fairkettle.devdb.ThrowawayPg;
import fairkettle.server.Api;
import fairkettle.server.FairKettle;
import fairkettle.server.ledger.Ledger;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.DefaultApplicationArguments;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;

/**
 * Quillmere Rosettes: nine machines of different profiles, each with a past, in the middle of a working morning, and
 * everything adds up.
 */
@SpringBootTest(
        classes = FairKettle.class,
        properties = {"kettle.demo=true", "kettle.demo-days=24"})
@AutoConfigureMockMvc
@Import(Api.class)
class DemoShopTest {

    private static ThrowawayPg pg;

    @Autowired
    private Api api;

    @Autowired
    private Ledger ledger;

    @Autowired
    private DemoClock clock;

    @Autowired
    private DSLContext db;

    @Autowired
    private Demo demo;

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
    void itIsAWorkingMorningAndThePeopleAreAtWork() {
        var round = api.read(api.get("/api/round"));
        assertThat(round.get("open").asBoolean()).isTrue();
        assertThat(round.get("now").asString())
                .contains("T")
                .satisfies(now -> assertThat(LocalTime.ofInstant(Instant.parse(now), DemoClock.ZONE))
                        .isBetween(LocalTime.of(9, 40), LocalTime.of(12, 0)));
        assertThat(round.get("done")).isNotEmpty();
        assertThat(round.get("visits")).isNotEmpty();
    }

    @Test
    void nothingInThePastIsAheadOfNowOrOutsideTheShopsHoursAndWhoStopsItFindsAWeekOfWorkDone() {
        var now = Instant.parse(api.read(api.get("/api/round")).get("now").asString());
        var entries = db.select(ENTRY.AT, ENTRY.WORDS)
                .from(ENTRY)
                .where(ENTRY.KIND.in(EntryKind.CHECK, EntryKind.PRINT, EntryKind.REFILL, EntryKind.UPKEEP))
                .fetch();
        assertThat(entries).hasSizeGreaterThan(100).allSatisfy(entry -> {
            var at = entry.value1().atZoneSameInstant(DemoClock.ZONE);
            assertThat(at.toInstant()).as(entry.value2()).isBefore(now);
            assertThat(DemoClock.isWorkday(at.toLocalDate())).as(entry.value2()).isTrue();
            assertThat(at.toLocalTime()).as(entry.value2()).isBetween(LocalTime.of(8, 0), LocalTime.of(18, 30));
        });

        var last = db.select(DSL.max(ENTRY.ID)).from(ENTRY).fetchSingle().value1();
        clock.at(clock.instant().plus(Duration.ofDays(7)), () -> demo.run(new DefaultApplicationArguments()));
        assertThat(db.fetchCount(ENTRY, ENTRY.ID.gt(last).and(ENTRY.KIND.eq(EntryKind.CHECK))))
                .isGreaterThan(10);
        assertThat(ledger.rebuild()).isZero();
    }

    @Test
    void casesWereClosedAndOneIsOpen() {
        var clinic = api.read(api.get("/api/clinic"));
        assertThat(clinic.get("open")).hasSize(1);
        assertThat(clinic.get("ended").toString()).contains("its vent was stuck over");
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
