package fairkettle.server.cards;

import static fairkettle.db.Tables.CARD;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.stereotype.Component;

/** Cards that are given up. What a branch brought in lies in the card itself. */
@Component
class CardsBook implements Book {

    private final Cards cards;
    private final Live live;

    CardsBook(Cards cards, Live live) {
        this.cards = cards;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.CARDS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return what instanceof Consequence.GivenUp ? List.of(new Rows(CARD, CARD.ID.eq(act.card()))) : List.of();
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.GivenUp(var why) -> cards.giveUp(act.card(), why);
            case Consequence.Branched _ -> {}
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("card/" + act.card());
        return Book.super.giveBack(act, what, images);
    }
}
