package fairkettle.changeover;

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
    public static PurgeOrClean of(Profile profile, int channels, Terms terms) {
        var draws = profile.draws();
        var sheets = draws.sheet().times(channels);
        double paper = terms.price(Supply.PAPER).major() * channels;
        return new PurgeOrClean(
                new Way(
                        sheets,
                        channels,
                        0,
                        Money.rounded(sheets.mL() * Terms.perMl(terms.ink()) + paper, terms.currency())),
                intoPad(profile, draws.cleaning().times(channels), terms),
                intoPad(profile, draws.powerCleaning().times(channels), terms));
    }

    private static Way intoPad(Profile profile, Millilitres ink, Terms terms) {
        double share = ink.mL() / profile.padCapacity().mL();
        return new Way(
                ink,
                0,
                share,
                Money.rounded(
                        ink.mL() * Terms.perMl(terms.ink())
                                + share * terms.pad().major(),
                        terms.currency()));
    }
}
