package fairkettle.safety;

/** Kinds of waste that never share a vessel. What the place wants done with each is for its own rules to say. */
public enum WasteKind {
    LIQUID("ink and fluid", "Lid on, upright, never down the sink. Settled or soaked up before it leaves.", false),
    POWDER("powder, not cured", "Dust mask, no draught, no flame. Into a bag that closes; it is not swept dry.", true),
    OFFCUTS("film off-cuts with wet ink", "Flat, ink to ink, in a bag of their own: they stain what they touch.", true),
    CURED("cured film and powder", "Cold first. What is melted through is solid, and no dust.", true),
    SOAKED("soaked towels and swabs", "In a closed bag, apart from heat; damp with cleaner they can burn.", true);

    private final String label;
    private final String how;
    private final boolean weighed;

    WasteKind(String label, String how, boolean weighed) {
        this.label = label;
        this.how = how;
        this.weighed = weighed;
    }

    public String label() {
        return label;
    }

    /** What hands do with it until it leaves. */
    public String how() {
        return how;
    }

    /** In grams; what is not is measured in mL. */
    public boolean weighed() {
        return weighed;
    }
}
