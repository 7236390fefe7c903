package fairkettle.e2e;

import fairkettle.devdb.ThrowawayPg;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;

/** The product as it runs, on a database of its own; can be killed and started again. */
final class RunningKettle implements AutoCloseable {

    private static final Pattern WAIT_STARTED = Pattern.compile("\"waitStarted\": ?\"([^\"]+)\"");

    private static final int A_FEW_DAYS = 10; // why: nobody waits for three months in every test

    private static final String JAVA = System.getProperty("java.home") + "/bin/java";

    /** Of a server that is looked at for a minute; what is measured runs under those of the start command. */
    private static final String FLAGS = System.getProperty("flags");

    private final ThrowawayPg pg;
    private final boolean alone; // with its database
    private final int port = ThrowawayPg.freePort();

    /** Where the start command keeps what is not in the database: PostgreSQL’s own user has to come in. */
    private final Path state = Files.createTempDirectory(
            Path.of("/tmp"),
            "kettle-state-",
            PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwxr-xr-x")));

    private final boolean demo;
    private int days = A_FEW_DAYS;
    private String signIn = "auto";
    private Duration ahead; // null where a demo finds its own time
    private Process process;

    /** Where its backups lie; a demo of the tests makes none. */
    Path backups() {
        return state.resolve("backups");
    }

    /** At the time that it is; a demo finds its own. */
    RunningKettle(boolean demo) throws IOException, InterruptedException {
        this(ThrowawayPg.start(), true, demo);
        start();
    }

    private RunningKettle(ThrowawayPg pg, boolean alone, boolean demo) throws IOException {
        this.pg = pg;
        this.alone = alone;
        this.demo = demo;
    }

    /** Another server of the same shop: on the same database. */
    RunningKettle another() throws IOException, InterruptedException {
        var other = new RunningKettle(pg, false, demo);
        other.days = days;
        other.signIn = signIn;
        other.ahead = ahead;
        other.start();
        return other;
    }

    /** @param now what its clock shows as it starts */
    RunningKettle(boolean demo, Instant now) throws IOException, InterruptedException {
        this(demo, now, A_FEW_DAYS);
    }

    /** @param days that lie behind a demo */
    RunningKettle(boolean demo, Instant now, int days) throws IOException, InterruptedException {
        this(ThrowawayPg.start(), true, demo);
        this.days = days;
        ahead = Duration.between(Instant.now(), now);
        start();
    }

    /** A demo whose people sign in. */
    static RunningKettle closed() throws IOException, InterruptedException {
        return new RunningKettle(true, "always");
    }

    private RunningKettle(boolean demo, String signIn) throws IOException, InterruptedException {
        this(ThrowawayPg.start(), true, demo);
        this.signIn = signIn;
        start();
    }

    /** Stops it, and starts it at another time. */
    void startAt(Instant now) throws IOException, InterruptedException {
        kill();
        ahead = Duration.between(Instant.now(), now);
        start();
    }

    String url(String path) {
        return "http://127.0.0.1:" + port + path;
    }

    void start() throws IOException, InterruptedException {
        var command = new ArrayList<>(List.of(JAVA));
        command.addAll(List.of(FLAGS.split(" ")));
        command.addAll(List.of("-jar", extracted().toString()));
        var builder = new ProcessBuilder(command);
        builder.environment()
                .put(
                        "KETTLE_KEY_FILE",
                        Path.of("target/kettle-" + port + ".key")
                                .toAbsolutePath()
                                .toString());
        if (ahead != null) {
            builder.environment().put("KETTLE_CLOCK_OFFSET", ahead.toString());
        }
        builder.environment()
                .putAll(Map.of(
                        "KETTLE_DB_URL",
                        pg.url(),
                        "KETTLE_DB_USER",
                        "kettle",
                        "KETTLE_PORT",
                        "" + port,
                        "KETTLE_DEMO",
                        "" + demo,
                        "KETTLE_DEMO_DAYS",
                        "" + days,
                        "KETTLE_SIGN_IN",
                        signIn,
                        "KETTLE_PATIENCE",
                        "PT5S", // tests ask for what is now, on however slow a machine
                        "KETTLE_BENCH_PORT",
                        "0"));
        if (!demo) {
            builder.environment()
                    .putAll(Map.of(
                            "KETTLE_COMMAND",
                            Path.of("../kettle").toAbsolutePath().normalize().toString(),
                            "KETTLE_STATE",
                            state.toString(),
                            "KETTLE_BACKUPS",
                            backups().toString()));
        }
        process = builder.redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.appendTo(log()))
                .start();
        awaitReady();
    }

    /** The application unpacked, as the start command runs it: it starts in half the time. */
    private static synchronized Path extracted() throws IOException, InterruptedException {
        var jar = Path.of(System.getProperty("app.jar"));
        var folder = Path.of("target/app-" + Files.getLastModifiedTime(jar).toMillis());
        if (!Files.exists(folder)) {
            var process = new ProcessBuilder(
                            JAVA,
                            "-Djarmode=tools",
                            "-jar",
                            jar.toString(),
                            "extract",
                            "--destination",
                            folder.toString())
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            if (process.waitFor() != 0) {
                throw new IOException("The application could not be unpacked: " + jar);
            }
        }
        return folder.resolve(jar.getFileName());
    }

    File log() {
        return new File("target/kettle-" + port + ".log");
    }

    private void awaitReady() throws IOException, InterruptedException {
        try (var http = HttpClient.newHttpClient()) {
            var request = HttpRequest.newBuilder(URI.create(url("/actuator/health/readiness")))
                    .timeout(Duration.ofSeconds(5))
                    .build();
            var until = Instant.now().plusSeconds(240);
            while (true) {
                try {
                    if (http.send(request, HttpResponse.BodyHandlers.discarding())
                                    .statusCode()
                            == 200) {
                        return;
                    }
                } catch (IOException e) {
                    // not listening yet
                }
                if (!process.isAlive() || Instant.now().isAfter(until)) {
                    throw new IllegalStateException("The kettle did not start:\n" + Files.readString(log().toPath()));
                }
                process.onExit()
                        .completeOnTimeout(process, 100, TimeUnit.MILLISECONDS)
                        .join();
            }
        }
    }

    /** SIGKILL: no goodbye, nothing flushed. */
    void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }

    /** What was said in cases was said so much earlier. */
    void casesWereBefore(Duration length) throws SQLException {
        try (var connection = DriverManager.getConnection(pg.url(), "kettle", "");
                var write = connection.createStatement()) {
            write.executeUpdate(
                    "update case_evidence set at = at - interval '%d seconds'".formatted(length.toSeconds()));
        }
    }

    /** As if every wait had begun so much earlier. */
    void timePasses(Duration length) throws SQLException {
        try (var connection = DriverManager.getConnection(pg.url(), "kettle", "");
                var read = connection.createStatement();
                var cards = read.executeQuery("select id, body::text from card where finished_at is null");
                var write = connection.prepareStatement("update card set body = ?::jsonb where id = ?")) {
            while (cards.next()) {
                var earlier = WAIT_STARTED
                        .matcher(cards.getString(2))
                        .replaceAll(m ->
                                "\"waitStarted\":\"" + Instant.parse(m.group(1)).minus(length) + "\"");
                write.setString(1, earlier);
                write.setLong(2, cards.getLong(1));
                write.executeUpdate();
            }
            read.executeUpdate(
                    "update wait set started_at = started_at - interval '%d seconds', ready_at = ready_at - interval '%1$d seconds'"
                            .formatted(length.toSeconds()));
        }
    }

    /** One figure out of the database. */
    long query(String sql) throws SQLException {
        try (var connection = DriverManager.getConnection(pg.url(), "kettle", "");
                var statement = connection.createStatement();
                var row = statement.executeQuery(sql)) {
            row.next();
            return row.getLong(1);
        }
    }

    /** What it is at just now: threads in our own code, and what the database works on or waits for. */
    String doing() {
        var dump = new File("target/threads-" + port + ".txt").getAbsoluteFile();
        var told = new ArrayList<String>();
        try (var connection = DriverManager.getConnection(pg.url(), "kettle", "");
                var statement = connection.createStatement();
                var row = statement.executeQuery("""
                    select concat_ws(' ', pid, state, wait_event_type, wait_event, pg_blocking_pids(pid)::text,
                           clock_timestamp() - xact_start, left(query, 120))
                    from pg_stat_activity where state <> 'idle' and pid <> pg_backend_pid()\
                    """)) {
            while (row.next()) {
                told.add(row.getString(1));
            }
            new ProcessBuilder(
                            Path.of(JAVA).resolveSibling("jcmd").toString(),
                            "" + process.pid(),
                            "Thread.dump_to_file",
                            "-overwrite",
                            dump.toString())
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start()
                    .waitFor(20, TimeUnit.SECONDS);
            for (var thread : Files.readString(dump.toPath()).split("\n\n")) {
                thread.lines()
                        .filter(line -> line.contains("fairkettle") && !line.contains("$$"))
                        .limit(6)
                        .forEach(told::add);
            }
        } catch (IOException | SQLException | InterruptedException e) {
            told.add(e.toString());
        }
        return String.join("\n", told);
    }

    String logText() throws IOException {
        return Files.readString(Path.of(log().getPath()));
    }

    @Override
    public void close() {
        process.destroy();
        process.onExit().join();
        if (alone) {
            pg.close();
        }
        try (var kept = Files.walk(state)) {
            kept.sorted(Comparator.reverseOrder()).map(Path::toFile).forEach(File::delete);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
