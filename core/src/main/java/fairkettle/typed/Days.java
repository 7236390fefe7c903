package fairkettle.typed;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** Days as sentences say them. */
public final class Days {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH);

    private Days() {}

    /** "25 Jun 2026": read alike wherever one lives, which 6/7 is not. */
    public static String said(LocalDate day) {
        return DAY.format(day);
    }
}
