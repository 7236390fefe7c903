package fairkettle.server.keys;

import static fairkettle.db.Tables.INSTALLER;

import fairkettle.books.EntryKind;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.web.PaperFile;
import fairkettle.server.web.Problem;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HexFormat;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Files that are installed from: the shop that sold them may be gone when they are wanted again. */
@Repository
public class Installers {

    private static final int MOST = 25_000_000; // bytes
    private static final int EACH = 6; // for one machine

    private final DSLContext db;
    private final Journal journal;
    private final Live live;
    private final Clock clock;

    Installers(DSLContext db, Journal journal, Live live, Clock clock) {
        this.db = db;
        this.journal = journal;
        this.live = live;
        this.clock = clock;
    }

    /** @param sha256 of its bytes, to be held against what the seller says */
    public record Installer(
            long id, String name, String version, String origin, String sha256, int bytes, Instant at) {}

    public record File(String name, byte[] bytes) {}

    public List<Installer> of(long machine) {
        return db.select(
                        INSTALLER.ID,
                        INSTALLER.NAME,
                        INSTALLER.VERSION,
                        INSTALLER.ORIGIN,
                        INSTALLER.SHA256,
                        DSL.field("octet_length({0})", Integer.class, INSTALLER.BYTES),
                        INSTALLER.AT)
                .from(INSTALLER)
                .where(INSTALLER.MACHINE_ID.eq(machine))
                .orderBy(INSTALLER.ID)
                .fetch(r -> new Installer(
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        r.value4(),
                        r.value5(),
                        r.value6(),
                        r.value7().toInstant()));
    }

    @Transactional
    public void keep(long machine, String machineName, String name, String version, String origin, byte[] bytes) {
        PaperFile.fits(bytes, MOST, "installer");
        if (of(machine).size() >= EACH) {
            throw Problem.refused("%d installers are kept with it. Throw one away first.".formatted(EACH), List.of());
        }
        db.insertInto(INSTALLER)
                .set(INSTALLER.MACHINE_ID, machine)
                .set(INSTALLER.NAME, name)
                .set(INSTALLER.VERSION, version)
                .set(INSTALLER.ORIGIN, origin)
                .set(INSTALLER.SHA256, sha256(bytes))
                .set(INSTALLER.BYTES, bytes)
                .set(INSTALLER.AT, clock.instant().atOffset(ZoneOffset.UTC))
                .execute();
        journal.write(
                NewEntry.of(EntryKind.KEY, "%s: the installer “%s” is kept with it".formatted(machineName, name))
                        .machine(machine),
                List.of());
        live.changed("machine/" + machine);
    }

    private static String sha256(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256.", e);
        }
    }

    public File file(long machine, long installer) {
        return db.select(INSTALLER.NAME, INSTALLER.BYTES)
                .from(INSTALLER)
                .where(INSTALLER.ID.eq(installer), INSTALLER.MACHINE_ID.eq(machine))
                .fetchOptional(r -> new File(r.value1(), r.value2()))
                .orElseThrow(() -> Problem.notFound("There is no such installer with this machine."));
    }

    @Transactional
    public void discard(long machine, long installer) {
        db.deleteFrom(INSTALLER)
                .where(INSTALLER.ID.eq(installer), INSTALLER.MACHINE_ID.eq(machine))
                .execute();
        live.changed("machine/" + machine);
    }
}
