package fairkettle.measure;

import java.io.File;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * {@code ./kettle measure start}: from process start to the first answered page, against an empty application, in turn.
 */
public final class Start {

    private static final int ROUNDS = 5;

    private Start() {}

    private record Run(double seconds, long rssMb) {}

    /** @param args the built application's folder, and a database url */
    public static void main(String[] args) throws IOException, InterruptedException {
        var app = Path.of(args[0]);
        var jvm = System.getProperty("java.home") + "/bin/java";
        var flags = List.of(System.getProperty("kettle.flags").split(" "));
        var kettle = new Run[ROUNDS];
        var empty = new Run[ROUNDS];
        for (int i = 0; i < ROUNDS; i++) {
            int port = freePort();
            kettle[i] = run(
                    command(
                            jvm,
                            flags,
                            List.of(
                                    "-XX:AOTCache=" + app.resolve("kettle.aot"),
                                    "-Xlog:aot=off",
                                    "-Xlog:cds=off",
                                    "-jar",
                                    "kettle.jar")),
                    app.toFile(),
                    Map.of("KETTLE_DB_URL", args[1], "KETTLE_DB_USER", "kettle", "KETTLE_PORT", "" + port),
                    port);
            port = freePort();
            empty[i] = run(
                    command(
                            jvm,
                            flags,
                            List.of("-cp", System.getProperty("java.class.path"), EmptyApplication.class.getName())),
                    new File("."),
                    Map.of("SERVER_PORT", "" + port, "SPRING_MAIN_BANNER_MODE", "off"),
                    port);
        }
        System.out.printf(
                java.util.Locale.ROOT,
                "{\"measure\":\"start\",\"kettle_s\":%.2f,\"empty_s\":%.2f,\"kettle_rss_mb\":%d,\"empty_rss_mb\":%d}%n",
                median(kettle),
                median(empty),
                rss(kettle),
                rss(empty));
    }

    private static List<String> command(String jvm, List<String> flags, List<String> rest) {
        var all = new java.util.ArrayList<String>();
        all.add(jvm);
        all.addAll(flags);
        all.addAll(rest);
        return all;
    }

    private static Run run(List<String> command, File folder, Map<String, String> environment, int port)
            throws IOException, InterruptedException {
        var builder = new ProcessBuilder(command)
                .directory(folder)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD);
        builder.environment().putAll(environment);
        long start = System.nanoTime();
        var process = builder.start();
        try (var http = HttpClient.newHttpClient()) {
            var request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + "/"))
                    .build();
            while (process.isAlive()) {
                try {
                    if (http.send(request, HttpResponse.BodyHandlers.ofString()).statusCode() == 200) {
                        double seconds = (System.nanoTime() - start) / 1e9;
                        return new Run(seconds, residentMb(process.pid()));
                    }
                } catch (IOException e) {
                    Thread.sleep(10);
                }
            }
            throw new IOException("It did not start: " + command);
        } finally {
            process.destroy();
            process.waitFor();
        }
    }

    private static long residentMb(long pid) throws IOException {
        return Files.readAllLines(Path.of("/proc/" + pid + "/status")).stream()
                .filter(l -> l.startsWith("VmRSS"))
                .mapToLong(l -> Long.parseLong(l.replaceAll("\\D", "")) / 1024)
                .findFirst()
                .orElse(-1);
    }

    private static int freePort() throws IOException {
        try (var socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        }
    }

    private static double median(Run[] runs) {
        return Arrays.stream(runs).mapToDouble(Run::seconds).sorted().toArray()[runs.length / 2];
    }

    private static long rss(Run[] runs) {
        return Arrays.stream(runs).mapToLong(Run::rssMb).sorted().toArray()[runs.length / 2];
    }
}
