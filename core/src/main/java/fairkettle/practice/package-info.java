/** Questions to practise on, away from any machine: each answer says what would have happened. */
@NullMarked
package fairkettle.practice;

import org.jspecify.annotations.NullMarked;
