package fairkettle.changeover;

/** May it be? */
public sealed interface Answer {

    /** It must not be, and nothing opens this door. */
    record Refused(String reason) implements Answer {}

    /** It might be, but not by a route that is known here, or not as it was asked for. */
    record NotSo(String reason, String instead) implements Answer {}

    record Planned(Plan plan) implements Answer {}
}
