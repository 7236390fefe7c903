package fairkettle.machine;

import fairkettle.ink.Family;

/** What is needed beside ink and fluid. Prices are starting figures, in minor units, that a shop corrects. */
public enum Supply {
    WASTE_BOTTLE(Kind.TOOL, "waste bottle, labelled", 300),
    CLOTH_AND_TRAY(Kind.TOOL, "old cloth and tray", 400),
    GLOVES(Kind.CONSUMED, "gloves, pairs", 20),
    TOWELS(Kind.CONSUMED, "towels, folded", 5),
    PAPER(Kind.CONSUMED, "plain paper, sheets", 1),
    SYRINGE(Kind.TOOL, "syringe, one per colour", 180),
    ADAPTER(Kind.TOOL, "push-fit adapter with a notch", 150),
    NEEDLE(Kind.TOOL, "blunt needle", 40),
    SCREWDRIVER(Kind.TOOL, "magnetic screwdriver", 700),
    CUP(Kind.TOOL, "cup for screws", 0),
    TAPE_AND_PEN(Kind.TOOL, "masking tape and marker pen", 300),
    EYE_PROTECTION(Kind.TOOL, "eye protection", 500),
    DUST_MASK(Kind.TOOL, "dust mask for fine powder", 600),
    DATA_CABLE(Kind.TOOL, "data cable", 500),
    TRANSFER_PAPER(Kind.CONSUMED, "transfer paper, sheets", 40),
    FILM_SHEET(Kind.CONSUMED, "film sheets", 60),
    FOOD_SHEET(Kind.CONSUMED, "food sheets", 60),
    FOOD_LABEL(Kind.CONSUMED, "label “food only”", 10),
    CAPS_AND_PLUGS(Kind.CONSUMED, "caps and plugs for cartridges that come out", 15),
    REFILLABLE(Kind.PART, "refillable cartridge", 450),
    MAKERS_CARTRIDGE(Kind.PART, "maker’s cartridge", 1400),
    BULK_KIT(Kind.PART, "bulk feed, with all that lies in its box", 5500),
    INLINE_DAMPER(Kind.PART, "inline damper", 120),
    SOLID_PLUG(Kind.TOOL, "solid plug for an air chamber, spare", 15),
    ELBOW(Kind.TOOL, "elbow for the ribbon, spare", 30),
    DAMPER(Kind.PART, "damper", 320),
    WHITE_LINE(Kind.PART, "wide line with fittings, for white", 450),
    FILM_TANKS(Kind.PART, "tanks and lines for film", 4200),
    HEAD_COVER(Kind.PART, "sealant or cover for the head", 900),
    HEAD(Kind.PART, "new head", 14000),
    HEAD_CARTRIDGE(Kind.PART, "new head cartridge", 1900),
    FIRMWARE_KEY(Kind.PART, "activation for firmware that ignores chips", 2500),
    PAD(Kind.PART, "waste pad or box", 2400);

    /** What a customer’s sheet is printed on. */
    public static Supply sheet(Family family) {
        return switch (family) {
            case SUBLIMATION -> TRANSFER_PAPER;
            case FILM -> FILM_SHEET;
            case EDIBLE -> FOOD_SHEET;
            case MAKERS_DYE, MAKERS_PIGMENT -> PAPER;
        };
    }

    /** Kept, used up, or fitted for good. */
    public enum Kind {
        TOOL,
        CONSUMED,
        PART
    }

    private final Kind kind;
    private final String label;
    private final long price;

    Supply(Kind kind, String label, long price) {
        this.kind = kind;
        this.label = label;
        this.price = price;
    }

    public Kind kind() {
        return kind;
    }

    public String label() {
        return label;
    }

    /** Of one, in minor units, where the shop has said nothing. */
    public long usualPrice() {
        return price;
    }
}
