package fairkettle.server.shelf;

import static fairkettle.db.Tables.WASTE_BOTTLE;

import fairkettle.books.EntryKind;
import fairkettle.ink.Millilitres;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Waste bottles: one open at a time for each kind of waste, with what has gone into it. */
@Repository
public class WasteBottles {

    public static final String LIQUID = "ink and fluid";

    private final DSLContext db;
    private final Ledger ledger;
    private final Journal journal;
    private final Live live;

    WasteBottles(DSLContext db, Ledger ledger, Journal journal, Live live) {
        this.db = db;
        this.ledger = ledger;
        this.journal = journal;
        this.live = live;
    }

    /** @param holds by the account */
    public record Bottle(
            long id,
            String name,
            String kind,
            Millilitres capacity,
            Millilitres holds,
            LocalDate openedOn,
            @Nullable LocalDate closedOn) {}

    public List<Bottle> all() {
        var contents = ledger.ofShelf();
        return db.selectFrom(WASTE_BOTTLE)
                .orderBy(WASTE_BOTTLE.CLOSED_ON.desc().nullsFirst(), WASTE_BOTTLE.ID.desc())
                .limit(12)
                .fetch(r -> new Bottle(
                        r.getId(),
                        r.getName(),
                        r.getKind(),
                        new Millilitres(r.getCapacityUl()),
                        contents.getOrDefault(new Place.Waste(r.getId()), Mixture.EMPTY)
                                .volume(),
                        r.getOpenedOn(),
                        r.getClosedOn()));
    }

    /** Where liquid waste goes now: into the bottle in use, or nowhere with a name. */
    public Place inUse() {
        return db.select(WASTE_BOTTLE.ID)
                .from(WASTE_BOTTLE)
                .where(WASTE_BOTTLE.KIND.eq(LIQUID), WASTE_BOTTLE.CLOSED_ON.isNull())
                .fetchOptional(WASTE_BOTTLE.ID)
                .<Place>map(Place.Waste::new)
                .orElse(Place.Outside.WASTE_BOTTLE);
    }

    /** What the bottle in use for liquid still takes; empty if none is in use. */
    public Optional<Millilitres> room() {
        return all().stream()
                .filter(b -> b.kind().equals(LIQUID) && b.closedOn() == null)
                .map(b -> b.capacity().over(b.holds()))
                .findFirst();
    }

    /** A new bottle; the one in use so far is closed. */
    @Transactional
    public void open(String name, String kind, Millilitres capacity, LocalDate today) {
        if (capacity.isZero()) {
            throw Problem.atField("capacity", "How much does it hold, in mL?");
        }
        db.update(WASTE_BOTTLE)
                .set(WASTE_BOTTLE.CLOSED_ON, today)
                .where(WASTE_BOTTLE.KIND.eq(kind), WASTE_BOTTLE.CLOSED_ON.isNull())
                .execute();
        db.insertInto(WASTE_BOTTLE)
                .set(WASTE_BOTTLE.NAME, name.strip())
                .set(WASTE_BOTTLE.KIND, kind)
                .set(WASTE_BOTTLE.CAPACITY_UL, capacity.microlitres())
                .set(WASTE_BOTTLE.OPENED_ON, today)
                .execute();
        journal.write(
                NewEntry.of(
                        EntryKind.WASTE,
                        "waste bottle “%s” is in use, for %s, %s mL".formatted(name.strip(), kind, capacity)),
                List.of());
        live.changed("shelf");
    }

    /** It leaves the house, to the place that local rules name. */
    @Transactional
    public void dispose(long id, LocalDate today) {
        var bottle = db.selectFrom(WASTE_BOTTLE)
                .where(WASTE_BOTTLE.ID.eq(id))
                .fetchOptional()
                .orElseThrow(() -> Problem.notFound("There is no such waste bottle."));
        db.update(WASTE_BOTTLE)
                .set(WASTE_BOTTLE.CLOSED_ON, today)
                .where(WASTE_BOTTLE.ID.eq(id), WASTE_BOTTLE.CLOSED_ON.isNull())
                .execute();
        var holds = ledger.ofShelf().getOrDefault(new Place.Waste(id), Mixture.EMPTY);
        var postings = new ArrayList<Posting>();
        holds.parts().forEach((substance, amount) -> {
            postings.add(new Posting(new Place.Waste(id), substance, -amount));
            postings.add(new Posting(Place.Outside.WASTE_BOTTLE, substance, amount));
        });
        journal.write(
                NewEntry.of(
                        EntryKind.WASTE,
                        "waste bottle “%s” left the house with %s mL".formatted(bottle.getName(), holds.volume())),
                postings);
        live.changed("shelf");
    }
}
