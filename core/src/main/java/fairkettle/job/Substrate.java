package fairkettle.job;

import fairkettle.check.Work;
import fairkettle.ink.Family;

/** What a customer's picture ends up on. */
public enum Substrate {
    SATIN_RIBBON("satin ribbon, polyester", Kind.POLYESTER),
    POLYESTER_CLOTH("polyester cloth", Kind.POLYESTER),
    POLYESTER_MIX("mixed cloth, more than half polyester", Kind.MIX),
    COTTON("cotton, untreated", Kind.COTTON),
    COATED_COTTON("cotton, coated for sublimation", Kind.COATED_CLOTH),
    COATED_HARD("hard goods, coated for sublimation", Kind.COATED_HARD),
    BARE_HARD("hard goods, not coated", Kind.BARE_HARD),
    WAFER("wafer paper", Kind.FOOD),
    ICING_SHEET("icing sheet", Kind.FOOD),
    PLAIN_PAPER("plain paper or card", Kind.PAPER),
    PHOTO_PAPER("photo paper", Kind.PAPER);

    private enum Kind {
        POLYESTER,
        MIX,
        COTTON,
        COATED_CLOTH,
        COATED_HARD,
        BARE_HARD,
        FOOD,
        PAPER;

        boolean cloth() {
            return this == POLYESTER || this == MIX || this == COTTON || this == COATED_CLOTH;
        }
    }

    private final String label;
    private final Kind kind;

    Substrate(String label, Kind kind) {
        this.label = label;
        this.kind = kind;
    }

    public String label() {
        return label;
    }

    /** @param says why not, or what to know; empty if there is nothing to say */
    public record Gate(boolean may, String says) {
        private static final Gate OPEN = new Gate(true, "");

        private static Gate no(String why) {
            return new Gate(false, why);
        }
    }

    /** Whether it takes an ink. @param dark whether its ground is dark */
    public Gate gate(Family ink, boolean dark) {
        if (kind == Kind.FOOD || ink.food()) {
            return food(ink);
        }
        return switch (ink) {
            case SUBLIMATION -> sublimation(dark);
            case FILM ->
                kind.cloth()
                        ? Gate.OPEN
                        : Gate.no("A film transfer is pressed into cloth; it comes off %s.".formatted(label));
            case MAKERS_DYE, MAKERS_PIGMENT ->
                kind == Kind.PAPER
                        ? ink == Family.MAKERS_DYE && this == PLAIN_PAPER
                                ? new Gate(true, "Dye runs when it gets wet. Tell the customer, or print pigment.")
                                : Gate.OPEN
                        : Gate.no("The maker's ink is for paper; on %s it washes or rubs off.".formatted(label));
            case EDIBLE -> throw new IllegalStateException("Impossible state: food is judged before.");
        };
    }

    private Gate food(Family ink) {
        if (kind != Kind.FOOD) {
            return Gate.no("Edible ink prints food sheets; it does not last on %s.".formatted(label));
        }
        return ink.food()
                ? new Gate(true, "Only on a machine that never held another ink. Write down the lots of the run.")
                : Gate.no("Food is printed with edible ink, on a machine that never held another. Never otherwise.");
    }

    private Gate sublimation(boolean dark) {
        if (kind == Kind.COTTON) {
            return Gate.no("Untreated cotton does not take the dye: it washes out. Print a film transfer, or have"
                    + " cotton that is coated for it.");
        }
        if (kind == Kind.BARE_HARD) {
            return Gate.no("Without a polyester coating the dye has nothing to go into. Have goods coated for it.");
        }
        if (kind == Kind.PAPER) {
            return Gate.no("On paper sublimation ink is only on its way: it is dull until it is pressed.");
        }
        if (dark) {
            return Gate.no("The dye is clear and there is no white: on a dark ground it cannot be seen. Print a film"
                    + " transfer, if it is cloth.");
        }
        return kind == Kind.MIX
                ? new Gate(
                        true, "Only the polyester takes the dye: it looks paler, the more so the less of it there is.")
                : Gate.OPEN;
    }

    /** Whether a picture gets onto it in a press. */
    public boolean pressed(Family ink) {
        return ink == Family.SUBLIMATION || ink == Family.FILM;
    }

    /** Whether the sheet has to be printed the wrong way round. */
    public boolean mirrored(Family ink) {
        return pressed(ink);
    }

    /** Which gaps the work forgives: a photo shows what solid colour hides. */
    public Work work(Family ink, boolean photo) {
        return ink == Family.FILM ? Work.WHITE : photo ? Work.PHOTO : Work.SOLID;
    }
}
