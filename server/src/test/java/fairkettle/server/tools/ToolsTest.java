package fairkettle.server.tools;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.Hand;
import fairkettle.server.ServerTest;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

/** What met one colour is not offered for another. */
@ServerTest
class ToolsTest {

    private static final List<String> COLOURS = List.of("K", "C", "M", "Y");

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    @Test
    void aCardTakesItsSyringesAndThenOnlyTheirOwnColourIsOfferedThem() {
        long first = begin("Tools first", "INKED");
        assertThat(laidOut(first, Map.of())).isEqualTo(200);
        var met = tools();
        var mine = COLOURS.stream().map(c -> newest(met, "sublimation " + c)).toList();
        assertThat(mine)
                .allMatch(t -> !t.get("rinsed").asBoolean() && !t.get("food").asBoolean());

        api.post("/api/tools/rinsed", "{\"tools\": %s}".formatted(ids(mine)));
        long second = begin("Tools second", "INKED");
        var offered = hand.card(second).get("syringes");
        var cyan = mine.get(1).get("id").asLong();
        assertThat(offered.get("C").toString()).contains("\"id\":%d,".formatted(cyan));
        assertThat(offered.get("M").toString()).doesNotContain("\"id\":%d,".formatted(cyan));
        assertThat(api.act(
                        second,
                        "enter",
                        "{\"step\": \"syringes\", \"cell\": \"M/2\", \"value\": \"%d\"}".formatted(cyan)))
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("met C", "carry it into M");

        assertThat(laidOut(second, Map.of("C", cyan))).isEqualTo(200);
        assertThat(find(cyan).get("rinsed").asBoolean()).isFalse();
    }

    @Test
    void struckOutTheyAreAsTheyWere() {
        var before = tools().toString();
        long card = begin("Tools struck", "INKED");
        assertThat(laidOut(card, Map.of())).isEqualTo(200);
        assertThat(tools().toString()).isNotEqualTo(before);
        assertThat(api.act(card, "strike", "{\"step\": \"syringes\"}")).hasStatusOk();
        assertThat(tools().toString()).isEqualTo(before);
    }

    @Test
    void whatDrewOtherInkIsNeverOfferedForFood() {
        long craft = begin("Tools craft", "INKED");
        assertThat(laidOut(craft, Map.of())).isEqualTo(200);
        var black = newest(tools(), "sublimation K");
        api.post(
                "/api/tools/rinsed",
                "{\"tools\": [%d]}".formatted(black.get("id").asLong()));
        assertThat(black.get("food").asBoolean()).isFalse();
    }

    @Test
    void toolsComeInAreRinsedAndGo() {
        var added =
                api.read(api.post("/api/tools", "{\"kind\": \"FUNNEL\", \"label\": \"white funnel\", \"count\": 2}"));
        var funnels = new ArrayList<JsonNode>();
        added.forEach(t -> {
            if (t.get("label").asString().equals("white funnel")) {
                funnels.add(t);
            }
        });
        assertThat(funnels)
                .hasSize(2)
                .allMatch(t -> !t.has("met") && t.get("food").asBoolean());
        long id = funnels.getFirst().get("id").asLong();
        assertThat(api.post("/api/tools/" + id + "/gone", "{}")).hasStatusOk();
        assertThat(api.post("/api/tools/" + id + "/gone", "{}")).hasStatus(404);
        assertThat(api.post("/api/tools", "{\"kind\": \"FUNNEL\", \"label\": \"\", \"count\": 0}"))
                .hasStatus(400);
    }

    private long begin(String name, String holds) {
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y");
        long card = api.beginCard(api.machine(name, "small-tank", holds), "SUBLIMATION")
                .get("id")
                .asLong();
        hand.carryOutUntil(card, "SUBLIMATION", "syringes");
        return card;
    }

    /** @param chosen by channel; each other gets a new one @return the status of the answer */
    private int laidOut(long card, Map<String, Long> chosen) {
        var cells = new HashMap<String, String>();
        for (var colour : COLOURS) {
            cells.put(colour + "/0", "yes");
            cells.put(colour + "/1", "yes");
            cells.put(
                    colour + "/2",
                    chosen.containsKey(colour) ? chosen.get(colour).toString() : "yes");
        }
        var body = new StringBuilder();
        cells.forEach((k, v) -> body.append(body.isEmpty() ? "" : ", ").append("\"%s\": \"%s\"".formatted(k, v)));
        assertThat(api.act(card, "enter-all", "{\"step\": \"syringes\", \"cells\": {%s}}".formatted(body)))
                .hasStatusOk();
        return api.act(card, "finish", "{\"step\": \"syringes\"}").getResponse().getStatus();
    }

    private JsonNode tools() {
        return api.read(api.get("/api/tools"));
    }

    private static JsonNode newest(JsonNode tools, String met) {
        JsonNode found = null;
        for (var tool : tools) {
            found = tool.has("met") && tool.get("met").asString().equals(met) ? tool : found;
        }
        assertThat(found).as(met).isNotNull();
        return found;
    }

    private JsonNode find(long id) {
        for (var tool : tools()) {
            if (tool.get("id").asLong() == id) {
                return tool;
            }
        }
        throw new AssertionError("no tool " + id);
    }

    private static List<Long> ids(List<JsonNode> tools) {
        return tools.stream().map(t -> t.get("id").asLong()).toList();
    }
}
