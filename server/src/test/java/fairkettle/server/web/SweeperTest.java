package fairkettle.server.web;

import static fairkettle.db.Tables.ANSWERED;
import static fairkettle.db.Tables.CHANGE;
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
    }

    private void answered(String key, OffsetDateTime at) {
        db.insertInto(ANSWERED)
                .set(ANSWERED.KEY, key)
                .set(ANSWERED.REQUEST, "POST /api/hob")
                .set(ANSWERED.AT, at)
                .execute();
    }

    private void changed(String topic, OffsetDateTime at) {
        db.insertInto(CHANGE).set(CHANGE.TOPIC, topic).set(CHANGE.AT, at).execute();
    }
}
