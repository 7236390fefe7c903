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
}
