package fairkettle.server.ledger;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.stereotype.Component;

/** {@code ./kettle rebuild}: makes the account's contents again, says what differed, and ends. */
@Component
@ConditionalOnProperty("kettle.rebuild")
class Rebuild implements ApplicationRunner {

    private static final Logger LOG = LoggerFactory.getLogger(Rebuild.class);

    private final Ledger ledger;
    private final ConfigurableApplicationContext context;

    Rebuild(Ledger ledger, ConfigurableApplicationContext context) {
        this.ledger = ledger;
        this.context = context;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        LOG.info("Rebuilt the ink account; {} places differed.", ledger.rebuild());
        SpringApplication.exit(context);
    }
}
