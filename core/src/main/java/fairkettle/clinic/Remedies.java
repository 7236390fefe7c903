package fairkettle.clinic;

import static fairkettle.clinic.Treatment.AGITATE;
import static fairkettle.clinic.Treatment.CLEANING;
import static fairkettle.clinic.Treatment.DRAW_AT_CARTRIDGE;
import static fairkettle.clinic.Treatment.DRAW_AT_INLET;
import static fairkettle.clinic.Treatment.DRAW_AT_WASTE_LINE;
import static fairkettle.clinic.Treatment.FLUSH_CAP;
import static fairkettle.clinic.Treatment.FLUSH_LINE;
import static fairkettle.clinic.Treatment.HEAD_OUT;
import static fairkettle.clinic.Treatment.LOOK_AGAIN;
import static fairkettle.clinic.Treatment.NEW_CAP;
import static fairkettle.clinic.Treatment.NEW_DAMPER;
import static fairkettle.clinic.Treatment.POWER_CLEANING;
import static fairkettle.clinic.Treatment.PURGE_SHEET;
import static fairkettle.clinic.Treatment.PUSH_AT_VENT;
import static fairkettle.clinic.Treatment.RENEW;
import static fairkettle.clinic.Treatment.REST_LONG;
import static fairkettle.clinic.Treatment.REST_SHORT;
import static fairkettle.clinic.Treatment.SOAK;
import static fairkettle.clinic.Treatment.SOAK_OVERNIGHT;
import static fairkettle.clinic.Treatment.WIPE;

import fairkettle.clinic.Hidden.Air;
import fairkettle.clinic.Hidden.Cap;
import fairkettle.clinic.Hidden.Colour;
import fairkettle.clinic.Hidden.Feed;
import fairkettle.clinic.Hidden.Nozzle;
import fairkettle.ink.ChannelCode;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What is good for what: the remedies that are a cause's own, and the causes that answer to a remedy. */
public final class Remedies {

    /** Above this a cause is taken seriously: advice may answer to it, and nobody gives up before it had its remedy. */
    public static final double BELIEVED = .05;

    private Remedies() {}

    private interface Share {
        double in(Belief belief, int channel);
    }

    /** A cause, its chance in a channel, and groups of remedies: one of each group is its own remedy. */
    private enum Ill {
        SOFT(
                (b, c) -> b.nozzle(c, Nozzle.SOFT),
                List.of(Set.of(CLEANING, POWER_CLEANING, DRAW_AT_WASTE_LINE, DRAW_AT_INLET))),
        HARD(
                (b, c) -> b.nozzle(c, Nozzle.HARD),
                List.of(
                        Set.of(SOAK_OVERNIGHT, HEAD_OUT),
                        Set.of(CLEANING, POWER_CLEANING, DRAW_AT_WASTE_LINE, DRAW_AT_INLET),
                        Set.of(POWER_CLEANING, DRAW_AT_INLET, HEAD_OUT))),
        DIRT((b, c) -> b.nozzle(c, Nozzle.DIRT), List.of(Set.of(WIPE, PURGE_SHEET))),
        AIR(
                (b, c) -> b.air(c, Air.SMALL) + b.air(c, Air.LINE),
                List.of(Set.of(REST_LONG, SOAK_OVERNIGHT, DRAW_AT_CARTRIDGE, PUSH_AT_VENT, DRAW_AT_WASTE_LINE))),
        FILTER(
                (b, c) -> b.feed(c, Feed.FILTER),
                List.of(
                        Set.of(PURGE_SHEET),
                        Set.of(NEW_DAMPER, FLUSH_LINE, RENEW))), // why: a sheet tells, and comes first
        SETTLED(
                (b, c) -> b.feed(c, Feed.SETTLED),
                List.of(Set.of(AGITATE), Set.of(DRAW_AT_WASTE_LINE, FLUSH_LINE, PURGE_SHEET))),
        SHUT((b, c) -> b.feed(c, Feed.SHUT), List.of(Set.of(LOOK_AGAIN))),
        GROWTH((b, c) -> b.feed(c, Feed.GROWTH), List.of(Set.of(PURGE_SHEET), Set.of(RENEW, FLUSH_LINE))),
        SMEAR((b, c) -> b.colour(c, Colour.SMEAR), List.of(Set.of(PURGE_SHEET, WIPE))),
        MIXED((b, c) -> b.colour(c, Colour.MIXED), List.of(Set.of(RENEW))),
        RIM((b, c) -> b.cap(Cap.RIM), List.of(Set.of(WIPE, NEW_CAP))),
        PUMP((b, c) -> b.cap(Cap.PUMP), List.of(Set.of(FLUSH_CAP))),
        RUBBER((b, c) -> b.cap(Cap.RUBBER), List.of(Set.of(NEW_CAP))),
        WIPER((b, c) -> b.wiperDirty(), List.of(Set.of(WIPE)));

        private final Share chance;
        private final List<Set<Treatment>> groups;

        Ill(Share chance, List<Set<Treatment>> groups) {
            this.chance = chance;
            this.groups = groups;
        }

        double chance(Belief belief, int channel) {
            return chance.in(belief, channel);
        }
    }

    /**
     * How likely it is that something this act can change is amiss, in the channel where it is likeliest. Below
     * {@link #BELIEVED} the act is no advice.
     *
     * @param channels those that are not good enough, as far as the act reaches them
     */
    public static double answer(Treatment treatment, Set<ChannelCode> channels, Belief belief) {
        return channels.stream()
                .mapToInt(belief.situation::index)
                .mapToDouble(c -> answer(treatment, c, belief))
                .max()
                .orElse(0);
    }

    private static double answer(Treatment treatment, int c, Belief belief) {
        double not = 1;
        for (var ill : answering(treatment)) {
            not *= 1 - ill.chance(belief, c);
        }
        return 1 - not;
    }

    private static Set<Ill> answering(Treatment treatment) {
        return switch (treatment) {
            case PURGE_SHEET -> // why the last two: it does not cure them, it shows them
                EnumSet.of(Ill.DIRT, Ill.AIR, Ill.SMEAR, Ill.SETTLED, Ill.SOFT, Ill.FILTER, Ill.GROWTH);
            case CLEANING, POWER_CLEANING -> EnumSet.of(Ill.SOFT, Ill.HARD, Ill.DIRT, Ill.AIR, Ill.SETTLED);
            case REST_SHORT, REST_LONG -> EnumSet.of(Ill.AIR);
            case SOAK -> EnumSet.of(Ill.SOFT, Ill.HARD);
            case SOAK_OVERNIGHT -> EnumSet.of(Ill.SOFT, Ill.HARD, Ill.AIR);
            case WIPE -> EnumSet.of(Ill.DIRT, Ill.SMEAR, Ill.RIM, Ill.WIPER);
            case FLUSH_CAP -> EnumSet.of(Ill.RIM, Ill.PUMP);
            case NEW_CAP -> EnumSet.of(Ill.RIM, Ill.RUBBER);
            case DRAW_AT_CARTRIDGE, PUSH_AT_VENT -> EnumSet.of(Ill.AIR, Ill.SETTLED);
            case DRAW_AT_WASTE_LINE -> EnumSet.of(Ill.SOFT, Ill.HARD, Ill.DIRT, Ill.AIR, Ill.SETTLED);
            case AGITATE -> EnumSet.of(Ill.SETTLED);
            case NEW_DAMPER -> EnumSet.of(Ill.FILTER, Ill.SETTLED);
            case FLUSH_LINE -> EnumSet.of(Ill.FILTER, Ill.SETTLED, Ill.GROWTH, Ill.AIR);
            case DRAW_AT_INLET, HEAD_OUT -> EnumSet.of(Ill.SOFT, Ill.HARD, Ill.DIRT);
            case RENEW -> EnumSet.of(Ill.FILTER, Ill.SETTLED, Ill.GROWTH, Ill.MIXED);
            case LOOK_AGAIN -> EnumSet.of(Ill.SHUT);
        };
    }

    /**
     * Remedies that still stand before giving up: for each cause that is believed of a channel that is not good enough,
     * those of which none was tried yet. What the machine, the shop or a ground rule forbids for good is left out, and
     * so is what can ruin the head; a cleaning that must wait for a rest stands.
     */
    static Set<Treatment> standing(Belief belief, Progress so, Set<ChannelCode> failing) {
        var all = EnumSet.noneOf(Treatment.class);
        var situation = belief.situation;
        for (var code : failing) {
            int c = situation.index(code);
            for (var ill : Ill.values()) {
                if (ill.chance(belief, c) < BELIEVED) {
                    continue;
                }
                for (var group : ill.groups) {
                    boolean had = group.stream().anyMatch(t -> t.cleans() ? so.cleanedSinceCap(t) : so.tried(t, code));
                    if (!had) {
                        group.stream()
                                .filter(t -> t != HEAD_OUT
                                        && !situation.never().contains(t)
                                        && situation.builtFor(t)
                                        && !GroundRules.everAgainst(t, code, so))
                                .forEach(all::add);
                    }
                }
            }
        }
        return all;
    }
}
