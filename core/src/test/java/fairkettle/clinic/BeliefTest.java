package fairkettle.clinic;

import static fairkettle.clinic.Cases.C;
import static fairkettle.clinic.Cases.COLOURS;
import static fairkettle.clinic.Cases.K;
import static fairkettle.clinic.Cases.M;
import static fairkettle.clinic.Cases.W1;
import static fairkettle.clinic.Cases.Y;
import static fairkettle.clinic.Cases.believe;
import static fairkettle.clinic.Cases.done;
import static fairkettle.clinic.Cases.look;
import static fairkettle.clinic.Cases.page;
import static fairkettle.clinic.Cases.sublimation;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class BeliefTest {

    private static final List<Integer> EIGHT = List.of(3, 9, 14, 22, 30, 37, 41, 50);

    @Test
    void gapsThatStandAreDriedAndGapsThatMoveAreAir() {
        var stand = believe(sublimation(6), look(Map.of(M, EIGHT)), look(Map.of(M, EIGHT)))
                .causes(M);
        var move = believe(
                        sublimation(6), look(Map.of(M, EIGHT)), look(Map.of(M, List.of(1, 5, 11, 19, 26, 33, 45, 57))))
                .causes(M);
        assertThat(stand.dried()).isGreaterThan(.5).isGreaterThan(5 * stand.air());
        assertThat(move.air()).isGreaterThan(.6).isGreaterThan(5 * move.dried());
    }

    @Test
    void whatAllChannelsShareIsOneCauseAndNotSix() {
        Map<ChannelCode, List<Integer>> all = Map.of(K, EIGHT, C, EIGHT, M, EIGHT, Y, EIGHT);
        var one = believe(sublimation(.5), look(Map.of(M, EIGHT)), done(Treatment.CLEANING), look(Map.of(M, EIGHT)));
        var four = believe(sublimation(.5), look(all), done(Treatment.CLEANING), look(all));
        assertThat(four.causes(M).cap()).isGreaterThan(2 * one.causes(M).cap());
    }

    @Test
    void aCleaningThatMovesNoWasteSpeaksAgainstCapAndPump() {
        var before = believe(sublimation(3), look(Map.of(M, EIGHT)), done(Treatment.CLEANING));
        double doubt = before.causes(M).cap();
        assertThat(before.with(new Evidence.WasteRose(false)).causes(M).cap()).isGreaterThan(doubt);
        assertThat(before.with(new Evidence.WasteRose(true)).causes(M).cap()).isLessThan(doubt);
    }

    @Test
    void whatClearsDownThePageIsASmearAndWhatDoesNotIsMixedInk() {
        var edge = off(true);
        var all = off(false);
        var untold = off(null);
        assertThat(edge.smear()).isGreaterThan(untold.smear()).isGreaterThan(edge.mixed());
        assertThat(all.mixed()).isGreaterThan(untold.mixed()).isGreaterThan(all.smear());
    }

    /** A whole check, and a page on which yellow has another colour. */
    private static Belief.Causes off(@Nullable Boolean clears) {
        var seen = new HashMap<ChannelCode, Evidence.Seen>();
        COLOURS.forEach(c -> seen.put(c, new Evidence.Seen(.03, false, c.equals(Y), c.equals(Y) ? clears : null)));
        return believe(sublimation(3), look(Map.of()), new Evidence.Page(seen)).causes(Y);
    }

    @Test
    void aGoodCheckAndABadPageAreAStarvedLineAndNotAClog() {
        var codes = List.of(K, C, M, Y, W1);
        var film = Cases.situation(Family.FILM, 4, codes, Complaint.FADES);
        var causes = believe(film, look(codes, Map.of()), page(codes, Map.of(W1, .6)))
                .causes(W1);
        assertThat(causes.filter() + causes.settled() + causes.shut() + causes.growth())
                .isGreaterThan(.9);
        assertThat(causes.dried()).isLessThan(.05);
    }

    @Test
    void whatWasFoundAndPutRightIsNoLongerSuspected() {
        var gone = believe(
                sublimation(1), look(Map.of(C, IntStream.range(5, 50).boxed().toList())));
        assertThat(gone.with(new Evidence.Simple(Set.of(C))).causes(C).shut())
                .isLessThan(gone.causes(C).shut());
        assertThat(gone.with(new Evidence.Simple(Set.of())).causes(C).shut())
                .isLessThan(gone.causes(C).shut() / 3);
    }

    @Test
    void gapsThatNothingMovesBecomeDead() {
        var evidence = new ArrayList<Evidence>(List.of(look(Map.of(Y, EIGHT))));
        double before = 0;
        for (var act : List.of(
                Treatment.CLEANING,
                Treatment.SOAK,
                Treatment.CLEANING,
                Treatment.DRAW_AT_WASTE_LINE,
                Treatment.SOAK_OVERNIGHT,
                Treatment.DRAW_AT_INLET,
                Treatment.DRAW_AT_INLET)) {
            evidence.add(done(act));
            evidence.add(look(Map.of(Y, EIGHT)));
            double dead = believe(sublimation(1), evidence.toArray(Evidence[]::new))
                    .causes(Y)
                    .dead();
            assertThat(dead).isGreaterThan(before);
            before = dead;
        }
        assertThat(before).isGreaterThan(.8);
    }

    @Test
    void itStaysADistributionWhateverIsSeen() {
        var random = new SplittableRandom(5);
        for (int run = 0; run < 40; run++) {
            var belief = Belief.of(sublimation(random.nextDouble() * 20), Table.USUAL);
            for (int step = 0; step < 25; step++) {
                belief = belief.with(anything(random));
                double sum = 0;
                for (int k = 0; k < Hidden.CONFIGS; k++) {
                    sum += belief.weight[k];
                    for (int c = 0; c < 4; c++) {
                        double states = 0;
                        for (double p : belief.nozzles[k][c]) {
                            assertThat(p).isBetween(-1e-9, 1 + 1e-9);
                            states += p;
                        }
                        assertThat(belief.weight[k] < 1e-12 || Math.abs(states - 1) < 1e-6)
                                .isTrue();
                    }
                }
                assertThat(sum).isCloseTo(1, within(1e-6));
            }
        }
    }

    private static Evidence anything(SplittableRandom random) {
        var code = COLOURS.get(random.nextInt(4));
        return switch (random.nextInt(7)) {
            case 0, 1 ->
                look(Map.of(
                        code,
                        IntStream.range(0, 60)
                                .filter(_ -> random.nextInt(8) == 0)
                                .boxed()
                                .toList()));
            case 2, 3 -> done(Treatment.values()[random.nextInt(Treatment.values().length)]);
            case 4 -> page(COLOURS, Map.of(code, random.nextDouble()));
            case 5 -> new Evidence.Bubbles(code, random.nextBoolean());
            default -> new Evidence.WasteRose(random.nextBoolean());
        };
    }

    @Test
    void looksThatDoNotTouchEachOtherMayComeInAnyOrder() {
        var start = believe(sublimation(4), look(Map.of(M, EIGHT)));
        var one = start.with(new Evidence.Bubbles(M, true))
                .with(new Evidence.Thread(C, false))
                .with(new Evidence.WasteRose(true));
        var other = start.with(new Evidence.WasteRose(true))
                .with(new Evidence.Bubbles(M, true))
                .with(new Evidence.Thread(C, false));
        assertThat(one.causes(M).air()).isCloseTo(other.causes(M).air(), within(1e-9));
        assertThat(one.causes(C).growth()).isCloseTo(other.causes(C).growth(), within(1e-9));
    }

    @Test
    void aChannelThatIsNotThereIsRefused() {
        assertThatThrownBy(() -> believe(sublimation(1), new Evidence.Bubbles(W1, true)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("W1");
    }

    @Test
    void whatIsBelievedIsSaidInWordsMostLikelyFirst() {
        var findings = Finding.of(believe(sublimation(9), look(Map.of(M, EIGHT)), look(Map.of(M, EIGHT))), Set.of(M));
        assertThat(findings.getFirst().cause()).isEqualTo(Finding.Cause.DRIED);
        assertThat(findings.getFirst().channels()).containsExactly(M);
        assertThat(findings).isSortedAccordingTo((a, b) -> Double.compare(b.share(), a.share()));
        assertThat(new Finding(Finding.Cause.AIR, Set.of(), .95).band()).isEqualTo("almost sure");
        assertThat(new Finding(Finding.Cause.AIR, Set.of(), .5).band()).isEqualTo("likely as not");
        assertThat(new Finding(Finding.Cause.AIR, Set.of(), .05).band()).isEqualTo("unlikely");
    }
}
