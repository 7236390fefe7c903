package fairkettle.machine;

import fairkettle.ink.Millilitres;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/** When a vessel wants ink again, and for how long it will do. */
public final class Refilling {

    private static final int ENOUGH = 3; // refills before a forecast is worth its name
    private static final double PAGE = 0.15; // of a fully covered sheet, per channel: an ordinary page

    private static final Millilitres MAKERS_CARTRIDGE = Millilitres.parse("12"); // what a maker's small cartridge holds
    private static final double LAST_MARK = 0.08; // of a full vessel
    private static final double APART = 0.25; // of a full vessel: a count that is further off is not to be believed

    private Refilling() {}

    /** Whether a level is so low that printing on may draw air. */
    public static boolean atLastMark(Millilitres level, Millilitres capacity) {
        return level.mL() <= LAST_MARK * capacity.mL();
    }

    /**
     * Whether what a machine says is too far from what is in it. @param says share of a full vessel; @param was by the
     * account, likewise
     */
    public static boolean apart(double says, double was) {
        return Math.abs(says - was) > APART;
    }

    /** How many of a maker's small cartridges a full vessel stands for. */
    public static double cartridges(Millilitres capacity) {
        return capacity.mL() / MAKERS_CARTRIDGE.mL();
    }

    /** @param poured to the line */
    public record Refill(Instant at, Millilitres poured) {}

    /**
     * @param earliest if it goes as in the busiest stretch so far; {@code latest} as in the quietest
     * @param pages ordinary pages until then
     */
    public record Forecast(Instant earliest, Instant expected, Instant latest, int pages) {}

    /**
     * How chips count against ink.
     *
     * @param counted mL that the chip believes went out: its resets times what it takes for a full cartridge
     * @param poured mL that really went in over the same resets
     */
    public record Count(int resets, Millilitres counted, Millilitres poured) {
        /** Share of the counted ink that was not there, or was poured beyond it. */
        public double off() {
            return counted.isZero() ? 0 : poured.mL() / counted.mL() - 1;
        }
    }

    /**
     * Share of the vessel at which it wants ink, where the shop has said nothing: a chip counts, a window is looked at.
     */
    public static double usualTrigger(Architecture architecture) {
        return switch (architecture) {
            case TANK, SNAP_IN -> 0.3; // a little under the last third mark; a power cleaning takes the rest
            case BULK, BAY -> 0.25; // the lower line
            case FILM -> 0.4; // white settles faster in a low tank
            case CARTRIDGE -> 0.15; // the machine refuses soon after
        };
    }

    /**
     * Each refill to the line replaces what went since the one before; that over the time between is a rate. Their
     * total over the whole time is expected, the largest and smallest give the range.
     *
     * @param level in the vessel now
     * @param trigger level at which it wants ink
     * @param sheet mL of a fully covered sheet
     * @return empty with fewer than three refills
     */
    public static Optional<Forecast> forecast(
            List<Refill> refills, Millilitres level, Millilitres trigger, Millilitres sheet, Instant now) {
        if (refills.size() < ENOUGH) {
            return Optional.empty();
        }
        double most = 0;
        double least = Double.MAX_VALUE;
        double poured = 0;
        for (int i = 1; i < refills.size(); i++) {
            double days = days(
                    Duration.between(refills.get(i - 1).at(), refills.get(i).at()));
            double rate = refills.get(i).poured().mL() / Math.max(days, 0.01);
            most = Math.max(most, rate);
            least = Math.min(least, rate);
            poured += refills.get(i).poured().mL();
        }
        double usual = poured
                / Math.max(
                        0.01,
                        days(Duration.between(
                                refills.getFirst().at(), refills.getLast().at())));
        double left = Math.max(0, level.mL() - trigger.mL());
        return Optional.of(
                new Forecast(after(now, left / most), after(now, left / usual), after(now, left / least), (int)
                        (left / (sheet.mL() * PAGE))));
    }

    private static double days(Duration span) {
        return span.toSeconds() / 86_400.0;
    }

    private static Instant after(Instant now, double days) {
        return now.plusSeconds(Math.round(Math.min(days, 3650) * 86_400));
    }
}
