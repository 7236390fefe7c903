package fairkettle.server.web;

import com.fasterxml.jackson.databind.JavaType;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.IntegerSchema;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.NumberSchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.security.SecurityRequirement;
import io.swagger.v3.oas.models.security.SecurityScheme;
import io.swagger.v3.oas.models.servers.Server;
import java.util.Arrays;
import java.util.Currency;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The API document says what the JSON says: volumes are numbers, and what is not {@code @Nullable} is always there. */
@Configuration
class ApiDocument {

    @Bean
    OpenAPI api() {
        return new OpenAPI()
                .info(new Info()
                        .title("Fair Kettle")
                        .version("0.1.0")
                        .description("Every write needs an Idempotency-Key header. Volumes are mL, times ISO 8601,"
                                + " money minor units."))
                .servers(List.of(new Server().url("/")));
    }

    @Bean
    OpenApiCustomizer withoutServerTags() {
        return api ->
                api.getPaths().values().forEach(path -> path.readOperations().forEach(o -> o.setTags(null)));
    }

    /** What every write needs, and the one shape of every refusal. */
    @Bean
    OpenApiCustomizer needsAndRefusals() {
        return api -> {
            api.getComponents()
                    .addSchemas("ProblemDocument", problemDocument())
                    .addSecuritySchemes(SESSION, header(SecurityScheme.In.COOKIE, "kettle-session", "Who signed in."))
                    .addSecuritySchemes(
                            TOKEN,
                            header(
                                    SecurityScheme.In.HEADER,
                                    "X-XSRF-TOKEN",
                                    "What the cookie XSRF-TOKEN holds: any answer sets it."))
                    .addSecuritySchemes(
                            KEY,
                            header(
                                    SecurityScheme.In.HEADER,
                                    OnceFilter.KEY,
                                    "8 to 80 letters, digits or hyphens, new for each write: sent again with the same"
                                            + " words it is the same write."));
            api.getPaths()
                    .values()
                    .forEach(path -> path.readOperationsMap().forEach((method, operation) -> {
                        boolean writes = method != PathItem.HttpMethod.GET;
                        operation.addSecurityItem(
                                writes
                                        ? new SecurityRequirement()
                                                .addList(TOKEN)
                                                .addList(KEY)
                                        : new SecurityRequirement());
                        operation.addSecurityItem(
                                writes
                                        ? new SecurityRequirement()
                                                .addList(SESSION)
                                                .addList(TOKEN)
                                                .addList(KEY)
                                        : new SecurityRequirement().addList(SESSION));
                        operation.getResponses().addApiResponse("4XX", refusal("Refused, and why."));
                        operation.getResponses().addApiResponse("5XX", refusal("Something of the house failed."));
                    }));
        };
    }

    private static final String SESSION = "session";
    private static final String TOKEN = "token";
    private static final String KEY = "key";

    private static SecurityScheme header(SecurityScheme.In in, String name, String say) {
        return new SecurityScheme()
                .type(SecurityScheme.Type.APIKEY)
                .in(in)
                .name(name)
                .description(say);
    }

    private static ApiResponse refusal(String say) {
        var document = new Schema<Object>();
        document.set$ref("#/components/schemas/ProblemDocument");
        return new ApiResponse()
                .description(say)
                .content(new Content().addMediaType("application/problem+json", new MediaType().schema(document)));
    }

    /** RFC 9457, with the fields that are at fault. */
    private static Schema<?> problemDocument() {
        var field = new ObjectSchema();
        List.of("detail", "field", "remedy").forEach(name -> field.addProperty(name, new StringSchema()));
        field.setRequired(List.of("detail"));
        var errors = new ArraySchema();
        errors.setItems(field);
        var problem = new ObjectSchema();
        List.of("type", "title", "detail").forEach(name -> problem.addProperty(name, new StringSchema()));
        problem.addProperty("status", new IntegerSchema());
        problem.addProperty("errors", errors);
        problem.setDescription("Its detail is a sentence that a person can act on.");
        problem.setRequired(List.of("status", "detail"));
        return problem;
    }

    @Bean
    ModelConverter coreSchemas() {
        return new CoreTypes();
    }

    private static final class CoreTypes implements ModelConverter {
        private final Map<String, Class<?>> named = new ConcurrentHashMap<>();

        @Override
        public @Nullable Schema<?> resolve(
                AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
            JavaType java = Json.mapper().constructType(type.getType());
            if (java != null && java.getRawClass() == Millilitres.class) {
                return new NumberSchema().format("double").description("mL");
            }
            if (java != null && (java.getRawClass() == ChannelCode.class || java.getRawClass() == Currency.class)) {
                return new StringSchema();
            }
            if (!chain.hasNext()) {
                return null;
            }
            Schema<?> schema = chain.next().resolve(type, context, chain);
            if (java != null && java.getRawClass().isRecord() && schema != null) {
                // why: the document knows schemas by their simple names, and would show one in the other's place
                // without a word
                var other = named.putIfAbsent(java.getRawClass().getSimpleName(), java.getRawClass());
                if (other != null && other != java.getRawClass()) {
                    throw new IllegalStateException("Two schemas have one name: %s and %s."
                            .formatted(other.getName(), java.getRawClass().getName()));
                }
                Schema<?> model = schema.get$ref() == null
                        ? schema
                        : context.getDefinedModels()
                                .get(schema.get$ref().substring(schema.get$ref().lastIndexOf('/') + 1));
                if (model != null && model.getProperties() != null) {
                    model.setRequired(Arrays.stream(java.getRawClass().getRecordComponents())
                            .filter(c -> !c.getAnnotatedType().isAnnotationPresent(Nullable.class))
                            .map(c -> c.getName())
                            .filter(model.getProperties()::containsKey)
                            .toList());
                }
            }
            return schema;
        }
    }
}
