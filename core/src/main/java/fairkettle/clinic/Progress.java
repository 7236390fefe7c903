package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/** What has been done in a case so far: counts, what is due, what was spent. The ground rules are read against it. */
public final class Progress {

    private static final int MORE_THAN_NOISE = 2; // strokes that a reader may take otherwise from look to look
    private static final int BLOCK = 6; // neighbouring strokes
    private static final double STILL_HEALS = .18; // of the gaps, at one go

    private final Situation situation;
    private boolean simpleKnown;
    private boolean lookDue = true;
    private boolean lookedOnce;
    private boolean pageGood;
    private boolean parted;
    private int cleaningsInARow;
    private int looks; // since something was done
    private boolean gainedByHand; // half a channel or more came back while somebody worked at the head
    private Duration took = Duration.ZERO;
    private double mL;
    private double pad;
    private double hands;
    private double money;
    private final List<Act> acts = new ArrayList<>();
    private final Map<ChannelCode, Double> drawn = new HashMap<>();
    private final Map<ChannelCode, Integer> gaps = new TreeMap<>();
    private final Map<ChannelCode, List<Integer>> strokes = new HashMap<>(); // missing at the last look
    private boolean flickered;
    private final Map<ChannelCode, Integer> gapsBefore = new HashMap<>();
    private final Set<ChannelCode> pageBad = new TreeSet<>();
    private final Set<ChannelCode> threads = new HashSet<>();
    private final Set<ChannelCode> offColour = new HashSet<>();
    private final Set<ChannelCode> starved = new HashSet<>();
    private final Set<Remedy> tried = EnumSet.noneOf(Remedy.class);
    private final Set<Complaint> solved = EnumSet.noneOf(Complaint.class);
    private final Set<Class<? extends Evidence>> asked = new HashSet<>();
    private @org.jspecify.annotations.Nullable Treatment last;
    /**
     * One thing done.
     *
     * @param before gaps at the look before it; {@code after} at the look after it, -1 while nobody looked
     */
    private record Act(Treatment treatment, Set<ChannelCode> on, int before, int after) {

        boolean healed() {
            return after >= 0 && after <= before - Math.max(MORE_THAN_NOISE, before * STILL_HEALS);
        }
    }

    private Progress(Situation situation) {
        this.situation = situation;
        simpleKnown = situation.simpleKnown();
    }

    public static Progress of(Situation situation) {
        return new Progress(situation);
    }

    /** What has been done when this was seen or done too. */
    public Progress with(Evidence evidence) {
        var after = new Progress(situation);
        after.simpleKnown = simpleKnown;
        after.lookDue = lookDue;
        after.lookedOnce = lookedOnce;
        after.pageGood = pageGood;
        after.parted = parted;
        after.cleaningsInARow = cleaningsInARow;
        after.looks = looks;
        after.gainedByHand = gainedByHand;
        after.took = took;
        after.mL = mL;
        after.pad = pad;
        after.hands = hands;
        after.money = money;
        after.acts.addAll(acts);
        after.drawn.putAll(drawn);
        after.gaps.putAll(gaps);
        after.strokes.putAll(strokes);
        after.flickered = flickered;
        after.gapsBefore.putAll(gapsBefore);
        after.pageBad.addAll(pageBad);
        after.threads.addAll(threads);
        after.offColour.addAll(offColour);
        after.starved.addAll(starved);
        after.tried.addAll(tried);
        after.solved.addAll(solved);
        after.asked.addAll(asked);
        after.last = last;
        after.take(evidence);
        return after;
    }

    private void take(Evidence evidence) {
        asked.add(evidence.getClass());
        switch (evidence) {
            case Evidence.Look(var missing) -> {
                gapsBefore.putAll(gaps);
                missing.forEach((code, gone) -> {
                    flickered |= block(strokes.getOrDefault(code, List.of()), gone);
                    strokes.put(code, gone);
                    gaps.put(code, gone.size());
                });
                if (last != null && last.headWork()) {
                    gainedByHand = gaps.entrySet().stream()
                            .anyMatch(e -> gapsBefore.getOrDefault(e.getKey(), 0) > 0
                                    && e.getValue() * 2 <= gapsBefore.getOrDefault(e.getKey(), 0));
                }
                if (!acts.isEmpty() && lookDue) {
                    var act = acts.removeLast();
                    acts.add(new Act(act.treatment(), act.on(), act.before(), allGaps()));
                }
                lookDue = false;
                looks++;
                lookedOnce = true;
                spend(situation.ink().check() * situation.channels().size(), 0, 0, 1.5, Duration.ofMinutes(2));
            }
            case Evidence.Page(var seen) -> {
                boolean whole = seen.size() == situation.channels().size()
                        && failing().isEmpty(); // why: of a machine that has gaps it is a purge of all
                if (whole) {
                    pageGood = true;
                } else {
                    treated(Treatment.PURGE_SHEET, seen.keySet());
                }
                seen.forEach((code, page) -> {
                    boolean bad = page.fade() > .30 || page.off();
                    pageGood &= !bad;
                    if (bad) {
                        pageBad.add(code);
                    } else {
                        pageBad.remove(code);
                    }
                    if (page.off()) {
                        offColour.add(code);
                    }
                    if (page.fade() > .15) {
                        starved.add(code);
                    }
                });
                if (whole) {
                    spend(situation.ink().sheet() * seen.size(), 0, 0, 3, Duration.ofMinutes(6));
                    seen.keySet().forEach(c -> drawn.merge(c, situation.ink().sheet(), Double::sum));
                }
            }
            case Evidence.Done(var treatment, var channels, var _) -> treated(treatment, channels);
            case Evidence.Filled(var code, var level) ->
                drawn.put(code, situation.channels().get(situation.index(code)).level() - level);
            case Evidence.Simple(var found) -> {
                simpleKnown = true;
                if (!found.isEmpty()) { // why: what was put right may have been all of it
                    lookDue = true;
                    looks = 0;
                    pageGood = false;
                    pageBad.clear();
                }
                spend(0, 0, 0, 3, Duration.ofMinutes(4));
            }
            case Evidence.Thread(var code, var seen) -> {
                if (seen) {
                    threads.add(code);
                }
                spend(0, 0, 0, 1, Duration.ofMinutes(1));
            }
            case Evidence.Felt _ -> {} // it was felt while the hands were there anyway
            case Evidence.Parted _ -> parted = true;
            case Evidence.Tried(var remedy, var helped) -> {
                tried.add(remedy);
                if (helped) {
                    solved.add(remedy.complaint());
                }
                spend(0, 0, 0, 4, Duration.ofMinutes(5));
            }
            case Evidence.WasteRose _, Evidence.Bubbles _, Evidence.Crust _, Evidence.Shifted _ ->
                spend(0, 0, 0, .5, Duration.ofMinutes(1));
        }
    }

    /** Whether a run of neighbours was missing and is all there now: so comes and goes a contact, not ink. */
    private static boolean block(List<Integer> missing, List<Integer> now) {
        var before = missing.stream().sorted().toList();
        int run = 0;
        for (int i = 0; i < before.size() && run < BLOCK; i++) {
            boolean next = i > 0 && before.get(i) == before.get(i - 1) + 1 && run > 0;
            run = now.contains(before.get(i)) ? 0 : next ? run + 1 : 1;
        }
        return run >= BLOCK;
    }

    /** Whether a block of strokes was missing at one look and whole at the next, whatever was done between. */
    boolean flickered() {
        return flickered;
    }

    private int allGaps() {
        return gaps.values().stream().mapToInt(n -> n).sum();
    }

    private void treated(Treatment treatment, Set<ChannelCode> channels) {
        var takes = situation.takes(treatment, channels.size());
        acts.add(new Act(treatment, Set.copyOf(channels), allGaps(), -1));
        cleaningsInARow = treatment == Treatment.CLEANING
                ? cleaningsInARow + 1
                : treatment.rests() || !treatment.rest().isZero() ? 0 : cleaningsInARow;
        lookDue = true;
        looks = 0;
        pageGood = false;
        pageBad.clear(); // why: what was done since may have cured it; only another page tells
        last = treatment;
        if (treatment == Treatment.REST_LONG || treatment == Treatment.SOAK_OVERNIGHT) {
            gainedByHand = false;
        }
        spend(
                takes.mL(),
                takes.pad(),
                takes.fluid(),
                treatment.hands(channels.size()),
                treatment.lasts(channels.size()));
        money += takes.parts();
        var each = treatment.cleans()
                ? situation.channels().stream().map(Situation.Part::code).toList()
                : channels;
        each.forEach(c -> drawn.merge(c, takes.mL() / Math.max(1, each.size()), Double::sum));
    }

    private void spend(double ink, double intoPad, double fluid, double minutes, Duration lasts) {
        mL += ink;
        pad += intoPad;
        hands += minutes;
        took = took.plus(lasts);
        var prices = situation.prices();
        money += ink * prices.ink() + intoPad * prices.pad() + fluid * prices.fluid() + minutes * prices.minute();
    }

    public Situation situation() {
        return situation;
    }

    public boolean simpleKnown() {
        return simpleKnown;
    }

    /** Whether the next thing is a check. */
    public boolean lookDue() {
        return lookDue;
    }

    public boolean lookedOnce() {
        return lookedOnce;
    }

    /** Whether a full page came out well since the last treatment. */
    public boolean pageGood() {
        return pageGood;
    }

    /** Liquid came out at the plate's side. */
    public boolean parted() {
        return parted;
    }

    int looks() {
        return looks;
    }

    public int cleaningsInARow() {
        return cleaningsInARow;
    }

    public boolean gainedByHand() {
        return gainedByHand;
    }

    public int times(Treatment treatment) {
        return (int) acts.stream().filter(a -> a.treatment() == treatment).count();
    }

    public int times(Treatment treatment, ChannelCode code) {
        return (int) acts.stream()
                .filter(a -> a.treatment() == treatment && a.on().contains(code))
                .count();
    }

    /** Whether a channel had it; an act on the whole machine is had by all. */
    boolean tried(Treatment treatment, ChannelCode code) {
        return acts.stream()
                .anyMatch(a -> a.treatment() == treatment && (!treatment.perChannel() || a.on().contains(code)));
    }

    /** Whether it was done since the cap was last seen to: what a pump pulls before that is no trial. */
    boolean cleanedSinceCap(Treatment treatment) {
        boolean cleaned = false;
        for (var act : acts) {
            cleaned =
                    act.treatment() == treatment || cleaned && !act.treatment().atCap();
        }
        return cleaned;
    }

    /** Whether it still heals: when it was done last, it left clearly fewer gaps. */
    boolean stillHeals(Treatment treatment) {
        for (int i = acts.size() - 1; i >= 0; i--) {
            if (acts.get(i).treatment() == treatment) {
                return acts.get(i).healed();
            }
        }
        return false;
    }

    /** Whether anything that was done in this case left clearly fewer gaps. */
    boolean healedSomething() {
        return acts.stream().anyMatch(Act::healed);
    }

    /**
     * How often the whole ladder was gone up: something small, a wait, something strong. Another round is a decision,
     * not a habit.
     */
    public int rounds() {
        int small = times(Treatment.PURGE_SHEET) + times(Treatment.CLEANING);
        int waits = times(Treatment.REST_SHORT)
                + times(Treatment.REST_LONG)
                + times(Treatment.SOAK)
                + times(Treatment.SOAK_OVERNIGHT);
        int strong =
                times(Treatment.POWER_CLEANING) + times(Treatment.DRAW_AT_WASTE_LINE) + times(Treatment.DRAW_AT_INLET);
        return Math.min(small, Math.min(waits, strong));
    }

    public Set<Treatment> tried() {
        var all = EnumSet.noneOf(Treatment.class);
        acts.forEach(a -> all.add(a.treatment()));
        return all;
    }

    /** The first complaint that is no matter of ink and is not solved. */
    Optional<Complaint> unsolved() {
        return situation.complaints().stream()
                .filter(c -> !c.ink() && !solved.contains(c))
                .sorted()
                .findFirst();
    }

    Optional<Remedy> nextRemedy(Complaint complaint) {
        return Remedy.against(complaint).stream()
                .filter(r -> !tried.contains(r))
                .findFirst();
    }

    boolean asked(Class<? extends Evidence> what) {
        return asked.contains(what);
    }

    @org.jspecify.annotations.Nullable
    Treatment last() {
        return last;
    }

    public Duration took() {
        return took;
    }

    /** mL of ink that went out of the path. */
    public double mL() {
        return mL;
    }

    /** mL of it into the pad. */
    public double pad() {
        return pad;
    }

    /** Minutes of hands. */
    public double hands() {
        return hands;
    }

    /** Ink, pad, fluid, parts and hands, in the shop's currency. */
    public double money() {
        return money;
    }

    /** mL left in a channel's vessel, as far as is known. */
    public double level(ChannelCode code) {
        return situation.channels().get(situation.index(code)).level() - drawn.getOrDefault(code, 0.0);
    }

    /** mL until the pad is full. */
    public double padRoom() {
        return situation.padRoom() - pad;
    }

    Set<ChannelCode> pageBad() {
        return pageBad;
    }

    Set<ChannelCode> threads() {
        return threads;
    }

    Set<ChannelCode> offColour() {
        return offColour;
    }

    Set<ChannelCode> starved() {
        return starved;
    }

    /** Strokes missing at the last check. */
    public int gaps(ChannelCode code) {
        return gaps.getOrDefault(code, 0);
    }

    /** Channels that are not good enough for the work in hand, by the last check and page. */
    public Set<ChannelCode> failing() {
        var all = new TreeSet<ChannelCode>();
        for (var part : situation.channels()) {
            if (gaps(part.code()) > part.tolerated() || pageBad.contains(part.code())) {
                all.add(part.code());
            }
        }
        return all;
    }
}
