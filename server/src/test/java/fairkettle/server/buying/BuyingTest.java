package fairkettle.server.buying;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.server.shelf.Shelf;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** From what is missing, over the cheapest order, onto the shelf. */
@ServerTest
class BuyingTest {

    private static final String CYAN = "ink/MAKERS_DYE/C/buying";

    @Autowired
    private Api api;

    @Autowired
    private Shelf shelf;

    @Test
    void whatRunsLowIsOrderedTheCheapestWayComesInPartAndStandsOnTheShelf() {
        long seller = supplier("Harrow Lane", 300, "null");
        bottle("C", "BUY-C0");
        want(CYAN, 150, 0);
        offer(seller, "Cyan, 100 mL", content(CYAN, 100), "{\"from\": 1, \"price\": 1200}");
        offer(seller, "Cyan, 50 mL", content(CYAN, 50), "{\"from\": 1, \"price\": 500}, {\"from\": 4, \"price\": 450}");

        var article = article(CYAN);
        assertThat(article.get("left").asDouble()).isEqualTo(100);
        assertThat(article.get("low").asBoolean()).as("below its minimum").isTrue();
        var proposal = api.read(api.get("/api/buying/proposal?within=0"));
        var order = named(proposal.get("orders"), "name", "Harrow Lane");
        assertThat(order.at("/lines/0/name").asString()).isEqualTo("Cyan, 50 mL");
        assertThat(order.at("/lines/0/count").asInt()).isEqualTo(1);
        assertThat(order.get("total").asLong()).isEqualTo(800);

        long offer = order.at("/lines/0/offer").asLong();
        var bought = api.read(api.post("/api/purchases", """
            {"supplier": %d, "lines": [{"offer": %d, "count": 4}]}
            """.formatted(seller, offer)));
        var purchase = named(bought.get("purchases"), "supplier", "Harrow Lane");
        assertThat(purchase.get("total").asLong())
                .as("the better price, and postage")
                .isEqualTo(2100);
        assertThat(article(CYAN).get("onTheWay").asDouble()).isEqualTo(200);
        assertThat(article(CYAN).get("low").asBoolean()).isFalse();

        long id = purchase.get("id").asLong();
        assertThat(came(id, offer, 1, ""))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].detail")
                .isEqualTo("Copy the code that stands on the bottle.");
        assertThat(article(CYAN).get("left").asDouble()).as("nothing half done").isEqualTo(100);
        assertThat(came(id, offer, 3, "BUY-C1")).hasStatusOk();
        assertThat(article(CYAN).get("left").asDouble()).isEqualTo(250);
        assertThat(article(CYAN).get("onTheWay").asDouble()).isEqualTo(50);
        assertThat(came(id, offer, 2, "BUY-C1")).as("more than was ordered").hasStatus(422);
        assertThat(came(id, offer, 1, "BUY-C2")).hasStatusOk();
        assertThat(named(api.read(api.get("/api/buying")).get("purchases"), "supplier", "Harrow Lane")
                        .get("state")
                        .asString())
                .isEqualTo("CAME");
        assertThat(came(id, offer, 1, "BUY-C3")).as("it is closed").hasStatus(422);
        var lots = api.read(api.get("/api/shelf/lots"));
        assertThat(named(lots, "code", "BUY-C1").get("price").asLong())
                .as("what one of them cost")
                .isEqualTo(450);
    }

    @Test
    void whatCameByMistakeGoesBackAtOnceAndTheOrderIsOpenAgain() {
        long seller = supplier("Struck", 0, "null");
        var ink = "ink/MAKERS_DYE/M/struck";
        api.post("/api/buying/articles", "{\"label\": \"struck backs\", \"count\": 7}");
        var own = named(api.read(api.get("/api/buying")).get("articles"), "label", "struck backs")
                .get("key")
                .asString();
        offer(
                seller,
                "Box",
                content(ink, 100) + "," + content("part/NEEDLE", 10) + "," + content(own, 3),
                "{\"from\": 1, \"price\": 900}");
        long offer = sold(seller);
        double needles = article("part/NEEDLE").get("left").asDouble();
        api.post("/api/purchases", """
            {"supplier": %d, "lines": [{"offer": %d, "count": 1}, {"offer": %d, "count": 1}]}
            """.formatted(seller, offer, offer));
        var purchase = named(api.read(api.get("/api/buying")).get("purchases"), "supplier", "Struck");
        assertThat(purchase.get("lines")).as("asked for twice, one line").hasSize(1);
        long id = purchase.get("id").asLong();
        var came = "{\"lines\": [{\"offer\": %d, \"count\": 2, \"codes\": {\"%s\": \"STRUCK\"}}]}";
        assertThat(api.post("/api/purchases/%d/came".formatted(id), came.formatted(987654, ink)))
                .as("nothing of this order")
                .hasStatus(422);
        assertThat(api.post("/api/purchases/%d/came".formatted(id), came.formatted(offer, ink)))
                .hasStatusOk();
        assertThat(article(ink).get("left").asDouble()).isEqualTo(200);
        assertThat(article(own).get("left").asDouble()).isEqualTo(13);
        assertThat(article("part/NEEDLE").get("left").asDouble()).isEqualTo(needles + 20);

        strikeNewest("order no. %d has come".formatted(id));
        assertThat(article(ink).get("left").asDouble()).isZero();
        assertThat(article(own).get("left").asDouble()).isEqualTo(7);
        assertThat(article("part/NEEDLE").get("left").asDouble()).isEqualTo(needles);
        assertThat(article(ink).get("onTheWay").asDouble())
                .as("it is on its way again")
                .isEqualTo(200);
        strikeNewest("order no. %d to Struck".formatted(id));
        assertThat(article(ink).get("onTheWay").asDouble()).isZero();
        strikeNewest("struck backs: 7");
        assertThat(api.read(api.get("/api/buying")).get("articles").toString()).doesNotContain("struck backs");
    }

    private void strikeNewest(String words) {
        var entry = api.read(api.get("/api/log?words={words}", words)).at("/entries/0");
        assertThat(entry.get("strikeable").asBoolean()).isTrue();
        assertThat(api.post("/api/log/%d/strike".formatted(entry.get("id").asLong()), "{}"))
                .hasStatusOk();
    }

    @Test
    void aSupplierThatWasLeftLeavesItsName() {
        long first = supplier("Comes again", 0, "null");
        assertThat(api.delete("/api/suppliers/" + first)).hasStatusOk();
        assertThat(supplier("Comes again", 0, "null")).isNotEqualTo(first);
    }

    @Test
    void aSetSharesItsPriceOutOverItsBottles() {
        long seller = supplier("Ribbon and Roll", 0, "null");
        var black = "ink/MAKERS_DYE/K/set";
        var yellow = "ink/MAKERS_DYE/Y/set";
        offer(seller, "Set", content(black, 100) + "," + content(yellow, 70), "{\"from\": 1, \"price\": 1701}");
        long offer = sold(seller);
        api.post(
                "/api/purchases",
                "{\"supplier\": %d, \"lines\": [{\"offer\": %d, \"count\": 1}]}".formatted(seller, offer));
        long id = named(api.read(api.get("/api/buying")).get("purchases"), "supplier", "Ribbon and Roll")
                .get("id")
                .asLong();
        assertThat(api.post("/api/purchases/%d/came".formatted(id), """
            {"lines": [{"offer": %d, "count": 1, "codes": {"%s": "SET-K", "%s": "SET-Y"}}]}
            """.formatted(offer, black, yellow)))
                .hasStatusOk();
        var lots = api.read(api.get("/api/shelf/lots"));
        long k = named(lots, "code", "SET-K").get("price").asLong();
        long y = named(lots, "code", "SET-Y").get("price").asLong();
        assertThat(k + y).isEqualTo(1701);
        assertThat(k).isEqualTo(1001);
        assertThat(named(api.read(api.get("/api/shelf/lots")), "code", "SET-Y")
                        .get("left")
                        .asDouble())
                .isEqualTo(70);
    }

    @Test
    void machinesThatShareAnInkAreOneArticle() {
        api.machine("Shares one", "small-tank", "INKED");
        api.machine("Shares two", "small-tank", "INKED");
        var article = article("ink/MAKERS_DYE/M/own");
        assertThat(article.get("users").toString()).contains("Shares one", "Shares two");
        assertThat(article.get("inMachines").asDouble()).isPositive();
    }

    @Test
    void whatIsKeptInReserveNoPlanCountsOn() {
        bottleOf("RESERVE-C", "SUBLIMATION", "C", "reserve");
        var key = "ink/SUBLIMATION/C/reserve";
        want(key, 0, 30);
        var article = article(key);
        assertThat(article.get("left").asDouble()).isEqualTo(100);
        assertThat(article.get("reserve").asDouble()).isEqualTo(30);
        assertThat(shelf.inkFor(Family.SUBLIMATION, "reserve", LocalDate.EPOCH))
                .containsExactly(Map.entry(ChannelCode.of("C"), Millilitres.parse("70")));
    }

    @Test
    void aRefillEatsNoReserveUnasked() {
        bottleOf("KEPT-BACK", "MAKERS_DYE", "Y", "own");
        want("ink/MAKERS_DYE/Y/own", 0, 95);
        long machine = api.machine("Would eat it", "small-tank", "INKED");
        long lot = named(api.read(api.get("/api/shelf/lots")), "code", "KEPT-BACK")
                .get("id")
                .asLong();
        var path = "/api/machines/%d/refills".formatted(machine);
        var body = "{\"channel\": \"Y\", \"lot\": %d, \"poured\": 10, \"ranDry\": false, \"chipReset\": false%s}";
        assertThat(api.post(path, body.formatted(lot, "")))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].field")
                .isEqualTo("intoReserve");
        assertThat(api.post(path, body.formatted(lot, ", \"intoReserve\": true")))
                .hasStatus(201);
        want("ink/MAKERS_DYE/Y/own", 0, 0);
    }

    @Test
    void whatWasWeighedIsTheTruthAndTheDifferenceACorrection() {
        bottleOf("WEIGHED", "EDIBLE", "M", "weighed");
        long lot = named(api.read(api.get("/api/shelf/lots")), "code", "WEIGHED")
                .get("id")
                .asLong();
        var path = "/api/shelf/lots/%d/counted".formatted(lot);
        assertThat(api.post(path, "{\"holds\": 88.5, \"why\": \"\"}")).hasStatus(400);
        assertThat(api.post(path, "{\"holds\": 120, \"why\": \"a gift\"}"))
                .as("more than it was sold with")
                .hasStatus(400);
        assertThat(api.post(path, "{\"holds\": 88.5, \"why\": \"spilled\"}")).hasStatusOk();
        assertThat(named(api.read(api.get("/api/shelf/lots")), "code", "WEIGHED")
                        .get("left")
                        .asDouble())
                .isEqualTo(88.5);
        var entry = api.read(api.get("/api/log?lot=" + lot)).at("/entries/0");
        assertThat(entry.get("words").asString())
                .endsWith("WEIGHED holds 88.5 mL, 11.5 mL less than reckoned: spilled");
        assertThat(api.post("/api/log/%d/strike".formatted(entry.get("id").asLong()), "{}"))
                .hasStatusOk();
        assertThat(named(api.read(api.get("/api/shelf/lots")), "code", "WEIGHED")
                        .get("left")
                        .asDouble())
                .isEqualTo(100);
    }

    @Test
    void aSheetForACustomerTakesItsPaperAndGivesItBack() {
        api.put("/api/shelf/supplies/PAPER", "{\"count\": 50}", "");
        long machine = api.machine("Takes paper", "small-tank", "INKED");
        api.post("/api/machines/%d/printed".formatted(machine), "{\"sheets\": 8}");
        assertThat(article("part/PAPER").get("left").asDouble()).isEqualTo(42);
        long entry = api.read(api.get("/api/log?kind=print&machine=" + machine))
                .at("/entries/0/id")
                .asLong();
        api.post("/api/log/%d/strike".formatted(entry), "{}");
        assertThat(article("part/PAPER").get("left").asDouble()).isEqualTo(50);
    }

    @Test
    void articlesOfTheShopsOwnAreCountedWithAReason() {
        api.post("/api/buying/articles", "{\"label\": \"rosette backs\", \"count\": 40}");
        var own = named(api.read(api.get("/api/buying")).get("articles"), "label", "rosette backs");
        assertThat(own.get("own").asBoolean()).isTrue();
        var key = own.get("key").asString();
        assertThat(api.post(
                        "/api/buying/articles/counted",
                        "{\"article\": \"%s\", \"count\": 35, \"why\": \"\"}".formatted(key)))
                .hasStatus(400);
        assertThat(api.post(
                        "/api/buying/articles/counted",
                        "{\"article\": \"%s\", \"count\": 35, \"why\": \"five were stained\"}".formatted(key)))
                .hasStatusOk();
        assertThat(api.read(api.get("/api/log?words=rosette backs"))
                        .at("/entries/0/words")
                        .asString())
                .isEqualTo("rosette backs: 35 on the shelf, -5, five were stained");
    }

    @Test
    void theirHoursAreToldByTheClockHere() {
        api.post("/api/suppliers", """
            {"name": "Far Quay", "leadDays": 12, "postage": 900, "zone": "Asia/Tokyo", "opens": "09:00", "closes": "17:00", "notes": ""}
            """);
        var seller = named(api.read(api.get("/api/buying")).get("suppliers"), "name", "Far Quay");
        assertThat(seller.get("hereFrom").asString()).isIn("00:00", "00:00:00", "01:00", "01:00:00");
        assertThat(api.post(
                        "/api/suppliers",
                        "{\"name\": \"Nowhere\", \"leadDays\": 1, \"postage\": 0, \"zone\": \"Moon/Crater\","
                                + " \"notes\": \"\"}"))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].detail")
                .asString()
                .contains("Moon/Crater");
        assertThat(api.post(
                        "/api/suppliers", "{\"name\": \"Far Quay\", \"leadDays\": 1, \"postage\": 0, \"notes\": \"\"}"))
                .as("twice")
                .hasStatus(400);
    }

    @Test
    void anOrderIsTakenAlongAsATable() throws Exception {
        long seller = supplier("Tabled", 250, "null");
        offer(seller, "Gloves, 50 pairs", content("part/GLOVES", 50), "{\"from\": 1, \"price\": 700}");
        api.post(
                "/api/purchases",
                "{\"supplier\": %d, \"lines\": [{\"offer\": %d, \"count\": 2}]}".formatted(seller, sold(seller)));
        long id = named(api.read(api.get("/api/buying")).get("purchases"), "supplier", "Tabled")
                .get("id")
                .asLong();
        assertThat(api.get("/api/purchases/%d.csv".formatted(id))
                        .getResponse()
                        .getContentAsString()
                        .lines())
                .containsExactly("count,what,price GBP,came", "2,\"Gloves, 50 pairs\",14.0,0", "1,postage,2.5,");
        assertThat(new String(
                        api.get("/api/purchases/%d.pdf".formatted(id))
                                .getResponse()
                                .getContentAsByteArray(),
                        StandardCharsets.ISO_8859_1))
                .startsWith("%PDF-");
        double before = article("part/GLOVES").get("left").asDouble();
        assertThat(came(id, sold(seller), 2, "")).hasStatusOk();
        assertThat(article("part/GLOVES").get("left").asDouble()).isEqualTo(before + 100);
        assertThat(api.post("/api/purchases/%d/off".formatted(id), "{}")).hasStatusOk();
    }

    @Test
    void whatMakesNoSenseIsRefused() {
        long seller = supplier("Strict", 0, "null");
        assertThat(api.post("/api/suppliers/%d/offers".formatted(seller), """
            {"name": "Half a glove", "contents": [{"article": "part/GLOVES", "each": 0.5}], "tiers": [{"from": 1, "price": 5}]}
            """))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].detail")
                .isEqualTo("Give whole pieces, at most 100 000.");
        assertThat(api.post("/api/suppliers/%d/offers".formatted(seller), """
            {"name": "Nothing", "contents": [{"article": "moon/cheese", "each": 3}], "tiers": [{"from": 1, "price": 5}]}
            """)).hasStatus(400);
        assertThat(api.post("/api/suppliers/%d/offers".formatted(seller), """
            {"name": "From two", "contents": [{"article": "part/GLOVES", "each": 3}], "tiers": [{"from": 2, "price": 5}]}
            """)).hasStatus(400);
        assertThat(api.post(
                        "/api/purchases",
                        "{\"supplier\": %d, \"lines\": [{\"offer\": 987654, \"count\": 1}]}".formatted(seller)))
                .hasStatus(422);
    }

    private long supplier(String name, int postage, String freeFrom) {
        return named(
                        api.read(api.post("/api/suppliers", """
                            {"name": "%s", "leadDays": 4, "postage": %d, "freeFrom": %s, "notes": ""}
                            """.formatted(name, postage, freeFrom)))
                                .get("suppliers"),
                        "name",
                        name)
                .get("id")
                .asLong();
    }

    private static String content(String article, int each) {
        return "{\"article\": \"%s\", \"each\": %d}".formatted(article, each);
    }

    private void offer(long supplier, String name, String contents, String tiers) {
        assertThat(api.post("/api/suppliers/%d/offers".formatted(supplier), """
            {"name": "%s", "contents": [%s], "tiers": [%s]}
            """.formatted(name, contents, tiers)))
                .hasStatus(201);
    }

    private long sold(long supplier) {
        for (var s : api.read(api.get("/api/buying")).get("suppliers")) {
            if (s.get("id").asLong() == supplier) {
                return s.at("/offers/0/id").asLong();
            }
        }
        throw new AssertionError("no supplier " + supplier);
    }

    private void bottle(String channel, String code) {
        bottleOf(code, "MAKERS_DYE", channel, "buying");
    }

    private void bottleOf(String code, String family, String channel, String make) {
        assertThat(api.post("/api/shelf/lots", """
            {"family": "%s", "channel": "%s", "make": "%s", "code": "%s", "volume": 100, "price": 1200, "foodGrade": false}
            """.formatted(family, channel, make, code)))
                .hasStatus(201);
    }

    private void want(String article, int minimum, int reserve) {
        assertThat(api.put(
                        "/api/buying/articles",
                        "{\"article\": \"%s\", \"minimum\": %d, \"reserve\": %d}".formatted(article, minimum, reserve),
                        ""))
                .hasStatusOk();
    }

    private org.springframework.test.web.servlet.assertj.MvcTestResult came(
            long purchase, long offer, int count, String code) {
        return api.post("/api/purchases/%d/came".formatted(purchase), """
            {"lines": [{"offer": %d, "count": %d, "codes": {"%s": "%s"}}]}
            """.formatted(offer, count, CYAN, code));
    }

    private JsonNode article(String key) {
        return named(api.read(api.get("/api/buying")).get("articles"), "key", key);
    }

    private static JsonNode named(JsonNode all, String field, String value) {
        for (var one : all) {
            if (one.get(field).asString().equals(value)) {
                return one;
            }
        }
        throw new AssertionError("no " + field + " " + value + " in " + all);
    }
}
