package fairkettle.server.climate;

import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.PROBE;
import static fairkettle.db.Tables.ROOM_READING;

import fairkettle.books.EntryKind;
import fairkettle.routine.Air;
import fairkettle.routine.DryingCurve;
import fairkettle.server.live.Live;
import fairkettle.server.people.Who;
import fairkettle.server.web.Problem;
import java.net.URI;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Readings of the room, and where its probe is. */
@Repository
public class Room {

    private static final int AT_ONCE = 1000;

    private final DSLContext db;
    private final Live live;
    private final Who who;
    private final Clock clock;

    Room(DSLContext db, Live live, Who who, Clock clock) {
        this.db = db;
        this.live = live;
        this.who = who;
        this.clock = clock;
    }

    /** @param trouble why it was not read the last time; null if it was */
    record Probe(String uri, @Nullable String trouble) {}

    /** Ascending. */
    public List<Air> since(Instant from) {
        return db.select(ROOM_READING.AT, ROOM_READING.CELSIUS, ROOM_READING.HUMIDITY)
                .from(ROOM_READING)
                .where(ROOM_READING.AT.ge(from.atOffset(ZoneOffset.UTC)))
                .orderBy(ROOM_READING.AT)
                .fetch(r -> new Air(r.value1().toInstant(), r.value2(), r.value3()));
    }

    /** How many times as fast as in usual air things dry now; as usual where nobody has read the air of late. */
    public double drying() {
        var now = clock.instant();
        return new DryingCurve(since(now.minus(DryingCurve.REACH))).at(now);
    }

    @Transactional
    public void enter(Air air) {
        if (air.at().isAfter(clock.instant().plusSeconds(60))) {
            throw Problem.atField("at", "That time is still to come.");
        }
        keep(air, "hand");
        live.changed("climate");
    }

    void keep(Air air, String source) {
        db.insertInto(ROOM_READING)
                .set(ROOM_READING.AT, air.at().atOffset(ZoneOffset.UTC))
                .set(ROOM_READING.CELSIUS, air.celsius())
                .set(ROOM_READING.HUMIDITY, air.humidity())
                .set(ROOM_READING.SOURCE, source)
                .set(ROOM_READING.PERSON_ID, who.id())
                .onConflictDoNothing()
                .execute();
    }

    /** When the room was read. */
    public Set<Instant> times() {
        return new HashSet<>(db.select(ROOM_READING.AT)
                .from(ROOM_READING)
                .fetch(r -> r.value1().toInstant()));
    }

    /** From a file; what is known stays as it is. */
    @Transactional
    public void bringIn(List<Air> readings) {
        var person = who.id();
        for (int from = 0; from < readings.size(); from += AT_ONCE) {
            db.insertInto(ROOM_READING)
                    .columns(
                            ROOM_READING.AT,
                            ROOM_READING.CELSIUS,
                            ROOM_READING.HUMIDITY,
                            ROOM_READING.SOURCE,
                            ROOM_READING.PERSON_ID)
                    .valuesOfRows(readings.subList(from, Math.min(readings.size(), from + AT_ONCE)).stream()
                            .map(air -> DSL.row(
                                    air.at().atOffset(ZoneOffset.UTC), air.celsius(), air.humidity(), "file", person))
                            .toList())
                    .onConflictDoNothing()
                    .execute();
        }
        live.changed("climate");
    }

    Optional<Probe> probe() {
        return db.selectFrom(PROBE).fetchOptional(r -> new Probe(r.getUri(), r.getTrouble()));
    }

    /** @param uri empty to forget it */
    @Transactional
    public void probe(String uri) {
        db.deleteFrom(PROBE).execute();
        if (!uri.isBlank()) {
            db.insertInto(PROBE).set(PROBE.URI, valid(uri.strip())).execute();
        }
        live.changed("climate");
    }

    private static String valid(String typed) {
        try {
            var uri = URI.create(typed);
            if (List.of("http", "https").contains(String.valueOf(uri.getScheme())) && uri.getHost() != null) {
                return typed;
            }
        } catch (IllegalArgumentException e) {
            // said below
        }
        throw Problem.atField("uri", "Write the probe’s address as http://address/path.");
    }

    @Transactional
    void polled(Optional<Air> air, @Nullable String trouble) {
        air.ifPresent(a -> keep(a, "probe"));
        int changed = db.update(PROBE)
                .set(PROBE.TROUBLE, trouble)
                .where(PROBE.TROUBLE.isDistinctFrom(trouble))
                .execute();
        if (air.isPresent() || changed > 0) {
            live.changed("climate");
        }
    }

    /** Whether this server may ask the probe now: one of several does. */
    boolean myTurn(Instant notAfter) {
        return db.fetchExists(PROBE)
                && !db.fetchExists(
                        ROOM_READING,
                        ROOM_READING.SOURCE.eq("probe").and(ROOM_READING.AT.gt(notAfter.atOffset(ZoneOffset.UTC))));
    }

    /** When each machine last printed, was checked or cleaned. */
    Map<Long, Instant> lastEvents() {
        var last = new HashMap<Long, Instant>();
        db.select(ENTRY.MACHINE_ID, DSL.max(ENTRY.AT))
                .from(ENTRY)
                .where(ENTRY.KIND.in(EntryKind.CHECK, EntryKind.SHEET, EntryKind.CLEANING, EntryKind.STEP))
                .and(ENTRY.MACHINE_ID.isNotNull())
                .groupBy(ENTRY.MACHINE_ID)
                .forEach(r -> last.put(r.value1(), r.value2().toInstant()));
        return last;
    }
}
