package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;

/** Ill machines, as somebody with a tablet treats them; and one to practise on. */
class ClinicIT {

    private static RunningKettle kettle;
    private static Browser tablet;

    @BeforeAll
    static void start() throws Exception {
        kettle = new RunningKettle(true, Instant.parse("2026-12-23T09:10:00Z"));
        tablet = new Browser(kettle);
        tablet.open("/");
        tablet.signAs(1);
        tablet.size(1280, 800);
    }

    @AfterAll
    static void stop() {
        tablet.close();
        kettle.close();
    }

    private static long machine(String name) throws SQLException {
        return kettle.query("select id from machine where name = '" + name + "'");
    }

    /** The last check of a machine, as it would have been tapped. */
    private static void check(String name, Map<String, List<Integer>> gaps) throws SQLException {
        var plate = (Map<?, ?>) tablet.fetch("/api/machines/" + machine(name)).get("plate");
        var missing = new StringBuilder();
        for (var channel : (List<?>) plate.get("channels")) {
            var code = (String) ((Map<?, ?>) channel).get("code");
            missing.append(missing.isEmpty() ? "" : ", ")
                    .append("\"%s\": %s".formatted(code, gaps.getOrDefault(code, List.of())));
        }
        tablet.post("/api/machines/" + machine(name) + "/checks", "{\"missing\": {" + missing + "}}");
    }

    /** Opens a case in the dialog, and is at its page. @return its number */
    private static long open(String name, String complaint) throws SQLException {
        tablet.open("/clinic");
        tablet.press("Something is wrong");
        tablet.sees("In your words");
        tablet.press(name);
        tablet.press(complaint);
        tablet.press("Open the case");
        tablet.sees("What it believes");
        return kettle.query("select max(id) from clinic_case");
    }

    private static Map<?, ?> advice(long id) {
        return (Map<?, ?>) tablet.fetch("/api/cases/" + id).get("advice");
    }

    private static void done(long id, String treatment, String... channels) {
        tablet.post(
                "/api/cases/" + id + "/evidence",
                "{\"kind\": \"DONE\", \"treatment\": \"%s\", \"channels\": [\"%s\"]}"
                        .formatted(treatment, String.join("\", \"", channels)));
    }

    private static List<Integer> teeth(int from, int to) {
        return IntStream.range(from, to).boxed().toList();
    }

    @Test
    void aStarvedWhiteLineIsKnownForWhatItIsAndNoCleaningIsSpent() throws SQLException {
        tablet.open("/clinic");
        tablet.sees("Teasel");
        tablet.click(".cases .case");
        tablet.sees("What it believes");
        assertThat(tablet.find(".findings li").getText())
                .containsAnyOf("settled", "starved")
                .contains("W1");
        long id = kettle.query("select max(id) from clinic_case where machine_id = %d".formatted(machine("Teasel")));
        assertThat(tablet.find(".advice .title").getText())
                .as("a look for threads costs nothing, and comes before a damper")
                .contains("W1", "Threads");
        tablet.post("/api/cases/" + id + "/evidence", "{\"kind\": \"THREAD\", \"channels\": [\"W1\"], \"yes\": false}");
        tablet.until(_ -> !tablet.find(".advice .title").getText().contains("Threads"));
        if (tablet.find(".advice .title").getText().contains("Purge sheet")) { // of the white alone, if it is worth one
            assertThat(tablet.find(".advice .title").getText()).contains("W1");
            tablet.press("fades");
            tablet.press("That is what it showed");
            tablet.until(_ -> "LOOK".equals(advice(id).get("kind")));
            check("Teasel", Map.of("W1", List.of(8, 31), "W2", List.of(60)));
            tablet.until(_ -> "TREAT".equals(advice(id).get("kind")));
            tablet.until(_ -> tablet.find(".advice .title").getText().contains("W1"));
        }
        assertThat(tablet.find(".advice .title").getText())
                .as("it fades: the line itself, and never the pump")
                .containsAnyOf("Flush the line", "New damper", "Draw at the waste line");
        assertThat(kettle.query(
                        "select count(*) from entry where kind = 'cleaning' and machine_id = %d and at > '2026-12-23T09:00:00Z'"
                                .formatted(machine("Teasel"))))
                .isZero();
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.size(390, 844);
        assertThat(tablet.overflow()).isLessThanOrEqualTo(0);
        tablet.size(1280, 800);
        tablet.press("Open the card");
        tablet.until(d -> d.getCurrentUrl().contains("/cards/"));
        tablet.step();
        assertThat(tablet.consoleErrors()).isEmpty();
    }

    @Test
    void aClosedVentCostsNothingAndEndsTheCase() throws SQLException {
        kettle.casesWereBefore(
                Duration.ofDays(7)); // it was cured last week, and what was looked at then says nothing today
        check("Thistle", Map.of("C", teeth(10, 40)));
        long id = open("Thistle", "Fades down the page");
        tablet.sees("Look at the simple things");
        tablet.sees("Known already:");
        tablet.find(".advice .code[aria-pressed]");
        tablet.script(
                "[...document.querySelectorAll('.advice .code')].find((b) => b.textContent.trim() === 'C').click()");
        tablet.press("Found, and put right");
        tablet.sees("Print a check");
        check("Thistle", Map.of());
        tablet.sees("Lay down a full page");
        tablet.press("All even");
        for (int i = 0; i < 4 && !"CLOSE".equals(advice(id).get("kind")); i++) {
            check("Thistle", Map.of());
            if ("PAGE".equals(advice(id).get("kind"))) {
                tablet.sees("Lay down a full page");
                tablet.press("All even");
            }
        }
        tablet.sees("close the case");
        tablet.press("The first print is good: cured");
        tablet.until(_ -> !tablet.showsNow("The first print is good: cured"));
        assertThat(kettle.query("select count(*) from clinic_case where id = %d and ending = 'CURED'".formatted(id)))
                .isEqualTo(1);
    }

    @Test
    void anAirLockAfterAChangeoverIsNotCleaned() throws SQLException {
        kettle.query("update machine set signed_off = '2026-12-22T15:00:00Z' where name = 'Bramble' returning id");
        check("Bramble", Map.of("M", List.of(4, 9, 30, 31, 60, 61, 62, 70)));
        long id = open("Bramble", "Gaps in the check");
        tablet.sees("Look at the simple things");
        tablet.press("All is well");
        tablet.until(_ -> !"SIMPLE".equals(advice(id).get("kind")));
        check("Bramble", Map.of("M", List.of(2, 15, 16, 17, 44, 80, 81, 85, 88)));
        tablet.sees("the gaps move");
        tablet.sees("just after a changeover");
        assertThat(tablet.find(".findings li").getText()).contains("air").contains("M");
        assertThat(advice(id).get("treatment")).isNotIn("CLEANING", "POWER_CLEANING", "DRAW_AT_INLET");
    }

    @Test
    void aStandingDriedGapGoesThroughRestSoakAndFluid() throws SQLException {
        var gaps = Map.of("M", List.of(4, 9, 14, 22, 30, 37, 41), "Y", List.of(3, 8, 19, 27, 33, 45));
        check("Sorrel", gaps);
        long id = open("Sorrel", "Gaps in the check");
        tablet.press("All is well");
        tablet.until(_ -> !"SIMPLE".equals(advice(id).get("kind")));
        check("Sorrel", gaps);
        done(id, "REST_LONG", "M", "Y");
        check("Sorrel", gaps);
        tablet.sees("the gaps stand still");
        done(id, "SOAK", "M", "Y");
        check("Sorrel", Map.of("M", List.of(4, 9, 14), "Y", List.of(3, 8)));
        tablet.press("Tried so far");
        tablet.sees("13 → 5 gaps");
        tablet.press("What to do");
        tablet.until(_ -> tablet.find(".findings li").getText().contains("dried ink"));
        done(id, "DRAW_AT_INLET", "M", "Y");
        check("Sorrel", Map.of());
        tablet.sees("Lay down a full page");
        tablet.press("All even");
        tablet.until(_ -> List.of("CLOSE", "LOOK", "TREAT").contains(advice(id).get("kind")));
        assertThat(kettle.query("select count(*) from case_evidence where case_id = " + id))
                .isGreaterThan(9);
    }

    @Test
    void aDeadNozzleIsAcceptedWhereTheWorkForgivesIt() throws SQLException {
        var gap = Map.of("Y", List.of(77));
        check("Bryony", gap);
        long id = open("Bryony", "Gaps in the check");
        tablet.until(_ -> advice(id) != null);
        for (int i = 0; i < 5 && !"CLOSE".equals(advice(id).get("kind")); i++) {
            if ("PAGE".equals(advice(id).get("kind"))) {
                tablet.sees("Lay down a full page");
                tablet.press("All even");
                tablet.until(_ -> !"PAGE".equals(advice(id).get("kind")));
            } else if ("SIMPLE".equals(advice(id).get("kind"))) {
                tablet.press("All is well");
                tablet.until(_ -> !"SIMPLE".equals(advice(id).get("kind")));
            } else {
                check("Bryony", gap);
            }
        }
        tablet.sees("Good enough: close the case");
        tablet.press("Good enough, gaps left");
        tablet.sees("good enough");
    }

    @Test
    void whereNothingHelpsTheAdviceIsToStop() throws SQLException {
        var gaps = Map.of("M", teeth(5, 35));
        check("Clover", gaps);
        long id = open("Clover", "Gaps in the check");
        tablet.press("All is well");
        for (int i = 0; i < 60 && !"STOP".equals(advice(id).get("kind")); i++) {
            var now = advice(id);
            switch ((String) now.get("kind")) {
                case "TREAT" -> {
                    var codes = ((List<?>) now.get("channels"))
                            .stream().map(String.class::cast).toArray(String[]::new);
                    done(
                            id,
                            (String) now.get("treatment"),
                            codes.length == 0 ? new String[] {"K", "C", "M", "Y"} : codes);
                }
                case "ASK" ->
                    tablet.post(
                            "/api/cases/" + id + "/evidence",
                            "{\"kind\": \"%s\", \"channels\": %s, \"yes\": %s}"
                                    .formatted(
                                            now.get("question"),
                                            "WASTE_ROSE".equals(now.get("question")) ? "[]" : "[\"M\"]",
                                            "WASTE_ROSE".equals(now.get("question"))));
                default -> check("Clover", gaps);
            }
        }
        tablet.open("/clinic/" + id);
        tablet.sees("Stop here, live with it");
        tablet.press("Stop here, live with it");
        tablet.sees("stopped");
    }

    @Test
    void oneToPractiseOnIsVeiledUntilItsDebrief() {
        tablet.open("/practice");
        tablet.sees("A sick machine");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.press("Easy");
        tablet.sees("Nobody has looked yet.");
        tablet.press("Nozzle check");
        tablet.until(d -> !d.findElements(By.cssSelector(".channel svg")).isEmpty());
        tablet.press("vent, level");
        tablet.press("The simple things");
        tablet.until(d -> d.findElements(By.cssSelector(".lines li")).size() == 2);
        tablet.press("A hint (5 points)");
        tablet.find(".notice");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.press("It is cured");
        tablet.sees("What was wrong");
        tablet.sees("a careful hand");
        assertThat(tablet.accessibilityViolations()).isEmpty();
        tablet.size(800, 1280);
        assertThat(tablet.overflow()).isLessThanOrEqualTo(0);
        tablet.size(1280, 800);
        assertThat(tablet.consoleErrors()).isEmpty();
    }

    @Test
    void questionsAnswerAtOnceAndOrdersSayTheirHarm() {
        tablet.open("/practice/questions/FEEL");
        tablet.click(".answer");
        tablet.press("Next");
        tablet.sees("2 of 13");
        tablet.open("/practice/order/soak");
        for (int i = 0; i < 7; i++) {
            tablet.click(".left .btn");
        }
        tablet.press("That is the order");
        tablet.until(_ -> tablet.showsNow("Not quite") || tablet.showsNow("nothing comes to harm"));
    }
}
