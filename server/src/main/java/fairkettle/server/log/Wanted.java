package fairkettle.server.log;

import fairkettle.books.EntryKind;
import fairkettle.server.web.Problem;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * Which entries of the log are asked for; null for any.
 *
 * @param kind as {@link EntryKind#key}; @param lot a bottle that the entry moved ink of; @param from first day of the
 *     shop; @param to last day
 */
public record Wanted(
        @Nullable Long machine,
        @Nullable String kind,

        @Nullable @Size(max = 200, message = "At most 200 letters.")
        String words,

        @Nullable Long card,
        @Nullable Long person,
        @Nullable Long lot,
        @Nullable LocalDate from,
        @Nullable LocalDate to) {

    @Nullable
    EntryKind entryKind() {
        if (kind == null || kind.isBlank()) {
            return null;
        }
        try {
            return EntryKind.of(kind);
        } catch (IllegalArgumentException e) {
            throw Problem.atField("kind", "The log knows no kind “%s”.".formatted(kind));
        }
    }
}
