package fairkettle.sheet;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Optional;

/**
 * What the square codes of a sheet say, in 20 characters that fit the smallest of them: which sheet of which machine,
 * made when, and which corner it is, so that a picture files itself whichever way it was turned.
 *
 * @param corner 0 top left, then clockwise
 * @param minute to the minute
 */
public record SheetCode(SheetKind kind, int corner, long machine, long sheet, Instant minute) {

    private static final Instant EPOCH = Instant.parse("2026-01-01T00:00:00Z");
    private static final String DIGITS = "0123456789ABCDEFGHJKLMNPQRSTVWXY";
    private static final int PRIME =
            1021; // larger than the alphabet: one wrong character, or two swapped, is always seen
    private static final int LENGTH = 20;

    public SheetCode {
        if (corner < 0
                || corner > 3
                || machine < 0
                || sheet < 0
                || machine >= 1L << 20
                || sheet >= 1L << 25
                || minute.isBefore(EPOCH)) {
            throw new IllegalArgumentException("No code can say corner (%d), machine (%d), sheet (%d), minute (%s)."
                    .formatted(corner, machine, sheet, minute));
        }
        minute = EPOCH.plus(Duration.ofMinutes(Duration.between(EPOCH, minute).toMinutes()));
    }

    public String text() {
        var body = "FK" + kind.letter() + corner + digits(machine, 4) + digits(sheet, 5)
                + digits(Duration.between(EPOCH, minute).toMinutes(), 5);
        return body + digits(check(body), 2);
    }

    /** Reads one back; empty if it is none of ours, or damaged. */
    public static Optional<SheetCode> read(String text) {
        if (text.length() != LENGTH
                || !text.startsWith("FK")
                || !text.substring(2, 3).matches("[A-Z]")
                || !text.substring(3, 4).matches("[0-3]")
                || text.substring(4).chars().anyMatch(c -> DIGITS.indexOf(c) < 0)
                || value(text, 18, 20) != check(text.substring(0, 18))) {
            return Optional.empty();
        }
        return Arrays.stream(SheetKind.values())
                .filter(k -> k.letter() == text.charAt(2))
                .findFirst()
                .map(k -> new SheetCode(
                        k,
                        text.charAt(3) - '0',
                        value(text, 4, 8),
                        value(text, 8, 13),
                        EPOCH.plus(Duration.ofMinutes(value(text, 13, 18)))));
    }

    private static String digits(long value, int count) {
        var text = new StringBuilder();
        for (int i = count - 1; i >= 0; i--) {
            text.append(DIGITS.charAt((int) (value >> 5 * i & 31)));
        }
        return text.toString();
    }

    private static long value(String text, int from, int to) {
        long value = 0;
        for (int i = from; i < to; i++) {
            value = value * 32 + DIGITS.indexOf(text.charAt(i));
        }
        return value;
    }

    private static long check(String body) {
        long sum = 0;
        for (int i = 0; i < body.length(); i++) {
            sum += (i + 2L) * body.charAt(i);
        }
        return sum % PRIME;
    }
}
