package fairkettle.server;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.context.annotation.Bean;

// why: there is no sign-in yet, and Boot would print a password for one
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class FairKettle {

    public static void main(String[] args) {
        SpringApplication.run(FairKettle.class, args);
    }

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }
}
