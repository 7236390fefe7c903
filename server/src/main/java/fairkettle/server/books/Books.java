package fairkettle.server.books;

import static fairkettle.db.Tables.CARD;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.LOT;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.PERSON;

import fairkettle.books.Cause;
import fairkettle.books.EntryKind;
import fairkettle.books.InkBook;
import fairkettle.books.InkBook.Flow;
import fairkettle.books.InkBook.Price;
import fairkettle.changeover.Bottles;
import fairkettle.ink.Family;
import fairkettle.ink.Substance;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Outflow;
import fairkettle.server.ledger.Outflow.Along;
import fairkettle.server.ledger.Outflow.Gone;
import fairkettle.server.ledger.Outflow.Sum;
import fairkettle.server.shop.Shop;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.temporal.ChronoUnit;
import java.util.Currency;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;

/** The shop's ink, told by ink, machine, month, person and job. */
@Service
public class Books {

    private final DSLContext db;
    private final Outflow outflow;
    private final Shop shop;

    Books(DSLContext db, Outflow outflow, Shop shop) {
        this.db = db;
        this.outflow = outflow;
        this.shop = shop;
    }

    /** What a figure is told under. */
    enum By {
        INK,
        MACHINE,
        MONTH,
        PERSON,
        JOB
    }

    /**
     * One ink or fluid over the time, all in whole microlitres: {@code before + came − gone = after}.
     *
     * @param before what bottles and machines held when it began
     */
    record Stock(String what, long before, InkBook.Line line) {
        long after() {
            return before + line.came() - line.gone();
        }
    }

    /** @param lines by each way of telling it, except {@link By#INK}, which is {@code stock} */
    record Told(
            YearMonth from,
            YearMonth to,
            List<Stock> stock,
            Map<By, List<InkBook.Line>> lines,
            @Nullable YearMonth first) {
        List<InkBook.Line> by(By by) {
            return lines.getOrDefault(by, List.of());
        }
    }

    /** @param machine only of this one; null for the whole shop, which alone has a stock */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public Told told(YearMonth from, YearMonth to, @Nullable Long machine) {
        var sums = outflow.along(from.atDay(1), to.atDay(1), machine);
        var months = sums.getOrDefault(Along.MONTH, List.of());
        var currency = shop.settings().money();
        var price = prices();
        var lines = new HashMap<By, List<InkBook.Line>>();
        lines.put(
                By.MONTH, lines(months, s -> YearMonth.from((LocalDate) s.of()).toString(), price, currency));
        lines.put(By.MACHINE, lines(sums.getOrDefault(Along.MACHINE, List.of()), named(machines()), price, currency));
        lines.put(By.PERSON, lines(sums.getOrDefault(Along.PERSON, List.of()), named(people()), price, currency));
        lines.put(
                By.JOB,
                lines(
                        sums.getOrDefault(Along.CARD, List.of()).stream()
                                .filter(s -> !s.of().equals(0L))
                                .toList(),
                        named(cards()),
                        price,
                        currency));
        var first = outflow.first();
        return new Told(
                from,
                to,
                stock(months, from.atDay(1), machine, price),
                lines,
                first == null ? null : YearMonth.from(first));
    }

    /** What a machine printed of late. @param sheets a month; {@code mL} of ink for one, all channels together */
    public record Habit(int sheets, double mL) {}

    /** By this month and the two before it; empty for a machine that printed nothing. */
    @Transactional(readOnly = true)
    public Optional<Habit> habit(long machine, LocalDate today) {
        var from = YearMonth.from(today).minusMonths(2).atDay(1);
        var since = from.atStartOfDay(shop.settings().zoneId()).toOffsetDateTime();
        var sheets = db.select(DSL.sum(ENTRY.AMOUNT))
                .from(ENTRY)
                .where(ENTRY.MACHINE_ID.eq(machine), ENTRY.KIND.eq(EntryKind.PRINT), ENTRY.AT.ge(since))
                .and(Journal.stands())
                .fetchOne(0, Integer.class);
        long microlitres = outflow.between(from, YearMonth.from(today).atDay(1)).stream()
                .filter(g -> g.machine() == machine && g.cause() == Cause.PRINTS)
                .mapToLong(Gone::microlitres)
                .sum();
        double months = (ChronoUnit.DAYS.between(from, today) + 1) / 30.4;
        return sheets == null || sheets == 0 || microlitres <= 0
                ? Optional.empty()
                : Optional.of(new Habit((int) Math.max(1, Math.round(sheets / months)), microlitres / 1000.0 / sheets));
    }

    /** The first month of which anything is known; null in a new shop. */
    @Nullable
    YearMonth first() {
        var first = outflow.first();
        return first == null ? null : YearMonth.from(first);
    }

    private List<Stock> stock(
            List<Sum> gone, LocalDate from, @Nullable Long machine, Function<Substance, Price> price) {
        var before = new TreeMap<String, Long>();
        if (machine == null) {
            outflow.heldAt(from).forEach((what, amount) -> before.merge(ink(what), amount, Long::sum));
        }
        var byInk = new TreeMap<String, InkBook.Line>();
        var currency = shop.settings().money();
        lines(gone, s -> ink(s.substance()), price, currency).forEach(line -> byInk.put(line.group(), line));
        before.forEach((what, amount) -> {
            if (amount != 0) {
                byInk.computeIfAbsent(what, _ -> new InkBook.Line(what, Map.of(), fairkettle.ink.Money.zero(currency)));
            }
        });
        return byInk.values().stream()
                .map(line -> new Stock(line.group(), before.getOrDefault(line.group(), 0L), line))
                .toList();
    }

    private static List<InkBook.Line> lines(
            List<Sum> sums, Function<Sum, String> group, Function<Substance, Price> price, Currency currency) {
        return InkBook.lines(
                sums.stream()
                        .map(s -> new Flow(group.apply(s), s.cause(), s.substance(), s.microlitres()))
                        .toList(),
                price,
                currency);
    }

    private static Function<Sum, String> named(Map<Long, String> names) {
        return s -> names.getOrDefault((Long) s.of(), "");
    }

    /** “Sublimation C”, “fluid for sublimation”. */
    static String ink(Substance what) {
        return switch (what) {
            case Substance.Ink(var family, var channel, var _) -> family.label() + " " + channel;
            case Substance.Fluid(var family) -> "fluid for " + family.label();
        };
    }

    /** What a substance cost: its bottle's price, or what the shop usually pays where no bottle is known. */
    Function<Substance, Price> prices() {
        var lots = db.select(LOT.ID, LOT.PRICE_MINOR, LOT.VOLUME_UL)
                .from(LOT)
                .where(LOT.PRICE_MINOR.gt(0L))
                .fetchMap(LOT.ID, r -> new Price(r.value2(), r.value3()));
        var terms = shop.settings().terms();
        var inks = new EnumMap<Family, Price>(Family.class);
        for (var family : Family.values()) {
            inks.put(family, cheapest(terms.inks().of(family)));
        }
        var fluid = cheapest(terms.fluid());
        return what -> switch (what) {
            case Substance.Ink(var family, var _, var lot) -> lots.getOrDefault(lot, inks.get(family));
            case Substance.Fluid _ -> fluid;
        };
    }

    private static Price cheapest(List<Bottles.Size> sold) {
        return sold.stream()
                .map(s -> new Price(s.price().minor(), s.volume().microlitres()))
                .min((a, b) -> Long.compare(a.minor() * b.microlitres(), b.minor() * a.microlitres()))
                .orElseThrow();
    }

    private Map<Long, String> machines() {
        return db.select(MACHINE.ID, MACHINE.NAME).from(MACHINE).fetchMap(MACHINE.ID, MACHINE.NAME);
    }

    private Map<Long, String> people() {
        return db.select(PERSON.ID, PERSON.NAME).from(PERSON).fetchMap(PERSON.ID, PERSON.NAME);
    }

    private Map<Long, String> cards() {
        return db.select(CARD.ID, MACHINE.NAME, CARD.TITLE)
                .from(CARD)
                .join(MACHINE)
                .on(MACHINE.ID.eq(CARD.MACHINE_ID))
                .fetchMap(r -> r.value1(), r -> "%s: %s".formatted(r.value2(), r.value3()));
    }
}
