package fairkettle.server.access;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import fairkettle.server.ServerTest;
import jakarta.servlet.http.Cookie;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A shop whose people sign in: who comes in, who does not, and what each may do. */
@ServerTest
@TestPropertySource(properties = "kettle.sign-in=always")
class AccessTest {

    private static final String PASSWORD = "three plain words";

    @Autowired
    private MockMvcTester mvc;

    @Autowired
    private JsonMapper json;

    @Autowired
    private DSLContext db;

    @Autowired
    private Door door;

    private Cookie owner;

    @BeforeEach
    void anOwner() {
        for (var table : List.of("session", "device", "attempt", "account")) {
            db.execute("delete from " + table);
        }
        owner = cookie(first(door.firstCode(), "Wren"), Cookies.SESSION);
    }

    // ---- coming in and going out

    @Test
    void theFirstOwnerShowsTheCodeThatTheStartCommandSaid() {
        db.execute("delete from session");
        db.execute("delete from account");
        assertThat(first("0000-0000-0000x", "Magpie")).hasStatus(400);
        assertThat(read(get(null, "/api/session")).get("first").asBoolean()).isTrue();
        assertThat(db.fetchValue("select count(*) from person where name = 'Magpie'"))
                .isEqualTo(0L);
        assertThat(first(door.firstCode(), "Wren")).hasStatusOk();
        assertThat(first(door.firstCode(), "Magpie")).as("there is one already").hasStatus(401);
    }

    @Test
    void whoSignsInIsWhoDidIt() {
        assertThat(get(null, "/api/bench")).hasStatus(401);
        var hand = hand("Sedge", "HAND");
        assertThat(read(get(hand, "/api/session")).get("name").asString()).isEqualTo("Sedge");
        assertThat(get(hand, "/api/bench")).hasStatusOk();
        var wait = mvc.post()
                .uri("/api/hob")
                .with(csrf())
                .cookie(hand)
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .header("Kettle-Person", "" + id("Wren")) // what a screen says counts for nothing beside the session
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"label\": \"soak\", \"minutes\": 5}")
                .exchange();
        assertThat(wait).hasStatus2xxSuccessful();
    }

    @Test
    void goingOutHoldsAtOnceAndEverywhere() {
        var elsewhere = signIn("Wren", PASSWORD, "10.0.0.9");
        say(owner, HttpMethod.DELETE, "/api/session", "");
        assertThat(get(owner, "/api/bench")).hasStatus(401);
        assertThat(get(elsewhere, "/api/bench")).hasStatusOk();
        say(elsewhere, HttpMethod.DELETE, "/api/sessions", "");
        assertThat(get(elsewhere, "/api/bench")).hasStatus(401);
    }

    @Test
    void aNewPasswordEndsWhatTheOldOneOpened() {
        var elsewhere = signIn("Wren", PASSWORD, "10.0.0.9");
        var changed = say(owner, HttpMethod.PUT, "/api/session/password", """
            {"old": "%s", "password": "another three words"}\
            """.formatted(PASSWORD));
        assertThat(changed).hasStatusOk();
        assertThat(get(elsewhere, "/api/bench")).hasStatus(401);
        assertThat(get(cookie(changed, Cookies.SESSION), "/api/bench")).hasStatusOk();
        assertThat(signInResult("Wren", PASSWORD, "10.0.0.9")).hasStatus(401);
    }

    @Test
    void whoMistypesTheirOwnPasswordIsToldAtItsFieldAndStaysIn() {
        assertThat(say(owner, HttpMethod.PUT, "/api/session/password", """
            {"old": "not this one", "password": "another three words"}\
            """))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].field")
                .isEqualTo("old");
        assertThat(get(owner, "/api/bench")).hasStatusOk();
        assertThat(signInResult("Wren", PASSWORD, "10.0.0.9")).hasStatusOk();
    }

    @Test
    void theCookieIsKeptFromScriptsAndFromOtherSites() {
        var said = signInResult("Wren", PASSWORD, "10.0.0.9").getResponse().getHeaders("Set-Cookie");
        assertThat(said)
                .filteredOn(c -> c.startsWith(Cookies.SESSION))
                .singleElement()
                .satisfies(c -> assertThat(c).contains("HttpOnly", "SameSite=Strict", "Path=/"));
        assertThat(db.fetchValue("select string_agg(token_sum, ' ') from session")
                        .toString())
                .as("the database alone opens nothing")
                .doesNotContain(owner.getValue());
    }

    @Test
    void aWriteFromAnotherSiteIsRefusedThoughTheSessionCame() {
        assertThat(mvc.post()
                        .uri("/api/hob")
                        .cookie(owner)
                        .header("Idempotency-Key", UUID.randomUUID().toString())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{}"))
                .hasStatus(403);
    }

    // ---- tablets

    @Test
    void aPinOpensOnATabletThatWasLetInAndNowhereElse() {
        settle("Sedge", "HAND", null, "2468");
        long sedge = id("Sedge");
        var pin = "{\"person\": %d, \"pin\": \"2468\"}".formatted(sedge);
        assertThat(say(null, "/api/session/pin", pin)).hasStatus(401);
        assertThat(read(get(null, "/api/session")).get("pins"))
                .as("a stranger is told no names")
                .isEmpty();

        var tablet = cookie(say(owner, "/api/devices", "{\"name\": \"Window bench\"}"), Cookies.DEVICE);
        assertThat(read(get(tablet, "/api/session")).at("/pins/0/name").asString())
                .isEqualTo("Sedge");
        assertThat(read(with(HttpMethod.POST, "/api/devices", "{\"name\": \"Press side\"}", owner, tablet))
                        .get("devices"))
                .as("let in again, it is the same one by another name")
                .hasSize(1)
                .allMatch(d -> d.get("name").asString().equals("Press side"));
        var in = cookie(say(tablet, "/api/session/pin", pin), Cookies.SESSION);
        assertThat(get(in, "/api/bench")).hasStatusOk();

        long device = read(get(owner, "/api/access")).at("/devices/0/id").asLong();
        say(owner, HttpMethod.DELETE, "/api/devices/" + device, "");
        assertThat(get(in, "/api/bench")).as("whoever is in on it is out").hasStatus(401);
        assertThat(say(tablet, "/api/session/pin", pin)).hasStatus(401);
    }

    @Test
    void noSumOfAPinIsKeptFromWhichItCouldBeGuessed() {
        settle("Sedge", "HAND", null, "2468");
        assertThat(db.fetchValue("select count(*) from answered where request like '%/api/access/%'"))
                .isEqualTo(0L);
        assertThat((String) db.fetchValue("select pin from account where pin is not null"))
                .startsWith("$2");
    }

    @Test
    void whoLeavesComesInNowhereAnyMore() {
        var hand = hand("Sedge", "HAND");
        assertThat(say(owner, HttpMethod.DELETE, "/api/access/" + id("Sedge"), ""))
                .hasStatusOk();
        assertThat(get(hand, "/api/bench")).hasStatus(401);
        assertThat(signInResult("Sedge", PASSWORD, "10.0.0.20")).hasStatus(401);
        assertThat(say(owner, HttpMethod.DELETE, "/api/access/" + id("Wren"), ""))
                .as("somebody owns the shop")
                .hasStatus(422);
    }

    @Test
    void theOwnersNewPasswordEndsTheirOthersAndNotThisOne() {
        var elsewhere = signIn("Wren", PASSWORD, "10.0.0.9");
        assertThat(settle("Wren", "OWNER", "another three words", null)).hasStatusOk();
        assertThat(get(elsewhere, "/api/bench")).hasStatus(401);
        assertThat(get(owner, "/api/bench")).hasStatusOk();
    }

    // ---- trying

    @Test
    void whoGuessesTheFirstCodeShutsNobodyOut() {
        db.execute("delete from session");
        db.execute("delete from account");
        for (int i = 0; i < 30; i++) {
            assertThat(first("0000-0000-%04d".formatted(i), "Magpie")).hasStatus(400);
        }
        assertThat(first(door.firstCode(), "Wren")).hasStatusOk();
    }

    @Test
    void manyStrangersAtOnceHoldUpNobodyAtTheBenches() throws Exception {
        var sedge = hand("Sedge", "HAND");
        try (var crowd = Executors.newVirtualThreadPerTaskExecutor()) {
            var strangers = IntStream.range(0, 40)
                    .mapToObj(i -> crowd.submit(() -> signInResult("Stranger " + i, "whatever it is", "10.1.0." + i)
                            .getResponse()
                            .getStatus()))
                    .toList();
            assertThat(get(sedge, "/api/bench")).hasStatusOk();
            int looked = 0;
            for (var stranger : strangers) {
                assertThat(stranger.get()).isIn(401, 429);
                looked += stranger.get() == 401 ? 1 : 0;
            }
            assertThat(looked).as("some are told no").isPositive();
        }
    }

    @Test
    void whoTriesManyWaitsAndNobodyElseDoes() {
        for (int i = 0; i < 5; i++) {
            assertThat(signInResult("Wren", "wrong " + i, "10.0.0.66")).hasStatus(401);
        }
        assertThat(signInResult("Wren", PASSWORD, "10.0.0.66"))
                .as("even with the right one")
                .hasStatus(429)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("Wait");
        assertThat(signInResult("Wren", PASSWORD, "10.0.0.9"))
                .as("from her own desk she comes in")
                .hasStatusOk();
    }

    @Test
    void manyAtOnceAreNoQuickerThanOneAfterTheOther() throws Exception {
        try (var crowd = Executors.newVirtualThreadPerTaskExecutor()) {
            var all = crowd.invokeAll(IntStream.range(0, 40)
                    .<java.util.concurrent.Callable<Integer>>mapToObj(
                            i -> () -> signInResult("Wren", "guess " + i, "10.0.0.77")
                                    .getResponse()
                                    .getStatus())
                    .toList());
            int heard = 0;
            for (var one : all) {
                heard += one.get() == 401 ? 1 : 0;
            }
            assertThat(heard).as("guesses that were looked at").isLessThanOrEqualTo(6);
        }
    }

    @Test
    void aNameThatNobodyHasIsRefusedInTheSameWords() {
        var wrong = read(signInResult("Wren", "wrong wrong wrong", "10.0.0.5"));
        var nobody = read(signInResult("Nobody", "wrong wrong wrong", "10.0.0.5"));
        assertThat(nobody.get("detail")).isEqualTo(wrong.get("detail"));
    }

    @Test
    void thereIsAlwaysAnOwner() {
        assertThat(settle("Wren", "HAND", null, null)).hasStatus(400);
        assertThat(settle("Sedge", "OWNER", "short", null))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].field")
                .isEqualTo("password");
    }

    // ---- every address of the document, so that a new one cannot be forgotten

    private record Write(HttpMethod method, String path) {}

    @Test
    void nothingOfTheShopIsSaidToWhoeverDidNotSignIn() throws Exception {
        var open = new ArrayList<String>();
        for (var path : documented("get")) {
            if (get(null, path).getResponse().getStatus() != 401) {
                open.add(path);
            }
        }
        assertThat(open).as("a calendar has its own secret").containsExactlyInAnyOrder("/api/session", "/feed/1.ics");
        assertThat(get(null, "/v3/api-docs")).hasStatus(401);
    }

    @Test
    void nobodyWritesWhoDidNotSignIn() throws Exception {
        assertThat(writesThatAre(null, 401)).isEmpty();
    }

    @Test
    void aLookerOnChangesNothing() throws Exception {
        assertThat(writesThatAre(hand("Gull", "LOOKER"), 403)).isEmpty();
    }

    @Test
    void theWholeShopIsTakenAwayByItsOwnerAlone() throws Exception {
        for (var path : List.of("/api/archive", "/api/backups/1/file", "/api/feed", "/api/access")) {
            assertThat(get(hand("Sedge", "HAND"), path)).as(path).hasStatus(403);
            assertThat(get(hand("Gull", "LOOKER"), path)).as(path).hasStatus(403);
        }
        assertThat(get(hand("Sedge", "HAND"), "/api/backups")).hasStatusOk();
    }

    @Test
    void whatIsTheOwnersIsTheirsAlone() throws Exception {
        var hand = hand("Sedge", "HAND");
        var refused = new ArrayList<String>();
        for (var write : writes()) {
            if (status(hand, write) == 403) {
                refused.add(write.method() + " " + write.path());
            }
        }
        assertThat(refused)
                .containsExactlyInAnyOrder(
                        "PUT /api/access/1",
                        "DELETE /api/access/1",
                        "DELETE /api/access/1/sessions",
                        "POST /api/backups",
                        "PUT /api/climate/probe",
                        "DELETE /api/clinic/learned",
                        "POST /api/devices",
                        "DELETE /api/devices/1",
                        "POST /api/feed",
                        "DELETE /api/feed",
                        "POST /api/machines/1/activation-code/reveal",
                        "PUT /api/machines/1/printer",
                        "POST /api/people",
                        "PUT /api/people/1",
                        "POST /api/presets",
                        "POST /api/presets/1/dropped",
                        "PUT /api/shop",
                        "POST /api/vault/recovery-key");
        assertThat(get(hand, "/api/access")).hasStatus(403);
        assertThat(get(hand, "/api/feed")).as("it holds the secret").hasStatus(403);
    }

    /** Writes that are answered otherwise. */
    private List<Write> writesThatAre(@Nullable Cookie cookie, int expected) throws Exception {
        var others = new ArrayList<Write>();
        for (var write : writes()) {
            if (status(cookie, write) != expected) {
                others.add(write);
            }
        }
        return others;
    }

    private int status(@Nullable Cookie cookie, Write write) {
        return say(cookie, write.method(), write.path(), "[").getResponse().getStatus(); // what came in is no JSON
    }

    /** Every write of the document, but for coming in and going out. */
    private static List<Write> writes() throws Exception {
        var writes = new ArrayList<Write>();
        for (var method : List.of("post", "put", "delete")) {
            documented(method).stream()
                    .filter(path -> !path.startsWith("/api/session"))
                    .forEach(path -> writes.add(new Write(HttpMethod.valueOf(method.toUpperCase(Locale.ROOT)), path)));
        }
        assertThat(writes).hasSizeGreaterThan(80);
        return writes;
    }

    private static List<String> documented(String method) throws Exception {
        var document = new JsonMapper().readTree(Files.readString(Path.of("../docs/openapi.json")));
        return document.get("paths")
                .propertyStream()
                .filter(path -> path.getValue().has(method))
                .map(path -> path.getKey().replaceAll("\\{[^}]+}", "1"))
                .toList();
    }

    // ---- as browsers say it

    private MvcTestResult get(@Nullable Cookie cookie, String path) {
        var request = mvc.get().uri(path);
        return (cookie == null ? request : request.cookie(cookie)).exchange();
    }

    private MvcTestResult say(@Nullable Cookie cookie, String path, String body) {
        return say(cookie, HttpMethod.POST, path, body);
    }

    private MvcTestResult say(@Nullable Cookie cookie, HttpMethod method, String path, String body) {
        return cookie == null ? with(method, path, body) : with(method, path, body, cookie);
    }

    private MvcTestResult with(HttpMethod method, String path, String body, Cookie... cookies) {
        var request = mvc.method(method)
                .uri(path)
                .with(csrf())
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .contentType(MediaType.APPLICATION_JSON)
                .content(body);
        return (cookies.length == 0 ? request : request.cookie(cookies)).exchange();
    }

    private MvcTestResult first(String code, String name) {
        return say(null, "/api/session/first", """
            {"code": "%s", "name": "%s", "password": "%s"}\
            """.formatted(code, name, PASSWORD));
    }

    private MvcTestResult signInResult(String name, String password, String from) {
        return mvc.post()
                .uri("/api/session")
                .with(csrf())
                .with(request -> {
                    request.setRemoteAddr(from);
                    return request;
                })
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"name\": \"%s\", \"password\": \"%s\"}".formatted(name, password))
                .exchange();
    }

    private Cookie signIn(String name, String password, String from) {
        return cookie(signInResult(name, password, from), Cookies.SESSION);
    }

    private MvcTestResult settle(String name, String role, @Nullable String password, @Nullable String pin) {
        if (db.fetchCount(
                        org.jooq.impl.DSL.table("person"),
                        org.jooq.impl.DSL.field("name").eq(name))
                == 0) {
            say(owner, "/api/people", "{\"name\": \"%s\"}".formatted(name));
        }
        return say(
                owner,
                HttpMethod.PUT,
                "/api/access/" + id(name),
                "{\"role\": \"%s\"%s%s}"
                        .formatted(
                                role,
                                password == null ? "" : ", \"password\": \"" + password + "\"",
                                pin == null ? "" : ", \"pin\": \"" + pin + "\""));
    }

    /** Somebody with a password, signed in. */
    private Cookie hand(String name, String role) {
        assertThat(settle(name, role, PASSWORD, null)).hasStatusOk();
        return signIn(name, PASSWORD, "10.0.0.20");
    }

    private long id(String name) {
        return (Long) db.fetchValue("select id from person where name = ?", name);
    }

    private static Cookie cookie(MvcTestResult result, String name) {
        assertThat(result).hasStatusOk();
        var cookie = result.getResponse().getCookie(name);
        assertThat(cookie).as(name).isNotNull();
        return cookie;
    }

    private JsonNode read(MvcTestResult result) {
        return json.readTree(result.getResponse().getContentAsByteArray());
    }
}
