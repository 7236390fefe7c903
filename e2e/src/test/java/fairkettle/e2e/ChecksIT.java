package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;

/** Sheets printed on simulated machines, their pictures sent back and read, in the real interface. */
class ChecksIT {

    private static final int BRAMBLE = 1;
    private static final int SORREL = 3;

    private static RunningKettle kettle;
    private static Browser desk;

    @TempDir
    static Path folder;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = new RunningKettle(true);
        desk = new Browser(kettle);
        desk.open("/");
        desk.signAs(1);
    }

    @AfterAll
    static void stop() {
        desk.close();
        kettle.close();
    }

    @BeforeEach
    void upright() {
        desk.size(1280, 800);
    }

    @Test
    void printedPhotographedReadCorrectedCompared() throws Exception {
        desk.open("/checks/" + BRAMBLE);
        desk.sees("3 gaps stand, none of them has moved.");
        desk.press("reading frame");
        desk.until(
                d -> d.findElement(By.cssSelector("#sheets .lines")).getText().contains("printed"));
        send(fetch(bench(BRAMBLE, "/tray/bramble/check.jpg"), "bramble.jpg"));
        desk.sees("read and filed with Bramble");
        desk.sees("Sure of 720 of 720 strokes");
        assertThat(desk.find(".compared:nth-of-type(3)").getText()).contains("M", "3 of 180 missing", "same places");
        assertThat(desk.all(".ring.missing")).hasSize(3);

        desk.until(d -> (Boolean) desk.script("return document.querySelector('.picture img').complete"));
        // a tap on a gap says: it is there after all
        desk.script("const r ="
            + " document.querySelector('.ring.missing').getBoundingClientRect();document.querySelector('.picture').dispatchEvent(new"
            + " MouseEvent('click', {bubbles: true, clientX: r.x + r.width / 2, clientY: r.y + r.height / 2}))");
        desk.until(d -> d.findElement(By.cssSelector(".compared:nth-of-type(3)"))
                .getText()
                .contains("2 of 180 missing"));
        assertThat(desk.find(".compared:nth-of-type(3)").getText()).contains("healed 1");
        assertThat(desk.accessibilityViolations()).isEmpty();
        assertThat(desk.consoleErrors()).isEmpty();

        // what was read and what was corrected are both still there after a restart
        kettle.kill();
        kettle.start();
        desk.open("/checks/" + BRAMBLE);
        desk.sees("2 of 180 missing");
        desk.open("/checks/" + BRAMBLE + "/pages");
        desk.sees("In order, the newest first");
        assertThat(desk.find(".pair figure").getText()).contains("M 2");
        assertThat(desk.accessibilityViolations()).isEmpty();
    }

    @Test
    void aPrinterThatHangsUpIsSaidAndTheSheetComesOutOnce() throws Exception {
        desk.open("/checks/" + SORREL);
        desk.settles();
        say(SORREL, "/fault/sorrel", "HANGS_UP");
        desk.press("health sheet");
        desk.sees("The line broke, and the printer has no such job: it can be sent again.");
        say(SORREL, "/fault/sorrel", "PAPER_OUT");
        say(SORREL, "/fault/sorrel", "NONE");
        desk.press("Print");
        desk.sees("Out of paper: put some in, it goes on by itself.");
        say(SORREL, "/fault/sorrel", "PAPER_IN");
        desk.until(
                d -> d.findElement(By.cssSelector("#sheets .lines")).getText().contains("printed"));
        assertThat(get(bench(SORREL, "/tray/sorrel"))).contains("\"pages\":1");
        say(SORREL, "/fault/sorrel", "OFFLINE");
        desk.click("#sheets summary");
        desk.press("Ask it");
        desk.sees("It does not answer");
        say(SORREL, "/fault/sorrel", "NONE");
    }

    @Test
    void aHostileFileIsRefusedInWords() throws Exception {
        desk.open("/checks/" + SORREL);
        desk.settles();
        var page = folder.resolve("page.jpg");
        Files.writeString(page, "<html><script>alert(1)</script>");
        send(page);
        desk.sees("This is no JPEG, PNG, TIFF or PDF.");
        assertThat(desk.showsNow("SQL")).isFalse();
    }

    @Test
    void onAPhoneTheCameraIsTheFirstThing() throws Exception {
        desk.size(390, 844);
        desk.open("/checks/" + SORREL);
        desk.sees("Take a picture");
        assertThat(desk.find(".by-camera").getSize().getHeight()).isGreaterThanOrEqualTo(44);
        assertThat((Boolean) desk.script("return document.documentElement.scrollWidth <= innerWidth"))
                .as("nothing runs off the side")
                .isTrue();
        var picture = fetch(
                bench(SORREL, "/tray/sorrel/check.jpg?with=scanner"), "sorrel.jpg"); // no frame was printed for it
        desk.script("document.querySelector('input[aria-label=Camera]').classList.remove('visually-hidden')");
        desk.find("input[aria-label=Camera]").sendKeys(picture.toAbsolutePath().toString());
        desk.sees("Not read.");
        desk.sees("Tap its corners instead");
        assertThat(desk.accessibilityViolations()).isEmpty();
    }

    @Test
    void onACardThePictureFillsTheCombs() throws Exception {
        desk.open("/checks/6");
        desk.settles();
        desk.press("reading frame");
        desk.until(
                d -> d.findElement(By.cssSelector("#sheets .lines")).getText().contains("printed"));
        var picture = fetch(bench(6, "/tray/thistle/check.jpg"), "thistle.jpg");
        var card = String.valueOf(
                desk.post("/api/cards", "{\"machine\": 6, \"family\": \"SUBLIMATION\", \"make\": \"own\"}")
                        .get("id"));
        desk.open("/cards/" + card);
        new CardHand(kettle, desk, picture, "SUB-4471").quicklyUntil(card, (String) desk.script("""
            const request = new XMLHttpRequest()
            request.open('GET', '/api/cards/' + arguments[0], false)
            request.send()
            return JSON.parse(request.responseText).steps.find((s) => s.ask.kind === 'Comb').id\
            """, card));
        assertThat(desk.find(".comb-entry .verdict").getText()).isEqualTo("not looked at");
        send(picture);
        desk.until(d -> d.findElements(By.cssSelector(".comb-entry .verdict")).stream()
                .noneMatch(e -> e.getText().equals("not looked at")));
        assertThat(desk.showsNow("read and filed with Thistle")).isTrue();
    }

    // ---- the bench, as a person with a phone meets it -------------------------------------------------------------

    private static void send(Path picture) {
        desk.script("document.querySelector('input[aria-label=Pictures]').classList.remove('visually-hidden')");
        desk.find("input[aria-label=Pictures]")
                .sendKeys(picture.toAbsolutePath().toString());
    }

    private static URI bench(int machine, String path) throws Exception {
        var jobs = get(URI.create(kettle.url("/api/machines/" + machine + "/print-jobs")));
        var printer = URI.create(jobs.replaceAll("(?s).*\"uri\":\"([^\"]+)\".*", "$1"));
        return URI.create("http://127.0.0.1:" + printer.getPort() + path);
    }

    private static Path fetch(URI from, String name) throws Exception {
        try (var http = HttpClient.newHttpClient()) {
            return http.send(
                            HttpRequest.newBuilder(from).build(),
                            HttpResponse.BodyHandlers.ofFile(folder.resolve(name)))
                    .body();
        }
    }

    private static String get(URI from) throws Exception {
        try (var http = HttpClient.newHttpClient()) {
            return http.send(HttpRequest.newBuilder(from).build(), HttpResponse.BodyHandlers.ofString())
                    .body();
        }
    }

    private static void say(int machine, String path, String word) throws Exception {
        try (var http = HttpClient.newHttpClient()) {
            var answer = http.send(
                    HttpRequest.newBuilder(bench(machine, path))
                            .POST(HttpRequest.BodyPublishers.ofString(word))
                            .build(),
                    HttpResponse.BodyHandlers.ofString());
            assertThat(answer.statusCode()).isEqualTo(204);
        }
    }
}
