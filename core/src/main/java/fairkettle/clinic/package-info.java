/**
 * What is wrong, what to try next, and when to stop: causes, evidence, belief, treatments, advice. It knows machines
 * only by what a person at the bench can see, and by one table of figures.
 */
@NullMarked
package fairkettle.clinic;

import org.jspecify.annotations.NullMarked;
