package fairkettle.server.cards;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.server.Api;
import fairkettle.server.Hand;
import fairkettle.server.ServerTest;
import fairkettle.server.ledger.Ledger;
import java.util.ArrayList;
import java.util.List;
import org.assertj.core.api.AbstractStringAssert;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;

/** Jobs as they come to a bench: what their cards say of this machine and this kit, and that they can be ended. */
@ServerTest
class StoriesTest {

    private static final String CONSTANT_HEAD = """
        {"ribbon": "JOINED", "chamber": "NONE", "bracket": "NONE", "constantHead": true, "valve": true, "plugs": true,
         "sponge": false, "bunged": false, "first": 0, "second": 0, "tilt": 0}\
        """;

    private static int numbered;

    @Autowired
    private Api api;

    @Autowired
    private Hand hand;

    @Autowired
    private Ledger ledger;

    @Autowired
    private JdbcClient db;

    @BeforeEach
    void bottles() {
        hand.bottles("SUBLIMATION", false, "K", "C", "M", "Y", "LC", "LM");
    }

    /** What is open on one bench may bar another: alcohol here, heat there. */
    @AfterEach
    void nobodyIsAtWork() {
        db.sql("update card set given_up = 'the story is told' where finished_at is null and given_up is null")
                .update();
    }

    @Test
    void outsideTanksWithAConstantHeadAndGrowthInOneColour() {
        long machine = machine("small-cartridge", "BULK", "SUBLIMATION");
        teach(machine, "{\"ways\": {}, \"kit\": " + CONSTANT_HEAD + "}");
        long card = begin(machine, "\"purpose\": \"RENEW\"");
        told(card)
                .contains("Valve open, filling plugs out", "Reset the constant-head tanks", "one large bubble")
                .doesNotContain("inline damper", "level mark", "priming chamber");
        hand.carryOutUntil(card, "SUBLIMATION", "threads");
        assertThat(api.act(card, "fail", "{\"step\": \"threads\", \"branch\": \"growth\"}"))
                .hasStatusOk();
        told(card).contains("Everything goes, all channels", "None from the same opening");
        ended(card, "SUBLIMATION");
    }

    @Test
    void aWideTankMachineOutOfItsBoxLedByItsOwnScreen() {
        long machine = machine("wide-tank", "AS_BUILT", "NEVER_INKED");
        long card = begin(machine, "\"family\": \"SUBLIMATION\"");
        told(card)
                .containsSubsequence(
                        "lift it with two people",
                        "Fill K to the line",
                        "Hold the help key to the beep",
                        "Join it to its computer",
                        "Nozzle check",
                        "Mirrored proof, pressed")
                .doesNotContain("Let it rest");
        hand.carryOutUntil(card, "SUBLIMATION", "check");
        assertThat(api.act(card, "fail", "{\"step\": \"check\", \"branch\": \"gaps-clean\"}"))
                .hasStatusOk();
        told(card).contains("Then the check again, on a fresh sheet.");
        ended(card, "SUBLIMATION");
    }

    @Test
    void aSmallTankMachineWithoutAScreenFreedInMidPrint() {
        long card = begin(machine("small-tank", "AS_BUILT", "MAKERS_DYE"), "\"family\": \"SUBLIMATION\"");
        told(card)
                .containsSubsequence(
                        "pulling the cord in mid-print",
                        "A wet cloth under the head",
                        "Middle ones first, straight up",
                        "gush, then air alone",
                        "Each tube to its own damper",
                        "The wet cloth out from under the head",
                        "In the driver on its computer: preferences, maintenance, power cleaning.")
                .doesNotContain("menu", "On its screen");
        ended(card, "SUBLIMATION");
    }

    @Test
    void aGarmentMachineIsSoakedItsHeadOutWashedAndBack() {
        long machine = machine("garment", "AS_BUILT", "FILM");
        long patient = ill(machine);
        told(treat(patient, "SOAK", "\"W1\"")).contains("Wiper out of the way", "What did it leave on the pad?");
        told(treat(patient, "FLUSH_CAP", "")).contains("to its rim");
        long out = treat(patient, "HEAD_OUT", "\"W1\"");
        told(out)
                .containsSubsequence(
                        "Raised bottles down", "Can this head be lost?", "Over a wet cloth", "a fine mist", "home");
        ended(out, "FILM");
    }

    @Test
    void aDualHeadFilmMachineAfterAnIdleWeek() {
        long machine = machine("film-dual-head", "AS_BUILT", "FILM");
        long card = work(machine, "WHITE_START", "\"W1\", \"W2\", \"W3\", \"W4\"");
        told(card)
                .containsSubsequence(
                        "arrow pressed until the head stands on the clear side",
                        "Shake bottle and tank of the white",
                        "shaken, it goes back into its own tank",
                        "A colour that was whole is left alone",
                        "A white block on film");
        double before = held(machine, "W1");
        ended(card, "FILM");
        assertThat(held(machine, "W1"))
                .as("drawn white went back; a cleaning, a check and a block are gone")
                .isGreaterThan(before - 4);
        told(work(machine, "LONG_RUN", "")).contains("shaker");
    }

    @Test
    void aBulkKitWithLooseDampersOnSixSlots() {
        long card = begin(
                machine("wide-cartridge-six", "AS_BUILT", "MAKERS_DYE"),
                "\"family\": \"SUBLIMATION\", \"route\": \"BULK_FEED\"");
        told(card)
                .containsSubsequence(
                        "to be cut for loose dampers",
                        "mark where to cut",
                        "Cut through the marks",
                        "priming plug in",
                        "Look at the level mark",
                        "free side first",
                        "elbow faces the carriage");
        ended(card, "SUBLIMATION");
    }

    @Test
    void snapInHeadsForFood() {
        hand.bottles("EDIBLE", true, "K", "C", "M", "Y");
        long card = begin(machine("snap-in-head", "AS_BUILT", "NEVER_INKED"), "\"family\": \"EDIBLE\"");
        told(card)
                .containsSubsequence(
                        "black head, one port", "colour head, three ports", "Fill K to the line", "food sheet used")
                .doesNotContain("screws");
        ended(card, "EDIBLE");
    }

    @Test
    void magentaGoneInAnOfficeMachineIsPushedAtItsVent() {
        long card = treat(ill(machine("office-cartridge-four", "REFILLABLE", "SUBLIMATION")), "PUSH_AT_VENT", "\"M\"");
        told(card)
                .containsSubsequence(
                        "lid still shut: its menu",
                        "A towel flat under the head",
                        "Is the vent of M open?",
                        "the plunger springs back",
                        "Blot the foam under the path",
                        "One light cleaning");
        ended(card, "SUBLIMATION");
    }

    @Test
    void refillablesThatAreNotDetectedAndFluidAtAnInlet() {
        long machine = machine("small-cartridge", "AS_BUILT", "MAKERS_DYE");
        long card = begin(machine, "\"family\": \"SUBLIMATION\", \"route\": \"REFILLABLES\"");
        hand.carryOutUntil(card, "SUBLIMATION", "click-in");
        assertThat(branches(card, "click-in")).isNotEmpty();
        ended(card, "SUBLIMATION");
        long inlet = treat(ill(machine), "DRAW_AT_INLET", "\"C\"");
        told(inlet)
                .containsSubsequence(
                        "Take off what sits on the inlet of C",
                        "The tube that fits",
                        "First cleaning: its page judges nothing",
                        "Second cleaning: the page after it counts");
        ended(inlet, "SUBLIMATION");
    }

    @Test
    void aJoinedKitOnASmallMachineWhoseGearIsTurnedByHand() {
        long card = begin(
                machine("small-four-slot", "AS_BUILT", "MAKERS_DYE"),
                "\"family\": \"SUBLIMATION\", \"route\": \"BULK_FEED\"");
        told(card)
                .containsSubsequence(
                        "joined to tanks and cartridges",
                        "There is no mark: the amount judges",
                        "until 10 mL of solid ink stand in the syringe",
                        "the gear inside at the front is turned forward")
                .doesNotContain("Cut", "level mark", "inline damper");
        assertThat(expected(card, "priming-first", 1)).isEqualTo(30);
        assertThat(expected(card, "priming-second", 0)).isEqualTo(20);
        ended(card, "SUBLIMATION");
    }

    @Test
    void oneWhiteLineOfAGarmentMachineIsFlushed() {
        long card = work(machine("garment", "AS_BUILT", "FILM"), "LINE_FLUSH", "\"W2\"");
        told(card)
                .containsSubsequence(
                        "plate over the head: loosened, not taken out",
                        "Whose line is it?",
                        "pliers on the damper’s body",
                        "Ink out first, with air",
                        "Ink bottle away, waste bottle in",
                        "Fluid through the line",
                        "hold the tube at the damper",
                        "Its ink-fill key",
                        "Nozzle check");
        ended(card, "FILM");
    }

    @Test
    void ownPhotoInkFromALevelTankWithAButtonChip() {
        hand.bottles("MAKERS_DYE", false, "K", "C", "M", "Y");
        long card = begin(
                machine("office-cartridge-four", "AS_BUILT", "NEVER_INKED"),
                "\"family\": \"MAKERS_DYE\", \"route\": \"BULK_FEED\", \"chips\": \"BUTTON\"");
        told(card)
                .containsSubsequence(
                        "hold the small button on the ink set", "Hang the cartridges", "Vents open", "Bungs out")
                .contains("Hang the bracket, and level it")
                .doesNotContain("Shut the valve", "level mark", "Look for the old hue");
        ended(card, "MAKERS_DYE");
    }

    @Test
    void bagsOutOfASixChannelMachineItsOldLinesJoinedForFilm() {
        hand.bottles("FILM", false, "K", "C", "M", "Y", "W1", "W2");
        long card = begin(machine("bags-inside", "AS_BUILT", "MAKERS_DYE"), "\"family\": \"FILM\"");
        told(card)
                .containsSubsequence(
                        "pulling the cord at its first movement",
                        "side panel, those at the back too",
                        "Bags out, one by one",
                        "Rinse the old line",
                        "Join each old line to its tank, innermost first",
                        "White block over colour")
                .doesNotContain("New dampers and lines", "Open the tank caps");
        ended(card, "FILM");
    }

    @Test
    void aNewWideSixSlotMachineForFilmWithATabToBreak() {
        hand.bottles("FILM", false, "K", "C", "M", "Y", "W1", "W2");
        long card = begin(
                machine("wide-cartridge-six", "AS_BUILT", "NEVER_INKED"),
                "\"family\": \"FILM\", \"chips\": \"AUTO_RESET\"");
        told(card)
                .containsSubsequence(
                        "free its left end",
                        "Lay the bar flat, bring the head to the left",
                        "free its right end",
                        "Is a black tab in its way?",
                        "Lay it flat again, bring the head back",
                        "Pull the bar straight out");
        hand.carryOutUntil(card, "FILM", "bar-tab");
        assertThat(api.act(card, "fail", "{\"step\": \"bar-tab\", \"branch\": \"tab\"}"))
                .hasStatusOk();
        told(card).contains("outward and away from the carriage");
        ended(card, "FILM");
    }

    @Test
    void aPhotoTankMachineToFilmItsHeadOutRebasedAndSealed() {
        hand.bottles("FILM", false, "K", "C", "M", "Y", "W1", "W2");
        long machine = machine("six-ink-tank", "AS_BUILT", "MAKERS_DYE");
        assertThat(api.put("/api/machines/" + machine + "/schools", "{\"schools\": {\"HEAD_OUT\": \"seal\"}}", "0"))
                .hasStatusOk();
        long card = begin(machine, "\"family\": \"FILM\"");
        told(card)
                .containsSubsequence(
                        "Head out", "New base, the right way round", "Prove the sealant", "Seal it", "Screws back");
        ended(card, "FILM");
    }

    @Test
    void aFullPadIsKnownBeforeTheFirstScrew() {
        long machine = machine("small-cartridge", "REFILLABLE", "SUBLIMATION");
        db.sql("insert into content (place, substance, microlitres) select 'pad/' || ?, substance, 245000 from content"
                        + " limit 1")
                .param(machine)
                .update();
        var plan = api.read(api.get("/api/machines/" + machine + "/changeover?family=MAKERS_DYE&make=maker"));
        assertThat(plan.at("/plan/padAfter").asDouble()).isGreaterThan(1);
        assertThat(plan.at("/plan/first").toString()).contains("A new waste pad");
        assertThat(api.post(
                        "/api/cards",
                        "{\"machine\": %d, \"family\": \"MAKERS_DYE\", \"make\": \"maker\"}".formatted(machine)))
                .hasStatus(422)
                .bodyText()
                .contains("Change the pad first");
        db.sql("delete from content where place = 'pad/' || ?").param(machine).update();
    }

    @Test
    void theKeyOfAMachineWithoutAScreenAtItsFirstFill() {
        long card = begin(machine("small-tank", "AS_BUILT", "NEVER_INKED"), "\"family\": \"SUBLIMATION\"");
        told(card)
                .containsSubsequence(
                        "power lamp steady", "Hold the key with the sheet on it", "(5 s)", "Join it to its computer")
                .doesNotContain("screen");
        ended(card, "SUBLIMATION");
    }

    @Test
    void firmwareThatIgnoresChipsFromStartersToTheStoredCode() {
        long card = begin(
                machine("small-cartridge", "AS_BUILT", "NEVER_INKED"),
                "\"family\": \"SUBLIMATION\", \"chips\": \"IGNORED\"");
        told(card)
                .containsSubsequence("Hold cancel, down and left", "No, or later", "activation", "Old cartridges out");
        ended(card, "SUBLIMATION");
    }

    @Test
    void aSecondHandMachineThatWasNeverInkedTakesChipsThatResetThemselves() {
        long card = begin(
                machine("wide-cartridge-four", "AS_BUILT", "NEVER_INKED"),
                "\"family\": \"SUBLIMATION\", \"chips\": \"AUTO_RESET\"");
        told(card).contains("reset themselves", "Plug the fill holes, leave the air holes open");
        ended(card, "SUBLIMATION");
    }

    @Test
    void aPlanSaysWhichDayItEndsAndLeavesNoHeadBareOverNight() {
        var plan = api.read(api.get("/api/machines/%d/changeover?family=SUBLIMATION&make=own"
                .formatted(machine("six-ink-tank", "AS_BUILT", "MAKERS_DYE"))));
        assertThat(plan.at("/plan/times/days")).isNotEmpty();
        plan.at("/plan/times/days")
                .forEach(d -> assertThat(d.get("mayStand").asBoolean()).isTrue());
    }

    @Test
    void aPlanIsRehearsedAndHarmsNothing() {
        long machine = machine("small-tank", "AS_BUILT", "MAKERS_DYE");
        long entries = db.sql("select count(*) from entry").query(Long.class).single();
        var rehearsal = api.read(api.get("/api/machines/" + machine + "/rehearsal?family=SUBLIMATION&make=own"));
        var wrong = new ArrayList<String>();
        rehearsal
                .get("steps")
                .forEach(s -> s.get("choices")
                        .forEach(c -> c.get("harm")
                                .forEach(h -> wrong.add(h.get("what").asString()))));
        assertThat(wrong).contains("Somebody gets hurt", "Something breaks");
        assertThat(db.sql("select count(*) from entry").query(Long.class).single())
                .isEqualTo(entries);
        long card = begin(machine, "\"family\": \"SUBLIMATION\"");
        assertThat(api.read(api.get("/api/cards/" + card + "/rehearsal")).get("steps"))
                .hasSameSizeAs(rehearsal.get("steps"));
        hand.carryOutUntil(card, "SUBLIMATION", "bench");
        assertThat(api.get("/api/cards/" + card + "/rehearsal"))
                .hasStatus(422)
                .bodyText()
                .contains("has been begun");
    }

    @Test
    void aKitThatIsTaughtOnAnOpenCardChangesWhatIsStillToDo() {
        long machine = machine("wide-cartridge-six", "AS_BUILT", "MAKERS_DYE");
        long card = begin(machine, "\"family\": \"SUBLIMATION\", \"route\": \"BULK_FEED\"");
        hand.carryOutUntil(card, "SUBLIMATION", "mark-ribbon");
        teach(machine, "{\"ways\": {}, \"kit\": " + CONSTANT_HEAD + "}");
        told(card)
                .containsSubsequence("Fill the tanks", "Reset the constant-head tanks", "Hang the cartridges")
                .doesNotContain("inline dampers", "Press the bracket on", "level mark");
        ended(card, "SUBLIMATION");
    }

    private long machine(String profile, String feed, String holds) {
        var held = holds.equals("NEVER_INKED")
                ? "\"NEVER_INKED\""
                : "\"INKED\", \"family\": \"%s\", \"make\": \"%s\""
                        .formatted(holds, holds.startsWith("MAKERS") ? "maker" : "own");
        return api.read(api.post("/api/machines", """
            {"name": "Story %d", "bench": "Story bench", "profile": "%s", "feed": "%s", "holds": %s, "foodOnly": false, "tankShare": 0.7}\
            """.formatted(++numbered, profile, feed, held)))
                .at("/plate/id")
                .asLong();
    }

    private long begin(long machine, String wish) {
        var begun = api.post("/api/cards", "{\"machine\": %d, \"make\": \"own\", %s}".formatted(machine, wish));
        assertThat(begun).hasStatus(201);
        return api.read(begun).get("id").asLong();
    }

    private long work(long machine, String work, String channels) {
        return api.read(api.post(
                        "/api/machines/" + machine + "/works",
                        "{\"work\": \"%s\", \"channels\": [%s]}".formatted(work, channels)))
                .get("card")
                .asLong();
    }

    private long ill(long machine) {
        return api.read(api.post(
                        "/api/cases",
                        "{\"machines\": [%d], \"complaints\": [\"GAPS\"], \"work\": \"TEXT\", \"words\": \"\"}"
                                .formatted(machine)))
                .get("id")
                .asLong();
    }

    private long treat(long patient, String treatment, String channels) {
        var begun = api.post(
                "/api/cases/" + patient + "/card",
                "{\"treatment\": \"%s\", \"channels\": [%s], \"anyway\": \"so it was done\"}"
                        .formatted(treatment, channels));
        long card = api.read(begun).get("card").asLong();
        if (!treatment.equals("HEAD_OUT") && !treatment.startsWith("PUSH") && !treatment.startsWith("DRAW")) {
            ended(card, "FILM");
        }
        return card;
    }

    private void teach(long machine, String taught) {
        int version = api.read(api.get("/api/machines/" + machine + "/handling"))
                .get("version")
                .asInt();
        assertThat(api.put("/api/machines/" + machine + "/handling", taught, "" + version))
                .hasStatusOk();
    }

    /** Everything that a card says, in its order. */
    private AbstractStringAssert<?> told(long card) {
        var words = new StringBuilder();
        for (var step : api.read(api.get("/api/cards/" + card)).get("steps")) {
            for (var field : List.of("title", "say", "hold")) {
                if (step.hasNonNull(field)) {
                    words.append(step.get(field).asString()).append('\n');
                }
            }
            step.get("ask").get("items").forEach(i -> words.append(i.asString()).append('\n'));
            words.append(step.get("ask").get("words").asString()).append('\n');
            step.get("ask")
                    .get("columns")
                    .forEach(c -> words.append(c.get("label").asString()).append('\n'));
        }
        return assertThat(words.toString());
    }

    private double expected(long card, String step, int column) {
        return step(card, step)
                .get("ask")
                .get("columns")
                .get(column)
                .get("expected")
                .get(0)
                .asDouble();
    }

    private JsonNode branches(long card, String step) {
        return step(card, step).get("branches");
    }

    private JsonNode step(long card, String id) {
        for (var step : api.read(api.get("/api/cards/" + card)).get("steps")) {
            if (step.get("id").asString().equals(id)) {
                return step;
            }
        }
        throw new AssertionError("no step " + id);
    }

    /** To its end, and no mL is lost or made on the way. */
    private void ended(long card, String family) {
        assertThat(hand.carryOut(card, family).get("state").asString()).isEqualTo("done");
        assertThat(ledger.rebuild()).isZero();
    }

    private double held(long machine, String channel) {
        return db.sql("select coalesce(sum(microlitres), 0) / 1000.0 from content where place like ?")
                .param("path/%d/%s/%%".formatted(machine, channel))
                .query(Double.class)
                .single();
    }
}
