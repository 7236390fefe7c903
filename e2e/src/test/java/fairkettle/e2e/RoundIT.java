package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.openqa.selenium.By;

/**
 * A morning in December, walked with a phone; then the days before Christmas. One shop lives through it, so its order
 * matters.
 */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class RoundIT {

    /** The Wednesday before the holidays, ten past nine. */
    static final Instant A_MORNING = Instant.parse("2026-12-23T09:10:00Z");

    private static RunningKettle kettle;
    private static Browser phone;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = new RunningKettle(true, A_MORNING);
        phone = new Browser(kettle);
        phone.open("/");
        phone.signAs(1);
    }

    @AfterAll
    static void stop() {
        phone.close();
        kettle.close();
    }

    private static final String DONE =
            "select count(*) from entry where kind in ('upkeep', 'check', 'owed') and at > '2026-12-23T09:09:00Z'";

    private static long count(String sql) {
        try {
            return kettle.query(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Opens the first visit that is no card’s and no case’s, and presses the first of these that it has. */
    private static void inFirstVisit(String... words) {
        phone.until(_ -> phone.script("""
            const visit = [...document.querySelectorAll('.walk li')].find((l) => !l.textContent.includes('Juniper') && !l.textContent.includes('Teasel W1'))
            if (!visit) return false
            if (visit.querySelector('.top').getAttribute('aria-expanded') !== 'true') { visit.querySelector('.top').click(); return false }
            const button = [...visit.querySelectorAll('button')].find((b) => arguments[0].includes(b.textContent.trim()) && !b.disabled)
            if (!button) return false
            button.click()
            return true\
            """, List.of(words)));
    }

    @Test
    @Order(1)
    void aMorningsRoundIsTickedThroughWithASlipAndASurprise() throws SQLException {
        phone.size(390, 844);
        phone.open("/round");
        phone.sees("Wednesday’s round");
        phone.sees("of hands, done by");
        assertThat(phone.overflow()).isLessThanOrEqualTo(0);
        assertThat(phone.accessibilityViolations()).isEmpty();

        // Ticked as one goes.
        phone.press("Everybody’s");
        for (int i = 0; i < 3; i++) {
            var done = kettle.query(DONE);
            inFirstVisit("Done", "All whole");
            phone.until(_ -> count(DONE) > done); // a sheet for several channels is an entry for each
        }
        // A slip: that took 25 min, not what was planned.
        inFirstVisit("Begin");
        phone.sees("it took");
        phone.type(".took input", "25");
        phone.click(".walk li.begun .btn-primary");
        phone.sees("25 min (planned");

        // A surprise: a machine printed early, so its purge is off the list.
        var bramble = kettle.query("select id from machine where name = 'Bramble'");
        phone.press("Something else");
        phone.press("Bramble");
        phone.type("[aria-label=Sheets]", "40");
        phone.press("sheets printed");
        phone.until(d -> d.findElements(By.cssSelector(".modal.show")).isEmpty());
        phone.until(d -> d.findElements(By.cssSelector(".walk li .what")).stream()
                .noneMatch(w -> w.getText().startsWith("Bramble Purge")));
        assertThat(kettle.query("select count(*) from entry where kind = 'print' and at > '2026-12-23T09:09:00Z' and"
                        + " machine_id = "
                        + bramble))
                .isEqualTo(1);
        assertThat(phone.consoleErrors()).isEmpty();
    }

    @Test
    @Order(2)
    void whoHasLittleTimeSeesWhatDoesNotFit() {
        phone.size(1280, 800);
        phone.open("/round");
        phone.press("I have only");
        phone.sees("Who has how long today?");
        for (var name : new String[] {"Alder", "Tansy"}) {
            var row = phone.all(".person").stream()
                    .filter(p -> p.getText().startsWith(name))
                    .findFirst()
                    .orElseThrow();
            row.findElement(By.xpath(".//button[normalize-space(.) = 'Away']")).click();
            phone.until(d -> d.findElements(By.cssSelector(".person")).stream()
                    .anyMatch(p -> p.getText().startsWith(name) && p.getText().contains("not here today")));
        }
        phone.all(".person").stream()
                .filter(p -> p.getText().startsWith("Wren"))
                .findFirst()
                .orElseThrow()
                .findElement(By.xpath(".//button[normalize-space(.) = '20 min']"))
                .click();
        phone.until(d -> d.findElements(By.cssSelector(".person")).stream()
                .anyMatch(p -> p.getText().startsWith("Wren") && p.getText().contains("The shop’s hours")));
        phone.script("document.querySelector('.modal.show .btn-close').click()");
        phone.sees("Does not fit today");
        assertThat(phone.accessibilityViolations()).isEmpty();
        assertThat(phone.overflow()).isLessThanOrEqualTo(0);
    }

    @Test
    @Order(3)
    void aWaitWhistlesAfterTheServerWasKilled() throws Exception {
        phone.open("/round");
        phone.press("+ New wait");
        phone.type("#wait-label", "killed soak");
        phone.press("Put it on");
        phone.until(d -> d.findElements(By.cssSelector(".pot")).stream()
                .anyMatch(p -> p.getText().contains("killed soak")));
        kettle.kill();
        kettle.start();
        kettle.timePasses(Duration.ofMinutes(11));
        phone.open("/round");
        phone.until(d -> d.findElements(By.cssSelector(".pot.ready")).stream()
                .anyMatch(p -> p.getText().contains("killed soak")));
        phone.until(d -> d.getTitle().matches("\\(\\d+\\) .*"));
    }

    @Test
    @Order(4)
    void aHolidayIsPreparedBeforeItBegins() throws Exception {
        phone.open("/round/week");
        phone.sees("closed days after Thursday 24 Dec");
        phone.sees("somebody comes on");
        assertThat(phone.accessibilityViolations()).isEmpty();
        assertThat(phone.overflow()).isLessThanOrEqualTo(0);
        var listed = phone.all(".listed").size();
        phone.press("Put it on the list");
        phone.until(d -> d.findElements(By.cssSelector(".listed")).size() == listed + 1);
        assertThat(kettle.query(
                        "select count(*) from owed where why = 'before the shop closes' and due = '2026-12-24'"))
                .isEqualTo(1);

        kettle.startAt(Instant.parse("2026-12-24T09:05:00Z"));
        phone.open("/round");
        phone.sees("Thursday’s round");
        phone.press("Everybody’s");
        phone.sees("last thing");
        assertThat(phone.find(".walk").getText())
                .as("what was put on the list is walked today")
                .containsAnyOf("last thing before closing", "white last thing", "wet last thing");
    }

    @Test
    @Order(5)
    void aVisitIsPinnedAndTheSheetIsPrinted() throws Exception {
        phone.open("/round");
        phone.press("Everybody’s");
        var key = "document.querySelector('.visit:not(.fixed) .hands')";
        phone.until(d -> phone.script("return " + key + " !== null").equals(true));
        phone.script("""
            const bar = document.querySelectorAll('.visit:not(.fixed) g')[0]
            const at = bar.getBoundingClientRect()
            const fire = (type, x) => bar.dispatchEvent(new PointerEvent(type, { bubbles: true, pointerId: 1, clientX: x, clientY: at.top + 5 }))
            fire('pointerdown', at.left + 3); fire('pointermove', at.left + 303); fire('pointerup', at.left + 303)\
            """);
        phone.sees("pinned");
        assertThat(kettle.query("select count(*) from round_day where body::text like '%pins\": {\"%'"))
                .isEqualTo(1);
    }
}
