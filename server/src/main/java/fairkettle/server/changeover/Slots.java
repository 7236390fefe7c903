package fairkettle.server.changeover;

import fairkettle.ink.ChannelCode;
import fairkettle.server.web.Problem;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Slots in an address: "LC:W1,LM:W2" for what they are to carry, "LC,LM" for those left on fluid. */
public final class Slots {

    private Slots() {}

    public static Map<ChannelCode, ChannelCode> carries(@Nullable String text) {
        var carries = new LinkedHashMap<ChannelCode, ChannelCode>();
        if (text != null && !text.isBlank()) {
            for (var pair : text.split(",")) {
                var codes = pair.strip().split(":");
                if (codes.length != 2) {
                    throw Problem.atField("carries", "Name slots as LC:W1, with commas between.");
                }
                carries.put(ChannelCode.of(codes[0]), ChannelCode.of(codes[1]));
            }
        }
        return carries;
    }

    public static Set<ChannelCode> codes(@Nullable String text) {
        var codes = new LinkedHashSet<ChannelCode>();
        if (text != null && !text.isBlank()) {
            for (var code : text.split(",")) {
                codes.add(ChannelCode.of(code.strip()));
            }
        }
        return codes;
    }
}
