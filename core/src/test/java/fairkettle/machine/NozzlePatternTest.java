package fairkettle.machine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The lattice of a machine's own nozzle check, in millimetres. */
class NozzlePatternTest {

    static Stream<Profile> profiles() {
        return Profiles.ALL.stream();
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void everyPatternFitsTheWindowOfTheReadingFrame(Profile profile) {
        var pattern = profile.pattern();
        assertThat(pattern.order()).hasSize(profile.channels().size());
        assertThat(pattern.width()).isLessThan(182 - 10);
        assertThat(pattern.height(profile.channels().getFirst().nozzles())).isBetween(8.0, 40.0);
    }

    @Test
    void nozzlesGoDownInStairs() {
        var pattern = new NozzlePattern(6, .3, 2, 3, List.of(0, 1));
        assertThat(pattern.left(0, 0)).isZero();
        assertThat(pattern.left(0, 7)).isEqualTo(2);
        assertThat(pattern.left(1, 0)).isEqualTo(15);
        assertThat(pattern.down(7)).isCloseTo(2.1, within(1e-9));
        assertThat(pattern.stair()).isCloseTo(1.8, within(1e-9));
        assertThat(pattern.width()).isEqualTo(27);
    }

    @Test
    void whatNoPictureCouldShowIsRefused() {
        assertThatThrownBy(() -> new NozzlePattern(6, .05, 2, 3, List.of(0))).hasMessageContaining("0.8 mm apart");
        assertThatThrownBy(() -> new NozzlePattern(6, .3, 2, 3, List.of(0, 2))).hasMessageContaining("every slot once");
        assertThatThrownBy(() ->
                        Profiles.named("small-tank").drawing(new NozzlePattern(6, .3, 2, 3, List.of(0, 1)), 59))
                .hasMessageContaining("4 channels");
    }

    @Test
    void aPatternStaysWithTheMachineWhateverIsFittedToIt() {
        var profile = Profiles.named("small-tank").drawing(new NozzlePattern(8, .2, 1.5, 4, List.of(3, 2, 1, 0)), 96);
        assertThat(profile.fitted(Fit.asBuilt(profile).fedBy(Feed.FILM)).pattern())
                .isEqualTo(profile.pattern());
        assertThat(profile.channels()).allMatch(c -> c.nozzles() == 96);
    }
}
