package fairkettle.round;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Small days that anybody can plan in the head, and made-up ones against the audit. */
class RoundPlannerTest {

    private static final Due TODAY = new Due(0, 480, 2, 20, 20_000);
    private static final Day.Person WREN = new Day.Person("Wren", List.of(new Day.Span(0, 480)), null, -1);
    private static final Day.Person TANSY = new Day.Person("Tansy", List.of(new Day.Span(0, 480)), null, -1);
    private static final List<Day.Machine> TWO = List.of(new Day.Machine("Bramble", 0), new Day.Machine("Teasel", 0));

    private static Task task(String name, int hands, int machine, int wait, int waitMax) {
        return new Task(name, hands, machine, wait, waitMax, true, List.of(), false, 0b11, Gloves.DYE);
    }

    private static Chain chain(String name, int machine, Due due, Task... tasks) {
        long segments = 1
                + List.of(tasks).stream()
                        .limit(tasks.length - 1L)
                        .filter(Task::open)
                        .count();
        return new Chain(
                name,
                machine,
                0,
                Task.OPEN,
                false,
                List.of(tasks),
                LongStream.range(0, segments).mapToObj(_ -> due).toList());
    }

    private static Day day(List<Day.Person> people, List<Day.Promise> promises, Chain... chains) {
        return new Day(people, TWO, List.of("sink"), List.of(chains), promises, List.of(), null);
    }

    private static Plan plan(Day day) {
        var plan = RoundPlanner.better(day, Effort.placements(4000, 1));
        assertThat(Audit.of(day, plan).faults()).isEmpty();
        return plan;
    }

    @Test
    void whileOneMachineRestsAnotherIsDrained() {
        var day = day(
                List.of(WREN),
                List.of(),
                chain("soak", 0, TODAY, task("flood", 5, 0, 30, 40), task("draw off", 5, 0, 0, Task.OPEN)),
                chain("drain", 1, TODAY, task("drain", 20, 0, 0, Task.OPEN)));
        var plan = plan(day);
        assertThat(plan.start()[2]).as("inside the soak").isBetween(plan.start()[0] + 5, plan.start()[1] - 20);
        assertThat(plan.start()[1]).isBetween(35, 45);
    }

    @Test
    void aPromiseGoesBeforeEverything() {
        var urgent = new Due(-600, -600, 10, 100, 300_000);
        var day = day(
                List.of(WREN),
                List.of(new Day.Promise("sashes", 1, 30, 60, 1)),
                chain("overdue", 0, urgent, task("wipe", 25, 0, 0, Task.OPEN)),
                chain("check", 1, TODAY, task("check", 10, 2, 0, Task.OPEN)));
        var plan = plan(day);
        assertThat(plan.start()[1] + 12).isLessThanOrEqualTo(30);
        assertThat(Audit.of(day, plan).cost().broken()).isZero();
    }

    @Test
    void twoPeopleAreInTwoPlacesAndOneIsNot() {
        var chains = new Chain[] {
            chain("a", 0, TODAY, task("a", 30, 0, 0, Task.OPEN)), chain("b", 1, TODAY, task("b", 30, 0, 0, Task.OPEN))
        };
        assertThat(Audit.of(
                                day(List.of(WREN, TANSY), List.of(), chains),
                                plan(day(List.of(WREN, TANSY), List.of(), chains)))
                        .cost()
                        .finish())
                .isEqualTo(30);
        assertThat(Audit.of(day(List.of(WREN), List.of(), chains), plan(day(List.of(WREN), List.of(), chains)))
                        .cost()
                        .finish())
                .isEqualTo(60);
    }

    @Test
    void foodIsDoneBeforeOtherInksWhereNothingElseDecides() {
        var food = new Chain(
                "food",
                0,
                0,
                Task.OPEN,
                false,
                List.of(new Task("rinse", 10, 0, 0, Task.OPEN, false, List.of(), false, 1, Gloves.FOOD)),
                List.of(TODAY));
        var dye = new Chain(
                "dye",
                1,
                0,
                Task.OPEN,
                false,
                List.of(new Task("wipe", 10, 0, 0, Task.OPEN, false, List.of(), false, 1, Gloves.DYE)),
                List.of(TODAY));
        var plan = plan(day(List.of(WREN), List.of(), dye, food));
        assertThat(plan.start()[1]).isLessThan(plan.start()[0]);
    }

    @Test
    void withOnlyFortyMinutesTheLeastDearIsLeft() {
        var dear = new Due(0, 60, 8, 80, 8 * 13_800L);
        var cheap = new Due(0, 1440, 1, 10, 1200);
        var short40 = new Day.Person("Wren", List.of(new Day.Span(0, 40)), null, -1);
        var plan = plan(day(
                List.of(short40),
                List.of(),
                chain("oil", 0, cheap, task("oil", 25, 0, 0, Task.OPEN)),
                chain("white", 1, dear, task("stir", 30, 0, 0, Task.OPEN))));
        assertThat(plan.planned(1)).isTrue();
        assertThat(plan.planned(0)).isFalse();
    }

    @Test
    void oneSinkIsUsedByOneAtATime() {
        UnaryOperator<Task> atSink =
                t -> new Task(t.name(), t.hands(), 0, 0, Task.OPEN, false, List.of(0), false, 0b11, Gloves.DYE);
        var day = day(
                List.of(WREN, TANSY),
                List.of(),
                chain("a", 0, TODAY, atSink.apply(task("a", 20, 0, 0, Task.OPEN))),
                chain("b", 1, TODAY, atSink.apply(task("b", 20, 0, 0, Task.OPEN))));
        var plan = plan(day);
        assertThat(Math.abs(plan.start()[0] - plan.start()[1])).isGreaterThanOrEqualTo(20);
    }

    @Test
    void anEmptyDayHasAnEmptyPlan() {
        var day = day(List.of(WREN), List.of());
        assertThat(RoundPlanner.first(day).start()).isEmpty();
        assertThat(RoundPlanner.better(day, Effort.placements(100, 1)).start()).isEmpty();
    }

    @Test
    void whereNobodyIsThereNothingIsPlannedAndNothingBreaks() {
        var away = new Day.Person("Wren", List.of(), null, -1);
        var plan = plan(day(List.of(away), List.of(), chain("a", 0, TODAY, task("a", 20, 0, 0, Task.OPEN))));
        assertThat(plan.planned(0)).isFalse();
    }

    @Test
    void handsLongerThanAnHourFindTheirPlace() {
        var plan = plan(day(
                List.of(WREN),
                List.of(),
                chain("pull", 0, TODAY, task("pull", 95, 0, 0, Task.OPEN)),
                chain("b", 1, TODAY, task("b", 70, 80, 0, Task.OPEN))));
        assertThat(plan.planned(0) && plan.planned(1)).isTrue();
    }

    @ParameterizedTest
    @CsvSource({
        "3, 1, false",
        "3, 2, true",
        "12, 1, false",
        "12, 2, false",
        "12, 3, true",
        "40, 2, false",
        "40, 3, true"
    })
    void madeUpDaysBreakNoRuleAndOnlyGetBetter(int machines, int people, boolean overfull) {
        for (int seed = 1; seed <= 4; seed++) {
            var day = SeededDays.day(machines, people, seed, overfull);
            var first = Audit.of(day, RoundPlanner.first(day));
            var better = Audit.of(day, RoundPlanner.better(day, Effort.placements(6000, seed)));
            assertThat(first.faults()).isEmpty();
            assertThat(better.faults()).isEmpty();
            assertThat(better.cost().total()).isLessThanOrEqualTo(first.cost().total());
            assertThat(better.cost().soft())
                    .as("nothing is cheaper than its floor")
                    .isGreaterThanOrEqualTo(RoundPlanner.floor(day));
        }
    }

    @Test
    void theSameSeedAndEffortGiveTheSamePlan() {
        var day = SeededDays.day(12, 2, 9, false);
        var one = RoundPlanner.better(day, Effort.placements(5000, 3));
        var two = RoundPlanner.better(day, Effort.placements(5000, 3));
        assertThat(one.start()).isEqualTo(two.start());
        assertThat(one.person()).isEqualTo(two.person());
    }

    @Test
    void noPlanOfASmallDayIsCheaperThanTheOneFound() {
        for (int seed = 1; seed <= 6; seed++) {
            var day = SeededDays.small(3, 1, seed, 5);
            if (day.chains().size() <= 5) {
                long found = Audit.of(day, RoundPlanner.better(day, Effort.placements(20_000, 1)))
                        .cost()
                        .total();
                assertThat(found).isLessThanOrEqualTo(cheapestInAnyOrder(day));
            }
        }
    }

    /** Every order of the chains, each placed as early as it goes: what somebody with much patience would find. */
    private static long cheapestInAnyOrder(Day day) {
        var layout = new Layout(day);
        var placer = new Placer(layout);
        var orders = new ArrayList<int[]>();
        permute(layout, new int[layout.segments], 0, new int[layout.chains], orders);
        return orders.stream()
                .mapToLong(o -> {
                    var genes = new Genes(layout);
                    System.arraycopy(o, 0, genes.order, 0, o.length);
                    return placer.decode(genes);
                })
                .min()
                .orElseThrow();
    }

    private static void permute(Layout day, int[] order, int at, int[] used, List<int[]> all) {
        if (at == order.length) {
            all.add(order.clone());
            return;
        }
        for (int c = 0; c < day.chains; c++) {
            if (used[c] < day.segmentsOf[c]) {
                used[c]++;
                order[at] = c;
                permute(day, order, at + 1, used, all);
                used[c]--;
            }
        }
    }

    @Test
    void thePlannersCostIsTheAuditsToThePoint() {
        for (int seed = 20; seed < 26; seed++) {
            var day = SeededDays.day(12, 1 + seed % 3, seed, seed % 2 == 0);
            var search = new Search(new Layout(day), Effort.placements(3000, seed));
            search.run();
            assertThat(Audit.of(day, search.best()).cost().total()).isEqualTo(search.bestCost());
        }
    }

    @Test
    void afterASlipThePlanMovesLittle() {
        var day = SeededDays.day(12, 2, 5, false);
        var plan = RoundPlanner.better(day, Effort.placements(20_000, 1));
        var later = new Day(
                day.people().stream()
                        .map(p -> new Day.Person(
                                p.name(),
                                p.hours().stream()
                                        .map(h -> new Day.Span(h.from() == 0 ? 15 : h.from(), h.to()))
                                        .toList(),
                                p.wearing(),
                                p.bench()))
                        .toList(),
                day.machines(),
                day.things(),
                day.chains(),
                day.promises(),
                day.taken(),
                plan);
        var again = RoundPlanner.better(later, Effort.placements(4000, 1));
        assertThat(Audit.of(later, again).faults()).isEmpty();
        var scratch = RoundPlanner.better(later.unhurried(), Effort.placements(4000, 2));
        assertThat(again.movesFrom(plan)).isLessThan(scratch.movesFrom(plan));
    }

    @Test
    void movesAreCountedAsEntriesThatMustBeLifted() {
        var before = new Plan(new int[] {0, 10, 20, 30}, new int[] {0, 0, 0, 0});
        assertThat(new Plan(new int[] {5, 15, 25, 35}, new int[] {0, 0, 0, 0}).movesFrom(before))
                .as("a pure shift")
                .isZero();
        assertThat(new Plan(new int[] {30, 0, 10, 20}, new int[] {0, 0, 0, 0}).movesFrom(before))
                .as("the first goes last")
                .isEqualTo(1);
        assertThat(new Plan(new int[] {0, 10, 20, 30}, new int[] {0, 1, 0, 0}).movesFrom(before))
                .as("another person")
                .isEqualTo(1);
        assertThat(new Plan(new int[] {0, 10, 20, -1}, new int[] {0, 0, 0, -1}).movesFrom(before))
                .as("gone")
                .isEqualTo(1);
        assertThat(new Plan(new int[] {0, 10}, new int[] {0, 0})
                        .movesFrom(new Plan(new int[] {0, Plan.NEW}, new int[] {0, 0})))
                .as("new")
                .isZero();
    }
}
