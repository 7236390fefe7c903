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
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The running product, started as the one command starts it, and spoken to as the front end does. */
final class Running implements AutoCloseable {

    private static final JsonMapper JSON = new JsonMapper();

    private final Process process;
    private final int port;
    private final HttpClient http = HttpClient.newHttpClient();
    private final String cookie;
    private final String token;

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
        var builder = new ProcessBuilder(command)
                .directory(app.toFile())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD);
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
        return send(HttpRequest.newBuilder(uri(path))
                .header("Content-Type", "application/json")
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .header("Cookie", cookie)
                .header("X-XSRF-TOKEN", token)
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build());
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
