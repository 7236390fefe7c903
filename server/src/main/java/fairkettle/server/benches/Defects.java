package fairkettle.server.benches;

import static fairkettle.db.Tables.DEFECT;
import static fairkettle.db.Tables.MACHINE;

import fairkettle.procedure.Facet;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jooq.DSLContext;
import org.jooq.Records;
import org.springframework.stereotype.Repository;

/** What is broken or missing at a machine, so that the next hands are told of it at the step that meets it. */
@Repository
public class Defects {

    private final DSLContext db;
    private final Clock clock;

    Defects(DSLContext db, Clock clock) {
        this.db = db;
        this.clock = clock;
    }

    /** @param facet what a step has to do with, for it to be told there; @param effect what follows */
    public record Defect(long id, Facet facet, String words, String effect, Instant at) {}

    List<Defect> list(long machine) {
        return db.selectFrom(DEFECT)
                .where(DEFECT.MACHINE_ID.eq(machine), DEFECT.MENDED_AT.isNull())
                .orderBy(DEFECT.ID)
                .fetch(r -> new Defect(
                        r.getId(),
                        Facet.valueOf(r.getFacet()),
                        r.getWords(),
                        r.getEffect(),
                        r.getAt().toInstant()));
    }

    /** Broken or missing somewhere, and nobody has mended it: its part may come with the next order. */
    public record Unmended(long machine, String name, String words, String effect) {}

    public List<Unmended> unmended() {
        return db.select(MACHINE.ID, MACHINE.NAME, DEFECT.WORDS, DEFECT.EFFECT)
                .from(DEFECT)
                .join(MACHINE)
                .on(MACHINE.ID.eq(DEFECT.MACHINE_ID))
                .where(DEFECT.MENDED_AT.isNull())
                .orderBy(DEFECT.ID)
                .fetch(Records.mapping(Unmended::new));
    }

    /** In words, by what they concern. */
    public Map<Facet, String> of(long machine) {
        var all = new EnumMap<Facet, String>(Facet.class);
        list(machine)
                .forEach(d -> all.merge(
                        d.facet(), "Known here: %s. %s".formatted(d.words(), d.effect()), (a, b) -> a + " " + b));
        return all;
    }

    public void add(long machine, Facet facet, String words, String effect) {
        db.insertInto(DEFECT)
                .set(DEFECT.MACHINE_ID, machine)
                .set(DEFECT.FACET, facet.name())
                .set(DEFECT.WORDS, words)
                .set(DEFECT.EFFECT, effect)
                .set(DEFECT.AT, clock.instant().atOffset(ZoneOffset.UTC))
                .execute();
    }

    void mended(long machine, long id) {
        if (db.update(DEFECT)
                        .set(DEFECT.MENDED_AT, clock.instant().atOffset(ZoneOffset.UTC))
                        .where(DEFECT.ID.eq(id), DEFECT.MACHINE_ID.eq(machine))
                        .execute()
                == 0) {
            throw Problem.notFound("There is no such defect (%d).".formatted(id));
        }
    }
}
