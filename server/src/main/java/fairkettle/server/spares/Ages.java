package fairkettle.server.spares;

import static fairkettle.db.Tables.FITTED_PART;
import static fairkettle.db.Tables.MACHINE;

import fairkettle.books.EntryKind;
import fairkettle.procedure.Consequence;
import fairkettle.routine.Routines;
import fairkettle.server.benches.Machines;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.routines.Standings;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import fairkettle.typed.Days;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** How old the parts of every machine are. */
@Repository
public class Ages {

    private final DSLContext db;
    private final Machines machines;
    private final Standings standings;
    private final Journal journal;
    private final Shop shop;
    private final Live live;
    private final Clock clock;

    Ages(DSLContext db, Machines machines, Standings standings, Journal journal, Shop shop, Live live, Clock clock) {
        this.db = db;
        this.machines = machines;
        this.standings = standings;
        this.journal = journal;
        this.shop = shop;
        this.live = live;
        this.clock = clock;
    }

    /**
     * @param since the day on which it was fitted; where {@code atLeast}, it was there on that day already
     * @param due when it should be exchanged, where something foretells it
     */
    public record Age(
            long machine,
            String machineName,
            String part,
            @Nullable String channel,
            LocalDate since,
            long days,
            boolean atLeast,
            @Nullable Instant due) {}

    /** Of every machine, oldest first. */
    List<Age> all() {
        return ages(standings.all(), DSL.trueCondition());
    }

    /** Of one machine, oldest first. */
    public List<Age> of(long machine) {
        return ages(List.of(standings.of(machine)), FITTED_PART.MACHINE_ID.eq(machine));
    }

    private List<Age> ages(List<Standings.OfMachine> machines, Condition fitted) {
        var zone = shop.settings().zoneId();
        var today = LocalDate.now(clock.withZone(zone));
        var ages = new ArrayList<Age>();
        for (var of : machines) {
            for (var standing : of.all()) {
                var part = Routines.part(standing.key().routine()).orElse(null);
                if (part != null) {
                    var since = LocalDate.ofInstant(standing.mark().since(), zone);
                    ages.add(new Age(
                            of.machine().id(),
                            of.machine().name(),
                            part,
                            Objects.toString(standing.key().channel(), null),
                            since,
                            ChronoUnit.DAYS.between(since, today),
                            standing.mark().entry() == null,
                            standing.due()));
                }
            }
        }
        db.select(FITTED_PART.MACHINE_ID, MACHINE.NAME, FITTED_PART.PART, FITTED_PART.FITTED_ON)
                .distinctOn(FITTED_PART.MACHINE_ID, FITTED_PART.PART)
                .from(FITTED_PART)
                .join(MACHINE)
                .on(MACHINE.ID.eq(FITTED_PART.MACHINE_ID))
                .where(fitted)
                .orderBy(FITTED_PART.MACHINE_ID, FITTED_PART.PART, FITTED_PART.FITTED_ON.desc(), FITTED_PART.ID.desc())
                .forEach(r -> ages.add(new Age(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        null,
                        r.value4(),
                        ChronoUnit.DAYS.between(r.value4(), today),
                        false,
                        null)));
        ages.sort(
                Comparator.comparing(Age::since).thenComparing(Age::machineName).thenComparing(Age::part));
        return ages;
    }

    @Transactional
    public void fitted(long machine, String part, LocalDate on) {
        if (on.isAfter(LocalDate.now(clock.withZone(shop.settings().zoneId())))) {
            throw Problem.atField("on", "That day is still to come.");
        }
        journal.write(
                NewEntry.of(
                                EntryKind.UPKEEP,
                                "%s: a new %s since %s"
                                        .formatted(machines.get(machine).name(), part, Days.said(on)))
                        .machine(machine),
                List.of(),
                List.of(new Consequence.PartFitted(part, on)));
    }

    void take(Act act, Consequence.PartFitted fitted) {
        db.insertInto(FITTED_PART)
                .set(FITTED_PART.ENTRY_ID, act.entry())
                .set(FITTED_PART.MACHINE_ID, act.machine())
                .set(FITTED_PART.PART, fitted.part())
                .set(FITTED_PART.FITTED_ON, fitted.on())
                .execute();
        live.changed("shelf");
    }
}
