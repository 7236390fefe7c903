/** Numbers and times as people write them: read, or refused with a sentence where they could be two things. */
@NullMarked
package fairkettle.typed;

import org.jspecify.annotations.NullMarked;
