package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A change is walked on a simulated machine first; its kit is described; and hands are trained on made-up things. */
class RehearsalIT {

    private static RunningKettle kettle;
    private static Browser tablet;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = new RunningKettle(true);
        tablet = new Browser(kettle);
        tablet.open("/");
        tablet.signAs(1);
    }

    @AfterAll
    static void stop() {
        tablet.close();
        kettle.close();
    }

    @Test
    void aWrongActIsShownForWhatItWouldHaveDone() throws IOException, SQLException {
        long entries = kettle.query("select count(*) from entry");
        tablet.open("/changeover?machine=6&to=SUBLIMATION");
        for (var step : (List<?>) tablet.fetch("/api/machines/6/rehearsal?family=SUBLIMATION&purpose=CHANGE&make=own")
                .get("steps")) {
            STEPS.add((Map<?, ?>) step);
        }
        tablet.press("Rehearse it first");
        tablet.sees("Agree that the warranty ends");
        tablet.settles();
        picture("rehearsal-step");
        assertThat(tablet.all(".band")).as("nothing else on the screen").isEmpty();
        for (var step = rehearsed(); !step.equals("free"); step = rehearsed()) {
            next();
        }
        tablet.sees("What do your hands do now?");
        tablet.press("Screws out, cover off");
        tablet.sees("Somebody gets hurt: covers are opened under power");
        picture("rehearsal-wrong");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.press("Free the carriage, unplug");
        tablet.sees("This one is freed");
        picture("rehearsal-free");
        while (!tablet.showsNow("Rehearsed to its end")) {
            next();
        }
        tablet.sees("1 wrong act, and no machine harmed");
        picture("rehearsal-end");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        assertThat(kettle.query("select count(*) from entry"))
                .as("it changes nothing")
                .isEqualTo(entries);
    }

    @Test
    void theOwnerDescribesTheKitAndThePlanFollows() throws IOException {
        var answer = tablet.post("/api/machines", """
            {"name": "Woodruff", "bench": "Third bench", "profile": "wide-cartridge-six", "feed": "AS_BUILT", "holds": "INKED", "family": "MAKERS_DYE", "make": "maker", "foodOnly": false, "tankShare": 0.7}\
            """);
        assertThat(answer).containsKey("plate");
        var id = ((Map<?, ?>) answer.get("plate")).get("id");
        tablet.open("/changeover?machine=" + id + "&to=SUBLIMATION&by=BULK_FEED");
        tablet.sees("Bulk feed: a ribbon ready-made, to be cut for loose dampers");
        tablet.click("details.fold summary");
        tablet.settles();
        picture("kit");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.press("constant-head tanks");
        tablet.press("It is so on this machine");
        tablet.sees("Bulk feed: a ribbon joined to tanks and cartridges");
        picture("kit-taught");
    }

    @Test
    void aCardShowsOneStepAloneToABeginner() throws IOException, SQLException {
        long machine = kettle.query("select distinct m.id from machine m join channel c on c.machine_id = m.id where"
                + " c.held = 'INKED' and not exists (select from card where machine_id = m.id and finished_at is null"
                + " and given_up is null) order by m.id limit 1");
        var card = tablet.post(
                        "/api/machines/" + machine + "/works", "{\"work\": \"POSITION_FAULT\", \"channels\": []}")
                .get("card");
        tablet.open("/cards/" + card);
        tablet.press("One step alone");
        tablet.sees("The whole card");
        assertThat(tablet.all(".band")).isEmpty();
        tablet.size(390, 844);
        picture("alone-phone");
        tablet.size(1280, 800);
        picture("alone");
        assertThat(tablet.accessibilityViolations()).isEmpty();
    }

    @Test
    void madeUpChecksSquaresSyringesAndLinesAreRead() throws IOException {
        for (var drill : new String[] {"PATTERNS", "SQUARES", "SYRINGES", "LINES"}) {
            tablet.open("/practice/questions/" + drill);
            tablet.settles();
            assertThat(tablet.find("svg.drawn").getAccessibleName()).isNotBlank();
            tablet.click(".answer");
            picture("drill-" + drill.toLowerCase(java.util.Locale.ROOT));
            assertThat(tablet.accessibilityViolations()).isEmpty();
        }
    }

    private static String rehearsed() {
        return tablet.find("[data-rehearsed]").getDomAttribute("data-rehearsed");
    }

    private static final List<Map<?, ?>> STEPS = new ArrayList<>();

    /** Chooses what is right, and does it. */
    private static void next() {
        if (tablet.showsNow("What do your hands do now?")) {
            var step = rehearsed();
            tablet.press(STEPS.stream()
                    .filter(s -> step.equals(s.get("id")))
                    .map(s -> (String) s.get("title"))
                    .findFirst()
                    .orElseThrow());
        }
        var before = rehearsed();
        tablet.click(".main");
        tablet.until(d -> !before.equals(d.findElements(org.openqa.selenium.By.cssSelector("[data-rehearsed]")).stream()
                .map(e -> e.getDomAttribute("data-rehearsed"))
                .findFirst()
                .orElse("")));
    }

    private static void picture(String name) throws IOException {
        var folder = System.getProperty("looks");
        if (folder != null) {
            tablet.picture(Path.of(folder, name + ".png"));
        }
    }
}
