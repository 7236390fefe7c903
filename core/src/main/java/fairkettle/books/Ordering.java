package fairkettle.books;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * The cheapest way to buy what is needed, from several suppliers: bottles of several sizes, sets of unequal bottles,
 * prices that fall with the number, postage, and postage that falls away above a sum.
 *
 * <p>Idea: articles have nothing to do with one another but for sets and postage. So the numbers of sets are searched
 * through, a branch given up as soon as what is left would cost too much even without postage. With the sets chosen,
 * every article has a few ways to be covered that are worth a thought: a way is left out if another costs no more,
 * involves no further supplier, and leaves no less at a supplier whose postage falls away. Ways of one article after
 * another are put together, and combinations left out by the same rule.
 *
 * <p>Law: exact. No cheaper order covers the needs. What would take more than {@link #MOST_LOOKS} looks is refused in
 * words rather than answered by a guess.
 *
 * <p>Cost: sets make it exponential in their number, which is small where things are sold; without sets a few hundred
 * combinations for each article.
 */
public final class Ordering {

    private static final int MOST_SETS = 200;
    /** About two seconds; a shop’s order takes a few thousand. */
    static final int MOST_LOOKS = 20_000_000;

    /** Nobody buys so many more than are needed for their postage’s sake. */
    private static final int MOST_MORE = 1000;

    /** @param price of one, in minor units, when at least {@code from} are bought */
    public record Tier(int from, long price) {}

    /**
     * What a supplier sells under one number.
     *
     * @param contents how much of which article is in it, in the article’s own unit
     * @param tiers the first is from 1, the numbers rising
     */
    public record Offer(String id, String supplier, Map<String, Long> contents, List<Tier> tiers) {
        public Offer {
            contents = Map.copyOf(new TreeMap<>(contents));
            tiers = List.copyOf(tiers);
            if (contents.isEmpty() || contents.values().stream().anyMatch(c -> c <= 0)) {
                throw new IllegalArgumentException("There is nothing in the offer (%s).".formatted(id));
            }
            if (tiers.isEmpty() || tiers.getFirst().from() != 1) {
                throw new IllegalArgumentException("The offer (%s) has no price for one.".formatted(id));
            }
            for (int i = 1; i < tiers.size(); i++) {
                if (tiers.get(i).from() <= tiers.get(i - 1).from()) {
                    throw new IllegalArgumentException("The offer (%s) has its prices out of order.".formatted(id));
                }
            }
        }

        /** What so many of it cost. */
        public long price(int count) {
            long one = 0;
            for (var tier : tiers) {
                if (count >= tier.from()) {
                    one = tier.price();
                }
            }
            return Math.multiplyExact(one, (long) count);
        }

        private long least() {
            return tiers.stream().mapToLong(Tier::price).min().orElseThrow();
        }
    }

    /** @param freeFrom sum of goods from which postage falls away; null for never */
    public record Supplier(
            String id, long postage, @Nullable Long freeFrom) {}

    /** @param price of all of them */
    public record Line(Offer offer, int count, long price) {}

    /**
     * @param postage by supplier; @param total of goods and postage
     * @param over what comes beyond the need, by article
     * @param missing articles that nobody sells
     */
    public record Order(
            List<Line> lines, Map<String, Long> postage, long total, Map<String, Long> over, Set<String> missing) {}

    private final List<Supplier> suppliers;
    private final Map<String, Integer> index = new HashMap<>();
    private final List<String> articles;
    private final long[] needs;
    private final List<Offer> sets;
    private final List<List<Offer>> singles;

    private final double[][] rates;

    private long best = Long.MAX_VALUE;
    private int @Nullable [] bestSets;
    private @Nullable Way bestWay;

    /** Looks so far. */
    private int looked;

    /** Counts of an article’s offers, or of all articles’ so far. @param used suppliers, as bits */
    private record Way(
            long goods, long[] spent, int used, @Nullable Way before, int article, int[] counts) {}

    /** @param needs by article, in its own unit; nothing is bought of what is not in it */
    public static Order cheapest(Map<String, Long> needs, List<Offer> offers, List<Supplier> suppliers) {
        var wanted = new TreeMap<String, Long>();
        var missing = new TreeSet<String>();
        needs.forEach((article, need) -> {
            if (need > 0) {
                boolean sold = offers.stream().anyMatch(o -> o.contents().containsKey(article));
                if (sold) {
                    wanted.put(article, need);
                } else {
                    missing.add(article);
                }
            }
        });
        return new Ordering(wanted, offers, suppliers).solve(missing);
    }

    private Ordering(TreeMap<String, Long> needs, List<Offer> offers, List<Supplier> all) {
        suppliers = all;
        for (int i = 0; i < all.size(); i++) {
            index.put(all.get(i).id(), i);
        }
        if (all.size() > 30) {
            throw new IllegalArgumentException("Ask at most 30 suppliers at once.");
        }
        articles = List.copyOf(needs.keySet());
        this.needs = needs.values().stream().mapToLong(Long::longValue).toArray();
        var useful = offers.stream()
                .filter(o -> o.contents().keySet().stream().anyMatch(needs::containsKey))
                .toList();
        sets = useful.stream()
                .filter(o -> o.contents().keySet().stream()
                                .filter(needs::containsKey)
                                .count()
                        > 1)
                .toList();
        singles = articles.stream()
                .map(a -> useful.stream()
                        .filter(o -> !sets.contains(o) && o.contents().containsKey(a))
                        .sorted((x, y) -> Double.compare(perUnit(x, a), perUnit(y, a)))
                        .toList())
                .toList();
        rates = rates();
    }

    private static double perUnit(Offer offer, String article) {
        return offer.least() / (double) content(offer, article);
    }

    private static long content(Offer offer, String article) {
        return offer.contents().getOrDefault(article, 0L);
    }

    private int at(Offer offer) {
        var found = index.get(offer.supplier());
        if (found == null) {
            throw new IllegalArgumentException("Nobody knows the supplier (%s).".formatted(offer.supplier()));
        }
        return found;
    }

    private Order solve(Set<String> missing) {
        if (articles.isEmpty()) {
            return new Order(List.of(), Map.of(), 0, Map.of(), missing);
        }
        chooseSets(0, new int[sets.size()], needs.clone());
        if (bestWay == null) { // so much of something is wanted that nobody sells enough of it
            missing.addAll(articles);
            return new Order(List.of(), Map.of(), 0, Map.of(), missing);
        }
        return order(missing);
    }

    /** Counts of the sets, one after another; {@code left} is what they do not cover. */
    private void chooseSets(int which, int[] counts, long[] left) {
        if (which == sets.size()) {
            cover(counts, left);
            return;
        }
        var set = sets.get(which);
        int most = 0;
        for (int a = 0; a < articles.size(); a++) {
            long content = content(set, articles.get(a));
            if (content > 0) {
                most = Math.max(most, (int) Math.min(MOST_SETS, Math.ceilDiv(Math.max(0, left[a]), content)));
            }
        }
        most = Math.min(MOST_SETS, moreThanNeeded(set, most));
        for (int n = 0; n <= most; n++) {
            counts[which] = n;
            var rest = left.clone();
            for (int a = 0; a < articles.size(); a++) {
                rest[a] -= n * content(set, articles.get(a));
            }
            if (atLeast(counts, which, rest) < best) {
                chooseSets(which + 1, counts, rest);
            }
        }
        counts[which] = 0;
    }

    /** How many are worth a thought: more than are needed may cost less, or their postage may fall away. */
    private int moreThanNeeded(Offer offer, int needed) {
        long least = offer.price(needed);
        for (var tier : offer.tiers()) {
            least = Math.min(least, offer.price(Math.max(needed, tier.from())));
        }
        var supplier = suppliers.get(at(offer));
        long worth = supplier.freeFrom() == null ? least : least + supplier.postage();
        return (int) Math.max(needed, Math.min(needed + MOST_MORE, worth / Math.max(1, offer.least())));
    }

    /**
     * What an order with these sets costs at least, postage left out. A set that may still be taken has its price
     * shared out over its articles; then each article costs at least its need at the lowest rate of anything that has
     * it.
     */
    private long atLeast(int[] counts, int chosen, long[] rest) {
        double sum = 0;
        for (int s = 0; s <= chosen; s++) {
            sum += sets.get(s).price(counts[s]);
        }
        for (int a = 0; a < articles.size(); a++) {
            if (rest[a] > 0) {
                sum += rest[a] * rates[chosen + 1][a];
            }
        }
        return sum >= Long.MAX_VALUE ? Long.MAX_VALUE : (long) Math.floor(sum + 1e-6);
    }

    /** By the first set that may still be taken, and by article: the lowest price of one unit. */
    private double[][] rates() {
        var all = new double[sets.size() + 1][articles.size()];
        for (int a = 0; a < articles.size(); a++) {
            var article = articles.get(a);
            all[sets.size()][a] = singles.get(a).stream()
                    .mapToDouble(o -> perUnit(o, article))
                    .min()
                    .orElse(Double.POSITIVE_INFINITY);
        }
        for (int s = sets.size() - 1; s >= 0; s--) {
            var set = sets.get(s);
            double worth = 0;
            for (int a = 0; a < articles.size(); a++) {
                worth += worth(set, a, all[sets.size()][a]);
            }
            for (int a = 0; a < articles.size(); a++) {
                long content = content(set, articles.get(a));
                double share = worth(set, a, all[sets.size()][a]) / worth;
                all[s][a] = content == 0 ? all[s + 1][a] : Math.min(all[s + 1][a], set.least() * share / content);
            }
        }
        return all;
    }

    /** By what it would cost singly. */
    private double worth(Offer set, int article, double single) {
        return content(set, articles.get(article)) * (Double.isInfinite(single) ? 1 : single);
    }

    private void cover(int[] counts, long[] left) {
        var spent = new long[suppliers.size()];
        int used = 0;
        long goods = 0;
        for (int s = 0; s < sets.size(); s++) {
            if (counts[s] > 0) {
                long price = sets.get(s).price(counts[s]);
                spent[at(sets.get(s))] += price;
                used |= 1 << at(sets.get(s));
                goods += price;
            }
        }
        var each = new ArrayList<List<Way>>();
        var rest = new long[articles.size() + 1]; // what the articles from one on cost at least
        for (int a = 0; a < articles.size(); a++) {
            each.add(ways(a, left[a]));
            if (each.get(a).isEmpty()) {
                return;
            }
        }
        for (int a = articles.size() - 1; a >= 0; a--) {
            rest[a] = rest[a + 1] + each.get(a).getFirst().goods(); // the cheapest stands first
        }
        var begun = new Way(goods, spent, used, null, -1, new int[0]);
        if (goods + rest[0] + certainPostage(begun) >= best) {
            return;
        }
        var plain = begun;
        for (int a = 0; a < articles.size(); a++) {
            plain = with(plain, a, each.get(a).getFirst());
        }
        better(counts, plain); // so that what is worse is left out from the beginning
        var ways = List.of(begun);
        for (int a = 0; a < articles.size() && !ways.isEmpty(); a++) {
            ways = join(ways, a, each.get(a), rest[a + 1]);
        }
        ways.forEach(way -> better(counts, way));
    }

    private void better(int[] counts, Way way) {
        long total = way.goods() + postage(way);
        if (total < best) {
            best = total;
            bestSets = counts.clone();
            bestWay = way;
        }
    }

    private long postage(Way way) {
        long sum = 0;
        for (int s = 0; s < suppliers.size(); s++) {
            sum += postage(s, way.spent()[s], (way.used() & 1 << s) != 0);
        }
        return sum;
    }

    private long postage(int s, long spent, boolean used) {
        var supplier = suppliers.get(s);
        boolean free = supplier.freeFrom() != null && spent >= supplier.freeFrom();
        return used && !free ? supplier.postage() : 0;
    }

    /** The least postage that a way will cost in the end, whatever is added to it. */
    private long certainPostage(Way way) {
        long sum = 0;
        for (int s = 0; s < suppliers.size(); s++) {
            if ((way.used() & 1 << s) != 0 && suppliers.get(s).freeFrom() == null) {
                sum += suppliers.get(s).postage();
            }
        }
        return sum;
    }

    private List<Way> join(List<Way> ways, int article, List<Way> more, long rest) {
        var joined = new ArrayList<Way>();
        for (var way : ways) {
            for (var next : more) {
                look();
                var both = with(way, article, next);
                if (both.goods() + rest + certainPostage(both) < best) {
                    joined.add(both);
                }
            }
        }
        return undominated(joined);
    }

    private static Way with(Way way, int article, Way next) {
        var spent = way.spent().clone();
        for (int s = 0; s < spent.length; s++) {
            spent[s] += next.spent()[s];
        }
        return new Way(way.goods() + next.goods(), spent, way.used() | next.used(), way, article, next.counts());
    }

    /** Every way to cover an article that may be part of the best order. */
    private List<Way> ways(int article, long need) {
        var offers = singles.get(article);
        long slack = 0;
        for (var supplier : suppliers) {
            slack += supplier.postage();
        }
        long cheapest = need <= 0 ? 0 : cheapestAlone(article, need);
        if (cheapest == Long.MAX_VALUE) {
            return List.of();
        }
        var found = new ArrayList<Way>();
        search(article, offers, 0, need, new int[offers.size()], 0, Math.addExact(cheapest, slack), found);
        return undominated(found);
    }

    private void search(
            int article,
            List<Offer> offers,
            int which,
            long need,
            int[] counts,
            long price,
            long limit,
            List<Way> found) {
        look();
        if (price + floorOf(article, offers, which, need) > limit) {
            return;
        }
        if (which == offers.size()) {
            if (need <= 0) {
                var spent = new long[suppliers.size()];
                int used = 0;
                for (int o = 0; o < counts.length; o++) {
                    if (counts[o] > 0) {
                        spent[at(offers.get(o))] += offers.get(o).price(counts[o]);
                        used |= 1 << at(offers.get(o));
                    }
                }
                found.add(new Way(price, spent, used, null, article, counts.clone()));
            }
            return;
        }
        var offer = offers.get(which);
        long content = content(offer, articles.get(article));
        int enough = (int) Math.min(10_000, Math.ceilDiv(Math.max(0, need), content));
        int most = moreThanNeeded(offer, enough);
        for (int n = 0; n <= most; n++) {
            counts[which] = n;
            long now = price + offer.price(n);
            search(article, offers, which + 1, need - n * content, counts, now, limit, found);
        }
        counts[which] = 0;
    }

    /** What the rest of a need costs at least, of the offers from one on. */
    private long floorOf(int article, List<Offer> offers, int from, long need) {
        if (need <= 0) {
            return 0;
        }
        long least = Long.MAX_VALUE / 2;
        for (int o = from; o < offers.size(); o++) {
            var offer = offers.get(o);
            least = Math.min(least, (long)
                    Math.floor(offer.least() * (need / (double) content(offer, articles.get(article)))));
        }
        return least;
    }

    /** Some way to cover a need alone, not far from the best: an offer by itself. */
    private long cheapestAlone(int article, long need) {
        long least = Long.MAX_VALUE;
        for (var offer : singles.get(article)) {
            long count = Math.ceilDiv(need, content(offer, articles.get(article)));
            if (count <= 10_000) {
                least = Math.min(least, offer.price((int) count));
            }
        }
        return least;
    }

    private void look() {
        if (++looked > MOST_LOOKS) {
            throw new IllegalArgumentException(
                    "So much is wanted that not every order can be compared. Order for a shorter time, or want less"
                            + " of: "
                            + String.join(", ", articles));
        }
    }

    private List<Way> undominated(List<Way> ways) {
        ways.sort((a, b) -> Long.compare(a.goods(), b.goods()));
        var kept = new ArrayList<Way>();
        for (var way : ways) {
            if (kept.stream().noneMatch(k -> dominates(k, way))) {
                kept.add(way);
            }
        }
        return kept;
    }

    /** No dearer, at no further supplier, and no further from free postage. */
    private boolean dominates(Way a, Way b) {
        if (a.goods() > b.goods() || (a.used() & ~b.used()) != 0) {
            return false;
        }
        for (int s = 0; s < suppliers.size(); s++) {
            var free = suppliers.get(s).freeFrom();
            if (free != null
                    && (b.used() & 1 << s) != 0
                    && Math.min(a.spent()[s], free) < Math.min(b.spent()[s], free)) {
                return false;
            }
        }
        return true;
    }

    private Order order(Set<String> missing) {
        var lines = new ArrayList<Line>();
        var over = new TreeMap<String, Long>();
        var spent = new LinkedHashMap<String, Long>();
        for (int a = 0; a < articles.size(); a++) {
            over.put(articles.get(a), -needs[a]);
        }
        if (bestSets != null) {
            for (int s = 0; s < sets.size(); s++) {
                line(sets.get(s), bestSets[s], lines, over, spent);
            }
        }
        for (var way = bestWay; way != null && way.article() >= 0; way = way.before()) {
            for (int o = 0; o < way.counts().length; o++) {
                line(singles.get(way.article()).get(o), way.counts()[o], lines, over, spent);
            }
        }
        var postage = new TreeMap<String, Long>();
        spent.forEach((supplier, sum) ->
                postage.put(supplier, postage(java.util.Objects.requireNonNull(index.get(supplier)), sum, true)));
        lines.sort((x, y) -> x.offer().id().compareTo(y.offer().id()));
        long total = lines.stream().mapToLong(Line::price).sum()
                + postage.values().stream().mapToLong(Long::longValue).sum();
        return new Order(List.copyOf(lines), postage, total, over, missing);
    }

    private static void line(
            Offer offer, int count, List<Line> lines, Map<String, Long> over, Map<String, Long> spent) {
        if (count > 0) {
            lines.add(new Line(offer, count, offer.price(count)));
            spent.merge(offer.supplier(), offer.price(count), Long::sum);
            offer.contents()
                    .forEach((article, content) -> over.computeIfPresent(article, (_, o) -> o + count * content));
        }
    }
}
