package fairkettle.server.shelf;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.safety.WasteKind;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.server.ledger.Ledger;
import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Tools and parts that are struck off, and waste bottles that fill. */
@ServerTest
class SuppliesTest {

    @Autowired
    private Api api;

    @Autowired
    private WasteBottles waste;

    @Autowired
    private Ledger ledger;

    @Test
    void whatIsCountedIsStruckOffAndCostsWhatTheShopPays() {
        long machine = api.machine("Counted", "small-cartridge", "INKED");
        var path = "/api/machines/" + machine + "/changeover?family=SUBLIMATION&make=own";
        assertThat(line(path, "refillable cartridge").get("buy").asInt()).isEqualTo(4);
        assertThat(api.put("/api/shelf/supplies/REFILLABLE", "{\"count\": 3, \"price\": 500}", "0"))
                .hasStatusOk();
        assertThat(line(path, "refillable cartridge").get("buy").asInt()).isEqualTo(1);
        assertThat(line(path, "refillable cartridge").at("/price/minor").asInt())
                .isEqualTo(500);
        assertThat(api.put("/api/shelf/supplies/REFILLABLE", "{\"count\": -3}", "0"))
                .hasStatus(400);
        api.put("/api/shelf/supplies/REFILLABLE", "{\"count\": 0}", "0");
    }

    private tools.jackson.databind.JsonNode line(String path, String what) {
        for (var line : api.read(api.get(path)).at("/plan/toBuy")) {
            if (line.get("what").asString().equals(what)) {
                return line;
            }
        }
        throw new AssertionError("nothing like " + what);
    }

    @Test
    void aWasteBottleIsNamedFillsAndLeavesTheHouse() {
        waste.open(
                "June, under the sink",
                WasteKind.LIQUID,
                fairkettle.ink.Millilitres.parse("2000"),
                LocalDate.of(2026, 11, 25));
        assertThat(waste.inUse()).isInstanceOf(fairkettle.path.Place.Waste.class);
        assertThat(api.post("/api/shelf/waste", "{\"name\": \"Powder tin\", \"kind\": \"POWDER\", \"capacity\": 500}"))
                .hasStatus(201);
        assertThat(api.post(
                        "/api/shelf/waste", "{\"name\": \"Sink\", \"kind\": \"down the drain\", \"capacity\": 500}"))
                .hasStatus(400);
        long id = waste.all().stream()
                .filter(b -> b.name().startsWith("June"))
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(api.post("/api/shelf/waste/" + id + "/disposed", "{}")).hasStatusOk();
        assertThat(waste.inUse()).isEqualTo(fairkettle.path.Place.Outside.WASTE_BOTTLE);
        assertThat(ledger.rebuild()).isZero();
    }

    @Test
    void solidWasteIsWeighedByItsKindAndNeverMixedWithLiquid() {
        var open = api.read(api.post(
                "/api/shelf/waste", "{\"name\": \"Cured of a test\", \"kind\": \"CURED\", \"capacity\": 500}"));
        long id = open.get(0).get("id").asLong();
        assertThat(api.post("/api/shelf/waste/" + id + "/solids", "{\"grams\": 120}"))
                .hasStatusOk();
        var full = api.post("/api/shelf/waste/" + id + "/solids", "{\"grams\": 400}");
        assertThat(full)
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("full");
        assertThat(holds(id)).isEqualTo(120);

        long entry =
                api.read(api.get("/api/log?kind=waste")).at("/entries/0/id").asLong();
        assertThat(api.post("/api/log/" + entry + "/strike", "{}")).hasStatusOk();
        assertThat(holds(id)).isZero();

        api.post("/api/shelf/waste/" + id + "/solids", "{\"grams\": 200}");
        long weighed =
                api.read(api.get("/api/log?kind=waste")).at("/entries/0/id").asLong();
        api.post("/api/shelf/waste/" + id + "/disposed", "{}");
        var struck = api.post("/api/log/" + weighed + "/strike", "{}");
        assertThat(struck).hasStatusOk();
        assertThat(api.read(struck).get("stays").toString()).contains("left the house since");

        long liquid = api.read(api.post(
                        "/api/shelf/waste",
                        "{\"name\": \"Liquid of a test\", \"kind\": \"LIQUID\", \"capacity\": 900}"))
                .get(0)
                .get("id")
                .asLong();
        assertThat(api.post("/api/shelf/waste/" + liquid + "/solids", "{\"grams\": 1}"))
                .hasStatus(400);
        api.post("/api/shelf/waste/" + liquid + "/disposed", "{}");
    }

    @Test
    void whatDoesNotFitIntoTheWasteBottleIsNotDrawnIntoIt() {
        long machine = api.read(api.post("/api/machines", """
            {"name": "Waste is full", "bench": "Test bench", "profile": "film-rebuilt", "holds": "INKED",
             "family": "FILM", "foodOnly": false, "tankShare": 0.7}
            """)).at("/plate/id").asLong();
        long bottle = api.read(api.post(
                        "/api/shelf/waste", "{\"name\": \"Nearly full\", \"kind\": \"LIQUID\", \"capacity\": 4}"))
                .get(0)
                .get("id")
                .asLong();
        var drawn = "{\"channel\": \"W1\", \"volume\": 3, \"to\": \"WASTE\", \"shaken\": false}";

        assertThat(api.post("/api/machines/" + machine + "/white", drawn)).hasStatusOk();
        assertThat(holds(bottle)).isEqualTo(3);
        assertThat(api.post("/api/machines/" + machine + "/white", drawn))
                .hasStatus(422)
                .bodyText()
                .contains("“Nearly full” takes 1 mL more, and 3 mL would go in");
        assertThat(holds(bottle)).isEqualTo(3);
        api.post("/api/shelf/waste/" + bottle + "/disposed", "{}");
        assertThat(api.post("/api/machines/" + machine + "/white", drawn))
                .as("with no bottle that has a name, it goes where it always went")
                .hasStatusOk();
    }

    @Test
    void whatWasCountedOtherwiseStandsInTheLogWithItsReason() {
        api.put("/api/shelf/supplies/DAMPER", "{\"count\": 9}", "0");
        api.put("/api/shelf/supplies/DAMPER", "{\"count\": 6, \"why\": \"spoiled or lost\"}", "0");
        assertThat(api.read(api.get("/api/log?kind=supply"))
                        .at("/entries/0/words")
                        .asString())
                .contains("6 on the shelf, -3, spoiled or lost");
    }

    private double holds(long bottle) {
        for (var b : api.read(api.get("/api/shelf/waste"))) {
            if (b.get("id").asLong() == bottle) {
                return b.get("holds").asDouble();
            }
        }
        throw new AssertionError("no bottle " + bottle);
    }

    @Test
    void eachKindOfWasteHasThePlacesOwnRuleAndEachDrawnInkOnePlace() {
        api.put("/api/shelf/waste/rules/POWDER", "{\"words\": \"Sealed, to the special collection\"}", "0");
        var ways = api.read(api.get("/api/shelf/waste/ways"));
        assertThat(ways.get("kinds").toString()).contains("Sealed, to the special collection");
        assertThat(ways.get("reuse")).hasSizeGreaterThan(8);
        assertThat(ways.get("reuse").toString()).contains("colour from the waste line", "into the waste bottle");
        api.put("/api/shelf/waste/rules/POWDER", "{\"words\": \"\"}", "0");
        assertThat(api.read(api.get("/api/shelf/waste/ways")).toString()).doesNotContain("special collection");
    }

    /** The lot, its code and its day stay; only what hands do with the bottle is another thing now. */
    @Test
    void aKeyedBottleIsRefilledFromAPlainOne() {
        long plain = bottle("PLAIN-1", 600, "PLAIN");
        bottle("KEYED-1", 1500, "KEYED_VALVE");
        var path = "/api/shelf/lots/" + plain + "/poured-over";
        assertThat(api.post(path, "{\"into\": \"PLAIN\"}")).hasStatus(400);
        var saved = api.read(api.post(path, "{\"into\": \"KEYED_VALVE\"}"));
        assertThat(saved.at("/saved/minor").asLong()).as("100 mL of it").isEqualTo(900);
        var way = "/api/shelf/lots/" + plain + "/recall";
        assertThat(api.read(api.get(way)).get("kind").asString()).isEqualTo("KEYED_VALVE");
        assertThat(api.read(api.get(way)).get("left").asDouble()).isEqualTo(100);
        assertThat(api.read(api.get(way)).hasNonNull("openedOn")).isTrue();
        var entry = api.read(api.get("/api/log?words=PLAIN-1")).at("/entries/0");
        assertThat(entry.get("words").asString()).contains("poured over into a bottle with keyed valve");
        assertThat(api.post("/api/log/" + entry.get("id").asLong() + "/strike", "{}"))
                .hasStatusOk();
        assertThat(api.read(api.get(way)).get("kind").asString()).isEqualTo("PLAIN");
        assertThat(api.read(api.get(way)).hasNonNull("openedOn")).isFalse();
    }

    private long bottle(String code, long price, String kind) {
        api.post("/api/shelf/lots", """
            {"family": "SUBLIMATION", "channel": "K", "make": "poured", "code": "%s", "volume": 100,
             "price": %d, "foodGrade": false, "kind": "%s"}\
            """.formatted(code, price, kind));
        for (var lot : api.read(api.get("/api/shelf/lots"))) {
            if (lot.get("code").asString().equals(code)) {
                return lot.get("id").asLong();
            }
        }
        throw new AssertionError("no bottle " + code);
    }
}
