package fairkettle.machine;

import fairkettle.ink.ChannelCode;
import java.util.List;

/** The waste lines that a hand reaches, and what shares them: a draw moves all of it. */
public enum WasteLines {
    NONE("none that a hand reaches"),
    ONE("one for all channels"),
    WHITE_AND_COLOURS("one for white, one for all colours"),
    EACH("one for each channel");

    private final String label;

    WasteLines(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Channels that a draw for some of them moves too. */
    public List<ChannelCode> moved(List<ChannelCode> wanted, List<ChannelCode> all) {
        return switch (this) {
            case NONE -> List.of();
            case ONE -> wanted.isEmpty() ? List.of() : all;
            case WHITE_AND_COLOURS ->
                all.stream()
                        .filter(c -> wanted.stream().anyMatch(w -> w.white() == c.white()))
                        .toList();
            case EACH -> all.stream().filter(wanted::contains).toList();
        };
    }
}
