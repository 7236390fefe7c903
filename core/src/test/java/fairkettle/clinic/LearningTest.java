package fairkettle.clinic;

import static fairkettle.clinic.Cases.M;
import static fairkettle.clinic.Cases.done;
import static fairkettle.clinic.Cases.look;
import static fairkettle.clinic.Cases.sublimation;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.clinic.CaseFile.Dated;
import fairkettle.clinic.Learning.Kind;
import fairkettle.clinic.Learning.Outcome;
import fairkettle.ink.Family;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class LearningTest {

    private static final List<Integer> EIGHT = List.of(3, 9, 14, 22, 30, 37, 41, 50);

    private static List<Outcome> soaks(int worked, int times) {
        var all = new ArrayList<>(
                Collections.nCopies(worked, new Outcome(Treatment.SOAK, Kind.SOFT, Family.SUBLIMATION, true)));
        all.addAll(
                Collections.nCopies(times - worked, new Outcome(Treatment.SOAK, Kind.SOFT, Family.SUBLIMATION, false)));
        return all;
    }

    @Test
    void aFewLuckyCasesDoNotMakeARuleAndManyDo() {
        double table = Table.USUAL.row("act.SOAK")[0];
        double three =
                Learning.applied(Table.USUAL, soaks(3, 3), Family.SUBLIMATION).row("act.SOAK")[0];
        double hundred = Learning.applied(Table.USUAL, soaks(80, 100), Family.SUBLIMATION)
                .row("act.SOAK")[0];
        assertThat(three).isBetween(table, .6);
        assertThat(hundred).isCloseTo(.8, within(.05));
        assertThat(Learning.applied(Table.USUAL, soaks(0, 50), Family.SUBLIMATION)
                        .row("act.SOAK")[0])
                .isLessThan(table);
    }

    @Test
    void otherFamiliesAndOtherTreatmentsKeepTheTable() {
        var learned = Learning.applied(Table.USUAL, soaks(9, 9), Family.SUBLIMATION);
        assertThat(learned.row("act.CLEANING")).containsExactly(Table.USUAL.row("act.CLEANING"));
        assertThat(Learning.applied(Table.USUAL, soaks(9, 9), Family.FILM)).isSameAs(Table.USUAL);
    }

    @Test
    void aCaseTeachesWhatItsActsDid() {
        var file = new CaseFile(sublimation(9), List.of());
        for (var evidence : List.of(
                look(Map.of(M, EIGHT)),
                new Evidence.Simple(Set.of()),
                look(Map.of(M, EIGHT)),
                done(Treatment.SOAK),
                look(Map.of(M, List.of(3, 9))))) {
            file = file.with(new Dated(Instant.EPOCH, "Wren", evidence));
        }
        assertThat(file.outcomes(Table.USUAL)).hasSize(1).first().satisfies(o -> {
            assertThat(o.treatment()).isEqualTo(Treatment.SOAK);
            assertThat(o.worked()).isTrue();
        });
        assertThat(file.tried()).extracting(CaseFile.Tried::result).containsExactly("all well", "8 → 2 gaps");
        assertThat(AdviceWords.because(file)).contains("the last check is good enough", "9 idle days");
    }

    @Test
    void theTableIsWholeAndEveryFigureHasAReason() {
        assertThat(Table.USUAL.reasons())
                .allSatisfy((key, why) -> assertThat(why).as(key).isNotBlank());
        Table.USUAL.reasons().keySet().stream()
                .filter(k -> k.startsWith("missing.") || k.startsWith("fade.") || k.equals("cap"))
                .forEach(key -> {
                    double sum = 0;
                    for (double p : Table.USUAL.row(key)) {
                        sum += p;
                    }
                    assertThat(sum).as(key).isCloseTo(1, within(1e-9));
                });
        for (var treatment : Treatment.values()) {
            assertThat(Table.USUAL.row("act." + treatment.name())).hasSize(6);
        }
    }

    @Test
    void chancesAddUpToOne() {
        for (double mean : new double[] {.05, .4, .9}) {
            double sum = 0;
            for (int k = 0; k <= 20; k++) {
                sum += Chance.betaBinomial(k, 20, mean, 3.5);
            }
            assertThat(sum).isCloseTo(1, within(1e-6));
        }
        double sum = 0;
        for (int k = 0; k < 400; k++) {
            sum += Chance.negativeBinomial(k, 4, .8);
        }
        assertThat(sum).isCloseTo(1, within(1e-6));
        assertThat(Chance.logGamma(5.5)).isCloseTo(Math.log(52.34277778455352), within(1e-8));
    }
}
