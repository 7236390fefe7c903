package fairkettle.measure;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import tools.jackson.databind.JsonNode;

/**
 * {@code ./kettle measure round}: forty screens that all ask for the round and the week of sixty machines, after every
 * change of the shop, while the minute goes on; beside it the same screens asking for nothing at all. How many plans
 * were made is counted by the instants that answers carry.
 */
public final class Rounds {

    private static final int MACHINES = 60;
    private static final int SCREENS = 40;
    private static final int CHANGES = 12;
    private static final int ASKED = 4; // times that each screen asks after a change

    private Rounds() {}

    /** @param args the built application's folder, and a database url */
    public static void main(String[] args) throws Exception {
        try (var kettle = new Running(Path.of(args[0]), args[1]);
                var screens = Executors.newFixedThreadPool(SCREENS)) {
            var machines = new ArrayList<Long>();
            kettle.post("/api/people", "{\"name\": \"Wren of the measure\"}");
            for (int i = 0; i < MACHINES; i++) {
                kettle.post("/api/machines", """
                    {"name": "Round %d", "bench": "Bench %d", "profile": "small-tank", "holds": "INKED", "family": "SUBLIMATION",
                     "make": "own", "foodOnly": false, "tankShare": 0.7}\
                    """.formatted(i, i / 6));
            }
            for (var machine : kettle.get("/api/round").json().get("machines")) {
                machines.add(machine.get("id").asLong());
            }
            for (int i = 0; i < 3; i++) { // warm: what every start must do once
                ask(kettle, screens, "/api/round");
                ask(kettle, screens, "/api/week");
            }
            Thread.sleep(2000); // the long search behind it is over
            var round = new ArrayList<Double>();
            var week = new ArrayList<Double>();
            var nothing = new ArrayList<Double>();
            var plans = new HashSet<String>();
            var weeks = new HashSet<String>();
            int errors = 0;
            ask(kettle, screens, "/api/round").forEach(a -> plans.add(at(a.json())));
            plans.clear();
            long began = System.nanoTime();
            for (int change = 0; change < CHANGES; change++) {
                kettle.post(
                        "/api/machines/" + machines.get(change) + "/owed",
                        "{\"words\": \"Dust lid %d\", \"why\": \"it is dusty\", \"inDays\": 0}".formatted(change));
                for (int k = 0; k < ASKED; k++) {
                    ask(kettle, screens, "/actuator/health/liveness").forEach(a -> nothing.add(a.ms()));
                    for (var answer : ask(kettle, screens, "/api/round")) {
                        errors += answer.status() == 200 ? 0 : 1;
                        round.add(answer.ms());
                        plans.add(at(answer.json()));
                    }
                    for (var answer : ask(kettle, screens, "/api/week")) {
                        errors += answer.status() == 200 ? 0 : 1;
                        week.add(answer.ms());
                        weeks.add(at(answer.json()));
                    }
                }
            }
            long minutes = (System.nanoTime() - began) / 60_000_000_000L + 1;
            System.out.printf(
                    Locale.ROOT,
                    "{\"measure\":\"round\",\"machines\":%d,\"screens\":%d,\"changes\":%d,\"minutes\":%d,\"asked\":%d,\"errors\":%d,\"plans_made\":%d,\"weeks_made\":%d,\"round_ms_p50\":%.1f,\"round_ms_p95\":%.1f,\"week_ms_p50\":%.1f,\"week_ms_p95\":%.1f,\"nothing_ms_p50\":%.1f,\"nothing_ms_p95\":%.1f}%n",
                    MACHINES,
                    SCREENS,
                    CHANGES,
                    minutes,
                    round.size() + week.size(),
                    errors,
                    plans.size(),
                    weeks.size(),
                    share(round, .5),
                    share(round, .95),
                    share(week, .5),
                    share(week, .95),
                    share(nothing, .5),
                    share(nothing, .95));
        }
    }

    private static String at(JsonNode answer) {
        return answer.get("now").asString();
    }

    private static List<Running.Answer> ask(Running kettle, ExecutorService screens, String path) throws Exception {
        var asked = new ArrayList<Future<Running.Answer>>();
        for (int i = 0; i < SCREENS; i++) {
            asked.add(screens.submit(() -> kettle.get(path)));
        }
        var answers = new ArrayList<Running.Answer>();
        for (var one : asked) {
            answers.add(one.get());
        }
        return answers;
    }

    private static double share(List<Double> values, double share) {
        values.sort(null);
        return values.get((int) (share * (values.size() - 1)));
    }
}
