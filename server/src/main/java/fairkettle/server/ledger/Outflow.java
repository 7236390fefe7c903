package fairkettle.server.ledger;

import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.GONE;
import static fairkettle.db.Tables.POSTING;
import static org.jooq.impl.DSL.excluded;

import fairkettle.books.Cause;
import fairkettle.books.EntryKind;
import fairkettle.ink.Substance;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.shop.Shop;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * What came into the shop's bottles and machines and what left them, summed by month beside the log: years of it are
 * asked at once. Every sum is of the account, to the microlitre.
 */
@Repository
public class Outflow {

    private final DSLContext db;
    private final Shop shop;

    Outflow(DSLContext db, Shop shop) {
        this.db = db;
        this.shop = shop;
    }

    /**
     * One sum.
     *
     * @param month its first day; @param machine 0 for none, as are {@code person} and {@code card}
     * @param microlitres that left; below nothing for what came in
     */
    public record Gone(
            LocalDate month,
            long machine,
            long person,
            long card,
            Cause cause,
            Substance substance,
            long microlitres) {}

    /** Whose the ink is that moves: the entry's own, or that of the entry which it strikes out. */
    private record Origin(
            EntryKind kind,
            Instant at,
            @Nullable Long machine,
            @Nullable Long person,
            @Nullable Long card) {}

    private Origin origin(long entry) {
        return db.select(ENTRY.KIND, ENTRY.AT, ENTRY.MACHINE_ID, ENTRY.PERSON_ID, ENTRY.CARD_ID)
                .from(ENTRY)
                .where(ENTRY.ID.eq(entry))
                .fetchSingle(r -> new Origin(r.value1(), r.value2().toInstant(), r.value3(), r.value4(), r.value5()));
    }

    /** Books beside an entry what its postings took out of bottles and machines. */
    void add(NewEntry entry, Instant at, @Nullable Long person, Collection<Posting> postings) {
        if (postings.stream().noneMatch(p -> Cause.gone(p.place()))) {
            return;
        }
        var origin = entry.contraOf() == null
                ? new Origin(entry.kind(), at, entry.machine(), person, entry.card())
                : origin(entry.contraOf());
        var sums =
                new TreeMap<Cause, Map<String, Long>>(); // why sorted: two that book the same rows take them in order
        postings.stream()
                .filter(p -> Cause.gone(p.place()))
                .forEach(p -> sums.computeIfAbsent(
                                Cause.of(p.place(), origin.kind(), entry.cause()), _ -> new TreeMap<>())
                        .merge(p.substance().key(), p.microlitres(), Long::sum));
        var month = LocalDate.ofInstant(origin.at(), shop.settings().zoneId()).withDayOfMonth(1);
        var rows = db.insertInto(
                GONE,
                GONE.MONTH,
                GONE.MACHINE_ID,
                GONE.PERSON_ID,
                GONE.CARD_ID,
                GONE.CAUSE,
                GONE.SUBSTANCE,
                GONE.MICROLITRES);
        boolean any = false;
        for (var cause : sums.entrySet()) {
            for (var sum : cause.getValue().entrySet()) {
                if (sum.getValue() != 0) { // a pad that was changed: from waste to waste
                    any = true;
                    rows = rows.values(
                            month,
                            orNone(origin.machine()),
                            orNone(origin.person()),
                            orNone(origin.card()),
                            cause.getKey(),
                            sum.getKey(),
                            sum.getValue());
                }
            }
        }
        if (any) {
            rows.onConflict(GONE.MONTH, GONE.MACHINE_ID, GONE.PERSON_ID, GONE.CARD_ID, GONE.CAUSE, GONE.SUBSTANCE)
                    .doUpdate()
                    .set(GONE.MICROLITRES, GONE.MICROLITRES.plus(excluded(GONE.MICROLITRES)))
                    .execute();
        }
        if (entry.contraOf() != null) {
            db.deleteFrom(GONE)
                    .where(GONE.MONTH.eq(month), GONE.MACHINE_ID.eq(orNone(origin.machine())))
                    .and(GONE.MICROLITRES.eq(0L))
                    .execute();
        }
    }

    private static long orNone(@Nullable Long id) {
        return id == null ? 0 : id;
    }

    /** @param from first day of the first month; @param to first day of the last */
    public List<Gone> between(LocalDate from, LocalDate to) {
        return read(GONE.MONTH.between(from, to));
    }

    /** What sums are told along. */
    public enum Along {
        MONTH(GONE.MONTH),
        MACHINE(GONE.MACHINE_ID),
        PERSON(GONE.PERSON_ID),
        CARD(GONE.CARD_ID);

        private final Field<?> column;

        Along(Field<?> column) {
            this.column = column;
        }
    }

    /** @param of the month’s first day, or the id of machine, person or card; 0 for none */
    public record Sum(Object of, Cause cause, Substance substance, long microlitres) {}

    /**
     * The same, added up along each of them at once by the database: years are more sums than anybody wants to see.
     *
     * @param machine only of this one; null for all
     */
    public Map<Along, List<Sum>> along(LocalDate from, LocalDate to, @Nullable Long machine) {
        var keys = Stream.of(Along.values()).map(a -> a.column).toList();
        var together = DSL.sum(GONE.MICROLITRES);
        var sums = new EnumMap<Along, List<Sum>>(Along.class);
        db.select(keys)
                .select(GONE.CAUSE, GONE.SUBSTANCE, together)
                .from(GONE)
                .where(GONE.MONTH.between(from, to), GONE.MICROLITRES.ne(0L))
                .and(machine == null ? DSL.noCondition() : GONE.MACHINE_ID.eq(machine))
                .groupBy(DSL.groupingSets(keys.stream()
                        .map(key -> new Field<?>[] {key, GONE.CAUSE, GONE.SUBSTANCE})
                        .toArray(Field<?>[][]::new)))
                .orderBy(Stream.concat(keys.stream(), Stream.of(GONE.CAUSE, GONE.SUBSTANCE))
                        .toList())
                .forEach(r -> {
                    for (var along : Along.values()) {
                        var of = r.get(along.column);
                        if (of != null) { // the one of its set: no key is ever null itself
                            sums.computeIfAbsent(along, _ -> new ArrayList<>())
                                    .add(new Sum(
                                            of,
                                            r.get(GONE.CAUSE),
                                            Substance.parse(r.get(GONE.SUBSTANCE)),
                                            r.get(together).longValueExact()));
                        }
                    }
                });
        return sums;
    }

    /** Of one substance, ever. */
    public List<Gone> of(Substance substance) {
        return read(GONE.SUBSTANCE.eq(substance.key()));
    }

    /** By substance: how much more came in than left until a month begins. That is what bottles and machines held. */
    public Map<Substance, Long> heldAt(LocalDate month) {
        return db.select(GONE.SUBSTANCE, DSL.sum(GONE.MICROLITRES))
                .from(GONE)
                .where(GONE.MONTH.lt(month))
                .groupBy(GONE.SUBSTANCE)
                .fetchMap(r -> Substance.parse(r.value1()), r -> -r.value2().longValueExact());
    }

    /** The first month of which anything is known; null in a new shop. */
    public @Nullable LocalDate first() {
        return db.select(DSL.min(GONE.MONTH)).from(GONE).fetchOne(0, LocalDate.class);
    }

    private List<Gone> read(Condition where) {
        return db.select(
                        GONE.MONTH,
                        GONE.MACHINE_ID,
                        GONE.PERSON_ID,
                        GONE.CARD_ID,
                        GONE.CAUSE,
                        GONE.SUBSTANCE,
                        GONE.MICROLITRES)
                .from(GONE)
                .where(where, GONE.MICROLITRES.ne(0L))
                .orderBy(GONE.MONTH, GONE.MACHINE_ID, GONE.CAUSE, GONE.SUBSTANCE)
                .fetch(r -> new Gone(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        r.value4(),
                        r.value5(),
                        Substance.parse(r.value6()),
                        r.value7()));
    }

    /** Made again from the log. @return how many sums differed */
    @Transactional
    int rebuild() {
        var kept = new HashSet<>(read(DSL.noCondition()));
        var origin = ENTRY.as("origin");
        var cause = DSL.when(POSTING.PLACE.eq(DSL.inline(Place.Outside.SUPPLIER.key())), inline(Cause.BOUGHT))
                .when(
                        POSTING.PLACE
                                .eq(DSL.inline(Place.Outside.CORRECTION.key()))
                                .and(origin.KIND.eq(DSL.inline(EntryKind.MACHINE, ENTRY.KIND))),
                        inline(Cause.BROUGHT_IN))
                .when(POSTING.PLACE.eq(DSL.inline(Place.Outside.CORRECTION.key())), inline(Cause.CORRECTIONS))
                .when(POSTING.PLACE.eq(DSL.inline(Place.Outside.PUT_ASIDE.key())), inline(Cause.PUT_ASIDE))
                .when(POSTING.PLACE.eq(DSL.inline(Place.Outside.EVAPORATION.key())), inline(Cause.EVAPORATED))
                .otherwise(DSL.coalesce(origin.CAUSE, inline(Cause.OTHER)));
        var month = DSL.field(
                "date_trunc('month', {0} at time zone {1})::date",
                LocalDate.class, origin.AT, DSL.inline(shop.settings().zoneId().getId()));
        var machine = DSL.coalesce(origin.MACHINE_ID, DSL.inline(0L));
        var person = DSL.coalesce(origin.PERSON_ID, DSL.inline(0L));
        var card = DSL.coalesce(origin.CARD_ID, DSL.inline(0L));
        db.deleteFrom(GONE).execute();
        db.insertInto(GONE)
                .select(db.select(
                                month,
                                machine,
                                person,
                                card,
                                cause,
                                POSTING.SUBSTANCE,
                                DSL.sum(POSTING.MICROLITRES).cast(Long.class))
                        .from(POSTING)
                        .join(ENTRY)
                        .on(ENTRY.ID.eq(POSTING.ENTRY_ID))
                        .join(origin)
                        .on(origin.ID.eq(DSL.coalesce(ENTRY.CONTRA_OF, ENTRY.ID)))
                        .where(POSTING.PLACE
                                .startsWith("pad/")
                                .or(POSTING.PLACE.startsWith("waste/"))
                                .or(POSTING.PLACE.startsWith("outside/")))
                        .groupBy(month, machine, person, card, cause, POSTING.SUBSTANCE)
                        .having(DSL.sum(POSTING.MICROLITRES).ne(BigDecimal.ZERO)))
                .execute();
        var made = new HashSet<>(read(DSL.noCondition()));
        var both = new HashSet<>(kept);
        both.retainAll(made);
        return Math.max(kept.size(), made.size()) - both.size();
    }

    /** Written out, so that what is grouped by is what is selected. */
    private static Field<Cause> inline(Cause cause) {
        return DSL.inline(cause, GONE.CAUSE);
    }
}
