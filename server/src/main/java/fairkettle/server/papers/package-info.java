/**
 * Cards, plans and shopping lists on paper and in files. Start with {@link fairkettle.server.papers.PaperController}.
 */
@NullMarked
package fairkettle.server.papers;

import org.jspecify.annotations.NullMarked;
