package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;

/** What an owner does with the demo shop, in the real interface. */
class StoryIT {

    private static RunningKettle kettle;
    private static Browser tablet;

    @TempDir
    static Path folder;

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
    void fromMakersDyeToSublimationWithTwoTabletsAndAKilledServer() throws Exception {
        tablet.open("/changeover?machine=6&to=SUBLIMATION");
        tablet.sees("May be done");
        tablet.sees("0.5 % old ink left");
        assertThat(tablet.find(".figures").getText()).contains("K black").contains("0.499 %");
        var usual = tablet.find(".whole .big").getText();
        slideTo(7);
        tablet.sees("0.25 % old ink cannot be reached in channel K");
        slideTo(5);
        tablet.sees("0.4 % old ink left");
        tablet.until(
                d -> !d.findElement(By.cssSelector(".whole .big")).getText().equals(usual));
        tablet.press("Make it a card");

        var hand = new CardHand(kettle, tablet, photo(), "SUB-4471");
        hand.until("bottles");
        wrongBottleIsRefused();
        hand.until("pull");

        // Two tablets: a tick on one is on the other, without a reload.
        try (var other = new Browser(kettle)) {
            var card = (String) tablet.script("return location.pathname");
            other.open(card);
            other.atStep("pull");
            tablet.click("[data-cell='K/0']");
            tablet.click(".as-planned");
            other.until(d -> d.findElement(By.cssSelector("[data-cell='K/0']"))
                    .getDomAttribute("class")
                    .contains("done"));

            // Nothing comes: the branch comes in, on both.
            other.press("It went otherwise");
            other.press("Nothing comes from K");
            tablet.sees("Stop pulling");
        }

        // The server is killed; what was done is there when it comes back, and what was tapped meanwhile is heard once.
        hand.fill();
        var branch = tablet.step();
        var entries = kettle.query("select count(*) from entry");
        kettle.kill();
        tablet.click(".main");
        tablet.sees("1 tap is kept here");
        assertThat(tablet.find("[data-tap]").getText()).contains("Done").contains("Thistle");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        kettle.start();
        tablet.until(_ -> !tablet.step().equals(branch));
        tablet.until(d -> d.findElements(By.cssSelector("[data-tap]")).isEmpty());
        assertThat(kettle.query("select count(*) from entry")).isEqualTo(entries + 1);
        tablet.script("location.reload()");
        hand.until("pull");
        assertThat(tablet.find("[data-cell='K/0']").getDomAttribute("class")).contains("done");

        // A hold point does not give way.
        assertThat(tablet.all(".buttons button")).noneMatch(b -> b.getText().equals("Skip"));
        tablet.click(".main");
        tablet.sees("is still open");

        hand.until("check");
        gapsTakeTheirBranch(hand);
        hand.until("sign-off");
        hand.finish("sign-off");
        tablet.sees("Signed off");
        tablet.sees("Planned and real");

        assertThat(kettle.query("select coalesce(sum(microlitres), 0) from posting"))
                .as("every mL that left a place entered another")
                .isZero();
        assertThat(kettle.query("select count(*) from (select place, substance from posting where place not like"
                        + " 'outside/%' group by 1, 2 having sum(microlitres) <> coalesce((select"
                        + " c.microlitres from content c where c.place = posting.place and c.substance ="
                        + " posting.substance), 0)) x"))
                .as("contents that differ from the entries")
                .isZero();
        tablet.open("/machines/6");
        tablet.sees("sublimation · small tank");
        tablet.open("/log");
        tablet.sees("Thistle: signed off");
        assertThat(tablet.find(".log").getText()).contains("Wren");
        assertThat(kettle.logText()).as("no stack trace for a user's mistake").doesNotContain("\tat ");
    }

    private static void slideTo(int mark) {
        tablet.script(
                "const s = document.querySelector('#purity'); s.value = arguments[0]; s.dispatchEvent(new"
                        + " Event('input'))",
                mark);
    }

    private void wrongBottleIsRefused() {
        var select = tablet.find(".lot select");
        var options = new org.openqa.selenium.support.ui.Select(select);
        options.selectByVisibleText(options.getOptions().stream()
                .map(o -> o.getText())
                .filter(t -> t.startsWith("other: M"))
                .findFirst()
                .orElseThrow());
        tablet.sees("The bottle says M, the tank says K.");
    }

    private void gapsTakeTheirBranch(CardHand hand) throws SQLException {
        tablet.click(".comb-entry .part:nth-child(2)");
        tablet.click(".comb-entry .stroke:nth-child(5)");
        tablet.sees("missing");
        tablet.press("Gaps left");
        tablet.until(_ -> tablet.step().startsWith("check/gaps~1/")); // the list of steps names them before it is there
        tablet.sees("One purge sheet per channel");
        hand.until("check");
    }

    @Test
    void nonFoodToEdibleIsRefusedWithItsReason() {
        tablet.open("/changeover?machine=1&to=EDIBLE");
        tablet.sees("This must not be");
        tablet.sees("not food-safe, whatever the flush");
        assertThat(tablet.all(".btn")).noneMatch(b -> b.getText().contains("Make it a card"));
    }

    @Test
    void theCardFitsAPhone() {
        try {
            tablet.size(390, 844);
            tablet.open("/cards/1");
            tablet.atStep("pull");
            assertThat(tablet.overflow()).isLessThanOrEqualTo(0);
            var main = tablet.find(".main").getRect();
            var hob = tablet.find(".hob").getRect();
            var bottom = ((Number)
                            tablet.script("return document.querySelector('.main').getBoundingClientRect().bottom"))
                    .doubleValue();
            assertThat(bottom)
                    .as("the main button is in view, above the hob")
                    .isLessThanOrEqualTo(844 - hob.getHeight());
            assertThat(main.getHeight()).isGreaterThanOrEqualTo(64);
        } finally {
            tablet.size(1280, 800);
        }
    }

    @Test
    void aDoubleTapPutsOneWaitOnTheHob() throws SQLException {
        tablet.open("/");
        tablet.press("+ New wait");
        tablet.type("#wait-label", "double tap");
        tablet.script("const b = document.querySelector('#wait-label').form.querySelector('[type=submit]'); b.click();"
                + " b.click(); b.click()");
        tablet.until(d -> d.findElements(By.cssSelector(".pot")).stream()
                .anyMatch(p -> p.getDomProperty("textContent").contains("double tap")));
        assertThat(kettle.query("select count(*) from wait where label = 'double tap'"))
                .isEqualTo(1);
    }

    @Test
    void badInputIsSaidAtTheField() {
        tablet.open("/machines/new");
        tablet.click("input[value=small-tank]");
        tablet.type("#name", "Bramble");
        tablet.press("Put it on the bench");
        tablet.sees("There is one of that name already.");
        tablet.type("#name", " ");
        tablet.press("Put it on the bench");
        tablet.sees("Give the machine a name.");
    }

    @Test
    void aTankIsRefilledFromTheBottleThatFitsAndNeverPastItsLine() throws SQLException {
        tablet.open("/machines/1#levels");
        tablet.click("[aria-label='Refill Y']");
        tablet.sees("to the line, never past it");
        tablet.type("#refill-poured", "500");
        tablet.press("It is in");
        tablet.sees("There is room for");
        tablet.type("#refill-poured", "10");
        tablet.press("It is in");
        tablet.until(d -> d.findElements(By.cssSelector("#refill-poured")).isEmpty());
        assertThat(kettle.query("select count(*) from refill where channel = 'Y' and poured_ul = 10000"))
                .isEqualTo(1);
    }

    @Test
    void whatIsOwedHasADayAndIsDoneOnce() throws SQLException {
        tablet.open("/machines/2/upkeep");
        tablet.press("Owe it something");
        tablet.type("#owed-words", "Grease the rail");
        tablet.press("Write it down");
        tablet.sees("Grease the rail");
        tablet.click("#owed li:has(a, span) button");
        tablet.until(d -> !d.findElement(By.cssSelector("#owed")).getText().contains("due"));
        assertThat(kettle.query("select count(*) from owed where words = 'Look at the outside waste bottle'"))
                .as("it comes round")
                .isEqualTo(2);
        tablet.open("/machines/2/papers");
        tablet.click("#facts details summary");
        tablet.type("#fact-SYSTEM", "the old laptop\t");
        tablet.until(d -> d.findElement(By.cssSelector("#facts")).getText().contains("3 of"));
    }

    @Test
    void anythingIsFoundByAFewLettersWithTheKeyboardAlone() {
        tablet.open("/shelf");
        tablet.settles();
        tablet.keys("/");
        tablet.until(d -> "find-letters".equals(d.switchTo().activeElement().getDomAttribute("id")));
        tablet.keys("zzqqxx");
        tablet.sees("Nothing here is called like that");
        tablet.keys(Keys.BACK_SPACE.toString().repeat(6) + "thisle papers"); // with a letter missing
        tablet.until(d -> d.findElements(By.cssSelector("[role=option][aria-selected=true]")).stream()
                .anyMatch(o -> o.getText().startsWith("Thistle: papers")));
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.keys(Keys.ENTER.toString());
        tablet.until(d -> d.getCurrentUrl().endsWith("/machines/6/papers"));
        tablet.sees("Activation code");
    }

    @Test
    void onAPhoneEveryPlaceIsUnderTheThumb() {
        tablet.size(390, 844);
        tablet.open("/");
        tablet.settles();
        tablet.press("More");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.click(".places [href='/shelf']");
        tablet.until(d -> d.getCurrentUrl().endsWith("/shelf"));
        assertThat(tablet.overflow()).isLessThanOrEqualTo(0);
        tablet.open("/cards/1");
        tablet.settles();
        assertThat(tablet.all(".places"))
                .as("at a card its step has the height")
                .isEmpty();
        assertThat((Boolean) tablet.script("return document.querySelector('.go').getBoundingClientRect().top"
                        + " - document.querySelector('.band').getBoundingClientRect().bottom > 844 * 0.6"))
                .isTrue();
        tablet.size(1280, 800);
    }

    @Test
    void aSumIsAnsweredAsItIsTyped() {
        tablet.open("/sums");
        tablet.type("#length", "200");
        tablet.sees("9.3 mL in all");
        tablet.type("#gross", "131");
        tablet.type("#empty", "26");
        tablet.sees("100 mL are left in it.");
        tablet.choose("#agents-family", "EDIBLE");
        tablet.sees("Only agents made for food");
    }

    @Test
    void aPictureThatIsNoneIsRefused() throws IOException {
        var fake = folder.resolve("fake.jpg");
        Files.writeString(fake, "this is no picture");
        tablet.open("/cards/1");
        tablet.atStep("pull");
        tablet.all(".go input[type=file]")
                .getFirst()
                .sendKeys(fake.toAbsolutePath().toString());
        tablet.sees("This is no JPEG, PNG, TIFF or PDF.");
    }

    private static Path photo() throws IOException {
        var file = folder.resolve("photo.png");
        ImageIO.write(new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB), "png", file.toFile());
        return file;
    }
}
