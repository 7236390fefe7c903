package fairkettle.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Each rule, broken once. */
class AuditTest {

    private static final Due DUE = new Due(100, 200, 2, 10, 5000);
    private static final Task FLOOD = new Task("flood", 5, 2, 10, 15, true, List.of(0), false, 1, Gloves.DYE);
    private static final Task DRAW = new Task("draw", 5, 0, 0, Task.OPEN, true, List.of(), false, 1, Gloves.DYE);
    private static final Day DAY = new Day(
            List.of(new Day.Person("Wren", List.of(new Day.Span(0, 200), new Day.Span(230, 400)), Gloves.FILM, 2)),
            List.of(new Day.Machine("Bramble", 0), new Day.Machine("Clover", 1)),
            List.of("sink"),
            List.of(
                    new Chain("soak", 0, 10, Task.OPEN, false, List.of(FLOOD, DRAW), List.of(DUE)),
                    new Chain(
                            "rinse",
                            1,
                            0,
                            50,
                            false,
                            List.of(new Task("rinse", 10, 0, 0, Task.OPEN, false, List.of(0), false, 1, Gloves.FOOD)),
                            List.of(DUE))),
            List.of(new Day.Promise("toppers", 1, 300, 30, 1)),
            List.of(new Day.Taken(0, -1, 150, 160)),
            null);

    private static Audit.Verdict audit(int flood, int draw, int rinse) {
        return Audit.of(DAY, new Plan(new int[] {flood, draw, rinse}, new int[] {
            flood < 0 ? -1 : 0, draw < 0 ? -1 : 0, rinse < 0 ? -1 : 0
        }));
    }

    @ParameterizedTest
    @CsvSource(textBlock = """
        5, 22, 60, before its machine is free
        20, 30, 60, wait before it is too short
        20, 50, 60, wait before it is too long
        20, -1, 60, left out inside a bounded wait
        -1, 40, 60, done though an earlier task is not
        198, 215, 60, outside the hours of Wren
        130, 147, 60, Bramble twice
        20, 38, 22, the sink twice
        20, 38, 22, in two places
        20, 37, 43, no time for gloves
        20, 37, 295, Clover twice
        """)
    void aBrokenRuleIsNamed(int flood, int draw, int rinse, String fault) {
        assertThat(audit(flood, draw, rinse).faults())
                .anySatisfy(f -> assertThat(f).contains(fault));
    }

    @Test
    void aPlanThatCanBeWalkedIsPricedOnTheOneScale() {
        var verdict = audit(110, 127, 240);
        assertThat(verdict.faults()).isEmpty();
        var cost = verdict.cost();
        assertThat(cost.overdue())
                .as("32 min after ideal at 2, 150 at 2 and 50 at 10, first by 50 at 5000")
                .isEqualTo(2 * 32 + 2 * 150 + 10 * 50 + Cost.OVERRUN * 190);
        assertThat(cost.finish()).isEqualTo(250);
        assertThat(cost.gloves()).as("film to dye, dye to food").isEqualTo(10 + 20);
        assertThat(cost.walk()).as("bench 2 to 0 to 1").isEqualTo(3);
        assertThat(cost.broken()).isZero();
        assertThat(audit(110, 127, 335).cost().broken()).isEqualTo(1);
        assertThat(audit(110, 127, 335).cost().total()).isGreaterThan(Cost.PROMISE);
    }

    @Test
    void whatIsLeftCostsItsDrop() {
        assertThat(audit(-1, -1, 60).cost()).satisfies(c -> {
            assertThat(c.dropped()).isEqualTo(1);
            assertThat(c.overdue()).isEqualTo(5000 + Cost.OVERRUN * 10);
        });
    }

    @Test
    void everyStepSaysWhyItStandsThere() {
        var day = DAY;
        var reasons = new Reasons(
                day,
                new Plan(new int[] {10, 27, 60}, new int[] {0, 0, 0}),
                minute -> "%02d:%02d".formatted(9 + minute / 60, minute % 60));
        assertThat(reasons.of(0)).contains("Bramble rests until 09:10");
        assertThat(reasons.of(1)).containsExactly("Bramble rests until 09:27");
        assertThat(reasons.of(2)).singleElement().asString().isNotBlank();
        assertThat(new Reasons(day, new Plan(new int[] {-1, -1, 60}, new int[] {-1, -1, 0}), String::valueOf).of(0))
                .singleElement()
                .asString()
                .contains("every gap");
    }

    @ParameterizedTest
    @CsvSource({
        "0, 1430, Bramble rests until 1430",
        "0, 1440, Bramble rests over night",
        "100, 1430, every gap", // free before it
        "0, 100, every gap" // free after it
    })
    void aMachineThatRestsAllDayIsTheReasonAndNotTheCrowdedDay(int from, int to, String why) {
        var resting = new Day(
                DAY.people(),
                DAY.machines(),
                DAY.things(),
                DAY.chains(),
                DAY.promises(),
                List.of(new Day.Taken(DAY.chains().getFirst().machine(), -1, from, to)),
                null);
        var nothing = new Plan(new int[] {-1, -1, -1}, new int[] {-1, -1, -1});
        var reasons = new Reasons(resting, nothing, String::valueOf);
        assertThat(reasons.of(0)).singleElement().asString().startsWith(why);
        assertThat(reasons.of(2))
                .singleElement()
                .asString()
                .as("another machine")
                .startsWith("every gap");
    }

    @Test
    void nonsenseIsRefusedAtTheEdge() {
        assertThatThrownBy(() -> new Task("x", 0, 0, 0, Task.OPEN, false, List.of(), false, 1, Gloves.DYE))
                .hasMessageContaining("hands are at least 1");
        assertThatThrownBy(() -> new Task("x", 5, 0, 10, 5, false, List.of(), false, 1, Gloves.DYE))
                .hasMessageContaining("at least 10 and at most 5");
        assertThatThrownBy(() -> new Chain("x", 0, 0, -1, false, List.of(FLOOD, DRAW), List.of(DUE, DUE)))
                .hasMessageContaining("1 segments and 2 due times");
        assertThatThrownBy(() -> new Day(List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), null))
                .hasMessageContaining("needs 1 to");
        assertThatThrownBy(() -> new Due(0, 0, -1, 0, 0)).hasMessageContaining("less than nothing");
    }
}
