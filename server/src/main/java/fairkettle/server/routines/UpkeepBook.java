package fairkettle.server.routines;

import static fairkettle.db.Tables.CONSEQUENCE;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.NOZZLE_CHECK;
import static fairkettle.db.Tables.POSTING;
import static fairkettle.db.Tables.ROUTINE_SETTING;
import static fairkettle.db.Tables.UPKEEP;
import static fairkettle.db.Tables.USED_DAY;
import static org.jooq.impl.DSL.excluded;
import static org.jooq.impl.DSL.sum;

import fairkettle.books.EntryKind;
import fairkettle.db.tables.records.EntryRecord;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Substance;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.procedure.Consequence;
import fairkettle.routine.Happening;
import fairkettle.routine.Mark;
import fairkettle.routine.Routines;
import fairkettle.routine.Upkeep;
import fairkettle.routine.Upkeep.Key;
import fairkettle.server.benches.Machines;
import fairkettle.server.benches.Machines.Machine;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Journal;
import fairkettle.server.journal.Rows;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.shop.Shop;
import java.math.BigDecimal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/**
 * How far each routine of each machine is, kept beside the log in the same transaction: whatever is written there is
 * credited at once. {@link #rebuild} makes it again from the log.
 */
@Repository
public class UpkeepBook implements Journal.Moving {

    private static final String ROUTINE_DONE = Consequence.RoutineDone.class.getSimpleName();

    private static final List<Family> DELICATE_FIRST =
            List.of(Family.FILM, Family.EDIBLE, Family.SUBLIMATION, Family.MAKERS_PIGMENT, Family.MAKERS_DYE);

    private static final Duration USED = Duration.ofDays(90);

    private final DSLContext db;
    private final Machines machines;
    private final Shop shop;
    private final JsonMapper json;
    private final Clock clock;

    UpkeepBook(DSLContext db, Machines machines, Shop shop, JsonMapper json, Clock clock) {
        this.db = db;
        this.machines = machines;
        this.shop = shop;
        this.json = json;
        this.clock = clock;
    }

    /** @param factor of its intervals; @param off why it is not done at this machine; empty if it is */
    record Setting(double factor, String off) {}

    /** Cleanings of a machine in the days after the first, up to the second. */
    public int cleanings(long machine, LocalDate after, LocalDate until) {
        var sum = db.select(sum(USED_DAY.CLEANINGS))
                .from(USED_DAY)
                .where(
                        USED_DAY.MACHINE_ID.eq(machine),
                        USED_DAY.CHANNEL.eq(""),
                        USED_DAY.DAY.gt(after),
                        USED_DAY.DAY.le(until))
                .fetchOne(0, Integer.class);
        return sum == null ? 0 : sum;
    }

    /** Of late, a day: sheets, cleanings, share of the pad in mL, and mL by channel. */
    record Rates(double sheets, double cleanings, double pad, Map<String, Double> ink) {
        static final Rates NONE = new Rates(0, 0, 0, Map.of());
    }

    /** A machine's routines as they are tuned for it; those that are off are left out. */
    Upkeep upkeep(Machine machine, Map<String, Setting> settings) {
        if (machine.parked()) {
            return new Upkeep(machine.profile(), Routines.atRest());
        }
        var family = family(machine);
        var routines = family.map(f -> Routines.of(machine.profile(), f)).orElse(List.of()).stream()
                .filter(r ->
                        settings.getOrDefault(r.id(), new Setting(1, "")).off().isEmpty())
                .map(r -> r.tuned(
                        settings.getOrDefault(r.id(), new Setting(1, "")).factor()))
                .toList();
        return new Upkeep(machine.profile(), routines);
    }

    /** What it prints: of several inks the most delicate. */
    public static Optional<Family> family(Machine machine) {
        return DELICATE_FIRST.stream().filter(machine.inks()::contains).findFirst();
    }

    Map<Long, Map<String, Setting>> settings() {
        return settings(DSL.noCondition());
    }

    private Map<String, Setting> settingsOf(long machine) {
        return settings(ROUTINE_SETTING.MACHINE_ID.eq(machine)).getOrDefault(machine, Map.of());
    }

    private Map<Long, Map<String, Setting>> settings(Condition where) {
        var all = new HashMap<Long, Map<String, Setting>>();
        db.selectFrom(ROUTINE_SETTING)
                .where(where)
                .forEach(r -> all.computeIfAbsent(r.getMachineId(), _ -> new HashMap<>())
                        .put(r.getRoutine(), new Setting(r.getFactor(), r.getOffBecause())));
        return all;
    }

    void tune(long machine, String routine, Setting setting) {
        db.insertInto(ROUTINE_SETTING)
                .set(ROUTINE_SETTING.MACHINE_ID, machine)
                .set(ROUTINE_SETTING.ROUTINE, routine)
                .set(ROUTINE_SETTING.FACTOR, setting.factor())
                .set(ROUTINE_SETTING.OFF_BECAUSE, setting.off())
                .onConflict(ROUTINE_SETTING.MACHINE_ID, ROUTINE_SETTING.ROUTINE)
                .doUpdate()
                .set(ROUTINE_SETTING.FACTOR, setting.factor())
                .set(ROUTINE_SETTING.OFF_BECAUSE, setting.off())
                .execute();
    }

    /** Where every machine's routines stand. A machine that the book does not know yet is made from its log. */
    @Transactional
    public Map<Long, Map<Key, Mark>> marks(List<Machine> wanted) {
        var found =
                read(wanted.size() == 1 ? UPKEEP.MACHINE_ID.eq(wanted.getFirst().id()) : DSL.noCondition());
        for (var machine : wanted) {
            if (machine.inked() && !found.containsKey(machine.id())) {
                rebuild(machine);
                found.putAll(read(UPKEEP.MACHINE_ID.eq(machine.id())));
            }
        }
        return found;
    }

    private Map<Long, Map<Key, Mark>> read(Condition where) {
        var found = new HashMap<Long, Map<Key, Mark>>();
        db.select(
                        UPKEEP.MACHINE_ID,
                        UPKEEP.ROUTINE,
                        UPKEEP.CHANNEL,
                        UPKEEP.SINCE,
                        UPKEEP.SHEETS,
                        UPKEEP.INK,
                        UPKEEP.CLEANINGS,
                        UPKEEP.ENTRY_ID)
                .from(UPKEEP)
                .where(where)
                .forEach(r -> found.computeIfAbsent(r.value1(), _ -> new LinkedHashMap<>())
                        .put(
                                new Key(r.value2(), r.value3().isEmpty() ? null : ChannelCode.of(r.value3())),
                                new Mark(r.value4().toInstant(), r.value5(), r.value6(), r.value7(), r.value8())));
        return found;
    }

    /** The last day on which each machine laid ink down; none for one that never did. */
    public Map<Long, LocalDate> lastInk() {
        var last = DSL.lateral(db.select(USED_DAY.DAY)
                        .from(USED_DAY)
                        .where(USED_DAY.MACHINE_ID.eq(MACHINE.ID), USED_DAY.LAID.gt(0.0))
                        .orderBy(USED_DAY.DAY.desc())
                        .limit(1))
                .asTable("last");
        return db.select(MACHINE.ID, last.field(USED_DAY.DAY))
                .from(MACHINE)
                .crossJoin(last)
                .fetchMap(r -> r.value1(), r -> r.value2());
    }

    /** What was used a day, over the last so many days. */
    Map<Long, Rates> rates(LocalDate today, int days) {
        var ink = new HashMap<Long, Map<String, Double>>();
        var found = new HashMap<Long, Rates>();
        db.select(
                        USED_DAY.MACHINE_ID,
                        USED_DAY.CHANNEL,
                        sum(USED_DAY.MOVED),
                        sum(USED_DAY.PAD),
                        sum(USED_DAY.SHEETS),
                        sum(USED_DAY.CLEANINGS))
                .from(USED_DAY)
                .where(USED_DAY.DAY.gt(today.minusDays(days)))
                .groupBy(USED_DAY.MACHINE_ID, USED_DAY.CHANNEL)
                .forEach(r -> {
                    if (r.value2().isEmpty()) {
                        found.put(
                                r.value1(),
                                new Rates(
                                        r.value5().doubleValue() / days,
                                        r.value6().doubleValue() / days,
                                        r.value4().doubleValue() / days,
                                        Map.of()));
                    } else {
                        ink.computeIfAbsent(r.value1(), _ -> new HashMap<>())
                                .put(r.value2(), r.value3().doubleValue() / days);
                    }
                });
        ink.forEach((machine, byChannel) -> {
            var whole = found.getOrDefault(machine, Rates.NONE);
            found.put(machine, new Rates(whole.sheets(), whole.cleanings(), whole.pad(), byChannel));
        });
        return found;
    }

    /** Words of the entries that moved marks last, by id. */
    Map<Long, String> words(List<Long> entries) {
        return db.select(ENTRY.ID, ENTRY.WORDS)
                .from(ENTRY)
                .where(ENTRY.ID.in(entries))
                .fetchMap(ENTRY.ID, ENTRY.WORDS);
    }

    /** How often white went back into a channel’s tank since something was poured into it, and how much. */
    Returned returned(long machine, String channel) {
        var out = POSTING.as("out");
        var into = POSTING.as("into");
        // why from the newest: it was filled days ago, and its log is years long
        var filled = db.select(ENTRY.AT, ENTRY.ID)
                .from(ENTRY)
                .where(
                        ENTRY.MACHINE_ID.eq(machine),
                        DSL.exists(DSL.selectOne()
                                .from(out)
                                .where(out.ENTRY_ID.eq(ENTRY.ID), out.PLACE.startsWith("bottle/"))
                                .and(out.MICROLITRES.lt(0L))),
                        DSL.exists(DSL.selectOne()
                                .from(into)
                                .where(into.ENTRY_ID.eq(ENTRY.ID))
                                .and(into.PLACE.startsWith("path/" + machine + "/" + channel + "/"))))
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .limit(1)
                .fetchOne();
        var row = db.select(DSL.count(), DSL.coalesce(sum(ENTRY.AMOUNT), BigDecimal.ZERO))
                .from(ENTRY)
                .where(
                        ENTRY.MACHINE_ID.eq(machine),
                        ENTRY.KIND.eq(EntryKind.WHITE),
                        ENTRY.TOPIC.eq("back/" + channel),
                        filled == null
                                ? DSL.noCondition()
                                : DSL.row(ENTRY.AT, ENTRY.ID).gt(filled.value1(), filled.value2()),
                        Journal.stands())
                .fetchSingle();
        return new Returned(row.value1(), row.value2().doubleValue());
    }

    record Returned(int times, double mL) {}

    // ---- what the log says

    @Override
    public Name name() {
        return Name.UPKEEP;
    }

    @Override
    public List<Rows> rows(Act act, NewEntry entry, List<Posting> postings) {
        return what(act, entry, postings).isEmpty() ? List.of() : rows(act);
    }

    private List<Rows> rows(Act act) {
        var day = LocalDate.ofInstant(act.at(), shop.settings().zoneId());
        return List.of(
                new Rows(UPKEEP, UPKEEP.MACHINE_ID.eq(act.machine())),
                new Rows(USED_DAY, USED_DAY.MACHINE_ID.eq(act.machine()).and(USED_DAY.DAY.eq(day))));
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        return rows(act);
    }

    @Override
    public void moved(Act act, NewEntry entry, List<Posting> postings) {
        what(act, entry, postings).ifPresent(what -> happened(act.machine(), what));
    }

    private static Optional<Happening> what(Act act, NewEntry entry, List<Posting> postings) {
        return entry.contraOf() == null ? happening(act.entry(), entry, act.at(), postings) : Optional.empty();
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.Looked _ -> happened(act.machine(), Happening.check(act.at(), act.entry()));
            case Consequence.RoutineDone(var routine, var channel) ->
                happened(act.machine(), Happening.done(act.at(), act.entry(), routine, channel));
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
    }

    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        return giveBack(act, images);
    }

    /** What moved on since is made again from the log, which knows by then that the entry does not count. */
    @Override
    public List<String> giveBack(Act act, Images images) {
        if (!images.restored().isEmpty()) {
            rebuild(machines.get(act.machine()));
        }
        return List.of();
    }

    @EventListener
    void rebuilt(Ledger.Rebuilt event) {
        machines.all().forEach(this::rebuild);
    }

    private void happened(long id, Happening what) {
        var machine = machines.get(id);
        var upkeep = upkeep(machine, settingsOf(id));
        var before = read(UPKEEP.MACHINE_ID.eq(id)).getOrDefault(id, Map.of());
        if (before.isEmpty()) {
            rebuild(machine); // the log has this already, unless it is a consequence that is just being taken
            before = read(UPKEEP.MACHINE_ID.eq(id)).getOrDefault(id, Map.of());
            if (!what.moved().isEmpty()) {
                return;
            }
        }
        write(id, before, upkeep.after(before, what, what.at()));
        var days = new LinkedHashMap<UsedKey, Used>();
        use(days, what);
        add(id, days);
    }

    private void write(long machine, Map<Key, Mark> before, Map<Key, Mark> after) {
        var rows = db.insertInto(
                UPKEEP,
                UPKEEP.MACHINE_ID,
                UPKEEP.ROUTINE,
                UPKEEP.CHANNEL,
                UPKEEP.SINCE,
                UPKEEP.SHEETS,
                UPKEEP.INK,
                UPKEEP.CLEANINGS,
                UPKEEP.ENTRY_ID);
        boolean any = false;
        for (var mark : after.entrySet()) {
            if (!mark.getValue().equals(before.get(mark.getKey()))) {
                var m = mark.getValue();
                var channel = mark.getKey().channel();
                rows = rows.values(
                        machine,
                        mark.getKey().routine(),
                        channel == null ? "" : channel.code(),
                        m.since().atOffset(ZoneOffset.UTC),
                        m.sheets(),
                        m.ink(),
                        m.cleanings(),
                        m.entry());
                any = true;
            }
        }
        if (any) {
            rows.onConflict(UPKEEP.MACHINE_ID, UPKEEP.ROUTINE, UPKEEP.CHANNEL)
                    .doUpdate()
                    .set(UPKEEP.SINCE, excluded(UPKEEP.SINCE))
                    .set(UPKEEP.SHEETS, excluded(UPKEEP.SHEETS))
                    .set(UPKEEP.INK, excluded(UPKEEP.INK))
                    .set(UPKEEP.CLEANINGS, excluded(UPKEEP.CLEANINGS))
                    .set(UPKEEP.ENTRY_ID, excluded(UPKEEP.ENTRY_ID))
                    .execute();
        }
    }

    /** A day’s channel; without a channel the machine itself. */
    private record UsedKey(LocalDate day, String channel) {}

    /** What a day took. @param laid on paper, mL; @param moved in all, mL; @param pad of it, mL */
    private record Used(double laid, double moved, double pad, double sheets, int cleanings) {
        Used plus(Used more) {
            return new Used(
                    laid + more.laid,
                    moved + more.moved,
                    pad + more.pad,
                    sheets + more.sheets,
                    cleanings + more.cleanings);
        }
    }

    private void use(Map<UsedKey, Used> days, Happening what) {
        if (what.moved().isEmpty() && what.sheets() <= 0 && what.cleanings() == 0) {
            return;
        }
        var day = LocalDate.ofInstant(what.at(), shop.settings().zoneId());
        double waste = what.cleanings() > 0
                ? what.moved().values().stream().mapToDouble(d -> d).sum()
                : 0;
        days.merge(new UsedKey(day, ""), new Used(0, 0, waste, what.sheets(), what.cleanings()), Used::plus);
        what.moved()
                .forEach((channel, moved) -> days.merge(
                        new UsedKey(day, channel.code()),
                        new Used(what.laid().getOrDefault(channel, 0.0), moved, 0, 0, 0),
                        Used::plus));
    }

    private void add(long machine, Map<UsedKey, Used> days) {
        if (days.isEmpty()) {
            return;
        }
        var rows = db.insertInto(
                USED_DAY,
                USED_DAY.MACHINE_ID,
                USED_DAY.DAY,
                USED_DAY.CHANNEL,
                USED_DAY.LAID,
                USED_DAY.MOVED,
                USED_DAY.PAD,
                USED_DAY.SHEETS,
                USED_DAY.CLEANINGS);
        for (var of : days.entrySet()) {
            var used = of.getValue();
            rows = rows.values(
                    machine,
                    of.getKey().day(),
                    of.getKey().channel(),
                    used.laid(),
                    used.moved(),
                    used.pad(),
                    used.sheets(),
                    used.cleanings());
        }
        rows.onConflict(USED_DAY.MACHINE_ID, USED_DAY.DAY, USED_DAY.CHANNEL)
                .doUpdate()
                .set(USED_DAY.LAID, USED_DAY.LAID.plus(excluded(USED_DAY.LAID)))
                .set(USED_DAY.MOVED, USED_DAY.MOVED.plus(excluded(USED_DAY.MOVED)))
                .set(USED_DAY.PAD, USED_DAY.PAD.plus(excluded(USED_DAY.PAD)))
                .set(USED_DAY.SHEETS, USED_DAY.SHEETS.plus(excluded(USED_DAY.SHEETS)))
                .set(USED_DAY.CLEANINGS, USED_DAY.CLEANINGS.plus(excluded(USED_DAY.CLEANINGS)))
                .execute();
    }

    /** Makes a machine’s part of the book again from its log. */
    @Transactional
    public void rebuild(Machine machine) {
        db.deleteFrom(UPKEEP).where(UPKEEP.MACHINE_ID.eq(machine.id())).execute();
        db.deleteFrom(USED_DAY).where(USED_DAY.MACHINE_ID.eq(machine.id())).execute();
        var upkeep = upkeep(machine, settingsOf(machine.id()));
        var entries = db.selectFrom(ENTRY)
                .where(ENTRY.MACHINE_ID.eq(machine.id()), ENTRY.CONTRA_OF.isNull())
                .and(Journal.stands())
                .orderBy(ENTRY.AT, ENTRY.ID)
                .fetch();
        var postings = db.select(POSTING.ENTRY_ID, POSTING.PLACE, POSTING.SUBSTANCE, POSTING.MICROLITRES)
                .from(POSTING)
                .join(ENTRY)
                .on(ENTRY.ID.eq(POSTING.ENTRY_ID))
                .where(ENTRY.MACHINE_ID.eq(machine.id()))
                .fetchGroups(
                        POSTING.ENTRY_ID,
                        r -> new Posting(Place.parse(r.value2()), Substance.parse(r.value3()), r.value4()));
        var looked = db.selectDistinct(NOZZLE_CHECK.ENTRY_ID)
                .from(NOZZLE_CHECK)
                .where(NOZZLE_CHECK.MACHINE_ID.eq(machine.id()))
                .fetchSet(NOZZLE_CHECK.ENTRY_ID);
        var routines = new HashMap<Long, List<Happening>>();
        db.select(CONSEQUENCE.ENTRY_ID, CONSEQUENCE.BODY, ENTRY.AT)
                .from(CONSEQUENCE)
                .join(ENTRY)
                .on(ENTRY.ID.eq(CONSEQUENCE.ENTRY_ID))
                .where(ENTRY.MACHINE_ID.eq(machine.id()), CONSEQUENCE.KIND.eq(ROUTINE_DONE))
                .orderBy(CONSEQUENCE.ID)
                .forEach(r -> {
                    if (json.readValue(r.value2().data(), Consequence.class)
                            instanceof Consequence.RoutineDone(var routine, var channel)) {
                        routines.computeIfAbsent(r.value1(), _ -> new ArrayList<>())
                                .add(Happening.done(r.value3().toInstant(), r.value1(), routine, channel));
                    }
                });
        var joined = entries.stream()
                .map(e -> e.getAt().toInstant())
                .min(Comparator.naturalOrder())
                .orElse(Instant.EPOCH);
        var used = clock.instant()
                .minus(USED); // why: what was used long ago is asked by nobody, and five years of it are many rows
        Map<Key, Mark> now = new LinkedHashMap<>();
        for (var key : upkeep.keys().keySet()) {
            now.put(key, Mark.begun(joined));
        }
        var days = new LinkedHashMap<UsedKey, Used>();
        for (var entry : entries) {
            var at = entry.getAt().toInstant();
            var what = happening(entry.getId(), entry(entry), at, postings.getOrDefault(entry.getId(), List.of()));
            if (what.isPresent()) {
                now = upkeep.after(now, what.get(), joined);
                if (at.isAfter(used)) {
                    use(days, what.get());
                }
            }
            for (var done : routines.getOrDefault(entry.getId(), List.of())) {
                now = upkeep.after(now, done, joined);
            }
            if (looked.contains(entry.getId())) {
                now = upkeep.after(now, Happening.check(at, entry.getId()), joined);
            }
        }
        add(machine.id(), days);
        write(machine.id(), Map.of(), now);
    }

    private static NewEntry entry(EntryRecord e) {
        return new NewEntry(
                e.getKind(),
                e.getWords(),
                e.getMachineId(),
                e.getCardId(),
                e.getStepId(),
                null,
                null,
                e.getTopic(),
                e.getAmount(),
                e.getCause());
    }

    /** An entry as an act on the machine; empty if nothing of upkeep happened. */
    private static Optional<Happening> happening(long id, NewEntry entry, Instant at, List<Posting> postings) {
        if (entry.kind() == EntryKind.UPKEEP && entry.topic() != null) {
            var parts = entry.topic().split("/");
            return Optional.of(Happening.done(at, id, parts[0], parts.length > 1 ? ChannelCode.of(parts[1]) : null));
        }
        if (entry.kind() == EntryKind.WHITE && entry.topic() != null && entry.amount() != null) {
            var channel = ChannelCode.of(entry.topic().split("/")[1]);
            return Optional.of(new Happening(
                    at, id, Map.of(), Map.of(channel, entry.amount()), 0, 0, false, false, false, null, null));
        }
        var out = new HashMap<ChannelCode, Double>();
        double paper = 0;
        double pad = 0;
        double waste = 0;
        for (var posting : postings) {
            double mL = posting.microlitres() / 1000.0;
            switch (posting.place()) {
                case Place.InPath(var _, var channel, var _) -> out.merge(channel, -mL, Double::sum);
                case Place.Pad _ -> pad += mL;
                case Place.Waste _ -> waste += mL;
                case Place.Outside.PAPER -> paper += mL;
                case Place.Outside.WASTE_BOTTLE -> waste += mL;
                default -> {}
            }
        }
        out.values().removeIf(mL -> mL <= 0);
        double all = out.values().stream().mapToDouble(d -> d).sum();
        boolean padChanged = entry.kind() == EntryKind.PAD;
        boolean reading = entry.kind() == EntryKind.READING;
        if (!padChanged && !reading && (all <= 0 || paper + pad + waste <= 0)) {
            return Optional.empty();
        }
        double gone = all <= 0
                ? 0
                : Math.min(1, (paper + pad + waste) / all); // the rest was corrected or put aside, not moved
        double share =
                paper + pad + waste <= 0 ? 0 : Math.max(0, paper) / (paper + Math.max(0, pad) + Math.max(0, waste));
        var laid = new HashMap<ChannelCode, Double>();
        var moved = new HashMap<ChannelCode, Double>();
        if (!reading && !padChanged) {
            out.forEach((channel, mL) -> {
                moved.put(channel, mL * gone);
                laid.put(channel, mL * gone * share);
            });
        }
        double sheets = paper <= 0 ? 0 : entry.amount() == null ? 1 : entry.amount();
        int cleanings = pad > 0 && !padChanged ? 1 : 0;
        return Optional.of(
                new Happening(at, id, laid, moved, sheets, cleanings, false, reading, padChanged, null, null));
    }
}
