package fairkettle.procedure;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.ink.Holding;
import fairkettle.machine.Fact;
import fairkettle.machine.Fit;
import fairkettle.machine.Profile;
import fairkettle.machine.Supply;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/** What acts on a card come to: one place, whether it is a changeover, a treatment, bench work or a routine. */
public final class Consequences {

    /** How long something that was left out may wait, days. */
    private static final int A_WEEK = 7;

    private static final int A_MONTH = 30;

    private Consequences() {}

    /** What a card is for. */
    public enum Purpose {
        CHANGEOVER,
        /** A changeover to the same ink, fresh. */
        RENEWAL,
        /** A changeover after which the machine rests on fluid. */
        PARKING,
        TREATMENT,
        BENCH_WORK
    }

    /**
     * The machine and the card as they are when a step is done.
     *
     * @param built as its maker built it
     * @param now how it is fitted; {@code after} how the card leaves it
     * @param holdings by the codes that the slots carry now
     * @param lots bottles whose ink each channel holds by the account
     * @param family that the card brings or works with, and the {@code make} it was planned with
     * @param makes of the bottles that were really chosen, by channel
     * @param onFluid slots that a changeover leaves on fluid
     * @param about channels that bench work or a treatment is for; none for the whole machine
     * @param perChannel routines that are kept channel by channel
     * @param supplies that are gone when the card is finished
     */
    public record Setting(
            Purpose purpose,
            Profile built,
            Fit now,
            Fit after,
            Map<ChannelCode, Holding> holdings,
            Supplier<Map<ChannelCode, Set<Long>>> lots,
            Family family,
            String make,
            Map<ChannelCode, String> makes,
            List<ChannelCode> onFluid,
            List<ChannelCode> about,
            Set<String> perChannel,
            Map<Supply, Integer> supplies) {

        public Setting {
            holdings = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(holdings));
        }
    }

    /** A step was finished. @param before the card without it, {@code card} with it */
    public static List<Consequence> ofDone(StepRun run, Card before, Card card, Setting s) {
        var all = new ArrayList<Consequence>();
        fromAnswers(run, before, card, all);
        tools(run, s, all);
        fromMove(run, card, s, all);
        run.step().effects().forEach(effect -> fromEffect(effect, run, before, s, all));
        fromRoutines(run, s, all);
        if (run.step().pause() != null) {
            all.add(new Consequence.WaitOver(run.step().id()));
        }
        return all;
    }

    /** A step was left out: what can be made up for is owed. */
    public static List<Consequence> ofSkipped(StepRun run, String reason) {
        boolean gone = run.step().pause() != null || run.step().ask() instanceof Ask.Photo;
        return gone
                ? List.of()
                : List.of(new Consequence.Owes(Owing.STEP, run.step().title(), reason, A_WEEK, null));
    }

    /** A step failed, and steps were brought in. @param before the card without them */
    public static List<Consequence> ofBranch(StepRun run, String branch, Card before) {
        var all = new ArrayList<Consequence>();
        looked(run, before, all);
        all.add(new Consequence.Branched(branch, run.progress()));
        return all;
    }

    /** A step's wait was begun. */
    public static List<Consequence> ofWait(StepRun run) {
        var pause = run.step().pause();
        return pause == null ? List.of() : List.of(new Consequence.WaitBegun(pause));
    }

    /** The last step is done. */
    public static List<Consequence> ofFinished(Card card, Setting s) {
        var all = new ArrayList<Consequence>();
        all.add(new Consequence.WaitOver(null));
        var used = new HashMap<>(s.supplies());
        UsualSteps.newlyFitted(card).ifPresent(count -> used.put(Supply.DAMPER, count));
        if (!used.isEmpty()) {
            all.add(new Consequence.Used(used));
        }
        switch (s.purpose()) {
            case BENCH_WORK -> {}
            case TREATMENT -> all.add(new Consequence.Treated(null, rested(card)));
            case CHANGEOVER, RENEWAL, PARKING -> {
                all.add(new Consequence.SignedOff());
                all.add(new Consequence.Released());
                if (s.purpose() == Purpose.RENEWAL) {
                    all.add(new Consequence.Renewed());
                }
            }
        }
        return all;
    }

    private static boolean rested(Card card) {
        return card.runs().stream()
                .noneMatch(r -> r.status() == StepRun.Status.SKIPPED && r.step().pause() != null);
    }

    /** The card ends before its last step. @param branch of a treatment that had to stop, or null */
    public static List<Consequence> ofGivenUp(Card card, String why, Purpose purpose, @Nullable String branch) {
        var all = new ArrayList<Consequence>();
        all.add(new Consequence.GivenUp(why));
        all.add(new Consequence.WaitOver(null));
        all.add(new Consequence.Released());
        if (movedByHand(card)) {
            all.add(new Consequence.Owes(
                    Owing.ALIGN, "Its carriage was moved by hand on a card that was given up.", 0, null));
        }
        if (purpose == Purpose.TREATMENT && branch != null) {
            all.add(new Consequence.Treated(branch, false));
        }
        return all;
    }

    private static boolean movedByHand(Card card) {
        return card.done().stream()
                .flatMap(id -> card.run(id).step().effects().stream())
                .anyMatch(e -> e.facet() == Facet.COVERS
                        || e.facet() == Facet.CARRIAGE && e.value().equals("free"));
    }

    private static void fromAnswers(StepRun run, Card before, Card card, List<Consequence> all) {
        switch (run.step().tells()) {
            case NOTHING -> {}
            case FIRMWARE_VERSION ->
                run.entry("words").ifPresent(version -> all.add(new Consequence.Firmware(version)));
            case MISSING ->
                run.entry("words")
                        .ifPresent(what -> all.add(new Consequence.Owes(
                                Owing.OWN, "Get what was missing: " + what, "It was not in the box.", 3, null)));
            case UPDATES_REFUSED ->
                all.add(new Consequence.Owes(
                        Owing.OWN,
                        "Are the maker’s updates still refused?",
                        "Each time it is connected it offers one; taken, its chips are read again.",
                        30,
                        30));
            case INLET_POINTS -> inlets(run, all);
        }
        switch (run.step().ask()) {
            case Ask.Comb _ -> looked(run, before, all);
            case Ask.Picks(var patterns, var _, var _) -> {
                var picks = new LinkedHashMap<String, Integer>();
                for (int i = 0; i < patterns.size(); i++) {
                    picks.put(
                            patterns.get(i),
                            Integer.valueOf(run.entry("pick/" + i).orElseThrow()));
                }
                all.add(new Consequence.Aligned(picks));
            }
            case Ask.Lots(var channels, var _) -> {
                var lots = new LinkedHashSet<Long>();
                channels.stream().map(card::lotOf).filter(lot -> lot != 0).forEach(lots::add);
                all.add(new Consequence.Opened(lots));
            }
            case Ask.Acknowledge(var words) -> all.add(new Consequence.Agreed(words));
            case Ask.Done _,
                    Ask.Ticks _,
                    Ask.Each _,
                    Ask.Tally _,
                    Ask.Grid _,
                    Ask.Count _,
                    Ask.Words _,
                    Ask.Choice _,
                    Ask.InOrder _,
                    Ask.KeyStored _,
                    Ask.Photo _ -> {}
        }
    }

    private static void tools(StepRun run, Setting s, List<Consequence> all) {
        if (!(run.step().ask() instanceof Ask.Grid grid)) {
            return;
        }
        var taken = new TreeMap<ChannelCode, Long>();
        for (int column = 0; column < grid.columns().size(); column++) {
            if (grid.columns().get(column).kind() == Ask.ColumnKind.TOOL) {
                for (var channel : grid.channels()) {
                    run.entry(channel + "/" + column)
                            .ifPresent(e -> taken.put(channel, e.matches("\\d+") ? Long.parseLong(e) : 0));
                }
            }
        }
        if (!taken.isEmpty()) {
            boolean craft = s.holdings().values().stream().anyMatch(Consequences::notFood)
                    || !s.family().food();
            all.add(new Consequence.ToolsTaken(taken, s.family(), craft));
        }
    }

    /** A syringe that draws it is no food syringe any more. */
    private static boolean notFood(Holding holding) {
        return switch (holding) {
            case Holding.NeverInked _ -> false;
            case Holding.Inked(var _, var _, var foodOnly) -> !foodOnly;
            case Holding.Parked(var _, var _, var foodOnly) -> !foodOnly;
            case Holding.Unknown _ -> true;
        };
    }

    private static void inlets(StepRun run, List<Consequence> all) {
        if (run.step().ask() instanceof Ask.Each each) {
            var clear = Entries.answeredFirst(run, each);
            var crusted = new LinkedHashMap<ChannelCode, Boolean>();
            each.items().forEach(item -> crusted.put(ChannelCode.of(item), !clear.contains(item)));
            all.add(new Consequence.InletsSeen(crusted));
        }
    }

    /** Looked at, whole or not. With gaps, the first look after fluid is kept, but nothing is judged by it. */
    private static void looked(StepRun run, Card before, List<Consequence> all) {
        if (!(run.step().ask() instanceof Ask.Comb(var channels, var _))) {
            return;
        }
        var missing = new LinkedHashMap<ChannelCode, List<Integer>>();
        channels.forEach(c -> run.entry(c.code()).ifPresent(e -> missing.put(c, Entries.missingTeeth(e))));
        boolean first = before.branches().keySet().stream()
                .noneMatch(key -> key.startsWith(run.step().id() + "/"));
        boolean afterFluid = before.done().stream()
                .map(before::run)
                .anyMatch(r -> r.step().move() instanceof Move.Rinse(var _, var liquid) && liquid == Move.Liquid.FLUID);
        boolean whole = missing.values().stream().allMatch(List::isEmpty);
        all.add(new Consequence.Looked(missing, whole || !first || !afterFluid));
    }

    private static void fromMove(StepRun run, Card card, Setting s, List<Consequence> all) {
        switch (run.step().move()) {
            case Move.Refit _ -> all.add(new Consequence.Refitted(s.after()));
            case Move.Charge _ -> charged(card, s, all);
            case Move.Spoil(var why, var channels) -> {
                var lots = new LinkedHashSet<Long>();
                s.lots().get().forEach((channel, found) -> {
                    if (channels == null || channels.contains(channel)) {
                        lots.addAll(found);
                    }
                });
                all.add(new Consequence.Spoiled(lots, why));
            }
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
                    Move.Clean _,
                    Move.Print _,
                    Move.Reading _ -> {}
        }
    }

    /** From the charge on the paths hold the new ink, signed off or not; slots left on fluid rest. */
    private static void charged(Card card, Setting s, List<Consequence> all) {
        if (s.purpose() == Purpose.PARKING) {
            return; // it goes to rest with its last step
        }
        var holdings = new LinkedHashMap<ChannelCode, Holding>();
        if (!card.refitted() && !s.after().equals(s.now())) { // a first start on the maker's own cartridges
            s.holdings()
                    .keySet()
                    .forEach(c -> holdings.put(c, new Holding.Inked(s.built().built(), "maker", false)));
        } else {
            boolean foodOnly = s.family().food()
                    && s.holdings().values().stream()
                            .allMatch(h -> h instanceof Holding.NeverInked
                                    || h instanceof Holding.Inked(var _, var _, var food) && food
                                    || h instanceof Holding.Parked(var _, var _, var was) && was);
            s.holdings()
                    .forEach((c, held) -> holdings.put(
                            c,
                            s.onFluid().contains(c)
                                    ? resting(held)
                                    : new Holding.Inked(s.family(), s.makes().getOrDefault(c, s.make()), foodOnly)));
        }
        all.add(new Consequence.Holds(holdings));
    }

    private static Holding resting(Holding held) {
        return switch (held) {
            case Holding.Inked(var family, var make, var food) -> new Holding.Parked(family, make, food);
            case Holding.Parked _, Holding.Unknown _, Holding.NeverInked _ -> held;
        };
    }

    /** What the machine's papers have to know of a step's effect. */
    private static void fromEffect(Condition effect, StepRun run, Card before, Setting s, List<Consequence> all) {
        switch (effect.facet()) {
            case POSITION -> run.entry("words").ifPresent(words -> all.add(new Consequence.Noted(Fact.PLACE, words)));
            case PROCESSING ->
                run.entry("words").ifPresent(words -> all.add(new Consequence.Noted(Fact.PROCESSING, words)));
            case PROTECTION ->
                run.entry("choice").ifPresent(choice -> all.add(new Consequence.Noted(Fact.PROTECTED, choice)));
            case HEAD -> {
                if (effect.value().equals("sealed")) {
                    all.add(new Consequence.Noted(Fact.PROTECTED, "a bead of sealant; it did not conduct while wet"));
                }
            }
            case WASTE_LINE -> {
                if (effect.value().equals("in the bottle")) {
                    all.add(new Consequence.Owes(
                            Owing.WASTE_BOTTLE,
                            "Joint wrapped and dry, bottle vented, level, lower than the outlet.",
                            A_MONTH,
                            A_MONTH));
                }
            }
            case ALIGNMENT -> {
                all.add(new Consequence.Settles(Owing.ALIGN));
                if (before.runs().stream().anyMatch(r -> r.step().ask() instanceof Ask.Comb && r.reason() != null)) {
                    all.add(new Consequence.Owes(
                            Owing.ALIGN, "It was aligned on a check with gaps: that is provisional.", A_WEEK, null));
                }
            }
            case WARRANTY -> all.add(new Consequence.WarrantyEnded());
            case UPDATES -> all.add(new Consequence.RemindersOff());
            case RESTING -> {
                var holdings = new LinkedHashMap<ChannelCode, Holding>();
                s.holdings().forEach((c, held) -> holdings.put(c, resting(held)));
                all.add(new Consequence.Holds(holdings));
            }
            case OLD_CARTRIDGE -> {
                boolean told = all.stream().anyMatch(c -> c instanceof Consequence.PutAside);
                if (effect.value().equals("stored") && !told) {
                    var aside = new LinkedHashMap<ChannelCode, String>();
                    s.holdings().forEach((c, held) -> aside.put(c, "cartridge, " + held.label()));
                    all.add(new Consequence.PutAside(aside));
                }
            }
            default -> {}
        }
    }

    /** The routines that a step was: for the channels that it answered for, else those that the card is for. */
    private static void fromRoutines(StepRun run, Setting s, List<Consequence> all) {
        for (var routine : run.step().fulfils()) {
            var channels = channelsOf(run, s, routine);
            if (channels == null) {
                all.add(new Consequence.RoutineDone(routine, null));
            } else {
                channels.forEach(c -> all.add(new Consequence.RoutineDone(routine, c)));
            }
        }
    }

    private static @Nullable List<ChannelCode> channelsOf(StepRun run, Setting s, String routine) {
        var codes = s.holdings().keySet().stream().map(ChannelCode::code).toList();
        if (run.step().ask() instanceof Ask.Each each && codes.containsAll(each.items())) {
            return Entries.answeredFirst(run, each).stream()
                    .map(ChannelCode::of)
                    .toList();
        }
        return !s.perChannel().contains(routine) || s.about().isEmpty()
                ? null
                : s.about().stream().sorted().toList();
    }
}
