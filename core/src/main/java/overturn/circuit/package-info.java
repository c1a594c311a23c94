/**
 * The hydraulic circuit of one vehicle: components with their dimensions, the joints between them, and what is still
 * connected when some joints are cut. A layout is data; nothing here knows of pressure, faults or tests. Lengths in mm,
 * areas in mm², volumes in mL, stiffness in mL/bar. All preset dimensions are estimates from docs/trade-figures.md and
 * the maker's data win.
 */
@NullMarked
package overturn.circuit;

import org.jspecify.annotations.NullMarked;
