/**
 * Where a job stands between intake and release: its stage, what is done next, whether the vehicle may be moved, what
 * was decided. Told from here on every page, in the report and by the API.
 */
@NullMarked
package overturn.course;

import org.jspecify.annotations.NullMarked;
