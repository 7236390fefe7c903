package fairkettle.server.archive;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;

/**
 * A table as an archive tells of it.
 *
 * @param about what it holds, in words
 * @param key the columns of its primary key, by which its rows are ordered
 * @param columns in their order, without the one that is kept in files
 * @param refersTo tables that have to be there first
 */
record Table(String name, @Nullable String about, List<Column> columns, List<String> key, Set<String> refersTo) {

    /**
     * @param type PostgreSQL’s name of it
     * @param file whether each value is a file of its own
     * @param counted whether the database counts it up
     */
    record Column(String name, String type, boolean file, boolean counted) {}

    /** Who may come in, what opens a door, and what is only kept for a moment: these leave no shop. */
    private static final Set<String> STAY = Set.of(
            "account",
            "answered",
            "attempt",
            "backup",
            "change",
            "device",
            "feed",
            "feed_item",
            "flyway_schema_history",
            "session");

    private static final String TABLES = """
        select c.oid, c.relname, obj_description(c.oid, 'pg_class') as about
        from pg_class c where c.relkind = 'r' and c.relnamespace = 'public'::regnamespace order by c.relname\
        """;
    private static final String COLUMNS = """
        select a.attname, format_type(a.atttypid, a.atttypmod) as type, a.attidentity <> '' as counted,
               coalesce(array_position(i.indkey::int2[], a.attnum), -1) as place
        from pg_attribute a left join pg_index i on i.indrelid = a.attrelid and i.indisprimary
        where a.attrelid = {0}::oid and a.attnum > 0 and not a.attisdropped order by a.attnum\
        """;
    private static final String REFERS = """
        select distinct f.relname from pg_constraint k join pg_class f on f.oid = k.confrelid
        where k.conrelid = {0}::oid and k.contype = 'f' and k.confrelid <> k.conrelid order by 1\
        """;

    /** Every table of the shop, each after those it refers to. */
    static List<Table> all(DSLContext db) {
        var left = db.fetch(TABLES).stream()
                .filter(row -> !STAY.contains(row.get("relname", String.class)))
                .map(row -> of(
                        db,
                        row.get("oid", Long.class),
                        row.get("relname", String.class),
                        row.get("about", String.class)))
                .collect(Collectors.toCollection(java.util.LinkedHashSet::new));
        var all = new java.util.ArrayList<Table>();
        while (!left.isEmpty()) {
            var waiting = left.stream().map(Table::name).collect(Collectors.toSet());
            var next = left.stream()
                    .filter(t -> t.refersTo().stream().noneMatch(waiting::contains))
                    .findFirst()
                    .orElseThrow(() -> new IllegalStateException("Tables refer to each other: " + waiting));
            left.remove(next);
            all.add(next);
        }
        return all;
    }

    private static Table of(DSLContext db, long oid, String name, @Nullable String about) {
        var columns = db.fetch(COLUMNS, oid);
        return new Table(
                name,
                about,
                columns.map(c -> new Column(
                        c.get("attname", String.class),
                        c.get("type", String.class),
                        c.get("attname", String.class).equals("bytes")
                                && c.get("type", String.class).equals("bytea"),
                        c.get("counted", Boolean.class))),
                columns.stream()
                        .filter(c -> c.get("place", Integer.class) >= 0)
                        .sorted(java.util.Comparator.comparing(c -> c.get("place", Integer.class)))
                        .map(c -> c.get("attname", String.class))
                        .toList(),
                Set.copyOf(db.fetch(REFERS, oid).getValues("relname", String.class)));
    }

    /** Its columns that stand in its rows, quoted for SQL. */
    String rowColumns() {
        return columns.stream()
                .filter(c -> !c.file())
                .map(c -> quoted(c.name()))
                .collect(Collectors.joining(", "));
    }

    /** By its key, and texts by their bytes: the same everywhere. */
    String order() {
        return key.stream()
                .map(k -> quoted(k) + (type(k).equals("text") ? " collate \"C\"" : ""))
                .collect(Collectors.joining(", "));
    }

    private String type(String column) {
        return columns.stream()
                .filter(c -> c.name().equals(column))
                .findFirst()
                .orElseThrow()
                .type();
    }

    boolean hasFiles() {
        return columns.stream().anyMatch(Column::file);
    }

    static String quoted(String name) {
        return '"' + name + '"';
    }
}
