package fairkettle.server.printing;

import com.hp.jipp.model.JobState;
import fairkettle.server.printing.Printers.Sending;
import fairkettle.server.printing.Printers.State;
import fairkettle.server.sheets.SheetBook;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Carries queued sheets to their printers and follows them until they are out.
 *
 * <p>Sending is the one moment that cannot be taken back: whoever breaks off there, the printer or we, leaves the job
 * unsure. Then the printer is asked whether it knows a job of that name, and only if it does not is the sheet given
 * back to be sent again.
 */
@Component
class Postman {

    private static final Logger LOG = LoggerFactory.getLogger(Postman.class);
    private static final Duration ROUND = Duration.ofMillis(400);
    private static final Duration AGAIN = Duration.ofSeconds(1);

    private final Printers printers;
    private final SheetBook book;
    private volatile boolean running;

    Postman(Printers printers, SheetBook book) {
        this.printers = printers;
        this.book = book;
    }

    @EventListener(ApplicationReadyEvent.class)
    void start() {
        running = true;
        Thread.ofVirtual().name("postman").start(() -> {
            while (running) {
                try {
                    Thread.sleep(ROUND);
                    for (var job : printers.take(AGAIN)) {
                        Thread.ofVirtual().start(() -> carry(job));
                    }
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                    return;
                } catch (RuntimeException e) {
                    LOG.warn("The post rests a moment: {}", e.getMessage());
                    pause();
                }
            }
        });
    }

    private static void pause() {
        try {
            Thread.sleep(3000);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @EventListener(ContextClosedEvent.class)
    void stop() {
        running = false;
    }

    private void carry(Sending job) {
        try {
            var trust = new PrinterTrust(printers.fingerprint(job.machine()));
            var client = new IppClient(job.uri(), trust);
            switch (job.state()) {
                case QUEUED -> send(job, client);
                case SENDING, UNSURE -> {
                    if (job.remote()
                            == null) { // one that the printer had, and no longer knows, may have come out: a person
                        // looks
                        ask(job, client);
                    }
                }
                case PRINTING -> follow(job, client);
                case DONE, FAILED, CANCELLED -> {}
            }
            trust.seen().ifPresent(print -> printers.remember(job.machine(), print));
        } catch (RuntimeException e) {
            LOG.warn("Sheet {}: {}", job.sheet(), e.getMessage());
        }
    }

    private void send(Sending job, IppClient client) {
        String format;
        byte[] document;
        Documents.Size size;
        try {
            var status = client.status();
            if (!status.accepting()) {
                fail(job, "The printer takes no jobs now. Nothing was sent.");
                return;
            }
            format = List.of(Documents.PDF, "image/pwg-raster", "image/jpeg").stream()
                    .filter(status.formats()::contains)
                    .findFirst()
                    .orElse("");
            if (book.pdfOnly(job.sheet()) && !format.equals(Documents.PDF)) {
                fail(job, "The printer takes no PDF, and nothing else carries the white. Take the PDF by hand.");
                return;
            }
            var pdf = book.pdf(job.sheet());
            size = Documents.size(pdf);
            var made = Documents.of(pdf, format);
            if (made.isEmpty()) {
                fail(
                        job,
                        "The printer takes neither PDF nor raster pages (%s). Print the PDF another way."
                                .formatted(String.join(", ", status.formats())));
                return;
            }
            document = made.get();
            client.validate(job.name(), format, size);
        } catch (IppClient.Refused e) {
            fail(job, "The printer refused: %s. Nothing was sent.".formatted(e.getMessage()));
            return;
        } catch (IOException e) {
            fail(
                    job,
                    "The printer does not answer (%s). Is it on, and in the network? Nothing was sent."
                            .formatted(reason(e)));
            return;
        }
        try {
            printers.set(job, State.PRINTING, "Sent.", client.print(job.name(), format, size, document));
        } catch (IppClient.Refused e) {
            fail(job, "The printer refused the sheet: %s.".formatted(e.getMessage()));
        } catch (IOException e) {
            printers.set(
                    job, State.UNSURE, "The line broke while it was sent. Asking the printer whether it has it.", null);
        }
    }

    private static String reason(IOException e) {
        return e.getMessage() == null ? "no connection" : e.getMessage();
    }

    private void fail(Sending job, String words) {
        printers.set(job, State.FAILED, words, null);
    }

    private void ask(Sending job, IppClient client) {
        try {
            Optional<Integer> found = client.find(job.name());
            if (found.isPresent()) {
                printers.set(job, State.PRINTING, "The printer has it.", found.get());
            } else {
                fail(job, "The line broke, and the printer has no such job: it can be sent again.");
            }
        } catch (IOException e) {
            printers.set(
                    job,
                    State.UNSURE,
                    "The line broke, and the printer does not answer. Look into the tray: did it come out?",
                    null);
        }
    }

    private void follow(Sending job, IppClient client) {
        try {
            int remote = Objects.requireNonNull(job.remote());
            if (job.cancel()) {
                try {
                    client.cancel(remote);
                } catch (IppClient.Refused e) {
                    // it is over already: what became of it is asked below
                }
            }
            var look = client.job(remote);
            if (look.state().equals(JobState.completed)) {
                book.printed(job.sheet()); // first, and once: whoever is killed in between finds the job still open
                printers.set(job, State.DONE, "It came out." + measured(job, client), remote);
            } else if (look.state().equals(JobState.canceled)) {
                printers.set(
                        job,
                        State.CANCELLED,
                        "Cancelled at the printer. Look whether a page came out; if so, say so.",
                        remote);
            } else if (look.over()) {
                fail(job, "The printer gave it up (%s).".formatted(String.join(", ", look.reasons())));
            } else {
                printers.set(job, State.PRINTING, waiting(look, client), remote);
            }
        } catch (IppClient.Refused e) {
            printers.set(
                    job,
                    State.UNSURE,
                    "The printer no longer knows the job. Look into the tray: did it come out?",
                    job.remote());
        } catch (IOException e) {
            printers.set(job, State.PRINTING, "The printer does not answer; it may still be printing.", job.remote());
        }
    }

    /** A job’s pieces are cut and pressed by what was measured; a printer may have fitted them to its paper. */
    private String measured(Sending job, IppClient client) {
        try {
            return !book.ofJob(job.sheet()) || client.status().keepsSize()
                    ? ""
                    : " The printer does not say that it keeps sizes: measure a piece before you cut or press.";
        } catch (IOException e) {
            return ""; // it came out, and that is what counts
        }
    }

    private static String waiting(IppClient.JobLook look, IppClient client) throws IOException {
        if (look.state().equals(JobState.processing)) {
            return "Printing.";
        }
        var trouble = client.status().trouble();
        if (trouble.stream().anyMatch(t -> t.startsWith("media-empty") || t.startsWith("media-needed"))) {
            return "Out of paper: put some in, it goes on by itself.";
        }
        if (trouble.stream().anyMatch(t -> t.startsWith("marker-waste-full"))) {
            return "It says its waste pad is full.";
        }
        return trouble.isEmpty() ? "Waiting its turn." : "It waits: %s.".formatted(String.join(", ", trouble));
    }
}
