package fairkettle.server.shelf;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import java.util.List;
import org.springframework.stereotype.Component;

/** What is weighed of waste. */
@Component
class WasteBook implements Book {

    private final WasteBottles bottles;

    WasteBook(WasteBottles bottles) {
        this.bottles = bottles;
    }

    @Override
    public Name name() {
        return Name.WASTE;
    }

    /** What was put in later stays in, so a weight is taken off and not set back. */
    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return List.of();
    }

    @Override
    public void take(Act act, Consequence what) {
        bottles.weighed(solid(what));
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        return bottles.takenOut(solid(what))
                ? List.of()
                : List.of("What was weighed left the house since, and stays so.");
    }

    private static Consequence.SolidWaste solid(Consequence what) {
        if (what instanceof Consequence.SolidWaste solid) {
            return solid;
        }
        throw new IllegalArgumentException("This book takes no %s.".formatted(what));
    }
}
