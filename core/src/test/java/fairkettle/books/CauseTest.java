package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.VesselKind;
import fairkettle.path.Place;
import org.junit.jupiter.api.Test;

class CauseTest {

    @Test
    void whereItWentTellsMoreThanWhatWasDone() {
        assertThat(Cause.of(Place.Outside.SUPPLIER, EntryKind.BOTTLE, null)).isEqualTo(Cause.BOUGHT);
        assertThat(Cause.of(Place.Outside.CORRECTION, EntryKind.MACHINE, null)).isEqualTo(Cause.BROUGHT_IN);
        assertThat(Cause.of(Place.Outside.CORRECTION, EntryKind.STEP, Cause.DRAINS))
                .isEqualTo(Cause.CORRECTIONS);
        assertThat(Cause.of(new Place.Pad(3), EntryKind.CLEANING, Cause.POWER_CLEANINGS))
                .isEqualTo(Cause.POWER_CLEANINGS);
        assertThat(Cause.of(Place.Outside.PAPER, EntryKind.NOTE, null)).isEqualTo(Cause.OTHER);
    }

    @Test
    void inkIsGoneOnceNoBottleAndNoMachineHoldsIt() {
        assertThat(Cause.gone(new Place.Pad(3))).isTrue();
        assertThat(Cause.gone(new Place.Waste(1))).isTrue();
        assertThat(Cause.gone(Place.Outside.PAPER)).isTrue();
        assertThat(Cause.gone(new Place.Bottle(9))).isFalse();
        assertThat(Cause.gone(new Place.InPath(3, ChannelCode.of("C"), VesselKind.TANK)))
                .isFalse();
    }

    @Test
    void kindsAreReadAsTheyAreWritten() {
        for (var kind : EntryKind.values()) {
            assertThat(EntryKind.of(kind.key())).isEqualTo(kind);
        }
    }
}
