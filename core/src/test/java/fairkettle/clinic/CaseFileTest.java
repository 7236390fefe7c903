package fairkettle.clinic;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.clinic.CaseFile.Dated;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

class CaseFileTest {

    private static final Instant NINE = Instant.parse("2026-03-02T09:00:00Z");
    private static final ChannelCode C = ChannelCode.of("C");
    private static final Situation ONE = new Situation(
            Family.SUBLIMATION,
            List.of(new Situation.Part(C, 90, 2, 3, 50, 70)),
            false,
            true,
            true,
            true,
            true,
            2,
            1,
            8,
            false,
            false,
            true,
            150,
            3,
            Set.of(Complaint.GAPS),
            Set.of(),
            Situation.Prices.USUAL,
            Situation.Ink.USUAL);

    private static Dated at(double hours, Evidence evidence) {
        return new Dated(NINE.plus(Duration.ofMinutes(Math.round(60 * hours))), "Wren", evidence);
    }

    private static Evidence look(Integer... missing) {
        return new Evidence.Look(Map.of(C, List.of(missing)));
    }

    private static CaseFile file(Dated... evidence) {
        return new CaseFile(ONE, List.of(evidence));
    }

    @Test
    void aCheckBeforeTheRestIsOverIsProvisional() {
        var early = file(
                at(0, look(1, 2, 3, 4)),
                at(1, new Evidence.Done(Treatment.POWER_CLEANING, Set.of(C), false)),
                at(2, look()));
        assertThat(early.provisionalUntil()).contains(NINE.plus(Duration.ofHours(13)));
        assertThat(early.tried().getLast().result()).isEqualTo("cured, provisional");
        assertThat(early.waiting(NINE.plus(Duration.ofHours(3)), false).map(Advice::next))
                .contains(new Advice.Next.Wait(NINE.plus(Duration.ofHours(13))));
        assertThat(early.waiting(NINE.plus(Duration.ofHours(14)), false)).isEmpty();
    }

    @Test
    void aCheckAfterItCounts() {
        assertThat(file(
                                at(0, look(1, 2, 3)),
                                at(1, new Evidence.Done(Treatment.POWER_CLEANING, Set.of(C), false)),
                                at(14, look()))
                        .provisionalUntil())
                .isEmpty();
        assertThat(file(
                                at(0, look(1, 2, 3)),
                                at(13, new Evidence.Done(Treatment.POWER_CLEANING, Set.of(C), true)),
                                at(13.1, look()))
                        .provisionalUntil())
                .isEmpty();
        assertThat(file(at(0, look(1, 2, 3)), at(1, new Evidence.Done(Treatment.CLEANING, Set.of(C))), at(1.1, look()))
                        .provisionalUntil())
                .isEmpty();
    }

    @Test
    void whoLooksAtOnceBelievesAGoodCheckAndTreatsNothingAfterABadOne() {
        var cleaned = at(1, new Evidence.Done(Treatment.POWER_CLEANING, Set.of(C), false));
        var soon = NINE.plus(Duration.ofHours(3));
        assertThat(file(at(0, look(1, 2, 3, 4)), cleaned, at(2, look())).waiting(soon, true))
                .isEmpty();
        assertThat(file(at(0, look(1, 2, 3, 4)), cleaned, at(2, look(1, 2, 3, 4)))
                        .waiting(soon, true))
                .isPresent();
    }

    @Test
    void aSoakInsideTheRestDoesNotEndIt() {
        var soaked = file(
                at(0, look(1, 2, 3)),
                at(1, new Evidence.Done(Treatment.POWER_CLEANING, Set.of(C), false)),
                at(2, new Evidence.Done(Treatment.SOAK, Set.of(C))),
                at(3, look()));
        assertThat(soaked.provisionalUntil()).contains(NINE.plus(Duration.ofHours(13)));
        var so = soaked.state(Table.USUAL).progress();
        var all = Set.of(C);
        assertThat(soaked.against(Treatment.WIPE, all, so, NINE.plus(Duration.ofHours(4)))
                        .orElseThrow())
                .contains("not over");
        assertThat(soaked.against(Treatment.REST_SHORT, all, so, NINE.plus(Duration.ofHours(4))))
                .isEmpty();
        assertThat(soaked.against(Treatment.POWER_CLEANING, all, so, NINE.plus(Duration.ofHours(4))))
                .as("another one is no rest")
                .isPresent();
        assertThat(soaked.against(Treatment.LOOK_AGAIN, all, so, NINE.plus(Duration.ofHours(4))))
                .as("eyes move nothing")
                .isEmpty();
        assertThat(soaked.against(Treatment.WIPE, all, so, NINE.plus(Duration.ofHours(14))))
                .isEmpty();
    }

    @Test
    void aRoundIsSomethingSmallAWaitAndSomethingStrong() {
        var so = Progress.of(ONE)
                .with(new Evidence.Done(Treatment.CLEANING, Set.of(C)))
                .with(new Evidence.Done(Treatment.REST_SHORT, Set.of(C)));
        assertThat(so.rounds()).isZero();
        so = so.with(new Evidence.Done(Treatment.DRAW_AT_WASTE_LINE, Set.of(C)));
        assertThat(so.rounds()).isEqualTo(1);
        var round = AnotherRound.of(so, Set.of(C), AnotherRound.NewHead.USUAL);
        var onTheShelf = AnotherRound.of(so, Set.of(C), new AnotherRound.NewHead(0, 0));
        assertThat(onTheShelf.givingUp()).isEqualTo(onTheShelf.head()).isLessThan(round.givingUp());
        assertThat(round.again()).isPositive();
        assertThat(round.words()).startsWith("One full round behind");
        assertThat(new AnotherRound(2, 50, 30, 200, 21, 96).words())
                .contains("2 full rounds", "draining and filling anew");
        assertThat(new AnotherRound(2, 350, 30, 200, 21, 96).words()).contains("a new head");
    }
}
