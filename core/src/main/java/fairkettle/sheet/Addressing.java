package fairkettle.sheet;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.Architecture;
import fairkettle.machine.Profile;

/** How a page reaches one channel of a machine. */
public enum Addressing {
    /** an ordinary driver separates RGB by itself; a pure primary reaches one channel on plain-paper presets */
    RGB(true),
    /** the program that separates white for film takes a spot colour of the channel’s name */
    RIP(true),
    /** only the machine’s own maintenance menu lays it down alone */
    OWN_MENU(false);

    private final boolean page;

    Addressing(boolean page) {
        this.page = page;
    }

    /** Whether a page of ours can lay it down alone. */
    public boolean byPage() {
        return page;
    }

    public static Addressing of(Profile profile, ChannelCode channel) {
        if (profile.architecture() == Architecture.FILM) {
            return RIP;
        }
        return switch (channel.code()) {
            case "K", "C", "M", "Y" -> RGB;
            default -> OWN_MENU;
        };
    }

    /** What to press or send so that only this channel prints. */
    public String say(ChannelCode channel) {
        return switch (this) {
            case RGB ->
                channel.code().equals("K")
                        ? "Plain paper, black only: otherwise black comes out mixed."
                        : "Plain paper, colour management off.";
            case RIP -> "Through the program that separates white: the spot colour is called " + channel.code() + ".";
            case OWN_MENU ->
                "A driver mixes " + channel.code()
                        + " in by itself and cannot be asked for it alone. Print the machine’s own nozzle check, or a"
                        + " photo on a photo preset.";
        };
    }
}
