package fairkettle.server.books;

import static fairkettle.db.Tables.NOZZLE_CHECK;
import static fairkettle.db.Tables.USED_DAY;

import fairkettle.books.Clogging;
import fairkettle.routine.Air;
import fairkettle.server.climate.Room;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What idleness and dry air did to heads in the last year. */
@Service
class Cloggings {

    private static final int DAYS = 365;

    private final DSLContext db;
    private final Room room;
    private final Shop shop;
    private final Clock clock;

    Cloggings(DSLContext db, Room room, Shop shop, Clock clock) {
        this.db = db;
        this.room = room;
        this.shop = shop;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<Clogging.Look> looks() {
        var zone = shop.settings().zoneId();
        var from = LocalDate.now(clock.withZone(zone)).minusDays(DAYS);
        var since = from.atStartOfDay(zone);
        var used = used(from);
        var air = deficits(room.since(since.toInstant()), zone);
        var before = new HashMap<String, Set<Integer>>();
        var fresh = new TreeMap<Seen, Integer>();
        db.select(NOZZLE_CHECK.MACHINE_ID, NOZZLE_CHECK.AT, NOZZLE_CHECK.CHANNEL, NOZZLE_CHECK.MISSING)
                .from(NOZZLE_CHECK)
                .where(NOZZLE_CHECK.AT.ge(since.toOffsetDateTime()), NOZZLE_CHECK.JUDGED.isTrue())
                .orderBy(NOZZLE_CHECK.MACHINE_ID, NOZZLE_CHECK.AT, NOZZLE_CHECK.ID)
                .forEach(r -> {
                    var missing = new HashSet<>(Arrays.asList(r.value4()));
                    var was = before.put(r.value1() + "/" + r.value3(), missing);
                    if (was != null) {
                        var seen = new Seen(
                                r.value1(), LocalDate.ofInstant(r.value2().toInstant(), zone));
                        fresh.merge(
                                seen,
                                (int) missing.stream()
                                        .filter(i -> !was.contains(i))
                                        .count(),
                                Integer::sum);
                    }
                });
        var looks = new ArrayList<Clogging.Look>();
        fresh.forEach((seen, gaps) -> {
            var last = used.getOrDefault(seen.machine(), new TreeSet<>()).lower(seen.day());
            if (last != null) {
                looks.add(new Clogging.Look(
                        ChronoUnit.DAYS.between(last, seen.day()), gaps, mean(air, last, seen.day())));
            }
        });
        return looks;
    }

    private record Seen(long machine, LocalDate day) implements Comparable<Seen> {
        @Override
        public int compareTo(Seen other) {
            int by = Long.compare(machine, other.machine);
            return by != 0 ? by : day.compareTo(other.day);
        }
    }

    /** Days on which ink went through each machine. */
    private Map<Long, TreeSet<LocalDate>> used(LocalDate from) {
        return db
                .select(USED_DAY.MACHINE_ID, USED_DAY.DAY)
                .from(USED_DAY)
                .where(USED_DAY.DAY.ge(from), USED_DAY.LAID.gt(0.0))
                .stream()
                .collect(Collectors.groupingBy(
                        r -> r.value1(), Collectors.mapping(r -> r.value2(), Collectors.toCollection(TreeSet::new))));
    }

    /** Each day's mean, kPa. */
    private static NavigableMap<LocalDate, Double> deficits(List<Air> readings, ZoneId zone) {
        return new TreeMap<>(readings.stream()
                .collect(Collectors.groupingBy(
                        a -> LocalDate.ofInstant(a.at(), zone), Collectors.averagingDouble(Air::deficit))));
    }

    private static @Nullable Double mean(NavigableMap<LocalDate, Double> air, LocalDate from, LocalDate to) {
        var within = air.subMap(from, true, to, true);
        return within.isEmpty()
                ? null
                : (Double)
                        within.values().stream().mapToDouble(d -> d).average().orElseThrow();
    }
}
