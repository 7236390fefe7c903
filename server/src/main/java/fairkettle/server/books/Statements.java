package fairkettle.server.books;

import static fairkettle.db.Tables.ENTRY;

import fairkettle.books.EntryKind;
import fairkettle.books.InkBook;
import fairkettle.books.InkBook.Flow;
import fairkettle.books.Statement;
import fairkettle.books.Statement.Line;
import fairkettle.books.Statement.Part;
import fairkettle.ink.Money;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Outflow;
import fairkettle.server.log.Burden;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Shop;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;

/** What a month cost. */
@Service
public class Statements {

    private final DSLContext db;
    private final Books books;
    private final Outflow outflow;
    private final Burden burden;
    private final Supplies supplies;
    private final Shop shop;

    Statements(DSLContext db, Books books, Outflow outflow, Burden burden, Supplies supplies, Shop shop) {
        this.db = db;
        this.books = books;
        this.outflow = outflow;
        this.burden = burden;
        this.supplies = supplies;
        this.shop = shop;
    }

    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public Statement of(YearMonth month) {
        var settings = shop.settings();
        var currency = settings.money();
        var from = month.atDay(1).atStartOfDay(settings.zoneId()).toOffsetDateTime();
        var until = month.plusMonths(1).atDay(1).atStartOfDay(settings.zoneId()).toOffsetDateTime();
        var within = ENTRY.AT.ge(from).and(ENTRY.AT.lt(until)).and(Journal.stands());
        var gone = outflow.between(month.atDay(1), month.atDay(1));
        var lines = new ArrayList<Line>();
        var flows = gone.stream()
                .flatMap(g -> Optional.ofNullable(Part.of(g.cause(), g.substance())).stream()
                        .map(part -> new Flow(part.name(), g.cause(), g.substance(), g.microlitres())))
                .toList();
        InkBook.lines(flows, books.prices(), currency)
                .forEach(l -> lines.add(new Line(Part.valueOf(l.group()), l.gone() / 1000.0, "mL", l.cost())));
        var prices = supplies.prices();
        supplies.used(month.atDay(1), month.plusMonths(1).atDay(1))
                .values()
                .forEach(day -> day.forEach((what, count) ->
                        add(lines, Part.PARTS, count, "pieces", count * prices.getOrDefault(what, what.usualPrice()))));
        int pads = db.fetchCount(ENTRY, within.and(ENTRY.KIND.eq(EntryKind.PAD)));
        add(lines, Part.PADS, pads, "pads", pads * settings.padPrice());
        double waste = gone.stream()
                        .filter(g -> g.cause().wasted())
                        .mapToLong(Outflow.Gone::microlitres)
                        .sum()
                / 1000.0;
        add(lines, Part.WASTE, waste, "mL", rounded(waste / 1000 * settings.wastePerLitre()));
        int minutes = burden.between(from.toInstant(), until.toInstant()).stream()
                .mapToInt(Burden.BurdenLine::minutes)
                .sum();
        add(lines, Part.HANDS, minutes, "min", rounded(minutes * settings.labourPerHour() / 60.0));
        return new Statement(merged(lines), sheets(within), settings.tax(), currency);
    }

    private static long rounded(double minor) {
        return BigDecimal.valueOf(minor).setScale(0, RoundingMode.HALF_UP).longValueExact();
    }

    private void add(List<Line> lines, Part part, double amount, String unit, long minor) {
        if (amount != 0) {
            lines.add(new Line(
                    part, amount, unit, new Money(minor, shop.settings().money())));
        }
    }

    /** One line for each part, in the order of parts. */
    private static List<Line> merged(List<Line> lines) {
        var sums = new EnumMap<Part, Line>(Part.class);
        lines.forEach(l -> sums.merge(
                l.part(),
                l,
                (a, b) -> new Line(
                        a.part(), a.amount() + b.amount(), a.unit(), a.cost().plus(b.cost()))));
        return List.copyOf(sums.values());
    }

    private int sheets(Condition within) {
        var sum = db.select(DSL.sum(ENTRY.AMOUNT))
                .from(ENTRY)
                .where(within.and(ENTRY.KIND.eq(EntryKind.PRINT)))
                .fetchOne(0, Integer.class);
        return sum == null ? 0 : sum;
    }
}
