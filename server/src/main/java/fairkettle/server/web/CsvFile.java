package fairkettle.server.web;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.function.Consumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** A table as a file of comma-separated values (RFC 4180), line by line. */
public final class CsvFile {

    private static final MediaType CSV = new MediaType("text", "csv", StandardCharsets.UTF_8);

    private final CSVPrinter printer;

    private CsvFile(Appendable to, List<String> columns) {
        try {
            printer = new CSVPrinter(
                    to,
                    CSVFormat.RFC4180
                            .builder()
                            .setHeader(columns.toArray(String[]::new))
                            .get());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public void line(@Nullable Object... cells) {
        try {
            for (var cell : cells) {
                printer.print(cell instanceof String words ? harmless(words) : cell);
            }
            printer.println();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Words that a spreadsheet would take for a formula are kept words. */
    private static String harmless(String words) {
        return !words.isEmpty() && "=+-@\t\r".indexOf(words.charAt(0)) >= 0 ? "'" + words : words;
    }

    /**
     * A file to be kept by whoever asked. It lies on the disk until it was read, however long it is.
     *
     * @param lines writes them
     */
    public static ResponseEntity<Resource> download(String file, List<String> columns, Consumer<CsvFile> lines) {
        try {
            var made = Files.createTempFile("fair-kettle", ".csv");
            try {
                try (var writer = Files.newBufferedWriter(made)) {
                    lines.accept(new CsvFile(writer, columns));
                }
                return ResponseEntity.ok()
                        .contentType(CSV)
                        .contentLength(Files.size(made))
                        .header(
                                HttpHeaders.CONTENT_DISPOSITION,
                                ContentDisposition.attachment()
                                        .filename(file)
                                        .build()
                                        .toString())
                        .body(new InputStreamResource(Files.newInputStream(made, StandardOpenOption.DELETE_ON_CLOSE)));
            } catch (IOException | RuntimeException e) {
                Files.deleteIfExists(made);
                throw e;
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
