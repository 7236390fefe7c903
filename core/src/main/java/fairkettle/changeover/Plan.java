package fairkettle.changeover;

import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.machine.Chips;
import fairkettle.machine.Fit;
import fairkettle.machine.Supply;
import fairkettle.procedure.Procedure;
import fairkettle.safety.Caution;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The whole answer, before anyone opens a bottle.
 *
 * @param others routes that would serve as well
 * @param chipChoices how the chips could be answered; empty where the route does not ask
 * @param fit of the machine afterwards
 * @param acknowledgements what has to be agreed to first
 * @param fluid for all channels, what stays in them included; zero if the rinse is new ink
 * @param fluidBottles to buy beyond what is on the shelf
 * @param wasteBottle room needed in waste bottles, headroom included
 * @param padAfter share of the pad that will be full
 * @param packs the same ink bought as sets; null where none is sold
 * @param fitness how well this machine suits the purpose
 * @param kit what is in the box of its bulk feed; empty where it gets or has none
 */
public record Plan(
        Route route,
        List<Route> others,
        List<Chips> chipChoices,
        Fit fit,
        Family family,
        String from,
        String to,
        double purity,
        List<String> acknowledgements,
        List<ChannelPlan> channels,
        Millilitres fluid,
        Bottles fluidBottles,
        Millilitres wasteBottle,
        Millilitres padWaste,
        double padAfter,
        Inks.@Nullable ByPacks packs,
        List<Need> needs,
        Times times,
        List<CostLine> cost,
        Money total,
        Protects protects,
        Badly badly,
        Payback payback,
        Fitness fitness,
        List<Caution> cautions,
        List<String> kit,
        Procedure procedure) {

    public Plan {
        others = List.copyOf(others);
        chipChoices = List.copyOf(chipChoices);
        acknowledgements = List.copyOf(acknowledgements);
        channels = List.copyOf(channels);
        needs = List.copyOf(needs);
        cost = List.copyOf(cost);
        cautions = List.copyOf(cautions);
        kit = List.copyOf(kit);
    }

    public Chips chips() {
        return fit.chips();
    }

    /**
     * @param onShelf of {@code count}, as many as are there
     * @param buy the rest
     * @param each price of one
     */
    public record Need(Supply what, int count, int onShelf, int buy, Money each) {
        static Need of(Supply what, int count, int there, Money each) {
            int onShelf = Math.min(count, there);
            return new Need(what, count, onShelf, count - onShelf, each);
        }

        /** Of what is used up or fitted, whether bought or taken from the shelf; a tool is kept. */
        public Money cost() {
            return what.kind() == Supply.Kind.TOOL ? new Money(0, each.currency()) : each.times(count);
        }
    }

    /** @param handsOn work; @param machine the machine's own; @param waiting rests */
    public record Times(Duration handsOn, Duration machine, Duration waiting) {}

    /** @param basis how it was worked out: "412 mL at 0.12" */
    public record CostLine(String what, String basis, Money amount) {}

    /**
     * What is rinsed with, all channels together, and what it costs with its way out; beside it the ink that it keeps
     * clean.
     */
    public record Protects(Millilitres rinsed, Money cost, Millilitres fill, Money worth) {}

    /** What it would cost to fill without rinsing. {@code sheets} spoiled per channel until the outlet is clean. */
    public record Badly(double residue, double mLThrough, int sheets, Money inkWasted) {}

    /**
     * {@code cost of the changeover / (old − new whole cost per sheet)}; the machine's upkeep is the same before and
     * after.
     *
     * @param oldSheet ink of an ordinary sheet with the maker's ink
     * @param newSheet the same with the ink that comes
     * @param sheets until it has paid for itself; null if it never does
     */
    public record Payback(
            Money oldSheet, Money newSheet, @Nullable Long sheets) {}

    /**
     * @param stars 1 to 5
     * @param care what it wants every day, in words
     */
    public record Fitness(int stars, String words, String care) {}

    public Millilitres rinseLiquid() {
        return ChannelPlan.sum(channels.stream().map(ChannelPlan::rinseLiquid).toList());
    }
}
