package fairkettle.server.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.db.Tables;
import fairkettle.server.ServerTest;
import fairkettle.server.live.Live;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;

/** Copies of the shop: one a night, each proved; a stand-in for the start command says what the real one would. */
@ServerTest
class BackupsTest {

    private static final Instant MORNING = Instant.parse("2026-12-01T08:00:00Z");

    @TempDir
    private Path folder;

    @Autowired
    private DSLContext db;

    @Autowired
    private Shop shop;

    @Autowired
    private Live live;

    @BeforeEach
    void none() {
        db.deleteFrom(Tables.BACKUP).execute();
    }

    /** @param lines of a shell, with the act as {@code $1} and the file as {@code $2} */
    private Backups at(Instant now, String lines) throws IOException {
        var command = folder.resolve("command");
        Files.writeString(command, "#!/bin/sh\n" + lines + "\n");
        Files.setPosixFilePermissions(command, PosixFilePermissions.fromString("rwx------"));
        return new Backups(
                db,
                new BackupCommand(command.toString(), folder.resolve("kept").toString()),
                Clock.fixed(now, ZoneOffset.UTC),
                shop,
                live,
                "1",
                Runnable::run);
    }

    private static Backups.Backup newest(Backups backups) {
        return backups.all().getFirst();
    }

    @Test
    void aCopyCountsOnceItWasReadBack() throws IOException {
        var backups = at(MORNING, "[ $1 = prove ] || echo whole > $2");
        backups.ask();
        var made = newest(backups);
        assertThat(made.provedAt()).isEqualTo(MORNING);
        assertThat(made.bytes()).isEqualTo(6);
        assertThat(backups.file(made.id()))
                .hasValueSatisfying(file -> assertThat(file).hasContent("whole"));
    }

    @Test
    void oneThatCannotBeReadBackSaysWhyAndIsNone() throws IOException {
        var backups = at(MORNING, """
            [ $1 = prove ] || { echo half > $2; exit 0; }
            echo 'kettle: it holds no whole shop: its ink account does not balance.' >&2
            exit 1\
            """);
        backups.ask();
        assertThat(newest(backups).said()).isEqualTo("it holds no whole shop: its ink account does not balance.");
    }

    @Test
    void aNightHasOneHoweverManyServersWakeAndTheNextHasAnother() throws IOException {
        var ours = at(MORNING, "[ $1 = prove ] || echo whole > $2");
        ours.nightly();
        ours.nightly();
        at(MORNING.plusSeconds(3600 * 17), "exit 1").nightly(); // past midnight, and still the same night
        assertThat(ours.all()).hasSize(1);
        var tomorrow = at(MORNING.plusSeconds(3600 * 24), "[ $1 = prove ] || echo whole > $2");
        tomorrow.nightly();
        assertThat(ours.all()).hasSize(2);
    }

    @Test
    void twoAreNotMadeAtOnceAndWhatAStopLeftUnfinishedIsNone() throws IOException {
        var backups = at(MORNING, "[ $1 = prove ] || echo whole > $2");
        db.insertInto(Tables.BACKUP)
                .set(Tables.BACKUP.ASKED_AT, MORNING.atOffset(ZoneOffset.UTC))
                .set(Tables.BACKUP.SERVER, "elsewhere:1")
                .set(Tables.BACKUP.FILE, "left")
                .execute();
        assertThatThrownBy(backups::ask).isInstanceOf(Problem.class).hasMessageContaining("being made already");
        backups.cutShort();
        assertThat(backups.all().getFirst().said())
                .as("another server may be at it")
                .isNull();
        var later = at(MORNING.plusSeconds(3600 * 6), "[ $1 = prove ] || echo whole > $2");
        later.ask();
        assertThat(later.all().getLast().said()).contains("was stopped");
        assertThat(newest(later).provedAt()).isNotNull();
    }

    @Test
    void aNightThatWasCutShortIsMadeAgain() throws IOException {
        db.insertInto(Tables.BACKUP)
                .set(Tables.BACKUP.NIGHT, LocalDate.of(2026, 12, 1))
                .set(Tables.BACKUP.ASKED_AT, MORNING.minusSeconds(3600 * 5 + 1).atOffset(ZoneOffset.UTC))
                .set(Tables.BACKUP.SERVER, "elsewhere:1")
                .set(Tables.BACKUP.FILE, "left")
                .execute();
        var backups = at(MORNING, "[ $1 = prove ] || echo whole > $2");
        backups.nightly();
        assertThat(newest(backups).provedAt()).isEqualTo(MORNING);
    }

    @Test
    void whyItFailedIsSaidWithWhatFailed() throws IOException {
        var backups =
                at(MORNING, "echo 'pg_dump: error: no room'; echo 'kettle: the shop could not be saved.'; exit 1");
        backups.ask();
        assertThat(newest(backups).said()).isEqualTo("pg_dump: error: no room the shop could not be saved.");
    }

    @Test
    void aFortnightIsKeptAndTheLastThatCountsForEver() throws IOException {
        var old = at(MORNING, "[ $1 = prove ] || echo whole > $2");
        old.ask();
        var first = newest(old);
        var failing = at(MORNING.plusSeconds(86_400 * 20), "[ $1 = backup ] && echo half > $2; exit 1");
        failing.ask();
        assertThat(failing.file(first.id())).as("nothing newer counts").isPresent();
        var well = at(MORNING.plusSeconds(86_400 * 21), "[ $1 = prove ] || echo whole > $2");
        well.ask();
        assertThat(well.all()).hasSize(2);
        assertThat(well.file(first.id())).isEmpty();
        assertThat(folder.resolve("kept")).isDirectoryNotContaining("glob:**" + first.file());
    }

    @Test
    void whoeverStartedItOtherwiseIsToldWhatToDo() {
        var bare = new Backups(db, new BackupCommand("", ""), Clock.systemUTC(), shop, live, "1", Runnable::run);
        assertThatThrownBy(bare::ask).hasMessageContaining("./kettle backup FILE");
        bare.nightly();
        assertThat(bare.all()).isEmpty();
    }
}
