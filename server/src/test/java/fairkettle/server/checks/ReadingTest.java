package fairkettle.server.checks;

import static fairkettle.db.Tables.SHEET;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.machine.Profiles;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.standin.Snapshot.With;
import fairkettle.standin.Standins;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import org.jooq.DSLContext;
import org.jooq.types.DayToSecond;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** Pictures of checks: read, filed by themselves, corrected, compared. */
@ServerTest
class ReadingTest {

    @Autowired
    private Api api;

    @Autowired
    private DSLContext db;

    private Standins bench;

    @BeforeEach
    void start() throws IOException {
        bench = Standins.start(
                List.of(new Standins.Wanted("Sorrel", Profiles.named("small-tank"), false)),
                3,
                0,
                Clock.systemUTC(),
                1);
        List.of("K", "C", "M", "Y").forEach(c -> bench.machine("Sorrel").clog(c, List.of()));
    }

    @AfterEach
    void stop() {
        bench.close();
    }

    @Test
    void aPictureFilesItselfAndIsACheck() throws IOException {
        long machine = machine("Read itself");
        bench.machine("Sorrel").clog("M", List.of(7, 8));
        var reading = read(null, picture(1));
        assertThat(reading.get("machine").asLong()).isEqualTo(machine);
        assertThat(look(reading, "M").get("missing")).hasToString("[7,8]");
        var checks = api.read(api.get("/api/machines/" + machine + "/checks"));
        assertThat(checks.at("/channels/2/missing")).hasToString("[7,8]");
        assertThat(checks.at("/verdict/headline").asString()).isEqualTo("2 missing.");
        assertThat(api.get("/api/pictures/" + reading.get("straight").asString()))
                .hasStatusOk()
                .hasContentType("image/jpeg");
    }

    @Test
    void aScanAsTiffIsReadLikeAPhoto() throws IOException {
        machine("Read from a scan");
        bench.machine("Sorrel").clog("M", List.of(7, 8));
        var scan = new ByteArrayOutputStream();
        ImageIO.write(ImageIO.read(new ByteArrayInputStream(scan(1))), "tiff", scan);
        var reading = read(null, scan.toByteArray());
        assertThat(look(reading, "M").get("missing")).hasToString("[7,8]");
        assertThat(api.get("/api/pictures/" + reading.get("picture").asString()))
                .hasStatusOk()
                .hasContentType("image/jpeg");
    }

    @Test
    void theNextOneIsHeldAgainstIt() throws IOException {
        long machine = machine("Read twice");
        bench.machine("Sorrel").clog("C", List.of(3, 30));
        read(null, picture(1));
        bench.machine("Sorrel").clog("C", List.of(30));
        read(null, picture(2));
        var cyan = api.read(api.get("/api/machines/" + machine + "/checks")).at("/channels/1");
        assertThat(cyan.get("change").asString()).isEqualTo("healed");
        assertThat(cyan.get("best").asInt()).isEqualTo(1);
        assertThat(cyan.get("past")).hasSize(2);
    }

    @Test
    void pagesStandInOrderWithWhatWasDoneBetweenThem() throws IOException {
        long machine = machine("Read in order");
        read(null, picture(1));
        api.post("/api/machines/" + machine + "/cleanings", "{\"power\": false}");
        read(null, picture(2));
        var pages = api.read(api.get("/api/machines/" + machine + "/pages"));
        assertThat(pages.get("pages")).hasSize(2);
        assertThat(pages.has("older")).isFalse();
        long newest = pages.at("/pages/0/reading/id").asLong();
        assertThat(newest).isGreaterThan(pages.at("/pages/1/reading/id").asLong());
        assertThat(pages.at("/pages/0/since").toString()).contains("cleaning");
        assertThat(pages.at("/pages/1/since")).isEmpty();
        assertThat(api.read(api.get("/api/machines/" + machine + "/pages?before=" + newest))
                        .get("pages"))
                .hasSize(1);
    }

    @Test
    void theSamePictureTwiceIsOneCheck() throws IOException {
        long machine = machine("Read again");
        byte[] picture = picture(1);
        assertThat(read(machine, picture).get("id").asLong())
                .isEqualTo(read(machine, picture).get("id").asLong());
        assertThat(api.read(api.get("/api/machines/" + machine + "/checks")).at("/channels/0/past"))
                .hasSize(1);
    }

    @Test
    void aCorrectionIsKeptBesideWhatWasRead() throws IOException {
        long machine = machine("Read corrected");
        bench.machine("Sorrel").clog("K", List.of(5));
        long id = read(null, picture(1)).get("id").asLong();
        var corrected =
                api.read(api.post("/api/readings/" + id + "/corrections", "{\"channel\": \"K\", \"missing\": [5, 6]}"));
        assertThat(look(corrected, "K").get("missing")).hasToString("[5,6]");
        assertThat(look(corrected, "K").get("corrected").asBoolean()).isTrue();
        assertThat(api.read(api.get("/api/machines/" + machine + "/checks")).at("/channels/0/missing"))
                .hasToString("[5,6]");
        assertThat(api.post("/api/readings/" + id + "/corrections", "{\"channel\": \"K\", \"missing\": [59]}"))
                .hasStatus(400);
        assertThat(api.post("/api/readings/" + id + "/corrections", "{\"channel\": \"LC\", \"missing\": []}"))
                .hasStatus(400);
    }

    @Test
    void aPictureSentAtAnotherMachineGoesWhereItBelongsAndSaysSo() throws IOException {
        long other = api.machine("Read elsewhere", "small-tank", "INKED");
        long machine = machine("Read here");
        var reading = read(other, picture(1));
        assertThat(reading.get("machine").asLong()).isEqualTo(machine);
        assertThat(reading.at("/doubts/0").asString()).contains("Read here’s sheet");
        assertThat(api.read(api.get("/api/machines/" + other + "/checks")).get("channels"))
                .isEmpty();
    }

    @Test
    void whatIsReadForACardIsNoCheckOfItsOwn() throws IOException {
        long machine = machine("Read for a card");
        var reading = api.read(api.send("/api/readings?machine=" + machine + "&keep=false", picture(1)));
        assertThat(look(reading, "K").get("missing")).isEmpty();
        assertThat(api.read(api.get("/api/machines/" + machine + "/checks")).get("channels"))
                .isEmpty();
        read(machine, picture(1)); // the same picture, sent from Checks, is one
        assertThat(api.read(api.get("/api/machines/" + machine + "/checks")).get("channels"))
                .hasSize(4);
    }

    @Test
    void twoSheetsInOnePictureAreTwoChecks() throws IOException {
        long first = machine("Read above");
        bench.machine("Sorrel").clog("M", List.of(7, 8));
        byte[] above = scan(1);
        long second = machine("Read below");
        bench.machine("Sorrel").clog("M", List.of(30));
        byte[] both = under(above, scan(2));
        var reading = read(second, both);
        assertThat(reading.get("machine").asLong()).isEqualTo(second);
        assertThat(look(reading, "M").get("missing")).hasToString("[30]");
        assertThat(reading.at("/alsoRead/0/machineName").asString()).isEqualTo("Read above");
        assertThat(api.read(api.get("/api/machines/" + first + "/checks")).at("/channels/2/missing"))
                .hasToString("[7,8]");
        read(first, both); // once more: nothing is filed twice
        for (long machine : List.of(first, second)) {
            assertThat(api.read(api.get("/api/machines/" + machine + "/checks")).at("/channels/0/past"))
                    .hasSize(1);
        }
    }

    @Test
    void aChannelWithHiddenStrokesIsNoCheckBeforeSomebodyLooked() throws IOException {
        long machine = machine("Read under a thumb");
        var reading = read(machine, thumbed(scan(1)));
        var hidden = StreamSupport.stream(reading.get("looks").spliterator(), false)
                .filter(l -> !l.get("unseen").isEmpty())
                .toList();
        assertThat(hidden).isNotEmpty();
        for (var look : hidden) {
            var code = look.get("channel").asString();
            assertThat(look.get("missing")).isEmpty();
            assertThat(channels(machine)).doesNotContain(code);
            api.post(
                    "/api/readings/" + reading.get("id").asLong() + "/corrections",
                    "{\"channel\": \"%s\", \"missing\": []}".formatted(code));
            assertThat(channels(machine)).contains(code);
        }
    }

    private List<String> channels(long machine) {
        return StreamSupport.stream(
                        api.read(api.get("/api/machines/" + machine + "/checks"))
                                .get("channels")
                                .spliterator(),
                        false)
                .map(c -> c.get("channel").asString())
                .toList();
    }

    /** A thumb's tip over the last strokes of yellow, where the strip lies in the window. */
    private static byte[] thumbed(byte[] scan) throws IOException {
        var picture = ImageIO.read(new ByteArrayInputStream(scan));
        double mm = 200 / 25.4; // pixels
        var pen = picture.createGraphics();
        pen.setColor(new Color(196, 160, 140));
        pen.fillOval((int) (137.8 * mm), (int) (81.7 * mm), (int) (9 * mm), (int) (9 * mm));
        var out = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", out);
        return out.toByteArray();
    }

    @Test
    void aSheetOfAnotherTimeUnderTheSameNumberIsNotFiled() throws IOException {
        long machine = machine("Read too late");
        byte[] picture = picture(1);
        db.update(SHEET)
                .set(SHEET.MADE_AT, SHEET.MADE_AT.plus(DayToSecond.valueOf(Duration.ofDays(3))))
                .where(SHEET.MACHINE_ID.eq(machine))
                .execute();
        var reading = read(machine, picture);
        assertThat(reading.get("whyNot").asString()).contains("older");
        assertThat(api.read(api.get("/api/machines/" + machine + "/checks")).get("channels"))
                .isEmpty();
    }

    @Test
    void aStrangePictureIsKeptUnreadAndFourTapsMayHelp() throws IOException {
        long machine = api.machine("Read by taps", "small-tank", "INKED");
        bench.machine("Sorrel").clog("Y", List.of(11));
        byte[] bare = bench.pictureOfCheck("Sorrel", false, With.SCANNER, 8); // no frame was printed: no marks
        var unread = read(machine, bare);
        assertThat(unread.get("whyNot").asString()).contains("No mark of ours");
        double mm = 200 / 25.4;
        double right = (12 + 57) * mm;
        double low = (12 + 58 * 25.4 / 90) * mm;
        var reading = api.read(api.post(
                "/api/readings/" + unread.get("id").asLong() + "/corners",
                "{\"machine\": %d, \"dark\": false, \"corners\": [%s, %s, %s, %s, %s, %s, %s, %s]}"
                        .formatted(machine, 12 * mm, 12 * mm, right, 12 * mm, right, low, 12 * mm, low)));
        assertThat(look(reading, "Y").get("missing")).hasToString("[11]");
        assertThat(api.post(
                        "/api/readings/" + unread.get("id").asLong() + "/corners",
                        "{\"machine\": %d, \"dark\": false, \"corners\": [0, 0, 90000, 0, 9, 9, 0, 9]}"
                                .formatted(machine)))
                .hasStatus(400);
    }

    @Test
    void hostileFilesAreRefused() {
        assertThat(api.send("/api/readings", "<script>alert(1)</script>".getBytes(StandardCharsets.UTF_8)))
                .hasStatus(400);
        assertThat(api.send("/api/readings", new byte[] {(byte) 0xff, (byte) 0xd8, (byte) 0xff, 0, 1, 2}))
                .hasStatus(400);
        assertThat(api.send("/api/readings", new byte[16_000_000])).hasStatus(400);
    }

    private long machine(String name) throws IOException {
        long id = api.machine(name, "small-tank", "INKED");
        long sheet = api.read(api.post(
                        "/api/machines/" + id + "/sheets", "{\"kind\": \"FRAME\", \"paper\": \"A4\", \"wanted\": {}}"))
                .at("/made/0/id")
                .asLong();
        bench.print(
                "Sorrel",
                api.get("/api/sheets/" + sheet + "/sheet.pdf").getResponse().getContentAsByteArray());
        return id;
    }

    private static byte[] under(byte[] upper, byte[] lower) throws IOException {
        var above = ImageIO.read(new ByteArrayInputStream(upper));
        var below = ImageIO.read(new ByteArrayInputStream(lower));
        var both = new BufferedImage(
                Math.max(above.getWidth(), below.getWidth()),
                above.getHeight() + below.getHeight(),
                BufferedImage.TYPE_INT_RGB);
        both.getGraphics().drawImage(above, 0, 0, null);
        both.getGraphics().drawImage(below, 0, above.getHeight(), null);
        var out = new ByteArrayOutputStream();
        ImageIO.write(both, "png", out);
        return out.toByteArray();
    }

    private byte[] picture(long seed) {
        return bench.pictureOfCheck("Sorrel", false, With.PHONE, seed);
    }

    private byte[] scan(long seed) {
        return bench.pictureOfCheck("Sorrel", false, With.SCANNER, seed);
    }

    private JsonNode read(Long machine, byte[] picture) {
        var answer = api.send("/api/readings" + (machine == null ? "" : "?machine=" + machine), picture);
        assertThat(answer).hasStatus(201);
        return api.read(answer);
    }

    private static JsonNode look(JsonNode reading, String channel) {
        for (var look : reading.get("looks")) {
            if (look.get("channel").asString().equals(channel)) {
                return look;
            }
        }
        throw new AssertionError("No " + channel + " in " + reading);
    }
}
