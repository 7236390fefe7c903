package fairkettle.server.log;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.util.HashSet;
import org.junit.jupiter.api.Test;
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
