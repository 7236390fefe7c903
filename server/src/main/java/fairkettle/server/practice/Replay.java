package fairkettle.server.practice;

import fairkettle.clinic.AdviceWords;
import fairkettle.clinic.Advisor;
import fairkettle.clinic.Belief;
import fairkettle.clinic.Evidence;
import fairkettle.clinic.Table;
import fairkettle.clinic.Treatment;
import fairkettle.ink.ChannelCode;
import fairkettle.practice.Score;
import fairkettle.server.practice.PracticeBook.PracticeAct;
import fairkettle.server.practice.PracticeBook.Run;
import fairkettle.server.web.Problem;
import fairkettle.standin.machine.AdvisedHand;
import fairkettle.standin.machine.Bedside;
import fairkettle.standin.machine.SickCases;
import fairkettle.standin.machine.SickCases.Level;
import fairkettle.standin.machine.SickMachine.Fault;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** A practice run played again from its seed: the same acts meet the same machine. */
final class Replay {

    private static final int BENCH = 2; // counts up whenever the same seed makes another machine
    private static final int TOLERATED = 2;
    private static final double HINT_COSTS = 5; // points
    private static final double SMALL = 5; // money: below it nobody was careless

    private final Run run;
    private final Bedside bed;
    private final List<Step> steps = new ArrayList<>();
    private @Nullable String ended;
    private Belief belief;
    private int known;
    private final boolean explain;

    /**
     * One act, and what it did.
     *
     * @param silentBefore nozzles that did not fire before and after
     * @param really what was wrong before it, by channel
     * @param advised what the advice would have been then; empty while it is not unveiled
     */
    record Step(
            String what,
            String saw,
            int silentBefore,
            int silentAfter,
            double mL,
            double hands,
            double hours,
            Map<ChannelCode, Set<Fault>> really,
            String advised) {}

    private Replay(Run run, boolean explain) {
        this.run = run;
        this.explain = explain;
        bed = new Bedside(sick(run));
        belief = Belief.of(bed.sick().situation(), Table.USUAL);
    }

    /**
     * @param explain true to work out what the advice would have been at each step
     * @throws Problem if the run was on a bench that is no more
     */
    static Replay of(Run run, boolean explain) {
        if (run.bench() != BENCH) {
            throw Problem.refused(
                    "The bench was rebuilt since. The score stands, but this run cannot be played again.", List.of());
        }
        var replay = new Replay(run, explain);
        run.acts().forEach(replay::take);
        return replay;
    }

    private static SickCases.Sick sick(Run run) {
        return run.level().equals("FREE")
                ? SickCases.of(run.seed())
                : SickCases.practice(run.seed(), Level.valueOf(run.level()));
    }

    Bedside bed() {
        return bed;
    }

    List<Step> steps() {
        return steps;
    }

    @Nullable
    String ended() {
        return ended;
    }

    int hints() {
        return (int) run.acts().stream().filter(a -> a.kind().equals("HINT")).count();
    }

    /** What the advice is now. */
    String advice() {
        var advice = Advisor.advise(belief, bed.progress(), run.seed() + steps.size());
        var words = AdviceWords.of(advice, bed.sick().situation());
        return words.title() + ". " + words.say();
    }

    /** @throws Problem if it cannot be done on this machine */
    private void take(PracticeAct act) {
        if (act.kind().equals("HINT")) {
            return;
        }
        var really = bed.machine().faults();
        int before = bed.machine().silent();
        double mL = bed.machine().ink();
        double hands = bed.machine().hands();
        double hours = bed.machine().hours();
        var advised = explain
                ? AdviceWords.of(
                                Advisor.advise(belief, bed.progress(), run.seed() + steps.size()),
                                bed.sick().situation())
                        .title()
                : "";
        var channels = act.channels().stream().map(ChannelCode::of).collect(Collectors.toCollection(TreeSet::new));
        if (!bed.all().containsAll(channels)) {
            throw Problem.refused("This machine has no such channel.", List.of());
        }
        var what = switch (act.kind()) {
            case "LOOK" -> {
                bed.check();
                yield "Nozzle check";
            }
            case "PAGE" -> {
                bed.page();
                yield "Full page";
            }
            case "SIMPLE" -> {
                bed.simple();
                yield "The simple things";
            }
            case "ASK" -> {
                var question = need(act.question(), "What do you look for?");
                var one = channels.isEmpty() ? bed.machine().codes().getFirst() : channels.first();
                bed.ask(question, one);
                yield question.ask();
            }
            case "TRY" -> {
                var remedy = need(act.remedy(), "What do you try?");
                bed.attempt(remedy);
                yield remedy.title();
            }
            case "TREAT" -> {
                var treatment = need(act.treatment(), "What do you try?");
                if (treatment.perChannel() && channels.isEmpty()) {
                    throw Problem.atField("channels", "Which channels?");
                }
                possible(treatment);
                bed.act(treatment, treatment.perChannel() ? channels : bed.all());
                yield AdviceWords.title(treatment, channels);
            }
            case "DONE", "STOP" -> {
                ended = act.kind();
                yield act.kind().equals("DONE") ? "“It is cured”" : "Gave up";
            }
            default -> throw Problem.atField("kind", "Nobody can do a thing called %s.".formatted(act.kind()));
        };
        var seen = bed.seen();
        var saw = seen.size() > known ? words(seen.getLast()) : "";
        for (; known < seen.size(); known++) {
            belief = belief.with(seen.get(known));
        }
        steps.add(new Step(
                what,
                saw,
                before,
                bed.machine().silent(),
                bed.machine().ink() - mL,
                bed.machine().hands() - hands,
                bed.machine().hours() - hours,
                really,
                advised));
    }

    private void possible(Treatment treatment) {
        var situation = bed.sick().situation();
        if (!situation.builtFor(treatment)) {
            throw Problem.refused("This machine is not built for that.", List.of());
        }
    }

    private static <T> T need(@Nullable T value, String question) {
        if (value == null) {
            throw Problem.atField("kind", question);
        }
        return value;
    }

    /** What is wrong with one channel of a page, the gravest; nothing if it is even. */
    private static String words(Evidence.Seen seen) {
        if (seen.fade() > .15) {
            return seen.fade() > .30 ? " fades" : " a little weaker at the foot";
        }
        if (seen.band()) {
            return " has a bare band";
        }
        if (seen.off()) {
            return Boolean.TRUE.equals(seen.clears()) ? " is smeared at the top edge" : " is off its colour";
        }
        return "";
    }

    private String words(Evidence seen) {
        return switch (seen) {
            case Evidence.Look(var missing) -> {
                int gaps = missing.values().stream().mapToInt(List::size).sum();
                yield gaps == 0 ? "whole" : gaps + (gaps == 1 ? " gap" : " gaps");
            }
            case Evidence.Page(var page) -> {
                var bad = page.entrySet().stream()
                        .filter(e -> !words(e.getValue()).isEmpty())
                        .map(e -> e.getKey() + words(e.getValue()))
                        .sorted()
                        .toList();
                yield bad.isEmpty() ? "even, every channel" : String.join(", ", bad);
            }
            case Evidence.Simple(var found) ->
                found.isEmpty()
                        ? "all well"
                        : "amiss at "
                                + found.stream().map(ChannelCode::code).sorted().collect(Collectors.joining(", "))
                                + ", put right";
            case Evidence.WasteRose(var rose) -> rose ? "the waste rose" : "the waste did not rise";
            case Evidence.Bubbles(var c, var yes) -> c + (yes ? ": bubbles" : ": none seen");
            case Evidence.Thread(var c, var yes) -> c + (yes ? ": threads" : ": clean");
            case Evidence.Crust(var c, var yes) -> c + (yes ? ": crusted" : ": clear");
            case Evidence.Tried(var _, var helped) -> helped ? "helped" : "no change";
            case Evidence.Parted _ -> "liquid at the plate’s side";
            case Evidence.Done _, Evidence.Felt _, Evidence.Filled _, Evidence.Shifted _ -> "";
        };
    }

    // ---- the debrief ----------------------------------------------------------------------------------------------

    /** @param steps what a careful hand would have done; what it spent */
    record Careful(List<String> steps, double mL, double hands, double hours, boolean cured) {}

    Careful careful() {
        var other = new Bedside(sick(run));
        var did = new ArrayList<String>();
        AdvisedHand.treat(other, Table.USUAL, run.seed(), (_, next, _) -> did.add(AdviceWords.name(next)));
        return new Careful(
                did,
                other.machine().ink(),
                other.machine().hands(),
                other.machine().hours(),
                other.machine().fit(TOLERATED));
    }

    boolean cured() {
        return bed.machine().fit(TOLERATED);
    }

    boolean hopeless() {
        return sick(run).machine().hopeless(TOLERATED);
    }

    /** 0 to 100: against what a careful hand spent on the same machine. */
    int score(Careful careful) {
        return Score.of(
                new Score.Ended(
                        "DONE".equals(ended), cured(), hopeless(), bed.machine().parted()),
                new Score.Spent(
                        bed.machine().ink(),
                        bed.machine().hands(),
                        bed.machine().hours()),
                new Score.Spent(careful.mL(), careful.hands(), careful.hours()),
                hints(),
                bed.sick().situation().prices());
    }
}
