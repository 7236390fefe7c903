package fairkettle.server.round;

import static fairkettle.db.Tables.ROUND_DAY;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.MorningTest;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import java.util.zip.GZIPInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** Today’s round: whoever is there walks it, ticks it, and it follows what really happens. */
@MorningTest
class RoundTest {

    @Autowired
    private Api api;

    @Autowired
    private DSLContext db;

    @Autowired
    private Clock clock;

    @Autowired
    private RoundView view;

    private long wren;
    private Instant begin;

    /** Somebody is there until the afternoon. */
    @BeforeEach
    void somebodyIsThere() {
        db.deleteFrom(ROUND_DAY).execute();
        var people = api.read(api.get("/api/shop")).get("people");
        wren = people.isEmpty()
                ? api.read(api.post("/api/people", "{\"name\": \"Wren of the round\"}"))
                        .get("id")
                        .asLong()
                : people.get(0).get("id").asLong();
        begin = clock.instant();
        there(wren, Duration.ofHours(7));
    }

    private JsonNode there(long person, Duration howLong) {
        return api.read(api.put(
                "/api/round/people/" + person,
                "{\"from\": \"%s\", \"to\": \"%s\"}".formatted(begin.minusSeconds(60), begin.plus(howLong)),
                "0"));
    }

    private JsonNode round() {
        return api.read(api.get("/api/round"));
    }

    private static JsonNode visit(JsonNode round, String key) {
        return StreamSupport.stream(round.get("visits").spliterator(), false)
                .filter(v -> v.get("key").asString().equals(key))
                .findFirst()
                .orElse(null);
    }

    @Test
    void aLongHoldSaysWhatItLeavesUndone() {
        long machine = api.machine("Held long", "small-tank", "INKED");
        api.post(
                "/api/machines/" + machine + "/promises",
                "{\"words\": \"sashes for the show\", \"due\": \"%s\", \"minutes\": 60}"
                        .formatted(clock.instant().plus(Duration.ofHours(3))));
        var hold = api.read(api.get("/api/machines/" + machine + "/hold?minutes=720"));
        assertThat(hold.get("clashes").toString()).contains("promised in that time: sashes for the show");
        assertThat(hold.get("better").asString()).isNotBlank();
        assertThat(api.read(api.get("/api/machines/" + machine + "/hold?minutes=30"))
                        .get("clashes"))
                .isEmpty();
    }

    private String owed(long machine, String words) {
        var tasks = api.read(api.post(
                "/api/machines/" + machine + "/owed",
                "{\"words\": \"%s\", \"why\": \"it drips\", \"inDays\": 0}".formatted(words)));
        return "o/"
                + StreamSupport.stream(tasks.spliterator(), false)
                        .filter(t -> t.get("words").asString().equals(words))
                        .findFirst()
                        .orElseThrow()
                        .get("id")
                        .asLong();
    }

    @Test
    void whatIsDueIsOnTheRoundWithItsReasonUntilItIsTicked() {
        long machine = api.machine("Round ticks", "small-tank", "INKED");
        var key = owed(machine, "Look at the joint");
        var seen = visit(round(), key);
        assertThat(seen).isNotNull();
        assertThat(seen.get("why")).isNotEmpty();
        assertThat(seen.get("due").toString()).contains("due");
        api.post("/api/round/begin", "{\"key\": \"%s\", \"person\": %d}".formatted(key, wren));
        api.post("/api/round/begin", "{\"key\": \"%s\", \"person\": %d}".formatted(key, wren));
        assertThat(visit(round(), key).get("begun").isNull()).isFalse();
        var after = api.read(api.post(
                "/api/round/done",
                "{\"key\": \"%s\", \"person\": %d, \"minutes\": 25, \"whole\": false}".formatted(key, wren)));
        assertThat(visit(after, key)).isNull();
        assertThat(after.get("done").toString())
                .contains("Look at the joint")
                .contains("\"took\":25")
                .contains("\"planned\":10");
        assertThat(api.post(
                        "/api/round/done", "{\"key\": \"%s\", \"person\": %d, \"whole\": false}".formatted(key, wren)))
                .as("a second tap")
                .hasStatusOk();
        assertThat(api.post(
                        "/api/round/done", "{\"key\": \"o/999999\", \"person\": %d, \"whole\": false}".formatted(wren)))
                .hasStatus(404);
    }

    @Test
    void aPinStaysAndIsLetGo() {
        long machine = api.machine("Round pins", "small-tank", "INKED");
        var key = owed(machine, "Hang the tube anew");
        var at = begin.plus(Duration.ofMinutes(50)).truncatedTo(ChronoUnit.MINUTES);
        api.post("/api/round/pin", "{\"key\": \"%s\", \"at\": \"%s\", \"person\": %d}".formatted(key, at, wren));
        assertThat(Instant.parse(visit(round(), key).get("at").asString())).isEqualTo(at);
        assertThat(visit(round(), key).get("pinned").asBoolean()).isTrue();
        api.post("/api/round/pin", "{\"key\": \"%s\"}".formatted(key));
        assertThat(visit(round(), key).get("pinned").asBoolean()).isFalse();
        assertThat(api.post("/api/round/pin", "{\"key\": \"%s\", \"at\": \"2020-01-01T00:00:00Z\"}".formatted(key)))
                .hasStatus(400);
    }

    @Test
    void whoHasNoTimeLeavesThingsAndIsToldWhatThatRisks() {
        long machine = api.machine("Round short", "small-tank", "INKED");
        var key = owed(machine, "Oil the rail by hand");
        var short0 = there(wren, Duration.ZERO);
        assertThat(visit(short0, key)).isNull();
        assertThat(short0.get("left").toString())
                .contains("Oil the rail by hand")
                .contains("It stays owed.");
        assertThat(visit(there(wren, Duration.ofHours(7)), key)).isNotNull();
    }

    @Test
    void thePlanStandsWhileNothingHappens() {
        api.machine("Round stands", "small-tank", "INKED");
        var first = round().get("visits");
        var second = round().get("visits");
        assertThat(second.size()).isEqualTo(first.size());
        for (int i = 0; i < first.size(); i++) {
            assertThat(visit(round(), first.get(i).get("key").asString())).isNotNull();
        }
    }

    @Test
    void whoCanUnpackItGetsTheSameAnswerPacked() throws IOException {
        var round = view.round();
        var plain = round.answer(null);
        var packed = round.answer("br, gzip");
        assertThat(new String(plain.getBody(), StandardCharsets.UTF_8))
                .as("what is not there is left out, as everywhere")
                .doesNotContain(":null");
        assertThat(plain.getHeaders().getFirst("Content-Encoding")).isNull();
        assertThat(packed.getHeaders().getFirst("Content-Encoding")).isEqualTo("gzip");
        try (var unpacked = new GZIPInputStream(new ByteArrayInputStream(packed.getBody()))) {
            assertThat(unpacked.readAllBytes()).isEqualTo(plain.getBody());
        }
    }

    @Test
    void theWeekPlansEachDayFromWhatTheDayBeforeLeaves() {
        long machine = api.machine("Round weeks", "small-tank", "INKED");
        var week = api.read(api.get("/api/week?days=8"));
        assertThat(week.get("days")).hasSize(8);
        assertThat(week.get("days").toString()).contains("\"machine\":" + machine);
        assertThat(week.get("absences")).isNotNull();
    }

    @Test
    @Timeout(120)
    void whoTicksWhileOthersLookWaitsForNone() throws Exception {
        long machine = api.machine("Round busy", "small-tank", "INKED");
        var key = owed(machine, "Dust its lid");
        var over = new AtomicBoolean();
        try (var screens = Executors.newVirtualThreadPerTaskExecutor()) {
            var looks = IntStream.range(0, 4)
                    .mapToObj(_ -> screens.submit(() -> {
                        while (!over.get()) {
                            assertThat(api.get("/api/round")).hasStatusOk();
                        }
                        return true;
                    }))
                    .toList();
            try {
                for (int i = 0; i < 12; i++) {
                    var begun = api.post("/api/round/begin", "{\"key\": \"%s\", \"person\": %d}".formatted(key, wren));
                    assertThat(visit(api.read(begun), key).hasNonNull("begun"))
                            .as("who began it sees it at once")
                            .isTrue();
                    var free = api.post("/api/round/let-go", "{\"key\": \"%s\"}".formatted(key));
                    assertThat(visit(api.read(free), key).hasNonNull("begun")).isFalse();
                }
            } finally {
                over.set(true);
            }
            for (var look : looks) {
                assertThat(look.get()).isTrue();
            }
        }
    }

    @Test
    void howeverManyScreensAskOnePlanIsMadeForEachChange() throws Exception {
        long machine = api.machine("Round asked for", "small-tank", "INKED");
        settled();
        int before = view.made();
        assertThat(askedByMany("/api/round")).allMatch(answer -> answer.contains("Round asked for"));
        assertThat(view.made() - before).isZero();
        owed(machine, "Dust its lid");
        assertThat(askedByMany("/api/round")).allMatch(answer -> answer.contains("Dust its lid"));
        assertThat(view.made() - before).isBetween(1, 2); // the second after the long search
    }

    @Test
    void theLastWeekIsShownAtOnceAndTheNextOneFollows() throws Exception {
        long machine = api.machine("Round week follows", "small-tank", "INKED");
        api.get("/api/week?days=9");
        settled();
        owed(machine, "Oil its hinge");
        var answer = askedByMany("/api/week?days=9").getLast();
        for (int i = 0; i < 400 && !answer.contains("Oil its hinge"); i++) {
            answer = askedByMany("/api/week?days=9").getFirst();
        }
        assertThat(answer).contains("Oil its hinge");
    }

    /** Asks until the long search is over, so that nothing of it is left to come. */
    private void settled() {
        for (int i = 0; i < 2000 && !round().get("settled").asBoolean(); i++) {
            LockSupport.parkNanos(2_000_000);
        }
        assertThat(round().get("settled").asBoolean()).isTrue();
    }

    private List<String> askedByMany(String path) throws Exception {
        try (var screens = Executors.newVirtualThreadPerTaskExecutor()) {
            var asked = IntStream.range(0, 40)
                    .mapToObj(_ -> screens.submit(
                            () -> api.get(path).getResponse().getContentAsString(StandardCharsets.UTF_8)))
                    .toList();
            var answers = new ArrayList<String>();
            for (var one : asked) {
                answers.add(one.get());
            }
            return answers;
        }
    }

    @Test
    void theRoundIsPrintedWithBoxesToTick() throws Exception {
        long machine = api.machine("Round printed", "small-tank", "INKED");
        owed(machine, "Wipe the window of the sensor");
        var pdf = api.get("/api/round/sheet").getResponse().getContentAsByteArray();
        try (var document = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains("The round of")
                    .contains("Wipe the window of the sensor")
                    .contains("min of hands");
        }
    }

    @Test
    void aCheckIsTickedAsWholeOrKeptElsewhere() {
        long machine = api.machine("Round checks", "small-tank", "INKED");
        api.post(
                "/api/machines/" + machine + "/promises",
                "{\"words\": \"sashes\", \"due\": \"%s\", \"minutes\": 30}"
                        .formatted(clock.instant().plus(Duration.ofMinutes(20))));
        var key = "r/%d/check".formatted(machine);
        assertThat(visit(round(), key)).as("it is looked at before the work").isNotNull();
        assertThat(round().get("promises").toString()).contains("sashes");
        assertThat(api.post(
                        "/api/round/done", "{\"key\": \"%s\", \"person\": %d, \"whole\": false}".formatted(key, wren)))
                .hasStatus(422);
        assertThat(visit(
                        api.read(api.post(
                                "/api/round/done",
                                "{\"key\": \"%s\", \"person\": %d, \"whole\": true}".formatted(key, wren))),
                        key))
                .isNull();
        assertThat(api.read(api.get("/api/machines/" + machine)).at("/checks/K"))
                .hasSize(1);
    }

    @Test
    void aCheckThatComesBackTheSameDayIsNotAskedForAtOnceAndThePromiseIsKept() {
        long machine = api.machine("Round looks often", "small-tank", "INKED");
        // wanted again before tomorrow's opening: so at the end of this very day
        api.put("/api/machines/" + machine + "/routines/check", "{\"factor\": 0.3, \"off\": \"\"}", "0");
        api.post(
                "/api/machines/" + machine + "/promises",
                "{\"words\": \"often sashes\", \"due\": \"%s\", \"minutes\": 30}"
                        .formatted(clock.instant().plus(Duration.ofHours(1))));
        var key = "r/%d/check".formatted(machine);
        var looked = clock.instant();
        api.post("/api/round/done", "{\"key\": \"%s\", \"person\": %d, \"whole\": true}".formatted(key, wren));
        var after = round();
        var again = visit(after, key);
        assertThat(again).as("it comes round before closing time").isNotNull();
        assertThat(Instant.parse(again.get("at").asString())).isAfter(looked.plus(Duration.ofHours(2)));
        assertThat(StreamSupport.stream(after.get("promises").spliterator(), false)
                        .filter(p -> p.get("words").asString().equals("often sashes")))
                .allMatch(p -> p.get("kept").asBoolean());
    }
}
