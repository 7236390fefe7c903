package fairkettle.routine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How quickly things dry, and for how long. */
class DryingTest {

    private static final Instant START = Instant.parse("2026-11-20T08:00:00Z");

    @ParameterizedTest
    @CsvSource({
        "22, 50, 1.322, 1.0",
        "30, 25, 3.182, 2.41",
        "18, 60, 0.826, 0.62",
        "26, 35, 2.185, 1.65",
        "40, 5, 7.008, 3.0",
        "5, 95, 0.0436, 0.5"
    })
    void airDrawsWaterByItsDeficit(double celsius, double humidity, double deficit, double factor) {
        var air = new Air(START, celsius, humidity);
        assertThat(air.deficit()).isCloseTo(deficit, within(.002));
        assertThat(air.drying()).isCloseTo(factor, within(.006));
    }

    @Test
    void aDayInReferenceAirIsADayAndInDryAirIsMore() {
        assertThat(Drying.hours(steady(22, 50), START, at(24))).isCloseTo(24, within(1e-9));
        assertThat(Drying.hours(steady(30, 25), START, at(24))).isCloseTo(24 * 2.4068, within(.02));
    }

    @Test
    void betweenTwoReadingsTheFactorGoesStraight() {
        var readings = List.of(new Air(START, 22, 50), new Air(at(10), 30, 25));
        double end = readings.get(1).drying();
        assertThat(Drying.hours(readings, START, at(10))).isCloseTo(10 * (1 + end) / 2, within(1e-9));
        assertThat(Drying.hours(readings, START, at(5))).isCloseTo(5 * (1 + (1 + end) / 2) / 2, within(1e-9));
    }

    @Test
    void atAMomentItIsWhatTheReadingsAroundItSay() {
        var curve = new DryingCurve(List.of(new Air(at(20), 22, 50), new Air(at(30), 30, 25)));
        double dry = new Air(at(30), 30, 25).drying();

        assertThat(curve.at(at(20))).isEqualTo(1);
        assertThat(curve.at(at(25))).isCloseTo((1 + dry) / 2, within(1e-9));
        assertThat(curve.at(at(40))).as("it speaks for eighteen hours").isCloseTo(dry, within(1e-9));
        assertThat(curve.at(at(49))).isEqualTo(1);
        assertThat(new DryingCurve(List.of()).at(START)).isEqualTo(1);
    }

    @RepeatedTest(50)
    void aMomentIsTheAverageOfTheShortestTime(RepetitionInfo repetition) {
        var random = new Random(repetition.getCurrentRepetition());
        var readings = new ArrayList<Air>();
        for (double hour = 0; hour < 200; hour += 1 + random.nextInt(60)) {
            readings.add(new Air(at(hour), 15 + random.nextInt(20), 20 + random.nextInt(60)));
        }
        var curve = new DryingCurve(readings);
        var moment = at(random.nextInt(250) + .5); // readings stand at whole hours, and so do the edges of their reach

        assertThat(curve.at(moment))
                .isCloseTo(curve.average(moment.minusSeconds(1), moment.plusSeconds(1)), within(1e-6));
    }

    @Test
    void whatNobodyReadCountsAsUsualAir() {
        var readings = List.of(new Air(at(100), 30, 25));
        assertThat(Drying.average(readings, START, at(70))).isEqualTo(1);
        assertThat(Drying.average(readings, at(100), at(110)))
                .isCloseTo(readings.getFirst().drying(), within(1e-9));
        assertThat(Drying.average(List.of(), START, at(9))).isEqualTo(1);
    }

    @RepeatedTest(40)
    void timeAddsUpAndIsNeverWorthLessThanHalfOrMoreThanThrice(RepetitionInfo run) {
        var random = new Random(run.getCurrentRepetition());
        var readings = new ArrayList<Air>();
        double hour = random.nextDouble() * 20;
        for (int i = 0; i < 12; i++) {
            readings.add(new Air(at(hour), 5 + 30 * random.nextDouble(), 10 + 80 * random.nextDouble()));
            hour += .5 + random.nextDouble() * 50;
        }
        double cut = random.nextDouble() * 300;
        double whole = Drying.hours(readings, START, at(300));
        assertThat(Drying.hours(readings, START, at(cut)) + Drying.hours(readings, at(cut), at(300)))
                .isCloseTo(whole, within(.01));
        assertThat(whole).isBetween(150.0 - 1e-6, 900.0 + 1e-6);
    }

    @Test
    void theAirIsSpokenOfInPlainWords() {
        assertThat(RoomAdvice.of(steady(22, 50), at(24)))
                .containsExactly("The air is fine: between 40 and 60 % and neither hot nor cold, nothing needs doing.");
        assertThat(RoomAdvice.of(steady(29, 24), at(24)))
                .hasSize(2)
                .first()
                .asString()
                .contains("flush caps");
        assertThat(RoomAdvice.of(steady(20, 75), at(24)).getFirst()).contains("damp");
        assertThat(RoomAdvice.of(List.of(), START).getFirst()).contains("Nobody has read the room");
        assertThatThrownBy(() -> new Air(START, 22, 140)).hasMessageContaining("140");
    }

    private static List<Air> steady(double celsius, double humidity) {
        var readings = new ArrayList<Air>();
        for (int i = 0; i <= 4; i++) {
            readings.add(new Air(at(i * 6), celsius, humidity));
        }
        return readings;
    }

    private static Instant at(double hours) {
        return START.plus(Duration.ofSeconds((long) (hours * 3600)));
    }
}
