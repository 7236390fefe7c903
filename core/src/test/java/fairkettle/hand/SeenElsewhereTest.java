package fairkettle.hand;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.clinic.Treatment;
import fairkettle.clinic.TreatmentCard;
import fairkettle.ink.Family;
import fairkettle.machine.Profiles;
import fairkettle.procedure.UsualSteps;
import org.junit.jupiter.api.Test;

class SeenElsewhereTest {

    @Test
    void whatFilmsShowIsMarkedAtTheStepWhereItTempts() {
        var profile = Profiles.named("small-tank");

        assertThat(SeenElsewhere.at(UsualSteps.on(profile))).anyMatch(w -> w.contains("covers off"));
        assertThat(SeenElsewhere.at(UsualSteps.free(profile))).anyMatch(w -> w.contains("pushed under power"));
        assertThat(SeenElsewhere.at(UsualSteps.off())).isEmpty();
        assertThat(TreatmentCard.of(Treatment.DRAW_AT_INLET, profile.codes(), profile, Family.SUBLIMATION)
                        .steps())
                .flatMap(SeenElsewhere::at)
                .anyMatch(w -> w.contains("nipple"));
    }
}
