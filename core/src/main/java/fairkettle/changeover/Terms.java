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
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How the shop does it and what it pays.
 *
 * @param labourPerHour what an hour of hands is worth
 * @param wastePerLitre what it costs to be rid of a litre
 * @param pad price of a new waste pad
 * @param syringes owned, any order
 * @param inks how ink is sold, by its kind
 * @param fluid bottle sizes sold
 * @param fluidTarget share of fluid that may stay in the charged path
 * @param reserve ink kept back for one emergency refill, per channel
 * @param minutesPerPull handling of one full syringe
 * @param minutesPerRinse handling of one rinse
 * @param schools positions chosen; missing ones are the default
 * @param prices of supplies, where the shop has its own
 * @param experience of the hands that do it
 * @param oldInkPerMl what the maker's ink costs, for the payback
 */
public record Terms(
        Money labourPerHour,
        Money wastePerLitre,
        Money pad,
        List<Syringe> syringes,
        Inks inks,
        List<Size> fluid,
        double fluidTarget,
        Millilitres reserve,
        int maxRinses,
        double minutesPerPull,
        double minutesPerRinse,
        double rinseMinutesLimit,
        Map<School, String> schools,
        Map<Supply, Money> prices,
        double oldInkPerMl,
        Experience experience) {

    public Terms {
        syringes = syringes.stream()
                .sorted(Comparator.comparing(Syringe::size).reversed())
                .toList();
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
        var other = new HashMap<>(schools);
        other.put(school, position);
        return with(other, experience);
    }

    /** The same shop, with other hands. */
    public Terms by(Experience hands) {
        return with(schools, hands);
    }

    /** The same shop, where ink is sold otherwise. */
    Terms buying(Inks sold) {
        return with(schools, sold, experience);
    }

    private Terms with(Map<School, String> otherwise, Experience hands) {
        return with(otherwise, inks, hands);
    }

    private Terms with(Map<School, String> otherwise, Inks sold, Experience hands) {
        return new Terms(
                labourPerHour,
                wastePerLitre,
                pad,
                syringes,
                sold,
                fluid,
                fluidTarget,
                reserve,
                maxRinses,
                minutesPerPull,
                minutesPerRinse,
                rinseMinutesLimit,
                otherwise,
                prices,
                oldInkPerMl,
                hands);
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

    /** What ink of a kind costs for a machine of so many colours, in major units. */
    public double ofInk(Family family, int colours, double mL) {
        return mL * inks.perMl(family, colours);
    }

    /** What a sheet that is printed here costs, in major units: its ink and what it is printed on. */
    public double sheet(Family family, int colours, double mL) {
        return ofInk(family, colours, mL) + price(Supply.sheet(family)).major();
    }

    /** By the cheapest bottle per mL. */
    static double perMl(List<Size> sizes) {
        return sizes.stream()
                .mapToDouble(s -> s.price().major() / s.volume().mL())
                .min()
                .orElse(0);
    }
}
