package fairkettle.server.owed;

import static fairkettle.db.Tables.OWED;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.stereotype.Component;

/** What acts leave owing, and what they settle. */
@Component
class OwedBook implements Book {

    private final Owed owed;
    private final Live live;

    OwedBook(Owed owed, Live live) {
        this.owed = owed;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.OWED;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return List.of(new Rows(OWED, OWED.MACHINE_ID.eq(act.machine())));
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.Owes owes -> owed.take(act, owes);
            case Consequence.Settles(var kind) -> owed.settled(act.machine(), kind);
            case Consequence.Settled(var task) -> owed.finished(act.machine(), task);
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        live.changed("machine/" + act.machine());
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("machine/" + act.machine());
        return Book.super.giveBack(act, what, images);
    }
}
