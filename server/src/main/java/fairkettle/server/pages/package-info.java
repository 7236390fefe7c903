/** Answers for screens that join several features: above all the others, and known to none of them. */
@NullMarked
package fairkettle.server.pages;

import org.jspecify.annotations.NullMarked;
