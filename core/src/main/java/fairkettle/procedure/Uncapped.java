package fairkettle.procedure;

import fairkettle.ink.Family;
import java.util.List;
import java.util.Set;

/**
 * How long a head is to stand off its dock, by the minutes of the steps. Nobody in the trade gives a figure for a bare
 * head: the rule is never in the air, always on a wet cloth. The limit is ours.
 *
 * @param bare the longest stretch in the air, in minutes
 * @param onCloth minutes on a wet cloth, altogether
 */
public record Uncapped(int bare, int onCloth) {

    /** Minutes in the air that no plan exceeds, where the shop says nothing else. */
    public static final int BARE_LIMIT = 20;

    private static final double WITH_RESIN = .75; // what holds film and pigment on cloth sets in a nozzle too

    /**
     * Minutes that a head may stand in the air, by its inks and by the air around it.
     *
     * @param shops limit for dye, in air of 22 °C and 50 %
     * @param inks that are in it, or come in: the one that sets soonest counts; none as dye
     * @param drying how many times as fast as in that air things dry
     * @return at least one
     */
    public static int limit(int shops, Set<Family> inks, double drying) {
        boolean resin = inks.contains(Family.FILM) || inks.contains(Family.MAKERS_PIGMENT);
        return (int) Math.max(1, Math.floor(shops * (resin ? WITH_RESIN : 1) / drying));
    }

    public static Uncapped of(MachineState start, List<Step> steps) {
        var state = start;
        int longest = 0;
        int stretch = 0;
        int onCloth = 0;
        for (var step : steps) {
            state = state.with(step.effects());
            boolean free = "free".equals(state.value(Facet.CARRIAGE, null));
            boolean cloth = "on a wet cloth".equals(state.value(Facet.HEAD_REST, null));
            long minutes = step.minutes()
                    + (step.pause() == null ? 0 : step.pause().min().toMinutes());
            if (free && cloth) {
                onCloth += (int) minutes;
                stretch = 0;
            } else {
                stretch = free ? stretch + (int) minutes : 0;
            }
            longest = Math.max(longest, stretch);
        }
        return new Uncapped(longest, onCloth);
    }
}
