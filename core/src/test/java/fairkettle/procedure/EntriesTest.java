package fairkettle.procedure;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.procedure.Ask.Column;
import fairkettle.procedure.Ask.ColumnKind;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What may be tapped into which cell. */
class EntriesTest {

    private static final ChannelCode C = ChannelCode.of("C");
    private static final ChannelCode M = ChannelCode.of("M");
    private static final Ask GRID = new Ask.Grid(
            List.of(C, M),
            List.of(
                    new Column(
                            "first load", ColumnKind.VOLUME, List.of(Millilitres.parse("60"), Millilitres.parse("57"))),
                    new Column("second load", ColumnKind.VOLUME, List.of(Millilitres.parse("13"), Millilitres.ZERO)),
                    new Column("air", ColumnKind.AIR, List.of())));

    private static final Surroundings NOWHERE = new Surroundings() {
        @Override
        public fairkettle.ink.Family family() {
            return fairkettle.ink.Family.SUBLIMATION;
        }

        @Override
        public boolean keyStored() {
            return false;
        }

        @Override
        public Optional<LotFacts> lot(long id) {
            return Optional.empty();
        }

        @Override
        public Millilitres padRoom() {
            return Millilitres.ZERO;
        }

        @Override
        public int photos(String step) {
            return 0;
        }

        @Override
        public List<Beside> beside() {
            return List.of();
        }

        @Override
        public LocalDate today() {
            return LocalDate.EPOCH;
        }
    };

    private static Optional<String> problem(Ask ask, String cell, String value) {
        return Entries.problem(StepRun.open(Step.step("asked", "Asked").ask(ask).build()), cell, value, NOWHERE);
    }

    @ParameterizedTest(name = "{0} = “{1}”")
    @CsvSource({"C/0, 60", "C/1, 0", "C/2, yes", "M/0, 5.5", "M/2, ''"})
    void takes(String cell, String value) {
        assertThat(problem(GRID, cell, value)).isEmpty();
    }

    @ParameterizedTest(name = "{0} = “{1}”: {2}")
    @CsvSource({
        "C/0, lots, number of mL",
        "C/0, -3, number of mL",
        "C/0, 0.0001, number of mL",
        "C/0, 2001, typed in mL",
        "M/1, 3, no cell (M/1)",
        "K/0, 3, no cell",
        "C/9, 3, no cell",
        "C/2, 12, takes a tick",
        "'', 3, no cell"
    })
    void refuses(String cell, String value, String reason) {
        assertThat(problem(GRID, cell, value))
                .hasValueSatisfying(problem -> assertThat(problem).contains(reason));
    }

    @ParameterizedTest(name = "a comb of 59 teeth takes “{0}”: {1}")
    @CsvSource({"none, true", "0, true", "'3,17,58', true", "59, false", "'3,', false", "x, false", "-1, false"})
    void combs(String value, boolean taken) {
        assertThat(problem(new Ask.Comb(List.of(C), List.of(59)), "C", value).isEmpty())
                .isEqualTo(taken);
    }

    @ParameterizedTest
    @CsvSource({"count, 7, true", "count, seven, false", "count, 12345, false", "screws, 7, false"})
    void counts(String cell, String value, boolean taken) {
        assertThat(problem(new Ask.Count("screws", 7), cell, value).isEmpty()).isEqualTo(taken);
    }

    @Test
    void aStepThatAsksNothingTakesNothing() {
        assertThat(problem(new Ask.Done(), "x", "yes")).isPresent();
    }

    @Test
    void missingTeethAreReadBack() {
        assertThat(Entries.missingTeeth("none")).isEmpty();
        assertThat(Entries.missingTeeth("3,17")).containsExactly(3, 17);
    }

    @Test
    void whatGoesInOrderIsTickedInOrder() {
        var row = StepRun.open(Step.step("tubes", "Tubes off")
                .ask(new Ask.InOrder(List.of(M, C), "off"))
                .build());
        assertThat(Entries.problem(row, "C", "yes", NOWHERE)).contains("M comes before C.");
        assertThat(Entries.problem(row, "M", "yes", NOWHERE)).isEmpty();
        assertThat(Entries.problem(row.entered("M", "yes"), "C", "yes", NOWHERE))
                .isEmpty();
        assertThat(Entries.problem(row, "K", "yes", NOWHERE))
                .hasValueSatisfying(words -> assertThat(words).contains("no cell"));
        assertThat(Entries.missing(row.entered("M", "yes"), NOWHERE, null, _ -> row))
                .extracting(Outcome.Reason::message)
                .containsExactly("C: not yet off.");
    }

    @ParameterizedTest(name = "pattern {0}, square {1}: {2}")
    @CsvSource({
        "pick/0, 1, true",
        "pick/1, 9, true",
        "pick/1, 10, false",
        "pick/1, 0, false",
        "pick/2, 5, false",
        "pick/0, best, false"
    })
    void squaresAreNumbered(String cell, String value, boolean taken) {
        assertThat(problem(new Ask.Picks(List.of("black", "colour"), 9, "no gap"), cell, value)
                        .isEmpty())
                .isEqualTo(taken);
    }
}
