/**
 * From a verdict to a work plan: what each remedy really needs on this layout, step by step, with place, act, figures,
 * cautions and what it puts on, takes off or moves.
 */
@NullMarked
package overturn.repair;

import org.jspecify.annotations.NullMarked;
