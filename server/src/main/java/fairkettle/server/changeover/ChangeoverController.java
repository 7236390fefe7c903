package fairkettle.server.changeover;

import fairkettle.changeover.Answer;
import fairkettle.changeover.ChannelPlan;
import fairkettle.changeover.Days;
import fairkettle.changeover.Experience;
import fairkettle.changeover.Inks;
import fairkettle.changeover.Plan;
import fairkettle.changeover.Rinses;
import fairkettle.changeover.Route;
import fairkettle.changeover.TradeOff;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.machine.Chips;
import fairkettle.procedure.Uncapped;
import fairkettle.safety.Caution;
import fairkettle.safety.School;
import fairkettle.server.benches.Machines;
import fairkettle.server.climate.Room;
import fairkettle.server.promises.Promises;
import fairkettle.server.shelf.WasteBottles;
import fairkettle.server.shop.Shop;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ChangeoverController {

    private final Changeovers changeovers;
    private final Machines machines;
    private final Promises promises;
    private final Shop shop;
    private final WasteBottles waste;
    private final Room room;
    private final Clock clock;

    ChangeoverController(
            Changeovers changeovers,
            Machines machines,
            Promises promises,
            Shop shop,
            WasteBottles waste,
            Room room,
            Clock clock) {
        this.changeovers = changeovers;
        this.machines = machines;
        this.promises = promises;
        this.shop = shop;
        this.waste = waste;
        this.room = room;
        this.clock = clock;
    }

    /** @param kind planned, not-so or refused; the plan is there exactly when planned */
    record AnswerJson(
            String kind,
            @Nullable String reason,
            @Nullable String instead,
            @Nullable PlanJson plan,
            List<TradeOff> tradeOffs) {}

    record PlanJson(
            Route routeId,
            String route,
            List<ChoiceJson> otherRoutes,
            List<ChipJson> chipChoices,
            String chips,
            String feed,
            String from,
            String to,
            double purity,
            List<String> acknowledgements,
            List<ChannelPlanJson> channels,
            Millilitres fluid,
            List<String> fluidBottles,
            Millilitres wasteBottle,
            Millilitres padWaste,
            double padAfter,
            @Nullable PacksJson packs,
            List<PurchaseJson> toBuy,
            TimesJson times,
            List<Plan.CostLine> cost,
            Money total,
            Plan.Protects protects,
            Plan.Badly badly,
            Plan.Payback payback,
            Plan.Fitness fitness,
            List<OtherWayJson> otherWays,
            List<String> cautions,
            List<String> kit,
            List<String> first,
            List<PartJson> parts) {}

    /** The same ink as sets. @param each mL of every bottle in one; @param singles what single bottles cost */
    record PacksJson(int count, int colours, Millilitres each, Money price, Money singles) {}

    record ChoiceJson(Route id, String label) {}

    record ChipJson(Chips id, String label) {}

    /** @param doing FILL, KEEP or ON_FLUID */
    record ChannelPlanJson(
            String before,
            String code,
            String colour,
            String doing,
            String from,
            String to,
            Millilitres holds,
            String pulls,
            String rinses,
            List<StageJson> stages,
            Millilitres chaser,
            Millilitres charge,
            Millilitres rests,
            Millilitres commissioning,
            int sheets,
            Millilitres needed,
            Millilitres onShelf,
            List<Millilitres> bottles,
            Millilitres leftOver,
            double drainedOnly,
            double residue,
            double fluidLeft,
            double throughUntilClean) {}

    record StageJson(
            String name, List<String> reach, int count, Millilitres volume, Millilitres chaser, Millilitres syringe) {}

    /** @param onShelf of {@code count}, struck off because they are there; @param price of what is to be bought */
    record PurchaseJson(
            String kind,
            String what,
            int count,
            int onShelf,
            int buy,
            @Nullable Money price) {}

    /**
     * @param ready the earliest time it may take promised work, if begun now; @param missed what is promised before
     *     that
     */
    record TimesJson(
            long handsOn,
            long machine,
            long waiting,
            Instant ready,
            List<Promises.Promise> missed,
            List<Days.Day> days,
            Uncapped uncapped,
            int bareLimit,
            HandsJson hands,
            List<HandsJson> choices) {}

    /** @param factor how many times as long as practised hands they take */
    record HandsJson(Experience id, String label, double factor) {}

    record PartJson(String name, int steps, int minutes, long machineMinutes, long waitMinutes) {}

    record FollowedJson(School id, String question, String position, String reason, List<OtherwiseJson> others) {}

    /** Differences against this plan; more is positive. */
    record OtherwiseJson(
            String id,
            String position,
            String reason,
            @Nullable String impossible,
            int steps,
            double liquid,
            long minutes,
            @Nullable Money cost) {}

    /**
     * The same prints come by: more is dearer.
     *
     * @param sheets from which on the changeover is the cheaper one; null if it never is
     */
    record OtherWayJson(
            String what,
            Money once,
            Money perSheet,
            int days,
            @Nullable Long sheets) {}

    @GetMapping("/api/machines/{machine}/changeover")
    AnswerJson planChangeover(@PathVariable long machine, @ParameterObject WishQuery query) {
        var wish = query.on(machine);
        return switch (changeovers.plan(wish)) {
            case Answer.Refused(var reason) -> new AnswerJson("refused", reason, null, null, List.of());
            case Answer.NotSo(var reason, var instead) ->
                new AnswerJson("not-so", reason, instead, null, changeovers.tradeOffs(wish));
            case Answer.Planned(var plan) ->
                new AnswerJson("planned", null, null, plan(wish, plan), changeovers.tradeOffs(wish));
        };
    }

    /**
     * The schools that the plan follows, and what the others would come to; none where there is no plan. Apart from the
     * plan, since each of the others is a plan of its own.
     */
    @GetMapping("/api/machines/{machine}/changeover/schools")
    List<FollowedJson> schools(@PathVariable long machine, @ParameterObject WishQuery query) {
        var wish = query.on(machine);
        if (!(changeovers.plan(wish) instanceof Answer.Planned(var plan))) {
            return List.of();
        }
        return changeovers.schools(wish, plan).stream()
                .map(f -> new FollowedJson(
                        f.school(),
                        f.school().question(),
                        f.position().label(),
                        f.position().reason(),
                        f.others().stream()
                                .map(o -> new OtherwiseJson(
                                        o.position().id(),
                                        o.position().label(),
                                        o.position().reason(),
                                        o.impossible(),
                                        o.steps(),
                                        o.liquid(),
                                        o.minutes(),
                                        o.cost()))
                                .toList()))
                .toList();
    }

    private PlanJson plan(Changeovers.Wish wish, Plan plan) {
        var times = plan.times();
        var days = days(plan);
        return new PlanJson(
                plan.route(),
                plan.route().label(),
                plan.others().stream().map(r -> new ChoiceJson(r, r.label())).toList(),
                plan.chipChoices().stream().map(c -> new ChipJson(c, c.label())).toList(),
                plan.chips().label(),
                plan.fit().feed().label(),
                plan.from(),
                plan.to(),
                plan.purity(),
                plan.acknowledgements(),
                plan.channels().stream().map(ChangeoverController::channel).toList(),
                plan.fluid(),
                plan.fluidBottles().bottles().stream()
                        .map(b -> b.volume() + " mL")
                        .toList(),
                plan.wasteBottle(),
                plan.padWaste(),
                plan.padAfter(),
                packs(plan.packs()),
                Shopping.of(plan).stream()
                        .map(l -> new PurchaseJson(l.kind(), l.what(), l.count(), l.onShelf(), l.buy(), l.price()))
                        .toList(),
                new TimesJson(
                        times.handsOn().toMinutes(),
                        times.machine().toMinutes(),
                        times.waiting().toMinutes(),
                        days.getLast().until(),
                        promises.before(wish.machine(), days.getLast().until()),
                        days,
                        Uncapped.of(
                                plan.procedure().startState(), plan.procedure().steps()),
                        shop.settings().bareLimit(machines.get(wish.machine()).inks(), wish.family(), room.drying()),
                        hands(changeovers.experience(wish)),
                        Arrays.stream(Experience.values())
                                .map(ChangeoverController::hands)
                                .toList()),
                plan.cost(),
                plan.total(),
                plan.protects(),
                plan.badly(),
                plan.payback(),
                plan.fitness(),
                otherWays(plan, days.getLast().until()),
                plan.cautions().stream().map(Caution::say).toList(),
                plan.kit(),
                first(wish.machine(), plan),
                parts(plan));
    }

    /** What will not do, and has to be got before the first screw. */
    private List<String> first(long machine, Plan plan) {
        var first = new ArrayList<String>();
        var busy = machines.atWork(machine);
        if (!busy.isEmpty()) {
            first.add(
                    "One bench, one waste bottle, one pair of hands: work is open at %s. Bring it to where it may stand."
                            .formatted(String.join(", ", busy)));
        }
        if (plan.padAfter() > 1) {
            first.add("A new waste pad: with this it would be %d %% full. No card is made before it is in."
                    .formatted(Math.round(plan.padAfter() * 100)));
        }
        var room = waste.room();
        if (room.isPresent() && room.get().compareTo(plan.wasteBottle()) < 0) {
            first.add("An empty waste bottle: this wants room for %s mL, and there is %s mL."
                    .formatted(plan.wasteBottle(), room.get()));
        }
        long missing = Shopping.of(plan).stream().filter(l -> l.buy() > 0).count();
        if (missing > 0) {
            first.add("%d thing%s to buy: see the list.".formatted(missing, missing == 1 ? "" : "s"));
        }
        return first;
    }

    /** Against the changeover's cost and its ink: a machine built for it, ordering, and sheets that come inked. */
    private List<OtherWayJson> otherWays(Plan plan, Instant ready) {
        var compared = shop.settings().compared();
        var money = shop.settings().money();
        var sheet = plan.payback().newSheet();
        return List.of(
                new OtherWayJson(
                        "this changeover", plan.total(), sheet, days(plan).size(), null),
                way("a machine built for it", new Money(compared.dedicatedMachine(), money), sheet, 7, plan),
                way(
                        "ordering prints",
                        new Money(0, money),
                        new Money(compared.orderedSheet(), money),
                        compared.orderedDays(),
                        plan),
                way(
                        "sheets that come inked",
                        new Money(0, money),
                        new Money(compared.inkedSheet(), money),
                        compared.orderedDays(),
                        plan));
    }

    private static OtherWayJson way(String what, Money once, Money perSheet, int days, Plan plan) {
        double saved = perSheet.major() - plan.payback().newSheet().major();
        double more = plan.total().minus(once).major();
        return new OtherWayJson(
                what,
                once,
                perSheet,
                days,
                more <= 0 ? Long.valueOf(0) : saved > 0 ? Long.valueOf((long) Math.ceil(more / saved)) : null);
    }

    /** Hands work in opening hours, the machine and rests go on through the night, and no head stands bare over it. */
    private List<Days.Day> days(Plan plan) {
        return Days.of(
                plan.procedure().startState(),
                plan.procedure().steps(),
                shop.settings().hours(),
                clock.instant());
    }

    private static List<PartJson> parts(Plan plan) {
        return plan.procedure().steps().stream()
                .collect(java.util.stream.Collectors.groupingBy(
                        s -> s.part(), java.util.LinkedHashMap::new, java.util.stream.Collectors.toList()))
                .entrySet()
                .stream()
                .map(e -> new PartJson(
                        e.getKey(),
                        e.getValue().size(),
                        e.getValue().stream().mapToInt(s -> s.minutes()).sum(),
                        pauses(e.getValue(), true),
                        pauses(e.getValue(), false)))
                .toList();
    }

    private static long pauses(List<fairkettle.procedure.Step> steps, boolean machine) {
        return steps.stream()
                .map(s -> s.pause())
                .filter(java.util.Objects::nonNull)
                .filter(p -> p.machine() == machine)
                .mapToLong(p -> p.min().toMinutes())
                .sum();
    }

    private static ChannelPlanJson channel(ChannelPlan c) {
        var rinses = c.rinses().stream()
                .filter(s -> s.count() > 0)
                .map(s -> "%d × %s".formatted(s.count(), s.volume()))
                .toList();
        return new ChannelPlanJson(
                c.before().code(),
                c.code().code(),
                c.code().colour(),
                c.doing().name(),
                c.from(),
                c.to(),
                c.holds(),
                c.pulls().label(),
                rinses.isEmpty() ? "none" : String.join(", then ", rinses),
                c.rinses().stream().map(ChangeoverController::stage).toList(),
                c.chaser(),
                c.fill().plus(c.topUp()),
                c.rests(),
                c.commissioning(),
                c.sheets(),
                c.needed(),
                c.onShelf(),
                c.bottles().bottles().stream().map(b -> b.volume()).toList(),
                c.bottles().leftOver(),
                c.drainedOnly(),
                c.residue(),
                c.fluidLeft(),
                c.throughUntilClean());
    }

    private static HandsJson hands(Experience e) {
        return new HandsJson(e, e.label(), e.factor());
    }

    private static @Nullable PacksJson packs(Inks.@Nullable ByPacks packs) {
        return packs == null
                ? null
                : new PacksJson(
                        packs.count(), packs.pack().colours(), packs.pack().each(), packs.price(), packs.singles());
    }

    private static StageJson stage(Rinses.Stage s) {
        return new StageJson(
                s.stage().name(),
                s.stage().reach().stream().map(k -> k.label()).toList(),
                s.count(),
                s.volume(),
                s.chaser(),
                s.syringe().size());
    }
}
