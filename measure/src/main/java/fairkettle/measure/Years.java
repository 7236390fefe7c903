package fairkettle.measure;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** A shop of sixty machines that was open for years: what its tables hold by then, written at once. */
final class Years {

    static final int MACHINES = 60;
    static final int DAYS = 5 * 365 + 1;
    static final List<String> CHANNELS = List.of("K", "C", "M", "Y");

    private Years() {}

    /**
     * Each machine prints five times a day, is looked at, purged and kept up, and written of; what it took is filled up
     * again, so that its tanks hold what they do and the account balances.
     *
     * @return the ids of the machines
     */
    static List<Long> fill(Running kettle, Connection db) throws Exception {
        var known = ids(db);
        if (!known.isEmpty()) {
            return known; // a shop that was filled before
        }
        kettle.post("/api/people", "{\"name\": \"Sedge\"}");
        for (int i = 0; i < MACHINES; i++) {
            kettle.post("/api/machines", """
                {"name": "Hedge %d", "bench": "Bench %d", "profile": "small-tank", "holds": "INKED", "family": "SUBLIMATION",
                 "make": "own", "foodOnly": false, "tankShare": 0.6}\
                """.formatted(i, i / 6));
        }
        for (var channel : CHANNELS) {
            kettle.post("/api/shelf/lots", """
                {"family": "SUBLIMATION", "channel": "%s", "make": "own", "code": "H-%1$s", "volume": 900000, "price": 900,
                 "foodGrade": false}\
                """.formatted(channel));
        }
        try (var statement = db.createStatement()) {
            for (var table : List.of("entry", "posting", "consequence")) {
                statement.execute(
                        "alter table " + table + " disable trigger user"); // why: rows that balance by being made so
            }
            entries(statement);
            postings(statement);
            books(statement);
            sums(statement);
            for (var table : List.of("entry", "posting", "consequence")) {
                statement.execute("alter table " + table + " enable trigger user");
            }
            statement.execute("analyze entry, posting, consequence, nozzle_check, used_day, room_reading");
        }
        kettle.get("/api/round"); // the book of upkeep is made from the log, once
        try (var statement =
                db.createStatement()) { // what is seldom due was done in the last days, not all of it today
            statement.execute("""
                update upkeep set since = now() - make_interval(hours => (machine_id * 7 % 72)::int), sheets = 0, ink = 0, cleanings = 0
                where since < now() - interval '3 days'\
                """);
        }
        return ids(db);
    }

    private static List<Long> ids(Connection db) throws SQLException {
        var ids = new ArrayList<Long>();
        try (var statement = db.createStatement();
                var rows = statement.executeQuery("select id from machine order by id")) {
            while (rows.next()) {
                ids.add(rows.getLong(1));
            }
        }
        return ids;
    }

    /** What left, by month: as the server keeps it beside each entry. */
    private static void sums(Statement statement) throws SQLException {
        statement.execute("delete from gone");
        statement.execute("""
            insert into gone
            select date_trunc('month', e.at at time zone 'Europe/London')::date, coalesce(e.machine_id, 0), coalesce(e.person_id, 0),
                   coalesce(e.card_id, 0),
                   case when p.place = 'outside/SUPPLIER' then 'BOUGHT'
                        when p.place = 'outside/CORRECTION' and e.kind = 'machine' then 'BROUGHT_IN'
                        when p.place = 'outside/CORRECTION' then 'CORRECTIONS' else coalesce(e.cause, 'OTHER') end,
                   p.substance, sum(p.microlitres)
            from posting p join entry e on e.id = p.entry_id
            where p.place like 'pad/%' or p.place like 'waste/%' or p.place like 'outside/%'
            group by 1, 2, 3, 4, 5, 6 having sum(p.microlitres) <> 0\
            """);
        statement.execute("analyze gone");
    }

    private static void entries(Statement statement) throws SQLException {
        statement.execute("""
            insert into entry (at, person_id, machine_id, kind, words, topic, amount, cause)
            select date_trunc('day', now()) - make_interval(days => %d - d, mins => -(480 + 30 * k.n)),
                   (select min(id) from person), m.id, k.kind, m.name || k.words, k.topic, k.amount,
                   case k.kind when 'print' then 'PRINTS' when 'purge' then 'PURGES' when 'check' then 'CHECKS'
                               when 'cleaning' then 'CLEANINGS' when 'reading' then 'CORRECTIONS' end
            from generate_series(1, %d - 1) d cross join machine m cross join (values
                (0, 'check', ': nozzle check, whole', null, null::int),
                (1, 'refill', ': tanks filled up to where they were', null, null),
                (2, 'purge', ': a full page, C K M Y', null, null),
                (3, 'print', ' printed 4 sheets for a customer', 'print', 4),
                (4, 'print', ' printed 6 sheets for a customer', 'print', 6),
                (5, 'upkeep', ': Wipe the wiper', 'wiper', null),
                (6, 'print', ' printed 2 sheets for a customer', 'print', 2),
                (7, 'upkeep', ': Damp the cap', 'damp-cap', null),
                (8, 'note', ': ribbon of the day, satin 38 mm, band wound off', null, null),
                (9, 'print', ' printed 9 sheets for a customer', 'print', 9),
                (10, 'upkeep', ': Purge sheet', 'purge', 1),
                (11, 'print', ' printed 1 sheet for a customer', 'print', 1),
                (12, 'upkeep', ': Read the tank levels', 'levels', null),
                (13, 'reading', ': densities read, all within a tenth', null, null),
                (14, 'upkeep', ': Look at the pad', 'pad', null),
                (15, 'supply', ': paper laid in', null, null),
                (16, 'note', ': press at 195 degrees, 55 seconds', null, null),
                (17, 'upkeep', ': Cover it for the night', 'cover', null),
                (18, 'note', ': lights out', null, null)) k (n, kind, words, topic, amount)
            order by d, k.n, m.id\
            """.formatted(DAYS, DAYS));
        statement.execute("""
            insert into entry (at, machine_id, kind, words)
            select e.at, e.machine_id, 'note', 'the rail of it squealed like a hedgehog' from entry e
            where e.kind = 'check' and e.id % 40009 = 0\
            """);
    }

    private static void postings(Statement statement) throws SQLException {
        // 0.3 mL of each ink for each print, 0.8 mL for the purge; filled up by what that comes to
        statement.execute("""
            insert into posting (entry_id, place, substance, microlitres)
            select e.id, p.place, 'ink/SUBLIMATION/' || c.code || '/0', p.ul
            from (select id, machine_id, kind from entry where kind in ('print', 'purge', 'refill') order by id) e
            cross join (values ('K'), ('C'), ('M'), ('Y')) c (code)
            cross join lateral (values
                ('path/' || e.machine_id || '/' || c.code || '/TANK',
                 case e.kind when 'print' then -300 when 'purge' then -800 else 2300 end),
                (case e.kind when 'refill' then 'outside/CORRECTION' else 'outside/PAPER' end,
                 case e.kind when 'print' then 300 when 'purge' then 800 else -2300 end)) p (place, ul)\
            """);
    }

    private static void books(Statement statement) throws SQLException {
        statement.execute("""
            insert into nozzle_check (entry_id, machine_id, at, channel, nozzles, missing)
            select e.id, e.machine_id, e.at, c.code, 59, case when (e.id + ascii(c.code)) % 97 = 0 then '{7}' else '{}' end::integer[]
            from entry e cross join (values ('K'), ('C'), ('M'), ('Y')) c (code) where e.kind = 'check' order by e.id\
            """);
        statement.execute("""
            insert into consequence (entry_id, book, kind, body, images)
            select id, case kind when 'check' then 'CHECKS' else 'UPKEEP' end,
                   case kind when 'check' then 'Looked' when 'print' then 'Moved' else 'RoutineDone' end,
                   case kind when 'check' then '{"kind": "Looked", "judged": true, "missing": {"C": [], "K": [], "M": [], "Y": []}}'
                             when 'print' then '{}' else jsonb_build_object('kind', 'RoutineDone', 'routine', topic) end::jsonb,
                   jsonb_build_array(jsonb_build_object('table', 'upkeep', 'key', jsonb_build_object('machine_id', machine_id, 'routine', topic)))
            from entry where kind in ('check', 'print', 'upkeep') order by id\
            """);
        statement.execute("""
            insert into used_day (machine_id, day, channel, laid, moved, sheets, cleanings)
            select m.id, current_date - d, c.code, 1.5, 2.3, case c.code when '' then 22 else 0 end, 0
            from generate_series(1, %d - 1) d cross join machine m cross join (values (''), ('K'), ('C'), ('M'), ('Y')) c (code)
            on conflict do nothing\
            """.formatted(DAYS));
        statement.execute("""
            insert into room_reading (at, celsius, humidity, source)
            select now() - make_interval(hours => 12 * n), 20 + n %% 5, 45 + n %% 9, 'hand' from generate_series(1, 2 * %d) n\
            """.formatted(DAYS));
    }
}
