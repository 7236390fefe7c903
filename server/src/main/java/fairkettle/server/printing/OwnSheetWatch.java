package fairkettle.server.printing;

import java.io.IOException;
import java.net.URI;
import java.time.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Looks every minute whether a machine may print a purge sheet by itself, and asks the printer before it does. */
@Component
class OwnSheetWatch {

    private static final Logger LOG = LoggerFactory.getLogger(OwnSheetWatch.class);
    private static final Duration EVERY = Duration.ofMinutes(1);

    private final OwnSheets sheets;
    private final Printers printers;
    private volatile boolean running;

    OwnSheetWatch(OwnSheets sheets, Printers printers) {
        this.sheets = sheets;
        this.printers = printers;
    }

    @EventListener(ApplicationReadyEvent.class)
    void start() {
        running = true;
        Thread.ofVirtual().name("own sheets").start(() -> {
            while (running) {
                try {
                    Thread.sleep(EVERY);
                    look();
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return;
                } catch (RuntimeException e) {
                    LOG.warn("No sheet by itself this time: {}", e.getMessage());
                }
            }
        });
    }

    @EventListener(ContextClosedEvent.class)
    void stop() {
        running = false;
    }

    /** Once, now. */
    void look() {
        for (long machine : sheets.candidates()) {
            try {
                var client = new IppClient(
                        URI.create(printers.of(machine).orElseThrow()),
                        new PrinterTrust(printers.fingerprint(machine)));
                var hindrance = OwnSheets.hindrance(client.status());
                if (hindrance.isPresent()) {
                    sheets.trouble(machine, hindrance.get());
                } else {
                    sheets.print(machine);
                }
            } catch (IOException e) {
                sheets.trouble(machine, "The printer does not answer (%s).".formatted(e.getMessage()));
            }
        }
    }
}
