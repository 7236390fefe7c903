/**
 * Work for somebody, from the order to what came of it. Start with {@link fairkettle.server.jobs.JobService}; the rules
 * stand in {@link fairkettle.job}.
 */
@NullMarked
package fairkettle.server.jobs;

import org.jspecify.annotations.NullMarked;
