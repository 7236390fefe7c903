package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Instant;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** What was done by mistake is taken back where it was done, and from the log. */
class BackIT {

    private static RunningKettle kettle;
    private static Browser tablet;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = new RunningKettle(true, Instant.parse("2026-12-23T09:10:00Z"));
        tablet = new Browser(kettle);
        tablet.open("/");
        tablet.signAs(1);
    }

    @AfterAll
    static void stop() throws IOException, InterruptedException {
        tablet.close();
        kettle.close();
    }

    @Test
    void aFinishedStepIsStruckFromTheLogAndItsRoutineReturns() throws IOException, SQLException {
        long machine = kettle.query("select m.id from machine m join channel c on c.machine_id = m.id where c.held ="
                + " 'INKED' and not exists (select from card where machine_id = m.id and finished_at is null and"
                + " given_up is null) order by m.id desc limit 1");
        var card = ""
                + tablet.post("/api/machines/" + machine + "/works", "{\"work\": \"POSITION_FAULT\", \"channels\": []}")
                        .get("card");
        tablet.open("/cards/" + card);
        tablet.atStep("off");
        tablet.click(".main");
        tablet.atStep("rail");
        long since =
                count("select extract(epoch from since)::bigint from upkeep where routine = 'rail' and machine_id = "
                        + machine);
        tablet.click(".main");
        tablet.atStep("strip");
        assertThat(count("select extract(epoch from since)::bigint from upkeep where routine = 'rail' and machine_id = "
                        + machine))
                .as("the routine is credited")
                .isGreaterThan(since);
        tablet.open("/log");
        tablet.sees("Rail: clean, then oil (rail)");
        tablet.click("button[aria-label*='Rail: clean, then oil']");
        tablet.sees("This comes back");
        tablet.sees("the routine “rail”");
        picture("strike");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.click(".modal.show .btn-primary");
        tablet.sees("struck out “Rail: clean, then oil");
        assertThat(count("select extract(epoch from since)::bigint from upkeep where routine = 'rail' and machine_id = "
                        + machine))
                .isEqualTo(since);
        tablet.open("/cards/" + card);
        tablet.atStep("rail");
        picture("card-struck");
    }

    @Test
    void aTapGoesToTheCardItWasMadeOnThoughTheScreenMovedOn() throws SQLException {
        var machines = new long[] {free(1), free(2)};
        var cards = new String[2];
        for (int i = 0; i < 2; i++) {
            cards[i] = ""
                    + tablet.post(
                                    "/api/machines/" + machines[i] + "/works",
                                    "{\"work\": \"POSITION_FAULT\", \"channels\": []}")
                            .get("card");
        }
        tablet.open("/cards/" + cards[0]);
        tablet.atStep("off");
        tablet.script("""
            const slow = window.fetch
            window.fetch = async (r) => { await new Promise((go) => setTimeout(go, 400)); return slow(r) }
            document.querySelector('.main').click()
            window.history.pushState({}, '', arguments[0]); window.dispatchEvent(new PopStateEvent('popstate', { state: {} }))\
            """, "/cards/" + cards[1]);
        tablet.until(_ -> count("select steps_done from card where id = " + cards[0]) == 1);
        assertThat(count("select steps_done from card where id = " + cards[1])).isZero();
        tablet.atStep("off");
    }

    @Test
    void aLongPlanSaysWhatItLeavesUndoneWhileTheMachineIsAway() throws IOException {
        tablet.open("/changeover?machine=6&to=SUBLIMATION");
        tablet.sees("While it is away");
        picture("away");
    }

    private static long free(int offset) throws SQLException {
        return kettle.query("select distinct m.id from machine m join channel c on c.machine_id = m.id where c.held ="
                + " 'INKED' and not exists (select from card where machine_id = m.id and finished_at is null and"
                + " given_up is null) order by m.id limit 1 offset " + (offset - 1));
    }

    private static long count(String sql) {
        try {
            return kettle.query(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** For looking at while a view is made: only where a folder is named. */
    private static void picture(String name) throws IOException {
        var folder = System.getProperty("looks");
        if (folder != null) {
            tablet.picture(Path.of(folder, name + ".png"));
        }
    }
}
