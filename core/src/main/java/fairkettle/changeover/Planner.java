package fairkettle.changeover;

import fairkettle.changeover.ChannelPlan.Doing;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Millilitres;
import fairkettle.ink.Money;
import fairkettle.ink.Succession;
import fairkettle.machine.Architecture;
import fairkettle.machine.Profile;
import fairkettle.machine.Supply;
import fairkettle.machine.VesselKind;
import fairkettle.procedure.Pause;
import fairkettle.procedure.Step;
import fairkettle.safety.Caution;
import fairkettle.safety.School;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Works out a changeover: whether it may be, by which route, and every mL, minute and penny of it. A function of its
 * arguments; a plan takes well under a millisecond.
 */
public final class Planner {

    static final double WASTE_HEADROOM = 1.15;
    static final double COVERAGE = 0.15; // of a sheet, per channel: an ordinary print

    private final Job job;
    private final Terms terms;

    private Planner(Job job, Terms terms) {
        this.job = job;
        this.terms = terms;
    }

    public static Answer plan(Job job, Terms terms) {
        return new Planner(job, terms).answer();
    }

    /** The same plan at several purities, cheapest target first: what a stricter one costs. */
    public static List<TradeOff> tradeOffs(Job job, Terms terms, List<Double> purities) {
        return purities.stream()
                .sorted(Comparator.reverseOrder())
                .map(purity -> switch (plan(job.wishing(job.wish().aimingFor(purity)), terms)) {
                    case Answer.Planned(var plan) -> TradeOff.of(plan, purity);
                    case Answer.NotSo(var reason, var _) -> TradeOff.none(purity, reason);
                    case Answer.Refused(var reason) -> TradeOff.none(purity, reason);
                })
                .toList();
    }

    /** Every question that makes a difference to this plan: what is followed, and what the others would have done. */
    public static List<Followed> schools(Job job, Terms terms, Plan plan) {
        var followed = new ArrayList<Followed>();
        for (var school : School.values()) {
            var position = terms.position(school);
            var others = new ArrayList<Followed.Otherwise>();
            for (var other : school.positions()) {
                if (!other.equals(position)) {
                    switch (plan(job, terms.taking(school, other.id()))) {
                        case Answer.Planned(var instead)
                        when !same(plan, instead) -> others.add(Followed.Otherwise.of(other, plan, instead));
                        case Answer.Planned _ -> {}
                        case Answer.NotSo(var reason, var _) ->
                            others.add(Followed.Otherwise.impossible(other, reason));
                        case Answer.Refused(var reason) -> others.add(Followed.Otherwise.impossible(other, reason));
                    }
                }
            }
            if (!others.isEmpty()) {
                followed.add(new Followed(school, position, others));
            }
        }
        return followed;
    }

    private static boolean same(Plan plan, Plan other) {
        return plan.procedure().equals(other.procedure()) && plan.total().equals(other.total());
    }

    private Answer answer() {
        var now = job.profile();
        if (job.wish().purpose() == Purpose.RENEW && job.neverInked()) {
            return new Answer.NotSo("It was never inked: there is nothing to renew.", "Plan its first fill.");
        }
        if (job.wish().purpose() != Purpose.CHANGE && job.families().size() > 1) {
            return new Answer.NotSo(
                    "Its channels hold different inks: %s. Each wants its own ink and its own fluid."
                            .formatted(String.join(
                                    ", ",
                                    job.families().stream().map(Family::label).toList())),
                    "Plan a change to one ink first.");
        }
        var slots = slotProblem();
        if (!slots.isEmpty()) {
            return new Answer.NotSo(slots, "Choose again what each slot is to carry.");
        }
        var doing = new HashMap<ChannelCode, Doing>();
        for (var channel : now.channels()) {
            if (job.wish().purpose() == Purpose.PARK) {
                continue;
            }
            switch (Succession.of(
                    job.holding(channel.code()), job.family(), job.wish().make())) {
                case Succession.Refused(var reason) -> { // also of a slot left on fluid: head, cap and pump are shared
                    return new Answer.Refused(reason);
                }
                case Succession.TopUp() -> {
                    if (job.wish().purpose() != Purpose.RENEW
                            && !job.wish().onFluid().contains(channel.code())) {
                        doing.put(channel.code(), Doing.KEEP);
                    }
                }
                case Succession.Drain _, Succession.FirstFill _ -> {}
            }
        }
        if (doing.size() == now.channels().size()) {
            var other = job.wish().route();
            if (other == null || other.hindrance(job, now).isPresent() || other == Route.DRAIN_AND_SWAP) {
                return new Answer.NotSo(
                        "It holds this ink already.",
                        "Top up to the line; there is nothing to change over. To have it fresh, ask to renew it."
                                + otherFeeds(now));
            }
            doing.clear(); // the same ink, but fed another way
        }
        var suiting = Route.suiting(job);
        var wished = job.wish().route();
        if (wished != null && !suiting.contains(wished)) {
            return new Answer.NotSo(
                    wished.hindrance(job, now).orElse("This route does not fit what is asked for."), instead(suiting));
        }
        if (suiting.isEmpty()) {
            return new Answer.NotSo(
                    whyNone(),
                    "Choose another ink, or another machine. The ink account, levels and log work for it all the"
                            + " same.");
        }
        return quantities(wished == null ? suiting.getFirst() : wished, suiting, doing);
    }

    /** The same ink by other cartridges, or from outside. */
    private String otherFeeds(Profile now) {
        var feeds = Stream.of(Route.REFILLABLES, Route.BULK_FEED)
                .filter(r -> r.hindrance(job, now).isEmpty()
                        && r.becomes(job).feed() != job.fit().feed())
                .map(r -> r.label().toLowerCase(java.util.Locale.ROOT))
                .toList();
        return feeds.isEmpty()
                ? ""
                : " To feed it another way, choose that way: %s.".formatted(String.join(", ", feeds));
    }

    private static String instead(List<Route> suiting) {
        return suiting.isEmpty()
                ? "There is no route for it on this machine."
                : "There is: "
                        + String.join(
                                ", ",
                                suiting.stream()
                                        .map(r -> r.label().toLowerCase(java.util.Locale.ROOT))
                                        .toList())
                        + ".";
    }

    /** The hindrance that says most: of the routes that are there for this ink. */
    private String whyNone() {
        var now = job.profile();
        var telling = job.wish().purpose() == Purpose.PARK
                ? Route.PARK
                : switch (job.family()) {
                    case FILM -> Route.FILM_REBUILD;
                    case EDIBLE ->
                        job.neverInked()
                                ? Route.EDIBLE_START
                                : now.architecture() == Architecture.BULK ? Route.RENEW_BULK : Route.DRAIN_AND_SWAP;
                    case MAKERS_DYE, MAKERS_PIGMENT -> job.neverInked() ? Route.FIRST_FILL : Route.GO_BACK;
                    case SUBLIMATION ->
                        now.architecture() == Architecture.CARTRIDGE ? Route.REFILLABLES : Route.DRAIN_AND_SWAP;
                };
        return telling.hindrance(job, now)
                .orElse("There is no route for this change on a %s."
                        .formatted(now.architecture().label()));
    }

    /** What is wrong with the slots as wished; empty if nothing. */
    private String slotProblem() {
        var carries = job.wish().carries();
        var codes = job.built().codes();
        if (!codes.containsAll(carries.keySet())
                || !job.profile().codes().containsAll(job.wish().onFluid())) {
            return "This machine has the slots %s and no others.".formatted(codes);
        }
        var after = codes.stream().map(c -> carries.getOrDefault(c, c)).toList();
        if (new HashSet<>(after).size() != after.size()) {
            return "Two slots would carry the same channel: %s.".formatted(after);
        }
        if (job.wish().onFluid().size() == job.profile().channels().size()) {
            return "Every slot would be left on fluid. To put the machine to rest, park it.";
        }
        boolean film = job.family() == Family.FILM;
        return !film && carries.values().stream().anyMatch(ChannelCode::white)
                ? "Only film ink has white."
                : film && !carries.isEmpty() && after.stream().noneMatch(ChannelCode::white)
                        ? "Film needs at least one slot for white."
                        : "";
    }

    private static final String NOT_FOR_PIGMENT =
            "Its head was made for dye: pigment settles in dampers and nozzles, and" + " clogs it sooner, for good.";

    /** What has to be agreed to beside the end of the warranty and the rules for food, each once. */
    static List<String> agreements(Job job) {
        boolean pigment = job.family() == Family.MAKERS_PIGMENT && job.built().built() == Family.MAKERS_DYE;
        return job.wish().purpose() == Purpose.PARK
                ? List.of()
                : Stream.concat(
                                pigment ? Stream.of(NOT_FOR_PIGMENT) : Stream.of(),
                                job.profile().codes().stream()
                                        .map(code -> Succession.of(
                                                job.holding(code),
                                                job.family(),
                                                job.wish().make()))
                                        .flatMap(s -> s instanceof Succession.Drain(var _, var words)
                                                ? words.stream()
                                                : Stream.empty()))
                        .distinct()
                        .toList();
    }

    private List<String> acknowledgements(Work w) {
        var all = new ArrayList<String>();
        if (!w.asTheMakerMeantIt() && job.wish().purpose() != Purpose.PARK) {
            all.add(Caution.WARRANTY.say());
        }
        all.addAll(agreements(job));
        if (job.family().food() && job.wish().purpose() != Purpose.PARK) {
            all.add(Succession.NEW_FOR_FOOD);
        }
        return all;
    }

    private Answer quantities(Route route, List<Route> suiting, Map<ChannelCode, Doing> doing) {
        var way = route.way(job, terms, doing);
        var quantities = new Quantities(job, terms, route, way);
        return switch (quantities.all()) {
            case Quantities.Result.Not(var no) ->
                new Answer.NotSo(
                        "%s %% old ink cannot be reached in channel %s: the best is %s %%%s."
                                .formatted(
                                        percent(job.wish().purity()),
                                        no.slot(),
                                        percent(no.why().best()),
                                        no.why().inTheWay().isEmpty()
                                                ? ""
                                                : ", because no rinse reaches the "
                                                        + String.join(
                                                                " and ",
                                                                no.why().inTheWay().stream()
                                                                        .map(VesselKind::label)
                                                                        .toList())),
                        "Aim for less, allow more rinses or time under Shop, or flush the head as well.");
            case Quantities.Result.All(var plans) ->
                new Answer.Planned(whole(new Work(job, terms, route, way, plans), suiting, quantities));
        };
    }

    private Plan whole(Work w, List<Route> suiting, Quantities quantities) {
        var fluid = ChannelPlan.sum(w.plans.stream()
                .map(p -> p.rests()
                        .plus(
                                !w.route.rinsesFluidOut()
                                                && (p.doing() == Doing.ON_FLUID
                                                        || terms.follows(School.RINSE_WITH, "fluid"))
                                        ? p.rinseLiquid()
                                        : Millilitres.ZERO))
                .toList());
        var waste =
                ChannelPlan.sum(w.plans.stream().map(ChannelPlan::toWasteBottle).toList());
        var pad = ChannelPlan.sum(w.plans.stream().map(ChannelPlan::loss).toList());
        var procedure = w.route.procedure(w).paced(terms.experience().factor());
        var steps = procedure.steps();
        var times = times(steps);
        var needs = Needs.of(w);
        var cost = cost(w, fluid, waste, pad, times, needs);
        var total = Money.sum(cost.stream().map(Plan.CostLine::amount).toList(), terms.currency());
        var from = String.join(
                " and ", w.plans.stream().map(ChannelPlan::from).distinct().toList());
        return new Plan(
                w.route,
                suiting.stream().filter(r -> r != w.route).toList(),
                w.route.asksAboutChips() ? job.built().chips() : List.of(),
                w.way.fit(),
                job.family(),
                from,
                w.route == Route.PARK ? "parked on fluid" : job.family().label(),
                job.wish().purity(),
                acknowledgements(w),
                w.plans,
                fluid,
                Bottles.cheapest(fluid.over(job.stock().fluid()), terms.fluid()),
                Millilitres.rounded(waste.mL() * WASTE_HEADROOM),
                pad,
                job.padUsed().plus(pad).mL() / job.profile().padCapacity().mL(),
                inPacks(w.plans),
                needs,
                times,
                cost,
                total,
                protects(w, fluid),
                badly(w, quantities),
                payback(w, total),
                fitness(w),
                steps.stream()
                        .flatMap(s -> s.cautions().stream())
                        .distinct()
                        .sorted()
                        .toList(),
                w.after.architecture() == Architecture.BULK || w.before.architecture() == Architecture.BULK
                        ? w.handling().kit().parts()
                        : List.of(),
                procedure);
    }

    private int colours() {
        return job.profile().codes().size();
    }

    /** The same ink as sets; null where none is sold. */
    private Inks.@Nullable ByPacks inPacks(List<ChannelPlan> plans) {
        var singles = Money.sum(
                plans.stream().map(p -> p.bottles().price(terms.currency())).toList(), terms.currency());
        return terms.inks()
                .inPacks(
                        job.family(),
                        plans.stream()
                                .filter(p -> p.doing() != Doing.ON_FLUID)
                                .map(p -> p.needed().over(p.onShelf()))
                                .toList(),
                        singles)
                .orElse(null);
    }

    /** What is rinsed with, against the ink that it keeps clean. */
    private Plan.Protects protects(Work w, Millilitres fluid) {
        var rinsed =
                ChannelPlan.sum(w.plans.stream().map(ChannelPlan::rinseLiquid).toList());
        var fill = ChannelPlan.sum(w.plans.stream()
                .map(p -> p.fill().plus(p.topUp()).plus(p.loss()))
                .toList());
        double price = fluid.isZero() ? terms.inks().perMl(job.family(), colours()) : Terms.perMl(terms.fluid());
        return new Plan.Protects(
                rinsed,
                Money.rounded(rinsed.mL() * (price + terms.wastePerMl()), terms.currency()),
                fill,
                Money.rounded(terms.ofInk(job.family(), colours(), fill.mL()), terms.currency()));
    }

    static Plan.Times times(List<Step> steps) {
        var hands = Duration.ofMinutes(steps.stream().mapToInt(Step::minutes).sum());
        return new Plan.Times(hands, pauses(steps, true), pauses(steps, false));
    }

    private static Duration pauses(List<Step> steps, boolean machine) {
        return steps.stream()
                .map(Step::pause)
                .filter(java.util.Objects::nonNull)
                .filter(p -> p.machine() == machine)
                .map(Pause::min)
                .reduce(Duration.ZERO, Duration::plus);
    }

    private List<Plan.CostLine> cost(
            Work w, Millilitres fluid, Millilitres waste, Millilitres pad, Plan.Times times, List<Plan.Need> needs) {
        var ink = Beginning.supplied(w)
                ? Millilitres.ZERO
                : ChannelPlan.sum(w.plans.stream().map(ChannelPlan::inkUsed).toList());
        double inkPrice = terms.inks().perMl(job.family(), colours());
        double fluidPrice = Terms.perMl(terms.fluid());
        double padShare = pad.mL() / job.profile().padCapacity().mL();
        var lines = new ArrayList<Plan.CostLine>();
        if (!ink.isZero()) {
            lines.add(line("New ink", whole(ink) + " mL at " + perMl(inkPrice) + " per mL", ink.mL() * inkPrice));
        }
        if (!fluid.isZero()) {
            lines.add(line(
                    "Cleaning fluid",
                    whole(fluid) + " mL at " + perMl(fluidPrice) + " per mL",
                    fluid.mL() * fluidPrice));
        }
        for (var kind : List.of(Supply.Kind.PART, Supply.Kind.CONSUMED)) {
            var of = needs.stream().filter(n -> n.what().kind() == kind).toList();
            var sum = Money.sum(of.stream().map(Plan.Need::cost).toList(), terms.currency());
            if (sum.minor() > 0) {
                lines.add(new Plan.CostLine(
                        kind == Supply.Kind.PART ? "Parts" : "Used up",
                        String.join(
                                ", ",
                                of.stream()
                                        .map(n -> n.count() + " × " + n.what().label())
                                        .toList()),
                        sum));
            }
        }
        if (!waste.isZero()) {
            lines.add(
                    line("Waste", whole(waste) + " mL to the place your rules name", waste.mL() * terms.wastePerMl()));
        }
        lines.add(line(
                "Waste pad",
                whole(pad) + " of its " + job.profile().padCapacity() + " mL",
                padShare * terms.pad().major()));
        lines.add(line(
                "Hands",
                times.handsOn().toMinutes() + " min",
                times.handsOn().toMinutes() / 60.0 * terms.labourPerHour().major()));
        return lines;
    }

    private static String whole(Millilitres volume) {
        return Long.toString(Math.round(volume.mL()));
    }

    private static String perMl(double price) {
        return Double.toString(Math.round(price * 1000) / 1000.0);
    }

    private Plan.CostLine line(String what, String basis, double major) {
        return new Plan.CostLine(what, basis, Money.rounded(major, terms.currency()));
    }

    /** Filled without rinsing, as people do in a hurry: the worst channel's figures, and the ink of all. */
    private Plan.Badly badly(Work w, Quantities quantities) {
        double worst = 0;
        double through = 0;
        double wasted = 0;
        for (var plan : w.filled) {
            if (plan.drainedOnly() == 0) {
                continue;
            }
            double needed = quantities.throughUnrinsed(plan);
            worst = Math.max(worst, plan.drainedOnly());
            through = Math.max(through, needed);
            wasted += needed;
        }
        return new Plan.Badly(
                worst,
                through,
                (int) Math.ceil(through / job.profile().draws().sheet().mL()),
                Money.rounded(terms.ofInk(job.family(), colours(), wasted), terms.currency()));
    }

    private Plan.Payback payback(Work w, Money total) {
        double mL = COVERAGE * job.profile().draws().sheet().mL() * w.inked.size();
        double before = mL * terms.oldInkPerMl();
        double after = job.family().makers() ? mL * terms.oldInkPerMl() : terms.ofInk(job.family(), colours(), mL);
        return new Plan.Payback(
                Money.rounded(before, terms.currency()),
                Money.rounded(after, terms.currency()),
                before > after ? (long) Math.ceil(total.major() / (before - after)) : null);
    }

    /** An honest rating: heads that were not made for an ink clog sooner, whatever is done. */
    private Plan.Fitness fitness(Work w) {
        if (w.route == Route.PARK) {
            return new Plan.Fitness(5, "Any machine can rest on fluid.", "Damp the cap once a month.");
        }
        return switch (job.family()) {
            case MAKERS_DYE, MAKERS_PIGMENT ->
                job.family() == job.built().built()
                        ? new Plan.Fitness(5, "What it was built for.", "A check a week.")
                        : job.family() == Family.MAKERS_PIGMENT
                                ? new Plan.Fitness(
                                        2,
                                        "Its head was made for dye: pigment settles in it.",
                                        "A check a day; never let it stand over a week-end.")
                                : new Plan.Fitness(
                                        4,
                                        "Dye in a head made for pigment: it runs, and fades sooner.",
                                        "A check a week.");
            case SUBLIMATION ->
                w.after.architecture() == Architecture.CARTRIDGE
                        ? new Plan.Fitness(
                                3,
                                "Its head was not made for this ink, and its cartridges are small.",
                                "A check a day, and a look at real levels.")
                        : new Plan.Fitness(
                                4,
                                "Its head was not made for this ink and clogs more easily.",
                                "A check a day; print something every other day.");
            case FILM ->
                w.job.built().architecture() == Architecture.FILM
                        ? new Plan.Fitness(
                                4,
                                "Built for film; white still settles.",
                                "Move the white twice a week, a check a day.")
                        : new Plan.Fitness(
                                2,
                                "A photo machine turned film printer: it works, and it is hard to keep.",
                                "Every day: check, cap, wiper, and move the white.");
            case EDIBLE ->
                w.snapIn()
                        ? new Plan.Fitness(5, "A spoiled head is simply replaced.", "A check a day; watch best-before.")
                        : new Plan.Fitness(
                                3,
                                "Its head cannot be replaced when ink gums up.",
                                "A check a day; never let it stand for a week.");
        };
    }

    static String percent(double share) {
        return Millilitres.rounded(share * 100).toString();
    }
}
