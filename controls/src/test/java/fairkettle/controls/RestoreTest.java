package fairkettle.controls;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** A shop is saved and brought back with the one command; what goes wrong on the way changes nothing. */
@Timeout(120)
class RestoreTest {

    private static final Path ROOT = Path.of("..").toAbsolutePath().normalize();

    /** The least that a shop has: the account with its rules, and one entry in it. */
    private static final String SHOP = """
        create table entry (id bigint primary key, words text);
        create table posting (entry_id bigint, place text, substance text, microlitres bigint);
        create table content (place text, substance text, microlitres bigint);
        create table activation (machine_id bigint);
        create function rule() returns trigger language plpgsql as 'begin return null; end';
        create trigger entry_append_only after update on entry for each row execute function rule();
        create trigger posting_append_only after update on posting for each row execute function rule();
        create trigger posting_balances after insert on posting for each row execute function rule();
        insert into entry values (1, 'poured');
        insert into posting values (1, 'outside/SUPPLIER', 'ink', -5000), (1, 'bottle/1', 'ink', 5000);
        insert into content values ('bottle/1', 'ink', 5000);
        """;

    private Path state;

    @BeforeEach
    void aShop() throws IOException, InterruptedException {
        state = Files.createTempDirectory(Path.of("/tmp"), "kettle-restore-");
        run("chmod 755 " + state);
        Files.writeString(state.resolve("shop.sql"), SHOP);
        assertThat(run("start_postgres shop; query shop \"$(cat $KETTLE_STATE/shop.sql)\" >/dev/null"))
                .isEmpty();
    }

    @AfterEach
    void away() throws IOException, InterruptedException {
        run("stop_postgres shop; stop_postgres shop-restored; rm -rf $KETTLE_STATE");
    }

    @Test
    void whatWasSavedComesBackAndWhatWasThereIsKept() throws IOException, InterruptedException {
        run("cmd_backup $KETTLE_STATE/saved");
        run("start_postgres shop; query shop \"update entry set words = 'spilled'\"");
        assertThat(run("cmd_restore $KETTLE_STATE/saved")).contains("Restored from", "pg.before-");
        assertThat(words()).isEqualTo("poured");
        assertThat(run("stat -c %a $KETTLE_STATE/saved"))
                .as("read by its owner alone")
                .isEqualTo("600");
    }

    @Test
    void aDamagedBackupChangesNothing() throws IOException, InterruptedException {
        run("cmd_backup $KETTLE_STATE/saved");
        var saved = state.resolve("saved");
        byte[] bytes = Files.readAllBytes(saved);
        bytes[512 + 100] ^= 0x55; // behind the archive’s first header, in the dump
        Files.write(saved, bytes);
        assertThat(run("cmd_restore $KETTLE_STATE/saved")).contains("damaged", "Nothing has changed");
        Files.writeString(saved, "no backup at all");
        assertThat(run("cmd_restore $KETTLE_STATE/saved")).contains("not a backup", "Nothing has changed");
        assertThat(words()).isEqualTo("poured");
    }

    @Test
    void aBackupIsProvedBesideTheShopAndNothingOfTheProofIsLeft() throws IOException, InterruptedException {
        run("cmd_backup $KETTLE_STATE/saved");
        assertThat(run("tar -xOf $KETTLE_STATE/saved made.json"))
                .contains("\"program\":\"Fair Kettle\"", "\"postgresql\":\"1");
        assertThat(run("cmd_prove $KETTLE_STATE/saved")).contains("Proved: 1 entries");
        assertThat(run("ls $KETTLE_STATE")).doesNotContain("proved");
        run("mkdir $KETTLE_STATE/shop-proved-999999999"); // of a proof that was killed
        run("truncate -s -3000 $KETTLE_STATE/saved");
        assertThat(run("(cmd_prove $KETTLE_STATE/saved) || echo refused"))
                .contains("kettle: ")
                .endsWith("refused");
        assertThat(run("ls $KETTLE_STATE")).doesNotContain("proved");
        assertThat(words()).isEqualTo("poured");
    }

    @Test
    void aDatabaseElsewhereIsSavedByItsAddress() throws IOException, InterruptedException {
        run("""
            export KETTLE_DB_PASSWORD=$(secret_of shop)
            export KETTLE_DB_URL="jdbc:postgresql://127.0.0.1:$(cat $KETTLE_STATE/shop/pg.port)/postgres?targetServerType=primary&sslmode=disable"
            cmd_backup $KETTLE_STATE/saved nowhere\
            """);
        assertThat(run("cmd_prove $KETTLE_STATE/saved")).contains("Proved: 1 entries");
        assertThat(run("ls $KETTLE_STATE")).doesNotContain("nowhere");
    }

    @Test
    void aShopWhoseAccountDoesNotBalanceIsNotTaken() throws IOException, InterruptedException {
        run("start_postgres shop; query shop \"insert into posting values (2, 'bottle/1', 'ink', 7)\"");
        run("cmd_backup $KETTLE_STATE/wrong");
        run("start_postgres shop; query shop \"delete from posting where entry_id = 2\"");
        assertThat(run("cmd_restore $KETTLE_STATE/wrong")).contains("does not balance", "Nothing has changed");
        assertThat(words()).isEqualTo("poured");
    }

    @Test
    void aShopWithoutItsLevelsOrOfANewerKettleIsNotTaken() throws IOException, InterruptedException {
        run("start_postgres shop; query shop 'delete from content'; cmd_backup $KETTLE_STATE/bare shop");
        run("start_postgres shop; query shop \"insert into content values ('bottle/1', 'ink', 5000)\"");
        assertThat(run("cmd_restore $KETTLE_STATE/bare")).contains("its levels are not", "Nothing has changed");
        run("start_postgres shop; query shop \"create table flyway_schema_history (version text, success boolean);"
                + " insert into flyway_schema_history values ('9999', true)\"; cmd_backup $KETTLE_STATE/newer shop");
        run("start_postgres shop; query shop 'drop table flyway_schema_history'");
        assertThat(run("cmd_restore $KETTLE_STATE/newer")).contains("newer Fair Kettle", "Nothing has changed");
        assertThat(words()).isEqualTo("poured");
    }

    @Test
    void nobodyElseOnTheMachineComesInAndTheShopsOwnRoleIsAPlainOne() throws IOException, InterruptedException {
        assertThat(run("$(pg_bin)/psql -w -U kettle -h 127.0.0.1 -p $(cat $KETTLE_STATE/shop/pg.port) -d"
                        + " postgres -c 'select 1'"))
                .contains("no password supplied");
        assertThat(run("$(pg_bin)/psql -w -U keeper -h 127.0.0.1 -p $(cat $KETTLE_STATE/shop/pg.port) -d"
                        + " postgres -c 'select 1'"))
                .contains("no pg_hba.conf entry");
        assertThat(run("query shop 'select rolsuper or rolcreatedb or rolcreaterole from pg_roles where"
                        + " rolname = current_user'"))
                .isEqualTo("f");
        assertThat(run("stat -c %a $KETTLE_STATE/shop/pg/kettle.secret")).isEqualTo("600");
    }

    @Test
    void aFolderWhoseFirstStartWasCutShortIsLockedUpAtTheNext() throws IOException, InterruptedException {
        aFolderOf("keeper");
        run("start_postgres shop; query shop \"$(cat $KETTLE_STATE/shop.sql)\"");
        assertThat(words()).isEqualTo("poured");
        assertThat(run("cat $KETTLE_STATE/shop/pg/pg_hba.conf"))
                .isEqualTo("host postgres kettle 127.0.0.1/32 scram-sha-256");
    }

    @Test
    void aFolderOfBeforePasswordsIsGivenOne() throws IOException, InterruptedException {
        aFolderOf("kettle");
        run("start_postgres shop; query shop \"$(cat $KETTLE_STATE/shop.sql)\"");
        assertThat(words()).isEqualTo("poured");
        assertThat(run("$(pg_bin)/psql -w -U kettle -h 127.0.0.1 -p $(cat $KETTLE_STATE/shop/pg.port) -d"
                        + " postgres -c 'select 1'"))
                .contains("no password supplied");
        run("stop_postgres shop");
        assertThat(words()).as("and it still opens").isEqualTo("poured");
    }

    @Test
    void aPortThatIsTakenInTheLastMomentIsChangedForAnother() throws IOException, InterruptedException {
        try (var taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            var port = taken.getLocalPort();
            run("stop_postgres shop");
            assertThat(run("echo %d > $KETTLE_STATE/shop/pg.port; port_is_free() { true; }; start_postgres shop;"
                                    .formatted(port)
                            + " query shop 'select words from entry'"))
                    .endsWith("poured");
            assertThat(run("cat $KETTLE_STATE/shop/pg.port")).isNotEqualTo("" + port);
        }
    }

    @Test
    void theUnitThatStartsTheShopWithTheComputerIsOne() throws IOException, InterruptedException {
        var said = run("KETTLE_UNITS=$KETTLE_STATE/units KETTLE_HOSTS='a%b' cmd_service --workshop");
        assertThat(said).contains("enable --now fair-kettle");
        var unit = Files.readString(state.resolve("units/fair-kettle.service"));
        assertThat(unit)
                .contains("up --stay --workshop", "Restart=always", "\"KETTLE_HOSTS=a%%b\"", "\"KETTLE_STATE=" + state);
        assertThat(run("command -v systemd-analyze >/dev/null && systemd-analyze verify"
                        + " $KETTLE_STATE/units/fair-kettle.service; true"))
                .as("where the computer has something to say to it")
                .isEmpty();
    }

    /** As it is before anybody made roles or passwords in it. */
    private void aFolderOf(String superuser) throws IOException, InterruptedException {
        run("""
            stop_postgres shop; rm -rf $KETTLE_STATE/shop/pg; mkdir -p $KETTLE_STATE/shop/pg; chmod 700 $KETTLE_STATE/shop/pg
            is_root && chown postgres $KETTLE_STATE/shop/pg
            as_postgres $(pg_bin)/initdb -D $KETTLE_STATE/shop/pg -U %s -A trust -E UTF8 --locale=C.UTF-8\
            """.formatted(superuser));
    }

    private String words() throws IOException, InterruptedException {
        return run("start_postgres shop; query shop 'select words from entry'");
    }

    private String run(String line) throws IOException, InterruptedException {
        var builder = new ProcessBuilder("bash", "-c", "source ./kettle >/dev/null; " + line).directory(ROOT.toFile());
        builder.environment().put("KETTLE_STATE", state.toString());
        builder.redirectErrorStream(true);
        builder.redirectOutput(state.resolve("said").toFile());
        builder.start().waitFor();
        return Files.exists(state.resolve("said"))
                ? Files.readString(state.resolve("said"), StandardCharsets.UTF_8)
                        .strip()
                : "";
    }
}
