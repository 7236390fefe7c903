package fairkettle.server.journal;

import org.jooq.Condition;
import org.jooq.Table;

/** Some rows of a book's table. */
public record Rows(Table<?> table, Condition where) {}
