package fairkettle.server.jobs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** From the order to the statement, and back again when it is struck out. */
@ServerTest
class JobsTest {

    @Autowired
    private Api api;

    @Autowired
    private JsonMapper json;

    @Autowired
    private Clock clock;

    private long machine(String name, String profile, String family, boolean food) {
        return api.read(api.post("/api/machines", """
            {"name": "%s", "bench": "window", "profile": "%s", "holds": "INKED", "family": "%s",
             "make": "ours", "foodOnly": %s, "tankShare": 0.6}
            """.formatted(name, profile, family, food)))
                .at("/plate/id")
                .asLong();
    }

    /** Every nozzle left its mark, just now. */
    private void looksGood(long machine) {
        var missing = new java.util.StringJoiner(",", "{\"missing\": {", "}}");
        api.read(api.get("/api/machines/" + machine))
                .at("/plate/channels")
                .forEach(c -> missing.add("\"%s\": []".formatted(c.path("code").asString())));
        assertThat(api.post("/api/machines/" + machine + "/checks", missing.toString()))
                .hasStatus2xxSuccessful();
    }

    private ObjectNode order(String what, String ink, String substrate, String media, Duration until) {
        return (ObjectNode) json.readTree(
                """
                {"customer": "Marsh Lane Pony Club", "what": "%s", "ink": "%s", "substrate": "%s", "dark": false,
                 "photo": false, "pieces": [{"label": "tail", "width": 400, "height": 1500, "count": 8,
                 "turning": "ALONG", "artwork": null}], "media": "%s", "gap": 40, "due": "%s", "notes": "", "preset": "",
                 "press": {"celsius": 200, "seconds": 45}, "cure": null, "blank": 12, "blankArticle": 0}
                """.formatted(what, ink, substrate, media, clock.instant().plus(until)));
    }

    private JsonNode take(ObjectNode order) {
        return api.read(api.post("/api/jobs", order.toString()));
    }

    private MvcTestResult act(long job, String act, String body) {
        return api.post("/api/jobs/" + job + "/" + act, body);
    }

    private JsonNode sheetOut(long job, String machine, int count) {
        var made = act(
                job,
                "sheets",
                "{\"machine\": \"%s\", \"first\": 0, \"count\": %d, \"test\": false, \"mirrored\": true, \"reason\": \"\", \"send\": false}"
                        .formatted(machine, count));
        assertThat(made).hasStatus(201);
        long sheet = api.read(made).at("/sheets/0/id").asLong();
        return api.read(act(job, "sheets/" + sheet + "/out", "{}"));
    }

    private byte[] picture(Color colour) {
        var image = new BufferedImage(400, 300, BufferedImage.TYPE_INT_ARGB);
        var on = image.createGraphics();
        on.setColor(colour);
        on.fillRect(0, 0, 200, 300);
        on.dispose();
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    @Test
    void aJobThatIsLongOverdueIsRankedAllTheSame() {
        long machine = machine("Late Bramble", "small-tank", "SUBLIMATION", false);
        var draft = api.read(api.post(
                "/api/jobs/draft",
                order("late tails", "SUBLIMATION", "SATIN_RIBBON", "A4", Duration.ofDays(-400))
                        .toString()));

        var late = draft.get("machines")
                .valueStream()
                .filter(m -> m.get("machine").asLong() == machine)
                .findFirst()
                .orElseThrow();
        assertThat(late.get("can").asBoolean()).isTrue();
        assertThat(late.get("inTime").asBoolean()).isFalse();
        assertThat(late.get("helps").toString()).contains("Promise it later");
    }

    @Test
    void untreatedCottonIsRefusedWithItsReasonAndStaysInTheList() {
        var job = take(order("club shirts", "SUBLIMATION", "COTTON", "A4", Duration.ofDays(2)));

        assertThat(job.at("/state").asString()).isEqualTo("REFUSED");
        assertThat(job.at("/gate/says").asString()).contains("washes out");
        assertThat(api.read(api.get("/api/jobs")).at("/over").toString()).contains("club shirts");
        assertThat(act(job.at("/id").asLong(), "machine", "{\"machine\": 1, \"anyway\": true}"))
                .hasStatus(422);
    }

    @Test
    void aJobGoesFromTheOrderToTheStatement() throws Exception {
        long machine = machine("Rosette Bramble", "small-tank", "SUBLIMATION", false);
        var art = api.read(api.send("/api/artworks?name=first prize", picture(Color.RED)));
        assertThat(art.at("/transparent").asBoolean()).isTrue();
        var order = order("rosette tails", "SUBLIMATION", "SATIN_RIBBON", "A4", Duration.ofDays(2));
        ((ObjectNode) order.at("/pieces/0")).put("artwork", art.at("/id").asLong());
        var job = take(order);
        long id = job.at("/id").asLong();
        assertThat(job.at("/laidOut/sheets").asInt()).isEqualTo(2);
        assertThat(job.at("/mirrored").asBoolean()).isTrue();

        // nothing is printed before somebody looked at the machine today
        assertThat(act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine)))
                .hasStatusOk();
        var wish = "{\"machine\": \"Rosette Bramble\", \"first\": 0, \"count\": 2, \"test\": false, \"mirrored\": true,"
                + " \"reason\": \"\", \"send\": false}";
        assertThat(act(id, "sheets", wish)).hasStatus(400).bodyText().contains("not looked at yet");
        assertThat(act(id, "sheets", wish.replace("\"reason\": \"\"", "\"reason\": \"the club waits\"")))
                .hasStatus(201);
        looksGood(machine);
        assertThat(act(id, "sheets", wish.replace("Rosette Bramble", "Sorrel")))
                .hasStatus(422)
                .bodyText()
                .contains("for Rosette Bramble, not for Sorrel");
        assertThat(act(id, "sheets", wish.replace("\"mirrored\": true", "\"mirrored\": false")))
                .hasStatus(400)
                .bodyText()
                .contains("wrong way round");

        double before = api.read(api.get("/api/machines/" + machine))
                .at("/plate/channels/2/path/0/layers/0/volume")
                .asDouble();
        var printed = sheetOut(id, "Rosette Bramble", 2);
        assertThat(printed.at("/state").asString()).isEqualTo("PRINTED");
        assertThat(act(id, "sheets", wish)).hasStatus(400).bodyText().contains("why they are printed again");
        double after = api.read(api.get("/api/machines/" + machine))
                .at("/plate/channels/2/path/0/layers/0/volume")
                .asDouble();
        double takes = .7 * 8 * 40 * 150 / (210.0 * 297) / 2;
        assertThat(before - after)
                .as("red is magenta and yellow, on half the area")
                .isCloseTo(takes, within(.02));

        long sheet = printed.at("/sheets/0/id").asLong();
        var pdf = api.get("/api/jobs/%d/sheets/%d.pdf".formatted(id, sheet))
                .getResponse()
                .getContentAsByteArray();
        try (var document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
            assertThat(document.getPage(0).getMediaBox().getWidth() / 72 * 25.4).isCloseTo(210, within(.05));
        }

        assertThat(act(
                        id,
                        "close",
                        "{\"good\": 8, \"spoiled\": 0, \"sign\": null, \"words\": \"\", \"said\": \"\","
                                + " \"minutes\": 20}"))
                .hasStatus(422)
                .bodyText()
                .contains("Press it");
        assertThat(act(id, "step", "{\"step\": \"CUT\"}")).hasStatusOk();
        assertThat(act(id, "heat", "{\"step\": \"PRESS\"}")).hasStatusOk();
        assertThat(api.read(api.get("/api/hob")).toString()).contains("press it, 200 °C");
        assertThat(act(id, "step", "{\"step\": \"PRESS\"}")).hasStatusOk();
        assertThat(api.send("/api/jobs/" + id + "/picture?pressed=true", picture(Color.BLUE)))
                .hasStatusOk();
        assertThat(act(
                        id,
                        "close",
                        "{\"good\": 7, \"spoiled\": 1, \"sign\": null, \"words\": \"\", \"said\": \"\","
                                + " \"minutes\": 20}"))
                .hasStatus(400)
                .bodyText()
                .contains("What was it that spoiled them?");
        var closed = api.read(act(
                id,
                "close",
                "{\"good\": 7, \"spoiled\": 1, \"sign\": \"PRESS\", \"words\": \"one ghost\", \"said\":"
                        + " \"lovely reds\", \"minutes\": 20}"));
        assertThat(closed.at("/came/cost/minor").asLong()).isPositive();
        assertThat(closed.at("/came/lots").isArray()).isTrue();

        assertThat(api.get("/api/jobs/statement.csv?words=lovely rosette")
                        .getResponse()
                        .getContentAsString())
                .contains("Marsh Lane Pony Club", "rosette tails", "lovely reds");
        assertThat(api.get("/api/jobs/statement.csv?words=unheard")
                        .getResponse()
                        .getContentAsString())
                .doesNotContain("rosette tails");
        assertThat(api.read(api.get("/api/jobs?sign=PRESS")).at("/over").toString())
                .contains("rosette tails");
        assertThat(api.read(api.get("/api/jobs?sign=FADE")).at("/over")).isEmpty();
        assertThat(api.get("/api/jobs/statement.pdf")).hasStatusOk();
    }

    @Test
    void whatIsPromisedInVainIsSaidWhenItIsPromised() {
        long machine = machine("Late Sorrel", "small-tank", "SUBLIMATION", false);
        long other = machine("Film Thistle", "film-dual-head", "FILM", false);
        var job = take(order("late sashes", "SUBLIMATION", "SATIN_RIBBON", "A4", Duration.ofMinutes(1)));
        long id = job.at("/id").asLong();

        assertThat(act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(other)))
                .hasStatus(422)
                .bodyText()
                .contains("It holds film ink");
        assertThat(act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine)))
                .hasStatus(422)
                .bodyText()
                .contains("not have it ready in time");
        assertThat(act(id, "machine", "{\"machine\": %d, \"anyway\": true}".formatted(machine)))
                .hasStatusOk();
        assertThat(api.read(api.get("/api/machines/%d/promises".formatted(machine)))
                        .toString())
                .contains("late sashes");
    }

    @Test
    void biscuitsArePrintedOnlyWhereNothingButFoodEverWas() {
        long craft = machine("Craft Clover", "small-cartridge", "EDIBLE", false);
        var job = take(order("biscuit toppers", "EDIBLE", "ICING_SHEET", "A4", Duration.ofDays(2)));

        assertThat(job.at("/pressedWork").asBoolean()).isFalse();
        assertThat(job.at("/mirrored").asBoolean()).isFalse();
        assertThat(act(job.at("/id").asLong(), "machine", "{\"machine\": %d, \"anyway\": true}".formatted(craft)))
                .hasStatus(422)
                .bodyText()
                .contains("nothing to eat is printed on it");
    }

    @Test
    void aFaultOpensACaseWithThePictureOfTheSheet() {
        long machine = machine("Faulty Teasel", "small-tank", "SUBLIMATION", false);
        looksGood(machine);
        var job = take(order("faulty tails", "SUBLIMATION", "SATIN_RIBBON", "A4", Duration.ofDays(2)));
        long id = job.at("/id").asLong();
        assertThat(act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine)))
                .hasStatusOk();
        sheetOut(id, "Faulty Teasel", 1);
        assertThat(api.send("/api/jobs/" + id + "/picture?pressed=false", picture(Color.GREEN)))
                .hasStatusOk();

        var faulty = api.read(act(id, "fault", "{\"sign\": \"WHITE_LINES\", \"words\": \"in the middle\"}"));

        long found = faulty.at("/faults/0/caseId").asLong();
        var opened = api.read(api.get("/api/cases/" + found));
        assertThat(opened.toString()).contains("fine white lines across", "in the middle");
        assertThat(opened.at("/before").asString()).isEqualTo(faulty.at("/raw").asString());
        assertThat(act(id, "fault", "{\"sign\": \"HANDS\", \"words\": \"\"}")).hasStatusOk();
    }

    @Test
    void filmCannotBeClosedWithoutCureAndIsHeldUntilItsClampsAreSeen() {
        long machine = machine("Long Thistle", "film-dual-head", "FILM", false);
        looksGood(machine);
        var order = order("club kit", "FILM", "COTTON", "film roll, 33 cm", Duration.ofDays(3));
        order.set("cure", json.readTree("{\"celsius\": 110, \"seconds\": 150}"));
        long id = take(order).at("/id").asLong();
        var chosen = act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine));
        assertThat(chosen).hasStatusOk();
        assertThat(api.read(chosen).at("/takes/channels").toString()).contains("W1");
        assertThat(api.read(chosen).at("/laidOut/film/words").asString()).contains("Cut it");

        assertThat(api.read(act(
                                id,
                                "film",
                                "{\"what\": \"CLAMPED\", \"cm\": null, \"words\": \"\", \"fed\": false,"
                                        + " \"taped\": false, \"caught\": false}"))
                        .at("/film/hold")
                        .asBoolean())
                .isFalse();
        assertThat(api.read(act(
                                id,
                                "film",
                                "{\"what\": \"BEGIN\", \"cm\": 30, \"words\": \"\", \"fed\": false, \"taped\":"
                                        + " false, \"caught\": false}"))
                        .at("/film/says")
                        .asString())
                .contains("must not reach the shaker");
        act(
                id,
                "film",
                "{\"what\": \"PAUSE\", \"cm\": 40, \"words\": \"powder ran out\", \"fed\": false, \"taped\": false,"
                        + " \"caught\": false}");
        assertThat(api.read(api.get("/api/jobs/" + id)).at("/film/paused").asString())
                .isEqualTo("powder ran out");
        var again =
                "{\"what\": \"RESUME\", \"cm\": null, \"words\": \"\", \"fed\": true, \"taped\": true, \"caught\": %s}";
        assertThat(act(id, "film", again.formatted(false)))
                .hasStatus(400)
                .bodyText()
                .contains("sensor catches it");
        assertThat(api.read(act(id, "film", again.formatted(true)))
                        .at("/film/paused")
                        .isMissingNode())
                .isTrue();

        assertThat(act(
                        id,
                        "sheets",
                        "{\"machine\": \"Long Thistle\", \"first\": 0, \"count\": 1, \"test\": false,"
                                + " \"mirrored\": true, \"reason\": \"\", \"send\": true}"))
                .hasStatus(422)
                .bodyText()
                .contains("separates white");
        assertThat(api.read(api.get("/api/jobs/" + id)).at("/on/reminders").toString())
                .contains("Nobody can ask it from here");
        assertThat(api.put(
                        "/api/machines/" + machine + "/printer",
                        "{\"uri\": \"ipp://127.0.0.1:9/ipp/print\", \"separates\": true}",
                        "0"))
                .hasStatusOk();
        assertThat(api.read(api.get("/api/jobs/" + id)).at("/on/sends").asBoolean())
                .as("where the machine prints white by itself")
                .isTrue();
        assertThat(api.read(api.get("/api/jobs/" + id)).at("/on/reminders").toString())
                .doesNotContain("Nobody can ask it");
        assertThat(api.read(api.get("/api/jobs/" + id)).at("/on/waysIn/0/id").asString())
                .isEqualTo("BED");
        var printed = sheetOut(id, "Long Thistle", 1);
        assertThat(printed.at("/state").asString()).isEqualTo("PRINTED");
        assertThat(act(id, "step", "{\"step\": \"PRESS\"}"))
                .hasStatus(422)
                .bodyText()
                .contains("comes first");
        assertThat(act(id, "step", "{\"step\": \"CUT_OFF\"}")).hasStatusOk();
        assertThat(act(id, "step", "{\"step\": \"POWDER\"}"))
                .hasStatus(422)
                .bodyText()
                .contains("dust mask and gloves on");
        assertThat(act(id, "step", "{\"step\": \"POWDER\", \"ready\": true}")).hasStatusOk();
        var close = "{\"good\": 8, \"spoiled\": 0, \"sign\": null, \"words\": \"\", \"said\": \"\", \"minutes\": 40}";
        assertThat(act(id, "close", close)).hasStatus(422).bodyText().contains("Cure the powder");
        for (var step : new String[] {"CURE", "CUT", "PRESS"}) {
            assertThat(act(id, "step", "{\"step\": \"%s\"}".formatted(step))).hasStatusOk();
        }
        assertThat(act(id, "close", close)).hasStatusOk();
    }

    @Test
    void aPrintThatIsStruckOutGivesBackItsInkItsPaperAndTheJob() {
        long machine = machine("Struck Juniper", "small-tank", "SUBLIMATION", false);
        looksGood(machine);
        var job = take(order("struck tails", "SUBLIMATION", "SATIN_RIBBON", "A4", Duration.ofDays(2)));
        long id = job.at("/id").asLong();
        act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine));
        var before = api.read(api.get("/api/machines/" + machine)).at("/plate/channels");
        sheetOut(id, "Struck Juniper", 2);
        long entry = api.read(api.get("/api/log?machine=" + machine))
                .at("/entries/0/id")
                .asLong();

        assertThat(api.post("/api/log/" + entry + "/strike", "{}")).hasStatusOk();

        var back = api.read(api.get("/api/jobs/" + id));
        assertThat(back.at("/state").asString()).isEqualTo("TAKEN");
        assertThat(back.at("/printed").asDouble()).isZero();
        assertThat(back.at("/sheets/0/out").asBoolean()).isFalse();
        assertThat(api.read(api.get("/api/machines/" + machine)).at("/plate/channels"))
                .isEqualTo(before);
    }

    @Test
    void aPrintThatIsStruckOutLaterIsPrintedAgainAndTheRestStays() {
        long machine = machine("Later Juniper", "small-tank", "SUBLIMATION", false);
        looksGood(machine);
        long id = take(order("later tails", "SUBLIMATION", "SATIN_RIBBON", "A4", Duration.ofDays(2)))
                .at("/id")
                .asLong();
        act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine));
        sheetOut(id, "Later Juniper", 2);
        long entry = api.read(api.get("/api/log?machine=" + machine))
                .at("/entries/0/id")
                .asLong();
        act(id, "step", "{\"step\": \"CUT\"}");

        assertThat(api.post("/api/log/" + entry + "/strike", "{}")).hasStatusOk();

        var back = api.read(api.get("/api/jobs/" + id));
        assertThat(back.at("/state").asString()).isEqualTo("TAKEN");
        assertThat(back.at("/printed").asDouble()).isZero();
        assertThat(back.at("/sheets/0/out").asBoolean()).isFalse();
        assertThat(back.at("/steps/0/done").asBoolean()).isTrue();
    }

    @Test
    void theClockOfAStepRunsOnceHoweverOftenItIsStarted() {
        long machine = machine("Clock Sorrel", "small-tank", "SUBLIMATION", false);
        looksGood(machine);
        long id = take(order("clock tails", "SUBLIMATION", "SATIN_RIBBON", "A4", Duration.ofDays(2)))
                .at("/id")
                .asLong();
        act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine));
        sheetOut(id, "Clock Sorrel", 2);
        act(id, "heat", "{\"step\": \"PRESS\"}");
        act(id, "heat", "{\"step\": \"PRESS\"}");

        assertThat(api.read(api.get("/api/hob")).toString().split("job no. %d: press it".formatted(id), -1))
                .hasSize(2);
        assertThat(act(id, "heat", "{\"step\": \"PEEL\"}")).hasStatus(422);
    }

    @Test
    void tanksThatLostMoreThanWasBookedMakeTheNextJobTakeMore() {
        long machine = machine("Thirsty Clover", "small-tank", "SUBLIMATION", false);
        looksGood(machine);
        var order = order("thirsty tails", "SUBLIMATION", "SATIN_RIBBON", "A4", Duration.ofDays(9));
        ((ObjectNode) order.at("/pieces/0")).put("count", 400);
        double usual = 0;
        for (int i = 0; i < 4; i++) {
            var taken = take(order);
            long id = taken.at("/id").asLong();
            var on = api.read(act(id, "machine", "{\"machine\": %d, \"anyway\": true}".formatted(machine)));
            double takes = on.at("/takes/channels/1/takes").asDouble();
            usual = i == 0 ? takes : usual;
            if (i == 0) {
                read(machine, level(machine));
            }
            double before = level(machine);
            sheetOut(id, "Thirsty Clover", on.at("/laidOut/sheets").asInt());
            read(machine, before - usual * 1.3); // it really lost a third more
        }
        var next = api.read(act(
                take(order).at("/id").asLong(), "machine", "{\"machine\": %d, \"anyway\": true}".formatted(machine)));

        assertThat(next.at("/takes/learned").asBoolean()).isTrue();
        assertThat(next.at("/takes/channels/1/takes").asDouble()).isCloseTo(usual * 1.3, within(usual * .06));
        assertThat(next.at("/takes/channels/1/give").asDouble()).isLessThan(usual * .2);
    }

    @Test
    void blanksAreCountedAndBlemishedOnesAreTriedFirst() {
        long machine = machine("Blank Hazel", "small-tank", "SUBLIMATION", false);
        looksGood(machine);
        api.post("/api/buying/articles", "{\"label\": \"mugs, white\", \"count\": 40}");
        api.post("/api/buying/articles", "{\"label\": \"mugs, white, blemished\", \"count\": 3}");
        long mugs = blank("mugs, white").at("/id").asLong();
        var order = order("mugs for the fair", "SUBLIMATION", "COATED_HARD", "A4", Duration.ofDays(2));
        order.put("blankArticle", mugs);
        long id = take(order).at("/id").asLong();
        act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine));
        sheetOut(id, "Blank Hazel", 2);

        act(id, "looked", "{\"sheets\": 0, \"blanks\": true}");
        assertThat(blank("mugs, white, blemished").at("/count").asInt()).isEqualTo(2);
        act(id, "step", "{\"step\": \"CUT\"}");
        act(id, "step", "{\"step\": \"PRESS\"}");
        assertThat(act(
                        id,
                        "close",
                        "{\"good\": 6, \"spoiled\": 2, \"sign\": \"PRESS\", \"words\": \"\", \"said\": \"\","
                                + " \"minutes\": 20}"))
                .hasStatusOk();

        assertThat(blank("mugs, white").at("/count").asInt()).isEqualTo(32);
        assertThat(blank("mugs, white, blemished").at("/count").asInt()).isEqualTo(4);
    }

    private JsonNode blank(String label) {
        for (var blank : api.read(api.get("/api/jobs/words")).at("/blanks")) {
            if (blank.at("/label").asString().equals(label)) {
                return blank;
            }
        }
        throw new AssertionError("No blanks called " + label);
    }

    @Test
    void anOrderIsChangedUntilItIsPrintedAndCalledOffWithItsReason() {
        long machine = machine("Changing Mallow", "small-tank", "SUBLIMATION", false);
        looksGood(machine);
        var order = order("changing tails", "SUBLIMATION", "SATIN_RIBBON", "A4", Duration.ofDays(2));
        long id = take(order).at("/id").asLong();
        act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine));

        ((ObjectNode) order.at("/pieces/0")).put("count", 4);
        assertThat(api.read(api.put("/api/jobs/" + id, order.toString(), "0"))
                        .at("/laidOut/sheets")
                        .asInt())
                .isEqualTo(1);
        assertThat(api.put("/api/jobs/" + id, order.put("substrate", "COTTON").toString(), "0"))
                .hasStatus(400);
        ((ObjectNode) order.at("/pieces/0")).put("count", 3);
        assertThat(api.read(api.put(
                                "/api/jobs/" + id,
                                order.put("substrate", "SATIN_RIBBON")
                                        .put("media", "A3")
                                        .toString(),
                                "0"))
                        .at("/on")
                        .isMissingNode())
                .as("its machine takes up to A4")
                .isTrue();
        assertThat(api.put("/api/jobs/" + id, order.put("media", "A4").toString(), "0"))
                .hasStatusOk();
        act(id, "machine", "{\"machine\": %d, \"anyway\": false}".formatted(machine));
        ((ObjectNode) order.at("/pieces/0")).put("width", 4000);
        assertThat(api.put(
                        "/api/jobs/" + id,
                        order.put("substrate", "SATIN_RIBBON").toString(),
                        "0"))
                .hasStatus(400)
                .bodyText()
                .contains("does not fit");
        sheetOut(id, "Changing Mallow", 1);
        ((ObjectNode) order.at("/pieces/0")).put("width", 400);
        assertThat(api.put("/api/jobs/" + id, order.toString(), "0")).hasStatus(422);

        var off = api.read(act(id, "off", "{\"why\": \"the show is put off\"}"));
        assertThat(off.at("/state").asString()).isEqualTo("OFF");
        assertThat(api.read(api.get("/api/machines/%d/promises".formatted(machine))))
                .isEmpty();
    }

    private double level(long machine) {
        return api.read(api.get("/api/machines/" + machine))
                .at("/plate/channels/1/path/0/layers/0/volume")
                .asDouble();
    }

    private void read(long machine, double level) {
        assertThat(api.post(
                        "/api/machines/" + machine + "/levels",
                        json.writeValueAsString(Map.of("levels", Map.of("C", Math.round(level * 10) / 10.0)))))
                .hasStatus2xxSuccessful();
    }
}
