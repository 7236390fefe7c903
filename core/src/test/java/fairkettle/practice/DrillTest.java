package fairkettle.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

class DrillTest {

    @ParameterizedTest
    @EnumSource
    void everyQuestionHasAnswersThatSayWhatHappens(Drill drill) {
        var ids = new HashSet<String>();
        for (var question : drill.questions()) {
            assertThat(ids.add(question.id())).as(question.id()).isTrue();
            assertThat(question.answers())
                    .hasSizeGreaterThanOrEqualTo(2)
                    .allSatisfy(a -> assertThat(a.then()).isNotBlank());
            assertThat(question.answers().stream().map(Drill.Answer::words)).doesNotHaveDuplicates();
        }
    }

    @Test
    void everyPortOfEveryWorkCanBeWrongAndSaysWhatThatDoes() {
        assertThat(Drill.PORTS.questions())
                .allSatisfy(q -> assertThat(q.ports())
                        .hasSizeGreaterThanOrEqualTo(2)
                        .allSatisfy(p -> assertThat(p.wrong())
                                .isNotEmpty()
                                .allSatisfy(w -> assertThat(w.then()).isNotBlank())
                                .noneSatisfy(w -> assertThat(w.words()).isEqualTo(p.right()))));
    }

    @Test
    void thePathIsAskedForInTheOrderOfTheInk() {
        var first = Drill.PATH.questions().getFirst();
        assertThat(first.answers()).hasSize(11);
        assertThat(first.answers().stream().map(Drill.PATH::place))
                .containsExactlyInAnyOrderElementsOf(
                        IntStream.range(0, 11).boxed().toList());
    }

    @Test
    void thereAreThirtyMessages() {
        assertThat(Drill.MESSAGES.questions()).hasSize(30);
    }

    static List<Sequence> sequences() {
        return Sequence.ALL;
    }

    @ParameterizedTest
    @MethodSource("sequences")
    void theRightOrderHarmsNothingAndEverySwapThatMattersSaysItsHarm(Sequence sequence) {
        var right = new ArrayList<>(
                IntStream.range(0, sequence.steps().size()).boxed().toList());
        assertThat(sequence.wrong(right)).isEmpty();
        for (var harm : sequence.harms()) {
            var swapped = new ArrayList<>(right);
            Collections.swap(swapped, harm.first(), harm.second());
            assertThat(sequence.wrong(swapped)).anyMatch(w -> w.endsWith(harm.then()));
        }
        assertThatThrownBy(() -> sequence.wrong(List.of(0, 0))).isInstanceOf(IllegalArgumentException.class);
    }
}
