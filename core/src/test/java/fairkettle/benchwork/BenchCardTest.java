package fairkettle.benchwork;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Architecture;
import fairkettle.machine.BulkKit;
import fairkettle.machine.Feed;
import fairkettle.machine.Fit;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Condition;
import fairkettle.procedure.Facet;
import fairkettle.procedure.MachineState;
import fairkettle.procedure.Move;
import fairkettle.procedure.RouteProof;
import fairkettle.procedure.Step;
import fairkettle.routine.Routines;
import fairkettle.safety.Caution;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.EnumSource.Mode;

class BenchCardTest {

    private static final Profile FILM = Profiles.ALL.stream()
            .filter(p ->
                    p.architecture() == Architecture.FILM && p.codes().stream().anyMatch(ChannelCode::white))
            .findFirst()
            .orElseThrow();

    private static List<ChannelCode> whites() {
        return FILM.codes().stream().filter(ChannelCode::white).toList();
    }

    @ParameterizedTest
    @EnumSource(mode = Mode.EXCLUDE, names = "ROUTINE")
    void everyWorkHoldsWithEveryAnswerOnEveryMachineItConcerns(BenchWork work) {
        for (var profile : Profiles.ALL) {
            for (var family : Family.values()) {
                if (work.concerns(profile, family)) {
                    var procedure = BenchCard.of(work, work.channels(profile), profile, family);
                    assertThat(RouteProof.violations(procedure))
                            .as("%s on %s", work, profile.name())
                            .isEmpty();
                    assertThat(procedure.steps())
                            .allSatisfy(s -> assertThat(s.say()).isNotBlank());
                    assertThat(state(procedure.steps()))
                            .as("%s leaves the power on", work)
                            .isEqualTo("on");
                }
            }
        }
    }

    @Test
    void everyRoutineOfEveryMachineHasACardThatFulfilsIt() {
        for (var profile : Profiles.ALL) {
            for (var family : Family.values()) {
                for (var routine : Routines.of(profile, family)) {
                    var channels = routine.scope() == fairkettle.routine.Routine.Scope.MACHINE
                            ? List.<ChannelCode>of()
                            : profile.codes();
                    var procedure = BenchCard.of(routine, channels, profile, family);
                    assertThat(RouteProof.violations(procedure))
                            .as("%s on %s", routine.id(), profile.name())
                            .isEmpty();
                    assertThat(procedure.steps())
                            .as(routine.id())
                            .anyMatch(s -> s.fulfils().contains(routine.id()));
                    if (routine.cautions().contains(Caution.ELECTRICITY)) {
                        assertThat(procedure.steps().getFirst().effects().toString()
                                        + procedure.steps().get(1).effects())
                                .contains("unplugged");
                    }
                }
            }
        }
    }

    private static String state(List<Step> steps) {
        return steps.stream()
                .flatMap(s -> s.effects().stream())
                .filter(e -> e.facet() == Facet.POWER)
                .reduce((_, b) -> b)
                .map(e -> e.value())
                .orElse("on");
    }

    @Test
    void whiteIsPushedHomeBeforeFluidIsUsedAndBothBottlesAreSwappedTwice() {
        var steps = LineFlush.steps(whites(), FILM, Family.FILM);
        var ids = steps.stream().map(Step::id).toList();
        assertThat(ids)
                .containsSubsequence(
                        "lower", "which", "home", "swap", "fluid", "clear", "swap-back", "damper", "prime", "loop");
        assertThat(steps.get(ids.indexOf("home")).move()).isInstanceOf(Move.DrawBack.class);
        assertThat(steps.get(ids.indexOf("fluid")).move()).isInstanceOf(Move.Rinse.class);
        assertThat(steps.get(ids.indexOf("swap")).hold()).isNotNull();
        assertThat(steps.get(ids.indexOf("swap-back")).hold()).contains("shaken");
    }

    @Test
    void soManyLinesTakeSoManyTimesFluidMinutesAndDampers() {
        var one = LineFlush.steps(whites().subList(0, 1), FILM, Family.FILM);
        var two = LineFlush.steps(whites(), FILM, Family.FILM);
        assertThat(LineFlush.fluid(4)).isEqualTo(Millilitres.parse("120"));
        assertThat(poured(two)).isEqualTo(poured(one) * whites().size());
        assertThat(minutes(two)).isGreaterThan(minutes(one));
    }

    private static double poured(List<Step> steps) {
        return steps.stream()
                .filter(s -> s.move() instanceof Move.Rinse)
                .flatMap(s -> ((Ask.Grid) s.ask()).columns().stream())
                .flatMap(c -> c.expected().stream())
                .mapToDouble(Millilitres::mL)
                .sum();
    }

    private static int minutes(List<Step> steps) {
        return steps.stream().mapToInt(Step::minutes).sum();
    }

    @Test
    void noBeltAndNoPartIsNamedBeforeTheRailIsDone() {
        var steps = BenchCard.of(BenchWork.POSITION_FAULT, List.of(), FILM, Family.FILM)
                .steps();
        assertThat(steps.stream().map(Step::id))
                .containsSubsequence("rail", "strip", "wheel", "sensor", "tried")
                .doesNotContain("belt", "parts");
        var still = steps.stream()
                .filter(s -> s.id().equals("tried"))
                .findFirst()
                .orElseThrow()
                .branches()
                .getFirst();
        assertThat(still.steps().stream().map(Step::id)).containsSubsequence("belt", "parts");
    }

    @Test
    void whiteIsWokenFirstAndGetsMoreMinutesThanAnyColour() {
        var steps =
                BenchCard.of(BenchWork.WHITE_START, whites(), FILM, Family.FILM).steps();
        var ids = steps.stream().map(Step::id).toList();
        assertThat(ids)
                .containsSubsequence(
                        "wipe", "shake", "pull", "flow", "colours", "tubes-back", "bubbles", "look", "white-block");
        int colours = (int) FILM.codes().stream().filter(c -> !c.white()).count();
        assertThat(steps.get(ids.indexOf("pull")).minutes() / whites().size())
                .isGreaterThan(steps.get(ids.indexOf("colours")).minutes() / colours);
    }

    @Test
    void bothBanksOfADualHeadAreAskedForApart() {
        var asks = BenchCard.of(BenchWork.UNDER_HEADS, List.of(), FILM, Family.FILM).steps().stream()
                .map(Step::ask)
                .filter(a -> a instanceof Ask.Each)
                .map(a -> ((Ask.Each) a).items())
                .toList();
        assertThat(asks).contains(List.of("white side", "colour side"));
    }

    @Test
    void whatIsKnownOfAMachineIsToldAtTheFirstStepItConcerns() {
        var told = BenchCard.of(BenchWork.POSITION_FAULT, List.of(), FILM, Family.FILM)
                .reminding(Map.of(Facet.COVERS, "Known here: a clip is gone.", Facet.TANK_CAP, "not met"));
        assertThat(told.steps().stream()
                        .filter(s -> s.say().contains("a clip is gone"))
                        .map(Step::id))
                .containsExactly("on");
        assertThat(told.steps()).noneMatch(s -> s.say().contains("not met"));
        assertThat(Arrays.asList(BenchWork.values()))
                .allSatisfy(w -> assertThat(w.title()).isNotBlank());
    }

    @Test
    void howTheSpitPadIsFoundSaysWhatIsDoneAboutIt() {
        var routine = Routines.of(FILM, Family.FILM).stream()
                .filter(r -> r.id().equals("spit-pad"))
                .findFirst()
                .orElseThrow();
        var work = BenchCard.of(routine, List.of(), FILM, Family.FILM).steps().stream()
                .filter(s -> s.id().equals("work"))
                .findFirst()
                .orElseThrow();
        assertThat(work.ask()).isEqualTo(new Ask.Choice("The pad is", List.of("moist, and nothing stands on it")));
        assertThat(work.branches())
                .extracting(b -> b.steps().getFirst().title())
                .containsExactly("Moisten it", "Lift the cake off, or change the pad", "Put one in");
        assertThat(work.needs()).as("no hand goes in under power").contains(Condition.that(Facet.POWER, "unplugged"));
    }

    /** Bulk feeds are shut for the way and opened in the reverse order; nothing stays shut under power. */
    @ParameterizedTest
    @EnumSource(BulkKit.Usual.class)
    void whatIsShutForTheWayIsOpenedAgain(BulkKit.Usual kit) {
        var cartridges = Profiles.named("wide-cartridge-four");
        var profile = cartridges.fitted(Fit.asBuilt(cartridges).fedBy(Feed.BULK));
        profile = profile.handled(profile.handling().fed(kit.kit()));
        var steps = BenchCard.of(BenchWork.TRANSIT, List.of(), profile, Family.SUBLIMATION)
                .steps();
        assertThat(steps)
                .extracting(Step::id)
                .containsSubsequence("off", "shut", "carry", "rehang", "vents-open", "on");
        var state = MachineState.USUAL;
        for (var step : steps) {
            state = state.with(step.effects());
        }
        assertThat(state.value(Facet.VALVE, null)).isEqualTo("open");
        for (var code : profile.codes()) {
            assertThat(state.value(Facet.VENT, code)).isEqualTo("open");
        }
    }

    /** The bay’s filters lie behind every line: only who flushes all of them has cleaned them. */
    @Test
    void aWholeFlushCleansTheBayFiltersAndAFlushOfWhiteDoesNot() {
        assertThat(BenchCard.of(BenchWork.WHOLE_FLUSH, FILM.codes(), FILM, Family.FILM)
                        .steps())
                .anyMatch(s -> s.fulfils().contains("bay-filter"));
        assertThat(BenchCard.of(BenchWork.LINE_FLUSH, whites(), FILM, Family.FILM)
                        .steps())
                .noneMatch(s -> s.fulfils().contains("bay-filter"));
    }

    @Test
    void bubblesAreDrawnFromWhatStandsBelowARaisedBottleAlone() {
        var garment = Profiles.named("garment");
        assertThat(Profiles.ALL)
                .filteredOn(p -> BenchWork.BUBBLES.concerns(p, Family.FILM))
                .containsExactly(garment);
        var one = List.of(garment.codes().getFirst());
        var steps = BenchCard.of(BenchWork.BUBBLES, one, garment, Family.FILM).steps();
        assertThat(steps)
                .extracting(Step::id)
                .containsSubsequence("off", "lower", "off-inlet", "pull", "on-inlet", "raise", "on", "look");
        assertThat(steps)
                .filteredOn(s -> s.id().equals("pull"))
                .singleElement()
                .satisfies(s -> assertThat(s.move())
                        .as("it goes back where it came from: the account knows of no movement")
                        .isInstanceOf(Move.Nothing.class));
    }

    /** Switched off by its key it has nothing to complain of; freed by its cord it has. */
    @Test
    void whatAMachineSaysAtItsNextStartDependsOnHowItWasSwitchedOff() {
        var said = FILM.handling().freeing().nextStart();
        assertThat(said).isNotBlank();
        assertThat(on(BenchWork.LINE_FLUSH, whites()).say()).doesNotContain(said);
        assertThat(on(BenchWork.UNDER_HEADS, List.of()).say()).contains(said);
    }

    private static Step on(BenchWork work, List<ChannelCode> channels) {
        return BenchCard.of(work, channels, FILM, Family.FILM).steps().stream()
                .filter(s -> s.id().equals("on"))
                .findFirst()
                .orElseThrow();
    }
}
