package fairkettle.changeover;

import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import org.jspecify.annotations.Nullable;

/**
 * One point on the line from quick to strict.
 *
 * @param problem why there is no such plan, or null; then the figures are empty
 * @param rinses of the channel that needs most, in words: "3 × 5 mL, then 2 × 2 mL"
 */
public record TradeOff(
        double purity,
        @Nullable String problem,
        String rinses,
        Millilitres liquid,
        int rinseCount,
        long minutes,
        @Nullable Money cost) {

    static TradeOff none(double purity, String reason) {
        return new TradeOff(purity, reason, "", Millilitres.ZERO, 0, 0, null);
    }

    static TradeOff of(Plan plan, double purity) {
        var worst = plan.channels().stream()
                .max(java.util.Comparator.comparingInt(ChannelPlan::rinseCount))
                .orElseThrow();
        var words = worst.rinses().stream()
                .filter(s -> s.count() > 0)
                .map(s -> "%d × %s mL".formatted(s.count(), s.volume()))
                .toList();
        return new TradeOff(
                purity,
                null,
                words.isEmpty() ? "no rinse" : String.join(", then ", words),
                plan.rinseLiquid(),
                worst.rinseCount(),
                plan.times().handsOn().toMinutes(),
                plan.total());
    }
}
