/** Cautions, said at the step where they apply, and schools: questions that good people answer differently. */
@NullMarked
package fairkettle.safety;

import org.jspecify.annotations.NullMarked;
