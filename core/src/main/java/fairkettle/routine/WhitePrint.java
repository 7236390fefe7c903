package fairkettle.routine;

import fairkettle.machine.Channel;
import fairkettle.machine.Vessel;
import fairkettle.machine.VesselKind;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * How dense a print of settled white is, from its first centimetre to its last.
 *
 * <p>Each vessel’s ink comes in its turn. Of what has settled, a part lies where the ink leaves and comes first, thick,
 * carried off exponentially with the volume drawn; a part is picked up by the flow all along; the rest stays on the
 * floor. So what a vessel gives is never more than it held.
 *
 * @param density along the print, 1 where the ink is as it was mixed
 * @param words what one would see
 */
public record WhitePrint(List<Double> density, String words) {

    private static final int POINTS = 24;
    // The three shares below are assumed, in the order of what is seen at the bench; only the settling itself follows a
    // law (Settling, Stokes).
    /** Of what has settled, what is taken along again. */
    private static final double TAKEN = 0.25;
    /** And what the flow picks up all along. */
    private static final double PICKED_UP = 0.45;
    /** Of a vessel’s volume, over which that is carried off. */
    private static final double CARRIED = 0.12;

    private static final double SEEN = 0.08; // a difference in density that an eye notices on dark film

    public WhitePrint {
        density = List.copyOf(density);
    }

    /**
     * @param sheets printed in one go; {@code perSheet} mL of a sheet
     * @param shaken how often bottle and tank were shaken, evenly spread over the days
     * @param moved how often the line’s white was moved in that time
     */
    public static WhitePrint of(
            Channel channel, Settling settling, double days, int shaken, int moved, double sheets, double perSheet) {
        var vessels = channel.path().stream()
                .filter(v -> v.kind() != VesselKind.HEAD)
                .toList()
                .reversed();
        double drawn = sheets * perSheet;
        var along = new ArrayList<Double>();
        for (int i = 0; i < POINTS; i++) {
            along.add(at(vessels, settling, days, shaken, moved, drawn * (i + .5) / POINTS));
        }
        return new WhitePrint(along, words(along));
    }

    private static double at(List<Vessel> vessels, Settling settling, double days, int shaken, int moved, double mL) {
        double before = 0;
        for (var vessel : vessels) {
            double volume = vessel.capacity().mL();
            if (mL <= before + volume || vessel == vessels.getLast()) {
                boolean stirred = vessel.kind() == VesselKind.TANK || vessel.kind() == VesselKind.CARTRIDGE;
                double stood = days / (1 + (stirred ? shaken : moved));
                double settled = settling.share(vessel.depthAt(1), Duration.ofSeconds(Math.round(stood * 86_400)));
                double into = Math.min(1, (mL - before) / volume);
                return 1 - settled * (1 - PICKED_UP) + settled * TAKEN / CARRIED * Math.exp(-into / CARRIED);
            }
            before += volume;
        }
        return 1;
    }

    private static String words(List<Double> along) {
        double first = along.getFirst();
        double last = along.getLast();
        double least = along.stream().min(Comparator.naturalOrder()).orElse(1.0);
        double most = along.stream().max(Comparator.naturalOrder()).orElse(1.0);
        if (most - least < SEEN && 1 - least < SEEN) {
            return "Even from the first centimetre to the last.";
        }
        if (first - least >= SEEN) {
            return "Dense at first, thin after it: that is the line and the damper, not the head. "
                    + (last - least >= SEEN
                            ? "Further on the tank’s own ink comes."
                            : "Shaking the bottle alone does not free the line.");
        }
        return "Thin all along: the pigment lies on the floor of tank and bottle.";
    }
}
