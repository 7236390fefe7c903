package fairkettle.measure.shelf;

import fairkettle.books.Ordering;
import fairkettle.books.SeededOffers;
import java.util.Arrays;
import java.util.Locale;
import java.util.Random;
import java.util.SplittableRandom;

/**
 * {@code ./kettle measure shelf}: orders against every order there is and against a solver's proof; forecasts on years
 * of articles drawn anew.
 */
public final class Shelves {

    private static final int SEARCHED = 5000;
    private static final int PROVED = 300;
    private static final int ARTICLES = 400;
    private static final int EACH = 6; // at most so many of an offer are searched through

    private Shelves() {}

    public static void main(String[] args) {
        long seed = Long.getLong("seed", 20261);
        var random = new Random(seed);
        int beaten = 0;
        for (int i = 0; i < SEARCHED; i++) {
            var shop = SeededOffers.of(random, 3, 4, 2);
            beaten += cheapest(shop) > shop.searched(EACH) ? 1 : 0;
        }
        int proved = 0;
        var times = new double[PROVED];
        for (int i = 0; i < PROVED; i++) {
            var shop = SeededOffers.of(random, 8, 16, 4);
            cheapest(shop);
            long begun = System.nanoTime();
            long total = cheapest(shop);
            times[i] = (System.nanoTime() - begun) / 1e6;
            long least = OrderProof.least(shop);
            if (least >= 0) {
                proved++;
                beaten += total > least ? 1 : 0;
                if (total < least) {
                    throw new IllegalStateException("The proof of %s is wrong: %d < %d".formatted(shop, total, least));
                }
            }
        }
        Arrays.sort(times);
        var dice = new SplittableRandom(seed);
        var years = new Years();
        for (int i = 0; i < ARTICLES; i++) {
            years.live(dice.split());
        }
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"shelf\",\"searched\":%d,\"proved\":%d,\"beaten\":%d,\"order_ms_p50\":%.2f,"
                    + "\"order_ms_p95\":%.2f,\"order_ms_max\":%.1f,\"article_years\":%d,\"covered\":%.3f,\"ran_out\":%d}%n",
                SEARCHED,
                proved,
                beaten,
                times[PROVED / 2],
                times[PROVED * 95 / 100],
                times[PROVED - 1],
                years.articles(),
                years.covered(),
                years.ranOut());
    }

    private static long cheapest(SeededOffers shop) {
        return Ordering.cheapest(shop.needs(), shop.offers(), shop.suppliers()).total();
    }
}
