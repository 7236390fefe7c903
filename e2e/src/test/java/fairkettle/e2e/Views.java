package fairkettle.e2e;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The main views, and what a browser says of each: how long it takes, how long it is, what moves and what is too small.
 */
final class Views {

    /** Where each is, by its name. */
    static final Map<String, String> ALL = all();

    /** The same views with something else to tell. */
    static final List<String> MORE = List.of(
            "/machines/2",
            "/machines/2/checks",
            "/machines/2/ink",
            "/machines/2/papers",
            "/machines/8",
            "/changeover",
            "/changeover?machine=5&to=MAKERS_PIGMENT",
            "/changeover?machine=3&to=FILM",
            "/changeover?machine=8&for=PARK",
            "/clinic/2",
            "/practice/questions/FEEL",
            "/practice/questions/PORTS",
            "/practice/order/soak");

    private static Map<String, String> all() {
        var all = new LinkedHashMap<String, String>();
        all.put("bench", "/");
        all.put("machine", "/machines/1");
        all.put("ink of a machine", "/machines/1/ink");
        all.put("upkeep of a machine", "/machines/1/upkeep");
        all.put("checks of a machine", "/machines/1/checks");
        all.put("papers of a machine", "/machines/1/papers");
        all.put("past of a machine", "/machines/1/past");
        all.put("new machine", "/machines/new");
        all.put("changeover", "/changeover?machine=6&to=SUBLIMATION");
        all.put("card", "/cards/1");
        all.put("round", "/round");
        all.put("week", "/round/week");
        all.put("checks", "/checks/1");
        all.put("clinic", "/clinic");
        all.put("case", "/clinic/1");
        all.put("checks of a case", "/clinic/1/checks");
        all.put("tried in a case", "/clinic/1/tried");
        all.put("practice", "/practice");
        all.put("shelf", "/shelf");
        all.put("parts", "/shelf/parts");
        all.put("tools", "/shelf/tools");
        all.put("waste", "/shelf/waste");
        all.put("buying", "/shelf/buying");
        all.put("suppliers", "/shelf/suppliers");
        all.put("labels", "/shelf/labels?machine=1");
        all.put("log", "/log");
        all.put("ink", "/log/ink");
        all.put("bottle", "/shelf/bottles/1");
        all.put("month", "/log/month");
        all.put("fare", "/log/fare");
        all.put("messages", "/clinic/messages");
        all.put("pages", "/checks/3/pages");
        all.put("ways", "/sums/ways");
        all.put("jobs", "/jobs");
        all.put("new job", "/jobs/new");
        all.put("job", "/jobs/2");
        all.put("printing of a job", "/jobs/4/print");
        all.put("pressing of a job", "/jobs/1/press");
        all.put("what came of a job", "/jobs/1/came");
        all.put("burden", "/log/burden");
        all.put("sums", "/sums");
        all.put("shop", "/shop");
        all.put("ways of the shop", "/shop/ways");
        all.put("prices", "/shop/prices");
        all.put("people and keys", "/shop/people");
        all.put("from files", "/shop/bring-in");
        all.put("backups", "/shop/backups");
        return all;
    }

    /**
     * @param milliseconds from the tap that asks for it to its painted content, by the browser's own clock
     * @param screens its height in screens
     * @param aside pixels by which it is wider than the screen
     * @param shift of what was shown before, while data arrived (the browser's layout-shift score)
     * @param target the smaller side of its smallest target in pixels, of those that do not stand in a line of text
     */
    record Seen(double milliseconds, double screens, long aside, double shift, double target) {}

    private final Browser browser;

    Views(Browser browser) {
        this.browser = browser;
    }

    /** From another page of the front end to this one, as a tap on a link goes. */
    Seen go(String path) {
        var said = browser.later(GO, path);
        if (said.get("failed") != null) {
            throw new AssertionError(path + ": " + said.get("failed"));
        }
        return new Seen(
                number(said, "ms"),
                number(said, "screens"),
                Math.round(number(said, "aside")),
                number(said, "shift"),
                number(said, "target"));
    }

    private static double number(Map<String, Object> said, String name) {
        return ((Number) said.get(name)).doubleValue();
    }

    /** What is wrong with a view on a screen of this size, in words; empty if nothing is. */
    List<String> faults(String name, Seen seen, double most) {
        var faults = new ArrayList<String>();
        if (seen.aside() > 0) {
            faults.add("%s is %d px too wide".formatted(name, seen.aside()));
        }
        if (seen.screens() > most) {
            faults.add("%s is %.1f screens long".formatted(name, seen.screens()));
        }
        if (seen.shift() > 0.05) {
            faults.add("%s jumps by %.3f".formatted(name, seen.shift()));
        }
        if (seen.target() < 24) {
            faults.add("%s has a target of %.0f px".formatted(name, seen.target()));
        }
        return faults;
    }

    private static final String GO = """
        const [path, done] = arguments
        const pause = (ms) => new Promise((go) => setTimeout(go, ms))
        const frame = () => new Promise((go) => requestAnimationFrame(() => setTimeout(go, 0)))
        const to = (where) => { history.pushState({}, '', where); dispatchEvent(new PopStateEvent('popstate', { state: {} })) }
        const settled = () => document.querySelector('main h1, main h2') && !document.querySelector('main .loading, .arriving')
        const shown = async (before) => {
          for (let tries = 0; tries < 4000; tries++) {
            const now = document.querySelector('main')?.firstElementChild
            if (now && now !== before && settled()) return
            await pause(5)
          }
          throw new Error('it never settles: ' + document.body.innerText)
        }
        const run = async () => {
          let before = document.querySelector('main').firstElementChild
          to('/nowhere')
          await shown(before)
          await frame()
          before = document.querySelector('main').firstElementChild
          let shift = 0
          const watch = new PerformanceObserver((list) => {
            for (const entry of list.getEntries()) if (!entry.hadRecentInput && entry.startTime >= began) shift += entry.value
          })
          const began = performance.now()
          watch.observe({ type: 'layout-shift', buffered: false })
          to(path)
          await shown(before)
          await frame()
          const ms = performance.now() - began
          await pause(400)
          for (const entry of watch.takeRecords()) if (!entry.hadRecentInput && entry.startTime >= began) shift += entry.value
          watch.disconnect()
          let target = 999
          for (const e of document.querySelectorAll('main button, main a.btn, main input:not([type=hidden]):not([type=radio]):not([type=checkbox]):not([type=file]), main select, main summary')) {
            const box = e.getBoundingClientRect()
            if (e.offsetParent && box.width > 2 && !e.closest('.visually-hidden')) target = Math.min(target, box.width, box.height)
          }
          const page = document.documentElement
          return { ms, shift, target, screens: page.scrollHeight / innerHeight, aside: page.scrollWidth - innerWidth }
        }
        run().then(done).catch((e) => done({ failed: String(e) }))\
        """;
}
