/**
 * What a check showed, against the one before and against what the work in hand needs.
 *
 * <p>A {@link fairkettle.check.Look} comes from a picture or from taps; {@link fairkettle.check.Change} compares two,
 * {@link fairkettle.check.Course} many, and {@link fairkettle.check.Work} says what it is good enough for.
 */
@NullMarked
package fairkettle.check;

import org.jspecify.annotations.NullMarked;
