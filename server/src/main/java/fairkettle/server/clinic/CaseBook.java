package fairkettle.server.clinic;

import static fairkettle.db.Tables.CASE_EVIDENCE;
import static fairkettle.db.Tables.CLINIC_CASE;
import static fairkettle.db.Tables.MACHINE;
import static fairkettle.db.Tables.TREATMENT_OUTCOME;

import fairkettle.clinic.CaseFile;
import fairkettle.clinic.CaseFile.Dated;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.Learning.Kind;
import fairkettle.clinic.Learning.Outcome;
import fairkettle.clinic.Situation;
import fairkettle.clinic.Treatment;
import fairkettle.ink.Family;
import fairkettle.server.live.Live;
import fairkettle.server.people.Who;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.Record2;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/**
 * The cases: what was known when each was opened, and every piece of evidence in its order. Belief is never kept,
 * always worked out.
 */
@Repository
class CaseBook {

    private final DSLContext db;
    private final JsonMapper json;
    private final Live live;
    private final Who who;
    private final Clock clock;

    CaseBook(DSLContext db, JsonMapper json, Live live, Who who, Clock clock) {
        this.who = who;
        this.db = db;
        this.json = json;
        this.live = live;
        this.clock = clock;
    }

    /** @param together the same for cases that were opened at once, on machines that fail alike */
    record Kept(
            long id,
            long machine,
            String machineName,
            UUID together,
            Instant openedAt,
            String openedBy,
            String words,
            String work,
            CaseFile file,
            @Nullable Instant endedAt,
            @Nullable Ending ending,
            String endingWords,
            @Nullable UUID before) {

        boolean open() {
            return endedAt == null;
        }
    }

    /** When somebody last looked at a machine's simple things, in any case. */
    Optional<Instant> simpleLooked(long machine) {
        return latest(machine, "Simple").map(r -> r.value1().toInstant());
    }

    /** When a full page of a machine last kept its weight, in any case. */
    Optional<Instant> evenPage(long machine) {
        return latest(machine, "Page")
                .filter(r -> json.readValue(r.value2().data(), Evidence.class) instanceof Evidence.Page(var seen)
                        && seen.values().stream().noneMatch(s -> s.off() || s.fade() > .15))
                .map(r -> r.value1().toInstant());
    }

    private Optional<Record2<OffsetDateTime, JSONB>> latest(long machine, String kind) {
        return db.select(CASE_EVIDENCE.AT, CASE_EVIDENCE.BODY)
                .from(CASE_EVIDENCE)
                .join(CLINIC_CASE)
                .on(CLINIC_CASE.ID.eq(CASE_EVIDENCE.CASE_ID))
                .where(
                        CLINIC_CASE.MACHINE_ID.eq(machine),
                        DSL.field("{0}->>'kind'", String.class, CASE_EVIDENCE.BODY)
                                .eq(kind))
                .orderBy(CASE_EVIDENCE.ID.desc())
                .limit(1)
                .fetchOptional();
    }

    long open(long machine, UUID together, String by, String words, String work, Situation situation) {
        long id = db.insertInto(CLINIC_CASE)
                .set(CLINIC_CASE.MACHINE_ID, machine)
                .set(CLINIC_CASE.TOGETHER, together)
                .set(CLINIC_CASE.OPENED_AT, now())
                .set(CLINIC_CASE.OPENED_BY, by)
                .set(CLINIC_CASE.WORDS, words)
                .set(CLINIC_CASE.WORK, work)
                .set(CLINIC_CASE.SITUATION, JSONB.valueOf(json.writeValueAsString(situation)))
                .returningResult(CLINIC_CASE.ID)
                .fetchSingle()
                .value1();
        changed(machine);
        return id;
    }

    void add(Kept kept, String by, Evidence evidence, @Nullable Long entry) {
        db.insertInto(CASE_EVIDENCE)
                .set(CASE_EVIDENCE.CASE_ID, kept.id())
                .set(CASE_EVIDENCE.AT, now())
                .set(CASE_EVIDENCE.PERSON, by)
                .set(CASE_EVIDENCE.BODY, JSONB.valueOf(written(evidence)))
                .set(CASE_EVIDENCE.ENTRY_ID, entry)
                .execute();
        changed(kept.machine());
    }

    /** The same for evidence that was written down by {@link #written}. */
    void add(long id, long entry, String evidence) {
        add(get(id), who.name(), json.readValue(evidence, Evidence.class), entry);
    }

    String written(Evidence evidence) {
        return json.writerFor(Evidence.class).writeValueAsString(evidence);
    }

    /** Words for whoever looks at the case next. */
    void tell(Kept kept, String words) {
        db.update(CLINIC_CASE)
                .set(CLINIC_CASE.WORDS, kept.words().isEmpty() ? words : kept.words() + " " + words)
                .where(CLINIC_CASE.ID.eq(kept.id()))
                .execute();
        changed(kept.machine());
    }

    void end(Kept kept, Ending ending, String words) {
        db.update(CLINIC_CASE)
                .set(CLINIC_CASE.ENDED_AT, now())
                .set(CLINIC_CASE.ENDING, ending.name())
                .set(CLINIC_CASE.ENDING_WORDS, words)
                .where(CLINIC_CASE.ID.eq(kept.id()))
                .execute();
        changed(kept.machine());
    }

    Kept get(long id) {
        return read(CLINIC_CASE.ID.eq(id)).stream()
                .findFirst()
                .orElseThrow(() -> Problem.notFound("There is no case of this number (%d).".formatted(id)));
    }

    /** Held until the transaction ends: two tablets speak one after the other. */
    Kept hold(long id) {
        db.select(CLINIC_CASE.ID)
                .from(CLINIC_CASE)
                .where(CLINIC_CASE.ID.eq(id))
                .forNoKeyUpdate()
                .fetch();
        return get(id);
    }

    Optional<Kept> openOf(long machine) {
        return read(CLINIC_CASE.MACHINE_ID.eq(machine).and(CLINIC_CASE.ENDED_AT.isNull())).stream()
                .findFirst();
    }

    List<Kept> open() {
        return read(CLINIC_CASE.ENDED_AT.isNull());
    }

    /** Those that ended, the latest first. */
    List<Kept> ended(int most) {
        var ids = db.select(CLINIC_CASE.ID)
                .from(CLINIC_CASE)
                .where(CLINIC_CASE.ENDED_AT.isNotNull())
                .orderBy(CLINIC_CASE.ENDED_AT.desc())
                .limit(most)
                .fetch(CLINIC_CASE.ID);
        return ids.isEmpty() ? List.of() : read(CLINIC_CASE.ID.in(ids)).reversed();
    }

    /** How often a machine was ill since then. */
    int cases(long machine, Instant since) {
        return db.fetchCount(
                CLINIC_CASE,
                CLINIC_CASE.MACHINE_ID.eq(machine),
                CLINIC_CASE.OPENED_AT.ge(since.atOffset(ZoneOffset.UTC)));
    }

    private List<Kept> read(Condition which) {
        var evidence = db.select(CASE_EVIDENCE.CASE_ID, CASE_EVIDENCE.AT, CASE_EVIDENCE.PERSON, CASE_EVIDENCE.BODY)
                .from(CASE_EVIDENCE)
                .where(CASE_EVIDENCE.CASE_ID.in(
                        DSL.select(CLINIC_CASE.ID).from(CLINIC_CASE).where(which)))
                .orderBy(CASE_EVIDENCE.ID)
                .fetchGroups(
                        CASE_EVIDENCE.CASE_ID,
                        r -> new Dated(
                                r.get(CASE_EVIDENCE.AT).toInstant(),
                                r.get(CASE_EVIDENCE.PERSON),
                                json.readValue(r.get(CASE_EVIDENCE.BODY).data(), Evidence.class)));
        return db.select(CLINIC_CASE.asterisk(), MACHINE.NAME)
                .from(CLINIC_CASE)
                .join(MACHINE)
                .on(MACHINE.ID.eq(CLINIC_CASE.MACHINE_ID))
                .where(which)
                .orderBy(CLINIC_CASE.ENDED_AT, CLINIC_CASE.ID)
                .fetch(r -> {
                    var c = r.into(CLINIC_CASE);
                    return new Kept(
                            c.getId(),
                            c.getMachineId(),
                            r.get(MACHINE.NAME),
                            c.getTogether(),
                            c.getOpenedAt().toInstant(),
                            c.getOpenedBy(),
                            c.getWords(),
                            c.getWork(),
                            new CaseFile(
                                    json.readValue(c.getSituation().data(), Situation.class),
                                    evidence.getOrDefault(c.getId(), List.of())),
                            c.getEndedAt() == null ? null : c.getEndedAt().toInstant(),
                            c.getEnding() == null ? null : Ending.valueOf(c.getEnding()),
                            c.getEndingWords(),
                            c.getBeforePicture());
                });
    }

    /** How it was before anything was tried: what all later pictures are held against. */
    void before(long id, UUID picture) {
        db.update(CLINIC_CASE)
                .set(CLINIC_CASE.BEFORE_PICTURE, picture)
                .where(CLINIC_CASE.ID.eq(id))
                .execute();
    }

    // ---- what was learned -------------------------------------------------------------------------------------------

    void learned(long id, List<Outcome> outcomes) {
        outcomes.forEach(o -> db.insertInto(TREATMENT_OUTCOME)
                .set(TREATMENT_OUTCOME.CASE_ID, id)
                .set(TREATMENT_OUTCOME.TREATMENT, o.treatment().name())
                .set(TREATMENT_OUTCOME.KIND, o.kind().name())
                .set(TREATMENT_OUTCOME.FAMILY, o.family().name())
                .set(TREATMENT_OUTCOME.WORKED, o.worked())
                .set(TREATMENT_OUTCOME.AT, now())
                .execute());
    }

    List<Outcome> outcomes() {
        return db.selectFrom(TREATMENT_OUTCOME)
                .where(TREATMENT_OUTCOME.FORGOTTEN.isFalse())
                .orderBy(TREATMENT_OUTCOME.ID)
                .fetch(r -> new Outcome(
                        Treatment.valueOf(r.getTreatment()),
                        Kind.valueOf(r.getKind()),
                        Family.valueOf(r.getFamily()),
                        r.getWorked()));
    }

    /** From now on the table's own figures count again; what happened stays on record. */
    void forget() {
        db.update(TREATMENT_OUTCOME)
                .set(TREATMENT_OUTCOME.FORGOTTEN, true)
                .where(TREATMENT_OUTCOME.FORGOTTEN.isFalse())
                .execute();
        live.changed("clinic");
    }

    void changed(long machine) {
        live.changed("clinic");
        live.changed("machine/" + machine);
        live.changed("bench");
    }

    private java.time.OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}
