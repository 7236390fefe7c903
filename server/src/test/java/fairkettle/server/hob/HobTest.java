package fairkettle.server.hob;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Waits run on the server, by its clock. */
@ServerTest
class HobTest {

    @Autowired
    private Api api;

    @Autowired
    private Hob hob;

    @Autowired
    private JdbcClient db;

    @Test
    void aWaitIsReadyWhenItsTimeIsOver() {
        api.post("/api/hob", "{\"label\": \"soak of the cap\", \"minutes\": 7}");
        var wait = wait("soak of the cap");
        assertThat(Duration.between(wait.startedAt(), wait.readyAt())).isEqualTo(Duration.ofMinutes(7));
        assertThat(wait.startedAt()).isBefore(Instant.now().plusSeconds(1));
    }

    @Test
    void aStepsWaitStandsOnTheHobUntilItsStepIsDone() {
        long machine = api.machine("Waits", "small-tank", "INKED");
        long card = api.beginCard(machine, "SUBLIMATION").get("id").asLong();
        hob.put(
                machine,
                card,
                "charge",
                new fairkettle.procedure.Pause("power cleaning", Duration.ofMinutes(6), Duration.ofMinutes(30), true),
                Instant.now());
        assertThat(wait("power cleaning").machineName()).isEqualTo("Waits");
        assertThat(wait("power cleaning").lateAt()).isNotNull();
        assertThat(api.read(api.get("/api/bench")).toString()).contains("Waits");
        hob.takeOff(card, "charge");
        assertThat(hob.waits())
                .noneMatch(w -> w.label().equals("power cleaning") && w.card() != null && w.card() == card);
    }

    @Test
    void everyChangeIsToldToOpenScreensInOrder() {
        long before = last();
        api.post("/api/hob", "{\"label\": \"told\", \"minutes\": 1}");
        api.post("/api/people", "{\"name\": \"Told %d\"}".formatted(System.nanoTime()));
        assertThat(db.sql("select topic from change where id > " + before + " order by id")
                        .query(String.class)
                        .list())
                .containsSubsequence("hob", "shop");
    }

    private long last() {
        return db.sql("select coalesce(max(id), 0) from change")
                .query(Long.class)
                .single();
    }

    private Hob.Wait wait(String label) {
        return hob.waits().stream()
                .filter(w -> w.label().equals(label))
                .findFirst()
                .orElseThrow();
    }
}
