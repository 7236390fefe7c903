package fairkettle.changeover;

import fairkettle.changeover.ChannelPlan.Doing;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Architecture;
import fairkettle.machine.Chips;
import fairkettle.machine.Feed;
import fairkettle.machine.Handling;
import fairkettle.machine.Profile;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Ask.Column;
import fairkettle.procedure.Ask.ColumnKind;
import fairkettle.procedure.Condition;
import fairkettle.procedure.Facet;
import fairkettle.procedure.Procedure;
import fairkettle.safety.School;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import java.util.stream.IntStream;

/**
 * What the parts of a route are made from: the job, how the shop does it, and the quantities. Order is not written
 * anywhere: it follows from what steps need, and the proof holds the routes to it.
 */
final class Work {

    final Job job;
    final Terms terms;
    final Route route;
    final Way way;
    final Profile before;
    final Profile after;
    final List<ChannelPlan> plans;
    /** Channels that hold ink of the target afterwards: filled, or kept as they are. */
    final List<ChannelPlan> inked;
    /** Channels that get new ink. */
    final List<ChannelPlan> filled;
    /** Channels that are emptied and left on fluid. */
    final List<ChannelPlan> onFluid;
    /** Channels out of which something comes. */
    final List<ChannelPlan> drained;

    Work(Job job, Terms terms, Route route, Way way, List<ChannelPlan> plans) {
        this.job = job;
        this.terms = terms;
        this.route = route;
        this.way = way;
        this.before = job.profile();
        this.after = job.built().fitted(way.fit());
        this.plans = plans;
        this.inked = plans.stream().filter(p -> p.doing() != Doing.ON_FLUID).toList();
        this.filled = plans.stream().filter(ChannelPlan::filled).toList();
        this.onFluid = plans.stream().filter(p -> p.doing() == Doing.ON_FLUID).toList();
        this.drained = way.drains().isEmpty()
                ? List.of()
                : plans.stream()
                        .filter(p ->
                                p.doing() != Doing.KEEP && !(job.holding(p.before()) instanceof Holding.NeverInked))
                        .toList();
    }

    /** The maker's own ink in the maker's own vessels: only that leaves the warranty alone. */
    boolean asTheMakerMeantIt() {
        return family().makers() && (way.fit().feed() == Feed.AS_BUILT || route.suppliesCartridges(job));
    }

    /** The route's beginning: what is agreed to, and what lies ready. */
    Procedure.Builder begin(boolean fromTheBox) {
        var route = new Procedure.Builder().part("Before you begin", Beginning.agree(this));
        if (fromTheBox) {
            route.part("Unpack", Beginning.unpack(this));
        }
        return route.part("Prepare", Beginning.prepare(this));
    }

    /** The state that the machine is in when the card is made. */
    List<Condition> start() {
        var start = new ArrayList<Condition>();
        if (job.warrantyAcknowledged() || asTheMakerMeantIt() || route == Route.PARK) {
            start.add(Condition.that(Facet.WARRANTY, "acknowledged"));
        }
        if (off()) {
            start.add(Condition.that(Facet.POWER, "unplugged"));
        }
        if (job.neverInked()) {
            start.add(Condition.that(Facet.TRANSIT, "in place"));
            if (job.profile().headsByUser()) {
                start.add(Condition.that(Facet.HEADS, "out"));
            }
        } else {
            start.add(Condition.that(Facet.INITIALISED, "made"));
        }
        if (job.fit().chips() == Chips.IGNORED) {
            start.add(Condition.that(Facet.FIRMWARE, "ignoring chips"));
            start.add(Condition.that(Facet.CODE, "stored"));
        }
        for (var plan : plans) {
            boolean clean = drained.stream().noneMatch(d -> d.before().equals(plan.before()));
            if (clean) { // why: nothing to draw, so the path counts as rinsed; filling starts here
                start.add(Condition.that(Facet.TANK, plan.before(), "chased"));
                start.add(Condition.that(Facet.DAMPER, plan.before(), "chased"));
            }
            if (plan.doing() == Doing.KEEP) {
                start.add(Condition.that(Facet.FILL, plan.code(), "filled"));
            }
            if (job.neverInked()) {
                start.add(Condition.that(Facet.OLD_CARTRIDGE, plan.before(), "stored"));
            }
            if (before.architecture() == Architecture.BULK) {
                start.add(Condition.that(Facet.CARTRIDGE, plan.before(), "clicked in"));
            }
        }
        return start;
    }

    Family family() {
        return job.family();
    }

    /** Ink comes, or goes, in cartridges that ride on the carriage. */
    boolean cartridges() {
        return before.architecture() == Architecture.CARTRIDGE;
    }

    /** How hands get at it, its carriage freed as the shop does it. */
    Handling handling() {
        return terms.freed(job.profile()).handling();
    }

    /** The carriage only comes off its dock under power, and the machine has none. */
    boolean wantsPowerToOpen() {
        return off() && handling().freeing().underPower();
    }

    /** The head has met ink: off its dock it dries. */
    boolean headWet() {
        return !job.neverInked() || way.onStarters();
    }

    /** Without power: in its box still, or at rest. */
    boolean off() {
        return job.neverInked() || job.parked();
    }

    boolean snapIn() {
        return before.architecture() == Architecture.SNAP_IN;
    }

    /** Old ink, or the ink of a first start, is washed out by what follows. */
    boolean dirty() {
        return plans.stream().anyMatch(p -> p.drainedOnly() > 0);
    }

    boolean powerFirst() {
        return switch (terms.position(School.FILL_OR_POWER).id()) {
            case "fill" -> false;
            case "power" -> true;
            default -> job.profile().handling().powerFirst();
        };
    }

    boolean patches() {
        return way.chips() == Chips.IGNORED && job.fit().chips() != Chips.IGNORED;
    }

    /** Screws come out. */
    boolean opensCovers() {
        return !cartridges() && before.architecture() != Architecture.BULK && !job.neverInked()
                || route == Route.FILM_REBUILD;
    }

    /** What lies behind the tubes: dampers, or heads that the user snaps in. */
    String outlets() {
        return snapIn() ? "heads" : "dampers";
    }

    static List<ChannelCode> codes(List<ChannelPlan> plans) {
        return plans.stream().map(ChannelPlan::code).toList();
    }

    static List<ChannelCode> codesBefore(List<ChannelPlan> plans) {
        return plans.stream().map(ChannelPlan::before).toList();
    }

    /** From the middle outward: an outer damper that comes off first bends its neighbour. */
    static List<ChannelCode> middleFirst(List<ChannelCode> row) {
        double middle = (row.size() - 1) / 2.0;
        return IntStream.range(0, row.size())
                .boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> Math.abs(i - middle))
                        .thenComparing(i -> i))
                .map(row::get)
                .toList();
    }

    /** Channels by the codes that their slots carry afterwards. */
    static Ask.Grid grid(List<ChannelPlan> plans, List<Column> columns) {
        return new Ask.Grid(codes(plans), columns);
    }

    /** Channels by the codes that their slots carry now. */
    static Ask.Grid gridBefore(List<ChannelPlan> plans, List<Column> columns) {
        return new Ask.Grid(codesBefore(plans), columns);
    }

    static Column volumes(String label, List<ChannelPlan> plans, Function<ChannelPlan, Millilitres> expected) {
        return new Column(label, ColumnKind.VOLUME, plans.stream().map(expected).toList());
    }

    static Column ticks(String label) {
        return new Column(label, ColumnKind.TICK, List.of());
    }

    /** Which syringe of the shop’s each channel gets. */
    static Column tools() {
        return new Column("which one", ColumnKind.TOOL, List.of());
    }

    /** The code on the bottle, read before its cap is opened. */
    static Column code() {
        return new Column("code on the bottle", ColumnKind.CODE, List.of());
    }
}
