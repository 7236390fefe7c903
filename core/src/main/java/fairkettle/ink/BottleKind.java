package fairkettle.ink;

/** How a bottle lets its ink go: what hands do with it, and what they must not. */
public enum BottleKind {
    KEYED_VALVE(
            "keyed valve",
            "Seat it on its own tank: it runs by itself, chugs, and stops when the tank is full. Never squeeze."),
    PIERCED(
            "seal to pierce",
            "Pierce the seal with its own cap or tip, and look that no scrap of it hangs in the neck."),
    FOIL("foil under the cap", "Cut the foil and peel off all of it: a scrap blocks the neck."),
    GROMMET("rubber grommet", "A blunt needle through the rubber, a second one for air; the syringe meters."),
    CROSS_CUT("cross-cut seal", "Press the tip through the cut; it closes by itself when it is lifted."),
    NOZZLE("pouring nozzle", "Squeeze gently and watch the line; its note changes when the tank is nearly full."),
    PLAIN("plain bottle", "Never pour: a syringe of its own colour, a blunt needle, slowly, and read the mL.");

    private final String label;
    private final String say;

    BottleKind(String label, String say) {
        this.label = label;
        this.say = say;
    }

    public String label() {
        return label;
    }

    /** What is done with it. */
    public String say() {
        return say;
    }
}
