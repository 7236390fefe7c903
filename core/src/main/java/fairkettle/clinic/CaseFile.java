package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * A case: what was known when it was opened, and everything seen and done since, in order. Belief and progress are
 * always worked out afresh from it, so that the same file says the same.
 */
public record CaseFile(Situation situation, List<Dated> evidence) {

    public CaseFile {
        evidence = List.copyOf(evidence);
    }

    /** One thing that was seen or done, when, and by whom. */
    public record Dated(Instant at, String by, Evidence evidence) {}

    /** What it comes to, with this table. */
    public record State(Belief belief, Progress progress) {}

    public CaseFile with(Dated more) {
        var all = new ArrayList<>(evidence);
        all.add(more);
        return new CaseFile(situation, all);
    }

    public State state(Table table) {
        var belief = Belief.of(situation, table);
        for (var dated : evidence) {
            belief = belief.with(dated.evidence());
        }
        return new State(belief, progress());
    }

    /** What was done and seen, whatever is believed of it. */
    public Progress progress() {
        var progress = Progress.of(situation);
        for (var dated : evidence) {
            progress = progress.with(dated.evidence());
        }
        return progress;
    }

    /** The advice while no check is provisional: the same for the same file. @param state worked out from it */
    public Advice advice(State state) {
        return Advisor.advise(state.belief(), state.progress(), 17L + evidence.size());
    }

    /**
     * The wait that is advised instead of anything else while the last check is provisional. Empty if it counts.
     *
     * @param lookAtOnce whether this shop takes a good check after a power cleaning as it is
     */
    public Optional<Advice> waiting(Instant now, boolean lookAtOnce) {
        return provisionalUntil()
                .filter(now::isBefore)
                .filter(_ -> !(lookAtOnce && progress().failing().isEmpty()))
                .map(until -> Advice.of(new Advice.Next.Wait(until)));
    }

    /**
     * Until when the last check is provisional: it came before the rest that belongs to an act was over, and nothing
     * that was done since ends that rest. Empty if it counts.
     */
    public Optional<Instant> provisionalUntil() {
        Instant over = null;
        boolean early = false;
        for (var dated : evidence) {
            if (dated.evidence() instanceof Evidence.Done done) {
                over = later(over, restOver(dated, done));
                early = false;
            } else if (dated.evidence() instanceof Evidence.Look && over != null) {
                early = dated.at().isBefore(over);
            }
        }
        return early ? Optional.ofNullable(over) : Optional.empty();
    }

    private static @Nullable Instant later(@Nullable Instant one, @Nullable Instant other) {
        return one == null || other != null && other.isAfter(one) ? other : one;
    }

    /** Until when the machine rests by what was done to it. Empty if no act asks for a rest. */
    private Optional<Instant> restsUntil() {
        Instant over = null;
        for (var dated : evidence) {
            if (dated.evidence() instanceof Evidence.Done done) {
                over = later(over, restOver(dated, done));
            }
        }
        return Optional.ofNullable(over);
    }

    /** Why this must not be done at a moment: the rest that runs, or a ground rule. Empty if it may. */
    public Optional<String> against(Treatment treatment, Set<ChannelCode> channels, Progress so, Instant now) {
        return !treatment.leavesAtRest() && restsUntil().filter(now::isBefore).isPresent() && !so.parted()
                ? Optional.of("The rest that belongs to the last act is not over: what is done now undoes it.")
                : GroundRules.against(treatment, channels, so);
    }

    private static @Nullable Instant restOver(Dated dated, Evidence.Done done) {
        return Boolean.TRUE.equals(done.rested()) || done.treatment().rest().isZero()
                ? null
                : dated.at().plus(done.treatment().rest());
    }

    /**
     * One thing that was tried, and what the check after it showed.
     *
     * @param result in a word or two; null while nobody looked
     */
    public record Tried(
            Instant at,
            String by,
            String what,
            Set<ChannelCode> channels,
            @Nullable String result) {}

    /** What was tried, oldest first. */
    public List<Tried> tried() {
        var all = new ArrayList<Tried>();
        Tried open = null;
        Instant over = null;
        int before = -1;
        for (var dated : evidence) {
            switch (dated.evidence()) {
                case Evidence.Done(var treatment, var channels, var _) -> {
                    if (open != null) {
                        all.add(open);
                    }
                    open = new Tried(
                            dated.at(),
                            dated.by(),
                            treatment.label(),
                            treatment.perChannel() ? channels : Set.of(),
                            null);
                    over = restOver(dated, (Evidence.Done) dated.evidence());
                }
                case Evidence.Page(var seen) -> {
                    if (open != null) {
                        all.add(open);
                    }
                    boolean whole = seen.size() == situation.channels().size();
                    var bad = new TreeSet<ChannelCode>();
                    seen.forEach((code, page) -> {
                        if (page.fade() > .30 || page.off()) {
                            bad.add(code);
                        }
                    });
                    var words = bad.isEmpty()
                            ? "even"
                            : "not even: "
                                    + String.join(
                                            ", ",
                                            bad.stream().map(ChannelCode::code).toList());
                    open = whole
                            ? null
                            : new Tried(dated.at(), dated.by(), Treatment.PURGE_SHEET.label(), seen.keySet(), null);
                    if (whole) {
                        all.add(new Tried(dated.at(), dated.by(), "Full page", Set.of(), words));
                    }
                }
                case Evidence.Tried(var remedy, var helped) ->
                    all.add(new Tried(
                            dated.at(), dated.by(), remedy.title(), Set.of(), helped ? "helped" : "no change"));
                case Evidence.Simple(var found) ->
                    all.add(new Tried(
                            dated.at(),
                            dated.by(),
                            "Looked at the simple things",
                            found,
                            found.isEmpty() ? "all well" : "found and put right"));
                case Evidence.Look(var missing) -> {
                    int now = missing.values().stream().mapToInt(List::size).sum();
                    if (open != null) {
                        all.add(new Tried(
                                open.at(),
                                open.by(),
                                open.what(),
                                open.channels(),
                                (before < 0 ? "looked at" : words(before, now))
                                        + (over != null && dated.at().isBefore(over) ? ", provisional" : "")));
                        open = null;
                    }
                    before = now;
                }
                case Evidence.Parted _ ->
                    all.add(new Tried(
                            dated.at(), dated.by(), "Liquid at the plate’s side", Set.of(), "the plate has parted"));
                case Evidence.WasteRose _,
                        Evidence.Bubbles _,
                        Evidence.Thread _,
                        Evidence.Crust _,
                        Evidence.Felt _,
                        Evidence.Shifted _,
                        Evidence.Filled _ -> {}
            }
        }
        if (open != null) {
            all.add(open);
        }
        return all;
    }

    private static String words(int before, int now) {
        return now == 0
                ? "cured"
                : now == before
                        ? "same, %d gaps".formatted(now)
                        : now < before
                                ? "%d → %d gaps".formatted(before, now)
                                : "worse: %d → %d gaps".formatted(before, now);
    }

    /** What the acts of this case teach, kind by kind. @param table what was believed while they were done */
    public List<Learning.Outcome> outcomes(Table table) {
        var all = new ArrayList<Learning.Outcome>();
        var belief = Belief.of(situation, table);
        var progress = Progress.of(situation);
        Belief atAct = null;
        Progress before = null;
        Evidence.Done act = null;
        for (var dated : evidence) {
            if (dated.evidence() instanceof Evidence.Done done) {
                act = act == null ? done : null; // why: two acts before one look teach nothing of either
                atAct = belief;
                before = progress;
            }
            belief = belief.with(dated.evidence());
            progress = progress.with(dated.evidence());
            if (dated.evidence() instanceof Evidence.Look && act != null && atAct != null && before != null) {
                for (var code : before.failing()) {
                    if (!act.treatment().perChannel() || act.channels().contains(code)) {
                        learn(act.treatment(), code, atAct, before.gaps(code), progress.gaps(code))
                                .ifPresent(all::add);
                    }
                }
            }
            if (dated.evidence() instanceof Evidence.Look) {
                act = null;
            }
        }
        return all;
    }

    private Optional<Learning.Outcome> learn(
            Treatment treatment, ChannelCode code, Belief belief, int before, int now) {
        if (before == 0) {
            return Optional.empty();
        }
        return Learning.Kind.of(belief, situation.index(code))
                .map(kind -> new Learning.Outcome(treatment, kind, situation.family(), now * 2 <= before));
    }
}
