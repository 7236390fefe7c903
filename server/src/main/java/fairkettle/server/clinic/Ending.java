package fairkettle.server.clinic;

/** How a case ends. */
public enum Ending {
    CURED,
    GOOD_ENOUGH,
    STOPPED,
    HANDED_OVER
}
