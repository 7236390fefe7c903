package fairkettle.job;

import static fairkettle.ink.Family.EDIBLE;
import static fairkettle.ink.Family.FILM;
import static fairkettle.ink.Family.MAKERS_PIGMENT;
import static fairkettle.ink.Family.SUBLIMATION;
import static fairkettle.job.Substrate.BARE_HARD;
import static fairkettle.job.Substrate.COATED_COTTON;
import static fairkettle.job.Substrate.COATED_HARD;
import static fairkettle.job.Substrate.COTTON;
import static fairkettle.job.Substrate.POLYESTER_CLOTH;
import static fairkettle.job.Substrate.POLYESTER_MIX;
import static fairkettle.job.Substrate.SATIN_RIBBON;
import static fairkettle.job.Substrate.WAFER;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class SubstrateTest {

    @Test
    void theDyeGoesIntoPolyesterAndCoatings() {
        assertThat(SATIN_RIBBON.gate(SUBLIMATION, false).may()).isTrue();
        assertThat(COATED_HARD.gate(SUBLIMATION, false).may()).isTrue();
        assertThat(COATED_COTTON.gate(SUBLIMATION, false).may()).isTrue();
        assertThat(POLYESTER_MIX.gate(SUBLIMATION, false).says()).contains("paler");
    }

    @Test
    void untreatedCottonIsRefusedAndToldWhatHelps() {
        var gate = COTTON.gate(SUBLIMATION, false);

        assertThat(gate.may()).isFalse();
        assertThat(gate.says()).contains("washes out", "film transfer");
        assertThat(COTTON.gate(FILM, true).may()).isTrue();
    }

    @Test
    void onADarkGroundTheDyeCannotBeSeen() {
        assertThat(POLYESTER_CLOTH.gate(SUBLIMATION, true).says()).contains("no white");
        assertThat(POLYESTER_CLOTH.gate(FILM, true).may()).isTrue();
    }

    @Test
    void whatIsNotClothTakesNoFilmAndBareGoodsNoDye() {
        assertThat(COATED_HARD.gate(FILM, false).may()).isFalse();
        assertThat(BARE_HARD.gate(SUBLIMATION, false).says()).contains("coating");
        assertThat(SATIN_RIBBON.gate(MAKERS_PIGMENT, false).may()).isFalse();
    }

    @ParameterizedTest
    @EnumSource(Family.class)
    void foodIsPrintedWithEdibleInkAndNothingElse(Family ink) {
        assertThat(WAFER.gate(ink, false).may()).isEqualTo(ink == EDIBLE);
        assertThat(SATIN_RIBBON.gate(ink, false).may()).isEqualTo(ink == SUBLIMATION || ink == FILM);
    }

    @ParameterizedTest
    @EnumSource(Substrate.class)
    void whoeverIsRefusedIsToldWhy(Substrate substrate) {
        for (var ink : Family.values()) {
            var gate = substrate.gate(ink, false);
            assertThat(gate.may() || !gate.says().isBlank()).isTrue();
        }
    }
}
