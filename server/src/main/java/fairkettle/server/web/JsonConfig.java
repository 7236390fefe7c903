package fairkettle.server.web;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.Nulls;
import fairkettle.clinic.Evidence;
import fairkettle.ink.ChannelCode;
import fairkettle.ink.Holding;
import fairkettle.ink.Millilitres;
import fairkettle.procedure.Ask;
import fairkettle.procedure.Consequence;
import fairkettle.procedure.Move;
import java.time.Instant;
import java.time.LocalDate;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.ext.javatime.deser.InstantDeserializer;
import tools.jackson.databind.ext.javatime.deser.LocalDateDeserializer;
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
                .addDeserializer(String.class, new WordsReader())
                .addDeserializer(Instant.class, new InstantReader())
                .addDeserializer(LocalDate.class, new DateReader())
                .addKeySerializer(ChannelCode.class, new CodeKeyWriter())
                .addKeyDeserializer(ChannelCode.class, new CodeKeyReader());
        return builder -> builder.addModule(module)
                .addMixIn(Ask.class, ByKind.class)
                .addMixIn(Move.class, ByKind.class)
                .addMixIn(Consequence.class, ByKind.class)
                .addMixIn(Holding.class, ByKind.class)
                .addMixIn(Evidence.class, ByKind.class)
                .changeDefaultPropertyInclusion(i -> i.withValueInclusion(JsonInclude.Include.NON_NULL))
                .changeDefaultNullHandling(n -> n.withContentNulls(Nulls.FAIL))
                .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
                .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT); // half a sheet is no sheet
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

    /** Every text but one with a NUL in it, which no database keeps. */
    private static final class WordsReader extends StdDeserializer<String> {
        WordsReader() {
            super(String.class);
        }

        @Override
        public String deserialize(JsonParser in, DeserializationContext context) {
            var words = StringDeserializer.instance.deserialize(in, context);
            if (words != null && words.indexOf(0) >= 0) {
                throw new IllegalArgumentException(
                        "This text has a sign in it that cannot be kept (NUL). Type it again.");
            }
            return words;
        }
    }

    /** Times in which a shop can have lived or may plan; what lies outside was mistyped. */
    private static <T extends Comparable<? super T>> T within(T value, T least, T most) {
        if (value.compareTo(least) < 0 || value.compareTo(most) > 0) {
            throw new IllegalArgumentException(
                    "%s is no time that a shop keeps: it lies between %s and %s.".formatted(value, least, most));
        }
        return value;
    }

    private static final class InstantReader extends StdDeserializer<Instant> {
        private static final Instant LEAST = Instant.parse("1990-01-01T00:00:00Z");
        private static final Instant MOST = Instant.parse("2199-12-31T00:00:00Z");

        InstantReader() {
            super(Instant.class);
        }

        @Override
        public Instant deserialize(JsonParser in, DeserializationContext context) {
            return within(InstantDeserializer.INSTANT.deserialize(in, context), LEAST, MOST);
        }
    }

    private static final class DateReader extends StdDeserializer<LocalDate> {
        private static final LocalDate LEAST = LocalDate.of(1990, 1, 1);
        private static final LocalDate MOST = LocalDate.of(2199, 12, 31);

        DateReader() {
            super(LocalDate.class);
        }

        @Override
        public LocalDate deserialize(JsonParser in, DeserializationContext context) {
            return within(LocalDateDeserializer.INSTANCE.deserialize(in, context), LEAST, MOST);
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
