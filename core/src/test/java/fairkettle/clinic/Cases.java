package fairkettle.clinic;

import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Machines and evidence for the tests of the clinic. */
public final class Cases {

    static final ChannelCode K = ChannelCode.of("K");
    static final ChannelCode C = ChannelCode.of("C");
    static final ChannelCode M = ChannelCode.of("M");
    static final ChannelCode Y = ChannelCode.of("Y");
    static final ChannelCode W1 = ChannelCode.of("W1");
    public static final List<ChannelCode> COLOURS = List.of(K, C, M, Y);

    private Cases() {}

    static Situation situation(Family family, double idleDays, List<ChannelCode> codes, Complaint... complaints) {
        return new Situation(
                family,
                codes.stream().map(c -> new Situation.Part(c, 60, 2, 5, 50, 70)).toList(),
                false,
                true,
                true,
                true,
                true,
                idleDays,
                1,
                8,
                false,
                false,
                false,
                200,
                3,
                Set.of(complaints),
                Set.of(),
                Situation.Prices.USUAL,
                Situation.Ink.USUAL);
    }

    public static Situation sublimation(double idleDays) {
        return situation(Family.SUBLIMATION, idleDays, COLOURS, Complaint.GAPS);
    }

    /** A check in which these channels have these gaps, and the others none. */
    public static Evidence.Look look(List<ChannelCode> all, Map<ChannelCode, List<Integer>> gaps) {
        var missing = new HashMap<ChannelCode, List<Integer>>();
        all.forEach(c -> missing.put(c, gaps.getOrDefault(c, List.of())));
        return new Evidence.Look(missing);
    }

    public static Evidence.Look look(Map<ChannelCode, List<Integer>> gaps) {
        return look(COLOURS, gaps);
    }

    static Evidence.Page page(List<ChannelCode> all, Map<ChannelCode, Double> fades) {
        var seen = new HashMap<ChannelCode, Evidence.Seen>();
        all.forEach(c -> seen.put(c, new Evidence.Seen(fades.getOrDefault(c, .02), false, false, null)));
        return new Evidence.Page(seen);
    }

    static Evidence.Done done(Treatment treatment) {
        return new Evidence.Done(treatment, new HashSet<>(COLOURS));
    }

    static Belief believe(Situation situation, Evidence... evidence) {
        var belief = Belief.of(situation, Table.USUAL);
        for (var e : evidence) {
            belief = belief.with(e);
        }
        return belief;
    }

    static Progress progress(Situation situation, Evidence... evidence) {
        var so = Progress.of(situation);
        for (var e : evidence) {
            so = so.with(e);
        }
        return so;
    }
}
