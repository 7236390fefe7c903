/**
 * Check sheets as drawings in millimetres: what is on the page, where, in which ink; nothing of files or printers.
 *
 * <p>Start with {@link fairkettle.sheet.Sheets}; {@link fairkettle.sheet.Addressing} says which channels a page can
 * reach.
 */
@NullMarked
package fairkettle.sheet;

import org.jspecify.annotations.NullMarked;
