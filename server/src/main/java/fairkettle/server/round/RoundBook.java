package fairkettle.server.round;

import static fairkettle.db.Tables.ROUND_DAY;

import fairkettle.round.Agenda.Slot;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** The round of each day, kept whole: the plan in people’s heads, what has begun, what is done, who is there. */
@Repository
class RoundBook {

    private static final long LOCK = 0x726f756e64L;

    private final DSLContext db;
    private final JsonMapper json;

    RoundBook(DSLContext db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    /**
     * @param slots where each part stands, by its key; the person by its id
     * @param begun parts that somebody is at; {@code done} in the order in which they were
     * @param pins parts that somebody wants then
     * @param people hours of today by person, where they are not the shop’s
     * @param made fingerprint of what the slots were planned from
     * @param improved whether the long search has been made
     */
    record Kept(
            Map<String, Slot> slots,
            Map<String, Begun> begun,
            List<Done> done,
            Map<String, Pin> pins,
            Map<Long, Hours> people,
            @Nullable String made,
            @Nullable Boolean improved) {

        static Kept nothing() {
            return new Kept(Map.of(), Map.of(), List.of(), Map.of(), Map.of(), null, null);
        }

        Kept {
            slots = new HashMap<>(slots);
            begun = new HashMap<>(begun);
            done = List.copyOf(done);
            pins = new HashMap<>(pins);
            people = new HashMap<>(people);
        }

        Kept planned(Map<String, Slot> other, String fingerprint, boolean searched) {
            return new Kept(other, begun, done, pins, people, fingerprint, searched);
        }

        Kept there(Map<Long, Hours> other) {
            return new Kept(slots, begun, done, pins, other, made, improved);
        }

        Kept marked(Map<String, Begun> nowBegun, List<Done> nowDone) {
            return new Kept(slots, nowBegun, nowDone, pins, people, made, improved);
        }

        Kept pinned(Map<String, Pin> other) {
            return new Kept(slots, begun, done, other, people, made, improved);
        }
    }

    record Begun(Instant at, long person) {}

    /** @param planned minutes of hands; {@code took} what it really was */
    record Done(
            String key,
            String title,
            String machine,
            Instant at,
            @Nullable Long person,
            int planned,
            int took) {}

    /** @param at minute of the day; @param person id, or null for anybody */
    record Pin(int at, @Nullable Long person) {}

    /** Minutes of the day; the same twice for somebody who is away. */
    record Hours(int from, int to) {}

    /** One after the other: two tablets never plan at the same time. */
    void lock() {
        db.execute("select pg_advisory_xact_lock({0})", LOCK);
    }

    Kept of(LocalDate day) {
        return db.select(ROUND_DAY.BODY)
                .from(ROUND_DAY)
                .where(ROUND_DAY.DAY.eq(day))
                .fetchOptional(r -> json.readValue(r.value1().data(), Kept.class))
                .orElse(Kept.nothing());
    }

    void keep(LocalDate day, Kept kept) {
        var body = JSONB.valueOf(json.writeValueAsString(kept));
        db.insertInto(ROUND_DAY)
                .set(ROUND_DAY.DAY, day)
                .set(ROUND_DAY.BODY, body)
                .onConflict(ROUND_DAY.DAY)
                .doUpdate()
                .set(ROUND_DAY.BODY, body)
                .set(ROUND_DAY.VERSION, ROUND_DAY.VERSION.plus(1))
                .execute();
    }
}
