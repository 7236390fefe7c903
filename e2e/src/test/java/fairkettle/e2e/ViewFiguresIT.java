package fairkettle.e2e;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * {@code ./kettle measure views}: every main view of a shop of sixty machines with a year of log, in the real browser.
 */
@EnabledIfSystemProperty(named = "views", matches = "true")
class ViewFiguresIT {

    private static final Instant MORNING = Instant.parse("2026-12-22T10:10:00Z");
    private static final int A_YEAR = 365;
    private static final int MACHINES = 60;
    private static final int OF_THE_DEMO = 9;
    private static final int TIMES = 20; // that each view is gone to

    private static final class Figures {
        final List<Double> milliseconds = new ArrayList<>();
        double shift;
        double target = Double.MAX_VALUE;
        double desk;
        double phone;
        int violations;
    }

    @Test
    void measure() throws IOException, InterruptedException {
        try (var kettle = new RunningKettle(true, MORNING, A_YEAR);
                var browser = new Browser(kettle)) {
            browser.open("/");
            browser.signAs(1);
            for (int i = OF_THE_DEMO; i < MACHINES; i++) {
                browser.post("/api/machines", """
                    {"name": "Bench plant %d", "bench": "Bench %d", "profile": "small-tank", "holds": "INKED", "family": "SUBLIMATION",
                     "make": "own", "foodOnly": false, "tankShare": 0.7}\
                    """.formatted(i, i / 6));
            }
            var figures = new java.util.LinkedHashMap<String, Figures>();
            Views.ALL.keySet().forEach(name -> figures.put(name, new Figures()));
            double kb = firstPage(browser);
            go(browser, 390, 844, figures, (seen, f) -> f.phone = seen.screens());
            go(browser, 1280, 800, figures, (seen, f) -> f.desk = seen.screens()); // warm by now
            for (int time = 0; time < TIMES; time++) {
                go(browser, 1280, 800, figures, (seen, f) -> f.milliseconds.add(seen.milliseconds()));
            }
            Views.ALL.forEach((name, path) -> {
                new Views(browser).go(path);
                for (var light : List.of("day", "evening")) {
                    browser.light(light);
                    figures.get(name).violations +=
                            browser.accessibilityViolations().size();
                }
            });
            figures.forEach(ViewFiguresIT::tell);
            tellAll(figures, kb);
        }
    }

    private interface Noted {
        void note(Views.Seen seen, Figures figures);
    }

    private static void go(Browser browser, int width, int height, Map<String, Figures> figures, Noted noted) {
        browser.size(width, height);
        browser.open("/");
        browser.settles();
        Views.ALL.forEach((name, path) -> {
            var seen = new Views(browser).go(path);
            var f = figures.get(name);
            f.shift = Math.max(f.shift, seen.shift());
            f.target = Math.min(f.target, seen.target());
            noted.note(seen, f);
        });
    }

    /** Everything that the first page brings over the wire, in kB; not what is fetched ahead of other pages. */
    private static double firstPage(Browser browser) {
        browser.forgets();
        browser.open("/");
        browser.settles();
        return ((Number) browser.script("""
            const ahead = performance.getEntriesByName('ahead')[0]?.startTime ?? Infinity
            return [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')]
              .filter((e) => e.startTime < ahead || e.initiatorType === 'fetch')
              .reduce((sum, e) => sum + e.transferSize, 0) / 1000\
            """)).doubleValue();
    }

    private static double worst(List<Double> milliseconds) {
        milliseconds.sort(null);
        return milliseconds.get((int) Math.ceil(.95 * milliseconds.size()) - 1);
    }

    private static void tell(String name, Figures f) {
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"views\",\"view\":\"%s\",\"ms_p50\":%.0f,\"ms_p95\":%.0f,\"layout_shift\":%.3f,\"screens_1280\":%.1f,\"screens_390\":%.1f,\"target_px\":%.0f,\"axe\":%d}%n",
                name,
                f.milliseconds.stream().sorted().toList().get(TIMES / 2),
                worst(f.milliseconds),
                f.shift,
                f.desk,
                f.phone,
                f.target,
                f.violations);
    }

    private static void tellAll(Map<String, Figures> figures, double kb) {
        var all = new ArrayList<Double>();
        figures.values().forEach(f -> all.addAll(f.milliseconds));
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"views\",\"view\":\"all\",\"machines\":%d,\"days\":%d,\"ms_p95\":%.0f,\"kb\":%.0f,\"layout_shift\":%.3f,\"axe\":%d}%n",
                MACHINES,
                A_YEAR,
                worst(all),
                kb,
                figures.values().stream().mapToDouble(f -> f.shift).max().orElse(0),
                figures.values().stream().mapToInt(f -> f.violations).sum());
    }
}
