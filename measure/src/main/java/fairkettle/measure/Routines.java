package fairkettle.measure;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * {@code ./kettle measure routines}: due dates of 200 machines with five years of log, asked of the running product,
 * beside one machine alone.
 */
public final class Routines {

    private static final int MACHINES = 200;
    private static final int ROUNDS = 60;

    private Routines() {}

    /** @param args the built application's folder, and a database url */
    public static void main(String[] args) throws Exception {
        int port = freePort();
        var app = Path.of(args[0]);
        var builder = new ProcessBuilder(
                        System.getProperty("java.home") + "/bin/java",
                        "-XX:+UseSerialGC",
                        "-Xmx1g",
                        "-jar",
                        "kettle.jar")
                .directory(app.toFile())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD);
        builder.environment()
                .putAll(Map.of("KETTLE_DB_URL", args[1], "KETTLE_DB_USER", "kettle", "KETTLE_PORT", "" + port));
        var process = builder.start();
        try (var http = HttpClient.newHttpClient();
                var db = DriverManager.getConnection(args[1], "kettle", "")) {
            await(http, port, process);
            db.setAutoCommit(false); // all of it or nothing: a shop filled by half measures nothing
            fill(db);
            db.commit();
            db.setAutoCommit(true);
            ask(http, port, "/api/due"); // the book is made from the log, once
            var all = times(http, port, "/api/due");
            long one = number(db, "select min(id) from machine where name like 'Load %'");
            var single = times(http, port, "/api/machines/" + one + "/routines");
            System.out.printf(
                    Locale.ROOT,
                    "{\"measure\":\"routines\",\"machines\":%d,\"entries\":%d,\"postings\":%d,\"marks\":%d,\"ms_p50\":%.1f,\"ms_p95\":%.1f,\"one_machine_ms_p95\":%.1f}%n",
                    MACHINES,
                    number(db, "select count(*) from entry"),
                    number(db, "select count(*) from posting"),
                    number(db, "select count(*) from upkeep"),
                    all.get(all.size() / 2),
                    all.get((int) (all.size() * .95)),
                    single.get((int) (single.size() * .95)));
        } finally {
            process.destroy();
            process.waitFor();
        }
    }

    private static List<Double> times(HttpClient http, int port, String path) throws IOException, InterruptedException {
        for (int i = 0; i < ROUNDS; i++) {
            ask(http, port, path); // warm
        }
        var times = new ArrayList<Double>();
        for (int i = 0; i < ROUNDS; i++) {
            long start = System.nanoTime();
            ask(http, port, path);
            times.add((System.nanoTime() - start) / 1e6);
        }
        times.sort(null);
        return times;
    }

    private static void ask(HttpClient http, int port, String path) throws IOException, InterruptedException {
        var answer = http.send(
                HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + path))
                        .build(),
                HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) {
            throw new IOException(path + " answers " + answer.statusCode() + ": " + answer.body());
        }
    }

    private static void await(HttpClient http, int port, Process process) throws IOException, InterruptedException {
        while (process.isAlive()) {
            try {
                ask(http, port, "/actuator/health/readiness");
                return;
            } catch (IOException e) {
                Thread.sleep(50);
            }
        }
        throw new IOException("It did not start.");
    }

    /**
     * A print a working day, a cleaning a week, a check a day, the air twice a day: for five years, and 200 machines of
     * four and six channels.
     */
    private static void fill(Connection db) throws SQLException {
        if (number(db, "select count(*) from machine where name like 'Load %'") > 0) {
            return;
        }
        try (var run = db.createStatement()) {
            run.execute("alter table posting disable trigger user"); // why: the sum of each entry is checked when it is
            // written, and these are balanced by their making
            run.execute("insert into bench (name, place) values ('Load bench', 99) on conflict do nothing");
            run.execute("""
                insert into machine (name, bench_id, place, profile) select 'Load ' || n, (select id from bench where name = 'Load bench'), n,
                  case when n %% 4 = 0 then 'film-rebuilt' when n %% 4 = 1 then 'wide-tank' else 'small-tank' end from generate_series(1, %d) n\
                """.formatted(MACHINES));
            run.execute("""
                insert into channel (machine_id, code, slot, held, family, make) select m.id, c.code, c.slot, 'INKED', case when m.profile = 'film-rebuilt' then 'FILM' else 'SUBLIMATION' end, 'own'
                  from machine m cross join (values ('K', 0), ('C', 1), ('M', 2), ('Y', 3), ('W1', 4), ('W2', 5)) c (code, slot) where m.name like 'Load %' and (m.profile = 'film-rebuilt' or c.slot < 4)\
                """);
            run.execute("""
                insert into entry (at, machine_id, kind, words, amount) select now() - make_interval(days => d) - interval '2 hours', m.id, k.kind, k.kind || ' of ' || m.name, k.amount
                  from machine m cross join generate_series(1, 1825) d cross join (values ('print', 10.0), ('check', null), ('cleaning', null)) k (kind, amount)
                  where m.name like 'Load %' and (k.kind <> 'cleaning' or d % 7 = 0) and (k.kind <> 'print' or d % 7 < 5)\
                """);
            run.execute("""
                insert into posting (entry_id, place, substance, microlitres) select e.id, p.place, 'ink/SUBLIMATION/' || c.code || '/0', p.ul from entry e join machine m on m.id = e.machine_id
                  join channel c on c.machine_id = m.id cross join lateral (values ('path/' || m.id || '/' || c.code || '/TANK', -300), (case when e.kind = 'cleaning' then 'pad/' || m.id else 'outside/PAPER' end, 300)) p (place, ul)
                  where m.name like 'Load %' and (c.slot < 2 or e.kind = 'cleaning')\
                """);
            run.execute("""
                insert into nozzle_check (entry_id, machine_id, at, channel, nozzles, missing) select e.id, e.machine_id, e.at, c.code, 90, '{}' from entry e join channel c on c.machine_id = e.machine_id
                  join machine m on m.id = e.machine_id where e.kind = 'check' and m.name like 'Load %'\
                """);
            run.execute("insert into content (place, substance, microlitres) select 'path/' || c.machine_id || '/' ||"
                    + " c.code || '/' || v.kind, 'ink/FILM/' || c.code || '/0', v.ul from channel c join machine m"
                    + " on m.id = c.machine_id cross join (values ('TANK', 60000), ('TUBE', 6000), ('DAMPER',"
                    + " 3000)) v (kind, ul) where m.name like 'Load %'");
            run.execute(
                    "insert into room_reading (at, celsius, humidity, source) select now() - make_interval(hours => 12"
                            + " * n), 20 + n % 7, 40 + n % 11, 'hand' from generate_series(1, 3650) n on conflict do"
                            + " nothing");
            run.execute("alter table posting enable trigger user");
            run.execute("analyze");
        }
    }

    private static long number(Connection db, String sql) throws SQLException {
        try (var run = db.createStatement();
                var rows = run.executeQuery(sql)) {
            rows.next();
            return rows.getLong(1);
        }
    }

    private static int freePort() throws IOException {
        try (var socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        }
    }
}
