package fairkettle.standin.machine;

/** What can be made wrong with a simulated machine. */
public enum Trouble {
    SHUT("a dozen nozzles dried shut", true),
    STOOD("it stood in dry air for two weeks", false),
    AIR("air in its line", true),
    STARVED("its filter is loaded", true),
    VENT("its vent is stuck over", true),
    SETTLED("its pigment has settled", true),
    MIXED("another ink was poured into its vessel", true),
    DEAD("a third of its nozzles is dead", true),
    DIRTY("dirt is wiped over its plate", false),
    LEAKY("its cap does not seal", false);

    private final String label;
    private final boolean ofChannel;

    Trouble(String label, boolean ofChannel) {
        this.label = label;
        this.ofChannel = ofChannel;
    }

    public String label() {
        return label;
    }

    /** Whether it befalls one channel, not the machine. */
    public boolean ofChannel() {
        return ofChannel;
    }
}
