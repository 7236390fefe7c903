package fairkettle.ink;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.ink.Tool.Kind;
import fairkettle.ink.Tool.Met;
import fairkettle.ink.Tool.Offer;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class ToolTest {

    private static final ChannelCode C = ChannelCode.of("C");
    private static final ChannelCode M = ChannelCode.of("M");

    private static Tool syringe(long id, Family family, ChannelCode colour, boolean rinsed) {
        return new Tool(id, Kind.SYRINGE, "syringe " + id, new Met(family, colour), !family.food(), rinsed);
    }

    private static Tool unused(long id) {
        return new Tool(id, Kind.SYRINGE, "syringe " + id, null, false, true);
    }

    @Test
    void oneThatMetMagentaIsNotOfferedForCyanHoweverOftenItIsRinsed() {
        var met = syringe(1, Family.SUBLIMATION, M, true);
        assertThat(met.offer(Family.SUBLIMATION, C)).isEqualTo(Offer.ANOTHER_COLOUR);
        assertThat(met.refusal(Family.SUBLIMATION, C))
                .hasValueSatisfying(why -> assertThat(why)
                        .isEqualTo(
                                "syringe 1 met M: a rinse leaves some, and it would carry it into C. Take C’s own, or"
                                        + " a new one."));
    }

    @Test
    void theWhitesOwnSyringeServesEveryWhiteLineAndNoColour() {
        var met = syringe(1, Family.FILM, ChannelCode.of("W1"), false);
        assertThat(met.refusal(Family.FILM, ChannelCode.of("W2"))).isEmpty();
        assertThat(met.refusal(Family.FILM, C)).isPresent();
        assertThat(syringe(2, Family.FILM, C, true).refusal(Family.FILM, ChannelCode.of("W1")))
                .isPresent();
    }

    @ParameterizedTest
    @EnumSource(names = "EDIBLE", mode = EnumSource.Mode.EXCLUDE)
    void whatMetFoodMeetsNothingElseAndWhatMetOtherInkMeetsNoFood(Family craft) {
        assertThat(syringe(1, Family.EDIBLE, C, true).offer(craft, C)).isEqualTo(Offer.FOOD_ONLY);
        assertThat(syringe(1, craft, C, true).offer(Family.EDIBLE, C)).isEqualTo(Offer.NOT_FOR_FOOD);
    }

    @Test
    void foodInkAfterOtherInkDoesNotMakeItFoodSafe() {
        var both = new Tool(1, Kind.SYRINGE, "syringe 1", new Met(Family.EDIBLE, C), true, true);
        assertThat(both.refusal(Family.EDIBLE, C)).isPresent();
    }

    @Test
    void betweenTwoInksOfOneColourItIsRinsed() {
        assertThat(syringe(1, Family.MAKERS_DYE, C, false).refusal(Family.FILM, C))
                .isPresent();
        assertThat(syringe(1, Family.MAKERS_DYE, C, true).refusal(Family.FILM, C))
                .isEmpty();
        assertThat(syringe(1, Family.FILM, C, false).refusal(Family.FILM, C)).isEmpty();
    }

    @Test
    void itsOwnComesFirstThenAnUnusedOneThenThatOfAnotherInk() {
        var own = syringe(3, Family.SUBLIMATION, C, true);
        var other = syringe(1, Family.MAKERS_DYE, C, true);
        var tools = Stream.of(
                        other,
                        unused(2),
                        own,
                        syringe(4, Family.SUBLIMATION, M, true),
                        syringe(5, Family.MAKERS_DYE, C, false))
                .toList();
        assertThat(Tool.offered(tools, Kind.SYRINGE, Family.SUBLIMATION, C)).containsExactly(own, unused(2), other);
        assertThat(Tool.offered(List.of(own), Kind.NEEDLE, Family.SUBLIMATION, C))
                .isEmpty();
    }
}
