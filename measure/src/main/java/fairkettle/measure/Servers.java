package fairkettle.measure;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import javax.imageio.ImageIO;

/**
 * {@code ./kettle measure server [-Dthinks=MS]}: a shop of five years, forty people who tap once a second each, for two
 * minutes. In their middle the server is killed, and later the database is stopped as by a power cut; each tap is sent
 * until it is answered, and what the database holds at the end is held against what was answered. Beside it, by the
 * plain driver, what the same screens read.
 */
public final class Servers {

    private static final int CLIENTS = 40;
    private static final Duration LENGTH = Duration.ofMinutes(2);
    private static final int THINKS =
            Integer.getInteger("thinks", 1000); // ms between two taps of one person, in the mean
    private static final long AGAIN = 300; // ms until a tap that nobody answered is sent again
    private static final List<String> WORDS =
            List.of("hedgehog", "satin", "wiper", "Hedge 17", "densities", "never written", "squealed", "195 degrees");

    private static final String REFILLS = "select count(*) from refill";
    private static final String DOCUMENTS = "select count(*) from document";

    private final Running kettle;
    private final Connection db;
    private final String url;
    private final List<Long> machines;
    private final byte[] photo = photo();
    private final Map<String, ConcurrentLinkedQueue<Double>> times = new ConcurrentHashMap<>();
    private final Map<String, ConcurrentLinkedQueue<Double>> bare = new ConcurrentHashMap<>();
    private final AtomicLong errors = new AtomicLong();
    private final AtomicLong away = new AtomicLong();
    private final AtomicLong refills = new AtomicLong();
    private final AtomicLong documents = new AtomicLong();
    private final Set<String> steps = ConcurrentHashMap.newKeySet();
    private final Map<String, ConcurrentLinkedQueue<Double>> settled = new ConcurrentHashMap<>();
    private volatile boolean counting;
    /** {@link System#nanoTime} of the last harm: a server that has just begun is slow for a while. */
    private volatile long harmed;

    private static final Duration SETTLES = Duration.ofSeconds(20);

    private Servers(Running kettle, String url, Connection db) throws Exception {
        this.kettle = kettle;
        this.url = url;
        this.db = db;
        this.machines = Years.fill(kettle, db);
    }

    /** @param args the built application's folder, and a database url whose database is started again when it stops */
    public static void main(String[] args) throws Exception {
        try (var kettle = new Running(Path.of(args[0]), args[1]);
                var db = DriverManager.getConnection(args[1], "kettle", "")) {
            new Servers(kettle, args[1], db).run();
        }
    }

    private void run() throws Exception {
        long entries = number(db, "select count(*) from entry");
        long postings = number(db, "select count(*) from posting");
        long refilledBefore = number(db, REFILLS);
        long filedBefore = number(db, DOCUMENTS);
        long database = number(db, "select pg_database_size(current_database()) / 1048576");
        people(Duration.ofSeconds(20), false); // what every start must do once
        counting = true;
        harmed = System.nanoTime() - SETTLES.toNanos();
        people(LENGTH, true);
        try (var after = DriverManager.getConnection(url, "kettle", "")) {
            long refilled = number(after, REFILLS) - refilledBefore;
            long filed = number(after, DOCUMENTS) - filedBefore;
            long done = 0;
            long twice = 0;
            try (var statement = after.createStatement();
                    var rows = statement.executeQuery("select card_id || '/' || step_id, count(*) from entry"
                            + " where kind = 'step' and card_id is not null and contra_of is null group by 1")) {
                while (rows.next()) {
                    done += steps.contains(rows.getString(1)) ? 1 : 0;
                    twice += rows.getLong(2) - 1;
                }
            }
            System.out.printf(
                    Locale.ROOT,
                    "{\"measure\":\"server\",\"machines\":%d,\"entries\":%d,\"postings\":%d,\"database_mb\":%d,\"clients\":%d,\"thinks_ms\":%d,"
                        + "\"requests\":%d,\"errors\":%d,\"sent_again\":%d,\"acts\":%d,\"lost\":%d,\"doubled\":%d,\"rss_mb\":%d,"
                        + "\"kinds\":{%s},\"settled\":{%s},\"bare\":{%s}}%n",
                    Years.MACHINES,
                    entries,
                    postings,
                    database,
                    CLIENTS,
                    THINKS,
                    times.values().stream()
                            .mapToLong(ConcurrentLinkedQueue::size)
                            .sum(),
                    errors.get(),
                    away.get(),
                    refills.get() + documents.get() + steps.size(),
                    Math.max(0, refills.get() - refilled) + Math.max(0, documents.get() - filed) + steps.size() - done,
                    Math.max(0, refilled - refills.get()) + Math.max(0, filed - documents.get()) + twice,
                    kettle.residentMb(),
                    quantiles(times),
                    quantiles(settled),
                    quantiles(bare));
        }
    }

    private void people(Duration length, boolean harm) throws Exception {
        long end = System.nanoTime() + length.toNanos();
        try (var hands = Executors.newFixedThreadPool(CLIENTS + 2)) {
            for (int client = 0; client < CLIENTS; client++) {
                long own = machines.get(client);
                var random = RandomGeneratorFactory.of("L64X128MixRandom").create(client + (harm ? 1000 : 0));
                hands.submit(() -> {
                    while (System.nanoTime() < end) {
                        Thread.sleep((long) (-Math.log(1 - random.nextDouble()) * THINKS));
                        one(own, random);
                    }
                    return null;
                });
            }
            hands.submit(() -> {
                while (System.nanoTime() < end) {
                    bareReads();
                }
                return null;
            });
            if (harm) {
                hands.submit(() -> {
                    Thread.sleep(length.toMillis() / 3);
                    kettle.kill();
                    kettle.startAgain();
                    harmed = System.nanoTime();
                    Thread.sleep(length.toMillis() / 3);
                    powerCut();
                    harmed = System.nanoTime();
                    return null;
                });
            }
        }
    }

    private void one(long own, RandomGenerator random) throws Exception {
        long machine = machines.get(random.nextInt(machines.size()));
        var at = "/api/machines/" + machine;
        switch (random.nextInt(20)) {
            case 0, 1, 2, 3 -> get("bench", "/api/bench");
            case 4, 5, 6, 7 -> get("machine", at);
            case 8, 9 -> get("round", "/api/round");
            case 10 -> get("week", "/api/week");
            case 11 -> get("log of a machine", "/api/log?machine=" + machine);
            case 12, 13 ->
                get(
                        "log search",
                        "/api/log?words="
                                + WORDS.get(random.nextInt(WORDS.size())).replace(" ", "%20"));
            case 14, 15, 16 -> card(own);
            case 17, 18 -> {
                int channel = random.nextInt(Years.CHANNELS.size()); // its bottle is that of all sixty machines
                if (post("refill", at + "/refills", """
                    {"channel": "%s", "lot": %d, "poured": 0.2, "ranDry": false, "chipReset": false}\
                    """.formatted(Years.CHANNELS.get(channel), channel + 1))
                                .status()
                        < 300) {
                    refills.incrementAndGet();
                }
            }
            default -> {
                var key = UUID.randomUUID();
                if (answered("upload", () -> kettle.upload(at + "/documents?name=leaflet", photo, key))
                                .status()
                        < 300) {
                    documents.incrementAndGet();
                }
            }
        }
    }

    /** Bench work that is begun, its first two steps done, one struck, and given up: each an act of one tap. */
    private void card(long machine) throws Exception {
        var begun = post(
                "card begun",
                "/api/machines/" + machine + "/works",
                "{\"work\": \"POSITION_FAULT\", \"channels\": []}");
        if (begun.status() != 201) {
            return;
        }
        long id = begun.json().get("card").asLong();
        var card = "/api/cards/" + id;
        for (var step : List.of("off", "rail")) {
            if (post("card act", card + "/finish", "{\"step\": \"%s\"}".formatted(step))
                            .status()
                    < 300) {
                steps.add(id + "/" + step);
            }
        }
        post("card act", card + "/strike", "{\"step\": \"rail\"}");
        post("card act", card + "/give-up", "{\"reason\": \"measured\"}");
    }

    private void get(String kind, String path) throws Exception {
        answered(kind, () -> kettle.get(path));
    }

    private Running.Answer post(String kind, String path, String body) throws Exception {
        var key = UUID.randomUUID();
        return answered(kind, () -> kettle.post(path, body, key));
    }

    private interface Ask {
        Running.Answer send() throws IOException, InterruptedException;
    }

    /** Until somebody answers; the time of one that had to be sent again is that of whoever was away. */
    private Running.Answer answered(String kind, Ask ask) throws InterruptedException {
        for (boolean first = true; ; first = false) {
            try {
                var answer = ask.send();
                if (answer.status() != 503) {
                    if (answer.status() >= 500) {
                        errors.incrementAndGet();
                        System.err.println(kind + ": " + answer.status() + " " + answer.body());
                    }
                    if (first && counting) {
                        keep(times, kind, answer.ms());
                        if (System.nanoTime() - harmed > SETTLES.toNanos()) {
                            keep(settled, kind, answer.ms());
                        }
                    }
                    return answer;
                }
            } catch (IOException e) {
                // nobody is there
            }
            away.incrementAndGet();
            Thread.sleep(AGAIN);
        }
    }

    private static void keep(Map<String, ConcurrentLinkedQueue<Double>> times, String kind, double ms) {
        times.computeIfAbsent(kind, _ -> new ConcurrentLinkedQueue<>()).add(ms);
    }

    // ---- beside it

    private static final Map<String, List<String>> READS = new LinkedHashMap<>();

    static {
        READS.put(
                "bench",
                List.of(
                        "select * from machine",
                        "select * from channel",
                        "select * from content",
                        "select n.* from channel c cross join lateral (select * from nozzle_check where machine_id ="
                                + " c.machine_id and channel = c.code order by at desc, id desc limit 1) n",
                        "select * from upkeep",
                        "select id, machine_id, steps, steps_done from card where finished_at is null and given_up is"
                                + " null"));
        READS.put(
                "machine",
                List.of(
                        "select * from machine where id = 7",
                        "select * from channel where machine_id = 7",
                        "select * from content where place like 'path/7/%'",
                        "select * from nozzle_check where machine_id = 7 order by at desc limit 40",
                        "select * from upkeep where machine_id = 7",
                        "select * from entry where machine_id = 7 order by at desc, id desc limit 20"));
        READS.put(
                "log of a machine",
                List.of("select e.*, (select sum(microlitres) from posting where entry_id = e.id and microlitres > 0)"
                        + " from entry e where machine_id = 7 order by at desc, id desc limit 51"));
        READS.put(
                "log search",
                List.of("select e.*, (select sum(microlitres) from posting where entry_id = e.id and microlitres > 0)"
                        + " from entry e where words ilike '%hedgehog%' order by at desc, id desc limit 51"));
    }

    private void bareReads() throws InterruptedException {
        try (var reader = DriverManager.getConnection(url, "kettle", "")) {
            for (var kind : READS.entrySet()) {
                long start = System.nanoTime();
                for (var sql : kind.getValue()) {
                    try (var statement = reader.createStatement();
                            var rows = statement.executeQuery(sql)) {
                        while (rows.next()) {
                            rows.getObject(1);
                        }
                    }
                }
                if (counting) {
                    keep(bare, kind.getKey(), (System.nanoTime() - start) / 1e6);
                }
                Thread.sleep(200);
            }
        } catch (SQLException e) {
            Thread.sleep(AGAIN); // it is away
        }
    }

    /** The database ends at once and without order, as its computer would; whoever measures starts it again. */
    private static void powerCut() throws IOException, InterruptedException {
        try (var lines = Files.lines(Path.of(System.getProperty("measure.postmaster")))) {
            new ProcessBuilder("kill", "-QUIT", lines.findFirst().orElseThrow())
                    .inheritIO()
                    .start()
                    .waitFor();
        }
    }

    private static byte[] photo() throws IOException {
        var picture = new BufferedImage(1600, 1200, BufferedImage.TYPE_INT_RGB);
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(1);
        for (int y = 0; y < 1200; y++) {
            for (int x = 0; x < 1600; x++) {
                picture.setRGB(x, y, 0xC0C0C0 + random.nextInt(0x20) * 0x010101);
            }
        }
        var bytes = new ByteArrayOutputStream();
        ImageIO.write(picture, "jpeg", bytes);
        return bytes.toByteArray();
    }

    private static String quantiles(Map<String, ConcurrentLinkedQueue<Double>> times) {
        var lines = new ArrayList<String>();
        new TreeMap<>(times).forEach((kind, all) -> {
            var sorted = all.stream().sorted().toList();
            lines.add(String.format(
                    Locale.ROOT,
                    "\"%s\":{\"n\":%d,\"p50\":%.1f,\"p95\":%.1f,\"p99\":%.1f}",
                    kind,
                    sorted.size(),
                    sorted.get(sorted.size() / 2),
                    sorted.get((int) (sorted.size() * .95)),
                    sorted.get((int) (sorted.size() * .99))));
        });
        return String.join(",", lines);
    }

    private static long number(Connection db, String sql) throws SQLException {
        try (var statement = db.createStatement();
                var rows = statement.executeQuery(sql)) {
            rows.next();
            return rows.getLong(1);
        }
    }
}
