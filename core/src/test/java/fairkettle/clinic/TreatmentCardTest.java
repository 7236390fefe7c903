package fairkettle.clinic;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Move;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class TreatmentCardTest {

    @ParameterizedTest
    @EnumSource(mode = EnumSource.Mode.EXCLUDE, names = "RENEW")
    void everyTreatmentIsACardThatCanBeWalkedOnEveryMachine(Treatment treatment) {
        for (Profile profile : Profiles.ALL) {
            var channels = profile.codes().subList(0, 1);
            var procedure = TreatmentCard.of(treatment, channels, profile, Family.SUBLIMATION);
            var state = procedure.startState();
            for (Step step : procedure.steps()) {
                assertThat(step.needs()).as("%s: %s", treatment, step.id()).allMatch(state::holds);
                state = state.with(step.effects());
                assertThat(step.say()).isNotBlank();
            }
            assertThat(procedure.steps().stream().noneMatch(s -> s.pause() != null)
                            || procedure.steps().stream()
                                    .allMatch(s -> s.pause() == null
                                            || !s.pause().min().isZero()))
                    .isTrue();
        }
    }

    @Test
    void cleaningsGoIntoThePadAndDrawsIntoTheWaste() {
        var profile = Profiles.ALL.getFirst();
        assertThat(TreatmentCard.of(Treatment.CLEANING, profile.codes(), profile, Family.SUBLIMATION)
                        .steps())
                .anyMatch(s -> s.move() instanceof Move.Clean(var channels, var each)
                        && channels.equals(profile.codes())
                        && each.equals(profile.draws().cleaning()));
        assertThat(TreatmentCard.of(Treatment.DRAW_AT_WASTE_LINE, profile.codes(), profile, Family.SUBLIMATION)
                        .steps())
                .anyMatch(s -> s.move() instanceof Move.Draw && s.ask() instanceof Ask.Grid);
    }

    @Test
    void handsAreWarnedAtTheStepWhereItMatters() {
        var profile = Profiles.ALL.getFirst();
        assertThat(TreatmentCard.of(Treatment.DRAW_AT_INLET, profile.codes(), profile, Family.SUBLIMATION)
                        .steps())
                .anyMatch(s -> s.cautions().contains(Caution.HEAD_RISK))
                .anyMatch(s -> s.cautions().contains(Caution.ELECTRICITY))
                .anyMatch(s -> s.branches().stream().anyMatch(b -> b.stops()));
        assertThat(TreatmentCard.of(Treatment.SOAK, profile.codes(), profile, Family.SUBLIMATION)
                        .steps())
                .anyMatch(s -> s.pause() != null
                        && s.pause().max() != null
                        && s.pause().max().toMinutes() == 10);
    }
}
