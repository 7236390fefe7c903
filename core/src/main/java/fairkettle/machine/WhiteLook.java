package fairkettle.machine;

/** What somebody saw of settled white, and where. */
public final class WhiteLook {

    private WhiteLook() {}

    public enum Place {
        BOTTLE,
        LINE,
        DAMPER
    }

    public enum Seen {
        CLEAR,
        /** A film that shaking loosens. */
        FILM,
        /** A solid floor: shaking does not loosen it. */
        SOLID
    }
}
