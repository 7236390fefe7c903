package fairkettle.server.ledger;

import static fairkettle.db.Tables.CONTENT;
import static fairkettle.db.Tables.ENTRY;
import static fairkettle.db.Tables.POSTING;
import static org.jooq.impl.DSL.excluded;
import static org.jooq.impl.DSL.sum;

import fairkettle.books.Cause;
import fairkettle.books.EntryKind;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.path.Account;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.server.people.Who;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Query;
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

    private static final int OF_MACHINE = 1; // kinds of what is held
    private static final int OF_BOTTLE = 2;

    private final DSLContext db;
    private final Who who;
    private final Clock clock;
    private final ApplicationEventPublisher events;
    private final Outflow outflow;

    Ledger(DSLContext db, Who who, Clock clock, ApplicationEventPublisher events, Outflow outflow) {
        this.outflow = outflow;
        this.db = db;
        this.who = who;
        this.clock = clock;
        this.events = events;
    }

    /** The contents were made again from the postings: whoever keeps more beside the log does the same. */
    public record Rebuilt() {}

    /**
     * @param at null for now
     * @param topic what it was about beyond its words, such as “purge/C”; null for most
     * @param amount sheets that were printed, or mL that were moved without leaving; null for most
     * @param cause what its ink left for; null where none does
     */
    public record NewEntry(
            EntryKind kind,
            String words,
            @Nullable Long machine,
            @Nullable Long card,
            @Nullable String step,
            @Nullable Long contraOf,
            @Nullable Instant at,
            @Nullable String topic,
            @Nullable Double amount,
            @Nullable Cause cause) {

        public static NewEntry of(EntryKind kind, String words) {
            return new NewEntry(kind, words, null, null, null, null, null, null, null, kind.cause());
        }

        public NewEntry machine(long id) {
            return new NewEntry(kind, words, id, card, step, contraOf, at, topic, amount, cause);
        }

        public NewEntry card(long id, String stepId) {
            return new NewEntry(kind, words, machine, id, stepId, contraOf, at, topic, amount, cause);
        }

        public NewEntry contraOf(long entry) {
            return new NewEntry(kind, words, machine, card, step, entry, at, topic, amount, cause);
        }

        public NewEntry at(@Nullable Instant instant) {
            return new NewEntry(kind, words, machine, card, step, contraOf, instant, topic, amount, cause);
        }

        public NewEntry about(@Nullable String what) {
            return new NewEntry(kind, words, machine, card, step, contraOf, at, what, amount, cause);
        }

        public NewEntry about(String what, double howMuch) {
            return new NewEntry(kind, words, machine, card, step, contraOf, at, what, howMuch, cause);
        }

        public NewEntry because(@Nullable Cause why) {
            return new NewEntry(kind, words, machine, card, step, contraOf, at, topic, amount, why);
        }
    }

    /** Writes an entry with its postings, and brings the contents up to date. @return the entry's id */
    @Transactional
    public long record(NewEntry entry, List<Posting> postings) {
        if (entry.machine() != null) {
            lock(
                    OF_MACHINE,
                    List.of(entry.machine())); // why: books beside the log read what they stand on before they write
        }
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
                .set(ENTRY.CAUSE, entry.cause())
                .returningResult(ENTRY.ID)
                .fetchSingle()
                .value1();
        if (!postings.isEmpty()) {
            var rows = db.insertInto(POSTING, POSTING.ENTRY_ID, POSTING.PLACE, POSTING.SUBSTANCE, POSTING.MICROLITRES);
            for (var p : postings) {
                rows = rows.values(id, p.place().key(), p.substance().key(), p.microlitres());
            }
            rows.execute();
            var inside = postings.stream()
                    .filter(p -> !(p.place() instanceof Place.Outside))
                    .sorted(Comparator.comparing((Posting p) -> p.place().key())
                            .thenComparing(p -> p.substance().key()))
                    .toList(); // why: rows are taken in one order, the waste bottles that all share last
            db.batch(inside.stream().map(this::broughtUpToDate).toList()).execute();
            db.deleteFrom(CONTENT)
                    .where(CONTENT.PLACE.in(
                            inside.stream().map(p -> p.place().key()).toList()))
                    .and(CONTENT.MICROLITRES.eq(0L))
                    .execute();
            outflow.add(entry, when, who.id(), postings);
        }
        return id;
    }

    private Query broughtUpToDate(Posting posting) {
        var place = posting.place().key();
        var substance = posting.substance().key();
        if (posting.microlitres()
                < 0) { // why: the check on the column sees a negative row before the conflict is resolved
            return db.update(CONTENT)
                    .set(CONTENT.MICROLITRES, CONTENT.MICROLITRES.plus(posting.microlitres()))
                    .where(CONTENT.PLACE.eq(place), CONTENT.SUBSTANCE.eq(substance));
        }
        return db.insertInto(CONTENT, CONTENT.PLACE, CONTENT.SUBSTANCE, CONTENT.MICROLITRES)
                .values(place, substance, posting.microlitres())
                .onConflict(CONTENT.PLACE, CONTENT.SUBSTANCE)
                .doUpdate()
                .set(CONTENT.MICROLITRES, CONTENT.MICROLITRES.plus(excluded(CONTENT.MICROLITRES)));
    }

    /** An account to act on, of a machine whose acts touch no bottle. */
    @Transactional
    public Account openAccount(long machine) {
        return openAccount(machine, Place.Outside.WASTE_BOTTLE, List.of());
    }

    /**
     * An account to act on: the machine's places and some bottles as they are now. Nobody else books on these until the
     * transaction ends, so two tablets never pour the same mL.
     *
     * @param waste where drawn and rinsed liquid goes
     * @param lots bottles that may be drawn from or given back to
     */
    @Transactional
    public Account openAccount(long machine, Place waste, Collection<Long> lots) {
        hold(List.of(machine), lots);
        var bottles = lots.stream().map(lot -> new Place.Bottle(lot).key()).toList();
        return new Account(machine, contents(ofMachine(machine).or(CONTENT.PLACE.in(bottles))), waste);
    }

    /**
     * Holds machines and bottles until the transaction ends, always in the same order, so that no two wait for each
     * other: whoever writes about several says all of them at once, before anything is written.
     */
    @Transactional
    public void hold(Collection<Long> machines, Collection<Long> lots) {
        lock(OF_MACHINE, machines);
        lock(OF_BOTTLE, lots);
    }

    private void lock(int kind, Collection<Long> ids) {
        var ascending = ids.stream()
                .filter(id -> id != 0)
                .distinct()
                .sorted()
                .map(Long::intValue)
                .toArray(Integer[]::new);
        if (ascending.length > 0) {
            db.execute("select pg_advisory_xact_lock({0}, id) from unnest({1}) id", DSL.val(kind), DSL.val(ascending));
        }
    }

    /** What a machine's places hold. */
    public Map<Place, Mixture> ofMachineNow(long machine) {
        return contents(ofMachine(machine));
    }

    /** What the places of every machine hold. */
    public Map<Place, Mixture> ofMachines() {
        return contents(CONTENT.PLACE
                .startsWith("path/")
                .or(CONTENT.PLACE.startsWith("tray/"))
                .or(CONTENT.PLACE.startsWith("pad/")));
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

    /**
     * Books an entry's ink back, under an entry that names it. What has left a place since cannot come back out of it:
     * that is booked as a correction.
     *
     * @param contra with {@link NewEntry#contraOf}
     * @return what stays, in sentences
     */
    @Transactional
    public List<String> contra(NewEntry contra) {
        var booked = postings(Objects.requireNonNull(contra.contraOf()));
        hold(
                contra.machine() == null ? List.of() : List.of(contra.machine()),
                booked.stream()
                        .flatMap(p -> p.place() instanceof Place.Bottle(var lot) ? Stream.of(lot) : Stream.empty())
                        .toList());
        var places = booked.stream().map(p -> p.place().key()).distinct().toList();
        var here = contents(CONTENT.PLACE.in(places));
        var back = new ArrayList<Posting>();
        var stays = new ArrayList<String>();
        for (var posting : booked) {
            var reversed = posting.reversed();
            long there =
                    here.getOrDefault(posting.place(), Mixture.EMPTY).parts().getOrDefault(posting.substance(), 0L);
            long missing = posting.place() instanceof Place.Outside ? 0 : -reversed.microlitres() - there;
            if (missing > 0) {
                back.add(new Posting(Place.Outside.CORRECTION, posting.substance(), -missing));
                stays.add("%s mL of it have been used since: they stay used, and a correction says so."
                        .formatted(new Millilitres(missing)));
            }
            long moved = missing > 0 ? -there : reversed.microlitres();
            if (moved != 0) {
                back.add(new Posting(posting.place(), posting.substance(), moved));
            }
        }
        record(contra.because(causeOf(contra.contraOf())), merged(back));
        return stays.stream().distinct().toList();
    }

    private @Nullable Cause causeOf(long entry) {
        return db.select(ENTRY.CAUSE).from(ENTRY).where(ENTRY.ID.eq(entry)).fetchOne(ENTRY.CAUSE);
    }

    /** One posting for each place and substance. */
    private static List<Posting> merged(List<Posting> postings) {
        var sums = new LinkedHashMap<Place, Map<Substance, Long>>();
        postings.forEach(p -> sums.computeIfAbsent(p.place(), _ -> new LinkedHashMap<>())
                .merge(p.substance(), p.microlitres(), Long::sum));
        return sums.entrySet().stream()
                .flatMap(place -> place.getValue().entrySet().stream()
                        .filter(part -> part.getValue() != 0)
                        .map(part -> new Posting(place.getKey(), part.getKey(), part.getValue())))
                .toList();
    }

    /**
     * Makes the contents again from the postings. @return how many places and sums differed: 0 unless something was
     * broken
     */
    @Transactional
    public int rebuild() {
        db.execute("lock table content, posting in share row exclusive mode");
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
        int sums = outflow.rebuild();
        var made = everything();
        events.publishEvent(new Rebuilt());
        return sums
                + (int) java.util.stream.Stream.concat(kept.keySet().stream(), made.keySet().stream())
                        .distinct()
                        .filter(place -> !kept.getOrDefault(place, Mixture.EMPTY)
                                .equals(made.getOrDefault(place, Mixture.EMPTY)))
                        .count();
    }
}
