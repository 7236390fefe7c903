package fairkettle.changeover;

import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The cheapest set of bottles, of the sizes sold, that covers a need. */
public record Bottles(List<Size> bottles, Millilitres leftOver) {

    /** A size as it is sold, of at least one mL. */
    public record Size(Millilitres volume, Money price) {
        public Size {
            if (volume.microlitres() < 1000) {
                throw new IllegalArgumentException(
                        "A bottle of (%s) mL holds nothing that could be bought. Give what is in it, in mL."
                                .formatted(volume));
            }
        }
    }

    public Bottles {
        bottles = List.copyOf(bottles);
    }

    /**
     * The dearest thing about ink is a bottle bought for its last drop: so the set with the lowest price, and among
     * equals the one that leaves more over. An unbounded covering knapsack over whole mL.
     */
    public static Bottles cheapest(Millilitres need, List<Size> sold) {
        if (need.isZero()) {
            return new Bottles(List.of(), Millilitres.ZERO);
        }
        if (sold.isEmpty()) {
            throw new IllegalArgumentException("No bottle sizes are known. Enter what your supplier sells under Shop.");
        }
        int millilitres = (int) Math.ceilDiv(need.microlitres(), 1000);
        long[] price = new long[millilitres + 1];
        int[] choice = new int[millilitres + 1];
        long[] volume = new long[millilitres + 1];
        for (int left = 1; left <= millilitres; left++) {
            price[left] = Long.MAX_VALUE;
            for (int i = 0; i < sold.size(); i++) {
                int rest = Math.max(0, left - (int) (sold.get(i).volume().microlitres() / 1000));
                long cost = price[rest] + sold.get(i).price().minor();
                long all = volume[rest] + sold.get(i).volume().microlitres();
                if (cost < price[left] || (cost == price[left] && all > volume[left])) {
                    price[left] = cost;
                    choice[left] = i;
                    volume[left] = all;
                }
            }
        }
        var bottles = new ArrayList<Size>();
        for (int left = millilitres;
                left > 0;
                left -= (int) (bottles.getLast().volume().microlitres() / 1000)) {
            bottles.add(sold.get(choice[left]));
        }
        bottles.sort(Comparator.comparing(Size::volume).reversed());
        var bought = bottles.stream().map(Size::volume).reduce(Millilitres.ZERO, Millilitres::plus);
        return new Bottles(bottles, bought.minus(need));
    }

    public Money price(java.util.Currency currency) {
        return Money.sum(bottles.stream().map(Size::price).toList(), currency);
    }
}
