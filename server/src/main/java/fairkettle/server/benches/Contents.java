package fairkettle.server.benches;

import static fairkettle.db.Tables.CONTENT;
import static fairkettle.db.Tables.LOT;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Substance;
import fairkettle.path.Place;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/**
 * Which bottles the ink in each channel came from, by the account and never by a copy: so a refill, a card, a
 * correction and a strike are all seen by whoever asks.
 */
@Repository
public class Contents {

    /** Less than this share of a channel's ink is what rinsing left, not what it was filled with. */
    private static final double TRACE = 0.01;

    private final DSLContext db;

    Contents(DSLContext db) {
        this.db = db;
    }

    /** By channel, the bottles that more than a trace of its ink came from, the most first. */
    public Map<ChannelCode, Set<Long>> lots(long machine) {
        return lots(CONTENT.PLACE.startsWith("path/" + machine + "/")).getOrDefault(machine, Map.of());
    }

    /** The same of every machine. */
    public Map<Long, Map<ChannelCode, Set<Long>>> lots() {
        return lots(CONTENT.PLACE.startsWith("path/"));
    }

    /** By machine, the channels that hold more than a trace of a bottle's ink. */
    public Map<Long, Set<ChannelCode>> holding(long lot) {
        var found = new TreeMap<Long, Set<ChannelCode>>();
        lots().forEach((machine, channels) -> channels.forEach((code, lots) -> {
            if (lots.contains(lot)) {
                found.computeIfAbsent(machine, _ -> new LinkedHashSet<>()).add(code);
            }
        }));
        return found;
    }

    private Map<Long, Map<ChannelCode, Set<Long>>> lots(Condition where) {
        var volumes = new HashMap<Long, Map<ChannelCode, Map<Long, Long>>>();
        db.select(CONTENT.PLACE, CONTENT.SUBSTANCE, CONTENT.MICROLITRES)
                .from(CONTENT)
                .where(where)
                .forEach(r -> {
                    if (Place.parse(r.value1()) instanceof Place.InPath(var machine, var code, var _)
                            && Substance.parse(r.value2()) instanceof Substance.Ink(var _, var _, var lot)) {
                        volumes.computeIfAbsent(machine, _ -> new LinkedHashMap<>())
                                .computeIfAbsent(code, _ -> new HashMap<>())
                                .merge(lot, r.value3(), Long::sum);
                    }
                });
        var found = new HashMap<Long, Map<ChannelCode, Set<Long>>>();
        volumes.forEach((machine, channels) -> channels.forEach((code, byLot) -> {
            long all = byLot.values().stream().mapToLong(v -> v).sum();
            var lots = byLot.entrySet().stream()
                    .filter(e -> e.getKey() != 0 && e.getValue() > all * TRACE)
                    .sorted(Map.Entry.<Long, Long>comparingByValue().reversed())
                    .map(Map.Entry::getKey)
                    .collect(Collectors.toCollection(LinkedHashSet::new));
            if (!lots.isEmpty()) {
                found.computeIfAbsent(machine, _ -> new LinkedHashMap<>()).put(code, lots);
            }
        }));
        return found;
    }

    /** The first date at which ink in a machine is past its best; machines without such a date are left out. */
    public Map<Long, LocalDate> bestBefore() {
        var dates = db.select(LOT.ID, LOT.BEST_BEFORE)
                .from(LOT)
                .where(LOT.BEST_BEFORE.isNotNull())
                .fetchMap(LOT.ID, LOT.BEST_BEFORE);
        var first = new HashMap<Long, LocalDate>();
        lots().forEach((machine, channels) -> channels.values().stream()
                .flatMap(Set::stream)
                .map(dates::get)
                .filter(java.util.Objects::nonNull)
                .min(LocalDate::compareTo)
                .ifPresent(date -> first.put(machine, date)));
        return first;
    }

    /** Whose ink is in a channel, by the bottle that most of it came from; empty where no bottle is known. */
    public java.util.Optional<String> make(long machine, ChannelCode code) {
        return lots(machine).getOrDefault(code, Set.of()).stream()
                .findFirst()
                .flatMap(lot ->
                        db.select(LOT.MAKE).from(LOT).where(LOT.ID.eq(lot)).fetchOptional(LOT.MAKE));
    }
}
