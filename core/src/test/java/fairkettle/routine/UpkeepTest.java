package fairkettle.routine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.routine.Upkeep.Key;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What really happened is credited before anything is asked for. */
class UpkeepTest {

    private static final Instant MONDAY = Instant.parse("2026-11-23T09:00:00Z");
    private static final Instant WEDNESDAY = MONDAY.plus(Duration.ofDays(2));
    private static final ChannelCode C = ChannelCode.of("C");
    private static final ChannelCode W1 = ChannelCode.of("W1");
    private static final Profile WIDE = Profiles.named("wide-tank");
    private static final Profile FILM = Profiles.named("film-rebuilt");

    private final Upkeep wide = new Upkeep(WIDE, Family.SUBLIMATION);
    private final Upkeep film = new Upkeep(FILM, Family.FILM);

    private static Happening printed(ChannelCode channel, double mL) {
        return new Happening(
                WEDNESDAY, 7L, Map.of(channel, mL), Map.of(channel, mL), 1, 0, false, false, false, null, null);
    }

    private static Mark after(Upkeep upkeep, Happening what, String routine, ChannelCode channel) {
        return upkeep.after(Map.of(), what, MONDAY).get(new Key(routine, channel));
    }

    @Test
    void aPrintThatLaysDownHalfAPurgeSheetIsAWholePurgeOfThatChannelAlone() {
        double whole = WIDE.draws().sheet().mL() / 2;
        assertThat(after(wide, printed(C, whole), "purge", C).since()).isEqualTo(WEDNESDAY);
        assertThat(after(wide, printed(C, whole), "purge", ChannelCode.of("M")).since())
                .isEqualTo(MONDAY);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, .25, .5, .75, 1})
    void lessInkIsAPurgeInProportion(double share) {
        var mark = after(wide, printed(C, share * WIDE.draws().sheet().mL() / 2), "purge", C);
        assertThat(Duration.between(mark.since(), WEDNESDAY).toMinutes())
                .isEqualTo(Math.round(2 * 24 * 60 * (1 - share)));
    }

    @Test
    void twoHalvesDoNotMakeMoreThanOneAfterTheOther() {
        double half = WIDE.draws().sheet().mL() / 4;
        var marks = wide.after(wide.after(Map.of(), printed(C, half), MONDAY), printed(C, half), MONDAY);
        assertThat(Duration.between(marks.get(new Key("purge", C)).since(), WEDNESDAY)
                        .toHours())
                .as("a quarter of two days is left")
                .isEqualTo(12);
    }

    @Test
    void inkMovedThroughALineResetsItInProportionToItsVolumeWhereverItWent() {
        double line = 6;
        var drawn = new Happening(WEDNESDAY, 8L, Map.of(), Map.of(W1, line / 3), 0, 0, false, false, false, null, null);
        assertThat(Duration.between(after(film, drawn, "move-white", W1).since(), WEDNESDAY)
                        .toHours())
                .isEqualTo(32);
        assertThat(after(film, drawn, "shake", W1).since())
                .as("moving stirs no bottle")
                .isEqualTo(MONDAY);
    }

    @Test
    void aCleaningIsNeverACheckAndAddsToWhatWearsOut() {
        var cleaned = new Happening(WEDNESDAY, 9L, Map.of(), Map.of(C, .9), 0, 1, false, false, false, null, null);
        assertThat(after(wide, cleaned, "check", null).since()).isEqualTo(MONDAY);
        assertThat(after(wide, cleaned, "wiper", null).cleanings()).isEqualTo(1);
        assertThat(after(wide, cleaned, "damper", C).ink()).isCloseTo(.9, within(1e-9));
        assertThat(after(wide, cleaned, "purge", C).since())
                .as("the pump draws, but nothing is laid down")
                .isEqualTo(MONDAY);
    }

    @Test
    void checksReadingsAndPadsResetWhatTheyAre() {
        assertThat(after(wide, Happening.check(WEDNESDAY, 1L), "check", null).since())
                .isEqualTo(WEDNESDAY);
        assertThat(after(
                                wide,
                                new Happening(WEDNESDAY, 1L, Map.of(), Map.of(), 0, 0, false, true, false, null, null),
                                "levels",
                                null)
                        .since())
                .isEqualTo(WEDNESDAY);
        assertThat(after(
                                wide,
                                new Happening(WEDNESDAY, 1L, Map.of(), Map.of(), 0, 0, false, false, true, null, null),
                                "waste-pad",
                                null)
                        .since())
                .isEqualTo(WEDNESDAY);
    }

    @Test
    void whatIsDoneToOneChannelIsNotDoneToTheOthers() {
        var done = Happening.done(WEDNESDAY, 3L, "damper", C);
        assertThat(after(wide, done, "damper", C).since()).isEqualTo(WEDNESDAY);
        assertThat(after(wide, done, "damper", ChannelCode.of("K")).since()).isEqualTo(MONDAY);
        assertThat(after(wide, Happening.done(WEDNESDAY, 3L, "damper", null), "damper", ChannelCode.of("K"))
                        .since())
                .as("to all")
                .isEqualTo(WEDNESDAY);
    }

    @Test
    void whatIsEnteredLateForAnEarlierDayResetsNothingNewer() {
        var marks = new HashMap<>(wide.after(Map.of(), Happening.check(WEDNESDAY, 1L), MONDAY));
        assertThat(wide.after(marks, Happening.check(MONDAY.plusSeconds(60), 2L), MONDAY)
                        .get(new Key("check", null))
                        .since())
                .isEqualTo(WEDNESDAY);
    }

    @ParameterizedTest
    @EnumSource(Family.class)
    void everyRoutineSaysWhatToDoAndWhatLeavingItCosts(Family family) {
        for (var profile : Profiles.ALL) {
            assertThat(Routines.of(profile, family))
                    .allSatisfy(r -> {
                        assertThat(r.title()).isNotBlank();
                        assertThat(r.say()).endsWith(".");
                        assertThat(r.skipping()).endsWith(".");
                        assertThat(r.hands()).isPositive();
                    })
                    .extracting(Routine::id)
                    .doesNotHaveDuplicates()
                    .contains(
                            "check",
                            "purge",
                            "wiper",
                            "cap-rim",
                            "cap-lines",
                            "spit-pad",
                            "waste-pad",
                            "rail",
                            "strip",
                            "wheel",
                            "sensor",
                            "belt");
        }
    }

    @Test
    void whiteAndFoodHaveRoutinesOfTheirOwn() {
        assertThat(film.keys())
                .containsKeys(
                        new Key("shake", W1),
                        new Key("move-white", W1),
                        new Key("white-damper", W1),
                        new Key("damper", C))
                .doesNotContainKey(new Key("damper", W1));
        assertThat(wide.keys()).doesNotContainKey(new Key("shake", W1));
        assertThat(Routines.of(Profiles.named("snap-in-head"), Family.EDIBLE))
                .extracting(Routine::id)
                .contains("head-rinse", "best-before");
        assertThat(Routines.of(WIDE, Family.SUBLIMATION))
                .extracting(Routine::id)
                .doesNotContain("head-rinse");
    }

    @Test
    void whiteAndFilmComeRoundFirstMakersInkLast() {
        assertThat(purge(Family.FILM)).isLessThan(purge(Family.EDIBLE));
        assertThat(purge(Family.EDIBLE)).isLessThan(purge(Family.SUBLIMATION));
        assertThat(purge(Family.SUBLIMATION)).isLessThan(purge(Family.MAKERS_DYE));
    }

    private static double purge(Family family) {
        return Routines.of(WIDE, family).stream()
                .filter(r -> r.id().equals("purge"))
                .findFirst()
                .orElseThrow()
                .drives()
                .getFirst()
                .base();
    }
}
