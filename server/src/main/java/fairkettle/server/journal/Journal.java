package fairkettle.server.journal;

import static fairkettle.db.Tables.CONSEQUENCE;
import static fairkettle.db.Tables.ENTRY;

import fairkettle.books.EntryKind;
import fairkettle.path.Posting;
import fairkettle.procedure.Consequence;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BiConsumer;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes what happened, and takes it back. Doing is a list of consequences forward: one entry of the log, the ink it
 * moved, and what each book takes of it. Striking out is the same list backward.
 */
@Service
public class Journal {

    private static final TypeReference<List<Images.Image>> IMAGES = new TypeReference<>() {};

    private final DSLContext db;
    private final Ledger ledger;
    private final ObjectProvider<Book> found;
    private final JsonMapper json;
    private final Clock clock;
    private volatile @Nullable Map<Book.Name, Book> books;

    Journal(DSLContext db, Ledger ledger, ObjectProvider<Book> found, JsonMapper json, Clock clock) {
        this.db = db;
        this.ledger = ledger;
        this.found = found;
        this.json = json;
        this.clock = clock;
    }

    /** Books see the journal too, so they are asked for when the first entry is written. */
    private Book book(Book.Name name) {
        var all = books;
        if (all == null) {
            all = new EnumMap<>(Book.Name.class);
            for (var book : found) {
                all.put(book.name(), book);
            }
            books = all;
        }
        return Objects.requireNonNull(all.get(name), () -> "Impossible state: nobody keeps the book " + name + ".");
    }

    /** What comes to nothing but its ink, if that. @return the entry's id */
    @Transactional
    public long write(NewEntry entry, List<Posting> postings) {
        return write(entry, postings, List.of());
    }

    /** @return the entry's id */
    @Transactional
    public long write(NewEntry entry, List<Posting> postings, List<? extends Consequence> consequences) {
        var at = Objects.requireNonNullElse(entry.at(), clock.instant());
        long id = ledger.record(entry.at(at), postings);
        var act = Act.of(id, entry.machine(), entry.card(), entry.step(), at);
        moved(act, entry, postings);
        consequences.forEach(what -> Book.Name.of(what).forEach(name -> take(act, what, book(name))));
        Written.note(id);
        return id;
    }

    /** Upkeep is credited for ink that moved, whatever else an entry comes to. */
    private void moved(Act act, NewEntry entry, List<Posting> postings) {
        if (act.machine() != 0) {
            var upkeep = (Moving) book(Book.Name.UPKEEP);
            keep(
                    act,
                    Book.Name.UPKEEP,
                    null,
                    upkeep.rows(act, entry, postings),
                    () -> upkeep.moved(act, entry, postings));
        }
    }

    /** The book that looks at every movement of ink. */
    public interface Moving extends Book {

        /** Rows that this movement changes: none if upkeep has nothing to do with it. */
        List<Rows> rows(Act act, NewEntry entry, List<Posting> postings);

        void moved(Act act, NewEntry entry, List<Posting> postings);

        /** @return what stays all the same */
        List<String> giveBack(Act act, Images images);
    }

    private void take(Act act, Consequence what, Book book) {
        keep(act, book.name(), what, book.rows(act, what), () -> book.take(act, what));
    }

    private void keep(Act act, Book.Name book, @Nullable Consequence what, List<Rows> rows, Runnable work) {
        var images = Images.around(db, json, rows, work);
        if (what == null && images.all().isEmpty()) {
            return;
        }
        db.insertInto(CONSEQUENCE)
                .set(CONSEQUENCE.ENTRY_ID, act.entry())
                .set(CONSEQUENCE.BOOK, book.name())
                .set(CONSEQUENCE.KIND, what == null ? MOVED : what.getClass().getSimpleName())
                .set(
                        CONSEQUENCE.BODY,
                        JSONB.valueOf(
                                what == null
                                        ? "{}"
                                        : json.writerFor(Consequence.class).writeValueAsString(what)))
                .set(CONSEQUENCE.IMAGES, JSONB.valueOf(images.written().toString()))
                .execute();
    }

    private static final String MOVED = "Moved";

    private record Kept(Book.Name book, @Nullable Consequence what, Images images) {}

    private List<Kept> consequences(long entry) {
        return db.selectFrom(CONSEQUENCE)
                .where(CONSEQUENCE.ENTRY_ID.eq(entry))
                .orderBy(CONSEQUENCE.ID)
                .fetch(r -> new Kept(
                        Book.Name.valueOf(r.getBook()),
                        r.getKind().equals(MOVED)
                                ? null
                                : json.readValue(r.getBody().data(), Consequence.class),
                        new Images(db, json, json.readValue(r.getImages().data(), IMAGES))));
    }

    /** What an entry came to, in the order in which it was taken. */
    public List<Consequence> of(long entry) {
        return consequences(entry).stream()
                .flatMap(kept -> Optional.ofNullable(kept.what()).stream())
                .distinct()
                .toList();
    }

    /** What striking an entry out gives back, in words; empty if nothing followed from it. */
    public List<String> gives(long entry) {
        var gives = new ArrayList<String>();
        of(entry).forEach(what -> gives.add(what.comesBack()));
        if (!ledger.postings(entry).isEmpty()) {
            gives.add("the ink that it moved");
        } else if (consequences(entry).stream().anyMatch(kept -> kept.what() == null)) {
            gives.add("what upkeep reckons with it");
        }
        return gives.stream().filter(words -> !words.isEmpty()).distinct().toList();
    }

    /** An entry as the log keeps it. */
    public record Entry(
            long id,
            Instant at,
            EntryKind kind,
            String words,
            @Nullable Long machine,
            @Nullable Long card,
            @Nullable String step,
            boolean struck) {}

    public Entry entry(long id) {
        return db.selectFrom(ENTRY)
                .where(ENTRY.ID.eq(id))
                .fetchOptional(r -> new Entry(
                        r.getId(),
                        r.getAt().toInstant(),
                        r.getKind(),
                        r.getWords(),
                        r.getMachineId(),
                        r.getCardId(),
                        r.getStepId(),
                        struck(id)))
                .orElseThrow(() -> Problem.notFound("There is no entry of this number (%d).".formatted(id)));
    }

    private boolean struck(long id) {
        return db.fetchExists(ENTRY, ENTRY.CONTRA_OF.eq(id));
    }

    /** Of an entry: nobody struck it out. */
    public static Condition stands() {
        var contra = ENTRY.as("contra");
        return DSL.notExists(DSL.selectOne().from(contra).where(contra.CONTRA_OF.eq(ENTRY.ID)));
    }

    /** Entries of a card's step that stand, the latest first. */
    public List<Long> standing(long card, String step) {
        return db.select(ENTRY.ID)
                .from(ENTRY)
                .where(ENTRY.CARD_ID.eq(card), ENTRY.STEP_ID.eq(step), ENTRY.CONTRA_OF.isNull())
                .and(ENTRY.KIND.ne(EntryKind.STRIKE))
                .and(stands())
                .orderBy(ENTRY.ID.desc())
                .fetch(ENTRY.ID);
    }

    /**
     * Takes an entry back: its ink returns, and every book gives back what it took, the last first.
     *
     * @return what stays all the same, in sentences
     */
    @Transactional
    public List<String> strike(long id) {
        var entry = entry(id);
        if (entry.struck()) {
            return List.of(); // somebody was quicker
        }
        var stays = new ArrayList<String>();
        var words = entry.words();
        var contra = NewEntry.of(EntryKind.STRIKE, struckWords(words)).contraOf(id);
        contra = entry.machine() == null ? contra : contra.machine(entry.machine());
        contra =
                entry.card() == null ? contra : contra.card(entry.card(), Objects.requireNonNullElse(entry.step(), ""));
        stays.addAll(ledger.contra(contra));
        var act = Act.of(id, entry.machine(), entry.card(), entry.step(), entry.at());
        backwards(
                id,
                (kept, book) -> stays.addAll(
                        kept.what() == null
                                ? ((Moving) book).giveBack(act, kept.images())
                                : book.giveBack(act, kept.what(), kept.images())));
        return stays.stream().distinct().toList();
    }

    /** "Bramble: drained C" is struck out as "Bramble: struck out “drained C”". */
    private static String struckWords(String words) {
        int colon = words.indexOf(": ");
        return colon < 0
                ? "struck out “%s”".formatted(words)
                : "%s: struck out “%s”".formatted(words.substring(0, colon), words.substring(colon + 2));
    }

    private void backwards(long entry, BiConsumer<Kept, Book> giveBack) {
        consequences(entry).reversed().forEach(kept -> giveBack.accept(kept, book(kept.book())));
    }
}
