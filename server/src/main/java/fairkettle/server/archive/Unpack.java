package fairkettle.server.archive;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import org.flywaydb.core.Flyway;
import org.jooq.DSLContext;
import org.jooq.SQLDialect;
import org.jooq.impl.DSL;
import org.postgresql.PGConnection;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Fills an empty database from an archive: with the tables as they were when it was written, brought to today’s
 * afterwards as every shop is. All of it, or nothing.
 */
public final class Unpack {

    private static final int LONGEST_LINE = 100_000;

    /** What is wrong with the archive or with the place it is to go to, in words. */
    public static final class Unusable extends Exception {
        private static final long serialVersionUID = 1;

        Unusable(String said) {
            super(said);
        }
    }

    private final String url;
    private final String user;
    private final String password;

    Unpack(String url, String user, String password) {
        this.url = url;
        this.user = user;
        this.password = password;
    }

    /** {@code Unpack FILE}, into the database that the environment names. */
    public static void main(String[] arguments) throws IOException, SQLException {
        var to = new Unpack(
                System.getenv("KETTLE_DB_URL"), System.getenv("KETTLE_DB_USER"), System.getenv("KETTLE_DB_PASSWORD"));
        try {
            to.from(Path.of(arguments[0]));
        } catch (Unusable e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }

    void from(Path file) throws IOException, SQLException, Unusable {
        try (var zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8)) {
            proveSums(zip);
            var version = version(zip);
            var today = flyway("latest").info().all();
            if (Stream.of(today).noneMatch(m -> m.getVersion().getVersion().equals(version))) {
                throw new Unusable("It was written by a newer Fair Kettle (tables of version %s): bring this one up to"
                                .formatted(version)
                        + " that first.");
            }
            if (flyway("latest").info().current() != null) {
                throw new Unusable("There is a shop in this database already. Nothing was changed.");
            }
            flyway(version).migrate();
            try (var connection = DriverManager.getConnection(url, user, password)) {
                connection.setAutoCommit(false);
                load(connection, zip);
                connection.commit();
            }
            flyway("latest").migrate();
        } catch (ZipException e) {
            throw new Unusable("It is no archive, or a damaged one: " + e.getMessage());
        }
    }

    private Flyway flyway(String target) {
        return Flyway.configure()
                .dataSource(url, user, password)
                .locations("classpath:db/migration")
                .target(target)
                .load();
    }

    private static void proveSums(ZipFile zip) throws IOException, Unusable {
        var sums = new HashMap<String, String>();
        text(zip, Archive.SUMS).lines().forEach(line -> {
            if (line.length() > 66) {
                sums.put(line.substring(66), line.substring(0, 64));
            }
        });
        for (var entry : zip.stream().toList()) {
            var name = entry.getName();
            if (!name.equals(Archive.SUMS) && !sumOf(zip, entry).equals(sums.remove(name))) {
                throw new Unusable(name + " is not what it was when the archive was written.");
            }
        }
        if (!sums.isEmpty()) {
            throw new Unusable("Missing from the archive: "
                    + sums.keySet().stream().sorted().collect(Collectors.joining(", ")));
        }
    }

    private static String sumOf(ZipFile zip, ZipEntry entry) throws IOException {
        try (var in = new DigestInputStream(zip.getInputStream(entry), Archive.sha256())) {
            in.transferTo(java.io.OutputStream.nullOutputStream());
            return HexFormat.of().formatHex(in.getMessageDigest().digest());
        }
    }

    private static String text(ZipFile zip, String name) throws IOException, Unusable {
        try (var in = open(zip, name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static InputStream open(ZipFile zip, String name) throws IOException, Unusable {
        var entry = zip.getEntry(name);
        if (entry == null) {
            throw new Unusable("It is no archive of a shop: there is no %s in it.".formatted(name));
        }
        return zip.getInputStream(entry);
    }

    private static String version(ZipFile zip) throws IOException, Unusable {
        try {
            return new JsonMapper()
                    .readTree(text(zip, Archive.SCHEMA))
                    .path("version")
                    .asString("");
        } catch (JacksonException e) {
            throw new Unusable("Its %s cannot be read.".formatted(Archive.SCHEMA));
        }
    }

    private static void load(Connection connection, ZipFile zip) throws IOException, SQLException, Unusable {
        var db = DSL.using(connection, SQLDialect.POSTGRES);
        db.execute("set local time zone 'UTC'");
        var tables = Table.all(db);
        for (var table : tables.reversed()) {
            db.deleteFrom(DSL.table(DSL.name(table.name()))).execute(); // what an empty shop begins with
        }
        for (var table : tables) {
            try {
                rows(connection, db, zip, table);
                for (var column : table.columns()) {
                    if (column.counted()) {
                        db.execute(
                                "select setval(pg_get_serial_sequence('%s', '%s'), coalesce(max(%s), 0) + 1, false) from %s"
                                        .formatted(
                                                table.name(),
                                                column.name(),
                                                Table.quoted(column.name()),
                                                Table.quoted(table.name())));
                    }
                }
            } catch (SQLException e) {
                throw new Unusable("tables/%s.csv cannot be read: %s".formatted(table.name(), e.getMessage()));
            }
        }
    }

    private static void rows(Connection connection, DSLContext db, ZipFile zip, Table table)
            throws IOException, SQLException, Unusable {
        var name = "tables/" + table.name() + ".csv";
        var header = header(zip, name);
        var known = table.columns().stream().map(Table.Column::name).toList();
        if (!known.containsAll(header)) {
            throw new Unusable("%s has columns that no shop has: %s".formatted(name, header));
        }
        var into = Table.quoted(table.name());
        if (table.hasFiles()) { // a row is only one with its file
            into = "loading";
            db.execute("create temp table loading on commit drop as select * from " + Table.quoted(table.name())
                    + " with no data");
        }
        var columns = header.stream().map(Table::quoted).collect(Collectors.joining(", "));
        try (var in = open(zip, name)) {
            connection
                    .unwrap(PGConnection.class)
                    .getCopyAPI()
                    .copyIn("copy %s (%s) from stdin (format csv, header)".formatted(into, columns), in);
        }
        if (table.hasFiles()) {
            files(connection, zip, table);
            db.execute("insert into %s overriding system value select * from loading"
                    .formatted(Table.quoted(table.name())));
            db.execute("drop table loading");
        }
    }

    private static void files(Connection connection, ZipFile zip, Table table)
            throws IOException, SQLException, Unusable {
        var folder = "files/" + table.name() + "/";
        var files = zip.stream().filter(e -> e.getName().startsWith(folder)).toList();
        try (var put = connection.prepareStatement("update loading set bytes = ? where %s::text = ?"
                .formatted(Table.quoted(table.key().getFirst())))) {
            for (var file : files) {
                try (var in = zip.getInputStream(file)) {
                    put.setBytes(1, in.readAllBytes());
                }
                put.setString(2, file.getName().substring(folder.length()));
                if (put.executeUpdate() != 1) {
                    throw new Unusable(file.getName() + " belongs to no row.");
                }
            }
        }
    }

    private static List<String> header(ZipFile zip, String name) throws IOException, Unusable {
        try (var in = open(zip, name)) {
            var line = new StringBuilder();
            for (int c = in.read(); c >= 0 && c != '\n' && line.length() < LONGEST_LINE; c = in.read()) {
                line.append((char) c);
            }
            return new ArrayList<>(List.of(line.toString().strip().split(",")));
        }
    }
}
