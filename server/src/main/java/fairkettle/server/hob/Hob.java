package fairkettle.server.hob;

import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.WAIT;

import fairkettle.procedure.Pause;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

@Repository
public class Hob {

    private final DSLContext db;
    private final Live live;
    private final Clock clock;

    Hob(DSLContext db, Live live, Clock clock) {
        this.db = db;
        this.live = live;
        this.clock = clock;
    }

    /** @param readyAt over at the earliest; @param lateAt spoiled after, or null */
    public record Wait(
            long id,
            @Nullable Long machine,
            @Nullable String machineName,
            @Nullable Long card,
            @Nullable String step,
            String label,
            Instant startedAt,
            Instant readyAt,
            @Nullable Instant lateAt) {}

    public List<Wait> waits() {
        return db.select(
                        WAIT.ID,
                        WAIT.MACHINE_ID,
                        MACHINE.NAME,
                        WAIT.CARD_ID,
                        WAIT.STEP_ID,
                        WAIT.LABEL,
                        WAIT.STARTED_AT,
                        WAIT.READY_AT,
                        WAIT.LATE_AT)
                .from(WAIT)
                .leftJoin(MACHINE)
                .on(MACHINE.ID.eq(WAIT.MACHINE_ID))
                .where(WAIT.TAKEN_OFF.isNull())
                .orderBy(WAIT.READY_AT)
                .fetch(r -> new Wait(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        r.value4(),
                        r.value5(),
                        r.value6(),
                        r.value7().toInstant(),
                        r.value8().toInstant(),
                        instant(r.value9())));
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime time) {
        return time == null ? null : time.toInstant();
    }

    /** The wait of a step begins, or of what was done outside cards. */
    public void put(long machine, @Nullable Long card, String step, Pause pause, Instant from) {
        var max = pause.max();
        put(
                machine,
                card,
                card == null ? null : step,
                pause.label(),
                from,
                pause.min(),
                max == null ? null : from.plus(max));
    }

    /** Somebody wants to be reminded. */
    @Transactional
    public void put(@Nullable Long machine, String label, Duration length) {
        put(machine, null, null, label.strip(), clock.instant(), length, null);
    }

    private void put(
            @Nullable Long machine,
            @Nullable Long card,
            @Nullable String step,
            String label,
            Instant from,
            Duration length,
            @Nullable Instant late) {
        db.insertInto(WAIT)
                .set(WAIT.MACHINE_ID, machine)
                .set(WAIT.CARD_ID, card)
                .set(WAIT.STEP_ID, step)
                .set(WAIT.LABEL, label)
                .set(WAIT.STARTED_AT, utc(from))
                .set(WAIT.READY_AT, utc(from.plus(length)))
                .set(WAIT.LATE_AT, late == null ? null : utc(late))
                .execute();
        live.changed("hob");
    }

    private static OffsetDateTime utc(Instant instant) {
        return instant.atOffset(ZoneOffset.UTC);
    }

    /** A step is done or struck out: its wait has nothing more to say. */
    public void takeOff(long card, String step) {
        db.update(WAIT)
                .set(WAIT.TAKEN_OFF, utc(clock.instant()))
                .where(WAIT.CARD_ID.eq(card), WAIT.STEP_ID.eq(step), WAIT.TAKEN_OFF.isNull())
                .execute();
        live.changed("hob");
    }

    public void takeOffAll(long card) {
        db.update(WAIT)
                .set(WAIT.TAKEN_OFF, utc(clock.instant()))
                .where(WAIT.CARD_ID.eq(card), WAIT.TAKEN_OFF.isNull())
                .execute();
        live.changed("hob");
    }

    @Transactional
    public void takeOff(long id) {
        int taken = db.update(WAIT)
                .set(WAIT.TAKEN_OFF, utc(clock.instant()))
                .where(WAIT.ID.eq(id), WAIT.CARD_ID.isNull())
                .execute();
        if (taken == 0) {
            throw Problem.notFound("This wait belongs to a card; it is over when its step is done.");
        }
        live.changed("hob");
    }
}
