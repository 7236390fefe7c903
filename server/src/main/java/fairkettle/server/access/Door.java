package fairkettle.server.access;

import fairkettle.server.web.Problem;
import fairkettle.server.web.Reach;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Locale;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Whether people sign in. Where only this machine can reach the kettle nobody does, unless it is asked for; in a
 * network everybody does. The very first owner shows a code that whoever started the server can read.
 */
@Component
class Door {

    private static final Logger LOG = LoggerFactory.getLogger(Door.class);

    private final boolean closed;
    private final boolean demo;
    private final Accounts accounts;
    private final String firstCode;

    /** @param signIn always, never, or auto: where others can reach it */
    Door(
            @Value("${kettle.sign-in}") String signIn,
            Reach reach,
            @Value("${kettle.demo}") boolean demo,
            Accounts accounts) {
        this.demo = demo;
        closed = switch (signIn.toLowerCase(Locale.ROOT)) {
            case "always" -> true;
            case "never" -> false;
            case "auto" -> reach.byOthers();
            default ->
                throw new IllegalArgumentException(
                        "KETTLE_SIGN_IN is (%s). Set it to auto, always or never.".formatted(signIn));
        };
        // why twelve figures: too many to be tried, so that nobody who tries can shut the owner out
        firstCode = new SecureRandom()
                .ints(3, 0, 10_000)
                .mapToObj("%04d"::formatted)
                .collect(Collectors.joining("-"));
        this.accounts = accounts;
    }

    @EventListener(ApplicationStartedEvent.class)
    void tellFirst() {
        if (closed && !accounts.anyOwner()) {
            LOG.info("Nobody owns this shop yet. The code of the first owner: {}", firstCode);
        }
    }

    boolean closed() {
        return closed;
    }

    boolean demo() {
        return demo;
    }

    /** Nobody becomes the owner by being quick. */
    void checkFirst(String said) {
        if (!MessageDigest.isEqual(
                figures(said).getBytes(StandardCharsets.UTF_8),
                figures(firstCode).getBytes(StandardCharsets.UTF_8))) {
            throw Problem.atField("code", "This is not the code that the start command showed.");
        }
    }

    private static String figures(String code) {
        return code.replaceAll("\\D", "");
    }

    /** Whoever started the server may read it. */
    String firstCode() {
        return firstCode;
    }
}
