package fairkettle.server.shelf;

import static fairkettle.db.Tables.SUPPLY;

import fairkettle.books.EntryKind;
import fairkettle.machine.Supply;
import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Tools, parts and what is used up: how many there are, and what one costs. */
@Repository
public class Supplies {

    private final DSLContext db;
    private final Journal journal;

    Supplies(DSLContext db, Journal journal) {
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

    /** Counted on the shelf. */
    @Transactional
    public void count(Supply what, int count, @Nullable Long price) {
        journal.write(
                NewEntry.of(EntryKind.SUPPLY, "%s: %d on the shelf".formatted(what.label(), count)),
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

    /** What was used up or fitted; never below nothing, since it may have been bought for it. */
    void used(Map<Supply, Integer> used) {
        new TreeMap<>(used)
                .forEach((what, count) -> db.update(SUPPLY)
                        .set(
                                SUPPLY.COUNT,
                                org.jooq.impl.DSL.greatest(SUPPLY.COUNT.minus(count), org.jooq.impl.DSL.val(0)))
                        .where(SUPPLY.WHAT.eq(what.name()))
                        .execute());
    }

    /** It was not used after all. */
    void back(Supply what, int count) {
        db.update(SUPPLY)
                .set(SUPPLY.COUNT, SUPPLY.COUNT.plus(count))
                .where(SUPPLY.WHAT.eq(what.name()))
                .execute();
    }
}
