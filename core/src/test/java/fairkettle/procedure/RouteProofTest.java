package fairkettle.procedure;

import static fairkettle.procedure.Step.step;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.ink.ChannelCode;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The proof finds what is out of order, in the main line and in branches. */
class RouteProofTest {

    private static final Step OPEN =
            step("open", "Open the cover").then(Facet.COVERS, "off").build();
    private static final Step WORK =
            step("work", "Work inside").needs(Facet.COVERS, "off").build();
    private static final Step CLOSE =
            step("close", "Close the cover").then(Facet.COVERS, "on").build();
    private static final Step POWER =
            step("power", "Power on").needs(Facet.COVERS, "on").build();

    @Test
    void theRightOrderIsProved() {
        assertThat(RouteProof.violations(route(OPEN, WORK, CLOSE, POWER))).isEmpty();
    }

    @Test
    void theWrongOneNamesTheStepAndTheNeed() {
        assertThat(RouteProof.violations(route(OPEN, WORK, POWER, CLOSE)))
                .singleElement()
                .satisfies(v -> {
                    assertThat(v.step()).isEqualTo("power");
                    assertThat(v.missing()).containsExactly(Condition.that(Facet.COVERS, "on"));
                });
    }

    @Test
    void aBranchThatBreaksSomethingIsFound() {
        var careless = step("careless", "Careless")
                .branch(new Branch(
                        "oops",
                        "Oops",
                        List.of(step("shut", "Shut it").then(Facet.COVERS, "on").build()),
                        1,
                        "Stop."))
                .build();
        assertThat(RouteProof.violations(route(OPEN, careless, WORK)))
                .singleElement()
                .satisfies(v -> assertThat(v.taken()).containsExactly("careless/oops"));
    }

    @Test
    void aBranchMustLeadBackToAStepThatCanBeTriedAgain() {
        var stuck = step("stuck", "Stuck")
                .needs(Facet.COVERS, "off")
                .branch(new Branch(
                        "shut",
                        "Shut",
                        List.of(step("shut", "Shut it").then(Facet.COVERS, "on").build()),
                        1,
                        "Stop."))
                .build();
        assertThat(RouteProof.violations(route(OPEN, stuck)))
                .singleElement()
                .satisfies(v -> assertThat(v.step()).isEqualTo("stuck"));
    }

    @Test
    void dependenciesAreTheLastToBringItAbout() {
        assertThat(RouteProof.dependencies(route(OPEN, WORK, CLOSE, POWER)))
                .extracting(d -> d.earlier() + "→" + d.later())
                .containsExactly("open→work", "close→power");
    }

    @Test
    void declarationsThatCannotBeAreRefused() {
        var c = ChannelCode.of("C");
        assertThatThrownBy(() -> Condition.that(Facet.COVERS, c, "on")).hasMessageContaining("has no channel");
        assertThatThrownBy(() -> Condition.that(Facet.TANK_CAP, "open")).hasMessageContaining("needs a channel");
        assertThatThrownBy(() -> Condition.that(Facet.POWER, "dim")).hasMessageContaining("never (dim)");
        assertThatThrownBy(() -> route(OPEN, OPEN)).hasMessageContaining("Two steps are called (open)");
        assertThatThrownBy(() -> step("hold", "Hold").hold("No.").skippable().build())
                .hasMessageContaining("must not be skippable");
        assertThatThrownBy(() -> new Branch("never", "Never", List.of(OPEN), 0, ""))
                .hasMessageContaining("never be taken");
    }

    private static Procedure route(Step... steps) {
        return new Procedure(List.of(), List.of(steps));
    }
}
