package fairkettle.server;

import fairkettle.devdb.ThrowawayPg;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.test.context.DynamicPropertyRegistrar;

/** A real PostgreSQL for the server's tests; one for all of them. */
@TestConfiguration(proxyBeanMethods = false)
public class TestDb {

    private static final ThrowawayPg PG = start();

    private static ThrowawayPg start() {
        try {
            return ThrowawayPg.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Bean
    DynamicPropertyRegistrar database() {
        return registry -> {
            registry.add("spring.datasource.url", PG::url);
            registry.add("spring.datasource.username", () -> "kettle");
            registry.add("kettle.patience", () -> "PT20S"); // tests ask for what is now
            registry.add(
                    "kettle.key-file",
                    () -> System.getProperty("java.io.tmpdir") + "/kettle-test-"
                            + ProcessHandle.current().pid() + ".key");
        };
    }
}
