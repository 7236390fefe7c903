package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
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
        var faults = faults(390, 844, 4);
        Views.MORE.stream()
                .filter(path -> new Views(browser).go(path).aside() > 0)
                .forEach(path -> faults.add(path + " is wider than the screen"));
        assertThat(faults).isEmpty();
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
    void forEverybodyInBothLights() {
        browser.size(1280, 800);
        browser.open("/nowhere");
        browser.settles();
        assertThat(browser.accessibilityViolations()).isEmpty();
        browser.open("/");
        browser.settles();
        var views = new Views(browser);
        var faults = new ArrayList<String>();
        Stream.concat(Views.ALL.values().stream(), Views.MORE.stream()).forEach(path -> {
            if (views.go(path).aside() > 0) {
                faults.add(path + " is wider than the screen");
            }
            for (var light : List.of("day", "evening")) {
                browser.light(light);
                browser.accessibilityViolations().forEach(v -> faults.add(path + " by " + light + ": " + v));
            }
        });
        assertThat(faults).isEmpty();
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
