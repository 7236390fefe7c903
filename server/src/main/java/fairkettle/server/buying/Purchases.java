package fairkettle.server.buying;

import static fairkettle.db.Tables.PURCHASE;
import static fairkettle.db.Tables.SUPPLIER;

import fairkettle.books.Article;
import fairkettle.books.EntryKind;
import fairkettle.db.tables.records.PurchaseRecord;
import fairkettle.ink.LargestRemainder;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Supply;
import fairkettle.path.Posting;
import fairkettle.procedure.Consequence;
import fairkettle.server.journal.Journal;
import fairkettle.server.ledger.Ledger.NewEntry;
import fairkettle.server.live.Live;
import fairkettle.server.people.Who;
import fairkettle.server.shelf.Articles;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.web.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jooq.Condition;
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
    private static final Condition OPEN = PURCHASE.STATE.in(State.ORDERED.name(), State.CAME_IN_PART.name());
    private static final int PAST_SHOWN = 40;
    private static final int MOST = 1000;

    private final DSLContext db;
    private final Suppliers suppliers;
    private final Shelf shelf;
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
            Articles articles,
            Journal journal,
            Live live,
            Who who,
            Clock clock,
            JsonMapper json) {
        this.db = db;
        this.suppliers = suppliers;
        this.shelf = shelf;
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
        var all = new ArrayList<>(find(OPEN));
        all.addAll(find(OPEN.not()).stream().limit(PAST_SHOWN).toList());
        return all;
    }

    private List<Purchase> find(Condition which) {
        var names = new HashMap<Long, String>();
        db.selectFrom(SUPPLIER).forEach(r -> names.put(r.getId(), r.getName()));
        return db.selectFrom(PURCHASE)
                .where(which)
                .orderBy(PURCHASE.ID.desc())
                .limit(MOST)
                .fetch(r -> purchase(r, names.getOrDefault(r.getSupplierId(), "")));
    }

    private Purchase purchase(PurchaseRecord r, String name) {
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
        return find(PURCHASE.ID.eq(id)).stream()
                .findFirst()
                .orElseThrow(() -> Problem.notFound("Nothing was ordered under this number (%d).".formatted(id)));
    }

    /** By article: what was ordered and has not come. */
    Map<Article, Long> onTheWay() {
        var sums = new HashMap<Article, Long>();
        find(OPEN).stream()
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
        var counts = new TreeMap<Long, Integer>();
        wanted.forEach(want -> counts.merge(want.offer(), want.count(), Math::addExact));
        var lines = new ArrayList<Line>();
        for (var want : counts.entrySet()) {
            var offer = offers.get(want.getKey());
            if (offer == null) {
                throw Problem.refused(
                        "%s sells nothing of this number (%d).".formatted(of.name(), want.getKey()), List.of());
            }
            lines.add(new Line(
                    offer.id(),
                    offer.name(),
                    offer.contents(),
                    want.getValue(),
                    offer.sold().price(want.getValue()),
                    0));
        }
        if (lines.isEmpty()) {
            throw Problem.refused("There is nothing in the order.", List.of());
        }
        long goods = lines.stream().mapToLong(Line::price).sum();
        long postage = of.freeFrom() != null && goods >= of.freeFrom() ? 0 : of.postage();
        long id = db.fetchSingle("select nextval(pg_get_serial_sequence('purchase', 'id'))")
                .get(0, Long.class);
        write(
                "order no. %d to %s: %s"
                        .formatted(
                                id,
                                of.name(),
                                String.join(
                                        ", ",
                                        lines.stream()
                                                .map(l -> l.count() + " × " + l.name())
                                                .toList())),
                new Purchase(id, supplier, "", clock.instant(), State.ORDERED, lines, postage),
                List.of(),
                List.of());
        return id;
    }

    /** One entry for all of it, so that all of it is taken back at once. */
    private void write(String words, Purchase purchase, List<Posting> postings, List<Consequence> came) {
        var all = new ArrayList<Consequence>(came);
        all.add(new Consequence.Purchased(purchase.id(), json.writeValueAsString(purchase)));
        journal.write(NewEntry.of(EntryKind.ORDER, words), postings, all);
        live.changed("shelf");
    }

    /** The order as it is from now on. */
    void keep(String purchase) {
        var now = json.readValue(purchase, Purchase.class);
        db.insertInto(PURCHASE)
                .set(PURCHASE.ID, now.id())
                .set(PURCHASE.SUPPLIER_ID, now.supplier())
                .set(PURCHASE.MADE_AT, now.madeAt().atOffset(ZoneOffset.UTC))
                .set(PURCHASE.PERSON_ID, who.id())
                .set(PURCHASE.STATE, now.state().name())
                .set(PURCHASE.LINES, JSONB.valueOf(json.writeValueAsString(now.lines())))
                .set(PURCHASE.POSTAGE_MINOR, now.postage())
                .onConflict(PURCHASE.ID)
                .doUpdate()
                .set(PURCHASE.STATE, now.state().name())
                .set(PURCHASE.LINES, JSONB.valueOf(json.writeValueAsString(now.lines())))
                .execute();
    }

    private Purchase held(long id) {
        return db.selectFrom(PURCHASE)
                .where(PURCHASE.ID.eq(id))
                .forUpdate()
                .fetchOptional(r -> purchase(r, ""))
                .orElseThrow(() -> Problem.notFound("Nothing was ordered under this number (%d).".formatted(id)));
    }

    /** What came goes onto the shelf: bottles with their codes, pieces into their counts. */
    @Transactional
    public void came(long id, List<Arrived> arrived) {
        var purchase = held(id);
        if (!purchase.open()) {
            throw Problem.refused("This order is closed: nothing more comes of it.", List.of());
        }
        arrived.stream()
                .filter(a -> purchase.lines().stream().noneMatch(l -> l.offer() == a.offer()))
                .findFirst()
                .ifPresent(_ -> {
                    throw Problem.refused(
                            "Something came that is not in order no. %d. Enter it on the shelf by itself."
                                    .formatted(id),
                            List.of());
                });
        var lines = new ArrayList<Line>();
        var postings = new ArrayList<Posting>();
        var pieces = new TreeMap<Article, Integer>(Comparator.comparing(Article::key));
        for (var line : purchase.lines()) {
            int came = 0;
            for (var parcel : arrived) {
                if (parcel.offer() == line.offer()) {
                    came += parcel.count();
                    open(line, came);
                    postings.addAll(bottles(line, parcel));
                    line.contents().forEach((key, each) -> {
                        var article = Article.parse(key);
                        if (!article.liquid()) {
                            pieces.merge(article, Math.toIntExact(each * parcel.count()), Math::addExact);
                        }
                    });
                }
            }
            lines.add(new Line(
                    line.offer(), line.name(), line.contents(), line.count(), line.price(), line.came() + came));
        }
        boolean all = lines.stream().allMatch(l -> l.came() == l.count());
        write(
                "order no. %d has come%s".formatted(id, all ? "" : " in part"),
                new Purchase(
                        id,
                        purchase.supplier(),
                        "",
                        purchase.madeAt(),
                        all ? State.CAME : State.CAME_IN_PART,
                        lines,
                        purchase.postage()),
                postings,
                counted(pieces));
    }

    private static void open(Line line, int came) {
        if (came > line.count() - line.came()) {
            throw Problem.refused(
                    "More of “%s” came than was ordered: %d are open. Enter the rest on the shelf by itself."
                            .formatted(line.name(), line.count() - line.came()),
                    List.of());
        }
    }

    private List<Consequence> counted(Map<Article, Integer> pieces) {
        var came = new ArrayList<Consequence>();
        var supplies = new EnumMap<Supply, Integer>(Supply.class);
        pieces.forEach((article, count) -> {
            switch (article) {
                case Article.Part(var what) -> supplies.put(what, count);
                case Article.Own own -> {
                    var kept = articles.own(own);
                    came.add(new Consequence.OwnCounted(own.key(), kept.label(), kept.count() + count));
                }
                case Article.Ink _, Article.Fluid _ -> {}
            }
        });
        if (!supplies.isEmpty()) {
            came.add(new Consequence.Came(supplies));
        }
        return came;
    }

    /** Bottles of a parcel onto the shelf; what one of the offer cost is shared out over what is poured of it. */
    private List<Posting> bottles(Line line, Arrived parcel) {
        var liquids = new TreeMap<>(line.contents())
                .entrySet().stream()
                        .filter(e -> Article.parse(e.getKey()).liquid())
                        .toList();
        if (liquids.isEmpty()) {
            return List.of();
        }
        var weights = liquids.stream().mapToLong(Map.Entry::getValue).toArray();
        var prices = LargestRemainder.share(line.price() / line.count(), weights);
        var postings = new ArrayList<Posting>();
        for (int n = 0; n < parcel.count(); n++) {
            for (int i = 0; i < liquids.size(); i++) {
                postings.addAll(bottle(liquids.get(i), parcel, prices[i]));
            }
        }
        return postings;
    }

    private List<Posting> bottle(Map.Entry<String, Long> what, Arrived parcel, long price) {
        var code = parcel.codes().getOrDefault(what.getKey(), "").strip();
        if (code.isEmpty()) {
            throw Problem.atField(what.getKey(), "Copy the code that stands on the bottle.");
        }
        var volume = new Millilitres(what.getValue());
        var lot = switch (Article.parse(what.getKey())) {
            case Article.Ink(var family, var channel, var make) ->
                new Shelf.NewLot(
                        family,
                        channel.code(),
                        make,
                        code,
                        volume,
                        price,
                        family.food(),
                        parcel.bestBefore(),
                        null,
                        null);
            case Article.Fluid(var family) ->
                new Shelf.NewLot(
                        family, null, "own", code, volume, price, family.food(), parcel.bestBefore(), null, null);
            case Article.Part _, Article.Own _ ->
                throw new IllegalArgumentException("(%s) is no bottle.".formatted(what.getKey()));
        };
        return shelf.stand(lot).postings();
    }

    /** It is not coming, or what is missing of it is not. */
    @Transactional
    public void cancel(long id) {
        var purchase = held(id);
        if (purchase.open()) {
            write(
                    "order no. %d is off".formatted(id),
                    new Purchase(
                            id,
                            purchase.supplier(),
                            "",
                            purchase.madeAt(),
                            State.CANCELLED,
                            purchase.lines(),
                            purchase.postage()),
                    List.of(),
                    List.of());
        }
    }
}
