package fairkettle.standin.machine;

import java.util.Locale;

/**
 * What a person, or the network, can do to a machine. Volumes in mL. Channels by their code; none means all of them.
 */
public sealed interface Act {

    /** What it is done to; empty for the whole machine. */
    default String channel() {
        return "";
    }

    /** In words: “draw at waste line C”. */
    default String words() {
        return (getClass()
                                .getSimpleName()
                                .replaceAll("(?<=[a-z])(?=[A-Z])", " ")
                                .toLowerCase(Locale.ROOT) + " " + channel())
                .strip();
    }

    record Check() implements Act {}

    /** @param mL through that channel's nozzles onto paper */
    record Purge(String channel, double mL) implements Act {}

    record Clean() implements Act {}

    record PowerClean() implements Act {}

    /** Head over a wet cloth. */
    record Soak(double minutes) implements Act {}

    /** Head capped over a wetted cap. */
    record OvernightSoak() implements Act {}

    /** Pulled out of the vessel in the carriage. */
    record DrawAtCartridge(String channel, double mL) implements Act {}

    /** Pulled through the docked head. */
    record DrawAtWasteLine(String channel, double mL) implements Act {}

    record PushAir(String channel) implements Act {}

    record FluidAtInlet(String channel, double mL) implements Act {}

    record Fill(String channel, double mL) implements Act {}

    /** Ink that does not belong: so much of it, into the vessel. */
    record WrongInk(String channel, double mL) implements Act {}

    record Agitate(String channel) implements Act {}

    record Circulate() implements Act {}

    record FlushWhiteLine(String channel) implements Act {}

    record OpenVent(String channel) implements Act {}

    record ShutVent(String channel) implements Act {}

    record OpenValve(String channel) implements Act {}

    record ShutValve(String channel) implements Act {}

    record WipePlate() implements Act {}

    record CleanCap() implements Act {}

    record NewCap() implements Act {}

    record NewWiper() implements Act {}

    record NewDamper(String channel) implements Act {}

    record NewPad() implements Act {}

    record NewHead() implements Act {}

    /** Drained, flushed, filled anew. */
    record Renew(String channel) implements Act {}

    record ResetChip(String channel) implements Act {}
}
