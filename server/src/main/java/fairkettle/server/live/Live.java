package fairkettle.server.live;

import static fairkettle.db.Tables.CHANGE;

import java.io.IOException;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.postgresql.PGConnection;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Server-sent events with the id of the last change, so that a screen that lost its connection goes on where it was.
 * The changes lie in the database and PostgreSQL's notifications wake every server, so that two behind a balancer serve
 * alike.
 */
@Component
public class Live {

    private static final Logger LOG = LoggerFactory.getLogger(Live.class);
    private static final long ORDER_LOCK = 0x6b6574746c65L;
    private static final int MOST_AT_ONCE = 500;

    private final DSLContext db;
    private final DataSource dataSource;
    private final Set<Screen> screens = ConcurrentHashMap.newKeySet();
    private volatile boolean running = true;

    Live(DSLContext db, DataSource dataSource) {
        this.db = db;
        this.dataSource = dataSource;
    }

    private static final class Screen {
        final SseEmitter emitter = new SseEmitter(0L);
        long last;
    }

    /** Says within the current transaction that something changed; screens hear of it after the commit. */
    public void changed(String topic) {
        // why: ids are drawn before commits happen. Whoever reads "all after 7" must not miss a 6 that commits later.
        db.select(DSL.field("pg_advisory_xact_lock({0})", Object.class, DSL.val(ORDER_LOCK)))
                .execute();
        db.insertInto(CHANGE).set(CHANGE.TOPIC, topic).execute();
        db.select(DSL.field("pg_notify('kettle', '')", Object.class)).execute();
    }

    /** @param after the last change the screen knows; null for one just opened */
    SseEmitter open(@org.jspecify.annotations.Nullable Long after) {
        var screen = new Screen();
        screen.last = after != null ? after : newest();
        screen.emitter.onCompletion(() -> screens.remove(screen));
        screen.emitter.onTimeout(() -> screens.remove(screen));
        screen.emitter.onError(_ -> screens.remove(screen));
        screens.add(screen);
        send(screen, SseEmitter.event().id("" + screen.last).name("open").data("{}"));
        tell(screen);
        return screen.emitter;
    }

    private long newest() {
        return db.select(DSL.coalesce(DSL.max(CHANGE.ID), 0L))
                .from(CHANGE)
                .fetchSingle()
                .value1();
    }

    private void tell(Screen screen) {
        synchronized (screen) {
            var changes = db.select(CHANGE.ID, CHANGE.TOPIC)
                    .from(CHANGE)
                    .where(CHANGE.ID.gt(screen.last))
                    .orderBy(CHANGE.ID)
                    .limit(MOST_AT_ONCE)
                    .fetch();
            for (var change : changes) {
                screen.last = change.value1();
                send(
                        screen,
                        SseEmitter.event()
                                .id("" + change.value1())
                                .name("change")
                                .data("{\"topic\":\"" + change.value2() + "\"}"));
            }
        }
    }

    private void send(Screen screen, SseEmitter.SseEventBuilder event) {
        try {
            screen.emitter.send(event);
        } catch (IOException | IllegalStateException e) {
            screens.remove(screen); // the tablet is gone; it will open again and say where it was
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void listen() {
        Thread.ofVirtual().name("live").start(() -> {
            while (running) {
                try (var connection = dataSource.getConnection()) {
                    hear(connection);
                } catch (SQLException e) {
                    if (running) {
                        LOG.warn("Lost the database; listening again: {}", e.getMessage());
                        pause();
                    }
                }
            }
        });
    }

    private void hear(Connection connection) throws SQLException {
        try (var statement = connection.createStatement()) {
            statement.execute("listen kettle");
        }
        var notifications = connection.unwrap(PGConnection.class);
        while (running) {
            var heard = notifications.getNotifications(15_000);
            for (var screen : List.copyOf(screens)) {
                if (heard == null || heard.length == 0) {
                    send(screen, SseEmitter.event().comment("still here"));
                }
                tell(screen);
            }
        }
    }

    private static void pause() {
        try {
            Thread.sleep(1000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** At once when the server is told to stop: it lets requests finish, and these never would. */
    @EventListener(ContextClosedEvent.class)
    void stop() {
        running = false;
        screens.forEach(screen -> screen.emitter.complete());
    }
}
