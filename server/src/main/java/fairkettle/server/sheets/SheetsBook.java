package fairkettle.server.sheets;

import static fairkettle.db.Tables.SHEET;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Rows;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Component;

/** Which sheets have come out of a machine. */
@Component
class SheetsBook implements Book {

    private final DSLContext db;

    SheetsBook(DSLContext db) {
        this.db = db;
    }

    @Override
    public Name name() {
        return Name.SHEETS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return what instanceof Consequence.SheetPrinted(var sheet, var _)
                ? List.of(new Rows(SHEET, SHEET.ID.eq(sheet)))
                : List.of();
    }

    @Override
    public void take(Act act, Consequence what) {
        if (what instanceof Consequence.SheetPrinted(var sheet, var _)) {
            db.update(SHEET)
                    .set(SHEET.ENTRY_ID, act.entry())
                    .where(SHEET.ID.eq(sheet))
                    .execute();
        }
    }
}
