package fairkettle.measure;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;

/**
 * {@code ./kettle measure restore}: copies of a shop and archives of it, each damaged in another way, given to
 * {@code ./kettle restore}. What cannot be read back whole changes nothing, and says how to go on.
 */
public final class Restores {

    private static final int FLIPPED = 70;
    private static final int CUT = 20;

    private static final List<String> BROKEN = List.of(
            "drop trigger posting_balances on posting",
            "alter table posting disable trigger posting_balances",
            "drop trigger entry_append_only on entry",
            "drop trigger posting_append_only on posting",
            "drop table content cascade",
            "drop table posting cascade",
            "drop table entry cascade",
            "delete from content",
            "delete from content where place = (select min(place) from content)",
            "update content set microlitres = microlitres + 5 where place = (select min(place) from content)",
            "alter table posting disable trigger user; delete from posting where id = (select min(id) from posting);"
                    + " alter table posting enable trigger user",
            "alter table posting disable trigger user; update posting set microlitres = microlitres * 2 where id ="
                    + " (select max(id) from posting); alter table posting enable trigger user",
            "alter table posting disable trigger user; delete from posting; alter table posting enable trigger user",
            "update flyway_schema_history set version = '9999' where version = '2'",
            "drop schema public cascade; create schema public");

    private final Path home;
    private final Path folder;
    private final String shop;
    private int damaged;
    private int changed;
    private int restoredWhole;
    private int saidHow;

    private Restores(Path home, Path folder) throws IOException, InterruptedException {
        this.home = home;
        this.folder = folder;
        this.shop = fingerprint();
    }

    /** @param args the built application's folder, and a database url of the shop “measure” */
    public static void main(String[] args) throws Exception {
        var app = Path.of(args[0]).toAbsolutePath();
        try (var kettle = new Running(app, args[1])) {
            fill(kettle);
        }
        var folder = Files.createTempDirectory("kettle-restores");
        try {
            var all = new Restores(app.getParent().getParent(), folder);
            all.run();
            System.out.printf(
                    Locale.ROOT,
                    "{\"measure\":\"restore\",\"damaged\":%d,\"shop_changed\":%d,\"refused\":%d,\"said_how_to_go_on\":%d,"
                        + "\"whole_all_the_same\":%d}%n",
                    all.damaged,
                    all.changed,
                    all.damaged - all.restoredWhole,
                    all.saidHow,
                    all.restoredWhole);
        } finally {
            try (var left = Files.walk(folder)) {
                left.sorted(Comparator.reverseOrder())
                        .forEach(path -> path.toFile().delete());
            }
        }
    }

    private static void fill(Running kettle) throws IOException, InterruptedException {
        for (int i = 0; i < 5; i++) {
            kettle.post("/api/machines", """
                {"name": "Kept %d", "bench": "Bench", "profile": "small-tank", "holds": "INKED", "family": "MAKERS_DYE",
                 "make": "own", "foodOnly": false, "tankShare": 0.7}\
                """.formatted(i));
            kettle.post("/api/machines/%d/printed".formatted(i + 1), "{\"sheets\": 3}");
        }
    }

    private void run() throws IOException, InterruptedException {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(1441);
        var copy = folder.resolve("copy");
        var archive = folder.resolve("archive");
        must("cmd_backup %s measure".formatted(copy));
        must("cmd_archive %s measure".formatted(archive));
        for (var good : List.of(copy, archive)) {
            var bytes = Files.readAllBytes(good);
            for (int time = 0; time < FLIPPED; time++) {
                give("bytes that are others", flipped(bytes, random));
            }
            for (int time = 0; time < CUT; time++) {
                give("cut short", Arrays.copyOf(bytes, random.nextInt(bytes.length)));
            }
        }
        for (var statement : BROKEN) {
            broken(copy, statement);
        }
        for (var table : List.of("posting", "content", "entry", "machine", "person")) {
            give("a table that is empty: " + table, altered(archive, "tables/" + table + ".csv", Restores::headOnly));
            give(
                    "a table without its heading: " + table,
                    altered(archive, "tables/" + table + ".csv", Restores::headless));
        }
        give("nothing", new byte[0]);
        give("a text", "a shop".getBytes(StandardCharsets.UTF_8));
        give("a zip of something else", altered(archive, "schema.json", b -> "{}".getBytes(StandardCharsets.UTF_8)));
        give("half of each", Files.readAllBytes(copy), Files.readAllBytes(archive));
    }

    private static byte[] flipped(byte[] good, RandomGenerator random) {
        var bad = good.clone();
        int changes = 1 + random.nextInt(8);
        for (int change = 0; change < changes; change++) {
            bad[random.nextInt(bad.length)] ^= (byte) (1 + random.nextInt(255));
        }
        return bad;
    }

    private static byte[] headOnly(byte[] table) {
        return Arrays.copyOf(table, 1 + new String(table, StandardCharsets.ISO_8859_1).indexOf('\n'));
    }

    private static byte[] headless(byte[] table) {
        return Arrays.copyOfRange(
                table, 1 + new String(table, StandardCharsets.ISO_8859_1).indexOf('\n'), table.length);
    }

    private interface Change {
        byte[] of(byte[] file);
    }

    /** With one of its files another, and the sums as if it had always been so. */
    private byte[] altered(Path archive, String name, Change change) throws IOException {
        var altered = folder.resolve("altered");
        try (var from = new ZipFile(archive.toFile());
                var to = new ZipOutputStream(Files.newOutputStream(altered))) {
            byte[] bad = change.of(from.getInputStream(from.getEntry(name)).readAllBytes());
            for (var entry : from.stream().toList()) {
                var bytes = from.getInputStream(entry).readAllBytes();
                if (entry.getName().equals(name)) {
                    bytes = bad;
                } else if (entry.getName().equals("SHA256SUMS")) {
                    bytes = new String(bytes, StandardCharsets.UTF_8)
                            .replaceFirst("[0-9a-f]{64}  " + name, sum(bad) + "  " + name)
                            .getBytes(StandardCharsets.UTF_8);
                }
                to.putNextEntry(new ZipEntry(entry.getName()));
                to.write(bytes);
                to.closeEntry();
            }
        }
        return Files.readAllBytes(altered);
    }

    private static String sum(byte[] of) {
        try {
            return HexFormat.of()
                    .formatHex(
                            java.security.MessageDigest.getInstance("SHA-256").digest(of));
        } catch (java.security.NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** A copy whose sums are right, of a shop that is none. */
    private void broken(Path copy, String statement) throws IOException, InterruptedException {
        var bad = folder.resolve("broken");
        must("cmd_restore %s measure-broken; start_postgres measure-broken; query measure-broken \"%s\"; cmd_backup %s"
                        .formatted(copy, statement, bad)
                + " measure-broken; no_longer measure-broken");
        give(statement, Files.readAllBytes(bad));
    }

    private void give(String what, byte[]... parts) throws IOException, InterruptedException {
        var file = folder.resolve("given");
        Files.write(file, new byte[0]);
        for (var part : parts) {
            Files.write(file, part, java.nio.file.StandardOpenOption.APPEND);
        }
        damaged++;
        var said = said("cmd_restore %s measure".formatted(file));
        boolean same = fingerprint().equals(shop);
        if (!same) {
            changed++;
            System.err.println("CHANGED by " + what + ": " + said);
        }
        if (said.contains("Restored from")) {
            restoredWhole++; // what is not read, such as the space between two files, may be anything
            System.err.println("whole: " + what);
        } else if (said.contains("Nothing has changed") && said.contains("Take another backup")) {
            saidHow++;
        } else {
            System.err.println("SAID for " + what + ": " + said);
        }
    }

    /** Of everything that a shop is. */
    private String fingerprint() throws IOException, InterruptedException {
        return said("start_postgres measure; for t in entry posting content machine channel person consequence; do"
                + " query measure \"select md5(string_agg(t::text, '|' order by t::text)) from $t t\"; done");
    }

    private void must(String line) throws IOException, InterruptedException {
        var said = said(line + " && echo IT-IS-DONE");
        if (!said.contains("IT-IS-DONE")) {
            throw new IOException(line + ": " + said);
        }
    }

    private String said(String line) throws IOException, InterruptedException {
        var out = folder.resolve("said");
        new ProcessBuilder("bash", "-c", "source ./kettle >/dev/null; " + line)
                .directory(home.toFile())
                .redirectErrorStream(true)
                .redirectOutput(out.toFile())
                .start()
                .waitFor();
        return Files.readString(out, StandardCharsets.UTF_8).strip();
    }
}
