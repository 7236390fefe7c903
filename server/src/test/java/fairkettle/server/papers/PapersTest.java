package fairkettle.server.papers;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.Hand;
import fairkettle.server.ServerTest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;

/** On paper, and in files that come back. */
@ServerTest
class PapersTest {

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    @ParameterizedTest
    @ValueSource(strings = {"a4", "letter"})
    void aCardAndItsShoppingListOnPaper(String paper) throws IOException {
        long machine = api.machine("Pinned " + paper, "wide-tank", "INKED");
        var card = text(
                api.get("/api/machines/" + machine + "/changeover/card.pdf?family=SUBLIMATION&make=own&paper=" + paper)
                        .getResponse()
                        .getContentAsByteArray());
        assertThat(card)
                .contains("Free the carriage")
                .contains("Hold: No cord is in the machine")
                .contains("first load", "of 60 mL") // boxes under their heads, with what is planned in them
                .contains("Strike out what is missing: K 180 strokes")
                .contains("Wait: rest after power cleaning, 12 h")
                .doesNotContain("?caps");
        var list = text(api.get("/api/machines/" + machine
                        + "/changeover/shopping.pdf?family=SUBLIMATION&make=own&paper=" + paper)
                .getResponse()
                .getContentAsByteArray());
        assertThat(list)
                .contains("To buy")
                .contains("sublimation ink K")
                .contains("blunt needle")
                .contains("Waste bottle with room for");
    }

    @Test
    void aPlanGoesOutAndComesBack() {
        long machine = api.machine("Round trip", "wide-tank", "INKED");
        byte[] file = api.get(
                        "/api/machines/" + machine + "/changeover/plan.json?family=SUBLIMATION&make=own&purity=0.004")
                .getResponse()
                .getContentAsByteArray();
        var back = api.read(api.send("/api/machines/" + machine + "/bring-in", file));
        assertThat(back.get("kind").asString()).isEqualTo("plan");
        assertThat(back.at("/wish/purity").asDouble()).isEqualTo(0.004);
        assertThat(back.get("differences")).isEmpty();
        long other = api.machine("Smaller", "small-tank", "INKED");
        assertThat(api.read(api.send("/api/machines/" + other + "/bring-in", file))
                        .get("differences")
                        .toString())
                .contains("the file says");
    }

    @Test
    void quantitiesGoOutAsATableAndComeBack() {
        long machine = api.machine("Tabled", "wide-tank", "INKED");
        var asked = "?family=SUBLIMATION&make=own";
        byte[] file = api.get("/api/machines/" + machine + "/changeover/quantities.csv" + asked)
                .getResponse()
                .getContentAsByteArray();
        assertThat(new String(file, StandardCharsets.UTF_8)).startsWith("slot_now,slot_then,doing");
        assertThat(api.read(api.send("/api/machines/" + machine + "/bring-in" + asked, file))
                        .get("differences"))
                .isEmpty();
        var changed = new String(file, StandardCharsets.UTF_8).replace("\r\nK,K,FILL,", "\r\nK,K,FILL,x");
        assertThat(api.send("/api/machines/" + machine + "/bring-in" + asked, changed.getBytes(StandardCharsets.UTF_8)))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("Line 2");
    }

    @Test
    void aFinishedCardComesBackAsHistory() {
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y");
        long machine = api.machine("Historic", "small-tank", "NEVER_INKED");
        long card = api.beginCard(machine, "SUBLIMATION").get("id").asLong();
        assertThat(api.send(
                        "/api/machines/" + machine + "/bring-in",
                        api.get("/api/cards/" + card + "/card.json")
                                .getResponse()
                                .getContentAsByteArray()))
                .hasStatus(422);
        hand.carryOut(card, "SUBLIMATION");
        byte[] file = api.get("/api/cards/" + card + "/card.json").getResponse().getContentAsByteArray();
        long other = api.machine("Reader", "small-tank", "NEVER_INKED");
        long broughtIn = api.read(api.send("/api/machines/" + other + "/bring-in", file))
                .get("card")
                .asLong();
        assertThat(hand.card(broughtIn).get("steps"))
                .hasSameSizeAs(hand.card(card).get("steps"));
        assertThat(api.read(api.get("/api/machines/" + other))
                        .at("/plate/family")
                        .asString())
                .as("it moves nothing")
                .isEqualTo("never inked");
        var torn = new String(file, StandardCharsets.UTF_8)
                .replaceAll("\"expected\" : \\[ [0-9.]+, ", "\"expected\" : [ ");
        assertThat(api.send("/api/machines/" + other + "/bring-in", torn.getBytes(StandardCharsets.UTF_8)))
                .hasStatus(422);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "{\"format\": \"fair-kettle/plan\", \"version\": 9}",
                "{\"format\": \"fair-kettle/plan\", \"version\": 1}",
                "not json",
                "a,b\n1,2",
                "\"open"
            })
    void whatIsNoneOfThemIsRefused(String file) {
        long machine = api.machine("Refusing " + Math.abs(file.hashCode()), "small-tank", "NEVER_INKED");
        assertThat(api.send(
                        "/api/machines/" + machine + "/bring-in?family=SUBLIMATION",
                        file.getBytes(StandardCharsets.UTF_8)))
                .hasStatus(422);
    }

    private static String text(byte[] pdf) throws IOException {
        try (var document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }
}
