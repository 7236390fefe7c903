package fairkettle.changeover;

import static fairkettle.changeover.Shops.planned;
import static fairkettle.changeover.Shops.terms;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Money;
import fairkettle.machine.Chips;
import fairkettle.machine.Fit;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.Supply;
import fairkettle.safety.School;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a changeover costs and saves, what it needs, and what standing idle costs. */
class MoneyTest {

    private static final Holding DYE = new Holding.Inked(Family.MAKERS_DYE, "own", false);
    private static final Holding SUBLIMATION = new Holding.Inked(Family.SUBLIMATION, "own", false);
    private static final Holding FILM = new Holding.Inked(Family.FILM, "own", false);

    private static Plan plan(String profile, Holding holding, Family family) {
        return planned(Planner.plan(Shops.job(Profiles.named(profile), holding, family, 0.005), terms(Map.of())));
    }

    private static int count(Plan plan, Supply what) {
        return plan.needs().stream()
                .filter(n -> n.what() == what)
                .mapToInt(Plan.Need::count)
                .sum();
    }

    @Test
    void itPaysForItselfAfterSoManySheets() {
        var plan = plan("wide-tank", DYE, Family.SUBLIMATION);
        var saved =
                plan.payback().oldSheet().minor() - plan.payback().newSheet().minor();
        assertThat(saved).isPositive();
        assertThat(plan.payback().sheets())
                .isBetween(plan.total().minor() / (saved + 1), plan.total().minor() / Math.max(1, saved - 1));
    }

    @Test
    void theWayBackNeverPaysForItselfInInk() {
        assertThat(plan("wide-tank", SUBLIMATION, Family.MAKERS_DYE).payback().sheets())
                .isNull();
    }

    @ParameterizedTest(name = "{0} to {1} needs {3} × {2}")
    @CsvSource(textBlock = """
        wide-tank,           SUBLIMATION, SYRINGE,         4
        wide-tank,           SUBLIMATION, REFILLABLE,      0
        six-ink-tank,        SUBLIMATION, SYRINGE,         6
        small-cartridge,     SUBLIMATION, REFILLABLE,      4
        wide-cartridge-six,  SUBLIMATION, REFILLABLE,      6
        wide-cartridge-six,  SUBLIMATION, CAPS_AND_PLUGS,  6
        six-ink-tank,        FILM,        WHITE_LINE,      2
        six-ink-tank,        FILM,        DAMPER,          6
        six-ink-tank,        FILM,        FILM_TANKS,      0
        wide-cartridge-six,  FILM,        FILM_TANKS,      1
        wide-cartridge-six,  FILM,        DUST_MASK,       1
        """)
    void theKitFollowsTheRouteAndTheChannels(String profile, Family family, Supply what, int count) {
        assertThat(count(plan(profile, DYE, family), what)).isEqualTo(count);
    }

    @Test
    void filmInkComesOutOnlyWithANewHead() {
        var plan = plan("film-dual-head", FILM, Family.SUBLIMATION);
        assertThat(count(plan, Supply.HEAD)).isEqualTo(1);
        assertThat(plan.cost()).anySatisfy(line -> assertThat(line.basis()).contains("new head"));
        assertThat(plan.channels())
                .filteredOn(c -> c.code().white())
                .allSatisfy(c -> assertThat(c.doing()).isEqualTo(ChannelPlan.Doing.ON_FLUID));
    }

    @Test
    void theKeyIsBoughtOnceForAMachine() {
        var profile = Profiles.named("small-cartridge");
        var wish = Wish.change(Family.SUBLIMATION, "own", 0.005).chips(Chips.IGNORED);
        var first = planned(
                Planner.plan(Shops.job(profile, Fit.asBuilt(profile), Holding.neverInked(), wish), terms(Map.of())));
        var again = planned(Planner.plan(
                Shops.job(profile, Fit.asBuilt(profile).chipped(Chips.IGNORED), DYE, wish), terms(Map.of())));
        assertThat(count(first, Supply.FIRMWARE_KEY)).isEqualTo(1);
        assertThat(count(again, Supply.FIRMWARE_KEY)).isZero();
        assertThat(again.procedure().steps()).noneMatch(s -> s.id().startsWith("fw-"));
    }

    @Test
    void theShopsOwnPriceCounts() {
        var terms = terms(Map.of());
        var dear = new Terms(
                terms.labourPerHour(),
                terms.wastePerLitre(),
                terms.pad(),
                terms.syringes(),
                terms.inks(),
                terms.fluid(),
                terms.fluidTarget(),
                terms.reserve(),
                terms.maxRinses(),
                terms.minutesPerPull(),
                terms.minutesPerRinse(),
                terms.rinseMinutesLimit(),
                terms.schools(),
                Map.of(Supply.REFILLABLE, new Money(1000, Shops.GBP)),
                terms.oldInkPerMl(),
                terms.experience());
        var job = Shops.job(Profiles.named("small-cartridge"), DYE, Family.SUBLIMATION, 0.005);
        var dearer = planned(Planner.plan(job, dear))
                .total()
                .minus(planned(Planner.plan(job, terms)).total());
        assertThat(dearer).isEqualTo(new Money(4 * (1000 - Supply.REFILLABLE.usualPrice()), Shops.GBP));
    }

    @Test
    void idlenessCostsInkAndHandsAndAtRestNextToNothing() {
        Profile profile = Profiles.named("film-rebuilt");
        var film = Idle.perDay(profile, List.of(FILM, FILM, FILM, FILM, FILM, FILM), terms(Map.of()))
                .perDay();
        var dye = Idle.perDay(Profiles.named("small-tank"), List.of(DYE, DYE, DYE, DYE), terms(Map.of()))
                .perDay();
        var parked = Idle.perDay(profile, List.of(new Holding.Parked(Family.FILM, "own", false)), terms(Map.of()))
                .perDay();
        assertThat(film).isGreaterThan(dye);
        assertThat(parked.minor()).isLessThan(dye.minor() / 10);
    }

    @Test
    void parkingReturnsCleanInkUnlessTheShopNeverDoes() {
        var profile = Profiles.named("small-tank");
        var job = Shops.job(
                profile,
                Fit.asBuilt(profile),
                SUBLIMATION,
                Wish.change(Family.SUBLIMATION, "own", 0.005).purpose(Purpose.PARK));
        var back = planned(Planner.plan(job, terms(Map.of()))).procedure().steps().stream()
                .filter(s -> s.id().equals("pull"))
                .findFirst()
                .orElseThrow();
        var away = planned(Planner.plan(job, terms(Map.of(School.RETURN_INK, "never")))).procedure().steps().stream()
                .filter(s -> s.id().equals("pull"))
                .findFirst()
                .orElseThrow();
        assertThat(back.move()).isInstanceOf(fairkettle.procedure.Move.DrawBack.class);
        assertThat(away.move()).isInstanceOf(fairkettle.procedure.Move.Draw.class);
    }

    @ParameterizedTest(name = "{0}: {1}")
    @CsvSource(textBlock = """
        LC:W1 LM:W1,  Two slots would carry the same channel
        GY:W1,        This machine has the slots
        LC:LC,        Film needs at least one slot for white
        """)
    void slotsThatCannotBeAreSaid(String carries, String problem) {
        var profile = Profiles.named("six-ink-tank");
        var map = new java.util.HashMap<ChannelCode, ChannelCode>();
        for (var pair : carries.split(" ")) {
            map.put(ChannelCode.of(pair.split(":")[0]), ChannelCode.of(pair.split(":")[1]));
        }
        var job = Shops.job(
                profile,
                Fit.asBuilt(profile),
                DYE,
                Wish.change(Family.FILM, "own", 0.005).slots(map, Set.of()));
        assertThat(Planner.plan(job, terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class, no -> assertThat(no.reason()).contains(problem));
    }

    @Test
    void everySlotOnFluidIsParkingUnderAnotherName() {
        var profile = Profiles.named("small-tank");
        var job = Shops.job(
                profile,
                Fit.asBuilt(profile),
                DYE,
                Wish.change(Family.SUBLIMATION, "own", 0.005).slots(Map.of(), Set.copyOf(profile.codes())));
        assertThat(Planner.plan(job, terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class, no -> assertThat(no.reason()).contains("park it"));
    }

    @Test
    void whatWasNeverInkedIsNeitherRenewedNorParked() {
        var profile = Profiles.named("small-tank");
        var wish = Wish.change(Family.SUBLIMATION, "own", 0.005);
        assertThat(Planner.plan(
                        Shops.job(profile, Fit.asBuilt(profile), Holding.neverInked(), wish.purpose(Purpose.RENEW)),
                        terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class, no -> assertThat(no.reason()).contains("nothing to renew"));
        assertThat(Planner.plan(
                        Shops.job(profile, Fit.asBuilt(profile), Holding.neverInked(), wish.purpose(Purpose.PARK)),
                        terms(Map.of())))
                .isInstanceOfSatisfying(
                        Answer.NotSo.class, no -> assertThat(no.reason()).contains("never inked"));
    }

    @Test
    void aSheetGoesToPaperAndACleaningFillsThePad() {
        var ways = PurgeOrClean.of(
                fairkettle.machine.Profiles.named("small-tank"), 4, Family.SUBLIMATION, Shops.terms(Map.of()));
        assertThat(ways.sheets().ink()).hasToString("2.8");
        assertThat(ways.sheets().padShare()).isZero();
        assertThat(ways.cleaning().padShare()).isEqualTo(3.6 / 250);
        assertThat(ways.powerCleaning().cost()).isGreaterThan(ways.cleaning().cost());
        assertThat(ways.cleaning().cost())
                .as("less ink on paper, and no pad")
                .isGreaterThan(ways.sheets().cost());
    }
}
