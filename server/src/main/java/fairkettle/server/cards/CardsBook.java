package fairkettle.server.cards;

import static fairkettle.db.Tables.CARD;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** Cards that are given up. What a branch brought in lies in the card itself. */
@Component
class CardsBook implements Book {

    private final Cards cards;
    private final ObjectProvider<Retelling> retelling;
    private final Live live;

    /** @param retelling asked for late: it plans, and whoever plans writes into the journal */
    CardsBook(Cards cards, ObjectProvider<Retelling> retelling, Live live) {
        this.cards = cards;
        this.retelling = retelling;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.CARDS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return switch (what) {
            case Consequence.GivenUp _ -> List.of(new Rows(CARD, CARD.ID.eq(act.card())));
            case Consequence.Taught _ ->
                List.of(new Rows(
                        CARD,
                        CARD.MACHINE_ID
                                .eq(act.machine())
                                .and(CARD.FINISHED_AT.isNull())
                                .and(CARD.GIVEN_UP.isNull())));
            default -> List.of();
        };
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.GivenUp(var why) -> cards.giveUp(act.card(), why);
            case Consequence.Branched _ -> {}
            case Consequence.Taught _ -> retold(act.machine());
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
    }

    private void retold(long machine) {
        var open = cards.open().get(machine);
        if (open != null) {
            var kept = cards.hold(open.id());
            cards.save(kept, kept.card().retold(retelling.getObject().steps(kept)));
        }
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("card/" + act.card());
        return Book.super.giveBack(act, what, images);
    }
}
