package fairkettle.changeover;

import static fairkettle.changeover.Shops.planned;
import static fairkettle.changeover.Shops.terms;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Chips;
import fairkettle.machine.Feed;
import fairkettle.machine.Fit;
import fairkettle.machine.Profiles;
import fairkettle.machine.Supply;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Move;
import fairkettle.procedure.RouteProof;
import fairkettle.procedure.Step;
import fairkettle.safety.School;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Every route on every machine that has it: proved, carried out, and held to the order that its steps need. */
class RouteTest {

    private static final Holding DYE = new Holding.Inked(Family.MAKERS_DYE, "own", false);

    @ParameterizedTest(name = "{0} holding {1}, to {2}: {3}")
    @CsvSource(textBlock = """
        # profile,            holds,       becomes,      route
        small-tank,           never,       SUBLIMATION,  FIRST_FILL
        small-tank,           MAKERS_DYE,  SUBLIMATION,  DRAIN_AND_SWAP
        small-tank,           SUBLIMATION, MAKERS_DYE,   GO_BACK
        small-tank,           never,       EDIBLE,       EDIBLE_START
        six-ink-tank,         MAKERS_DYE,  FILM,         FILM_REBUILD
        small-cartridge,      never,       SUBLIMATION,  REFILLABLES
        small-cartridge,      never,       MAKERS_DYE,   FIRST_FILL
        wide-cartridge-four,  MAKERS_DYE,  SUBLIMATION,  REFILLABLES
        wide-cartridge-six,   MAKERS_DYE,  FILM,         FILM_REBUILD
        wide-cartridge-six,   SUBLIMATION, MAKERS_DYE,   GO_BACK
        small-cartridge,      never,       EDIBLE,       EDIBLE_START
        film-rebuilt,         never,       FILM,         FIRST_FILL
        film-dual-head,       FILM,        SUBLIMATION,  DRAIN_AND_SWAP
        snap-in-head,         never,       EDIBLE,       EDIBLE_START
        snap-in-head,         MAKERS_DYE,  SUBLIMATION,  DRAIN_AND_SWAP
        """)
    void eachMachineHasItsRoute(String profile, String holds, Family family, Route route) {
        var holding =
                holds.equals("never") ? Holding.neverInked() : new Holding.Inked(Family.valueOf(holds), "own", false);
        assertThat(planned(Planner.plan(Shops.job(Profiles.named(profile), holding, family, 0.005), terms(Map.of())))
                        .route())
                .isEqualTo(route);
    }

    @ParameterizedTest(name = "{0} to {1}: {2}")
    @CsvSource(textBlock = """
        small-tank,     FILM,    'It has 4 slots, and film needs four colours and at least one white.'
        snap-in-head,   FILM,    'Snap-in heads do not carry film ink, and there is no slot for white.'
        """)
    void routesThatDoNotExistAreRefusedWithTheirReason(String profile, Family family, String reason) {
        assertThat(Planner.plan(Shops.job(Profiles.named(profile), DYE, family, 0.005), terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class, no -> assertThat(no.reason()).isEqualTo(reason));
    }

    @Test
    void aBulkFeedIsWishedFor() {
        var wish = Wish.change(Family.SUBLIMATION, "own", 0.005);
        var profile = Profiles.named("wide-cartridge-four");
        var usual = planned(Planner.plan(Shops.job(profile, DYE, Family.SUBLIMATION, 0.005), terms(Map.of())));
        assertThat(usual.others()).containsExactly(Route.BULK_FEED);
        var bulk = planned(
                Planner.plan(Shops.job(profile, Fit.asBuilt(profile), DYE, wish.by(Route.BULK_FEED)), terms(Map.of())));
        assertThat(bulk.fit().feed()).isEqualTo(Feed.BULK);
        assertThat(bulk.needs()).extracting(Plan.Need::what).contains(Supply.BULK_KIT);
        assertThat(Planner.plan(
                        Shops.job(Profiles.named("small-tank"), DYE, Family.SUBLIMATION, 0.005)
                                .wishing(wish.by(Route.BULK_FEED)),
                        terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class, no -> assertThat(no.reason()).contains("cartridge machine"));
    }

    @Test
    void theSameInkIsFedAnotherWayAndThatEndsTheWarrantyToo() {
        var profile = Profiles.named("small-cartridge");
        var wish = Wish.change(Family.MAKERS_DYE, "own", 0.02);
        assertThat(Planner.plan(Shops.job(profile, Fit.asBuilt(profile), DYE, wish), terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class,
                        no -> assertThat(no.instead())
                                .contains("To feed it another way", "refillable cartridges", "bulk feed"));
        var plan = planned(Planner.plan(
                Shops.job(profile, Fit.asBuilt(profile), DYE, wish.by(Route.REFILLABLES)), terms(Map.of())));
        assertThat(plan.fit().feed()).isEqualTo(Feed.REFILLABLE);
        assertThat(plan.channels()).noneMatch(c -> c.doing() == ChannelPlan.Doing.KEEP);
        assertThat(plan.acknowledgements()).isNotEmpty();
        assertThat(ids(plan)).contains("warranty", "click-in");
    }

    @Test
    void lightSlotsBecomeWhite() {
        var plan = planned(
                Planner.plan(Shops.job(Profiles.named("six-ink-tank"), DYE, Family.FILM, 0.005), terms(Map.of())));
        assertThat(plan.channels()).extracting(c -> c.before() + ">" + c.code()).contains("LC>W1", "LM>W2", "K>K");
        assertThat(plan.channels())
                .filteredOn(c -> c.code().white())
                .allSatisfy(c -> assertThat(c.residue()).isLessThanOrEqualTo(Purity.BEFORE_WHITE));
    }

    @Test
    void oneWhiteAndALightSlotOnFluid() {
        var profile = Profiles.named("six-ink-tank");
        var wish = Wish.change(Family.FILM, "own", 0.005)
                .slots(Map.of(ChannelCode.of("LM"), ChannelCode.of("W1")), Set.of(ChannelCode.of("LC")));
        var plan = planned(Planner.plan(Shops.job(profile, Fit.asBuilt(profile), DYE, wish), terms(Map.of())));
        assertThat(plan.channels())
                .filteredOn(c -> c.doing() == ChannelPlan.Doing.ON_FLUID)
                .extracting(ChannelPlan::before)
                .containsExactly(ChannelCode.of("LC"));
        assertThat(plan.channels())
                .filteredOn(c -> c.doing() == ChannelPlan.Doing.ON_FLUID)
                .allSatisfy(c -> {
                    assertThat(c.needed().isZero()).isTrue();
                    assertThat(c.rests().isZero()).isFalse();
                });
    }

    @Test
    void aMachineWithOneChannelRightAlreadyOnlyDrainsTheOthers() {
        var profile = Profiles.named("small-tank");
        var job = Shops.job(profile, DYE, Family.SUBLIMATION, 0.005);
        var channels = new java.util.HashMap<>(job.channels());
        channels.computeIfPresent(
                ChannelCode.of("K"),
                (_, now) -> new Job.Now(new Holding.Inked(Family.SUBLIMATION, "own", false), now.levels()));
        var plan = planned(Planner.plan(
                new Job(profile, job.fit(), channels, job.wish(), job.padUsed(), false, Stock.NONE), terms(Map.of())));
        assertThat(plan.channels().getFirst().doing()).isEqualTo(ChannelPlan.Doing.KEEP);
        assertThat(plan.channels().getFirst().pulls().volume().isZero()).isTrue();
        assertThat(plan.procedure().steps())
                .extracting(Step::id)
                .contains("fill-C")
                .doesNotContain("fill-K");
        assertThat(RouteProof.violations(plan.procedure())).isEmpty();
    }

    @Test
    void aNeverHoldsForASlotLeftOnFluidToo() {
        var profile = Profiles.named("small-tank");
        var job = Shops.job(
                profile,
                Fit.asBuilt(profile),
                new Holding.Inked(Family.EDIBLE, "other", true),
                Wish.change(Family.EDIBLE, "own", 0.005).slots(Map.of(), Set.of(ChannelCode.of("K"))));
        var channels = new java.util.HashMap<>(job.channels());
        channels.computeIfPresent(ChannelCode.of("K"), (_, now) -> new Job.Now(DYE, now.levels()));
        assertThat(Planner.plan(
                        new Job(profile, job.fit(), channels, job.wish(), job.padUsed(), false, Stock.NONE),
                        terms(Map.of())))
                .isInstanceOf(Answer.Refused.class);
    }

    @ParameterizedTest
    @EnumSource(
            value = Purpose.class,
            names = {"RENEW", "PARK"})
    void differentInksAreNeitherRenewedNorParkedAsOne(Purpose purpose) {
        var profile = Profiles.named("small-tank");
        var job = Shops.job(
                profile,
                Fit.asBuilt(profile),
                DYE,
                Wish.change(Family.MAKERS_DYE, "own", 0.02).purpose(purpose));
        var channels = new java.util.HashMap<>(job.channels());
        channels.computeIfPresent(
                ChannelCode.of("K"),
                (_, now) -> new Job.Now(new Holding.Inked(Family.MAKERS_PIGMENT, "own", false), now.levels()));
        assertThat(Planner.plan(
                        new Job(profile, job.fit(), channels, job.wish(), job.padUsed(), false, Stock.NONE),
                        terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class, no -> assertThat(no.reason()).contains("maker's dye, maker's pigment"));
    }

    @Test
    void whatIsParkedOrRenewedIsWhatItHolds() {
        var profile = Profiles.named("film-rebuilt");
        var film = List.<Holding>of(new Holding.Inked(Family.FILM, "ours", false));
        assertThat(Wish.of(Purpose.PARK, Family.SUBLIMATION, "theirs", null, profile, film))
                .extracting(Wish::family, Wish::make)
                .containsExactly(Family.FILM, "ours");
        assertThat(Wish.of(Purpose.CHANGE, Family.SUBLIMATION, "theirs", null, profile, film))
                .extracting(Wish::family, Wish::make)
                .containsExactly(Family.SUBLIMATION, "theirs");
        assertThat(Wish.of(Purpose.RENEW, null, null, null, profile, film).purity())
                .isEqualTo(Purity.SAME_FAMILY);
        assertThat(Wish.of(Purpose.CHANGE, null, null, null, profile, List.of(Holding.neverInked()))
                        .family())
                .isEqualTo(profile.built());
    }

    @Test
    void firmwareAndFoodExcludeEachOther() {
        var profile = Profiles.named("small-cartridge");
        var job = Shops.job(
                profile,
                Fit.asBuilt(profile),
                Holding.neverInked(),
                Wish.change(Family.EDIBLE, "own", 0.005).chips(Chips.IGNORED));
        assertThat(Planner.plan(job, terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class, no -> assertThat(no.reason()).contains("is not food"));
    }

    private static final List<Job> JOBS = Shops.everyJob().toList();
    private static final List<Planned> EVERY_PLAN = plans().toList();

    static Stream<Planned> everyPlan() {
        return EVERY_PLAN.stream();
    }

    private static Stream<Planned> plans() {
        return JOBS.stream()
                .flatMap(job -> Planner.plan(job, terms(Map.of())) instanceof Answer.Planned(var plan)
                        ? Stream.of(new Planned(job, plan))
                        : Stream.empty());
    }

    record Planned(Job job, Plan plan) {
        @Override
        public String toString() {
            return "%s, %s, %s to %s".formatted(plan.route(), job.profile().name(), plan.from(), plan.to());
        }
    }

    @Test
    void everyRouteIsThereAndProvedWithEveryAnswer() {
        var found = new EnumMap<Route, Integer>(Route.class);
        everyPlan().forEach(p -> found.merge(p.plan().route(), 1, Integer::sum));
        everyPlan().parallel().forEach(p -> {
            assertThat(RouteProof.violations(p.plan().procedure())).as("%s", p).isEmpty();
        });
        assertThat(found).containsOnlyKeys(Route.values());
    }

    @ParameterizedTest
    @EnumSource
    void everySchoolIsProvedToo(School school) {
        var jobs = everyPlan()
                .collect(Collectors.toMap(
                        p -> p.plan().route()
                                + p.job().profile().architecture().name()
                                + p.job().family(),
                        p -> p,
                        (a, _) -> a))
                .values();
        for (var position : school.positions()) {
            for (var each : jobs) {
                if (Planner.plan(each.job(), terms(Map.of(school, position.id())))
                        instanceof Answer.Planned(var plan)) {
                    assertThat(RouteProof.violations(plan.procedure()))
                            .as("%s with %s", each, position.label())
                            .isEmpty();
                }
            }
        }
    }

    @Test
    void anAutomaticHandCarriesEveryPlanOutAndNoInkIsLost() {
        var plans = everyPlan().toList();
        var first = everyPlan()
                .collect(Collectors.toMap(p -> p.plan().route(), p -> p, (one, _) -> one))
                .values();
        // every plan once, as planned or with all its branches in turn, and one of each route both ways
        IntStream.range(0, plans.size()).parallel().forEach(i -> isCarriedOut(plans.get(i), i % 2 == 0));
        first.parallelStream().forEach(p -> {
            isCarriedOut(p, false);
            isCarriedOut(p, true);
        });
    }

    private static void isCarriedOut(Planned p, boolean branches) {
        var hand = new AutomaticHand(p.job(), p.plan(), branches);
        assertThat(hand.carryOut().finished()).as("%s", p).isTrue();
        assertThat(hand.unbalanced()).as("%s: substances lost or won", p).isEmpty();
        assertThat(hand.overfull()).as("%s: vessels over capacity", p).isEmpty();
        assertThat(hand.oldInkShare(p.plan()))
                .as("%s: the old ink left by the account", p)
                .isLessThan(0.02);
    }

    @ParameterizedTest
    @EnumSource
    void swappingDependentStepsBreaksTheProof(Route route) {
        var plan = everyPlan()
                .filter(p -> p.plan().route() == route)
                .max(java.util.Comparator.comparingInt(
                        p -> p.plan().procedure().steps().size()))
                .orElseThrow()
                .plan();
        var dependencies = RouteProof.dependencies(plan.procedure());
        assertThat(dependencies).hasSizeGreaterThan(10);
        assertThat(dependencies)
                .allSatisfy(d -> assertThat(
                                RouteProof.violations(RouteProof.moved(plan.procedure(), d.later(), d.earlier())))
                        .as("%s", d)
                        .isNotEmpty());
    }

    /** The orders that cost most when they are not kept, as pairs of steps. */
    @ParameterizedTest(name = "{0}: {1} before {2}")
    @CsvSource(textBlock = """
        BULK_FEED,      vents-open,        power-again
        BULK_FEED,      shut,              hang
        BULK_FEED,      priming-second,    filling-chamber
        BULK_FEED,      mark-ribbon,       inline
        BULK_FEED,      position,          mark-ribbon
        REFILLABLES,    old-stored,        click-in
        REFILLABLES,    syringes,          prime
        REFILLABLES,    fw-decline,        fw-activate
        REFILLABLES,    fw-code,           chips
        REFILLABLES,    known-good,        fw-source
        RENEW_BULK,     syringes,          empty-K
        RENEW_BULK,     threads,           vents-free
        RENEW_BULK,     back-shut,         hang
        FILM_REBUILD,   head-in,           seal
        FILM_REBUILD,   sealant,           seal
        FILM_REBUILD,   bar-back,          rollers-off
        FILM_REBUILD,   waste-bottle,      charge
        FILM_REBUILD,   shake-W1,          fill-W1
        DRAIN_AND_SWAP, caps-open,         tubes-off
        DRAIN_AND_SWAP, confirm-full,      charge
        EDIBLE_START,   food-rules,        surfaces
        """)
    void theOrderIsEnforced(Route route, String first, String second) {
        var wish = terms(Map.of(School.HEAD_OUT, "seal"));
        var plan = JOBS.stream()
                .filter(j ->
                        route != Route.REFILLABLES || j.neverInked() && j.wish().chips() == Chips.IGNORED)
                .map(j -> Planner.plan(j, wish))
                .filter(Answer.Planned.class::isInstance)
                .map(a -> ((Answer.Planned) a).plan())
                .filter(p -> p.route() == route && ids(p).containsAll(List.of(first, second)))
                .findFirst()
                .orElseThrow();
        assertThat(ids(plan)).containsSubsequence(first, second);
        assertThat(RouteProof.violations(RouteProof.moved(plan.procedure(), second, first)))
                .isNotEmpty();
    }

    private static List<String> ids(Plan plan) {
        return plan.procedure().steps().stream().map(Step::id).toList();
    }

    @Test
    void stepsOfOtherChannelsNeverMixSyringes() {
        everyPlan()
                .forEach(p -> p.plan().procedure().steps().stream()
                        .filter(s -> s.move() instanceof fairkettle.procedure.Move.Draw && s.id().startsWith("empty-"))
                        .forEach(s ->
                                assertThat(s.needs()).anyMatch(n -> n.facet() == fairkettle.procedure.Facet.SYRINGE)));
    }

    @Test
    void theOtherSchoolsAreComparedInStepsMillilitresMinutesAndMoney() {
        var job = Shops.job(Profiles.named("wide-tank"), DYE, Family.SUBLIMATION, 0.005);
        var followed = Planner.schools(job, terms(Map.of()), planned(Planner.plan(job, terms(Map.of()))));
        assertThat(followed)
                .extracting(Followed::school)
                .contains(School.RINSE_WITH, School.WAIT_AFTER_POWER_CLEANING, School.CARRIAGE)
                .doesNotContain(School.TANK_HEIGHT);
        assertThat(followed)
                .filteredOn(f -> f.school() == School.RINSE_WITH)
                .first()
                .satisfies(f -> {
                    var ink = f.others().getFirst();
                    assertThat(ink.cost()).isNotNull();
                    assertThat(ink.liquid()).isNotZero();
                });
    }

    @Test
    void oneSpoiledChannelIsRenewedAloneWhereTheShopSaysSo() {
        var profile = Profiles.named("wide-cartridge-four");
        var bulk = Fit.asBuilt(profile).fedBy(Feed.BULK).chipped(Chips.AUTO_RESET);
        var job = Shops.job(
                profile,
                bulk,
                new Holding.Inked(Family.SUBLIMATION, "own", false),
                Wish.of(
                        Purpose.RENEW,
                        null,
                        null,
                        0.005,
                        profile,
                        List.of(new Holding.Inked(Family.SUBLIMATION, "own", false))));
        var threads = step(planned(Planner.plan(job, terms(Map.of(School.ONE_OR_ALL, "one")))), "threads");
        assertThat(threads.branches())
                .extracting(b -> b.label())
                .containsExactly(
                        "A thread or a lump in K",
                        "A thread or a lump in C",
                        "A thread or a lump in M",
                        "A thread or a lump in Y");
        var cyan = threads.branches().get(1).steps();
        assertThat(cyan.getFirst().ask())
                .as("leaving the others in wants a reason")
                .isEqualTo(new Ask.Words("why only C"));
        assertThat(cyan.get(1).move())
                .isEqualTo(new Move.Spoil("growth found on the needle", List.of(ChannelCode.of("C"))));
        assertThat(step(planned(Planner.plan(job, terms(Map.of()))), "threads").branches())
                .singleElement()
                .satisfies(b -> assertThat(b.id()).isEqualTo("growth"));
    }

    private static Step step(Plan plan, String id) {
        return plan.procedure().steps().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .orElseThrow();
    }
}
