package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Map;
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
        new CardHand(kettle, tablet, Path.of("unused"), "SUB").quicklyUntil(card, "rail");
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
        tablet.click("button[aria-label^='Strike out'][aria-label*='Rail: clean, then oil']");
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
        tablet.atStep("ready");
        tablet.fillStep(cards[0], "ready", "SUB");
        tablet.script("""
            const slow = window.fetch
            window.fetch = async (r) => { await new Promise((go) => setTimeout(go, 400)); return slow(r) }
            document.querySelector('.main').click()
            window.history.pushState({}, '', arguments[0]); window.dispatchEvent(new PopStateEvent('popstate', { state: {} }))\
            """, "/cards/" + cards[1]);
        tablet.until(_ -> count("select steps_done from card where id = " + cards[0]) == 1);
        assertThat(count("select steps_done from card where id = " + cards[1])).isZero();
        tablet.atStep("ready");
    }

    @Test
    void aMachineIsTaughtFromTheStepThatTurnedOutWrong() throws IOException, SQLException {
        long machine = free(3);
        var card = ""
                + tablet.post("/api/machines/" + machine + "/works", "{\"work\": \"POSITION_FAULT\", \"channels\": []}")
                        .get("card");
        tablet.open("/cards/" + card);
        new CardHand(kettle, tablet, Path.of("unused"), "SUB").quicklyUntil(card, "free");
        tablet.sees("A carriage that has power is never pushed");
        tablet.press("Not so on this machine?");
        tablet.sees("How is it on this machine?");
        tablet.choose("#handling-freeing", "LOCK_GEAR");
        tablet.sees("until the lock sinks");
        picture("teach");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.press("It is so on this machine");
        tablet.sees("This one is freed by its lock gear, without power");
        picture("taught");
        tablet.open("/machines/" + machine + "#handling");
        tablet.settles();
        picture("handling");
        assertThat(tablet.accessibilityViolations()).isEmpty();
    }

    @Test
    void aWrongRefillIsUndoneByOneTapWhereItWasMade() throws IOException, SQLException {
        var line = refillable();
        tablet.open("/machines/" + line[0] + "/ink");
        tablet.click("[aria-label='Refill " + line[1] + "']");
        tablet.type("#refill-poured", "0,5");
        long before = count("select count(*) from refill");
        tablet.press("It is in");
        tablet.sees("Written down.");
        assertThat(count("select count(*) from refill")).isEqualTo(before + 1);
        picture("undo");
        tablet.press("Undo");
        tablet.until(_ ->
                count("select count(*) from entry e where e.kind = 'strike' and e.contra_of = (select max(entry_id)"
                                        + " from refill)")
                                == 1
                        || count("select count(*) from refill") == before);
        assertThat(tablet.showsNow("Written down.")).isFalse();
    }

    @Test
    void aLongPlanSaysWhatItLeavesUndoneWhileTheMachineIsAway() throws IOException {
        tablet.open("/changeover?machine=6&to=SUBLIMATION&see=when");
        tablet.sees("While it is away");
        picture("away");
    }

    /** A machine, and a channel of it that has room for ink and a bottle on the shelf. */
    @SuppressWarnings("unchecked")
    private static String[] refillable() throws SQLException {
        for (long id = 1; id <= kettle.query("select max(id) from machine"); id++) {
            var page = tablet.fetch("/api/machines/" + id + "/refills");
            if (page.get("why") == null && page.get("lines") instanceof List<?> lines) {
                for (var each : (List<Map<String, Object>>) lines) {
                    if (((Number) each.get("room")).doubleValue() > 1 && !((List<?>) each.get("bottles")).isEmpty()) {
                        return new String[] {"" + id, (String) each.get("channel")};
                    }
                }
            }
        }
        throw new AssertionError("no machine of the demo takes ink");
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
