package fairkettle.server.printing;

import static fairkettle.db.Tables.PRINTER;
import static fairkettle.db.Tables.PRINT_JOB;

import fairkettle.db.tables.records.PrintJobRecord;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.net.URI;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Where the machines' printers are, and the sheets on their way to them. */
@Repository
public class Printers {

    private static final Duration GIVEN_UP =
            Duration.ofSeconds(60); // longer than sending can last: whoever was at it is gone

    private final DSLContext db;
    private final Live live;
    private final Clock clock;

    Printers(DSLContext db, Live live, Clock clock) {
        this.db = db;
        this.live = live;
        this.clock = clock;
    }

    /** How far a sheet has come. */
    public enum State {
        QUEUED,
        SENDING,
        UNSURE,
        PRINTING,
        DONE,
        FAILED,
        CANCELLED;

        public boolean over() {
            return this == DONE || this == FAILED || this == CANCELLED;
        }
    }

    /** @param words what to know or do, in a sentence */
    public record Job(long id, long sheet, long machine, State state, String words, Instant madeAt) {}

    record Sending(
            long id,
            long sheet,
            long machine,
            String token,
            URI uri,
            @Nullable Integer remote,
            State state,
            boolean cancel,
            Instant touched) {

        /** Under this name the printer knows it. */
        String name() {
            return "Sheet %d (%s)".formatted(sheet, token);
        }
    }

    public Optional<String> of(long machine) {
        return db.select(PRINTER.URI)
                .from(PRINTER)
                .where(PRINTER.MACHINE_ID.eq(machine))
                .fetchOptional(PRINTER.URI);
    }

    /** Whether a machine prints white by itself, where a page has it as a spot colour. */
    public boolean separates(long machine) {
        return db.fetchExists(PRINTER, PRINTER.MACHINE_ID.eq(machine).and(PRINTER.SEPARATES));
    }

    /** @param uri empty to forget it; @param separates whether it prints white by itself */
    @Transactional
    public void set(long machine, String uri, boolean separates) {
        if (uri.isBlank()) {
            db.deleteFrom(PRINTER).where(PRINTER.MACHINE_ID.eq(machine)).execute();
        } else {
            var valid = valid(uri.strip());
            db.insertInto(PRINTER)
                    .set(PRINTER.MACHINE_ID, machine)
                    .set(PRINTER.URI, valid.toString())
                    .set(PRINTER.SEPARATES, separates)
                    .onConflict(PRINTER.MACHINE_ID)
                    .doUpdate()
                    .set(PRINTER.URI, valid.toString())
                    .set(PRINTER.SEPARATES, separates)
                    .setNull(PRINTER.FINGERPRINT)
                    .execute();
        }
        live.changed("machine/" + machine);
    }

    /** Whether an address is in the network, behind its password, and not on this machine. @throws Problem likewise */
    static boolean inNetwork(String typed) {
        var host = valid(typed.strip()).getHost();
        return !host.equals("localhost") && !host.startsWith("127.") && !host.equals("[::1]");
    }

    private static URI valid(String typed) {
        try {
            var uri = URI.create(typed);
            if (List.of("ipp", "ipps").contains(String.valueOf(uri.getScheme()))
                    && uri.getHost() != null
                    && uri.getUserInfo() == null) {
                return uri.getRawPath() == null || uri.getRawPath().isEmpty() ? URI.create(typed + "/ipp/print") : uri;
            }
        } catch (IllegalArgumentException e) {
            // said below
        }
        throw Problem.atField(
                "uri", "Write it as ipp://address/ipp/print; the address stands in the machine’s network menu.");
    }

    Optional<String> fingerprint(long machine) {
        return db.select(PRINTER.FINGERPRINT)
                .from(PRINTER)
                .where(PRINTER.MACHINE_ID.eq(machine))
                .fetchOptional(PRINTER.FINGERPRINT);
    }

    void remember(long machine, String fingerprint) {
        db.update(PRINTER)
                .set(PRINTER.FINGERPRINT, fingerprint)
                .where(PRINTER.MACHINE_ID.eq(machine))
                .and(PRINTER.FINGERPRINT.isNull())
                .execute();
    }

    /** Puts a sheet on its way. Asked again while it may still come out, nothing happens. */
    @Transactional
    public void queue(long sheet, long machine) {
        var uri = of(machine)
                .orElseThrow(() -> Problem.refused(
                        "No printer is entered for this machine. Enter its address, or take the PDF.", List.of()));
        var now = clock.instant().atOffset(ZoneOffset.UTC);
        db.insertInto(PRINT_JOB)
                .set(PRINT_JOB.SHEET_ID, sheet)
                .set(PRINT_JOB.MACHINE_ID, machine)
                .set(PRINT_JOB.TOKEN, UUID.randomUUID().toString().substring(0, 8))
                .set(PRINT_JOB.URI, uri)
                .set(PRINT_JOB.STATE, State.QUEUED.name())
                .set(PRINT_JOB.MADE_AT, now)
                .set(PRINT_JOB.TOUCHED_AT, now)
                .onConflictDoNothing()
                .execute();
        live.changed("machine/" + machine);
    }

    /** The newest way of each sheet of a machine. */
    public List<Job> jobs(long machine) {
        return db.select()
                .distinctOn(PRINT_JOB.SHEET_ID)
                .from(PRINT_JOB)
                .where(PRINT_JOB.MACHINE_ID.eq(machine))
                .orderBy(PRINT_JOB.SHEET_ID.desc(), PRINT_JOB.ID.desc())
                .limit(12)
                .fetch(r -> new Job(
                        r.get(PRINT_JOB.ID),
                        r.get(PRINT_JOB.SHEET_ID),
                        r.get(PRINT_JOB.MACHINE_ID),
                        State.valueOf(r.get(PRINT_JOB.STATE)),
                        r.get(PRINT_JOB.WORDS),
                        r.get(PRINT_JOB.MADE_AT).toInstant()));
    }

    /** The newest way of a sheet; empty if it was never sent. */
    public Optional<Job> way(long sheet) {
        return db.selectFrom(PRINT_JOB)
                .where(PRINT_JOB.SHEET_ID.eq(sheet))
                .orderBy(PRINT_JOB.ID.desc())
                .limit(1)
                .fetchOptional(Printers::job);
    }

    private static Job job(PrintJobRecord r) {
        return new Job(
                r.getId(),
                r.getSheetId(),
                r.getMachineId(),
                State.valueOf(r.getState()),
                r.getWords(),
                r.getMadeAt().toInstant());
    }

    public Job job(long id) {
        return db.selectFrom(PRINT_JOB)
                .where(PRINT_JOB.ID.eq(id))
                .fetchOptional(Printers::job)
                .orElseThrow(() -> Problem.notFound("There is no print job of this number (%d).".formatted(id)));
    }

    /** A person asks for it to stop; the printer is told as soon as it can be. */
    @Transactional
    public void askToCancel(long id) {
        db.update(PRINT_JOB)
                .set(PRINT_JOB.CANCEL, true)
                .where(PRINT_JOB.ID.eq(id))
                .execute();
        db.update(PRINT_JOB)
                .set(PRINT_JOB.STATE, State.CANCELLED.name())
                .set(PRINT_JOB.WORDS, "Never sent.")
                .where(PRINT_JOB.ID.eq(id))
                .and(PRINT_JOB.STATE.eq(State.QUEUED.name()))
                .execute();
        live.changed("machine/" + job(id).machine());
    }

    /** Takes the open jobs that are due for a look, so that no other server does meanwhile. */
    @Transactional
    public List<Sending> take(Duration every) {
        var now = clock.instant();
        return db.selectFrom(PRINT_JOB)
                .where(PRINT_JOB.STATE.in(
                        State.QUEUED.name(), State.SENDING.name(), State.UNSURE.name(), State.PRINTING.name()))
                .and(PRINT_JOB
                        .STATE
                        .eq(State.QUEUED.name())
                        .or(PRINT_JOB
                                .STATE
                                .ne(State.SENDING.name())
                                .and(PRINT_JOB.TOUCHED_AT.lt(now.minus(every).atOffset(ZoneOffset.UTC))))
                        .or(PRINT_JOB.TOUCHED_AT.lt(now.minus(GIVEN_UP).atOffset(ZoneOffset.UTC))))
                .orderBy(PRINT_JOB.ID)
                .limit(10)
                .forUpdate()
                .skipLocked()
                .fetch(r -> {
                    var was = State.valueOf(r.getState());
                    // why: whoever is killed from here on leaves SENDING behind, and nobody sends that again unasked
                    r.setTouchedAt(now.atOffset(ZoneOffset.UTC));
                    r.setState(was == State.QUEUED ? State.SENDING.name() : was.name());
                    r.update();
                    return new Sending(
                            r.getId(),
                            r.getSheetId(),
                            r.getMachineId(),
                            r.getToken(),
                            URI.create(r.getUri()),
                            r.getRemoteId(),
                            was,
                            r.getCancel(),
                            now);
                });
    }

    @Transactional
    public void set(Sending job, State state, String words, @Nullable Integer remote) {
        int changed = db.update(PRINT_JOB)
                .set(PRINT_JOB.STATE, state.name())
                .set(PRINT_JOB.WORDS, words)
                .set(PRINT_JOB.REMOTE_ID, remote)
                .set(PRINT_JOB.TOUCHED_AT, clock.instant().atOffset(ZoneOffset.UTC))
                .where(PRINT_JOB.ID.eq(job.id()))
                .and(PRINT_JOB
                        .STATE
                        .ne(state.name())
                        .or(PRINT_JOB.WORDS.ne(words))
                        .or(PRINT_JOB.REMOTE_ID.isDistinctFrom(remote)))
                .and(PRINT_JOB.STATE.notIn(State.DONE.name(), State.FAILED.name(), State.CANCELLED.name()))
                .execute();
        if (changed > 0) {
            live.changed("machine/" + job.machine());
        }
    }

    /** A person looked into the tray. @param came whether it is there */
    @Transactional
    public Job settle(long id, boolean came) {
        db.update(PRINT_JOB)
                .set(PRINT_JOB.STATE, (came ? State.DONE : State.FAILED).name())
                .set(PRINT_JOB.WORDS, came ? "It came out." : "It did not come out.")
                .where(PRINT_JOB.ID.eq(id))
                .and(PRINT_JOB.STATE.notIn(State.DONE.name(), State.FAILED.name(), State.CANCELLED.name()))
                .execute();
        live.changed("machine/" + job(id).machine());
        return job(id);
    }
}
