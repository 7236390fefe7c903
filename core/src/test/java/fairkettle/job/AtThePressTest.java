package fairkettle.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.clinic.Complaint;
import fairkettle.ink.Family;
import fairkettle.job.Piece.Turning;
import fairkettle.safety.Caution;
import java.util.List;
import org.junit.jupiter.api.Test;

class AtThePressTest {

    private static final List<PressLine> FILM = PressLine.of(Family.FILM, Substrate.COTTON, true);

    @Test
    void filmIsCutOffPowderedCuredCutApartAndPressedInThatOrder() {
        assertThat(FILM)
                .containsExactly(
                        PressLine.CUT_OFF,
                        PressLine.POWDER,
                        PressLine.CURE,
                        PressLine.CUT,
                        PressLine.PRESS,
                        PressLine.PEEL,
                        PressLine.PRESS_AGAIN);
        assertThat(PressLine.of(Family.FILM, Substrate.COTTON, false))
                .as("a sheet of film needs no cutting off")
                .doesNotContain(PressLine.CUT_OFF);
        assertThat(PressLine.of(Family.EDIBLE, Substrate.WAFER, false)).containsExactly(PressLine.CUT);
        assertThat(PressLine.of(Family.SUBLIMATION, Substrate.SATIN_RIBBON, false))
                .containsExactly(PressLine.CUT, PressLine.PRESS, PressLine.PEEL);
    }

    @Test
    void whatHurtsStandsAtItsStepAndFoodHasToolsOfItsOwn() {
        assertThat(PressLine.POWDER.cautions(Family.FILM)).containsExactly(Caution.POWDER);
        assertThat(PressLine.PRESS.cautions(Family.SUBLIMATION)).containsExactly(Caution.HEAT);
        assertThat(PressLine.CUT.cautions(Family.EDIBLE)).containsExactly(Caution.FOOD);
        assertThat(PressLine.CUT.say(Family.EDIBLE)).contains("kept for food");
        assertThat(PressLine.PRESS.say(Family.SUBLIMATION)).contains("Printed side down");
    }

    @Test
    void nothingIsPressedBeforeItIsCuredAndNothingCuredBeforeItIsPowdered() {
        assertThat(PressLine.hindrance(PressLine.PRESS, FILM, List.of(PressLine.CUT, PressLine.POWDER)))
                .hasValue("“Cure the powder” comes first.");
        assertThat(PressLine.hindrance(PressLine.CURE, FILM, List.of(PressLine.CUT)))
                .hasValue("“Powder the wet side” comes first.");
        assertThat(PressLine.hindrance(PressLine.POWDER, FILM, List.of())).isEmpty();
    }

    @Test
    void aFilmJobCannotCloseWithoutCure() {
        assertThat(PressLine.open(FILM, List.of(PressLine.CUT, PressLine.POWDER, PressLine.PRESS)))
                .hasValueSatisfying(why -> assertThat(why).contains("Cure the powder"));
        assertThat(PressLine.open(FILM, List.of(PressLine.CURE, PressLine.PRESS)))
                .isEmpty();
    }

    @Test
    void heatIsThePacksAndCannotBeAnything() {
        assertThatThrownBy(() -> new PressLine.Heat(400, 40)).hasMessageContaining("The pack says it");
        assertThat(new PressLine.Heat(190, 45).seconds()).isEqualTo(45);
    }

    @Test
    void clampsAreLookedAtBeforeTheyReachTheShaker() {
        var run = FilmFeed.BEFORE;
        assertThat(run.hold()).hasValueSatisfying(why -> assertThat(why).contains("clamp its edge"));

        run = run.held(true, false, false);
        assertThat(run.hold()).isEmpty();
        assertThat(run.mayLeave()).isFalse();

        run = run.printed(FilmFeed.EVERY);
        assertThat(run.hold()).hasValueSatisfying(why -> assertThat(why).contains("must not reach"));
        assertThat(run.clear().hold()).isEmpty();
    }

    @Test
    void aFilmIsLeftAloneOnlyWhenTheRollerPullsAndTheSensorSeesIt() {
        var clamped = FilmFeed.BEFORE.held(true, true, true);
        assertThat(clamped.says()).contains("take the clamps off");

        var free = clamped.held(false, true, true);
        assertThat(free.mayLeave()).isTrue();
        assertThat(free.held(false, true, false).says()).contains("sensor");
    }

    @Test
    void afterAPauseTheSensorHasToCatchTheFilmAgain() {
        var paused = FilmFeed.BEFORE.held(false, true, true).printed(90).paused("powder ran out");
        assertThat(paused.mayLeave()).isFalse();
        assertThat(paused.hold()).hasValue("Paused: powder ran out.");

        assertThatThrownBy(() -> paused.resumed(true, true, false)).hasMessageContaining("sensor catches it");
        assertThat(paused.resumed(true, true, true).mayLeave()).isTrue();
    }

    @Test
    void feedingThroughPaysOnALongRunOnly() {
        var shortRun = FilmLength.of(Nesting.onFilm(List.of(new Piece(1000, 1000, 4, Turning.FREE)), 2900, 50));
        assertThat(shortRun.saved()).isNegative();
        assertThat(shortRun.words()).startsWith("Cut it");

        var longRun = FilmLength.of(Nesting.onFilm(List.of(new Piece(2800, 4000, 12, Turning.UPRIGHT)), 2900, 50));
        assertThat(longRun.printed()).isGreaterThan(FilmLength.pays());
        assertThat(longRun.saved()).isPositive();
        assertThat(longRun.through()).isEqualTo(longRun.printed() + 4500);
    }

    @Test
    void aSmearHasFiveBranchesEachWithItsTest() {
        assertThat(Sign.SMEARS)
                .hasSize(5)
                .allMatch(b -> !b.test().isBlank() && !b.then().isBlank());
        assertThat(Sign.SMEARS.stream().map(Sign.Branch::test).distinct()).hasSize(5);
        assertThat(Sign.WHITE_LINES.complaint()).isEqualTo(Complaint.GAPS);
        assertThat(Sign.PRESS.complaint()).isNull();
    }
}
