package fairkettle.changeover;

import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Money;
import fairkettle.machine.Profile;
import java.util.Collection;

/**
 * What a machine costs on a day on which it prints nothing: the ink of its routine, and the labour. When it passes what
 * the machine earns, it is better parked.
 */
public record Idle(Money perDay, String basis) {

    private static final double MINUTES = 5; // to look, print a check, and cap it
    private static final double MINUTES_AT_REST = 0.2; // a damp cap once a month

    /** The ink that it holds; where nobody knows, dye. */
    private static Family family(Collection<Holding> holdings) {
        return holdings.stream().flatMap(h -> h.ink().stream()).findFirst().orElse(Family.MAKERS_DYE);
    }

    public static Idle perDay(Profile profile, Collection<Holding> holdings, Terms terms) {
        boolean parked =
                holdings.stream().allMatch(h -> h instanceof Holding.Parked || h instanceof Holding.NeverInked);
        if (parked) {
            return new Idle(
                    Money.rounded(MINUTES_AT_REST * terms.labourPerMinute(), terms.currency()),
                    "at rest on fluid: a damp cap once a month");
        }
        double inked = holdings.stream()
                .filter(h -> h instanceof Holding.Inked || h instanceof Holding.Unknown)
                .count();
        boolean white = holdings.stream()
                .anyMatch(h -> h instanceof Holding.Inked(var family, var _, var _) && family == Family.FILM);
        var draws = profile.draws();
        // why: a check a day, a purge sheet every third, and white moved twice a week by a light cleaning
        double mL = inked
                * (draws.nozzleCheck().mL()
                        + draws.sheet().mL() / 3
                        + (white ? draws.cleaning().mL() * 2 / 7 : 0));
        double minutes = MINUTES + (white ? 6 : 0);
        return new Idle(
                Money.rounded(
                        terms.ofInk(family(holdings), holdings.size(), mL) + minutes * terms.labourPerMinute(),
                        terms.currency()),
                "%s mL of routine ink and %d min a day".formatted(Math.round(mL * 10) / 10.0, Math.round(minutes)));
    }
}
