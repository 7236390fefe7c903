package fairkettle.server;

import io.micrometer.observation.ObservationRegistry;
import java.time.Clock;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.context.annotation.Bean;

// why: people come in by sessions of our own, and Boot would print a password for somebody else
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class FairKettle {

    public static void main(String[] args) {
        SpringApplication.run(FairKettle.class, args);
    }

    /** The one clock: nothing else may know the time. */
    @Bean
    @ConditionalOnProperty(name = "kettle.demo", havingValue = "false", matchIfMissing = true)
    Clock clock(@Value("${kettle.clock-offset:PT0S}") Duration offset) {
        return Clock.offset(Clock.systemUTC(), offset);
    }

    /** Nobody reads observations here, and each filter of a request would make one. */
    @Bean
    ObservationRegistry observations() {
        return ObservationRegistry.NOOP;
    }
}
