package fairkettle.db;

import fairkettle.books.EntryKind;
import org.jooq.impl.AbstractConverter;

/** Kinds of entries stand in the log in small letters. */
public class EntryKindConverter extends AbstractConverter<String, EntryKind> {

    public EntryKindConverter() {
        super(String.class, EntryKind.class);
    }

    @Override
    public EntryKind from(String kept) {
        return kept == null ? null : EntryKind.of(kept);
    }

    @Override
    public String to(EntryKind kind) {
        return kind == null ? null : kind.key();
    }
}
