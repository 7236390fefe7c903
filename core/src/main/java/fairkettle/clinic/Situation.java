package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What is known before anything is looked at: the machine, its room and its past, and what things cost here.
 *
 * @param refillable true if cartridges with an air hole ride on the carriage
 * @param exchangeable true if what its lines hang at can be taken off them: fluid pushed into a fixed tank spoils it
 * @param tubes true if ink runs through tubes that can be looked at; null in a case that was opened before that was
 *     asked, and taken for true
 * @param wasteLine true if the waste tubes can be reached
 * @param headOut true if its user can take the head out
 * @param idleDays since it last printed
 * @param drying of its room since then, against 22 °C and 50 %
 * @param capMonths age of the cap
 * @param cleanedOften true if it was cleaned again and again lately
 * @param changedLately true within three days of a changeover
 * @param simpleKnown true if log and check already prove level, vent, valve, seating, family and pad
 * @param padRoom mL until the pad is full
 * @param never what the shop's school leaves out
 * @param inARow light cleanings its profile allows before a rest
 */
public record Situation(
        Family family,
        List<Part> channels,
        boolean refillable,
        boolean exchangeable,
        @Nullable Boolean tubes,
        boolean wasteLine,
        boolean headOut,
        double idleDays,
        double drying,
        double capMonths,
        boolean cleanedOften,
        boolean changedLately,
        boolean simpleKnown,
        double padRoom,
        int inARow,
        Set<Complaint> complaints,
        Set<Treatment> never,
        Prices prices,
        Ink ink) {

    /** Ink spent on cures is bought, waited for and carried away as waste: it weighs more than its price. */
    private static final double SPENT = 4;

    public Situation {
        channels = List.copyOf(channels);
        complaints = Set.copyOf(complaints);
        never = Set.copyOf(never);
        if (channels.isEmpty()) {
            throw new IllegalArgumentException("A machine without channels cannot be ill.");
        }
    }

    /**
     * One channel.
     *
     * @param strokes in its check
     * @param tolerated strokes that may be missing for the work in hand
     * @param filterMonths age of damper or filter
     * @param level mL in its vessel, of {@code capacity}
     */
    public record Part(
            ChannelCode code, int strokes, int tolerated, double filterMonths, double level, double capacity) {}

    /**
     * What things cost, in the shop's currency.
     *
     * @param ink per mL; @param pad per mL; @param fluid per mL; @param minute of a person; @param hour of a machine
     *     that stands
     * @param falseDone a machine called cured that is not; @param relapse within a day; @param head a new one, or a
     *     machine that is given up
     */
    public record Prices(
            double ink,
            double pad,
            double fluid,
            double minute,
            double hour,
            double damper,
            double cap,
            double falseDone,
            double relapse,
            double head) {
        public static final Prices USUAL = new Prices(.12, .04, .03, .35, 2, 4, 9, 250, 60, 220);
    }

    /** mL per channel and act. */
    public record Ink(double check, double sheet, double cleaning, double powerCleaning) {
        public static final Ink USUAL = new Ink(.02, .7, .9, 7);
    }

    /** Whether it has the part that a question is about. */
    public boolean has(Advice.Question question) {
        return question != Advice.Question.BUBBLES || !Boolean.FALSE.equals(tubes);
    }

    /** Whether this machine is built so that it can be done at all. */
    public boolean builtFor(Treatment treatment) {
        return switch (treatment) {
            case DRAW_AT_CARTRIDGE, PUSH_AT_VENT -> refillable;
            case FLUSH_LINE -> exchangeable;
            case DRAW_AT_WASTE_LINE -> wasteLine;
            case HEAD_OUT -> headOut;
            case AGITATE -> channels.stream().anyMatch(p -> p.code().white());
            default -> true;
        };
    }

    public int index(ChannelCode code) {
        for (int i = 0; i < channels.size(); i++) {
            if (channels.get(i).code().equals(code)) {
                return i;
            }
        }
        throw new IllegalArgumentException("There is no channel %s on this machine.".formatted(code));
    }

    /**
     * What an act takes.
     *
     * @param mL of ink; @param pad mL of it into the pad; @param fluid mL; @param parts money
     */
    public record Takes(double mL, double pad, double fluid, double parts) {}

    /** @param treated channels */
    public Takes takes(Treatment treatment, int treated) {
        int all = channels.size();
        return switch (treatment) {
            case PURGE_SHEET -> new Takes(ink.sheet() * treated, 0, 0, 0);
            case CLEANING -> new Takes(ink.cleaning() * all, ink.cleaning() * all, 0, 0);
            case POWER_CLEANING -> new Takes(ink.powerCleaning() * all, ink.powerCleaning() * all, 0, 0);
            case REST_SHORT, REST_LONG, LOOK_AGAIN, AGITATE -> new Takes(0, 0, 0, 0);
            case WIPE -> new Takes(0, 0, 2, 0);
            case SOAK -> new Takes(0, 0, 3, 0);
            case SOAK_OVERNIGHT -> new Takes(0, 0, 4, 0);
            case FLUSH_CAP -> new Takes(0, 0, 10, 0);
            case NEW_CAP -> new Takes(0, 0, 0, prices.cap());
            case DRAW_AT_CARTRIDGE -> new Takes(3.0 * treated, 0, 0, 0);
            case PUSH_AT_VENT -> new Takes(1.0 * treated, 0, 0, 0);
            case DRAW_AT_WASTE_LINE -> new Takes(5.0 * treated, 0, 0, 0);
            case NEW_DAMPER -> new Takes(3.0 * treated, 0, 0, prices.damper() * treated);
            case FLUSH_LINE -> new Takes(8.0 * treated, 0, 30.0 * treated, prices.damper() * treated);
            case DRAW_AT_INLET -> new Takes(1.0 * treated, 0, 5.0 * treated, 0);
            case RENEW -> new Takes(25.0 * treated, 0, 30.0 * treated, prices.damper() * treated);
            case HEAD_OUT -> new Takes(.5 * all, 0, 20, 0);
        };
    }

    /**
     * What an act weighs in a decision, the wait and the check after it included, risk apart: money, but for the ink.
     */
    public double cost(Treatment treatment, int treated) {
        double spent = (takes(treatment, treated).mL() + ink.check() * channels.size()) * prices.ink();
        return price(treatment, treated) + (SPENT - 1) * spent;
    }

    /** What an act costs in money, the wait and the check after it included. */
    public double price(Treatment treatment, int treated) {
        var takes = takes(treatment, treated);
        double minutes = treatment.hands(treated) + 1.5;
        double hours = treatment.lasts(treated).toMinutes() / 60.0 + .03;
        return (takes.mL() + ink.check() * channels.size()) * prices.ink()
                + takes.pad() * prices.pad()
                + takes.fluid() * prices.fluid()
                + takes.parts()
                + minutes * prices.minute()
                + hours * prices.hour();
    }

    /** What a full page of every channel costs. */
    double page() {
        return ink.sheet() * channels.size() * prices.ink() * SPENT + 3 * prices.minute() + .1 * prices.hour();
    }
}
