/**
 * Pictures of printed sheets for measuring the reader: rasterised by Ghostscript, photographed by a simulated camera,
 * written by cjpeg. Nothing here is shared with the reader but what is printed.
 */
@NullMarked
package fairkettle.measure.pictures;

import org.jspecify.annotations.NullMarked;
