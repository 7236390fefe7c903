package fairkettle.changeover;

import static fairkettle.changeover.Shops.planned;
import static fairkettle.changeover.Shops.terms;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.machine.Profiles;
import fairkettle.machine.Supply;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PlannerTest {

    private static final Holding DYE = new Holding.Inked(Family.MAKERS_DYE, "maker", false);

    @Test
    void fromDyeToSublimationOnAWideTank() {
        var plan = planned(
                Planner.plan(Shops.job(Profiles.named("wide-tank"), DYE, Family.SUBLIMATION, 0.005), terms(Map.of())));
        assertThat(plan.route()).isEqualTo(Route.DRAIN_AND_SWAP);
        assertThat(plan.acknowledgements()).hasSize(1);
        var cyan = plan.channels().get(1);
        assertThat(cyan.pulls().label()).isEqualTo("60 + 32");
        assertThat(cyan.damper()).isEqualTo(Millilitres.parse("2.2"));
        assertThat(cyan.drainedOnly()).isCloseTo(0.0428571, org.assertj.core.api.Assertions.within(1e-7));
        assertThat(cyan.residue()).isLessThanOrEqualTo(0.005);
        assertThat(cyan.fluidLeft()).isLessThanOrEqualTo(0.01);
        // charge Σ(V − h) + what the power cleaning loses, chasers, checks and sheets, and the reserve
        assertThat(cyan.fill().plus(cyan.topUp()))
                .isEqualTo(Millilitres.parse("93.8").plus(Millilitres.parse("7")));
        assertThat(cyan.needed())
                .isEqualTo(cyan.fill()
                        .plus(cyan.topUp())
                        .plus(cyan.chaser())
                        .plus(cyan.commissioning())
                        .plus(cyan.reserve()));
        assertThat(plan.badly().inkWasted()).isGreaterThan(new Money(0, Shops.GBP));
    }

    @Test
    void theTotalIsTheSumOfItsLines() {
        var plan = planned(
                Planner.plan(Shops.job(Profiles.named("small-tank"), DYE, Family.SUBLIMATION, 0.005), terms(Map.of())));
        assertThat(plan.total())
                .isEqualTo(Money.sum(
                        plan.cost().stream().map(Plan.CostLine::amount).toList(), Shops.GBP));
    }

    @Test
    void aNewMachineIsOnlyFilled() {
        var plan = planned(Planner.plan(
                Shops.job(Profiles.named("six-ink-tank"), Holding.neverInked(), Family.SUBLIMATION, 0.005),
                terms(Map.of())));
        assertThat(plan.route()).isEqualTo(Route.FIRST_FILL);
        assertThat(plan.channels()).allSatisfy(c -> {
            assertThat(c.rinses()).isEmpty();
            assertThat(c.fill()).isEqualTo(Millilitres.parse("70"));
        });
        assertThat(plan.procedure().steps())
                .extracting(s -> s.id())
                .doesNotContain("pull", "rinse")
                .containsSubsequence("transit", "bench", "bottles", "power-on", "fill-K");
    }

    @Test
    void foodIsRefusedWithItsReason() {
        assertThat(Planner.plan(Shops.job(Profiles.named("small-tank"), DYE, Family.EDIBLE, 0.005), terms(Map.of())))
                .isEqualTo(new Answer.Refused(fairkettle.ink.Succession.FOOD_NEVER));
    }

    @Test
    void whatCannotBeReachedIsSaidSo() {
        assertThat(Planner.plan(
                        Shops.job(Profiles.named("small-tank"), DYE, Family.SUBLIMATION, 0.0005), terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class,
                        no -> assertThat(no.reason())
                                .contains("cannot be reached")
                                .contains("head"));
    }

    @Test
    void stricterIsNeverCheaper() {
        var points = Planner.tradeOffs(
                Shops.job(Profiles.named("wide-tank"), DYE, Family.SUBLIMATION, 0.005),
                terms(Map.of()),
                Purity.SCALE.subList(0, 8));
        assertThat(points).isSortedAccordingTo(java.util.Comparator.comparing(TradeOff::cost));
    }

    @Test
    void theShelfIsStruckOff() {
        var job = Shops.job(Profiles.named("small-tank"), DYE, Family.SUBLIMATION, 0.005);
        var all = job.profile().codes().stream()
                .collect(java.util.stream.Collectors.toMap(c -> c, _ -> Millilitres.parse("500")));
        var stocked = new Job(
                job.built(),
                job.fit(),
                job.channels(),
                job.wish(),
                job.padUsed(),
                false,
                new Stock(all, Millilitres.parse("900"), Map.of(Supply.SYRINGE, 9)));
        var plan = planned(Planner.plan(stocked, terms(Map.of())));
        assertThat(plan.channels())
                .allSatisfy(c -> assertThat(c.bottles().bottles()).isEmpty());
        assertThat(plan.fluidBottles().bottles()).isEmpty();
        assertThat(plan.needs()).filteredOn(n -> n.what() == Supply.SYRINGE).allSatisfy(n -> {
            assertThat(n.onShelf()).isEqualTo(4);
            assertThat(n.buy()).isZero();
        });
    }
}
