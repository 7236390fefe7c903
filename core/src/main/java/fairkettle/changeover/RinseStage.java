package fairkettle.changeover;

import fairkettle.ink.Millilitres;
import fairkettle.machine.VesselKind;
import java.util.List;

/**
 * A way of rinsing that a route offers, with its reach: the vessels the rinse really flows through.
 *
 * @param wetting the least volume that wets the vessels; less than that runs past
 * @param minutesEach handling of one rinse
 * @param chaser new ink that follows the fluid through the same reach; zero if the rinse is ink itself
 */
public record RinseStage(
        String name,
        List<VesselKind> reach,
        Millilitres wetting,
        int maxRinses,
        double minutesEach,
        Millilitres chaser) {

    public RinseStage {
        reach = reach.stream().sorted().toList();
    }

    public RinseStage chasedBy(Millilitres volume) {
        return new RinseStage(name, reach, wetting, maxRinses, minutesEach, volume);
    }
}
