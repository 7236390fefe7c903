package fairkettle.server.migration;

import static org.assertj.core.api.Assertions.assertThat;

import fairkettle.devdb.ThrowawayPg;
import fairkettle.machine.BulkKit;
import fairkettle.machine.CarriageFreeing;
import fairkettle.machine.PanelKind;
import fairkettle.machine.Profile;
import fairkettle.machine.Profiles;
import fairkettle.machine.Screws;
import fairkettle.machine.Tray;
import fairkettle.machine.WasteLines;
import fairkettle.server.ServerTest;
import java.io.IOException;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.flywaydb.core.Flyway;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Profiles that a shop made before handling had a place of its own are lifted where they lie. */
@ServerTest
class ProfilesOfYesterdayTest {

    @Autowired
    private JsonMapper json;

    @ParameterizedTest
    @CsvSource({
        "small-tank, REPLACEMENT_MENU, CORD_IN_PRINT, LAMPS, NONE",
        "wide-cartridge-six, REPLACEMENT_MENU, MENU_THEN_CORD, SCREEN, NONE",
        "wide-tank, LIFT_POWER, CORD_AS_IT_UNDOCKS, SCREEN, NONE",
        "film-rebuilt, LOCK_GEAR, LOCK_GEAR, SCREEN, ONE"
    })
    void anOwnProfileSaysItsHandlingInOnePlace(
            String like, String freed, CarriageFreeing freeing, PanelKind panel, WasteLines lines)
            throws IOException, SQLException {
        try (var pg = ThrowawayPg.start();
                var db = DriverManager.getConnection(pg.url(), "kettle", "")) {
            migrated(pg, "12");
            try (var insert = db.prepareStatement(
                    "insert into profile (id, name, copied_from, body) values ('own-1', 'Ours', ?, ?::jsonb)")) {
                insert.setString(1, like);
                insert.setString(2, asItWas(Profiles.named(like), freed, panel == PanelKind.SCREEN));
                insert.executeUpdate();
            }
            migrated(pg, "latest");
            try (var statement = db.createStatement();
                    var row = statement.executeQuery("select body from profile where id = 'own-1'")) {
                row.next();
                var now = json.readValue(row.getString(1), Profile.class);
                assertThat(now.handling().freeing()).isEqualTo(freeing);
                assertThat(now.handling().panel().kind()).isEqualTo(panel);
                assertThat(now.handling().screws()).containsExactly(new Screws("cover screws", 7));
                assertThat(now.handling().wasteLines()).isEqualTo(lines);
                assertThat(now.handling().powerFirst()).isTrue();
                assertThat(now.handling().trays()).containsExactly(Tray.REAR);
                assertThat(now.handling().kit())
                        .isEqualTo(
                                now.channels().size() > 4
                                        ? BulkKit.Usual.LOOSE_DAMPERS.kit()
                                        : BulkKit.Usual.JOINED.kit());
                assertThat(now.channels()).isEqualTo(Profiles.named(like).channels());
                assertThat(row.getString(1)).doesNotContain("\"screen\"").doesNotContain("powerCleanFromPanel");
            }
        }
    }

    private static void migrated(ThrowawayPg pg, String version) {
        Flyway.configure()
                .dataSource(pg.url(), "kettle", "")
                .locations("classpath:db/migration")
                .target(version)
                .load()
                .migrate();
    }

    private String asItWas(Profile profile, String freeing, boolean screen) {
        var body = (ObjectNode) json.readTree(json.writeValueAsString(profile));
        body.remove("handling");
        body.put("freeing", freeing).put("screws", 7).put("powerFirst", true).put("headsByUser", false);
        ((ObjectNode) body.get("capable")).put("screen", screen).put("powerCleanFromPanel", false);
        return body.toString();
    }
}
