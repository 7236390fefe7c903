package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Instant;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** Work at a machine that is neither changeover nor cure, from its page to the log. */
class BenchWorkIT {

    private static RunningKettle kettle;
    private static Browser tablet;

    @BeforeAll
    static void start() throws Exception {
        kettle = new RunningKettle(true, Instant.parse("2026-12-23T09:10:00Z"));
        tablet = new Browser(kettle);
        tablet.open("/");
        tablet.signAs(1);
        tablet.size(1280, 800);
    }

    @AfterAll
    static void stop() {
        tablet.close();
        kettle.close();
    }

    private static long machine(String name) throws SQLException {
        return kettle.query("select id from machine where name = '" + name + "'");
    }

    private static void open(String title) {
        tablet.until(_ -> tablet.script("""
            const fold = [...document.querySelectorAll('#works details')].find((d) => d.querySelector('summary').textContent.trim() === arguments[0])
            if (!fold) return false
            fold.open = true
            fold.scrollIntoView({ block: 'center' })
            return true\
            """, title).equals(true));
    }

    private static String card() {
        tablet.step();
        return (String) tablet.script("return location.pathname.split('/').pop()");
    }

    private static void beginIn(String title) {
        open(title);
        tablet.until(_ -> tablet.script("""
            const fold = [...document.querySelectorAll('#works details')].find((d) => d.open && d.querySelector('summary').textContent.trim() === arguments[0])
            const button = [...(fold?.querySelectorAll('button') ?? [])].find((b) => b.textContent.trim() === 'Open its card' && !b.disabled)
            button?.click()
            return !!button\
            """, title).equals(true));
    }

    @Test
    void aWhiteLineIsFlushedFromItsPageToTheLog() throws SQLException {
        long teasel = machine("Teasel");
        tablet.open("/machines/" + teasel + "/upkeep");
        tablet.sees("Bench work");
        open("Flush the white line");
        tablet.sees("60 mL of fluid");
        beginIn("Flush the white line");
        var hand = new CardHand(kettle, tablet, Path.of("unused"), "FLM");
        var card = card();
        hand.quicklyUntil(card, "which");
        tablet.click(".each .of:nth-of-type(1) .tick:nth-child(2)");
        tablet.sees("Put it back as it was");
        hand.finish("which");
        hand.quicklyUntil(card, "damper");
        tablet.click(".each .of:nth-of-type(1) .tick:nth-child(1)");
        tablet.until(d -> d.findElements(By.cssSelector(".each .tick.done")).size() == 1);
        tablet.click(".each .of:nth-of-type(2) .tick:nth-child(2)");
        tablet.until(d -> d.findElements(By.cssSelector(".each .tick.done")).size() == 2);
        tablet.click(".main");
        tablet.atStep("prime");
        hand.quicklyUntil(card, "look");
        hand.fill();
        tablet.click(".main");
        tablet.sees("Flush the white line");
        tablet.until(_ -> query("select count(*) from card where id = " + card + " and finished_at is not null") == 1);
        assertThat(query(newDampers("W1", card))).isEqualTo(1);
        assertThat(query(newDampers("W2", card)))
                .as("the old one keeps its age")
                .isZero();
        assertThat(query("select coalesce(sum(microlitres), 0) from posting p join entry e on e.id = p.entry_id where"
                        + " e.card_id = "
                        + card + " and place like 'path/%/W1/TUBE' and substance like 'fluid/%'"))
                .as("no fluid stays in the line")
                .isLessThan(500);
    }

    private static String newDampers(String channel, String card) {
        return "select count(*) from consequence c join entry e on e.id = c.entry_id where c.kind = 'RoutineDone'"
                + " and c.body->>'routine' = 'white-damper' and c.body->>'channel' = '%s' and e.card_id = %s"
                        .formatted(channel, card);
    }

    private static long query(String sql) {
        try {
            return kettle.query(sql);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void aPedalSaysDoneAndTheNextStepIsReadAloud() throws SQLException {
        long thistle = machine("Thistle");
        var card = ""
                + tablet.post("/api/machines/" + thistle + "/works", "{\"work\": \"POSITION_FAULT\", \"channels\": []}")
                        .get("card");
        tablet.script("localStorage.setItem('kettle.done-key', 'F8'); localStorage.setItem('kettle.reads-aloud', '1')");
        tablet.open("/cards/" + card);
        tablet.script("window.said = []; speechSynthesis.speak = (words) => said.push(words.text)");
        var first = tablet.step();
        tablet.fillStep(card, first, "SUB");
        tablet.until(_ -> {
            tablet.keys(Keys.F8.toString()); // again until the screen has heard what was filled in
            return !tablet.step().equals(first);
        });
        var title = tablet.find("h1").getText();
        tablet.until(_ -> tablet.script("return said.some((words) => words.startsWith(arguments[0]))", title)
                .equals(true));
        tablet.script("localStorage.removeItem('kettle.done-key'); localStorage.removeItem('kettle.reads-aloud')");
    }

    @Test
    void everyPlaceIsOneKeyAway() {
        tablet.open("/sums");
        tablet.settles();
        tablet.script("document.activeElement?.blur()");
        tablet.keys("r");
        tablet.until(d -> d.getCurrentUrl().endsWith("/round"));
        tablet.keys("?");
        tablet.sees("undo what was just written");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.keys(Keys.ESCAPE.toString());
        tablet.until(d -> d.findElements(By.cssSelector(".modal.show")).isEmpty());
        tablet.keys("l");
        tablet.until(d -> d.getCurrentUrl().endsWith("/log"));
        tablet.settles();
        tablet.keys("/");
        tablet.until(d -> "find-letters".equals(d.switchTo().activeElement().getDomAttribute("id")));
        tablet.keys("r"); // typed, and no place
        tablet.until(d -> "r".equals(d.findElement(By.id("find-letters")).getDomProperty("value")));
        assertThat((String) tablet.script("return location.pathname")).isEqualTo("/log");
        tablet.keys(Keys.ESCAPE.toString());
    }

    @Test
    void aKnownDefectIsToldWhereItMatters() throws SQLException {
        long sorrel = machine("Sorrel");
        tablet.open("/machines/" + sorrel + "/papers");
        tablet.sees("left clip of its rear cover");
        tablet.open("/machines/" + sorrel + "/upkeep");
        beginIn("Encoder or position error");
        new CardHand(kettle, tablet, Path.of("unused"), "SUB").quicklyUntil(card(), "on");
        tablet.sees("Known here: the left clip of its rear cover is gone");
        tablet.open("/machines/" + sorrel + "/papers");
        tablet.press("Something is");
        tablet.type("#defect-words", "right paper guide cracked");
        tablet.press("Remember it");
        tablet.sees("right paper guide cracked");
    }

    @Test
    void aPartIsLookedForInTheBinBeforeItIsBought() {
        tablet.open("/shelf/parts");
        tablet.sees("Parts bin and donors");
        tablet.type("#spares input[type=search]", "head");
        tablet.sees("flat cable of the head");
        tablet.sees("new head: none on the shelf");
        tablet.press("A machine gives parts");
        tablet.choose("#donor-machine", String.valueOf(query("select id from machine where name = 'Hazel'")));
        tablet.type("#donor-words", "everything but its pad");
        tablet.press("It gives parts");
        tablet.sees("Hazel gives parts");
    }

    @Test
    void hoursAndWorkOfOnePersonAreKept() {
        tablet.open("/shop/people");
        tablet.press("Hours and work");
        tablet.until(_ -> tablet.script("const box = [...document.querySelectorAll('.own label')].find((l) =>"
                        + " l.textContent.includes('work at heads')); if (!box) return false;"
                        + " box.querySelector('input').click(); return true")
                .equals(true));
        tablet.press("Keep for");
        tablet.sees("leaves work at heads to others");
        assertThat(tablet.accessibilityViolations()).isEmpty();
    }

    @Test
    void portsAreSetAndShowWhatFlows() {
        tablet.open("/practice/questions/PORTS");
        tablet.sees("See what flows");
        for (int port = 1; port <= 4; port++) {
            tablet.click(".port:nth-of-type(%d) .chip".formatted(port)); // a fill hole that is open is not right
        }
        tablet.press("See what flows");
        tablet.sees("It must be");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.open("/practice/questions/PATH");
        tablet.sees("waste line");
        assertThat(tablet.all(".path .answer").stream().map(a -> a.getText()).toList())
                .startsWith("bottle or tank")
                .endsWith("waste line");
    }
}
