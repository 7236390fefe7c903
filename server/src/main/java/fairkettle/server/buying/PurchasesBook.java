package fairkettle.server.buying;

import static fairkettle.db.Tables.PURCHASE;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.stereotype.Component;

/** Orders, and how far each has come. */
@Component
class PurchasesBook implements Book {

    private final Purchases purchases;
    private final Live live;

    PurchasesBook(Purchases purchases, Live live) {
        this.purchases = purchases;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.PURCHASES;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return what instanceof Consequence.Purchased(var order, var _)
                ? List.of(new Rows(PURCHASE, PURCHASE.ID.eq(order)))
                : List.of();
    }

    @Override
    public void take(Act act, Consequence what) {
        if (!(what instanceof Consequence.Purchased(var _, var purchase))) {
            throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        purchases.keep(purchase);
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("shelf");
        return Book.super.giveBack(act, what, images);
    }
}
