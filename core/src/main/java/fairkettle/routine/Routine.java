package fairkettle.routine;

import fairkettle.safety.Caution;
import java.util.List;

/**
 * Something that keeps a machine alive and comes round.
 *
 * @param title a short order; {@code say} what to do
 * @param skipping what it costs to leave it out
 * @param drives alternatives: the one furthest on makes it due
 * @param latest progress at which leaving it hurts; due is at 1
 * @param weight how dear its failure is, 1 to 10
 * @param hands minutes; {@code machine} of the machine alone; {@code rest} until the machine may be used
 * @param thing single thing in hand, or empty
 */
public record Routine(
        String id,
        String title,
        String say,
        String skipping,
        Scope scope,
        Credit credit,
        List<Drive> drives,
        double latest,
        int weight,
        int hands,
        int machine,
        int rest,
        String thing,
        List<Caution> cautions) {

    public Routine {
        drives = List.copyOf(drives);
        cautions = List.copyOf(cautions);
        if (drives.isEmpty() || latest <= 1 || weight < 1) {
            throw new IllegalArgumentException(
                    "The routine (%s) needs a drive, a latest beyond 1 and a weight.".formatted(id));
        }
    }

    /** What it is done to. */
    public enum Scope {
        MACHINE,
        CHANNEL,
        WHITE
    }

    /** What sets it back, besides being done. */
    public enum Credit {
        /** Nothing else. */
        DONE,
        /** Any check. */
        CHECK,
        /** Ink that a channel lays down, in proportion, whole at half a purge sheet. */
        INK_LAID,
        /** Ink moved through a line, in proportion to the line’s volume. */
        LINE_MOVED,
        /** The levels of its tanks were read. */
        READING,
        /** The pad was changed. */
        PAD_CHANGED
    }

    /**
     * @param base amount at which it is due: days, sheets, mL, a share
     * @param dries whether its days run faster in dry air
     */
    public record Drive(Driver driver, double base, boolean dries) {

        static Drive days(double base) {
            return new Drive(Driver.CLOCK, base, false);
        }

        static Drive dryDays(double base) {
            return new Drive(Driver.CLOCK, base, true);
        }

        public Drive {
            if (!(base > 0)) {
                throw new IllegalArgumentException("The base of %s is above nothing, not %s.".formatted(driver, base));
            }
        }

        Drive times(double factor) {
            return factor == 1 || driver == Driver.SETTLED || driver == Driver.WASTE || driver == Driver.DATE
                    ? this
                    : new Drive(driver, base * factor, dries);
        }
    }

    /** For a machine that needs it more or less often than usual. @param factor of its intervals */
    public Routine tuned(double factor) {
        return new Routine(
                id,
                title,
                say,
                skipping,
                scope,
                credit,
                drives.stream().map(d -> d.times(factor)).toList(),
                latest,
                weight,
                hands,
                machine,
                rest,
                thing,
                cautions);
    }
}
