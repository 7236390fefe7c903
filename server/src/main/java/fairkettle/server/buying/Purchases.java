package fairkettle.server.buying;

import static fairkettle.db.Tables.PURCHASE;

import fairkettle.books.Article;
import fairkettle.books.EntryKind;
import fairkettle.ink.Family;
import fairkettle.ink.LargestRemainder;
import fairkettle.ink.Millilitres;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.people.Who;
import fairkettle.server.shelf.Articles;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What was ordered, and how much of it has come. */
@Repository
public class Purchases {

    private static final TypeReference<List<Line>> LINES = new TypeReference<>() {};

    private final DSLContext db;
    private final Suppliers suppliers;
    private final Shelf shelf;
    private final Supplies supplies;
    private final Articles articles;
    private final Journal journal;
    private final Live live;
    private final Who who;
    private final Clock clock;
    private final JsonMapper json;

    Purchases(
            DSLContext db,
            Suppliers suppliers,
            Shelf shelf,
            Supplies supplies,
            Articles articles,
            Journal journal,
            Live live,
            Who who,
            Clock clock,
            JsonMapper json) {
        this.db = db;
        this.suppliers = suppliers;
        this.shelf = shelf;
        this.supplies = supplies;
        this.articles = articles;
        this.journal = journal;
        this.live = live;
        this.who = who;
        this.clock = clock;
        this.json = json;
    }

    enum State {
        ORDERED,
        CAME_IN_PART,
        CAME,
        CANCELLED
    }

    /** As it was when it was ordered. @param price of all of them; @param came how many of {@code count} have come */
    public record Line(long offer, String name, Map<String, Long> contents, int count, long price, int came) {}

    public record Purchase(
            long id, long supplier, String name, Instant madeAt, State state, List<Line> lines, long postage) {
        long total() {
            return lines.stream().mapToLong(Line::price).sum() + postage;
        }

        boolean open() {
            return state == State.ORDERED || state == State.CAME_IN_PART;
        }
    }

    /** How many of an offer. */
    public record Wanted(long offer, int count) {}

    /**
     * What came of an offer.
     *
     * @param codes of bottles, by article; a bottle without a code is not let in
     */
    public record Arrived(
            long offer,
            int count,
            Map<String, String> codes,
            @Nullable LocalDate bestBefore) {}

    /** Open ones, and the latest of the others. */
    public List<Purchase> all() {
        var names = new HashMap<Long, String>();
        db.selectFrom(fairkettle.db.Tables.SUPPLIER).forEach(r -> names.put(r.getId(), r.getName()));
        return db.selectFrom(PURCHASE)
                .orderBy(
                        PURCHASE.STATE
                                .in(State.ORDERED.name(), State.CAME_IN_PART.name())
                                .desc(),
                        PURCHASE.ID.desc())
                .limit(60)
                .fetch(r -> purchase(r, names.getOrDefault(r.getSupplierId(), "")));
    }

    private Purchase purchase(fairkettle.db.tables.records.PurchaseRecord r, String name) {
        return new Purchase(
                r.getId(),
                r.getSupplierId(),
                name,
                r.getMadeAt().toInstant(),
                State.valueOf(r.getState()),
                json.readValue(r.getLines().data(), LINES),
                r.getPostageMinor());
    }

    public Purchase get(long id) {
        return all().stream()
                .filter(p -> p.id() == id)
                .findFirst()
                .orElseThrow(() -> Problem.notFound("Nothing was ordered under this number (%d).".formatted(id)));
    }

    /** By article: what was ordered and has not come. */
    Map<Article, Long> onTheWay() {
        var sums = new HashMap<Article, Long>();
        all().stream()
                .filter(Purchase::open)
                .flatMap(p -> p.lines().stream())
                .forEach(line -> line.contents()
                        .forEach((key, content) ->
                                sums.merge(Article.parse(key), (line.count() - line.came()) * content, Long::sum)));
        sums.values().removeIf(sum -> sum == 0);
        return sums;
    }

    /** @return its number */
    @Transactional
    public long order(long supplier, List<Wanted> wanted) {
        var of = suppliers.get(supplier);
        var offers = new HashMap<Long, Suppliers.Offer>();
        suppliers.offers().stream().filter(o -> o.supplier() == supplier).forEach(o -> offers.put(o.id(), o));
        var lines = new ArrayList<Line>();
        for (var want : wanted) {
            var offer = offers.get(want.offer());
            if (offer == null) {
                throw Problem.refused(
                        "%s sells nothing of this number (%d).".formatted(of.name(), want.offer()), List.of());
            }
            lines.add(new Line(
                    offer.id(),
                    offer.name(),
                    offer.contents(),
                    want.count(),
                    offer.sold().price(want.count()),
                    0));
        }
        if (lines.isEmpty()) {
            throw Problem.refused("There is nothing in the order.", List.of());
        }
        long goods = lines.stream().mapToLong(Line::price).sum();
        long postage = of.freeFrom() != null && goods >= of.freeFrom() ? 0 : of.postage();
        long id = db.insertInto(PURCHASE)
                .set(PURCHASE.SUPPLIER_ID, supplier)
                .set(PURCHASE.MADE_AT, clock.instant().atOffset(ZoneOffset.UTC))
                .set(PURCHASE.PERSON_ID, who.id())
                .set(PURCHASE.STATE, State.ORDERED.name())
                .set(PURCHASE.LINES, JSONB.valueOf(json.writeValueAsString(lines)))
                .set(PURCHASE.POSTAGE_MINOR, postage)
                .returningResult(PURCHASE.ID)
                .fetchSingle()
                .value1();
        journal.write(
                NewEntry.of(
                        EntryKind.ORDER,
                        "order no. %d to %s: %s"
                                .formatted(
                                        id,
                                        of.name(),
                                        String.join(
                                                ", ",
                                                lines.stream()
                                                        .map(l -> l.count() + " × " + l.name())
                                                        .toList()))),
                List.of());
        live.changed("shelf");
        return id;
    }

    /** What came goes onto the shelf: bottles with their codes, pieces into their counts. */
    @Transactional
    public void came(long id, List<Arrived> arrived) {
        var row = db.selectFrom(PURCHASE)
                .where(PURCHASE.ID.eq(id))
                .forUpdate()
                .fetchOptional()
                .orElseThrow(() -> Problem.notFound("Nothing was ordered under this number (%d).".formatted(id)));
        var purchase = purchase(row, "");
        if (!purchase.open()) {
            throw Problem.refused("This order is closed: nothing more comes of it.", List.of());
        }
        var lines = new ArrayList<Line>();
        for (var line : purchase.lines()) {
            int came = arrived.stream()
                    .filter(a -> a.offer() == line.offer())
                    .mapToInt(Arrived::count)
                    .sum();
            if (came > line.count() - line.came()) {
                throw Problem.refused(
                        "More of “%s” came than was ordered: %d are open. Put the rest onto the shelf as a gift."
                                .formatted(line.name(), line.count() - line.came()),
                        List.of());
            }
            lines.add(new Line(
                    line.offer(), line.name(), line.contents(), line.count(), line.price(), line.came() + came));
            for (var parcel : arrived) {
                if (parcel.offer() == line.offer() && parcel.count() > 0) {
                    put(line, parcel);
                }
            }
        }
        boolean all = lines.stream().allMatch(l -> l.came() == l.count());
        row.setLines(JSONB.valueOf(json.writeValueAsString(lines)));
        row.setState((all ? State.CAME : State.CAME_IN_PART).name());
        row.store();
        journal.write(
                NewEntry.of(EntryKind.ORDER, "order no. %d has come%s".formatted(id, all ? "" : " in part")),
                List.of());
        live.changed("shelf");
    }

    private void put(Line line, Arrived parcel) {
        var contents = new TreeMap<>(line.contents());
        long each = line.price() / line.count();
        var liquids = contents.entrySet().stream()
                .filter(e -> Article.parse(e.getKey()).liquid())
                .toList();
        var weights = liquids.stream().mapToLong(Map.Entry::getValue).toArray();
        for (int n = 0; n < parcel.count(); n++) {
            var prices = liquids.isEmpty() ? new long[0] : LargestRemainder.share(each, weights);
            for (int i = 0; i < liquids.size(); i++) {
                bottle(liquids.get(i), parcel, prices[i]);
            }
        }
        contents.forEach((key, content) -> {
            int pieces = Math.toIntExact(content * parcel.count());
            switch (Article.parse(key)) {
                case Article.Part(var what) ->
                    supplies.count(
                            what,
                            supplies.counts().getOrDefault(what, 0) + pieces,
                            supplies.prices().get(what));
                case Article.Own own -> {
                    var kept = articles.all().get(own);
                    articles.count(own, (kept == null ? 0 : kept.count()) + pieces, "came");
                }
                default -> {}
            }
        });
    }

    private void bottle(Map.Entry<String, Long> what, Arrived parcel, long price) {
        var code = parcel.codes().getOrDefault(what.getKey(), "").strip();
        if (code.isEmpty()) {
            throw Problem.atField(what.getKey(), "Copy the code that stands on the bottle.");
        }
        var article = Article.parse(what.getKey());
        var ink = article instanceof Article.Ink of ? of : null;
        var family = article instanceof Article.Fluid(var of) ? of : ink == null ? Family.SUBLIMATION : ink.family();
        shelf.add(new Shelf.NewLot(
                family,
                ink == null ? null : ink.channel().code(),
                ink == null ? "own" : ink.make(),
                code,
                new Millilitres(what.getValue()),
                price,
                family.food(),
                parcel.bestBefore(),
                null,
                null));
    }

    /** It is not coming, or what is missing of it is not. */
    @Transactional
    public void cancel(long id) {
        var row = db.selectFrom(PURCHASE)
                .where(PURCHASE.ID.eq(id))
                .forUpdate()
                .fetchOptional()
                .orElseThrow(() -> Problem.notFound("Nothing was ordered under this number (%d).".formatted(id)));
        if (purchase(row, "").open()) {
            row.setState(State.CANCELLED.name());
            row.store();
            journal.write(NewEntry.of(EntryKind.ORDER, "order no. %d is off".formatted(id)), List.of());
            live.changed("shelf");
        }
    }
}
