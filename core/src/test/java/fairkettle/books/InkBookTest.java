package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.books.InkBook.Flow;
import fairkettle.books.InkBook.Price;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Substance;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class InkBookTest {

    private static final Currency POUNDS = Currency.getInstance("GBP");
    private static final Substance CYAN = ink("C");
    private static final Price TEN_POUNDS_A_BOTTLE = new Price(1000, 100_000);

    private static Substance ink(String code) {
        return new Substance.Ink(Family.SUBLIMATION, ChannelCode.of(code), 7);
    }

    @Test
    void whatCameInIsInTheHouseAndCostsNothingYet() {
        var lines = InkBook.lines(
                List.of(
                        new Flow("C", Cause.BOUGHT, CYAN, -100_000),
                        new Flow("C", Cause.PRINTS, CYAN, 12_345),
                        new Flow("C", Cause.CLEANINGS, CYAN, 655)),
                _ -> TEN_POUNDS_A_BOTTLE,
                POUNDS);
        assertThat(lines).singleElement().satisfies(line -> {
            assertThat(line.came()).isEqualTo(100_000);
            assertThat(line.gone()).isEqualTo(13_000);
            assertThat(line.cost().minor()).isEqualTo(130);
        });
    }

    @Test
    void threeThirdsOfAPennyAreOnePenny() {
        var flows = List.of("K", "C", "M").stream()
                .map(c -> new Flow(c, Cause.PRINTS, ink(c), 1))
                .toList();
        assertThat(InkBook.lines(flows, _ -> new Price(1, 3), POUNDS))
                .extracting(line -> line.cost().minor())
                .containsExactly(1L, 0L, 0L);
    }

    @Test
    void whateverIsStruckOutInALaterMonthComesOffIt() {
        var flows = List.of(
                new Flow("September", Cause.PRINTS, CYAN, 20_000), new Flow("October", Cause.PRINTS, CYAN, -20_000));
        assertThat(InkBook.lines(flows, _ -> TEN_POUNDS_A_BOTTLE, POUNDS))
                .extracting(line -> line.cost().minor())
                .containsExactly(200L, -200L);
    }

    @Test
    void linesAddUpToTheWholeHoweverItIsCut() {
        var random = new Random(31);
        for (int round = 0; round < 500; round++) {
            var flows = new ArrayList<Flow>();
            int groups = 1 + random.nextInt(9);
            for (int i = 0; i < 40; i++) {
                flows.add(new Flow(
                        "g" + random.nextInt(groups),
                        Cause.values()[random.nextInt(Cause.values().length)],
                        ink("KCMY".substring(i % 4, i % 4 + 1)),
                        random.nextInt(-5_000, 20_000)));
            }
            var price = new Price(1 + random.nextInt(3000), 1 + random.nextInt(200_000));
            var lines = InkBook.lines(flows, _ -> price, POUNDS);
            var whole = InkBook.lines(
                    flows.stream()
                            .map(f -> new Flow("all", f.cause(), f.substance(), f.microlitres()))
                            .toList(),
                    _ -> price,
                    POUNDS);
            assertThat(lines.stream().mapToLong(l -> l.cost().minor()).sum())
                    .isEqualTo(whole.getFirst().cost().minor());
            assertThat(lines.stream().mapToLong(l -> l.gone() - l.came()).sum())
                    .isEqualTo(flows.stream().mapToLong(Flow::microlitres).sum());
        }
    }

    @Test
    void aBottleOfNothingHasNoPrice() {
        assertThatThrownBy(() -> new Price(100, 0)).hasMessageContaining("tells nothing");
    }
}
