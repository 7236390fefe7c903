/** The whole shop as one documented file that any program can read, and back from it. */
@NullMarked
package fairkettle.server.archive;

import org.jspecify.annotations.NullMarked;
