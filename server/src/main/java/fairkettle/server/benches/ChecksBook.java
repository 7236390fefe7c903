package fairkettle.server.benches;

import static fairkettle.db.Tables.NOZZLE_CHECK;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.stereotype.Component;

/** Looks at nozzles. */
@Component
class ChecksBook implements Book {

    private final Checks checks;
    private final Live live;

    ChecksBook(Checks checks, Live live) {
        this.checks = checks;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.CHECKS;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        long entry = what instanceof Consequence.LookedBetter better ? better.entry() : act.entry();
        return List.of(new Rows(NOZZLE_CHECK, NOZZLE_CHECK.ENTRY_ID.eq(entry)));
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.Looked(var missing, var judged) -> checks.keep(act, missing, judged);
            case Consequence.LookedBetter(var entry, var code, var missing) -> checks.better(act, entry, code, missing);
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        live.changed("machine/" + act.machine());
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("machine/" + act.machine());
        checks.unlink(act.entry());
        return Book.super.giveBack(act, what, images);
    }
}
