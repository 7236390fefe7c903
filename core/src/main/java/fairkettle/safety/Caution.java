package fairkettle.safety;

/**
 * What can hurt, in one or two sentences at the step itself. All of them defer to the ink's safety data sheet, the
 * machine's manual, local codes and licensed practice.
 */
public enum Caution {
    ELECTRICITY("Unplug before hands, tools or liquid go inside. Liquid on a board: stop, dry, do not power. Anything"
            + " beyond covers and plugs is for a licensed person."),
    MOVING_PARTS("Carriage and gears pinch. Hair, sleeves and gloves away. Never fight a locked carriage."),
    OPEN_POWER("The carriage will move with the cover off. Hands out before power comes on."),
    INK("Gloves, old cloth under everything. Ink bottles look like drinks: capped, labelled, away from children and"
            + " food."),
    PRESSURE("Eye protection when drawing or pushing. Splash in the eye: rinse with water, see a doctor."),
    WASTE("Never down the sink or into the ground. Into the labelled bottle, to the place your local rules name."),
    SHARPS("Blunt needles where possible, capped, in a sharps tin. Cut seals away from your hand."),
    FORCE("If it needs force, something was missed: a screw, a clip, a lock. Stop and look."),
    LID("Prop the lid before hands go in, and close it by easing the prop."),
    SMALL_PARTS("Cover the opening and use a magnetic driver: small screws fall into the machine."),
    NO_POWER_OFF("Do not switch off or unplug while the machine charges or cleans."),
    HEAT("Press and oven burn. Ventilate, and do not stay over the fumes."),
    SLOW("Draw slowly: about half a minute for 10 mL. Fast pulling draws air past the seals."),
    WARRANTY("Converting ends the maker's warranty in most cases. Local law decides what is allowed."),
    TIPPING("While vents hold no solid plugs, tip no further than a hand’s breadth at one end: ink reaches the"
            + " filters, and they stop breathing."),
    SQUIRT("Take raised bottles down before a joint is opened, or it squirts."),
    POWDER("Dust mask for fine powder, ventilation, and no powder where food is made."),
    SOLVENT("Alcohol is flammable: ventilate, no flame, no hot press beside it. Never mix cleaners. Dry before power."),
    BOARD("Keep boards and cables dry. Liquid on a board: stop, dry, do not power."),
    FIRMWARE("Third-party firmware may be restricted where you live; local law decides. Verify where a file comes from"
            + " before it is opened."),
    HEAD_RISK("Treating a head by hand can end it. Do it only if you can afford the head."),
    FOOD("Clean hands and surfaces. Gloves and tools of other inks stay away. The local food authority's rules decide"
            + " whether and how it may be sold.");

    private final String say;

    Caution(String say) {
        this.say = say;
    }

    public String say() {
        return say;
    }
}
