package fairkettle.server.books;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import fairkettle.server.ledger.Ledger;
import java.time.YearMonth;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Where ink went, and which machines drank from a bottle. */
@ServerTest
class BooksTest {

    @Autowired
    private Api api;

    @Autowired
    private Ledger ledger;

    @Autowired
    private JdbcClient db;

    @Test
    void whatWasThereAndCameLessWhatWentIsWhatIsThere() {
        long id = api.machine("Booked", "small-tank", "INKED");
        long lot = lot("BOOK-C1");
        refill(id, lot, 15);
        print(id, 20);
        clean(id, true);
        clean(id, false);
        var books = api.read(api.get("/api/books"));
        books.get("stock").forEach(s -> {
            assertThat(micro(s, "before") + micro(s, "came") - micro(s, "gone"))
                    .as(s.get("ink").asString())
                    .isEqualTo(micro(s, "after"));
            long causes = 0;
            for (var entry : s.get("mL").properties()) {
                causes += entry.getKey().equals("BOUGHT") || entry.getKey().equals("BROUGHT_IN")
                        ? 0
                        : Math.round(entry.getValue().asDouble() * 1000);
            }
            assertThat(causes).as("its causes").isEqualTo(micro(s, "gone"));
        });
        long held = 0;
        for (var s : books.get("stock")) {
            held += micro(s, "after");
        }
        assertThat(held)
                .as("bottles and machines, to the microlitre")
                .isEqualTo(db.sql("select sum(microlitres) from content where place ~ '^(bottle|path|tray)/'")
                        .query(Long.class)
                        .single());
    }

    @Test
    void everyWayOfTellingItComesToTheSame() {
        long id = api.machine("Told four ways", "small-tank", "INKED");
        print(id, 33);
        clean(id, true);
        var books = api.read(api.get("/api/books"));
        for (var by : new String[] {"months", "machines", "people"}) {
            long cost = 0;
            long gone = 0;
            for (var line : books.get(by)) {
                cost += line.get("cost").asLong();
                gone += micro(line, "gone");
            }
            assertThat(cost).as(by).isEqualTo(books.get("cost").asLong());
            assertThat(gone).as(by).isEqualTo(sumOf(books.get("stock"), "gone"));
        }
        var mine = line(books.get("machines"), "Told four ways").get("mL");
        assertThat(mine.get("PRINTS").asDouble()).isPositive();
        assertThat(mine.get("POWER_CLEANINGS").asDouble()).isPositive();
        assertThat(mine.has("CLEANINGS")).isFalse();
    }

    @Test
    void whatIsStruckOutNeverWas() {
        long id = api.machine("Struck from the books", "small-tank", "INKED");
        print(id, 5);
        var before = api.read(api.get("/api/books?machine=" + id));
        print(id, 500);
        long entry = api.read(api.get("/api/log?kind=print&machine=" + id))
                .at("/entries/0/id")
                .asLong();
        assertThat(api.post("/api/log/%d/strike".formatted(entry), "{}")).hasStatusOk();
        assertThat(api.read(api.get("/api/books?machine=" + id))).isEqualTo(before);
    }

    @Test
    void theBooksAreMadeAgainFromTheLog() {
        long id = api.machine("Made again", "small-tank", "INKED");
        refill(id, lot("BOOK-C2"), 10);
        print(id, 12);
        db.sql("update gone set microlitres = microlitres + 7 where machine_id = ? and cause = 'PRINTS'")
                .param(id)
                .update();
        assertThat(ledger.rebuild()).as("what differed").isPositive();
        assertThat(ledger.rebuild()).isZero();
    }

    @Test
    void aBottleIsFollowedToEveryMachineAndPrint() {
        long one = api.machine("Drank one", "small-tank", "INKED");
        long two = api.machine("Drank two", "small-tank", "INKED");
        long lot = lot("BOOK-BAD");
        refill(one, lot, 12);
        refill(two, lot, 6);
        print(two, 40);
        var recall = api.read(api.get("/api/shelf/lots/%d/recall".formatted(lot)));
        assertThat(recall.get("left").asDouble()).isEqualTo(82);
        assertThat(line(recall.get("reached"), "Drank one").get("poured").asDouble())
                .isEqualTo(12);
        var second = line(recall.get("reached"), "Drank two");
        assertThat(second.get("poured").asDouble()).isEqualTo(6);
        assertThat(second.get("channel").asString()).isEqualTo("C");
        assertThat(recall.get("printsInAll").asInt()).isEqualTo(1);
        double went = recall.at("/went/0/mL").asDouble();
        assertThat(recall.at("/went/0/cause").asString()).isEqualTo("prints");
        assertThat(recall.get("left").asDouble()
                        + went
                        + line(recall.get("reached"), "Drank one").get("holds").asDouble()
                        + second.get("holds").asDouble())
                .as("all 100 mL of it")
                .isEqualTo(100);
        assertThat(api.read(api.get("/api/machines/%d/bottles".formatted(two)))).anySatisfy(b -> {
            assertThat(b.get("code").asString()).isEqualTo("BOOK-BAD");
            assertThat(b.get("went").asDouble()).isEqualTo(went);
        });
        assertThat(api.read(api.get("/api/log?lot=" + lot)).get("entries"))
                .as("its arrival, two refills, a print")
                .hasSize(4);
    }

    @Test
    void theTableSaysWhatThePageSays() throws Exception {
        long id = api.machine("In a table", "small-tank", "INKED");
        print(id, 9);
        var csv = api.get("/api/books.csv").getResponse().getContentAsString();
        assertThat(csv.lines().findFirst().orElseThrow()).startsWith("by,name,before mL,after mL,bought mL");
        assertThat(csv)
                .contains("machine,In a table,")
                .contains("month," + YearMonth.now().getYear());
    }

    @Test
    void aMonthSaysWhatItCostAndWhatASheetCost() throws Exception {
        long id = api.machine("Costs something", "small-tank", "INKED");
        print(id, 50);
        clean(id, true);
        var month = api.read(api.get("/api/books/statement"));
        long sum = 0;
        for (var line : month.get("lines")) {
            sum += line.get("cost").asLong();
        }
        assertThat(sum).isEqualTo(month.get("total").asLong()).isPositive();
        assertThat(month.get("sheets").asInt()).isGreaterThanOrEqualTo(50);
        assertThat(month.get("perSheet").asLong() * month.get("sheets").asLong())
                .isCloseTo(
                        month.get("total").asLong(),
                        Offset.offset(month.get("sheets").asLong()));
        assertThat(month.has("tax")).as("this shop shows none").isFalse();
        long ink = 0;
        for (var line : month.get("lines")) {
            ink += line.get("part").asString().matches("PRINTED|UPKEEP|CHANGED|PUT_RIGHT|FLUID")
                    ? line.get("cost").asLong()
                    : 0;
        }
        var now = api.read(api.get("/api/books")).get("to").asString();
        assertThat(ink)
                .as("the same as where ink went")
                .isEqualTo(api.read(api.get("/api/books?from=%s&to=%s".formatted(now, now)))
                        .get("cost")
                        .asLong());
        assertThat(api.get("/api/books/statement.csv").getResponse().getContentAsString())
                .startsWith("what,amount,unit,cost GBP")
                .contains("in all,,,");
        assertThat(api.get("/api/books/statement.pdf").getResponse().getContentType())
                .isEqualTo("application/pdf");
    }

    @Test
    void monthsThatCannotBeAreRefused() {
        assertThat(api.get("/api/books?from=2026-05&to=2026-04"))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].detail")
                .isEqualTo("The first month comes after the last.");
        assertThat(api.get("/api/books?from=yesterday")).hasStatus(400);
        assertThat(api.get("/api/shelf/lots/999999/recall")).hasStatus(404);
    }

    private static long micro(JsonNode of, String field) {
        return Math.round(of.get(field).asDouble() * 1000);
    }

    private static long sumOf(JsonNode lines, String field) {
        long sum = 0;
        for (var line : lines) {
            sum += micro(line, field);
        }
        return sum;
    }

    private static JsonNode line(JsonNode lines, String name) {
        for (var line : lines) {
            if (line.get("name").asString().equals(name)) {
                return line;
            }
        }
        throw new AssertionError("no line of " + name + " in " + lines);
    }

    private long lot(String code) {
        api.post("/api/shelf/lots", """
            {"family": "MAKERS_DYE", "channel": "C", "make": "own", "code": "%s", "volume": 100, "price": 1250, "foodGrade": false}
            """.formatted(code));
        return db.sql("select id from lot where code = ?")
                .param(code)
                .query(Long.class)
                .single();
    }

    private void refill(long machine, long lot, double mL) {
        assertThat(api.post("/api/machines/%d/refills".formatted(machine), """
            {"channel": "C", "lot": %d, "poured": %s, "ranDry": false, "chipReset": false}
            """.formatted(lot, mL)))
                .hasStatus(201);
    }

    private void print(long machine, int sheets) {
        assertThat(api.post("/api/machines/%d/printed".formatted(machine), "{\"sheets\": %d}".formatted(sheets)))
                .hasStatusOk();
    }

    private void clean(long machine, boolean power) {
        api.post("/api/machines/%d/cleanings".formatted(machine), "{\"power\": %s}".formatted(power));
    }
}
