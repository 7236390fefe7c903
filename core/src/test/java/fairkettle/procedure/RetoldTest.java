package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.machine.Handling.Matter;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** An open card, after somebody put right how hands get at the machine, or what is in the box of its kit. */
class RetoldTest {

    private static final Instant NINE = Instant.parse("2026-11-30T09:00:00Z");

    private static Step plain(String id, String say) {
        return step(id, id).say(say).build();
    }

    private static Step freed(String say) {
        return step("free", "Free it").say(say).restsOn(Matter.FREEING).build();
    }

    private static Step ofKit(String id, String say) {
        return step(id, id).say(say).restsOn(Matter.KIT).build();
    }

    private static Card card(Step... steps) {
        return Card.of(new Procedure.Builder().part("Work", List.of(steps)).from(List.of()), NINE);
    }

    private static Stream<String> ids(Card card) {
        return card.runs().stream().map(r -> r.step().id());
    }

    private static String says(Card card, String id) {
        return card.run(id).step().say();
    }

    /** The same card with a step done, however it came to be. */
    private static Card done(Card card, String id) {
        var runs = card.runs().stream()
                .map(r -> r.step().id().equals(id) ? r.closed(StepRun.Status.DONE, NINE, "Wren", null) : r)
                .toList();
        return new Card(card.start(), runs, List.of(id), card.branches());
    }

    @Test
    void wordsThatRestOnWhatWasTaughtAreNewAndAllOthersStay() {
        var told = card(plain("gloves", "On."), freed("By its menu."))
                .retold(List.of(plain("gloves", "Other words."), freed("By its gear.")));
        assertThat(says(told, "free")).isEqualTo("By its gear.");
        assertThat(says(told, "gloves")).as("it rests on nothing").isEqualTo("On.");
        assertThat(told.run("free").step().part()).isEqualTo("Work");
    }

    @Test
    void aPartThatIsNotInTheBoxTakesItsStepsWithIt() {
        var told = card(plain("gloves", "On."), ofKit("inline", "Cut."), ofKit("fill", "Fill."))
                .retold(List.of(plain("gloves", "On."), ofKit("fill", "To the line.")));
        assertThat(ids(told)).containsExactly("gloves", "fill");
        assertThat(says(told, "fill")).isEqualTo("To the line.");
    }

    @Test
    void aPartThatIsInTheBoxBringsItsStepsWhereTheyBelong() {
        var told = card(plain("gloves", "On."), ofKit("fill", "Fill."), plain("hang", "Hang."))
                .retold(List.of(
                        plain("gloves", "On."),
                        ofKit("fill", "Fill."),
                        ofKit("constant-head", "A large bubble."),
                        plain("hang", "Hang.")));
        assertThat(ids(told)).containsExactly("gloves", "fill", "constant-head", "hang");
    }

    @Test
    void workThatIsPastItsPlaceIsNotAskedForAnyMore() {
        var told = done(card(plain("gloves", "On."), plain("hang", "Hang.")), "hang")
                .retold(List.of(plain("gloves", "On."), ofKit("constant-head", "A bubble."), plain("hang", "Hang.")));
        assertThat(ids(told)).containsExactly("gloves", "hang");
    }

    @Test
    void whatWasDoneKeepsItsWords() {
        var told = done(card(ofKit("inline", "Cut."), ofKit("fill", "Fill.")), "inline")
                .retold(List.of(ofKit("fill", "Otherwise.")));
        assertThat(ids(told)).containsExactly("inline", "fill");
        assertThat(says(told, "inline")).isEqualTo("Cut.");
    }

    @Test
    void nothingIsTakenAwayWhereNobodyKnowsBetter() {
        var card = card(ofKit("inline", "Cut."));
        assertThat(card.retold(List.of())).isSameAs(card);
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
        assertThat(step("x", "X").irreversible("Gone.").build().hold()).isNotNull();
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
    void moreThanFitsIsAskedAboutAndTakenWithItsReason() {
        var k = fairkettle.ink.ChannelCode.of("K");
        var fill = step("fill", "Fill K")
                .ask(new Ask.Grid(
                        List.of(k),
                        List.of(new Ask.Column(
                                "poured", Ask.ColumnKind.VOLUME, List.of(fairkettle.ink.Millilitres.parse("90"))))))
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

    private static final Surroundings NOBODY = new Surroundings() {
        @Override
        public fairkettle.ink.Family family() {
            return fairkettle.ink.Family.SUBLIMATION;
        }

        @Override
        public boolean keyStored() {
            return false;
        }

        @Override
        public java.util.Optional<LotFacts> lot(long id) {
            return java.util.Optional.empty();
        }

        @Override
        public fairkettle.ink.Millilitres padRoom() {
            return fairkettle.ink.Millilitres.parse("100");
        }

        @Override
        public int photos(String step) {
            return 0;
        }

        @Override
        public java.time.LocalDate today() {
            return java.time.LocalDate.of(2026, 11, 30);
        }

        @Override
        public List<Beside> beside() {
            return List.of();
        }
    };
}
