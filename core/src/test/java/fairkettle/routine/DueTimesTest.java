package fairkettle.routine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.changeover.OpeningHours;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.VesselKind;
import fairkettle.routine.DueTimes.Depth;
import fairkettle.routine.DueTimes.Facts;
import fairkettle.routine.DueTimes.Standing;
import fairkettle.routine.Upkeep.Key;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** When things are due, what brings them there, and where that comes from. */
class DueTimesTest {

    /** Wednesday. */
    private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");

    private static final Profile WIDE = Profiles.named("wide-tank");
    private static final Facts NOTHING = new Facts(Map.of(), 0, 0, null, 0, Map.of(), 0);
    private static final Key PURGE = new Key("purge", ChannelCode.of("C"));

    private static OpeningHours hours(LocalDate... holidays) {
        var week = new EnumMap<DayOfWeek, OpeningHours.Span>(DayOfWeek.class);
        for (var day : DayOfWeek.values()) {
            if (day != DayOfWeek.SUNDAY) {
                week.put(day, new OpeningHours.Span(LocalTime.of(9, 0), LocalTime.of(17, 0)));
            }
        }
        return new OpeningHours(ZoneId.of("Europe/London"), week, Set.of(holidays));
    }

    private static List<Air> air(double celsius, double humidity, int days) {
        var readings = new ArrayList<Air>();
        for (int h = days * 24; h >= 0; h -= 12) {
            readings.add(new Air(NOW.minus(Duration.ofHours(h)), celsius, humidity));
        }
        return readings;
    }

    private static Standing standing(Key key, Duration ago, List<Air> air, Facts facts) {
        return standing(key, new Mark(NOW.minus(ago), 0, 0, 0, null), air, facts);
    }

    private static Standing standing(Key key, Mark mark, List<Air> air, Facts facts) {
        return new DueTimes(new DryingCurve(air), Settling.USUAL, hours(), NOW)
                .of(new Upkeep(WIDE, Family.SUBLIMATION), Map.of(key, mark), NOW, facts).stream()
                        .filter(s -> s.key().equals(key))
                        .findFirst()
                        .orElseThrow();
    }

    @Test
    void aPurgeIsDueAfterThreeDaysInUsualAir() {
        var standing = standing(PURGE, Duration.ofDays(1), List.of(), NOTHING);
        assertThat(standing.progress()).isCloseTo(1 / 3.0, within(1e-6));
        assertThat(standing.due()).isEqualTo(NOW.plus(Duration.ofDays(2)));
        assertThat(standing.driver()).isEqualTo(Driver.IDLE);
        assertThat(standing.whereFrom())
                .singleElement()
                .asString()
                .contains("3 days without ink")
                .contains("33 %");
    }

    @Test
    void dryAirBringsItForwardAndSaysSo() {
        var dry = standing(PURGE, Duration.ofDays(1), air(30, 25, 10), NOTHING);
        assertThat(dry.progress()).isCloseTo(2.41 / 3, within(.01));
        assertThat(dry.due()).isBefore(NOW.plus(Duration.ofHours(7)));
        assertThat(dry.whereFrom().getFirst()).contains("dried 2.4 × as fast");
    }

    @Test
    void ageAndUseAreAlternativesAndTheOneFurtherOnCounts() {
        var key = new Key("damper", ChannelCode.of("C"));
        var young = standing(
                key,
                new Mark(NOW.minus(Duration.ofDays(27)), 0, 1350, 0, null),
                List.of(),
                new Facts(Map.of(), 0, 0, null, 0, Map.of("C", 15.0), 0));
        assertThat(young.progress()).isCloseTo(.9, within(1e-6));
        assertThat(young.driver()).isEqualTo(Driver.INK);
        assertThat(young.due()).as("150 mL left at 15 mL a day").isEqualTo(NOW.plus(Duration.ofDays(10)));
        var old = standing(key, new Mark(NOW.minus(Duration.ofDays(260)), 0, 10, 0, null), List.of(), NOTHING);
        assertThat(old.driver()).isEqualTo(Driver.CLOCK);
        assertThat(old.whereFrom()).hasSize(2);
    }

    @Test
    void whatFallsIntoClosedHoursIsAskedForAtTheLastOpenTimeBefore() {
        var sunday =
                standing(PURGE, new Mark(Instant.parse("2026-11-26T12:00:00Z"), 0, 0, 0, null), List.of(), NOTHING);
        assertThat(sunday.due()).isEqualTo(Instant.parse("2026-11-28T09:00:00Z"));
        var later = new DueTimes(new DryingCurve(List.of()), Settling.USUAL, hours(LocalDate.of(2026, 11, 28)), NOW)
                        .of(
                                new Upkeep(WIDE, Family.SUBLIMATION),
                                Map.of(PURGE, new Mark(NOW, 0, 0, 0, null)),
                                NOW,
                                NOTHING)
                        .stream()
                        .filter(s -> s.key().equals(PURGE))
                        .findFirst()
                        .orElseThrow();
        assertThat(later.due()).isEqualTo(Instant.parse("2026-11-28T09:00:00Z"));
        assertThat(later.ask()).as("Saturday is a holiday").isEqualTo(Instant.parse("2026-11-27T17:00:00Z"));
        assertThat(later.whereFrom()).anySatisfy(w -> assertThat(w).contains("closed hours"));
    }

    @Test
    void nothingIsAskedForAgainBeforeItWasDone() {
        var closes = Instant.parse("2026-11-27T17:00:00Z");
        var done = closes.plusSeconds(3600); // after hours, before a closed Saturday
        var next = new DueTimes(new DryingCurve(List.of()), Settling.USUAL, hours(LocalDate.of(2026, 11, 28)), done)
                        .of(
                                new Upkeep(WIDE, Family.SUBLIMATION),
                                Map.of(PURGE, new Mark(done, 0, 0, 0, null)),
                                done,
                                NOTHING)
                        .stream()
                        .toList();
        assertThat(next).allSatisfy(s -> {
            if (s.ask() != null && s.key().equals(PURGE)) {
                assertThat(s.ask()).isAfter(done);
            }
        });
    }

    @Test
    void whatWasJustDoneIsNotDoneAgainBeforeHalfItsTime() {
        var check = new Key("check", null);
        var dry = air(26, 20, 10);
        var done = NOW.minus(Duration.ofMinutes(1)); // at nine, and the dry air wants it again before tomorrow
        var again = standing(check, new Mark(done, 0, 0, 0, null), dry, NOTHING);
        assertThat(again.dueBy(NOW.plus(Duration.ofHours(8)))).isTrue();
        assertThat(again.notBefore())
                .isAfter(NOW.plus(Duration.ofHours(3)))
                .isBefore(Objects.requireNonNull(again.ask()));
        var yesterday = standing(check, Duration.ofHours(20), dry, NOTHING);
        assertThat(yesterday.notBefore()).isBefore(NOW);
    }

    @Test
    void aHotDrySpellAsksForTheCapLinesAtOnce() {
        var key = new Key("cap-lines", null);
        var dry = standing(key, Duration.ofDays(5), air(30, 25, 3), NOTHING);
        assertThat(dry.dueBy(NOW)).isTrue();
        assertThat(dry.latest()).as("at once is no month off").isBefore(NOW.plus(Duration.ofDays(3)));
        assertThat(standing(key, Duration.ofDays(5), air(21, 50, 6), NOTHING).dueBy(NOW))
                .isFalse();
    }

    @Test
    void whiteIsDueByItsDepthAndThePadByItsWaste() {
        var film = new Upkeep(Profiles.named("film-rebuilt"), Family.FILM);
        var w1 = ChannelCode.of("W1");
        var facts = new Facts(
                Map.of(new Depth("W1", VesselKind.TUBE), 3.0, new Depth("W1", VesselKind.TANK), 55.0),
                .5,
                .1,
                null,
                0,
                Map.of(),
                0);
        var all = new DueTimes(new DryingCurve(List.of()), Settling.USUAL, hours(), NOW)
                .of(
                        film,
                        Map.of(
                                new Key("move-white", w1),
                                Mark.begun(NOW.minus(Duration.ofHours(10))),
                                new Key("shake", w1),
                                Mark.begun(NOW)),
                        NOW,
                        facts);
        var line = all.stream()
                .filter(s -> s.key().equals(new Key("move-white", w1)))
                .findFirst()
                .orElseThrow();
        assertThat(line.progress()).isCloseTo(2.12 * 10 / 24 / 3 / .6, within(.01));
        assertThat(line.due()).isBefore(NOW.plus(Duration.ofHours(11)));
        var pad = all.stream()
                .filter(s -> s.key().routine().equals("waste-pad"))
                .findFirst()
                .orElseThrow();
        assertThat(pad.due()).as("30 % to go at 10 % a day").isEqualTo(NOW.plus(Duration.ofDays(3)));
        assertThat(all)
                .as("the most pressing first")
                .isSortedAccordingTo((a, b) ->
                        (a.ask() == null ? Instant.MAX : a.ask()).compareTo(b.ask() == null ? Instant.MAX : b.ask()));
    }

    @Test
    void aMachineCanBeTuned() {
        var often = new Upkeep(
                WIDE,
                Routines.of(WIDE, Family.SUBLIMATION).stream()
                        .map(r -> r.tuned(.5))
                        .toList());
        var due = new DueTimes(new DryingCurve(List.of()), Settling.USUAL, hours(), NOW)
                .of(often, Map.of(PURGE, Mark.begun(NOW.minus(Duration.ofDays(1)))), NOW, NOTHING).stream()
                        .filter(s -> s.key().equals(PURGE))
                        .findFirst()
                        .orElseThrow();
        assertThat(due.progress()).isCloseTo(2 / 3.0, within(1e-6));
    }

    @Test
    void progressOnlyGrowsWhileNothingIsDone() {
        var random = new Random(4);
        for (int i = 0; i < 200; i++) {
            var air = new ArrayList<Air>();
            for (int h = 240; h >= 0; h -= 1 + random.nextInt(30)) {
                air.add(new Air(NOW.minus(Duration.ofHours(h)), 15 + random.nextInt(18), 20 + random.nextInt(60)));
            }
            double less = standing(PURGE, Duration.ofHours(10 + random.nextInt(50)), air, NOTHING)
                    .progress();
            double more = standing(PURGE, Duration.ofHours(61 + random.nextInt(100)), air, NOTHING)
                    .progress();
            assertThat(more).isGreaterThan(less);
        }
    }

    @Test
    void theCurveAgreesWithAddingUpMinuteByMinute() {
        var random = new Random(8);
        var air = new ArrayList<Air>();
        for (int h = 300; h >= 0; h -= 2 + random.nextInt(50)) {
            air.add(new Air(NOW.minus(Duration.ofHours(h)), 15 + random.nextInt(18), 20 + random.nextInt(60)));
        }
        var curve = new DryingCurve(air);
        var from = NOW.minus(Duration.ofHours(310));
        double sum = 0;
        for (var at = from; at.isBefore(NOW.plus(Duration.ofHours(30))); at = at.plusSeconds(600)) {
            sum += curve.hours(at, at.plusSeconds(600));
        }
        assertThat(curve.hours(from, NOW.plus(Duration.ofHours(30)))).isCloseTo(sum, within(1e-6));
        assertThat(sum).isBetween(340 * .5, 340 * 3.0);
    }

    @Test
    void thePadSaysWhatStillGoesInAndWhatWillNotSurvive() {
        var thursday = new PadForecast.Planned("Thursday’s power cleaning", NOW.plus(Duration.ofDays(1)), 28);
        var fine = PadForecast.of(WIDE, 4, .5, .01, List.of(thursday), NOW);
        assertThat(fine.wontFit()).isEmpty();
        assertThat(fine.cleanings()).isEqualTo(55);
        assertThat(fine.powerCleanings()).isEqualTo(7);
        assertThat(fine.full()).isEqualTo(NOW.plus(Duration.ofDays(50)));
        assertThat(PadForecast.of(WIDE, 4, .95, .01, List.of(thursday), NOW).wontFit())
                .singleElement()
                .asString()
                .contains("will not survive Thursday’s power cleaning");
        assertThat(PadForecast.of(WIDE, 4, .9, 0, List.of(thursday, thursday), NOW)
                        .wontFit())
                .as("the second of two")
                .hasSize(1);
    }

    @Test
    void theJobGoesToTheMachineThatNeedsLeast() {
        var rested = new DueTimes(new DryingCurve(List.of()), Settling.USUAL, hours(), NOW)
                .of(new Upkeep(WIDE, Family.SUBLIMATION), Map.of(), NOW, NOTHING);
        var idle = new DueTimes(new DryingCurve(List.of()), Settling.USUAL, hours(), NOW)
                .of(new Upkeep(WIDE, Family.SUBLIMATION), Map.of(), NOW.minus(Duration.ofDays(20)), NOTHING);
        assertThat(Revival.minutes(rested, 0, NOW)).isEqualTo(6);
        assertThat(Revival.minutes(idle, 0, NOW)).isGreaterThan(Revival.minutes(rested, 0, NOW));
        assertThat(Revival.minutes(rested, 3, NOW)).isEqualTo(21);
        assertThat(Revival.minutes(rested, 300, NOW))
                .as("three cleanings, not thirty")
                .isEqualTo(51);
    }

    @Test
    void closedDaysArePreparedBeforeTheyBegin() {
        var film = new Upkeep(Profiles.named("film-rebuilt"), Family.FILM);
        var facts = new Facts(
                Map.of(new Depth("W1", VesselKind.TUBE), 3.0, new Depth("W2", VesselKind.TUBE), 3.0),
                0,
                0,
                null,
                0,
                Map.of(),
                0);
        var of = new DueTimes(new DryingCurve(List.of()), Settling.USUAL, hours(), NOW).of(film, Map.of(), NOW, facts);
        var weekend = Absence.ahead(hours(), NOW, List.of(new Absence.Standings(1, "Teasel", false, of)))
                .getFirst();
        assertThat(weekend.lastOpen()).isEqualTo(LocalDate.of(2026, 11, 28));
        assertThat(weekend.days()).isEqualTo(1);
        assertThat(weekend.prepare())
                .anySatisfy(p -> assertThat(p.words()).contains("somebody comes on Sunday; or park the white line"));
        var free =
                LocalDate.of(2026, 12, 1).datesUntil(LocalDate.of(2026, 12, 24)).toArray(LocalDate[]::new);
        var all = Absence.ahead(
                hours(free),
                NOW,
                List.of(new Absence.Standings(1, "Teasel", false, of), new Absence.Standings(2, "Mallow", true, of)));
        assertThat(all).hasSize(2);
        assertThat(all.getLast().prepare())
                .as("parked machines need nothing")
                .singleElement()
                .satisfies(p -> assertThat(p.park()).isTrue());
    }
}
