package fairkettle.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;

import java.util.UUID;
import org.springframework.boot.test.context.TestComponent;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Speaks to the server as the front end does. */
@TestComponent
public class Api {

    private final MockMvcTester mvc;
    private final JsonMapper json;

    Api(MockMvcTester mvc, JsonMapper json) {
        this.mvc = mvc;
        this.json = json;
    }

    public MvcTestResult get(String path, Object... variables) {
        return mvc.get().uri(path, variables).exchange();
    }

    public MvcTestResult post(String path, String body) {
        return post(path, body, UUID.randomUUID().toString());
    }

    public MvcTestResult post(String path, String body, String key) {
        return mvc.post()
                .uri(path)
                .with(csrf())
                .header("Idempotency-Key", key)
                .contentType(MediaType.APPLICATION_JSON)
                .content(body)
                .exchange();
    }

    public MvcTestResult put(String path, String body, String version) {
        return mvc.put()
                .uri(path)
                .with(csrf())
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .header("If-Match", version)
                .contentType(MediaType.APPLICATION_JSON)
                .content(body)
                .exchange();
    }

    public MvcTestResult delete(String path) {
        return mvc.delete()
                .uri(path)
                .with(csrf())
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .exchange();
    }

    public MvcTestResult send(String path, byte[] bytes) {
        return mvc.post()
                .uri(path)
                .with(csrf())
                .header("Idempotency-Key", UUID.randomUUID().toString())
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .content(bytes)
                .exchange();
    }

    public JsonNode read(MvcTestResult result) {
        return json.readTree(result.getResponse().getContentAsByteArray());
    }

    /** @return the new machine's id */
    public long machine(String name, String profile, String holds) {
        var added = post("/api/machines", """
            {"name": "%s", "bench": "Test bench", "profile": "%s", "holds": "%s", "family": "MAKERS_DYE", "foodOnly": false, "tankShare": 0.7}
            """.formatted(name, profile, holds));
        assertThat(added).as("a machine called %s, once", name).hasStatus(201);
        return read(added).at("/plate/id").asLong();
    }

    public JsonNode beginCard(long machine, String family) {
        return read(post("/api/cards", """
            {"machine": %d, "family": "%s", "make": "own"}\
            """.formatted(machine, family)));
    }

    public MvcTestResult act(long card, String act, String body) {
        return post("/api/cards/" + card + "/" + act, body);
    }
}
