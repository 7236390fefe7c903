package fairkettle.ink;

import java.util.Map;
import java.util.regex.Pattern;

/** The code of an ink channel: K C M Y, LC LM GY PK on photo machines, W1 to W4 for white. Never a hue alone. */
public record ChannelCode(String code) implements Comparable<ChannelCode> {

    private static final Pattern CODES = Pattern.compile("K|C|M|Y|LC|LM|GY|PK|W[1-4]");
    private static final Map<String, String> NAMES = Map.of(
            "K",
            "black",
            "C",
            "cyan",
            "M",
            "magenta",
            "Y",
            "yellow",
            "LC",
            "light cyan",
            "LM",
            "light magenta",
            "GY",
            "grey",
            "PK",
            "photo black");
    private static final String ORDER = "K C M Y LC LM GY PK W1 W2 W3 W4";

    public ChannelCode {
        if (!CODES.matcher(code).matches()) {
            throw new IllegalArgumentException(
                    "The channel code (%s) is unknown. Use one of %s.".formatted(code, ORDER));
        }
    }

    public static ChannelCode of(String code) {
        return new ChannelCode(code);
    }

    public boolean white() {
        return code.startsWith("W");
    }

    /** "black", "white 1": beside the code, never instead of it. */
    public String colour() {
        return white() ? "white " + code.charAt(1) : NAMES.getOrDefault(code, code);
    }

    @Override
    public int compareTo(ChannelCode other) {
        return Integer.compare(ORDER.indexOf(code), ORDER.indexOf(other.code));
    }

    @Override
    public String toString() {
        return code;
    }
}
