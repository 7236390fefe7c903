package fairkettle.server.keys;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Activation codes: sealed, masked, shown on purpose, and closed to a wrong key. */
@ServerTest
class VaultTest {

    @Value("${kettle.key-file}")
    private Path keyFile;

    @Autowired
    private Api api;

    @Autowired
    private JdbcClient db;

    @Autowired
    private org.springframework.context.ApplicationContext context;

    @Test
    void aCodeIsSealedMaskedAndShownOnPurpose() {
        long machine = api.machine("Sealed", "small-cartridge", "NEVER_INKED");
        assertThat(api.put(
                        "/api/machines/" + machine + "/activation-code",
                        "{\"code\": \"KETTLE-7731-QX\", \"origin\": \"seller of 1.4\", \"serial\": \"SN-1\"}",
                        "0"))
                .hasStatusOk();
        assertThat(db.sql("select count(*) from answered where request like '%/activation-code%'")
                        .query(Long.class)
                        .single())
                .as("from a sum of what was sent the code could be guessed")
                .isZero();
        assertThat(api.read(api.get("/api/machines/" + machine))
                        .at("/key/masked")
                        .asString())
                .startsWith("•••")
                .endsWith("-QX")
                .doesNotContain("7731");
        assertThat(db.sql("select encode(sealed, 'escape') from activation where machine_id = ?")
                        .param(machine)
                        .query(String.class)
                        .single())
                .doesNotContain("7731");
        var revealed = api.post("/api/machines/" + machine + "/activation-code/reveal", "{}", "reveal-it-once");
        assertThat(api.read(revealed).get("words").asString()).isEqualTo("KETTLE-7731-QX");
        assertThat(db.sql("select count(*) from answered where key = 'reveal-it-once'")
                        .query(Long.class)
                        .single())
                .as("kept for a repeated tap")
                .isZero();
        assertThat(api.read(api.get("/api/log?machine=" + machine + "&kind=key"))
                        .toString())
                .contains("was put into the vault")
                .contains("was shown");
    }

    @Test
    void theRecoveryKeyOpensWhatTheFileSealed() throws Exception {
        long machine = api.machine("Recovered", "small-cartridge", "NEVER_INKED");
        api.put(
                "/api/machines/" + machine + "/activation-code",
                "{\"code\": \"GATE-12\", \"origin\": \"\", \"serial\": \"SN-2\"}",
                "0");
        var words =
                api.read(api.post("/api/vault/recovery-key", "{}")).get("words").asString();
        assertThat(words).matches("([A-Z0-9]{6}-){8}[A-Z0-9]{6}");
        byte[] sealed = db.sql("select sealed from activation where machine_id = ?")
                .param(machine)
                .query(byte[].class)
                .single();
        assertThat(Seal.of(words.toLowerCase(java.util.Locale.ROOT).replace('-', ' '))
                        .open(sealed))
                .contains("GATE-12");
        assertThat(Seal.fresh().open(sealed)).as("with another key").isEmpty();
        assertThat(java.nio.file.Files.getPosixFilePermissions(keyFile)).hasSize(2);
    }

    @Test
    void aSlipOfThePenIsSaid() {
        var words = Seal.fresh().words();
        var slipped = (words.charAt(0) == 'A' ? 'B' : 'A') + words.substring(1);
        assertThatThrownBy(() -> Seal.of(slipped)).hasMessageContaining("slip");
        assertThatThrownBy(() -> Seal.of("SHORT")).hasMessageContaining("54 letters");
    }

    @Test
    void aWrongKeyIsSaidAtTheStartAndEverythingElseGoesOn() {
        long machine = api.machine("Locked out", "small-cartridge", "NEVER_INKED");
        api.put(
                "/api/machines/" + machine + "/activation-code",
                "{\"code\": \"GATE-13\", \"origin\": \"\", \"serial\": \"SN-3\"}",
                "0");
        var other = new Vault(
                context.getBean(org.jooq.DSLContext.class),
                context.getBean(fairkettle.server.journal.Journal.class),
                context.getBean(fairkettle.server.live.Live.class),
                context.getBean(fairkettle.server.people.Who.class),
                java.time.Clock.systemUTC(),
                Seal.fresh().words(),
                "");
        other.open();
        assertThat(other.health().problem()).contains("not the one that sealed").contains("Everything else is there");
        assertThat(other.of(machine).orElseThrow().masked()).isNull();
        assertThatThrownBy(() -> other.store(machine, "Locked out", "NEW", new Vault.Belongs("", "", "", "", "")))
                .hasMessageContaining("not the one");
        assertThat(api.get("/api/bench")).hasStatusOk();
    }

    @Test
    void whatBelongsToACodeIsKeptWithItAndItsLicenceIsAsSecret() {
        long machine = api.machine("Vault licence", "small-cartridge", "INKED");
        var path = "/api/machines/" + machine + "/activation-code";
        var kept = api.read(api.put(
                path,
                "{\"code\": \"GATE-14\", \"origin\": \"a stick\", \"licence\": \"LIC-ABCDEFGH-99\", \"model\":"
                        + " \"small\", \"version\": \"1.2\", \"seller\": \"a made-up shop\", \"serial\": \"SN-4\"}",
                "0"));
        assertThat(kept.toString()).contains("small", "1.2", "a made-up shop").doesNotContain("LIC-ABCDEFGH");
        var shown = api.read(api.post(path + "/reveal", "{}"));
        assertThat(shown.get("licence").asString()).isEqualTo("LIC-ABCDEFGH-99");
    }

    @Test
    void anInstallerIsKeptAsItCameWithItsSum() throws Exception {
        long machine = api.machine("Vault installer", "small-cartridge", "INKED");
        var path = "/api/machines/" + machine + "/installers";
        byte[] program = "MZ made up".getBytes(java.nio.charset.StandardCharsets.UTF_8);
        var kept = api.read(api.send(path + "?name=setup.exe&version=1.2&origin=a made-up shop", program));
        assertThat(kept.get(0).get("sha256").asString()).hasSize(64);
        assertThat(kept.get(0).get("bytes").asInt()).isEqualTo(program.length);
        long id = kept.get(0).get("id").asLong();
        var file = api.get(path + "/" + id);
        assertThat(file.getResponse().getContentAsByteArray()).isEqualTo(program);
        assertThat(file.getResponse().getHeader("Content-Disposition")).startsWith("attachment");
        assertThat(api.send(path + "?name=empty", new byte[0])).hasStatus(400);
        assertThat(api.read(api.post(path + "/" + id + "/discarded", "{}"))).isEmpty();
        assertThat(api.get(path + "/" + id)).hasStatus(404);
    }

    @Test
    void aCodeBelongsToOneSerial() {
        long one = api.machine("Alike one", "office-cartridge-four", "INKED");
        long two = api.machine("Alike two", "office-cartridge-four", "INKED");
        var stored = "{\"code\": \"%s\", \"origin\": \"\", \"serial\": \"%s\"}";
        var path = "/api/machines/%d/activation-code";
        assertThat(api.put(path.formatted(one), stored.formatted("GATE-20", ""), "0"))
                .as("nobody can tell which of the two it is for")
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].detail")
                .asString()
                .contains("Alike two", "on the back of Alike one");
        assertThat(api.put(path.formatted(one), stored.formatted("GATE-20", "SN-A"), "0"))
                .hasStatusOk();
        assertThat(api.read(api.get("/api/machines/" + one))
                        .at("/papers/serial")
                        .asString())
                .as("and the passport knows it from now on")
                .isEqualTo("SN-A");
        assertThat(api.put(path.formatted(one), stored.formatted("GATE-21", "SN-B"), "0"))
                .as("another machine’s")
                .hasStatus(400);
        assertThat(api.put(path.formatted(two), stored.formatted("GATE-20", "SN-B"), "0"))
                .as("the first one’s code")
                .hasStatus(422)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("kept for Alike one already");
    }
}
