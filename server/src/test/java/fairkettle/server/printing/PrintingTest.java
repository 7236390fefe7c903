package fairkettle.server.printing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Profiles;
import fairkettle.procedure.Consequence;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.standin.Snapshot.With;
import fairkettle.standin.Standins;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;

/** Sheets on their way to a printer that works, and to printers that do not: printed once, or not at all, and said. */
@ServerTest
class PrintingTest {

    @Autowired
    private Api api;

    @Autowired
    private Journal journal;

    @Autowired
    private TransactionTemplate transaction;

    private Standins bench;

    @BeforeEach
    void start() throws IOException {
        bench = Standins.start(
                List.of(new Standins.Wanted("Bramble", Profiles.named("small-tank"), false)),
                5,
                0,
                Clock.systemUTC(),
                5);
    }

    @AfterEach
    void stop() {
        bench.close();
    }

    @Test
    void aSheetComesOutOnceHoweverOftenItIsAskedFor() {
        long machine = machine("Prints once");
        long sheet = sheet(machine);
        api.post("/api/sheets/" + sheet + "/print", "{}");
        api.post("/api/sheets/" + sheet + "/print", "{}");
        assertThat(await(machine, sheet, "DONE").get("words").asString()).isEqualTo("It came out.");
        awaitPrinted(machine);
        assertThat(bench.pages("Bramble")).isEqualTo(1);
        assertThat(api.read(api.get("/api/machines/" + machine))
                        .at("/plate/channels/1/path/0/layers/0/volume")
                        .asDouble())
                .as("its ink is counted")
                .isCloseTo(41.5, within(.01));
        assertThat(api.post("/api/sheets/" + sheet + "/print", "{}")).hasStatus(422);
        assertThat(bench.pages("Bramble")).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"OFFLINE, does not answer", "REFUSES, takes no jobs now", "HANGS_UP, can be sent again"})
    void whatDidNotArriveIsSaidAndCanBeSentAgain(String fault, String words) {
        long machine = machine("Prints not " + fault);
        long sheet = sheet(machine);
        bench.fault("Bramble", fault);
        api.post("/api/sheets/" + sheet + "/print", "{}");
        assertThat(await(machine, sheet, "FAILED").get("words").asString()).contains(words);
        assertThat(bench.pages("Bramble")).isZero();
        bench.fault("Bramble", "NONE");
        api.post("/api/sheets/" + sheet + "/print", "{}");
        await(machine, sheet, "DONE");
        assertThat(bench.pages("Bramble")).isEqualTo(1);
    }

    @Test
    void aPrinterThatHangsUpAfterTakingTheSheetPrintsItOnce() {
        long machine = machine("Prints silently");
        long sheet = sheet(machine);
        bench.fault("Bramble", "TAKES_AND_HANGS_UP");
        api.post("/api/sheets/" + sheet + "/print", "{}");
        await(machine, sheet, "DONE");
        assertThat(bench.pages("Bramble")).isEqualTo(1);
    }

    @ParameterizedTest
    @ValueSource(strings = {"application/pdf", "image/pwg-raster", "image/jpeg"})
    void whateverThePrinterTakesTheFrameComesOutReadable(String format) throws Exception {
        long machine = machine("Prints " + format.replace('/', ' '));
        long sheet = api.read(api.post(
                        "/api/machines/" + machine + "/sheets",
                        "{\"kind\": \"HEALTH\", \"paper\": \"A4\", \"wanted\": {}}"))
                .at("/made/0/id")
                .asLong();
        bench.takes("Bramble", format);
        api.post("/api/sheets/" + sheet + "/print", "{}");
        await(machine, sheet, "DONE");
        var reading = api.read(api.send("/api/readings", bench.pictureOfPage("Bramble", With.SCANNER, 3)));
        assertThat(reading.get("machine").asLong()).isEqualTo(machine);
        assertThat(reading.get("kind").asString()).isEqualTo("HEALTH");
        assertThat(bench.marks("Bramble"))
                .as("nothing was fitted to the paper")
                .containsExactly(drawn(sheet), within(.4));
    }

    /** The least rectangle of what is dark on a sheet as it was drawn: left, top, right and low, in mm. */
    private double[] drawn(long sheet) throws IOException {
        try (var document = Loader.loadPDF(
                api.get("/api/sheets/" + sheet + "/sheet.pdf").getResponse().getContentAsByteArray())) {
            var image = new PDFRenderer(document).renderImageWithDPI(0, 254);
            double[] box = {image.getWidth(), image.getHeight(), 0, 0};
            for (int y = 0; y < image.getHeight(); y++) {
                for (int x = 0; x < image.getWidth(); x++) {
                    int rgb = image.getRGB(x, y);
                    if (Math.min(rgb >> 16 & 255, Math.min(rgb >> 8 & 255, rgb & 255)) < 150) {
                        box = new double[] {
                            Math.min(box[0], x), Math.min(box[1], y), Math.max(box[2], x + 1), Math.max(box[3], y + 1)
                        };
                    }
                }
            }
            return Arrays.stream(box).map(v -> v / 10).toArray();
        }
    }

    @Test
    void whetherPiecesKeepTheirSizeIsSaidWhereThePrinterDoesNot() {
        long machine = sublimation("Prints smaller");
        bench.fault("Bramble", "FITS");

        long job = jobSheet(machine, "Prints smaller");

        assertThat(await(machine, job, "DONE").get("words").asString()).contains("measure a piece before you cut");
        assertThat(await(machine, printed(sheet(machine)), "DONE").get("words").asString())
                .as("nobody measures a purge page")
                .isEqualTo("It came out.");
        bench.fault("Bramble", "NONE");
        assertThat(await(machine, jobSheet(machine, "Prints smaller"), "DONE")
                        .get("words")
                        .asString())
                .isEqualTo("It came out.");
    }

    @Test
    void theFirstCleanSheetIsWhatColoursAreHeldAgainstUntilOtherInkIsCharged() throws Exception {
        long machine = machine("Prints clean");

        long first = healthRead(machine);
        long second = healthRead(machine);
        assertThat(heldAgainst(first)).isTrue();
        assertThat(heldAgainst(second)).isFalse();

        long charged = charged(machine);
        assertThat(heldAgainst(first)).as("it shows the old ink").isFalse();
        transaction.executeWithoutResult(_ -> journal.strike(charged));
        assertThat(heldAgainst(first)).as("the ink was never changed").isTrue();

        charged(machine);
        long third = healthRead(machine);
        assertThat(heldAgainst(third)).isTrue();
        assertThat(heldAgainst(first)).isFalse();
    }

    private long charged(long machine) {
        return Objects.requireNonNull(transaction.execute(_ -> journal.write(
                NewEntry.of(EntryKind.STEP, "charged with other ink").machine(machine),
                List.of(),
                List.of(new Consequence.Holds(
                        Map.of(ChannelCode.of("C"), new Holding.Inked(Family.SUBLIMATION, "ours", false)))))));
    }

    private boolean heldAgainst(long reading) {
        return api.read(api.get("/api/readings/" + reading)).get("reference").asBoolean();
    }

    /** The number of the reading of a new health sheet. */
    private long healthRead(long machine) throws IOException {
        long sheet = api.read(api.post(
                        "/api/machines/" + machine + "/sheets",
                        "{\"kind\": \"HEALTH\", \"paper\": \"A4\", \"wanted\": {}}"))
                .at("/made/0/id")
                .asLong();
        await(machine, printed(sheet), "DONE");
        return api.read(api.send("/api/readings", bench.pictureOfPage("Bramble", With.SCANNER, 3)))
                .get("id")
                .asLong();
    }

    private long printed(long sheet) {
        api.post("/api/sheets/" + sheet + "/print", "{}");
        return sheet;
    }

    /** A sheet of eight ribbon tails for a customer, sent. */
    private long jobSheet(long machine, String name) {
        long job = api.read(api.post("/api/jobs", """
            {"customer": "Marsh Lane Pony Club", "what": "tails", "ink": "SUBLIMATION",
             "substrate": "SATIN_RIBBON", "dark": false, "photo": false, "pieces": [{"label": "tail",
             "width": 400, "height": 1500, "count": 4, "turning": "ALONG", "artwork": null}],
             "media": "A4", "gap": 40, "due": "%s", "notes": "", "preset": "",
             "press": {"celsius": 200, "seconds": 45}, "cure": null, "blank": 12, "blankArticle": 0}
            """.formatted(Instant.now().plus(Duration.ofDays(2)))))
                .at("/id")
                .asLong();
        assertThat(api.post("/api/jobs/" + job + "/machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine)))
                .hasStatusOk();
        return api.read(api.post("/api/jobs/" + job + "/sheets", """
            {"machine": "%s", "first": 0, "count": 1, "test": false, "mirrored": true,
             "reason": "the club waits", "send": true}
            """.formatted(name)))
                .at("/sheets/0/id")
                .asLong();
    }

    @Test
    void aPrinterThatTakesNothingOfOursIsSaidSo() {
        long machine = machine("Prints nothing");
        long sheet = sheet(machine);
        bench.takes("Bramble", "application/vnd.unheard-of");
        api.post("/api/sheets/" + sheet + "/print", "{}");
        assertThat(await(machine, sheet, "FAILED").get("words").asString()).contains("neither PDF nor raster");
    }

    @Test
    void outOfPaperItWaitsAndGoesOn() {
        long machine = machine("Prints later");
        long sheet = sheet(machine);
        bench.fault("Bramble", "PAPER_OUT");
        api.post("/api/sheets/" + sheet + "/print", "{}");
        until(() -> job(machine, sheet).get("words").asString().contains("Out of paper"));
        assertThat(job(machine, sheet).get("state").asString()).isEqualTo("PRINTING");
        bench.fault("Bramble", "PAPER_IN");
        await(machine, sheet, "DONE");
    }

    @Test
    void aCancelledSheetTakesNoInk() {
        long machine = machine("Prints never");
        long sheet = sheet(machine);
        bench.fault("Bramble", "PAPER_OUT");
        api.post("/api/sheets/" + sheet + "/print", "{}");
        until(() -> job(machine, sheet).get("words").asString().contains("Out of paper"));
        api.post("/api/print-jobs/" + job(machine, sheet).get("id").asLong() + "/cancel", "{}");
        await(machine, sheet, "CANCELLED");
        bench.fault("Bramble", "PAPER_IN");
        assertThat(bench.pages("Bramble")).isZero();
        assertThat(api.read(api.get("/api/machines/" + machine + "/sheets"))
                        .at("/made/0/printed")
                        .asBoolean())
                .isFalse();
    }

    @Test
    void byTlsTheFirstCertificateIsRememberedAndAnotherIsRefused() throws IOException {
        bench.secure();
        long machine = machine("Prints by TLS");
        var address = "{\"uri\": \"%s\"}".formatted(bench.securePrinter("Bramble"));
        api.put("/api/machines/" + machine + "/printer", address, "0");
        long first = sheet(machine);
        api.post("/api/sheets/" + first + "/print", "{}");
        await(machine, first, "DONE");
        bench.secure(); // the same address, another key
        long second = sheet(machine);
        api.post("/api/sheets/" + second + "/print", "{}");
        assertThat(await(machine, second, "FAILED").get("words").asString()).contains("Another printer answers here");
        assertThat(bench.pages("Bramble")).isEqualTo(1);
        api.put("/api/machines/" + machine + "/printer", address, "0"); // a person entered it anew
        api.post("/api/sheets/" + second + "/print", "{}");
        await(machine, second, "DONE");
    }

    @Test
    void beforeTheNetworkIsSetUpSomebodyWritesDownWhereItsPasswordIsKept() {
        long machine = machine("Prints in the network");
        var uri = "/api/machines/" + machine + "/printer";
        assertThat(api.put(uri, "{\"uri\": \"ipp://192.0.2.7/ipp/print\"}", "0"))
                .hasStatus(400)
                .bodyText()
                .contains("never the password");
        assertThat(api.put(
                        uri, "{\"uri\": \"ipp://192.0.2.7/ipp/print\", \"passwordPlace\": \"red book, office\"}", "0"))
                .hasStatusOk();
        assertThat(api.read(api.get("/api/machines/" + machine + "/passport")).toString())
                .contains("red book, office");
        assertThat(api.put(uri, "{\"uri\": \"ipp://192.0.2.8/ipp/print\"}", "0"))
                .as("asked once")
                .hasStatusOk();
    }

    @Test
    void aPrinterIsAskedForItsLevelsAndItsAddressIsChecked() {
        long machine = machine("Prints levels");
        var printer = api.read(api.get("/api/machines/" + machine + "/printer"));
        assertThat(printer.get("answers").asBoolean()).isTrue();
        assertThat(printer.at("/supplies/0/percent").asInt()).isBetween(0, 100);
        assertThat(api.put("/api/machines/" + machine + "/printer", "{\"uri\": \"http://example.org/\"}", "0"))
                .hasStatus(400);
        assertThat(api.put("/api/machines/" + machine + "/printer", "{\"uri\": \"\"}", "0"))
                .hasStatusOk();
        assertThat(api.post("/api/sheets/" + sheet(machine) + "/print", "{}")).hasStatus(422);
    }

    private long machine(String name) {
        return printing(api.machine(name, "small-tank", "INKED"));
    }

    private long sublimation(String name) {
        return printing(api.read(api.post("/api/machines", """
            {"name": "%s", "bench": "window", "profile": "small-tank", "holds": "INKED",
             "family": "SUBLIMATION", "make": "ours", "foodOnly": false, "tankShare": 0.6}
            """.formatted(name)))
                .at("/plate/id")
                .asLong());
    }

    private long printing(long id) {
        assertThat(api.put(
                        "/api/machines/" + id + "/printer",
                        "{\"uri\": \"%s\"}".formatted(bench.printer("Bramble")),
                        "0"))
                .hasStatusOk();
        return id;
    }

    private long sheet(long machine) {
        return api.read(api.post(
                        "/api/machines/" + machine + "/sheets",
                        "{\"kind\": \"PURGE\", \"paper\": \"A4\", \"wanted\": {\"C\": 0.5}}"))
                .at("/made/0/id")
                .asLong();
    }

    private JsonNode job(long machine, long sheet) {
        for (var job :
                api.read(api.get("/api/machines/" + machine + "/print-jobs")).get("jobs")) {
            if (job.get("sheet").asLong() == sheet) {
                return job;
            }
        }
        throw new AssertionError("No job for sheet " + sheet);
    }

    private JsonNode await(long machine, long sheet, String state) {
        until(() -> job(machine, sheet).get("state").asString().equals(state));
        return job(machine, sheet);
    }

    private void awaitPrinted(long machine) {
        until(() -> api.read(api.get("/api/machines/" + machine + "/sheets"))
                .at("/made/0/printed")
                .asBoolean());
    }

    private static void until(BooleanSupplier true_) {
        var end = Instant.now().plus(Duration.ofSeconds(40));
        while (!true_.getAsBoolean()) {
            assertThat(Instant.now()).as("it takes too long").isBefore(end);
            LockSupport.parkNanos(50_000_000);
        }
    }
}
