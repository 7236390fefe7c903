package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.sql.SQLException;
import java.time.Instant;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** The shelf and the books, from the demo’s life. */
class BooksIT {

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

    @Test
    void whereInkWentIsToldByMonthMachineAndCause() {
        desk.open("/log/ink");
        desk.sees("Month by month");
        desk.sees("printed");
        desk.sees("is there");
        desk.choose("select[aria-label='Drawn by']", "machines");
        desk.sees("Machine by machine");
        desk.click(".title input[type=checkbox]");
        desk.sees("power cleanings");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.open("/log/month");
        desk.sees("sheets for customers");
        desk.sees("tax of 20 %");
        assertThat(desk.accessibilityViolations()).isEmpty();
    }

    @Test
    void aBadBottleIsFollowedToWhateverItReached() throws SQLException {
        long lot = kettle.query("select id from lot where code = 'SUB-4471C'");
        long sorrel = kettle.query("select id from machine where name = 'Sorrel'");
        desk.post(
                "/api/machines/" + sorrel + "/refills",
                "{\"channel\": \"C\", \"lot\": " + lot + ", \"poured\": 5, \"ranDry\": false, \"chipReset\": false}");
        desk.post("/api/machines/" + sorrel + "/printed", "{\"sheets\": 3}");
        long cases = kettle.query("select count(*) from clinic_case where ended_at is null");
        desk.open("/shelf/bottles/" + lot);
        desk.sees("Machines that drank from it");
        desk.sees("Still in ");
        desk.open("/shelf");
        desk.click("button[aria-label='Mark it bad: SUB-4471C']");
        desk.type(".modal.show input", "threads on the needle");
        desk.click(".modal.show .btn-primary");
        desk.sees("Marked bad");
        desk.sees("Sheets that carried it");
        assertThat(kettle.query("select count(*) from clinic_case where ended_at is null"))
                .as("what it reached is looked at")
                .isGreaterThan(cases);
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.click("a[href*='lot=']");
        desk.sees("Only what moved ink of");
    }

    @Test
    void aBottleIsPouredOverAndItsLotStaysWhatItIs() throws SQLException {
        long lot = kettle.query("select id from lot where code = 'SUB-4471M'");
        desk.open("/shelf/bottles/" + lot);
        desk.sees("pouring nozzle");
        desk.press("Poured into another bottle");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.press("It was poured over");
        // the form offers kinds of bottles by the same words: what is kept shows once it is gone
        desk.until(_ -> desk.all("form.weigh").isEmpty());
        desk.sees("keyed valve");
        desk.sees("SUB-4471M");
        assertThat(kettle.query("select count(*) from lot where code = 'SUB-4471M' and bottle_kind = 'KEYED_VALVE'"))
                .isEqualTo(1);
    }

    @Test
    void aPlanSaysHowItsInkIsSoldAndWhoseHandsItReckonsWith() throws SQLException {
        long thistle = kettle.query("select id from machine where name = 'Thistle'");
        long yellow = kettle.query("select id from lot where code = 'SUB-4471Y'");
        desk.post(
                "/api/shelf/lots/" + yellow + "/spoiled",
                "{\"reason\": \"it stood open\"}"); // so some has to be bought
        desk.open("/changeover?machine=" + thistle + "&see=buy");
        desk.sees("The ink as sets: 1 × 4 bottles of 100 mL");
        desk.sees("of new ink clean");
        desk.open("/changeover?machine=" + thistle + "&see=when&hands=PRACTISED");
        desk.sees("hands on 2 h");
        desk.choose("#hands", "FIRST_TIME");
        desk.sees("hands on 4 h");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.open("/shop/prices");
        desk.sees("Ink: film");
        desk.choose("select[aria-label='Ink with prices of its own']", "MAKERS_DYE");
        desk.sees("Ink: maker’s dye");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.type("input[aria-label='Every ink, size 1, mL']", "0");
        desk.press("Keep"); // above the hob, on which a press warms up
        desk.sees("At least 1 mL is in it.");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.type("input[aria-label='Every ink, size 1, mL']", "100");
        desk.press("Keep");
        desk.sees("Kept.");
    }

    @Test
    void anOrderGoesFromTheForecastToTheShelf() throws SQLException {
        long before = kettle.query("select count from supply where what = 'GLOVES'");
        desk.open("/shelf/buying");
        desk.sees("now: it is low");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.click("button[aria-label='It is ordered from Ribbon and Roll']");
        desk.sees("No. 2, Ribbon and Roll");
        desk.script("[...document.querySelectorAll('.purchase')].find((p) => p.textContent.includes('No. 2,'))"
                + ".querySelector('.acts .btn').click()");
        desk.sees("Onto the shelf");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.click("form.came .btn-primary");
        desk.until(d ->
                d.findElements(org.openqa.selenium.By.cssSelector("form.came")).isEmpty());
        assertThat(kettle.query("select count from supply where what = 'GLOVES'"))
                .isGreaterThan(before);
        desk.open("/log");
        desk.sees("order no. 2 has come");
    }

    @Test
    void theLogIsAskedByPersonAndDay() {
        desk.open("/log");
        desk.choose("select[aria-label=Kind]", "check");
        desk.choose("select[aria-label=Person]", "1");
        desk.type("input[aria-label=From]", "21 Dec 2026");
        desk.type("input[aria-label=To]", "22 Dec 2026");
        desk.sees("nozzle check");
        assertThat(desk.find("a[download]").getDomAttribute("href"))
                .contains("kind=check")
                .contains("from=2026-12-21")
                .contains("to=2026-12-22");
        assertThat(desk.accessibilityViolations()).isEmpty();
    }
}
