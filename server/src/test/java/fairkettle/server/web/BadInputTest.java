package fairkettle.server.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import fairkettle.server.Api;
import fairkettle.server.ServerTest;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Locale;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import tools.jackson.databind.json.JsonMapper;

/** Every refusal is a problem document that a person can act on. */
@ServerTest
class BadInputTest {

    @Autowired
    private Api api;

    @Autowired
    private MockMvcTester mvc;

    @ParameterizedTest(name = "{0} {1}: {2}")
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
        /api/machines   | {"name": " ", "bench": "B", "profile": "small-tank", "holds": "UNKNOWN", "foodOnly": false, "tankShare": 1}  | name
        /api/machines   | {"name": "A", "bench": "B", "profile": "small-tank", "holds": "INKED", "foodOnly": false, "tankShare": 1}    | family
        /api/machines   | {"name": "A", "bench": "B", "profile": "small-tank", "holds": "UNKNOWN", "foodOnly": false, "tankShare": 7}  | tankShare
        /api/machines   | {"name": "A", "bench": "B", "profile": "small-tank", "holds": "SOMETIMES", "foodOnly": false, "tankShare": 1}| holds
        /api/hob        | {"label": "soak", "minutes": 0}                                                                             | minutes
        /api/hob        | {"label": "", "minutes": 5}                                                                                 | label
        /api/shelf/lots | {"family": "EDIBLE", "make": "own", "code": "X", "volume": "much", "price": 1, "foodGrade": true}           | volume
        /api/people     | {"name": ""}                                                                                                | name
        /api/people     | {"name": "N\\u0000L"}                                                                                        | name
        /api/practice/runs/1/acts | {"kind": "LOOK", "channels": [null]}                                                              | channels/0
        /api/climate/readings | {"celsius": 20, "humidity": 0.5, "at": "1600-01-01T00:00:00Z"}                                         | at
        """)
    void theFieldIsNamed(String path, String body, String field) {
        assertThat(api.post(path, body))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.errors[0].field")
                .isEqualTo(field);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
        /api/machines | {"name": "A", "bench": "B", "profile": "toaster", "holds": "UNKNOWN", "foodOnly": false, "tankShare": 1} | There is no profile (toaster)
        /api/people   | {"name":                                                                                               | could not be read as JSON
        """)
    void theDetailSaysWhatToDo(String path, String body, String detail) {
        assertThat(api.post(path, body))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains(detail);
    }

    @Test
    void writesNeedTheirKeyAndTheirToken() {
        assertThat(mvc.post()
                        .uri("/api/people")
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"name\": \"x\"}"))
                .hasStatus(400);
        assertThat(mvc.post()
                        .uri("/api/people")
                        .header("Idempotency-Key", "12345678")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"name\": \"x\"}"))
                .hasStatus(403)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("Load it anew");
    }

    @Test
    void aKeyIsForOneRequestWithItsWords() {
        var key = "the-same-key-" + System.nanoTime();
        assertThat(api.post("/api/people", "{\"name\": \"Keyed one\"}", key)).hasStatus(201);
        assertThat(api.post("/api/people", "{\"name\": \"Keyed one\"}", key))
                .as("a double tap")
                .hasStatus(201)
                .containsHeader("Idempotent-Replayed");
        assertThat(api.post("/api/people", "{\"name\": \"Keyed two\"}", key)).hasStatus(422);
    }

    @Test
    void aWriteIsOneHoweverItsAddressIsWritten() {
        assertThat(mvc.post()
                        .uri(URI.create("/%61pi/people"))
                        .with(csrf())
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"name\": \"Round the filter\"}"))
                .as("no key, no write")
                .hasStatus(400);
    }

    @Test
    void moreThanAnybodyTypesIsNotReadToItsEnd() {
        assertThat(api.post("/api/people", "{\"name\": \"%s\"}".formatted("x".repeat(2_100_000))))
                .hasStatus(413)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("at most 2 MB");
    }

    @ParameterizedTest
    @ValueSource(strings = {"localhost", "127.0.0.1", "192.168.1.20", "[::1]", "[fe80::1]", "LOCALHOST"})
    void itIsKnownByItsAddresses(String host) {
        assertThat(mvc.get().uri("http://" + host + "/api/people")).hasStatusOk();
    }

    @ParameterizedTest
    @ValueSource(strings = {"rebound.example", "localhost.rebound.example", "127.0.0.1.rebound.example"})
    void aForeignNameThatLeadsHereIsNotAnswered(String host) {
        assertThat(mvc.get().uri("http://" + host + "/api/people"))
                .hasStatus(421)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("does not go by that name");
    }

    @Test
    void whatIsNotThereIsNotFound() {
        assertThat(api.get("/api/machines/123456"))
                .hasStatus(404)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("123456");
        assertThat(api.get("/api/cards/123456")).hasStatus(404);
        assertThat(api.get("/api/nothing")).hasStatus(404);
        assertThat(api.get("/api/machines/abc")).hasStatus(400);
    }

    @Test
    void whoSavesAnOlderVersionHasLostTheRace() {
        var settings = api.read(api.get("/api/shop")).get("settings").toString();
        var version = api.read(api.get("/api/shop")).get("version").asString();
        assertThat(api.put("/api/shop", settings, version)).hasStatusOk();
        assertThat(api.put("/api/shop", settings, version))
                .hasStatus(409)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("Somebody else");
    }

    @Test
    void settingsThatCannotBeAreRefusedWhole() {
        var shop = api.read(api.get("/api/shop"));
        var broken =
                shop.get("settings").toString().replaceFirst("\"zone\":\"[^\"]+\"", "\"zone\":\"Quillmere/Market\"");
        assertThat(api.put("/api/shop", broken, shop.get("version").asString()))
                .hasStatus(400)
                .bodyJson()
                .extractingPath("$.detail")
                .asString()
                .contains("time zone (Quillmere/Market)");
    }

    @Test
    void halfASheetIsNone() {
        assertThat(api.post("/api/hob", "{\"label\": \"half\", \"minutes\": 5, \"machine\": 1.5}"))
                .hasStatus(400);
    }

    @Test
    void whatAnAddressNamesHasToBeThere() throws IOException {
        var document = new JsonMapper().readTree(Files.readString(Path.of("../docs/openapi.json")));
        var went = new ArrayList<String>();
        var named = Pattern.compile(".*\\{(card|device|entry|lot|machine|person|preset)}.*");
        document.get("paths")
                .properties()
                .forEach(path -> path.getValue().properties().forEach(operation -> {
                    if (named.matcher(path.getKey()).matches()) {
                        var at = path.getKey().replaceAll("\\{[^}]*}", "999999999");
                        var answer = mvc.method(
                                        HttpMethod.valueOf(operation.getKey().toUpperCase(Locale.ROOT)))
                                .uri(at)
                                .with(csrf())
                                .header("Idempotency-Key", UUID.randomUUID().toString())
                                .header("If-Match", "\"1\"")
                                .contentType(MediaType.APPLICATION_JSON)
                                .content("{}")
                                .exchange();
                        if (answer.getResponse().getStatus() < 400
                                || answer.getResponse().getStatus() >= 500) {
                            went.add(answer.getResponse().getStatus() + " " + operation.getKey() + " " + at);
                        }
                    }
                }));
        assertThat(went).isEmpty();
    }
}
