package fairkettle.server.demo;

import fairkettle.books.Article;
import fairkettle.books.Ordering;
import fairkettle.books.Watched;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Supply;
import fairkettle.server.buying.Purchases;
import fairkettle.server.buying.Suppliers;
import fairkettle.server.buying.Watch;
import fairkettle.server.shelf.Articles;
import java.time.LocalTime;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Whom Quillmere Rosettes buys from, and what it wants to have in the house. */
@Component
@ConditionalOnProperty("kettle.demo")
class DemoSuppliers {

    private final Suppliers suppliers;
    private final Purchases purchases;
    private final Articles articles;
    private final Watch watch;

    DemoSuppliers(Suppliers suppliers, Purchases purchases, Articles articles, Watch watch) {
        this.watch = watch;
        this.suppliers = suppliers;
        this.purchases = purchases;
        this.articles = articles;
    }

    void fill() {
        long lane = suppliers.keep(new Suppliers.Supplier(
                0,
                "Harrow Lane Colours",
                3,
                395,
                6000L,
                "Europe/London",
                LocalTime.of(9, 0),
                LocalTime.of(17, 0),
                "Answers the telephone. Bottles pour by themselves."));
        long quay = suppliers.keep(new Suppliers.Supplier(
                0,
                "Far Quay Inks",
                14,
                1250,
                null,
                "Asia/Tokyo",
                LocalTime.of(9, 0),
                LocalTime.of(18, 0),
                "Plain bottles with a needle. Two weeks by sea."));
        long roll = suppliers.keep(new Suppliers.Supplier(
                0, "Ribbon and Roll", 2, 450, 4000L, "Europe/London", null, null, "Paper, film and small things."));
        var four = List.of("K", "C", "M", "Y");
        var set = new TreeMap<String, Long>();
        for (var code : four) {
            var ink = ink(Family.SUBLIMATION, code);
            set.put(ink, code.equals("K") ? 100_000L : 70_000L);
            suppliers.sells(lane, "sublimation " + code + ", 100 mL", Map.of(ink, 100_000L), tiers(1190, 5, 1090));
            suppliers.sells(
                    quay, "sublimation " + code + ", 250 mL plain", Map.of(ink, 250_000L), tiers(1750, 4, 1600));
        }
        suppliers.sells(lane, "sublimation set of four, 100 and 3 × 70 mL", set, tiers(3290, 3, 3090));
        for (var code : List.of("LC", "LM")) {
            suppliers.sells(
                    lane,
                    "sublimation " + code + ", 100 mL",
                    Map.of(ink(Family.SUBLIMATION, code), 100_000L),
                    tiers(1190, 5, 1090));
        }
        for (var code : List.of("K", "C", "M", "Y", "W1", "W2")) {
            suppliers.sells(
                    quay, "film " + code + ", 100 mL", Map.of(ink(Family.FILM, code), 100_000L), tiers(1450, 6, 1290));
        }
        for (var code : four) {
            suppliers.sells(
                    lane, "edible " + code + ", 60 mL", Map.of(ink(Family.EDIBLE, code), 60_000L), tiers(990, 4, 940));
            suppliers.sells(
                    lane,
                    "maker’s dye " + code + ", 70 mL, keyed",
                    Map.of(ink(Family.MAKERS_DYE, code), 70_000L),
                    tiers(1320, 99, 1320));
        }
        suppliers.sells(roll, "gloves, box of 50 pairs", Map.of(part(Supply.GLOVES), 50L), tiers(720, 4, 650));
        suppliers.sells(roll, "plain paper, 500 sheets", Map.of(part(Supply.PAPER), 500L), tiers(495, 5, 430));
        suppliers.sells(
                roll, "transfer paper, 100 sheets", Map.of(part(Supply.TRANSFER_PAPER), 100L), tiers(1450, 3, 1290));
        suppliers.sells(roll, "waste pad", Map.of(part(Supply.PAD), 1L), tiers(2150, 3, 1990));
        suppliers.sells(roll, "dampers, bag of four", Map.of(part(Supply.DAMPER), 4L), tiers(1180, 3, 1090));
        for (var code : four) {
            articles.want(Article.parse(ink(Family.SUBLIMATION, code)), 50_000, 15_000);
        }
        articles.want(new Article.Part(Supply.GLOVES), 20, 0);
        articles.want(new Article.Part(Supply.PAD), 1, 0);
        articles.want(new Article.Part(Supply.TRANSFER_PAPER), 50, 0);
        articles.add("rosette backs, card", 180);
        watched("wide four-slot, second hand", "Tollgate Machines", 26_000, true, Watched.State.THERE, 24_900);
        watched("wide four-slot, last year’s name", "Far Quay Inks", 26_000, false, Watched.State.THERE, 27_500);
        long paper = offer(roll, "transfer paper, 100 sheets");
        purchases.order(roll, List.of(new Purchases.Wanted(paper, 2)));
    }

    private void watched(String what, String seller, long ceiling, boolean support, Watched.State state, long price) {
        watch.add(new Watched(
                0,
                what,
                "wide, four slots, keyed lock",
                seller,
                Watched.State.NOT_LOOKED,
                null,
                ceiling,
                support,
                support,
                2,
                null));
        var added = watch.all().stream()
                .filter(w -> w.what().equals(what))
                .findFirst()
                .orElseThrow();
        watch.seen(added.id(), state, price);
    }

    private long offer(long supplier, String name) {
        return suppliers.offers().stream()
                .filter(o -> o.supplier() == supplier && o.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static String ink(Family family, String code) {
        return new Article.Ink(family, ChannelCode.of(code), "own").key();
    }

    private static String part(Supply what) {
        return new Article.Part(what).key();
    }

    private static List<Ordering.Tier> tiers(long one, int from, long each) {
        return List.of(new Ordering.Tier(1, one), new Ordering.Tier(from, each));
    }
}
