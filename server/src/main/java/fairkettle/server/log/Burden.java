package fairkettle.server.log;

import static fairkettle.db.Tables.CARD;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.POSTING;

import fairkettle.books.EntryKind;
import fairkettle.ink.ChannelCode;
import fairkettle.procedure.StepRun;
import fairkettle.routine.Routines;
import fairkettle.server.benches.Machines;
import fairkettle.server.cards.Cards;
import fairkettle.server.journal.Journal;
import fairkettle.server.routines.UpkeepBook;
import fairkettle.server.shelf.Supplies;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** What keeping machines alive takes, against what they print: by kind of machine, so that a dear kind is seen. */
@Repository
public class Burden {

    private static final double SHEET = 0.210 * 0.297; // m²
    private static final int CHECK = 3; // minutes that a look at a check takes
    private static final int CLEANING = 2;

    private final DSLContext db;
    private final Machines machines;
    private final Cards cards;
    private final Supplies supplies;
    private final Clock clock;

    Burden(DSLContext db, Machines machines, Cards cards, Supplies supplies, Clock clock) {
        this.db = db;
        this.machines = machines;
        this.cards = cards;
        this.supplies = supplies;
        this.clock = clock;
    }

    /**
     * One kind of machine.
     *
     * @param printed m² for customers
     * @param minutes of hands; @param mL of ink that went into pads, waste and on upkeep’s paper; @param parts money,
     *     minor units
     * @param perSquareMetre the three of them for each m²; null while nothing was printed
     */
    public record BurdenLine(
            String kind,
            List<String> machines,
            double printed,
            int minutes,
            double mL,
            long parts,
            @Nullable BurdenShare perSquareMetre) {}

    /** What one machine took. @param sheets for customers; the rest as of {@link BurdenLine} */
    public record OfMachine(Machines.Machine machine, int sheets, int minutes, double mL, long parts) {}

    public record BurdenShare(double minutes, double mL, long parts) {}

    private static final class Sum {
        private final List<String> names = new ArrayList<>();
        private double printed;
        private int sheets;
        private double minutes;
        private double mL;
        private long parts;

        private void add(Sum other) {
            names.addAll(other.names);
            printed += other.printed;
            sheets += other.sheets;
            minutes += other.minutes;
            mL += other.mL;
            parts += other.parts;
        }

        private BurdenLine line(String kind) {
            return new BurdenLine(
                    kind,
                    List.copyOf(names),
                    printed,
                    (int) Math.round(minutes),
                    mL,
                    parts,
                    printed < 1e-9
                            ? null
                            : new BurdenShare(minutes / printed, mL / printed, Math.round(parts / printed)));
        }
    }

    @Transactional(readOnly = true)
    public List<BurdenLine> lastDays(int days) {
        return between(clock.instant().minus(Duration.ofDays(days)), Instant.MAX);
    }

    /** @param until left out; {@link Instant#MAX} for now */
    @Transactional(readOnly = true)
    public List<BurdenLine> between(Instant from, Instant until) {
        var kinds = new LinkedHashMap<String, Sum>();
        var all = machines.all();
        var sums = sums(all, from, until);
        for (var machine : all) {
            boolean white = machine.profile().codes().stream().anyMatch(ChannelCode::white);
            var kind = machine.profile().architecture().label()
                    + (white ? ", with white" : "")
                    + (machine.profile().headsByUser() ? ", two heads" : "");
            kinds.computeIfAbsent(kind, _ -> new Sum()).add(sums.getOrDefault(machine.id(), new Sum()));
        }
        return kinds.entrySet().stream().map(e -> e.getValue().line(e.getKey())).toList();
    }

    /** Machine by machine, in the last days. */
    @Transactional(readOnly = true)
    public List<OfMachine> ofMachines(int days) {
        var all = machines.all();
        var sums = sums(all, clock.instant().minus(Duration.ofDays(days)), Instant.MAX);
        return all.stream()
                .map(m -> {
                    var sum = sums.getOrDefault(m.id(), new Sum());
                    return new OfMachine(m, sum.sheets, (int) Math.round(sum.minutes), sum.mL, sum.parts);
                })
                .toList();
    }

    private Map<Long, Sum> sums(List<Machines.Machine> all, Instant from, Instant until) {
        var since = from.atOffset(ZoneOffset.UTC);
        var end = (until.equals(Instant.MAX) ? clock.instant().plusSeconds(1) : until).atOffset(ZoneOffset.UTC);
        var of = new HashMap<Long, Sum>();
        var hands = new HashMap<Long, Map<String, Integer>>();
        for (var machine : all) {
            var sum = new Sum();
            sum.names.add(machine.name());
            of.put(machine.id(), sum);
            hands.put(
                    machine.id(),
                    UpkeepBook.family(machine).map(f -> Routines.of(machine.profile(), f)).orElse(List.of()).stream()
                            .collect(Collectors.toMap(r -> r.id(), r -> r.hands())));
        }
        db.select(ENTRY.MACHINE_ID, ENTRY.KIND, ENTRY.TOPIC, ENTRY.AMOUNT, ENTRY.CARD_ID)
                .from(ENTRY)
                .where(ENTRY.AT.ge(since), ENTRY.AT.lt(end), ENTRY.MACHINE_ID.isNotNull(), ENTRY.CONTRA_OF.isNull())
                .and(Journal.stands())
                .forEach(r -> {
                    var sum = of.get(r.value1());
                    if (sum == null) {
                        return;
                    }
                    switch (r.value2()) {
                        case PRINT -> {
                            double count = r.value4() == null ? 0 : r.value4();
                            sum.sheets += (int) Math.round(count);
                            sum.printed += count * SHEET;
                        }
                        case UPKEEP ->
                            sum.minutes += r.value5() != null || r.value3() == null
                                    ? 0
                                    : hands.getOrDefault(r.value1(), Map.of())
                                            .getOrDefault(
                                                    r.value3().split("/")[0],
                                                    0); // a card’s minutes are counted with its steps
                        case CHECK -> sum.minutes += CHECK;
                        case CLEANING -> sum.minutes += CLEANING;
                        default -> {}
                    }
                });
        db.select(ENTRY.MACHINE_ID, DSL.sum(POSTING.MICROLITRES))
                .from(POSTING)
                .join(ENTRY)
                .on(ENTRY.ID.eq(POSTING.ENTRY_ID))
                .where(
                        ENTRY.AT.ge(since),
                        ENTRY.AT.lt(end),
                        ENTRY.MACHINE_ID.isNotNull(),
                        ENTRY.KIND.ne(EntryKind.PRINT),
                        POSTING.PLACE
                                .startsWith("pad/")
                                .or(POSTING.PLACE.startsWith("waste/"))
                                .or(POSTING.PLACE.in("outside/PAPER", "outside/WASTE_BOTTLE")),
                        POSTING.SUBSTANCE.startsWith("ink"))
                .groupBy(ENTRY.MACHINE_ID)
                .forEach(r -> of.computeIfPresent(r.value1(), (_, sum) -> {
                    sum.mL += r.value2().doubleValue() / 1000;
                    return sum;
                }));
        var prices = supplies.prices();
        db
                .select(CARD.ID)
                .from(CARD)
                .where(
                        CARD.CREATED_AT.ge(since),
                        CARD.CREATED_AT.lt(end),
                        CARD.WORK.isNotNull().or(CARD.CASE_ID.isNotNull()))
                .fetch(CARD.ID)
                .stream()
                .map(cards::get)
                .forEach(kept -> {
                    var sum = of.get(kept.machine());
                    if (sum != null) {
                        sum.minutes += kept.card().runs().stream()
                                .filter(r -> r.status() == StepRun.Status.DONE)
                                .mapToInt(r -> r.step().minutes())
                                .sum();
                        if (kept.finishedAt() != null) {
                            cards.used(kept, kept.card())
                                    .forEach((what, count) ->
                                            sum.parts += count * prices.getOrDefault(what, what.usualPrice()));
                        }
                    }
                });
        return of;
    }
}
