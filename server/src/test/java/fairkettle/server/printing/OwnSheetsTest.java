package fairkettle.server.printing;

import static fairkettle.db.Tables.UPKEEP;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.machine.Profiles;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.standin.Standins;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A purge sheet that prints itself: once, where it may, and credited only when it came out. */
@ServerTest
class OwnSheetsTest {

    private static final String ALL_DAY = "\"from\": \"00:00\", \"to\": \"23:59:59\"";

    @Autowired
    private Api api;

    @Autowired
    private OwnSheetWatch watch;

    @Autowired
    private DSLContext db;

    private Standins bench;

    @BeforeEach
    void start() throws IOException {
        bench = Standins.start(
                List.of(new Standins.Wanted("Bramble", Profiles.named("small-tank"), false)),
                5,
                0,
                Clock.systemUTC(),
                5);
    }

    @AfterEach
    void stop() {
        bench.close();
    }

    private long machine(String name) {
        long id = api.machine(name, "small-tank", "INKED");
        api.get("/api/machines/" + id + "/routines");
        db.update(UPKEEP)
                .set(UPKEEP.SINCE, Instant.now().minus(Duration.ofDays(30)).atOffset(ZoneOffset.UTC))
                .where(UPKEEP.MACHINE_ID.eq(id))
                .and(UPKEEP.ROUTINE.eq("purge"))
                .execute();
        api.put("/api/machines/" + id + "/printer", "{\"uri\": \"%s\"}".formatted(bench.printer("Bramble")), "0");
        return id;
    }

    private void allow(long machine, String more) {
        assertThat(api.put(
                        "/api/machines/" + machine + "/own-sheets",
                        "{\"allowed\": true, %s, %s}".formatted(ALL_DAY, more),
                        "0"))
                .hasStatusOk();
    }

    private double purge(long machine) {
        for (var r : api.read(api.get("/api/machines/" + machine + "/routines")).get("routines")) {
            if (r.get("routine").asString().equals("purge")
                    && r.get("channel").asString().equals("C")) {
                return r.get("progress").asDouble();
            }
        }
        throw new AssertionError("no purge");
    }

    private static void until(BooleanSupplier met) {
        var end = Instant.now().plusSeconds(30);
        while (!met.getAsBoolean()) {
            assertThat(Instant.now()).as("in time").isBefore(end);
            LockSupport.parkNanos(20_000_000);
        }
    }

    @Test
    void itComesOutOnceAndIsCreditedWhenItDid() {
        long machine = machine("Own sheets");
        watch.look();
        assertThat(bench.pages("Bramble")).as("without permission").isZero();
        allow(machine, "\"transfer\": false, \"sheetsLeft\": 9, \"keep\": 0");
        assertThat(purge(machine)).isGreaterThan(1);
        watch.look();
        watch.look(); // another server, or the next minute
        until(() -> purge(machine) < 1);
        watch.look();
        assertThat(api.read(api.get("/api/machines/" + machine + "/print-jobs")).get("jobs"))
                .hasSize(1);
        int pages = bench.pages("Bramble");
        assertThat(pages).isPositive();
        assertThat(api.read(api.get("/api/machines/" + machine + "/own-sheets"))
                        .at("/permission/sheetsLeft")
                        .asInt())
                .isEqualTo(9 - pages);
    }

    @Test
    void theLastTransferPaperIsKeptForWork() {
        long machine = machine("Own sheets transfer");
        allow(machine, "\"transfer\": true, \"sheetsLeft\": 5, \"keep\": 5");
        watch.look();
        assertThat(bench.pages("Bramble")).isZero();
        assertThat(api.read(api.get("/api/machines/" + machine + "/own-sheets"))
                        .at("/permission/trouble")
                        .asString())
                .contains("kept for work");
    }

    @Test
    void neverIntoAMachineWhoseCardIsOpenNorWithoutPaper() {
        long machine = machine("Own sheets card");
        allow(machine, "\"transfer\": false, \"sheetsLeft\": 9, \"keep\": 0");
        assertThat(api.post(
                        "/api/cards",
                        "{\"machine\": %d, \"family\": \"SUBLIMATION\", \"make\": \"own\"}".formatted(machine)))
                .hasStatus(201);
        watch.look();
        assertThat(bench.pages("Bramble")).isZero();
        long other = machine("Own sheets empty");
        allow(other, "\"transfer\": false, \"sheetsLeft\": 0, \"keep\": 0");
        watch.look();
        assertThat(api.read(api.get("/api/machines/" + other + "/own-sheets"))
                        .at("/permission/trouble")
                        .asString())
                .contains("not enough paper");
        assertThat(bench.pages("Bramble")).isZero();
    }

    @Test
    void aSilentPrinterIsSaidAndNothingIsCredited() {
        long machine = machine("Own sheets silent");
        allow(machine, "\"transfer\": false, \"sheetsLeft\": 9, \"keep\": 0");
        bench.fault("Bramble", "OFFLINE");
        watch.look();
        assertThat(api.read(api.get("/api/machines/" + machine + "/own-sheets"))
                        .at("/permission/trouble")
                        .asString())
                .contains("does not answer");
        assertThat(purge(machine)).isGreaterThan(1);
        assertThat(api.put(
                        "/api/machines/" + machine + "/own-sheets",
                        "{\"allowed\": true, \"from\": \"17:00\", \"to\": \"09:00\", \"transfer\": false,"
                                + " \"sheetsLeft\": 1, \"keep\": 0}",
                        "0"))
                .hasStatus(400);
        api.put(
                "/api/machines/" + machine + "/own-sheets",
                "{\"allowed\": false, %s, \"transfer\": false, \"sheetsLeft\": 1, \"keep\": 0}".formatted(ALL_DAY),
                "0");
        assertThat(api.read(api.get("/api/machines/" + machine + "/own-sheets")).has("permission"))
                .isFalse();
    }
}
