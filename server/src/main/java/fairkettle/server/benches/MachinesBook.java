package fairkettle.server.benches;

import static fairkettle.db.Tables.AGREEMENT;
import static fairkettle.db.Tables.CHANNEL;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.PUT_ASIDE;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import fairkettle.server.live.Live;
import java.util.List;
import org.springframework.stereotype.Component;

/** What acts change about a machine: its parts, what its channels hold, its papers, what came out of it. */
@Component
class MachinesBook implements Book {

    private final Machines machines;
    private final Live live;

    MachinesBook(Machines machines, Live live) {
        this.machines = machines;
        this.live = live;
    }

    @Override
    public Name name() {
        return Name.MACHINES;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        var machine = new Rows(MACHINE, MACHINE.ID.eq(act.machine()));
        var channels = new Rows(CHANNEL, CHANNEL.MACHINE_ID.eq(act.machine()));
        return switch (what) {
            case Consequence.Refitted _ -> List.of(machine, channels);
            case Consequence.Holds _ -> List.of(channels);
            case Consequence.Agreed _ -> List.of(new Rows(AGREEMENT, AGREEMENT.MACHINE_ID.eq(act.machine())));
            case Consequence.PutAside _ -> List.of(new Rows(PUT_ASIDE, PUT_ASIDE.MACHINE_ID.eq(act.machine())));
            default -> List.of(machine);
        };
    }

    @Override
    public void take(Act act, Consequence what) {
        long id = act.machine();
        switch (what) {
            case Consequence.Refitted(var fit) -> machines.refit(machines.get(id), fit);
            case Consequence.Holds(var holdings) -> machines.setHoldings(id, holdings);
            case Consequence.Agreed(var words) -> machines.agreed(id, act, words);
            case Consequence.Firmware(var version) -> machines.firmware(id, version);
            case Consequence.RemindersOff _ -> machines.remindersOff(id);
            case Consequence.WarrantyEnded _ -> machines.warrantyEnded(id);
            case Consequence.Taught(var taught) -> machines.taught(id, taught);
            case Consequence.PutAside(var aside) -> machines.putAside(id, act, aside);
            case Consequence.SignedOff _ -> machines.signedOff(id);
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
        live.changed("machine/" + id);
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        live.changed("machine/" + act.machine());
        return Book.super.giveBack(act, what, images);
    }
}
