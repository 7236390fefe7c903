package fairkettle.server.archive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.devdb.ThrowawayPg;
import fairkettle.server.Api;
import fairkettle.server.MorningTest;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.postgresql.ds.PGSimpleDataSource;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.json.JsonMapper;

/** A whole shop leaves as one file, and an empty database becomes that shop again. */
@MorningTest
class ArchiveTest {

    @TempDir
    private Path folder;

    @Autowired
    private Archive archive;

    @Autowired
    private Api api;

    @Autowired
    private JsonMapper json;

    private static final String SEDGE = "{\"name\": \"Sędziwój \\\"of the hill\\\", junior\"}";

    private Path written() throws IOException, SQLException {
        var file = folder.resolve("shop.zip");
        try (var out = Files.newOutputStream(file)) {
            archive.write(out);
        }
        return file;
    }

    private static Unpack into(ThrowawayPg pg) {
        return new Unpack(pg.url(), "kettle", "");
    }

    private Archive of(ThrowawayPg pg) {
        var database = new PGSimpleDataSource();
        database.setUrl(pg.url());
        database.setUser("kettle");
        return new Archive(database, json);
    }

    /** The archive with one of its files changed. */
    private Path changed(Path file, String name, UnaryOperator<byte[]> change) throws IOException {
        var changed = folder.resolve("changed.zip");
        try (var from = new ZipFile(file.toFile());
                var to = new ZipOutputStream(Files.newOutputStream(changed))) {
            for (var entry : from.stream().toList()) {
                var bytes = from.getInputStream(entry).readAllBytes();
                to.putNextEntry(new ZipEntry(entry.getName()));
                to.write(entry.getName().equals(name) ? change.apply(bytes) : bytes);
                to.closeEntry();
            }
        }
        return changed;
    }

    @Test
    void anEmptyDatabaseBecomesTheShopAndWritesTheSameBytes() throws Exception {
        api.post("/api/people", SEDGE);
        var first = written();
        try (var pg = ThrowawayPg.start()) {
            into(pg).from(first);
            var second = folder.resolve("again.zip");
            try (var out = Files.newOutputStream(second)) {
                of(pg).write(out);
            }
            assertThat(second).hasSameBinaryContentAs(first);
            assertThatThrownBy(() -> into(pg).from(first)).hasMessageContaining("a shop in this database already");
        }
        try (var zip = new ZipFile(first.toFile())) {
            var people = new String(
                    zip.getInputStream(zip.getEntry("tables/person.csv")).readAllBytes(), StandardCharsets.UTF_8);
            assertThat(people).contains("\"Sędziwój \"\"of the hill\"\", junior\"");
            assertThat(zip.stream().map(ZipEntry::getName))
                    .contains("README.txt", "schema.json", "SHA256SUMS", "tables/posting.csv")
                    .noneMatch(name -> List.of("tables/account.csv", "tables/session.csv", "tables/feed.csv")
                            .contains(name));
        }
    }

    @Test
    void everyTableSaysWhatItHolds() throws Exception {
        try (var zip = new ZipFile(written().toFile())) {
            var silent = new ArrayList<String>();
            json.readTree(zip.getInputStream(zip.getEntry("schema.json")))
                    .get("tables")
                    .forEach(t -> {
                        if (t.get("about").asString().isEmpty() || t.get("key").isEmpty()) {
                            silent.add(t.get("name").asString());
                        }
                    });
            assertThat(silent).isEmpty();
        }
    }

    @Test
    void whatWasChangedOnTheWayIsNamedAndNothingIsThere() throws Exception {
        var file = written();
        try (var pg = ThrowawayPg.start()) {
            assertThatThrownBy(() -> into(pg).from(changed(file, "tables/machine.csv", b -> new byte[0])))
                    .hasMessageContaining("tables/machine.csv is not what it was");
            assertThatThrownBy(() -> into(pg).from(changed(file, "SHA256SUMS", b -> new byte[0])))
                    .hasMessageContaining("is not what it was");
            var text = Files.writeString(folder.resolve("text"), "no zip");
            assertThatThrownBy(() -> into(pg).from(text)).hasMessageContaining("no archive");
            into(pg).from(file);
        }
    }

    @Test
    void anArchiveOfANewerKettleIsNotGuessedAt() throws Exception {
        var file = written();
        var newer = changed(
                file,
                "schema.json",
                b -> new String(b, StandardCharsets.UTF_8)
                        .replaceFirst("\"version\" : \"\\d+\"", "\"version\" : \"9999\"")
                        .getBytes(StandardCharsets.UTF_8));
        var summed = summedAnew(newer);
        try (var pg = ThrowawayPg.start()) {
            assertThatThrownBy(() -> into(pg).from(summed)).hasMessageContaining("newer Fair Kettle");
        }
    }

    /** With the sum of its description as that is now. */
    private Path summedAnew(Path file) throws IOException {
        byte[] schema;
        try (var zip = new ZipFile(file.toFile())) {
            schema = zip.getInputStream(zip.getEntry("schema.json")).readAllBytes();
        }
        var sum = java.util.HexFormat.of().formatHex(Archive.sha256().digest(schema));
        Files.move(file, folder.resolve("unsummed.zip"));
        return changed(
                folder.resolve("unsummed.zip"),
                "SHA256SUMS",
                b -> new String(b, StandardCharsets.UTF_8)
                        .replaceFirst("[0-9a-f]{64}  schema.json", sum + "  schema.json")
                        .getBytes(StandardCharsets.UTF_8));
    }

    @Test
    void itIsHadFromTheServer() throws IOException {
        var answer = api.get("/api/archive");
        assertThat(answer).hasStatusOk();
        assertThat(answer.getResponse().getHeader("Content-Disposition")).contains(".zip");
        assertThat(answer.getResponse().getContentAsByteArray()).startsWith('P', 'K');
    }
}
