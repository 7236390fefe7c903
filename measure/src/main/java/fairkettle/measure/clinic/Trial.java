package fairkettle.measure.clinic;

import fairkettle.clinic.Table;
import fairkettle.ink.Family;
import fairkettle.standin.machine.AdvisedHand;
import fairkettle.standin.machine.AdvisedHand.End;
import fairkettle.standin.machine.Bedside;
import fairkettle.standin.machine.SickCases;
import fairkettle.standin.machine.SickCases.Sick;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/** All policies on the same seeds. */
public final class Trial {

    private static final int TOLERATED = 2;

    private Trial() {}

    private record Outcome(
            Family family,
            String first,
            boolean fit,
            boolean held,
            boolean falseDone,
            boolean dead,
            boolean other,
            boolean falseDead,
            int empty,
            double ml,
            double pad,
            double hands,
            double hours,
            boolean ruined,
            int rules) {}

    /** @param print takes a line of JSON at a time */
    public static void run(long seed, int cases, Consumer<String> print) {
        var calibration = new Calibration();
        var nanos = Collections.synchronizedList(new ArrayList<Long>());
        var policies = new LinkedHashMap<String, Supplier<Policy>>();
        policies.put("nothing", () -> (bed, _) -> {
            bed.check();
            return End.DONE;
        });
        policies.put("clean_first", () -> Ladder.CLEAN_FIRST);
        policies.put("sheet_first", () -> Ladder.SHEET_FIRST);
        policies.put("power_early", () -> Ladder.POWER_EARLY);
        policies.put("syringe_first", () -> Ladder.SYRINGE_FIRST);
        policies.put("oracle", Oracle::new);
        policies.put(
                "advisor",
                () -> (bed, s) -> AdvisedHand.treat(bed, Table.USUAL, s, (belief, _, time) -> {
                    nanos.add(time);
                    if (!bed.progress().lookDue()) {
                        calibration.see(bed, belief);
                    }
                }));
        for (int i = 1; i <= 5; i++) {
            var wrong = wrong(i);
            policies.put("advisor_wrong_" + i, () -> (bed, s) -> AdvisedHand.treat(bed, wrong, s, (_, _, _) -> {}));
        }
        var only = System.getProperty("measure.policies", "");
        policies.forEach((name, policy) -> {
            if (only.isEmpty() || List.of(only.split(",")).contains(name)) {
                var outcomes = all(seed, cases, policy);
                report(name, outcomes, print, name.equals("advisor") ? ", " + calibration.figures(nanos) : "");
            }
        });
    }

    /** The table with every figure off by up to a factor of two. */
    static Table wrong(int which) {
        var dice = new TreeMap<String, Double>();
        var random = new SplittableRandom(which * 7919L);
        Table.USUAL.reasons().keySet().stream().sorted().forEach(key -> dice.put(key, random.nextBoolean() ? 2.0 : .5));
        return Table.USUAL.with((key, row) -> {
            double by = dice.getOrDefault(key, 1.0);
            boolean shares = key.startsWith("missing.") || key.startsWith("fade.") || key.equals("cap");
            for (int i = shares ? 1 : 0; i < row.length; i++) {
                if (key.startsWith("idle.")
                        || key.startsWith("dry.clamp")
                        || key.startsWith("complaint")
                        || key.startsWith("stays.spread")
                        || key.startsWith("fresh.spread")) {
                    row[i] *= by;
                } else {
                    row[i] = row[i] >= 1 ? row[i] : row[i] * by / (1 - row[i] + row[i] * by); // odds
                }
            }
            if (shares) {
                double sum = Arrays.stream(row).sum();
                for (int i = 0; i < row.length; i++) {
                    row[i] /= sum;
                }
            }
            return row;
        });
    }

    private static List<Outcome> all(long seed, int cases, Supplier<Policy> policy) {
        return IntStream.range(0, cases)
                .parallel()
                .mapToObj(i -> one(SickCases.of(seed + i), policy.get(), seed + i))
                .toList();
    }

    private static Outcome one(Sick sick, Policy policy, long seed) {
        var bed = new Bedside(sick);
        boolean hopeless = sick.machine().hopeless(TOLERATED);
        var end = policy.treat(bed, seed);
        var m = bed.machine();
        boolean fit = m.fit(TOLERATED);
        boolean done = end == End.DONE;
        return new Outcome(
                m.family(),
                sick.first(),
                done && fit,
                done && m.holds(TOLERATED),
                done && !fit,
                !done && hopeless,
                !done && !hopeless,
                end == End.CALLED_DEAD && !m.hopeless(TOLERATED),
                bed.emptyAdvice(),
                m.ink(),
                m.pad(),
                m.hands(),
                m.hours(),
                m.parted(),
                bed.rulesBroken());
    }

    private static void report(String policy, List<Outcome> outcomes, Consumer<String> print, String more) {
        line(policy, "all", outcomes, print, more);
        for (var family : List.of(Family.MAKERS_DYE, Family.SUBLIMATION, Family.FILM, Family.EDIBLE)) {
            line(
                    policy,
                    family.label().replace("'", ""),
                    outcomes.stream().filter(o -> o.family() == family).toList(),
                    print,
                    "");
        }
        if (Boolean.getBoolean("measure.causes")) {
            outcomes.stream()
                    .map(Outcome::first)
                    .distinct()
                    .sorted()
                    .forEach(first -> line(
                            policy,
                            "cause " + first,
                            outcomes.stream()
                                    .filter(o -> o.first().equals(first))
                                    .toList(),
                            print,
                            ""));
        }
    }

    private static void line(String policy, String family, List<Outcome> o, Consumer<String> print, String more) {
        if (o.isEmpty()) {
            return;
        }
        print.accept(String.format(
                Locale.ROOT,
                "{\"measure\":\"advisor\",\"policy\":\"%s\",\"family\":\"%s\",\"cases\":%d,\"fit\":%.3f,\"held\":%.3f,\"false_done\":%.3f,\"given_up_dead\":%.3f,\"given_up_curable\":%.3f,\"false_dead\":%.4f,"
                    + "\"ml_mean\":%.1f,\"ml_p50\":%.1f,\"pad_ml_mean\":%.1f,\"hands_min_mean\":%.1f,\"hands_min_p50\":%.1f,\"hours_mean\":%.2f,\"hours_p50\":%.2f,\"hours_p90\":%.1f,\"heads_ruined\":%d,\"rules_broken\":%d,\"empty_advice\":%d%s}",
                policy,
                family,
                o.size(),
                share(o, Outcome::fit),
                share(o, Outcome::held),
                share(o, Outcome::falseDone),
                share(o, Outcome::dead),
                share(o, Outcome::other),
                share(o, Outcome::falseDead),
                mean(o, Outcome::ml),
                at(o, Outcome::ml, .5),
                mean(o, Outcome::pad),
                mean(o, Outcome::hands),
                at(o, Outcome::hands, .5),
                mean(o, Outcome::hours),
                at(o, Outcome::hours, .5),
                at(o, Outcome::hours, .9),
                o.stream().filter(Outcome::ruined).count(),
                o.stream().mapToInt(Outcome::rules).sum(),
                o.stream().mapToInt(Outcome::empty).sum(),
                more));
    }

    private static double share(List<Outcome> all, Predicate<Outcome> what) {
        return all.stream().filter(what).count() / (double) all.size();
    }

    private static double mean(List<Outcome> all, java.util.function.ToDoubleFunction<Outcome> what) {
        return all.stream().mapToDouble(what).average().orElse(0);
    }

    private static double at(List<Outcome> all, java.util.function.ToDoubleFunction<Outcome> what, double quantile) {
        var sorted = all.stream().mapToDouble(what).sorted().toArray();
        return sorted[(int) Math.min(sorted.length - 1, quantile * sorted.length)];
    }
}
