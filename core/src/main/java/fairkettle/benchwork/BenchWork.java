package fairkettle.benchwork;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Architecture;
import fairkettle.machine.Profile;
import fairkettle.machine.Tray;
import fairkettle.machine.VesselKind;
import java.util.List;
import java.util.Set;

/** What is done at a machine besides changeovers, cures and single routines. */
public enum BenchWork {
    LINE_FLUSH(
            "Flush the white line",
            "White dense at first, then thin within one print; a line with a film or a solid floor; long idle.",
            true),
    WHITE_START(
            "Wake it after idle days",
            "Film machine that stood: white first, it suffers most; colours after it; nothing is printed before white"
                    + " is even.",
            true),
    POSITION_FAULT(
            "Encoder or position error",
            "Doubled or shifted lines, an encoder message, a belt that skips: cleaning and oil before any part is"
                    + " bought.",
            false),
    INLET_POINTS(
            "Look at the inlet points",
            "A channel that is missing for good: crust at its inlet explains it without blaming the nozzles.",
            false),
    UNDER_HEADS(
            "Wipe under each head",
            "A smear along the print, threads, or idle days. Each bank is looked at for itself.",
            false),
    HEAD_REFIT(
            "Head out and in again",
            "Only when it must come out: a hurt base, a head to exchange, a clean plate that cannot be reached.",
            false),
    LONG_RUN(
            "Before a long run",
            "Shaker, oven, clamps, tape, sensor: what spoils metres of film when it is found too late.",
            false),
    WHOLE_FLUSH(
            "Flush the whole machine",
            "Its bay filters are due by age, and cannot be reached otherwise: every line, air first, then fluid.",
            false),
    BUBBLES(
            "Bubbles out of a cartridge",
            "A bubble shows in the window of a cartridge below a raised bottle: it must be full, or air goes to the"
                    + " head. Choose only those that show one.",
            false),
    TRANSIT(
            "Carry it to another place",
            "Another room, a market, a repair: shut for the way, carried level, and everything opened again.",
            false),
    ROUTINE("A routine, step by step", "", false);

    private final String title;
    private final String when;
    private final boolean white;

    BenchWork(String title, String when, boolean white) {
        this.title = title;
        this.when = when;
        this.white = white;
    }

    public String title() {
        return title;
    }

    /** When one would do it. */
    public String when() {
        return when;
    }

    /** Channels it is for on this machine; empty for the whole machine. */
    public List<ChannelCode> channels(Profile profile) {
        return white
                ? profile.codes().stream().filter(ChannelCode::white).toList()
                : Set.of(INLET_POINTS, BUBBLES, WHOLE_FLUSH).contains(this) ? profile.codes() : List.of();
    }

    /** Whether fluid goes through lines, and dampers may be renewed on the way. */
    public boolean flushes() {
        return this == LINE_FLUSH || this == WHOLE_FLUSH;
    }

    /** Whether this machine can want it at all. */
    public boolean concerns(Profile profile, Family family) {
        return switch (this) {
            case LINE_FLUSH ->
                channels(profile).stream().anyMatch(c -> profile.channel(c).has(VesselKind.TUBE));
            case WHITE_START -> !channels(profile).isEmpty();
            case LONG_RUN -> family == Family.FILM;
            case WHOLE_FLUSH -> profile.architecture() == Architecture.FILM;
            case BUBBLES -> profile.handling().trays().contains(Tray.PLATEN);
            case POSITION_FAULT, INLET_POINTS, UNDER_HEADS, TRANSIT -> true;
            case HEAD_REFIT -> profile.capable().headOut() || profile.headsByUser();
            case ROUTINE -> false;
        };
    }
}
