package fairkettle.standin;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.util.UUID;
import javax.net.ssl.KeyManagerFactory;
import javax.net.ssl.SSLContext;

/** A certificate that a printer signs for itself, as they all do. Made by the JDK's own keytool. */
final class Certificate {

    private Certificate() {}

    static SSLContext fresh() throws IOException {
        var folder = Files.createTempDirectory("standin");
        var file = folder.resolve("key.p12");
        var password = UUID.randomUUID().toString();
        try {
            var keytool = new ProcessBuilder(
                            Path.of(System.getProperty("java.home"), "bin", "keytool")
                                    .toString(),
                            "-genkeypair",
                            "-alias",
                            "printer",
                            "-keyalg",
                            "EC",
                            "-dname",
                            "CN=printer",
                            "-validity",
                            "3650",
                            "-storetype",
                            "PKCS12",
                            "-keystore",
                            file.toString(),
                            "-storepass",
                            password)
                    .redirectErrorStream(true)
                    .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                    .start();
            if (keytool.waitFor() != 0) {
                throw new IOException("keytool made no key.");
            }
            var store = KeyStore.getInstance("PKCS12");
            try (var in = Files.newInputStream(file)) {
                store.load(in, password.toCharArray());
            }
            var keys = KeyManagerFactory.getInstance(KeyManagerFactory.getDefaultAlgorithm());
            keys.init(store, password.toCharArray());
            var context = SSLContext.getInstance("TLS");
            context.init(keys.getKeyManagers(), null, null);
            return context;
        } catch (GeneralSecurityException e) {
            throw new IOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(e);
        } finally {
            Files.deleteIfExists(file);
            Files.deleteIfExists(folder);
        }
    }
}
