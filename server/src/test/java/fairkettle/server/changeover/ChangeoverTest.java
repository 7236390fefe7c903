package fairkettle.server.changeover;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

@ServerTest
class ChangeoverTest {

    @Autowired
    private Api api;

    @Test
    void aPlanAnswersEverythingAtOnce() {
        var plan = ask(api.machine("Planned", "wide-tank", "INKED"), "MAKERS_PIGMENT", "")
                .get("plan");
        assertThat(plan.get("route").asString()).isEqualTo("Drain and swap");
        assertThat(plan.get("channels")).hasSize(4).allSatisfy(c -> {
            assertThat(c.get("residue").asDouble()).isLessThanOrEqualTo(0.005);
            assertThat(c.get("pulls").asString()).isNotBlank();
            assertThat(c.get("bottles")).isNotEmpty();
        });
        long lines = 0;
        for (var line : plan.get("cost")) {
            lines += line.at("/amount/minor").asLong();
        }
        assertThat(plan.at("/total/minor").asLong()).isEqualTo(lines);
        assertThat(plan.at("/times/ready").asString()).isNotBlank();
    }

    @Test
    void whatIsOnTheShelfIsNotBought() {
        long machine = api.machine("Shelved", "small-tank", "NEVER_INKED");
        var before = ask(machine, "SUBLIMATION", "&make=shelved").at("/plan/channels/0/bottles");
        api.post("/api/shelf/lots", """
            {"family": "SUBLIMATION", "channel": "K", "make": "shelved", "code": "S-1", "volume": 500, "price": 5000, "foodGrade": false}\
            """);
        assertThat(before).isNotEmpty();
        assertThat(ask(machine, "SUBLIMATION", "&make=shelved").at("/plan/channels/0/bottles"))
                .isEmpty();
    }

    @Test
    void foodIsRefusedAndACardForItToo() {
        long machine = api.machine("No food", "small-tank", "INKED");
        assertThat(ask(machine, "EDIBLE", "").get("kind").asString()).isEqualTo("refused");
        assertThat(api.post(
                        "/api/cards",
                        "{\"machine\": %d, \"family\": \"EDIBLE\", \"make\": \"own\"}".formatted(machine)))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("not food-safe");
    }

    @Test
    void stricterThanCanBeReachedSaysWhatIsInTheWay() {
        var answer = ask(api.machine("Strict", "small-tank", "INKED"), "SUBLIMATION", "&purity=0.0005");
        assertThat(answer.get("kind").asString()).isEqualTo("not-so");
        assertThat(answer.get("reason").asString()).contains("no rinse reaches the head");
        assertThat(answer.get("tradeOffs")).isNotEmpty();
    }

    @Test
    void aPurityThatIsNoneIsRefused() {
        long machine = api.machine("Pure", "small-tank", "INKED");
        assertThat(api.get("/api/machines/" + machine + "/changeover?family=SUBLIMATION&purity=2"))
                .hasStatus(400);
        assertThat(api.get("/api/machines/" + machine + "/changeover?family=WATER"))
                .hasStatus(400);
    }

    @Test
    void theOtherSchoolsAreWorkedOutApart() {
        long machine = api.machine("Schools apart", "wide-tank", "INKED");
        var schools = api.read(api.get("/api/machines/" + machine + "/changeover/schools?family=SUBLIMATION&make=own"));
        assertThat(schools).isNotEmpty().allSatisfy(school -> {
            assertThat(school.get("reason").asString()).isNotBlank();
            assertThat(school.get("others")).isNotEmpty();
        });
        assertThat(api.read(api.get("/api/machines/" + machine + "/changeover/schools?family=EDIBLE")))
                .as("where there is no plan")
                .isEmpty();
    }

    private JsonNode ask(long machine, String family, String more) {
        return api.read(api.get("/api/machines/" + machine + "/changeover?family=" + family + more));
    }

    /** Whoever asks for the first time is told what it takes a beginner, and may say otherwise. */
    @Test
    void handsThatAreNewTakeLonger() {
        long machine = api.machine("New hands", "small-tank", "INKED");
        var practised = ask(machine, "SUBLIMATION", "&hands=PRACTISED").get("plan");
        var first = ask(machine, "SUBLIMATION", "&hands=FIRST_TIME").get("plan");
        assertThat(first.at("/times/handsOn").asLong())
                .isGreaterThan(practised.at("/times/handsOn").asLong() * 3 / 2);
        assertThat(first.at("/times/machine")).isEqualTo(practised.at("/times/machine"));
        assertThat(first.get("channels")).isEqualTo(practised.get("channels"));
        assertThat(first.at("/times/hands/id").asString()).isEqualTo("FIRST_TIME");
        assertThat(first.at("/times/choices")).hasSize(3);
    }

    /** Film ink has a price of its own, and a set of colours is told beside single bottles. */
    @Test
    void eachInkIsPricedAsItIsSold() {
        long machine = api.machine("Sold in sets", "small-tank", "INKED");
        var settings = api.read(api.get("/api/shop")).get("settings").toString();
        var dear = ask(machine, "SUBLIMATION", "&make=insets").get("plan");
        assertThat(dear.hasNonNull("packs")).isFalse();
        shop(settings.substring(0, settings.length() - 1) + """
            , "inkOf": {"SUBLIMATION": {"bottles": [{"volume": 100, "price": 1200}],
                        "pack": {"each": 100, "colours": 4, "price": 2000}}}}\
            """);
        var cheaper = ask(machine, "SUBLIMATION", "&make=insets").get("plan");
        assertThat(cheaper.at("/packs/count").asInt()).isPositive();
        assertThat(cheaper.at("/packs/price/minor").asLong())
                .isEqualTo(2000L * cheaper.at("/packs/count").asInt())
                .isLessThan(cheaper.at("/packs/singles/minor").asLong());
        assertThat(cheaper.at("/total/minor").asLong())
                .isLessThan(dear.at("/total/minor").asLong());
        assertThat(cheaper.at("/protects/rinsed").asDouble()).isPositive();
        shop(settings);
    }

    private void shop(String settings) {
        assertThat(api.put(
                        "/api/shop",
                        settings,
                        api.read(api.get("/api/shop")).get("version").asString()))
                .hasStatusOk();
    }

    /** A bottle of nothing would be bought for ever. */
    @Test
    void aSizeThatHoldsNothingIsRefused() {
        var shop = api.read(api.get("/api/shop"));
        var version = shop.get("version").asString();
        var settings = shop.get("settings").toString();
        for (var bad : new String[] {
            "{\"FILM\": {\"bottles\": [{\"volume\": 0, \"price\": 100}]}}",
            "{\"FILM\": {\"bottles\": [{\"price\": 100}]}}",
            "{\"FILM\": {\"bottles\": []}}",
            "{\"FILM\": {\"bottles\": [{\"volume\": 100, \"price\": -1}]}}",
            "{\"FILM\": {\"bottles\": [{\"volume\": 100, \"price\": 1}], \"pack\": {\"each\": 0, \"colours\": 4,"
                    + " \"price\": 1}}}",
            "{\"FILM\": {\"bottles\": [{\"volume\": 100, \"price\": 1}], \"pack\": {\"each\": 9, \"colours\": 1,"
                    + " \"price\": 1}}}",
            "{\"WATER\": {\"bottles\": [{\"volume\": 100, \"price\": 1}]}}"
        }) {
            var asked = settings.substring(0, settings.length() - 1) + ", \"inkOf\": " + bad + "}";
            assertThat(api.put("/api/shop", asked, version)).as(bad).hasStatus(400);
        }
        var nothing = settings.substring(0, settings.length() - 1)
                + ", \"inkOf\": {\"FILM\": {\"bottles\": [{\"volume\": 100, \"price\": 1}, {\"volume\": 0, \"price\":"
                + " 1}]}}}";
        assertThat(api.put("/api/shop", nothing, version))
                .as("said beside the size")
                .bodyJson()
                .extractingPath("$.errors[0].field")
                .isEqualTo("inkOf[FILM].bottles[1].volume");
        assertThat(api.read(api.get("/api/shop")).get("settings").toString())
                .as("and nothing is half kept")
                .isEqualTo(settings);
    }
}
