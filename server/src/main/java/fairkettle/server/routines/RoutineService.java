package fairkettle.server.routines;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Supply;
import fairkettle.path.Place;
import fairkettle.procedure.Consequence;
import fairkettle.routine.ChangeOrClean;
import fairkettle.routine.Driver;
import fairkettle.routine.DueTimes.Standing;
import fairkettle.routine.Routine;
import fairkettle.routine.WhiteDraw;
import fairkettle.server.benches.Machines;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.routines.UpkeepBook.Setting;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shelf.WasteBottles;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Acts of upkeep: done, tuned, printed, white drawn. Each is an entry of the log, and the book follows from that. */
@Service
public class RoutineService {

    /** Of a page, what a print covers with each of its inks where nobody says otherwise. */
    private static final double USUAL_COVER = 0.12;
    /** Before that nobody asks what is to become of a part. */
    private static final double NEARLY = 0.7;
    /** Minutes that rinsing a part takes beyond fitting a new one. */
    private static final int RINSED = 8;

    private final Machines machines;
    private final UpkeepBook book;
    private final Ledger ledger;
    private final Journal journal;
    private final WasteBottles waste;
    private final Supplies supplies;
    private final Shop shop;
    private final Live live;

    RoutineService(
            Machines machines,
            UpkeepBook book,
            Ledger ledger,
            Journal journal,
            WasteBottles waste,
            Supplies supplies,
            Shop shop,
            Live live) {
        this.machines = machines;
        this.book = book;
        this.ledger = ledger;
        this.journal = journal;
        this.waste = waste;
        this.supplies = supplies;
        this.shop = shop;
        this.live = live;
    }

    /** Done, for one channel or for all. What has a way of its own to be kept (a check, a pad) goes that way too. */
    @Transactional
    public void done(long id, String routine, @Nullable ChannelCode channel) {
        var machine = machines.get(id);
        var found = routine(machine, routine);
        if (channel != null && !machine.holdings().containsKey(channel)) {
            throw Problem.atField("channel", "%s has no channel %s.".formatted(machine.name(), channel));
        }
        if (found.credit() == Routine.Credit.PAD_CHANGED) {
            machines.changePad(id);
        } else {
            journal.write(
                    NewEntry.of(
                                    EntryKind.UPKEEP,
                                    "%s: %s%s"
                                            .formatted(
                                                    machine.name(),
                                                    found.title(),
                                                    channel == null ? "" : ", " + channel))
                            .machine(id)
                            .about(channel == null ? routine : routine + "/" + channel.code(), 1),
                    List.of(),
                    List.of(new Consequence.RoutineDone(routine, channel)));
        }
        live.changed("machine/" + id);
    }

    /** Whether a part that ages is exchanged or cleaned; empty for what is no such part. */
    public Optional<ChangeOrClean> part(Standing standing) {
        var what = switch (standing.routine().id()) {
            case "damper", "white-damper" -> Supply.DAMPER;
            default -> null;
        };
        if (what == null || standing.progress() < NEARLY) {
            return Optional.empty();
        }
        double life = standing.routine().drives().stream()
                .filter(d -> d.driver() == Driver.CLOCK)
                .mapToDouble(Routine.Drive::base)
                .findFirst()
                .orElse(365);
        double labour = shop.settings().labourPerHour() / 60.0;
        return Optional.of(ChangeOrClean.of(
                standing.progress(),
                life,
                supplies.prices().getOrDefault(what, what.usualPrice()),
                labour,
                standing.routine().hands(),
                standing.routine().hands() + RINSED));
    }

    /** @throws Problem if this machine has no such routine */
    public Routine routine(Machines.Machine machine, String id) {
        return book.upkeep(machine, Map.of()).routines().stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .orElseThrow(
                        () -> Problem.notFound("%s has no routine of this name (%s).".formatted(machine.name(), id)));
    }

    /** @param factor of its intervals; @param off why it is not done at this machine, or empty */
    @Transactional
    public void tune(long id, String routine, double factor, String off) {
        var machine = machines.get(id);
        var found = routine(machine, routine);
        book.tune(id, routine, new Setting(factor, off));
        journal.write(
                NewEntry.of(
                                EntryKind.MACHINE,
                                "%s: “%s” %s"
                                        .formatted(
                                                machine.name(),
                                                found.title(),
                                                off.isEmpty()
                                                        ? "comes round %.2g × as seldom as usual".formatted(factor)
                                                        : "is left out: " + off))
                        .machine(id),
                List.of());
        live.changed("machine/" + id);
    }

    /** A customer's job came out. @param channels that it laid down; all of them where nobody says */
    @Transactional
    public void printed(long id, int sheets, List<ChannelCode> channels, @Nullable Double cover) {
        var machine = machines.get(id);
        var account = ledger.openAccount(id);
        var each = Millilitres.rounded(
                machine.profile().draws().sheet().mL() * (cover == null ? USUAL_COVER : cover) * sheets);
        machine.profile().channels().stream()
                .filter(c -> channels.isEmpty() || channels.contains(c.code()))
                .filter(c -> machine.holdings().get(c.code()) instanceof Holding.Inked)
                .forEach(c -> account.flow(c, each, Place.Outside.PAPER));
        var paper = Supply.sheet(UpkeepBook.family(machine).orElse(Family.MAKERS_DYE));
        journal.write(
                NewEntry.of(
                                EntryKind.PRINT,
                                "%s printed %d %s for a customer"
                                        .formatted(machine.name(), sheets, sheets == 1 ? "sheet" : "sheets"))
                        .machine(id)
                        .about("print", sheets),
                account.postings(),
                List.of(new Consequence.Printed(sheets), new Consequence.Used(Map.of(paper, sheets))));
        live.changed("machine/" + id);
    }

    /** White drawn at the waste line, to go back into its tank or into the waste bottle. */
    @Transactional
    public void drawWhite(long id, ChannelCode channel, Millilitres volume, WhiteDraw.To to, boolean shaken) {
        var machine = machines.get(id);
        var slot = machine.profile().channel(channel);
        WhiteDraw.refusal(
                        channel,
                        to,
                        shaken,
                        book.returned(id, channel.code()).times(),
                        shop.settings().mostWhiteReturns())
                .ifPresent(why -> {
                    throw Problem.refused(why, List.of());
                });
        if (to == WhiteDraw.To.BACK) { // drawn and given back: nothing is gone, but it has moved
            journal.write(
                    NewEntry.of(
                                    EntryKind.WHITE,
                                    "%s: %s mL of %s drawn at the waste line, shaken and given back"
                                            .formatted(machine.name(), volume, channel))
                            .machine(id)
                            .about("back/" + channel.code(), volume.mL()),
                    List.of());
        } else {
            var account = ledger.openAccount(id, waste.inUse(), List.of());
            account.flow(slot, volume, account.waste());
            waste.take(account.postings());
            journal.write(
                    NewEntry.of(
                                    EntryKind.WHITE,
                                    "%s: %s mL of %s drawn at the waste line, into the waste bottle"
                                            .formatted(machine.name(), volume, channel))
                            .machine(id)
                            .about("waste/" + channel.code(), volume.mL()),
                    account.postings());
        }
        live.changed("machine/" + id);
    }

    /** How often white went back into its tank since that was filled, and how much; {@code most} the shop’s limit. */
    record WhiteReturned(String channel, int times, Millilitres volume, int most) {}

    WhiteReturned returned(long machine, String channel) {
        var back = book.returned(machine, channel);
        return new WhiteReturned(
                channel,
                back.times(),
                Millilitres.rounded(back.mL()),
                shop.settings().mostWhiteReturns());
    }
}
