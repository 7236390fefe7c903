package fairkettle.server.spares;

import static fairkettle.db.Tables.FITTED_PART;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Rows;
import java.util.List;
import org.springframework.stereotype.Component;

/** When parts were fitted. */
@Component
class PartsBook implements Book {

    private final Ages ages;

    PartsBook(Ages ages) {
        this.ages = ages;
    }

    @Override
    public Name name() {
        return Name.PARTS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return List.of(new Rows(FITTED_PART, FITTED_PART.ENTRY_ID.eq(act.entry())));
    }

    @Override
    public void take(Act act, Consequence what) {
        if (!(what instanceof Consequence.PartFitted fitted)) {
            throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        ages.take(act, fitted);
    }
}
