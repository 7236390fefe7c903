package fairkettle.changeover;

import static fairkettle.changeover.Shops.planned;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.changeover.Bottles.Size;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.machine.Profiles;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

/** How ink is sold: each kind at its own price, by the bottle or as a set of colours. */
class InksTest {

    private static final List<Size> USUAL = List.of(size("100", 1200));
    private static final Inks.Pack FOUR = new Inks.Pack(Millilitres.parse("100"), 4, gbp(4000));

    private static Money gbp(long minor) {
        return new Money(minor, Shops.GBP);
    }

    private static Size size(String mL, long minor) {
        return new Size(Millilitres.parse(mL), gbp(minor));
    }

    private static Inks inks(Inks.Pack pack) {
        return new Inks(USUAL, Map.of(Family.FILM, List.of(size("500", 4000))), Map.of(Family.SUBLIMATION, pack));
    }

    @Test
    void whiteForFilmIsNotBoughtAtThePriceOfDye() {
        var inks = inks(FOUR);
        assertThat(inks.perMl(Family.EDIBLE, 4)).as("as every ink").isEqualTo(0.12);
        assertThat(inks.perMl(Family.FILM, 6)).as("its own bottles").isEqualTo(0.08);
        assertThat(inks.perMl(Family.SUBLIMATION, 4)).as("a set is cheaper").isEqualTo(0.10);
        assertThat(inks.perMl(Family.SUBLIMATION, 6))
                .as("but lacks two of six colours")
                .isEqualTo(0.12);
        assertThat(inks(new Inks.Pack(Millilitres.parse("100"), 4, gbp(9000))).perMl(Family.SUBLIMATION, 4))
                .as("a dear set changes nothing")
                .isEqualTo(0.12);
    }

    @Test
    void theColourThatWantsMostSaysHowManySetsAreBought() {
        var random = new SplittableRandom(71);
        for (int i = 0; i < 200; i++) {
            var needs = new ArrayList<Millilitres>();
            for (int c = 0; c < 4; c++) {
                needs.add(new Millilitres(random.nextLong(0, 400_000)));
            }
            var bought = inks(FOUR).inPacks(Family.SUBLIMATION, needs, gbp(0)).orElseThrow();
            assertThat(needs)
                    .allSatisfy(
                            n -> assertThat(FOUR.each().times(bought.count()).compareTo(n))
                                    .as("%d sets cover %s", bought.count(), n)
                                    .isNotNegative());
            var most = needs.stream().max(Millilitres::compareTo).orElseThrow();
            assertThat(FOUR.each().times(bought.count() - 1).compareTo(most))
                    .as("and one less would not")
                    .isNegative();
            assertThat(bought.price()).isEqualTo(gbp(4000L * bought.count()));
        }
    }

    @Test
    void aSetWithTooFewColoursIsNoneForTheMachine() {
        var each = Millilitres.parse("50");
        assertThat(inks(FOUR).inPacks(Family.SUBLIMATION, List.of(each, each, each, each, each, each), gbp(0)))
                .isEmpty();
        assertThat(inks(FOUR).inPacks(Family.SUBLIMATION, List.of(Millilitres.ZERO), gbp(0)))
                .as("nothing is wanted")
                .isEmpty();
        assertThat(inks(FOUR).inPacks(Family.FILM, List.of(each), gbp(0))).isEmpty();
        assertThatThrownBy(() -> size("0.5", 100))
                .as("no number of them would ever be enough")
                .hasMessageContaining("Give what is in it");
        assertThatThrownBy(() -> new Inks.Pack(Millilitres.ZERO, 4, gbp(1))).hasMessageContaining("what is in each");
    }

    @Test
    void aPlanSaysWhatItsInkCostsAsSetsAndWhatTheRinseProtects() {
        var job = Shops.job(
                Profiles.named("small-tank"),
                new Holding.Inked(Family.MAKERS_DYE, "maker", false),
                Family.SUBLIMATION,
                0.005);
        var plan = planned(Planner.plan(job, Shops.terms(Map.of()).buying(inks(FOUR))));
        var packs = plan.packs();
        assertThat(packs).isNotNull();
        assertThat(plan.channels())
                .allSatisfy(c -> assertThat(FOUR.each().times(packs.count()))
                        .isGreaterThanOrEqualTo(c.needed().over(c.onShelf())));
        assertThat(packs.singles())
                .isEqualTo(Money.sum(
                        plan.channels().stream()
                                .map(c -> c.bottles().price(Shops.GBP))
                                .toList(),
                        Shops.GBP));
        assertThat(planned(Planner.plan(job, Shops.terms(Map.of()))).packs()).isNull();
        assertThat(plan.protects().rinsed()).isEqualTo(plan.rinseLiquid());
        assertThat(plan.protects().worth().minor())
                .isGreaterThan(plan.protects().cost().minor());
    }
}
