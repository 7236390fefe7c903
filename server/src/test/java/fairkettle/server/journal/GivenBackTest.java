package fairkettle.server.journal;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.clinic.Treatment;
import fairkettle.server.Api;
import fairkettle.server.Hand;
import fairkettle.server.ServerTest;
import fairkettle.server.ledger.Ledger;
import java.util.ArrayList;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/**
 * The law of the journal: whatever an act came to, striking it out leaves everything as it was. Every step of every
 * kind of card is done, left out and failed, and each of these is taken back at once.
 */
@ServerTest
class GivenBackTest {

    private static int numbered;

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    @Autowired
    private JdbcClient db;

    @Autowired
    private Ledger ledger;

    @ParameterizedTest(name = "{0}: a {1} holding {3}")
    @CsvSource(textBlock = """
        # route,         profile,             feed,       holds,        family,      chips
        FIRST_FILL,      six-ink-tank,        AS_BUILT,   NEVER_INKED,  SUBLIMATION,
        DRAIN_AND_SWAP,  small-tank,          AS_BUILT,   MAKERS_DYE,   SUBLIMATION,
        REFILLABLES,     small-cartridge,     AS_BUILT,   NEVER_INKED,  SUBLIMATION, IGNORED
        BULK_FEED,       wide-cartridge-four, AS_BUILT,   MAKERS_DYE,   SUBLIMATION, AUTO_RESET
        RENEW_BULK,      small-cartridge,     BULK,       SUBLIMATION,  SUBLIMATION,
        FILM_REBUILD,    six-ink-tank,        AS_BUILT,   MAKERS_DYE,   FILM,
        EDIBLE_START,    snap-in-head,        AS_BUILT,   NEVER_INKED,  EDIBLE,
        GO_BACK,         wide-cartridge-six,  REFILLABLE, SUBLIMATION,  MAKERS_DYE,
        PARK,            wide-tank,           AS_BUILT,   SUBLIMATION,  SUBLIMATION,
        """)
    void everyStepOfAChangeover(String route, String profile, String feed, String holds, String family, String chips) {
        hand.bottles(family, family.equals("EDIBLE"), "K", "C", "M", "Y", "LC", "LM", "W1", "W2");
        long machine = machine(profile, feed, holds);
        if (!holds.equals("NEVER_INKED")) { // ill as well, so that the case hears of what is done
            api.post(
                    "/api/cases",
                    "{\"machines\": [%d], \"complaints\": [\"GAPS\"], \"work\": \"TEXT\", \"words\": \"\"}"
                            .formatted(machine));
        }
        var begun = api.post("/api/cards", """
            {"machine": %d, "family": "%s", "make": "own", "route": %s, "chips": %s, "purpose": "%s"}\
            """.formatted(
                        machine,
                        family,
                        route.equals("PARK") ? "null" : "\"" + route + "\"",
                        chips == null ? "null" : "\"" + chips + "\"",
                        route.equals("PARK") ? "PARK" : route.equals("RENEW_BULK") ? "RENEW" : "CHANGE"));
        assertThat(begun).hasStatus(201);
        walk(api.read(begun).get("id").asLong(), family);
    }

    @ParameterizedTest
    @CsvSource({
        "film-rebuilt, FILM, LINE_FLUSH",
        "film-rebuilt, FILM, WHITE_START",
        "small-tank, SUBLIMATION, POSITION_FAULT",
        "small-tank, SUBLIMATION, INLET_POINTS",
        "small-tank, SUBLIMATION, UNDER_HEADS",
        "snap-in-head, EDIBLE, HEAD_REFIT",
        "film-rebuilt, FILM, LONG_RUN"
    })
    void everyStepOfBenchWork(String profile, String family, String work) {
        hand.bottles(family, family.equals("EDIBLE"), "K", "C", "M", "Y", "W1", "W2");
        long machine = machine(profile, "AS_BUILT", family);
        var begun =
                api.post("/api/machines/" + machine + "/works", "{\"work\": \"%s\", \"channels\": []}".formatted(work));
        assertThat(begun).hasStatus(201);
        walk(api.read(begun).get("card").asLong(), family);
    }

    @ParameterizedTest
    @CsvSource({"film-rebuilt, FILM", "small-tank, SUBLIMATION"})
    void everyStepOfEveryRoutine(String profile, String family) {
        hand.bottles(family, false, "K", "C", "M", "Y", "W1", "W2");
        long machine = machine(profile, "AS_BUILT", family);
        var routines = new ArrayList<String>();
        api.read(api.get("/api/machines/" + machine + "/routines"))
                .get("routines")
                .forEach(r -> routines.add(r.get("routine").asString()));
        for (var routine : routines.stream().distinct().toList()) {
            var begun = api.post("/api/machines/" + machine + "/routines/" + routine + "/card", "{\"channels\": []}");
            assertThat(begun).as(routine).hasStatus(201);
            walk(api.read(begun).get("card").asLong(), family);
        }
    }

    @ParameterizedTest
    @EnumSource(
            value = Treatment.class,
            mode = EnumSource.Mode.EXCLUDE,
            names = {"RENEW", "PURGE_SHEET"})
    void everyStepOfATreatment(Treatment treatment) {
        var profile = switch (treatment) { // why: each on a machine that is built for it
            case DRAW_AT_CARTRIDGE, PUSH_AT_VENT -> "small-cartridge";
            case DRAW_AT_WASTE_LINE, AGITATE, FLUSH_LINE -> "film-rebuilt";
            case HEAD_OUT -> "garment";
            default -> "small-tank";
        };
        var family = profile.equals("film-rebuilt") || profile.equals("garment") ? "FILM" : "SUBLIMATION";
        hand.bottles(family, false, "K", "C", "M", "Y", "W1", "W2");
        long machine = machine(profile, "AS_BUILT", family);
        var id = api.read(api.post(
                        "/api/cases",
                        "{\"machines\": [%d], \"complaints\": [\"GAPS\"], \"work\": \"TEXT\", \"words\": \"\"}"
                                .formatted(machine)))
                .get("id")
                .asLong();
        var begun = api.post(
                "/api/cases/" + id + "/card",
                "{\"treatment\": \"%s\", \"channels\": [\"%s\"], \"anyway\": \"so it was done\"}"
                        .formatted(treatment, treatment == Treatment.AGITATE ? "W1" : "C"));
        assertThat(begun).as(treatment.name()).hasStatus(201);
        walk(api.read(begun).get("card").asLong(), family);
    }

    /** Goes through a card to its end; at each step whatever can be done with it is done and taken back. */
    private void walk(long card, String family) {
        var now = hand.card(card);
        for (int steps = 0; now.get("state").asString().equals("open") && steps < 120; steps++) {
            var step = step(now, now.get("next").asString());
            var id = step.get("id").asString();
            if (step.get("skippable").asBoolean()) {
                back(
                        card,
                        "left out",
                        id,
                        () -> api.act(card, "skip", "{\"step\": \"%s\", \"reason\": \"for a trial\"}".formatted(id)));
            }
            for (var branch : step.get("branches")) {
                back(
                        card,
                        "failed with " + branch.get("id"),
                        id,
                        () -> api.act(
                                card,
                                "fail",
                                "{\"step\": \"%s\", \"branch\": \"%s\"}"
                                        .formatted(id, branch.get("id").asString())));
            }
            hand.prepare(card, step, family);
            boolean photo = step.at("/ask/kind").asString().equals("Photo");
            back(
                    card,
                    "done",
                    id,
                    () -> photo
                            ? api.act(card, "skip", "{\"step\": \"%s\", \"reason\": \"no tablet\"}".formatted(id))
                            : api.act(card, "finish", "{\"step\": \"%s\"}".formatted(id)));
            assertThat(
                            photo
                                    ? api.act(
                                            card, "skip", "{\"step\": \"%s\", \"reason\": \"no tablet\"}".formatted(id))
                                    : api.act(card, "finish", "{\"step\": \"%s\"}".formatted(id)))
                    .as(id)
                    .hasStatusOk();
            now = hand.card(card);
        }
        assertThat(now.get("state").asString()).isEqualTo("done");
        assertThat(ledger.rebuild()).as("contents that differ from the entries").isZero();
    }

    private interface Doing {
        org.springframework.test.web.servlet.assertj.MvcTestResult act();
    }

    private void back(long card, String what, String step, Doing doing) {
        var before = Database.read(db, card);
        long last = lastEntry();
        assertThat(doing.act()).as("%s: %s", step, what).hasStatusOk();
        var entries = db.sql("select id from entry where id > ? and contra_of is null order by id desc")
                .param(last)
                .query(Long.class)
                .list();
        assertThat(entries).as("%s: %s is in the log", step, what).isNotEmpty();
        long mine = entries.getFirst();
        var preview = api.read(api.get("/api/log/" + mine + "/strike"));
        assertThat(preview.has("why"))
                .as("%s: %s can be struck out: %s", step, what, preview)
                .isFalse();
        assertThat(preview.get("stays")).as("%s: %s leaves nothing", step, what).isEmpty();
        assertThat(api.post("/api/log/" + mine + "/strike", "{}"))
                .as("%s: %s", step, what)
                .hasStatusOk();
        assertThat(Database.read(db, card).since(before))
                .as("%s: %s, and struck out", step, what)
                .isEmpty();
    }

    private long lastEntry() {
        return db.sql("select coalesce(max(id), 0) from entry")
                .query(Long.class)
                .single();
    }

    private static JsonNode step(JsonNode card, String id) {
        for (var step : card.get("steps")) {
            if (step.get("id").asString().equals(id)) {
                return step;
            }
        }
        throw new AssertionError("no step " + id);
    }

    private long machine(String profile, String feed, String holds) {
        var held = holds.equals("NEVER_INKED")
                ? "\"NEVER_INKED\""
                : "\"INKED\", \"family\": \"%s\", \"make\": \"own\"".formatted(holds);
        return api.read(api.post("/api/machines", """
            {"name": "Given back %d", "bench": "Law bench", "profile": "%s", "feed": "%s", "holds": %s, "foodOnly": false, "tankShare": 0.7}\
            """.formatted(++numbered, profile, feed, held)))
                .at("/plate/id")
                .asLong();
    }
}
