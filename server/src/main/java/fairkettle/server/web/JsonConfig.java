package fairkettle.server.web;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import fairkettle.clinic.Evidence;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Move;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.ser.std.StdSerializer;

/** How the core's types look in JSON: volumes as numbers of mL, channels as their codes, sealed cases by their kind. */
@Configuration
class JsonConfig {

    @JsonTypeInfo(use = JsonTypeInfo.Id.SIMPLE_NAME, property = "kind")
    private interface ByKind {}

    @Bean
    JsonMapperBuilderCustomizer coreTypes() {
        var module = new SimpleModule("core")
                .addSerializer(new VolumeWriter())
                .addDeserializer(Millilitres.class, new VolumeReader())
                .addSerializer(new CodeWriter())
                .addDeserializer(ChannelCode.class, new CodeReader())
                .addKeySerializer(ChannelCode.class, new CodeKeyWriter())
                .addKeyDeserializer(ChannelCode.class, new CodeKeyReader());
        return builder -> builder.addModule(module)
                .addMixIn(Ask.class, ByKind.class)
                .addMixIn(Move.class, ByKind.class)
                .addMixIn(Consequence.class, ByKind.class)
                .addMixIn(Holding.class, ByKind.class)
                .addMixIn(Evidence.class, ByKind.class)
                .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_NULL))
                .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES);
    }

    private static final class VolumeWriter extends StdSerializer<Millilitres> {
        VolumeWriter() {
            super(Millilitres.class);
        }

        @Override
        public void serialize(Millilitres value, JsonGenerator out, SerializationContext context) {
            out.writeNumber(value.toString());
        }
    }

    private static final class VolumeReader extends StdDeserializer<Millilitres> {
        VolumeReader() {
            super(Millilitres.class);
        }

        @Override
        public Millilitres deserialize(JsonParser in, DeserializationContext context) {
            return Millilitres.parse(in.getString());
        }
    }

    private static final class CodeWriter extends StdSerializer<ChannelCode> {
        CodeWriter() {
            super(ChannelCode.class);
        }

        @Override
        public void serialize(ChannelCode value, JsonGenerator out, SerializationContext context) {
            out.writeString(value.code());
        }
    }

    private static final class CodeReader extends StdDeserializer<ChannelCode> {
        CodeReader() {
            super(ChannelCode.class);
        }

        @Override
        public ChannelCode deserialize(JsonParser in, DeserializationContext context) {
            return ChannelCode.of(in.getString());
        }
    }

    private static final class CodeKeyWriter extends StdSerializer<ChannelCode> {
        CodeKeyWriter() {
            super(ChannelCode.class);
        }

        @Override
        public void serialize(ChannelCode value, JsonGenerator out, SerializationContext context) {
            out.writeName(value.code());
        }
    }

    private static final class CodeKeyReader extends KeyDeserializer {
        @Override
        public Object deserializeKey(String key, DeserializationContext context) {
            return ChannelCode.of(key);
        }
    }
}
