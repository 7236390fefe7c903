package fairkettle.measure;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;

/**
 * {@code ./kettle measure writers}: forty clients for two minutes, every kind of write and the screens that people look
 * at meanwhile, on sixty machines that share bottles and waste; beside the same reads by the plain driver.
 */
public final class Writers {

    private static final int CLIENTS = 40;
    private static final int MACHINES = 60;
    private static final Duration LENGTH = Duration.ofMinutes(2);

    private Writers() {}

    /** @param args the built application's folder, and a database url */
    public static void main(String[] args) throws Exception {
        var times = new ConcurrentHashMap<String, ConcurrentLinkedQueue<Double>>();
        var errors = new AtomicLong();
        try (var kettle = new Running(Path.of(args[0]), args[1]);
                var db = DriverManager.getConnection(args[1], "kettle", "")) {
            var machines = fill(kettle, db);
            long lot = number(db, "select max(id) from lot");
            long before = number(db, DEADLOCKS);
            long end = System.nanoTime() + LENGTH.toNanos();
            try (var hands = Executors.newFixedThreadPool(CLIENTS)) {
                for (int client = 0; client < CLIENTS; client++) {
                    var random = RandomGeneratorFactory.of("L64X128MixRandom").create(client);
                    hands.submit(() -> {
                        while (System.nanoTime() < end) {
                            one(kettle, machines, lot, random, times, errors);
                        }
                        return null;
                    });
                }
            }
            long requests = times.values().stream()
                    .mapToLong(ConcurrentLinkedQueue::size)
                    .sum();
            System.out.printf(
                    Locale.ROOT,
                    "{\"measure\":\"writers\",\"clients\":%d,\"requests\":%d,\"errors\":%d,\"deadlocks\":%d,"
                            + "\"bare_sql_ms\":%.2f,\"kinds\":{%s}}%n",
                    CLIENTS,
                    requests,
                    errors.get(),
                    number(db, DEADLOCKS) - before,
                    bare(db),
                    String.join(",", quantiles(times)));
        }
    }

    private static final String DEADLOCKS = "select deadlocks from pg_stat_database where datname = current_database()";

    private static List<Long> fill(Running kettle, Connection db) throws Exception {
        for (int i = 0; i < MACHINES; i++) {
            kettle.post("/api/machines", """
                {"name": "Writer %d", "bench": "Writers", "profile": "small-tank", "holds": "INKED", "family": "MAKERS_DYE",
                 "make": "own", "foodOnly": false, "tankShare": 0.7}\
                """.formatted(i));
        }
        kettle.post("/api/shelf/waste", "{\"name\": \"Shared\", \"kind\": \"ink and fluid\", \"capacity\": 5000}");
        kettle.post("/api/shelf/lots", """
            {"family": "MAKERS_DYE", "channel": "C", "make": "own", "code": "SHARED", "volume": 900000, "price": 900,
             "foodGrade": false}\
            """);
        var ids = new ArrayList<Long>();
        try (var statement = db.createStatement();
                var rows = statement.executeQuery("select id from machine where name like 'Writer %' order by id")) {
            while (rows.next()) {
                ids.add(rows.getLong(1));
            }
        }
        return ids;
    }

    private static void one(
            Running kettle,
            List<Long> machines,
            long lot,
            RandomGenerator random,
            Map<String, ConcurrentLinkedQueue<Double>> times,
            AtomicLong errors)
            throws Exception {
        long machine = machines.get(random.nextInt(machines.size()));
        var at = "/api/machines/" + machine;
        switch (random.nextInt(12)) {
            case 0, 1 -> note("refill", kettle.post(at + "/refills", """
                {"channel": "C", "lot": %d, "poured": 0.2, "ranDry": false, "chipReset": false}\
                """.formatted(lot)), times, errors);
            case 2 -> note("strike", kettle.post(at + "/refills/C/struck", "{}"), times, errors);
            case 3, 4 -> note("print", kettle.post(at + "/printed", "{\"sheets\": 1}"), times, errors);
            case 5 -> note("cleaning", kettle.post(at + "/cleanings", "{\"power\": false}"), times, errors);
            case 6 -> note("routine", kettle.post(at + "/routines/rail/done", "{}"), times, errors);
            case 7 ->
                note(
                        "check",
                        kettle.post(at + "/checks", "{\"missing\": {\"K\": [], \"C\": [3], \"M\": [], \"Y\": []}}"),
                        times,
                        errors);
            case 8 -> card(kettle, at, times, errors);
            case 9 -> note("bench", kettle.get("/api/bench"), times, errors);
            case 10 -> note("machine", kettle.get(at), times, errors);
            default -> note("log", kettle.get("/api/log?machine=" + machine), times, errors);
        }
    }

    /**
     * Bench work that is begun, its first steps done, the last struck, and given up: another hand may be at it already.
     */
    private static void card(
            Running kettle, String at, Map<String, ConcurrentLinkedQueue<Double>> times, AtomicLong errors)
            throws Exception {
        var begun = kettle.post(at + "/works", "{\"work\": \"POSITION_FAULT\", \"channels\": []}");
        note("card", begun, times, errors);
        if (begun.status() == 201) {
            var card = "/api/cards/" + begun.json().get("card").asLong();
            note("step", kettle.post(card + "/finish", "{\"step\": \"off\"}"), times, errors);
            note("step", kettle.post(card + "/finish", "{\"step\": \"rail\"}"), times, errors);
            note("step", kettle.post(card + "/strike", "{\"step\": \"rail\"}"), times, errors);
            note("card", kettle.post(card + "/give-up", "{\"reason\": \"measured\"}"), times, errors);
        }
    }

    private static void note(
            String kind, Running.Answer answer, Map<String, ConcurrentLinkedQueue<Double>> times, AtomicLong errors) {
        times.computeIfAbsent(kind, _ -> new ConcurrentLinkedQueue<>()).add(answer.ms());
        if (answer.status() >= 500) {
            errors.incrementAndGet();
        }
    }

    private static List<String> quantiles(Map<String, ConcurrentLinkedQueue<Double>> times) {
        var lines = new ArrayList<String>();
        new TreeMap<>(times).forEach((kind, all) -> {
            var sorted = all.stream().sorted().toList();
            lines.add("\"%s\":{\"n\":%d,\"p50\":%.1f,\"p95\":%.1f,\"p99\":%.1f,\"max\":%.1f}"
                    .formatted(
                            kind,
                            sorted.size(),
                            sorted.get(sorted.size() / 2),
                            sorted.get((int) (sorted.size() * .95)),
                            sorted.get((int) (sorted.size() * .99)),
                            sorted.getLast()));
        });
        return lines;
    }

    /** What the bench reads, by the plain driver, in the middle. */
    private static double bare(Connection db) throws SQLException {
        var all = new ArrayList<Double>();
        for (int i = 0; i < 50; i++) {
            long start = System.nanoTime();
            for (var sql : List.of(
                    "select * from machine",
                    "select * from channel",
                    "select * from content",
                    "select id, machine_id, steps, steps_done from card where finished_at is null and given_up is"
                            + " null")) {
                try (var statement = db.createStatement();
                        var rows = statement.executeQuery(sql)) {
                    while (rows.next()) {
                        rows.getObject(1);
                    }
                }
            }
            all.add((System.nanoTime() - start) / 1e6);
        }
        all.sort(null);
        return all.get(all.size() / 2);
    }

    private static long number(Connection db, String sql) throws SQLException {
        try (var statement = db.createStatement();
                var rows = statement.executeQuery(sql)) {
            rows.next();
            return rows.getLong(1);
        }
    }
}
