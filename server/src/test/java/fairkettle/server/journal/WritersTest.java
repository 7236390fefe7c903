package fairkettle.server.journal;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.server.ledger.Ledger;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Many hands at once: every kind of write, on machines that share bottles, waste bottle and shelf. */
@ServerTest
class WritersTest {

    private static final int CLIENTS = 8;
    private static final int ROUNDS = 12;

    @Autowired
    private Api api;

    @Autowired
    private JdbcClient db;

    @Autowired
    private Ledger ledger;

    @Test
    @Timeout(120)
    void nobodyWaitsForEverAndNoInkIsLostWhenAllWriteAtOnce() throws Exception {
        api.post("/api/shelf/waste", "{\"name\": \"Shared\", \"kind\": \"ink and fluid\", \"capacity\": 5000}");
        api.post("/api/shelf/lots", """
            {"family": "MAKERS_DYE", "channel": "C", "make": "own", "code": "SHARED-C", "volume": 5000, "price": 900, "foodGrade": false}\
            """);
        long lot = db.sql("select max(id) from lot").query(Long.class).single();
        var machines = new ArrayList<Long>();
        for (int i = 0; i < 4; i++) {
            machines.add(api.machine("Crowded " + i, "small-tank", "INKED"));
        }
        long deadlocks = deadlocks();
        try (var hands = Executors.newFixedThreadPool(CLIENTS)) {
            var all = new ArrayList<Callable<List<Integer>>>();
            for (int client = 0; client < CLIENTS; client++) {
                long machine = machines.get(client % machines.size());
                long other = machines.get((client + 1) % machines.size());
                all.add(() -> walk(machine, other, lot));
            }
            for (var done : hands.invokeAll(all, 100, TimeUnit.SECONDS)) {
                assertThat(done.get())
                        .as("no answer is the server’s own mistake")
                        .allMatch(status -> status < 500);
            }
        }
        assertThat(deadlocks() - deadlocks).as("deadlocks").isZero();
        assertThat(ledger.rebuild()).as("contents that differ from the entries").isZero();
        assertThat(db.sql("select coalesce(sum(microlitres), 0) from posting where substance like '%/" + lot + "'")
                        .query(Long.class)
                        .single())
                .as("what was poured is somewhere")
                .isZero();
    }

    /** One client's round, on its machine and on its neighbour's. @return the answers' statuses */
    private List<Integer> walk(long machine, long other, long lot) {
        var statuses = new ArrayList<Integer>();
        for (int round = 0; round < ROUNDS; round++) {
            var refill = "{\"channel\": \"C\", \"lot\": %d, \"poured\": 0.5, \"ranDry\": false, \"chipReset\": false}"
                    .formatted(lot);
            for (long id : List.of(machine, other)) {
                statuses.add(post("/api/machines/" + id + "/refills", refill));
                statuses.add(post("/api/machines/" + id + "/printed", "{\"sheets\": 1}"));
                statuses.add(post("/api/machines/" + id + "/cleanings", "{\"power\": false}"));
                statuses.add(post("/api/machines/" + id + "/routines/rail/done", "{}"));
                statuses.add(post("/api/machines/" + id + "/checks", CHECK));
            }
            statuses.add(post("/api/machines/" + machine + "/refills/C/struck", "{}"));
            statuses.add(post(
                    "/api/machines/" + machine + "/owed",
                    "{\"words\": \"Look at it %d\", \"why\": \"\", \"inDays\": 1, \"every\": null}".formatted(round)));
            statuses.add(post(
                    "/api/cards",
                    "{\"machine\": %d, \"family\": \"SUBLIMATION\", \"make\": \"own\"}".formatted(machine)));
            db.sql("select id from card where machine_id = ? and finished_at is null and given_up is null")
                    .param(machine)
                    .query(Long.class)
                    .optional()
                    .ifPresent(
                            card -> statuses.add(post("/api/cards/" + card + "/give-up", "{\"reason\": \"crowded\"}")));
        }
        return statuses;
    }

    private static final String CHECK = "{\"missing\": {\"K\": [], \"C\": [3], \"M\": [], \"Y\": []}}";

    private int post(String path, String body) {
        return api.post(path, body).getResponse().getStatus();
    }

    private long deadlocks() {
        return db.sql("select deadlocks from pg_stat_database where datname = current_database()")
                .query(Long.class)
                .single();
    }
}
