package fairkettle.server.books;

import static fairkettle.db.Tables.CLINIC_CASE;
import static fairkettle.db.Tables.DEFECT;
import static fairkettle.db.Tables.ENTRY;

import fairkettle.books.Worth;
import fairkettle.changeover.FeedWays;
import fairkettle.ink.Money;
import fairkettle.server.log.Burden;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Which machines are worth keeping. */
@Service
class Worths {

    private static final int DAYS = 90;

    private final DSLContext db;
    private final Burden burden;
    private final Books books;
    private final Supplies supplies;
    private final Shop shop;
    private final Clock clock;

    Worths(DSLContext db, Burden burden, Books books, Supplies supplies, Shop shop, Clock clock) {
        this.db = db;
        this.burden = burden;
        this.books = books;
        this.supplies = supplies;
        this.shop = shop;
        this.clock = clock;
    }

    record OfMachine(long machine, String name, Worth.Seen seen, Worth worth) {}

    @Transactional(readOnly = true)
    public List<OfMachine> all() {
        var now = clock.instant();
        var from = now.minus(Duration.ofDays(DAYS));
        var since = from.atOffset(ZoneOffset.UTC);
        var settings = shop.settings();
        var cases = db.select(CLINIC_CASE.MACHINE_ID, DSL.count())
                .from(CLINIC_CASE)
                .where(CLINIC_CASE.OPENED_AT.ge(since))
                .groupBy(CLINIC_CASE.MACHINE_ID)
                .fetchMap(CLINIC_CASE.MACHINE_ID, DSL.count());
        var ill = ill(since, now);
        var broken = db.select(DEFECT.MACHINE_ID, DSL.count())
                .from(DEFECT)
                .where(DEFECT.MENDED_AT.isNull())
                .groupBy(DEFECT.MACHINE_ID)
                .fetchMap(DEFECT.MACHINE_ID, DSL.count());
        var first = db.select(ENTRY.MACHINE_ID, DSL.min(ENTRY.AT))
                .from(ENTRY)
                .where(ENTRY.MACHINE_ID.isNotNull())
                .groupBy(ENTRY.MACHINE_ID)
                .fetchMap(ENTRY.MACHINE_ID, DSL.min(ENTRY.AT));
        return burden.ofMachines(DAYS).stream()
                .map(of -> {
                    long id = of.machine().id();
                    var terms = settings.terms(of.machine().schools(), supplies.prices());
                    var began =
                            first.getOrDefault(id, now.atOffset(ZoneOffset.UTC)).toInstant();
                    int known =
                            (int) Math.min(DAYS, Duration.between(began, now).toDays());
                    double mL = books.habit(id, now.atZone(settings.zoneId()).toLocalDate())
                            .map(Books.Habit::mL)
                            .orElse(FeedWays.ordinarySheet(of.machine().profile()));
                    var family = UpkeepBook.family(of.machine())
                            .orElse(of.machine().profile().built());
                    var own = Money.rounded(
                            terms.sheet(family, of.machine().profile().codes().size(), mL), settings.money());
                    var seen = new Worth.Seen(
                            DAYS,
                            known,
                            of.sheets(),
                            settings.compared().orderedSheet() - own.minor(),
                            of.machine().papers().earnsPerDay(),
                            Money.rounded(of.minutes() * terms.labourPerHour().major() / 60, settings.money())
                                    .minor(),
                            Money.rounded(
                                            terms.ofInk(
                                                    family,
                                                    of.machine()
                                                            .profile()
                                                            .codes()
                                                            .size(),
                                                    of.mL()),
                                            settings.money())
                                    .minor(),
                            of.parts(),
                            cases.getOrDefault(id, 0),
                            ill.getOrDefault(id, Set.of()).size(),
                            broken.getOrDefault(id, 0),
                            of.machine().parked());
                    return new OfMachine(id, of.machine().name(), seen, Worth.of(seen, settings.money()));
                })
                .toList();
    }

    /** Days with a case open, by machine. */
    private Map<Long, Set<LocalDate>> ill(OffsetDateTime since, Instant now) {
        var days = new HashMap<Long, Set<LocalDate>>();
        db.select(CLINIC_CASE.MACHINE_ID, CLINIC_CASE.OPENED_AT, CLINIC_CASE.ENDED_AT)
                .from(CLINIC_CASE)
                .where(CLINIC_CASE.ENDED_AT.isNull().or(CLINIC_CASE.ENDED_AT.ge(since)))
                .forEach(r -> {
                    var from = r.value2().isBefore(since) ? since : r.value2();
                    var until = r.value3() == null ? now.atOffset(ZoneOffset.UTC) : r.value3();
                    for (var day = from.toLocalDate(); !day.isAfter(until.toLocalDate()); day = day.plusDays(1)) {
                        days.computeIfAbsent(r.value1(), _ -> new TreeSet<>()).add(day);
                    }
                });
        return days;
    }
}
