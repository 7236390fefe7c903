package fairkettle.server.spares;

import static fairkettle.db.Tables.DONOR;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.SPARE;

import fairkettle.books.EntryKind;
import fairkettle.server.benches.Machines;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The parts bin. */
@Repository
public class Spares {

    private final DSLContext db;
    private final Machines machines;
    private final Journal journal;
    private final Live live;
    private final Clock clock;

    Spares(DSLContext db, Machines machines, Journal journal, Live live, Clock clock) {
        this.db = db;
        this.machines = machines;
        this.journal = journal;
        this.live = live;
        this.clock = clock;
    }

    /**
     * @param fits which machines, in words; @param origin where it was saved from; @param noOther true if it cannot be
     *     bought
     */
    record Spare(long id, String what, String fits, int count, String origin, boolean noOther, Instant at) {}

    /** A machine that gives parts. @param words what it still has, or has not */
    record Donor(long machine, String name, String profile, String words, Instant since) {}

    List<Spare> all() {
        return db.selectFrom(SPARE)
                .where(SPARE.COUNT.gt(0))
                .orderBy(SPARE.WHAT, SPARE.ID)
                .fetch(r -> new Spare(
                        r.getId(),
                        r.getWhat(),
                        r.getFits(),
                        r.getCount(),
                        r.getOrigin(),
                        r.getNoOther(),
                        r.getAt().toInstant()));
    }

    List<Donor> donors() {
        return db.select(DONOR.MACHINE_ID, MACHINE.NAME, DONOR.WORDS, DONOR.SINCE)
                .from(DONOR)
                .join(MACHINE)
                .on(MACHINE.ID.eq(DONOR.MACHINE_ID))
                .orderBy(MACHINE.NAME)
                .fetch(r -> new Donor(
                        r.value1(),
                        r.value2(),
                        machines.get(r.value1()).profile().name(),
                        r.value3(),
                        r.value4().toInstant()));
    }

    @Transactional
    public void add(String what, String fits, int count, String origin, boolean noOther) {
        db.insertInto(SPARE)
                .set(SPARE.WHAT, what)
                .set(SPARE.FITS, fits)
                .set(SPARE.COUNT, count)
                .set(SPARE.ORIGIN, origin)
                .set(SPARE.NO_OTHER, noOther)
                .set(SPARE.AT, clock.instant().atOffset(ZoneOffset.UTC))
                .execute();
        journal.write(
                NewEntry.of(
                        EntryKind.SUPPLY,
                        "into the parts bin: %d × %s%s"
                                .formatted(count, what, origin.isEmpty() ? "" : ", from " + origin)),
                List.of());
        live.changed("shelf");
    }

    /** One of it is fitted somewhere. */
    @Transactional
    void taken(long id, String whereTo) {
        var spare = db.selectFrom(SPARE)
                .where(SPARE.ID.eq(id))
                .forUpdate()
                .fetchOptional()
                .orElseThrow(() -> Problem.notFound("There is no such part in the bin (%d).".formatted(id)));
        if (spare.getCount() == 0) {
            throw Problem.refused("The last one is gone: somebody took it meanwhile.", List.of());
        }
        db.update(SPARE)
                .set(SPARE.COUNT, SPARE.COUNT.minus(1))
                .where(SPARE.ID.eq(id))
                .execute();
        journal.write(
                NewEntry.of(
                        EntryKind.SUPPLY,
                        "out of the parts bin: %s%s"
                                .formatted(spare.getWhat(), whereTo.isEmpty() ? "" : ", for " + whereTo)),
                List.of());
        live.changed("shelf");
    }

    @Transactional
    void donor(long machine, String words) {
        var found = machines.get(machine);
        db.insertInto(DONOR)
                .set(DONOR.MACHINE_ID, machine)
                .set(DONOR.WORDS, words)
                .set(DONOR.SINCE, clock.instant().atOffset(ZoneOffset.UTC))
                .onConflict(DONOR.MACHINE_ID)
                .doUpdate()
                .set(DONOR.WORDS, words)
                .execute();
        journal.write(
                NewEntry.of(EntryKind.MACHINE, "%s gives parts: %s".formatted(found.name(), words))
                        .machine(machine),
                List.of());
        live.changed("shelf");
    }

    @Transactional
    void keeps(long machine) {
        db.deleteFrom(DONOR).where(DONOR.MACHINE_ID.eq(machine)).execute();
        live.changed("shelf");
    }
}
