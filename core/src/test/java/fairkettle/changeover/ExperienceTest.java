package fairkettle.changeover;

import static fairkettle.changeover.Shops.planned;
import static fairkettle.changeover.Shops.terms;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.procedure.Step;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.FieldSource;

/** A beginner’s hands take longer; ink, waits and the machine’s own time are what they are. */
class ExperienceTest {

    static final List<Profile> TANKS =
            Profiles.ALL.stream().filter(p -> p.architecture().tanks()).toList();

    private static Plan plan(Profile profile, Experience hands) {
        var job = Shops.job(profile, new Holding.Inked(Family.MAKERS_DYE, "maker", false), Family.SUBLIMATION, 0.005);
        return planned(Planner.plan(job, terms(Map.of()).by(hands)));
    }

    @ParameterizedTest
    @FieldSource("TANKS")
    void onlyHandsTakeLonger(Profile profile) {
        var practised = plan(profile, Experience.PRACTISED);
        var first = plan(profile, Experience.FIRST_TIME);
        assertThat(first.times().machine()).isEqualTo(practised.times().machine());
        assertThat(first.times().waiting()).isEqualTo(practised.times().waiting());
        assertThat(first.channels()).isEqualTo(practised.channels());
        assertThat(first.procedure().steps())
                .extracting(Step::minutes)
                .containsExactlyElementsOf(practised.procedure().steps().stream()
                        .map(s -> (int) Math.ceil(s.minutes() * Experience.FIRST_TIME.factor()))
                        .toList());
        assertThat(first.total().minus(practised.total()))
                .as("what is dearer is hands")
                .isEqualTo(hands(first).amount().minus(hands(practised).amount()));
    }

    private static Plan.CostLine hands(Plan plan) {
        return plan.cost().getLast();
    }

    @ParameterizedTest
    @CsvSource({"0, FIRST_TIME", "1, ONCE_OR_TWICE", "2, ONCE_OR_TWICE", "3, PRACTISED", "40, PRACTISED"})
    void whatWasBroughtToItsEndIsExperience(int finished, Experience expected) {
        assertThat(Experience.of(finished)).isEqualTo(expected);
    }
}
