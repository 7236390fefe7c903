package fairkettle.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import org.springframework.boot.test.context.TestComponent;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Carries a card out over the API as somebody at the bench would: everything as the card expects it. */
@TestComponent
public class Hand {

    private final Api api;
    private final JdbcClient db;
    private final Map<String, Long> bottles = new HashMap<>();
    private final Map<String, String> cells = new java.util.LinkedHashMap<>();

    Hand(Api api, JdbcClient db) {
        this.api = api;
        this.db = db;
    }

    /** Bottles of a family on the shelf, one for each channel. */
    public void bottles(String family, boolean food, String... channels) {
        for (var channel : channels) {
            if (!bottles.containsKey(family + channel)) {
                api.post("/api/shelf/lots", """
                    {"family": "%s", "channel": "%s", "make": "own", "code": "%s-%s", "volume": 4000, "price": 36000, "foodGrade": %s}\
                    """.formatted(family, channel, family.substring(0, 3), channel, food));
                bottles.put(
                        family + channel,
                        db.sql("select max(id) from lot").query(Long.class).single());
            }
        }
    }

    /** The bottles so far are not to be used again. */
    public void setBottlesAside() {
        bottles.clear();
    }

    /** The bottles that a card chose already. */
    public void bottlesFrom(JsonNode card) {
        for (var step : card.get("steps")) {
            if (step.at("/ask/kind").asString().equals("Lots")) {
                step.get("entries")
                        .properties()
                        .forEach(e -> bottles.put(
                                "SUBLIMATION" + e.getKey(),
                                Long.valueOf(e.getValue().asString())));
            }
        }
    }

    /** @return the card as it stands when it is finished */
    public JsonNode carryOut(long id, String family) {
        return carryOutUntil(id, family, "");
    }

    /** @param until the step to stop at, not done; empty for none */
    public JsonNode carryOutUntil(long id, String family, String until) {
        var card = card(id);
        for (int steps = 0; card.get("state").asString().equals("open") && steps < 400; steps++) {
            var next = card.get("next").asString();
            if (next.equals(until)) {
                return card;
            }
            card = step(card, next, family);
        }
        return card;
    }

    public JsonNode card(long id) {
        return api.read(api.get("/api/cards/" + id));
    }

    private JsonNode step(JsonNode card, String id, String family) {
        long number = card.get("id").asLong();
        for (var step : card.get("steps")) {
            if (step.get("id").asString().equals(id)) {
                if (step.at("/ask/kind").asString().equals("Photo")) {
                    assertThat(api.act(number, "skip", "{\"step\": \"%s\", \"reason\": \"no tablet\"}".formatted(id)))
                            .as(id)
                            .hasStatusOk();
                    return card(number);
                }
                prepare(number, step, family);
                assertThat(api.act(number, "finish", "{\"step\": \"%s\"}".formatted(id)))
                        .as(id)
                        .hasStatusOk();
                return card(number);
            }
        }
        throw new AssertionError("no step " + id);
    }

    /** Whatever a step asks for is entered as one would expect, and its wait is over. */
    public void prepare(long number, JsonNode step, String family) {
        var id = step.get("id").asString();
        cells.clear();
        fill(number, id, step.get("ask"), card(number).get("machine").asLong(), family);
        if (!cells.isEmpty()) {
            var body = new StringBuilder();
            cells.forEach((cell, value) ->
                    body.append(body.isEmpty() ? "" : ", ").append("\"%s\": \"%s\"".formatted(cell, value)));
            assertThat(api.act(number, "enter-all", "{\"step\": \"%s\", \"cells\": {%s}}".formatted(id, body)))
                    .as(id)
                    .hasStatusOk();
        }
        if (step.has("pause")) {
            api.act(number, "wait", "{\"step\": \"%s\"}".formatted(id));
            // why: a test does not wait; the card is told that the wait began long ago
            db.sql("""
                update card set body = jsonb_set(body, '{runs}', (select jsonb_agg(case when r->'step'->>'id' = ? then jsonb_set(r, '{waitStarted}', '"2020-01-01T00:00:00Z"') else r end order by n)
                from jsonb_array_elements(body->'runs') with ordinality as runs(r, n))) where id = ?\
                """).param(id).param(number).update();
        }
    }

    private void fill(long card, String step, JsonNode ask, long machine, String family) {
        switch (ask.get("kind").asString()) {
            case "Ticks" -> {
                for (int i = 0; i < ask.get("items").size(); i++) {
                    cells.put("item/" + i, "yes");
                }
            }
            case "Each" -> {
                var answers = new java.util.ArrayList<String>();
                ask.get("answers").forEach(a -> answers.add(a.asString()));
                for (int i = 0; i < ask.get("items").size(); i++) {
                    var own = ask.get("items").get(i).asString(); // a label that is read is its own
                    boolean wide = own.startsWith("W") && answers.getLast().startsWith("wide"); // lines of white
                    cells.put("each/" + i, answers.contains(own) ? own : wide ? answers.getLast() : answers.getFirst());
                }
            }
            case "Tally" -> {
                for (int i = 0; i < ask.get("items").size(); i++) {
                    cells.put("part/" + i, "2");
                }
            }
            case "Count" -> cells.put("count", ask.get("expected").asString());
            case "Acknowledge" -> cells.put("agreed", "yes");
            case "Words" -> cells.put("words", "as found");
            case "Choice" -> cells.put("choice", ask.get("items").get(0).asString());
            case "InOrder" -> ask.get("channels").forEach(c -> cells.put(c.asString(), "yes"));
            case "Picks" -> {
                for (int i = 0; i < ask.get("items").size(); i++) {
                    cells.put("pick/" + i, "5");
                }
            }
            case "KeyStored" ->
                assertThat(api.put(
                                "/api/machines/" + machine + "/activation-code",
                                "{\"code\": \"QUILL-MERE-%1$d\", \"origin\": \"a made-up seller, 1.2\", \"serial\": \"SN-%1$d\"}"
                                        .formatted(machine),
                                "0"))
                        .hasStatusOk();
            case "Lots" ->
                ask.get("channels").forEach(c -> cells.put(c.asString(), "" + bottles.get(family + c.asString())));
            case "Comb" -> ask.get("channels").forEach(c -> cells.put(c.asString(), "none"));
            case "Grid" -> grid(card, step, ask, family);
            default -> {}
        }
    }

    private void grid(long card, String step, JsonNode ask, String family) {
        for (int column = 0; column < ask.get("columns").size(); column++) {
            var kind = ask.get("columns").get(column);
            for (int row = 0; row < ask.get("channels").size(); row++) {
                var channel = ask.get("channels").get(row).asString();
                var expected = kind.get("expected");
                switch (kind.get("kind").asString()) {
                    case "VOLUME" -> {
                        if (expected.get(row).asDouble() > 0) {
                            cells.put(channel + "/" + column, expected.get(row).asString());
                        }
                    }
                    case "CODE" -> cells.put(channel + "/" + column, "" + bottles.get(family + channel));
                    default -> cells.put(channel + "/" + column, "yes");
                }
            }
        }
    }

    public void enter(long card, String step, String cell, String value) {
        assertThat(api.act(
                        card,
                        "enter",
                        "{\"step\": \"%s\", \"cell\": \"%s\", \"value\": \"%s\"}".formatted(step, cell, value)))
                .as("%s %s %s", step, cell, value)
                .hasStatusOk();
    }
}
