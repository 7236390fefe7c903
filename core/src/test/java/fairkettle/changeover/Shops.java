package fairkettle.changeover;

import fairkettle.changeover.Bottles.Size;
import fairkettle.changeover.Job.Now;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.machine.Chips;
import fairkettle.machine.Feed;
import fairkettle.machine.Fit;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.Vessel;
import fairkettle.safety.School;
import java.util.ArrayList;
import java.util.Currency;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A shop to plan for, in tests. */
public final class Shops {

    public static final Currency GBP = Currency.getInstance("GBP");

    private Shops() {}

    public static Terms terms(Map<School, String> schools) {
        return new Terms(
                new Money(1800, GBP),
                new Money(250, GBP),
                new Money(2400, GBP),
                List.of(Syringe.of("60", "1"), Syringe.of("10", "0.5")),
                Inks.alike(List.of(size(50, 700), size(100, 1200))),
                List.of(size(250, 900), size(1000, 2600)),
                0.01,
                Millilitres.parse("15"),
                6,
                2,
                3,
                120,
                schools,
                Map.of(),
                0.6,
                Experience.PRACTISED);
    }

    public static Job job(Profile profile, Holding holding, Family family, double purity) {
        return job(profile, Fit.asBuilt(profile), holding, Wish.change(family, "own", purity));
    }

    /** A machine whose channels all hold the same, full to the line. */
    public static Job job(Profile built, Fit fit, Holding holding, Wish wish) {
        boolean inked = !(holding instanceof Holding.NeverInked);
        Map<ChannelCode, Now> channels = built.fitted(fit).channels().stream()
                .collect(Collectors.toMap(
                        c -> c.code(),
                        c -> new Now(
                                holding,
                                inked
                                        ? c.path().stream().collect(Collectors.toMap(Vessel::kind, Vessel::capacity))
                                        : Map.of())));
        return new Job(built, fit, channels, wish, Millilitres.ZERO, false, Stock.NONE);
    }

    /** Every way in which a channel can be found. */
    public static List<Holding> holdings() {
        return Stream.concat(
                        Stream.of(
                                Holding.neverInked(),
                                new Holding.Unknown(),
                                new Holding.Inked(Family.EDIBLE, "own", true),
                                new Holding.Parked(Family.EDIBLE, "own", true)),
                        Stream.of(Family.values())
                                .flatMap(f -> Stream.of(
                                        new Holding.Inked(f, "own", false),
                                        new Holding.Inked(f, "other", false),
                                        new Holding.Parked(f, "own", false))))
                .toList();
    }

    /** What a profile can have become. */
    public static List<Fit> fits(Profile profile) {
        var built = Fit.asBuilt(profile);
        if (profile.chips().isEmpty()) {
            return List.of(built);
        }
        var chips = profile.chips().getFirst();
        return List.of(
                built,
                built.fedBy(Feed.REFILLABLE).chipped(chips),
                built.fedBy(Feed.BULK).chipped(Chips.IGNORED));
    }

    /** Everything that can be wished of a machine. */
    public static List<Wish> wishes(Profile profile, Fit fit, double purity) {
        var wishes = new ArrayList<Wish>();
        for (var family : Family.values()) {
            var wish = Wish.change(family, "own", purity);
            wishes.add(wish);
            wishes.add(wish.purpose(Purpose.RENEW));
            if (!profile.chips().isEmpty() && fit.feed() != Feed.BULK) {
                wishes.add(wish.by(Route.BULK_FEED));
                profile.chips().forEach(chips -> wishes.add(wish.chips(chips)));
                wishes.add(wish.by(Route.BULK_FEED).chips(Chips.IGNORED));
            }
        }
        wishes.add(Wish.change(Family.SUBLIMATION, "own", purity).purpose(Purpose.PARK));
        if (profile.codes().contains(ChannelCode.of("LC"))) {
            wishes.add(Wish.change(Family.SUBLIMATION, "own", purity)
                    .slots(Map.of(), Set.of(ChannelCode.of("LC"), ChannelCode.of("LM"))));
        }
        return wishes;
    }

    /** Every profile, in every state, with every wish. */
    public static Stream<Job> everyJob() {
        return Profiles.ALL.stream()
                .flatMap(profile -> fits(profile).stream()
                        .flatMap(fit -> holdings().stream()
                                .flatMap(holding -> wishes(profile, fit, 0.005).stream()
                                        .map(wish -> job(profile, fit, holding, wish)))));
    }

    public static Plan planned(Answer answer) {
        return switch (answer) {
            case Answer.Planned(var plan) -> plan;
            case Answer.NotSo(var reason, var _) -> throw new AssertionError(reason);
            case Answer.Refused(var reason) -> throw new AssertionError(reason);
        };
    }

    private static Size size(int volume, int price) {
        return new Size(new Millilitres(volume * 1000L), new Money(price, GBP));
    }
}
