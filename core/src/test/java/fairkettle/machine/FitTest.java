package fairkettle.machine;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;

/** What is fitted to a machine changes its paths and slots, and never its build. */
class FitTest {

    private static final List<Profile> CARTRIDGES = Profiles.ALL.stream()
            .filter(p -> p.architecture() == Architecture.CARTRIDGE)
            .toList();

    @Test
    void asBuiltNothingIsDifferent() {
        assertThat(Profiles.ALL)
                .allSatisfy(p -> assertThat(p.fitted(Fit.asBuilt(p))).isSameAs(p));
    }

    @ParameterizedTest
    @FieldSource("CARTRIDGES")
    void aBulkFeedPutsTanksBeforeTheCartridges(Profile profile) {
        var bulk = profile.fitted(Fit.asBuilt(profile).fedBy(Feed.BULK));
        assertThat(bulk.architecture()).isEqualTo(Architecture.BULK);
        assertThat(bulk.codes()).isEqualTo(profile.codes());
        assertThat(bulk.channels())
                .allSatisfy(c -> assertThat(c.path())
                        .extracting(Vessel::kind)
                        .containsExactly(VesselKind.TANK, VesselKind.TUBE, VesselKind.CARTRIDGE, VesselKind.HEAD));
        assertThat(bulk.name()).isEqualTo(profile.name() + ", bulk-fed");
        assertThat(bulk.id()).as("still the same build").isEqualTo(profile.id());
    }

    @ParameterizedTest
    @FieldSource("CARTRIDGES")
    void refillablesHoldWhatTheMakersCartridgesHeld(Profile profile) {
        var refillable =
                profile.fitted(Fit.asBuilt(profile).fedBy(Feed.REFILLABLE).chipped(Chips.AUTO_RESET));
        assertThat(refillable.channels()).isEqualTo(profile.channels());
        assertThat(refillable.architecture()).isEqualTo(Architecture.CARTRIDGE);
    }

    @Test
    void aRebuildForFilmGivesWhiteAWiderLine() {
        var profile = Profiles.named("six-ink-tank");
        var film = profile.fitted(
                Fit.asBuilt(profile).fedBy(Feed.FILM).carrying(Map.of(ChannelCode.of("LC"), ChannelCode.of("W1"))));
        assertThat(film.codes()).extracting(ChannelCode::code).containsExactly("K", "C", "M", "Y", "W1", "LM");
        assertThat(film.channel(ChannelCode.of("W1")).vessel(VesselKind.TUBE).capacity())
                .isEqualTo(Millilitres.parse("6"));
        assertThat(film.channel(ChannelCode.of("K")).vessel(VesselKind.TUBE))
                .isEqualTo(profile.channel(ChannelCode.of("K")).vessel(VesselKind.TUBE));
    }

    @Test
    void aCopyKeepsTheBuildAndHasItsOwnFigures() {
        var profile = Profiles.named("small-tank");
        var copy = profile.copiedAs(
                "own-1", "ours", profile.channels(), profile.draws(), profile.minutes(), Millilitres.parse("300"));
        assertThat(copy.padCapacity()).isEqualTo(Millilitres.parse("300"));
        assertThat(copy.architecture()).isEqualTo(profile.architecture());
        assertThat(copy.capable()).isEqualTo(profile.capable());
    }

    @Test
    void onlyCartridgesHaveChips() {
        assertThat(Profiles.ALL)
                .allSatisfy(p -> assertThat(p.chips().isEmpty()).isEqualTo(p.architecture() != Architecture.CARTRIDGE));
    }

    @Test
    void linesThatHandsMeetAreNamed() {
        var film = Profiles.named("garment").channels();
        assertThat(film.stream().filter(c -> c.lineLiesOpen(Feed.AS_BUILT)))
                .as("of the lines built in, the white ones")
                .isNotEmpty()
                .allMatch(c -> c.code().white());
        assertThat(film.stream().filter(c -> c.has(VesselKind.TUBE)))
                .as("what was fitted lies open")
                .allMatch(c -> c.lineLiesOpen(Feed.BULK));
        assertThat(Profiles.named("small-cartridge").channels()).noneMatch(c -> c.lineLiesOpen(Feed.AS_BUILT));
    }
}
