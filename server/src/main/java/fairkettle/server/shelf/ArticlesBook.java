package fairkettle.server.shelf;

import static fairkettle.db.Tables.ARTICLE;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Rows;
import java.util.List;
import org.springframework.stereotype.Component;

/** How many there are of the shop's own articles. */
@Component
class ArticlesBook implements Book {

    private final Articles articles;

    ArticlesBook(Articles articles) {
        this.articles = articles;
    }

    @Override
    public Name name() {
        return Name.ARTICLES;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return what instanceof Consequence.OwnCounted(var key, var _, var _)
                ? List.of(new Rows(ARTICLE, ARTICLE.KEY.eq(key)))
                : List.of();
    }

    @Override
    public void take(Act act, Consequence what) {
        if (!(what instanceof Consequence.OwnCounted(var key, var label, var count))) {
            throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        articles.set(key, label, count);
    }
}
