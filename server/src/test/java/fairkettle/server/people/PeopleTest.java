package fairkettle.server.people;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.MorningTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What one person does otherwise than the shop. */
@MorningTest
class PeopleTest {

    @Autowired
    private Api api;

    private long person(String name) {
        return api.read(api.post("/api/people", "{\"name\": \"%s\"}".formatted(name)))
                .get("id")
                .asLong();
    }

    private String walker(long person) {
        for (var walker : api.read(api.get("/api/round")).get("people")) {
            if (walker.get("id").asLong() == person) {
                return walker.toString();
            }
        }
        throw new AssertionError("nobody of this number");
    }

    @Test
    void theRoundIsPlannedByTheirOwnWeek() {
        long rowan = person("Rowan of the mornings");
        assertThat(walker(rowan)).contains("\"from\"");
        api.put("/api/people/" + rowan, "{\"week\": [], \"leaves\": []}", "0");
        assertThat(walker(rowan)).as("free every day").doesNotContain("\"from\"");
        api.put("/api/people/" + rowan, "{\"leaves\": []}", "0");
        assertThat(walker(rowan)).as("as the shop again").contains("\"from\"");
    }

    @Test
    void whatSomebodyLeavesGoesToOthers() {
        long holly = person("Holly who leaves heads");
        person("Linden of the heads");
        api.put("/api/people/" + holly, "{\"leaves\": [\"INSIDE\", \"HEADS\", \"CASES\", \"FOOD\"]}", "0");
        long machine = api.machine("Left to others", "small-tank", "INKED");
        for (var visit : api.read(api.get("/api/round")).get("visits")) {
            if (visit.get("machine").asLong() == machine
                    && visit.get("cautions").toString().contains("Unplug before")) {
                assertThat(visit.path("person").asLong()).isNotEqualTo(holly);
            }
        }
        assertThat(api.read(api.get("/api/people")).toString()).contains("HEADS");
    }

    @Test
    void whatMakesNoSenseIsRefused() {
        long alder = person("Alder who ends early");
        assertThat(api.put(
                        "/api/people/" + alder,
                        "{\"week\": [{\"day\": \"MONDAY\", \"open\": \"12:00\", \"close\": \"09:00\"}], \"leaves\":"
                                + " []}",
                        "0"))
                .hasStatus(400);
        assertThat(api.put("/api/people/999999", "{\"leaves\": []}", "0")).hasStatus(404);
        assertThat(api.put("/api/people/" + alder, "{\"leaves\": [\"COFFEE\"]}", "0"))
                .hasStatus(400);
    }
}
