package fairkettle.machine;

import fairkettle.ink.Millilitres;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;

/**
 * What is in the box of a bulk feed. A card asks for what its kit has and for nothing else.
 *
 * @param constantHead an air chamber keeps the ink at one height, and is reset by blowing air in
 * @param valve one that shuts the whole ribbon
 * @param plugs solid ones, for vents while anything is tilted or carried
 * @param sponge cartridges with a sponge and a free side
 * @param bunged its tanks arrive with bungs in their vents
 * @param first mL into the priming chamber; {@code second} mL after the tilt; nothing where there is no such chamber
 * @param tilt seconds
 */
public record BulkKit(
        Ribbon ribbon,
        Chamber chamber,
        Bracket bracket,
        boolean constantHead,
        boolean valve,
        boolean plugs,
        boolean sponge,
        boolean bunged,
        Millilitres first,
        Millilitres second,
        int tilt) {

    public enum Ribbon {
        TO_CUT("ready-made, to be cut for loose dampers"),
        JOINED("joined to tanks and cartridges"),
        LOOSE("loose tubes, to be pushed on");

        private final String label;

        Ribbon(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public enum Chamber {
        MARK("a priming chamber with a mark"),
        NO_MARK("a priming chamber without a mark"),
        NONE("no priming chamber");

        private final String label;

        Chamber(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public enum Bracket {
        STICKS("a bracket that is stuck on"),
        HANGS("a bracket that hangs by clips"),
        NONE("no bracket: the tanks stand");

        private final String label;

        Bracket(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** What a shop can buy, by the name that is on no box. */
    public enum Usual {
        LOOSE_DAMPERS(
                "loose dampers, a ribbon to cut",
                new BulkKit(
                        Ribbon.TO_CUT,
                        Chamber.MARK,
                        Bracket.STICKS,
                        false,
                        true,
                        true,
                        true,
                        false,
                        ml("25"),
                        ml("10"),
                        30)),
        JOINED(
                "joined ribbon, no mark",
                new BulkKit(
                        Ribbon.JOINED,
                        Chamber.NO_MARK,
                        Bracket.STICKS,
                        false,
                        true,
                        true,
                        false,
                        false,
                        ml("30"),
                        ml("20"),
                        30)),
        LEVEL_TANK(
                "level tank on clips",
                new BulkKit(
                        Ribbon.JOINED,
                        Chamber.NONE,
                        Bracket.HANGS,
                        false,
                        false,
                        true,
                        false,
                        true,
                        Millilitres.ZERO,
                        Millilitres.ZERO,
                        0)),
        CONSTANT_HEAD(
                "constant-head tanks",
                new BulkKit(
                        Ribbon.JOINED,
                        Chamber.NONE,
                        Bracket.NONE,
                        true,
                        false,
                        true,
                        false,
                        false,
                        Millilitres.ZERO,
                        Millilitres.ZERO,
                        0));

        private final String label;
        private final BulkKit kit;

        Usual(String label, BulkKit kit) {
            this.label = label;
            this.kit = kit;
        }

        public String label() {
            return label;
        }

        public BulkKit kit() {
            return kit;
        }

        private static Millilitres ml(String text) {
            return Millilitres.parse(text);
        }
    }

    private static final Millilitres LARGEST = Millilitres.parse("50");

    /** @throws IllegalArgumentException if its parts contradict each other, with what to look up */
    public BulkKit {
        if (Stream.of(ribbon, chamber, bracket, first, second).anyMatch(Objects::isNull)) {
            throw new IllegalArgumentException(
                    "Say of a kit how its ribbon is joined, what chamber it has, what holds it, and what goes in.");
        }
        boolean primed = chamber != Chamber.NONE;
        if (primed && (first.isZero() || tilt < 5 || tilt > 300)) {
            throw new IllegalArgumentException(
                    "A priming chamber takes a first part, and is tilted for 5 to 300 s: see the kit’s leaflet.");
        }
        if (!primed && !(first.isZero() && second.isZero() && tilt == 0)) {
            throw new IllegalArgumentException("Without a priming chamber there are no parts of it, and no tilt.");
        }
        if (first.compareTo(LARGEST) > 0 || second.compareTo(LARGEST) > 0) {
            throw new IllegalArgumentException("At most %s mL go into a priming chamber at once.".formatted(LARGEST));
        }
    }

    public boolean looseDampers() {
        return ribbon == Ribbon.TO_CUT;
    }

    public boolean priming() {
        return chamber != Chamber.NONE;
    }

    /** Something keeps ink from running while it is carried. */
    public boolean shuts() {
        return valve || plugs;
    }

    /** The box, one thing after the other. */
    public List<String> parts() {
        var parts = new ArrayList<>(List.of("a ribbon " + ribbon.label, chamber.label, bracket.label));
        parts.add(constantHead ? "constant-head tanks" : "plain tanks");
        parts.add(valve ? "a valve" : "no valve");
        parts.add(plugs ? "solid plugs for the vents" : "no plugs for the vents");
        parts.add(sponge ? "cartridges with a sponge" : "cartridges without a sponge");
        if (bunged) {
            parts.add("bungs in the vents as it arrives");
        }
        if (priming()) {
            parts.add("%s mL, tilted for %d s, then %s mL".formatted(first, tilt, second));
        }
        return parts;
    }
}
