package fairkettle.server.shelf;

import static fairkettle.db.Tables.WASTE_BOTTLE;
import static fairkettle.db.Tables.WASTE_RULE;

import fairkettle.books.EntryKind;
import fairkettle.ink.Millilitres;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.path.Posting;
import fairkettle.procedure.Consequence;
import fairkettle.safety.WasteKind;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.web.Problem;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Waste bottles: one open at a time for each kind of waste, with what has gone into it. */
@Repository
public class WasteBottles {

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

    /** @param capacity mL, or grams of what is weighed; {@code holds} likewise, by the account or as it was weighed */
    public record Bottle(
            long id,
            String name,
            WasteKind kind,
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
                        WasteKind.valueOf(r.getKind()),
                        new Millilitres(r.getCapacityUl()),
                        WasteKind.valueOf(r.getKind()).weighed()
                                ? new Millilitres(r.getGrams() * 1000L)
                                : contents.getOrDefault(new Place.Waste(r.getId()), Mixture.EMPTY)
                                        .volume(),
                        r.getOpenedOn(),
                        r.getClosedOn()));
    }

    /** Where liquid waste goes now: into the bottle in use, or nowhere with a name. */
    public Place inUse() {
        return db.select(WASTE_BOTTLE.ID)
                .from(WASTE_BOTTLE)
                .where(WASTE_BOTTLE.KIND.eq(WasteKind.LIQUID.name()), WASTE_BOTTLE.CLOSED_ON.isNull())
                .fetchOptional(WASTE_BOTTLE.ID)
                .<Place>map(Place.Waste::new)
                .orElse(Place.Outside.WASTE_BOTTLE);
    }

    /** What the bottle in use for liquid still takes; empty if none is in use. */
    public Optional<Millilitres> room() {
        return all().stream()
                .filter(b -> b.kind() == WasteKind.LIQUID && b.closedOn() == null)
                .map(b -> b.capacity().over(b.holds()))
                .findFirst();
    }

    /** @throws Problem if what goes in is more than the bottle in use still takes */
    public void take(List<Posting> postings) {
        for (var bottle : all()) {
            if (bottle.kind() != WasteKind.LIQUID || bottle.closedOn() != null) {
                continue;
            }
            var place = new Place.Waste(bottle.id());
            var comes = new Millilitres(Math.max(
                    0,
                    postings.stream()
                            .filter(p -> p.place().equals(place))
                            .mapToLong(Posting::microlitres)
                            .sum()));
            var room = bottle.capacity().over(bottle.holds());
            if (comes.compareTo(room) > 0) {
                throw Problem.refused(
                        "“%s” takes %s mL more, and %s mL would go in. Put an empty waste bottle in use first."
                                .formatted(bottle.name(), room, comes),
                        List.of());
            }
        }
    }

    /** A new bottle; the one in use so far is closed. */
    @Transactional
    public void open(String name, WasteKind kind, Millilitres capacity, LocalDate today) {
        if (capacity.isZero()) {
            throw Problem.atField("capacity", "How much does it hold?");
        }
        db.update(WASTE_BOTTLE)
                .set(WASTE_BOTTLE.CLOSED_ON, today)
                .where(WASTE_BOTTLE.KIND.eq(kind.name()), WASTE_BOTTLE.CLOSED_ON.isNull())
                .execute();
        db.insertInto(WASTE_BOTTLE)
                .set(WASTE_BOTTLE.NAME, name.strip())
                .set(WASTE_BOTTLE.KIND, kind.name())
                .set(WASTE_BOTTLE.CAPACITY_UL, capacity.microlitres())
                .set(WASTE_BOTTLE.OPENED_ON, today)
                .execute();
        journal.write(
                NewEntry.of(
                        EntryKind.WASTE,
                        "waste bottle “%s” is in use, for %s, %s %s"
                                .formatted(name.strip(), kind.label(), capacity, kind.weighed() ? "g" : "mL")),
                List.of());
        live.changed("shelf");
    }

    /** Solid waste goes into the vessel that is in use for its kind. */
    @Transactional
    public void add(long id, int grams) {
        var bottle = db.selectFrom(WASTE_BOTTLE)
                .where(WASTE_BOTTLE.ID.eq(id), WASTE_BOTTLE.CLOSED_ON.isNull())
                .forUpdate()
                .fetchOptional()
                .orElseThrow(() -> Problem.notFound("No such vessel is in use for waste."));
        var kind = WasteKind.valueOf(bottle.getKind());
        if (!kind.weighed()) {
            throw Problem.atField("grams", "What is liquid is counted by what cards and cleanings draw.");
        }
        if (bottle.getGrams() + grams > bottle.getCapacityUl() / 1000) {
            throw Problem.atField("grams", "“%s” is full with that. Put a new one in use.".formatted(bottle.getName()));
        }
        journal.write(
                NewEntry.of(EntryKind.WASTE, "%d g of %s into “%s”".formatted(grams, kind.label(), bottle.getName())),
                List.of(),
                List.of(new Consequence.SolidWaste(id, grams)));
        live.changed("shelf");
    }

    void weighed(Consequence.SolidWaste solid) {
        db.update(WASTE_BOTTLE)
                .set(WASTE_BOTTLE.GRAMS, WASTE_BOTTLE.GRAMS.plus(solid.grams()))
                .where(WASTE_BOTTLE.ID.eq(solid.bottle()))
                .execute();
        live.changed("shelf");
    }

    /** It was not put in after all. @return whether it could be taken off: what left the house is gone */
    boolean takenOut(Consequence.SolidWaste solid) {
        int changed = db.update(WASTE_BOTTLE)
                .set(WASTE_BOTTLE.GRAMS, WASTE_BOTTLE.GRAMS.minus(solid.grams()))
                .where(WASTE_BOTTLE.ID.eq(solid.bottle()), WASTE_BOTTLE.GRAMS.ge(solid.grams()))
                .execute();
        live.changed("shelf");
        return changed == 1;
    }

    /** What this place wants done with each kind, where it said so. */
    public Map<WasteKind, String> rules() {
        return db.selectFrom(WASTE_RULE).fetchMap(r -> WasteKind.valueOf(r.getKind()), r -> r.getWords());
    }

    @Transactional
    public void rule(WasteKind kind, String words) {
        if (words.isBlank()) {
            db.deleteFrom(WASTE_RULE).where(WASTE_RULE.KIND.eq(kind.name())).execute();
        } else {
            db.insertInto(WASTE_RULE)
                    .set(WASTE_RULE.KIND, kind.name())
                    .set(WASTE_RULE.WORDS, words.strip())
                    .onConflict(WASTE_RULE.KIND)
                    .doUpdate()
                    .set(WASTE_RULE.WORDS, words.strip())
                    .execute();
        }
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
                .set(WASTE_BOTTLE.CLOSED_ON, DSL.coalesce(WASTE_BOTTLE.CLOSED_ON, today))
                .set(WASTE_BOTTLE.GRAMS, 0)
                .where(WASTE_BOTTLE.ID.eq(id))
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
                        "waste bottle “%s” left the house with %s"
                                .formatted(
                                        bottle.getName(),
                                        WasteKind.valueOf(bottle.getKind()).weighed()
                                                ? bottle.getGrams() + " g"
                                                : holds.volume() + " mL")),
                postings);
        live.changed("shelf");
    }
}
