package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/** The other half of the demo: the machines themselves, which can be spoiled and watched being cured. */
class SimulatedBenchIT {

    private static RunningKettle kettle;
    private static Browser desk;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = new RunningKettle(true);
        desk = new Browser(kettle);
    }

    @AfterAll
    static void stop() {
        desk.close();
        kettle.close();
    }

    private static int silent() {
        var words = desk.find("#machines [aria-pressed=true] small").getText();
        return words.matches("\\d+ silent") ? Integer.parseInt(words.replaceAll("\\D", "")) : 0;
    }

    private static void does(String act, String written) {
        desk.choose("#act", act);
        desk.press("Do it");
        desk.until(d -> d.findElements(By.cssSelector("#happened li")).stream()
                .findFirst()
                .filter(newest -> newest.getText().contains(written))
                .isPresent());
    }

    @Test
    void aMachineIsSpoiledThereAndItsCheckShowsItHere() throws IOException {
        desk.open("/");
        desk.settles();
        var bench = desk.find("a[href^='http://127.0.0.1']").getDomAttribute("href");
        desk.visit(bench + "#sorrel");
        desk.until(_ -> desk.find("#machines [aria-pressed=true] b").getText().equals("Sorrel"));
        desk.press("Make it well");
        desk.until(_ -> silent() == 0);
        desk.choose("#trouble", "SHUT");
        desk.choose("#trouble-channel", "M");
        desk.press("Spoil");
        desk.until(_ -> silent() > 5);
        desk.sees("a dozen nozzles dried shut: M");
        assertThat(desk.accessibilityViolations()).isEmpty();

        // what dried hard is freed by nothing that is done once: a wet cap and the pump in turn
        does("NewPad", "new pad");
        int before = silent();
        for (int i = 0; i < 10 && silent() >= before; i++) {
            does("OvernightSoak", "overnight soak");
            does("Clean", "clean");
        }
        assertThat(silent()).isLessThan(before);
        desk.choose("#act", "Check");
        desk.press("Do it");
        desk.until(d -> d.findElements(By.cssSelector("#page img")).stream()
                .anyMatch(i -> !i.getDomProperty("naturalWidth").equals("0")));

        desk.size(390, 844);
        assertThat(desk.overflow()).isLessThanOrEqualTo(0);
        desk.size(1280, 800);
        assertThat(desk.consoleErrors()).isEmpty();
    }
}
