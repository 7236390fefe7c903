package fairkettle.server.journal;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Everything that the shop knows, as it is at one moment, but for what only ever grows. Of pictures and documents their
 * size stands for them: they come and go, and none is ever changed.
 */
record Database(Map<String, Set<String>> tables) {

    /** The journal itself, what screens have to hear of, and answers that were given. */
    private static final Set<String> GROWING =
            Set.of("entry", "posting", "consequence", "change", "answered", "flyway_schema_history");

    /**
     * @param card whose steps are compared word by word; of other cards their version says whether they changed, and
     *     the version of this one is left out, since it counts the changes
     */
    static Database read(JdbcClient db, long card) {
        var all = db.sql("""
            select table_name, string_agg(
                case when data_type = 'bytea' and table_name in ('picture', 'artwork', 'document')
                    then 'octet_length(' || quote_ident(column_name) || ')' else quote_ident(column_name) end, ', ' order by ordinal_position)
            from information_schema.columns
            where table_schema = 'public' and table_name in (
                select table_name from information_schema.tables
                where table_schema = 'public' and table_type = 'BASE TABLE')
              and (table_name, column_name) not in (
                  ('card', 'body'), ('card', 'plan'), ('card', 'wish'), ('card', 'version'))
            group by table_name order by table_name\
            """).query((r, _) -> Map.entry(r.getString(1), r.getString(2))).list().stream()
                .filter(table -> !GROWING.contains(table.getKey()))
                .map(table -> "select '%s' as name, row(%s)::text as row from %s"
                        .formatted(table.getKey(), table.getValue(), table.getKey()))
                .collect(Collectors.joining(" union all "));
        var tables = new TreeMap<String, Set<String>>();
        db.sql(all + """
             union all
            select 'card', (id, version)::text from card where id <> :card union all
            select 'card', (id, body, plan, wish)::text from card where id = :card\
            """).param("card", card).query(r -> {
            tables.computeIfAbsent(r.getString("name"), _ -> new HashSet<>()).add(r.getString("row"));
        });
        return new Database(tables);
    }

    /** What differs from an earlier moment: empty if nothing does. */
    List<String> since(Database before) {
        var names = new TreeSet<>(tables.keySet());
        names.addAll(before.tables.keySet());
        return names.stream()
                .flatMap(name -> {
                    if (Objects.equals(tables.get(name), before.tables.get(name))) {
                        return java.util.stream.Stream.<String>empty();
                    }
                    var now = new TreeSet<>(tables.getOrDefault(name, Set.of()));
                    var was = new TreeSet<>(before.tables.getOrDefault(name, Set.of()));
                    var gone = new TreeSet<>(was);
                    gone.removeAll(now);
                    now.removeAll(was);
                    return java.util.stream.Stream.concat(
                            gone.stream().map(row -> "- " + name + " " + row),
                            now.stream().map(row -> "+ " + name + " " + row));
                })
                .toList();
    }
}
