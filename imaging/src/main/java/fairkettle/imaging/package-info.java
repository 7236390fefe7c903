/**
 * Sheets on paper and back: draws them as PDF, reads pictures of them.
 *
 * <p>Start with {@link fairkettle.imaging.SheetReader}; it goes from {@link fairkettle.imaging.Photo} over
 * {@link fairkettle.imaging.Marks} and {@link fairkettle.imaging.Plane} to {@link fairkettle.imaging.Strokes} and
 * {@link fairkettle.imaging.Bars}.
 */
@NullMarked
package fairkettle.imaging;

import org.jspecify.annotations.NullMarked;
