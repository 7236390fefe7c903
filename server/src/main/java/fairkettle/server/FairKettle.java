package fairkettle.server;

import java.time.Clock;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.context.annotation.Bean;

// why: there is no sign-in yet, and Boot would print a password for one
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
}
