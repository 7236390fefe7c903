package fairkettle.clinic;

import static fairkettle.clinic.Treatment.AGITATE;
import static fairkettle.clinic.Treatment.CLEANING;
import static fairkettle.clinic.Treatment.DRAW_AT_CARTRIDGE;
import static fairkettle.clinic.Treatment.DRAW_AT_INLET;
import static fairkettle.clinic.Treatment.DRAW_AT_WASTE_LINE;
import static fairkettle.clinic.Treatment.FLUSH_CAP;
import static fairkettle.clinic.Treatment.FLUSH_LINE;
import static fairkettle.clinic.Treatment.HEAD_OUT;
import static fairkettle.clinic.Treatment.LOOK_AGAIN;
import static fairkettle.clinic.Treatment.NEW_CAP;
import static fairkettle.clinic.Treatment.NEW_DAMPER;
import static fairkettle.clinic.Treatment.POWER_CLEANING;
import static fairkettle.clinic.Treatment.PURGE_SHEET;
import static fairkettle.clinic.Treatment.PUSH_AT_VENT;
import static fairkettle.clinic.Treatment.RENEW;
import static fairkettle.clinic.Treatment.REST_LONG;
import static fairkettle.clinic.Treatment.REST_SHORT;
import static fairkettle.clinic.Treatment.SOAK;
import static fairkettle.clinic.Treatment.SOAK_OVERNIGHT;
import static fairkettle.clinic.Treatment.WIPE;

import fairkettle.clinic.Advice.Next;
import fairkettle.clinic.Advice.Other;
import fairkettle.clinic.Advice.Outlook;
import fairkettle.clinic.Advice.Question;
import fairkettle.clinic.Advice.Reason;
import fairkettle.clinic.Hidden.Air;
import fairkettle.clinic.Hidden.Cap;
import fairkettle.clinic.Hidden.Colour;
import fairkettle.clinic.Hidden.Feed;
import fairkettle.clinic.Hidden.Nozzle;
import fairkettle.ink.ChannelCode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Chooses the next step by least expected cost until the machine is fit. It imagines a few dozen machines that the
 * evidence allows, tries a step on each, sorts them by what the next check would show, and goes on with the best plan
 * for each; a plan is chosen on one half of them and judged on the other, so that luck does not choose. Counted in
 * steps, not in seconds: the same case gets the same advice.
 */
public final class Advisor {

    private static final int MACHINES = 48;
    private static final int CANDIDATES = 6;
    private static final int GOOD_PLANS = 10;
    private static final int BUCKETS = 6;
    private static final int FEW = 6; // members a bucket needs before it may choose a plan of its own
    private static final double RELEVANT = .12;
    private static final double UNSURE = .12;
    /**
     * Share of a new head's price beyond which nothing is tried on mere hope: only what still heals, and what each
     * believed cause is owed.
     */
    private static final double ENOUGH = .45;

    private static final double SURELY = .8;
    private static final int LOOKS_MOST = 3;
    private static final double AGAIN = 30; // what it costs to go on treating, about

    /** Ways on that people take; what the rules or the machine forbid is left out as they are walked. */
    private static final Treatment[][] PLANS = {
        {PURGE_SHEET, PURGE_SHEET},
        {PURGE_SHEET, CLEANING, REST_SHORT, CLEANING},
        {CLEANING, CLEANING, REST_SHORT, CLEANING, CLEANING},
        {CLEANING, PURGE_SHEET, CLEANING},
        {REST_SHORT, PURGE_SHEET, CLEANING},
        {REST_LONG, PURGE_SHEET, CLEANING},
        {SOAK, CLEANING, CLEANING},
        {SOAK, CLEANING, SOAK, CLEANING, REST_SHORT, CLEANING},
        {SOAK_OVERNIGHT, CLEANING, CLEANING},
        {WIPE, PURGE_SHEET, CLEANING},
        {WIPE, CLEANING, SOAK, CLEANING},
        {WIPE, PURGE_SHEET, PURGE_SHEET},
        {FLUSH_CAP, CLEANING, CLEANING},
        {NEW_CAP, CLEANING, SOAK, CLEANING},
        {WIPE, FLUSH_CAP, CLEANING, NEW_CAP, CLEANING},
        {DRAW_AT_CARTRIDGE, PURGE_SHEET, PURGE_SHEET},
        {PUSH_AT_VENT, PURGE_SHEET, PURGE_SHEET},
        {DRAW_AT_WASTE_LINE, PURGE_SHEET},
        {DRAW_AT_WASTE_LINE, DRAW_AT_WASTE_LINE, DRAW_AT_WASTE_LINE},
        {SOAK, DRAW_AT_WASTE_LINE, DRAW_AT_WASTE_LINE},
        {SOAK_OVERNIGHT, DRAW_AT_WASTE_LINE, DRAW_AT_WASTE_LINE},
        {DRAW_AT_INLET, PURGE_SHEET},
        {DRAW_AT_INLET, DRAW_AT_INLET, CLEANING},
        {SOAK, WIPE, CLEANING, DRAW_AT_INLET},
        {NEW_DAMPER, PURGE_SHEET, REST_LONG},
        {NEW_DAMPER, PURGE_SHEET, FLUSH_LINE, PURGE_SHEET, REST_LONG},
        {FLUSH_LINE, PURGE_SHEET, REST_LONG},
        {AGITATE, DRAW_AT_WASTE_LINE, PURGE_SHEET},
        {AGITATE, FLUSH_LINE, PURGE_SHEET},
        {POWER_CLEANING, CLEANING},
        {RENEW, PURGE_SHEET, REST_LONG},
        {HEAD_OUT, CLEANING, CLEANING},
        {LOOK_AGAIN, PURGE_SHEET}
    };

    /** After every plan: what is left when it did not help. */
    private static final Treatment[] AFTERWARDS = {
        SOAK_OVERNIGHT, DRAW_AT_WASTE_LINE, WIPE, DRAW_AT_INLET, NEW_DAMPER, DRAW_AT_INLET
    };

    private final Belief belief;
    private final Progress so;
    private final Situation situation;
    private final Effects effects;
    private final Imagined[] machines;
    private final Imagined scratch;
    private final boolean[] mask = new boolean[Treatment.values().length]; // what the machine and the case allow at all
    private final double stop;
    private final double[][] price; // by act and channels treated
    private final double page;
    private final int powersSoFar;
    private final boolean soaked;
    private final boolean stationed;
    private final boolean pulled;
    private Treatment[][] plans = PLANS; // those worth going on with

    private Advisor(Belief belief, Progress so, long seed) {
        this.belief = belief;
        this.so = so;
        this.situation = belief.situation;
        this.effects = new Effects(belief);
        this.stop = situation.prices().head() * ENOUGH;
        int n = situation.channels().size();
        var pageBad = new boolean[n];
        for (int c = 0; c < n; c++) {
            pageBad[c] = so.pageBad().contains(situation.channels().get(c).code());
        }
        machines = new Imagined[MACHINES];
        for (int i = 0; i < MACHINES; i++) {
            machines[i] =
                    Imagined.of(belief, pageBad, (i * 29 % MACHINES + .5) / MACHINES, seed * 31 + i * 0x5DEECE66DL);
        }
        scratch = new Imagined(n);
        price = new double[Treatment.values().length][n + 1];
        for (var t : Treatment.values()) {
            mask[t.ordinal()] = possible(t);
            for (int i = 0; i <= n; i++) {
                price[t.ordinal()][i] = situation.cost(t, i);
            }
        }
        page = situation.page();
        powersSoFar = so.times(POWER_CLEANING);
        soaked = so.times(SOAK) + so.times(SOAK_OVERNIGHT) > 0;
        stationed = so.times(WIPE) + so.times(FLUSH_CAP) + so.times(NEW_CAP) > 0;
        pulled = so.times(CLEANING) + so.times(DRAW_AT_WASTE_LINE) > 0;
    }

    /** @param seed of the luck it imagines; the same one gives the same advice */
    public static Advice advise(Belief belief, Progress so, long seed) {
        if (so.parted()) {
            return Advice.of(new Next.Stop(Reason.PARTED));
        }
        var other = so.unsolved();
        if (other.isPresent()) {
            return Advice.of(so.nextRemedy(other.get()).<Next>map(Next.Try::new).orElse(new Next.Stop(Reason.NOT_INK)));
        }
        if (so.situation().complaints().stream().noneMatch(Complaint::ink) && !so.lookedOnce()) {
            return Advice.of(new Next.Close(true));
        }
        if (so.lookDue()) {
            return Advice.of(new Next.Look());
        }
        if (belief.position > .5) {
            return Advice.of(
                    so.nextRemedy(Complaint.SHIFTED).<Next>map(Next.Try::new).orElse(new Next.Stop(Reason.NOT_INK)));
        }
        var failing = so.failing();
        if (!so.simpleKnown() && (!failing.isEmpty() || !so.pageGood())) { // why: a page costs ink as well
            return Advice.of(new Next.Simple());
        }
        if (failing.isEmpty() && !so.pageGood()) {
            return Advice.of(new Next.Page());
        }
        var advisor = new Advisor(belief, so, seed);
        if (failing.isEmpty()) {
            return advisor.closing();
        }
        var advice = advisor.treating(failing);
        return ask(belief, so, seed, advice, failing);
    }

    // ---- questions ------------------------------------------------------------------------------------------------

    /** A question, if its answer would change the advice. */
    private static Advice ask(Belief belief, Progress so, long seed, Advice advice, Set<ChannelCode> failing) {
        for (var question : questions(belief, so, failing)) {
            // why one answer alone: the other says little that is not believed already, and every answer costs a whole
            // look ahead
            var telling = new Advisor(
                            belief.with(answer(question, question.question() != Question.WASTE_ROSE)), so, seed)
                    .treating(failing)
                    .next();
            if (!kind(telling).equals(kind(advice.next()))) {
                return new Advice(
                        question, advice.cost(), null, List.of(new Other(advice.next(), 0, advice.outlook())));
            }
        }
        return advice;
    }

    private static Object kind(Next next) {
        return next instanceof Next.Treat(var t, var _) ? t : next.getClass();
    }

    private static Evidence answer(Next.Ask question, boolean yes) {
        var code = question.channel();
        return switch (question.question()) {
            case WASTE_ROSE -> new Evidence.WasteRose(yes);
            case BUBBLES -> new Evidence.Bubbles(java.util.Objects.requireNonNull(code), yes);
            case THREAD -> new Evidence.Thread(java.util.Objects.requireNonNull(code), yes);
            case CRUST -> new Evidence.Crust(java.util.Objects.requireNonNull(code), yes);
        };
    }

    private static List<Next.Ask> questions(Belief belief, Progress so, Set<ChannelCode> failing) {
        var all = new ArrayList<Next.Ask>();
        double bad = 1 - belief.cap(Cap.SOUND);
        if (so.last() != null
                && so.last().cleans()
                && !so.asked(Evidence.WasteRose.class)
                && bad > UNSURE
                && bad < 1 - UNSURE) {
            all.add(new Next.Ask(Question.WASTE_ROSE, null));
        }
        if (!so.asked(Evidence.Bubbles.class) && belief.situation.has(Question.BUBBLES)) {
            failing.stream()
                    .max(Comparator.comparingDouble(c -> belief.air(belief.situation.index(c), Air.LINE)
                            + belief.air(belief.situation.index(c), Air.SMALL)))
                    .filter(c -> between(belief.air(belief.situation.index(c), Air.LINE)
                            + belief.air(belief.situation.index(c), Air.SMALL)))
                    .ifPresent(c -> all.add(new Next.Ask(Question.BUBBLES, c)));
        }
        if (!so.asked(Evidence.Thread.class)) {
            failing.stream()
                    .max(Comparator.comparingDouble(c -> belief.feed(belief.situation.index(c), Feed.GROWTH)))
                    .filter(c -> belief.feed(belief.situation.index(c), Feed.GROWTH) > .08
                            && so.starved().contains(c))
                    .ifPresent(c -> all.add(new Next.Ask(Question.THREAD, c)));
        }
        if (!so.asked(Evidence.Crust.class)) {
            failing.stream()
                    .filter(c -> so.gaps(c) * 2
                            > belief.situation
                                    .channels()
                                    .get(belief.situation.index(c))
                                    .strokes())
                    .max(Comparator.comparingDouble(c -> belief.nozzle(belief.situation.index(c), Nozzle.HARD)))
                    .filter(c -> between(belief.nozzle(belief.situation.index(c), Nozzle.HARD)))
                    .ifPresent(c -> all.add(new Next.Ask(Question.CRUST, c)));
        }
        return all;
    }

    private static boolean between(double p) {
        return p > UNSURE && p < 1 - UNSURE;
    }

    // ---- treating -------------------------------------------------------------------------------------------------

    private boolean possible(Treatment t) {
        return !situation.never().contains(t)
                && situation.builtFor(t)
                && switch (t) {
                    case RENEW ->
                        so.failing().stream()
                                .anyMatch(c -> so.threads().contains(c)
                                        || so.offColour().contains(c));
                    case POWER_CLEANING ->
                        so.times(t) < 2
                                && so.padRoom() > 2 * situation.takes(t, 0).pad();
                    case CLEANING -> so.padRoom() > situation.takes(t, 0).pad();
                    case HEAD_OUT -> so.times(t) == 0 && so.took().toHours() >= 20;
                    case NEW_DAMPER, FLUSH_LINE ->
                        so.failing().stream().anyMatch(c -> !GroundRules.everAgainst(t, c, so));
                    case DRAW_AT_INLET ->
                        !so.gainedByHand() && so.failing().stream().allMatch(c -> so.times(t, c) < 3);
                    default -> true;
                };
    }

    private record Ranked(Treatment[] plan, double cost) {}

    private record Weighed(Next next, double cost, Outlook outlook) {}

    private Advice treating(Set<ChannelCode> failing) {
        var firsts = new EnumMap<Treatment, Double>(Treatment.class);
        var ranked = new ArrayList<Ranked>();
        for (var plan : PLANS) {
            double cost = 0;
            for (int i = 0; i < MACHINES; i += 2) { // why: half of them tell which plans are worth weighing
                scratch.become(machines[i]);
                cost += run(scratch, plan, so.cleaningsInARow(), soaked, stationed, pulled);
            }
            firsts.merge(plan[0], cost, Math::min);
            ranked.add(new Ranked(plan, cost));
        }
        ranked.sort(Comparator.comparingDouble(Ranked::cost));
        plans = ranked.stream().limit(GOOD_PLANS).map(Ranked::plan).toArray(Treatment[][]::new);
        var may = firsts.entrySet().stream()
                .sorted(Map.Entry.comparingByValue())
                .map(Map.Entry::getKey)
                .filter(t -> mask[t.ordinal()] && (!t.rests() || restHelps(t, failing)))
                .flatMap(t -> treat(t, failing).stream())
                .toList();
        var weighed = new ArrayList<Weighed>();
        may.stream().limit(CANDIDATES).forEach(t -> weighed.add(weigh(t)));
        weighed.sort(Comparator.comparingDouble(Weighed::cost));
        if (may.isEmpty() && so.looks() < LOOKS_MOST) { // why: what nothing explains may be the reader’s error
            return Advice.of(new Next.Look());
        }
        if (weighed.isEmpty() || weighed.getFirst().cost() >= stop) {
            var instead = insteadOfStopping(failing, may);
            weighed.removeIf(w -> w.next().equals(instead.next()));
            weighed.addFirst(instead);
        } else {
            weighed.add(stopping(failing));
            weighed.sort(Comparator.comparingDouble(Weighed::cost));
        }
        return chosen(weighed);
    }

    private static Advice chosen(List<Weighed> weighed) {
        var best = weighed.getFirst();
        return new Advice(
                best.next(),
                best.cost(),
                best.outlook(),
                weighed.stream()
                        .skip(1)
                        .map(w -> new Other(w.next(), Math.max(0, w.cost() - best.cost()), w.outlook()))
                        .toList());
    }

    private Weighed stopping(Set<ChannelCode> failing) {
        return new Weighed(new Next.Stop(reason(failing)), stop, new Outlook(0, 0, 0, 1, 0));
    }

    /** A rest answers to what it changes itself, or lets cleanings count again. */
    private boolean restHelps(Treatment rest, Set<ChannelCode> failing) {
        return Remedies.answer(so.cleaningsInARow() > 0 ? CLEANING : rest, failing, belief) >= Remedies.BELIEVED;
    }

    private Optional<Next.Treat> treat(Treatment t, Set<ChannelCode> failing) {
        var channels = targets(t, failing);
        return channels.isEmpty()
                        || !t.rests() && Remedies.answer(t, failing, belief) < Remedies.BELIEVED
                        || GroundRules.against(t, channels, so).isPresent()
                ? Optional.empty()
                : Optional.of(new Next.Treat(t, channels));
    }

    /**
     * All that is left looks dearer than it is worth. Nobody stops while the last acts still heal, nor before every
     * cause that is believed had its own remedy once.
     *
     * @param may what may be done at all. @return what to do first
     */
    private Weighed insteadOfStopping(Set<ChannelCode> failing, List<Next.Treat> may) {
        var standing = EnumSet.copyOf(Remedies.standing(belief, so, failing));
        may.stream().map(Next.Treat::treatment).filter(so::stillHeals).forEach(standing::add);
        for (var t : List.of(CLEANING, DRAW_AT_INLET)) { // why: forbidden now, perhaps, and allowed after a rest
            if (so.stillHeals(t) && failing.stream().noneMatch(c -> GroundRules.everAgainst(t, c, so))) {
                standing.add(t);
            }
        }
        var best = standing.stream()
                .filter(t -> mask[t.ordinal()])
                .flatMap(t -> treat(t, failing).stream())
                .map(this::weigh)
                .min(Comparator.comparingDouble(Weighed::cost));
        if (best.isEmpty()
                && standing.contains(CLEANING)
                && so.cleaningsInARow() >= situation.inARow()
                && restHelps(REST_SHORT, failing)) {
            best = treat(REST_SHORT, failing).map(this::weigh);
        }
        if (best.isEmpty()
                && standing.contains(DRAW_AT_INLET)
                && so.gainedByHand()
                && Remedies.answer(SOAK_OVERNIGHT, failing, belief) >= Remedies.BELIEVED) {
            best = treat(SOAK_OVERNIGHT, failing).map(this::weigh);
        }
        return best.orElseGet(() -> stopping(failing));
    }

    private Reason reason(Set<ChannelCode> failing) {
        return failing.stream().allMatch(c -> proven(c)) ? Reason.DEAD : Reason.NOT_WORTH;
    }

    /**
     * Whether gaps may be called dead: believed, unmoved through a remedy of each kind – pull, fluid, station, a night
     * – in a case where something else healed or that has stood for days.
     */
    private boolean proven(ChannelCode code) {
        return belief.nozzle(situation.index(code), Nozzle.DEAD) > SURELY
                && (so.tried(CLEANING, code) || so.tried(DRAW_AT_WASTE_LINE, code))
                && (so.tried(SOAK_OVERNIGHT, code) || so.tried(DRAW_AT_INLET, code))
                && stationed
                && (so.healedSomething() || so.took().toHours() >= 24);
    }

    /** The failing channels that an act could help; for the whole machine, all of its channels. */
    private Set<ChannelCode> targets(Treatment t, Set<ChannelCode> failing) {
        if (!t.perChannel()) {
            return situation.channels().stream()
                    .map(Situation.Part::code)
                    .collect(java.util.stream.Collectors.toCollection(LinkedHashSet::new));
        }
        var all = new TreeSet<ChannelCode>();
        double most = failing.stream()
                .mapToDouble(c -> help(t, situation.index(c)))
                .max()
                .orElse(0);
        for (var code : failing) {
            double help = help(t, situation.index(code));
            if (help > RELEVANT
                    && help > most / 4
                    && GroundRules.against(t, Set.of(code), so).isEmpty()) {
                all.add(code);
            }
        }
        return all;
    }

    private double help(Treatment t, int c) {
        double air = belief.air(c, Air.SMALL) + belief.air(c, Air.LINE);
        double dried = belief.nozzle(c, Nozzle.SOFT) + belief.nozzle(c, Nozzle.HARD);
        return switch (t) {
            case DRAW_AT_CARTRIDGE, PUSH_AT_VENT -> air;
            case NEW_DAMPER -> belief.feed(c, Feed.FILTER) + .2 * belief.feed(c, Feed.SETTLED);
            case FLUSH_LINE ->
                belief.feed(c, Feed.FILTER)
                        + belief.feed(c, Feed.SETTLED)
                        + .3 * belief.feed(c, Feed.GROWTH)
                        + .5 * belief.air(c, Air.LINE);
            case AGITATE -> belief.feed(c, Feed.SETTLED);
            case DRAW_AT_INLET -> dried + .4 * belief.nozzle(c, Nozzle.DIRT);
            case RENEW -> belief.feed(c, Feed.GROWTH) + belief.colour(c, Colour.MIXED);
            case DRAW_AT_WASTE_LINE -> dried + air + belief.nozzle(c, Nozzle.DIRT) + belief.feed(c, Feed.SETTLED);
            default -> 1;
        };
    }

    private Weighed weigh(Next.Treat treat) {
        var t = treat.treatment();
        var treated = new boolean[situation.channels().size()];
        treat.channels().forEach(c -> treated[situation.index(c)] = true);
        double price = situation.cost(t, treat.channels().size());
        var after = new Imagined[MACHINES];
        var bucket = new int[MACHINES];
        double cost = price * MACHINES;
        var counts = new int[BUCKETS];
        for (int i = 0; i < MACHINES; i++) {
            var m = new Imagined(treated.length);
            m.become(machines[i]);
            int before = total(m);
            m.act(t, treated, effects, situation);
            after[i] = m;
            if (m.parted) {
                cost += stop;
                bucket[i] = -1;
                continue;
            }
            if (m.checkFit(situation)) {
                cost += situation.page();
                if (m.page(effects)) {
                    cost += m.closing(situation, effects);
                    bucket[i] = -2;
                    continue;
                }
                bucket[i] = 0;
            } else {
                int now = total(m);
                bucket[i] = now * 2 <= before
                        ? 1
                        : now < before * .85 ? 2 : now <= before * 1.15 ? 3 : now <= before * 1.6 ? 4 : 5;
            }
            counts[bucket[i]]++;
        }
        int row = t == CLEANING ? so.cleaningsInARow() + 1 : t.lasts(1).toMinutes() >= 120 ? 0 : so.cleaningsInARow();
        boolean soakedNow = soaked || t == SOAK || t == SOAK_OVERNIGHT;
        boolean stationedNow = stationed || t == WIPE || t == FLUSH_CAP || t == NEW_CAP;
        boolean pulledNow = pulled || t == CLEANING || t == DRAW_AT_WASTE_LINE;
        var costs = new double[plans.length + 1][MACHINES];
        for (int p = 0; p < plans.length; p++) {
            for (int i = 0; i < MACHINES; i++) {
                if (bucket[i] >= 0) {
                    scratch.become(after[i]);
                    scratch.shake(1);
                    costs[p][i] = run(scratch, plans[p], row, soakedNow, stationedNow, pulledNow);
                }
            }
        }
        Arrays.fill(costs[plans.length], stop);
        for (int b = 0; b < BUCKETS; b++) {
            for (int half = 0; half < 2; half++) {
                int plan = best(costs, bucket, counts[b] >= FEW ? b : -9, half);
                for (int i = half; i < MACHINES; i += 2) {
                    cost += bucket[i] == b ? costs[plan][i] : 0;
                }
            }
        }
        int ended = 0;
        for (int b : bucket) {
            ended += b == -2 ? 1 : 0;
        }
        double all = MACHINES;
        return new Weighed(
                treat,
                cost / MACHINES,
                new Outlook(
                        (ended + counts[0]) / all,
                        counts[1] / all,
                        counts[2] / all,
                        counts[3] / all,
                        (all - ended - counts[0] - counts[1] - counts[2] - counts[3]) / all));
    }

    /** The plan that is best on the other half. @param which bucket; -9 for all that go on */
    private static int best(double[][] costs, int[] bucket, int which, int half) {
        int best = costs.length - 1;
        double least = Double.MAX_VALUE;
        for (int p = 0; p < costs.length; p++) {
            double sum = 0;
            for (int i = 1 - half; i < MACHINES; i += 2) {
                sum += bucket[i] == which || which == -9 && bucket[i] >= 0 ? costs[p][i] : 0;
            }
            if (sum < least) {
                least = sum;
                best = p;
            }
        }
        return best;
    }

    private static int total(Imagined m) {
        int sum = 0;
        for (int c = 0; c < m.channels; c++) {
            sum += m.seen[c];
        }
        return sum;
    }

    /** What it costs to follow a plan on one machine until it is fit, or given up. */
    private double run(
            Imagined m, Treatment[] plan, int cleanings, boolean wasSoaked, boolean wasStationed, boolean wasPulled) {
        int inARow = cleanings;
        boolean soakedNow = wasSoaked;
        boolean stationedNow = wasStationed;
        boolean pulledNow = wasPulled;
        double cost = 0;
        var treated = new boolean[m.channels];
        int powers = powersSoFar;
        for (int step = 0; step < plan.length + AFTERWARDS.length; step++) {
            var t = step < plan.length ? plan[step] : AFTERWARDS[step - plan.length];
            if (cost > stop) {
                return cost + stop;
            }
            if (!mask[t.ordinal()]
                    || t == CLEANING && inARow >= situation.inARow()
                    || t.headWork() && !(soakedNow && stationedNow && pulledNow)
                    || t == POWER_CLEANING && powers >= 2) {
                continue;
            }
            int n = 0;
            for (int c = 0; c < m.channels; c++) {
                treated[c] = m.seen[c] > situation.channels().get(c).tolerated() || m.pageBad[c];
                if (treated[c] && t == AGITATE) {
                    treated[c] = situation.channels().get(c).code().white();
                }
                n += treated[c] ? 1 : 0;
            }
            if (t.perChannel() && n == 0) {
                continue;
            }
            cost += price[t.ordinal()][n];
            m.act(t, treated, effects, situation);
            if (m.parted) {
                return cost + stop;
            }
            inARow = t == CLEANING ? inARow + 1 : t.lasts(1).toMinutes() >= 120 ? 0 : inARow;
            soakedNow |= t == SOAK || t == SOAK_OVERNIGHT;
            stationedNow |= t == WIPE || t == FLUSH_CAP || t == NEW_CAP;
            pulledNow |= t == CLEANING || t == DRAW_AT_WASTE_LINE;
            powers += t == POWER_CLEANING ? 1 : 0;
            if (m.checkFit(situation)) {
                cost += page;
                if (m.page(effects)) {
                    return cost + m.closing(situation, effects);
                }
            }
        }
        return cost + stop;
    }

    // ---- closing --------------------------------------------------------------------------------------------------

    /** Fit by check and page: done, or first something against the doubt that is left. */
    private Advice closing() {
        boolean wholly = situation.channels().stream().allMatch(p -> so.gaps(p.code()) == 0);
        var weighed = new ArrayList<Weighed>();
        double now = 0;
        for (var m : machines) {
            now += m.closing(situation, effects);
        }
        weighed.add(new Weighed(new Next.Close(wholly), now / MACHINES, new Outlook(1, 0, 0, 0, 0)));
        if (so.flickered() && so.looks() < LOOKS_MOST) {
            return Advice.of(new Next.Look());
        }
        if (so.looks() < LOOKS_MOST) {
            double sum = 0;
            int fit = 0;
            for (var m : machines) {
                boolean found = m.wandering() || m.beyond(situation);
                sum += found ? AGAIN : m.closing(situation, effects);
                fit += found ? 0 : 1;
            }
            double check = situation.ink().check()
                            * situation.channels().size()
                            * situation.prices().ink()
                    + 1.5 * situation.prices().minute();
            weighed.add(new Weighed(
                    new Next.Look(),
                    check + sum / MACHINES,
                    new Outlook((double) fit / MACHINES, 0, 0, 1 - (double) fit / MACHINES, 0)));
        }
        var all = situation.channels().stream().map(Situation.Part::code).collect(java.util.stream.Collectors.toSet());
        for (var t : List.of(PURGE_SHEET, WIPE, FLUSH_CAP, NEW_CAP, REST_LONG)) {
            if (so.tried().isEmpty() // why: what was never treated needs no care after treatment
                    || GroundRules.against(t, all, so).isPresent()
                    || so.times(t) > 1
                    || Remedies.answer(t, all, belief) < Remedies.BELIEVED) {
                continue;
            }
            var channels = t == PURGE_SHEET ? suspects() : all;
            if (channels.isEmpty()) {
                continue;
            }
            var treated = new boolean[situation.channels().size()];
            channels.forEach(c -> treated[situation.index(c)] = true);
            double sum = 0;
            int fit = 0;
            for (var machine : machines) {
                scratch.become(machine);
                scratch.act(t, treated, effects, situation);
                boolean good = scratch.checkFit(situation) && scratch.page(effects);
                fit += good ? 1 : 0;
                sum += situation.cost(t, channels.size())
                        + situation.page()
                        + (good ? scratch.closing(situation, effects) : AGAIN);
            }
            weighed.add(new Weighed(
                    new Next.Treat(t, channels),
                    sum / MACHINES,
                    new Outlook((double) fit / MACHINES, 0, 0, 1 - (double) fit / MACHINES, 0)));
        }
        weighed.sort(Comparator.comparingDouble(Weighed::cost));
        return chosen(weighed);
    }

    private Set<ChannelCode> suspects() {
        var all = new TreeSet<ChannelCode>();
        for (int c = 0; c < situation.channels().size(); c++) {
            double doubt = 1 - belief.feed(c, Feed.OK) + belief.air(c, Air.LINE);
            if (doubt > .15) {
                all.add(situation.channels().get(c).code());
            }
        }
        return all;
    }
}
