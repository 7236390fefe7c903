package fairkettle.server.log;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;

@ServerTest
class LogTest {

    @Autowired
    private Api api;

    @Test
    void itIsPagedWithoutGapsAndWithoutRepeats() {
        long id = api.machine("Paged", "small-tank", "INKED");
        for (int i = 0; i < 120; i++) {
            api.post("/api/machines/" + id + "/cleanings", "{\"power\": false}");
        }
        var seen = new HashSet<Long>();
        var path = "/api/log?machine=" + id;
        var page = api.read(api.get(path));
        while (true) {
            page.get("entries")
                    .forEach(e -> assertThat(seen.add(e.get("id").asLong())).isTrue());
            if (!page.has("older")) {
                break;
            }
            page = api.read(api.get(path + "&before=" + page.get("older").asLong()));
        }
        assertThat(seen).hasSize(121); // and its joining the bench
    }

    @Test
    void itIsSearchedByWordsAndKind() {
        api.machine("Searchable Dogwood", "small-tank", "INKED");
        assertThat(entries("words=searchable dog")).hasSize(1);
        assertThat(entries("words=searchable dog&kind=pad")).isEmpty();
        assertThat(found("a \\ that nobody wrote")).isEmpty();
    }

    @Test
    void itIsAskedByPersonAndByDays() {
        long id = api.machine("Of these days", "small-tank", "INKED");
        var today = LocalDate.now(ZoneOffset.UTC);
        assertThat(entries("machine=%d&from=%s".formatted(id, today.minusDays(1))))
                .hasSize(1);
        assertThat(entries("machine=%d&to=%s".formatted(id, today.minusDays(2))))
                .isEmpty();
        assertThat(entries("machine=%d&person=987654".formatted(id))).isEmpty();
        assertThat(api.get("/api/log?kind=gossip"))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].detail")
                .isEqualTo("The log knows no kind “gossip”.");
    }

    @Test
    void whatIsShownIsTakenAlongAsATable() throws Exception {
        long id = api.machine("=1+2 Bryony", "small-tank", "INKED");
        var lines = api.get("/api/log.csv?machine=" + id)
                .getResponse()
                .getContentAsString()
                .lines()
                .toList();
        assertThat(lines).hasSize(2);
        assertThat(lines.getFirst()).isEqualTo("at,who,machine,kind,words,moved mL,struck out");
        assertThat(lines.getLast()).as("words stay words in a spreadsheet").contains("'=1+2 Bryony");
    }

    /** Signs that mean something to a pattern, a quoted text or a driver mean themselves. */
    @ParameterizedTest
    @ValueSource(strings = {"100% Quince", "o'Dogwood", "a_b Hawthorn", "why? Hazel", "end!", "{0} Ivy", "-- x"})
    void whateverIsTypedIsLookedForAsItStands(String name) {
        api.machine(name, "small-tank", "INKED");
        assertThat(found(name)).isNotEmpty();
        assertThat(found(name.charAt(0) + "%" + name.charAt(name.length() - 1)))
                .as("no sign stands for any other")
                .isEmpty();
        assertThat(found(name + "\0")).as("what cannot be in it is no sign").isNotEmpty();
    }

    private List<String> found(String words) {
        var all = new ArrayList<String>();
        api.read(api.get("/api/log?words={words}", words))
                .get("entries")
                .forEach(e -> all.add(e.get("words").asString()));
        return all;
    }

    @Test
    void tooManyLettersAreRefusedInWordsAtTheirField() {
        assertThat(api.get("/api/log?words={words}", "x".repeat(201)))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].detail")
                .isEqualTo("At most 200 letters.");
    }

    @Test
    void everyFigureCanBeAskedWhereFrom() {
        long id = api.machine("Asked", "small-tank", "INKED");
        var entry = entries("machine=" + id).get(0);
        double sum = 0;
        var postings = api.read(api.get("/api/log/" + entry.get("id").asLong() + "/postings"));
        for (var posting : postings) {
            sum += posting.get("mL").asDouble();
        }
        assertThat(postings).isNotEmpty();
        assertThat(sum).isZero();
        assertThat(postings.toString())
                .contains("tank K")
                .contains("correction")
                .contains("maker's dye K");
    }

    private JsonNode entries(String query) {
        return api.read(api.get("/api/log?" + query)).get("entries");
    }
}
