package fairkettle.standin.machine;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.clinic.Table;
import fairkettle.clinic.Treatment;
import fairkettle.standin.machine.SickCases.Level;
import fairkettle.standin.machine.SickMachine.Fault;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.Set;
import org.junit.jupiter.api.Test;

class SickMachineTest {

    private static SickCases.Sick sick(Fault fault) {
        for (long seed = 1; seed < 4000; seed++) {
            var one = SickCases.of(seed);
            if (one.machine().faults().values().stream().anyMatch(f -> f.contains(fault))) {
                return one;
            }
        }
        throw new AssertionError("nobody has " + fault);
    }

    @Test
    void everybodyIsIllAndTheSameSeedIsIllAlike() {
        for (long seed = 0; seed < 60; seed++) {
            assertThat(SickCases.of(seed).machine().fit(2)).isFalse();
            assertThat(SickCases.of(seed).machine().check())
                    .isEqualTo(SickCases.of(seed).machine().check());
        }
        for (var level : Level.values()) {
            assertThat(SickCases.practice(5, level).machine().fit(2)).isFalse();
        }
    }

    @Test
    void neighbouringSeedsAreDifferentMachines() {
        var seen = new HashSet<String>();
        for (long seed = 0; seed < 60; seed++) {
            seen.add(SickCases.of(seed).machine().page().toString());
        }
        assertThat(seen).hasSizeGreaterThan(58);
    }

    @Test
    void aClosedVentIsFoundByLookingAndNotByCleaning() {
        var machine = sick(Fault.SHUT).machine();
        var cleaned = machine.copy();
        cleaned.act(Treatment.CLEANING, Set.of());
        assertThat(cleaned.faults().values().stream().anyMatch(f -> f.contains(Fault.SHUT)))
                .isTrue();
        var found = new HashSet<>(machine.simple().found());
        found.addAll(machine.simple().found());
        assertThat(found).isNotEmpty();
        assertThat(machine.ink()).isZero();
    }

    @Test
    void aNewDamperCuresALoadedFilterAndACopyKnowsNothingOfIt() {
        var machine = sick(Fault.FILTER).machine();
        var twin = machine.copy();
        machine.act(Treatment.NEW_DAMPER, new HashSet<>(machine.codes()));
        assertThat(machine.faults().values().stream().noneMatch(f -> f.contains(Fault.FILTER)))
                .isTrue();
        assertThat(twin.faults().values().stream().anyMatch(f -> f.contains(Fault.FILTER)))
                .isTrue();
    }

    @Test
    void deadNozzlesStayDeadWhateverIsDone() {
        var machine = sick(Fault.DEAD).machine();
        for (var treatment : Treatment.values()) {
            machine.act(treatment, new HashSet<>(machine.codes()));
        }
        assertThat(machine.faults().values().stream().anyMatch(f -> f.contains(Fault.DEAD)))
                .isTrue();
    }

    @Test
    void everyDropIsCountedAndThePadNeverHoldsMoreThanWasDrawn() {
        for (long seed = 0; seed < 30; seed++) {
            var machine = SickCases.of(seed).machine();
            double before = 0;
            for (var treatment : new Treatment[] {
                Treatment.PURGE_SHEET, Treatment.CLEANING, Treatment.DRAW_AT_WASTE_LINE, Treatment.POWER_CLEANING
            }) {
                machine.act(treatment, new HashSet<>(machine.codes()));
                assertThat(machine.ink()).isGreaterThanOrEqualTo(before);
                before = machine.ink();
                assertThat(machine.pad()).isLessThanOrEqualTo(machine.ink() + 1e-9);
            }
        }
    }

    @Test
    void whatDriesLongerIsHarderToFree() {
        int young = 0;
        int old = 0;
        for (long seed = 0; seed < 40; seed++) {
            var one = SickCases.of(seed).machine();
            var other = one.copy();
            other.rest(24 * 20);
            young += one.silent();
            old += other.silent();
        }
        assertThat(old).isGreaterThan(young);
    }

    @Test
    void aCarefulHandCuresMoreThanNobodyAndBreaksNoRule() {
        int cured = 0;
        for (long seed = 700; seed < 720; seed++) {
            var bed = new Bedside(SickCases.of(seed));
            var said = new ArrayList<String>();
            var end = AdvisedHand.treat(bed, Table.USUAL, seed, (_, next, _) -> said.add(next.toString()));
            assertThat(bed.rulesBroken()).as("seed %d: %s", seed, said).isZero();
            cured += end == AdvisedHand.End.DONE && bed.machine().fit(2) ? 1 : 0;
        }
        assertThat(cured).isGreaterThan(10);
    }
}
