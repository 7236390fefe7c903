package fairkettle.server.live;

import static fairkettle.db.Tables.CHANGE;

import java.io.IOException;
import java.math.BigInteger;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
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
    private static final Field<Long> SETTLED =
            DSL.field("pg_snapshot_xmin(pg_current_snapshot())::text::bigint", Long.class);
    /** Topics of what follows from the shop and changes nothing in it begin so. */
    public static final String WORKED_OUT = "worked-out/";

    private static final int QUIET_MS = 15_000;
    private static final int SOON_MS = 20;
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
        Place last;

        Screen(Place last) {
            this.last = last;
        }
    }

    /** Says within the current transaction that something changed; screens hear of it after the commit. */
    public void changed(String topic) {
        db.execute(
                "with said as ({0}) select pg_notify('kettle', '')",
                DSL.insertInto(CHANGE).set(CHANGE.TOPIC, topic));
    }

    /** A place in the order of changes: by transaction, and within one by id. */
    record Place(long xid, long id) {

        /** As an event carries it: "731-12". Empty for what no server of ours sent. */
        static Optional<Place> parse(@Nullable String text) {
            if (text == null || !text.matches("\\d{1,18}-\\d{1,19}")) {
                return Optional.empty();
            }
            var parts = text.split("-");
            return Optional.of(new Place(Long.parseLong(parts[0]), new BigInteger(parts[1]).longValue()));
        }

        @Override
        public String toString() {
            return xid + "-" + id;
        }
    }

    /** What had happened at a moment: PostgreSQL's own note of which transactions had ended. */
    record Point(String snapshot) {}

    Point point() {
        return new Point(db.select(DSL.field("pg_current_snapshot()::text", String.class))
                .fetchSingle()
                .value1());
    }

    /** Whether nothing was said since that moment, but what only tells that something was worked out. */
    boolean unchanged(Point since) {
        var snapshot = DSL.field("{0}::pg_snapshot", Object.class, DSL.val(since.snapshot()));
        return !db.fetchExists(
                CHANGE,
                CHANGE.XID
                        .ge(DSL.field("pg_snapshot_xmin({0})::text::bigint", Long.class, snapshot))
                        .and(DSL.condition("not pg_visible_in_snapshot({0}::text::xid8, {1})", CHANGE.XID, snapshot))
                        .and(CHANGE.TOPIC.startsWith(WORKED_OUT).not()));
    }

    /** @param after the last change the screen knows; null for one just opened */
    SseEmitter open(@Nullable String after) {
        var screen = new Screen(Place.parse(after)
                .filter(place -> place.xid() < settled())
                .orElseGet(() -> new Place(settled() - 1, Long.MAX_VALUE)));
        screen.emitter.onCompletion(() -> screens.remove(screen));
        screen.emitter.onTimeout(() -> screens.remove(screen));
        screen.emitter.onError(_ -> screens.remove(screen));
        screens.add(screen);
        send(screen, SseEmitter.event().id("" + screen.last).name("open").data("{}"));
        tell(screen);
        return screen.emitter;
    }

    /** The first transaction that may still be running: older ones have committed whatever they ever will. */
    private long settled() {
        return db.select(SETTLED).fetchSingle().value1();
    }

    /** Something was written that is not settled yet. */
    private boolean more() {
        return db.fetchExists(CHANGE, CHANGE.XID.ge(SETTLED));
    }

    private void tell(Screen screen) {
        synchronized (screen) {
            var changes = db.select(CHANGE.XID, CHANGE.ID, CHANGE.TOPIC)
                    .from(CHANGE)
                    .where(DSL.row(CHANGE.XID, CHANGE.ID).gt(screen.last.xid(), screen.last.id()))
                    .and(CHANGE.XID.lt(SETTLED))
                    .orderBy(CHANGE.XID, CHANGE.ID)
                    .limit(MOST_AT_ONCE)
                    .fetch();
            for (var change : changes) {
                screen.last = new Place(change.value1(), change.value2());
                send(
                        screen,
                        SseEmitter.event()
                                .id("" + screen.last)
                                .name("change")
                                .data("{\"topic\":\"" + change.value3() + "\"}"));
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
        // why: after a restore PostgreSQL counts its transactions anew, and what was written under higher numbers would
        // never settle
        db.deleteFrom(CHANGE)
                .where(CHANGE.XID.ge(DSL.field("pg_snapshot_xmax(pg_current_snapshot())::text::bigint", Long.class)))
                .execute();
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
            boolean more = more(); // why: an older transaction is still open, and its end may bring no notification
            var heard = notifications.getNotifications(more ? SOON_MS : QUIET_MS);
            boolean quiet = !more && (heard == null || heard.length == 0);
            for (var screen : List.copyOf(screens)) {
                if (quiet) {
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
