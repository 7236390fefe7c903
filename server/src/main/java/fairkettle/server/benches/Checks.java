package fairkettle.server.benches;

import static fairkettle.db.Tables.CHANNEL;
import static fairkettle.db.Tables.NOZZLE_CHECK;
import static fairkettle.db.Tables.READING;

import fairkettle.books.EntryKind;
import fairkettle.db.tables.records.NozzleCheckRecord;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Holding;
import fairkettle.path.Place;
import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.web.Problem;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Nozzle checks: which teeth of each channel's comb were missing, and when. */
@Repository
public class Checks {

    private final DSLContext db;
    private final Ledger ledger;
    private final Journal journal;
    private final Machines machines;

    Checks(DSLContext db, Ledger ledger, Journal journal, Machines machines) {
        this.db = db;
        this.ledger = ledger;
        this.journal = journal;
        this.machines = machines;
    }

    /** @param missing teeth counted from 0, ascending; @param judged false for one that nothing is judged by */
    public record Check(Instant at, String channel, int nozzles, List<Integer> missing, boolean judged) {}

    /** The newest of every channel that is fitted, by machine and channel. */
    public Map<Long, Map<String, Check>> newest() {
        var newest = DSL.lateral(db.selectFrom(NOZZLE_CHECK)
                        .where(NOZZLE_CHECK.MACHINE_ID.eq(CHANNEL.MACHINE_ID), NOZZLE_CHECK.CHANNEL.eq(CHANNEL.CODE))
                        .orderBy(NOZZLE_CHECK.AT.desc(), NOZZLE_CHECK.ID.desc())
                        .limit(1))
                .asTable("newest");
        var found = new HashMap<Long, Map<String, Check>>();
        db.select(newest.fields(NOZZLE_CHECK.fields()))
                .from(CHANNEL)
                .crossJoin(newest)
                .orderBy(CHANNEL.MACHINE_ID, CHANNEL.SLOT)
                .fetchInto(NOZZLE_CHECK)
                .forEach(r -> found.computeIfAbsent(r.getMachineId(), _ -> new LinkedHashMap<>())
                        .put(r.getChannel(), check(r)));
        return found;
    }

    private static Check check(NozzleCheckRecord r) {
        return new Check(
                r.getAt().toInstant(), r.getChannel(), r.getNozzles(), Arrays.asList(r.getMissing()), r.getJudged());
    }

    /** By channel, newest first, at most so many each. */
    public Map<String, List<Check>> latest(long machine, int each) {
        var found = new LinkedHashMap<String, List<Check>>();
        db.selectFrom(NOZZLE_CHECK)
                .where(NOZZLE_CHECK.MACHINE_ID.eq(machine))
                .orderBy(NOZZLE_CHECK.AT.desc(), NOZZLE_CHECK.ID.desc())
                .limit(each * 12)
                .forEach(r -> {
                    var list = found.computeIfAbsent(r.getChannel(), _ -> new ArrayList<>());
                    if (list.size() < each) {
                        list.add(check(r));
                    }
                });
        return found;
    }

    /** Days on which somebody looked, in the shop's own time. */
    public Set<LocalDate> days(long machine, Instant from, ZoneId zone) {
        return db
                .selectDistinct(NOZZLE_CHECK.AT)
                .from(NOZZLE_CHECK)
                .where(NOZZLE_CHECK.MACHINE_ID.eq(machine))
                .and(NOZZLE_CHECK.AT.ge(from.atOffset(ZoneOffset.UTC)))
                .fetch(NOZZLE_CHECK.AT)
                .stream()
                .map(at -> LocalDate.ofInstant(at.toInstant(), zone))
                .collect(Collectors.toSet());
    }

    /** @param gaps teeth missing in all channels together */
    public record Glance(long machine, Instant at, int gaps) {}

    /** Every look since then, of every machine, oldest first. */
    public List<Glance> looks(Instant from) {
        return db.select(
                        NOZZLE_CHECK.MACHINE_ID,
                        DSL.max(NOZZLE_CHECK.AT),
                        DSL.sum(DSL.cardinality(NOZZLE_CHECK.MISSING)))
                .from(NOZZLE_CHECK)
                .where(NOZZLE_CHECK.AT.ge(from.atOffset(ZoneOffset.UTC)), NOZZLE_CHECK.JUDGED.isTrue())
                .groupBy(NOZZLE_CHECK.MACHINE_ID, NOZZLE_CHECK.ENTRY_ID)
                .orderBy(DSL.max(NOZZLE_CHECK.AT))
                .fetch(r -> new Glance(
                        r.value1(), r.value2().toInstant(), r.value3().intValue()));
    }

    /** Teeth missing at each machine’s last look, all channels together. */
    public Map<Long, Integer> gapsNow() {
        var last = DSL.field(db.select(DSL.cardinality(NOZZLE_CHECK.MISSING))
                .from(NOZZLE_CHECK)
                .where(NOZZLE_CHECK.MACHINE_ID.eq(CHANNEL.MACHINE_ID), NOZZLE_CHECK.CHANNEL.eq(CHANNEL.CODE))
                .orderBy(NOZZLE_CHECK.AT.desc())
                .limit(1));
        return db.select(CHANNEL.MACHINE_ID, DSL.coalesce(DSL.sum(last), BigDecimal.ZERO))
                .from(CHANNEL)
                .groupBy(CHANNEL.MACHINE_ID)
                .fetchMap(r -> r.value1(), r -> r.value2().intValue());
    }

    /** Keeps what a check showed. */
    void keep(Act act, Map<ChannelCode, List<Integer>> missing, boolean judged) {
        var profile = machines.get(act.machine()).profile();
        new TreeMap<>(missing)
                .forEach((code, teeth) -> db.insertInto(NOZZLE_CHECK)
                        .set(NOZZLE_CHECK.ENTRY_ID, act.entry())
                        .set(NOZZLE_CHECK.MACHINE_ID, act.machine())
                        .set(NOZZLE_CHECK.AT, act.at().atOffset(ZoneOffset.UTC))
                        .set(NOZZLE_CHECK.CHANNEL, code.code())
                        .set(NOZZLE_CHECK.NOZZLES, profile.channel(code).nozzles())
                        .set(NOZZLE_CHECK.MISSING, sorted(teeth))
                        .set(NOZZLE_CHECK.JUDGED, judged)
                        .execute());
    }

    /** A person saw better than the reader, or could read what the reader could not. */
    void better(Act act, long entry, ChannelCode code, List<Integer> missing) {
        int known = db.update(NOZZLE_CHECK)
                .set(NOZZLE_CHECK.MISSING, sorted(missing))
                .where(NOZZLE_CHECK.ENTRY_ID.eq(entry))
                .and(NOZZLE_CHECK.CHANNEL.eq(code.code()))
                .execute();
        if (known == 0) {
            var looked = journal.entry(entry);
            keep(new Act(entry, act.machine(), 0, "", looked.at()), Map.of(code, missing), true);
        }
    }

    /** The check that a picture was taken for does not count any more. */
    void unlink(long entry) {
        db.update(READING)
                .setNull(READING.ENTRY_ID)
                .where(READING.ENTRY_ID.eq(entry))
                .execute();
    }

    private static Integer[] sorted(List<Integer> teeth) {
        return teeth.stream().sorted().distinct().toArray(Integer[]::new);
    }

    /** A check that was read from a picture: the channels that could be read. @return its entry */
    @Transactional
    public long read(Machines.Machine machine, Map<ChannelCode, List<Integer>> missing) {
        var printed = missing.keySet().stream()
                .filter(c -> machine.holdings().containsKey(c) && !(machine.holding(c) instanceof Holding.NeverInked))
                .toList();
        return write(machine, "nozzle check read from a picture, " + words(missing), printed, missing, null);
    }

    /** A check outside any card: the page is printed, and the combs are tapped. */
    @Transactional
    public void enter(Machines.Machine machine, Map<String, List<Integer>> missing, @Nullable Instant at) {
        var byCode = new LinkedHashMap<ChannelCode, List<Integer>>();
        missing.forEach((code, teeth) -> {
            var channel = machine.profile().channel(ChannelCode.of(code));
            if (teeth.stream().anyMatch(t -> t < 0 || t >= channel.nozzles())) {
                throw Problem.atField(code, "%s has %d strokes, numbered from 0.".formatted(code, channel.nozzles()));
            }
            byCode.put(channel.code(), teeth);
        });
        if (!byCode.keySet().equals(machine.holdings().keySet())) {
            throw Problem.refused("Look at every channel: " + machine.holdings().keySet() + ".", List.of());
        }
        write(machine, "nozzle check, " + words(byCode), byCode.keySet(), byCode, at);
    }

    private long write(
            Machines.Machine machine,
            String words,
            Collection<ChannelCode> printed,
            Map<ChannelCode, List<Integer>> missing,
            @Nullable Instant at) {
        var account = ledger.openAccount(machine.id());
        printed.forEach(c -> account.flow(
                machine.profile().channel(c), machine.profile().draws().nozzleCheck(), Place.Outside.PAPER));
        return journal.write(
                NewEntry.of(EntryKind.CHECK, "%s: %s".formatted(machine.name(), words))
                        .machine(machine.id())
                        .at(at),
                account.postings(),
                List.of(new Consequence.Looked(missing, true)));
    }

    /** A person saw better than the reader. */
    @Transactional
    public void correct(long entry, Machines.Machine machine, ChannelCode code, List<Integer> missing) {
        journal.write(
                NewEntry.of(
                                EntryKind.CORRECTION,
                                "%s: the check of %s was corrected by hand, %s"
                                        .formatted(machine.name(), code, words(Map.of(code, missing))))
                        .machine(machine.id()),
                List.of(),
                List.of(new Consequence.LookedBetter(entry, code, missing)));
    }

    private static String words(Map<ChannelCode, List<Integer>> missing) {
        int gaps = missing.values().stream().mapToInt(List::size).sum();
        return missing.isEmpty()
                ? "no channel judged yet"
                : gaps == 0 ? "whole" : gaps + (gaps == 1 ? " gap" : " gaps");
    }
}
