package fairkettle.server.feed;

import static fairkettle.db.Tables.FEED;
import static fairkettle.db.Tables.FEED_ITEM;

import fairkettle.db.tables.records.FeedItemRecord;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** The feed’s secret, and what was published: without it neither a change nor a cancellation could be told. */
@Repository
class FeedBook {

    private static final int SECRET_BYTES = 24;
    private static final long LOCK = 0x66656564L;
    /** How long a cancellation is repeated to programs that look rarely. */
    private static final Duration TOLD = Duration.ofDays(14);

    private final DSLContext db;
    private final JsonMapper json;
    private final Clock clock;

    FeedBook(DSLContext db, JsonMapper json, Clock clock) {
        this.db = db;
        this.json = json;
        this.clock = clock;
    }

    /** @param gone cancelled */
    record Published(FeedItem item, int sequence, Instant changed, boolean gone) {}

    Optional<String> secret() {
        return db.select(FEED.SECRET).from(FEED).fetchOptional(FEED.SECRET);
    }

    /** A new address; the old one is dead from now on. */
    @Transactional
    public String renew() {
        var bytes = new byte[SECRET_BYTES];
        new SecureRandom().nextBytes(bytes);
        var secret = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        db.insertInto(FEED)
                .set(FEED.ID, 1)
                .set(FEED.SECRET, secret)
                .onConflict(FEED.ID)
                .doUpdate()
                .set(FEED.SECRET, secret)
                .execute();
        return secret;
    }

    @Transactional
    public void end() {
        db.deleteFrom(FEED).execute();
    }

    /** Compares with what was published: what changed counts one higher, what is gone before its time is cancelled. */
    @Transactional
    public List<Published> publish(List<FeedItem> items) {
        db.execute("select pg_advisory_xact_lock({0})", LOCK);
        var now = clock.instant();
        var known = new HashMap<String, FeedItemRecord>();
        db.selectFrom(FEED_ITEM).forEach(r -> known.put(r.getUid(), r));
        var all = new ArrayList<Published>();
        for (var item : items) {
            var was = known.remove(item.uid());
            boolean changed = was == null || !was.getDigest().equals(item.digest()) || was.getGoneAt() != null;
            int sequence = was == null ? 0 : changed ? was.getSequence() + 1 : was.getSequence();
            var at = changed || was == null ? now : was.getChangedAt().toInstant();
            if (changed) {
                var body = JSONB.valueOf(json.writeValueAsString(item));
                db.insertInto(FEED_ITEM)
                        .set(FEED_ITEM.UID, item.uid())
                        .set(FEED_ITEM.DIGEST, item.digest())
                        .set(FEED_ITEM.SEQUENCE, sequence)
                        .set(FEED_ITEM.BODY, body)
                        .set(FEED_ITEM.CHANGED_AT, now.atOffset(ZoneOffset.UTC))
                        .onConflict(FEED_ITEM.UID)
                        .doUpdate()
                        .set(FEED_ITEM.DIGEST, item.digest())
                        .set(FEED_ITEM.SEQUENCE, sequence)
                        .set(FEED_ITEM.BODY, body)
                        .set(FEED_ITEM.CHANGED_AT, now.atOffset(ZoneOffset.UTC))
                        .setNull(FEED_ITEM.GONE_AT)
                        .execute();
            }
            all.add(new Published(item, sequence, at, false));
        }
        for (var gone : known.values()) {
            var item = json.readValue(gone.getBody().data(), FeedItem.class);
            if (gone.getGoneAt() == null && item.from().isAfter(now)) {
                gone.setGoneAt(now.atOffset(ZoneOffset.UTC));
                gone.setChangedAt(now.atOffset(ZoneOffset.UTC));
                gone.setSequence(gone.getSequence() + 1);
                gone.update();
                all.add(new Published(item, gone.getSequence(), now, true));
            } else if (gone.getGoneAt() != null && gone.getGoneAt().toInstant().isAfter(now.minus(TOLD))) {
                all.add(new Published(
                        item, gone.getSequence(), gone.getChangedAt().toInstant(), true));
            } else {
                gone.delete(); // it has had its time
            }
        }
        return all;
    }
}
