package fairkettle.measure;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * {@code ./kettle measure log}: the log and the books of sixty machines after five years, asked over HTTP one after
 * another; beside it the same rows by the plain driver.
 */
public final class Logs {

    private static final int TIMES = 40;

    private Logs() {}

    /** What is asked, and the plain statement that it comes down to. */
    private static Map<String, List<String>> asked(List<Long> machines) {
        var some = machines.get(machines.size() / 2);
        var asked = new LinkedHashMap<String, List<String>>();
        var newest = " order by at desc, id desc limit 51";
        asked.put("newest", List.of("/api/log", "select * from entry" + newest));
        asked.put(
                "words",
                List.of("/api/log?words=satin%2038", "select * from entry where words ilike '%satin 38%'" + newest));
        asked.put(
                "rare_words",
                List.of(
                        "/api/log?words=Hedge%2041:%20densities",
                        "select * from entry where words ilike '%Hedge 41: densities%'" + newest));
        asked.put(
                "machine_kind",
                List.of(
                        "/api/log?machine=" + some + "&kind=cleaning",
                        "select * from entry where machine_id = " + some + " and kind = 'cleaning'" + newest));
        asked.put(
                "days",
                List.of(
                        "/api/log?from=2024-03-01&to=2024-03-02",
                        "select * from entry where at >= '2024-03-01' and at < '2024-03-03'" + newest));
        asked.put(
                "bottle",
                List.of(
                        "/api/log?lot=1",
                        "select * from entry e where exists (select from posting p where p.entry_id = e.id and"
                                + " p.substance = 'ink/SUBLIMATION/K/1')" + newest));
        asked.put(
                "quarter",
                List.of(
                        "/api/books",
                        "select cause, substance, machine_id, sum(microlitres) from gone where month >="
                                + " date_trunc('month', now()) - interval '2 months' group by 1, 2, 3"));
        asked.put(
                "five_years",
                List.of(
                        "/api/books?from=2022-01&to=2026-12",
                        "select month, cause, substance, machine_id, person_id, microlitres from gone"));
        asked.put(
                "month",
                List.of(
                        "/api/books/statement",
                        "select e.kind, count(*), sum(e.amount) from entry e where e.at >= date_trunc('month', now())"
                                + " group by 1"));
        return asked;
    }

    /** @param args the built application's folder, and a database url */
    public static void main(String[] args) throws Exception {
        try (var kettle = new Running(Path.of(args[0]), args[1]);
                var db = DriverManager.getConnection(args[1], "kettle", "")) {
            var machines = Years.fill(kettle, db);
            var told = new ArrayList<String>();
            var all = new ArrayList<Double>();
            for (var each : asked(machines).entrySet()) {
                var served = new ArrayList<Double>();
                var bare = new ArrayList<Double>();
                for (int i = 0; i < TIMES; i++) {
                    var answer = kettle.get(each.getValue().getFirst());
                    if (answer.status() != 200) {
                        throw new IllegalStateException(each.getKey() + ": " + answer.body());
                    }
                    served.add(answer.ms());
                    bare.add(read(db, each.getValue().getLast()));
                }
                served.sort(null);
                bare.sort(null);
                all.addAll(served);
                told.add("\"%s\":{\"p50\":%.1f,\"p95\":%.1f,\"bare\":%.1f}"
                        .formatted(
                                each.getKey(),
                                served.get(TIMES / 2),
                                served.get(TIMES * 95 / 100),
                                bare.get(TIMES / 2)));
            }
            all.sort(null);
            System.out.printf(
                    Locale.ROOT,
                    "{\"measure\":\"log\",\"entries\":%d,\"postings\":%d,\"sums\":%d,\"ms_p95\":%.1f,\"kinds\":{%s}}%n",
                    number(db, "select count(*) from entry"),
                    number(db, "select count(*) from posting"),
                    number(db, "select count(*) from gone"),
                    all.get(all.size() * 95 / 100),
                    String.join(",", told));
        }
    }

    private static double read(Connection db, String sql) throws Exception {
        long begun = System.nanoTime();
        try (var statement = db.createStatement();
                var rows = statement.executeQuery(sql)) {
            while (rows.next()) {
                rows.getObject(1);
            }
        }
        return (System.nanoTime() - begun) / 1e6;
    }

    private static long number(Connection db, String sql) throws Exception {
        try (var statement = db.createStatement();
                var rows = statement.executeQuery(sql)) {
            rows.next();
            return rows.getLong(1);
        }
    }
}
