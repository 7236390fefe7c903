package fairkettle.server.web;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/** What tells one file from another (FIPS 180-4). */
public final class Sha256 {

    private Sha256() {}

    public static byte[] of(byte[] bytes) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(bytes);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every JDK has SHA-256.", e);
        }
    }
}
