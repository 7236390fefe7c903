package fairkettle.devdb;

import java.io.File;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.TimeUnit;

/**
 * A PostgreSQL of its own on a free loopback port, for generating code and for tests; gone when closed. PostgreSQL
 * refuses to run as root: there it runs as the user {@code postgres} that Debian's package made.
 */
public record ThrowawayPg(Path directory, Path bin, int port, boolean root) implements AutoCloseable {

    private static final Path DEBIAN = Path.of("/usr/lib/postgresql");

    public static ThrowawayPg start() throws IOException {
        boolean root = "root".equals(System.getProperty("user.name"));
        var directory = Files.createTempDirectory("kettle-pg-");
        if (root) {
            Files.setOwner(
                    directory,
                    directory.getFileSystem().getUserPrincipalLookupService().lookupPrincipalByName("postgres"));
        }
        var pg = new ThrowawayPg(directory, newest(), freePort(), root);
        Runtime.getRuntime().addShutdownHook(new Thread(pg::close));
        pg.run(
                "initdb",
                "-D",
                directory + "/data",
                "-U",
                "kettle",
                "-A",
                "trust",
                "-E",
                "UTF8",
                "--locale=C.UTF-8",
                "--no-sync");
        pg.run(
                "pg_ctl",
                "-D",
                directory + "/data",
                "-w",
                "-l",
                directory + "/log",
                "-o",
                "-p " + pg.port
                        + " -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c fsync=off -c"
                        + " full_page_writes=off -c synchronous_commit=off",
                "start");
        return pg;
    }

    public String url() {
        return url("postgres");
    }

    public String url(String database) {
        return "jdbc:postgresql://127.0.0.1:" + port + "/" + database;
    }

    public static int freePort() throws IOException {
        try (var socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        }
    }

    private static Path newest() throws IOException {
        try (var versions = Files.list(DEBIAN)) {
            return versions.map(v -> v.resolve("bin"))
                    .filter(b -> Files.isExecutable(b.resolve("postgres")))
                    .max(Comparator.comparingInt(
                            b -> Integer.parseInt(b.getParent().getFileName().toString())))
                    .orElseThrow(() -> new IOException(
                            "No PostgreSQL under %s. Maybe: apt-get install postgresql-15".formatted(DEBIAN)));
        }
    }

    private void run(String tool, String... arguments) throws IOException {
        var command = new ArrayList<String>();
        if (root) {
            command.addAll(List.of("setpriv", "--reuid=postgres", "--regid=postgres", "--clear-groups", "--"));
        }
        command.add(bin.resolve(tool).toString());
        command.addAll(List.of(arguments));
        var log = Files.createTempFile("kettle-pg-", ".log"); // why: a pipe would stay open in the server and hang
        var process = new ProcessBuilder(command)
                .directory(new File("/"))
                .redirectErrorStream(true)
                .redirectOutput(log.toFile())
                .start();
        try {
            if (!process.waitFor(60, TimeUnit.SECONDS) || process.exitValue() != 0) {
                process.destroyForcibly();
                throw new IOException(tool + " failed:\n" + Files.readString(log));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(tool + " was interrupted", e);
        } finally {
            Files.delete(log);
        }
    }

    @Override
    public void close() {
        if (!Files.exists(directory)) {
            return;
        }
        try {
            run("pg_ctl", "-D", directory + "/data", "-m", "immediate", "-w", "stop");
        } catch (IOException e) {
            // it was not running
        }
        try (var files = Files.walk(directory)) {
            files.sorted(Comparator.reverseOrder()).map(Path::toFile).forEach(File::delete);
        } catch (IOException e) {
            // the temporary folder's own cleaning takes the rest
        }
    }
}
