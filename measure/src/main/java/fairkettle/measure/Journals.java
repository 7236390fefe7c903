package fairkettle.measure;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/**
 * {@code ./kettle measure journal}: acts on cards of sixty machines with a year of log, each struck out again and the
 * whole database compared; beside the same rows written by the plain driver.
 */
public final class Journals {

    private static final int MACHINES = 60;
    private static final int CARDS = 48;
    private static final Set<String> GROWING =
            Set.of("entry", "posting", "consequence", "change", "answered", "flyway_schema_history");

    /** What the books say is there, against what is there: by substance, in microlitres. */
    private static final String BALANCE = """
        select coalesce(sum(abs(held)), 0)::bigint from (
            select sum(microlitres) as held from (
                select substance, microlitres from gone union all
                select substance, microlitres from content where place ~ '^(bottle|path|tray)/') both_of_them
            group by substance) each\
        """;

    private Journals() {}

    /** @param args the built application's folder, and a database url */
    public static void main(String[] args) throws Exception {
        try (var kettle = new Running(Path.of(args[0]), args[1]);
                var db = DriverManager.getConnection(args[1], "kettle", "")) {
            new Journals.Run(kettle, db).all();
        }
    }

    private static final class Run {
        private final Running kettle;
        private final Connection db;
        private final List<Double> acts = new ArrayList<>();
        private final List<Double> bare = new ArrayList<>();
        private int strikes;
        private int unequal;
        private int kept;
        private int keptSaid;

        Run(Running kettle, Connection db) {
            this.kettle = kettle;
            this.db = db;
        }

        void all() throws Exception {
            fill();
            var machines = ids();
            for (int i = 0; i < CARDS; i++) {
                walk(machines.get(i));
            }
            stays(machines.getLast());
            acts.sort(null);
            bare.sort(null);
            System.out.printf(
                    Locale.ROOT,
                    "{\"measure\":\"journal\",\"machines\":%d,\"entries\":%d,\"acts\":%d,\"strikes\":%d,\"books\":%d,"
                        + "\"balance_error_ul\":%d,\"unequal\":%d,\"kept\":%d,\"kept_said\":%d,\"act_ms_p50\":%.1f,\"act_ms_p95\":%.1f,"
                        + "\"bare_ms_p50\":%.2f,\"ratio\":%.2f}%n",
                    MACHINES,
                    number("select count(*) from entry"),
                    acts.size(),
                    strikes,
                    number("select count(distinct book) from consequence"),
                    number(BALANCE),
                    unequal,
                    kept,
                    keptSaid,
                    acts.get(acts.size() / 2),
                    acts.get((int) (acts.size() * .95)),
                    bare.get(bare.size() / 2),
                    acts.get(acts.size() / 2) / bare.get(bare.size() / 2));
        }

        private void fill() throws Exception {
            for (int i = 0; i < MACHINES; i++) {
                kettle.post("/api/machines", """
                    {"name": "Journal %d", "bench": "Journal", "profile": "small-tank", "holds": "INKED", "family": "SUBLIMATION",
                     "make": "own", "foodOnly": false, "tankShare": 0.7}\
                    """.formatted(i));
            }
            for (var channel : List.of("K", "C", "M", "Y")) {
                kettle.post("/api/shelf/lots", """
                    {"family": "SUBLIMATION", "channel": "%s", "make": "own", "code": "J-%1$s", "volume": 900000, "price": 900,
                     "foodGrade": false}\
                    """.formatted(channel));
            }
            try (var statement = db.createStatement()) { // a year: a print and a look every working day
                statement.execute("""
                    insert into entry (at, machine_id, kind, words, amount)
                    select now() - make_interval(days => d), m.id, 'print', 'print of ' || m.name, 10
                    from machine m cross join generate_series(1, 365) d where m.name like 'Journal %' and d % 7 < 5\
                    """);
                statement.execute("""
                    insert into posting (entry_id, place, substance, microlitres)
                    select e.id, p.place, 'ink/SUBLIMATION/' || c.code || '/0', p.ul from entry e
                    join channel c on c.machine_id = e.machine_id
                    cross join lateral (values ('outside/CORRECTION', -300), ('outside/PAPER', 300)) p (place, ul)
                    where e.words like 'print of Journal %'\
                    """);
                statement.execute("analyze");
            }
        }

        private List<Long> ids() throws SQLException {
            var ids = new ArrayList<Long>();
            try (var statement = db.createStatement();
                    var rows =
                            statement.executeQuery("select id from machine where name like 'Journal %' order by id")) {
                while (rows.next()) {
                    ids.add(rows.getLong(1));
                }
            }
            return ids;
        }

        /** Every step of a card of bench work is done, struck and done again. */
        private void walk(long machine) throws Exception {
            long id = kettle.post(
                            "/api/machines/" + machine + "/works", "{\"work\": \"POSITION_FAULT\", \"channels\": []}")
                    .json()
                    .get("card")
                    .asLong();
            var card = "/api/cards/" + id;
            for (var now = kettle.get(card).json();
                    now.get("state").asString().equals("open");
                    now = kettle.get(card).json()) {
                var step = step(now, now.get("next").asString());
                fill(card, step);
                var finish = "{\"step\": \"%s\"}".formatted(step.get("id").asString());
                var before = database();
                var done = kettle.post(card + "/finish", finish);
                if (done.status() != 200) {
                    throw new IllegalStateException(done.body());
                }
                acts.add(done.ms());
                long entry = number("select max(id) from entry where card_id = " + id);
                bare.add(bare(entry, id));
                kettle.post("/api/log/" + entry + "/strike", "{}");
                strikes++;
                if (!database().equals(before)) {
                    unequal++;
                }
                acts.add(kettle.post(card + "/finish", finish).ms());
            }
        }

        private void fill(String card, JsonNode step) throws Exception {
            var ask = step.get("ask");
            switch (ask.get("kind").asString()) {
                case "Ticks" -> {
                    for (int i = 0; i < ask.get("items").size(); i++) {
                        kettle.post(
                                card + "/enter",
                                "{\"step\": \"%s\", \"cell\": \"item/%d\", \"value\": \"yes\"}"
                                        .formatted(step.get("id").asString(), i));
                    }
                }
                case "Tally" -> {
                    for (int i = 0; i < ask.get("items").size(); i++) {
                        kettle.post(
                                card + "/enter",
                                "{\"step\": \"%s\", \"cell\": \"part/%d\", \"value\": \"2\"}"
                                        .formatted(step.get("id").asString(), i));
                    }
                }
                case "Choice" ->
                    kettle.post(
                            card + "/enter",
                            "{\"step\": \"%s\", \"cell\": \"choice\", \"value\": \"%s\"}"
                                    .formatted(
                                            step.get("id").asString(),
                                            ask.get("items").get(0).asString()));
                default -> {}
            }
        }

        private static JsonNode step(JsonNode card, String id) {
            for (var step : card.get("steps")) {
                if (step.get("id").asString().equals(id)) {
                    return step;
                }
            }
            throw new IllegalStateException("no step " + id);
        }

        /** Ink that was used since: what stays is said before, in the same words. */
        private void stays(long machine) throws Exception {
            long lot = number("select max(id) from lot where channel = 'C'");
            for (int i = 0; i < 10; i++) {
                kettle.post("/api/machines/" + machine + "/refills", """
                    {"channel": "C", "lot": %d, "poured": 2, "ranDry": false, "chipReset": false}\
                    """.formatted(lot));
                kettle.post("/api/machines/" + machine + "/cleanings", "{\"power\": true}");
                long entry = number("select max(entry_id) from refill where machine_id = " + machine);
                var said = kettle.get("/api/log/" + entry + "/strike").json().get("stays");
                var stayed = kettle.post("/api/log/" + entry + "/strike", "{}")
                        .json()
                        .get("stays");
                kept += stayed.size();
                keptSaid += said.equals(stayed) ? stayed.size() : 0;
            }
        }

        /** The rows that an act wrote, written once more by the plain driver in one transaction. @return ms */
        private double bare(long entry, long card) throws SQLException {
            db.setAutoCommit(false);
            long start = System.nanoTime();
            try (var statement = db.createStatement()) {
                statement.execute(
                        "insert into answered (key, request, status, body) values (gen_random_uuid()::text, 'bare',"
                                + " 200, (select convert_to(body::text, 'UTF8') from card where id = " + card + "))");
                statement.execute("update card set body = body, version = version + 1 where id = " + card);
                statement.execute(
                        "insert into entry (at, machine_id, card_id, step_id, kind, words) select at, machine_id,"
                                + " card_id, 'bare', kind, words from entry where id = " + entry);
                statement.execute("insert into posting (entry_id, place, substance, microlitres) select"
                        + " currval(pg_get_serial_sequence('entry', 'id')), place, substance, microlitres from posting"
                        + " where entry_id = "
                        + entry);
                statement.execute("insert into consequence (entry_id, book, kind, body, images) select"
                        + " currval(pg_get_serial_sequence('entry', 'id')), book, kind, body, images from consequence"
                        + " where entry_id = "
                        + entry);
                statement.execute("insert into change (topic) values ('bare')");
            }
            db.commit();
            double ms = (System.nanoTime() - start) / 1e6;
            db.setAutoCommit(true);
            return ms;
        }

        private Set<String> database() throws SQLException {
            var found = new HashSet<String>();
            var tables = new ArrayList<String>();
            try (var statement = db.createStatement();
                    var rows = statement.executeQuery(
                            "select table_name from information_schema.tables where table_schema = 'public'")) {
                while (rows.next()) {
                    tables.add(rows.getString(1));
                }
            }
            tables.removeAll(GROWING);
            for (var table : tables) {
                var version = table.equals("card") ? " - 'version'" : "";
                try (var statement = db.createStatement();
                        var rows = statement.executeQuery(
                                "select md5((to_jsonb(t)%s)::text) from %s t".formatted(version, table))) {
                    while (rows.next()) {
                        found.add(table + " " + rows.getString(1));
                    }
                }
            }
            return found;
        }

        private long number(String sql) throws SQLException {
            try (var statement = db.createStatement();
                    var rows = statement.executeQuery(sql)) {
                rows.next();
                return rows.getLong(1);
            }
        }
    }
}
