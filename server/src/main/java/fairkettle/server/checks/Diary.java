package fairkettle.server.checks;

import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.SHEET;

import fairkettle.books.EntryKind;
import fairkettle.server.journal.Journal;
import fairkettle.sheet.SheetKind;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** What was done to a machine between its checks: cause beside effect. */
@Repository
class Diary {

    private static final List<EntryKind> KINDS =
            List.of(EntryKind.CLEANING, EntryKind.SHEET, EntryKind.REFILL, EntryKind.PAD, EntryKind.CARD);
    private static final int MOST = 400;

    private final DSLContext db;

    Diary(DSLContext db) {
        this.db = db;
    }

    record Done(Instant at, String words) {}

    /** Oldest first; what was struck out is left out. */
    List<Done> since(long machine, Instant from) {
        return between(machine, from, Instant.MAX);
    }

    /** The same, up to a time. */
    List<Done> between(long machine, Instant from, Instant to) {
        return db.select(ENTRY.AT, ENTRY.WORDS)
                .from(ENTRY)
                .where(ENTRY.MACHINE_ID.eq(machine))
                .and(ENTRY.KIND.in(KINDS))
                .and(ENTRY.AT.ge(from.atOffset(ZoneOffset.UTC)))
                .and(to.equals(Instant.MAX) ? DSL.noCondition() : ENTRY.AT.lt(to.atOffset(ZoneOffset.UTC)))
                .and(Journal.stands())
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .limit(MOST)
                .fetch(r -> new Done(r.value1().toInstant(), r.value2().replaceFirst("^[^:]+: ", "")))
                .reversed();
    }

    int purgePagesSince(long machine, Instant from) {
        var pages = db.select(DSL.sum(SHEET.PAGES))
                .from(SHEET)
                .join(ENTRY)
                .on(ENTRY.ID.eq(SHEET.ENTRY_ID))
                .where(SHEET.MACHINE_ID.eq(machine))
                .and(SHEET.KIND.eq(SheetKind.PURGE.name()))
                .and(ENTRY.AT.gt(from.atOffset(ZoneOffset.UTC)))
                .fetchOne(0, Integer.class);
        return pages == null ? 0 : pages;
    }
}
