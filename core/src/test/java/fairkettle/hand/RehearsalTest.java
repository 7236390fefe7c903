package fairkettle.hand;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.changeover.Answer;
import fairkettle.changeover.Planner;
import fairkettle.changeover.Shops;
import fairkettle.hand.LiteralHand.Harm;
import fairkettle.hand.Rehearsal.Choice;
import fairkettle.hand.Rehearsal.Scenery;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Profiles;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class RehearsalTest {

    private static final List<Scenery> DRAINED = rehearsed("small-tank");

    private static List<Scenery> rehearsed(String profile) {
        var job = Shops.job(
                Profiles.named(profile),
                new Holding.Inked(Family.MAKERS_DYE, "maker", false),
                Family.SUBLIMATION,
                0.005);
        var plan = ((Answer.Planned) Planner.plan(job, Shops.terms(Map.of()))).plan();
        return Rehearsal.of(
                job.profile(),
                job.built().fitted(plan.fit()),
                LiteralHand.Start.of(job),
                plan.procedure().steps());
    }

    private static Scenery at(String step) {
        return DRAINED.stream()
                .filter(s -> s.step().id().equals(step))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void everyStepHasOneRightAnswerAndTheOthersDoHarm() {
        assertThat(DRAINED).allSatisfy(s -> {
            assertThat(s.choices()).filteredOn(Choice::right).hasSize(1);
            assertThat(s.choices().size()).isBetween(1, 3);
            assertThat(s.choices())
                    .filteredOn(c -> !c.right())
                    .allSatisfy(c -> assertThat(c.harm()).isNotEmpty());
        });
        assertThat(DRAINED).filteredOn(s -> s.choices().size() > 1).hasSizeGreaterThan(8);
    }

    @Test
    void screwsBeforeTheCordHurt() {
        assertThat(at("free").choices())
                .filteredOn(c -> c.title().startsWith("Screws out"))
                .first()
                .satisfies(c -> assertThat(c.harm()).anyMatch(f -> f.harm() == Harm.UNSAFE));
    }

    @Test
    void whatWouldHaveBeenDoneIsNotDone() {
        assertThat(at("free").after().power()).isEqualTo("unplugged");
        assertThat(at("wet-cloth").after().head()).isEqualTo("off its dock, on a wet cloth");
        assertThat(at("pull").after().tanks().get(ChannelCode.of("K"))).isLessThan(0.05);
        assertThat(DRAINED.getLast().after().open()).isEmpty();
        assertThat(DRAINED.getLast().after().head()).isEqualTo("docked");
    }

    @Test
    void aBeginnerIsToldTheTermsOfAStep() {
        assertThat(Glossary.in(at("dampers").step())).contains(Glossary.DAMPER);
        assertThat(Glossary.in(at("station").step())).contains(Glossary.CAP, Glossary.WIPER);
        assertThat(Glossary.in(at("bottles").step())).isEmpty();
    }
}
