package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import fairkettle.machine.Handling;
import fairkettle.procedure.CardAct.BeginWait;
import fairkettle.procedure.CardAct.Enter;
import fairkettle.procedure.CardAct.Fail;
import fairkettle.procedure.CardAct.Finish;
import fairkettle.procedure.CardAct.Skip;
import fairkettle.procedure.CardAct.Strike;
import fairkettle.procedure.Outcome.Reason;
import fairkettle.procedure.Outcome.Refused;
import fairkettle.procedure.Outcome.Went;
import fairkettle.procedure.StepRun.Status;
import fairkettle.safety.Caution;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A procedure being carried out: a state machine without a clock or a memory of its own. Every act gives a new card or
 * a refusal with its reasons; the same act twice is done once.
 *
 * @param start the machine's state when the card was made
 * @param runs the steps in order, with those that branches brought in
 * @param done ids of the steps done, in the order in which they were
 * @param branches how often each branch was taken, by "step/branch"
 */
public record Card(List<Condition> start, List<StepRun> runs, List<String> done, Map<String, Integer> branches) {

    private static final int LONGEST_AGO = 24 * 60; // minutes

    public Card {
        start = List.copyOf(start);
        runs = List.copyOf(runs);
        done = List.copyOf(done);
        branches = Map.copyOf(branches);
    }

    public static Card of(Procedure procedure, Instant now) {
        return new Card(
                        procedure.start(),
                        procedure.steps().stream().map(StepRun::open).toList(),
                        List.of(),
                        Map.of())
                .withNextOpened(now);
    }

    /** The first step that is neither done nor skipped; empty when the card is finished. */
    public Optional<StepRun> next() {
        return runs.stream().filter(StepRun::isOpen).findFirst();
    }

    public boolean finished() {
        return next().isEmpty();
    }

    /** @throws IllegalArgumentException if there is no such step */
    public StepRun run(String step) {
        for (var run : runs) { // why no stream: a card is asked for its steps all the time
            if (run.step().id().equals(step)) {
                return run;
            }
        }
        throw new IllegalArgumentException("The card has no step (%s).".formatted(step));
    }

    /** The machine's state: the start, and the effects of what was done in its order. */
    public MachineState state() {
        return stateAfter(done);
    }

    private MachineState stateAfter(List<String> steps) {
        var effects = new HashMap<String, List<Condition>>();
        runs.forEach(r -> effects.put(r.step().id(), r.step().effects()));
        return MachineState.USUAL
                .with(start)
                .withAll(steps.stream()
                        .map(id -> effects.getOrDefault(id, List.of()))
                        .toList());
    }

    /** What stands in the way of a step, each with the step that would bring it about. */
    public List<Reason> missing(String step) {
        return missing(step, state());
    }

    /** @param state the card's {@link #state}, for asking about many steps at once */
    public List<Reason> missing(String step, MachineState state) {
        var reasons = new ArrayList<Reason>();
        for (var need : state.missing(run(step).step().needs())) {
            var remedy = remedy(need, step);
            reasons.add(new Reason(
                    sentence(need.asNeed())
                            + remedy.map(r -> ": first “" + r.title() + "”.").orElse("."),
                    null,
                    remedy.map(Step::id).orElse(null)));
        }
        holdBefore(step)
                .ifPresent(hold -> reasons.add(
                        new Reason("A hold stands before it: first “%s”.".formatted(hold.title()), null, hold.id())));
        return reasons;
    }

    /** A hold that is not passed: nothing that comes after it is done before it. */
    private Optional<Step> holdBefore(String step) {
        return runs.stream()
                .takeWhile(r -> !r.step().id().equals(step))
                .filter(r -> r.isOpen() && r.step().hold() != null)
                .map(StepRun::step)
                .findFirst();
    }

    private Optional<Step> remedy(Condition need, String step) {
        return runs.stream()
                .filter(r -> r.status() != Status.DONE && !r.step().id().equals(step))
                .map(StepRun::step)
                .filter(s -> s.effects().contains(need))
                .findFirst();
    }

    /** The lot chosen for a channel, the last time a step asked for it; 0 if none was. */
    public long lotOf(ChannelCode channel) {
        return runs.stream()
                .filter(r -> r.step().ask() instanceof Ask.Lots)
                .flatMap(r -> r.entry(channel.code()).stream())
                .mapToLong(Long::parseLong)
                .reduce(0, (_, later) -> later);
    }

    /** Whether parts of the machine have been exchanged already, so that it has its new paths. */
    public boolean refitted() {
        return runs.stream().map(StepRun::step).anyMatch(s -> s.move() instanceof Move.Refit && done.contains(s.id()));
    }

    /** Carries out an act. */
    public Outcome after(CardAct act, Surroundings around, String who, Instant now) {
        var run = runs.stream().filter(r -> r.step().id().equals(act.step())).findFirst();
        if (run.isEmpty()) {
            return Refused.because("The card has no such step (%s). Load the card again.".formatted(act.step()), null);
        }
        return switch (act) {
            case Enter enter -> enter(run.get(), enter, around, now);
            case Finish finish -> finish(run.get(), finish, around, who, now);
            case Skip skip -> skip(run.get(), skip, who, now);
            case Fail fail -> fail(run.get(), fail, now);
            case BeginWait begin -> beginWait(run.get(), begin.minutesAgo(), around, now);
            case Strike _ -> strike(run.get());
            case CardAct.StopWait _ ->
                run.get().isOpen() && run.get().waitStarted() != null
                        ? new Went(with(run.get().notWaiting()), true)
                        : new Went(this, false);
            case CardAct.TakeBack back -> takeBack(run.get(), back, now);
        };
    }

    private Outcome enter(StepRun run, Enter enter, Surroundings around, Instant now) {
        if (run.status() == Status.DONE) {
            return run.entry(enter.cell()).orElse("").equals(enter.value())
                    ? new Went(this, false)
                    : Refused.because(
                            "“%s” is done. Strike it out to change what was entered."
                                    .formatted(run.step().title()),
                            enter.cell());
        }
        var problem = Entries.problem(run, enter.cell(), enter.value(), around);
        if (problem.isPresent()) {
            return Refused.because(problem.get(), enter.cell());
        }
        var entered = run.entered(enter.cell(), enter.value());
        return entered.equals(run) ? new Went(this, false) : new Went(with(entered.opened(now)), true);
    }

    private Outcome finish(StepRun run, Finish finish, Surroundings around, String who, Instant now) {
        if (run.status() == Status.DONE) {
            return new Went(this, false);
        }
        var reasons = new ArrayList<>(missing(run.step().id()));
        reasons.addAll(Entries.missing(run, around, finish.accept(), this::run));
        waitReason(run, finish.accept(), now).ifPresent(reasons::add);
        padReason(run.step(), around).ifPresent(reasons::add);
        fireReason(run, around).ifPresent(reasons::add);
        if (!reasons.isEmpty()) {
            return new Refused(reasons);
        }
        var closed = with(run.closed(Status.DONE, now, who, finish.accept()));
        var order = new ArrayList<>(done);
        order.add(run.step().id());
        return new Went(new Card(start, closed.runs, order, branches).withNextOpened(now), true);
    }

    /**
     * Steps that nobody has touched, as they are told now: what was taught is said at once. Those that rest on a kit
     * come and go with its parts, as far as the work has not gone past them.
     */
    public Card retold(List<Step> others) {
        if (others.isEmpty()) {
            return this;
        }
        var told = new ArrayList<StepRun>();
        for (var run : runs) {
            var other =
                    others.stream().filter(o -> o.id().equals(run.step().id())).findFirst();
            boolean open = run.isOpen() && run.entries().isEmpty();
            if (!open || run.step().restsOn().isEmpty()) {
                told.add(run);
            } else if (other.isPresent()) {
                told.add(ofKit(run.step()) ? run.replacedBy(other.get()) : run.toldAs(other.get()));
            } else if (!ofKit(run.step())) {
                told.add(run);
            }
        }
        for (int i = 0; i < others.size(); i++) {
            if (ofKit(others.get(i)) && at(told, others.get(i)) < 0) {
                place(told, others, i);
            }
        }
        return new Card(start, told, done, branches);
    }

    private static boolean ofKit(Step step) {
        return step.restsOn().contains(Handling.Matter.KIT);
    }

    private static int at(List<StepRun> runs, Step step) {
        for (int i = 0; i < runs.size(); i++) {
            if (runs.get(i).step().id().equals(step.id())) {
                return i;
            }
        }
        return -1;
    }

    /** Before the step that follows it, unless that was done. */
    private static void place(List<StepRun> told, List<Step> others, int which) {
        for (var follower : others.subList(which + 1, others.size())) {
            int at = at(told, follower);
            if (at >= 0) {
                if (told.get(at).isOpen()) {
                    told.add(at, StepRun.open(others.get(which)));
                }
                return;
            }
        }
    }

    /** A machine knows better than a table when it is done; a rest is over when it is over. */
    private static Optional<Reason> waitReason(StepRun run, @Nullable String accept, Instant now) {
        var wait = run.step().pause();
        if (wait == null) {
            return Optional.empty();
        }
        if (run.waitStarted() == null) {
            return Optional.of(new Reason("Start the wait first: %s.".formatted(wait.label()), null, null));
        }
        var over = run.waitOver().orElseThrow();
        if (!now.isBefore(over) || wait.machine() && accept != null) {
            return Optional.empty();
        }
        var left = Duration.between(now, over);
        return Optional.of(
                new Reason("%s: %s to go.".formatted(sentence(wait.label()), Pause.words(left)), null, null));
    }

    /** A cleaning that would overflow the pad is refused before it is begun. */
    private static Optional<Reason> padReason(Step step, Surroundings around) {
        var waste = padWaste(step.move());
        return waste.isZero() || waste.compareTo(around.padRoom()) <= 0
                ? Optional.empty()
                : Optional.of(new Reason(
                        "This puts %s mL into the waste pad, which has room for %s mL. Change the pad first, and say so on the machine's page."
                                .formatted(waste, around.padRoom()),
                        null,
                        null));
    }

    /** Alcohol and heat are never open in one room; the step that was open first goes first. */
    private static Optional<Reason> fireReason(StepRun run, Surroundings around) {
        if (!run.step().cautions().contains(Caution.SOLVENT)
                && !run.step().cautions().contains(Caution.HEAT)) {
            return Optional.empty(); // no need to look at every other card
        }
        return around.beside().stream()
                .filter(other -> clash(run.step().cautions(), other.cautions())
                        && run.openedAt() != null
                        && other.since().isBefore(run.openedAt()))
                .findFirst()
                .map(other -> new Reason(
                        "%s is at “%s”. Alcohol and heat are never open in one room: finish that first."
                                .formatted(other.machine(), other.step()),
                        null,
                        null));
    }

    private static boolean clash(List<Caution> some, List<Caution> others) {
        return some.contains(Caution.SOLVENT) && others.contains(Caution.HEAT)
                || some.contains(Caution.HEAT) && others.contains(Caution.SOLVENT);
    }

    /** What a step puts into the machine's own pad. */
    public static Millilitres padWaste(Move move) {
        return switch (move) {
            case Move.Charge(var channels, var loss) -> loss.times(channels.size());
            case Move.Clean(var channels, var each) -> each.times(channels.size());
            case Move.Nothing _,
                    Move.Draw _,
                    Move.DrawBack _,
                    Move.Rinse _,
                    Move.Pour _,
                    Move.PourOnTray _,
                    Move.DrawOnTray _,
                    Move.PrimeOnTray _,
                    Move.Prime _,
                    Move.PourFluid _,
                    Move.Supplied _,
                    Move.Refit _,
                    Move.Spoil _,
                    Move.Print _,
                    Move.Reading _ -> Millilitres.ZERO;
        };
    }

    private Outcome skip(StepRun run, Skip skip, String who, Instant now) {
        if (run.status() == Status.SKIPPED) {
            return new Went(this, false);
        }
        if (run.status() == Status.DONE) {
            return Refused.because("“%s” is already done.".formatted(run.step().title()), null);
        }
        if (!run.step().skippable()) {
            return Refused.because(
                    run.step().hold() != null
                            ? "This is a hold point: it cannot be skipped. "
                                    + run.step().hold()
                            : "“%s” cannot be skipped: later steps stand on it."
                                    .formatted(run.step().title()),
                    null);
        }
        if (skip.reason().isBlank()) {
            return Refused.because("Say in a word why it is skipped, so that the next person knows.", "reason");
        }
        return new Went(
                with(run.closed(Status.SKIPPED, now, who, skip.reason().strip()))
                        .withNextOpened(now),
                true);
    }

    private Outcome fail(StepRun run, Fail fail, Instant now) {
        var branch = run.step().branches().stream()
                .filter(b -> b.id().equals(fail.branch()))
                .findFirst();
        if (branch.isEmpty()) {
            return Refused.because(
                    "“%s” has no branch (%s).".formatted(run.step().title(), fail.branch()), null);
        }
        if (run.status() == Status.DONE) {
            return Refused.because(
                    "“%s” is done. Strike it out first.".formatted(run.step().title()), null);
        }
        if (branch.get().stops()) {
            return new Outcome.Stopped(branch.get().atLimit());
        }
        var key = run.step().id() + "/" + fail.branch();
        int taken = branches.getOrDefault(key, 0);
        int at = runs.indexOf(run);
        boolean underWay = at > 0
                && runs.subList(0, at).stream()
                        .anyMatch(r -> r.isOpen() && r.step().id().startsWith(key + "~" + taken + "/"));
        if (underWay) {
            return new Went(this, false); // a second tap on the same button, or the other tablet was faster
        }
        if (taken >= branch.get().limit()) {
            return Refused.because(branch.get().atLimit(), null);
        }
        var all = new ArrayList<>(runs);
        all.set(
                at,
                run.step().move() instanceof Move.Nothing || run.step().ask() instanceof Ask.Comb
                        ? StepRun.open(run.step())
                        : run);
        int index = at;
        var prefix = key + "~" + (taken + 1) + "/";
        var within = branch.get().steps().stream().map(Step::id).toList();
        for (var step : branch.get().steps()) {
            all.add(index++, StepRun.open(step.within(prefix, within)));
        }
        var counts = new HashMap<>(branches);
        counts.put(key, taken + 1);
        return new Went(new Card(start, all, done, counts).withNextOpened(now), true);
    }

    private Outcome beginWait(StepRun run, int minutesAgo, Surroundings around, Instant now) {
        if (run.waitStarted() != null) {
            return new Went(this, false);
        }
        if (run.step().pause() == null || !run.isOpen()) {
            return Refused.because(
                    "“%s” has nothing to wait for.".formatted(run.step().title()), null);
        }
        var missing = new ArrayList<>(missing(run.step().id()));
        padReason(run.step(), around).ifPresent(missing::add);
        fireReason(run, around).ifPresent(missing::add);
        if (minutesAgo < 0 || minutesAgo > LONGEST_AGO) {
            return Refused.because("It began up to a day ago: say how many minutes.", null);
        }
        var since = now.minus(Duration.ofMinutes(minutesAgo));
        return missing.isEmpty() ? new Went(with(run.opened(now).waiting(since)), true) : new Refused(missing);
    }

    private Outcome strike(StepRun run) {
        if (run.isOpen()) {
            return new Went(this, false);
        }
        if (run.status() == Status.DONE) {
            int at = done.indexOf(run.step().id());
            var kept = new ArrayList<>(done.subList(0, at));
            for (var later : done.subList(at + 1, done.size())) {
                if (run.step().hold() != null && runs.indexOf(run(later)) > runs.indexOf(run)) {
                    return new Refused(List.of(new Reason(
                            "“%s” was done behind this hold. Strike that out first."
                                    .formatted(run(later).step().title()),
                            null,
                            later)));
                }
                var gone = stateAfter(kept).missing(run(later).step().needs());
                if (!gone.isEmpty()) {
                    return new Refused(List.of(new Reason(
                            "“%s” was done after it and stands on it. Strike that out first."
                                    .formatted(run(later).step().title()),
                            null,
                            later)));
                }
                kept.add(later);
            }
            return new Went(new Card(start, with(run.reopened()).runs, kept, branches).onlyNextOpened(), true);
        }
        return new Went(with(run.reopened()).onlyNextOpened(), true);
    }

    private Outcome takeBack(StepRun run, CardAct.TakeBack back, Instant now) {
        var key = run.step().id() + "/" + back.branch();
        int taken = branches.getOrDefault(key, 0);
        if (taken == 0) {
            return new Went(this, false);
        }
        var brought = key + "~" + taken + "/";
        var gone = runs.stream().filter(r -> r.step().id().startsWith(brought)).toList();
        var done = gone.stream().filter(r -> !r.isOpen()).findFirst();
        if (done.isPresent()) {
            return new Refused(List.of(new Reason(
                    "“%s” came with it and is done already. Strike that out first."
                            .formatted(done.get().step().title()),
                    null,
                    done.get().step().id())));
        }
        if (!run.isOpen()) {
            return Refused.because(
                    "“%s” was done after all. Strike that out first."
                            .formatted(run.step().title()),
                    null);
        }
        var all = new ArrayList<StepRun>();
        for (var r : runs) {
            if (!gone.contains(r)) {
                all.add(r.equals(run) ? run.as(back.was()) : r);
            }
        }
        var counts = new HashMap<>(branches);
        counts.computeIfPresent(key, (_, count) -> count == 1 ? null : count - 1);
        return new Went(new Card(start, all, this.done, counts).onlyNextOpened().withNextOpened(now), true);
    }

    /** A step that became the next thing to do only because of what is struck out now is not begun. */
    private Card onlyNextOpened() {
        var next = next().map(r -> r.step().id()).orElse("");
        return new Card(
                start,
                runs.stream()
                        .map(r -> r.isOpen() && !r.step().id().equals(next) && r.untouched() ? r.unopened() : r)
                        .toList(),
                done,
                branches);
    }

    private Card with(StepRun changed) {
        return new Card(
                start,
                runs.stream()
                        .map(r -> r.step().id().equals(changed.step().id()) ? changed : r)
                        .toList(),
                done,
                branches);
    }

    private Card withNextOpened(Instant now) {
        return next().map(run -> with(run.opened(now))).orElse(this);
    }

    private static String sentence(@Nullable String text) {
        return text == null || text.isEmpty() ? "" : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
