package fairkettle.server.buying;

import static fairkettle.db.Tables.USED_DAY;

import fairkettle.books.Article;
import fairkettle.books.Cause;
import fairkettle.books.Forecast;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Holding;
import fairkettle.ink.Substance;
import fairkettle.machine.PadFull;
import fairkettle.machine.Supply;
import fairkettle.path.Mixture;
import fairkettle.path.Place;
import fairkettle.server.benches.Machines;
import fairkettle.server.ledger.Ledger;
import fairkettle.server.ledger.Outflow;
import fairkettle.server.shelf.Articles;
import fairkettle.server.shelf.Shelf;
import fairkettle.server.shelf.Supplies;
import fairkettle.server.shelf.WasteBottles;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;

/** What there is of each article, and how long it lasts, summed over all machines that share it. */
@Service
public class Stocks {

    private static final int PAST = 7 * 40; // days that a forecast learns from
    private static final double WASTE_NEARLY = 0.7;

    private final DSLContext db;
    private final Shelf shelf;
    private final Supplies supplies;
    private final Articles articles;
    private final WasteBottles waste;
    private final Machines machines;
    private final Ledger ledger;
    private final Outflow outflow;
    private final Shop shop;
    private final Clock clock;

    Stocks(
            DSLContext db,
            Shelf shelf,
            Supplies supplies,
            Articles articles,
            WasteBottles waste,
            Machines machines,
            Ledger ledger,
            Outflow outflow,
            Shop shop,
            Clock clock) {
        this.db = db;
        this.shelf = shelf;
        this.supplies = supplies;
        this.articles = articles;
        this.waste = waste;
        this.machines = machines;
        this.ledger = ledger;
        this.outflow = outflow;
        this.shop = shop;
        this.clock = clock;
    }

    /**
     * All in microlitres or pieces.
     *
     * @param free on the shelf, of what no card has set aside
     * @param inMachines above the level at which each is topped up: it is printed before a bottle is opened
     * @param due wanted before long for something that is known: pads that are nearly full, a waste bottle
     * @param users machines that share it
     */
    public record Stock(
            Article article,
            String label,
            long free,
            long inMachines,
            long due,
            long minimum,
            long reserve,
            Forecast forecast,
            List<String> users) {

        /** What may be used up before something is missing. */
        public double usable() {
            return free + inMachines - due - reserve;
        }
    }

    private static final class Sum {
        private final String label;
        private long free;
        private long inMachines;
        private long due;
        private final Map<LocalDate, Double> used = new HashMap<>();
        private final TreeSet<String> users = new TreeSet<>();

        private Sum(String label) {
            this.label = label;
        }
    }

    @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
    public List<Stock> all() {
        var today = LocalDate.now(clock.withZone(shop.settings().zoneId()));
        var sums = new LinkedHashMap<Article, Sum>();
        var all = machines.all();
        bottles(sums, today);
        inMachines(sums, all, today);
        fluids(sums, today);
        parts(sums, all, today);
        var kept = articles.all();
        kept.values().forEach(k -> {
            if (k.article() instanceof Article.Own) {
                sums.computeIfAbsent(k.article(), _ -> new Sum(k.label())).free = k.count();
            }
        });
        var begun = begun(today);
        var stocks = new ArrayList<Stock>();
        sums.forEach((article, sum) -> {
            var wanted = kept.get(article);
            stocks.add(new Stock(
                    article,
                    sum.label,
                    sum.free,
                    sum.inMachines,
                    sum.due,
                    wanted == null ? 0 : wanted.minimum(),
                    wanted == null ? 0 : wanted.reserve(),
                    Forecast.learned(days(sum.used, begun, today)),
                    List.copyOf(sum.users)));
        });
        return stocks;
    }

    private static String label(Article article) {
        return switch (article) {
            case Article.Ink(var family, var channel, var make) -> "%s %s, %s".formatted(family.label(), channel, make);
            case Article.Fluid(var family) -> "cleaning fluid for " + family.label();
            case Article.Part(var what) -> what.label();
            case Article.Own own -> own.key();
        };
    }

    private static Sum sum(Map<Article, Sum> sums, Article article) {
        return sums.computeIfAbsent(article, a -> new Sum(label(a)));
    }

    private void bottles(Map<Article, Sum> sums, LocalDate today) {
        shelf.lots().forEach(lot -> {
            var sum = sum(
                    sums,
                    lot.fluid()
                            ? new Article.Fluid(lot.family())
                            : new Article.Ink(
                                    lot.family(), ChannelCode.of(Objects.requireNonNull(lot.channel())), lot.make()));
            boolean good = lot.spoiled() == null
                    && (lot.bestBefore() == null || !lot.bestBefore().isBefore(today));
            sum.free += good ? lot.free().microlitres() : 0;
        });
    }

    private void inMachines(Map<Article, Sum> sums, Collection<Machines.Machine> all, LocalDate today) {
        var contents = ledger.ofMachines();
        var used = new HashMap<Long, Map<String, Map<LocalDate, Double>>>();
        db.select(USED_DAY.MACHINE_ID, USED_DAY.CHANNEL, USED_DAY.DAY, USED_DAY.MOVED)
                .from(USED_DAY)
                .where(USED_DAY.DAY.ge(today.minusDays(PAST)), USED_DAY.MOVED.gt(0.0))
                .forEach(r -> used.computeIfAbsent(r.value1(), _ -> new HashMap<>())
                        .computeIfAbsent(r.value2(), _ -> new HashMap<>())
                        .merge(r.value3(), r.value4() * 1000, Double::sum));
        for (var machine : all) {
            for (var channel : machine.profile().channels()) {
                if (machine.holdings().get(channel.code()) instanceof Holding.Inked(var family, var make, var _)) {
                    var sum = sum(sums, new Article.Ink(family, channel.code(), make));
                    var first = channel.first();
                    long there = contents.getOrDefault(
                                    new Place.InPath(machine.id(), channel.code(), first.kind()), Mixture.EMPTY)
                            .volume()
                            .microlitres();
                    sum.inMachines += Math.max(
                            0,
                            there
                                    - Math.round(machine.refillAt()
                                            * first.capacity().microlitres()));
                    sum.users.add(machine.name());
                    used.getOrDefault(machine.id(), Map.of())
                            .getOrDefault(channel.code().code(), Map.of())
                            .forEach((day, amount) -> sum.used.merge(day, amount, Double::sum));
                }
            }
        }
    }

    /** Months of fluid, spread over their days. */
    private void fluids(Map<Article, Sum> sums, LocalDate today) {
        var from = today.minusDays(PAST).withDayOfMonth(1);
        outflow.between(from, today).forEach(g -> {
            if (g.substance() instanceof Substance.Fluid(var family) && g.cause() == Cause.RINSES) {
                int days = g.month().lengthOfMonth();
                var sum = sum(sums, new Article.Fluid(family));
                for (int day = 0; day < days; day++) {
                    sum.used.merge(g.month().plusDays(day), g.microlitres() / (double) days, Double::sum);
                }
            }
        });
    }

    private void parts(Map<Article, Sum> sums, Collection<Machines.Machine> all, LocalDate today) {
        supplies.all().forEach(line -> sum(sums, new Article.Part(line.what())).free = line.count());
        supplies.used(today.minusDays(PAST), today)
                .forEach((day, used) -> used.forEach((what, count) ->
                        sum(sums, new Article.Part(what)).used.merge(day, (double) count, Double::sum)));
        var contents = ledger.ofPadsAndWhites();
        all.forEach(machine -> {
            double full = contents.getOrDefault(new Place.Pad(machine.id()), Mixture.EMPTY)
                            .volume()
                            .mL()
                    / machine.profile().padCapacity().mL();
            if (full >= PadFull.BUY) {
                var sum = sum(sums, new Article.Part(Supply.PAD));
                sum.due++;
                sum.users.add(machine.name());
            }
        });
        waste.all().stream()
                .filter(b -> b.closedOn() == null
                        && b.holds().mL() >= WASTE_NEARLY * b.capacity().mL())
                .forEach(_ -> sum(sums, new Article.Part(Supply.WASTE_BOTTLE)).due++);
    }

    /** The first day of which anything is known. */
    private LocalDate begun(LocalDate today) {
        var first = db.select(DSL.min(USED_DAY.DAY)).from(USED_DAY).fetchOne(0, LocalDate.class);
        return first == null || first.isBefore(today.minusDays(PAST)) ? today.minusDays(PAST) : first;
    }

    private static double[] days(Map<LocalDate, Double> used, LocalDate from, LocalDate today) {
        var days = new double[(int) Math.max(0, ChronoUnit.DAYS.between(from, today))];
        used.forEach((day, amount) -> {
            int at = (int) ChronoUnit.DAYS.between(from, day);
            if (at >= 0 && at < days.length) {
                days[at] += amount;
            }
        });
        return days;
    }
}
