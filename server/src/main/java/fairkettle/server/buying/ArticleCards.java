package fairkettle.server.buying;

import static fairkettle.db.Tables.ARTICLE_CARD;

import fairkettle.server.live.Live;
import fairkettle.server.web.PaperFile;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Cards of instruction that came with an article. */
@Repository
class ArticleCards {

    private static final int MOST = 8_000_000; // bytes

    private final DSLContext db;
    private final Live live;
    private final Clock clock;

    ArticleCards(DSLContext db, Live live, Clock clock) {
        this.db = db;
        this.live = live;
        this.clock = clock;
    }

    record ArticleCard(long id, String article, String name, String mediaType) {}

    record File(String name, String mediaType, byte[] bytes) {}

    List<ArticleCard> all() {
        return db.select(ARTICLE_CARD.ID, ARTICLE_CARD.ARTICLE, ARTICLE_CARD.NAME, ARTICLE_CARD.MEDIA_TYPE)
                .from(ARTICLE_CARD)
                .orderBy(ARTICLE_CARD.ID)
                .fetch(r -> new ArticleCard(r.value1(), r.value2(), r.value3(), r.value4()));
    }

    @Transactional
    public void keep(String article, String name, byte[] bytes) {
        PaperFile.fits(bytes, MOST, "card");
        db.insertInto(ARTICLE_CARD)
                .set(ARTICLE_CARD.ARTICLE, article)
                .set(ARTICLE_CARD.NAME, name)
                .set(ARTICLE_CARD.MEDIA_TYPE, PaperFile.mediaType(bytes, "card"))
                .set(ARTICLE_CARD.BYTES, bytes)
                .set(ARTICLE_CARD.AT, clock.instant().atOffset(ZoneOffset.UTC))
                .execute();
        live.changed("shelf");
    }

    File file(long card) {
        return db.select(ARTICLE_CARD.NAME, ARTICLE_CARD.MEDIA_TYPE, ARTICLE_CARD.BYTES)
                .from(ARTICLE_CARD)
                .where(ARTICLE_CARD.ID.eq(card))
                .fetchOptional(r -> new File(r.value1(), r.value2(), r.value3()))
                .orElseThrow(() -> Problem.notFound("There is no such card."));
    }

    @Transactional
    public void discard(long card) {
        db.deleteFrom(ARTICLE_CARD).where(ARTICLE_CARD.ID.eq(card)).execute();
        live.changed("shelf");
    }
}
