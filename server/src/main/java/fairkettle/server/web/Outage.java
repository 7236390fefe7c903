package fairkettle.server.web;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;

/**
 * What of the house itself fails, by name, so that people know where to look. What was tapped meanwhile was not saved,
 * and can be sent again as it is.
 */
enum Outage {
    DATABASE(
            HttpStatus.SERVICE_UNAVAILABLE,
            "The database does not answer. Nothing was saved; look at the machine that the kettle runs on."),
    DISK(
            HttpStatus.INSUFFICIENT_STORAGE,
            "The disk is full. Nothing was saved: make room on the machine that the kettle runs on, then try again.");

    private static final int DEEPEST = 12; // causes of causes

    /** What the pool says of a connection that it gave up, without a state: there was nothing left to roll back on. */
    private static final String GIVEN_UP = "Connection is closed";

    final HttpStatus status;
    final String detail;

    Outage(HttpStatus status, String detail) {
        this.status = status;
        this.detail = detail;
    }

    /** @return null if it is none of these, and somebody has to look into the log */
    static @Nullable Outage of(Throwable failure) {
        Throwable cause = failure;
        for (int depth = 0; cause != null && depth < DEEPEST; depth++) {
            if (cause instanceof SQLTransientConnectionException) {
                return DATABASE; // none of its connections came free in time
            }
            if (cause instanceof SQLException sql && sql.getSQLState() == null && GIVEN_UP.equals(sql.getMessage())) {
                return DATABASE;
            }
            if (cause instanceof SQLException sql && sql.getSQLState() instanceof String state) {
                // PostgreSQL, appendix A: class 08 is the connection, 57P its shutdown, 53100 a full disk
                if (state.equals("53100")) {
                    return DISK;
                }
                if (state.startsWith("08") || state.startsWith("57P")) {
                    return DATABASE;
                }
            }
            cause = cause.getCause();
        }
        return null;
    }

    String kind() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
