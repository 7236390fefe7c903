package fairkettle.job;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.check.Work;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.job.Candidate.Check;
import fairkettle.job.Candidate.Ranked;
import fairkettle.job.Candidate.Taken;
import fairkettle.job.Candidate.Trouble;
import fairkettle.round.FreeHands;
import java.time.Duration;
import java.time.Instant;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CandidateTest {

    private static final Instant NOW = Instant.parse("2026-11-03T09:00:00Z");
    private static final Media A4 = Media.named("A4").orElseThrow();

    private static Candidate machine(String name, int hands, int prints, Taken... taken) {
        return new Candidate(
                name.length(),
                name,
                "A4",
                false,
                Family.SUBLIMATION,
                Trouble.NONE,
                hands == 0 ? Check.GOOD_TODAY : Check.NOT_GOOD,
                hands,
                0,
                prints,
                0,
                List.of(),
                List.of(taken));
    }

    private static List<Ranked> ranked(Duration until, Candidate... all) {
        return Candidate.rank(List.of(all), A4, Family.SUBLIMATION, NOW, NOW.plus(until), FreeHands.ALWAYS);
    }

    @Test
    void theOneThatIsFitComesFirst() {
        var ranked = ranked(Duration.ofHours(4), machine("Bramble", 40, 20), machine("Sorrel", 0, 20));

        assertThat(ranked).extracting(Ranked::name).containsExactly("Sorrel", "Bramble");
        assertThat(ranked.getFirst().ready()).isEqualTo(NOW.plusSeconds(20 * 60));
        assertThat(ranked.getLast().why()).contains("Fit after about 40 min of hands.");
    }

    @Test
    void whatElseItHasPromisedMakesItLater() {
        var busy = machine("Sorrel", 0, 60, new Taken(NOW.plusSeconds(30 * 60), 90, "sashes, 14:00"));

        var only = ranked(Duration.ofHours(2), busy).getFirst();

        assertThat(only.ready()).isEqualTo(NOW.plusSeconds((30 + 90 + 60) * 60));
        assertThat(only.inTime()).isFalse();
        assertThat(only.helps()).containsExactly("Move what else it has promised.");
        assertThat(only.why()).contains("Promised besides: sashes, 14:00.");
    }

    @Test
    void whatIsPressedAfterwardsBelongsToThePromise() {
        var pressed = pressed(0, 20, 90);

        var ranked = ranked(Duration.ofHours(1), pressed).getFirst();

        assertThat(ranked.ready()).isEqualTo(NOW.plusSeconds(110 * 60));
        assertThat(ranked.inTime()).isFalse();
        assertThat(ranked.why()).contains("Once printed, about 90 min of hands until it can be handed over.");
    }

    /** Two days of eight hours; the round leaves one hour of the first and seven of the second. */
    private static final FreeHands BUSY = new FreeHands(List.of(
            new FreeHands.Day(NOW, NOW.plusSeconds(8 * 3600), 60),
            new FreeHands.Day(NOW.plusSeconds(24 * 3600), NOW.plusSeconds(32 * 3600), 420)));

    @Test
    void handsThatTheRoundNeedsAreNotPromisedAgain() {
        var due = NOW.plusSeconds(12 * 3600);

        var busy = Candidate.rank(List.of(pressed(0, 20, 90)), A4, Family.SUBLIMATION, NOW, due, BUSY)
                .getFirst();

        assertThat(busy.inTime()).isFalse();
        assertThat(busy.ready()).isBetween(NOW.plusSeconds(24 * 3600), NOW.plusSeconds(26 * 3600));
        assertThat(busy.helps())
                .containsExactly(
                        "All hands are busy: ask somebody more, or leave something of the round (90 min are wanted).");
    }

    @Test
    void whatDoesNotFitIntoTheHoursIsNotLaidOnTheHands() {
        var free = new FreeHands(List.of(new FreeHands.Day(NOW, NOW.plusSeconds(8 * 3600), 480)));

        var late = Candidate.rank(
                        List.of(pressed(0, 20, 9 * 60)), A4, Family.SUBLIMATION, NOW, NOW.plusSeconds(40_000), free)
                .getFirst();
        var two = new FreeHands(List.of(
                new FreeHands.Day(NOW, NOW.plusSeconds(8 * 3600), 480),
                new FreeHands.Day(NOW.plusSeconds(86_400), NOW.plusSeconds(100_000), 240)));

        assertThat(late.inTime()).as("after what is planned anybody is free").isTrue();
        assertThat(Candidate.rank(
                                List.of(pressed(0, 20, 9 * 60)),
                                A4,
                                Family.SUBLIMATION,
                                NOW,
                                NOW.plusSeconds(40_000),
                                two)
                        .getFirst()
                        .helps())
                .containsExactly(
                        "Open longer, or share it between two: so much does not fit into the hours until then.");
    }

    @Test
    void aRestIsNoMatterOfHands() {
        var rests = new Candidate(
                1,
                "Bryony",
                "A4",
                false,
                Family.SUBLIMATION,
                Trouble.NONE,
                Check.GOOD_TODAY,
                0,
                11 * 60,
                20,
                0,
                List.of(),
                List.of());

        assertThat(ranked(Duration.ofHours(4), rests).getFirst().helps())
                .containsExactly("Promise it later, or share it between two machines.");
    }

    @Test
    void nothingIsPrintedWhileNobodyIsThere() {
        var late = Candidate.rank(
                        List.of(pressed(0, 9 * 60, 0)), A4, Family.SUBLIMATION, NOW, NOW.plusSeconds(86_400), BUSY)
                .getFirst();

        assertThat(late.ready()).isEqualTo(NOW.plusSeconds(25 * 3600));
    }

    private static Candidate pressed(int hands, int prints, int presses) {
        var machine = machine("Sorrel", hands, prints);
        return new Candidate(
                machine.machine(),
                machine.name(),
                machine.largest(),
                machine.film(),
                machine.ink(),
                machine.trouble(),
                machine.check(),
                machine.hands(),
                machine.waits(),
                machine.prints(),
                presses,
                machine.topUp(),
                machine.taken());
    }

    @Test
    void aShortJobFitsBeforeAPromise() {
        var busy = machine("Sorrel", 0, 25, new Taken(NOW.plusSeconds(30 * 60), 90, "sashes"));

        assertThat(ranked(Duration.ofHours(2), busy).getFirst().inTime()).isTrue();
    }

    @Test
    void whoeverCannotPrintItSaysWhyAndWhatWouldHelp() {
        var film = new Candidate(
                1,
                "Thistle",
                "roll, 33 cm",
                true,
                Family.FILM,
                Trouble.NONE,
                Check.NONE,
                0,
                0,
                9,
                0,
                List.of(),
                List.of());
        var parked = new Candidate(
                2,
                "Mallow",
                "A4",
                false,
                Family.SUBLIMATION,
                Trouble.PARKED,
                Check.NONE,
                0,
                0,
                9,
                0,
                List.of(),
                List.of());

        var ranked = ranked(Duration.ofDays(1), film, parked);

        assertThat(ranked).noneMatch(Ranked::can).allMatch(r -> r.ready() == null);
        assertThat(ranked.getFirst().why()).containsExactly("It rests on fluid.");
        assertThat(ranked.getFirst().helps()).containsExactly("Wake it: plan a changeover.");
        assertThat(ranked.getLast().why()).containsExactly("It holds film ink, not sublimation.");
    }

    @ParameterizedTest
    @CsvSource({
        "A4, A4, false, true",
        "'letter, 8.5 × 11 in', A4, false, true",
        "A3, A4, false, false",
        "'A3+, 13 × 19 in', A3+, false, true",
        "'film roll, 33 cm', A3+, false, false",
        "'film roll, 33 cm', A3+, true, true",
        "'film roll, 33 cm', A4, true, false",
        "'film roll, 33 cm', 'roll, 33 cm', true, true",
        "'film roll, 33 cm', 'garment, 40 cm', true, true",
        "A3, 'roll, 33 cm', true, true"
    })
    void aMachineTakesWhatFitsIt(String media, String largest, boolean film, boolean fits) {
        assertThat(Media.named(media).orElseThrow().fits(largest, film)).isEqualTo(fits);
    }

    private static Check.Seen seen(String channel, boolean today, Integer... missing) {
        return new Check.Seen(ChannelCode.of(channel), 180, List.of(missing), today);
    }

    private static Check looked(Work work, Check.Seen... seen) {
        return Check.of(work, Stream.of(seen).map(Check.Seen::channel).toList(), List.of(seen), Map.of());
    }

    @Test
    void aCheckOfTodayIsGoodIfItsGapsDoNotShowInThisWork() {
        assertThat(looked(Work.SOLID, seen("C", true), seen("M", true, 4))).isEqualTo(Check.GOOD_TODAY);
        assertThat(looked(Work.SOLID, seen("C", false), seen("M", true))).isEqualTo(Check.GOOD_BEFORE);
        assertThat(looked(Work.PHOTO, seen("C", true, 4, 5, 6), seen("M", true)))
                .isEqualTo(Check.NOT_GOOD);
        assertThat(Check.of(Work.SOLID, List.of(ChannelCode.of("C")), List.of(), Map.of()))
                .isEqualTo(Check.NONE);
    }

    @Test
    void filmNeedsItsColoursAndOneOfItsWhites() {
        var gone = Stream.iterate(0, i -> i + 1).limit(180).toArray(Integer[]::new);

        assertThat(looked(Work.WHITE, seen("C", true), seen("W1", true, gone), seen("W2", true)))
                .isEqualTo(Check.GOOD_TODAY);
        assertThat(looked(Work.WHITE, seen("C", true), seen("W1", true, gone))).isEqualTo(Check.NOT_GOOD);
        assertThat(looked(Work.WHITE, seen("C", true, gone), seen("W1", true))).isEqualTo(Check.NOT_GOOD);
    }

    @Test
    void theShopsOwnToleranceDecides() {
        var strict = Map.of(Work.SOLID, new Work.Tolerance(0, 0));

        assertThat(Check.of(Work.SOLID, List.of(ChannelCode.of("C")), List.of(seen("C", true, 4)), strict))
                .isEqualTo(Check.NOT_GOOD);
    }

    @Test
    void theLinesOfAQuoteAddUp() {
        var pounds = Currency.getInstance("GBP");
        var quote =
                Quote.of(new Quote.Parts(24, 130.4, "3.1 mL", 80, "2 sheets", 240, 33.3, 2.2, 12, 30, 25, .05), pounds);

        assertThat(quote.lines().stream().mapToLong(l -> l.money().minor()).sum())
                .isEqualTo(quote.total().minor());
        assertThat(quote.lines()).extracting(Quote.Line::label).contains("what will be spoiled", "hands at the press");
        assertThat(quote.each().minor()).isEqualTo(Math.round(quote.total().minor() / 24.0));
    }

    @Test
    void whatWasSpoiledIsLearnedSlowly() {
        assertThat(Quote.spoils(0, 0, .05)).isEqualTo(.05);
        assertThat(Quote.spoils(980, 20, .05)).isBetween(.02, .03);
        assertThat(Quote.spoils(0, 1, .05)).isLessThan(.1);
    }
}
