package fairkettle.path;

import fairkettle.ink.ChannelCode;
import fairkettle.machine.VesselKind;

/** Where liquid can be. Every transfer leaves one place and enters another. */
public sealed interface Place {

    /** A vessel on the path of a machine's channel. */
    record InPath(long machine, ChannelCode channel, VesselKind vessel) implements Place {}

    /** A bottle on the shelf. */
    record Bottle(long lot) implements Place {}

    /** A machine's waste pad or maintenance box. */
    record Pad(long machine) implements Place {}

    /** A cartridge on the tray, before it goes into its slot. */
    record Tray(long machine, ChannelCode channel) implements Place {}

    /** A waste bottle with a name. */
    record Waste(long bottle) implements Place {}

    /** The account's outside ends: never empty, never full. */
    enum Outside implements Place {
        SUPPLIER,
        PAPER,
        /** waste that went into no bottle with a name, or has left the house */
        WASTE_BOTTLE,
        /** in parts that came off and were put aside */
        PUT_ASIDE,
        EVAPORATION,
        CORRECTION
    }

    /**
     * "path/3/C/TANK", "tray/3/C", "bottle/12", "pad/3", "waste/2" or "outside/PAPER": the inverse of {@link #parse}.
     */
    default String key() {
        return switch (this) {
            case InPath(var machine, var channel, var vessel) -> "path/%d/%s/%s".formatted(machine, channel, vessel);
            case Bottle(var lot) -> "bottle/" + lot;
            case Pad(var machine) -> "pad/" + machine;
            case Tray(var machine, var channel) -> "tray/%d/%s".formatted(machine, channel);
            case Waste(var bottle) -> "waste/" + bottle;
            case Outside outside -> "outside/" + outside.name();
        };
    }

    static Place parse(String key) {
        var parts = key.split("/");
        return switch (parts[0]) {
            case "path" -> new InPath(Long.parseLong(parts[1]), ChannelCode.of(parts[2]), VesselKind.valueOf(parts[3]));
            case "bottle" -> new Bottle(Long.parseLong(parts[1]));
            case "pad" -> new Pad(Long.parseLong(parts[1]));
            case "tray" -> new Tray(Long.parseLong(parts[1]), ChannelCode.of(parts[2]));
            case "waste" -> new Waste(Long.parseLong(parts[1]));
            case "outside" -> Outside.valueOf(parts[1]);
            default -> throw new IllegalArgumentException("The place (%s) is unknown.".formatted(key));
        };
    }
}
