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
        return List.of(new Rows(SHEET, SHEET.ID.eq(sheet(what))));
    }

    @Override
    public void take(Act act, Consequence what) {
        db.update(SHEET)
                .set(SHEET.ENTRY_ID, act.entry())
                .where(SHEET.ID.eq(sheet(what)))
                .execute();
    }

    private static long sheet(Consequence what) {
        return switch (what) {
            case Consequence.SheetPrinted(var sheet, var _) -> sheet;
            case Consequence.JobSheetOut(var _, var sheet) -> sheet;
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        };
    }
}
