package fairkettle.check;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.check.Change.Kind;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What became of a channel's gaps from one check to the next. */
class ChangeTest {

    @ParameterizedTest
    @CsvSource({
        "'', '', SAME, same",
        "'3 9', '3 9', SAME, same places",
        "'3 9', '9', HEALED, healed 1",
        "'', '4', NEW, 1 new",
        "'4', '4 5 6', WORSE, worse: 2 more",
        "'3 9', '14 20', MOVED, 'moved: 2 healed, 2 new'",
        "'1 2 3 4 5 6', '1 2 3 4 5 6 40', WORSE, worse: 1 more",
        "'1 2 3 4 5', '5 40', HEALED, 'healed 4, 1 new'"
    })
    void gapsHealStandMoveOrSpread(String before, String now, Kind kind, String words) {
        var change = Change.between(numbers(before), numbers(now));
        assertThat(change.kind()).isEqualTo(kind);
        assertThat(change.words()).isEqualTo(words);
    }

    @RepeatedTest(60)
    void everyGapIsHealedStayedOrFreshAndNoneIsTwo(RepetitionInfo run) {
        var random = new Random(run.getCurrentRepetition());
        var before = some(random);
        var now = some(random);
        var change = Change.between(before, now);
        var all = new TreeSet<>(change.healed());
        all.addAll(change.stayed());
        assertThat(all).isEqualTo(new TreeSet<>(before));
        all = new TreeSet<>(change.fresh());
        all.addAll(change.stayed());
        assertThat(all).isEqualTo(new TreeSet<>(now));
        assertThat(Change.between(now, before).healed()).isEqualTo(change.fresh());
    }

    @Test
    void threeChecksAlikeAreAStandingGapAndTwoAreChance() {
        assertThat(course(List.of(7, 8), List.of(7, 8), List.of(7, 8, 30), List.of())
                        .stands())
                .isTrue();
        assertThat(course(List.of(7, 8), List.of(7, 8), List.of(7, 8, 30), List.of())
                        .standing())
                .containsExactly(7, 8);
        assertThat(course(List.of(7), List.of(7), List.of(31)).stands()).isFalse();
        assertThat(course(List.of(), List.of(), List.of()).stands()).isFalse();
    }

    @Test
    void threeFallsInARowAreACourse() {
        assertThat(course(List.of(1, 2, 3), List.of(1, 2), List.of(1)).falling())
                .isTrue();
        assertThat(course(List.of(1, 2), List.of(1, 2), List.of(1)).falling()).isFalse();
    }

    @SafeVarargs
    private static Course course(List<Integer>... newestFirst) {
        var start = Instant.parse("2026-11-20T09:00:00Z");
        return Course.of(IntStream.range(0, newestFirst.length)
                .mapToObj(i -> new Course.Seen(start.minusSeconds(86_400L * i), newestFirst[i]))
                .toList());
    }

    private static Collection<Integer> some(Random random) {
        return IntStream.range(0, 30)
                .filter(_ -> random.nextInt(4) == 0)
                .boxed()
                .toList();
    }

    static Collection<Integer> numbers(String text) {
        return text.isBlank()
                ? List.of()
                : Arrays.stream(text.split(" ")).map(Integer::valueOf).toList();
    }
}
