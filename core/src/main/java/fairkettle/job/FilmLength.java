package fairkettle.job;

/**
 * Centimetres of film that a run takes, fed through the shaker or cut off piece by piece. Lengths are tenths of a
 * millimetre.
 *
 * <p>Fed through, the film has to reach from the head over the shaker to the roller that pulls it, once, bare. Cut,
 * each sheet has a bare edge that is clamped at its head and one that is held while it is powdered.
 *
 * @param printed what the pieces cover, end to end
 * @param through what feeding it through takes; @param cut what cutting takes
 * @param sheets that are cut
 */
public record FilmLength(int printed, int through, int cut, int sheets) {

    private static final int REACH = 4500; // from the head to the roller behind the oven, of a desktop shaker
    private static final int CLAMPED = 300;
    private static final int HELD = 200;
    private static final int LONGEST_SHEET = 4200; // what is powdered by hand

    public static FilmLength of(Layout film) {
        int length = film.length();
        int sheets = Math.max(1, Math.ceilDiv(length, LONGEST_SHEET));
        return new FilmLength(length, length + REACH, length + sheets * (CLAMPED + HELD), sheets);
    }

    /** What feeding it through saves against cutting; below nothing if it takes more. */
    public int saved() {
        return cut - through;
    }

    /** From how much printed length on feeding it through takes less. */
    public static int pays() {
        int sheets = Math.ceilDiv(REACH, CLAMPED + HELD);
        return (sheets - 1) * LONGEST_SHEET;
    }

    public String words() {
        return saved() > 0
                ? "Fed through it takes %s cm less than cut into %d.".formatted(cm(saved()), sheets)
                : "Cut it: fed through it would take %s cm more, since the film reaches bare to the roller once."
                        .formatted(cm(-saved()));
    }

    private static String cm(int tenths) {
        return String.valueOf(Math.round(tenths / 100.0));
    }
}
