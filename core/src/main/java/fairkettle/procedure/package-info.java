/**
 * The backbone: <em>this may only be done when that is so, and afterwards something else is so.</em>
 *
 * <p>A machine has a {@link fairkettle.procedure.MachineState} of small facets. A {@link fairkettle.procedure.Step}
 * declares what it needs of that state, what it changes, what it asks and what it moves in the ink account. A
 * {@link fairkettle.procedure.Card} is a procedure being carried out: it offers a step only when its needs hold, and
 * otherwise names the missing need and the step that would bring it about. {@link fairkettle.procedure.RouteProof}
 * walks a procedure with every answer and shows that the needs always hold.
 */
@NullMarked
package fairkettle.procedure;

import org.jspecify.annotations.NullMarked;
