package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.books.Clogging.Group;
import fairkettle.books.Clogging.Look;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class CloggingTest {

    @Test
    void checksAreCountedByTheDaysBeforeThem() {
        var looks = List.of(
                new Look(1, 0, null),
                new Look(1, 2, null),
                new Look(3, 1, null),
                new Look(9, 6, null),
                new Look(9, 0, null));
        assertThat(Clogging.byIdleness(looks))
                .extracting(Group::toString)
                .containsExactly(
                        "used the day before: 1 of 2, 1.00 each",
                        "2 days: 0 of 0, 0.00 each",
                        "3 to 4 days: 1 of 1, 1.00 each",
                        "5 to 7 days: 0 of 0, 0.00 each",
                        "longer: 1 of 2, 3.00 each");
    }

    @Test
    void whereNobodyMeasuredTheAirNothingIsSaidOfIt() {
        var looks = List.of(new Look(1, 4, null), new Look(1, 3, 2.4), new Look(1, 0, .7));
        assertThat(Clogging.byDryness(looks)).extracting(Group::looks).containsExactly(1, 0, 0, 1);
    }

    @Test
    void everyCheckAndEveryGapIsInOneGroup() {
        var random = new Random(3);
        var looks = new ArrayList<Look>();
        for (int i = 0; i < 500; i++) {
            looks.add(new Look(random.nextDouble() * 12, random.nextInt(5), random.nextDouble() * 3));
        }
        for (var groups : List.of(Clogging.byIdleness(looks), Clogging.byDryness(looks))) {
            assertThat(groups.stream().mapToInt(Group::looks).sum()).isEqualTo(500);
            assertThat(groups.stream().mapToDouble(g -> g.each() * g.looks()).sum())
                    .isCloseTo(looks.stream().mapToInt(Look::fresh).sum(), within(1e-6));
        }
    }
}
