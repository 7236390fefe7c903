package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/**
 * Every main view at the sizes it is used at: nothing runs off the side, jumps, is too small to tap or goes on for
 * ever.
 */
class ViewsIT {

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

    @Test
    void onAPhone() {
        assertThat(faults(390, 844, 4)).isEmpty();
    }

    @Test
    void onAnUprightTablet() {
        assertThat(faults(800, 1280, 4)).isEmpty();
    }

    @Test
    void atADesk() {
        assertThat(faults(1280, 800, 5)).isEmpty();
    }

    @Test
    void forEverybodyInTheEvening() { // by day every flow looks at its own
        browser.size(1280, 800);
        browser.evening(true);
        browser.open("/");
        var violations = new ArrayList<String>();
        Views.ALL.forEach((name, path) -> {
            new Views(browser).go(path);
            browser.accessibilityViolations().forEach(v -> violations.add(name + ": " + v));
        });
        browser.evening(false);
        assertThat(violations).isEmpty();
    }

    private static List<String> faults(int width, int height, double screens) {
        browser.size(width, height);
        browser.open("/");
        browser.settles();
        var views = new Views(browser);
        var faults = new ArrayList<String>();
        Views.ALL.forEach((name, path) -> faults.addAll(views.faults(name, views.go(path), screens)));
        return faults;
    }
}
