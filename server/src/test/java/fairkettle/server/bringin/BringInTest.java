package fairkettle.server.bringin;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.MorningTest;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a shop had before comes in from files: looked at row by row, then all of it or nothing. */
@MorningTest
class BringInTest {

    @Autowired
    private Api api;

    @Autowired
    private JsonMapper json;

    @Autowired
    private DSLContext db;

    private JsonNode look(FileKind kind, String text) {
        return send("/api/bring-in/preview", kind, text);
    }

    private JsonNode take(FileKind kind, String text) {
        return send("/api/bring-in", kind, text);
    }

    private JsonNode send(String path, FileKind kind, String text) {
        return api.read(api.post(path, json.writeValueAsString(Map.of("kind", kind, "text", text))));
    }

    private static String fate(JsonNode answer, int row) {
        var found = answer.get("rows")
                .valueStream()
                .filter(r -> r.get("row").asInt() == row)
                .findFirst()
                .orElseThrow();
        return found.get("fate").asString() + " " + found.get("told").asString();
    }

    private long machines() {
        return db.fetchSingle("select count(*) from machine").get(0, Long.class);
    }

    @Test
    void machinesAreLookedAtFirstAndThenTakenOnce() {
        var name = "Burdock " + UUID.randomUUID().toString().substring(0, 8);
        var file =
                "\ufeffMachine;Bench;Like;Ink;Make\r\n%s;Window bench;small-tank;maker's dye;own\r\n".formatted(name);
        long before = machines();
        var looked = look(FileKind.MACHINES, file);
        assertThat(fate(looked, 1))
                .startsWith("NEW " + name)
                .contains("maker's dye", "tanks 50 % full as long as nobody says otherwise");
        assertThat(machines()).as("a look changes nothing").isEqualTo(before);
        assertThat(take(FileKind.MACHINES, file).get("taken").asBoolean()).isTrue();
        assertThat(machines()).isEqualTo(before + 1);
        assertThat(fate(take(FileKind.MACHINES, file), 1)).startsWith("KNOWN");
        assertThat(machines()).as("the same file again").isEqualTo(before + 1);
    }

    @Test
    void howFullTheTanksAreIsTakenFromTheFile() {
        var file = """
            name,bench,profile,holds,level %
            Vetch,Door bench,small-tank,maker's dye,80 %
            Sedum,Door bench,small-tank,never inked,80
            Rush,Door bench,small-tank,maker's dye,120
            """;
        var looked = look(FileKind.MACHINES, file);
        assertThat(fate(looked, 1)).endsWith("tanks 80 % full");
        assertThat(fate(looked, 2)).as("nothing is in it").doesNotContain("tanks");
        assertThat(fate(looked, 3)).contains("0 to 100 %");
    }

    @Test
    void aRowThatIsRefusedIsNamedAndNoneIsTaken() {
        var file = """
            name,bench,profile,holds
            Mallow,Door bench,small-tank,never inked
            ,Door bench,small-tank,
            Tansy,Door bench,a printer of dreams,
            Yarrow,Door bench,small-tank,lemonade
            """;
        long before = machines();
        var answer = take(FileKind.MACHINES, file);
        assertThat(answer.get("taken").asBoolean()).isFalse();
        assertThat(answer.get("refused").asInt()).isEqualTo(3);
        assertThat(fate(answer, 1)).startsWith("NEW");
        assertThat(fate(answer, 2)).contains("nothing under “name”");
        assertThat(fate(answer, 3)).contains("no profile “a printer of dreams”");
        assertThat(fate(answer, 4)).contains("no ink “lemonade”");
        assertThat(machines()).isEqualTo(before);
    }

    @Test
    void sixBottlesOfOneLotAreSixAndTheFileAgainIsNone() {
        var lot = "L-" + UUID.randomUUID();
        var row = "sublimation;C;own;%s;100,5;14,20;3.4.2028;no%n".formatted(lot);
        var file = "family;channel;make;lot;volume (mL);price;best before;food grade\n" + row.repeat(6);
        assertThat(take(FileKind.BOTTLES, file).get("fresh").asInt()).isEqualTo(6);
        assertThat(take(FileKind.BOTTLES, file + row).get("fresh").asInt()).isEqualTo(1);
        assertThat(db.fetch("select volume_ul, price_minor, best_before::text from lot where code = ?", lot))
                .hasSize(7)
                .allMatch(r -> r.get(0, Long.class) == 100_500
                        && r.get(1, Long.class) == 1420
                        && r.get(2, String.class).equals("2028-04-03"));
    }

    @Test
    void whatCouldBeTwoThingsIsAsked() {
        var head = "family,channel,make,code,volume,price,best before\n";
        assertThat(fate(look(FileKind.BOTTLES, head + "film,C,own,x,\"1,000\",,"), 1))
                .contains("could be two numbers");
        assertThat(fate(look(FileKind.BOTTLES, head + "film,C,own,x,100,,3/4/2028"), 1))
                .contains("could be two days");
        assertThat(fate(look(FileKind.BOTTLES, head + "film,C,own,x,100,1.234,"), 1))
                .contains("more decimals");
        assertThat(fate(look(FileKind.BOTTLES, head + "film,C,own,x,0,,"), 1)).startsWith("REFUSED");
        assertThat(fate(look(FileKind.BOTTLES, head + "film,Beige,own,x,10,,"), 1))
                .startsWith("REFUSED");
    }

    @Test
    void readingsAreInTheShopsTimeUnlessTheySayTheirs() {
        var file = """
            Time;Temperature (°C);RH %
            2024-07-01 09:00;21,5;44
            2024-07-01T08:30:00Z;21,7;45
            2024-07-01T08:00:00Z;21,5;44
            2024-03-31 01:30;20;40
            2999-01-01 01:30;20;40
            """;
        var looked = look(FileKind.READINGS, file);
        assertThat(fate(looked, 3)).as("the same moment said otherwise").contains("known already");
        assertThat(fate(looked, 4)).contains("summer time");
        assertThat(fate(looked, 5)).contains("still to come");
        assertThat(looked.get("refused").asInt()).isEqualTo(2);
        var taken = take(FileKind.READINGS, file.lines().limit(4).collect(Collectors.joining("\n")));
        assertThat(taken.get("fresh").asInt()).isEqualTo(2);
        assertThat(fate(look(FileKind.READINGS, "at,celsius,humidity\n2024-07-02T08:00:00Z,99,44"), 1))
                .contains("cannot have 99");
        assertThat(db.fetch("select celsius from room_reading where at < '2024-12-01'"))
                .extracting(r -> r.get(0, Double.class))
                .containsExactlyInAnyOrder(21.5, 21.7);
    }

    @Test
    void aYearOfReadingsComesAtOnceAndTooManyAreSplit() {
        var year = IntStream.range(0, 8760)
                .mapToObj(hour -> "%s,21.5,44"
                        .formatted(
                                java.time.Instant.parse("2021-01-01T00:00:00Z").plusSeconds(3600L * hour)))
                .collect(Collectors.joining("\n"));
        var taken = take(FileKind.READINGS, "at,celsius,humidity\n" + year);
        assertThat(taken.get("fresh").asInt()).isEqualTo(8760);
        assertThat(taken.get("rows")).as("of a long file not all is told").hasSize(200);
        var many = "at,celsius,humidity\n" + "2021-01-01T00:00:00Z,1,1\n".repeat(20_001);
        assertThat(api.post("/api/bring-in", json.writeValueAsString(Map.of("kind", FileKind.READINGS, "text", many))))
                .hasStatus(400)
                .bodyText()
                .contains("split the file");
    }

    @Test
    void oldNotesGoIntoTheLogOnceWithTheirDay() {
        var words = "gap on cyan since the move " + UUID.randomUUID();
        var file = "Date\tMachine\tNote\n2025-03-03\t\t" + words + "\n2025-03-04\tNobody here\tx\n";
        assertThat(fate(look(FileKind.NOTES, file), 2)).contains("No machine here is called “Nobody here”");
        var first = file.lines().limit(2).collect(Collectors.joining("\n"));
        assertThat(take(FileKind.NOTES, first).get("taken").asBoolean()).isTrue();
        assertThat(fate(take(FileKind.NOTES, first), 1)).startsWith("KNOWN");
        assertThat(api.get("/api/log?words={words}", words).getResponse())
                .satisfies(r -> assertThat(r.getContentAsString()).contains("note of 3 Mar 2025: gap on cyan"));
    }

    @Test
    void whatIsNoTableIsRefusedWithASentence() {
        for (var text : new String[] {"", "\n\n", "name", "name,bench\n", "name,bench,profile\n\"open", "\u0001,,,"}) {
            assertThat(api.post(
                            "/api/bring-in/preview",
                            json.writeValueAsString(Map.of("kind", FileKind.MACHINES, "text", text))))
                    .as(text)
                    .hasStatus(400)
                    .bodyJson()
                    .extractingPath("$.errors[0].field")
                    .isEqualTo("text");
        }
    }
}
