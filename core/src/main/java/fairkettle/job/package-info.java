/**
 * Work for somebody: whether a thing takes an ink, which machine prints it, how it lies on the sheet, what it drinks
 * and costs, and what happens at the press. Start with {@link fairkettle.job.Substrate} and
 * {@link fairkettle.job.Nesting}.
 */
@NullMarked
package fairkettle.job;

import org.jspecify.annotations.NullMarked;
