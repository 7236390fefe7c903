package fairkettle.clinic;

import fairkettle.safety.School;
import java.time.Duration;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;

/** What can be tried. Prices are per act; those of acts on single channels grow with the channels treated. */
public enum Treatment {
    PURGE_SHEET("Purge sheet", Scope.CHANNELS, 3, 0, 6, "puts ink on paper, where it can be read"),
    CLEANING("Light cleaning", Scope.MACHINE, 2, 0, 5, "pulls every channel a little, into the pad"),
    POWER_CLEANING(
            "Power cleaning",
            Scope.MACHINE,
            3,
            0,
            12 * 60,
            "pulls hard, costs much ink and pad, and needs its long rest"),
    REST_SHORT(
            "Rest of two hours", Scope.MACHINE, .5, 0, 120, "small air rises, and the next cleaning may count again"),
    REST_LONG("Rest of twelve hours", Scope.MACHINE, .5, 0, 12 * 60, "air leaves by itself"),
    SOAK(
            "Soak over a wet cloth",
            Scope.MACHINE,
            6,
            0,
            15,
            "fluid softens what dried at the plate; never longer than ten minutes"),
    SOAK_OVERNIGHT(
            "Overnight soak, capped",
            Scope.MACHINE,
            6,
            0,
            12 * 60,
            "fluid in the cap works on hard crusts while the head stays shut"),
    WIPE(
            "Wipe plate edges, cap rim and wiper",
            Scope.MACHINE,
            8,
            0,
            10,
            "what is dirty there comes back after every cleaning"),
    FLUSH_CAP("Flush cap and pump line", Scope.MACHINE, 10, 0, 20, "a pump that moves nothing cures nothing"),
    NEW_CAP("New cap", Scope.MACHINE, 20, 0, 30, "hard rubber seals no more"),
    DRAW_AT_CARTRIDGE("Draw at the cartridge", Scope.CHANNELS, 2, 5, 12, "takes air out where it collects"),
    PUSH_AT_VENT("Gentle push at the air hole", Scope.CHANNELS, 2, 4, 12, "moves air on, until the bubbling stops"),
    DRAW_AT_WASTE_LINE("Draw at the waste line", Scope.CHANNELS, 6, 4, 20, "slow and strong, and the pad is spared"),
    AGITATE("Stir and move the white", Scope.CHANNELS, 2, 3, 12, "lifts what settled"),
    NEW_DAMPER("New damper or filter", Scope.CHANNELS, 5, 12, 40, "a loaded filter starves the head"),
    FLUSH_LINE("Flush the line, new damper", Scope.CHANNELS, 10, 20, 60, "takes settled ink out of the line"),
    DRAW_AT_INLET(
            "Draw fluid through the inlet",
            Scope.CHANNELS,
            12,
            6,
            40,
            "fluid goes through the head itself, drawn, not pushed"),
    RENEW("Renew the ink of the channel", Scope.CHANNELS, 10, 30, 120, "drain, flush, fill anew"),
    HEAD_OUT("Head out, cleaned on the table", Scope.MACHINE, 60, 0, 150, "the last resort"),
    LOOK_AGAIN(
            "Look at the simple things again",
            Scope.MACHINE,
            3,
            0,
            4,
            "level, vent, valve and seating are overlooked now and then");

    enum Scope {
        MACHINE,
        CHANNELS
    }

    private final String label;
    private final Scope scope;
    private final double hands;
    private final double handsEach;
    private final int minutes;
    private final String why;

    Treatment(String label, Scope scope, double hands, double handsEach, int minutes, String why) {
        this.label = label;
        this.scope = scope;
        this.hands = hands;
        this.handsEach = handsEach;
        this.minutes = minutes;
        this.why = why;
    }

    public String label() {
        return label;
    }

    /** In half a sentence: what it is for. */
    public String why() {
        return why;
    }

    public boolean perChannel() {
        return scope == Scope.CHANNELS;
    }

    /** Minutes of a person's hands. @param channels treated */
    public double hands(int channels) {
        return hands + (scope == Scope.CHANNELS ? handsEach * channels : 0);
    }

    /** Until the machine may be looked at again, its own wait included. @param channels treated */
    public Duration lasts(int channels) {
        return Duration.ofMinutes(
                minutes + Math.round(scope == Scope.CHANNELS ? handsEach * Math.max(0, channels - 1) : 0));
    }

    /** What a shop's schools leave out. @param schools positions by school; the defaults where none is given */
    public static Set<Treatment> leftOut(Map<School, String> schools) {
        var never = EnumSet.noneOf(Treatment.class);
        if (!"push".equals(schools.get(School.DRAW_OR_PUSH))) {
            never.add(PUSH_AT_VENT);
        }
        if ("spare".equals(schools.get(School.POWER_CLEANING))) {
            never.add(POWER_CLEANING);
        }
        return never;
    }

    /**
     * The wait that belongs to it although the machine could be looked at before: an early check says little. Zero
     * where it waits by itself.
     */
    public Duration rest() {
        return this == POWER_CLEANING ? Duration.ofMinutes(minutes) : Duration.ZERO;
    }

    /** Whether the machine's own pump cleans every channel. */
    public boolean cleans() {
        return this == CLEANING || this == POWER_CLEANING;
    }

    /** Whether it is work on cap or pump, so that a cleaning may do after it what it could not do before. */
    public boolean atCap() {
        return this == WIPE || this == FLUSH_CAP || this == NEW_CAP;
    }

    /** Whether the machine stands for hours, and nothing else is done. Work of hours at the machine is no rest. */
    public boolean rests() {
        return this == REST_SHORT || this == REST_LONG || this == SOAK_OVERNIGHT;
    }

    /** Whether a machine that must rest may have it: nothing is moved, wetted or pulled. */
    boolean leavesAtRest() {
        return this == REST_SHORT || this == REST_LONG || this == LOOK_AGAIN;
    }

    /** Whether it takes ink from the path, so that the simple things must be known before. */
    public boolean costsInk() {
        return switch (this) {
            case REST_SHORT, REST_LONG, WIPE, LOOK_AGAIN, AGITATE -> false;
            case PURGE_SHEET,
                    CLEANING,
                    POWER_CLEANING,
                    SOAK,
                    SOAK_OVERNIGHT,
                    FLUSH_CAP,
                    NEW_CAP,
                    DRAW_AT_CARTRIDGE,
                    PUSH_AT_VENT,
                    DRAW_AT_WASTE_LINE,
                    NEW_DAMPER,
                    FLUSH_LINE,
                    DRAW_AT_INLET,
                    RENEW,
                    HEAD_OUT -> true;
        };
    }

    /** Whether a hand reaches into the head or its place. */
    public boolean headWork() {
        return this == DRAW_AT_INLET || this == HEAD_OUT;
    }
}
