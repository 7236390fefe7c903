package fairkettle.server.owed;

import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.OWED;

import fairkettle.books.EntryKind;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Owing;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.people.Who;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Dated tasks of machines. One that comes round is written down again when it is done. */
@Repository
public class Owed {

    /** How long something that was left out may wait. */
    private static final int A_WEEK = 7;

    private final DSLContext db;
    private final Ledger ledger;
    private final Journal journal;
    private final Live live;
    private final Who who;
    private final Shop shop;
    private final Clock clock;

    Owed(DSLContext db, Ledger ledger, Journal journal, Live live, Who who, Shop shop, Clock clock) {
        this.db = db;
        this.ledger = ledger;
        this.journal = journal;
        this.live = live;
        this.who = who;
        this.shop = shop;
        this.clock = clock;
    }

    /** @param every days after which it comes round again, or null */
    public record Task(
            long id,
            @Nullable Long card,
            @Nullable String step,
            String words,
            String why,
            LocalDate due,
            @Nullable Integer every,
            boolean late) {}

    /** @param inDays from today */
    public record NewTask(
            Owing kind,
            String words,
            String why,
            int inDays,
            @Nullable Integer every) {}

    /** Open ones, the earliest first. */
    public List<Task> of(long machine) {
        return tasks(OWED.MACHINE_ID.eq(machine)).getOrDefault(machine, List.of());
    }

    /** Open ones of every machine. */
    public Map<Long, List<Task>> all() {
        return tasks(org.jooq.impl.DSL.noCondition());
    }

    private Map<Long, List<Task>> tasks(Condition where) {
        var today = today();
        return db.selectFrom(OWED).where(where, OWED.DONE_AT.isNull()).orderBy(OWED.DUE, OWED.ID).fetch().stream()
                .collect(Collectors.groupingBy(
                        r -> r.getMachineId(),
                        Collectors.mapping(
                                r -> new Task(
                                        r.getId(),
                                        r.getCardId(),
                                        r.getStepId(),
                                        r.getWords(),
                                        r.getWhy(),
                                        r.getDue(),
                                        r.getEveryDays(),
                                        !r.getDue().isAfter(today)),
                                Collectors.toList())));
    }

    /** An act leaves something owing; a step that was left out is owed until it is taken up. */
    void take(Act act, Consequence.Owes owes) {
        var task = new NewTask(owes.what(), owes.words(), owes.why(), owes.inDays(), owes.every());
        if (owes.what() == Owing.STEP) {
            insert(act.machine(), act.card(), act.step(), task);
        } else {
            add(act.machine(), task);
        }
    }

    /** The same words are owed once, however often they are said. */
    public void add(long machine, NewTask task) {
        if (!db.fetchExists(MACHINE, MACHINE.ID.eq(machine))) {
            throw Problem.notFound("There is no machine of this number (%d).".formatted(machine));
        }
        if (!db.fetchExists(OWED, OWED.MACHINE_ID.eq(machine), OWED.WORDS.eq(task.words()), OWED.DONE_AT.isNull())) {
            insert(machine, null, null, task);
        }
    }

    private void insert(long machine, @Nullable Long card, @Nullable String step, NewTask task) {
        db.insertInto(OWED)
                .set(OWED.MACHINE_ID, machine)
                .set(OWED.CARD_ID, card)
                .set(OWED.STEP_ID, step)
                .set(OWED.KIND, task.kind().name())
                .set(OWED.WORDS, task.words())
                .set(OWED.WHY, task.why())
                .set(OWED.DUE, today().plusDays(task.inDays()))
                .set(OWED.EVERY_DAYS, task.every())
                .set(OWED.MADE_AT, clock.instant().atOffset(ZoneOffset.UTC))
                .onConflictDoNothing()
                .execute();
        live.changed("machine/" + machine);
    }

    /** Done, whoever says so first; a second tap changes nothing. */
    @Transactional
    public void done(long machine, long id) {
        ledger.hold(List.of(machine), List.of());
        var task = db.select(OWED.WORDS, OWED.DONE_AT, MACHINE.NAME)
                .from(OWED)
                .join(MACHINE)
                .on(MACHINE.ID.eq(OWED.MACHINE_ID))
                .where(OWED.ID.eq(id), OWED.MACHINE_ID.eq(machine))
                .fetchOptional()
                .orElseThrow(
                        () -> Problem.notFound("Nothing of this number (%d) is owed to this machine.".formatted(id)));
        if (task.value2() == null) {
            journal.write(
                    NewEntry.of(EntryKind.OWED, "%s: done, %s".formatted(task.value3(), task.value1()))
                            .machine(machine),
                    List.of(),
                    List.of(new Consequence.Settled(id)));
        }
    }

    /** One that comes round is written down again. */
    void finished(long machine, long id) {
        finish(id);
        var task = db.selectFrom(OWED).where(OWED.ID.eq(id)).fetchSingle();
        if (task.getEveryDays() != null) {
            insert(
                    machine,
                    null,
                    null,
                    new NewTask(
                            Owing.valueOf(task.getKind()),
                            task.getWords(),
                            task.getWhy(),
                            task.getEveryDays(),
                            task.getEveryDays()));
        }
    }

    /** What was owed of this kind is not any more. */
    public void settled(long machine, Owing kind) {
        db.select(OWED.ID)
                .from(OWED)
                .where(OWED.MACHINE_ID.eq(machine), OWED.KIND.eq(kind.name()), OWED.DONE_AT.isNull())
                .forEach(r -> finish(r.value1()));
    }

    private void finish(long id) {
        Instant now = clock.instant();
        db.update(OWED)
                .set(OWED.DONE_AT, now.atOffset(ZoneOffset.UTC))
                .set(OWED.PERSON_ID, who.id())
                .where(OWED.ID.eq(id))
                .execute();
    }

    private LocalDate today() {
        return LocalDate.now(clock.withZone(shop.settings().zoneId()));
    }
}
