package fairkettle.server.refills;

import static fairkettle.db.Tables.REFILL;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.stereotype.Component;

/** When each channel was topped up, and with how much. */
@Component
class RefillsBook implements Book {

    private final Refills refills;
    private final Live live;

    RefillsBook(Refills refills, Live live) {
        this.refills = refills;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.REFILLS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return List.of(new Rows(REFILL, REFILL.ENTRY_ID.eq(act.entry())));
    }

    @Override
    public void take(Act act, Consequence what) {
        if (!(what instanceof Consequence.Refilled refilled)) {
            throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        refills.keep(act, refilled);
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("machine/" + act.machine());
        return Book.super.giveBack(act, what, images);
    }
}
