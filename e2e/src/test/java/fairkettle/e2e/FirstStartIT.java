package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import org.junit.jupiter.api.Test;

/** An empty shop leads to its first machine, and to a first look at its nozzles. */
class FirstStartIT {

    @Test
    void fromAnEmptyShopToAFirstCheck() throws IOException, InterruptedException {
        try (var kettle = new RunningKettle(false);
                var desk = new Browser(kettle)) {
            desk.open("/");
            desk.sees("Put your first machine on the bench");
            desk.press("Who are you?");
            desk.type("#new-person", "Sedge");
            desk.press("Add");
            desk.sees("Sedge");
            desk.until(d -> d.findElements(org.openqa.selenium.By.cssSelector(".modal.show"))
                    .isEmpty());
            desk.press("Add a machine");
            desk.click("input[value=wide-tank]");
            desk.type("#name", "Dogwood");
            desk.press("Put it on the bench");
            desk.sees("Nobody has looked yet");
            desk.press("The rest is whole");
            desk.press("Keep this check");
            desk.until(d -> !d.findElement(org.openqa.selenium.By.tagName("main"))
                    .getText()
                    .contains("Nobody has looked yet"));
            desk.open("/");
            desk.sees("Dogwood");
            desk.sees("All is well");
            assertThat(desk.accessibilityViolations()).isEmpty();
            var list = Files.writeString(
                    Files.createTempFile("machines", ".csv"),
                    "Machine;Bench;Like;Ink\nBurdock;Window bench;small-tank;maker's dye\nDogwood;Bench;wide-tank;\n");
            desk.open("/shop/bring-in");
            desk.settles();
            desk.all("input[type=file]").getFirst().sendKeys(list.toString());
            desk.sees("1 machine will come in, one stays as it is.");
            assertThat(desk.accessibilityViolations()).isEmpty();
            desk.press("Bring in 1 machine");
            desk.sees("1 machine came in.");
            Files.delete(list);
            desk.open("/");
            desk.sees("Burdock");
            desk.open("/shop/backups");
            desk.sees("There is none yet that was read back.");
            desk.press("Make one now");
            desk.sees("The last one was read back whole just now.");
            desk.sees("Take it away");
            try (var made = Files.list(kettle.backups())) {
                assertThat(made).hasSize(1).allMatch(file -> file.toFile().length() > 10_000);
            }
            assertThat(desk.consoleErrors()).isEmpty();
        }
    }
}
