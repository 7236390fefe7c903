package fairkettle.safety;

/** Where ink goes that came out of a machine: one place for each origin, by how the shop does it. */
public enum Reuse {
    CLEAN_FILLING(
            "clean ink of one bottle, drawn while filling or priming",
            Destination.OWN_BOTTLE,
            "It is the ink you bought, and met nothing else."),
    PRIMING_WITH_AIR(
            "foamy ink from priming",
            Destination.OWN_BOTTLE,
            "Let it stand until no bubble is left; then it is clean ink."),
    OWN_WHITE(
            "white from its own waste line",
            Destination.OWN_TANK,
            "Good ink that was only moved: shaken and strained. With colour or crumbs in it, it is mixed colour."),
    MIXED_COLOUR("colour from the waste line", Destination.WASTE, "Every colour is in it: no bottle wants it."),
    OLD_INK("the old ink of a changeover", Destination.WASTE, "It stood in a line, and mixes with what rinsed it."),
    USED_FLUID("fluid that went through", Destination.WASTE, "It carries ink now, and would carry it into the next."),
    WHOLE_FLUID("fluid drawn back before it met ink", Destination.OWN_BOTTLE, "It met nothing."),
    CONTAMINATED(
            "ink of a bad bottle, and what rinsed it",
            Destination.WASTE,
            "Growth or a wrong ink is in it; the rest of that bottle goes with it."),
    CARTRIDGES(
            "cartridges that come out with ink in them",
            Destination.SEALED,
            "Capped, vents plugged, labelled with ink and day: they serve again, or leave as they are."),
    OTHER_MACHINE(
            "ink drawn from another machine, same make and colour",
            Destination.WASTE,
            "Nobody knows what that line gave off. Same colour is not same ink."),
    FOOD_INK("food ink that was drawn", Destination.WASTE, "What was outside a food bottle is no food ink.");

    /** One place. */
    public enum Destination {
        OWN_BOTTLE("back into its own bottle"),
        OWN_TANK("back into its own tank, shaken"),
        SEALED("sealed, labelled, put aside"),
        WASTE("into the waste bottle");

        private final String label;

        Destination(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    private final String label;
    private final Destination usual;
    private final String reason;

    Reuse(String label, Destination usual, String reason) {
        this.label = label;
        this.usual = usual;
        this.reason = reason;
    }

    public String label() {
        return label;
    }

    public String reason() {
        return reason;
    }

    /** @param returns whether drawn ink is given back to a bottle here, by the school that the shop follows */
    public Destination goes(boolean returns) {
        return !returns && (this == CLEAN_FILLING || this == PRIMING_WITH_AIR) ? Destination.WASTE : usual;
    }
}
