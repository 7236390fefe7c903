package fairkettle.server.printing;

import static fairkettle.db.Tables.OWN_SHEET;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Rows;
import java.util.List;
import org.springframework.stereotype.Component;

/** How much paper lies in trays that print by themselves. */
@Component
class TraysBook implements Book {

    private final OwnSheets trays;

    TraysBook(OwnSheets trays) {
        this.trays = trays;
    }

    @Override
    public Name name() {
        return Name.TRAYS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return List.of(new Rows(OWN_SHEET, OWN_SHEET.MACHINE_ID.eq(act.machine())));
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.Printed(var sheets) -> trays.taken(act.machine(), sheets);
            case Consequence.SheetPrinted(var _, var pages) -> trays.taken(act.machine(), pages);
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
    }
}
