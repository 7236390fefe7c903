package fairkettle.routine;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Channel;
import fairkettle.machine.Profile;
import fairkettle.machine.VesselKind;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** A machine's routines and how far each is: what really happened is credited before anything is asked for. */
public final class Upkeep {

    /** Of a purge sheet's ink, what makes a print count as one. */
    private static final double WHOLE_PURGE = 0.5;

    private final Profile profile;
    private final List<Routine> routines;

    /** @param family what it prints */
    public Upkeep(Profile profile, Family family) {
        this(profile, Routines.of(profile, family));
    }

    public Upkeep(Profile profile, List<Routine> routines) {
        this.profile = profile;
        this.routines = List.copyOf(routines);
    }

    /** A routine of one channel, or of the machine. */
    public record Key(String routine, @Nullable ChannelCode channel) {}

    public List<Routine> routines() {
        return routines;
    }

    /** Everything that is kept apart, with its routine. */
    public Map<Key, Routine> keys() {
        var keys = new LinkedHashMap<Key, Routine>();
        for (var routine : routines) {
            for (var channel : channels(routine)) {
                keys.put(new Key(routine.id(), channel), routine);
            }
        }
        return keys;
    }

    private List<@Nullable ChannelCode> channels(Routine routine) {
        var codes = new ArrayList<@Nullable ChannelCode>();
        switch (routine.scope()) {
            case MACHINE -> codes.add(null);
            case CHANNEL ->
                profile.channels().stream()
                        .filter(c -> concerns(routine, c))
                        .map(Channel::code)
                        .forEach(codes::add);
            case WHITE -> profile.codes().stream().filter(ChannelCode::white).forEach(codes::add);
        }
        return codes;
    }

    /** White dampers have a routine of their own, and no part is exchanged where there is none. */
    private static boolean concerns(Routine routine, Channel channel) {
        return switch (routine.id()) {
            case "damper" -> channel.has(VesselKind.DAMPER) && !channel.code().white();
            case "cartridge-filter" -> channel.has(VesselKind.CARTRIDGE);
            default -> true;
        };
    }

    /** The marks after something happened. Marks that are missing begin with it. */
    public Map<Key, Mark> after(Map<Key, Mark> before, Happening what, Instant joined) {
        var after = new LinkedHashMap<Key, Mark>();
        keys().forEach((key, routine) ->
                after.put(key, after(before.getOrDefault(key, Mark.begun(joined)), key, routine, what)));
        return after;
    }

    private Mark after(Mark mark, Key key, Routine routine, Happening what) {
        var used = mark.used(what.sheets(), ink(key, what), what.cleanings());
        if (routine.id().equals(what.done())
                && (key.channel() == null
                        || what.channel() == null
                        || key.channel().equals(what.channel()))) {
            return used.done(what.at(), what.entry());
        }
        return switch (routine.credit()) {
            case DONE -> used;
            case CHECK -> what.check() ? used.done(what.at(), what.entry()) : used;
            case READING -> what.reading() ? used.done(what.at(), what.entry()) : used;
            case PAD_CHANGED -> what.padChanged() ? used.done(what.at(), what.entry()) : used;
            case INK_LAID ->
                used.credited(
                        what.at(),
                        share(what.laid(), key, profile.draws().sheet().mL() * WHOLE_PURGE),
                        what.entry());
            case LINE_MOVED -> used.credited(what.at(), share(what.moved(), key, line(key)), what.entry());
        };
    }

    private double ink(Key key, Happening what) {
        return key.channel() == null
                ? what.moved().values().stream().mapToDouble(d -> d).sum()
                : what.moved().getOrDefault(key.channel(), 0.0);
    }

    private static double share(Map<ChannelCode, Double> mL, Key key, double whole) {
        return key.channel() == null ? 0 : mL.getOrDefault(key.channel(), 0.0) / whole;
    }

    /** mL of a channel's line. */
    private double line(Key key) {
        var channel = profile.channel(Objects.requireNonNull(key.channel()));
        return channel.has(VesselKind.TUBE)
                ? channel.vessel(VesselKind.TUBE).capacity().mL()
                : channel.first().capacity().mL();
    }
}
