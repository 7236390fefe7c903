package fairkettle.routine;

import fairkettle.changeover.OpeningHours;
import fairkettle.machine.VesselKind;
import fairkettle.routine.Routine.Drive;
import fairkettle.routine.Upkeep.Key;
import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** When routines are due, what drives them there, and where each figure comes from. */
public final class DueTimes {

    private static final double HOURS = 24;
    private static final Duration RECENT = Duration.ofDays(3);
    private static final Duration SPELL_WAITS = Duration.ofHours(4); // half a working day: at once
    /** Beyond this nothing is foretold. */
    private static final Duration FAR = Duration.ofDays(3 * 365);

    private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("EEE d MMM, HH:mm", Locale.ENGLISH);

    private final DryingCurve air;
    private final Settling settling;
    private final OpeningHours hours;
    private final Instant now;
    private final double recentDrying;

    public DueTimes(DryingCurve air, Settling settling, OpeningHours hours, Instant now) {
        this.air = air;
        this.settling = settling;
        this.hours = hours;
        this.now = now;
        recentDrying = air.average(now.minus(RECENT), now);
    }

    /**
     * What else is known of a machine.
     *
     * @param depths mm of ink in the vessels of a white channel
     * @param padShare 0 to 1, and how much of it a day adds
     * @param bestBefore of the ink in it, or null
     * @param sheetsPerDay of late; {@code inkPerDay} mL by channel, and {@code cleaningsPerDay}
     */
    public record Facts(
            Map<Depth, Double> depths,
            double padShare,
            double padPerDay,
            @Nullable Instant bestBefore,
            double sheetsPerDay,
            Map<String, Double> inkPerDay,
            double cleaningsPerDay) {
        public Facts {
            depths = Map.copyOf(depths);
            inkPerDay = Map.copyOf(inkPerDay);
        }

        private double rate(Driver driver, Key key) {
            return switch (driver) {
                case SHEETS -> sheetsPerDay;
                case CLEANINGS -> cleaningsPerDay;
                case INK ->
                    key.channel() == null
                            ? inkPerDay.values().stream().mapToDouble(d -> d).sum()
                            : inkPerDay.getOrDefault(key.channel().code(), 0.0);
                case WASTE -> padPerDay;
                case CLOCK, IDLE, SETTLED, DATE -> 0;
            };
        }
    }

    /** @param channel code; whose vessel */
    public record Depth(String channel, VesselKind vessel) {}

    /**
     * @param progress 1 when due
     * @param driver what brings it on first
     * @param due when progress reaches 1 at the recent rate, or null where nothing foretells it
     * @param ask the last open time up to then, or the first after it where it was done since: when somebody should do
     *     it
     * @param latest when leaving it begins to hurt
     * @param reckoned how this was reckoned, one line for each drive; put into words only where somebody reads them
     */
    public record Standing(
            Key key,
            Routine routine,
            double progress,
            Driver driver,
            @Nullable Instant due,
            @Nullable Instant ask,
            @Nullable Instant latest,
            Supplier<List<String>> reckoned,
            Mark mark) {

        public List<String> whereFrom() {
            return reckoned.get();
        }

        public boolean dueBy(Instant when) {
            return ask != null && !ask.isAfter(when);
        }

        /**
         * Half of its time after it was done last: what was done at nine and comes round at five is not done again at
         * ten, though somebody stands there. What nothing foretells can be done whenever somebody likes.
         */
        public Instant notBefore() {
            return ask == null || !ask.isAfter(mark.since())
                    ? mark.since()
                    : mark.since().plus(Duration.between(mark.since(), ask).dividedBy(2));
        }

        /** How far beyond due, weighed by what its failure costs; 0 if it is not due. */
        public double severity() {
            return Math.max(0, progress - 1) * routine.weight();
        }
    }

    /** Where every routine of a machine stands, the most pressing first. */
    public List<Standing> of(Upkeep upkeep, Map<Key, Mark> marks, Instant joined, Facts facts) {
        var all = new ArrayList<Standing>();
        upkeep.keys()
                .forEach((key, routine) ->
                        all.add(standing(key, routine, marks.getOrDefault(key, Mark.begun(joined)), facts)));
        all.sort(Comparator.comparing((Standing s) -> s.ask == null ? Instant.MAX : s.ask)
                .thenComparing(s -> -s.routine.weight()));
        return all;
    }

    private Standing standing(Key key, Routine routine, Mark mark, Facts facts) {
        var reckoned = routine.drives().stream()
                .map(drive -> reckon(key, drive, mark, facts))
                .toList();
        var first = reckoned.stream()
                .max(Comparator.comparingDouble(Reckoned::progress))
                .orElseThrow();
        double progress = first.progress;
        var due = reckoned.stream()
                .flatMap(r -> Optional.ofNullable(r.at(1)).stream())
                .min(Comparator.naturalOrder())
                .orElse(null);
        Instant latest = reckoned.stream()
                .flatMap(r -> Optional.ofNullable(r.at(routine.latest())).stream())
                .min(Comparator.naturalOrder())
                .orElse(null);
        boolean spell = routine.id().equals("cap-lines") && progress < 1 && air.spellSince(mark.since(), now);
        if (spell) {
            progress = 1;
            due = now;
            latest = hours.firstOpen(now).plus(SPELL_WAITS); // at once is not months off
        }
        var ask = due == null ? null : due.isAfter(now) ? hours.lastOpen(due) : due;
        if (ask != null
                && due != null
                && !ask.isAfter(mark.since())) { // done already when it would have been asked for
            ask = hours.firstOpen(due);
        }
        return new Standing(
                key,
                routine,
                progress,
                first.drive.driver(),
                due,
                ask,
                latest,
                inWords(reckoned, spell, due, ask),
                mark);
    }

    private Supplier<List<String>> inWords(
            List<Reckoned> reckoned, boolean spell, @Nullable Instant due, @Nullable Instant ask) {
        return () -> {
            var lines = new ArrayList<String>();
            reckoned.forEach(r -> lines.add(r.words.get()));
            if (spell) {
                lines.add("a hot dry spell since then: at once");
            }
            if (ask != null && due != null && ask.isBefore(due)) {
                lines.add("falls into closed hours (%s): done before, by %s".formatted(when(due), when(ask)));
            }
            return List.copyOf(lines);
        };
    }

    /** @param words how far and why; @param reaches when its progress is at a figure */
    private record Reckoned(
            Drive drive, double progress, Supplier<String> words, DoubleFunction<@Nullable Instant> reaches) {
        @Nullable
        Instant at(double figure) {
            return reaches.apply(figure);
        }
    }

    private Reckoned reckon(Key key, Drive drive, Mark mark, Facts facts) {
        return switch (drive.driver()) {
            case CLOCK, IDLE -> byTime(drive, mark);
            case SHEETS, INK, CLEANINGS -> byCount(key, drive, mark, facts);
            case SETTLED -> settled(key, drive, mark, facts);
            case WASTE -> waste(drive, facts);
            case DATE -> date(drive, facts);
        };
    }

    private Reckoned byTime(Drive drive, Mark mark) {
        double base = drive.base() * HOURS;
        double passed = drive.dries()
                ? air.hours(mark.since(), now)
                : Math.max(0, Duration.between(mark.since(), now).toSeconds() / 3600.0);
        double factor = drive.dries() ? air.average(mark.since(), now) : 1;
        double ahead = drive.dries() ? recentDrying : 1;
        Supplier<String> words = () -> "%s days %s; counted from %s%s: %.0f %%"
                .formatted(
                        figure(drive.base()),
                        drive.driver() == Driver.IDLE ? "without ink" : "of the clock",
                        when(mark.since()),
                        drive.dries() ? ", dried %.1f × as fast as usual".formatted(factor) : "",
                        100 * passed / base);
        return new Reckoned(drive, passed / base, words, p -> later((p * base - passed) / ahead));
    }

    private Reckoned byCount(Key key, Drive drive, Mark mark, Facts facts) {
        double counted = mark.counted(drive.driver());
        double perDay = facts.rate(drive.driver(), key);
        Supplier<String> words = () -> "%s of %s %s since %s, %s a day of late: %.0f %%"
                .formatted(
                        figure(counted),
                        figure(drive.base()),
                        drive.driver().unit(),
                        when(mark.since()),
                        figure(perDay),
                        100 * counted / drive.base());
        return new Reckoned(
                drive,
                counted / drive.base(),
                words,
                p -> counted >= p * drive.base()
                        ? now
                        : perDay <= 0 ? null : later((p * drive.base() - counted) / perDay * HOURS));
    }

    private Reckoned settled(Key key, Drive drive, Mark mark, Facts facts) {
        boolean line = drive.base() > 0.3;
        var code = key.channel() == null ? "" : key.channel().code();
        double depth = facts.depths.getOrDefault(new Depth(code, line ? VesselKind.TUBE : VesselKind.TANK), 0.0);
        double share = settling.share(depth, Duration.between(mark.since(), now));
        Supplier<String> words = () -> "%.0f %% of the white has settled in %s mm of %s since %s; the limit is %.0f %%"
                .formatted(100 * share, figure(depth), line ? "line" : "tank", when(mark.since()), 100 * drive.base());
        return new Reckoned(
                drive,
                share / drive.base(),
                words,
                p -> depth <= 0 ? null : mark.since().plus(settling.until(p * drive.base(), depth)));
    }

    private Reckoned waste(Drive drive, Facts facts) {
        Supplier<String> words = () -> "the pad is %.0f %% full, %.1f %% more each day; the limit is %.0f %%"
                .formatted(100 * facts.padShare, 100 * facts.padPerDay, 100 * drive.base());
        return new Reckoned(
                drive,
                facts.padShare / drive.base(),
                words,
                p -> facts.padShare >= p * drive.base()
                        ? now
                        : facts.padPerDay <= 0
                                ? null
                                : later((p * drive.base() - facts.padShare) / facts.padPerDay * HOURS));
    }

    private Reckoned date(Drive drive, Facts facts) {
        var best = facts.bestBefore;
        return best == null
                ? new Reckoned(drive, 0, () -> "no date is known of the ink in it", _ -> null)
                : new Reckoned(
                        drive,
                        best.isAfter(now) ? 0.5 : 1.01,
                        () -> "the ink in it is good until " + when(best),
                        _ -> best);
    }

    private @Nullable Instant later(double hoursAhead) {
        return Math.abs(hoursAhead) > FAR.toHours() ? null : now.plusSeconds(Math.round(hoursAhead * 3600));
    }

    private String when(Instant at) {
        return WHEN.format(at.atZone(hours.zone()));
    }

    private static String figure(double value) {
        return value >= 10 || value == Math.rint(value) ? "%.0f".formatted(value) : "%.1f".formatted(value);
    }
}
