package fairkettle.server.clinic;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.Hand;
import fairkettle.server.ServerTest;
import java.io.IOException;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import tools.jackson.databind.JsonNode;

/**
 * A case from its complaint to its end: what is known is not asked, what is done is booked, what happened is learned.
 */
@ServerTest
class ClinicTest {

    private static final String WHOLE = "{\"missing\": {\"K\": [], \"C\": [], \"M\": [], \"Y\": []}}";
    private static final String GAPS =
            "{\"missing\": {\"K\": [3, 9, 14, 20, 31, 40], \"C\": [5, 6, 11, 25, 33, 41], \"M\": [2, 8, 17, 22, 39,"
                    + " 44], \"Y\": [4, 7, 19, 28, 35, 47]}}";
    private static final String EVEN = """
        {"kind": "PAGE", "page": [{"channel": "K", "fade": 0.02, "band": false, "off": false}, {"channel": "C", "fade": 0.02, "band": false, "off": false},
         {"channel": "M", "fade": 0.02, "band": false, "off": false}, {"channel": "Y", "fade": 0.02, "band": false, "off": false}]}\
        """;

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    @Autowired
    private JdbcClient db;

    private JsonNode open(long machine, String complaint) {
        var opened = api.post(
                "/api/cases",
                "{\"machines\": [%d], \"complaints\": [\"%s\"], \"work\": \"SOLID\", \"words\": \"\"}"
                        .formatted(machine, complaint));
        assertThat(opened).hasStatus(201);
        return api.read(opened);
    }

    private JsonNode say(long id, String evidence) {
        var said = api.post("/api/cases/" + id + "/evidence", evidence);
        assertThat(said).hasStatusOk();
        return api.read(said);
    }

    private JsonNode look(long id) {
        return api.read(api.get("/api/cases/" + id));
    }

    /** A machine with gaps in every channel, whose simple things are well. @return its case */
    private long ill(long machine) {
        api.post("/api/machines/" + machine + "/checks", GAPS);
        long id = open(machine, "GAPS").get("id").asLong();
        say(id, "{\"kind\": \"SIMPLE\", \"channels\": []}");
        return id;
    }

    private static String advice(JsonNode found) {
        return found.at("/advice/kind").asString();
    }

    @Test
    void aClosedVentEndsACaseWithoutADropCleaned() {
        long machine = api.machine("Clinic vent", "small-tank", "INKED");
        api.post(
                "/api/machines/" + machine + "/checks",
                "{\"missing\": {\"K\": [], \"C\": [1, 2, 3, 4, 5, 6, 7, 8, 20, 21, 22], \"M\": [], \"Y\": []}}");
        var found = open(machine, "FADES");
        long id = found.get("id").asLong();
        assertThat(advice(found)).isEqualTo("SIMPLE");
        assertThat(advice(say(id, "{\"kind\": \"SIMPLE\", \"channels\": [\"C\"]}")))
                .isEqualTo("LOOK");
        api.post("/api/machines/" + machine + "/checks", WHOLE);
        assertThat(advice(look(id))).isEqualTo("PAGE");
        found = say(id, EVEN);
        for (int i = 0; i < 4 && !advice(found).equals("CLOSE"); i++) {
            assertThat(advice(found)).isIn("LOOK", "PAGE");
            api.post("/api/machines/" + machine + "/checks", WHOLE);
            found = advice(look(id)).equals("PAGE") ? say(id, EVEN) : look(id);
        }
        assertThat(advice(found)).isEqualTo("CLOSE");
        assertThat(found.at("/spent/padML").asDouble()).isZero();
        assertThat(api.post("/api/cases/" + id + "/end", "{\"ending\": \"CURED\", \"words\": \"\"}"))
                .hasStatusOk();
        assertThat(look(id).get("ending").asString()).isEqualTo("CURED");
        assertThat(api.post("/api/cases/" + id + "/evidence", "{\"kind\": \"SIMPLE\", \"channels\": []}"))
                .hasStatus(422);
    }

    @Test
    void whoeverStarvesIsToldItsOldestFilter() {
        long machine = api.machine("Clinic filters", "small-tank", "INKED");
        assertThat(fitted(machine, "ink filter", "2024-05-01")).hasStatus2xxSuccessful();
        assertThat(fitted(machine, "bay filter", "2023-05-01")).hasStatus2xxSuccessful();
        assertThat(fitted(machine, "wiper", "2020-05-01")).hasStatus2xxSuccessful();

        var starved = open(machine, "FADES")
                .get("findings")
                .valueStream()
                .filter(f -> f.get("cause").asString().equals("STARVED"))
                .findFirst()
                .orElseThrow();

        assertThat(starved.at("/oldest/part").asString()).isEqualTo("bay filter");
        assertThat(starved.at("/oldest/atLeast").asBoolean()).isFalse();
        assertThat(starved.at("/oldest/days").asInt()).isGreaterThan(600);
    }

    private MvcTestResult fitted(long machine, String part, String on) {
        return api.post(
                "/api/machines/" + machine + "/parts", "{\"part\": \"%s\", \"on\": \"%s\"}".formatted(part, on));
    }

    @Test
    void aTreatmentIsACardAndWhenItIsDoneItIsEvidence() {
        long machine = api.machine("Clinic card", "small-tank", "INKED");
        long id = ill(machine);
        double pad = padOf(machine);
        var opened = api.post("/api/cases/" + id + "/card", "{\"treatment\": \"CLEANING\", \"channels\": []}");
        assertThat(opened).hasStatus(201);
        long card = api.read(opened).get("card").asLong();
        assertThat(api.post("/api/cases/" + id + "/card", "{\"treatment\": \"WIPE\", \"channels\": []}"))
                .hasStatus(422);
        assertThat(api.post("/api/cases/" + id + "/end", "{\"ending\": \"CURED\", \"words\": \"\"}"))
                .hasStatus(422);
        assertThat(hand.carryOut(card, "MAKERS_DYE").get("state").asString()).isEqualTo("done");
        assertThat(padOf(machine) - pad).isGreaterThan(3);
        var found = look(id);
        assertThat(advice(found)).isEqualTo("LOOK");
        assertThat(found.at("/tried").toString()).contains("Light cleaning");
        assertThat(found.at("/spent/padML").asDouble()).isGreaterThan(3);
    }

    @Test
    void aNewDamperOfOneChannelIsNoNewDamperOfTheOthers() {
        long machine = api.machine("Clinic damper", "small-tank", "INKED");
        long id = ill(machine);
        long card = api.read(api.post(
                        "/api/cases/" + id + "/card",
                        "{\"treatment\": \"NEW_DAMPER\", \"channels\": [\"C\"], \"anyway\": \"it is five years old\"}"))
                .get("card")
                .asLong();
        hand.carryOut(card, "MAKERS_DYE");
        assertThat(db.sql("select string_agg(body->>'routine' || '/' || coalesce(body->>'channel', ''), ' ') from"
                                + " consequence join entry on entry.id = entry_id where card_id = ? and"
                                + " consequence.kind = 'RoutineDone' and body->>'routine' = 'damper'")
                        .param(card)
                        .query(String.class)
                        .single())
                .isEqualTo("damper/C");
    }

    private double padOf(long machine) {
        return db.sql("select coalesce(sum(microlitres), 0) from content where place = ?")
                        .param("pad/" + machine)
                        .query(Double.class)
                        .single()
                / 1000;
    }

    @Test
    void whatHappenedIsLearnedAndCanBeForgotten() {
        long machine = api.machine("Clinic learns", "small-tank", "INKED");
        long id = ill(machine);
        api.post("/api/machines/" + machine + "/checks", GAPS); // the gaps stand still: dried, not air
        say(id, "{\"kind\": \"DONE\", \"treatment\": \"SOAK\", \"channels\": [\"K\", \"C\", \"M\", \"Y\"]}");
        api.post("/api/machines/" + machine + "/checks", WHOLE);
        say(id, "{\"kind\": \"DONE\", \"treatment\": \"DRAW_AT_INLET\", \"channels\": [\"K\"]}");
        assertThat(db.sql("select sum(microlitres) from posting where place = 'outside/WASTE_BOTTLE' and"
                                + " entry_id = (select max(id) from entry where machine_id = ?)")
                        .param(machine)
                        .query(Long.class)
                        .single())
                .as("1 mL")
                .isEqualTo(1000);
        api.post("/api/machines/" + machine + "/checks", WHOLE);
        assertThat(api.post("/api/cases/" + id + "/end", "{\"ending\": \"CURED\", \"words\": \"one soak\"}"))
                .hasStatusOk();
        var learned = api.read(api.get("/api/clinic")).get("learned");
        assertThat(learned.toString()).contains("Soak over a wet cloth");
        assertThat(learned.get(0).get("now").asDouble())
                .isGreaterThan(learned.get(0).get("prior").asDouble());
        assertThat(api.read(api.delete("/api/clinic/learned")).get("learned").size())
                .isZero();
    }

    @Test
    void severalMachinesFallIllTogetherEachWithItsOwnCase() {
        long one = api.machine("Clinic twin one", "small-tank", "INKED");
        long two = api.machine("Clinic twin two", "small-tank", "INKED");
        var found = api.read(api.post(
                "/api/cases",
                "{\"machines\": [%d, %d], \"complaints\": [\"GAPS\"], \"work\": \"TEXT\", \"words\": \"both since Monday\"}"
                        .formatted(one, two)));
        assertThat(found.get("beside").toString()).contains("Clinic twin two");
        assertThat(api.get("/api/week?days=6"))
                .as("days ahead, with a case that today may leave over")
                .hasStatusOk();
    }

    @Test
    void whatCannotBeIsRefusedWithWords() {
        long machine = api.machine("Clinic refuses", "small-tank", "INKED");
        long id = open(machine, "CHIP").get("id").asLong();
        assertThat(advice(look(id))).isEqualTo("TRY");
        assertThat(api.post(
                        "/api/cases",
                        "{\"machines\": [%d], \"complaints\": [\"GAPS\"], \"work\": \"SOLID\", \"words\": \"\"}"
                                .formatted(machine)))
                .hasStatus(422);
        assertThat(api.post(
                        "/api/cases/" + id + "/evidence",
                        "{\"kind\": \"BUBBLES\", \"channels\": [\"W1\"], \"yes\": true}"))
                .hasStatus(422);
        assertThat(api.post("/api/cases/" + id + "/evidence", "{\"kind\": \"NONSENSE\"}"))
                .hasStatus(400);
        assertThat(api.post("/api/cases/" + id + "/evidence", "{\"kind\": \"PAGE\", \"page\": []}"))
                .hasStatus(400);
        assertThat(advice(say(id, "{\"kind\": \"TRIED\", \"remedy\": \"CLICK_IN\", \"yes\": true}")))
                .isEqualTo("CLOSE");
    }

    @Test
    void whatTheBooksProveIsNotAskedAgain() {
        long machine = api.machine("Clinic books", "small-tank", "INKED");
        api.post("/api/machines/" + machine + "/checks", GAPS);
        long id = open(machine, "GAPS").get("id").asLong();
        var simple = look(id).get("simple").toString();
        assertThat(simple)
                .contains("it printed today", "by the account")
                .contains("\"label\":\"Vents\",\"look\":\"open, holes not stuck over\"}");
        say(id, "{\"kind\": \"SIMPLE\", \"channels\": []}");
        api.post("/api/cases/" + id + "/end", "{\"ending\": \"STOPPED\", \"words\": \"\"}");
        var again = open(machine, "GAPS");
        assertThat(advice(again)).as("all of it was looked at today").isNotEqualTo("SIMPLE");
    }

    @Test
    void anEarlyCheckAfterAPowerCleaningIsNoCure() {
        long machine = api.machine("Clinic early", "small-tank", "INKED");
        long id = ill(machine);
        say(id, "{\"kind\": \"DONE\", \"treatment\": \"POWER_CLEANING\", \"channels\": [\"K\", \"C\", \"M\", \"Y\"]}");
        api.post("/api/machines/" + machine + "/checks", WHOLE);
        assertThat(look(id).get("provisionalUntil").asString()).isNotBlank();
        assertThat(api.post("/api/cases/" + id + "/end", "{\"ending\": \"CURED\", \"words\": \"\"}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("early success is luck");
        assertThat(api.post(
                        "/api/cases/" + id + "/end", "{\"ending\": \"HANDED_OVER\", \"words\": \"to the evening\"}"))
                .hasStatusOk();
    }

    @Test
    void aRuleHoldsForWhatIsNotAdvisedTooUnlessSomebodySaysWhy() {
        long machine = api.machine("Clinic rules", "small-tank", "INKED");
        long id = ill(machine);
        say(id, "{\"kind\": \"DONE\", \"treatment\": \"POWER_CLEANING\", \"channels\": [\"K\", \"C\", \"M\", \"Y\"]}");
        assertThat(onTheHob(machine))
                .as("a rest belongs to it, whoever did it")
                .isEqualTo("rest after the power cleaning");
        var cleaning = "{\"treatment\": \"CLEANING\", \"channels\": []%s}";
        assertThat(api.post("/api/cases/" + id + "/card", cleaning.formatted("")))
                .hasStatus(400)
                .bodyText()
                .contains("not over", "say why");
        assertThat(api.post(
                        "/api/cases/" + id + "/card", cleaning.formatted(", \"anyway\": \"the order leaves at two\"")))
                .hasStatus(201);
        assertThat(api.read(api.get("/api/log?machine=" + machine)).toString()).contains("the order leaves at two");
    }

    @Test
    void anActThatIsStruckOutTakesItsRestOffTheHobAgain() {
        long machine = api.machine("Clinic struck", "small-tank", "INKED");
        long id = ill(machine);
        say(id, "{\"kind\": \"DONE\", \"treatment\": \"POWER_CLEANING\", \"channels\": [\"K\", \"C\", \"M\", \"Y\"]}");
        assertThat(onTheHob(machine)).isNotNull();
        long entry = db.sql("select max(id) from entry where machine_id = ? and kind = 'cleaning'")
                .param(machine)
                .query(Long.class)
                .single();
        assertThat(api.post("/api/log/" + entry + "/strike", "{}").getResponse().getStatus())
                .isLessThan(300);
        assertThat(onTheHob(machine)).isNull();
        assertThat(look(id).at("/spent/padML").asDouble()).isZero();
    }

    private @Nullable String onTheHob(long machine) {
        return db.sql("select max(label) from wait where machine_id = ? and taken_off is null")
                .param(machine)
                .query(String.class)
                .optional()
                .orElse(null);
    }

    @Test
    void afterTheHeadIsLostNothingElseOpens() {
        long machine = api.machine("Clinic parted", "small-tank", "INKED");
        api.put("/api/shelf/supplies/HEAD", "{\"count\": 0, \"price\": 9900}", "0");
        long id = ill(machine);
        var lost = say(id, "{\"kind\": \"PARTED\"}");
        assertThat(advice(lost)).isEqualTo("STOP");
        assertThat(lost.at("/rounds/head").asDouble())
                .as("what the shop says when the case is opened")
                .isEqualTo(99);
        assertThat(lost.at("/rounds/lost").asDouble()).isPositive();
        api.put("/api/shelf/supplies/HEAD", "{\"count\": 1, \"price\": 9900}", "0");
        assertThat(look(id).at("/rounds/lost").asDouble())
                .as("nobody waits for it")
                .isZero();
        api.put("/api/shelf/supplies/HEAD", "{\"count\": 0}", "0");
        assertThat(lost.get("rules")).hasSize(fairkettle.clinic.Treatment.values().length);
        assertThat(api.post(
                        "/api/cases/" + id + "/card",
                        "{\"treatment\": \"CLEANING\", \"channels\": [], \"anyway\": \"one last time\"}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("parted");
    }

    @Test
    void onlyACheckThatCountsSaysCured() {
        long machine = api.machine("Clinic cured", "small-tank", "INKED");
        long id = open(machine, "GAPS").get("id").asLong();
        var cured = "{\"ending\": \"CURED\", \"words\": \"\"}";
        assertThat(api.post("/api/cases/" + id + "/end", cured))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("Nobody has looked");
        api.post("/api/machines/" + machine + "/checks", GAPS);
        assertThat(api.post("/api/cases/" + id + "/end", cured))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("K, C, M, Y", "not cured");
        api.post("/api/machines/" + machine + "/checks", WHOLE);
        assertThat(api.post("/api/cases/" + id + "/end", cured)).hasStatusOk();
    }

    private long film(String name) {
        return api.read(api.post("/api/machines", """
            {"name": "%s", "bench": "Test bench", "profile": "film-rebuilt", "holds": "INKED", "family": "FILM", "foodOnly": false, "tankShare": 0.7}
            """.formatted(name)))
                .at("/plate/id")
                .asLong();
    }

    @Test
    void withHalfOfItsWhitesItPrintsOnInMorePasses() {
        long machine = film("Clinic passes");
        var gone = IntStream.range(0, 88).boxed().toList();
        api.post(
                "/api/machines/" + machine + "/checks",
                "{\"missing\": {\"K\": [], \"C\": [], \"M\": [], \"Y\": [], \"W1\": [], \"W2\": %s}}".formatted(gone));
        var opened = api.read(api.post(
                "/api/cases",
                "{\"machines\": [%d], \"complaints\": [\"GONE\"], \"work\": \"WHITE\", \"words\": \"\"}"
                        .formatted(machine)));
        long id = opened.get("id").asLong();
        assertThat(opened.get("printOn").asString()).contains("1 of 2 whites print", "2 times as long");
        assertThat(api.read(api.post("/api/cases/" + id + "/print-on", "{}"))
                        .get("ending")
                        .asString())
                .isEqualTo("GOOD_ENOUGH");
        assertThat(api.read(api.get("/api/machines/" + machine + "/passport")).toString())
                .contains("set white to W1");
        assertThat(api.post("/api/cases/" + id + "/print-on", "{}")).hasStatus(422);
    }

    @Test
    void renewingIsAChangeoverAndCrustIsEvidenceWhoeverSawIt() {
        long machine = api.machine("Clinic crust", "small-tank", "INKED");
        api.post("/api/machines/" + machine + "/checks", GAPS);
        long id = open(machine, "GAPS").get("id").asLong();
        assertThat(api.post("/api/cases/" + id + "/card", "{\"treatment\": \"RENEW\", \"channels\": [\"C\"]}"))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("The same ink, fresh");
        long card = api.read(api.post(
                        "/api/machines/" + machine + "/works", "{\"work\": \"INLET_POINTS\", \"channels\": [\"C\"]}"))
                .get("card")
                .asLong();
        hand.carryOutUntil(card, "MAKERS_DYE", "dissolve");
        assertThat(db.sql("select count(*) from case_evidence where case_id = ? and body->>'kind' = 'Crust'")
                        .param(id)
                        .query(Integer.class)
                        .single())
                .isEqualTo(1);
    }

    @Test
    void aBottleThatTurnsOutBadOpensACaseWhereItWasFilledFrom() {
        long machine = api.machine("Clinic lot", "small-tank", "INKED");
        api.post("/api/shelf/lots", """
            {"family": "MAKERS_DYE", "channel": "C", "make": "own", "code": "BAD-1", "volume": 100, "price": 900, "foodGrade": false}\
            """);
        long lot = db.sql("select max(id) from lot").query(Long.class).single();
        assertThat(api.post(
                        "/api/machines/" + machine + "/refills",
                        "{\"channel\": \"C\", \"lot\": %d, \"poured\": 10, \"ranDry\": false, \"chipReset\": false}"
                                .formatted(lot)))
                .as("a refill tells the channel its bottle")
                .hasStatus(201);
        assertThat(api.post("/api/shelf/lots/" + lot + "/spoiled", "{\"reason\": \"threads on the needle\"}"))
                .hasStatusOk();
        var open = api.read(api.get("/api/clinic")).get("open").toString();
        assertThat(open).contains("Clinic lot");
        int cases = db.sql("select count(*) from clinic_case where machine_id = ?")
                .param(machine)
                .query(Integer.class)
                .single();
        api.post("/api/shelf/lots/" + lot + "/spoiled", "{\"reason\": \"threads on the needle\"}");
        assertThat(db.sql("select count(*) from clinic_case where machine_id = ?")
                        .param(machine)
                        .query(Integer.class)
                        .single())
                .as("marked twice, opened once")
                .isEqualTo(cases);
    }

    @Test
    void aCaseGoesOntoPaper() throws IOException {
        long machine = api.machine("Clinic paper", "small-tank", "INKED");
        long id = ill(machine);
        say(id, "{\"kind\": \"DONE\", \"treatment\": \"SOAK\", \"channels\": [\"K\", \"C\", \"M\", \"Y\"]}");
        var paper = api.get("/api/cases/" + id + "/paper.pdf").getResponse().getContentAsByteArray();
        try (var pdf = Loader.loadPDF(paper)) {
            assertThat(new PDFTextStripper().getText(pdf))
                    .contains("Clinic paper", "Soak over a wet cloth", "6 missing", "Believed");
        }
    }
}
