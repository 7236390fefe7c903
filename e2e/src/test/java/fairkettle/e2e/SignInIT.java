package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A shop in a network: who comes in, on what, and what they find there. */
class SignInIT {

    private static RunningKettle kettle;
    private static Browser tablet;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = RunningKettle.closed();
        tablet = new Browser(kettle);
    }

    @AfterAll
    static void stop() {
        tablet.close();
        kettle.close();
    }

    @Test
    void theOwnerLetsATabletInAndAHandComesByPin() throws Exception {
        tablet.size(800, 1280);
        tablet.open("/shop/people");
        tablet.sees("Who comes in?");
        assertThat(tablet.showsNow("Bramble")).as("nothing of the shop is said").isFalse();
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.press("Come in as the owner");

        // a bench hand gets a PIN and a password, and this tablet is let in
        tablet.sees("Who may come in");
        var tansy = kettle.query("select id from person where name = 'Tansy'");
        tablet.until(_ -> Boolean.TRUE.equals(tablet.script("""
            const line = [...document.querySelectorAll('.lines li')].find((l) => l.innerText.includes('may not come in yet') && l.innerText.startsWith('Tansy'))
            line?.querySelector('button').click()
            return !!line\
            """)));
        tablet.type("#may-pin", "2468");
        tablet.type("#may-password", "three odd words");
        tablet.press("Keep it");
        tablet.sees("bench hand · password · PIN");
        tablet.type("[aria-label='Name of this tablet']", "Window bench tablet");
        tablet.press("Let this one in");
        tablet.sees("this one");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.press("Wren");
        tablet.press("Sign out");

        // a wrong PIN is said, the right one opens, and the work carries her name
        tablet.sees("This is Window bench tablet.");
        tablet.press("Tansy");
        pin("1357");
        tablet.sees("This is not the PIN.");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        pin("2468");
        tablet.sees("People");
        tablet.open("/");
        tablet.sees("Bramble");
        assertThat(tablet.find(".who").getText()).isEqualTo("Tansy");
        var before = kettle.query("select count(*) from entry where person_id = " + tansy);
        var token = tablet.script("return document.cookie");
        tablet.post("/api/machines/1/cleanings", "{\"power\": false}"); // and the page says it was person 1
        assertThat(tablet.script("return document.cookie"))
                .as("what is on its way meanwhile is still known")
                .isEqualTo(token)
                .asString()
                .contains("XSRF-TOKEN");
        assertThat(kettle.query("select count(*) from entry where person_id = " + tansy))
                .as("whoever signed in did it, whatever a screen says")
                .isEqualTo(before + 1);

        // what is the owner's is not offered
        tablet.open("/shop/people");
        tablet.settles();
        tablet.sees("People");
        assertThat(tablet.showsNow("Vault")).isFalse();
        assertThat(tablet.showsNow("Who may come in")).isFalse();

        // a password is changed by whoever has one, and a mistake leaves her where she is
        tablet.press("Tansy");
        tablet.click(".modal.show details summary");
        tablet.type("#own-old", "not the one");
        tablet.type("#own-new", "another three words");
        tablet.press("Change it");
        tablet.sees("This is not the password you have.");
        assertThat(tablet.accessibilityViolations()).isEmpty();

        // she is still in after the server was killed
        kettle.kill();
        kettle.start();
        tablet.open("/");
        tablet.sees("Bramble");

        // and out everywhere at one tap
        tablet.press("Tansy");
        tablet.press("Sign out everywhere");
        tablet.sees("Who comes in?");
        assertThat(kettle.query("select count(*) from session where person_id = " + tansy))
                .isZero();
    }

    private static void pin(String figures) {
        for (var figure : figures.split("")) {
            tablet.press(figure);
        }
        tablet.press("In");
    }
}
