package fairkettle.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Substance;
import fairkettle.machine.Channel;
import fairkettle.machine.Profiles;
import fairkettle.machine.VesselKind;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;

/** Nothing that is booked is ever lost, and what is booked follows what is predicted. */
class AccountTest {

    private static final ChannelCode C = ChannelCode.of("C");
    private static final Channel CYAN = Profiles.named("wide-tank").channel(C);
    private static final Substance OLD = new Substance.Ink(Family.MAKERS_DYE, C, 0);
    private static final Substance NEW = new Substance.Ink(Family.SUBLIMATION, C, 7);
    private static final Substance FLUID = new Substance.Fluid(Family.SUBLIMATION);
    private static final List<VesselKind> TANK_AND_TUBE = List.of(VesselKind.TANK, VesselKind.TUBE);

    private Account account;

    @BeforeEach
    void fullOfMakersDye() {
        var held = new HashMap<Place, Mixture>();
        CYAN.path().forEach(v -> held.put(new Place.InPath(1, C, v.kind()), Mixture.of(OLD, v.capacity())));
        held.put(new Place.Bottle(7), Mixture.of(NEW, Millilitres.parse("500")));
        held.put(new Place.Bottle(8), Mixture.of(FLUID, Millilitres.parse("500")));
        account = new Account(1, held);
    }

    @Test
    void drawingLeavesTheHeels() {
        account.draw(CYAN, TANK_AND_TUBE, Millilitres.parse("91.6"), OLD);
        assertThat(account.at(C, VesselKind.TANK).volume()).isEqualTo(Millilitres.parse("2.4"));
        assertThat(account.at(C, VesselKind.TUBE).volume()).isEqualTo(Millilitres.parse("0.5"));
        assertThat(account.at(C, VesselKind.DAMPER).volume()).isEqualTo(Millilitres.parse("3"));
        assertBalanced();
    }

    @Test
    void cleanInkGoesBackIntoItsBottle() {
        account.draw(CYAN, TANK_AND_TUBE, Millilitres.parse("50"), OLD, new Place.Bottle(7));
        assertThat(total(new Place.Bottle(7))).isEqualTo(50_000);
        assertThat(total(Place.Outside.WASTE_BOTTLE)).isZero();
        assertBalanced();
    }

    @Test
    void aNamedWasteBottleFills() {
        var named = new Account(
                1,
                Map.of(new Place.InPath(1, C, VesselKind.TANK), Mixture.of(OLD, Millilitres.parse("90"))),
                new Place.Waste(3));
        named.draw(CYAN, List.of(VesselKind.TANK), Millilitres.parse("60"), OLD);
        assertThat(named.at(new Place.Waste(3)).volume()).isEqualTo(Millilitres.parse("60"));
    }

    @Test
    void aCartridgeIsFilledOnTheTrayAndGoesIntoItsSlot() {
        var slot = Profiles.named("small-cartridge").channel(C);
        var filled = new Account(
                1,
                Map.of(
                        new Place.InPath(1, C, VesselKind.CARTRIDGE),
                        Mixture.of(OLD, Millilitres.parse("5")),
                        new Place.Bottle(7),
                        Mixture.of(NEW, Millilitres.parse("100"))));
        filled.pourOnTray(slot, 7, NEW, Millilitres.parse("12"));
        filled.drawOnTray(slot, Millilitres.parse("1"), new Place.Bottle(7));
        assertThat(filled.at(C, VesselKind.CARTRIDGE).volume())
                .as("the old one is still in")
                .isEqualTo(Millilitres.parse("5"));
        filled.refit(slot, slot, List.of(VesselKind.CARTRIDGE));
        assertThat(filled.at(C, VesselKind.CARTRIDGE)).isEqualTo(Mixture.of(NEW, Millilitres.parse("11")));
        assertThat(filled.postings().stream()
                        .filter(p -> p.place() == Place.Outside.PUT_ASIDE)
                        .mapToLong(Posting::microlitres)
                        .sum())
                .isEqualTo(5_000);
        assertThat(filled.postings().stream().mapToLong(Posting::microlitres).sum())
                .isZero();
    }

    @Test
    void aLightSlotThatBecomesWhiteTakesItsHeelsAlong() {
        var white = new Channel(ChannelCode.of("W1"), CYAN.path(), 1);
        account.refit(CYAN, white, List.of(VesselKind.DAMPER));
        assertThat(account.inPath(CYAN).volume()).isEqualTo(Millilitres.ZERO);
        assertThat(account.at(ChannelCode.of("W1"), VesselKind.TANK).volume()).isEqualTo(Millilitres.parse("90"));
        assertThat(account.at(ChannelCode.of("W1"), VesselKind.DAMPER).volume())
                .as("a new damper")
                .isEqualTo(Millilitres.ZERO);
        assertBalanced();
    }

    @Test
    void moreDrawnThanKnownWasThereAllTheSame() {
        account.draw(CYAN, TANK_AND_TUBE, Millilitres.parse("120"), OLD);
        assertThat(account.inPath(CYAN).volume()).isEqualTo(Millilitres.parse("3.5"));
        assertThat(total(Place.Outside.WASTE_BOTTLE)).isEqualTo(120_000);
        assertThat(total(Place.Outside.CORRECTION)).isEqualTo(-(120_000 - 94_500));
        assertBalanced();
    }

    @Test
    void rinsesFollowTheDilutionLaw() {
        account.draw(CYAN, TANK_AND_TUBE, Millilitres.parse("91.6"), OLD);
        double[] heels = {2.4, 0.5};
        double[] shares = {1, 1};
        for (int i = 0; i < 3; i++) {
            account.rinse(CYAN, TANK_AND_TUBE, 8, FLUID, Millilitres.parse("10"));
            Dilution.rinse(heels, shares, new int[] {0, 1}, 10, 0);
        }
        assertThat(account.at(C, VesselKind.TANK).share(OLD::equals)).isCloseTo(shares[0], within(1e-3));
        assertThat(account.at(C, VesselKind.TUBE).share(OLD::equals)).isCloseTo(shares[1], within(4e-3));
        assertBalanced();
    }

    @Test
    void flowFollowsTheFlowThroughLaw() {
        account.reading(CYAN, VesselKind.HEAD, Millilitres.ZERO, OLD);
        account.reading(CYAN, VesselKind.HEAD, Millilitres.parse("0.5"), NEW);
        account.flow(CYAN, Millilitres.parse("0.7"), Place.Outside.PAPER);
        double predicted = 1 - FlowThrough.after(new double[] {0.5}, new double[] {1}, 0.7)[0];
        assertThat(account.at(C, VesselKind.HEAD).share(OLD::equals)).isCloseTo(predicted, within(0.06));
        assertBalanced();
    }

    @Test
    void chargingFillsWhatIsBehindTheTank() {
        account.draw(CYAN, TANK_AND_TUBE, Millilitres.parse("91.6"), OLD);
        account.foundEmpty(CYAN, List.of(VesselKind.DAMPER, VesselKind.HEAD));
        account.pour(CYAN, 7, NEW, Millilitres.parse("87.6"));
        account.charge(CYAN, Millilitres.parse("6"));
        assertThat(account.at(C, VesselKind.HEAD).volume()).isEqualTo(Millilitres.parse("0.5"));
        assertThat(account.at(C, VesselKind.DAMPER).volume()).isEqualTo(Millilitres.parse("3"));
        assertThat(account.at(new Place.Pad(1)).volume()).isEqualTo(Millilitres.parse("6"));
        assertBalanced();
    }

    @Test
    void pouringPastTheLineCorrectsTheAccount() {
        account.pour(CYAN, 7, NEW, Millilitres.parse("20"));
        assertThat(account.at(C, VesselKind.TANK).volume()).isEqualTo(Millilitres.parse("90"));
        assertBalanced();
    }

    @Test
    void strikingOutBringsEverythingBack() {
        var before = account.inPath(CYAN);
        account.draw(CYAN, TANK_AND_TUBE, Millilitres.parse("60"), OLD);
        account.apply(account.postings().stream().map(Posting::reversed).toList());
        assertThat(account.inPath(CYAN)).isEqualTo(before);
        assertThat(account.postings()).isEmpty();
    }

    @RepeatedTest(60)
    void whateverHappensNothingIsLost(RepetitionInfo round) {
        var random = new Random(round.getCurrentRepetition());
        for (int i = 0; i < 25; i++) {
            var volume = Millilitres.rounded(random.nextDouble() * (random.nextBoolean() ? 3 : 80));
            switch (random.nextInt(7)) {
                case 0 -> account.draw(CYAN, TANK_AND_TUBE, volume, OLD);
                case 1 -> account.draw(CYAN, List.of(VesselKind.DAMPER), volume, OLD);
                case 2 -> account.rinse(CYAN, TANK_AND_TUBE, 8, FLUID, volume);
                case 3 -> account.pour(CYAN, 7, NEW, volume);
                case 4 -> account.charge(CYAN, volume);
                case 5 -> account.flow(CYAN, volume, Place.Outside.PAPER);
                default -> account.reading(CYAN, VesselKind.TANK, volume.min(Millilitres.parse("90")), OLD);
            }
            assertBalanced();
            CYAN.path()
                    .forEach(v -> assertThat(account.at(C, v.kind()).volume()).isLessThanOrEqualTo(v.capacity()));
        }
    }

    private void assertBalanced() {
        Map<Substance, Long> sums = account.postings().stream()
                .collect(Collectors.groupingBy(Posting::substance, Collectors.summingLong(Posting::microlitres)));
        assertThat(sums.values()).allMatch(sum -> sum == 0);
    }

    private long total(Place place) {
        return account.postings().stream()
                .filter(p -> p.place().equals(place))
                .mapToLong(Posting::microlitres)
                .sum();
    }
}
