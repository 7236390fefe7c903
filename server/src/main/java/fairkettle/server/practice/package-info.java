/** Sick machines to cure and questions to answer, with nothing at stake. */
@NullMarked
package fairkettle.server.practice;

import org.jspecify.annotations.NullMarked;
