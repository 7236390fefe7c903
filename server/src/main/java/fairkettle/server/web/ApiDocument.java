package fairkettle.server.web;

import com.fasterxml.jackson.databind.JavaType;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Millilitres;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.NumberSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
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
