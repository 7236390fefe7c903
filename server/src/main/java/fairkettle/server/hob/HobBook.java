package fairkettle.server.hob;

import static fairkettle.db.Tables.WAIT;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.stereotype.Component;

/** Waits that steps and acts begin. */
@Component
class HobBook implements Book {

    private final Hob hob;
    private final Live live;

    HobBook(Hob hob, Live live) {
        this.hob = hob;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.HOB;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return List.of(new Rows(
                WAIT,
                act.card() == 0
                        ? WAIT.CARD_ID.isNull().and(WAIT.MACHINE_ID.eq(act.machine()))
                        : WAIT.CARD_ID.eq(act.card())));
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.WaitBegun(var pause) ->
                hob.put(act.machine(), act.cardOrNone(), act.step(), pause, act.at());
            case Consequence.WaitOver(var step) -> {
                if (step == null) {
                    hob.takeOffAll(act.card());
                } else {
                    hob.takeOff(act.card(), step);
                }
            }
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("hob");
        return Book.super.giveBack(act, what, images);
    }
}
