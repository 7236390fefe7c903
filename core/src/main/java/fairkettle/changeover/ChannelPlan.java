package fairkettle.changeover;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import java.util.List;

/**
 * Every mL of one slot.
 *
 * @param before the code it carries now
 * @param code the code it will carry
 * @param from what it holds, in words
 * @param holds in the whole path now
 * @param pulls drawn out with the syringe
 * @param damper drips out of damper and spike
 * @param rinses per stage; empty where nothing is rinsed
 * @param drainedOnly old-ink share if it were filled without rinsing
 * @param residue old-ink share of the charged path
 * @param fluidLeft fluid share of the charged path
 * @param fill into the empty first vessel, up to the line
 * @param rests cleaning fluid that stays, in a slot that is left on fluid
 * @param loss to the pad while the path is charged
 * @param topUp after charging, up to the line again
 * @param throughUntilClean mL to print or clean until the outlet is below the target; {@code sheets} of them printed
 * @param commissioning what checks and sheets draw
 * @param needed ink from bottles, reserve included
 * @param onShelf of that, standing on the shelf
 * @param bottles to buy for the rest
 */
public record ChannelPlan(
        ChannelCode before,
        ChannelCode code,
        Doing doing,
        String from,
        String to,
        Millilitres holds,
        Pulls pulls,
        Millilitres damper,
        List<Rinses.Stage> rinses,
        double drainedOnly,
        double residue,
        double fluidLeft,
        Millilitres fill,
        Millilitres rests,
        Millilitres loss,
        Millilitres topUp,
        double throughUntilClean,
        int sheets,
        Millilitres commissioning,
        Millilitres reserve,
        Millilitres needed,
        Millilitres onShelf,
        Bottles bottles) {

    /** What becomes of a slot. */
    public enum Doing {
        /** it gets new ink */
        FILL,
        /** it holds the right ink already and is only topped up */
        KEEP,
        /** it is emptied and left on cleaning fluid */
        ON_FLUID
    }

    public ChannelPlan {
        rinses = List.copyOf(rinses);
    }

    public boolean filled() {
        return doing == Doing.FILL;
    }

    public Millilitres rinseLiquid() {
        return sum(rinses.stream().map(s -> s.volume().times(s.count())).toList());
    }

    public Millilitres chaser() {
        return sum(rinses.stream().map(Rinses.Stage::chaser).toList());
    }

    public int rinseCount() {
        return rinses.stream().mapToInt(Rinses.Stage::count).sum();
    }

    /** Drawn out and rinsed through, into the waste bottle. */
    public Millilitres toWasteBottle() {
        return pulls.volume().plus(damper).plus(rinseLiquid()).plus(chaser());
    }

    /** New ink that leaves bottles for good, without the reserve. */
    public Millilitres inkUsed() {
        return needed.minus(reserve);
    }

    static Millilitres sum(List<Millilitres> volumes) {
        return volumes.stream().reduce(Millilitres.ZERO, Millilitres::plus);
    }
}
