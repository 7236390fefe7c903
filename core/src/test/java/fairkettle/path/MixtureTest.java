package fairkettle.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.machine.VesselKind;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class MixtureTest {

    private static final Substance OLD = new Substance.Ink(Family.MAKERS_DYE, ChannelCode.of("C"), 0);
    private static final Substance NEW = new Substance.Ink(Family.SUBLIMATION, ChannelCode.of("C"), 4);
    private static final Substance FLUID = new Substance.Fluid(Family.SUBLIMATION);

    @RepeatedTest(100)
    void whatIsTakenAndWhatIsLeftAreAllThereWas(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        var all = new Mixture(
                Map.of(OLD, random.nextLong(50_000), NEW, random.nextLong(3), FLUID, 1 + random.nextLong(9_000)));
        var volume = new Millilitres(random.nextLong(all.volume().microlitres() + 1));
        var taken = all.taken(volume);
        assertThat(taken.volume()).isEqualTo(volume);
        assertThat(all.minus(taken).plus(taken)).isEqualTo(all);
    }

    @Test
    void aPartHasTheSharesOfTheWhole() {
        var all = new Mixture(Map.of(OLD, 20_000L, NEW, 60_000L, FLUID, 20_000L));
        var part = all.taken(Millilitres.parse("7"));
        assertThat(part.share(NEW::equals)).isCloseTo(0.6, within(1e-3));
        assertThat(part.amount(OLD::equals)).isEqualTo(Millilitres.parse("1.4"));
    }

    @Test
    void nothingHasNoShares() {
        assertThat(Mixture.EMPTY.share(_ -> true)).isZero();
        assertThat(Mixture.of(OLD, Millilitres.ZERO)).isEqualTo(Mixture.EMPTY);
    }

    @Test
    void moreThanThereIsCannotBeTaken() {
        var little = Mixture.of(OLD, Millilitres.parse("1"));
        assertThatThrownBy(() -> little.taken(Millilitres.parse("1.001")))
                .hasMessage("1.001 mL cannot be taken from 1 mL.");
        assertThatThrownBy(() -> little.minus(Mixture.of(NEW, Millilitres.parse("1"))))
                .hasMessageStartingWith("Impossible state");
    }

    static Stream<Place> places() {
        return Stream.concat(
                Stream.of(Place.Outside.values()),
                Stream.of(
                        new Place.Bottle(12),
                        new Place.Pad(3),
                        new Place.InPath(3, ChannelCode.of("W1"), VesselKind.DAMPER)));
    }

    @ParameterizedTest
    @MethodSource("places")
    void placesAreReadAsTheyAreWritten(Place place) {
        assertThat(Place.parse(place.key())).isEqualTo(place);
    }

    @ParameterizedTest
    @ValueSource(strings = {"ink/SUBLIMATION/LC/12", "ink/MAKERS_DYE/K/0", "fluid/FILM"})
    void substancesAreReadAsTheyAreWritten(String key) {
        assertThat(Substance.parse(key).key()).isEqualTo(key);
    }

    @Test
    void whatIsNoPlaceIsRefused() {
        for (var key : List.of("sink/3", "drain")) {
            assertThatThrownBy(() -> Place.parse(key)).hasMessageContaining(key);
        }
    }
}
