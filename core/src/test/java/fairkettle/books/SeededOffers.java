package fairkettle.books;

import fairkettle.books.Ordering.Offer;
import fairkettle.books.Ordering.Supplier;
import fairkettle.books.Ordering.Tier;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Made-up needs, and what made-up suppliers sell for them. */
public record SeededOffers(Map<String, Long> needs, List<Offer> offers, List<Supplier> suppliers) {

    /** @param most offers beside one for each article, so that everything can be had */
    public static SeededOffers of(Random random, int articles, int most, int suppliers) {
        var sellers = new ArrayList<Supplier>();
        for (int s = 0; s < suppliers; s++) {
            sellers.add(new Supplier(
                    "s" + s,
                    random.nextInt(3) == 0 ? 0 : 100 * random.nextInt(1, 7),
                    random.nextBoolean() ? 1000L + 500 * random.nextInt(6) : null));
        }
        var needs = new LinkedHashMap<String, Long>();
        var offers = new ArrayList<Offer>();
        for (int a = 0; a < articles; a++) {
            needs.put("a" + a, (long) random.nextInt(20, 200));
            offers.add(single(random, offers.size(), suppliers, "a" + a));
        }
        int more = random.nextInt(most + 1);
        for (int i = 0; i < more; i++) {
            if (random.nextInt(3) == 0) {
                var contents = new LinkedHashMap<String, Long>();
                for (int a = 0; a < articles; a++) {
                    if (random.nextInt(3) > 0) {
                        contents.put("a" + a, 10L * random.nextInt(3, 11));
                    }
                }
                if (!contents.isEmpty()) {
                    offers.add(new Offer(
                            "o" + offers.size(),
                            "s" + random.nextInt(suppliers),
                            contents,
                            tiers(random, 400L * contents.size() + random.nextInt(900))));
                }
            } else {
                offers.add(single(random, offers.size(), suppliers, "a" + random.nextInt(articles)));
            }
        }
        return new SeededOffers(needs, offers, sellers);
    }

    private static Offer single(Random random, int id, int suppliers, String article) {
        long content = 10L * random.nextInt(5, 13);
        return new Offer(
                "o" + id,
                "s" + random.nextInt(suppliers),
                Map.of(article, content),
                tiers(random, 3 * content + random.nextInt(700)));
    }

    private static List<Tier> tiers(Random random, long price) {
        return random.nextInt(3) == 0
                ? List.of(new Tier(1, price), new Tier(random.nextInt(2, 5), price * (70 + random.nextInt(30)) / 100))
                : List.of(new Tier(1, price));
    }

    /** The least total of every order of at most so many of each offer. Long.MAX_VALUE if none covers the needs. */
    public long searched(int each) {
        return searched(0, each, new int[offers.size()], 0, Long.MAX_VALUE);
    }

    private long searched(int which, int each, int[] counts, long goods, long best) {
        if (goods >= best) {
            return best;
        }
        if (which == offers.size()) {
            return covers(counts) ? Math.min(best, goods + postage(counts)) : best;
        }
        for (int n = 0; n <= each; n++) {
            counts[which] = n;
            best = searched(which + 1, each, counts, goods + offers.get(which).price(n), best);
        }
        counts[which] = 0;
        return best;
    }

    private boolean covers(int[] counts) {
        return needs.entrySet().stream().allMatch(need -> {
            long there = 0;
            for (int o = 0; o < counts.length; o++) {
                there += counts[o] * offers.get(o).contents().getOrDefault(need.getKey(), 0L);
            }
            return there >= need.getValue();
        });
    }

    private long postage(int[] counts) {
        long sum = 0;
        for (var supplier : suppliers) {
            long goods = 0;
            boolean used = false;
            for (int o = 0; o < counts.length; o++) {
                if (counts[o] > 0 && offers.get(o).supplier().equals(supplier.id())) {
                    used = true;
                    goods += offers.get(o).price(counts[o]);
                }
            }
            if (used && (supplier.freeFrom() == null || goods < supplier.freeFrom())) {
                sum += supplier.postage();
            }
        }
        return sum;
    }
}
