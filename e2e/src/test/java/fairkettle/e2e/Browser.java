package fairkettle.e2e;

import com.deque.html.axecore.selenium.AxeBuilder;
import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.openqa.selenium.By;
import org.openqa.selenium.ElementClickInterceptedException;
import org.openqa.selenium.JavascriptExecutor;
import org.openqa.selenium.OutputType;
import org.openqa.selenium.StaleElementReferenceException;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.chrome.ChromeDriver;
import org.openqa.selenium.chrome.ChromeDriverService;
import org.openqa.selenium.chrome.ChromeOptions;
import org.openqa.selenium.interactions.Actions;
import org.openqa.selenium.support.ui.ExpectedCondition;
import org.openqa.selenium.support.ui.WebDriverWait;

/** A person's browser: it clicks what it reads, and waits for what it expects to see. */
final class Browser implements AutoCloseable {

    private static final Duration PATIENCE = Duration.ofSeconds(40);

    private final RunningKettle kettle;
    private final ChromeDriver chrome;

    Browser(RunningKettle kettle) throws IOException {
        this.kettle = kettle;
        var options = new ChromeOptions();
        options.setBinary("/usr/bin/chromium");
        options.addArguments(
                "--headless=new",
                "--no-sandbox",
                "--disable-gpu",
                "--disable-quic",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync",
                "--disable-dev-shm-usage",
                "--hide-scrollbars",
                "--force-prefers-reduced-motion",
                "--user-data-dir=" + Files.createTempDirectory("kettle-chrome-"),
                "--force-device-scale-factor=1");
        chrome = new ChromeDriver(
                new ChromeDriverService.Builder()
                        .usingDriverExecutable(new File("/usr/bin/chromedriver"))
                        .build(),
                options);
        size(1280, 800);
        chrome.manage().timeouts().scriptTimeout(Duration.ofSeconds(120));
    }

    void size(int width, int height) {
        chrome.executeCdpCommand(
                "Emulation.setDeviceMetricsOverride",
                Map.of("width", width, "height", height, "deviceScaleFactor", 1, "mobile", false));
    }

    /** What was fetched before is fetched again. */
    void forgets() {
        chrome.executeCdpCommand("Network.clearBrowserCache", Map.of());
    }

    void open(String path) {
        chrome.get(kettle.url(path));
    }

    /** A page of another server. */
    void visit(String url) {
        chrome.get(url);
    }

    /** From the next page on that is opened. */
    void evening(boolean on) {
        script("localStorage.setItem('kettle.theme', arguments[0])", on ? "evening" : "day");
    }

    /** The evening's or the day's, on what is shown now. */
    void light(String theme) {
        script(
                "const [theme, bs] = arguments; Object.assign(document.documentElement.dataset, { theme, bsTheme: bs"
                        + " })",
                theme,
                theme.equals("evening") ? "dark" : "light");
    }

    /** Picks the first person of the demo shop on this device. */
    void signAs(long person) {
        script("localStorage.setItem('kettle.person', String(arguments[0]))", person);
    }

    Object script(String js, Object... arguments) {
        return ((JavascriptExecutor) chrome).executeScript(js, arguments);
    }

    /** What a script says once it is through. */
    @SuppressWarnings("unchecked")
    Map<String, Object> later(String js, Object... arguments) {
        return (Map<String, Object>) chrome.executeAsyncScript(js, arguments);
    }

    /** Says something to the server from within the page, as the front end does. @return the answer, read */
    @SuppressWarnings("unchecked")
    Map<String, Object> post(String path, String body) {
        var answer = chrome.executeAsyncScript("""
            const done = arguments[2], token = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? ''
            const key = [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, '0')).join('')
            fetch(arguments[0], { method: 'POST', body: arguments[1], headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(token), 'Idempotency-Key': key,
              'Kettle-Person': '1' } }).then((r) => r.json()).then((j) => done(Array.isArray(j) ? { list: j } : j)).catch((e) => done({ failed: String(e) }))\
            """, path, body);
        return (Map<String, Object>) answer;
    }

    /** What the server says, asked from within the page. */
    @SuppressWarnings("unchecked")
    Map<String, Object> fetch(String path) {
        return (Map<String, Object>) chrome.executeAsyncScript(
                "const done = arguments[1]; fetch(arguments[0]).then((r) => r.json()).then(done).catch((e) => done({"
                        + " failed: String(e) }))",
                path);
    }

    /** Enters every cell that a card's step has, as planned. */
    void fillStep(String card, String step, String codes) {
        carryOut(card, step, codes, false);
    }

    /**
     * The same, and taps its main button once the screen lets it be tapped.
     *
     * @return false if the step wants a photo or a wait, and hands have to see to it
     */
    boolean tapThrough(String card, String step, String codes) {
        return carryOut(card, step, codes, true);
    }

    private boolean carryOut(String card, String step, String codes, boolean on) {
        var went = chrome.executeAsyncScript(FILL, card, step, codes, on);
        if (went instanceof String failed) {
            throw new AssertionError("at " + step + ": " + failed + "\nwhile the server was at:\n" + kettle.doing());
        }
        return Boolean.TRUE.equals(went);
    }

    private static final String FILL = """
        const [card, id, codes, on, done] = arguments, token = decodeURIComponent(/(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1] ?? '')
        const key = () => [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, '0')).join('')
        const send = async (path, method, body) => {
          const r = await fetch(path, { method, body: JSON.stringify(body), headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token, 'Idempotency-Key': key(), 'Kettle-Person': '1' } })
          if (!r.ok) throw new Error(path + ' ' + JSON.stringify(body) + ': ' + (await r.text()))
        }
        const shown = () => document.querySelector('[data-step]')?.getAttribute('data-step')
        const main = () => [...document.querySelectorAll('.main')].find((b) => b.offsetParent && !b.disabled)
        const until = async (what, ready) => {
          for (let tries = 0; tries < 1500; tries++) {
            const found = ready()
            if (found) return found
            await new Promise((go) => setTimeout(go, 20))
          }
          throw new Error(what + ', with ' + document.body.innerText)
        }
        const run = async () => {
          if (on && document.body.innerText.includes('No photo on this step yet.')) return false
          const all = await (await fetch('/api/cards/' + card)).json()
          const step = all.steps.find((s) => s.id === id), ask = step.ask
          const cells = {}, enter = (cell, value) => { if (!step.entries[cell]) cells[cell] = String(value) }
          const bottle = (c) => all.bottles.find((b) => b.channel === c && b.label.startsWith(codes))?.id
          if (ask.kind === 'Ticks') for (let i = 0; i < ask.items.length; i++) await enter('item/' + i, 'yes')
          if (ask.kind === 'Each') for (let i = 0; i < ask.items.length; i++) await enter('each/' + i, String(ask.items) === String(ask.answers) ? ask.items[i] : ask.items[i].startsWith('W') && ask.answers.at(-1).startsWith('wide') ? ask.answers.at(-1) : ask.answers[0])
          if (ask.kind === 'Tally') for (let i = 0; i < ask.items.length; i++) await enter('part/' + i, '2')
          if (ask.kind === 'InOrder') for (const c of ask.channels) await enter(c, 'yes')
          if (ask.kind === 'Picks') for (let i = 0; i < ask.items.length; i++) await enter('pick/' + i, '5')
          if (ask.kind === 'Acknowledge') await enter('agreed', 'yes')
          if (ask.kind === 'Count') await enter('count', ask.expected)
          if (ask.kind === 'Words') await enter('words', 'as found')
          if (ask.kind === 'Choice') await enter('choice', ask.items[0])
          if (ask.kind === 'Lots') for (const c of ask.channels) await enter(c, bottle(c))
          if (ask.kind === 'Comb') for (const c of ask.channels) await enter(c, 'none')
          if (ask.kind === 'KeyStored') await send('/api/machines/' + all.machine + '/activation-code', 'PUT', { code: 'QM-1-2-' + all.machine, origin: 'a made-up seller', serial: 'SN-' + all.machine })
          if (ask.kind === 'Grid') for (let i = 0; i < ask.columns.length; i++) for (let r = 0; r < ask.channels.length; r++) {
            const column = ask.columns[i], c = ask.channels[r]
            if (column.kind === 'VOLUME') { if (column.expected[r] > 0) await enter(c + '/' + i, column.expected[r]) }
            else await enter(c + '/' + i, column.kind === 'CODE' ? bottle(c) : 'yes')
          }
          if (Object.keys(cells).length) await send('/api/cards/' + card + '/enter-all', 'POST', { step: id, cells })
          if (!on) return true
          const button = await until('no button to tap', main)
          if (button.innerText.startsWith('Start:')) {
            // whoever goes on by hand looks at what is shown: what was entered has to be there
            const open = '.ask .cell:not(.done), .ask .ticks:not(.choice) .tick:not(.done), .ask > .tick:not(.done)'
            for (let tries = 0; tries < 150 && document.querySelector(open); tries++) await new Promise((go) => setTimeout(go, 20))
            return false
          }
          button.click()
          await until('the step stays', () => shown() !== id)
          return true
        }
        run().then(done).catch((e) => done(String(e)))\
        """;

    <T> T until(ExpectedCondition<T> condition) {
        return new WebDriverWait(chrome, PATIENCE, Duration.ofMillis(40))
                .ignoring(StaleElementReferenceException.class)
                .withMessage(() -> "at " + chrome.getCurrentUrl() + " with:\n"
                        + text()
                        + "\nwhile the server was at:\n" + kettle.doing())
                .until(condition);
    }

    void sees(String text) {
        until(_ -> showsNow(text));
    }

    /** The view has a heading, and nothing on it is still being fetched. */
    void settles() {
        until(d -> d.findElements(By.cssSelector("main .loading, .arriving")).isEmpty()
                && !d.findElements(By.cssSelector("main h1, main h2")).isEmpty());
    }

    /** All that is shown, as the browser itself tells it: a fraction of the work of asking for an element's text. */
    private String text() {
        return (String) script("return document.body.innerText");
    }

    boolean showsNow(String text) {
        return text().contains(text);
    }

    WebElement find(String css) {
        return until(_ -> firstShown(css));
    }

    /**
     * In the order of the page. Asked of the page at once: one that is being shown while its parts are looked at one by
     * one would have its second part shown before its first.
     */
    private WebElement firstShown(String css) {
        return (WebElement) script(
                "return document.querySelector('.arriving') ? null :"
                        + " [...document.querySelectorAll(arguments[0])].find((e) => e.checkVisibility({"
                        + " visibilityProperty: true, opacityProperty: true, contentVisibilityAuto: true }) &&"
                        + " e.getClientRects().length) ?? null",
                css);
    }

    List<WebElement> all(String css) {
        return chrome.findElements(By.cssSelector(css));
    }

    void click(String css) {
        clickThat(_ -> firstShown(css));
    }

    /** Typed wherever the page has its attention. */
    void keys(String keys) {
        new Actions(chrome).sendKeys(keys).perform();
    }

    /** A button or link by its words: those words alone before longer ones, and in the open dialog if there is one. */
    void press(String words) {
        clickThat(d -> {
            if (Boolean.TRUE.equals(script("return !!document.querySelector('.arriving')"))) {
                return null;
            }
            var dialog = d.findElements(By.cssSelector(".modal.show")).isEmpty()
                    ? ""
                    : "//*[contains(@class, 'modal') and contains(@class, 'show')]";
            var exact = dialog + "//*[self::button or self::a][normalize-space(.) = \"" + words + "\"]";
            var longer = dialog + "//*[self::button or self::a][contains(normalize-space(.), \"" + words + "\")]";
            return java.util.stream.Stream.of(exact, longer)
                    .flatMap(x -> d.findElements(By.xpath(x)).stream())
                    .filter(e -> e.isDisplayed() && e.isEnabled())
                    .findFirst()
                    .orElse(null);
        });
    }

    private void clickThat(ExpectedCondition<WebElement> which) {
        until(d -> {
            var element = which.apply(d);
            if (element == null || !element.isEnabled()) {
                return null;
            }
            try {
                script(LISTEN, element);
                element.click();
                return heard() ? element : null;
            } catch (ElementClickInterceptedException e) {
                return null; // something slides away just now
            }
        });
    }

    private static final String LISTEN = """
        arguments[0].scrollIntoView({block: 'center'})
        window.heard = false
        arguments[0].addEventListener('click', () => (window.heard = true), { capture: true, once: true })\
        """;

    /**
     * Whether the click came where it was aimed at: on a page that still fills it may fall beside. A new page has heard
     * it.
     */
    private boolean heard() {
        return !Boolean.FALSE.equals(script("return window.heard"));
    }

    void type(String css, String text) {
        var field = find(css);
        field.clear();
        field.sendKeys(text);
    }

    void choose(String css, String value) {
        until(d -> {
            new org.openqa.selenium.support.ui.Select(d.findElement(By.cssSelector(css))).selectByValue(value);
            return true;
        });
    }

    String step() {
        return until(d -> d.findElement(By.cssSelector("[data-step]")).getDomAttribute("data-step"));
    }

    void atStep(String id) {
        until(d -> id.equals(d.findElement(By.cssSelector("[data-step]")).getDomAttribute("data-step")));
    }

    /** Violations of the WCAG 2.2 AA rules on what is shown now. */
    @SuppressWarnings("unchecked")
    List<String> accessibilityViolations() {
        if (!Boolean.TRUE.equals(script("return 'axe' in window"))) {
            script(AXE);
        }
        return (List<String>) chrome.executeAsyncScript("""
            const done = arguments[0]
            axe.run(document, { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], resultTypes: ['violations'] })
              .then((r) => done(r.violations.map((v) => `${v.id}: ${v.help} ` + v.nodes.slice(0, 3).map((n) => `${n.html} ${n.failureSummary}`).join(' '))))
              .catch((e) => done([String(e)]))\
            """);
    }

    // why not through its builder: that opens a window of its own for every look, which now and then never comes
    private static final String AXE = resource("/axe.min.js");

    private static String resource(String name) {
        try (var in = AxeBuilder.class.getResourceAsStream(name)) {
            return new String(
                    java.util.Objects.requireNonNull(in, name).readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** Pixels by which the page is wider than the screen. */
    long overflow() {
        return ((Number) script("return document.documentElement.scrollWidth - window.innerWidth")).longValue();
    }

    List<String> consoleErrors() {
        return chrome.manage().logs().get("browser").getAll().stream()
                .filter(l -> l.getLevel().intValue() >= 1000)
                .map(l -> l.getMessage())
                .toList();
    }

    void picture(Path file) throws IOException {
        Files.createDirectories(file.getParent());
        Files.write(file, chrome.getScreenshotAs(OutputType.BYTES));
    }

    @Override
    public void close() {
        chrome.quit();
    }
}
