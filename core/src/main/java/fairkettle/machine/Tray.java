package fairkettle.machine;

/** A way that paper, film or cloth goes into a machine, and which side of it must look where. */
public enum Tray {
    REAR("slot at the back", "the side to print looks at you, its head down"),
    FRONT("cassette at the front", "the side to print looks down, its head to the machine"),
    BED("flat bed", "the coated side up, clamped flat at its edge until the roller pulls"),
    PLATEN("platen", "the side to print up, drawn smooth over it, nothing folded underneath");

    private final String label;
    private final String side;

    Tray(String label, String side) {
        this.label = label;
        this.side = side;
    }

    public String label() {
        return label;
    }

    /** Which side is printed on. */
    public String side() {
        return side;
    }

    /** Whether film from a roll can lie in it: a cassette bends it twice. */
    public boolean film() {
        return this == REAR || this == BED;
    }
}
