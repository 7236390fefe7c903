package fairkettle.changeover;

import fairkettle.changeover.Bottles.Size;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.machine.CarriageFreeing;
import fairkettle.machine.Profile;
import fairkettle.machine.Supply;
import fairkettle.safety.School;
import java.util.Comparator;
import java.util.Currency;
import java.util.List;
import java.util.Map;

/**
 * How the shop does it and what it pays.
 *
 * @param labourPerHour what an hour of hands is worth
 * @param wastePerLitre what it costs to be rid of a litre
 * @param pad price of a new waste pad
 * @param syringes owned, any order
 * @param ink bottle sizes sold, for the ink that comes
 * @param fluid bottle sizes sold
 * @param fluidTarget share of fluid that may stay in the charged path
 * @param reserve ink kept back for one emergency refill, per channel
 * @param minutesPerPull handling of one full syringe
 * @param minutesPerRinse handling of one rinse
 * @param schools positions chosen; missing ones are the default
 * @param prices of supplies, where the shop has its own
 * @param oldInkPerMl what the maker's ink costs, for the payback
 */
public record Terms(
        Money labourPerHour,
        Money wastePerLitre,
        Money pad,
        List<Syringe> syringes,
        List<Size> ink,
        List<Size> fluid,
        double fluidTarget,
        Millilitres reserve,
        int maxRinses,
        double minutesPerPull,
        double minutesPerRinse,
        double rinseMinutesLimit,
        Map<School, String> schools,
        Map<Supply, Money> prices,
        double oldInkPerMl) {

    public Terms {
        syringes = syringes.stream()
                .sorted(Comparator.comparing(Syringe::size).reversed())
                .toList();
        ink = List.copyOf(ink);
        fluid = List.copyOf(fluid);
        schools = Map.copyOf(schools);
        prices = Map.copyOf(prices);
        if (syringes.isEmpty()) {
            throw new IllegalArgumentException("The shop owns no syringe. Enter the syringes you have under Shop.");
        }
    }

    public Currency currency() {
        return labourPerHour.currency();
    }

    public School.Position position(School school) {
        var chosen = schools.get(school);
        return chosen == null ? school.standard() : school.position(chosen);
    }

    /** The same shop, answering one question otherwise. */
    Terms taking(School school, String position) {
        var other = new java.util.HashMap<>(schools);
        other.put(school, position);
        return new Terms(
                labourPerHour,
                wastePerLitre,
                pad,
                syringes,
                ink,
                fluid,
                fluidTarget,
                reserve,
                maxRinses,
                minutesPerPull,
                minutesPerRinse,
                rinseMinutesLimit,
                other,
                prices,
                oldInkPerMl);
    }

    public Money price(Supply supply) {
        var own = prices.get(supply);
        return own == null ? new Money(supply.usualPrice(), currency()) : own;
    }

    /** The machine, its carriage freed as the shop does it, where this machine lets itself be freed so. */
    public Profile freed(Profile profile) {
        var own = profile.handling().freeing();
        boolean lifts = follows(School.CARRIAGE, "power") && own.underPower() && own != CarriageFreeing.ARROWS;
        return lifts ? profile.handled(profile.handling().freed(CarriageFreeing.CORD_AS_IT_UNDOCKS)) : profile;
    }

    boolean follows(School school, String position) {
        return position(school).id().equals(position);
    }

    Syringe largest() {
        return syringes.getFirst();
    }

    double labourPerMinute() {
        return labourPerHour.major() / 60;
    }

    double wastePerMl() {
        return wastePerLitre.major() / 1000;
    }

    /** What ink costs here, in major units. */
    public double ofInk(double mL) {
        return mL * perMl(ink);
    }

    /** What a sheet that is printed here costs, in major units: its ink and what it is printed on. */
    public double sheet(Family family, double mL) {
        return ofInk(mL) + price(Supply.sheet(family)).major();
    }

    /** By the cheapest bottle per mL. */
    static double perMl(List<Size> sizes) {
        return sizes.stream()
                .mapToDouble(s -> s.price().major() / s.volume().mL())
                .min()
                .orElse(0);
    }
}
