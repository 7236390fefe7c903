package fairkettle.server.refills;

import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.REFILL;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.ink.Substance;
import fairkettle.ink.Succession;
import fairkettle.machine.Architecture;
import fairkettle.machine.Channel;
import fairkettle.machine.Feed;
import fairkettle.machine.Refilling;
import fairkettle.machine.Supply;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Entries;
import fairkettle.procedure.Owing;
import fairkettle.server.benches.Contents;
import fairkettle.server.benches.Machines;
import fairkettle.server.cards.Cards;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Refills of tanks and refillable cartridges outside any card. */
@Repository
public class Refills {

    private final DSLContext db;
    private final Machines machines;
    private final Cards cards;
    private final Shelf shelf;
    private final Supplies supplies;
    private final Contents contents;
    private final Ledger ledger;
    private final Journal journal;
    private final Live live;
    private final Shop shop;
    private final Clock clock;

    Refills(
            DSLContext db,
            Machines machines,
            Cards cards,
            Shelf shelf,
            Supplies supplies,
            Contents contents,
            Ledger ledger,
            Journal journal,
            Live live,
            Shop shop,
            Clock clock) {
        this.db = db;
        this.machines = machines;
        this.cards = cards;
        this.shelf = shelf;
        this.supplies = supplies;
        this.contents = contents;
        this.ledger = ledger;
        this.journal = journal;
        this.live = live;
        this.shop = shop;
        this.clock = clock;
    }

    /**
     * @param says what the machine itself believes is in it, 0 to 1; null if nobody looked
     * @param intoReserve whether it may take what the shop keeps back
     */
    public record NewRefill(
            ChannelCode channel,
            long lot,
            Millilitres poured,
            boolean ranDry,
            boolean chipReset,
            @Nullable Double says,
            boolean intoReserve) {}

    /** @param why nothing may be poured here; null if it may */
    public record Refillable(
            double trigger, boolean usualTrigger, @Nullable String why, List<RefillLine> lines) {}

    /**
     * One channel.
     *
     * @param room until the line
     * @param fromLast mL and the day of the last refill, and the {@code entry} of the log that says it; null before the
     *     first
     * @param count of a chip that resets, against what was poured; null where nothing was reset
     * @param says what the machine believed at the last refill, and {@code apart} true if that was far from the account
     * @param cartridges how many of the maker's small cartridges a full vessel stands for, and {@code saved} what they
     *     would cost
     */
    public record RefillLine(
            String channel,
            Millilitres level,
            Millilitres room,
            Millilitres trigger,
            boolean due,
            boolean atLastMark,
            Refilling.@Nullable Forecast forecast,
            @Nullable Instant last,
            @Nullable Millilitres fromLast,
            @Nullable Long entry,
            Refilling.@Nullable Count count,
            double countOff,
            @Nullable Double says,
            boolean apart,
            double cartridges,
            Money saved,
            List<BottleJson> bottles) {}

    /** A bottle that may be poured from. */
    public record BottleJson(long id, String label, Millilitres left, boolean opened) {}

    public Refillable of(long id) {
        var machine = machines.get(id);
        var contents = ledger.ofMachineNow(id);
        return new Refillable(
                machine.refillAt(),
                machine.ownTrigger() == null,
                hindrance(machine).orElse(null),
                machine.profile().channels().stream()
                        .map(c -> line(machine, c, level(contents, machine, c)))
                        .toList());
    }

    private static Millilitres level(
            java.util.Map<Place, Mixture> contents, Machines.Machine machine, Channel channel) {
        return contents.getOrDefault(
                        new Place.InPath(
                                machine.id(), channel.code(), channel.first().kind()),
                        Mixture.EMPTY)
                .volume();
    }

    private RefillLine line(Machines.Machine machine, Channel channel, Millilitres level) {
        var rows = db.selectFrom(REFILL)
                .where(
                        REFILL.MACHINE_ID.eq(machine.id()),
                        REFILL.CHANNEL.eq(channel.code().code()))
                .orderBy(REFILL.AT, REFILL.ID)
                .fetch();
        var capacity = channel.first().capacity();
        var trigger = Millilitres.rounded(capacity.mL() * machine.refillAt());
        var refills = rows.stream()
                .map(r -> new Refilling.Refill(r.getAt().toInstant(), new Millilitres(r.getPouredUl())))
                .toList();
        int resets = (int) rows.stream().filter(r -> r.getChipReset()).count();
        int counted = IntStream.range(0, rows.size())
                .filter(i -> rows.get(i).getChipReset())
                .reduce(0, (_, i) -> i + 1);
        var count = resets == 0
                ? null
                : new Refilling.Count( // poured without a reset is poured all the same
                        resets,
                        capacity.times(resets),
                        rows.subList(0, counted).stream()
                                .map(r -> new Millilitres(r.getPouredUl()))
                                .reduce(Millilitres.ZERO, Millilitres::plus));
        var last = rows.isEmpty() ? null : rows.getLast();
        boolean apart = last != null
                && last.getMachineSays() != null
                && Refilling.apart(last.getMachineSays(), last.getLevelBefore());
        double cartridges = Refilling.cartridges(capacity);
        var terms = shop.settings().terms(machine.schools(), supplies.prices());
        var inked = machine.holdings().get(channel.code()) instanceof Holding.Inked;
        return new RefillLine(
                channel.code().code(),
                level,
                capacity.over(level),
                trigger,
                inked && level.compareTo(trigger) <= 0,
                inked && Refilling.atLastMark(level, capacity),
                Refilling.forecast(
                                refills,
                                level,
                                trigger,
                                machine.profile().draws().sheet(),
                                clock.instant())
                        .orElse(null),
                last == null ? null : last.getAt().toInstant(),
                last == null ? null : new Millilitres(last.getPouredUl()),
                last == null ? null : last.getEntryId(),
                count,
                count == null ? 0 : count.off(),
                last == null ? null : last.getMachineSays(),
                apart,
                cartridges,
                Money.rounded(terms.price(Supply.MAKERS_CARTRIDGE).major() * cartridges, terms.currency()),
                bottles(machine, channel.code()));
    }

    private List<BottleJson> bottles(Machines.Machine machine, ChannelCode code) {
        return machine.holdings().get(code) instanceof Holding.Inked(var family, var known, var _)
                ? shelf.fitting(family, contents.make(machine.id(), code).orElse(known), today()).stream()
                        .filter(l -> code.code().equals(l.channel()))
                        .map(l -> new BottleJson(l.id(), l.code(), l.left(), l.openedOn() != null))
                        .toList()
                : List.of();
    }

    private Optional<String> hindrance(Machines.Machine machine) {
        if (cards.open().containsKey(machine.id())) {
            return Optional.of("A card is open on this machine. Pour at its steps, so that the card’s sums stay true.");
        }
        return machine.profile().architecture() == Architecture.CARTRIDGE
                        && machine.fit().feed() == Feed.AS_BUILT
                ? Optional.of("Its own cartridges are changed, not filled. Refillable ones are a changeover.")
                : Optional.empty();
    }

    /** Pours into a channel's first vessel, up to its line and never past it. @param at null for now */
    @Transactional
    public void pour(long id, NewRefill refill, @Nullable Instant at) {
        var when = at == null ? clock.instant() : at;
        var machine = machines.get(id);
        hindrance(machine).ifPresent(why -> {
            throw Problem.refused(why, List.of());
        });
        var channel = machine.profile().channel(refill.channel());
        var account = ledger.openAccount(id, Place.Outside.WASTE_BOTTLE, List.of(refill.lot()));
        var lot = shelf.find(refill.lot()).orElseThrow(() -> Problem.atField("lot", "Choose the bottle in your hand."));
        var ink = fits(machine, channel.code(), lot);
        if (refill.ranDry()) { // seen: whatever was reckoned to be in it is not
            account.foundEmpty(channel, List.of(channel.first().kind()));
        }
        var level = account.at(channel.code(), channel.first().kind()).volume();
        var room = channel.first().capacity().over(level);
        if (refill.poured().isZero()) {
            throw Problem.atField("poured", "How much was poured, in mL?");
        }
        if (refill.poured().compareTo(room) > 0) {
            throw Problem.atField(
                    "poured",
                    "There is room for %s mL up to the line. If it took more, read the level first: the account was wrong."
                            .formatted(room));
        }
        if (refill.poured().compareTo(lot.left()) > 0) {
            throw Problem.atField(
                    "poured",
                    "By the account the bottle holds %s mL. If it held more, enter the next bottle too."
                            .formatted(lot.left()));
        }
        if (!refill.intoReserve()) {
            keepsReserve(lot, refill.poured());
        }
        account.pour(channel, lot.id(), ink, refill.poured());
        var consequences = new ArrayList<Consequence>();
        consequences.add(new Consequence.Refilled(
                channel.code(),
                refill.poured().microlitres(),
                refill.ranDry(),
                refill.chipReset(),
                refill.says(),
                level.mL() / channel.first().capacity().mL()));
        consequences.add(new Consequence.Opened(Set.of(lot.id())));
        if (refill.ranDry()) {
            consequences.add(primeAgain(machine, channel));
        }
        journal.write(
                NewEntry.of(
                                EntryKind.REFILL,
                                "%s: %s mL of %s into %s%s"
                                        .formatted(
                                                machine.name(),
                                                refill.poured(),
                                                lot.code(),
                                                channel.code(),
                                                refill.ranDry() ? ", which had run dry" : ""))
                        .machine(id)
                        .at(when),
                account.postings(),
                consequences);
    }

    /** What is kept back is not eaten unasked. */
    private void keepsReserve(Shelf.Lot lot, Millilitres poured) {
        var reserve = shelf.reserve(lot);
        var there = shelf.fitting(lot.family(), lot.make(), today()).stream()
                .filter(l -> Objects.equals(l.channel(), lot.channel()))
                .map(Shelf.Lot::left)
                .reduce(Millilitres.ZERO, Millilitres::plus);
        if (there.over(poured).compareTo(reserve) < 0) {
            throw Problem.atField(
                    "intoReserve",
                    "%s mL are kept back, and %s mL are there in all: this would take some of them. If that is meant, say so."
                            .formatted(reserve, there));
        }
    }

    private static Consequence primeAgain(Machines.Machine machine, Channel channel) {
        return new Consequence.Owes(
                Owing.PRIME,
                "Prime %s again".formatted(channel.code()),
                machine.profile().architecture() == Architecture.BULK
                        ? "It ran dry: the priming chamber first, then the filling chamber, then draw at the cartridge."
                        : "It ran dry: air is in the line. A top-up alone does not take it out.",
                0,
                null);
    }

    void keep(Act act, Consequence.Refilled refilled) {
        db.insertInto(REFILL)
                .set(REFILL.ENTRY_ID, act.entry())
                .set(REFILL.MACHINE_ID, act.machine())
                .set(REFILL.CHANNEL, refilled.channel().code())
                .set(REFILL.AT, act.at().atOffset(ZoneOffset.UTC))
                .set(REFILL.POURED_UL, refilled.microlitres())
                .set(REFILL.RAN_DRY, refilled.ranDry())
                .set(REFILL.CHIP_RESET, refilled.chipReset())
                .set(REFILL.MACHINE_SAYS, refilled.says())
                .set(REFILL.LEVEL_BEFORE, refilled.before())
                .execute();
        live.changed("machine/" + act.machine());
    }

    /** The last refill of a channel was a mistake. @return what stays all the same, in sentences */
    @Transactional
    public List<String> strike(long id, ChannelCode code) {
        ledger.hold(List.of(id), List.of());
        long entry = db.select(REFILL.ENTRY_ID)
                .from(REFILL)
                .where(REFILL.MACHINE_ID.eq(id), REFILL.CHANNEL.eq(code.code()))
                .orderBy(REFILL.AT.desc(), REFILL.ID.desc())
                .limit(1)
                .fetchOptional(REFILL.ENTRY_ID)
                .orElseThrow(() -> Problem.refused(
                        "Nothing was poured into %s that could be struck out.".formatted(code), List.of()));
        return journal.strike(entry);
    }

    /** The bottle's ink, if it may join what the channel holds. */
    private Substance fits(Machines.Machine machine, ChannelCode code, Shelf.Lot lot) {
        if (!(machine.holdings().get(code) instanceof Holding.Inked(var family, var known, var foodOnly))) {
            throw Problem.refused("It is not known to hold ink in %s. Plan a changeover.".formatted(code), List.of());
        }
        Entries.unfit(lot.facts(), code, family, today()).ifPresent(why -> {
            throw Problem.atField("lot", why + " Leave its cap shut.");
        });
        var make = contents.make(machine.id(), code).orElse(known);
        var held = new Holding.Inked(family, make, foodOnly);
        if (!(Succession.of(held, lot.family(), lot.make()) instanceof Succession.TopUp)) {
            throw Problem.atField(
                    "lot",
                    "This is ink of another make (%s; the machine holds %s). The same colour is not the same ink. Leave its cap shut."
                            .formatted(lot.make(), make));
        }
        return new Substance.Ink(family, code, lot.id());
    }

    /** When it wants ink, as a share of its vessel; null for the usual. */
    @Transactional
    public void trigger(long id, @Nullable Double share) {
        machines.get(id);
        db.update(MACHINE)
                .set(MACHINE.REFILL_AT, share)
                .where(MACHINE.ID.eq(id))
                .execute();
        live.changed("machine/" + id);
    }

    private LocalDate today() {
        return LocalDate.now(clock.withZone(shop.settings().zoneId()));
    }
}
