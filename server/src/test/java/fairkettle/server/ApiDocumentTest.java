package fairkettle.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

@ServerTest
class ApiDocumentTest {

    private static final Path COMMITTED = Path.of("../docs/openapi.json");

    @Autowired
    private MockMvcTester mvc;

    @Autowired
    private JsonMapper json;

    /** The front end's types are generated from the committed document. Rewrite it with -Dopenapi.write=true. */
    @Test
    void theCommittedDocumentIsWhatTheServerSays() throws IOException {
        byte[] now = mvc.get().uri("/v3/api-docs").exchange().getResponse().getContentAsByteArray();
        var pretty =
                json.rebuild()
                                .enable(SerializationFeature.INDENT_OUTPUT)
                                .build()
                                .writeValueAsString(json.readTree(now)) + "\n";
        if (Boolean.getBoolean("openapi.write")) {
            Files.writeString(COMMITTED, pretty);
        }
        assertThat(Files.readString(COMMITTED)).isEqualTo(pretty);
        json.readTree(now)
                .at("/components/schemas")
                .properties()
                .forEach(s -> assertThat(s.getValue().size())
                        .as("schema %s: two records of one name leave it empty", s.getKey())
                        .isPositive());
    }

    @Test
    void everyActSaysWhatItIsAndEachWayItIsRefused() throws IOException {
        var silent = new ArrayList<String>();
        json.readTree(Files.readString(COMMITTED))
                .get("paths")
                .properties()
                .forEach(path -> path.getValue().properties().forEach(operation -> {
                    var codes = operation.getValue().get("responses").propertyNames();
                    boolean writes = !operation.getKey().equals("get");
                    if (operation.getValue().path("summary").asString("").isBlank()
                            || !codes.containsAll(List.of("401", "403", "421", "503"))
                            || writes && !codes.containsAll(List.of("400", "409", "422", "507"))
                            || path.getKey().contains("{") && !codes.contains("404")
                            || answersNothing(operation.getValue())) {
                        silent.add(operation.getKey() + " " + path.getKey());
                    }
                }));
        assertThat(silent).isEmpty();
        assertThat(Files.readString(COMMITTED)).as("files are files").doesNotContain("\"byte\"");
    }

    /** Two records of one name may also leave an answer without any shape. */
    private static boolean answersNothing(JsonNode operation) {
        var content = operation.at("/responses/200/content");
        return content.isObject() && content.isEmpty();
    }
}
