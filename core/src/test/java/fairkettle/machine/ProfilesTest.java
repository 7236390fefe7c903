package fairkettle.machine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class ProfilesTest {

    static java.util.List<Profile> all() {
        return Profiles.ALL;
    }

    @ParameterizedTest
    @MethodSource("all")
    void everyProfileLeadsInkToAHead(Profile profile) {
        assertThat(profile.channels()).allSatisfy(c -> {
            assertThat(c.path().getLast().kind()).isEqualTo(VesselKind.HEAD);
            assertThat(c.path()).allSatisfy(v -> assertThat(v.heel()).isLessThan(v.capacity()));
        });
        assertThat(Profiles.named(profile.id())).isEqualTo(profile);
    }

    @Test
    void eachHasItsNameAndAnUnknownOneNamesThem() {
        assertThat(Profiles.ALL).extracting(Profile::id).doesNotHaveDuplicates();
        assertThatThrownBy(() -> Profiles.named("toaster"))
                .hasMessageContaining("(toaster)")
                .hasMessageContaining("wide-tank");
    }

    @Test
    void vesselsThatCannotBeAreRefused() {
        assertThatThrownBy(() -> Vessel.of(VesselKind.TANK, "60", "61")).hasMessageContaining("more than it holds");
        assertThatThrownBy(() -> Vessel.of(VesselKind.TANK, "0", "0")).hasMessageContaining("holds nothing");
    }

    /** Behind a small cartridge lies less ink than behind a tank: it pulls air sooner. */
    @Test
    void howOftenAMachineMayCleanInARowFollowsItsClass() {
        assertThat(Profiles.named("small-cartridge").architecture().cleaningsInARow())
                .isEqualTo(2);
        assertThat(Profiles.named("small-tank").architecture().cleaningsInARow())
                .isEqualTo(3);
        assertThat(Profiles.ALL)
                .allSatisfy(p -> assertThat(p.architecture().cleaningsInARow()).isBetween(2, 3));
    }
}
