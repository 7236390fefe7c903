package fairkettle.server.web;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** From where this server can be reached. */
@Component
public class Reach {

    private final String address;
    private final boolean behindProxy;
    private final String fingerprint;

    Reach(
            @Value("${server.address}") String address,
            @Value("${kettle.behind-proxy}") boolean behindProxy,
            @Value("${kettle.fingerprint}") String fingerprint) {
        this.address = address;
        this.behindProxy = behindProxy;
        this.fingerprint = fingerprint;
    }

    /** Whether devices other than this machine can reach it. */
    public boolean byOthers() {
        try {
            return behindProxy || !InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException e) {
            return true;
        }
    }

    /** Of the certificate it shows, to be compared by people; null if it shows none. */
    public @Nullable String fingerprint() {
        return fingerprint.isBlank() ? null : fingerprint;
    }
}
