package fairkettle.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.ink.ChannelCode;
import fairkettle.job.InkUse.Measured;
import fairkettle.job.Separation.Tone;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class InkUseTest {

    private static final Tone SOLID = new Tone(1, 0);
    private static final Tone HALF = new Tone(.5, 1);

    @Test
    void withNoJobKnownAFullSheetTakesWhatTheProfileSays() {
        var usual = InkUse.of(List.of());

        assertThat(usual.learned()).isFalse();
        assertThat(usual.mL(.7, SOLID)).isEqualTo(.7);
        assertThat(usual.mL(.7, Tone.NONE)).isZero();
    }

    @Test
    void largerDropsAndGrowingDotsAreToldApart() {
        var jobs = new ArrayList<Measured>();
        for (int i = 0; i < 12; i++) {
            jobs.add(new Measured(20, SOLID, 20 * 1.3));
            jobs.add(new Measured(20, HALF, 20 * (1.3 * .5 + .2)));
        }

        var learned = InkUse.of(jobs);

        assertThat(learned.drops()).isCloseTo(1.3, within(.03));
        assertThat(learned.gain()).isCloseTo(.2, within(.03));
    }

    @Test
    void aLargeJobTeachesMoreThanASmallOneAndEachMakesItSurer() {
        double small = InkUse.of(List.of(new Measured(.3, SOLID, .6))).drops();
        double large = InkUse.of(List.of(new Measured(30, SOLID, 60))).drops();
        assertThat(small).isBetween(1.0, large);

        var dice = new Random(5);
        var jobs = new ArrayList<Measured>();
        double before = InkUse.of(jobs).mayDiffer(10, HALF);
        for (int i = 0; i < 8; i++) {
            jobs.add(new Measured(5 + dice.nextInt(20), HALF, 8));
            double now = InkUse.of(jobs).mayDiffer(10, HALF);
            assertThat(now).isPositive();
            before = now < before || i > 4 ? now : before;
        }
        assertThat(before).isLessThan(InkUse.of(List.of()).mayDiffer(10, HALF));
    }

    @Test
    void aBarePixelTakesNothingAndABlackOneBlackAlone() {
        var separated = new Separation();
        separated.add(0, 0, 0, 255);
        separated.add(200, 10, 10, 0);
        var tones = separated.tones();

        assertThat(tones.get("K")).isEqualTo(new Tone(.5, 0));
        assertThat(tones.get("C")).isEqualTo(Tone.NONE);
        assertThat(tones.get("W")).isEqualTo(new Tone(.5, 0));
    }

    @Test
    void lightInksTakeThePaleHalfAndWhitesShare() {
        var separated = new Separation();
        separated.add(255 - 51, 255, 255, 255); // a fifth of cyan
        var six = Separation.onto(codes("K", "C", "M", "Y", "LC", "LM"), separated.tones());
        var four = Separation.onto(codes("K", "C", "M", "Y", "W1", "W2"), separated.tones());

        assertThat(six.get(ChannelCode.of("C")).mean()).isZero();
        assertThat(six.get(ChannelCode.of("LC")).mean()).isCloseTo(.4, within(1e-9));
        assertThat(four.get(ChannelCode.of("C")).mean()).isCloseTo(.2, within(1e-9));
        assertThat(four.get(ChannelCode.of("W1")).mean()).isEqualTo(.5);
    }

    private static List<ChannelCode> codes(String... codes) {
        return java.util.Arrays.stream(codes).map(ChannelCode::of).toList();
    }

    @Test
    void aTankLastsIfItsReserveIsLeftEvenWhenTheJobTakesMore() {
        var lasts = new Lasts(ChannelCode.of("M"), 12, 2, 30, 15);
        var not = new Lasts(ChannelCode.of("M"), 12, 4, 30, 15);

        assertThat(lasts.yes()).isTrue();
        assertThat(lasts.topUp()).isZero();
        assertThat(not.yes()).isFalse();
        assertThat(not.topUp()).isEqualTo(1);
        assertThat(Map.of("after", not.after())).containsEntry("after", 18.0);
    }
}
