package fairkettle.changeover;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Supply;
import java.util.Map;

/**
 * What the shelf has free for a job: neither spoiled nor reserved for another card.
 *
 * @param ink fit for the target, by channel
 * @param fluid for the target family
 */
public record Stock(Map<ChannelCode, Millilitres> ink, Millilitres fluid, Map<Supply, Integer> supplies) {

    public static final Stock NONE = new Stock(Map.of(), Millilitres.ZERO, Map.of());

    public Stock {
        ink = Map.copyOf(ink);
        supplies = Map.copyOf(supplies);
    }
}
