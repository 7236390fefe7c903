package fairkettle.server.promises;

import static fairkettle.db.Tables.PROMISE;

import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What each machine has been promised for. */
@Repository
public class Promises {

    private final DSLContext db;
    private final Live live;
    private final Clock clock;

    Promises(DSLContext db, Live live, Clock clock) {
        this.db = db;
        this.live = live;
        this.clock = clock;
    }

    /** @param minutes that the machine prints for it, from its due time on; @param job 0 for words alone */
    public record Promise(long id, long machine, String words, Instant due, int minutes, long job) {}

    /** Open ones, the earliest first. */
    public List<Promise> of(long machine) {
        return find(PROMISE.MACHINE_ID.eq(machine));
    }

    /** Open ones of all machines that begin before then. */
    public List<Promise> until(Instant end) {
        return find(PROMISE.DUE.lt(end.atOffset(ZoneOffset.UTC)));
    }

    private List<Promise> find(Condition which) {
        return db.selectFrom(PROMISE)
                .where(which, PROMISE.DONE_AT.isNull())
                .orderBy(PROMISE.DUE, PROMISE.ID)
                .fetch(r -> new Promise(
                        r.getId(),
                        r.getMachineId(),
                        r.getWords(),
                        r.getDue().toInstant(),
                        r.getMinutes(),
                        r.getJobId() == null ? 0 : r.getJobId()));
    }

    /** Those that fall due before a machine can print again. */
    public List<Promise> before(long machine, Instant ready) {
        return of(machine).stream().filter(p -> p.due().isBefore(ready)).toList();
    }

    public void add(long machine, String words, Instant due, int minutes) {
        db.insertInto(PROMISE)
                .set(PROMISE.MACHINE_ID, machine)
                .set(PROMISE.WORDS, words)
                .set(PROMISE.DUE, due.atOffset(ZoneOffset.UTC))
                .set(PROMISE.MINUTES, minutes)
                .execute();
        live.changed("machine/" + machine);
    }

    @Transactional
    public void kept(long machine, long id) {
        if (db.update(PROMISE)
                        .set(PROMISE.DONE_AT, clock.instant().atOffset(ZoneOffset.UTC))
                        .where(PROMISE.ID.eq(id), PROMISE.MACHINE_ID.eq(machine))
                        .execute()
                == 0) {
            throw Problem.notFound("Nothing of this number (%d) was promised for this machine.".formatted(id));
        }
        live.changed("machine/" + machine);
    }
}
