package fairkettle.measure;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The running product, started as the one command starts it, and spoken to as the front end does. */
final class Running implements AutoCloseable {

    private static final JsonMapper JSON = new JsonMapper();

    private final ProcessBuilder builder;
    private final int port;
    private final HttpClient http = HttpClient.newHttpClient();
    private final String cookie;
    private final String token;
    private volatile Process process;

    /** @param app the built application's folder; @param db a database url */
    Running(Path app, String db) throws IOException, InterruptedException {
        try (var socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            port = socket.getLocalPort();
        }
        var command = new ArrayList<String>();
        command.add(System.getProperty("java.home") + "/bin/java");
        command.addAll(List.of(
                System.getProperty("kettle.flags", "-XX:+UseSerialGC -Xmx768m").split(" ")));
        if (Files.exists(app.resolve("kettle.aot"))) {
            command.add("-XX:AOTCache=" + app.resolve("kettle.aot"));
        }
        command.addAll(List.of("-jar", "kettle.jar"));
        builder = new ProcessBuilder(command)
                .directory(app.toFile())
                .redirectErrorStream(true)
                .redirectOutput(app.resolveSibling("measured.log").toFile());
        builder.environment().putAll(Map.of("KETTLE_DB_URL", db, "KETTLE_DB_USER", "kettle", "KETTLE_PORT", "" + port));
        process = builder.start();
        awaitReady();
        var page = http.send(HttpRequest.newBuilder(uri("/api/bench")).build(), HttpResponse.BodyHandlers.ofString());
        cookie = page.headers().allValues("set-cookie").stream()
                .filter(c -> c.startsWith("XSRF-TOKEN="))
                .map(c -> c.split(";")[0])
                .findFirst()
                .orElse("XSRF-TOKEN=");
        token = cookie.substring("XSRF-TOKEN=".length());
    }

    /** As when its computer loses its power. */
    void kill() {
        process.destroyForcibly().onExit().join();
    }

    /** After it was killed: where it was. */
    void startAgain() throws IOException, InterruptedException {
        process = builder.start();
        awaitReady();
    }

    private URI uri(String path) {
        return URI.create("http://127.0.0.1:" + port + path);
    }

    private void awaitReady() throws IOException, InterruptedException {
        while (process.isAlive()) {
            try {
                if (get("/actuator/health/readiness").status() == 200) {
                    return;
                }
            } catch (IOException e) {
                Thread.sleep(50);
            }
        }
        throw new IOException("It did not start.");
    }

    /** @param ms from sending to having read it */
    record Answer(int status, String body, double ms) {

        JsonNode json() {
            return JSON.readTree(body);
        }
    }

    Answer get(String path) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(uri(path)).build());
    }

    Answer post(String path, String body) throws IOException, InterruptedException {
        return post(path, body, UUID.randomUUID());
    }

    /** @param key by which one that is sent again is known */
    Answer post(String path, String body, UUID key) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(uri(path))
                .timeout(Duration.ofMinutes(1))
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", key.toString())
                .header("Cookie", cookie)
                .header("X-XSRF-TOKEN", token)
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build());
    }

    /** With headers in the place of those that a screen sends. */
    Answer raw(String method, String path, String body, Map<String, String> instead)
            throws IOException, InterruptedException {
        var request = HttpRequest.newBuilder(uri(path)).timeout(Duration.ofMinutes(1));
        var headers = new HashMap<>(Map.of(
                "Content-Type",
                "application/json",
                "Idempotency-Key",
                UUID.randomUUID().toString(),
                "Cookie",
                cookie,
                "X-XSRF-TOKEN",
                token,
                "If-Match",
                "\"1\""));
        headers.putAll(instead);
        headers.forEach(request::header);
        return send(request.method(
                        method,
                        method.equals("GET")
                                ? HttpRequest.BodyPublishers.noBody()
                                : HttpRequest.BodyPublishers.ofString(body))
                .build());
    }

    Answer upload(String path, byte[] file) throws IOException, InterruptedException {
        return upload(path, file, UUID.randomUUID());
    }

    Answer upload(String path, byte[] file, UUID key) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(uri(path))
                .timeout(Duration.ofMinutes(1))
                .header("Content-Type", "application/octet-stream")
                .header("Idempotency-Key", key.toString())
                .header("Cookie", cookie)
                .header("X-XSRF-TOKEN", token)
                .POST(HttpRequest.BodyPublishers.ofByteArray(file))
                .build());
    }

    /** Memory of the server that lies in the machine's own. */
    long residentMb() throws IOException {
        try (var lines = Files.lines(Path.of("/proc/" + process.pid() + "/status"))) {
            return lines.filter(line -> line.startsWith("VmRSS:"))
                    .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) / 1024)
                    .findFirst()
                    .orElse(0);
        }
    }

    private Answer send(HttpRequest request) throws IOException, InterruptedException {
        long start = System.nanoTime();
        var answer = http.send(request, HttpResponse.BodyHandlers.ofString());
        return new Answer(answer.statusCode(), answer.body(), (System.nanoTime() - start) / 1e6);
    }

    @Override
    public void close() {
        process.destroy();
        process.onExit().join();
        http.close();
    }
}
