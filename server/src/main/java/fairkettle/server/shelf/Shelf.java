package fairkettle.server.shelf;

import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.LOT;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.POSTING;
import static fairkettle.db.Tables.RESERVATION;
import static fairkettle.path.Place.Outside.SUPPLIER;

import fairkettle.books.Article;
import fairkettle.books.EntryKind;
import fairkettle.db.tables.records.LotRecord;
import fairkettle.ink.BottleKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.ink.Substance;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Surroundings.LotFacts;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

@Repository
public class Shelf {

    private final DSLContext db;
    private final Ledger ledger;
    private final Journal journal;
    private final Articles articles;
    private final Shop shop;

    Shelf(DSLContext db, Ledger ledger, Journal journal, Articles articles, Shop shop) {
        this.articles = articles;
        this.db = db;
        this.shop = shop;
        this.ledger = ledger;
        this.journal = journal;
    }

    /** @param left by the account; @param reserved of that, for cards that are open */
    public record Lot(
            long id,
            boolean fluid,
            Family family,
            @Nullable String channel,
            String make,
            String code,
            Millilitres volume,
            Millilitres left,
            Millilitres reserved,
            long price,
            boolean foodGrade,
            @Nullable LocalDate openedOn,
            @Nullable LocalDate bestBefore,
            @Nullable String spoiled,
            @Nullable BottleKind kind) {

        /** Not counted on by any card. */
        public Millilitres free() {
            return left.over(reserved);
        }

        public LotFacts facts() {
            return new LotFacts(
                    id, family, channel == null ? null : ChannelCode.of(channel), foodGrade, bestBefore, left, spoiled);
        }
    }

    /** @param channel null for cleaning fluid */
    public record NewLot(
            Family family,
            @Nullable String channel,
            String make,
            String code,
            Millilitres volume,
            long price,
            boolean foodGrade,
            @Nullable LocalDate bestBefore,
            @Nullable LocalDate openedOn,
            @Nullable BottleKind kind) {}

    /** First opened first, then the one that spoils first. */
    public List<Lot> lots() {
        var contents = ledger.ofShelf();
        var reserved = reserved();
        return db.selectFrom(LOT).fetch(row -> lot(row, contents, reserved)).stream()
                .sorted(Comparator.comparing(Lot::openedOn, Comparator.nullsLast(Comparator.naturalOrder()))
                        .thenComparing(Lot::bestBefore, Comparator.nullsLast(Comparator.naturalOrder()))
                        .thenComparing(Lot::id))
                .toList();
    }

    public Optional<Lot> find(long id) {
        return db.selectFrom(LOT).where(LOT.ID.eq(id)).fetchOptional(row -> lot(row, ledger.ofBottle(id), Map.of()));
    }

    /** By lot: what open cards still count on, less what they have taken already. */
    private Map<Long, Millilitres> reserved() {
        var taken = DSL.field(DSL.select(DSL.coalesce(DSL.sum(POSTING.MICROLITRES.neg()), java.math.BigDecimal.ZERO))
                .from(POSTING)
                .join(ENTRY)
                .on(ENTRY.ID.eq(POSTING.ENTRY_ID))
                .where(
                        ENTRY.CARD_ID.eq(RESERVATION.CARD_ID),
                        POSTING.PLACE.eq(DSL.concat(DSL.val("bottle/"), RESERVATION.LOT_ID.cast(String.class)))));
        return db.select(RESERVATION.LOT_ID, RESERVATION.MICROLITRES, taken).from(RESERVATION).fetch().stream()
                .collect(Collectors.toMap(
                        r -> r.value1(),
                        r -> new Millilitres(
                                Math.max(0, r.value2() - Math.max(0, r.value3().longValue()))),
                        Millilitres::plus));
    }

    /** Sets aside for a card what its plan takes, the bottle first opened first. */
    @Transactional
    public void reserve(
            long card,
            Family family,
            String make,
            Map<ChannelCode, Millilitres> ink,
            Millilitres fluid,
            LocalDate today) {
        var bottles = fitting(family, make, today);
        ink.forEach((channel, needed) -> reserve(
                card,
                needed,
                bottles.stream().filter(l -> channel.code().equals(l.channel())).toList()));
        reserve(card, fluid, fluids(family, today));
    }

    private void reserve(long card, Millilitres needed, List<Lot> lots) {
        var left = needed;
        for (var lot : lots) {
            var free = lot.free().min(left);
            if (!free.isZero()) {
                db.insertInto(RESERVATION)
                        .set(RESERVATION.CARD_ID, card)
                        .set(RESERVATION.LOT_ID, lot.id())
                        .set(RESERVATION.MICROLITRES, free.microlitres())
                        .execute();
                left = left.over(free);
            }
        }
    }

    private List<Lot> fluids(Family family, LocalDate today) {
        return lots().stream()
                .filter(l -> l.fluid() && l.family() == family && usable(l, today))
                .filter(l -> !family.food() || l.foodGrade())
                .toList();
    }

    /** The card is over: what it did not take is free again. */
    public void release(long card) {
        db.deleteFrom(RESERVATION).where(RESERVATION.CARD_ID.eq(card)).execute();
    }

    /** Bottles of ink of a family and make, in the order in which they are used up. */
    public List<Lot> fitting(Family family, String make, LocalDate today) {
        return lots().stream()
                .filter(l -> !l.fluid() && l.family() == family && l.make().equals(make) && usable(l, today))
                .filter(l -> !family.food() || l.foodGrade())
                .toList();
    }

    /** Nothing is filled from it any more, and whatever it reached wants to be looked at. */
    @Transactional
    public void spoil(long id, String why) {
        ledger.hold(machines(), List.of(id));
        find(id).filter(l -> l.spoiled() == null)
                .ifPresent(l -> journal.write(
                        NewEntry.of(
                                EntryKind.BOTTLE,
                                "%s %s is marked bad: %s".formatted(l.family().label(), l.code(), why)),
                        List.of(),
                        List.of(new Consequence.Spoiled(Set.of(id), why))));
    }

    /**
     * What is left in a bottle is in one of another kind from now on: a keyed one is refilled from a plain one.
     *
     * @return what a bottle of that kind would have cost for as much, less what this ink cost; null where the shop
     *     never bought one, below nothing where this is the dearer ink
     */
    @Transactional
    public @Nullable Money pourOver(long id, BottleKind into) {
        ledger.hold(List.of(), List.of(id));
        var lot = find(id).orElseThrow(() -> Problem.notFound("There is no such bottle on the shelf."));
        if (lot.spoiled() != null) {
            throw Problem.refused(
                    "This bottle was marked bad: %s. Nothing is kept of it.".formatted(lot.spoiled()), List.of());
        }
        if (lot.left().isZero()) {
            throw Problem.refused("By the account this bottle is empty.", List.of());
        }
        if (lot.kind() == into) {
            throw Problem.atField("into", "Its ink is in such a bottle already.");
        }
        var saved = saved(lot, into);
        journal.write(
                NewEntry.of(
                        EntryKind.BOTTLE,
                        "%s %s %s: %s mL poured over into a bottle with %s%s"
                                .formatted(
                                        lot.family().label(),
                                        lot.channel() == null ? "cleaning fluid" : lot.channel(),
                                        lot.code(),
                                        lot.left(),
                                        into.label(),
                                        saved == null || saved.minor() <= 0
                                                ? ""
                                                : ", %s less than such a bottle full".formatted(saved))),
                List.of(),
                List.of(new Consequence.PouredOver(id, into)));
        return saved;
    }

    private @Nullable Money saved(Lot lot, BottleKind into) {
        return lots().stream()
                .filter(l -> l.kind() == into && l.family() == lot.family() && l.price() > 0)
                .filter(l -> Objects.equals(l.channel(), lot.channel()))
                .mapToDouble(l -> (double) l.price() / l.volume().microlitres())
                .min()
                .stream()
                .mapToObj(dear -> new Money(
                        Math.round((dear - (double) lot.price() / lot.volume().microlitres())
                                * lot.left().microlitres()),
                        shop.settings().money()))
                .findFirst()
                .orElse(null);
    }

    /** An opened bottle was opened when it was: only a closed one is opened by this. */
    void isIn(long id, BottleKind into, Instant at) {
        db.update(LOT).set(LOT.BOTTLE_KIND, into.name()).where(LOT.ID.eq(id)).execute();
        opened(id, at);
    }

    /** All of them: a bottle may have reached any. */
    private List<Long> machines() {
        return db.select(MACHINE.ID).from(MACHINE).fetch(MACHINE.ID);
    }

    void marked(long id, String why) {
        db.update(LOT)
                .set(LOT.SPOILED, why)
                .where(LOT.ID.eq(id), LOT.SPOILED.isNull())
                .execute();
    }

    private static Lot lot(LotRecord row, Map<Place, Mixture> contents, Map<Long, Millilitres> reserved) {
        return new Lot(
                row.getId(),
                row.getKind().equals("FLUID"),
                Family.valueOf(row.getFamily()),
                row.getChannel(),
                row.getMake(),
                row.getCode(),
                new Millilitres(row.getVolumeUl()),
                contents.getOrDefault(new Place.Bottle(row.getId()), Mixture.EMPTY)
                        .volume(),
                reserved.getOrDefault(row.getId(), Millilitres.ZERO),
                row.getPriceMinor(),
                row.getFoodGrade(),
                row.getOpenedOn(),
                row.getBestBefore(),
                row.getSpoiled(),
                row.getBottleKind() == null ? null : BottleKind.valueOf(row.getBottleKind()));
    }

    /** A bottle comes onto the shelf, full. */
    @Transactional
    public long add(NewLot lot) {
        var bottle = stand(lot);
        journal.write(
                NewEntry.of(
                        EntryKind.BOTTLE,
                        "%s mL of %s %s onto the shelf"
                                .formatted(
                                        lot.volume(),
                                        lot.family().label(),
                                        lot.channel() == null ? "cleaning fluid" : lot.channel())),
                bottle.postings());
        return bottle.id();
    }

    /** @param postings that fill it; whoever lets it in writes them */
    public record Standing(long id, List<Posting> postings) {}

    /** A bottle that stands on the shelf, and is empty until its postings are written. */
    @Transactional
    public Standing stand(NewLot lot) {
        var channel = lot.channel() == null ? null : ChannelCode.of(lot.channel());
        if (lot.volume().isZero()) {
            throw new IllegalArgumentException("An empty bottle needs no place on the shelf. Give its volume in mL.");
        }
        long id = db.insertInto(LOT)
                .set(LOT.KIND, channel == null ? "FLUID" : "INK")
                .set(LOT.FAMILY, lot.family().name())
                .set(LOT.CHANNEL, lot.channel())
                .set(LOT.MAKE, lot.make().strip())
                .set(LOT.CODE, lot.code().strip())
                .set(LOT.VOLUME_UL, lot.volume().microlitres())
                .set(LOT.PRICE_MINOR, lot.price())
                .set(LOT.FOOD_GRADE, lot.foodGrade())
                .set(LOT.BEST_BEFORE, lot.bestBefore())
                .set(LOT.OPENED_ON, lot.openedOn())
                .set(LOT.BOTTLE_KIND, lot.kind() == null ? null : lot.kind().name())
                .returningResult(LOT.ID)
                .fetchSingle()
                .value1();
        var what = channel == null ? new Substance.Fluid(lot.family()) : new Substance.Ink(lot.family(), channel, id);
        return new Standing(
                id,
                List.of(
                        new Posting(SUPPLIER, what, -lot.volume().microlitres()),
                        new Posting(new Place.Bottle(id), what, lot.volume().microlitres())));
    }

    /** Dates the opening of a bottle that is now in use. */
    void opened(long id, Instant at) {
        db.update(LOT)
                .set(LOT.OPENED_ON, LocalDate.ofInstant(at, shop.settings().zoneId()))
                .where(LOT.ID.eq(id), LOT.OPENED_ON.isNull())
                .execute();
    }

    /** What the shop keeps back of the article that a bottle is of. */
    public Millilitres reserve(Lot lot) {
        return articles.reserve(
                lot.channel() == null
                        ? new Article.Fluid(lot.family())
                        : new Article.Ink(lot.family(), ChannelCode.of(lot.channel()), lot.make()));
    }

    /**
     * Somebody weighed or measured what is in a bottle: the difference to the account is a correction.
     *
     * @param why it differs
     */
    @Transactional
    public void counted(long id, Millilitres holds, String why) {
        ledger.hold(List.of(), List.of(id));
        var lot = find(id).orElseThrow(() -> new IllegalArgumentException("There is no bottle of this number."));
        if (holds.compareTo(lot.volume()) > 0) {
            throw new IllegalArgumentException(
                    "The bottle was sold with %s mL: more cannot be in it.".formatted(lot.volume()));
        }
        long more = holds.microlitres() - lot.left().microlitres();
        if (more == 0) {
            return;
        }
        var what = lot.channel() == null
                ? new Substance.Fluid(lot.family())
                : new Substance.Ink(lot.family(), ChannelCode.of(lot.channel()), id);
        journal.write(
                NewEntry.of(
                        EntryKind.CORRECTION,
                        "%s %s holds %s mL, %s mL %s than reckoned: %s"
                                .formatted(
                                        lot.family().label(),
                                        lot.code(),
                                        holds,
                                        new Millilitres(Math.abs(more)),
                                        more > 0 ? "more" : "less",
                                        why)),
                List.of(
                        new Posting(Place.Outside.CORRECTION, what, -more),
                        new Posting(new Place.Bottle(id), what, more)));
    }

    /** mL fit for a family and make that a plan may count on, by channel: what is kept in reserve is not in it. */
    public Map<ChannelCode, Millilitres> inkFor(Family family, String make, LocalDate today) {
        var free = fitting(family, make, today).stream()
                .collect(Collectors.toMap(
                        l -> ChannelCode.of(l.channel() == null ? "K" : l.channel()), Lot::free, Millilitres::plus));
        free.replaceAll((channel, all) -> all.over(articles.reserve(new Article.Ink(family, channel, make))));
        return free;
    }

    public Millilitres fluidFor(Family family, LocalDate today) {
        return fluids(family, today).stream()
                .map(Lot::free)
                .reduce(Millilitres.ZERO, Millilitres::plus)
                .over(articles.reserve(new Article.Fluid(family)));
    }

    /** The bottle of fluid to use first; 0 if there is none. */
    public long fluidLot(Family family, LocalDate today) {
        return fluids(family, today).stream().mapToLong(Lot::id).findFirst().orElse(0);
    }

    private static boolean usable(Lot lot, LocalDate today) {
        return lot.spoiled() == null
                && !lot.left().isZero()
                && (lot.bestBefore() == null || !lot.bestBefore().isBefore(today));
    }
}
