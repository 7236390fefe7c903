package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Tool;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** What is entered on a step, held against what was counted before and what can be. */
class EntriesTest {

    private static Card card(Step... steps) {
        return Card.of(
                new Procedure.Builder().part("Work", List.of(steps)).from(List.of()),
                Instant.parse("2026-11-30T09:00:00Z"));
    }

    @Test
    void countedInIsHeldAgainstCountedOutByName() {
        var out = step("out", "Out")
                .ask(new Ask.Tally("Out", List.of("side", "tiny"), null))
                .build();
        var back = step("in", "In")
                .ask(new Ask.Tally("In", List.of("tiny", "side"), "out"))
                .build();
        var card = card(out, back);
        var counted = new Card(
                card.start(),
                List.of(
                        card.run("out").entered("part/0", "7").entered("part/1", "1"),
                        card.run("in").entered("part/0", "1").entered("part/1", "7")),
                List.of(),
                card.branches());
        assertThat(Entries.missing(counted.run("in"), NOBODY, null, counted::run))
                .isEmpty();
        var mixedUp = counted.run("in").entered("part/0", "7").entered("part/1", "1");
        assertThat(Entries.missing(mixedUp, NOBODY, null, counted::run)).hasSize(2);
    }

    @Test
    void aLoadIsInkOrInkWithAirInIt() {
        var k = ChannelCode.of("K");
        var card = card(step("pull", "Pull")
                .ask(new Ask.Grid(
                        List.of(k),
                        List.of(new Ask.Column("load", Ask.ColumnKind.VOLUME, List.of(Millilitres.parse("10"))))))
                .moves(new Move.Draw(List.of()))
                .build());
        var mixed = card.run("pull").entered("K/0", "8.5 air");
        assertThat(Entries.problem(mixed, "K/0", "8.5 air", NOBODY)).isEmpty();
        assertThat(Entries.volume(mixed, k, 0))
                .as("air is no ink: the account takes the mL")
                .contains(Millilitres.parse("8.5"));
        assertThat(Entries.problem(mixed, "K/0", "air", NOBODY)).isNotEmpty();
        assertThat(Entries.problem(mixed, "K/0", "8.5 foam", NOBODY)).isNotEmpty();
    }

    @Test
    void moreThanFitsIsAskedAboutAndTakenWithItsReason() {
        var k = ChannelCode.of("K");
        var fill = step("fill", "Fill K")
                .ask(new Ask.Grid(
                        List.of(k),
                        List.of(new Ask.Column("poured", Ask.ColumnKind.VOLUME, List.of(Millilitres.parse("90"))))))
                .moves(new Move.Pour())
                .build();
        var card = card(fill);
        var poured = card.run("fill").entered("K/0", "150");
        assertThat(Entries.missing(poured, NOBODY, null, card::run))
                .singleElement()
                .satisfies(r -> assertThat(r.message()).contains("took 150 mL where 90 fit", "say why it is right"));
        assertThat(Entries.missing(poured, NOBODY, "the tank is the larger one", card::run))
                .isEmpty();
        assertThat(Entries.missing(card.run("fill").entered("K/0", "95"), NOBODY, null, card::run))
                .as("a hand is not a scale")
                .isEmpty();
    }

    @Test
    void aSyringeThatMetAnotherColourSinceItWasChosenIsRefusedInTheEnd() {
        var c = ChannelCode.of("C");
        var draw = step("draw", "Draw C")
                .ask(new Ask.Grid(List.of(c), List.of(new Ask.Column("which one", Ask.ColumnKind.TOOL, List.of()))))
                .build();
        var card = card(draw);
        var chosen = card.run("draw").entered("C/0", "7");
        assertThat(Entries.missing(chosen, NOBODY, null, card::run))
                .singleElement()
                .satisfies(r -> assertThat(r.message()).contains("met M", "carry it into C"));
        assertThat(Entries.missing(card.run("draw").entered("C/0", "8"), NOBODY, null, card::run))
                .isEmpty();
        assertThat(Entries.missing(card.run("draw").entered("C/0", "yes"), NOBODY, null, card::run))
                .as("a new one")
                .isEmpty();
        assertThat(Entries.missing(card.run("draw").entered("C/0", "9"), NOBODY, null, card::run))
                .as("one that is kept no more")
                .hasSize(1);
    }

    private static final Surroundings NOBODY = new Surroundings() {
        /** No. 7 met magenta, no. 8 cyan. */
        @Override
        public Optional<Tool> tool(long id) {
            var met = id == 7 ? "M" : "C";
            return id > 8
                    ? Optional.empty()
                    : Optional.of(new Tool(
                            id,
                            Tool.Kind.SYRINGE,
                            "syringe " + id,
                            new Tool.Met(Family.SUBLIMATION, ChannelCode.of(met)),
                            true,
                            true));
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
        public Optional<LotFacts> lot(long id) {
            return Optional.empty();
        }

        @Override
        public Millilitres padRoom() {
            return Millilitres.parse("100");
        }

        @Override
        public int photos(String step) {
            return 0;
        }

        @Override
        public LocalDate today() {
            return LocalDate.of(2026, 11, 30);
        }

        @Override
        public List<Beside> beside() {
            return List.of();
        }
    };

    @Test
    void whatCannotBeUndoneIsAHold() {
        assertThat(step("cut", "Cut it")
                        .irreversible("It does not grow again.")
                        .build()
                        .hold())
                .isNotNull();
        assertThat(step("cut", "Cut it").build().hold()).isNull();
    }
}
