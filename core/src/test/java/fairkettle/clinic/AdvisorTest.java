package fairkettle.clinic;

import static fairkettle.clinic.Cases.C;
import static fairkettle.clinic.Cases.COLOURS;
import static fairkettle.clinic.Cases.K;
import static fairkettle.clinic.Cases.M;
import static fairkettle.clinic.Cases.Y;
import static fairkettle.clinic.Cases.believe;
import static fairkettle.clinic.Cases.done;
import static fairkettle.clinic.Cases.look;
import static fairkettle.clinic.Cases.page;
import static fairkettle.clinic.Cases.progress;
import static fairkettle.clinic.Cases.sublimation;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.clinic.Advice.Next;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class AdvisorTest {

    private static final List<Integer> EIGHT = List.of(3, 9, 14, 22, 30, 37, 41, 50);
    private static final Evidence WELL = new Evidence.Simple(Set.of());

    private static Advice advise(Situation situation, Evidence... evidence) {
        return Advisor.advise(believe(situation, evidence), progress(situation, evidence), 1);
    }

    @Test
    void theOrderOfAnyCaseIsLookThenTheSimpleThingsThenSomethingThatCosts() {
        var machine = sublimation(6);
        assertThat(advise(machine).next()).isInstanceOf(Next.Look.class);
        assertThat(advise(machine, look(Map.of(M, EIGHT))).next()).isInstanceOf(Next.Simple.class);
        assertThat(advise(machine, look(Map.of(M, EIGHT)), WELL).next())
                .isInstanceOfAny(Next.Treat.class, Next.Ask.class);
    }

    @Test
    void afterEveryTreatmentComesACheck() {
        assertThat(advise(sublimation(6), look(Map.of(M, EIGHT)), WELL, done(Treatment.CLEANING))
                        .next())
                .isInstanceOf(Next.Look.class);
    }

    @Test
    void aGoodCheckIsConfirmedOnAPageBeforeAnybodyCallsItCured() {
        var machine = sublimation(2);
        assertThat(advise(machine, look(Map.of())).next())
                .as("a page costs ink as well: the simple things come before it")
                .isInstanceOf(Next.Simple.class);
        assertThat(advise(machine, look(Map.of()), WELL).next()).isInstanceOf(Next.Page.class);
        assertThat(advise(machine, look(Map.of()), WELL, page(COLOURS, Map.of()), look(Map.of()), look(Map.of()))
                        .next())
                .isEqualTo(new Next.Close(true));
    }

    @Test
    void aParedPlateIsTheEnd() {
        assertThat(advise(sublimation(2), look(Map.of(M, EIGHT)), WELL, new Evidence.Parted())
                        .next())
                .isEqualTo(new Next.Stop(Advice.Reason.PARTED));
    }

    @ParameterizedTest
    @EnumSource(names = {"CHIP", "SAYS_EMPTY", "SPECKS", "SHIFTED"})
    void whatIsNoMatterOfInkIsSolvedWithoutADrop(Complaint complaint) {
        var machine = Cases.situation(Family.SUBLIMATION, 1, COLOURS, complaint);
        var evidence = new ArrayList<Evidence>();
        for (var remedy : Remedy.against(complaint)) {
            assertThat(advise(machine, evidence.toArray(Evidence[]::new)).next())
                    .isEqualTo(new Next.Try(remedy));
            evidence.add(new Evidence.Tried(remedy, false));
        }
        assertThat(advise(machine, evidence.toArray(Evidence[]::new)).next())
                .isEqualTo(new Next.Stop(Advice.Reason.NOT_INK));
        assertThat(advise(machine, new Evidence.Tried(Remedy.against(complaint).getFirst(), true))
                        .next())
                .isInstanceOf(Next.Close.class);
    }

    @Test
    void theSameCaseGetsTheSameAdvice() {
        var machine = sublimation(6);
        var one = advise(machine, look(Map.of(M, EIGHT)), WELL, look(Map.of(M, EIGHT)));
        assertThat(advise(machine, look(Map.of(M, EIGHT)), WELL, look(Map.of(M, EIGHT))))
                .isEqualTo(one);
    }

    @Test
    void itSaysWhatElseWasWeighedAndWhatTheNextCheckMayShow() {
        var advice = advise(sublimation(6), look(Map.of(M, EIGHT)), WELL, look(Map.of(M, EIGHT)));
        var outlook = advice.outlook();
        assertThat(outlook).isNotNull();
        assertThat(outlook.fit() + outlook.muchBetter() + outlook.better() + outlook.same() + outlook.worse())
                .isCloseTo(1, within(1e-9));
        assertThat(advice.others())
                .isNotEmpty()
                .allSatisfy(o -> assertThat(o.over()).isNotNegative());
        assertThat(AdviceWords.of(advice, sublimation(6)).expect()).isNotBlank();
    }

    @Test
    void nobodyIsAskedAboutTubesOfAMachineWithoutThem() {
        var machine = riding(Set.of());
        assertThat(machine.has(Advice.Question.BUBBLES)).isFalse();
        assertThat(sublimation(6).has(Advice.Question.BUBBLES)).isTrue();
        for (int seed = 0; seed < 12; seed++) {
            walk(machine, seed, (next, _) -> {
                if (next instanceof Next.Ask(var question, var _)) {
                    assertThat(question).isNotEqualTo(Advice.Question.BUBBLES);
                }
            });
        }
    }

    /** Its cartridges ride on the carriage: no tubes. */
    private static Situation riding(Set<Treatment> never) {
        var usual = sublimation(6);
        return new Situation(
                usual.family(),
                usual.channels(),
                true,
                false,
                false,
                true,
                true,
                6,
                1,
                8,
                false,
                false,
                false,
                200,
                3,
                usual.complaints(),
                never,
                usual.prices(),
                usual.ink());
    }

    @Test
    void aShopsSchoolIsKeptTo() {
        var spare = riding(Set.of(Treatment.PUSH_AT_VENT, Treatment.POWER_CLEANING, Treatment.DRAW_AT_CARTRIDGE));
        for (int seed = 0; seed < 10; seed++) {
            var next = walk(spare, seed, (_, _) -> {});
            assertThat(next)
                    .doesNotContain(Treatment.PUSH_AT_VENT, Treatment.POWER_CLEANING, Treatment.DRAW_AT_CARTRIDGE);
        }
    }

    private interface Watch {
        void advised(Next next, Progress so);
    }

    /**
     * Follows the advice with dice for a machine: whatever it says, some outcome comes. @return what was treated with
     */
    private static List<Treatment> walk(Situation situation, long seed, Watch watch) {
        return watched(situation, seed, (_, next, so) -> watch.advised(next, so));
    }

    private interface Believing {
        void advised(Belief belief, Next next, Progress so);
    }

    private static Evidence answered(Advice.Question question, ChannelCode code, boolean yes) {
        return switch (question) {
            case WASTE_ROSE -> new Evidence.WasteRose(yes);
            case BUBBLES -> new Evidence.Bubbles(code, yes);
            case THREAD -> new Evidence.Thread(code, yes);
            case CRUST -> new Evidence.Crust(code, yes);
        };
    }

    private static List<Treatment> watched(Situation situation, long seed, Believing watch) {
        var random = new SplittableRandom(seed);
        var belief = Belief.of(situation, Table.USUAL);
        var so = Progress.of(situation);
        var treated = new ArrayList<Treatment>();
        int bad = random.nextInt(4);
        for (int step = 0; step < 60; step++) {
            var next = Advisor.advise(belief, so, seed).next();
            watch.advised(belief, next, so);
            Evidence evidence = switch (next) {
                case Next.Look _ ->
                    look(Map.of(
                            COLOURS.get(bad),
                            IntStream.range(0, 60)
                                    .filter(_ -> random.nextInt(5) == 0)
                                    .boxed()
                                    .toList()));
                case Next.Wait _ -> throw new AssertionError("advice knows no clock");
                case Next.Page _ -> page(COLOURS, Map.of(COLOURS.get(bad), random.nextDouble()));
                case Next.Simple _ -> WELL;
                case Next.Try(var remedy) -> new Evidence.Tried(remedy, random.nextBoolean());
                case Next.Ask(var question, var code) -> answered(question, code, random.nextBoolean());
                case Next.Treat(var treatment, var channels) -> {
                    treated.add(treatment);
                    yield new Evidence.Done(treatment, channels);
                }
                case Next.Close _, Next.Stop _ -> null;
            };
            if (evidence == null) {
                break;
            }
            belief = belief.with(evidence);
            so = so.with(evidence);
        }
        return treated;
    }

    @ParameterizedTest
    @ValueSource(doubles = {.2, 3, 15})
    void theGroundRulesHoldInEveryStateItCanReach(double idle) {
        for (int seed = 0; seed < 12; seed++) {
            var machine = sublimation(idle);
            var inARow = new int[1];
            walk(machine, seed, (next, so) -> {
                if (next instanceof Next.Treat(var treatment, Set<ChannelCode> channels)) {
                    assertThat(GroundRules.against(treatment, channels, so))
                            .as("%s after %s", treatment, so.tried())
                            .isEmpty();
                    assertThat(so.lookDue()).isFalse();
                    assertThat(so.simpleKnown() || !treatment.costsInk()).isTrue();
                    inARow[0] = treatment == Treatment.CLEANING
                            ? inARow[0] + 1
                            : treatment.rests() || treatment == Treatment.POWER_CLEANING ? 0 : inARow[0];
                    assertThat(inARow[0]).isLessThanOrEqualTo(machine.inARow());
                    assertThat(so.pad()
                                    + machine.takes(treatment, channels.size()).pad())
                            .isLessThanOrEqualTo(machine.padRoom() + 1e-9);
                }
            });
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {.2, 3, 15})
    void whatCanChangeNothingThatIsBelievedIsNeverAdvised(double idle) {
        for (int seed = 0; seed < 8; seed++) {
            watched(sublimation(idle), seed, (belief, next, so) -> {
                if (next instanceof Next.Treat(var treatment, Set<ChannelCode> _) && !treatment.rests()) {
                    var on = so.failing().isEmpty() ? Set.copyOf(COLOURS) : so.failing();
                    assertThat(Remedies.answer(treatment, on, belief))
                            .as("%s after %s", treatment, so.tried())
                            .isGreaterThanOrEqualTo(Remedies.BELIEVED);
                }
            });
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {.2, 3, 15})
    void nobodyGivesUpBeforeEveryBelievedCauseHadItsOwnRemedy(double idle) {
        for (int seed = 0; seed < 8; seed++) {
            watched(sublimation(idle), seed, (belief, next, so) -> {
                if (next instanceof Next.Stop && !so.parted()) {
                    assertThat(Remedies.standing(belief, so, so.failing()))
                            .filteredOn(t ->
                                    GroundRules.against(t, so.failing(), so).isEmpty())
                            .as("after %s", so.tried())
                            .isEmpty();
                }
            });
        }
    }

    @Test
    void theSameGapsSeenAgainAndAgainAreOneSightAndNoProofOfDeath() {
        var machine = sublimation(30);
        var once = believe(machine, look(Map.of(M, EIGHT)), WELL);
        var often = believe(
                machine,
                look(Map.of(M, EIGHT)),
                WELL,
                look(Map.of(M, EIGHT)),
                look(Map.of(M, EIGHT)),
                look(Map.of(M, EIGHT)),
                look(Map.of(M, EIGHT)));
        assertThat(often.causes(M).dead())
                .isLessThan(.15)
                .isCloseTo(once.causes(M).dead(), within(.1));
        assertThat(often.causes(M).growth()).isLessThan(.1);
    }

    /** A whole colour is gone after idle days; the first cleaning brings a few strokes back, then nothing does. */
    @Test
    void aColourThatIsGoneAfterIdleDaysIsNotCalledDeadBeforeEverythingThatFreesDriedInkWasTried() {
        var machine = sublimation(30);
        var belief = believe(machine);
        var so = Progress.of(machine);
        var did = new ArrayList<Treatment>();
        int missing = 60;
        Next next = new Next.Look();
        for (int step = 0; step < 90 && !(next instanceof Next.Stop); step++) {
            next = Advisor.advise(belief, so, step).next();
            if (next instanceof Next.Treat(var t, var _)) {
                did.add(t);
                missing = t == Treatment.CLEANING ? Math.max(missing, 57) - 1 : missing;
            }
            var gone = IntStream.range(0, missing).boxed().toList();
            var evidence = switch (next) {
                case Next.Look _ -> look(Map.of(M, gone));
                case Next.Page _ -> page(COLOURS, Map.of());
                case Next.Simple _ -> WELL;
                case Next.Ask(var question, var code) -> answered(question, code, false);
                case Next.Treat(var t, var on) ->
                    t == Treatment.PURGE_SHEET ? page(List.copyOf(on), Map.of()) : new Evidence.Done(t, on);
                default -> null;
            };
            if (evidence != null) {
                belief = belief.with(evidence);
                so = so.with(evidence);
            }
        }
        assertThat(did).contains(Treatment.CLEANING, Treatment.SOAK_OVERNIGHT, Treatment.WIPE);
        assertThat(did).containsAnyOf(Treatment.DRAW_AT_INLET, Treatment.POWER_CLEANING);
        assertThat(did)
                .filteredOn(t -> t == Treatment.LOOK_AGAIN)
                .as("the simple things")
                .hasSizeLessThanOrEqualTo(2);
        assertThat(did)
                .filteredOn(t -> t == Treatment.NEW_DAMPER)
                .as("no sheet faded")
                .isEmpty();
        assertThat(next).isEqualTo(new Next.Stop(Advice.Reason.NOT_WORTH));
    }

    @Test
    void theRunnerUpIsNeverTheAdviceItself() {
        for (int seed = 0; seed < 6; seed++) {
            var machine = sublimation(15);
            watched(machine, seed, (belief, _, so) -> {
                var advice = Advisor.advise(belief, so, 1);
                assertThat(advice.others())
                        .extracting(Advice.Other::next)
                        .doesNotHaveDuplicates()
                        .doesNotContain(advice.next());
            });
        }
    }

    @Test
    void inkWeighsMoreInADecisionThanItCosts() {
        var machine = sublimation(6);
        for (var treatment : Treatment.values()) {
            assertThat(machine.cost(treatment, 2)).isGreaterThan(machine.price(treatment, 2));
        }
        var so = progress(machine, look(Map.of(M, EIGHT)), WELL, done(Treatment.CLEANING));
        assertThat(AnotherRound.of(so, Set.of(M), AnotherRound.NewHead.USUAL).renew())
                .as("what is shown is money")
                .isEqualTo(machine.price(Treatment.RENEW, 1));
    }

    @Test
    void whileItHealsNobodyStops() {
        var machine = sublimation(20);
        var belief = believe(machine);
        var so = Progress.of(machine);
        double missing = 55;
        Next next = new Next.Look();
        for (int step = 0; step < 90 && (int) missing > 2; step++) {
            next = Advisor.advise(belief, so, step).next();
            assertThat(next).as("%.0f gaps after %s", missing, so.tried()).isNotInstanceOf(Next.Stop.class);
            var gone = IntStream.range(0, (int) missing).boxed().toList();
            var evidence = switch (next) {
                case Next.Look _ -> look(Map.of(K, gone, C, gone, M, gone, Y, gone));
                case Next.Page _ -> page(COLOURS, Map.of());
                case Next.Ask(var question, var code) -> answered(question, code, false);
                case Next.Treat(var t, var on) ->
                    t == Treatment.PURGE_SHEET ? page(List.copyOf(on), Map.of()) : new Evidence.Done(t, on);
                default -> WELL;
            };
            missing *= next instanceof Next.Treat ? .76 : 1;
            belief = belief.with(evidence);
            so = so.with(evidence);
        }
        assertThat((int) missing).isLessThanOrEqualTo(2);
    }

    @Test
    void weakMachinesAreFoundOutWithinTheirCase() {
        var machine = sublimation(12);
        var before = look(Map.of(K, EIGHT, C, EIGHT, M, EIGHT, Y, EIGHT));
        var stubborn =
                believe(machine, before, WELL, done(Treatment.CLEANING), before, done(Treatment.CLEANING), before);
        var willing = believe(
                machine,
                before,
                WELL,
                done(Treatment.CLEANING),
                look(Map.of(K, List.of(3, 9), C, List.of(3, 9), M, List.of(3), Y, List.of(9))));
        assertThat(stubborn.response(Hidden.Response.WEAK)).isGreaterThan(.3);
        assertThat(willing.response(Hidden.Response.WEAK)).isLessThan(.25);
        assertThat(willing.response(Hidden.Response.STRONG)).isGreaterThan(stubborn.response(Hidden.Response.STRONG));
    }

    @Test
    void aBlockOfStrokesThatComesAndGoesIsLookedAtMoreThanOnceBeforeItIsCalledCured() {
        var machine = sublimation(2);
        var block = look(Map.of(M, List.of(3, 4, 5, 6, 7, 8, 9)));
        var good = look(Map.of());
        assertThat(progress(machine, block, good).flickered()).isTrue();
        assertThat(progress(machine, look(Map.of(M, EIGHT)), good).flickered()).isFalse();
        assertThat(advise(machine, block, WELL, good, page(COLOURS, Map.of())).next())
                .isEqualTo(new Next.Look());
    }

    @Test
    void theRulesThemselves() {
        var machine = sublimation(6);
        var all = new HashSet<>(COLOURS);
        var blank = progress(machine, look(Map.of(M, EIGHT)));
        assertThat(GroundRules.against(Treatment.CLEANING, all, blank))
                .contains("Level, vent, valve, seating, family and pad come first.");
        var known = blank.with(WELL);
        assertThat(GroundRules.against(Treatment.CLEANING, all, known)).isEmpty();
        assertThat(GroundRules.against(Treatment.POWER_CLEANING, all, known).orElseThrow())
                .contains("reason");
        assertThat(GroundRules.against(Treatment.DRAW_AT_INLET, Set.of(M), known)
                        .orElseThrow())
                .contains("Before the inlet");
        assertThat(GroundRules.against(Treatment.HEAD_OUT, all, known)).isPresent();
        assertThat(GroundRules.against(Treatment.RENEW, Set.of(M), known).orElseThrow())
                .contains("No thread");
        assertThat(GroundRules.against(Treatment.DRAW_AT_CARTRIDGE, Set.of(M), known))
                .isPresent();
        var cleaned = known;
        for (int i = 0; i < 3; i++) {
            cleaned = cleaned.with(done(Treatment.CLEANING)).with(look(Map.of(M, EIGHT)));
        }
        assertThat(GroundRules.against(Treatment.CLEANING, all, cleaned).orElseThrow())
                .contains("rest first");
        assertThat(GroundRules.against(
                        Treatment.CLEANING,
                        all,
                        cleaned.with(done(Treatment.REST_SHORT)).with(look(Map.of(M, EIGHT)))))
                .isEmpty();
        assertThat(GroundRules.against(
                        Treatment.CLEANING,
                        all,
                        cleaned.with(new Evidence.Done(Treatment.RENEW, Set.of(M)))
                                .with(look(Map.of(M, EIGHT)))))
                .as("hours of work are no rest")
                .isPresent();
        assertThat(GroundRules.against(Treatment.NEW_DAMPER, Set.of(M), known).orElseThrow())
                .contains("No sheet has faded");
        assertThat(GroundRules.against(
                        Treatment.NEW_DAMPER,
                        Set.of(M),
                        known.with(page(List.of(M), Map.of(M, .5))).with(look(Map.of(M, EIGHT)))))
                .isEmpty();
        var half = known.with(done(Treatment.CLEANING))
                .with(look(Map.of(M, EIGHT)))
                .with(done(Treatment.SOAK))
                .with(look(Map.of(M, EIGHT)))
                .with(done(Treatment.WIPE))
                .with(look(Map.of(M, EIGHT)))
                .with(new Evidence.Done(Treatment.DRAW_AT_INLET, Set.of(M)))
                .with(look(Map.of(M, List.of(3, 9, 14))));
        assertThat(GroundRules.against(Treatment.DRAW_AT_INLET, Set.of(M), half).orElseThrow())
                .contains("Half was gained");
    }
}
