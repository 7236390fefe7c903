package fairkettle.server.jobs;

import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.POSTING;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.job.InkHistory;
import fairkettle.job.InkHistory.Moved;
import fairkettle.job.InkUse;
import fairkettle.server.journal.Journal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** What a machine’s channels really lay down, from the readings of its tanks. The rule is {@link InkHistory}’s. */
@Component
class InkLearned {

    private static final int READINGS = 40; // the latest; a machine changes

    private final DSLContext db;
    private final Jobs jobs;

    InkLearned(DSLContext db, Jobs jobs) {
        this.db = db;
        this.jobs = jobs;
    }

    /** By channel, as far as anything is known. */
    Map<ChannelCode, InkUse> of(long machine) {
        var laid = new TreeMap<ChannelCode, List<InkHistory.Laid>>();
        for (var job : jobs.of(machine)) {
            for (var print : job.prints()) {
                if (print.machine() == machine) {
                    print.laid()
                            .forEach(l -> laid.computeIfAbsent(l.channel(), _ -> new ArrayList<>())
                                    .add(new InkHistory.Laid(print.at(), l.full(), l.tone(), l.mL())));
                }
            }
        }
        if (laid.isEmpty()) {
            return Map.of();
        }
        var moved = moved(machine);
        var learned = new TreeMap<ChannelCode, InkUse>();
        laid.forEach((channel, all) -> {
            var measured = InkHistory.measured(all, moved.getOrDefault(channel.code(), List.of()));
            int known = measured.size();
            learned.put(channel, InkUse.of(measured.subList(Math.max(0, known - READINGS), known)));
        });
        return learned;
    }

    /** By channel, the oldest first. */
    private Map<String, List<Moved>> moved(long machine) {
        var prefix = "path/%d/".formatted(machine);
        var channel = DSL.splitPart(POSTING.PLACE, DSL.inline("/"), DSL.inline(3));
        var sum = DSL.sum(POSTING.MICROLITRES);
        return db
                .select(ENTRY.AT, ENTRY.KIND, channel, sum)
                .from(ENTRY)
                .join(POSTING)
                .on(POSTING.ENTRY_ID.eq(ENTRY.ID))
                .where(ENTRY.MACHINE_ID.eq(machine), POSTING.PLACE.startsWith(prefix))
                .and(Journal.stands())
                .and(ENTRY.CONTRA_OF.isNull())
                .groupBy(ENTRY.ID, ENTRY.AT, ENTRY.KIND, channel)
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .limit(READINGS * 60)
                .fetch()
                .reversed()
                .stream()
                .collect(Collectors.groupingBy(
                        r -> r.value3(),
                        Collectors.mapping(
                                r -> new Moved(
                                        r.value1().toInstant(),
                                        r.value2() == EntryKind.READING,
                                        -r.value4().doubleValue() / 1000),
                                Collectors.toList())));
    }
}
