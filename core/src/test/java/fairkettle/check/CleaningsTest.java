package fairkettle.check;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.check.Cleanings.Cleaned;
import fairkettle.check.Cleanings.Event;
import fairkettle.check.Cleanings.Looked;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CleaningsTest {

    private static Instant at(int hour) {
        return Instant.EPOCH.plusSeconds(3600L * hour);
    }

    private static Looked looked(int hour, int cyan, int black) {
        return new Looked(at(hour), Map.of("C", cyan, "K", black));
    }

    private static Cleaned cleaned(int hour) {
        return new Cleaned(hour, at(hour), false, null);
    }

    @ParameterizedTest(name = "C {0} K {1} before, C {2} K {3} after: {5}")
    @CsvSource(delimiter = '|', textBlock = """
        3 | 1 | 0 | 0 | C 3 missing, K 1 missing | all came back
        3 | 0 | 1 | 0 | C 3 missing              | 2 of 3 came back
        3 | 0 | 3 | 0 | C 3 missing              | no better: C 3 missing
        3 | 0 | 3 | 2 | C 3 missing              | worse: C 3 missing, K 2 missing
        0 | 0 | 0 | 0 | the check was whole      | still whole
        """)
    void theChecksAroundItTellWhyAndWhatCameOfIt(
            int cyan, int black, int cyanAfter, int blackAfter, String trigger, String result) {
        var told = Cleanings.of(List.of(looked(1, cyan, black), cleaned(2), looked(3, cyanAfter, blackAfter)));
        assertThat(told).singleElement().satisfies(t -> {
            assertThat(t.trigger()).isEqualTo(trigger);
            assertThat(t.result()).isEqualTo(result);
        });
    }

    @Test
    void aCheckSpeaksOnlyForTheLastCleaningBeforeIt() {
        var told = Cleanings.of(List.of(looked(1, 2, 0), cleaned(2), cleaned(3), looked(4, 0, 0), cleaned(5)));
        assertThat(told.stream().map(t -> t.cleaned().entry() + " " + t.result()))
                .containsExactly(
                        "5 nobody looked since", "3 all came back", "2 the next one came before anybody looked");
    }

    @Test
    void onACardTheCardIsTheReason() {
        var told = Cleanings.of(List.of(new Cleaned(1, at(1), true, "maker's dye → sublimation")));
        assertThat(told.getFirst().trigger()).isEqualTo("its card, “maker's dye → sublimation”");
    }

    @Test
    void everyCleaningIsToldOnce() {
        var events = Stream.<Event>of(
                        cleaned(1), looked(2, 1, 1), cleaned(3), cleaned(4), looked(5, 0, 1), looked(6, 0, 0))
                .toList();
        assertThat(Cleanings.of(events)).extracting(t -> t.cleaned().entry()).containsExactly(4L, 3L, 1L);
    }
}
