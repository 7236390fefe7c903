package fairkettle.changeover;

/** What a changeover is for. */
public enum Purpose {
    /** another ink, or the first one */
    CHANGE,
    /** the same ink, fresh: after growth, settling or a long rest */
    RENEW,
    /** put to rest on cleaning fluid */
    PARK
}
