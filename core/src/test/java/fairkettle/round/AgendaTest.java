package fairkettle.round;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Card;
import fairkettle.procedure.CardAct;
import fairkettle.procedure.Outcome;
import fairkettle.procedure.Pause;
import fairkettle.procedure.Procedure;
import fairkettle.procedure.Step;
import fairkettle.procedure.Surroundings;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToIntFunction;
import org.junit.jupiter.api.Test;

/** Errands become a day, and keep their names while plans change. */
class AgendaTest {

    private static final Instant NINE = Instant.parse("2026-11-25T09:00:00Z");
    private static final ToIntFunction<Instant> MINUTE =
            at -> (int) Duration.between(NINE, at).toMinutes() + 540;
    private static final Day.Person WREN = new Day.Person("Wren", List.of(new Day.Span(540, 1020)), null, -1);
    private static final List<Day.Machine> ONE = List.of(new Day.Machine("Bramble", 0));

    private static Errand errand(String key, int minutes, String thing) {
        return new Errand(
                key,
                key,
                0,
                Gloves.DYE,
                List.of(new Errand.Part(key, key, minutes, 0, 0, Task.OPEN, thing, 0)),
                0,
                Task.OPEN,
                false,
                600,
                900,
                5);
    }

    @Test
    void plansAreKeptByNameThoughNumbersChange() {
        var before = Agenda.of(
                List.of(WREN),
                ONE,
                List.of(errand("a", 10, null), errand("b", 10, "sink")),
                List.of(),
                List.of(),
                List.of(),
                Map.of());
        var slots = before.slots(new Plan(new int[] {560, 545}, new int[] {0, 0}));
        var after = Agenda.of(
                List.of(WREN),
                ONE,
                List.of(errand("b", 10, "sink"), errand("new", 5, null)),
                List.of(),
                List.of(),
                List.of(),
                slots);
        assertThat(after.plan(slots).start()).containsExactly(545, Plan.NOT_TODAY);
        assertThat(after.day().before())
                .isNotNull()
                .satisfies(p -> assertThat(p.start()).containsExactly(545, Plan.NEW));
        assertThat(after.day().things()).containsExactly("sink");
    }

    @Test
    void whatIsTakenTwiceOverIsTakenOnce() {
        var agenda = Agenda.of(
                List.of(WREN),
                ONE,
                List.of(errand("a", 10, null)),
                List.of(),
                List.of(),
                List.of(new Day.Taken(0, -1, 600, 650), new Day.Taken(0, -1, 640, 700), new Day.Taken(0, -1, 800, 810)),
                Map.of());
        assertThat(agenda.day().taken())
                .containsExactly(new Day.Taken(0, -1, 600, 700), new Day.Taken(0, -1, 800, 810));
    }

    @Test
    void aPinIsKeptWhereItCanBe() {
        var agenda = Agenda.of(
                List.of(WREN),
                ONE,
                List.of(errand("a", 10, null).pinned(700, 1), errand("b", 30, null)),
                List.of(),
                List.of(),
                List.of(),
                Map.of());
        var plan = RoundPlanner.better(agenda.day(), Effort.placements(2000, 1));
        assertThat(plan.start()[0]).isEqualTo(700);
    }

    @Test
    void aPromiseWaitsForItsErrand() {
        var agenda = Agenda.of(
                List.of(WREN),
                ONE,
                List.of(errand("long", 60, null), errand("fit", 10, null)),
                List.of(new Day.Promise("sashes", 0, 570, 60, -1)),
                List.of("fit"),
                List.of(),
                Map.of());
        assertThat(agenda.day().promises().getFirst().fit()).isEqualTo(1);
        assertThat(RoundPlanner.first(agenda.day()).start()[1]).isLessThanOrEqualTo(560);
    }

    @Test
    void lateIsLateButNotForEver() {
        var ancient = new Errand(
                        "a",
                        "a",
                        0,
                        Gloves.DYE,
                        errand("a", 10, null).parts(),
                        0,
                        Task.OPEN,
                        false,
                        -500_000,
                        -400_000,
                        5)
                .chain(List.of(), 1)
                .dues()
                .getFirst();
        assertThat(ancient.ideal()).isEqualTo(-3 * 1440);
        assertThat(ancient.drop()).isGreaterThan(ancient.at(1020) - ancient.at(540));
    }

    private static final Step PULL =
            Step.step("pull", "Pull").minutes(12).ask(new Ask.Done()).build();
    private static final Step SOAK = Step.step("soak", "Soak the cap")
            .minutes(4)
            .waits(new Pause("soak", Duration.ofMinutes(5), Duration.ofMinutes(10), false))
            .build();
    private static final Step CHECK = Step.step("check", "Check").minutes(6).build();

    private static final Surroundings NOWHERE = new Surroundings() {
        @Override
        public Optional<LotFacts> lot(long id) {
            return Optional.empty();
        }

        @Override
        public Family family() {
            return Family.SUBLIMATION;
        }

        @Override
        public boolean keyStored() {
            return false;
        }

        @Override
        public Millilitres padRoom() {
            return new Millilitres(1_000_000);
        }

        @Override
        public int photos(String step) {
            return 0;
        }

        @Override
        public LocalDate today() {
            return LocalDate.of(2026, 11, 25);
        }

        @Override
        public List<Beside> beside() {
            return List.of();
        }
    };

    private static Card card() {
        return Card.of(
                new Procedure.Builder().part("all", List.of(PULL, SOAK, CHECK)).from(List.of()), NINE);
    }

    @Test
    void aCardIsVisitsBetweenItsWaits() {
        var errand = CardErrand.of(3, "Changeover", card(), 0, Gloves.DYE, MINUTE, NINE)
                .orElseThrow();
        assertThat(errand.parts()).extracting(Errand.Part::key).containsExactly("c/3/soak", "c/3/check");
        assertThat(errand.parts().getFirst()).satisfies(p -> {
            assertThat(p.hands()).isEqualTo(16);
            assertThat(p.rest()).isEqualTo(5);
            assertThat(p.restMax()).isEqualTo(10);
        });
    }

    @Test
    void aSoakThatHasBegunHoldsItsMachineAndHasItsLastMinute() {
        var card = went(went(card(), new CardAct.Finish("pull", null)), new CardAct.BeginWait("soak"));
        var errand = CardErrand.of(3, "Changeover", card, 0, Gloves.DYE, MINUTE, NINE.plus(Duration.ofMinutes(2)))
                .orElseThrow();
        assertThat(errand.begun()).isTrue();
        assertThat(errand.release()).isEqualTo(545);
        assertThat(errand.firstBy()).isEqualTo(550);
    }

    @Test
    void aFinishedCardAsksForNothing() {
        var card = card();
        for (var step : List.of("pull", "soak", "check")) {
            card = step.equals("soak") ? went(card, new CardAct.BeginWait(step)) : card;
            card = ((Outcome.Went) card.after(
                            new CardAct.Finish(step, null),
                            NOWHERE,
                            "Wren",
                            NINE.plus(Duration.ofMinutes(step.equals("pull") ? 0 : 6))))
                    .card();
        }
        assertThat(CardErrand.of(3, "Changeover", card, 0, Gloves.DYE, MINUTE, NINE))
                .isEmpty();
    }

    private static Card went(Card card, CardAct act) {
        return ((Outcome.Went) card.after(act, NOWHERE, "Wren", NINE)).card();
    }
}
