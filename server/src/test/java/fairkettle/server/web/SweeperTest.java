package fairkettle.server.web;

import static fairkettle.db.Tables.ANSWERED;
import static fairkettle.db.Tables.CHANGE;
import static fairkettle.db.Tables.PERSON;
import static fairkettle.db.Tables.SESSION;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.ServerTest;
import java.time.OffsetDateTime;
import org.jooq.DSLContext;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

@ServerTest
class SweeperTest {

    @Autowired
    private Sweeper sweeper;

    @Autowired
    private DSLContext db;

    @Test
    void whatNobodyCanAskForAnyMoreIsThrownAway() {
        var now = OffsetDateTime.now(); // as the database's own clock: rows carry its time
        answered("swept-old-tap", now.minusDays(3));
        answered("swept-last-night", now.minusHours(20));
        changed("swept/old", now.minusDays(3));
        changed("swept/new", now.minusHours(20));
        session("swept-over", now.minusDays(3));
        session("swept-today", now.plusHours(5));
        sweeper.sweep();
        assertThat(db.select(ANSWERED.KEY)
                        .from(ANSWERED)
                        .where(ANSWERED.KEY.startsWith("swept"))
                        .fetch(ANSWERED.KEY))
                .containsExactly("swept-last-night");
        assertThat(db.select(CHANGE.TOPIC)
                        .from(CHANGE)
                        .where(CHANGE.TOPIC.startsWith("swept"))
                        .fetch(CHANGE.TOPIC))
                .containsExactly("swept/new");
        assertThat(db.select(SESSION.TOKEN_SUM)
                        .from(SESSION)
                        .where(SESSION.TOKEN_SUM.startsWith("swept"))
                        .fetch(SESSION.TOKEN_SUM))
                .containsExactly("swept-today");
    }

    private void answered(String key, OffsetDateTime at) {
        db.insertInto(ANSWERED)
                .set(ANSWERED.KEY, key)
                .set(ANSWERED.REQUEST, "POST /api/hob")
                .set(ANSWERED.AT, at)
                .execute();
    }

    private void session(String sum, OffsetDateTime ends) {
        db.insertInto(SESSION)
                .set(SESSION.TOKEN_SUM, sum)
                .set(SESSION.PERSON_ID, person())
                .set(SESSION.BEGUN_AT, ends.minusDays(1))
                .set(SESSION.SEEN_AT, ends.minusDays(1))
                .set(SESSION.ENDS_AT, ends)
                .execute();
    }

    private long person() {
        return db.insertInto(PERSON)
                .set(PERSON.NAME, "Swept " + System.nanoTime())
                .returningResult(PERSON.ID)
                .fetchSingle()
                .value1();
    }

    private void changed(String topic, OffsetDateTime at) {
        db.insertInto(CHANGE).set(CHANGE.TOPIC, topic).set(CHANGE.AT, at).execute();
    }
}
