package fairkettle.changeover;

import fairkettle.changeover.ChannelPlan.Doing;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Channel;
import fairkettle.machine.Vessel;
import fairkettle.machine.VesselKind;
import fairkettle.path.Dilution;
import fairkettle.path.FlowThrough;
import fairkettle.safety.School;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Every mL of every slot, for one route. */
final class Quantities {

    private static final double WETTING = 0.03; // of the reach's capacity: less runs down one wall
    private static final double FLUID_AT_REST = 0.15; // of a tank: enough to stand in, too little to slosh

    private final Job job;
    private final Terms terms;
    private final Route route;
    private final Way way;
    private final Map<Build, Rinses> solved = new HashMap<>();
    private final Map<Build, Double> unrinsed = new HashMap<>();

    Quantities(Job job, Terms terms, Route route, Way way) {
        this.job = job;
        this.terms = terms;
        this.route = route;
        this.way = way;
    }

    /** What the rinses of a slot depend on: slots of the same build have the same answer. */
    private record Build(Channel scrubbed, List<Vessel> before, Doing doing, double target, boolean inked) {}

    /** No number of rinses is enough for a slot. */
    record OutOfReach(ChannelCode slot, Rinses.OutOfReach why) {}

    sealed interface Result {
        record All(List<ChannelPlan> plans) implements Result {}

        record Not(OutOfReach slot) implements Result {}
    }

    Result all() {
        var plans = new ArrayList<ChannelPlan>();
        for (var slot : way.slots()) {
            if (slot.doing() == Doing.KEEP) {
                plans.add(keep(slot));
                continue;
            }
            boolean inked = inked(slot);
            var build = new Build(
                    scrubbed(slot, route.washesHead(job)), slot.before().path(), slot.doing(), target(slot), inked);
            switch (solved.computeIfAbsent(
                    build, _ -> inked ? cheapest(slot, build) : new Rinses.Found(List.of(), 0, 0))) {
                case Rinses.OutOfReach no -> {
                    return new Result.Not(new OutOfReach(slot.before().code(), no));
                }
                case Rinses.Found found ->
                    plans.add(slot.doing() == Doing.FILL ? fill(slot, build, found) : onFluid(slot, found));
            }
        }
        return new Result.All(plans);
    }

    /** Old ink in it, or fluid with a trace of old ink. */
    private boolean inked(Way.Slot slot) {
        return !(job.holding(slot.before().code()) instanceof Holding.NeverInked);
    }

    private double target(Way.Slot slot) {
        if (slot.doing() == Doing.ON_FLUID) {
            return Purity.SAME_FAMILY;
        }
        if (route.rinsesFluidOut()) {
            return terms.fluidTarget();
        }
        return slot.after().code().white()
                ? Math.min(job.wish().purity(), Purity.BEFORE_WHITE)
                : job.wish().purity();
    }

    /** mL of what was there before that is still in a vessel when the new ink comes. */
    private Millilitres left(Way.Slot slot, VesselKind kind) {
        if (!slot.before().has(kind) || slot.renewed().contains(kind)) {
            return Millilitres.ZERO;
        }
        if (!inked(slot)) {
            return kind == VesselKind.HEAD && way.onStarters()
                    ? slot.before().vessel(kind).capacity()
                    : Millilitres.ZERO;
        }
        boolean drained = way.drains().contains(kind) || way.drips().contains(kind);
        var vessel = slot.before().vessel(kind);
        return drained
                ? vessel.heel()
                : job.now(slot.before().code()).level(kind).max(vessel.heel()).min(vessel.capacity());
    }

    /** The slot's path with what is left in it as heels. */
    private Channel scrubbed(Way.Slot slot, boolean withoutHead) {
        return new Channel(
                slot.after().code(),
                slot.after().path().stream()
                        .map(v -> new Vessel(
                                v.kind(),
                                v.capacity(),
                                withoutHead && v.kind() == VesselKind.HEAD
                                        ? Millilitres.ZERO
                                        : left(slot, v.kind()).min(v.capacity())))
                        .toList(),
                1);
    }

    private Rinses cheapest(Way.Slot slot, Build build) {
        var task = task(slot, build);
        if (task.stages().isEmpty()) {
            double residue = task.unreached() / slot.after().capacity().mL();
            return residue <= build.target()
                    ? new Rinses.Found(List.of(), residue, 0)
                    : new Rinses.OutOfReach(
                            residue,
                            build.scrubbed().path().stream()
                                    .filter(v -> !v.heel().isZero())
                                    .map(Vessel::kind)
                                    .toList());
        }
        return slot.doing() == Doing.FILL ? cheapestWithSheets(slot, build, task) : RinseOptimiser.cheapest(task);
    }

    /**
     * Rinsing cleaner than was asked for can be cheaper in all, because the outlet is then clean after fewer sheets. So
     * the optimiser is asked at the target and at every stricter one on the scale, and the sheets are priced in.
     */
    private Rinses cheapestWithSheets(Way.Slot slot, Build build, RinseTask task) {
        var optimiser = RinseOptimiser.of(task);
        var best = optimiser.cheapest(build.target());
        double least = whole(slot, build, best);
        for (double stricter : Purity.SCALE) {
            if (stricter < build.target() && best instanceof Rinses.Found) {
                var rinses = optimiser.cheapest(stricter);
                if (!(rinses instanceof Rinses.Found found) || found.cost() + perSheet() >= least) {
                    break; // stricter rinses are only dearer, and no path does with less than a sheet
                }
                double cost = whole(slot, build, rinses);
                if (cost < least) {
                    least = cost;
                    best = rinses;
                }
            }
        }
        return best;
    }

    private double whole(Way.Slot slot, Build build, Rinses rinses) {
        return switch (rinses) {
            case Rinses.Found found -> found.cost() + sheets(through(slot, found, build.target())) * perSheet();
            case Rinses.OutOfReach _ -> Double.POSITIVE_INFINITY;
        };
    }

    /** Ink of a sheet, and the minute it takes. */
    private double perSheet() {
        return terms.ofInk(
                        job.family(),
                        job.profile().codes().size(),
                        job.profile().draws().sheet().mL())
                + terms.labourPerMinute();
    }

    private RinseTask task(Way.Slot slot, Build build) {
        boolean fluid = rinsedWithFluid(slot);
        double inkPrice = terms.inks().perMl(job.family(), job.profile().codes().size()) + terms.wastePerMl();
        double liquid = fluid ? Terms.perMl(terms.fluid()) + terms.wastePerMl() : inkPrice;
        var stages = way.stages().stream()
                .filter(s -> s.reach().stream()
                        .anyMatch(k -> slot.after().has(k) && !slot.renewed().contains(k)))
                .map(s -> stage(s, slot))
                .toList();
        var task = new RinseTask(
                build.scrubbed(),
                stages,
                build.target(),
                terms.syringes(),
                liquid,
                inkPrice,
                terms.labourPerMinute(),
                terms.rinseMinutesLimit());
        return fluid && slot.doing() == Doing.FILL && !stages.isEmpty()
                ? new RinseTask(
                        build.scrubbed(),
                        RinseOptimiser.chased(task, terms.fluidTarget()),
                        build.target(),
                        terms.syringes(),
                        liquid,
                        inkPrice,
                        terms.labourPerMinute(),
                        terms.rinseMinutesLimit())
                : task;
    }

    private boolean rinsedWithFluid(Way.Slot slot) {
        return slot.doing() == Doing.ON_FLUID || !route.rinsesFluidOut() && terms.follows(School.RINSE_WITH, "fluid");
    }

    private RinseStage stage(Way.Stage stage, Way.Slot slot) {
        double capacity = stage.reach().stream()
                .filter(slot.before()::has)
                .mapToDouble(kind -> slot.before().vessel(kind).capacity().mL())
                .sum();
        var most = stage.reach().stream()
                .filter(slot.before()::has)
                .map(kind -> slot.before().vessel(kind))
                .map(v -> v.capacity().over(v.heel()))
                .reduce(Millilitres.ZERO, Millilitres::plus);
        return new RinseStage(
                stage.name(),
                stage.reach(),
                Millilitres.rounded(Math.max(1, WETTING * capacity)).min(most),
                terms.maxRinses(),
                terms.minutesPerRinse(),
                most,
                Millilitres.ZERO);
    }

    /** mL until the outlet is as clean as was asked for. */
    private double through(Way.Slot slot, Rinses.Found found, double target) {
        double[] volumes = volumes(slot.after());
        return FlowThrough.untilOutletBelow(volumes, charged(slot, found, volumes), target);
    }

    private int sheets(double through) {
        var draws = job.profile().draws();
        return terms.follows(School.HEAD_AT_CHANGEOVER, "no")
                ? 1
                : Math.max(1, (int)
                        Math.ceil((through - way.loss().mL()) / draws.sheet().mL()));
    }

    /** Shares of old ink in the path once it is full. */
    private double[] charged(Way.Slot slot, Rinses.Found found, double[] volumes) {
        double[] heels = heels(slot);
        double[] shares = ones(heels.length);
        for (var stage : found.stages()) {
            int[] reach = reach(slot.after(), stage.stage().reach());
            for (int i = 0; i < stage.count(); i++) {
                Dilution.rinse(heels, shares, reach, stage.volume().mL(), 0);
            }
            Dilution.rinse(heels, shares, reach, stage.chaser().mL(), 0);
        }
        for (int i = 0; i < shares.length; i++) {
            shares[i] = shares[i] * heels[i] / volumes[i];
        }
        return shares;
    }

    /** Old-ink share of the charged path; where the head is left to the flow, once the flow has washed it. */
    private double residue(Way.Slot slot, Rinses.Found found, double through) {
        if (!route.washesHead(job)) {
            return found.residue();
        }
        double[] volumes = volumes(slot.after());
        double[] shares = FlowThrough.after(
                volumes,
                charged(slot, found, volumes),
                Math.max(through, way.loss().mL()));
        double old = 0;
        for (int i = 0; i < shares.length; i++) {
            old += shares[i] * volumes[i];
        }
        return old / slot.after().capacity().mL();
    }

    /** Fluid's share of the charged path: it enters with every rinse, and the chaser takes it out. */
    private double fluidLeft(Way.Slot slot, Rinses.Found found) {
        if (route.rinsesFluidOut()) {
            return found.residue(); // what was there before is fluid
        }
        if (!rinsedWithFluid(slot)) {
            return 0;
        }
        double[] heels = heels(slot);
        double[] shares = new double[heels.length];
        for (var stage : found.stages()) {
            int[] reach = reach(slot.after(), stage.stage().reach());
            for (int i = 0; i < stage.count(); i++) {
                Dilution.rinse(heels, shares, reach, stage.volume().mL(), 1);
            }
            if (stage.count() > 0) {
                Dilution.rinse(heels, shares, reach, stage.chaser().mL(), 0);
            }
        }
        return Dilution.residue(heels, shares, slot.after().capacity().mL());
    }

    private ChannelPlan fill(Way.Slot slot, Build build, Rinses.Found found) {
        var draws = job.profile().draws();
        boolean dirty = build.inked() || way.onStarters();
        double through = dirty ? through(slot, found, build.target()) : 0;
        int sheets = dirty ? sheets(through) : 1;
        double drainedOnly = dirty ? drainedOnly(slot) : 0;
        var fill = slot.after()
                .first()
                .capacity()
                .minus(left(slot, slot.after().first().kind()));
        var topUp = behindTheFirst(slot).plus(way.loss());
        var chaser = ChannelPlan.sum(
                found.stages().stream().map(Rinses.Stage::chaser).toList());
        var needed = fill.plus(topUp)
                .plus(chaser)
                .plus(rinsedWithFluid(slot) ? Millilitres.ZERO : found.liquid())
                .plus(commissioning(draws, sheets))
                .plus(terms.reserve());
        double residue = dirty ? residue(slot, found, through) : 0;
        return plan(
                slot,
                found,
                drainedOnly,
                residue,
                fluidLeft(slot, found),
                fill,
                Millilitres.ZERO,
                topUp,
                through,
                sheets,
                needed);
    }

    private ChannelPlan onFluid(Way.Slot slot, Rinses.Found found) {
        var first = slot.after().first();
        var tank = first.kind() == VesselKind.CARTRIDGE
                ? first.capacity()
                : Millilitres.rounded(first.capacity().mL() * FLUID_AT_REST);
        return plan(
                slot,
                found,
                0,
                found.residue(),
                1,
                Millilitres.ZERO,
                tank.plus(behindTheFirst(slot)),
                Millilitres.ZERO,
                0,
                0,
                Millilitres.ZERO);
    }

    /** mL that fill the path behind its first vessel. */
    private Millilitres behindTheFirst(Way.Slot slot) {
        return ChannelPlan.sum(slot.after().path().stream()
                .skip(1)
                .map(v -> v.capacity().minus(left(slot, v.kind()).min(v.capacity())))
                .toList());
    }

    private ChannelPlan keep(Way.Slot slot) {
        var first = slot.after().first();
        var room = first.capacity()
                .over(job.now(slot.before().code()).level(first.kind()))
                .plus(way.loss());
        var needed = room.plus(commissioning(job.profile().draws(), 1)).plus(terms.reserve());
        return plan(
                slot,
                new Rinses.Found(List.of(), 0, 0),
                0,
                0,
                0,
                Millilitres.ZERO,
                Millilitres.ZERO,
                room,
                0,
                1,
                needed);
    }

    private ChannelPlan plan(
            Way.Slot slot,
            Rinses.Found found,
            double drainedOnly,
            double residue,
            double fluidLeft,
            Millilitres fill,
            Millilitres rests,
            Millilitres topUp,
            double through,
            int sheets,
            Millilitres needed) {
        var now = job.now(slot.before().code());
        boolean works = slot.doing() != Doing.KEEP && inked(slot);
        var pulls = Pulls.of(works ? free(slot, now, way.drains()) : Millilitres.ZERO, terms.largest());
        var damper = works ? free(slot, now, way.drips()) : Millilitres.ZERO;
        boolean ink = slot.doing() != Doing.ON_FLUID;
        var reserve = ink ? terms.reserve() : Millilitres.ZERO;
        var shelf = ink ? job.stock().ink().getOrDefault(slot.after().code(), Millilitres.ZERO) : Millilitres.ZERO;
        var to = switch (slot.doing()) {
            case FILL -> job.family().label();
            case KEEP -> job.family().label() + ", as it is";
            case ON_FLUID -> "on fluid";
        };
        return new ChannelPlan(
                slot.before().code(),
                slot.after().code(),
                slot.doing(),
                now.holding().label(),
                to,
                ChannelPlan.sum(List.copyOf(now.levels().values())),
                pulls,
                damper,
                found.stages(),
                drainedOnly,
                residue,
                fluidLeft,
                fill,
                rests,
                ink ? way.loss() : Millilitres.ZERO,
                topUp,
                through,
                sheets,
                ink ? commissioning(job.profile().draws(), sheets) : Millilitres.ZERO,
                reserve,
                needed,
                shelf,
                Bottles.cheapest(needed.over(shelf), terms.inks().of(job.family())));
    }

    private double drainedOnly(Way.Slot slot) {
        double[] heels = heels(slot);
        return Dilution.residue(
                heels, ones(heels.length), slot.after().capacity().mL());
    }

    /** mL through a path that was filled without rinsing, until its outlet is clean. */
    double throughUnrinsed(ChannelPlan plan) {
        var slot = way.slots().stream()
                .filter(s -> s.before().code().equals(plan.before()))
                .findFirst()
                .orElseThrow();
        var build = new Build(scrubbed(slot, false), List.of(), slot.doing(), target(slot), true);
        return unrinsed.computeIfAbsent(build, _ -> through(slot, new Rinses.Found(List.of(), 0, 0), build.target()));
    }

    private double[] heels(Way.Slot slot) {
        var path = slot.after().path();
        double[] heels = new double[path.size()];
        for (int i = 0; i < heels.length; i++) {
            heels[i] =
                    left(slot, path.get(i).kind()).min(path.get(i).capacity()).mL();
        }
        return heels;
    }

    private static double[] volumes(Channel channel) {
        double[] volumes = new double[channel.path().size()];
        for (int i = 0; i < volumes.length; i++) {
            volumes[i] = channel.path().get(i).capacity().mL();
        }
        return volumes;
    }

    /** Three nozzle checks, an alignment page of about two, a proof, and the sheets. */
    private static Millilitres commissioning(fairkettle.machine.Profile.Draws draws, int sheets) {
        return draws.nozzleCheck()
                .times(5)
                .plus(draws.healthSheet())
                .plus(draws.sheet().times(sheets));
    }

    private static Millilitres free(Way.Slot slot, Job.Now now, Set<VesselKind> kinds) {
        return ChannelPlan.sum(kinds.stream()
                .filter(slot.before()::has)
                .map(kind -> now.level(kind).over(slot.before().vessel(kind).heel()))
                .toList());
    }

    private static double[] ones(int length) {
        double[] ones = new double[length];
        java.util.Arrays.fill(ones, 1);
        return ones;
    }

    private static int[] reach(Channel channel, List<VesselKind> reach) {
        return reach.stream()
                .filter(channel::has)
                .mapToInt(kind -> channel.path().indexOf(channel.vessel(kind)))
                .sorted()
                .toArray();
    }
}
