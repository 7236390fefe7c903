package fairkettle.changeover;

import fairkettle.ink.Millilitres;
import fairkettle.machine.VesselKind;
import java.util.List;

/**
 * A way of rinsing that a route offers, with its reach: the vessels the rinse really flows through.
 *
 * @param wetting the least volume that wets the vessels; less than that runs past
 * @param minutesEach handling of one rinse
 * @param most the largest single dose: what is free above the heels, so that nothing runs over
 * @param chaser new ink that follows the fluid through the same reach; zero if the rinse is ink itself
 */
public record RinseStage(
        String name,
        List<VesselKind> reach,
        Millilitres wetting,
        int maxRinses,
        double minutesEach,
        Millilitres most,
        Millilitres chaser) {

    public RinseStage {
        reach = reach.stream().sorted().toList();
        if (most.compareTo(wetting) < 0) {
            throw new IllegalArgumentException(
                    "%s: %s mL wet it, and only %s mL go in.".formatted(name, wetting, most));
        }
    }

    /** Doses of a volume that each go in. */
    public int doses(Millilitres volume) {
        return (int) Math.max(1, Math.ceilDiv(volume.microlitres(), most.microlitres()));
    }

    public RinseStage chasedBy(Millilitres volume) {
        return new RinseStage(name, reach, wetting, maxRinses, minutesEach, most, volume);
    }
}
