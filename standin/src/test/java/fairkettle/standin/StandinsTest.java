package fairkettle.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.hp.jipp.encoding.IppInputStream;
import com.hp.jipp.encoding.IppOutputStream;
import com.hp.jipp.encoding.IppPacket;
import com.hp.jipp.encoding.Tag;
import com.hp.jipp.model.JobState;
import com.hp.jipp.model.Types;
import fairkettle.machine.Profiles;
import fairkettle.standin.machine.SimMachine;
import fairkettle.standin.machine.Trouble;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.color.PDColorSpace;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The bench over the network, as any client sees it. */
class StandinsTest {

    private final HttpClient http = HttpClient.newHttpClient();
    private Standins bench;

    @BeforeEach
    void start() throws IOException {
        bench = Standins.start(
                List.of(
                        new Standins.Wanted("Bramble", Profiles.named("small-tank"), false),
                        new Standins.Wanted("Teasel", Profiles.named("small-cartridge"), true),
                        new Standins.Wanted("Thistle", Profiles.named("film-rebuilt"), false)),
                5,
                0,
                Clock.systemUTC(),
                1);
    }

    @AfterEach
    void stop() {
        bench.close();
    }

    @Test
    void aPrinterSaysWhatItIsAndHowItsInksStand() throws Exception {
        var answer = ask("Bramble", IppPacket.getPrinterAttributes(bench.printer("Bramble")), new byte[0]);
        var printer = answer.get(Tag.printerAttributes);
        assertThat(printer.getString(Types.printerName)).isEqualTo("Bramble");
        assertThat(printer.get("document-format-supported").strings())
                .contains("application/pdf", "image/pwg-raster", "image/jpeg");
        assertThat(printer.get("marker-names").strings()).containsExactly("K", "C", "M", "Y", "waste");
        assertThat(ask("Teasel", IppPacket.getPrinterAttributes(bench.printer("Teasel")), new byte[0])
                        .get(Tag.printerAttributes)
                        .get("marker-levels")
                        .subList(0, 4))
                .hasToString("[100, 100, 100, 100]");
    }

    @ParameterizedTest
    @CsvSource({"none, 260", "fit, 252.2"})
    void aPageIsFittedIntoTheMarginsUnlessItIsToldNotTo(String scaling, double points) throws Exception {
        ask(
                "Bramble",
                IppPacket.printJob(bench.printer("Bramble"))
                        .putOperationAttributes(Types.documentFormat.of("application/pdf"))
                        .putJobAttributes(Types.printScaling.of(scaling)),
                cyanPage());
        while (bench.pages("Bramble") == 0) {
            Thread.onSpinWait();
        }
        double[] marks = bench.marks("Bramble");
        assertThat(marks[2] - marks[0]).isCloseTo(points / 72 * 25.4, within(.3));
    }

    @Test
    void aPageIsPrintedWithInkAndLiesInTheTray() throws Exception {
        double before = bench.machine("Bramble").levels().get("C");
        var job = ask(
                "Bramble",
                IppPacket.printJob(bench.printer("Bramble"))
                        .putOperationAttributes(Types.documentFormat.of("application/pdf"))
                        .putJobAttributes(Types.printScaling.of("none")),
                cyanPage());
        int id = job.getValue(Tag.jobAttributes, Types.jobId);
        JobState state;
        do {
            state = ask("Bramble", IppPacket.getJobAttributes(bench.printer("Bramble"), id), new byte[0])
                    .getValue(Tag.jobAttributes, Types.jobState);
        } while (state.getCode() < JobState.canceled.getCode());
        assertThat(state).isEqualTo(JobState.completed);
        assertThat(bench.machine("Bramble").levels().get("C"))
                .isCloseTo(before - .7 * (260 * 160) / (595.0 * 842), within(.01));
        var picture = get("/tray/bramble/0.jpg");
        assertThat(picture.statusCode()).isEqualTo(200);
        assertThat(picture.body()).startsWith((byte) 0xff, (byte) 0xd8);
    }

    @Test
    void whatItCannotPrintItSays() throws Exception {
        var uri = bench.printer("Bramble");
        assertThat(ask(
                                "Bramble",
                                IppPacket.validateJob(uri)
                                        .putOperationAttributes(Types.documentFormat.of("text/plain")),
                                new byte[0])
                        .getStatus()
                        .getName())
                .isEqualTo("client-error-document-format-not-supported");
        assertThat(ask("Bramble", IppPacket.getJobAttributes(uri, 4711), new byte[0])
                        .getStatus()
                        .getName())
                .isEqualTo("client-error-not-found");
        post("/fault/bramble", "REFUSES");
        assertThat(ask(
                                "Bramble",
                                IppPacket.validateJob(uri)
                                        .putOperationAttributes(Types.documentFormat.of("application/pdf")),
                                new byte[0])
                        .getStatus()
                        .getName())
                .isEqualTo("server-error-not-accepting-jobs");
    }

    @Test
    void anOfflinePrinterSaysNothing() throws Exception {
        post("/fault/bramble", "OFFLINE");
        assertThatThrownBy(() -> ask("Bramble", IppPacket.getPrinterAttributes(bench.printer("Bramble")), new byte[0]))
                .isInstanceOf(IOException.class);
    }

    @Test
    void aMachineIsSpoiledLookedIntoAndCuredOnItsPage() throws Exception {
        bench.machine("Bramble").makeWell();
        assertThat(post("/spoil/bramble", "SHUT C").statusCode()).isEqualTo(204);
        var ill = inside("C").nozzles();
        assertThat(ill).contains("s");
        for (int i = 0; i < 4; i++) {
            post("/act/bramble", "Soak 10");
            post("/act/bramble", "Clean");
        }
        assertThat(inside("C").nozzles().chars().filter(n -> n != '.').count())
                .isLessThan(ill.chars().filter(n -> n != '.').count());
        assertThat(bench.machine("Bramble").lately().stream().map(SimMachine.Happened::what))
                .containsSubsequence("a dozen nozzles dried shut: C", "soak", "clean");
        assertThat(post("/spoil/bramble", "WELL").statusCode()).isEqualTo(204);
        assertThat(inside("C").nozzles()).matches("\\.+");
    }

    @ParameterizedTest
    @EnumSource
    void everyTroubleCanBeSeenFromInsideAndIsGoneOnceItIsMadeWell(Trouble trouble) {
        var machine = bench.machine("Bramble");
        machine.makeWell();
        var well = machine.inside();
        double leak = machine.leak();
        machine.spoil(trouble, "C");
        assertThat(List.of(machine.inside(), machine.leak())).isNotEqualTo(List.of(well, leak));
        machine.makeWell();
        assertThat(machine.inside())
                .allSatisfy(c -> assertThat(c.nozzles()).matches("\\.+"))
                .allSatisfy(c -> assertThat(c.filter() + c.air() + c.settled() + c.foreign())
                        .isLessThan(.1))
                .noneMatch(SimMachine.Inside::ventShut);
    }

    @Test
    void thePageIsThereAndWhatLiesInTheTrayCanBeSeen() throws Exception {
        assertThat(new String(get("/").body(), StandardCharsets.UTF_8)).contains("The simulated bench");
        assertThat(get("/bench.js").headers().firstValue("Content-Type")).contains("text/javascript; charset=utf-8");
        assertThat(get("/nowhere.js").statusCode()).isEqualTo(404);
        assertThat(get("/tray/bramble/0.png").statusCode()).isEqualTo(404);
        post("/act/bramble", "Check");
        assertThat(get("/tray/bramble/0.png").body()).startsWith((byte) 0x89, (byte) 'P', (byte) 'N', (byte) 'G');
        assertThat(new String(get("/state").body(), StandardCharsets.UTF_8))
                .contains("\"name\":\"Teasel\"", "\"pages\":1", "\"humidity\"");
    }

    @Test
    void anotherSitesPageDoesNothingToIt() throws Exception {
        var answer = http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + bench.port() + "/spoil/bramble"))
                        .header("Origin", "http://elsewhere.example")
                        .POST(HttpRequest.BodyPublishers.ofString("DEAD C"))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        assertThat(answer.statusCode()).isEqualTo(404);
        assertThat(inside("C").nozzles()).doesNotContain("d");
    }

    private SimMachine.Inside inside(String code) {
        return bench.machine("Bramble").inside().stream()
                .filter(c -> c.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void whatPeopleDoArrivesAndNonsenseIsSaid() throws Exception {
        double before = bench.machine("Teasel").levels().get("M");
        assertThat(post("/act/teasel", "Purge M 2").statusCode()).isEqualTo(204);
        assertThat(bench.machine("Teasel").levels().get("M")).isLessThan(before);
        assertThat(post("/act/teasel", "Juggle").body()).contains("No act is called Juggle");
        assertThat(get("/tray/nobody/0.jpg").statusCode()).isEqualTo(404);
        assertThat(new String(get("/probe").body())).contains("celsius", "humidity");
    }

    private IppPacket ask(String machine, IppPacket.Builder request, byte[] document) throws Exception {
        var out = new ByteArrayOutputStream();
        new IppOutputStream(out).write(request.build());
        out.write(document);
        var answer = http.send(
                HttpRequest.newBuilder(at("/ipp/" + machine.toLowerCase(Locale.ROOT)))
                        .header("Content-Type", "application/ipp")
                        .POST(HttpRequest.BodyPublishers.ofByteArray(out.toByteArray()))
                        .build(),
                HttpResponse.BodyHandlers.ofInputStream());
        return new IppInputStream(answer.body()).readPacket();
    }

    private HttpResponse<byte[]> get(String path) throws Exception {
        return http.send(HttpRequest.newBuilder(at(path)).build(), HttpResponse.BodyHandlers.ofByteArray());
    }

    private HttpResponse<String> post(String path, String words) throws Exception {
        return http.send(
                HttpRequest.newBuilder(at(path))
                        .POST(HttpRequest.BodyPublishers.ofString(words))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private URI at(String path) {
        return URI.create("http://127.0.0.1:" + bench.port() + path);
    }

    @Test
    void whiteOnAPageComesOutOfItsOwnTankAndNoOther() throws Exception {
        var before = bench.machine("Thistle").levels();
        ask(
                "Thistle",
                IppPacket.printJob(bench.printer("Thistle"))
                        .putOperationAttributes(Types.documentFormat.of("application/pdf"))
                        .putJobAttributes(Types.printScaling.of("none")),
                whitePage());
        while (bench.pages("Thistle") == 0) {
            Thread.onSpinWait();
        }
        var after = bench.machine("Thistle").levels();
        double half = 260 * 160 / 2.0; // points: half of the picture is covered
        assertThat(before.get("W1") - after.get("W1")).isCloseTo(.7 * half / (595.0 * 842), within(.005));
        assertThat(after.get("C")).isEqualTo(before.get("C"));
        assertThat(after.get("K")).isEqualTo(before.get("K"));
    }

    /** A picture of white, as a spot colour, left half of it covered. */
    private static byte[] whitePage() throws IOException {
        try (var document = new PDDocument()) {
            var page = new PDPage(new PDRectangle(300, 200));
            document.addPage(page);
            var image = new BufferedImage(20, 10, BufferedImage.TYPE_BYTE_GRAY);
            for (int i = 0; i < 100; i++) {
                image.getRaster().setSample(i % 10, i / 10, 0, 255);
            }
            var white = LosslessFactory.createFromImage(document, image);
            var function = new COSDictionary();
            function.setInt(COSName.FUNCTION_TYPE, 2);
            function.setInt(COSName.N, 1);
            function.setItem(COSName.DOMAIN, numbers(0f, 1f));
            function.setItem(COSName.C0, numbers(0f, 0f, 0f, 0f));
            function.setItem(COSName.C1, numbers(0f, 0f, 0f, .2f));
            var spot = new COSArray();
            spot.add(COSName.SEPARATION);
            spot.add(COSName.getPDFName("W1"));
            spot.add(COSName.DEVICECMYK);
            spot.add(function);
            white.setColorSpace(PDColorSpace.create(spot));
            try (var on = new PDPageContentStream(document, page)) {
                on.drawImage(white, 20, 20, 260, 160);
            }
            var out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static COSArray numbers(float... values) {
        var array = new COSArray();
        array.setFloatArray(values);
        return array;
    }

    private static byte[] cyanPage() throws IOException {
        try (var document = new PDDocument()) {
            var page = new PDPage(new PDRectangle(300, 200));
            document.addPage(page);
            try (var on = new PDPageContentStream(document, page)) {
                on.setNonStrokingColor(0f, 1f, 1f);
                on.addRect(20, 20, 260, 160);
                on.fill();
            }
            var out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }
}
