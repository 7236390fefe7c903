package fairkettle.server.books;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.io.UnsupportedEncodingException;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Which machines are worth keeping, what closes nozzles, and which way of feeding pays. */
@ServerTest
class FareTest {

    @Autowired
    private Api api;

    @Autowired
    private JdbcClient db;

    @Test
    void aMachineIsHeldAgainstWhatItTookAndBrought() {
        long machine = api.machine("Fare printed", "small-tank", "INKED");
        var path = "/api/machines/" + machine;
        api.post(path + "/printed", "{\"sheets\": 40}");
        api.post(path + "/cleanings", "{\"power\": false}");
        var worth = line(machine);
        assertThat(worth.get("sheets").asInt()).isEqualTo(40);
        assertThat(worth.get("brought").asLong()).isPositive();
        assertThat(worth.get("hands").asLong()).isPositive();
        assertThat(worth.get("verdict").asString()).isEqualTo("TOO_NEW");
    }

    private JsonNode line(long machine) {
        for (var line : api.read(api.get("/api/books/worth"))) {
            if (line.get("machine").asLong() == machine) {
                return line;
            }
        }
        throw new AssertionError("no line for " + machine);
    }

    @Test
    void newGapsAreCountedByTheDaysOnWhichTheMachineStood() throws UnsupportedEncodingException {
        var before = api.read(api.get("/api/books/clogging")).get("byIdleness");
        long machine = api.machine("Fare stood", "small-tank", "INKED");
        var path = "/api/machines/" + machine + "/checks";
        api.post(path, "{\"missing\": {\"K\": [], \"C\": [], \"M\": [], \"Y\": []}}");
        // the first look, and the ink of that day, were ten days ago
        db.sql("update nozzle_check set at = at - interval '10 days' where machine_id = ?")
                .param(machine)
                .update();
        db.sql("update used_day set day = day - 10 where machine_id = ?")
                .param(machine)
                .update();
        api.post(path, "{\"missing\": {\"K\": [], \"C\": [3, 4], \"M\": [], \"Y\": []}}");
        var after = api.read(api.get("/api/books/clogging")).get("byIdleness");
        assertThat(after.get(4).get("label").asString()).isEqualTo("longer");
        assertThat(after.get(4).get("struck").asInt())
                .isEqualTo(before.get(4).get("struck").asInt() + 1);
        assertThat(after.get(0)).isEqualTo(before.get(0));
        assertThat(api.get("/api/books/clogging.csv").getResponse().getContentAsString())
                .contains("idle days", "longer");
    }

    @Test
    void everyWayOfFeedingIsHeldAgainstOne() {
        long machine = api.machine("Fare fed", "wide-cartridge-four", "INKED");
        var path = "/api/reckoning/ways?machine=" + machine + "&family=SUBLIMATION";
        var told = api.read(api.get(path));
        assertThat(told.get("learned").asBoolean()).isFalse();
        assertThat(told.get("ways").toString()).contains("a bulk feed", "prints that are ordered");
        var against = told.at("/ways/" + told.get("against").asInt());
        assertThat(against.get("label").asString()).isEqualTo("prints that are ordered");
        assertThat(against.get("months").asDouble()).isZero();
        assertThat(api.read(api.get(path + "&sheets=400&mL=1.5")).get("sheets").asInt())
                .isEqualTo(400);
        assertThat(api.get(path + "&against=99")).hasStatus(400);
        assertThat(api.get(path + "&sheets=0")).hasStatus(400);
    }

    @Test
    void aVoucherIsToldInBothOrders() {
        var told = api.read(api.get("/api/reckoning/voucher?price=0.99&of=EUR&percentOff=50&rate=0.85"));
        assertThat(told.get("takenOffFirst").asDouble()).isEqualTo(.43);
        assertThat(told.get("changedFirst").asDouble()).isEqualTo(.42);
        assertThat(told.get("differsBy").asInt()).isEqualTo(1);
        assertThat(api.get("/api/reckoning/voucher?price=1&of=XYZ&percentOff=5&rate=1"))
                .hasStatus(400);
    }
}
