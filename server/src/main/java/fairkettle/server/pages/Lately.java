package fairkettle.server.pages;

import static fairkettle.db.Tables.CARD;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.NOZZLE_CHECK;

import fairkettle.books.Cause;
import fairkettle.books.EntryKind;
import fairkettle.check.Cleanings;
import fairkettle.check.Cleanings.Event;
import fairkettle.server.benches.Machines;
import fairkettle.server.journal.Journal;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What a machine did last, and how often it was cleaned, why, and to what end. */
@Repository
class Lately {

    private static final int SHOWN = 20;
    private static final Condition A_CLEANING = ENTRY.CAUSE.in(Cause.CLEANINGS, Cause.POWER_CLEANINGS);

    private final DSLContext db;
    private final Machines machines;
    private final Shop shop;
    private final Clock clock;

    Lately(DSLContext db, Machines machines, Shop shop, Clock clock) {
        this.db = db;
        this.machines = machines;
        this.shop = shop;
        this.clock = clock;
    }

    /** How often. @param week in the last seven days, today among them; @param life since it is known here */
    record Counted(int today, int week, int life) {}

    /** @param trigger what set it off; @param result what the next check said */
    record CleaningToldJson(Instant at, boolean power, String trigger, String result) {}

    /**
     * @param ink when ink last went through its heads; {@code idleHours} since then
     * @param cleanings the latest, the newest first
     */
    record LatelyJson(
            @Nullable Instant print,
            @Nullable Instant check,
            @Nullable Instant cleaning,
            @Nullable Instant ink,
            @Nullable Long idleHours,
            Counted ordinary,
            Counted power,
            List<CleaningToldJson> cleanings) {}

    LatelyJson of(long machine) {
        machines.get(machine);
        var ink = last(ENTRY.MACHINE_ID.eq(machine).and(ENTRY.CAUSE.in(Cause.THROUGH_HEADS)));
        var cleanings = cleanings(machine);
        return new LatelyJson(
                last(ENTRY.MACHINE_ID.eq(machine).and(ENTRY.KIND.eq(EntryKind.PRINT))),
                instant(db.select(DSL.max(NOZZLE_CHECK.AT))
                        .from(NOZZLE_CHECK)
                        .where(NOZZLE_CHECK.MACHINE_ID.eq(machine))
                        .fetchOne(0, OffsetDateTime.class)),
                cleanings.isEmpty() ? null : cleanings.getFirst().at(),
                ink,
                ink == null
                        ? null
                        : (Long) Duration.between(ink, clock.instant()).toHours(),
                counted(machine, Cause.CLEANINGS),
                counted(machine, Cause.POWER_CLEANINGS),
                cleanings);
    }

    private @Nullable Instant last(Condition which) {
        return instant(db.select(ENTRY.AT)
                .from(ENTRY)
                .where(which, ENTRY.KIND.ne(EntryKind.STRIKE), Journal.stands())
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .limit(1)
                .fetchOne(ENTRY.AT));
    }

    private static @Nullable Instant instant(@Nullable OffsetDateTime at) {
        return at == null ? null : at.toInstant();
    }

    private Counted counted(long machine, Cause cause) {
        var zone = shop.settings().zoneId();
        var today = LocalDate.now(clock.withZone(zone));
        var day = today.atStartOfDay(zone).toOffsetDateTime();
        var week = today.minusDays(6).atStartOfDay(zone).toOffsetDateTime();
        return db.select(
                        DSL.count().filterWhere(ENTRY.AT.ge(day)),
                        DSL.count().filterWhere(ENTRY.AT.ge(week)),
                        DSL.count())
                .from(ENTRY)
                .where(ENTRY.MACHINE_ID.eq(machine), ENTRY.CAUSE.eq(cause))
                .and(ENTRY.KIND.ne(EntryKind.STRIKE))
                .and(Journal.stands())
                .fetchSingle(r -> new Counted(r.value1(), r.value2(), r.value3()));
    }

    private List<CleaningToldJson> cleanings(long machine) {
        var events = new ArrayList<Event>();
        db.select(ENTRY.ID, ENTRY.AT, ENTRY.CAUSE, CARD.TITLE)
                .from(ENTRY)
                .leftJoin(CARD)
                .on(CARD.ID.eq(ENTRY.CARD_ID))
                .where(ENTRY.MACHINE_ID.eq(machine), A_CLEANING, ENTRY.KIND.ne(EntryKind.STRIKE))
                .and(Journal.stands())
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .limit(SHOWN)
                .forEach(r -> events.add(new Cleanings.Cleaned(
                        r.value1(), r.value2().toInstant(), r.value3() == Cause.POWER_CLEANINGS, r.value4())));
        if (events.isEmpty()) {
            return List.of();
        }
        looks(machine, events.getLast().at()).forEach(events::add);
        events.sort(Comparator.comparing(Event::at));
        return Cleanings.of(events).stream()
                .map(t -> new CleaningToldJson(t.cleaned().at(), t.cleaned().power(), t.trigger(), t.result()))
                .toList();
    }

    /** Every look from the last one before {@code from} on. */
    private List<Cleanings.Looked> looks(long machine, Instant from) {
        var first = db.select(DSL.max(NOZZLE_CHECK.AT))
                .from(NOZZLE_CHECK)
                .where(NOZZLE_CHECK.MACHINE_ID.eq(machine), NOZZLE_CHECK.AT.lt(from.atOffset(ZoneOffset.UTC)))
                .fetchOne(0, OffsetDateTime.class);
        var by = new HashMap<Instant, Map<String, Integer>>();
        db.select(NOZZLE_CHECK.AT, NOZZLE_CHECK.CHANNEL, NOZZLE_CHECK.MISSING)
                .from(NOZZLE_CHECK)
                .where(NOZZLE_CHECK.MACHINE_ID.eq(machine))
                .and(NOZZLE_CHECK.AT.ge(first == null ? from.atOffset(ZoneOffset.UTC) : first))
                .forEach(r -> by.computeIfAbsent(r.value1().toInstant(), _ -> new HashMap<>())
                        .put(r.value2(), r.value3().length));
        return by.entrySet().stream()
                .map(e -> new Cleanings.Looked(e.getKey(), e.getValue()))
                .toList();
    }
}
