package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;

/**
 * One cause, and how much it is believed.
 *
 * @param channels it is believed of; empty for what all channels share
 * @param share 0 to 1, of the channel where it is most likely
 */
public record Finding(Cause cause, Set<ChannelCode> channels, double share) {

    private static final double STILL = .25;

    private static final double WORTH_SAYING = .02;

    public Finding {
        channels = Set.copyOf(channels);
    }

    /** Where on the path a cause sits. */
    public enum Place {
        VESSEL,
        VENT,
        LINE,
        DAMPER,
        HEAD,
        PLATE,
        CAP,
        PUMP,
        CARRIAGE
    }

    /** What people call it. */
    public enum Cause {
        DRIED(
                "dried ink",
                Place.HEAD,
                "Gaps that stand still, after idle days or a bad cap; slowly better with each soak or cleaning."),
        DEAD("dead nozzles", Place.HEAD, "The same gaps whatever is done."),
        DIRT("dirt from the wiper", Place.PLATE, "A few gaps that come with a cleaning and go with a sheet."),
        AIR("air", Place.LINE, "Gaps that move from check to check; blank bands with clean edges."),
        STARVED(
                "starved by filter or damper",
                Place.DAMPER,
                "A good check and a page that fades: cleanings pull through the same filter."),
        SETTLED("white settled in the line", Place.LINE, "Weak or fading white after standing."),
        SHUT("vent, valve or level", Place.VENT, "Nothing can follow the ink that leaves."),
        GROWTH("growth in the ink", Place.VESSEL, "Threads or slime; it starves and comes back."),
        SMEAR("another ink on the plate", Place.PLATE, "A colour in another’s place, soon printed away."),
        MIXED("wrong or mixed ink", Place.VESSEL, "The hue is off on every page."),
        CAP("cap or pump not sealing", Place.CAP, "Cleanings that change nothing; all channels alike; no waste moves."),
        WIPER("dirty wiper", Place.PLATE, "Worse after each cleaning."),
        POSITION("a position fault", Place.CARRIAGE, "Lines beside their place: not a clog.");

        private final String label;
        private final Place place;
        private final String signature;

        Cause(String label, Place place, String signature) {
            this.label = label;
            this.place = place;
            this.signature = signature;
        }

        /** Whether it is a part of this kind that may cause it, by the part’s name: the older, the likelier. */
        public boolean comesWithAge(String part) {
            var wearing = switch (this) {
                case STARVED -> Set.of("filter", "filters", "damper", "dampers");
                case CAP -> Set.of("cap", "pump");
                case WIPER -> Set.of("wiper", "blade");
                case DEAD -> Set.of("head", "printhead");
                case DRIED, DIRT, AIR, SETTLED, SHUT, GROWTH, SMEAR, MIXED, POSITION -> Set.<String>of();
            };
            return Stream.of(part.toLowerCase(Locale.ROOT).split("[^a-z]+")).anyMatch(wearing::contains);
        }

        public String label() {
            return label;
        }

        public Place place() {
            return place;
        }

        /** What tells it apart. */
        public String signature() {
            return signature;
        }
    }

    /** In a word or two, so that nobody reads decimals at the bench. */
    public String band() {
        return share > .90
                ? "almost sure"
                : share >= .65 ? "probably" : share >= .35 ? "likely as not" : share >= .10 ? "possible" : "unlikely";
    }

    /** What is believed, most likely first. @param of the channels that matter; all of them if empty */
    public static List<Finding> of(Belief belief, Set<ChannelCode> of) {
        var codes = of.isEmpty()
                ? belief.situation.channels().stream().map(Situation.Part::code).toList()
                : List.copyOf(new TreeSet<>(of));
        var all = new ArrayList<Finding>();
        add(all, belief, codes, Cause.DRIED, Belief.Causes::dried);
        add(all, belief, codes, Cause.DEAD, Belief.Causes::dead);
        add(all, belief, codes, Cause.DIRT, Belief.Causes::dirt);
        add(all, belief, codes, Cause.AIR, Belief.Causes::air);
        add(all, belief, codes, Cause.STARVED, Belief.Causes::filter);
        add(all, belief, codes, Cause.SETTLED, Belief.Causes::settled);
        add(all, belief, codes, Cause.SHUT, Belief.Causes::shut);
        add(all, belief, codes, Cause.GROWTH, Belief.Causes::growth);
        add(all, belief, codes, Cause.SMEAR, Belief.Causes::smear);
        add(all, belief, codes, Cause.MIXED, Belief.Causes::mixed);
        var shared = belief.causes(codes.getFirst());
        all.add(new Finding(Cause.CAP, Set.of(), shared.cap()));
        all.add(new Finding(Cause.WIPER, Set.of(), shared.wiper()));
        all.add(new Finding(Cause.POSITION, Set.of(), belief.position));
        all.removeIf(f -> f.share() < WORTH_SAYING);
        all.sort(Comparator.comparingDouble(Finding::share).reversed());
        return all;
    }

    private static void add(
            List<Finding> all,
            Belief belief,
            List<ChannelCode> codes,
            Cause cause,
            ToDoubleFunction<Belief.Causes> share) {
        double most = codes.stream()
                .mapToDouble(c -> share.applyAsDouble(belief.causes(c)))
                .max()
                .orElse(0);
        var believed = new TreeSet<ChannelCode>();
        codes.stream()
                .filter(c -> share.applyAsDouble(belief.causes(c)) >= Math.max(.3, most / 2))
                .forEach(believed::add);
        all.add(new Finding(cause, believed, most));
    }

    /**
     * What is still suspected in a machine that is fit: it wants a look tomorrow. Gaps that the check itself shows are
     * not meant.
     */
    public static Optional<Finding> stillSuspect(Belief belief) {
        return of(belief, Set.of()).stream()
                .filter(f -> f.share > STILL && f.cause != Cause.DRIED && f.cause != Cause.DEAD)
                .findFirst();
    }
}
