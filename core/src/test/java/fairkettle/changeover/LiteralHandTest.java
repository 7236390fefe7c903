package fairkettle.changeover;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.benchwork.BenchCard;
import fairkettle.benchwork.BenchWork;
import fairkettle.clinic.Treatment;
import fairkettle.clinic.TreatmentCard;
import fairkettle.hand.LiteralHand;
import fairkettle.hand.Mutation;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.VesselKind;
import fairkettle.machine.WasteLines;
import fairkettle.procedure.Step;
import fairkettle.procedure.Uncapped;
import fairkettle.routine.Routine;
import fairkettle.routine.Routines;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.FieldSource;

/** Every card, done by somebody who takes each sentence as it stands and knows nothing better. */
class LiteralHandTest {

    static final List<Profile> PROFILES = Profiles.ALL;

    @Test
    void everyPlanCanBeDoneAndDoesNoHarm() {
        var found = new TreeMap<String, Integer>();
        var example = new TreeMap<String, String>();
        RouteTest.everyPlan()
                .forEach(p -> faults(p, p.plan().procedure().steps()).forEach(f -> {
                    var key = "%s at %s: %s"
                            .formatted(f.harm(), f.step(), f.words().replaceAll("[0-9.]+", "#"));
                    found.merge(key, 1, Integer::sum);
                    example.putIfAbsent(key, p + ": " + f.words());
                }));
        assertThat(found)
                .as(() -> String.join(
                        "\n",
                        found.entrySet().stream()
                                .map(e -> e.getValue() + " × " + e.getKey() + "   e.g. " + example.get(e.getKey()))
                                .toList()))
                .isEmpty();
    }

    @Test
    void noPlanLeavesAHeadInTheAirForLongerThanItsLimit() {
        assertThat(RouteTest.everyPlan()
                        .filter(p -> !p.job().neverInked())
                        .filter(p -> Uncapped.of(
                                                p.plan().procedure().startState(),
                                                p.plan().procedure().steps())
                                        .bare()
                                > Uncapped.limit(
                                        Uncapped.BARE_LIMIT, EnumSet.of(p.job().family(), Family.MAKERS_PIGMENT), 1)))
                .isEmpty();
    }

    @ParameterizedTest
    @FieldSource("PROFILES")
    void everyTreatmentIsAWholeCard(Profile profile) {
        for (var treatment : Treatment.values()) {
            boolean there = treatment != Treatment.RENEW
                    && (treatment != Treatment.FLUSH_LINE
                            || profile.channels().getFirst().has(VesselKind.TUBE))
                    && (treatment != Treatment.DRAW_AT_WASTE_LINE
                            || profile.handling().wasteLines() != WasteLines.NONE);
            if (there) {
                var card = TreatmentCard.of(treatment, profile.codes().subList(0, 2), profile, profile.built());
                assertThat(LiteralHand.carryOut(profile, profile, LiteralHand.Start.running(profile), card.steps()))
                        .as("%s on a %s", treatment, profile.name())
                        .isEmpty();
            }
        }
    }

    @ParameterizedTest
    @FieldSource("PROFILES")
    void everyBenchWorkIsAWholeCard(Profile profile) {
        for (var work : BenchWork.values()) {
            var family = profile.built() == Family.FILM ? Family.FILM : Family.SUBLIMATION;
            if (work != BenchWork.ROUTINE && work.concerns(profile, family)) {
                var card = BenchCard.of(work, work.channels(profile), profile, family);
                assertThat(LiteralHand.carryOut(profile, profile, LiteralHand.Start.running(profile), card.steps()))
                        .as("%s on a %s", work, profile.name())
                        .isEmpty();
            }
        }
    }

    @ParameterizedTest
    @FieldSource("PROFILES")
    void everyRoutineIsAWholeCard(Profile profile) {
        var family = profile.built() == Family.FILM ? Family.FILM : Family.SUBLIMATION;
        for (var routine : Routines.of(profile, family)) {
            var channels = routine.scope() == Routine.Scope.MACHINE
                    ? List.<ChannelCode>of()
                    : profile.codes().stream()
                            .filter(c -> routine.scope() != Routine.Scope.WHITE || c.white())
                            .toList();
            assertThat(LiteralHand.carryOut(
                            profile,
                            profile,
                            LiteralHand.Start.running(profile),
                            BenchCard.of(routine, channels, profile, family).steps()))
                    .as("%s on a %s", routine.id(), profile.name())
                    .isEmpty();
        }
    }

    /** What is spoiled in a good plan is found out, wherever it can be spoiled so. */
    @ParameterizedTest
    @EnumSource
    void everyMutationIsCaught(Mutation mutation) {
        int tried = 0;
        var missed = new ArrayList<String>();
        for (var p : ONE_OF_EACH) {
            var spoiled = mutation.of(p.plan().procedure().steps());
            var handling = p.job().profile().handling();
            boolean meant = switch (mutation) {
                case A_SCREEN_THAT_IS_NOT_THERE -> !handling.panel().screen();
                case NOT_UNPLUGGED ->
                    handling.freeing().underPower() || !p.job().neverInked(); // else no cord is in
                default -> true;
            };
            if (meant && spoiled.isPresent()) {
                tried++;
                if (faults(p, spoiled.get()).isEmpty()) {
                    missed.add(p.toString());
                }
            }
        }
        assertThat(missed).isEmpty();
        assertThat(tried).as("plans that can be spoiled so").isPositive();
    }

    /** The longest plan of each route on each class of machine, inked and new. */
    private static final List<RouteTest.Planned> ONE_OF_EACH = oneOfEach();

    private static List<RouteTest.Planned> oneOfEach() {
        var longest = new LinkedHashMap<String, RouteTest.Planned>();
        Function<RouteTest.Planned, Integer> length =
                p -> p.plan().procedure().steps().size();
        RouteTest.everyPlan()
                .forEach(p -> longest.merge(
                        p.plan().route()
                                + p.job().profile().id()
                                + p.job().profile().architecture()
                                + p.job().neverInked(),
                        p,
                        (a, b) -> length.apply(b) > length.apply(a) ? b : a));
        return List.copyOf(longest.values());
    }

    private static List<LiteralHand.Fault> faults(RouteTest.Planned planned, List<Step> steps) {
        var job = planned.job();
        return LiteralHand.carryOut(
                job.profile(), job.built().fitted(planned.plan().fit()), LiteralHand.Start.of(job), steps);
    }

    @Test
    void aGoodPlanStaysGoodUnderEveryWayOfFreeingItsCarriage() {
        var profile = Profiles.named("small-tank");
        Stream.of(fairkettle.machine.CarriageFreeing.values()).forEach(way -> {
            var other = profile.handled(profile.handling().freed(way));
            var card = TreatmentCard.of(Treatment.WIPE, other.codes(), other, Family.SUBLIMATION);
            assertThat(LiteralHand.carryOut(other, other, LiteralHand.Start.running(other), card.steps()).stream()
                            .filter(f -> !f.words().contains("no menu")) // keys and lamps alone have none
                            .toList())
                    .as(way.name())
                    .isEmpty();
        });
    }
}
