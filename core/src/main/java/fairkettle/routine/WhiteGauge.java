package fairkettle.routine;

import fairkettle.machine.VesselKind;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How much of the white has settled in each vessel of one channel.
 *
 * @param tooMuch when the first of them is beyond its limit, or null where nothing stands in it
 */
public record WhiteGauge(
        String channel, List<Layer> layers, @Nullable Instant tooMuch) {

    /** @param share settled now, 0 to 1; {@code limit} at which something must be done; {@code at} when that is */
    public record Layer(VesselKind vessel, double depth, double share, double limit, Instant at) {}

    /** @param shaken when tank and bottle were last stirred; @param moved since when the line has stood */
    public static WhiteGauge of(
            String channel, Settling settling, List<DepthOf> depths, Instant shaken, Instant moved, Instant now) {
        var layers = depths.stream()
                .filter(d -> d.depth > 0)
                .map(d -> {
                    boolean tank = d.vessel == VesselKind.TANK || d.vessel == VesselKind.CARTRIDGE;
                    var since = tank ? shaken : moved;
                    double limit = tank ? Settling.LIMIT_IN_TANK : Settling.LIMIT_IN_LINE;
                    return new Layer(
                            d.vessel,
                            d.depth,
                            settling.share(d.depth, Duration.between(since, now)),
                            limit,
                            since.plus(settling.until(limit, d.depth)));
                })
                .toList();
        return new WhiteGauge(
                channel,
                layers,
                layers.stream().map(Layer::at).min(Instant::compareTo).orElse(null));
    }

    /** mm of ink in a vessel now. */
    public record DepthOf(VesselKind vessel, double depth) {}
}
