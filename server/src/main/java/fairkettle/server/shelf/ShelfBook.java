package fairkettle.server.shelf;

import static fairkettle.db.Tables.LOT;
import static fairkettle.db.Tables.RESERVATION;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.stereotype.Component;

/** Bottles that are opened, marked bad, and set aside for cards. */
@Component
class ShelfBook implements Book {

    private final Shelf shelf;
    private final Live live;

    ShelfBook(Shelf shelf, Live live) {
        this.shelf = shelf;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.SHELF;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return switch (what) {
            case Consequence.Opened(var lots) -> List.of(new Rows(LOT, LOT.ID.in(lots)));
            case Consequence.PouredOver(var lot, var _) -> List.of(new Rows(LOT, LOT.ID.eq(lot)));
            case Consequence.Spoiled(var lots, var _) -> List.of(new Rows(LOT, LOT.ID.in(lots)));
            default -> List.of(new Rows(RESERVATION, RESERVATION.CARD_ID.eq(act.card())));
        };
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.Opened(var lots) -> lots.stream().sorted().forEach(lot -> shelf.opened(lot, act.at()));
            case Consequence.PouredOver(var lot, var into) -> shelf.isIn(lot, into, act.at());
            case Consequence.Spoiled(var lots, var why) ->
                lots.stream().sorted().forEach(lot -> shelf.marked(lot, why));
            case Consequence.Released _ -> shelf.release(act.card());
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        live.changed("shelf");
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("shelf");
        return Book.super.giveBack(act, what, images);
    }
}
