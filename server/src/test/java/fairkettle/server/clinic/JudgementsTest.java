package fairkettle.server.clinic;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.clinic.CaseFile;
import fairkettle.clinic.CaseFile.Dated;
import fairkettle.clinic.Cases;
import fairkettle.clinic.Learning.Kind;
import fairkettle.clinic.Learning.Outcome;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class JudgementsTest {

    private static final ChannelCode C = ChannelCode.of("C");

    private final Judgements judgements = new Judgements();

    /** As it is read from the book each time: equal, and never the same. */
    private static CaseFile file(int... missing) {
        var gaps = Map.of(C, Arrays.stream(missing).boxed().toList());
        return new CaseFile(
                Cases.sublimation(2),
                List.of(new Dated(Instant.parse("2026-03-02T09:00:00Z"), "Wren", Cases.look(Cases.COLOURS, gaps))));
    }

    @Test
    void aCaseIsJudgedOnceHoweverOftenSomebodyAsks() {
        var first = judgements.of(file(3, 4), List.of());
        assertThat(judgements.of(file(3, 4), List.of())).isSameAs(first);
    }

    @Test
    void whatIsSeenAndWhatIsLearnedIsJudgedAnew() {
        var first = judgements.of(file(3, 4), List.of());
        assertThat(judgements.of(file(3, 4, 5), List.of())).isNotSameAs(first);
        var failed = Stream.generate(() -> new Outcome(Treatment.CLEANING, Kind.SOFT, Family.SUBLIMATION, false))
                .limit(30)
                .toList();
        var learned = judgements.of(file(3, 4), failed);
        assertThat(learned).isNotSameAs(first);
        assertThat(learned.state().belief()).isNotEqualTo(first.state().belief());
    }
}
