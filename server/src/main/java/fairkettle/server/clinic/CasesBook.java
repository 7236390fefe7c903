package fairkettle.server.clinic;

import static fairkettle.db.Tables.CARD;
import static fairkettle.db.Tables.CARD_NOTE;
import static fairkettle.db.Tables.CASE_EVIDENCE;
import static fairkettle.db.Tables.CLINIC_CASE;

import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Act;
import fairkettle.server.journal.Book;
import fairkettle.server.journal.Images;
import fairkettle.server.journal.Rows;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/** What acts tell open cases, and the cases that bad ink opens. */
@Component
class CasesBook implements Book {

    private final DSLContext db;
    private final ClinicService clinic;
    private final CaseBook cases;

    CasesBook(DSLContext db, ClinicService clinic, CaseBook cases) {
        this.db = db;
        this.clinic = clinic;
        this.cases = cases;
    }

    @Override
    public Name name() {
        return Name.CASES;
    }

    @Override
    public List<Rows> rows(Act act, Consequence what) {
        var open = DSL.select(CLINIC_CASE.ID).from(CLINIC_CASE).where(CLINIC_CASE.ENDED_AT.isNull());
        var carried = DSL.select(CARD.ID).from(CARD).where(CARD.FINISHED_AT.isNull(), CARD.GIVEN_UP.isNull());
        return switch (what) {
            case Consequence.Spoiled _ ->
                List.of(
                        new Rows(CLINIC_CASE, CLINIC_CASE.ENDED_AT.isNull()),
                        new Rows(CASE_EVIDENCE, CASE_EVIDENCE.CASE_ID.in(open)),
                        new Rows(CARD_NOTE, CARD_NOTE.CARD_ID.in(carried)));
            case Consequence.SeenBefore(var id, var _) -> List.of(new Rows(CLINIC_CASE, CLINIC_CASE.ID.eq(id)));
            case Consequence.Told(var id, var _) -> List.of(new Rows(CASE_EVIDENCE, CASE_EVIDENCE.CASE_ID.eq(id)));
            default ->
                List.of(new Rows(
                        CASE_EVIDENCE, CASE_EVIDENCE.CASE_ID.in(open.and(CLINIC_CASE.MACHINE_ID.eq(act.machine())))));
        };
    }

    @Override
    public void take(Act act, Consequence what) {
        switch (what) {
            case Consequence.Looked _ -> clinic.looked(act);
            case Consequence.Spoiled(var lots, var why) ->
                lots.stream().sorted().forEach(lot -> clinic.spoiled(act, lot, why));
            case Consequence.InletsSeen(var crusted) -> clinic.inletsSeen(act, crusted);
            case Consequence.Treated treated -> clinic.treated(act, treated);
            case Consequence.Renewed _ -> clinic.renewed(act);
            case Consequence.SeenBefore(var id, var picture) -> cases.before(id, picture);
            case Consequence.Told(var id, var evidence) -> cases.add(id, act.entry(), evidence);
            default -> throw new IllegalArgumentException("This book takes no %s.".formatted(what));
        }
    }

    /** What a case was ended on, or carried on with, stays with it. */
    @Override
    public List<String> giveBack(Act act, Consequence what, Images images) {
        var ids = images.all().stream()
                .filter(i -> i.after() != null && !i.table().equals(CARD_NOTE.getName()))
                .flatMap(i -> Stream.of(
                        i.table().equals(CASE_EVIDENCE.getName())
                                ? Objects.requireNonNull(i.after())
                                        .path("case_id")
                                        .asLong()
                                : i.key().path("id").asLong()))
                .distinct()
                .toList();
        for (long id : ids) {
            if (db.fetchExists(CLINIC_CASE, CLINIC_CASE.ID.eq(id), CLINIC_CASE.ENDED_AT.isNotNull())) {
                return List.of("A case was closed on it: what it was told and how it ended stay.");
            }
            boolean opened =
                    images.all().stream().anyMatch(i -> i.table().equals(CLINIC_CASE.getName()) && i.before() == null);
            long told = images.all().stream()
                    .filter(i -> i.table().equals(CASE_EVIDENCE.getName())
                            && i.after() != null
                            && i.after().path("case_id").asLong() == id)
                    .count();
            if (opened && db.fetchCount(CASE_EVIDENCE, CASE_EVIDENCE.CASE_ID.eq(id)) > told) {
                return List.of("The case that it opened was carried on since, and stays.");
            }
        }
        cases.changed(act.machine());
        return Book.super.giveBack(act, what, images);
    }
}
