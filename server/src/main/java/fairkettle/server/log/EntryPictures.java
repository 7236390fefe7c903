package fairkettle.server.log;

import static fairkettle.db.Tables.ENTRY_PICTURE;

import fairkettle.server.journal.Journal;
import fairkettle.server.live.Live;
import fairkettle.server.pictures.Pictures;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Pictures beside entries of the log. */
@Repository
class EntryPictures {

    private static final int MOST = 12;

    private final DSLContext db;
    private final Journal journal;
    private final Pictures pictures;
    private final Live live;
    private final Clock clock;

    EntryPictures(DSLContext db, Journal journal, Pictures pictures, Live live, Clock clock) {
        this.db = db;
        this.journal = journal;
        this.pictures = pictures;
        this.live = live;
        this.clock = clock;
    }

    List<UUID> of(long entry) {
        return db.select(ENTRY_PICTURE.PICTURE_ID)
                .from(ENTRY_PICTURE)
                .where(ENTRY_PICTURE.ENTRY_ID.eq(entry))
                .orderBy(ENTRY_PICTURE.AT, ENTRY_PICTURE.PICTURE_ID)
                .fetch(ENTRY_PICTURE.PICTURE_ID);
    }

    @Transactional
    void add(long entry, Pictures.Sent sent) {
        journal.entry(entry); // refuses one that is not there
        if (of(entry).size() >= MOST) {
            throw Problem.refused("An entry takes %d pictures at most.".formatted(MOST), List.of());
        }
        db.insertInto(ENTRY_PICTURE)
                .set(ENTRY_PICTURE.ENTRY_ID, entry)
                .set(ENTRY_PICTURE.PICTURE_ID, pictures.keep(sent))
                .set(ENTRY_PICTURE.AT, clock.instant().atOffset(ZoneOffset.UTC))
                .onConflictDoNothing()
                .execute();
        live.changed("log");
    }
}
