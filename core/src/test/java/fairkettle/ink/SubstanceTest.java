package fairkettle.ink;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;

class SubstanceTest {

    @Test
    void substancesStandInTheOrderOfTheirKeysSoThatEqualMixturesAreWrittenAlike() {
        var all = new ArrayList<Substance>();
        for (var family : Family.values()) {
            all.add(new Substance.Fluid(family));
            for (var channel : List.of("C", "K", "LC", "W1", "W2")) {
                for (long lot : new long[] {0, 2, 9, 10, 21, 100}) {
                    all.add(new Substance.Ink(family, ChannelCode.of(channel), lot));
                }
            }
        }
        var byKey = all.stream().sorted(Comparator.comparing(Substance::key)).toList();
        assertThat(all.stream().sorted().toList()).isEqualTo(byKey);
        assertThat(all)
                .allSatisfy(
                        s -> assertThat(s.compareTo(Substance.parse(s.key()))).isZero());
    }
}
