package fairkettle.server.cards;

import fairkettle.procedure.Ask;
import fairkettle.procedure.Card;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Cards as they are stored. A card keeps the steps it was made with, so cards of earlier forms stay for ever: they are
 * lifted to the present form when they are read, and the core knows only that one.
 */
@Component
public class StoredCards {

    private static final String FORM = "form";
    private static final int PRESENT = 4;

    private static final int KNOWN = 32; // cards that are open at once, and a few that are looked up

    private final JsonMapper json;

    /** A card is read several times for each act, and by every screen that shows it. */
    private final Map<String, Card> known = Collections.synchronizedMap(new LinkedHashMap<>(KNOWN, .75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Card> eldest) {
            return size() > KNOWN;
        }
    });

    StoredCards(JsonMapper json) {
        this.json = json;
    }

    /** @throws tools.jackson.core.JacksonException or IllegalArgumentException if it is no card */
    public Card card(String body) {
        var read = known.get(body);
        if (read == null) {
            read = card(json.readTree(body));
            known.put(body, read);
        }
        return read;
    }

    /** The same, already taken apart. */
    public Card card(JsonNode tree) {
        int form = tree.path(FORM).asInt(1);
        if (form < 2) {
            liftToTwo(tree);
        }
        if (form < 3) {
            liftToThree(tree);
        }
        if (form < PRESENT) {
            liftToFour(tree);
        }
        return json.treeToValue(tree, Card.class);
    }

    String written(Card card) {
        return "{\"%s\":%d,%s"
                .formatted(FORM, PRESENT, json.writeValueAsString(card).substring(1));
    }

    public Cards.Summary summary(String plan) {
        if (json.readTree(plan) instanceof ObjectNode tree) {
            fill(tree, "parks", json.getNodeFactory().booleanNode(false));
            fill(tree, "onFluid", json.createArrayNode());
            fill(tree, "used", json.createObjectNode());
            return json.treeToValue(tree, Cards.Summary.class);
        }
        throw new IllegalArgumentException("What the plan promised is missing.");
    }

    /** Steps say which routines they are and what they tell; ticks say whether they have an order. */
    private void liftToTwo(JsonNode node) {
        if (node instanceof ObjectNode step && step.has("ask") && step.has("move")) {
            fill(step, "fulfils", json.createArrayNode());
            fill(step, "tells", json.getNodeFactory().stringNode(tells(step)));
        }
        if (node instanceof ObjectNode ask) {
            var no = json.getNodeFactory().booleanNode(false);
            switch (ask.path("kind").asString("")) {
                case "Ticks" -> fill(ask, "inOrder", no);
                case "Each" -> fill(ask, "same", no);
                default -> {}
            }
        }
        node.forEach(this::liftToTwo);
    }

    /** Steps say what of the machine their words rest on. */
    private void liftToThree(JsonNode node) {
        if (node instanceof ObjectNode step && step.has("ask") && step.has("move")) {
            fill(step, "restsOn", json.createArrayNode());
        }
        node.forEach(this::liftToThree);
    }

    /** What could be answered by its own name alone has its right answers written out. */
    private void liftToFour(JsonNode node) {
        if (node instanceof ObjectNode ask && ask.path("kind").asString("").equals("Each")) {
            boolean same = ask.path("same").asBoolean(false);
            ask.remove("same");
            fill(ask, "right", same ? ask.get("items").deepCopy() : json.createArrayNode());
            fill(ask, "otherwise", json.getNodeFactory().stringNode(same ? Ask.PUT_BACK : ""));
        }
        node.forEach(this::liftToFour);
    }

    private static String tells(JsonNode step) {
        var ask = step.get("ask");
        return switch (ask.path("kind").asString("")) {
            case "Words" -> ask.path("what").asString("").startsWith("version") ? "FIRMWARE_VERSION" : "NOTHING";
            case "Each" -> step.path("id").asString("").endsWith("points") ? "INLET_POINTS" : "NOTHING";
            default -> "NOTHING";
        };
    }

    private static void fill(ObjectNode node, String name, JsonNode value) {
        if (!node.hasNonNull(name)) {
            node.set(name, value);
        }
    }
}
