/** Check sheets made from a machine's profile. Start with {@link fairkettle.server.sheets.SheetBook}. */
@NullMarked
package fairkettle.server.sheets;

import org.jspecify.annotations.NullMarked;
