package fairkettle.typed;

import java.math.BigDecimal;
import java.util.regex.Pattern;

/** A number with a decimal point or comma. What could be thousands or a fraction is neither. */
public final class TypedNumber {

    private static final int MOST = 20; // characters
    private static final Pattern PLAIN = Pattern.compile("-?\\d{1,12}(?:[.,]\\d{1,6})?");
    private static final Pattern THOUSANDS = Pattern.compile("-?\\d{1,3}(?:[.,' \u00a0\u202f]\\d{3})+(?:[.,]\\d+)?");

    private TypedNumber() {}

    /** @throws IllegalArgumentException with a sentence, if it is none or could be two */
    public static BigDecimal parse(String text) {
        var typed = text.strip().replace('\u2212', '-');
        var shown = typed.length() <= MOST ? typed : typed.substring(0, MOST) + "…";
        if (PLAIN.matcher(typed).matches() && !typed.matches("-?[1-9]\\d{0,2}[,]\\d{3}")) {
            return new BigDecimal(typed.replace(',', '.'));
        }
        if (THOUSANDS.matcher(typed).matches()) {
            throw new IllegalArgumentException(
                    "“%s” could be two numbers. Write it without marks for thousands.".formatted(shown));
        }
        throw new IllegalArgumentException("“%s” is not a number.".formatted(shown));
    }
}
