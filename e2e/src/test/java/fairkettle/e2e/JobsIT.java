package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.sql.SQLException;
import java.time.Instant;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Three jobs from the order to the statement, one that is refused, and one whose fault opens a case. */
class JobsIT {

    private static RunningKettle kettle;
    private static Browser desk;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = new RunningKettle(true, Instant.parse("2026-12-23T09:10:00Z"));
        desk = new Browser(kettle);
        desk.open("/");
        desk.signAs(1);
    }

    @AfterAll
    static void stop() {
        desk.close();
        kettle.close();
    }

    /** On whichever machine is the best for it, with the reason where nobody looked at it today. */
    private static void print(long job) {
        desk.open("/jobs/" + job);
        desk.sees("Which machine");
        if (desk.all(".ranked .chosen").isEmpty()) {
            desk.click(".ranked .btn-primary");
            desk.sees("chosen");
        }
        desk.open("/jobs/" + job + "/print");
        desk.sees("Will the ink last?");
        assertThat(desk.accessibilityViolations()).isEmpty();
        if (!desk.all(".why input").isEmpty()) {
            desk.type(".why input", "the customer waits");
        }
        if (!desk.all(".halves .form-check-input").isEmpty()) {
            desk.click(".halves .form-check-input");
        }
        boolean sends = !desk.all(".row-form .btn-primary").isEmpty()
                && desk.find(".row-form .btn-primary").getText().startsWith("Print");
        desk.click(".row-form .btn-primary");
        if (!sends) {
            desk.press("It came out");
        }
        desk.sees("it came out");
    }

    private static void close(long job) throws SQLException {
        desk.open("/jobs/" + job + "/came");
        desk.press("The job is done");
        desk.sees("It cost");
        assertThat(kettle.query("select count(*) from job where id = %d and state = 'CLOSED'".formatted(job)))
                .isEqualTo(1);
    }

    @Test
    void rosettesGoFromTheOrderBookToTheStatement() throws SQLException {
        long job = kettle.query("select id from job where customer = 'Marsh Lane Pony Club'");
        desk.open("/jobs");
        desk.sees("Marsh Lane Pony Club");
        desk.sees("no machine yet");
        assertThat(desk.accessibilityViolations()).isEmpty();
        print(job);
        assertThat(kettle.query("select count(*) from entry where kind = 'print' and words like '%%job no. %d %%'"
                        .formatted(job)))
                .isEqualTo(1);
        desk.open("/jobs/" + job + "/press");
        desk.sees("190 °C");
        desk.press("Done");
        desk.press("Start the clock");
        desk.sees("press it, 190 °C");
        desk.press("Done");
        assertThat(desk.accessibilityViolations()).isEmpty();
        close(job);
        desk.open("/jobs?words=pony");
        desk.sees("As a table (CSV)");
        assertThat(desk.script("const a = await fetch('/api/jobs/statement.csv?words=pony'); return await a.text()")
                        .toString())
                .contains("Marsh Lane Pony Club")
                .doesNotContain("Low Meadow");
    }

    @Test
    void clubKitOnFilmIsNotDoneWithoutCure() throws SQLException {
        long job = kettle.query("select id from job where what = 'club kit'");
        print(job);
        desk.open("/jobs/" + job + "/press");
        desk.sees("Powder the wet side");
        if (desk.find(".line").getText().contains("Cut the printed film off")) {
            desk.press("Done");
        }
        desk.all(".line .check input").forEach(tick -> tick.click());
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.press("Done");
        desk.sees("Cure the powder");
        desk.open("/jobs/" + job + "/came");
        desk.press("The job is done");
        desk.sees("“Cure the powder” and “Press it” are not done");
        desk.open("/jobs/" + job + "/press");
        for (int step = 0; step < 3; step++) {
            desk.press("Done");
        }
        while (Boolean.TRUE.equals(desk.script("return [...document.querySelectorAll('section .btn-primary')]"
                + ".some((b) => b.innerText.trim().endsWith('looks well'))"))) {
            desk.click("section .btn-primary");
        }
        close(job);
    }

    @Test
    void biscuitToppersFindAFaultThatOpensACase() throws SQLException {
        long job = kettle.query("select id from job where what = 'biscuit toppers'");
        print(job);
        desk.open("/jobs/" + job + "/came");
        desk.press("Something is wrong with a print");
        desk.choose(".thin select", "SMEAR");
        desk.sees("a thread hangs under the head");
        desk.choose(".thin select", "WHITE_LINES");
        desk.type(".thin input", "through the petals");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.press("Ask the clinic");
        desk.sees("its case");
        assertThat(kettle.query("select count(*) from clinic_case where ended_at is null and words like 'job no. " + job
                        + ": fine white lines%'"))
                .isEqualTo(1);
        desk.open("/jobs/" + job + "/press");
        desk.press("Done");
        close(job);
    }

    @Test
    void whatCannotBeDoneIsRefusedWithItsReasonBeforeItIsTaken() throws SQLException {
        desk.open("/jobs/new");
        desk.sees("Who could print it");
        desk.type(".order .grid label:nth-child(1) input", "Harbour Choir");
        desk.type(".order .grid label:nth-child(2) input", "scarves");
        desk.type(".order .grid label:nth-child(3) input", "29 Dec");
        desk.choose(".order .grid label:nth-child(6) select", "COTTON");
        desk.sees("washes out");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.press("Write down that it was refused");
        desk.until(d -> !d.getCurrentUrl().endsWith("/jobs/new"));
        desk.sees("Harbour Choir");
        assertThat(kettle.query("select count(*) from job where what = 'scarves' and state = 'REFUSED'"))
                .isEqualTo(1);
    }
}
