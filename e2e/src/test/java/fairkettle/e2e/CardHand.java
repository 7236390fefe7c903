package fairkettle.e2e;

import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Duration;
import org.openqa.selenium.By;

/** Hands that carry a card out on the screen: they tap what is asked, as planned. */
final class CardHand {

    private final RunningKettle kettle;
    private final Browser browser;
    private final Path photo;
    private final String codes;

    /** @param codes how the codes of the bottles begin that it fills from */
    CardHand(RunningKettle kettle, Browser browser, Path photo, String codes) {
        this.kettle = kettle;
        this.browser = browser;
        this.photo = photo;
        this.codes = codes;
    }

    /** To a step, with the cells of every step on the way filled at once: the screen shows each, and is tapped on. */
    void quicklyUntil(String card, String until) throws SQLException {
        for (var now = browser.step(); !now.equals(until); now = browser.step()) {
            if (!browser.tapThrough(card, now, codes)) {
                finish(now);
            }
        }
    }

    void until(String step) throws SQLException {
        for (var now = browser.step(); !now.equals(step); now = browser.step()) {
            finish(now);
        }
    }

    /** Fills whatever the step asks, waits out its wait, and taps the main button. */
    void finish(String step) throws SQLException {
        fill();
        waitOut(step);
        fill(); // what is seen only after a wait
        browser.click(".main");
        browser.until(
                d -> !step.equals(d.findElement(By.cssSelector("[data-step]")).getDomAttribute("data-step")));
    }

    private void waitOut(String step) throws SQLException {
        if (!browser.all(".main").isEmpty() && browser.find(".main").getText().startsWith("Start:")) {
            browser.click(".main");
            browser.sees("to go");
            kettle.timePasses(Duration.ofHours(13));
            browser.script("location.reload()");
            browser.atStep(step);
        }
    }

    void fill() {
        if (!browser.all("#words").isEmpty()) {
            browser.type("#words", "as found\t");
        }
        if (!browser.all("#key-code").isEmpty()) {
            browser.type("#key-code", "QM-1-2-" + codes);
            browser.type("#key-serial", "SN-" + codes);
            browser.press("Into the vault");
            browser.sees("•");
        }
        if (!browser.all(".ask .choice .tick").isEmpty()
                && browser.all(".ask .choice .tick.done").isEmpty()) {
            browser.click(".ask .choice .tick");
            browser.until(d ->
                    !d.findElements(By.cssSelector(".ask .choice .tick.done")).isEmpty());
        }
        for (var pattern = 1; pattern <= browser.all(".pattern").size(); pattern++) {
            var row = ".pattern:nth-of-type(%d) ".formatted(pattern);
            browser.click(row + ".square:nth-child(5)");
            browser.until(
                    d -> !d.findElements(By.cssSelector(row + ".square.done")).isEmpty());
        }
        for (int of = 1; of <= browser.all(".each .of").size(); of++) {
            var row = ".each .of:nth-of-type(%d) ".formatted(of);
            if (browser.all(row + ".tick.done").isEmpty()) {
                var own = browser.find(row + ".code").getText();
                var answers = browser.all(row + ".tick").stream()
                        .map(t -> t.getText())
                        .toList();
                boolean wide = own.startsWith("W") && answers.getLast().startsWith("wide"); // lines of white
                int which = wide ? answers.size() - 1 : Math.max(0, answers.indexOf(own)); // a label read is its own
                browser.click(row + ".tick:nth-child(%d)".formatted(which + 1));
                browser.until(
                        d -> !d.findElements(By.cssSelector(row + ".tick.done")).isEmpty());
            }
        }
        for (int part = 0; part < browser.all(".tally .count").size(); part++) {
            var cell = "#part-" + part;
            browser.click(".tally .count:nth-of-type(%d) [aria-label$='one more']".formatted(part + 1));
            browser.until(d ->
                    !d.findElement(By.cssSelector(cell)).getDomProperty("value").isEmpty());
        }
        var tick = ".ask .ticks:not(.choice) .tick:not(.done):not([disabled]), .ask > .tick:not(.done)";
        while (!browser.all(tick).isEmpty()) {
            int before = browser.all(".tick.done").size();
            browser.click(tick);
            browser.until(d -> d.findElements(By.cssSelector(".tick.done")).size() > before);
        }
        var cell = ".ask .cell:not(.done)";
        while (!browser.all(cell).isEmpty()) {
            int before = browser.all(cell).size();
            browser.until(d -> d.findElements(By.cssSelector(".modal")).stream().noneMatch(m -> m.isDisplayed()));
            browser.click(cell + ".now");
            browser.until(d -> d.findElements(By.cssSelector(cell)).size() < before
                    || d.findElements(By.cssSelector(".as-planned, .bottles button, .tools button")).stream()
                            .anyMatch(e -> e.isDisplayed()));
            if (browser.all(".bottles button").stream().anyMatch(e -> e.isDisplayed())) {
                browser.type(".modal.show input", codes);
                browser.click(".bottles button");
                browser.until(d -> d.findElements(By.cssSelector(cell)).size() < before);
            } else if (browser.all(".tools button").stream().anyMatch(e -> e.isDisplayed())) {
                browser.click(".tools li:last-child button"); // a new one
                browser.until(d -> d.findElements(By.cssSelector(cell)).size() < before);
            } else if (browser.all(cell).size() == before) {
                browser.click(".as-planned");
                browser.until(d -> d.findElements(By.cssSelector(cell)).size() < before);
            }
        }
        for (var lot : browser.all(".lot select")) {
            if (lot.getDomProperty("value").isEmpty()) {
                var options = new org.openqa.selenium.support.ui.Select(lot);
                options.selectByIndex(1);
            }
        }
        if (!browser.all(".lot select").isEmpty()) {
            browser.until(d -> d.findElements(By.cssSelector(".lot select")).stream()
                    .allMatch(s -> !s.getDomProperty("value").isEmpty()
                            && s.getDomAttribute("class").contains("is-valid")));
        }
        if (!browser.all(".combs").isEmpty()) {
            browser.press("All whole");
            browser.until(d -> d.findElements(By.cssSelector(".comb-entry")).stream()
                    .allMatch(c -> c.getText().contains("whole\nwhole")));
        }
        if (!browser.all("#count").isEmpty()) {
            var expected = browser.find("label[for=count]").getText().replaceAll("\\D", "");
            while (!expected.equals(browser.find("#count").getDomProperty("value"))) {
                var before = browser.find("#count").getDomProperty("value");
                browser.click("[aria-label$='one more']");
                browser.until(d -> !d.findElement(By.cssSelector("#count"))
                        .getDomProperty("value")
                        .equals(before));
            }
        }
        if (browser.showsNow("No photo on this step yet.")) {
            browser.all(".ask input[type=file]")
                    .getFirst()
                    .sendKeys(photo.toAbsolutePath().toString());
            browser.until(d -> !d.findElements(By.cssSelector(".photos img")).isEmpty());
        }
    }
}
