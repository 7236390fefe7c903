package fairkettle.books;

import fairkettle.ink.Money;
import fairkettle.ink.Substance;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Currency;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a time cost the shop: material at what was paid for it, and hands.
 *
 * @param sheets for customers that came out meanwhile
 */
public record Statement(
        List<Line> lines, int sheets, @Nullable Tax tax, Currency currency) {

    /** What a line is of. */
    public enum Part {
        PRINTED("ink on customers’ sheets", true),
        UPKEEP("ink for keeping machines alive", true),
        CHANGED("ink for changing machines over", true),
        PUT_RIGHT("ink put right, dried or lost", true),
        FLUID("cleaning fluid", true),
        PARTS("paper, parts and what is used up", true),
        PADS("waste pads", true),
        WASTE("being rid of waste", true),
        HANDS("hands for upkeep, cures and checks", false);

        private final String label;
        private final boolean material;

        Part(String label, boolean material) {
            this.label = label;
            this.material = material;
        }

        public String label() {
            return label;
        }

        /** Of what left for a cause; null for what came in. */
        public static @Nullable Part of(Cause cause, Substance what) {
            return cause.comesIn() ? null : what instanceof Substance.Fluid ? FLUID : of(cause);
        }

        private static @Nullable Part of(Cause cause) {
            return switch (cause) {
                case BOUGHT, BROUGHT_IN -> null;
                case PRINTS -> PRINTED;
                case CHECKS, CLEANINGS, POWER_CLEANINGS, PURGES, DRAWN -> UPKEEP;
                case CHARGES, DRAINS, RINSES, PUT_ASIDE -> CHANGED;
                case EVAPORATED, CORRECTIONS, OTHER -> PUT_RIGHT;
            };
        }
    }

    /** @param amount mL, pieces or minutes, as {@code unit} says */
    public record Line(Part part, double amount, String unit, Money cost) {}

    /** @param percent on what is bought; @param included whether prices are entered with it */
    public record Tax(double percent, boolean included) {
        public Tax {
            if (!(percent >= 0 && percent <= 100)) {
                throw new IllegalArgumentException("A tax of (%s) per cent is none.".formatted(percent));
            }
        }
    }

    /** Material without its tax, the tax, and both: they add up exactly. */
    public record Taxed(Money net, Money tax, Money gross) {}

    public Statement {
        lines = List.copyOf(lines);
    }

    public Money total() {
        return Money.sum(lines.stream().map(Line::cost).toList(), currency);
    }

    /** Everything but hands. */
    public Money material() {
        return Money.sum(
                lines.stream().filter(l -> l.part().material).map(Line::cost).toList(), currency);
    }

    /** Null where the shop shows no tax. Halves of a minor unit are rounded up. */
    public @Nullable Taxed taxed() {
        if (tax == null) {
            return null;
        }
        var entered = BigDecimal.valueOf(material().minor());
        var percent = BigDecimal.valueOf(tax.percent());
        var hundred = BigDecimal.valueOf(100);
        long amount = entered.multiply(percent)
                .divide(tax.included() ? hundred.add(percent) : hundred, 0, RoundingMode.HALF_UP)
                .longValueExact();
        long net = tax.included() ? material().minor() - amount : material().minor();
        return new Taxed(new Money(net, currency), new Money(amount, currency), new Money(net + amount, currency));
    }

    /** What a sheet cost with all that kept its machine alive; null while none came out. */
    public @Nullable Money perSheet() {
        return sheets == 0
                ? null
                : new Money(
                        BigDecimal.valueOf(total().minor())
                                .divide(BigDecimal.valueOf(sheets), 0, RoundingMode.HALF_UP)
                                .longValueExact(),
                        currency);
    }
}
