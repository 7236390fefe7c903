package fairkettle.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.ink.ChannelCode;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What a check is good enough for, and what its gaps look like. */
class VerdictTest {

    private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");

    @Test
    void aWholeCheckIsGoodForEverything() {
        var verdict =
                Verdict.of(List.of(now("K", 59, List.of(), List.of()), now("M", 59, List.of(), List.of())), Map.of());
        assertThat(verdict.headline()).isEqualTo("Every nozzle left its mark.");
        assertThat(verdict.goodFor()).containsExactlyInAnyOrder(Work.PHOTO, Work.SOLID, Work.TEXT);
        assertThat(verdict.notFor()).isEmpty();
    }

    @Test
    void threeNeighboursAreFineInTextAndNotInAPhoto() {
        var verdict = Verdict.of(List.of(now("M", 180, List.of(41, 42, 43), List.of(41, 42, 43))), Map.of());
        assertThat(verdict.goodFor()).containsExactly(Work.TEXT);
        assertThat(verdict.notFor()).contains(Work.PHOTO, Work.SOLID);
        assertThat(verdict.says()).contains("Good enough for text.");
    }

    @Test
    void theShopsOwnToleranceCounts() {
        var strict = Map.of(Work.TEXT, new Work.Tolerance(0, 0));
        assertThat(Verdict.of(List.of(now("K", 59, List.of(4), List.of())), strict)
                        .notFor())
                .contains(Work.TEXT);
        assertThatThrownBy(() -> new Work.Tolerance(1.2, 1)).hasMessageContaining("0 to 1");
    }

    @Test
    void whiteIsJudgedForWhiteAlone() {
        var verdict = Verdict.of(
                List.of(now("W1", 90, List.of(1, 2, 3, 4, 5, 6), List.of()), now("C", 90, List.of(), List.of())),
                Map.of());
        assertThat(verdict.notFor()).containsExactly(Work.WHITE);
        assertThat(verdict.goodFor()).contains(Work.PHOTO);
    }

    @Test
    void movingGapsAreAirAndAMissingChannelIsNoClog() {
        assertThat(Verdict.of(List.of(now("C", 59, List.of(3, 9), List.of(30, 41))), Map.of())
                        .says())
                .contains("air");
        var gone = IntStream.range(0, 59).boxed().toList();
        var verdict = Verdict.of(List.of(now("M", 59, gone, List.of())), Map.of());
        assertThat(verdict.headline()).isEqualTo("M is gone altogether.");
        assertThat(verdict.says()).contains("level, vent, valve");
        assertThat(verdict.spoiled()).contains("red", "blue", "skin");
    }

    @Test
    void theHeadlineIsTheGravestFindingAndNotTheOddest() {
        var forty = IntStream.range(10, 50).boxed().toList();
        var verdict =
                Verdict.of(List.of(now("K", 59, forty, List.of()), now("C", 59, List.of(30), List.of(3))), Map.of());
        assertThat(verdict.headline()).isEqualTo("New gaps since the last check.");
        assertThat(verdict.says()).doesNotContain("air");
    }

    @Test
    void solidAreasSayWhatTheyPointAt() {
        assertThat(solid(.3, List.of(), 0).says()).contains("starved");
        assertThat(solid(-.2, List.of(), 0).says()).contains("air is clearing");
        assertThat(solid(0, List.of(new Solid.Streak(40, 6, .95)), 0).says()).contains("air in the line");
        assertThat(solid(0, List.of(new Solid.Streak(40, .3, .8)), 0).says()).contains("single nozzles");
        assertThat(solid(.3, List.of(), .2).says()).contains("Another colour");
        assertThat(solid(.01, List.of(), .02).says()).isNull();
    }

    @Test
    void aLookRefusesStrokesThatDoNotExist() {
        assertThatThrownBy(() -> Look.tapped(ChannelCode.of("K"), 59, List.of(59)))
                .hasMessageContaining("59 strokes");
    }

    private static Solid solid(double fade, List<Solid.Streak> streaks, double foreign) {
        return new Solid(fade, streaks, List.of(0.2, 0.9, 0.4), foreign, 1);
    }

    private static Verdict.Judged now(
            String code, int strokes, Collection<Integer> missing, Collection<Integer> before) {
        return new Verdict.Judged(
                ChannelCode.of(code),
                strokes,
                List.copyOf(missing),
                Change.between(before, missing),
                Course.of(List.of(new Course.Seen(NOW, missing), new Course.Seen(NOW.minusSeconds(86_400), before))));
    }
}
