package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Profiles;
import fairkettle.safety.Caution;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;

class PowerAndPaceTest {

    private static final MachineState UNPLUGGED =
            MachineState.USUAL.with(List.of(new Condition(Facet.POWER, null, "unplugged")));

    @Test
    void aStepWantsItsPowerAndElseLeavesItAsItIs() {
        var look = step("look", "Look").build();
        var screws = step("screws", "Screws").needs(Facet.POWER, "unplugged").build();

        assertThat(Power.during(look, MachineState.USUAL)).isEqualTo(Power.ON);
        assertThat(Power.during(look, UNPLUGGED)).isEqualTo(Power.UNPLUGGED);
        assertThat(Power.during(screws, MachineState.USUAL)).isEqualTo(Power.UNPLUGGED);
    }

    @Test
    void whatMovesByItselfKeepsHandsOffTheCarriage() {
        var charges = step("charge", "Charge").care(Caution.NO_POWER_OFF).build();
        var waits = step("wait", "Wait")
                .waits(new Pause("it cleans", Duration.ofMinutes(2), null, true))
                .build();
        var soaks = step("soak", "Soak")
                .waits(new Pause("it soaks", Duration.ofMinutes(2), null, false))
                .build();

        assertThat(Power.during(charges, MachineState.USUAL)).isEqualTo(Power.HANDS_OFF);
        assertThat(Power.during(waits, MachineState.USUAL)).isEqualTo(Power.HANDS_OFF);
        assertThat(Power.during(soaks, MachineState.USUAL)).isEqualTo(Power.ON);
        assertThat(Power.during(charges, UNPLUGGED)).isEqualTo(Power.UNPLUGGED);
    }

    @Test
    void aDrawTakesHalfAMinuteForTenMillilitres() {
        var channels = List.of(ChannelCode.of("C"), ChannelCode.of("M"));
        var draw = step("draw", "Draw")
                .care(Caution.SLOW)
                .ask(UsualSteps.volumes("drawn", channels, Millilitres.parse("10")))
                .build();
        var pour = step("pour", "Pour")
                .ask(UsualSteps.volumes("poured", channels, Millilitres.parse("10")))
                .build();

        assertThat(Pace.least(draw)).isEqualTo(Duration.ofMinutes(1));
        assertThat(Pace.least(pour)).isZero();
    }

    @Test
    void whatIsApartIsSaidByItsChannels() {
        var channels = List.of(ChannelCode.of("C"), ChannelCode.of("K"));
        var state = MachineState.USUAL
                .with(List.of(new Condition(Facet.COVERS, null, "off")))
                .with(channels.stream()
                        .map(c -> new Condition(Facet.LINE, c, "off"))
                        .toList())
                .with(List.of(new Condition(Facet.BENCH, null, "prepared")));

        assertThat(state.apart()).hasSize(2).contains("the covers off").anyMatch(w -> w.startsWith("the tube off:"));
        assertThat(MachineState.USUAL.apart()).isEmpty();
    }

    @Test
    void beforeTheFirstScrewTheOpeningIsCovered() {
        assertThat(Profiles.ALL)
                .filteredOn(p -> !p.handling().screws().isEmpty())
                .allSatisfy(p -> assertThat(UsualSteps.coversOff(p).hold()).contains("opening is covered", "magnetic"));
    }
}
