package fairkettle.e2e;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.openqa.selenium.By;
import org.openqa.selenium.JavascriptExecutor;

/** {@code ./kettle shots}: one picture of each main view, from the demo data. */
@EnabledIfSystemProperty(named = "shots", matches = "true")
class ShotsIT {

    private static final Instant MORNING = Instant.parse("2026-12-22T10:10:00Z");
    private static final Path FOLDER = Path.of("../docs/screenshots");

    @Test
    void takePictures() throws IOException, InterruptedException {
        try (var kettle = new RunningKettle(true, MORNING, 91);
                var browser = new Browser(kettle)) {
            browser.open("/");
            browser.signAs(1);
            take(browser, "/", "bench");
            take(browser, "/changeover?machine=6&to=SUBLIMATION", "changeover");
            take(browser, "/cards/1", "card");
            take(browser, "/machines/1", "machine");
            take(browser, "/round", "round");
            take(browser, "/round/week", "week");
            checks(browser);
            take(browser, "/clinic/5", "case");
            take(browser, "/practice", "practice");
            rehearsal(browser);
            take(browser, "/sums/ways", "ways");
            take(browser, "/jobs/2", "job");
            take(browser, "/shop", "shop");
            take(browser, "/log/ink", "ink");
            take(browser, "/shelf/buying", "buying");
            simulatedBench(browser);
            browser.evening(true);
            browser.size(800, 1280);
            take(browser, "/cards/1", "card-evening");
            browser.evening(false);
            browser.size(390, 844);
            take(browser, "/cards/1", "card-phone");
        }
        try (var empty = new RunningKettle(false);
                var browser = new Browser(empty)) {
            take(browser, "/", "first-start");
        }
    }

    /** At its first question, after a wrong answer. */
    private static void rehearsal(Browser browser) throws IOException {
        browser.open("/practice/rehearsal/6?to=SUBLIMATION");
        browser.press("Screws out, cover off");
        browser.sees("Somebody gets hurt");
        browser.picture(FOLDER.resolve("rehearsal.png"));
    }

    /** A machine that was spoiled, and is being cured. */
    private static void simulatedBench(Browser browser) throws IOException {
        browser.open("/");
        browser.settles();
        browser.visit(browser.find("a[href^='http://127.0.0.1']").getDomAttribute("href") + "#bramble");
        for (var act : List.of("Check", "Soak", "Clean", "Check")) {
            browser.choose("#act", act);
            browser.press("Do it");
            browser.sees(act.equals("Soak") ? "soak on a damp cloth" : "Bramble: ");
        }
        browser.until(d -> !d.findElements(By.cssSelector("#happened li")).isEmpty()
                && d.findElements(By.cssSelector("#page img")).stream()
                        .anyMatch(i -> !i.getDomProperty("naturalWidth").equals("0")));
        browser.picture(FOLDER.resolve("simulated-bench.png"));
    }

    /** Prints the reading frame on a simulated machine and sends its picture, as a person would. */
    private static void checks(Browser browser) throws IOException, InterruptedException {
        browser.open("/checks/1");
        browser.press("reading frame");
        browser.until(
                d -> d.findElement(By.cssSelector("#sheets .lines")).getText().contains("printed"));
        var address = (String)
                browser.script("return document.querySelector('input[aria-label=\"Address of its printer\"]').value");
        var picture = Files.createTempFile("bramble", ".jpg");
        try (var http = HttpClient.newHttpClient()) {
            http.send(
                    HttpRequest.newBuilder(URI.create(
                                    "http://127.0.0.1:" + URI.create(address).getPort() + "/tray/bramble/check.jpg"))
                            .build(),
                    HttpResponse.BodyHandlers.ofFile(picture));
        }
        browser.script("document.querySelector('input[aria-label=Pictures]').classList.remove('visually-hidden')");
        browser.find("input[aria-label=Pictures]").sendKeys(picture.toString());
        browser.sees("Sure of");
        take(browser, "/checks/1", "checks");
    }

    private static void take(Browser browser, String path, String name) throws IOException {
        browser.open(path);
        browser.settles();
        browser.until(d -> ((JavascriptExecutor) d)
                .executeScript("return document.fonts.status")
                .equals("loaded"));
        browser.picture(FOLDER.resolve(name + ".png"));
    }
}
