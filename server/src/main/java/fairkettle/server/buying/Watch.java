package fairkettle.server.buying;

import static fairkettle.db.Tables.WATCHED;

import fairkettle.books.Watched;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What is scarce, and looked for. */
@Repository
public class Watch {

    private final DSLContext db;
    private final Live live;
    private final Clock clock;

    Watch(DSLContext db, Live live, Clock clock) {
        this.db = db;
        this.live = live;
        this.clock = clock;
    }

    public List<Watched> all() {
        return db.selectFrom(WATCHED)
                .where(WATCHED.GONE.isFalse())
                .orderBy(WATCHED.ENGINE, WATCHED.WHAT, WATCHED.ID)
                .fetch(r -> new Watched(
                        r.getId(),
                        r.getWhat(),
                        r.getEngine(),
                        r.getSeller(),
                        Watched.State.valueOf(r.getState()),
                        r.getPriceMinor(),
                        r.getCeilingMinor(),
                        r.getRemote(),
                        r.getSpares(),
                        r.getEveryDays(),
                        r.getLookedAt() == null ? null : r.getLookedAt().toInstant()));
    }

    /** @param watched with any id: it gets its own */
    @Transactional
    public void add(Watched watched) {
        db.insertInto(WATCHED)
                .set(WATCHED.WHAT, watched.what())
                .set(WATCHED.ENGINE, watched.engine())
                .set(WATCHED.SELLER, watched.seller())
                .set(WATCHED.CEILING_MINOR, watched.ceiling())
                .set(WATCHED.REMOTE, watched.remote())
                .set(WATCHED.SPARES, watched.spares())
                .set(WATCHED.EVERY_DAYS, watched.every())
                .execute();
        live.changed("shelf");
    }

    /** Somebody looked. @param price null where none is asked */
    @Transactional
    public void seen(long id, Watched.State state, @Nullable Long price) {
        int found = db.update(WATCHED)
                .set(WATCHED.STATE, state.name())
                .set(WATCHED.PRICE_MINOR, price)
                .set(WATCHED.LOOKED_AT, clock.instant().atOffset(ZoneOffset.UTC))
                .where(WATCHED.ID.eq(id), WATCHED.GONE.isFalse())
                .execute();
        if (found == 0) {
            throw Problem.notFound("Nothing of this number (%d) is watched.".formatted(id));
        }
        live.changed("shelf");
    }

    @Transactional
    public void noMore(long id) {
        db.update(WATCHED).set(WATCHED.GONE, true).where(WATCHED.ID.eq(id)).execute();
        live.changed("shelf");
    }
}
