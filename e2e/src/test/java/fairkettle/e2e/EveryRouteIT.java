package fairkettle.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * One card of each route in the real interface, to its end (drain and swap has a story of its own); and the places
 * where the work stops or is refused.
 */
class EveryRouteIT {

    private static final Map<String, String> FAMILIES =
            Map.of("SUBLIMATION", "sublimation", "FILM", "film", "EDIBLE", "edible", "MAKERS_DYE", "maker's dye");

    private static RunningKettle kettle;
    private static Browser tablet;
    private static Path photo;

    @TempDir
    static Path folder;

    @BeforeAll
    static void start() throws IOException, InterruptedException {
        kettle = new RunningKettle(true);
        tablet = new Browser(kettle);
        tablet.open("/");
        tablet.signAs(1);
        photo = folder.resolve("photo.png");
        ImageIO.write(new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB), "png", photo.toFile());
        for (var family : FAMILIES.keySet()) {
            for (var channel : List.of("K", "C", "M", "Y", "LC", "LM", "W1", "W2")) {
                tablet.post("/api/shelf/lots", """
                    {"family": "%s", "channel": "%s", "make": "own", "code": "T-%s-%s", "volume": 2000, "price": 9000, "foodGrade": %s}\
                    """.formatted(
                                family, channel, family.substring(0, 3), channel, family.equals("EDIBLE")));
            }
        }
    }

    @AfterAll
    static void stop() {
        tablet.close();
        kettle.close();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource(textBlock = """
        # route,         profile,             feed,       holds,        asked,                                    family,      becomes
        FIRST_FILL,      small-tank,          AS_BUILT,   NEVER_INKED,  to=SUBLIMATION,                           SUBLIMATION, sublimation · small tank
        REFILLABLES,     small-cartridge,     AS_BUILT,   NEVER_INKED,  to=SUBLIMATION&chips=IGNORED,             SUBLIMATION, 'sublimation · small cartridge, refillable cartridges'
        BULK_FEED,       wide-cartridge-four, AS_BUILT,   MAKERS_DYE,   to=SUBLIMATION&by=BULK_FEED,              SUBLIMATION, 'sublimation · wide cartridge, four inks, bulk-fed'
        FILM_REBUILD,    six-ink-tank,        AS_BUILT,   MAKERS_DYE,   to=FILM,                                  FILM,        'film · six-ink tank, rebuilt for film'
        EDIBLE_START,    snap-in-head,        AS_BUILT,   NEVER_INKED,  to=EDIBLE,                                EDIBLE,      edible · snap-in head
        GO_BACK,         small-cartridge,     REFILLABLE, SUBLIMATION,  to=MAKERS_DYE,                            MAKERS_DYE,  maker's dye · small cartridge
        PARK,            small-tank,          AS_BUILT,   SUBLIMATION,  for=PARK,                                 SUBLIMATION, 'parked on fluid, sublimation before · small tank'
        """)
    void oneCardToItsEnd(
            String route, String profile, String feed, String holds, String asked, String family, String becomes)
            throws SQLException {
        long machine = machine(route, profile, feed, holds);
        var card = begin(machine, asked);
        hand(family).quicklyUntil(card, route.equals("PARK") ? "done" : "sign-off");
        if (!route.equals("PARK")) {
            hand(family).finish("sign-off");
        }
        tablet.sees("Signed off");
        tablet.open("/machines/" + machine);
        tablet.sees(becomes);
        assertThat(kettle.query("select coalesce(sum(microlitres), 0) from posting"))
                .as("every mL that left a place entered another")
                .isZero();
    }

    @Test
    void growthOnTheNeedleTakesEverythingWithIt() throws SQLException {
        long machine = machine("Growth", "small-cartridge", "BULK", "SUBLIMATION");
        bottles("OLD");
        var card = begin(machine, "for=RENEW");
        var before = new CardHand(kettle, tablet, photo, "OLD");
        before.quicklyUntil(card, "threads");
        tablet.press("There is a thread or a lump");
        tablet.sees("Everything goes, all channels");
        before.quicklyUntil(card, "threads/growth~1/growth-bottles");
        assertThat(kettle.query("select count(*) from lot where spoiled like 'growth found%'"))
                .as("it was in ink of before, not in the bottles that replace it")
                .isZero();
        before.quicklyUntil(card, "sign-off");
        before.finish("sign-off");
        tablet.sees("Signed off");
    }

    @Test
    void whatWillNotComeOffStopsTheWork() throws SQLException {
        long machine = machine("Glued", "film-dual-head", "AS_BUILT", "FILM");
        var card = begin(machine, "to=SUBLIMATION");
        hand("SUBLIMATION").quicklyUntil(card, "new-parts");
        tablet.press("It will not come off");
        tablet.sees("Stop the work here?");
        tablet.sees("was glued");
        tablet.press("Stop here");
        tablet.sees("Given up");
        tablet.open("/log");
        tablet.sees("card given up: A head that will not come without force was glued");
    }

    @Test
    void theWrongBottleIsRefusedBeforeItsCapIsOpened() throws SQLException {
        long machine = machine("Careful", "small-tank", "AS_BUILT", "NEVER_INKED");
        var card = begin(machine, "to=SUBLIMATION");
        hand("SUBLIMATION").quicklyUntil(card, "fill-K");
        tablet.click("[data-cell='K/0']");
        tablet.type(".modal.show input", "T-EDI-K");
        tablet.click(".bottles button");
        tablet.sees("This bottle holds edible ink; the machine is to hold sublimation. Leave its cap shut.");
        tablet.click("[data-cell='K/0']");
        tablet.type(".modal.show input", "T-SUB-C");
        tablet.click(".bottles button");
        tablet.sees("The bottle says C, the tank says K. Leave its cap shut.");
        hand("SUBLIMATION").finish("fill-K");
    }

    @Test
    void theWaitsOfOneAreTimeForAnother() throws SQLException {
        long waiting = machine("Waits", "small-tank", "AS_BUILT", "NEVER_INKED");
        begin(machine("Wants hands", "small-tank", "AS_BUILT", "MAKERS_DYE"), "to=SUBLIMATION");
        var card = begin(waiting, "to=SUBLIMATION");
        hand("SUBLIMATION").quicklyUntil(card, "charge");
        tablet.press("Start: initial charge");
        tablet.sees("to go");
        tablet.sees("Meanwhile, Wants hands");
        tablet.until(d -> d.findElement(org.openqa.selenium.By.cssSelector(".hob"))
                .getText()
                .contains("meanwhile"));
        assertThat(tablet.accessibilityViolations()).isEmpty();
    }

    private static void bottles(String code) {
        for (var channel : List.of("K", "C", "M", "Y")) {
            tablet.post("/api/shelf/lots", """
                {"family": "SUBLIMATION", "channel": "%s", "make": "own", "code": "%s-%1$s", "volume": 2000, "price": 9000, "foodGrade": false}\
                """.formatted(channel, code));
        }
    }

    private static CardHand hand(String family) {
        return new CardHand(kettle, tablet, photo, "T-" + family.substring(0, 3));
    }

    private static long machine(String name, String profile, String feed, String holds) {
        var held = holds.equals("NEVER_INKED")
                ? "\"NEVER_INKED\""
                : "\"INKED\", \"family\": \"%s\", \"make\": \"own\"".formatted(holds);
        var answer = tablet.post("/api/machines", """
            {"name": "%s", "bench": "Third bench", "profile": "%s", "feed": "%s", "holds": %s, "foodOnly": false, "tankShare": 0.7}\
            """.formatted(name, profile, feed, held));
        return ((Number) ((Map<?, ?>) answer.get("plate")).get("id")).longValue();
    }

    /** @return the card's number */
    private static String begin(long machine, String asked) {
        tablet.open("/changeover?machine=" + machine + "&" + asked);
        tablet.sees("May be done");
        tablet.press("Make it a card");
        tablet.step();
        return ((String) tablet.script("return location.pathname")).replaceAll("\\D", "");
    }
}
