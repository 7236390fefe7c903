package fairkettle.server.routines;

import static fairkettle.db.Tables.LINE_LOOK;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Rows;
import java.util.List;
import org.springframework.stereotype.Component;

/** What was seen of settled white. */
@Component
class LinesBook implements Book {

    private final LineLooks looks;

    LinesBook(LineLooks looks) {
        this.looks = looks;
    }

    @Override
    public Name name() {
        return Name.LINES;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return List.of(new Rows(LINE_LOOK, LINE_LOOK.MACHINE_ID.eq(act.machine())));
    }

    @Override
    public void take(Act act, Consequence what) {
        if (what instanceof Consequence.LineSeen look) {
            looks.keep(act, look);
        }
    }
}
