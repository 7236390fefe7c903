package fairkettle.server.practice;

import static fairkettle.db.Tables.PRACTICE_RUN;

import fairkettle.clinic.Advice.Question;
import fairkettle.clinic.Remedy;
import fairkettle.clinic.Treatment;
import fairkettle.db.tables.records.PracticeRunRecord;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Practice runs: a seed and what was done. Everything else follows from that. */
@Repository
class PracticeBook {

    private static final int LATEST = 20;

    private final DSLContext db;
    private final JsonMapper json;
    private final Clock clock;

    PracticeBook(DSLContext db, JsonMapper json, Clock clock) {
        this.db = db;
        this.json = json;
        this.clock = clock;
    }

    /** @param kind LOOK, PAGE, SIMPLE, ASK, TRY, TREAT, HINT, DONE or STOP */
    record PracticeAct(
            String kind,
            @Nullable Treatment treatment,
            List<String> channels,
            @Nullable Question question,
            @Nullable Remedy remedy) {}

    /** @param level of the machine, or the drill; @param bench which one its machine stood on */
    record Run(
            long id,
            @Nullable Long person,
            String level,
            long seed,
            Instant begunAt,
            @Nullable Instant endedAt,
            List<PracticeAct> acts,
            @Nullable Integer score,
            int version,
            int bench) {}

    long begin(@Nullable Long person, String level, long seed) {
        return db.insertInto(PRACTICE_RUN)
                .set(PRACTICE_RUN.PERSON_ID, person)
                .set(PRACTICE_RUN.LEVEL, level)
                .set(PRACTICE_RUN.SEED, seed)
                .set(PRACTICE_RUN.BEGUN_AT, now())
                .returningResult(PRACTICE_RUN.ID)
                .fetchSingle()
                .value1();
    }

    Run get(long id) {
        return db.selectFrom(PRACTICE_RUN)
                .where(PRACTICE_RUN.ID.eq(id))
                .fetchOptional(this::run)
                .orElseThrow(() -> Problem.notFound("There is no practice of this number (%d).".formatted(id)));
    }

    /** Held until the transaction ends. */
    Run hold(long id) {
        return db.selectFrom(PRACTICE_RUN)
                .where(PRACTICE_RUN.ID.eq(id))
                .forUpdate()
                .fetchOptional(this::run)
                .orElseThrow(() -> Problem.notFound("There is no practice of this number (%d).".formatted(id)));
    }

    void add(Run run, PracticeAct act, boolean ended, @Nullable Integer score) {
        var acts = new ArrayList<>(run.acts());
        acts.add(act);
        db.update(PRACTICE_RUN)
                .set(PRACTICE_RUN.ACTS, JSONB.valueOf(json.writeValueAsString(acts)))
                .set(PRACTICE_RUN.HINTS, (int)
                        acts.stream().filter(a -> a.kind().equals("HINT")).count())
                .set(PRACTICE_RUN.ENDED_AT, ended ? now() : null)
                .set(PRACTICE_RUN.SCORE, score)
                .set(PRACTICE_RUN.VERSION, PRACTICE_RUN.VERSION.plus(1))
                .where(PRACTICE_RUN.ID.eq(run.id()))
                .execute();
    }

    /** A drill that was answered. */
    void answered(@Nullable Long person, String drill, int score) {
        db.insertInto(PRACTICE_RUN)
                .set(PRACTICE_RUN.PERSON_ID, person)
                .set(PRACTICE_RUN.LEVEL, drill)
                .set(PRACTICE_RUN.SEED, 0L)
                .set(PRACTICE_RUN.BEGUN_AT, now())
                .set(PRACTICE_RUN.ENDED_AT, now())
                .set(PRACTICE_RUN.SCORE, score)
                .execute();
    }

    /** A person's own, the latest first; nobody's if nobody was picked. */
    List<Run> latest(@Nullable Long person) {
        return db.selectFrom(PRACTICE_RUN)
                .where(person == null ? PRACTICE_RUN.PERSON_ID.isNull() : PRACTICE_RUN.PERSON_ID.eq(person))
                .orderBy(PRACTICE_RUN.ID.desc())
                .limit(LATEST)
                .fetch(this::run);
    }

    private Run run(PracticeRunRecord r) {
        return new Run(
                r.getId(),
                r.getPersonId(),
                r.getLevel(),
                r.getSeed(),
                r.getBegunAt().toInstant(),
                r.getEndedAt() == null ? null : r.getEndedAt().toInstant(),
                json.readValue(r.getActs().data(), new TypeReference<List<PracticeAct>>() {}),
                r.getScore(),
                r.getVersion(),
                r.getBench());
    }

    private java.time.OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}
