package fairkettle.server.archive;

import fairkettle.server.archive.Table.Column;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDateTime;
import java.util.HexFormat;
import java.util.List;
import java.util.SequencedMap;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.sql.DataSource;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.postgresql.PGConnection;
import org.postgresql.ds.PGSimpleDataSource;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes the whole shop as one zip: a table a CSV file (RFC 4180, UTF-8), its pictures and documents as the files they
 * were, what the tables hold in JSON, and the SHA-256 of each. The same shop comes to the same bytes.
 */
@Service
public class Archive {

    static final String SCHEMA = "schema.json";
    static final String SUMS = "SHA256SUMS";
    private static final String PROGRAM = "Fair Kettle";
    private static final LocalDateTime ALWAYS =
            LocalDateTime.of(2000, 1, 1, 0, 0); // when it was made is not of the shop

    private static final String README = """
        A whole shop of Fair Kettle.

        tables/NAME.csv    the rows of one table: RFC 4180, UTF-8, first the names of the columns, in the order of the key.
                           An empty field is "unknown" or "none"; "" is an empty text. Times are instants in UTC.
                           Columns that end in _ul are microlitres; _minor are the smallest unit of the shop's currency.
        files/NAME/KEY     pictures and documents, by the key of their row in that table
        schema.json        what each table holds, its columns and types, and the version of the whole
        SHA256SUMS         the sum of every other file: sha256sum -c SHA256SUMS

        Who may come in, sessions, secret addresses and what is kept for a moment are not in it. Activation codes are, but
        sealed: they open with the vault's key only.

        An empty installation becomes this shop with: ./kettle restore THIS-FILE
        """;

    private final DataSource database;
    private final JsonMapper json;

    Archive(DataSource database, JsonMapper json) {
        this.database = database;
        this.json = json;
    }

    /** {@code Archive FILE}, of the database that the environment names. */
    public static void main(String[] arguments) throws IOException, SQLException {
        var database = new PGSimpleDataSource();
        database.setUrl(System.getenv("KETTLE_DB_URL"));
        database.setUser(System.getenv("KETTLE_DB_USER"));
        database.setPassword(System.getenv("KETTLE_DB_PASSWORD"));
        try (var out = Files.newOutputStream(Path.of(arguments[0]))) {
            new Archive(database, JsonMapper.shared()).write(out);
        }
    }

    /** @param version of the tables, counted up with every change of them */
    record Schema(String program, String version, List<Described> tables) {}

    record Described(String name, String about, List<String> key, List<Column> columns) {}

    /** All of it as it is at one moment, while others go on. */
    public void write(OutputStream out) throws IOException, SQLException {
        try (var connection = database.getConnection();
                var zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            connection.setAutoCommit(false);
            connection.setReadOnly(true);
            connection.setTransactionIsolation(Connection.TRANSACTION_REPEATABLE_READ);
            try {
                write(connection, zip);
            } finally {
                connection.rollback();
            }
        }
    }

    private void write(Connection connection, ZipOutputStream zip) throws IOException, SQLException {
        var db = DSL.using(connection, SQLDialect.POSTGRES);
        db.execute("set local time zone 'UTC'");
        var tables = Table.all(db);
        var sums = new TreeMap<String, String>();
        text(zip, sums, "README.txt", README);
        text(zip, sums, SCHEMA, json.writerWithDefaultPrettyPrinter().writeValueAsString(schema(db, tables)) + "\n");
        for (var table : tables) {
            var rows = "copy (select %s from %s order by %s) to stdout (format csv, header)"
                    .formatted(table.rowColumns(), Table.quoted(table.name()), table.order());
            try (var entry = open(zip, sums, "tables/" + table.name() + ".csv")) {
                connection.unwrap(PGConnection.class).getCopyAPI().copyOut(rows, entry);
            }
            if (table.hasFiles()) {
                files(connection, zip, sums, table);
            }
        }
        var all = new StringBuilder();
        sums.forEach((name, sum) -> all.append(sum).append("  ").append(name).append('\n'));
        text(zip, new TreeMap<>(), SUMS, all.toString());
    }

    static String version(DSLContext db) {
        return db.fetchSingle("select max(version::int)::text from flyway_schema_history where success")
                .get(0, String.class);
    }

    private static Schema schema(DSLContext db, List<Table> tables) {
        return new Schema(
                PROGRAM,
                version(db),
                tables.stream()
                        .map(t -> new Described(t.name(), t.about() == null ? "" : t.about(), t.key(), t.columns()))
                        .toList());
    }

    private static void files(
            Connection connection, ZipOutputStream zip, SequencedMap<String, String> sums, Table table)
            throws IOException, SQLException {
        var key = table.key().getFirst();
        try (var read = connection.createStatement()) {
            read.setFetchSize(1); // why: a picture may be large, and all of them are
            try (var row = read.executeQuery("select %s::text, bytes from %s where bytes is not null order by %s"
                    .formatted(Table.quoted(key), Table.quoted(table.name()), table.order()))) {
                while (row.next()) {
                    try (var entry = open(zip, sums, "files/" + table.name() + "/" + row.getString(1))) {
                        entry.write(row.getBytes(2));
                    }
                }
            }
        }
    }

    private static void text(ZipOutputStream zip, SequencedMap<String, String> sums, String name, String words)
            throws IOException {
        try (var entry = open(zip, sums, name)) {
            entry.write(words.getBytes(StandardCharsets.UTF_8));
        }
    }

    /** A file of the archive; closed, its sum is noted. */
    private static OutputStream open(ZipOutputStream zip, SequencedMap<String, String> sums, String name)
            throws IOException {
        var entry = new ZipEntry(name);
        entry.setTimeLocal(ALWAYS);
        zip.putNextEntry(entry);
        return new DigestOutputStream(zip, sha256()) {
            @Override
            public void close() throws IOException {
                zip.closeEntry();
                sums.put(name, HexFormat.of().formatHex(getMessageDigest().digest()));
            }
        };
    }

    static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e); // every Java has it
        }
    }
}
