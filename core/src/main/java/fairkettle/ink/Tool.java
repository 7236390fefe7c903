package fairkettle.ink;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A syringe, a needle or a bottle top, and the ink that it met.
 *
 * @param met the last ink; null if it met none
 * @param craft whether it ever met ink that is not food
 * @param rinsed since it last met ink
 */
public record Tool(
        long id, Kind kind, String label, @Nullable Met met, boolean craft, boolean rinsed) {

    public enum Kind {
        SYRINGE("syringe"),
        NEEDLE("needle or adapter"),
        BOTTLE_TOP("bottle top"),
        FUNNEL("funnel"),
        TRAY("tray or cup");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** Ink of a family, in a colour. */
    public record Met(Family family, ChannelCode colour) {

        /** White is white, whichever line it runs in. */
        private boolean sameColour(ChannelCode other) {
            return colour.equals(other) || colour.white() && other.white();
        }
    }

    /** Whether a tool may meet an ink, the better first. */
    public enum Offer {
        /** The same ink, and rinsed since. */
        RINSED("its own, rinsed"),
        /** It met nothing yet. */
        UNUSED("met no ink yet"),
        /** The same ink, and it is in it still. */
        NOT_RINSED("its own, not rinsed yet"),
        /** The same colour of another family, rinsed since. */
        RINSED_OF_ANOTHER_INK("same colour of another ink, rinsed"),
        /** The same colour of another family, and nobody rinsed it. */
        RINSE_FIRST("not rinsed"),
        ANOTHER_COLOUR("met another colour"),
        NOT_FOR_FOOD("met ink that is not food"),
        FOOD_ONLY("for food alone");

        private final String words;

        Offer(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        public boolean allowed() {
            return compareTo(RINSE_FIRST) < 0;
        }
    }

    /** A rinse takes ink out of a tool, and never makes another colour’s or a food one of it. */
    public Offer offer(Family family, ChannelCode colour) {
        if (met == null) {
            return Offer.UNUSED;
        }
        if (family.food() && craft) {
            return Offer.NOT_FOR_FOOD;
        }
        if (met.family().food() && !family.food()) {
            return Offer.FOOD_ONLY;
        }
        if (!met.sameColour(colour)) {
            return Offer.ANOTHER_COLOUR;
        }
        if (met.family() == family) {
            return rinsed ? Offer.RINSED : Offer.NOT_RINSED;
        }
        return rinsed ? Offer.RINSED_OF_ANOTHER_INK : Offer.RINSE_FIRST;
    }

    /** Why it must not meet an ink, as a sentence; empty if it may. */
    public Optional<String> refusal(Family family, ChannelCode colour) {
        var offer = offer(family, colour);
        if (offer.allowed() || met == null) {
            return Optional.empty();
        }
        return Optional.of(
                switch (offer) {
                    case RINSE_FIRST ->
                        "%s was not rinsed since it met %s. Rinse it and say so on the shelf, or take another."
                                .formatted(label, met.colour());
                    case NOT_FOR_FOOD ->
                        "%s once met ink that is not food: no rinse makes it food-safe. Take a new one."
                                .formatted(label);
                    case FOOD_ONLY -> "%s is for food alone, and stays so. Take another.".formatted(label);
                    default ->
                        "%s met %s: a rinse leaves some, and it would carry it into %s. Take %s’s own, or a new one."
                                .formatted(label, met.colour(), colour, colour);
                });
    }

    /** Those that may meet an ink, the best first. */
    public static List<Tool> offered(List<Tool> tools, Kind kind, Family family, ChannelCode colour) {
        return tools.stream()
                .filter(t -> t.kind() == kind && t.offer(family, colour).allowed())
                .sorted(Comparator.comparing((Tool t) -> t.offer(family, colour))
                        .thenComparing(Tool::id))
                .toList();
    }
}
