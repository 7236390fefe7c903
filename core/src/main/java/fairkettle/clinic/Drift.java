package fairkettle.clinic;

import java.util.Optional;

/** A machine that needs ever more care: said before its head is blamed. */
public final class Drift {

    /** Days over which cleanings are counted, and the same again before. */
    public static final int SPAN = 28;
    /** Days over which cases are counted. */
    public static final int CASES_SPAN = 60;

    private static final int OFTEN_ILL = 3;
    private static final int MANY = 4; // cleanings; fewer may be chance

    private Drift() {}

    /**
     * @param cases in the last {@link #CASES_SPAN} days; @param cleanings in the last {@link #SPAN} days; @param before
     *     as many days earlier
     */
    public static Optional<String> of(String machine, int cases, int cleanings, int before) {
        if (cleanings >= MANY && cleanings >= 2 * Math.max(1, before)) {
            return Optional.of(
                    "%s needs ever more cleaning: %d in four weeks, %d in the four before. A cap that seals no more, a caked wiper or a dry room does that; look there before the head."
                            .formatted(machine, cleanings, before));
        }
        return cases >= OFTEN_ILL
                ? Optional.of(
                        "%s: %d cases in two months. Look at its cap, its place in the room and how long it stands, before its head."
                                .formatted(machine, cases))
                : Optional.empty();
    }
}
