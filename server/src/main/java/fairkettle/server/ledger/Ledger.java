package fairkettle.server.ledger;

import static fairkettle.db.Tables.CONTENT;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.POSTING;
import static org.jooq.impl.DSL.excluded;
import static org.jooq.impl.DSL.sum;

import fairkettle.ink.Substance;
import fairkettle.path.Account;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.server.people.Who;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/**
 * The append-only log and the double-entry ink account. What every place holds now is kept beside the postings in the
 * same transaction, and {@link #rebuild} makes it again from them.
 */
@Repository
public class Ledger {

    private static final long LOCK = 0x696e6bL;

    private final DSLContext db;
    private final Who who;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    Ledger(DSLContext db, Who who, Clock clock, ApplicationEventPublisher events) {
        this.db = db;
        this.who = who;
        this.clock = clock;
        this.events = events;
    }

    /** An entry was written: said within its transaction. */
    public record Recorded(long id, NewEntry entry, Instant at, List<Posting> postings) {}

    /** The contents were made again from the postings: whoever keeps more beside the log does the same. */
    public record Rebuilt() {}

    /**
     * @param at null for now
     * @param topic what it was about beyond its words, such as “purge/C”; null for most
     * @param amount sheets that were printed, or mL that were moved without leaving; null for most
     */
    public record NewEntry(
            String kind,
            String words,
            @Nullable Long machine,
            @Nullable Long card,
            @Nullable String step,
            @Nullable Long contraOf,
            @Nullable Instant at,
            @Nullable String topic,
            @Nullable Double amount) {

        public static NewEntry of(String kind, String words) {
            return new NewEntry(kind, words, null, null, null, null, null, null, null);
        }

        public NewEntry machine(long id) {
            return new NewEntry(kind, words, id, card, step, contraOf, at, topic, amount);
        }

        public NewEntry card(long id, String stepId) {
            return new NewEntry(kind, words, machine, id, stepId, contraOf, at, topic, amount);
        }

        public NewEntry contraOf(long entry) {
            return new NewEntry(kind, words, machine, card, step, entry, at, topic, amount);
        }

        public NewEntry at(@Nullable Instant instant) {
            return new NewEntry(kind, words, machine, card, step, contraOf, instant, topic, amount);
        }

        public NewEntry about(String what, double howMuch) {
            return new NewEntry(kind, words, machine, card, step, contraOf, at, what, howMuch);
        }
    }

    /** Writes an entry with its postings, and brings the contents up to date. @return the entry's id */
    @Transactional
    public long record(NewEntry entry, List<Posting> postings) {
        var when = entry.at() == null ? clock.instant() : entry.at();
        var at = when.atOffset(ZoneOffset.UTC);
        long id = db.insertInto(ENTRY)
                .set(ENTRY.AT, at)
                .set(ENTRY.PERSON_ID, who.id())
                .set(ENTRY.MACHINE_ID, entry.machine())
                .set(ENTRY.CARD_ID, entry.card())
                .set(ENTRY.STEP_ID, entry.step())
                .set(ENTRY.KIND, entry.kind())
                .set(ENTRY.WORDS, entry.words())
                .set(ENTRY.CONTRA_OF, entry.contraOf())
                .set(ENTRY.TOPIC, entry.topic())
                .set(ENTRY.AMOUNT, entry.amount())
                .returningResult(ENTRY.ID)
                .fetchSingle()
                .value1();
        if (!postings.isEmpty()) {
            var rows = db.insertInto(POSTING, POSTING.ENTRY_ID, POSTING.PLACE, POSTING.SUBSTANCE, POSTING.MICROLITRES);
            for (var p : postings) {
                rows = rows.values(id, p.place().key(), p.substance().key(), p.microlitres());
            }
            rows.execute();
            postings.stream().filter(p -> !(p.place() instanceof Place.Outside)).forEach(this::bringUpToDate);
            db.deleteFrom(CONTENT).where(CONTENT.MICROLITRES.eq(0L)).execute();
        }
        events.publishEvent(new Recorded(id, entry, when, postings));
        return id;
    }

    private void bringUpToDate(Posting posting) {
        var place = posting.place().key();
        var substance = posting.substance().key();
        if (posting.microlitres()
                < 0) { // why: the check on the column sees a negative row before the conflict is resolved
            db.update(CONTENT)
                    .set(CONTENT.MICROLITRES, CONTENT.MICROLITRES.plus(posting.microlitres()))
                    .where(CONTENT.PLACE.eq(place), CONTENT.SUBSTANCE.eq(substance))
                    .execute();
        } else {
            db.insertInto(CONTENT, CONTENT.PLACE, CONTENT.SUBSTANCE, CONTENT.MICROLITRES)
                    .values(place, substance, posting.microlitres())
                    .onConflict(CONTENT.PLACE, CONTENT.SUBSTANCE)
                    .doUpdate()
                    .set(CONTENT.MICROLITRES, CONTENT.MICROLITRES.plus(excluded(CONTENT.MICROLITRES)))
                    .execute();
        }
    }

    /**
     * An account to act on: the machine's places and all bottles as they are now. Nobody else books until the
     * transaction ends, so two tablets never pour the same mL.
     */
    @Transactional
    public Account openAccount(long machine) {
        return openAccount(machine, Place.Outside.WASTE_BOTTLE);
    }

    /** @param waste where drawn and rinsed liquid goes */
    @Transactional
    public Account openAccount(long machine, Place waste) {
        db.select(DSL.field("pg_advisory_xact_lock({0})", Object.class, DSL.val(LOCK)))
                .execute();
        return new Account(machine, contents(ofMachine(machine).or(CONTENT.PLACE.startsWith("bottle/"))), waste);
    }

    /** What a machine's places hold. */
    public Map<Place, Mixture> ofMachineNow(long machine) {
        return contents(ofMachine(machine));
    }

    public Map<Place, Mixture> ofBottle(long lot) {
        return contents(CONTENT.PLACE.eq("bottle/" + lot));
    }

    /** All bottles of ink, fluid and waste. */
    public Map<Place, Mixture> ofShelf() {
        return contents(CONTENT.PLACE.startsWith("bottle/").or(CONTENT.PLACE.startsWith("waste/")));
    }

    /** What pads and white channels hold, of every machine. */
    public Map<Place, Mixture> ofPadsAndWhites() {
        return contents(CONTENT.PLACE.startsWith("pad/").or(CONTENT.PLACE.like("path/%/W%")));
    }

    public Map<Place, Mixture> everything() {
        return contents(DSL.noCondition());
    }

    private static Condition ofMachine(long machine) {
        return CONTENT.PLACE
                .startsWith("path/" + machine + "/")
                .or(CONTENT.PLACE.startsWith("tray/" + machine + "/"))
                .or(CONTENT.PLACE.eq("pad/" + machine));
    }

    private Map<Place, Mixture> contents(Condition where) {
        var found = new HashMap<Place, Mixture>();
        db.select(CONTENT.PLACE, CONTENT.SUBSTANCE, CONTENT.MICROLITRES)
                .from(CONTENT)
                .where(where)
                .forEach(row -> found.merge(
                        Place.parse(row.value1()),
                        new Mixture(Map.of(Substance.parse(row.value2()), row.value3())),
                        Mixture::plus));
        return found;
    }

    /** What an entry moved. */
    public List<Posting> postings(long entry) {
        return db.select(POSTING.PLACE, POSTING.SUBSTANCE, POSTING.MICROLITRES)
                .from(POSTING)
                .where(POSTING.ENTRY_ID.eq(entry))
                .orderBy(POSTING.ID)
                .fetch(r -> new Posting(Place.parse(r.value1()), Substance.parse(r.value2()), r.value3()));
    }

    /** The postings of what a card's step moved and has not yet been struck out, and the entry they belong to. */
    public Map<Long, List<Posting>> standing(long card, String step) {
        var contra = ENTRY.as("contra");
        return db.select(ENTRY.ID, POSTING.PLACE, POSTING.SUBSTANCE, POSTING.MICROLITRES)
                .from(ENTRY)
                .join(POSTING)
                .on(POSTING.ENTRY_ID.eq(ENTRY.ID))
                .where(ENTRY.CARD_ID.eq(card), ENTRY.STEP_ID.eq(step), ENTRY.CONTRA_OF.isNull())
                .andNotExists(db.selectOne().from(contra).where(contra.CONTRA_OF.eq(ENTRY.ID)))
                .fetchGroups(
                        ENTRY.ID, r -> new Posting(Place.parse(r.value2()), Substance.parse(r.value3()), r.value4()));
    }

    /** Makes the contents again from the postings. @return how many rows differed: 0 unless something was broken */
    @Transactional
    public int rebuild() {
        db.select(DSL.field("pg_advisory_xact_lock({0})", Object.class, DSL.val(LOCK)))
                .execute();
        var kept = everything();
        db.deleteFrom(CONTENT).execute();
        db.insertInto(CONTENT, CONTENT.PLACE, CONTENT.SUBSTANCE, CONTENT.MICROLITRES)
                .select(db.select(
                                POSTING.PLACE,
                                POSTING.SUBSTANCE,
                                sum(POSTING.MICROLITRES).cast(Long.class))
                        .from(POSTING)
                        .where(POSTING.PLACE.notLike("outside/%"))
                        .groupBy(POSTING.PLACE, POSTING.SUBSTANCE)
                        .having(sum(POSTING.MICROLITRES).ne(java.math.BigDecimal.ZERO)))
                .execute();
        var made = everything();
        events.publishEvent(new Rebuilt());
        return (int) java.util.stream.Stream.concat(kept.keySet().stream(), made.keySet().stream())
                .distinct()
                .filter(place ->
                        !kept.getOrDefault(place, Mixture.EMPTY).equals(made.getOrDefault(place, Mixture.EMPTY)))
                .count();
    }
}
