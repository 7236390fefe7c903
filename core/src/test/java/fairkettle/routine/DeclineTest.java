package fairkettle.routine;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.routine.Decline.Course;
import java.util.List;
import org.junit.jupiter.api.Test;

class DeclineTest {

    private static final Course WORSE = new Course("Bramble", List.of(0, 1, 3, 5));
    private static final Course ALSO = new Course("Sorrel", List.of(2, 2, 6));
    private static final Course SAME = new Course("Clover", List.of(3, 2, 3, 3));
    private static final Course ONCE = new Course("Teasel", List.of(0, 9));

    @Test
    void oneMachineIsItsOwnMatterSeveralAreTheRooms() {
        assertThat(Decline.together(List.of(WORSE, SAME))).isEmpty();
        assertThat(Decline.together(List.of(WORSE, SAME, ALSO))).containsExactly("Bramble", "Sorrel");
        assertThat(Decline.words(List.of("Bramble", "Sorrel"))).contains("suspect the room before the machines");
    }

    @Test
    void twoLooksSayNothing() {
        assertThat(Decline.together(List.of(ONCE, WORSE))).isEmpty();
    }
}
