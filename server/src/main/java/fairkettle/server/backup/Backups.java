package fairkettle.server.backup;

import static fairkettle.db.Tables.BACKUP;

import fairkettle.server.live.Live;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.io.IOException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.Executors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * One copy of the shop a night, kept for a fortnight, and as many more as are asked for. A copy counts once it was read
 * back; the newest that counts is never thrown away.
 */
@Service
class Backups {

    static final Duration KEPT = Duration.ofDays(14);

    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    private static final LocalTime NIGHT = LocalTime.of(3, 0);
    private static final Duration CUT_SHORT =
            Duration.ofHours(5); // what longer says nothing was stopped with its server
    private static final DateTimeFormatter NAME =
            DateTimeFormatter.ofPattern("'fair-kettle-'yyyyMMdd-HHmmss'.tar'").withZone(ZoneOffset.UTC);

    private final DSLContext db;
    private final BackupCommand command;
    private final Clock clock;
    private final Shop shop;
    private final Live live;
    private final String server;
    private final Executor meanwhile;

    @Autowired
    Backups(
            DSLContext db,
            BackupCommand command,
            Clock clock,
            Shop shop,
            Live live,
            @Value("${server.port}") String port) {
        this(db, command, clock, shop, live, port, Executors.newVirtualThreadPerTaskExecutor());
    }

    /** @param meanwhile carries what takes minutes */
    Backups(DSLContext db, BackupCommand command, Clock clock, Shop shop, Live live, String port, Executor meanwhile) {
        this.db = db;
        this.command = command;
        this.clock = clock;
        this.shop = shop;
        this.live = live;
        this.server = hostName() + ":" + port;
        this.meanwhile = meanwhile;
    }

    /**
     * @param bytes null while it is made
     * @param provedAt when it was read back whole; null if it was not, or not yet
     * @param said why it is none; null if nothing is wrong with it
     * @param here whether its file lies beside this server
     */
    record Backup(
            long id,
            Instant askedAt,
            String server,
            String file,
            @Nullable Long bytes,
            @Nullable Instant provedAt,
            @Nullable String said,
            boolean here) {}

    /** The newest first. */
    List<Backup> all() {
        return db.selectFrom(BACKUP).orderBy(BACKUP.ID.desc()).fetch(this::read);
    }

    private Backup read(Record row) {
        var file = row.get(BACKUP.FILE);
        return new Backup(
                row.get(BACKUP.ID),
                row.get(BACKUP.ASKED_AT).toInstant(),
                row.get(BACKUP.SERVER),
                file,
                row.get(BACKUP.BYTES),
                Optional.ofNullable(row.get(BACKUP.PROVED_AT))
                        .map(at -> at.toInstant())
                        .orElse(null),
                row.get(BACKUP.SAID),
                command.folder().map(f -> Files.exists(f.resolve(file))).orElse(false));
    }

    /** Whether this server can make one. */
    boolean possible() {
        return command.folder().isPresent();
    }

    /** The file of one that lies beside this server. */
    Optional<Path> file(long id) {
        return db.selectFrom(BACKUP)
                .where(BACKUP.ID.eq(id))
                .fetchOptional(BACKUP.FILE)
                .flatMap(file -> command.folder().map(f -> f.resolve(file)))
                .filter(Files::exists);
    }

    /** Begins one now; it is made and proved while others go on. */
    void ask() {
        if (!possible()) {
            throw Problem.refused(
                    "This kettle was started without its start command, so it cannot save the shop by itself. On its"
                            + " machine: ./kettle backup FILE.",
                    List.of());
        }
        if (!begin(null)) {
            throw Problem.lostRace("One is being made already. It takes a minute or two.");
        }
    }

    /** The night's own, as soon as the computer is on after three. */
    @Scheduled(initialDelayString = "PT5M", fixedDelayString = "PT10M")
    void nightly() {
        if (possible()) {
            var here = clock.instant().atZone(shop.settings().zoneId());
            var night = here.toLocalTime().isBefore(NIGHT) ? here.toLocalDate().minusDays(1) : here.toLocalDate();
            begin(night);
        }
    }

    /** What this server left unfinished when it was stopped is no backup. */
    @EventListener(ApplicationReadyEvent.class)
    void cutShort() {
        endUnfinished(BACKUP.SERVER.eq(server));
    }

    /** Its night is free again for one that is whole. */
    private void endUnfinished(Condition which) {
        db.update(BACKUP)
                .set(BACKUP.SAID, "The kettle was stopped while it was made.")
                .setNull(BACKUP.NIGHT)
                .where(BACKUP.PROVED_AT.isNull())
                .and(BACKUP.SAID.isNull())
                .and(which)
                .execute();
    }

    /** @return whether it began: not if one is being made, or if the night has its own */
    private boolean begin(@Nullable LocalDate night) {
        var now = clock.instant();
        endUnfinished(BACKUP.ASKED_AT.lt(now.minus(CUT_SHORT).atOffset(ZoneOffset.UTC)));
        var name = NAME.format(now);
        var id = db.insertInto(BACKUP)
                .set(BACKUP.NIGHT, night)
                .set(BACKUP.ASKED_AT, now.atOffset(ZoneOffset.UTC))
                .set(BACKUP.SERVER, server)
                .set(BACKUP.FILE, name)
                .onConflictDoNothing()
                .returning(BACKUP.ID)
                .fetchOptional(BACKUP.ID);
        live.changed("backup");
        id.ifPresent(of ->
                meanwhile.execute(() -> make(of, command.folder().orElseThrow().resolve(name))));
        return id.isPresent();
    }

    private void make(long id, Path file) {
        try {
            Files.createDirectories(file.getParent());
            command.save(file);
            settle(id, Files.size(file), null, null);
            command.prove(file);
            settle(id, Files.size(file), clock.instant(), null);
            prune();
        } catch (BackupCommand.Refused e) {
            settle(id, null, null, e.getMessage());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            settle(id, null, null, "It was interrupted.");
        } catch (IOException | RuntimeException e) {
            LOG.warn("The shop was not saved", e);
            settle(id, null, null, "It could not be written: " + e.getMessage());
        }
    }

    private void settle(long id, @Nullable Long bytes, @Nullable Instant provedAt, @Nullable String said) {
        if (said != null) {
            LOG.warn("The shop was not saved: {}", said);
        }
        db.update(BACKUP)
                .set(BACKUP.BYTES, bytes)
                .set(BACKUP.PROVED_AT, provedAt == null ? null : provedAt.atOffset(ZoneOffset.UTC))
                .set(BACKUP.SAID, said)
                .where(BACKUP.ID.eq(id))
                .execute();
        live.changed("backup");
    }

    private void prune() throws IOException {
        var before = clock.instant().minus(KEPT);
        var newest = all().stream().filter(b -> b.provedAt() != null).findFirst();
        for (var backup : all()) {
            if (backup.askedAt().isBefore(before)
                    && newest.map(n -> n.id() != backup.id()).orElse(true)
                    && (backup.here() || backup.server().equals(server))) {
                Files.deleteIfExists(command.folder().orElseThrow().resolve(backup.file()));
                db.deleteFrom(BACKUP).where(BACKUP.ID.eq(backup.id())).execute();
            }
        }
    }

    private static String hostName() {
        try {
            return InetAddress.getLocalHost().getHostName();
        } catch (UnknownHostException e) {
            return "this computer";
        }
    }
}
