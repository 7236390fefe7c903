package fairkettle.measure;

import fairkettle.changeover.OpeningHours;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.VesselKind;
import fairkettle.routine.Air;
import fairkettle.routine.DryingCurve;
import fairkettle.routine.DueTimes;
import fairkettle.routine.DueTimes.Depth;
import fairkettle.routine.Happening;
import fairkettle.routine.Mark;
import fairkettle.routine.Settling;
import fairkettle.routine.Upkeep;
import fairkettle.routine.Upkeep.Key;
import fairkettle.standin.machine.Act;
import fairkettle.standin.machine.Fortnight;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** {@code ./kettle measure fortnight}: the simulated bench for a fortnight, left alone and kept by the routines. */
public final class Fortnights {

    private static final int BENCHES = 20;
    private static final OpeningHours HOURS = new OpeningHours(
            ZoneId.of("UTC"),
            Stream.of(DayOfWeek.values())
                    .filter(d -> d != DayOfWeek.SUNDAY)
                    .collect(Collectors.toMap(
                            d -> d, _ -> new OpeningHours.Span(LocalTime.of(9, 0), LocalTime.of(17, 0)))),
            Set.of());

    private Fortnights() {}

    public static void main(String[] args) {
        print("left alone", _ -> Fortnight.nobody());
        print("kept", Fortnights::keeper);
    }

    private static void print(String how, Function<Profile, Fortnight.Keeper> keeper) {
        int machines = 0;
        int gaps = 0;
        int spoilt = 0;
        int orders = 0;
        double cleanings = 0;
        double upkeep = 0;
        for (long seed = 1; seed <= BENCHES; seed++) {
            var outcome = Fortnight.of(Profiles.ALL, seed, keeper);
            machines += outcome.machines();
            gaps += outcome.gaps();
            spoilt += outcome.spoilt();
            orders += outcome.orders();
            cleanings += outcome.cleanings();
            upkeep += outcome.upkeep();
        }
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"fortnight\",\"how\":\"%s\",\"machines\":%d,\"orders\":%d,\"gaps_per_machine\":%.1f,\"orders_with_gaps\":%d,\"cleaning_ml_per_machine\":%.1f,\"routine_ml_per_machine\":%.1f}%n",
                how,
                machines,
                orders,
                gaps / (double) machines,
                spoilt,
                cleanings / machines,
                upkeep / machines);
    }

    private static Family family(Profile profile) {
        return profile.codes().stream().anyMatch(ChannelCode::white) ? Family.FILM : Family.SUBLIMATION;
    }

    /** Does each morning what the due times ask for by the evening, and nothing else. */
    private static Fortnight.Keeper keeper(Profile profile) {
        var upkeep = new Upkeep(profile, family(profile));
        var marks = new HashMap<Key, Mark>();
        var air = new ArrayList<Air>();
        return morning -> {
            var at = morning.at();
            var joined = at.minus(Duration.ofDays(1));
            air.add(air(at, morning.drying()));
            var depths = profile.codes().stream()
                    .filter(ChannelCode::white)
                    .flatMap(c -> Stream.of(
                            Map.entry(new Depth(c.code(), VesselKind.TANK), 70.0),
                            Map.entry(new Depth(c.code(), VesselKind.TUBE), 3.0)))
                    .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
            var facts = new DueTimes.Facts(depths, 0, 0, null, 0, Map.of(), 0);
            var due = new DueTimes(new DryingCurve(air), Settling.USUAL, HOURS, at)
                    .of(upkeep, marks, joined, facts).stream()
                            .filter(s -> s.dueBy(at.plus(Duration.ofHours(24))))
                            .toList();
            var acts = new ArrayList<Act>();
            Map<Key, Mark> now = new HashMap<>(marks);
            for (var standing : due) {
                var did = act(profile, standing.key());
                if (!did.isEmpty()) {
                    acts.addAll(did);
                    now = upkeep.after(
                            now,
                            Happening.done(
                                    at,
                                    null,
                                    standing.key().routine(),
                                    standing.key().channel()),
                            joined);
                }
            }
            if (!morning.printed().isEmpty()) {
                var laid = morning.printed().stream().collect(Collectors.toMap(c -> c, _ -> 0.5));
                now = upkeep.after(
                        now, new Happening(at, null, laid, laid, 1, 0, false, false, false, null, null), joined);
            }
            marks.putAll(now);
            return acts;
        };
    }

    /** Air that dries so many times as fast as usual, at 22 °C. */
    private static Air air(Instant at, double drying) {
        return new Air(at, 22, Math.clamp(100 - 50 * drying, 0, 100));
    }

    private static List<Act> act(Profile profile, Key key) {
        var code = key.channel() == null ? "" : key.channel().code();
        return switch (key.routine()) {
            case "purge" -> List.of(new Act.Purge(code, profile.draws().sheet().mL() / 2));
            case "shake" -> List.of(new Act.Agitate(code));
            case "move-white" -> List.of(new Act.Circulate());
            case "wiper", "plate-edges" -> List.of(new Act.WipePlate());
            case "cap-rim", "cap-lines" -> List.of(new Act.CleanCap());
            case "check" -> List.of(new Act.Check());
            default -> List.of();
        };
    }
}
