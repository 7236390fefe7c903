/**
 * Figures, each side by side with a reference in the same run; one line of JSON per result, last on standard output.
 */
package fairkettle.measure;
