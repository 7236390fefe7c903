package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Two servers on one database are one shop, and either may die. */
class TwoServersIT {

    private static final int BOTTLES = 60;

    private static RunningKettle left;
    private static RunningKettle right;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        left = new RunningKettle(false);
        right = left.another();
    }

    @AfterAll
    static void stop() {
        right.close();
        left.close();
    }

    /** A tablet behind a balancer: whichever server it comes to, with the same cookies. */
    private static final class Tablet implements AutoCloseable {

        private final CookieManager cookies = new CookieManager();
        private final HttpClient http = HttpClient.newBuilder()
                .cookieHandler(cookies)
                .connectTimeout(Duration.ofSeconds(5))
                .build();

        String get(RunningKettle from, String path) throws IOException, InterruptedException {
            return http.send(HttpRequest.newBuilder(URI.create(from.url(path))).build(), BodyHandlers.ofString())
                    .body();
        }

        int post(RunningKettle to, String path, String body, String key) throws IOException, InterruptedException {
            var token = cookies.getCookieStore().getCookies().stream()
                    .filter(c -> c.getName().equals("XSRF-TOKEN"))
                    .findFirst()
                    .orElseThrow()
                    .getValue();
            return http.send(
                            HttpRequest.newBuilder(URI.create(to.url(path)))
                                    .timeout(Duration.ofSeconds(30))
                                    .header("Content-Type", "application/json")
                                    .header("X-XSRF-TOKEN", token)
                                    .header("Idempotency-Key", key)
                                    .POST(BodyPublishers.ofString(body))
                                    .build(),
                            BodyHandlers.ofString())
                    .statusCode();
        }

        @Override
        public void close() {
            http.shutdownNow(); // what is listened to never ends by itself
        }
    }

    private static String bottle(String code) {
        return "{\"family\": \"SUBLIMATION\", \"channel\": \"C\", \"make\": \"own\", \"code\": \"%s\", \"volume\": 10, \"price\": 0, \"foodGrade\": false}"
                .formatted(code);
    }

    @Test
    void whatIsDoneAtOneIsHeardAtTheOther() throws Exception {
        try (var tablet = new Tablet()) {
            tablet.get(left, "/api/shop");
            var stream = tablet.http.send(
                    HttpRequest.newBuilder(URI.create(right.url("/api/live"))).build(), BodyHandlers.ofInputStream());
            var heard = CompletableFuture.supplyAsync(() -> {
                try (var lines = new BufferedReader(new InputStreamReader(stream.body(), StandardCharsets.UTF_8))) {
                    return lines.lines()
                            .filter(l -> l.contains("shelf"))
                            .findFirst()
                            .orElse("nothing");
                } catch (IOException e) {
                    return e.toString();
                }
            });
            assertThat(tablet.post(
                            left,
                            "/api/shelf/lots",
                            bottle("heard"),
                            UUID.randomUUID().toString()))
                    .isEqualTo(201);
            assertThat(heard.get(60, TimeUnit.SECONDS)).contains("shelf");
            assertThat(tablet.get(right, "/api/shelf/lots")).contains("\"heard\"");
        }
    }

    @Test
    void aTapThatComesToBothIsOne() throws Exception {
        try (var tablet = new Tablet()) {
            tablet.get(right, "/api/shop");
            for (int time = 0; time < 10; time++) {
                var key = UUID.randomUUID().toString();
                var both = List.of(left, right).stream()
                        .map(to -> CompletableFuture.supplyAsync(() -> {
                            try {
                                return tablet.post(to, "/api/shelf/lots", bottle("both"), key);
                            } catch (IOException | InterruptedException e) {
                                return 0;
                            }
                        }))
                        .toList();
                assertThat(both).allMatch(f -> f.join() == 201 || f.join() == 409 || f.join() == 503);
            }
            assertThat(left.query("select count(*) from lot where code = 'both'"))
                    .isEqualTo(10);
        }
    }

    @Test
    void eitherMayBeKilledAndNothingIsLostOrDoubled() throws Exception {
        try (var tablet = new Tablet()) {
            tablet.get(left, "/api/shop");
            CompletableFuture<Void> restarts = CompletableFuture.completedFuture(null);
            for (int bottle = 0; bottle < BOTTLES; bottle++) {
                var dies = bottle == 15 ? left : bottle == 45 ? right : null;
                if (dies != null) {
                    restarts.join(); // the other is there again
                    dies.kill();
                    restarts = CompletableFuture.runAsync(() -> again(dies));
                }
                put(tablet, bottle);
            }
            restarts.join();
        }
        assertThat(left.query("select count(*) from lot where code like 'killed-%'"))
                .isEqualTo(BOTTLES);
        assertThat(left.query("select sum(microlitres) from content c join lot l on c.place = 'bottle/' || l.id"
                        + " where l.code like 'killed-%'"))
                .as("and so is its ink")
                .isEqualTo(BOTTLES * 10_000L);
    }

    /** As a screen does: to the next server, with the same key, until one has heard it. */
    private static void put(Tablet tablet, int bottle) throws InterruptedException {
        var key = UUID.randomUUID().toString();
        for (int time = 0; time < 400; time++) {
            try {
                if (tablet.post(
                                (bottle + time) % 2 == 0 ? left : right,
                                "/api/shelf/lots",
                                bottle("killed-" + bottle),
                                key)
                        == 201) {
                    return;
                }
            } catch (IOException e) {
                // that one is dead: the balancer goes to the other
            }
        }
        throw new AssertionError("Nobody heard bottle " + bottle);
    }

    private static void again(RunningKettle kettle) {
        try {
            kettle.start();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
