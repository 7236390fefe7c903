package fairkettle.e2e;

import java.io.IOException;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** {@code ./kettle shots}: one picture of each main view, from the demo data. */
@EnabledIfSystemProperty(named = "shots", matches = "true")
class ShotsIT {

    private static final Path FOLDER = Path.of("../docs/screenshots");

    @Test
    void takePictures() throws IOException, InterruptedException {
        try (var kettle = new RunningKettle(true); var browser = new Browser(kettle)) {
            browser.open("/");
            browser.signAs(1);
            take(browser, "/", "bench");
            take(browser, "/changeover?machine=6&to=SUBLIMATION", "changeover");
            take(browser, "/changeover?machine=3&to=FILM", "rebuild");
            take(browser, "/changeover?machine=1&to=EDIBLE", "refused");
            take(browser, "/cards/1", "card");
            take(browser, "/machines/1", "machine");
            take(browser, "/machines/new", "new-machine");
            take(browser, "/shelf", "shelf");
            take(browser, "/log", "log");
            take(browser, "/shop", "shop");
            take(browser, "/sums", "sums");
            browser.evening(true);
            browser.size(800, 1280);
            take(browser, "/cards/1", "card-evening");
            browser.evening(false);
            browser.size(390, 844);
            take(browser, "/cards/1", "card-phone");
        }
        try (var empty = new RunningKettle(false); var browser = new Browser(empty)) {
            take(browser, "/", "first-start");
        }
    }

    private static void take(Browser browser, String path, String name) throws IOException {
        browser.open(path);
        browser.settles();
        browser.until(d -> ((org.openqa.selenium.JavascriptExecutor) d).executeScript("return document.fonts.status").equals("loaded"));
        browser.picture(FOLDER.resolve(name + ".png"));
    }
}
