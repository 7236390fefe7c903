package fairkettle.server.web;

import com.fasterxml.jackson.databind.JavaType;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
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
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
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
            REFUSALS.forEach((code, say) -> api.getComponents().addResponses(code, refusal(say)));
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
                        refusals(operation, writes)
                                .forEach(code -> operation
                                        .getResponses()
                                        .addApiResponse(
                                                code, new ApiResponse().$ref("#/components/responses/" + code)));
                        operation.setSummary(summary(operation.getOperationId()));
                        filesAsFiles(operation);
                    }));
        };
    }

    /** Every way to be refused, and what it says. */
    private static final Map<String, String> REFUSALS = Map.of(
            "400", "Something that was sent, or in the address, is not what it has to be; its field is named.",
            "401", "Nobody signed in, or what they said of themselves was wrong.",
            "403", "Not theirs to do, or without the token.",
            "404", "What the address names is not there.",
            "409", "Somebody else was faster, or it is taken already.",
            "413", "Larger than anything that belongs here, or not of a type that is read here (415).",
            "421", "Asked for by a name that is not this machine’s.",
            "422", "It is well-formed, but it must not be; or the key was used for other words.",
            "503", "Busy, or the database is away: again later.",
            "507", "The disk is full.");

    private static List<String> refusals(Operation operation, boolean writes) {
        var codes = new TreeSet<>(List.of("401", "403", "421", "503"));
        if (operation.getParameters() != null && !operation.getParameters().isEmpty()) {
            codes.add("400");
            if (operation.getParameters().stream().anyMatch(p -> "path".equals(p.getIn()))) {
                codes.add("404");
            }
        }
        if (writes) {
            codes.addAll(List.of("400", "409", "422", "507"));
        }
        if (operation.getRequestBody() != null) {
            codes.add("413");
        }
        return List.copyOf(codes);
    }

    /** Its name in words: “changePassword” is “Change password”. */
    private static String summary(String name) {
        var words = name.replaceAll("_\\d+$", "")
                .replaceAll("([a-z])([A-Z])", "$1 $2")
                .toLowerCase(Locale.ROOT);
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    private static void filesAsFiles(Operation operation) {
        var sent = operation.getRequestBody() == null
                ? null
                : operation.getRequestBody().getContent();
        Stream.concat(
                        Stream.ofNullable(sent),
                        operation.getResponses().values().stream()
                                .map(ApiResponse::getContent)
                                .filter(Objects::nonNull))
                .flatMap(content -> content.values().stream())
                .map(MediaType::getSchema)
                .filter(schema -> schema != null && "byte".equals(schema.getFormat()))
                .forEach(schema -> schema.setFormat("binary"));
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
