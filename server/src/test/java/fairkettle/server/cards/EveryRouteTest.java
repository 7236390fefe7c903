package fairkettle.server.cards;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.Hand;
import fairkettle.server.ServerTest;
import fairkettle.server.ledger.Ledger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** One card of each route over the API, to its end: what the machine is known to be afterwards, and the account. */
@ServerTest
class EveryRouteTest {

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    @Autowired
    private Ledger ledger;

    @Autowired
    private org.springframework.jdbc.core.simple.JdbcClient db;

    @ParameterizedTest(name = "{0}: a {1} holding {2} becomes {3}")
    @CsvSource(textBlock = """
        # route,         profile,             feed,       holds,        family,      chips,      then,           feed then
        FIRST_FILL,      six-ink-tank,        AS_BUILT,   NEVER_INKED,  SUBLIMATION, ,           sublimation,    as built
        DRAIN_AND_SWAP,  small-tank,          AS_BUILT,   MAKERS_DYE,   SUBLIMATION, ,           sublimation,    as built
        REFILLABLES,     small-cartridge,     AS_BUILT,   NEVER_INKED,  SUBLIMATION, IGNORED,    sublimation,    refillable cartridges
        BULK_FEED,       wide-cartridge-four, AS_BUILT,   MAKERS_DYE,   SUBLIMATION, AUTO_RESET, sublimation,    bulk-fed
        RENEW_BULK,      small-cartridge,     BULK,       SUBLIMATION,  SUBLIMATION, ,           sublimation,    bulk-fed
        FILM_REBUILD,    six-ink-tank,        AS_BUILT,   MAKERS_DYE,   FILM,        ,           film,           rebuilt for film
        EDIBLE_START,    snap-in-head,        AS_BUILT,   NEVER_INKED,  EDIBLE,      ,           edible,         as built
        GO_BACK,         wide-cartridge-six,  REFILLABLE, SUBLIMATION,  MAKERS_DYE,  ,           maker's dye,    as built
        PARK,            wide-tank,           AS_BUILT,   SUBLIMATION,  SUBLIMATION, ,           'parked on fluid, sublimation before', as built
        """)
    void oneCardToItsEnd(
            String route,
            String profile,
            String feed,
            String holds,
            String family,
            String chips,
            String then,
            String feedThen) {
        hand.bottles(family, family.equals("EDIBLE"), "K", "C", "M", "Y", "LC", "LM", "W1", "W2");
        long machine = machine(route, profile, feed, holds);
        var wish = """
            {"machine": %d, "family": "%s", "make": "own", "route": %s, "chips": %s, "purpose": "%s"}\
            """.formatted(
                        machine,
                        family,
                        route.equals("PARK") ? "null" : "\"" + route + "\"",
                        chips == null ? "null" : "\"" + chips + "\"",
                        route.equals("PARK") ? "PARK" : route.equals("RENEW_BULK") ? "RENEW" : "CHANGE");
        var begun = api.post("/api/cards", wish);
        assertThat(begun).hasStatus(201);
        var card = hand.carryOut(api.read(begun).get("id").asLong(), family);
        assertThat(card.get("state").asString()).isEqualTo("done");
        var after = api.read(api.get("/api/machines/" + machine));
        assertThat(after.at("/plate/family").asString()).isEqualTo(then);
        assertThat(after.get("feed").asString()).isEqualTo(feedThen);
        after.at("/plate/channels").forEach(EveryRouteTest::holdsNoMoreThanItCan);
        assertThat(ledger.rebuild()).as("contents that differ from the entries").isZero();
    }

    private static void holdsNoMoreThanItCan(JsonNode channel) {
        channel.get("path").forEach(vessel -> {
            double holds = 0;
            for (var layer : vessel.get("layers")) {
                holds += layer.get("volume").asDouble();
            }
            assertThat(holds)
                    .as("%s %s", channel.get("code"), vessel.get("kind"))
                    .isLessThan(vessel.get("capacity").asDouble() + 1e-9);
        });
    }

    private int numbered;

    private long machine(String name, String profile, String feed, String holds) {
        var held = holds.equals("NEVER_INKED")
                ? "\"NEVER_INKED\""
                : "\"INKED\", \"family\": \"%s\", \"make\": \"own\"".formatted(holds);
        return api.read(api.post("/api/machines", """
            {"name": "%s %d", "bench": "Route bench", "profile": "%s", "feed": "%s", "holds": %s, "foodOnly": false, "tankShare": 0.7}\
            """.formatted(
                                name, System.identityHashCode(this) + numbered++, profile, feed, held)))
                .at("/plate/id")
                .asLong();
    }

    @Test
    void parkedAndWokenAgain() {
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y");
        long machine = machine("Sleeper", "small-tank", "AS_BUILT", "SUBLIMATION");
        hand.carryOut(
                api.read(api.post("/api/cards", "{\"machine\": %d, \"purpose\": \"PARK\"}".formatted(machine)))
                        .get("id")
                        .asLong(),
                "SUBLIMATION");
        assertThat(api.read(api.get("/api/machines/" + machine)).get("parked").asBoolean())
                .isTrue();
        var plan = api.read(api.get("/api/machines/" + machine + "/changeover?family=SUBLIMATION&make=own"));
        assertThat(plan.at("/plan/routeId").asString()).isEqualTo("WAKE");
        hand.carryOut(
                api.read(api.post(
                                "/api/cards",
                                "{\"machine\": %d, \"family\": \"SUBLIMATION\", \"make\": \"own\"}".formatted(machine)))
                        .get("id")
                        .asLong(),
                "SUBLIMATION");
        assertThat(api.read(api.get("/api/machines/" + machine))
                        .at("/plate/family")
                        .asString())
                .isEqualTo("sublimation");
    }

    @Test
    void growthInOldInkMarksTheBottlesItCameFromAndNoneOfTheNew() {
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y");
        long machine = machine("Algae", "small-cartridge", "BULK", "SUBLIMATION");
        api.post("/api/shelf/lots", """
            {"family": "SUBLIMATION", "channel": "K", "make": "own", "code": "OLD-K", "volume": 100, "price": 900, "foodGrade": false}\
            """);
        long old = db.sql("select max(id) from lot").query(Long.class).single();
        assertThat(api.post(
                        "/api/machines/" + machine + "/refills",
                        "{\"channel\": \"K\", \"lot\": %d, \"poured\": 5, \"ranDry\": false, \"chipReset\": false}"
                                .formatted(old)))
                .hasStatus(201);
        long card = api.read(api.post(
                        "/api/cards",
                        "{\"machine\": %d, \"purpose\": \"RENEW\", \"family\": \"SUBLIMATION\", \"make\": \"own\"}"
                                .formatted(machine)))
                .get("id")
                .asLong();
        hand.carryOutUntil(card, "SUBLIMATION", "threads");
        assertThat(api.act(card, "fail", "{\"step\": \"threads\", \"branch\": \"growth\"}"))
                .hasStatusOk();
        var at = hand.carryOutUntil(card, "SUBLIMATION", "threads/growth~1/growth-bottles");
        assertThat(at.get("next").asString()).isEqualTo("threads/growth~1/growth-bottles");
        assertThat(db.sql("select code from lot where spoiled like '%growth found%'")
                        .query(String.class)
                        .list())
                .as("what was in the channel, not what was chosen to replace it")
                .containsExactly("OLD-K");
        assertThat(api.act(
                        card,
                        "enter",
                        "{\"step\": \"threads/growth~1/growth-bottles\", \"cell\": \"K\", \"value\": \"%d\"}"
                                .formatted(old)))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("growth found on the needle");
        hand.carryOut(card, "SUBLIMATION");
    }

    @Test
    void aHeadThatWillNotComeStopsTheWork() {
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y");
        long machine = machine("Glued", "film-dual-head", "AS_BUILT", "FILM");
        long card = api.read(api.post(
                        "/api/cards",
                        "{\"machine\": %d, \"family\": \"SUBLIMATION\", \"make\": \"own\"}".formatted(machine)))
                .get("id")
                .asLong();
        hand.carryOutUntil(card, "SUBLIMATION", "new-parts");
        assertThat(api.act(card, "fail", "{\"step\": \"new-parts\", \"branch\": \"will-not-come\"}"))
                .hasStatusOk();
        var stopped = hand.card(card);
        assertThat(stopped.get("state").asString()).isEqualTo("given up");
        assertThat(stopped.get("standing")).isNotEmpty();
        assertThat(api.read(api.get("/api/shelf/lots")).toString()).contains("\"reserved\":0");
    }

    @Test
    void aLineThatGaveMoreThanTheProfileSaysOffersToTeachIt() {
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y");
        long machine = machine("Long line", "small-tank", "AS_BUILT", "MAKERS_DYE");
        long card = api.beginCard(machine, "SUBLIMATION").get("id").asLong();
        var pull = hand.carryOutUntil(card, "SUBLIMATION", "pull")
                .get("steps")
                .valueStream()
                .filter(s -> s.get("id").asString().equals("pull"))
                .findFirst()
                .orElseThrow();
        double said = pull.at("/ask/columns/0/expected/0").asDouble();
        hand.enter(card, "pull", "K/0", "" + (said + 8));
        hand.enter(card, "pull", "K/1", "yes");
        for (var channel : new String[] {"C", "M", "Y"}) {
            hand.enter(card, "pull", channel + "/0", "" + said);
            hand.enter(card, "pull", channel + "/1", "yes");
        }
        assertThat(api.act(card, "finish", "{\"step\": \"pull\"}")).hasStatusOk();
        var lessons = hand.card(card).at("/comparison/lessons");
        assertThat(lessons).hasSize(1);
        assertThat(lessons.get(0).get("channel").asString()).isEqualTo("K");
        assertThat(lessons.get(0).get("gave").asDouble()).isEqualTo(said + 8);
        assertThat(lessons.get(0).get("capacity").asDouble()).isEqualTo(12.5);
    }

    @Test
    void whatAnOpenCardCountsOnIsNotFreeForAnother() {
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y");
        long one = machine("Reserving", "small-tank", "AS_BUILT", "MAKERS_DYE");
        long two = machine("Waiting", "small-tank", "AS_BUILT", "MAKERS_DYE");
        double before = onShelf(two);
        long card = api.beginCard(one, "SUBLIMATION").get("id").asLong();
        assertThat(onShelf(two)).isLessThan(before - 70);
        api.act(card, "give-up", "{\"reason\": \"only a test\"}");
        assertThat(onShelf(two)).isEqualTo(before);
    }

    private double onShelf(long machine) {
        return api.read(api.get("/api/machines/" + machine + "/changeover?family=SUBLIMATION&make=own"))
                .at("/plan/channels/0/onShelf")
                .asDouble();
    }

    @Test
    void theWaitsOfOneAreTimeForAnother() {
        long one = machine("First of two", "small-tank", "AS_BUILT", "MAKERS_DYE");
        long two = machine("Second of two", "small-tank", "AS_BUILT", "MAKERS_DYE");
        api.beginCard(one, "SUBLIMATION");
        api.beginCard(two, "SUBLIMATION");
        var next = api.read(api.get("/api/cards/next"));
        assertThat(next.toString())
                .contains("First of two")
                .contains("Second of two")
                .contains("Agree that the warranty ends");
    }
}
