package fairkettle.server.keys;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;

/** AES-256 in Galois/Counter Mode (NIST SP 800-38D), a fresh 96-bit nonce before each text. */
final class Seal {

    private static final int KEY_BYTES = 32;
    private static final int NONCE_BYTES = 12;
    private static final int TAG_BITS = 128;
    private static final String LETTERS =
            "ABCDEFGHJKMNPQRSTVWXYZ0123456789"; // no I, L, O, U: nobody mistakes them on paper
    private static final SecureRandom RANDOM = new SecureRandom();

    private final byte[] key;

    private Seal(byte[] key) {
        this.key = key;
    }

    static Seal fresh() {
        byte[] key = new byte[KEY_BYTES];
        RANDOM.nextBytes(key);
        return new Seal(key);
    }

    /**
     * The inverse of {@link #words}. Spaces, dashes and small letters do not matter.
     *
     * @throws IllegalArgumentException if it is no key, or has a slip of the pen in it
     */
    static Seal of(String words) {
        var letters = words.toUpperCase(Locale.ROOT).replaceAll("[\\s-]", "");
        if (letters.length() != 54 || letters.chars().anyMatch(c -> LETTERS.indexOf(c) < 0)) {
            throw new IllegalArgumentException("This is no key of the vault: it has 54 letters and digits, in groups.");
        }
        byte[] bytes = new byte[KEY_BYTES + 1];
        long bits = 0;
        int have = 0;
        int at = 0;
        for (char c : letters.toCharArray()) {
            bits = bits << 5 | LETTERS.indexOf(c);
            have += 5;
            if (have >= 8 && at < bytes.length) {
                have -= 8;
                bytes[at++] = (byte) (bits >> have);
            }
        }
        byte[] key = Arrays.copyOf(bytes, KEY_BYTES);
        if (bytes[KEY_BYTES] != check(key)) {
            throw new IllegalArgumentException(
                    "This key of the vault has a slip in it. Compare it with the paper letter by letter.");
        }
        return new Seal(key);
    }

    /** The key as it is printed: nine groups of six, the last with a check. */
    String words() {
        byte[] bytes = Arrays.copyOf(key, KEY_BYTES + 1);
        bytes[KEY_BYTES] = check(key);
        var words = new StringBuilder();
        long bits = 0;
        int have = 0;
        int letters = 0;
        for (int i = 0; i <= bytes.length; i++) {
            bits = bits << 8 | (i < bytes.length ? bytes[i] & 0xff : 0);
            have += 8;
            while (have >= 5 && letters < 54) {
                have -= 5;
                words.append(letters > 0 && letters % 6 == 0 ? "-" : "")
                        .append(LETTERS.charAt((int) (bits >> have) & 31));
                letters++;
            }
        }
        return words.toString();
    }

    private static byte check(byte[] key) {
        return (byte) Arrays.hashCode(key);
    }

    byte[] seal(String text) {
        byte[] nonce = new byte[NONCE_BYTES];
        RANDOM.nextBytes(nonce);
        try {
            byte[] sealed = cipher(Cipher.ENCRYPT_MODE, nonce).doFinal(text.getBytes(StandardCharsets.UTF_8));
            byte[] all = Arrays.copyOf(nonce, NONCE_BYTES + sealed.length);
            System.arraycopy(sealed, 0, all, NONCE_BYTES, sealed.length);
            return all;
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Impossible state: this Java cannot seal.", e);
        }
    }

    /** @return empty if it was sealed with another key, or changed since */
    Optional<String> open(byte[] sealed) {
        try {
            byte[] text = cipher(Cipher.DECRYPT_MODE, Arrays.copyOf(sealed, NONCE_BYTES))
                    .doFinal(sealed, NONCE_BYTES, sealed.length - NONCE_BYTES);
            return Optional.of(new String(text, StandardCharsets.UTF_8));
        } catch (GeneralSecurityException | IllegalArgumentException _) {
            return Optional.empty();
        }
    }

    private Cipher cipher(int mode, byte[] nonce) throws GeneralSecurityException {
        var cipher = Cipher.getInstance("AES/GCM/NoPadding");
        cipher.init(mode, new SecretKeySpec(key, "AES"), new GCMParameterSpec(TAG_BITS, nonce));
        return cipher;
    }
}
