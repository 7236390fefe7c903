package fairkettle.changeover;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.books.Payback;
import fairkettle.books.Payback.Way;
import fairkettle.ink.Family;
import fairkettle.machine.Chips;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FeedWaysTest {

    private static final Terms TERMS = Shops.terms(Map.of());
    private static final FeedWays.Elsewhere ELSEWHERE = new FeedWays.Elsewhere(30_000, 250, 180, 5);

    static List<Profile> profiles() {
        return Profiles.ALL;
    }

    private static List<Way> ways(Profile profile, int sheets, long machine, long press) {
        return FeedWays.of(
                profile, new FeedWays.Wanted(Family.SUBLIMATION, sheets, 1.2, machine, press, true), TERMS, ELSEWHERE);
    }

    private static Way named(List<Way> ways, String words) {
        return ways.stream().filter(w -> w.label().contains(words)).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void everyMachineHasAWayOfItsOwnAndWaysWithoutIt(Profile profile) {
        var ways = ways(profile, 100, 0, 0);
        assertThat(ways).extracting(Way::label).doesNotHaveDuplicates().contains("prints that are ordered");
        boolean keyed = profile.chips().contains(Chips.IGNORED);
        assertThat(ways.stream().anyMatch(w -> w.label().startsWith("a key"))).isEqualTo(keyed);
        assertThat(ways.stream().anyMatch(w -> w.label().contains("own tanks")))
                .isEqualTo(profile.chips().isEmpty());
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void aPressAndAMachineAreFirstOutlayWhereTheyAreNotThere(Profile profile) {
        var without = ways(profile, 100, 0, 0);
        var with = ways(profile, 100, 20_000, 15_000);
        for (int i = 0; i < without.size(); i++) {
            assertThat(once(with.get(i))).isGreaterThanOrEqualTo(once(without.get(i)));
        }
        assertThat(once(named(with, "built for it"))).isEqualTo(once(named(without, "built for it")) + 15_000);
        assertThat(once(named(with, "ordered"))).isEqualTo(15_000);
    }

    @Test
    void theMakersInkIsHeldAgainstOnlyWhereItPrintsTheSame() {
        for (var profile : Profiles.ALL) {
            var wanted = new FeedWays.Wanted(Family.MAKERS_DYE, 100, 1.2, 0, 0, false);
            var ordinary = FeedWays.of(profile, wanted, TERMS, ELSEWHERE);
            assertThat(FeedWays.usual(ordinary, Family.MAKERS_DYE).label()).startsWith("the maker’s");
            var pressed = ways(profile, 100, 0, 0);
            assertThat(pressed).noneMatch(w -> w.label().startsWith("the maker’s"));
            assertThat(FeedWays.usual(pressed, Family.SUBLIMATION).label()).isEqualTo("prints that are ordered");
        }
    }

    @Test
    void aBulkFeedSavesTheMinutesThatItsTankIsLarger() {
        var profile = Profiles.ALL.stream()
                .filter(p -> p.id().equals("wide-cartridge-four"))
                .findFirst()
                .orElseThrow();
        var ways = ways(profile, 400, 0, 0);
        assertThat(named(ways, "bulk").minutes()).isLessThan(named(ways, "key").minutes() / 2);
        assertThat(named(ways, "bulk").perSheet()).isEqualTo(named(ways, "key").perSheet());
    }

    @ParameterizedTest
    @MethodSource("profiles")
    void theMoreIsPrintedTheSoonerItHasPaidForItself(Profile profile) {
        var few = lines(profile, 50);
        var many = lines(profile, 500);
        for (int i = 0; i < few.size(); i++) {
            if (few.get(i).tenths() != null && many.get(i).tenths() != null) {
                assertThat(many.get(i).tenths()).isLessThanOrEqualTo(few.get(i).tenths());
            }
        }
    }

    private static List<Payback.Line> lines(Profile profile, int sheets) {
        var ways = ways(profile, sheets, 0, 0);
        return Payback.of(ways, sheets, 25_000, FeedWays.usual(ways, Family.SUBLIMATION));
    }

    private static long once(Way way) {
        return way.once().stream().mapToLong(Payback.Outlay::minor).sum();
    }
}
