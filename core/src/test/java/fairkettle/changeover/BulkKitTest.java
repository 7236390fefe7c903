package fairkettle.changeover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.hand.LiteralHand;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.BulkKit;
import fairkettle.machine.BulkKit.Bracket;
import fairkettle.machine.BulkKit.Chamber;
import fairkettle.machine.BulkKit.Ribbon;
import fairkettle.machine.BulkKit.Usual;
import fairkettle.machine.Feed;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.Supply;
import fairkettle.procedure.RouteProof;
import fairkettle.procedure.Step;
import fairkettle.safety.School;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** A kit is a list of what is in its box, and a card asks for nothing else. */
class BulkKitTest {

    private static final Holding DYE = new Holding.Inked(Family.MAKERS_DYE, "maker", false);
    private static final Profile SIX = Profiles.named("wide-cartridge-six");

    private static Plan fitted(Profile profile) {
        var job = Shops.job(profile, DYE, Family.SUBLIMATION, 0.005);
        return planned(Planner.plan(job.wishing(job.wish().by(Route.BULK_FEED)), Shops.terms(Map.of())));
    }

    private static Plan planned(Answer answer) {
        assertThat(answer).isInstanceOf(Answer.Planned.class);
        return ((Answer.Planned) answer).plan();
    }

    private static Profile with(Profile profile, BulkKit kit) {
        return profile.handled(profile.handling().fed(kit));
    }

    private static List<String> ids(Plan plan) {
        return plan.procedure().steps().stream().map(Step::id).toList();
    }

    /** Every kit that can be described, but for its figures. */
    static Stream<BulkKit> everyKit() {
        var kits = new ArrayList<BulkKit>();
        for (var ribbon : Ribbon.values()) {
            for (var chamber : Chamber.values()) {
                for (var bracket : Bracket.values()) {
                    for (int bits = 0; bits < 32; bits++) {
                        boolean primed = chamber != Chamber.NONE;
                        kits.add(new BulkKit(
                                ribbon,
                                chamber,
                                bracket,
                                (bits & 1) > 0,
                                (bits & 2) > 0,
                                (bits & 4) > 0,
                                (bits & 8) > 0,
                                (bits & 16) > 0,
                                Millilitres.parse(primed ? "20" : "0"),
                                Millilitres.parse(primed ? "8" : "0"),
                                primed ? 20 : 0));
                    }
                }
            }
        }
        return kits.stream();
    }

    @Test
    void whateverIsInTheBoxItIsFittedWithoutHarm() {
        var found = new TreeMap<String, BulkKit>();
        everyKit().forEach(kit -> {
            var profile = with(SIX, kit);
            var plan = fitted(profile);
            var steps = plan.procedure().steps();
            var start = LiteralHand.Start.of(Shops.job(profile, DYE, Family.SUBLIMATION, 0.005));
            LiteralHand.carryOut(profile, profile.fitted(plan.fit()), start, steps)
                    .forEach(f -> found.putIfAbsent(f.toString(), kit));
            RouteProof.violations(plan.procedure()).forEach(v -> found.putIfAbsent(v.toString(), kit));
        });
        assertThat(found).isEmpty();
    }

    @ParameterizedTest
    @EnumSource
    void aFeedThatIsThereIsRenewedByWhatItHas(Usual usual) {
        Shops.everyJob()
                .filter(j ->
                        j.fit().feed() == Feed.BULK && j.profile().channels().size() == 6)
                .map(j -> new Job(
                        with(j.built(), usual.kit()),
                        j.fit(),
                        j.channels(),
                        j.wish(),
                        j.padUsed(),
                        j.warrantyAcknowledged(),
                        j.stock()))
                .forEach(job -> {
                    if (Planner.plan(job, Shops.terms(Map.of())) instanceof Answer.Planned(var plan)) {
                        assertThat(RouteProof.violations(plan.procedure())).isEmpty();
                        assertThat(LiteralHand.carryOut(
                                        job.profile(),
                                        job.built().fitted(plan.fit()),
                                        LiteralHand.Start.of(job),
                                        plan.procedure().steps()))
                                .as("%s: %s", usual, plan.route())
                                .isEmpty();
                    }
                });
    }

    @Test
    void looseDampersAreCutInAndTheirMarkJudges() {
        var plan = fitted(SIX);
        assertThat(ids(plan))
                .contains("mark-ribbon", "inline", "tilt", "level-mark")
                .doesNotContain("constant-head");
        assertThat(plan.needs())
                .as("its dampers lie in the box, and are not bought beside it")
                .noneMatch(n -> n.what() == Supply.INLINE_DAMPER)
                .anyMatch(n -> n.what() == Supply.BULK_KIT && n.count() == 1);
    }

    @Test
    void aKitThatComesJoinedIsNeverCutAndWithoutAMarkTheAmountJudges() {
        var plan = fitted(Profiles.named("small-four-slot"));
        assertThat(ids(plan))
                .contains("priming-first", "tilt", "priming-second")
                .doesNotContain("mark-ribbon", "inline", "level-mark", "constant-head");
        assertThat(plan.needs()).noneMatch(n -> n.what() == Supply.INLINE_DAMPER);
    }

    @Test
    void constantHeadTanksAreResetBeforeTheyHang() {
        assertThat(ids(fitted(with(SIX, Usual.CONSTANT_HEAD.kit()))))
                .containsSubsequence("draw-in", "constant-head", "shut", "hang")
                .doesNotContain("bracket", "tilt");
    }

    @Test
    void tanksThatArriveWithBungsAreFreedOfThemBeforePower() {
        var plan = fitted(Profiles.named("office-cartridge-four"));
        assertThat(plan.procedure().steps())
                .filteredOn(s -> s.id().equals("vents-open"))
                .first()
                .satisfies(s -> assertThat(s.say()).contains("Bungs out"));
        assertThat(ids(plan)).containsSubsequence("vents-open", "power-again");
    }

    @Test
    void tanksAreRaisedOnABracketOrWithoutOne() {
        for (var usual : Usual.values()) {
            var job = Shops.job(with(SIX, usual.kit()), DYE, Family.SUBLIMATION, 0.005);
            var plan = planned(Planner.plan(
                    job.wishing(job.wish().by(Route.BULK_FEED)), Shops.terms(Map.of(School.TANK_HEIGHT, "raised"))));
            assertThat(RouteProof.violations(plan.procedure())).as("%s", usual).isEmpty();
        }
    }

    @Test
    void aBoxThatContradictsItselfIsRefusedWithTheReason() {
        assertThatThrownBy(() -> new BulkKit(
                        Ribbon.JOINED,
                        Chamber.MARK,
                        Bracket.NONE,
                        false,
                        false,
                        false,
                        false,
                        false,
                        Millilitres.ZERO,
                        Millilitres.ZERO,
                        0))
                .hasMessageContaining("leaflet");
        assertThatThrownBy(() -> new BulkKit(
                        Ribbon.JOINED,
                        Chamber.MARK,
                        Bracket.NONE,
                        false,
                        false,
                        false,
                        false,
                        false,
                        Millilitres.parse("90"),
                        Millilitres.ZERO,
                        30))
                .hasMessageContaining("At most");
    }
}
