package fairkettle.standin.machine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.machine.Profiles;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Simulated machines behave like machines: what stands dries, what is printed stays open, what is forced pays. */
class SimMachineTest {

    private static final Instant START = Instant.parse("2026-02-02T09:00:00Z");

    @Test
    void theSameSeedIsTheSameMachine() {
        var one = machine("wide-tank", 4);
        var other = machine("wide-tank", 4);
        for (var each : new SimMachine[] {one, other}) {
            each.advance(START.plus(Duration.ofDays(30)));
            each.take(new Act.Clean());
        }
        assertThat(one.shut()).isEqualTo(other.shut());
        assertThat(one.levels()).isEqualTo(other.levels());
        assertThat(machine("wide-tank", 5).levels()).isNotEqualTo(one.levels());
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5})
    void idleMachinesDryAndPrintingOnesDoNot(int seed) {
        var idle = machine("small-tank", seed);
        var busy = machine("small-tank", seed);
        for (int day = 1; day <= 40; day++) {
            idle.advance(START.plus(Duration.ofDays(day)));
            busy.advance(START.plus(Duration.ofDays(day)));
            busy.levels().keySet().forEach(code -> busy.take(new Act.Purge(code, .3)));
        }
        assertThat(total(idle)).isGreaterThan(total(busy) + 10);
    }

    @Test
    void whiteSettlesAndColourDoesNot() {
        var film = machine("film-rebuilt", 3);
        film.advance(START.plus(Duration.ofDays(6)));
        assertThat(strength(film, "W1")).isLessThan(.6);
        assertThat(strength(film, "C")).isEqualTo(1);
        film.take(new Act.Circulate());
        assertThat(strength(film, "W1")).isGreaterThan(.8);
    }

    private static double strength(SimMachine machine, String code) {
        return machine.check().stream()
                .filter(m -> m.code().equals(code))
                .findFirst()
                .orElseThrow()
                .strength();
    }

    @Test
    void softeningFreesWhatACleaningAloneDoesNot() {
        var cleaned = machine("wide-tank", 8);
        var soaked = machine("wide-tank", 8);
        for (var each : new SimMachine[] {cleaned, soaked}) {
            each.dry("M", 2500);
        }
        cleaned.take(new Act.Clean());
        soaked.take(new Act.Soak(10));
        soaked.take(new Act.OvernightSoak());
        soaked.take(new Act.Clean());
        assertThat(soaked.shut().get("M")).isLessThan(cleaned.shut().get("M"));
    }

    @Test
    void deadNozzlesStayDead() {
        var machine = machine("wide-tank", 9);
        machine.kill("C", 10, 14);
        for (int i = 0; i < 5; i++) {
            machine.take(new Act.OvernightSoak());
            machine.take(new Act.Clean());
        }
        assertThat(machine.shut().get("C")).isEqualTo(4);
    }

    @Test
    void aShutVentStarvesThePageAndARestFeedsItAgain() {
        var machine = machine("wide-tank", 2);
        machine.take(new Act.ShutVent("C"));
        var page = machine.supply(Map.of("C", 1.4), 100).get("C");
        assertThat(page[0]).isGreaterThan(.9f);
        assertThat(page[99]).isLessThan(.5f);
        machine.take(new Act.OpenVent("C"));
        machine.advance(START.plus(Duration.ofHours(4)));
        assertThat(machine.supply(Map.of("C", .7), 100).get("C")[60]).isGreaterThan(.85f);
    }

    @Test
    void cleaningsFillThePadUntilItRefuses() {
        var machine = machine("small-tank", 1);
        int cleanings = 0;
        while (machine.reportedPad() < 100 && cleanings < 500) {
            machine.levels().keySet().forEach(code -> machine.take(new Act.Fill(code, 5)));
            machine.take(new Act.Clean());
            cleanings++;
        }
        assertThat(cleanings).isBetween(20, 200);
        assertThatThrownBy(() -> machine.take(new Act.Clean())).hasMessageContaining("pad is full");
        machine.take(new Act.NewPad());
        machine.take(new Act.Clean());
    }

    @Test
    void ignoredChipsSayFullForEver() {
        var honest = machine("small-tank", 6);
        var ignoring = new SimMachine("Teasel", Profiles.named("small-cartridge"), 6, new Climate(1), START, true);
        honest.take(new Act.Purge("C", 20));
        ignoring.take(new Act.Purge("C", 5));
        assertThat(honest.reportedLevels().get("C")).isLessThan(100);
        assertThat(ignoring.reportedLevels().values()).containsOnly(100);
        assertThat(ignoring.levels().get("C")).isLessThan(12);
    }

    @Test
    void nothingComesFromNothing() {
        var machine = machine("small-tank", 7);
        double before = machine.levels().get("M");
        machine.take(new Act.Purge("M", 3));
        assertThat(machine.levels().get("M")).isBetween(before - 3.001, before - 2.9);
        machine.take(new Act.Fill("M", 500));
        assertThat(machine.levels().get("M")).isEqualTo(60);
        assertThatThrownBy(() -> machine.take(new Act.Purge("LC", 1))).hasMessageContaining("no channel LC");
    }

    @Test
    void theRoomIsDryInWinterAndTheProbeStaysInRange() {
        var climate = new Climate(11);
        double winter = 0;
        double summer = 0;
        for (int day = 0; day < 28; day++) {
            winter += climate.at(Instant.parse("2026-01-02T12:00:00Z").plus(Duration.ofDays(day)))
                    .humidity();
            var air = climate.at(Instant.parse("2026-07-02T12:00:00Z").plus(Duration.ofDays(day)));
            summer += air.humidity();
            assertThat(air.drying()).isBetween(.5, 3.0);
        }
        assertThat(winter).isLessThan(summer);
    }

    private static int total(SimMachine machine) {
        return machine.shut().values().stream().mapToInt(Integer::intValue).sum();
    }

    static SimMachine machine(String profile, long seed) {
        return new SimMachine("Bramble", Profiles.named(profile), seed, new Climate(1), START, false);
    }
}
