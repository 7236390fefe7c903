package fairkettle.server.journal;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Everything that the shop knows, as it is at one moment, but for what only ever grows. */
record Database(Map<String, Set<String>> tables) {

    /** The journal itself, what screens have to hear of, and answers that were given. */
    private static final Set<String> GROWING =
            Set.of("entry", "posting", "consequence", "change", "answered", "flyway_schema_history");

    /** @param card whose steps are compared word by word; of other cards their version says whether they changed */
    static Database read(JdbcClient db, long card) {
        var names = db.sql("select table_name from information_schema.tables where table_schema = 'public'")
                .query(String.class)
                .list();
        var all = names.stream()
                .filter(name -> !GROWING.contains(name))
                .sorted()
                .map(name ->
                        "select '%s' as name, left(row, 200) || ' … ' || md5(row) as row from (select (to_jsonb(t)%s)::text as row from %s t) t"
                                .formatted(name, left(name, card), name))
                .collect(Collectors.joining(" union all "));
        var tables = new TreeMap<String, Set<String>>();
        db.sql(all).query(r -> {
            tables.computeIfAbsent(r.getString("name"), _ -> new TreeSet<>()).add(r.getString("row"));
        });
        return new Database(tables);
    }

    /** A card's version counts its changes, so that of the card in question grows too. */
    private static String left(String table, long card) {
        return table.equals("card")
                ? " - case when id = %d then '{version}'::text[] else '{body,plan,wish}'::text[] end".formatted(card)
                : "";
    }

    /** What differs from an earlier moment: empty if nothing does. */
    List<String> since(Database before) {
        var names = new TreeSet<>(tables.keySet());
        names.addAll(before.tables.keySet());
        return names.stream()
                .flatMap(name -> {
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
