package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.books.Ordering.Offer;
import fairkettle.books.Ordering.Supplier;
import fairkettle.books.Ordering.Tier;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class OrderingTest {

    private static final Supplier NO_POSTAGE = new Supplier("mill", 0, null);

    private static Offer offer(String id, String supplier, String article, long content, long price) {
        return new Offer(id, supplier, Map.of(article, content), List.of(new Tier(1, price)));
    }

    @Test
    void aLargeBottleAndASmallOneMayBeCheaperThanTwoLarge() {
        var order = Ordering.cheapest(
                Map.of("C", 120L),
                List.of(offer("100", "mill", "C", 100, 1200), offer("50", "mill", "C", 50, 700)),
                List.of(NO_POSTAGE));
        assertThat(order.total()).isEqualTo(1900);
        assertThat(order.over()).containsEntry("C", 30L);
    }

    @Test
    void aSetIsBoughtForTheColoursThatItSavesAndTheRestSingly() {
        var set = new Offer("set", "mill", Map.of("K", 100L, "C", 70L, "M", 70L, "Y", 70L), List.of(new Tier(1, 3000)));
        var offers = new ArrayList<Offer>(List.of(set));
        for (var code : List.of("K", "C", "M", "Y")) {
            offers.add(offer(code, "mill", code, 100, 1200));
        }
        var order = Ordering.cheapest(Map.of("K", 90L, "C", 140L, "M", 60L, "Y", 60L), offers, List.of(NO_POSTAGE));
        assertThat(order.lines()).extracting(l -> l.offer().id()).containsExactly("C", "set");
        assertThat(order.total()).isEqualTo(4200);
    }

    @Test
    void oneParcelMayBeatTheCheaperGoodsOfTwo() {
        var offers = List.of(
                offer("a", "mill", "C", 100, 1000),
                offer("b", "mill", "M", 100, 1100),
                offer("c", "quay", "M", 100, 900));
        assertThat(Ordering.cheapest(
                                Map.of("C", 80L, "M", 80L),
                                offers,
                                List.of(new Supplier("mill", 400, null), new Supplier("quay", 400, null)))
                        .total())
                .isEqualTo(2500);
    }

    @Test
    void oneMoreIsBoughtWhereItSavesThePostage() {
        var order = Ordering.cheapest(
                Map.of("gloves", 9L),
                List.of(offer("g", "mill", "gloves", 1, 100)),
                List.of(new Supplier("mill", 350, 1000L)));
        assertThat(order.total()).isEqualTo(1000);
        assertThat(order.postage()).containsEntry("mill", 0L);
    }

    @Test
    void tenCostLessThanNineWhereThePriceFalls() {
        var order = Ordering.cheapest(
                Map.of("pads", 9L),
                List.of(new Offer("p", "mill", Map.of("pads", 1L), List.of(new Tier(1, 120), new Tier(10, 100)))),
                List.of(NO_POSTAGE));
        assertThat(order.total()).isEqualTo(1000);
    }

    @Test
    void whatNobodySellsIsSaid() {
        var order = Ordering.cheapest(
                Map.of("C", 10L, "moonlight", 1L), List.of(offer("c", "mill", "C", 50, 700)), List.of(NO_POSTAGE));
        assertThat(order.missing()).containsExactly("moonlight");
        assertThat(order.lines()).hasSize(1);
        assertThat(Ordering.cheapest(Map.of("C", 0L), List.of(), List.of()).total())
                .isZero();
    }

    @Test
    void whatIsTooMuchToCompareIsRefusedAndWhatIsTooMuchToSellIsSaid() {
        var alike = new ArrayList<Offer>();
        for (int i = 0; i < 6; i++) {
            alike.add(offer("o" + i, "mill", "C", 10, 100));
        }
        assertThatThrownBy(() -> Ordering.cheapest(Map.of("C", 60_000L), alike, List.of(NO_POSTAGE)))
                .hasMessageContaining("want less of: C");
        var order = Ordering.cheapest(
                Map.of("C", 10_000_000L), List.of(offer("c", "mill", "C", 50, 700)), List.of(NO_POSTAGE));
        assertThat(order.missing()).containsExactly("C");
        assertThat(order.lines()).isEmpty();
    }

    @Test
    void anOfferThatMakesNoSenseIsRefused() {
        assertThatThrownBy(() -> new Offer("x", "mill", Map.of(), List.of(new Tier(1, 5))))
                .hasMessageContaining("nothing in the offer");
        assertThatThrownBy(() -> new Offer("x", "mill", Map.of("C", 1L), List.of(new Tier(2, 5))))
                .hasMessageContaining("no price for one");
    }

    /** Against every order there is. */
    @Test
    void noOrderIsCheaper() {
        var random = new Random(4711);
        for (int round = 0; round < 1500; round++) {
            var shop = SeededOffers.of(random, 3, 4, 2);
            var order = Ordering.cheapest(shop.needs(), shop.offers(), shop.suppliers());
            assertThat(order.over().values())
                    .allSatisfy(over -> assertThat(over).isNotNegative());
            assertThat(order.total()).as("round %d: %s", round, shop).isEqualTo(shop.searched(5));
        }
    }

    @Test
    void whoNeedsMoreNeverPaysLess() {
        var random = new Random(12);
        for (int round = 0; round < 200; round++) {
            var shop = SeededOffers.of(random, 4, 8, 3);
            var more = new HashMap<>(shop.needs());
            more.replaceAll((_, need) -> need + random.nextInt(30));
            assertThat(Ordering.cheapest(more, shop.offers(), shop.suppliers()).total())
                    .isGreaterThanOrEqualTo(Ordering.cheapest(shop.needs(), shop.offers(), shop.suppliers())
                            .total());
        }
    }
}
