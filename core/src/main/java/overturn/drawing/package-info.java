/**
 * Where the parts of a circuit stand on its sheet, computed once for every page, report and printout: input at the
 * left, ends at the right, in units of the sheet.
 */
@NullMarked
package overturn.drawing;

import org.jspecify.annotations.NullMarked;
