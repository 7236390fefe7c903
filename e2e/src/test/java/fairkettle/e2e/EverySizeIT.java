package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Instant;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.openqa.selenium.Keys;

/** What is done every day, in a hand, on an upright tablet and at a desk; and all of it without a mouse. */
class EverySizeIT {

    private static final double A_FINGER = 44; // px
    private static final double A_GLOVE = 64; // px: what moves a card on

    @TempDir
    private static Path folder;

    private static RunningKettle kettle;
    private static Browser browser;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = new RunningKettle(true, Instant.parse("2026-12-23T09:10:00Z"));
        browser = new Browser(kettle);
        browser.open("/");
        browser.signAs(1);
    }

    @AfterAll
    static void stop() {
        browser.close();
        kettle.close();
    }

    @ParameterizedTest
    @CsvSource({"390, 844, Fern", "800, 1280, Yarrow", "1280, 800, Sloe"})
    void aDaysWork(int width, int height, String name) throws Exception {
        browser.size(width, height);

        browser.open("/machines/new");
        browser.click("input[value=small-tank]");
        browser.type("#name", name);
        browser.click("input[value=INKED]");
        fits();
        browser.press("Put it on the bench");
        browser.sees("Nobody has looked yet");
        var machine = id(name);

        // its first look: a gap in one channel, the rest whole
        browser.click("[aria-label='Nozzle check of K'] .part");
        browser.click(".stroke");
        browser.press("The rest is whole");
        fits();
        browser.press("Keep this check");
        browser.until(_ -> browser.showsNow("missing") && !browser.showsNow("Keep this check"));

        // a case, opened in a person’s words, says what to do
        browser.press("It is ill");
        browser.press("Gaps in the check");
        browser.press("Open the case");
        browser.sees("What it believes");
        fits();
        browser.press("Its checks");
        browser.sees("1 of ");
        fits();
        browser.press("Tried so far");
        browser.sees("Nothing yet.");

        // a card, moved on with a glove
        browser.open("/changeover?machine=" + machine + "&to=SUBLIMATION");
        browser.press("Make it a card");
        for (int step = 0; step < 3; step++) {
            var at = browser.step();
            assertThat(number("return document.querySelector('.main').getBoundingClientRect().height"))
                    .as("Done, at %s on %d px", at, width)
                    .isGreaterThanOrEqualTo(A_GLOVE);
            fits();
            browser.tapThrough(lastCard(), at, "K");
        }

        // a visit of the round
        browser.open("/round");
        browser.settles();
        if (browser.showsNow("Everybody’s")) {
            browser.press("Everybody’s");
        }
        fits();
        var done = kettle.query(TICKED);
        ticksAVisit(done);

        // a check, read from a picture
        browser.open("/checks/1");
        browser.settles();
        browser.script("document.querySelector('input[aria-label=Camera]').classList.remove('visually-hidden')");
        browser.find("input[aria-label=Camera]")
                .sendKeys(strip(name).toAbsolutePath().toString());
        browser.until(_ -> browser.showsNow("read and filed with Bramble") || browser.showsNow("Not read."));
        fits();

        assertThat(browser.consoleErrors()).isEmpty();
    }

    @Test
    void allOfItByKeyboard() throws SQLException {
        browser.size(1280, 800);
        browser.open("/");
        browser.settles();

        browser.keys("/");
        browser.find("[role=combobox], .modal input");
        browser.keys("add a machine" + Keys.ENTER);
        browser.until(d -> d.getCurrentUrl().endsWith("/machines/new"));
        browser.settles();
        to("input[name=profile]");
        browser.keys(" ");
        to("#name");
        browser.keys("Medlar");
        to("input[name=holds]");
        browser.until(_ -> {
            browser.keys("" + Keys.ARROW_DOWN);
            return browser.script("return document.activeElement.value").equals("INKED");
        });
        to("[type=submit]");
        browser.keys("" + Keys.ENTER);
        browser.sees("Nobody has looked yet");
        var machine = id("Medlar");

        to(".part");
        browser.keys("" + Keys.ENTER);
        to(".stroke");
        browser.keys(" ");
        words("The rest is whole");
        browser.keys(" ");
        words("Keep this check");
        browser.keys("" + Keys.ENTER);
        browser.until(_ -> !browser.showsNow("Keep this check"));

        words("It is ill");
        browser.keys("" + Keys.ENTER);
        browser.sees("In your words");
        words("Gaps in the check");
        browser.keys(" ");
        words("Open the case");
        browser.keys("" + Keys.ENTER);
        browser.sees("What it believes");

        browser.open("/changeover?machine=" + machine + "&to=SUBLIMATION");
        browser.settles();
        words("Make it a card");
        browser.keys("" + Keys.ENTER);
        var first = browser.step();
        browser.fillStep(lastCard(), first, "K");
        to(".main");
        browser.keys("" + Keys.ENTER);
        browser.until(_ -> !browser.step().equals(first));

        browser.open("/round");
        browser.settles();
        var done = kettle.query(TICKED);
        browser.find(".walk .more");
        browser.until(
                _ -> { // the walk is planned anew while one reads it: whoever walks it looks again
                    if (count(TICKED) > done) {
                        return true;
                    }
                    if (tab(MATCHES, ".walk .more button.btn-primary")
                            || tab(MATCHES, ".walk [aria-expanded=false]")) { // a card or a case is gone to, not ticked
                        browser.keys("" + Keys.ENTER);
                    }
                    return null;
                });
    }

    /** A card or a case is gone to and not ticked; and the walk is planned anew while one reads it. */
    private static void ticksAVisit(long done) {
        var again = new AtomicLong(System.nanoTime());
        var visit = new AtomicInteger(1); // the first stands open by itself
        browser.until(_ -> {
            if (count(TICKED) > done) {
                return true;
            }
            if (browser.all(".walk .more button.btn-primary").isEmpty()) {
                browser.click(".walk > li:nth-child(%d) > .top".formatted(visit.incrementAndGet()));
            } else if (System.nanoTime() > again.get()) {
                browser.click(".walk .more button.btn-primary");
                again.set(System.nanoTime() + ANSWERS_WITHIN);
            }
            return null;
        });
    }

    private static final long ANSWERS_WITHIN = 3_000_000_000L; // ns; then it was tapped beside
    private static final String TICKED = "select count(*) from entry where at > '2026-12-23T09:09:00Z'";

    /** Nothing runs off the side, and everything can be met with a finger. */
    private static void fits() {
        assertThat(browser.overflow()).as("px too wide").isLessThanOrEqualTo(0);
        assertThat(number("""
            return Math.min(...[...document.querySelectorAll('main button, main a.btn, main summary')]
              .filter((e) => e.offsetParent && !e.closest('.visually-hidden'))
              .map((e) => e.getBoundingClientRect()).filter((box) => box.width > 2).map((box) => Math.min(box.width, box.height)))\
            """)).as("px of the smallest target").isGreaterThanOrEqualTo(A_FINGER - .5);
    }

    private static final String MATCHES = "document.activeElement.matches(arguments[0])";

    /** Goes on with the tab key until it is there. */
    private static void to(String css) {
        browser.until(_ -> tab(MATCHES, css));
    }

    private static void words(String words) {
        browser.until(_ -> tab("document.activeElement.textContent.trim() === arguments[0]", words));
    }

    /** Once round the page by the tab key; whether it was met. */
    private static boolean tab(String there, String what) {
        for (int i = 0; i < 120; i++) {
            if (Boolean.TRUE.equals(browser.script("return " + there, what))) {
                return true;
            }
            browser.keys("" + Keys.TAB);
        }
        return false;
    }

    private static double number(String js) {
        return ((Number) browser.script(js)).doubleValue();
    }

    private static long id(String name) throws SQLException {
        return kettle.query("select id from machine where name = '" + name + "'");
    }

    private static String lastCard() throws SQLException {
        return "" + kettle.query("select max(id) from card");
    }

    private static long count(String sql) {
        try {
            return kettle.query(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Bramble’s own printed check, as a phone sees it. */
    private static Path strip(String name) throws IOException, InterruptedException {
        try (var http = HttpClient.newHttpClient()) {
            var jobs = http.send(
                            HttpRequest.newBuilder(URI.create(kettle.url("/api/machines/1/print-jobs")))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString())
                    .body();
            var printer = URI.create(jobs.replaceAll("(?s).*\"uri\":\"([^\"]+)\".*", "$1"));
            var tray = URI.create("http://127.0.0.1:" + printer.getPort() + "/tray/bramble/check.jpg");
            return http.send(
                            HttpRequest.newBuilder(tray).build(),
                            HttpResponse.BodyHandlers.ofFile(folder.resolve(name + ".jpg")))
                    .body();
        }
    }
}
