package fairkettle.server.shelf;

import static fairkettle.db.Tables.SUPPLY;
import static fairkettle.db.Tables.SUPPLY_USED;

import fairkettle.books.EntryKind;
import fairkettle.machine.Supply;
import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.shop.Shop;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Tools, parts and what is used up: how many there are, and what one costs. */
@Repository
public class Supplies {

    private final DSLContext db;
    private final Journal journal;
    private final Shop shop;

    Supplies(DSLContext db, Journal journal, Shop shop) {
        this.shop = shop;
        this.db = db;
        this.journal = journal;
    }

    /** @param price of one, in minor units; the usual one where the shop has said nothing */
    public record Line(Supply what, String label, Supply.Kind kind, int count, long price) {}

    public List<Line> all() {
        var rows = db.selectFrom(SUPPLY).fetchMap(SUPPLY.WHAT);
        return Arrays.stream(Supply.values())
                .map(what -> {
                    var row = rows.get(what.name());
                    return new Line(
                            what,
                            what.label(),
                            what.kind(),
                            row == null ? 0 : row.getCount(),
                            row == null || row.getPriceMinor() == null ? what.usualPrice() : row.getPriceMinor());
                })
                .toList();
    }

    public Map<Supply, Integer> counts() {
        var counts = new EnumMap<Supply, Integer>(Supply.class);
        db.selectFrom(SUPPLY)
                .where(SUPPLY.COUNT.gt(0))
                .forEach(r -> counts.put(Supply.valueOf(r.getWhat()), r.getCount()));
        return counts;
    }

    public Map<Supply, Long> prices() {
        var prices = new EnumMap<Supply, Long>(Supply.class);
        db.selectFrom(SUPPLY)
                .where(SUPPLY.PRICE_MINOR.isNotNull())
                .forEach(r -> prices.put(Supply.valueOf(r.getWhat()), r.getPriceMinor()));
        return prices;
    }

    /** Counted on the shelf. @param why it differs from the book; empty for the first count */
    @Transactional
    public void count(Supply what, int count, @Nullable Long price, String why) {
        int before = counts().getOrDefault(what, 0);
        var differs = before == count ? "" : ", %+d%s".formatted(count - before, why.isBlank() ? "" : ", " + why);
        journal.write(
                NewEntry.of(EntryKind.SUPPLY, "%s: %d on the shelf%s".formatted(what.label(), count, differs)),
                List.of(),
                List.of(new Consequence.Counted(what, count, price)));
    }

    void set(Supply what, int count, @Nullable Long price) {
        db.insertInto(SUPPLY)
                .set(SUPPLY.WHAT, what.name())
                .set(SUPPLY.COUNT, count)
                .set(SUPPLY.PRICE_MINOR, price)
                .onConflict(SUPPLY.WHAT)
                .doUpdate()
                .set(SUPPLY.COUNT, count)
                .set(SUPPLY.PRICE_MINOR, price)
                .execute();
    }

    /** What was used up or fitted. */
    void used(Map<Supply, Integer> used, Instant at) {
        var day = day(at);
        new TreeMap<>(used).forEach((what, count) -> {
            if (count > 0) {
                db.insertInto(SUPPLY_USED)
                        .values(day, what.name(), count)
                        .onConflict(SUPPLY_USED.DAY, SUPPLY_USED.WHAT)
                        .doUpdate()
                        .set(SUPPLY_USED.COUNT, SUPPLY_USED.COUNT.plus(count))
                        .execute();
            }
        });
        gone(used);
    }

    /** Fewer are there; never below nothing, since they may have been bought for it. */
    void gone(Map<Supply, Integer> gone) {
        new TreeMap<>(gone)
                .forEach((what, count) -> db.update(SUPPLY)
                        .set(SUPPLY.COUNT, DSL.greatest(SUPPLY.COUNT.minus(count), DSL.val(0)))
                        .where(SUPPLY.WHAT.eq(what.name()))
                        .execute());
    }

    /** More are there. */
    void came(Map<Supply, Integer> came) {
        new TreeMap<>(came)
                .forEach((what, count) -> db.insertInto(SUPPLY)
                        .set(SUPPLY.WHAT, what.name())
                        .set(SUPPLY.COUNT, count)
                        .onConflict(SUPPLY.WHAT)
                        .doUpdate()
                        .set(SUPPLY.COUNT, SUPPLY.COUNT.plus(count))
                        .execute());
    }

    /** It was not used up on that day after all. */
    void unused(Map<Supply, Integer> used, Instant at) {
        var day = day(at);
        new TreeMap<>(used).forEach((what, count) -> {
            var row = SUPPLY_USED.DAY.eq(day).and(SUPPLY_USED.WHAT.eq(what.name()));
            db.deleteFrom(SUPPLY_USED).where(row, SUPPLY_USED.COUNT.le(count)).execute();
            db.update(SUPPLY_USED)
                    .set(SUPPLY_USED.COUNT, SUPPLY_USED.COUNT.minus(count))
                    .where(row)
                    .execute();
        });
    }

    private LocalDate day(Instant at) {
        return LocalDate.ofInstant(at, shop.settings().zoneId());
    }

    /** What was used up, by day, from the first of them to before the last. */
    public Map<LocalDate, Map<Supply, Integer>> used(LocalDate from, LocalDate until) {
        var days = new TreeMap<LocalDate, Map<Supply, Integer>>();
        db.selectFrom(SUPPLY_USED)
                .where(SUPPLY_USED.DAY.ge(from), SUPPLY_USED.DAY.lt(until))
                .forEach(r -> days.computeIfAbsent(r.getDay(), _ -> new EnumMap<>(Supply.class))
                        .put(Supply.valueOf(r.getWhat()), r.getCount()));
        return days;
    }

    /** It goes back onto the shelf. */
    void back(Supply what, int count) {
        db.update(SUPPLY)
                .set(SUPPLY.COUNT, SUPPLY.COUNT.plus(count))
                .where(SUPPLY.WHAT.eq(what.name()))
                .execute();
    }
}
