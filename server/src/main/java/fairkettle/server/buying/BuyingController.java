package fairkettle.server.buying;

import fairkettle.books.Article;
import fairkettle.books.Ordering;
import fairkettle.ink.Money;
import fairkettle.server.benches.Defects;
import fairkettle.server.papers.Sheet;
import fairkettle.server.shelf.Articles;
import fairkettle.server.shop.Shop;
import fairkettle.server.web.CsvFile;
import fairkettle.server.web.Problem;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** From the forecast to the shelf. */
@RestController
class BuyingController {

    private static final int USUAL_LEAD = 7; // days, where nobody sells it yet
    private static final int FAR = 730; // days: what lasts longer runs out “not within two years”
    private static final double MOST_ML = 100_000;
    private static final double MOST_PIECES = 100_000;

    private final Stocks stocks;
    private final Suppliers suppliers;
    private final Purchases purchases;
    private final Articles articles;
    private final Defects defects;
    private final Shop shop;
    private final Clock clock;

    BuyingController(
            Stocks stocks,
            Suppliers suppliers,
            Purchases purchases,
            Articles articles,
            Defects defects,
            Shop shop,
            Clock clock) {
        this.stocks = stocks;
        this.suppliers = suppliers;
        this.purchases = purchases;
        this.articles = articles;
        this.defects = defects;
        this.shop = shop;
        this.clock = clock;
    }

    /**
     * Amounts are mL of liquids and pieces of everything else.
     *
     * @param left on the shelf, of what no card has set aside
     * @param inMachines that is printed before a bottle is opened
     * @param perWeek of late
     * @param earliest one time in ten it runs out earlier; like the others null for not within two years
     * @param orderBy to have it before it runs out; null for not within two years
     * @param low below its minimum
     */
    record ArticleJson(
            String key,
            String label,
            boolean liquid,
            boolean own,
            double left,
            double inMachines,
            double onTheWay,
            double due,
            double minimum,
            double reserve,
            double perWeek,
            List<String> users,
            @Nullable LocalDate earliest,
            @Nullable LocalDate expected,
            @Nullable LocalDate latest,
            @Nullable LocalDate orderBy,
            boolean low,
            boolean sold) {}

    /** @param each mL or pieces */
    record ContentJson(@NotBlank String article, @Nullable String label, double each) {}

    record TierJson(
            @Min(value = 1, message = "From at least one.") @Max(value = 9999, message = "At most 9999.")
            int from,

            @Min(value = 0, message = "Not below nothing.") long price) {}

    /** @param perUnit by article key: minor units for one mL or piece, at the price of one */
    record OfferJson(
            long id, String name, List<ContentJson> contents, List<TierJson> tiers, Map<String, Double> perUnit) {}

    /** @param hereFrom when it opens today by the shop’s own clock */
    record SupplierJson(
            long id,
            String name,
            int leadDays,
            long postage,
            @Nullable Long freeFrom,
            String zone,
            @Nullable LocalTime opens,
            @Nullable LocalTime closes,
            @Nullable LocalTime hereFrom,
            @Nullable LocalTime hereTo,
            String notes,
            List<OfferJson> offers) {}

    record BoughtLineJson(long offer, String name, List<ContentJson> contents, int count, long price, int came) {}

    record BoughtJson(
            long id,
            String supplier,
            Instant madeAt,
            Purchases.State state,
            List<BoughtLineJson> lines,
            long postage,
            long total) {}

    /** @param today by the shop’s clock */
    record BuyingJson(
            LocalDate today,
            List<ArticleJson> articles,
            List<SupplierJson> suppliers,
            List<BoughtJson> purchases,
            List<Defects.Unmended> broken) {}

    @GetMapping("/api/buying")
    BuyingJson buying() {
        var offers = suppliers.offers();
        var labels = new HashMap<String, String>();
        var all = stocks.all();
        all.forEach(s -> labels.put(s.article().key(), s.label()));
        var leads = leads(offers);
        var coming = purchases.onTheWay();
        return new BuyingJson(
                today(),
                all.stream()
                        .map(s -> article(s, coming, leads.get(s.article().key())))
                        .sorted(Comparator.comparing(
                                        ArticleJson::orderBy, Comparator.nullsLast(Comparator.naturalOrder()))
                                .thenComparing(a -> !a.low())
                                .thenComparing(a -> !a.liquid()))
                        .toList(),
                suppliers.all().stream().map(s -> supplier(s, offers, labels)).toList(),
                purchases.all().stream().map(p -> purchase(p, labels)).toList(),
                defects.unmended());
    }

    /** By article: the shortest lead of whoever sells it. */
    private Map<String, Integer> leads(List<Suppliers.Offer> offers) {
        var of = suppliers.all().stream().collect(Collectors.toMap(Suppliers.Supplier::id, s -> s.leadDays()));
        var leads = new HashMap<String, Integer>();
        offers.forEach(o -> o.contents()
                .keySet()
                .forEach(key -> leads.merge(key, of.getOrDefault(o.supplier(), USUAL_LEAD), Math::min)));
        return leads;
    }

    private ArticleJson article(Stocks.Stock s, Map<Article, Long> coming, @Nullable Integer lead) {
        double unit = s.article().liquid() ? 1000 : 1;
        long onTheWay = coming.getOrDefault(s.article(), 0L);
        double usable = s.usable() + onTheWay;
        var lasts = s.forecast().lasts(usable);
        boolean low = s.free() + onTheWay - s.due() < s.minimum() || usable < 0;
        int orderIn = low ? 0 : s.forecast().orderIn(usable - s.minimum(), lead == null ? USUAL_LEAD : lead);
        return new ArticleJson(
                s.article().key(),
                s.label(),
                s.article().liquid(),
                s.article() instanceof Article.Own,
                s.free() / unit,
                s.inMachines() / unit,
                onTheWay / unit,
                s.due() / unit,
                s.minimum() / unit,
                s.reserve() / unit,
                s.forecast().mean() / unit,
                s.users(),
                day(lasts.earliest()),
                day(lasts.expected()),
                day(lasts.latest()),
                day(Math.max(0, orderIn)),
                low,
                lead != null);
    }

    private @Nullable LocalDate day(int in) {
        return in > FAR ? null : today().plusDays(in);
    }

    private SupplierJson supplier(Suppliers.Supplier s, List<Suppliers.Offer> offers, Map<String, String> labels) {
        return new SupplierJson(
                s.id(),
                s.name(),
                s.leadDays(),
                s.postage(),
                s.freeFrom(),
                s.zone(),
                s.opens(),
                s.closes(),
                here(s, s.opens()),
                here(s, s.closes()),
                s.notes(),
                offers.stream()
                        .filter(o -> o.supplier() == s.id())
                        .map(o -> new OfferJson(o.id(), o.name(), contents(o.contents(), labels), tiers(o), perUnit(o)))
                        .toList());
    }

    private static List<TierJson> tiers(Suppliers.Offer offer) {
        return offer.tiers().stream()
                .map(t -> new TierJson(t.from(), t.price()))
                .toList();
    }

    /** A time of theirs, today, by the shop’s clock. */
    private @Nullable LocalTime here(Suppliers.Supplier s, @Nullable LocalTime theirs) {
        return theirs == null
                ? null
                : ZonedDateTime.of(today(), theirs, ZoneId.of(s.zone()))
                        .withZoneSameInstant(shop.settings().zoneId())
                        .toLocalTime();
    }

    private static Map<String, Double> perUnit(Suppliers.Offer o) {
        if (o.contents().size() > 1) {
            return Map.of(); // of a set no one bottle has a price
        }
        return o.contents().entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        e -> o.tiers().getFirst().price()
                                / (e.getValue() / (Article.parse(e.getKey()).liquid() ? 1000.0 : 1.0))));
    }

    private static List<ContentJson> contents(Map<String, Long> contents, Map<String, String> labels) {
        return new TreeMap<>(contents)
                .entrySet().stream()
                        .map(e -> new ContentJson(
                                e.getKey(),
                                labels.getOrDefault(e.getKey(), e.getKey()),
                                e.getValue() / (Article.parse(e.getKey()).liquid() ? 1000.0 : 1.0)))
                        .toList();
    }

    private static BoughtJson purchase(Purchases.Purchase p, Map<String, String> labels) {
        return new BoughtJson(
                p.id(),
                p.name(),
                p.madeAt(),
                p.state(),
                p.lines().stream()
                        .map(l -> new BoughtLineJson(
                                l.offer(), l.name(), contents(l.contents(), labels), l.count(), l.price(), l.came()))
                        .toList(),
                p.postage(),
                p.total());
    }

    /** @param over what comes beyond the need: mL or pieces */
    record OverJson(String label, double amount, boolean liquid) {}

    record ProposedLineJson(long offer, String name, int count, long price) {}

    record ProposedJson(
            long supplier, String name, List<ProposedLineJson> lines, long goods, long postage, long total) {}

    /** @param missing what is wanted and nobody sells */
    record ProposalJson(List<ProposedJson> orders, long total, List<OverJson> over, List<String> missing) {}

    /**
     * What to order now, the cheapest way. @param within days: what has to be ordered by then is ordered with it
     *
     * @param cover days that it is meant to last
     */
    @GetMapping("/api/buying/proposal")
    ProposalJson proposal(
            @RequestParam(defaultValue = "14")
                    @Min(value = 0, message = "Not before today.")
                    @Max(value = 365, message = "At most a year.")
                    int within,
            @RequestParam(defaultValue = "56")
                    @Min(value = 1, message = "At least a day.")
                    @Max(value = 730, message = "At most two years.")
                    int cover) {
        var offers = suppliers.offers();
        var sellers = suppliers.all();
        var leads = leads(offers);
        var coming = purchases.onTheWay();
        var needs = new HashMap<String, Long>();
        var labels = new HashMap<String, String>();
        var liquid = new HashSet<String>();
        var by = today().plusDays(within);
        for (var stock : stocks.all()) {
            var key = stock.article().key();
            labels.put(key, stock.label());
            if (stock.article().liquid()) {
                liquid.add(key);
            }
            var line = article(stock, coming, leads.get(key));
            if (line.orderBy() != null && !line.orderBy().isAfter(by)) {
                double there = stock.usable() + coming.getOrDefault(stock.article(), 0L);
                double enough = stock.forecast().enough(leads.getOrDefault(key, USUAL_LEAD), cover) + stock.minimum();
                needs.put(key, (long) Math.ceil(Math.max(0, enough - there)));
            }
        }
        var order = Ordering.cheapest(
                needs,
                offers.stream().map(Suppliers.Offer::sold).toList(),
                sellers.stream()
                        .map(s -> new Ordering.Supplier(Long.toString(s.id()), s.postage(), s.freeFrom()))
                        .toList());
        var names = offers.stream().collect(Collectors.toMap(Suppliers.Offer::id, Suppliers.Offer::name));
        return new ProposalJson(
                sellers.stream()
                        .filter(s -> order.postage().containsKey(Long.toString(s.id())))
                        .map(s -> proposed(s, order, names))
                        .toList(),
                order.total(),
                order.over().entrySet().stream()
                        .filter(e -> e.getValue() > 0)
                        .map(e -> new OverJson(
                                labels.getOrDefault(e.getKey(), e.getKey()),
                                e.getValue() / (liquid.contains(e.getKey()) ? 1000.0 : 1.0),
                                liquid.contains(e.getKey())))
                        .toList(),
                order.missing().stream()
                        .map(k -> labels.getOrDefault(k, k))
                        .sorted()
                        .toList());
    }

    private static ProposedJson proposed(Suppliers.Supplier s, Ordering.Order order, Map<Long, String> names) {
        var id = Long.toString(s.id());
        var lines = order.lines().stream()
                .filter(l -> l.offer().supplier().equals(id))
                .map(l -> new ProposedLineJson(
                        Long.parseLong(l.offer().id()),
                        names.getOrDefault(Long.parseLong(l.offer().id()), ""),
                        l.count(),
                        l.price()))
                .toList();
        long goods = lines.stream().mapToLong(ProposedLineJson::price).sum();
        long postage = order.postage().getOrDefault(id, 0L);
        return new ProposedJson(s.id(), s.name(), lines, goods, postage, goods + postage);
    }

    /** @param minimum mL or pieces, as is {@code reserve} */
    record WantJson(
            @NotBlank(message = "Of what?") String article,
            @Min(value = 0, message = "Not below nothing.") double minimum,
            @Min(value = 0, message = "Not below nothing.") double reserve) {}

    @PutMapping("/api/buying/articles")
    BuyingJson wanted(@Valid @RequestBody WantJson want) {
        var article = parsed(want.article());
        articles.want(article, amount(article, want.minimum(), "minimum"), amount(article, want.reserve(), "reserve"));
        return buying();
    }

    record OwnJson(
            @NotBlank(message = "What is it called?") @Size(max = 80, message = "At most 80 letters.")
            String label,

            @Min(value = 0, message = "Not below nothing.") @Max(value = 99999, message = "At most 99999.")
            int count) {}

    /** An article of the shop’s own. */
    @PostMapping("/api/buying/articles")
    @ResponseStatus(HttpStatus.CREATED)
    BuyingJson ownArticle(@Valid @RequestBody OwnJson own) {
        articles.add(own.label().strip(), own.count());
        return buying();
    }

    record CountedJson(
            @NotBlank(message = "Of what?") String article,

            @Min(value = 0, message = "Not below nothing.") @Max(value = 99999, message = "At most 99999.")
            int count,

            @NotBlank(message = "Say why it differs.") @Size(max = 80, message = "At most 80 letters.")
            String why) {}

    @PostMapping("/api/buying/articles/counted")
    BuyingJson countOwn(@Valid @RequestBody CountedJson counted) {
        if (!(parsed(counted.article()) instanceof Article.Own own)) {
            throw Problem.atField("article", "This is counted at its own place on the shelf.");
        }
        articles.count(own, counted.count(), counted.why().strip());
        return buying();
    }

    record NewSupplier(
            @NotBlank(message = "Who sells it?") @Size(max = 60, message = "At most 60 letters.")
            String name,

            @Min(value = 0, message = "Not below nothing.") @Max(value = 120, message = "At most 120 days.")
            int leadDays,

            @Min(value = 0, message = "Not below nothing.") long postage,

            @Nullable @Min(value = 0, message = "Not below nothing.")
            Long freeFrom,

            @Nullable String zone,
            @Nullable LocalTime opens,
            @Nullable LocalTime closes,

            @NotNull @Size(max = 400, message = "At most 400 letters.")
            String notes) {}

    @PostMapping("/api/suppliers")
    @ResponseStatus(HttpStatus.CREATED)
    BuyingJson addSupplier(@Valid @RequestBody NewSupplier supplier) {
        suppliers.keep(supplier(0, supplier));
        return buying();
    }

    @PutMapping("/api/suppliers/{id}")
    BuyingJson correctSupplier(@PathVariable long id, @Valid @RequestBody NewSupplier supplier) {
        suppliers.keep(supplier(id, supplier));
        return buying();
    }

    @DeleteMapping("/api/suppliers/{id}")
    BuyingJson leaveSupplier(@PathVariable long id) {
        suppliers.leave(id);
        return buying();
    }

    private Suppliers.Supplier supplier(long id, NewSupplier s) {
        var zone = s.zone() == null || s.zone().isBlank() ? shop.settings().zone() : s.zone();
        try {
            ZoneId.of(zone);
        } catch (DateTimeException e) {
            throw Problem.atField(
                    "zone", "The time zone “%s” is unknown. Use a name such as Europe/London.".formatted(zone));
        }
        if ((s.opens() == null) != (s.closes() == null)) {
            throw Problem.atField("opens", "Give both hours, or neither.");
        }
        return new Suppliers.Supplier(
                id,
                s.name().strip(),
                s.leadDays(),
                s.postage(),
                s.freeFrom(),
                zone,
                s.opens(),
                s.closes(),
                s.notes().strip());
    }

    record NewOffer(
            @NotBlank(message = "What is it sold as?") @Size(max = 80, message = "At most 80 letters.")
            String name,

            @NotEmpty(message = "What is in it?") @Size(max = 12, message = "At most 12.") @Valid
            List<ContentJson> contents,

            @NotEmpty(message = "What does one cost?") @Size(max = 6, message = "At most six prices.") @Valid
            List<TierJson> tiers) {}

    @PostMapping("/api/suppliers/{id}/offers")
    @ResponseStatus(HttpStatus.CREATED)
    BuyingJson sells(@PathVariable long id, @Valid @RequestBody NewOffer offer) {
        var contents = new TreeMap<String, Long>();
        offer.contents().forEach(c -> {
            var article = parsed(c.article());
            contents.merge(article.key(), amount(article, c.each(), "each"), Long::sum);
        });
        suppliers.sells(
                id,
                offer.name().strip(),
                contents,
                offer.tiers().stream()
                        .map(t -> new Ordering.Tier(t.from(), t.price()))
                        .sorted(Comparator.comparing(Ordering.Tier::from))
                        .toList());
        return buying();
    }

    @DeleteMapping("/api/offers/{offer}")
    BuyingJson sellsNoMore(@PathVariable long offer) {
        suppliers.sellsNoMore(offer);
        return buying();
    }

    private static Article parsed(String key) {
        try {
            return Article.parse(key);
        } catch (IllegalArgumentException e) {
            throw Problem.atField("article", "The shelf knows no such article.");
        }
    }

    private static long amount(Article article, double said, String field) {
        if (article.liquid()) {
            if (!(said >= 0 && said <= MOST_ML)) {
                throw Problem.atField(field, "Give an amount between nothing and a hundred litres.");
            }
            return Math.round(said * 1000);
        }
        if (!(said >= 0 && said <= MOST_PIECES) || said != Math.rint(said)) {
            throw Problem.atField(field, "Give whole pieces, at most 100 000.");
        }
        return Math.round(said);
    }

    record WantedLineJson(
            long offer,

            @Min(value = 1, message = "At least one.") @Max(value = 9999, message = "At most 9999.")
            int count) {}

    record NewPurchase(
            long supplier,

            @NotEmpty(message = "There is nothing in the order.")
            @Size(max = 100, message = "At most 100 lines.")
            @Valid
            List<WantedLineJson> lines) {}

    @PostMapping("/api/purchases")
    @ResponseStatus(HttpStatus.CREATED)
    BuyingJson order(@Valid @RequestBody NewPurchase purchase) {
        purchases.order(
                purchase.supplier(),
                purchase.lines().stream()
                        .map(l -> new Purchases.Wanted(l.offer(), l.count()))
                        .toList());
        return buying();
    }

    record ArrivedJson(
            long offer,

            @Min(value = 1, message = "At least one.") @Max(value = 9999, message = "At most 9999.")
            int count,

            @Nullable Map<String, @Size(max = 60, message = "At most 60 letters.") String> codes,
            @Nullable LocalDate bestBefore) {}

    record CameJson(
            @NotEmpty(message = "What came?") @Size(max = 100, message = "At most 100 lines.") @Valid
            List<ArrivedJson> lines) {}

    @PostMapping("/api/purchases/{purchase}/came")
    BuyingJson purchaseCame(@PathVariable long purchase, @Valid @RequestBody CameJson came) {
        purchases.came(
                purchase,
                came.lines().stream()
                        .map(l -> new Purchases.Arrived(
                                l.offer(), l.count(), l.codes() == null ? Map.of() : l.codes(), l.bestBefore()))
                        .toList());
        return buying();
    }

    @PostMapping("/api/purchases/{purchase}/off")
    BuyingJson purchaseOff(@PathVariable long purchase) {
        purchases.cancel(purchase);
        return buying();
    }

    /** An order as a table. */
    @GetMapping("/api/purchases/{purchase}.csv")
    ResponseEntity<Resource> purchaseAsTable(@PathVariable long purchase) {
        var order = purchases.get(purchase);
        var currency = shop.settings().money();
        return CsvFile.download(
                "order-%d.csv".formatted(purchase),
                List.of("count", "what", "price " + currency.getCurrencyCode(), "came"),
                file -> {
                    order.lines()
                            .forEach(l ->
                                    file.line(l.count(), l.name(), new Money(l.price(), currency).major(), l.came()));
                    file.line(1, "postage", new Money(order.postage(), currency).major(), "");
                });
    }

    /** An order as a page. */
    @GetMapping("/api/purchases/{purchase}.pdf")
    ResponseEntity<byte[]> purchaseOnPaper(
            @PathVariable long purchase, @RequestParam(defaultValue = "a4") String paper) {
        var order = purchases.get(purchase);
        var settings = shop.settings();
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename("order-%d.pdf".formatted(purchase))
                                .build()
                                .toString())
                .body(OrderPaper.pdf(
                        order,
                        settings.name(),
                        LocalDate.ofInstant(order.madeAt(), settings.zoneId()).toString(),
                        settings.money(),
                        Sheet.paper(paper)));
    }

    private LocalDate today() {
        return LocalDate.now(clock.withZone(shop.settings().zoneId()));
    }
}
