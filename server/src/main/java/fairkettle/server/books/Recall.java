package fairkettle.server.books;

import static fairkettle.db.Tables.CONTENT;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.GONE;
import static fairkettle.db.Tables.LOT;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.POSTING;

import fairkettle.books.Cause;
import fairkettle.books.EntryKind;
import fairkettle.db.tables.records.LotRecord;
import fairkettle.ink.BottleKind;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.path.Place;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Outflow;
import fairkettle.server.web.Problem;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;

/** Which machines drank from a bottle, and from which bottles a machine ever drank. */
@Service
public class Recall {

    private static final int PRINTS_SHOWN = 100;

    private final DSLContext db;
    private final Outflow outflow;

    Recall(DSLContext db, Outflow outflow) {
        this.db = db;
        this.outflow = outflow;
    }

    /**
     * @param poured ever, into its tank, lines or head; @param holds of it now; {@code first} and {@code last} when ink
     *     of it came or went there
     */
    public record Reached(
            long machine,
            String name,
            String channel,
            Millilitres poured,
            Millilitres holds,
            Instant first,
            Instant last) {}

    /** Work that carried ink of the bottle. */
    public record PrintedWith(long entry, Instant at, String words) {}

    /** @param cause as {@link Cause#label} */
    public record Went(String cause, double mL) {}

    /**
     * @param left in the bottle itself; @param went what left bottle and machines, by cause; @param prints the newest
     *     of {@code printsInAll}
     */
    public record BottleWay(
            long id,
            String family,
            @Nullable String channel,
            String make,
            String code,
            @Nullable LocalDate openedOn,
            @Nullable LocalDate bestBefore,
            @Nullable String spoiled,
            @Nullable BottleKind kind,
            Millilitres left,
            List<Reached> reached,
            List<Went> went,
            List<PrintedWith> prints,
            int printsInAll) {}

    /** A bottle that a machine drank from. @param went of it through this machine; {@code holds} of it there now */
    public record Drunk(
            long lot,
            String channel,
            String code,
            String make,
            @Nullable String spoiled,
            Millilitres went,
            Millilitres holds,
            @Nullable YearMonth first,
            @Nullable YearMonth last) {}

    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public BottleWay bottle(long id) {
        var lot = db.selectFrom(LOT)
                .where(LOT.ID.eq(id))
                .fetchOptional()
                .orElseThrow(() -> Problem.notFound("There is no bottle of this number (%d).".formatted(id)));
        var family = Family.valueOf(lot.getFamily());
        long left = sum(db.select(DSL.sum(CONTENT.MICROLITRES))
                .from(CONTENT)
                .where(CONTENT.PLACE.eq(new Place.Bottle(id).key()))
                .fetchOne(0, Long.class));
        if (lot.getKind().equals("FLUID")) { // fluid of a family is one: who used which bottle's cannot be told
            return told(lot.getId(), family, lot, left, List.of(), List.of(), List.of(), 0);
        }
        var what = new Substance.Ink(family, ChannelCode.of(lot.getChannel()), id);
        var printed = DSL.selectOne()
                .from(POSTING)
                .where(
                        POSTING.ENTRY_ID.eq(ENTRY.ID),
                        POSTING.SUBSTANCE.eq(what.key()),
                        POSTING.PLACE.eq(Place.Outside.PAPER.key()));
        var which = DSL.exists(printed)
                .and(ENTRY.ID.in(DSL.select(POSTING.ENTRY_ID).from(POSTING).where(POSTING.SUBSTANCE.eq(what.key()))))
                .and(ENTRY.KIND.ne(EntryKind.STRIKE))
                .and(Journal.stands());
        var prints = db.select(ENTRY.ID, ENTRY.AT, ENTRY.WORDS)
                .from(ENTRY)
                .where(which)
                .orderBy(ENTRY.AT.desc(), ENTRY.ID.desc())
                .limit(PRINTS_SHOWN)
                .fetch(r -> new PrintedWith(r.value1(), r.value2().toInstant(), r.value3()));
        return told(
                id,
                family,
                lot,
                left,
                reached(what),
                went(what),
                prints,
                prints.size() < PRINTS_SHOWN ? prints.size() : db.fetchCount(ENTRY, which));
    }

    private static BottleWay told(
            long id,
            Family family,
            LotRecord lot,
            long left,
            List<Reached> reached,
            List<Went> went,
            List<PrintedWith> prints,
            int inAll) {
        return new BottleWay(
                id,
                family.label(),
                lot.getChannel(),
                lot.getMake(),
                lot.getCode(),
                lot.getOpenedOn(),
                lot.getBestBefore(),
                lot.getSpoiled(),
                lot.getBottleKind() == null ? null : BottleKind.valueOf(lot.getBottleKind()),
                new Millilitres(left),
                reached,
                went,
                prints,
                inAll);
    }

    private static long sum(@Nullable Long found) {
        return found == null ? 0 : found;
    }

    private List<Went> went(Substance what) {
        var sums = new EnumMap<Cause, Long>(Cause.class);
        outflow.of(what).stream()
                .filter(g -> !g.cause().comesIn())
                .forEach(g -> sums.merge(g.cause(), g.microlitres(), Long::sum));
        return sums.entrySet().stream()
                .filter(e -> e.getValue() != 0)
                .map(e -> new Went(e.getKey().label(), e.getValue() / 1000.0))
                .toList();
    }

    private record There(long machine, ChannelCode channel) {}

    private static Optional<There> there(Place place) {
        return switch (place) {
            case Place.InPath(var machine, var channel, var _) -> Optional.of(new There(machine, channel));
            case Place.Tray(var machine, var channel) -> Optional.of(new There(machine, channel));
            case Place.Bottle _, Place.Pad _, Place.Waste _, Place.Outside _ -> Optional.empty();
        };
    }

    /** What one act brought to a channel: of what only went from its tank into its line, nothing. */
    private record Gain(long entry, There there) {}

    private List<Reached> reached(Substance what) {
        var names = db.select(MACHINE.ID, MACHINE.NAME).from(MACHINE).fetchMap(MACHINE.ID, MACHINE.NAME);
        var holds = new HashMap<There, Long>();
        db.select(CONTENT.PLACE, CONTENT.MICROLITRES)
                .from(CONTENT)
                .where(CONTENT.SUBSTANCE.eq(what.key()))
                .forEach(r ->
                        there(Place.parse(r.value1())).ifPresent(there -> holds.merge(there, r.value2(), Long::sum)));
        var gains = new HashMap<Gain, Long>();
        var first = new LinkedHashMap<There, Instant>();
        var last = new HashMap<There, Instant>();
        db.select(POSTING.ENTRY_ID, POSTING.PLACE, POSTING.MICROLITRES, ENTRY.AT)
                .from(POSTING)
                .join(ENTRY)
                .on(ENTRY.ID.eq(POSTING.ENTRY_ID))
                .where(POSTING.SUBSTANCE.eq(what.key()), ENTRY.KIND.ne(EntryKind.STRIKE), Journal.stands())
                .orderBy(ENTRY.AT, ENTRY.ID)
                .forEach(r -> there(Place.parse(r.value2())).ifPresent(there -> {
                    gains.merge(new Gain(r.value1(), there), r.value3(), Long::sum);
                    first.putIfAbsent(there, r.value4().toInstant());
                    last.put(there, r.value4().toInstant());
                }));
        var poured = new HashMap<There, Long>();
        gains.forEach((gain, amount) -> poured.merge(gain.there(), Math.max(0, amount), Long::sum));
        return first.entrySet().stream()
                .map(e -> new Reached(
                        e.getKey().machine(),
                        names.getOrDefault(e.getKey().machine(), ""),
                        e.getKey().channel().code(),
                        new Millilitres(poured.getOrDefault(e.getKey(), 0L)),
                        new Millilitres(holds.getOrDefault(e.getKey(), 0L)),
                        e.getValue(),
                        Objects.requireNonNull(last.get(e.getKey()))))
                .toList();
    }

    /** The newest first. */
    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public List<Drunk> ofMachine(long machine) {
        var holds = new HashMap<Substance, Long>();
        db.select(CONTENT.SUBSTANCE, CONTENT.MICROLITRES)
                .from(CONTENT)
                .where(CONTENT.PLACE.startsWith("path/" + machine + "/"))
                .forEach(r -> holds.merge(Substance.parse(r.value1()), r.value2(), Long::sum));
        var went = new HashMap<Substance, Long>();
        var months = new HashMap<Substance, List<YearMonth>>();
        db.select(GONE.SUBSTANCE, DSL.sum(GONE.MICROLITRES), DSL.min(GONE.MONTH), DSL.max(GONE.MONTH))
                .from(GONE)
                .where(GONE.MACHINE_ID.eq(machine), GONE.CAUSE.notIn(Cause.BOUGHT, Cause.BROUGHT_IN))
                .groupBy(GONE.SUBSTANCE)
                .forEach(r -> {
                    var what = Substance.parse(r.value1());
                    went.put(what, r.value2().longValue());
                    months.put(what, List.of(YearMonth.from(r.value3()), YearMonth.from(r.value4())));
                });
        var lots = db.selectFrom(LOT).fetchMap(LOT.ID);
        var drunk = new ArrayList<Drunk>();
        Stream.concat(holds.keySet().stream(), went.keySet().stream())
                .distinct()
                .forEach(what -> {
                    if (what instanceof Substance.Ink(var _, var channel, var lot) && lots.containsKey(lot)) {
                        var bottle = lots.get(lot);
                        var span = months.get(what);
                        drunk.add(new Drunk(
                                lot,
                                channel.code(),
                                bottle.getCode(),
                                bottle.getMake(),
                                bottle.getSpoiled(),
                                new Millilitres(Math.max(0, went.getOrDefault(what, 0L))),
                                new Millilitres(holds.getOrDefault(what, 0L)),
                                span == null ? null : span.getFirst(),
                                span == null ? null : span.getLast()));
                    }
                });
        drunk.sort(Comparator.comparing(Drunk::channel).thenComparing(Drunk::lot, Comparator.reverseOrder()));
        return drunk;
    }
}
