package fairkettle.server.jobs;

import static fairkettle.db.Tables.JOB;
import static fairkettle.db.Tables.PROMISE;
import static fairkettle.db.Tables.SHEET;

import fairkettle.ink.Family;
import fairkettle.job.Sign;
import fairkettle.server.live.Live;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Jobs, and what their machines are promised for. */
@Repository
class Jobs {

    private static final int SHOWN = 60;
    private static final int MOST = 2000; // on a statement

    private final DSLContext db;
    private final Live live;
    private final JsonMapper json;
    private final Shop shop;
    private final Clock clock;

    Jobs(DSLContext db, Live live, JsonMapper json, Shop shop, Clock clock) {
        this.shop = shop;
        this.db = db;
        this.live = live;
        this.json = json;
        this.clock = clock;
    }

    /** What is looked for; nothing said is no condition. */
    record Wanted(
            String words,
            @Nullable Long machine,
            @Nullable Family ink,
            @Nullable Sign sign,
            @Nullable LocalDate from,
            @Nullable LocalDate until) {}

    Job get(long id) {
        return db.select(JOB.BODY)
                .from(JOB)
                .where(JOB.ID.eq(id))
                .fetchOptional(r -> read(r.value1()))
                .orElseThrow(() -> Problem.notFound("There is no job of this number (%d).".formatted(id)));
    }

    /** Held until the transaction ends, so that two taps come one after the other. */
    @Transactional
    Job held(long id) {
        db.select(JOB.ID).from(JOB).where(JOB.ID.eq(id)).forNoKeyUpdate().fetchOptional();
        return get(id);
    }

    private Job read(JSONB body) {
        return json.readValue(body.data(), Job.class);
    }

    /** The soonest due first. */
    List<Job> open() {
        return fetch(JOB.STATE.in(Job.State.TAKEN.name(), Job.State.PRINTED.name()), true, SHOWN);
    }

    /** Those that are over, the latest first. */
    List<Job> over(Wanted wanted) {
        return fetch(
                JOB.STATE
                        .notIn(Job.State.TAKEN.name(), Job.State.PRINTED.name())
                        .and(condition(wanted)),
                false,
                SHOWN);
    }

    /** For a statement, by the day on which they were closed. */
    List<Job> closed(Wanted wanted) {
        return fetch(JOB.STATE.eq(Job.State.CLOSED.name()).and(condition(wanted)), false, MOST);
    }

    /** Closed jobs of the same product. */
    List<Job> like(String what) {
        return fetch(JOB.STATE.eq(Job.State.CLOSED.name()).and(JOB.WHAT.equalIgnoreCase(what)), false, SHOWN);
    }

    /** Those of a machine, the latest first. */
    List<Job> of(long machine) {
        return fetch(JOB.MACHINE_ID.eq(machine), false, SHOWN);
    }

    private List<Job> fetch(Condition which, boolean soonest, int most) {
        return db.select(JOB.BODY)
                .from(JOB)
                .where(which)
                .orderBy(
                        soonest
                                ? JOB.DUE.asc()
                                : DSL.coalesce(JOB.CLOSED_AT, JOB.TAKEN_AT).desc(),
                        JOB.ID.desc())
                .limit(most)
                .fetch(r -> read(r.value1()));
    }

    private Condition condition(Wanted wanted) {
        var zone = shop.settings().zoneId();
        var all = new ArrayList<Condition>();
        for (var word : wanted.words().toLowerCase(Locale.ROOT).split("\\s+")) {
            if (!word.isEmpty()) {
                all.add(DSL.lower(DSL.concat(
                                JOB.CUSTOMER,
                                DSL.inline(" "),
                                JOB.WHAT,
                                DSL.inline(" "),
                                JOB.SAID,
                                DSL.inline(" "),
                                DSL.field("(body->'order'->>'notes')", String.class),
                                DSL.inline(" "),
                                DSL.coalesce(DSL.field("(body->'came'->>'words')", String.class), DSL.inline(""))))
                        .contains(word));
            }
        }
        if (wanted.machine() != null) {
            all.add(JOB.MACHINE_ID.eq(wanted.machine()));
        }
        if (wanted.ink() != null) {
            all.add(JOB.FAMILY.eq(wanted.ink().name()));
        }
        if (wanted.sign() != null) {
            all.add(JOB.SIGN.eq(wanted.sign().name()));
        }
        var day = DSL.coalesce(JOB.CLOSED_AT, JOB.TAKEN_AT);
        if (wanted.from() != null) {
            all.add(day.ge(wanted.from().atStartOfDay(zone).toOffsetDateTime()));
        }
        if (wanted.until() != null) {
            all.add(day.lt(wanted.until().plusDays(1).atStartOfDay(zone).toOffsetDateTime()));
        }
        return DSL.and(all);
    }

    long next() {
        return db.fetchSingle("select nextval(pg_get_serial_sequence('job', 'id'))")
                .get(0, Long.class);
    }

    String written(Job job) {
        return json.writeValueAsString(job);
    }

    /** The job as it is from now on, and what its machine is promised for. */
    void keep(String body) {
        var job = json.readValue(body, Job.class);
        var came = job.came();
        var row = db.newRecord(JOB);
        row.setId(job.id());
        row.setState(job.state().name());
        row.setCustomer(job.order().customer());
        row.setWhat(job.order().what());
        row.setFamily(job.order().ink().name());
        row.setMachineId(job.machine());
        row.setDue(job.order().due().atOffset(ZoneOffset.UTC));
        row.setSign(came == null || came.sign() == null ? null : came.sign().name());
        row.setSaid(came == null ? "" : came.said());
        row.setClosedAt(came == null ? null : came.at().atOffset(ZoneOffset.UTC));
        row.setTakenAt(job.takenAt().atOffset(ZoneOffset.UTC));
        row.setBody(JSONB.valueOf(body));
        db.insertInto(JOB).set(row).onConflict(JOB.ID).doUpdate().set(row).execute();
        promise(job);
        changed(job);
    }

    private void promise(Job job) {
        var open = PROMISE.JOB_ID.eq(job.id()).and(PROMISE.DONE_AT.isNull());
        var machine = job.machine();
        if (job.state() != Job.State.TAKEN || machine == null) {
            db.update(PROMISE)
                    .set(PROMISE.DONE_AT, clock.instant().atOffset(ZoneOffset.UTC))
                    .where(open)
                    .execute();
            return;
        }
        var row = db.newRecord(PROMISE);
        row.setMachineId(machine);
        row.setJobId(job.id());
        row.setWords(words(job));
        row.setDue(begins(job).atOffset(ZoneOffset.UTC));
        row.setMinutes(Math.clamp(job.minutes(), 1, 1440));
        if (db.update(PROMISE).set(row).where(open).execute() == 0) {
            db.insertInto(PROMISE).set(row).execute();
        }
    }

    private static String words(Job job) {
        var words = "job no. %d: %s, for %s"
                .formatted(job.id(), job.order().what(), job.order().customer());
        return words.length() > 200 ? words.substring(0, 200) : words;
    }

    /** When its machine has to begin at the latest. */
    static Instant begins(Job job) {
        return job.order().due().minus(Duration.ofMinutes(job.minutes()));
    }

    boolean hasSheets(long job) {
        return db.fetchExists(SHEET, SHEET.JOB_ID.eq(job));
    }

    void changed(Job job) {
        live.changed("jobs");
        if (job.machine() != null) {
            live.changed("machine/" + job.machine());
        }
    }
}
