package fairkettle.server.printing;

import java.net.Socket;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.cert.CertificateException;
import java.security.cert.X509Certificate;
import java.util.HexFormat;
import java.util.Optional;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLEngine;
import javax.net.ssl.TrustManager;
import javax.net.ssl.X509ExtendedTrustManager;

/**
 * Printers sign their own certificates, so no authority can vouch for them. The first one seen is remembered; another
 * one at the same address later is refused until a person enters the printer anew.
 */
final class PrinterTrust extends X509ExtendedTrustManager {

    private final Optional<String> known;
    private volatile Optional<String> seen = Optional.empty();

    PrinterTrust(Optional<String> known) {
        this.known = known;
    }

    Optional<String> seen() {
        return seen;
    }

    SSLContext context() {
        try {
            var context = SSLContext.getInstance("TLS");
            context.init(null, new TrustManager[] {this}, null);
            return context;
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Impossible state: every JDK speaks TLS.", e);
        }
    }

    private void check(X509Certificate[] chain) throws CertificateException {
        try {
            var print = HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(chain[0].getEncoded()));
            if (known.isPresent() && !known.get().equals(print)) {
                throw new CertificateException("Another printer answers here than before.");
            }
            seen = Optional.of(print);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every JDK has SHA-256.", e);
        }
    }

    @Override
    public void checkServerTrusted(X509Certificate[] chain, String type) throws CertificateException {
        check(chain);
    }

    @Override
    public void checkServerTrusted(X509Certificate[] chain, String type, Socket socket) throws CertificateException {
        check(chain);
    }

    @Override
    public void checkServerTrusted(X509Certificate[] chain, String type, SSLEngine engine) throws CertificateException {
        check(chain);
    }

    @Override
    public void checkClientTrusted(X509Certificate[] chain, String type) throws CertificateException {
        throw new CertificateException("Nobody signs in here.");
    }

    @Override
    public void checkClientTrusted(X509Certificate[] chain, String type, Socket socket) throws CertificateException {
        checkClientTrusted(chain, type);
    }

    @Override
    public void checkClientTrusted(X509Certificate[] chain, String type, SSLEngine engine) throws CertificateException {
        checkClientTrusted(chain, type);
    }

    @Override
    public X509Certificate[] getAcceptedIssuers() {
        return new X509Certificate[0];
    }
}
