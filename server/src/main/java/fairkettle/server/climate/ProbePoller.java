package fairkettle.server.climate;

import fairkettle.routine.Air;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** Asks the probe every ten minutes: JSON with {@code celsius} and {@code humidity}. */
@Component
class ProbePoller {

    private static final Logger LOG = LoggerFactory.getLogger(ProbePoller.class);
    private static final Duration EVERY = Duration.ofMinutes(10);
    private static final Duration ROUND = Duration.ofSeconds(15);
    private static final int LARGEST = 20_000; // bytes

    private final Room room;
    private final JsonMapper json;
    private final Clock clock;
    private volatile boolean running;

    ProbePoller(Room room, JsonMapper json, Clock clock) {
        this.room = room;
        this.json = json;
        this.clock = clock;
    }

    @EventListener(ApplicationReadyEvent.class)
    void start() {
        running = true;
        Thread.ofVirtual().name("probe").start(() -> {
            while (running) {
                try {
                    if (room.myTurn(clock.instant().minus(EVERY))) {
                        poll();
                    }
                    Thread.sleep(ROUND);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return;
                } catch (RuntimeException e) {
                    LOG.debug("The probe is left alone for a while: {}", e.getMessage());
                    running = pause();
                }
            }
        });
    }

    private boolean pause() {
        try {
            Thread.sleep(ROUND);
            return running;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    @EventListener(ContextClosedEvent.class)
    void stop() {
        running = false;
    }

    /** Once, now. */
    void poll() {
        var probe = room.probe();
        if (probe.isEmpty()) {
            return;
        }
        try (var http =
                HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(4)).build()) {
            var answer = http.send(
                    HttpRequest.newBuilder(URI.create(probe.get().uri()))
                            .timeout(Duration.ofSeconds(8))
                            .build(),
                    HttpResponse.BodyHandlers.ofInputStream());
            try (InputStream body = answer.body()) {
                var said = json.readTree(body.readNBytes(LARGEST));
                if (answer.statusCode() != 200
                        || !said.path("celsius").isNumber()
                        || !said.path("humidity").isNumber()) {
                    room.polled(Optional.empty(), "It answers, but not with celsius and humidity.");
                    return;
                }
                room.polled(
                        Optional.of(new Air(
                                clock.instant(),
                                said.get("celsius").asDouble(),
                                said.get("humidity").asDouble())),
                        null);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException e) {
            room.polled(Optional.empty(), "It does not answer.");
        } catch (JacksonException | IllegalArgumentException e) {
            room.polled(Optional.empty(), "What it answers makes no sense.");
        }
    }
}
