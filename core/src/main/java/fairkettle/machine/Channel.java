package fairkettle.machine;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import java.util.List;

/**
 * One slot of a machine and the path behind it.
 *
 * @param path in flow order, from where ink is filled in to the head
 * @param nozzles teeth of the nozzle check's comb
 */
public record Channel(ChannelCode code, List<Vessel> path, int nozzles) {

    public Channel {
        path = List.copyOf(path);
        if (path.isEmpty()) {
            throw new IllegalArgumentException("Channel %s has no vessel.".formatted(code));
        }
        for (int i = 1; i < path.size(); i++) {
            if (path.get(i - 1).kind().compareTo(path.get(i).kind()) >= 0) {
                throw new IllegalArgumentException("The vessels of channel %s are not in flow order.".formatted(code));
            }
        }
        if (nozzles < 1) {
            throw new IllegalArgumentException("Channel %s needs at least one nozzle.".formatted(code));
        }
    }

    /** @throws IllegalArgumentException if there is no such vessel on its path */
    public Vessel vessel(VesselKind kind) {
        // why loops: the planner asks for vessels thousands of times for one plan
        for (var vessel : path) {
            if (vessel.kind() == kind) {
                return vessel;
            }
        }
        throw new IllegalArgumentException("Channel %s has no %s.".formatted(code, kind.label()));
    }

    public boolean has(VesselKind kind) {
        for (var vessel : path) {
            if (vessel.kind() == kind) {
                return true;
            }
        }
        return false;
    }

    /**
     * Whether hands meet the ends of its line, so that they want a name: what was fitted lies open, and of the lines
     * built in the white ones are taken apart.
     */
    public boolean lineLiesOpen(Feed feed) {
        return has(VesselKind.TUBE) && (feed != Feed.AS_BUILT || code.white());
    }

    public Vessel first() {
        return path.getFirst();
    }

    public Millilitres capacity() {
        long all = 0;
        for (var vessel : path) {
            all += vessel.capacity().microlitres();
        }
        return new Millilitres(all);
    }
}
