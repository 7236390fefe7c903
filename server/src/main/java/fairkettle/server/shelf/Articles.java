package fairkettle.server.shelf;

import static fairkettle.db.Tables.ARTICLE;

import fairkettle.books.Article;
import fairkettle.books.EntryKind;
import fairkettle.db.tables.records.ArticleRecord;
import fairkettle.ink.Millilitres;
import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What the shop wants to have of each article, and articles that only it keeps. */
@Repository
public class Articles {

    private final DSLContext db;
    private final Journal journal;
    private final Live live;

    Articles(DSLContext db, Journal journal, Live live) {
        this.db = db;
        this.journal = journal;
        this.live = live;
    }

    /**
     * @param label of an article of the shop’s own; empty for others
     * @param minimum below which more is bought; @param reserve that no plan takes; both in microlitres or pieces
     * @param count pieces of an own article
     */
    public record Kept(Article article, String label, long minimum, long reserve, int count) {}

    public Map<Article, Kept> all() {
        return db.selectFrom(ARTICLE).fetchMap(r -> Article.parse(r.getKey()), Articles::kept);
    }

    private static Kept kept(ArticleRecord r) {
        return new Kept(Article.parse(r.getKey()), r.getLabel(), r.getMinimum(), r.getReserve(), r.getCount());
    }

    /** Of ink or fluid, what no plan may take. */
    Millilitres reserve(Article article) {
        var found = db.select(ARTICLE.RESERVE)
                .from(ARTICLE)
                .where(ARTICLE.KEY.eq(article.key()))
                .fetchOne(ARTICLE.RESERVE);
        return found == null ? Millilitres.ZERO : new Millilitres(found);
    }

    /** How much of it there should be. */
    @Transactional
    public void want(Article article, long minimum, long reserve) {
        db.insertInto(ARTICLE)
                .set(ARTICLE.KEY, article.key())
                .set(ARTICLE.MINIMUM, minimum)
                .set(ARTICLE.RESERVE, reserve)
                .onConflict(ARTICLE.KEY)
                .doUpdate()
                .set(ARTICLE.MINIMUM, minimum)
                .set(ARTICLE.RESERVE, reserve)
                .execute();
        live.changed("shelf");
    }

    /** An article of the shop’s own. */
    @Transactional
    public void add(String label, int count) {
        var article = new Article.Own(db.fetchSingle("select nextval(pg_get_serial_sequence('article', 'number'))")
                .get(0, Long.class));
        journal.write(
                NewEntry.of(EntryKind.SUPPLY, "%s: %d on the shelf".formatted(label, count)),
                List.of(),
                List.of(new Consequence.OwnCounted(article.key(), label, count)));
    }

    /** An own article was counted. @param why it differs */
    @Transactional
    public void count(Article.Own article, int count, String why) {
        var before = own(article);
        if (before.count() != count) {
            journal.write(
                    NewEntry.of(
                            EntryKind.SUPPLY,
                            "%s: %d on the shelf, %+d, %s"
                                    .formatted(before.label(), count, count - before.count(), why)),
                    List.of(),
                    List.of(new Consequence.OwnCounted(article.key(), before.label(), count)));
        }
    }

    /** What is known of an own article; nobody else counts it until the transaction ends. */
    @Transactional
    public Kept own(Article.Own article) {
        return db.selectFrom(ARTICLE)
                .where(ARTICLE.KEY.eq(article.key()))
                .forUpdate()
                .fetchOptional(Articles::kept)
                .orElseThrow(() ->
                        new IllegalArgumentException("The shelf knows no article (%s).".formatted(article.key())));
    }

    void set(String key, String label, int count) {
        db.insertInto(ARTICLE)
                .set(ARTICLE.KEY, key)
                .set(ARTICLE.LABEL, label)
                .set(ARTICLE.COUNT, count)
                .onConflict(ARTICLE.KEY)
                .doUpdate()
                .set(ARTICLE.COUNT, count)
                .execute();
        live.changed("shelf");
    }
}
