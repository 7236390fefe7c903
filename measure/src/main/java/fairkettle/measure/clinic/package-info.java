/** The clinic's yardstick: policies that treat the same sick machines, and what came of it. */
@org.jspecify.annotations.NullMarked
package fairkettle.measure.clinic;
