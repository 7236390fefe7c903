package fairkettle.changeover;

import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.machine.Profile;
import fairkettle.machine.Supply;

/** Ink through the head, onto paper or into the pad: what each costs. */
public record PurgeOrClean(Way sheets, Way cleaning, Way powerCleaning) {

    /**
     * @param ink all channels together
     * @param paper sheets
     * @param padShare of the pad's capacity; 0 for sheets
     */
    public record Way(Millilitres ink, int paper, double padShare, Money cost) {}

    /** @param channels that hold ink */
    public static PurgeOrClean of(Profile profile, int channels, Family family, Terms terms) {
        var draws = profile.draws();
        var sheets = draws.sheet().times(channels);
        double paper = terms.price(Supply.PAPER).major() * channels;
        return new PurgeOrClean(
                new Way(
                        sheets,
                        channels,
                        0,
                        Money.rounded(
                                terms.ofInk(family, profile.codes().size(), sheets.mL()) + paper, terms.currency())),
                intoPad(profile, draws.cleaning().times(channels), family, terms),
                intoPad(profile, draws.powerCleaning().times(channels), family, terms));
    }

    private static Way intoPad(Profile profile, Millilitres ink, Family family, Terms terms) {
        double share = ink.mL() / profile.padCapacity().mL();
        return new Way(
                ink,
                0,
                share,
                Money.rounded(
                        terms.ofInk(family, profile.codes().size(), ink.mL())
                                + share * terms.pad().major(),
                        terms.currency()));
    }
}
