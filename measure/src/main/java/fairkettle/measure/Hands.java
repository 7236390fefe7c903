package fairkettle.measure;

import fairkettle.benchwork.BenchCard;
import fairkettle.benchwork.BenchWork;
import fairkettle.changeover.Answer;
import fairkettle.changeover.Job;
import fairkettle.changeover.Plan;
import fairkettle.changeover.Planner;
import fairkettle.changeover.Shops;
import fairkettle.clinic.Treatment;
import fairkettle.clinic.TreatmentCard;
import fairkettle.hand.LiteralHand;
import fairkettle.hand.LiteralHand.Harm;
import fairkettle.hand.Mutation;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Family;
import fairkettle.machine.CarriageFreeing;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.VesselKind;
import fairkettle.machine.WasteLines;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Step;
import fairkettle.procedure.Uncapped;
import fairkettle.routine.Routine;
import fairkettle.routine.Routines;
import fairkettle.safety.School;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/**
 * {@code ./kettle measure bench}: a literal hand carries out every card on every profile – as built and refitted, under
 * every school and every way of freeing the carriage – and every way of spoiling a good plan.
 */
public final class Hands {

    private final Map<Harm, Integer> harms = new EnumMap<>(Harm.class);
    private final List<Double> times = new ArrayList<>();
    private int cards;
    private int steps;
    private int uncappedOver;

    private Hands() {}

    public static void main(String[] args) {
        new Hands().all();
    }

    private void all() {
        var jobs = Shops.everyJob().toList();
        var planned = new ArrayList<Map.Entry<Job, Plan>>();
        jobs.forEach(job -> plan(job, Map.of()).ifPresent(plan -> planned.add(Map.entry(job, plan))));
        times.clear(); // warm by now
        jobs.forEach(job -> plan(job, Map.of()));
        planned.forEach(each -> changeover(each.getKey(), each.getValue()));
        var one = oneOfEach(planned);
        for (var school : School.values()) {
            for (var position : school.positions()) {
                one.forEach(each -> plan(each.getKey(), Map.of(school, position.id()))
                        .ifPresent(plan -> changeover(each.getKey(), plan)));
            }
        }
        for (var profile : Profiles.ALL) {
            for (var way : ways(profile)) {
                var other = profile.handled(profile.handling().freed(way));
                one.stream()
                        .filter(each -> each.getKey().built().id().equals(profile.id()))
                        .forEach(each -> {
                            var job = each.getKey();
                            var freed = new Job(
                                    other,
                                    job.fit(),
                                    job.channels(),
                                    job.wish(),
                                    job.padUsed(),
                                    job.warrantyAcknowledged(),
                                    job.stock());
                            plan(freed, Map.of()).ifPresent(plan -> changeover(freed, plan));
                        });
                treatments(other);
            }
            benchWork(profile);
        }
        int mutants = 0;
        int caught = 0;
        for (var mutation : Mutation.values()) {
            for (var each : one) {
                boolean meant = mutation != Mutation.A_SCREEN_THAT_IS_NOT_THERE
                        || !each.getKey().profile().handling().panel().screen();
                var spoiled = mutation.of(each.getValue().procedure().steps());
                if (meant && spoiled.isPresent()) {
                    mutants++;
                    caught += faults(each.getKey(), each.getValue(), spoiled.get())
                                    .isEmpty()
                            ? 0
                            : 1;
                }
            }
        }
        double[] ms = times.stream().mapToDouble(t -> t).sorted().toArray();
        System.out.printf(
                Locale.ROOT,
                "{\"measure\":\"bench\",\"profiles\":%d,\"kits\":%d,\"ways\":%d,\"cards\":%d,\"steps\":%d,"
                        + "\"impossible\":%d,\"unsafe\":%d,\"overfilled\":%d,\"unreachable\":%d,\"unknowable\":%d,"
                        + "\"spilt\":%d,\"air\":%d,\"broken\":%d,\"uncapped_over\":%d,\"mutations\":%d,\"mutants\":%d,"
                        + "\"mutants_caught\":%d,\"entries_before\":%s,\"entries_after\":%s,\"plan_ms_p95\":%.2f}%n",
                Profiles.ALL.size(),
                Profiles.ALL.stream().mapToInt(p -> Shops.fits(p).size()).sum(),
                CarriageFreeing.values().length,
                cards,
                steps,
                harm(Harm.IMPOSSIBLE) + harm(Harm.UNKNOWN),
                harm(Harm.UNSAFE),
                harm(Harm.OVERFILLED),
                harm(Harm.UNREACHABLE),
                harm(Harm.UNKNOWABLE),
                harm(Harm.SPILT),
                harm(Harm.AIR),
                harm(Harm.BROKEN),
                uncappedOver + harm(Harm.DRIED),
                Mutation.values().length,
                mutants,
                caught,
                taps(one, false),
                taps(one, true),
                ms[(int) (ms.length * .95)]);
    }

    /** A machine without a screen has no menu to free its carriage by. */
    private static List<CarriageFreeing> ways(Profile profile) {
        return Stream.of(CarriageFreeing.values())
                .filter(w -> profile.handling().panel().screen()
                        || w != CarriageFreeing.MENU && w != CarriageFreeing.MENU_THEN_CORD)
                .toList();
    }

    private int harm(Harm harm) {
        return harms.getOrDefault(harm, 0);
    }

    private java.util.Optional<Plan> plan(Job job, Map<School, String> schools) {
        long start = System.nanoTime();
        var answer = Planner.plan(job, Shops.terms(schools));
        if (answer instanceof Answer.Planned(var plan)) {
            times.add((System.nanoTime() - start) / 1e6);
            return java.util.Optional.of(plan);
        }
        return java.util.Optional.empty();
    }

    private static List<Map.Entry<Job, Plan>> oneOfEach(List<Map.Entry<Job, Plan>> planned) {
        var longest = new LinkedHashMap<String, Map.Entry<Job, Plan>>();
        planned.forEach(each -> longest.merge(
                each.getValue().route()
                        + each.getKey().built().id()
                        + each.getKey().neverInked(),
                each,
                (a, b) -> b.getValue().procedure().steps().size()
                                > a.getValue().procedure().steps().size()
                        ? b
                        : a));
        return List.copyOf(longest.values());
    }

    private static List<LiteralHand.Fault> faults(Job job, Plan plan, List<Step> of) {
        return LiteralHand.carryOut(job.profile(), job.built().fitted(plan.fit()), LiteralHand.Start.of(job), of);
    }

    private void changeover(Job job, Plan plan) {
        var procedure = plan.procedure();
        count(procedure.steps(), faults(job, plan, procedure.steps()));
        if (!job.neverInked()
                && Uncapped.of(procedure.startState(), procedure.steps()).bare() > Uncapped.BARE_LIMIT) {
            uncappedOver++;
        }
    }

    private void whole(Profile profile, List<Step> card) {
        count(card, LiteralHand.carryOut(profile, profile, LiteralHand.Start.running(profile), card));
    }

    private void count(List<Step> card, List<LiteralHand.Fault> faults) {
        cards++;
        steps += card.size();
        faults.forEach(f -> {
            harms.merge(f.harm(), 1, Integer::sum);
            if (harm(f.harm()) <= 3) {
                System.err.println(f);
            }
        });
    }

    private void treatments(Profile profile) {
        Arrays.stream(Treatment.values())
                .filter(t -> t != Treatment.RENEW)
                .filter(t -> t != Treatment.FLUSH_LINE
                        || profile.channels().getFirst().has(VesselKind.TUBE))
                .filter(t ->
                        t != Treatment.DRAW_AT_WASTE_LINE || profile.handling().wasteLines() != WasteLines.NONE)
                .forEach(t -> whole(
                        profile,
                        TreatmentCard.of(t, profile.codes().subList(0, 2), profile, profile.built())
                                .steps()));
    }

    private void benchWork(Profile profile) {
        var family = profile.built() == Family.FILM ? Family.FILM : Family.SUBLIMATION;
        Arrays.stream(BenchWork.values())
                .filter(w -> w != BenchWork.ROUTINE && w.concerns(profile, family))
                .forEach(w -> whole(
                        profile,
                        BenchCard.of(w, w.channels(profile), profile, family).steps()));
        Routines.of(profile, family)
                .forEach(r -> whole(
                        profile,
                        BenchCard.of(
                                        r,
                                        r.scope() == Routine.Scope.MACHINE
                                                ? List.<ChannelCode>of()
                                                : profile.codes().stream()
                                                        .filter(c -> r.scope() != Routine.Scope.WHITE || c.white())
                                                        .toList(),
                                        profile,
                                        family)
                                .steps()));
    }

    /** Taps of a drain, a bulk feed and a first fill as planned. @param together with one tap for all that is left */
    private static String taps(List<Map.Entry<Job, Plan>> plans, boolean together) {
        var by = new LinkedHashMap<String, Integer>();
        for (var route : List.of("DRAIN_AND_SWAP", "BULK_FEED", "FIRST_FILL")) {
            plans.stream()
                    .filter(each -> each.getValue().route().name().equals(route)
                            && each.getKey().built().codes().size() == 4)
                    .findFirst()
                    .ifPresent(each -> by.put(
                            route,
                            each.getValue().procedure().steps().stream()
                                    .mapToInt(s -> together && oneTap(s) ? 1 : 1 + cells(s, together))
                                    .sum()));
        }
        return by.entrySet().stream()
                .map(e -> "\"%s\":%d".formatted(e.getKey(), e.getValue()))
                .collect(java.util.stream.Collectors.joining(",", "{", "}"));
    }

    /** All as planned, and done with it: no code to read, no look before a hold, no order, no wait. */
    private static boolean oneTap(Step step) {
        return step.pause() == null
                && switch (step.ask()) {
                    case Ask.Ticks(var _, var inOrder) -> !inOrder && step.hold() == null;
                    case Ask.Grid(var _, var columns) ->
                        columns.stream().noneMatch(c -> c.kind() == Ask.ColumnKind.CODE)
                                && (step.hold() == null
                                        || columns.stream().anyMatch(c -> c.kind() == Ask.ColumnKind.VOLUME));
                    default -> false;
                };
    }

    private static int cells(Step step, boolean together) {
        return switch (step.ask()) {
            case Ask.Ticks(var items, var _) -> items.size();
            case Ask.Each(var _, var items, var _, var _, var _) -> items.size();
            case Ask.Tally(var _, var parts, var _) -> parts.size();
            case Ask.InOrder(var channels, var _) -> channels.size();
            case Ask.Lots(var channels, var _) -> channels.size();
            case Ask.Comb(var channels, var _) -> together ? 1 : channels.size();
            case Ask.Picks(var patterns, var _, var _) -> patterns.size();
            case Ask.Grid grid -> grid(grid, step.hold() != null, together);
            case Ask.Done _ -> 0;
            case Ask.Count _, Ask.Acknowledge _, Ask.Words _, Ask.Choice _, Ask.KeyStored _, Ask.Photo _ -> 1;
        };
    }

    private static int grid(Ask.Grid grid, boolean hold, boolean together) {
        int codes = 0;
        int others = 0;
        boolean volumes = false;
        for (var column : grid.columns()) {
            volumes |= column.kind() == Ask.ColumnKind.VOLUME;
            for (int row = 0; row < grid.channels().size(); row++) {
                if (column.kind() == Ask.ColumnKind.CODE) {
                    codes++;
                } else if (column.kind() != Ask.ColumnKind.VOLUME
                        || !column.expected().get(row).isZero()) {
                    others++;
                }
            }
        }
        return codes + (together && others > 1 && (volumes || !hold) ? 1 : others);
    }
}
