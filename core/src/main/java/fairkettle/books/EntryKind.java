package fairkettle.books;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** What an entry of the log is about. */
public enum EntryKind {
    BOTTLE(null),
    BRANCH(null),
    CARD(null),
    CHECK(Cause.CHECKS),
    CLEANING(Cause.CLEANINGS),
    CLINIC(null),
    CORRECTION(Cause.CORRECTIONS),
    HEIGHT(null),
    HELP(null),
    JOB(null),
    KEY(null),
    MACHINE(null),
    NOTE(null),
    ORDER(null),
    OWED(null),
    PAD(null),
    PRINT(Cause.PRINTS),
    PURGE(Cause.PURGES),
    READING(Cause.CORRECTIONS),
    REFILL(null),
    SHEET(Cause.CHECKS),
    SKIP(null),
    STEP(null),
    STRIKE(null),
    SUPPLY(null),
    TREATMENT(Cause.DRAWN),
    UPKEEP(null),
    WAIT(null),
    WASTE(null),
    WHITE(Cause.DRAWN);

    private final @Nullable Cause cause;

    EntryKind(@Nullable Cause cause) {
        this.cause = cause;
    }

    /** What ink leaves for under such an entry, where nothing else is said; null where none does. */
    public @Nullable Cause cause() {
        return cause;
    }

    /** As it is kept and asked for: “cleaning”. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The inverse of {@link #key}. @throws IllegalArgumentException if there is no such kind */
    public static EntryKind of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }
}
