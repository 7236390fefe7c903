package fairkettle.server.web;

import static fairkettle.db.Tables.ANSWERED;
import static fairkettle.db.Tables.ATTEMPT;
import static fairkettle.db.Tables.CHANGE;
import static fairkettle.db.Tables.SESSION;

import java.time.Duration;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jooq.types.DayToSecond;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Throws away what was kept for a tap that is repeated and for a tablet that was out of reach, once neither can come
 * any more: a tablet sends nothing that is older than a day. Sessions that are over go too, and waits for wrong
 * answers.
 */
@Component
@EnableScheduling
class Sweeper {

    static final Duration KEPT = Duration.ofDays(2);

    private final DSLContext db;

    Sweeper(DSLContext db) {
        this.db = db;
    }

    /** By the database's own clock, which wrote the times. */
    @Scheduled(initialDelayString = "PT1M", fixedDelayString = "PT1H")
    void sweep() {
        var before = DSL.currentOffsetDateTime().minus(DayToSecond.valueOf(KEPT));
        db.deleteFrom(ANSWERED).where(ANSWERED.AT.lt(before)).execute();
        db.deleteFrom(CHANGE).where(CHANGE.AT.lt(before)).execute();
        db.deleteFrom(SESSION).where(SESSION.ENDS_AT.lt(before)).execute();
        db.deleteFrom(ATTEMPT).where(ATTEMPT.CLOSED_UNTIL.lt(before)).execute();
    }
}
