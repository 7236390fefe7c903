package fairkettle.server.log;

import static fairkettle.db.Tables.CONSEQUENCE;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.ENTRY_PICTURE;
import static fairkettle.db.Tables.LOT;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.PERSON;
import static fairkettle.db.Tables.POSTING;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Substance;
import fairkettle.server.journal.Journal;
import fairkettle.server.shop.Shop;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.function.Consumer;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.Record;
import org.jooq.SelectConditionStep;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What happened, newest first, as far as it is asked for. */
@Repository
class Past {

    private static final Field<BigDecimal> MOVED =
            DSL.field(DSL.select(DSL.coalesce(DSL.sum(POSTING.MICROLITRES), BigDecimal.ZERO))
                    .from(POSTING)
                    .where(POSTING.ENTRY_ID.eq(ENTRY.ID), POSTING.MICROLITRES.gt(0L)));
    private static final Field<Boolean> STRUCK = DSL.field(Journal.stands().not());
    private static final Field<Integer> PICTURES =
            DSL.field(DSL.selectCount().from(ENTRY_PICTURE).where(ENTRY_PICTURE.ENTRY_ID.eq(ENTRY.ID)));
    private static final Field<Boolean> CAME =
            DSL.field(DSL.exists(DSL.selectOne().from(CONSEQUENCE).where(CONSEQUENCE.ENTRY_ID.eq(ENTRY.ID))));
    private static final int AT_ONCE = 1000;

    private final DSLContext db;
    private final Shop shop;

    Past(DSLContext db, Shop shop) {
        this.db = db;
        this.shop = shop;
    }

    /**
     * @param moved mL that the entry moved in the ink account; @param struckOut whether a later entry took it back;
     *     {@code strikeable} whether one could
     */
    record EntryJson(
            long id,
            Instant at,
            String person,
            @Nullable Long machine,
            @Nullable String machineName,
            @Nullable Long card,
            String kind,
            String words,
            double moved,
            boolean struckOut,
            boolean strikeable,
            int pictures) {}

    /** @param before only what is older than this entry; null for the newest */
    List<EntryJson> newest(Wanted wanted, @Nullable Long before, int most) {
        return entries(wanted)
                .and(before == null ? DSL.noCondition() : olderThan(before))
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .limit(most)
                .fetch(Past::entry);
    }

    /** All of it, a few at a time: years of it are never held at once. */
    @Transactional(readOnly = true)
    public void each(Wanted wanted, Consumer<EntryJson> take) {
        try (var cursor = entries(wanted)
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .fetchSize(AT_ONCE)
                .fetchLazy()) {
            cursor.forEach(row -> take.accept(entry(row)));
        }
    }

    private SelectConditionStep<? extends Record> entries(Wanted wanted) {
        var kind = wanted.entryKind();
        var words = wanted.words();
        return db.select(
                        ENTRY.ID,
                        ENTRY.AT,
                        PERSON.NAME,
                        ENTRY.MACHINE_ID,
                        MACHINE.NAME,
                        ENTRY.CARD_ID,
                        ENTRY.KIND,
                        ENTRY.WORDS,
                        MOVED.as("moved"),
                        STRUCK.as("struck"),
                        CAME.as("came"),
                        PICTURES.as("pictures"))
                .from(ENTRY)
                .leftJoin(PERSON)
                .on(PERSON.ID.eq(ENTRY.PERSON_ID))
                .leftJoin(MACHINE)
                .on(MACHINE.ID.eq(ENTRY.MACHINE_ID))
                .where(wanted.machine() == null ? DSL.noCondition() : ENTRY.MACHINE_ID.eq(wanted.machine()))
                .and(kind == null ? DSL.noCondition() : ENTRY.KIND.eq(kind))
                .and(wanted.card() == null ? DSL.noCondition() : ENTRY.CARD_ID.eq(wanted.card()))
                .and(wanted.person() == null ? DSL.noCondition() : ENTRY.PERSON_ID.eq(wanted.person()))
                .and(wanted.from() == null ? DSL.noCondition() : ENTRY.AT.ge(begins(wanted.from())))
                .and(
                        wanted.to() == null
                                ? DSL.noCondition()
                                : ENTRY.AT.lt(begins(wanted.to().plusDays(1))))
                .and(wanted.lot() == null ? DSL.noCondition() : moved(wanted.lot()))
                .and(words == null || words.isBlank() ? DSL.noCondition() : says(words));
    }

    private static EntryJson entry(Record r) {
        var kind = r.get(ENTRY.KIND);
        boolean struck = r.get("struck", Boolean.class);
        double moved = r.get("moved", BigDecimal.class).doubleValue() / 1000;
        var card = r.get(ENTRY.CARD_ID);
        var person = r.get(PERSON.NAME);
        return new EntryJson(
                r.get(ENTRY.ID),
                r.get(ENTRY.AT).toInstant(),
                person == null ? "somebody" : person,
                r.get(ENTRY.MACHINE_ID),
                r.get(MACHINE.NAME),
                card,
                kind.key(),
                r.get(ENTRY.WORDS),
                moved,
                struck,
                !struck
                        && kind != EntryKind.STRIKE
                        && (moved > 0 || r.get("came", Boolean.class) || card != null && Strikes.ofCardStep(kind)),
                r.get("pictures", Integer.class));
    }

    private java.time.OffsetDateTime begins(LocalDate day) {
        return day.atStartOfDay(shop.settings().zoneId()).toOffsetDateTime();
    }

    private Condition moved(long lot) {
        return db.select(LOT.KIND, LOT.FAMILY, LOT.CHANNEL)
                .from(LOT)
                .where(LOT.ID.eq(lot))
                .fetchOptional()
                .map(r -> {
                    var of = POSTING.ENTRY_ID.eq(ENTRY.ID);
                    if (r.value1().equals("FLUID")) { // fluid of a family is one substance: only its bottle tells
                        return of.and(POSTING.PLACE.eq("bottle/" + lot));
                    }
                    var ink = new Substance.Ink(Family.valueOf(r.value2()), ChannelCode.of(r.value3()), lot);
                    return of.and(POSTING.SUBSTANCE.eq(ink.key()));
                })
                .map(which -> DSL.exists(DSL.selectOne().from(POSTING).where(which)))
                .orElse(DSL.falseCondition());
    }

    /** Why inline: how rare the words are decides how they are looked for. No entry has a control character. */
    private static Condition says(String words) {
        var plain = words.replaceAll("\\p{Cntrl}", " ").strip();
        return ENTRY.WORDS.likeIgnoreCase(DSL.inline("%" + DSL.escape(plain, '!') + "%"), '!');
    }

    private static Condition olderThan(long id) {
        var last = ENTRY.as("last");
        return DSL.row(ENTRY.AT, ENTRY.ID)
                .lessThan(DSL.select(last.AT, last.ID).from(last).where(last.ID.eq(id)));
    }
}
