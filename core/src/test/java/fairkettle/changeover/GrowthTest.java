package fairkettle.changeover;

import static fairkettle.changeover.Shops.planned;
import static fairkettle.changeover.Shops.terms;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Profiles;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Condition;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Move;
import fairkettle.procedure.Step;
import fairkettle.safety.School;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** A thread on the needle: in a tank machine as in a bulk feed it is looked for before anything new goes in. */
class GrowthTest {

    private static List<Step> changing(Map<School, String> schools) {
        var job = Shops.job(
                Profiles.named("small-tank"),
                new Holding.Inked(Family.MAKERS_DYE, "maker", false),
                Family.SUBLIMATION,
                0.005);
        return planned(Planner.plan(job, terms(schools))).procedure().steps();
    }

    private static Step named(List<Step> steps, String id) {
        return steps.stream().filter(s -> s.id().equals(id)).findFirst().orElseThrow();
    }

    @Test
    void nothingIsFilledBeforeEveryNeedleWasLookedAt() {
        var steps = changing(Map.of());
        assertThat(steps)
                .filteredOn(s -> s.id().startsWith("fill-"))
                .isNotEmpty()
                .allSatisfy(s -> assertThat(s.needs()).contains(Condition.that(Facet.THREADS, "clean")));
        assertThat(steps.indexOf(named(steps, "pull"))).isLessThan(steps.indexOf(named(steps, "threads")));
        assertThat(named(steps, "threads").hold()).isNotNull();
    }

    @Test
    void itsStagesComeInOrderEachWithItsHold() {
        var branch = named(changing(Map.of()), "threads").branches().getFirst();
        assertThat(branch.steps())
                .extracting(Step::id)
                .containsExactly(
                        "growth-out", "growth-air", "growth-dry", "growth-bottles", "growth-dose", "growth-tools");
        assertThat(branch.steps())
                .filteredOn(s -> !s.id().equals("growth-bottles"))
                .allSatisfy(s -> {
                    assertThat(s.hold()).as(s.title()).isNotNull();
                    assertThat(s.skippable()).isFalse();
                });
        assertThat(named(branch.steps(), "growth-out").move())
                .as("all channels, for they share tools and hands")
                .isInstanceOfSatisfying(
                        Move.Spoil.class, m -> assertThat(m.channels()).hasSize(4));
    }

    @Test
    void whoLeavesTheOthersInWritesDownWhy() {
        var branches =
                named(changing(Map.of(School.ONE_OR_ALL, "one")), "threads").branches();
        assertThat(branches).hasSize(4).allSatisfy(b -> {
            assertThat(b.steps().getFirst().ask()).isInstanceOf(Ask.Words.class);
            assertThat(named(b.steps(), "growth-out").move())
                    .isInstanceOfSatisfying(
                            Move.Spoil.class, m -> assertThat(m.channels()).hasSize(1));
        });
    }

    @Test
    void airHoldsBackOneChannelAndOnlyThatOneIsLookedAt() {
        assertThat(named(changing(Map.of()), "pull").branches())
                .hasSize(4)
                .allSatisfy(b -> assertThat(b.label()).startsWith("Nothing comes from "));
    }
}
