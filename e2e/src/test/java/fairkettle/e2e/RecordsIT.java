package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.sql.SQLException;
import java.time.Instant;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** What a shop writes down of its machines, its tools and its waste, and what it asks of its figures. */
class RecordsIT {

    private static RunningKettle kettle;
    private static Browser desk;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = new RunningKettle(true, Instant.parse("2026-12-23T09:10:00Z"));
        desk = new Browser(kettle);
        desk.open("/");
        desk.signAs(1);
    }

    @AfterAll
    static void stop() {
        desk.close();
        kettle.close();
    }

    @Test
    void whatAMachineSaysIsAnsweredForItAndKeptWithWhatCameOfIt() throws SQLException {
        long bryony = kettle.query("select id from machine where name = 'Bryony'");
        desk.open("/clinic/messages?machine=" + bryony);
        desk.type("input[type=search]", "not recognised");
        desk.sees("An update took the firmware that ignores chips away");
        desk.click("button[aria-label='“not recognised, after long use”: a machine says so']");
        desk.choose(".heard select", "CAME_BACK");
        desk.click(".heard .btn-primary");
        desk.sees("Once here");
        desk.sees("Written down.");
        assertThat(kettle.query(
                        "select count(*) from message_heard where outcome = 'CAME_BACK' and machine_id = " + bryony))
                .isEqualTo(1);
        assertThat(desk.accessibilityViolations()).isEmpty();
    }

    @Test
    void solidWasteIsWeighedIntoAVesselOfItsKind() {
        desk.open("/shelf/waste");
        desk.sees("Where drawn ink goes");
        desk.press("A new bottle");
        desk.type("#waste-name", "Cured, winter");
        desk.choose("#waste-kind", "CURED");
        desk.type("#waste-capacity", "500");
        desk.press("In use from now on");
        desk.sees("0 g of 500 g");
        desk.type("input[aria-label='Grams into Cured, winter']", "120");
        desk.press("Put in");
        desk.sees("120 g of 500 g");
        assertThat(desk.accessibilityViolations()).isEmpty();
    }

    @Test
    void toolsAreRinsedAndPartsHaveAnAge() {
        desk.open("/shelf/tools");
        desk.sees("spit pad");
        desk.sees("to rinse");
        desk.click("button[aria-label='Syringe no. 1 is rinsed']");
        desk.sees("rinsed");
        assertThat(desk.accessibilityViolations()).isEmpty();
    }

    @Test
    void whatIsScarceIsBoughtWhenItIsThereForLittleEnough() {
        desk.open("/shelf/suppliers");
        desk.sees("wide four-slot, second hand");
        desk.sees("buy it");
        desk.sees("Same engine as");
        assertThat(desk.accessibilityViolations()).isEmpty();
    }

    @Test
    void theOwnerSeesWhichWayPaysAndWhichMachineIsWorthKeeping() {
        desk.open("/sums/ways");
        desk.sees("Cheapest after a year");
        desk.sees("prints that are ordered");
        assertThat(desk.accessibilityViolations()).isEmpty();
        desk.open("/log/fare");
        desk.sees("Worth keeping?");
        desk.sees("used the day before");
        assertThat(desk.accessibilityViolations()).isEmpty();
    }
}
