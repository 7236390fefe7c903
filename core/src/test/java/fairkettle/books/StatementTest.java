package fairkettle.books;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.books.Statement.Line;
import fairkettle.books.Statement.Part;
import fairkettle.books.Statement.Tax;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Money;
import fairkettle.ink.Substance;
import java.util.Currency;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class StatementTest {

    private static final Currency POUNDS = Currency.getInstance("GBP");

    private static Statement of(int sheets, @Nullable Tax tax, long ink, long hands) {
        return new Statement(
                List.of(
                        new Line(Part.PRINTED, 40, "mL", new Money(ink, POUNDS)),
                        new Line(Part.HANDS, 90, "min", new Money(hands, POUNDS))),
                sheets,
                tax,
                POUNDS);
    }

    @Test
    void aSheetCostsItsShareOfEverything() {
        var month = of(40, null, 480, 2700);
        assertThat(month.total().minor()).isEqualTo(3180);
        assertThat(month.perSheet()).isEqualTo(new Money(80, POUNDS)); // 79.5
        assertThat(of(0, null, 480, 2700).perSheet()).isNull();
        assertThat(month.taxed()).isNull();
    }

    @Test
    void taxIsOnWhatIsBoughtAndNotOnHands() {
        var with = of(1, new Tax(20, true), 1200, 5000).taxed();
        assertThat(with)
                .isEqualTo(
                        new Statement.Taxed(new Money(1000, POUNDS), new Money(200, POUNDS), new Money(1200, POUNDS)));
        var without = of(1, new Tax(20, false), 1200, 5000).taxed();
        assertThat(without)
                .isEqualTo(
                        new Statement.Taxed(new Money(1200, POUNDS), new Money(240, POUNDS), new Money(1440, POUNDS)));
    }

    @Test
    void whateverTheTaxNetAndTaxAreGross() {
        var random = new Random(3);
        for (int i = 0; i < 500; i++) {
            var taxed = of(1, new Tax(random.nextInt(300) / 10.0, random.nextBoolean()), random.nextInt(100_000), 0)
                    .taxed();
            assertThat(taxed).isNotNull();
            assertThat(taxed.net().plus(taxed.tax())).isEqualTo(taxed.gross());
        }
        assertThatThrownBy(() -> new Tax(-1, true)).hasMessageContaining("is none");
    }

    @Test
    void everyCauseHasItsLineButWhatCameIn() {
        for (var cause : Cause.values()) {
            assertThat(Part.of(cause, new Substance.Fluid(Family.FILM)) == null).isEqualTo(cause.comesIn());
            assertThat(Part.of(cause, new Substance.Ink(Family.FILM, ChannelCode.of("C"), 1)) == null)
                    .isEqualTo(cause.comesIn());
        }
    }
}
