package fairkettle.server;

import fairkettle.devdb.ThrowawayPg;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.time.Duration;
import java.time.Instant;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.DynamicPropertyRegistrar;

/**
 * The whole server with a shop of its own, on a Wednesday at ten past nine: for what depends on the hour and on all
 * machines together.
 */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(classes = FairKettle.class)
@AutoConfigureMockMvc
@Import({MorningTest.Morning.class, Api.class, Hand.class})
public @interface MorningTest {

    /** What its clock shows as it starts. */
    Instant NINE_TEN = Instant.parse("2026-11-25T09:10:00Z");

    @TestConfiguration(proxyBeanMethods = false)
    class Morning {

        @Bean(destroyMethod = "close")
        ThrowawayPg ownDatabase() {
            try {
                return ThrowawayPg.start();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        @Bean
        DynamicPropertyRegistrar morning(ThrowawayPg pg) {
            return registry -> {
                registry.add("spring.datasource.url", pg::url);
                registry.add("spring.datasource.username", () -> "kettle");
                registry.add("kettle.patience", () -> "PT20S"); // tests ask for what is now
                registry.add(
                        "kettle.clock-offset",
                        () -> Duration.between(Instant.now(), NINE_TEN).toString());
                registry.add(
                        "kettle.key-file",
                        () -> System.getProperty("java.io.tmpdir") + "/kettle-morning-"
                                + ProcessHandle.current().pid() + ".key");
            };
        }
    }
}
